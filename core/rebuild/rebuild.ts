import { COVERS, screwOf, SIDES, type Condition, type LayerId, type StackId } from '../knowledge';
import {
  conditionIn,
  type BuildOrder,
  type Entry,
  type Picture,
  type RebuildTick,
  type Renewal,
} from '../log';
import { isCover, makeUpOf, nameIn, placeOf, staysIn, type MakeUp, type Place } from './makeUp';

/** One layer as it is now. */
export interface LayerNow {
  id: StackId;
  name: string;
  place: Place;
  /** In the carburettor, on the tray, or away: missing, in the bin, left off on purpose. */
  where: 'in' | 'tray' | 'missing' | 'binned' | 'left-off';
  condition: Condition | null;
  /** A new one was fitted in this rebuild. */
  renewed: boolean;
  /** Which it was to come off in this rebuild, from 1; null for what did not. */
  cameOff: number | null;
}

/** A carburettor on its way into pieces and back, worked out from the log. */
export interface Rebuild {
  makeUp: MakeUp | null;
  layers: readonly LayerNow[];
  /** In the order it came off in this rebuild, each once. */
  came: readonly StackId[];
  /** The first pair that came off the other way round than usual: `first` lies under `then` on its family. */
  unusual: { first: StackId; then: StackId } | null;
  order: BuildOrder | null;
  /** Everything that came off, in the order it goes back. */
  build: readonly StackId[];
  /** Mixture screws that came out with their count lost. */
  uncounted: readonly ('L' | 'H')[];
  renewal: Renewal | null;
  /** Steps said since the rebuild began, or since the last thing came off. */
  ticks: ReadonlySet<RebuildTick>;
  /** Ids of entries noted since the last thing came off: what they say is of the carburettor as it goes together. */
  since: ReadonlySet<string>;
  /** Ids of entries noted since the rebuild began. */
  during: ReadonlySet<string>;
}

/** Said before the first thing comes off. */
const BEFOREHAND: readonly RebuildTick[] = ['links-seen', 'lines-tagged', 'scribed'];
/** Said once for the whole rebuild, whatever comes off later. */
const ONCE: readonly RebuildTick[] = [...BEFOREHAND, 'off-enough', 'screen-takes-spray'];

const itemIn = (e: Entry): StackId | 'carburettor' | null => {
  if (e.kind !== 'took-off' && e.kind !== 'put-back' && e.kind !== 'left-off') return null;
  if ('layer' in e.body) return e.body.layer;
  if (!('part' in e.body)) return null;
  const { part } = e.body;
  return part === 'carburettor' || isCover(part) ? part : null;
};

/**
 * The part of a log that is this rebuild: from the first thing of the carburettor that came off after it was whole for the
 * last time. `before`: from where that rebuild's preparations count.
 */
function sessionOf(live: readonly Entry[]): { before: number; from: number } {
  const away = new Set<string>();
  let [before, from, ended] = [0, live.length, false];
  live.forEach((e, at) => {
    const item = itemIn(e);
    if (!item) return;
    if (e.kind !== 'took-off') {
      away.delete(item);
      if (away.size === 0) ended = true;
      return;
    }
    if (from === live.length || (ended && away.size === 0)) {
      if (ended) before = live.findLastIndex((o, n) => n < at && itemIn(o) !== null) + 1;
      from = at;
      ended = false;
    }
    away.add(item);
  });
  return { before, from };
}

/** What came off in which order; taken off twice, the last time counts. */
function cameOffIn(session: readonly Entry[]): StackId[] {
  const came: StackId[] = [];
  for (const e of session) {
    const item =
      e.kind === 'condition' && e.body.condition === 'missing' && !came.includes(e.body.layer)
        ? e.body.layer
        : e.kind === 'took-off'
          ? itemIn(e)
          : null;
    if (!item || item === 'carburettor') continue;
    const at = came.indexOf(item);
    if (at >= 0) came.splice(at, 1);
    came.push(item);
  }
  return came;
}

/** The first two that came off the other way round than their family is built. */
function unusualIn({ stacks, own }: MakeUp, came: readonly StackId[]): Rebuild['unusual'] {
  if (own) return null;
  for (const side of SIDES) {
    const stack = stacks[side];
    const mine = came.filter((id) => stack.includes(id) && !staysIn(id));
    for (const [n, first] of mine.entries()) {
      const then = mine[n + 1];
      if (then && stack.indexOf(then) > stack.indexOf(first)) return { first, then };
    }
  }
  return null;
}

/** The sides in the order they are built: pressed with the lever in, the fuel goes through the pump side. */
const BUILT: Readonly<Record<Place, number>> = { pump: 0, metering: 1, outside: 2 };

/**
 * The order things go back in: backwards as they came off, or as the family is usually built; the pump side first, so that the needle
 * can be pressed with nothing open before it. What covers the mixture screws is not among them: it goes on once they are set.
 */
function buildOrder(makeUp: MakeUp | null, came: readonly StackId[], order: BuildOrder | null): StackId[] {
  const backwards = came.filter((id) => !CAPS.includes(id)).toReversed();
  if (!makeUp) return backwards;
  const usual = [...makeUp.stacks.pump, ...makeUp.stacks.metering];
  const known = order === 'as-usual' ? usual.filter((id) => backwards.includes(id)) : [];
  return [...known, ...backwards.filter((id) => !known.includes(id))]
    .map((id, n) => ({ id, at: BUILT[placeOf(makeUp, id)], n }))
    .sort((x, y) => x.at - y.at || x.n - y.n)
    .map(({ id }) => id);
}

/** What covers the mixture screws. */
export const CAPS: readonly StackId[] = ['limiter-caps', 'screw-plug'];

/** Everything the log says of the carburettor in pieces, worked out. */
export function rebuildOf(picture: Picture): Rebuild {
  const live = picture.trail
    .filter((l) => l.state !== 'struck' && l.entry.kind !== 'strike')
    .map((l) => l.entry);
  const { before, from } = sessionOf(live);
  const session = live.slice(from);
  const came = cameOffIn(session);
  const makeUp = picture.carburettor && makeUpOf(picture.carburettor);
  const lastOff = session.findLastIndex((e) => e.kind === 'took-off' && itemIn(e) !== null);
  const since = session.slice(lastOff + 1);
  const steps = (entries: readonly Entry[]): RebuildTick[] =>
    entries.flatMap((e) => (e.kind === 'rebuild-step' && !('answer' in e.body) ? [e.body.step] : []));
  const ticks = new Set([
    ...steps(live.slice(before)).filter((t) => BEFOREHAND.includes(t)),
    ...steps(session).filter((t) => ONCE.includes(t)),
    ...steps(since),
  ]);
  const answers = session.flatMap((e) => (e.kind === 'rebuild-step' && 'answer' in e.body ? [e.body] : []));
  const renewal = answers.findLast((a) => a.step === 'renew')?.answer ?? null;
  const order = answers.findLast((a) => a.step === 'order')?.answer ?? null;
  const renewed = new Set(
    session.flatMap((e) =>
      e.kind === 'put-back' && 'layer' in e.body && e.body.renewed ? [e.body.layer] : [],
    ),
  );
  return {
    makeUp,
    layers: layersNow(picture, makeUp, { session, came, renewed }),
    came,
    unusual: makeUp && unusualIn(makeUp, came),
    order,
    build: buildOrder(makeUp, came, order),
    uncounted: uncountedIn(live),
    renewal,
    ticks,
    since: new Set(since.map((e) => e.id)),
    during: new Set(live.slice(Math.min(before, from)).map((e) => e.id)),
  };
}

function layersNow(
  { off, leftOff }: Pick<Picture, 'off' | 'leftOff'>,
  makeUp: MakeUp | null,
  {
    session,
    came,
    renewed,
  }: { session: readonly Entry[]; came: readonly StackId[]; renewed: ReadonlySet<LayerId> },
): LayerNow[] {
  const family: readonly StackId[] = makeUp
    ? [...makeUp.stacks.pump, ...makeUp.stacks.metering, ...makeUp.outside]
    : COVERS;
  const all = [...new Set([...family, ...came])];
  const isIt = (id: StackId) => (item: { part?: string; layer?: string }) => (item.layer ?? item.part) === id;
  // As each was found last in this rebuild.
  const found = new Map<StackId, Condition>();
  for (const seen of session.map(conditionIn)) if (seen) found.set(seen.layer, seen.condition);
  return all.map((id): LayerNow => {
    const item = off.find(isIt(id));
    const at = came.indexOf(id);
    const isRenewed = !isCover(id) && renewed.has(id);
    return {
      id,
      name: nameIn(makeUp, id),
      place: makeUp ? placeOf(makeUp, id) : 'metering',
      where: item ? (item.gone ?? 'tray') : leftOff.some(isIt(id)) ? 'left-off' : 'in',
      condition: found.get(id) ?? null,
      renewed: isRenewed && !item,
      cameOff: at < 0 ? null : at + 1,
    };
  });
}

/** The mixture screws that came out before anybody counted them, on the job: the warning stays. */
function uncountedIn(live: readonly Entry[]): ('L' | 'H')[] {
  const counted = new Set<'L' | 'H'>();
  const lost = new Set<'L' | 'H'>();
  for (const e of live) {
    if (e.kind === 'finding' && e.body.check === 'screw-turns')
      for (const screw of ['L', 'H'] as const)
        if (e.body.reading?.turns?.[screw] !== undefined && !lost.has(screw)) counted.add(screw);
    if (e.kind !== 'took-off' || !('layer' in e.body)) continue;
    const screw = screwOf(e.body.layer);
    if (screw && (e.body.uncounted || !counted.has(screw))) lost.add(screw);
  }
  return [...lost];
}
