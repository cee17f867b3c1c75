import { cleanBy } from '../chance';
import { asOutcome, type Changed } from '../diagnosis';
import { chancesIn, rateBefore } from '../proof';
import {
  actOfHand,
  causeOf,
  causesPutRight,
  CAUSES,
  checkOf,
  CONDITIONS,
  handledBy,
  layerOf,
  offAndOn,
  OTHER_DRILL,
  probabilityOf,
  proofRun,
  putRightBy,
  remedyOf,
  seenAs,
  STOOD,
  STOOD_HOURS,
  tellsOf,
  type CauseId,
  type ComplaintId,
  type LayerId,
  type PutsRight,
  type Remedy,
} from '../knowledge';
import { moveInWords, type Screw } from '../tuning';
import type { Entry, EntryOf } from './entry';
import type { Picture, Repair } from './picture';
import { failsToStart } from './starts';
import { lowered } from './words';

/** Something that was changed between the last time it failed and the first time it ran right. */
export interface Change extends Changed {
  /** What was done, as one says it. */
  says: string;
}

/** What was changed while it came right. */
export interface CameRight {
  changes: readonly Change[];
  /** The chance that a fault which is still there has not shown so far (0–1). */
  hides: number;
}

/** What was put right with a fitting repair is right so often; by a screw turned the right way, and by a new part of a carburettor. */
const RIGHTED = { repair: 0.96, screw: 0.7, layer: 0.9 } as const;
/** A repair in somebody's own words, of what they found themselves. */
const OWN_WORDS = 0.9;
/** Nobody says that it is cured after a single try (trade). */
const TOLD_AFTER = 2;
/** A fault that shows hot has hardly shown on an engine that was let cool first. */
const HIDES_COLD = 0.8;

type Live = readonly Entry[];

/** Entries that still count, and those a later one took the place of: what was done was done. */
const doneIn = ({ trail, order }: Pick<Picture, 'trail' | 'order'>): Entry[] =>
  trail
    .flatMap(({ entry, state }) => (state === 'struck' ? [] : [entry]))
    .filter((e) => order.has(e.id))
    .toSorted((x, y) => order.get(x.id)! - order.get(y.id)!);

/** Results of a trial that are no outcome, and leave what it was complained of. */
const STOOD_ON: ReadonlySet<string> = new Set(['worse', 'floods-again']);

/** Whether a trial's result leaves what it was complained of. */
const leftIt = (result: string): boolean => {
  const outcome = asOutcome(result);
  return outcome === null ? STOOD_ON.has(result) : outcome !== 'cured';
};

/** Whether an entry says that it failed once more. */
function failed(e: Entry, complaints: readonly ComplaintId[]): boolean {
  if (e.kind === 'complaint') return true;
  if (e.kind === 'start') return failsToStart(e.body);
  if (e.kind === 'repair') return e.body.outcome === 'no-change' || e.body.outcome === 'better';
  if (e.kind !== 'finding' || e.body.result === undefined) return false;
  const { is, restates } = checkOf(e.body.check);
  const { result } = e.body;
  return (
    (is === 'trial' && leftIt(result)) ||
    complaints.some((c) => (restates?.[c] as readonly string[] | undefined)?.includes(result))
  );
}

/** Whether a trial came out so that it ran right with what was tried. */
const triedAndRan = (e: Entry): e is EntryOf<'finding'> =>
  e.kind === 'finding' && checkOf(e.body.check).is === 'trial' && asOutcome(e.body.result ?? '') === 'cured';

const chances = (rights: PutsRight): Map<CauseId, number> =>
  new Map(Object.entries(rights).map(([cause, word]) => [cause as CauseId, probabilityOf(word)]));

const all = (causes: readonly CauseId[], chance: number): Map<CauseId, number> =>
  new Map(causes.map((cause) => [cause, chance]));

/** The causes that turning a mixture screw so many eighths puts right: out richens. */
const screwRights = (screw: Screw, eighths: number): CauseId[] =>
  screw === 'L' || screw === 'H'
    ? CAUSES.filter((c) => c.screw?.of === screw && c.screw.is === (eighths > 0 ? 'lean' : 'rich')).map(
        (c) => c.id,
      )
    : ['idle-stop-wrong'];

/** The faults that a new layer of a carburettor does away with. */
const layerRights = (layer: LayerId): CauseId[] => [
  ...new Set(
    CONDITIONS.flatMap((condition) => {
      const tells = tellsOf(layer, condition);
      return tells ? seenAs(tells.check, tells.result) : [];
    }),
  ),
];

const nameOf = (repair: Repair): string =>
  'other' in repair
    ? repair.other
    : repair.remedy
      ? remedyOf(repair.remedy).does
      : causeOf(repair.cause).remedy;

/** What a repair puts right: a new plug puts right whatever was wrong with the old one. */
const allPutRight = ({ cause, remedy }: Extract<Repair, { cause: CauseId }>): readonly CauseId[] => [
  ...new Set([...causesPutRight(cause, remedy), ...(remedy ? [] : (actOfHand(cause)?.mends ?? []))]),
];

/** A change, and the act of the hand it is, where it is one of those that mend several. */
type Noticed = Change & { act?: Remedy | null };

/** What one entry changed; null where it changed nothing. */
function changeIn(e: Entry, { repairs, starts: tries }: Pick<Picture, 'repairs' | 'starts'>): Noticed | null {
  const refs = [e.id];
  switch (e.kind) {
    case 'repair': {
      const repair = repairs.find((r) => r.entryId === e.id);
      if (!repair) return null;
      return {
        refs,
        says: nameOf(repair),
        act: 'cause' in repair && !repair.remedy ? actOfHand(repair.cause) : null,
        meant: true,
        rights: 'cause' in repair ? all(allPutRight(repair), RIGHTED.repair) : new Map(),
        ...('other' in repair && { unlisted: OWN_WORDS }),
      };
    }
    case 'finding': {
      const { check } = e.body;
      const trial = putRightBy(check);
      if (trial.length > 0 && !checkOf(check).gradual)
        return { refs, says: checkOf(check).name, meant: true, rights: all(trial, RIGHTED.repair) };
      const handled = handledBy(check);
      if (!handled) return null;
      // Seen wrong, it was not put right by the looking.
      const seen: readonly CauseId[] = e.body.result ? seenAs(check, e.body.result) : [];
      const rights = new Map([...chances(handled.rights)].filter(([cause]) => !seen.includes(cause)));
      return { refs, says: handled.does, meant: false, rights };
    }
    case 'put-back': {
      if ('layer' in e.body) {
        const rights = e.body.renewed ? layerRights(e.body.layer) : [];
        return rights.length > 0
          ? {
              refs,
              says: `New ${lowered(layerOf(e.body.layer).name)}`,
              meant: true,
              rights: all(rights, RIGHTED.layer),
            }
          : null;
      }
      const handled = 'part' in e.body ? offAndOn(e.body.part) : null;
      return handled && { refs, says: handled.does, meant: false, rights: chances(handled.rights) };
    }
    case 'screw': {
      const { trial, screw, eighths } = e.body;
      if (trial) return null;
      return {
        refs,
        says: moveInWords({ screw, eighths }),
        meant: true,
        rights: all(screwRights(screw, eighths), RIGHTED.screw),
      };
    }
    case 'start': {
      // Another way of starting it, where it was tried the usual way before.
      if (!e.body.drill || !tries.some((t) => !t.drill && failsToStart(t))) return null;
      return { refs, says: OTHER_DRILL.does, meant: true, rights: chances(OTHER_DRILL.rights) };
    }
    default:
      return null;
  }
}

/** The longest it stood between two of these entries, hours. */
const stoodFor = (entries: Live): number =>
  entries.reduce((longest, e, n) => {
    const before = entries[n - 1];
    return before
      ? Math.max(longest, (Date.parse(e.notedAt) - Date.parse(before.notedAt)) / 3_600_000)
      : longest;
  }, 0);

/** Of the same thing done twice, one. */
function each(changes: readonly Noticed[]): Change[] {
  const kept: Noticed[] = [];
  for (const change of changes) {
    const at = kept.findIndex((k) => k.says === change.says || (k.act && k.act === change.act));
    const same = kept[at];
    if (!same) kept.push(change);
    else
      kept[at] = {
        ...same,
        says: same.says === change.says ? same.says : same.act!.does,
        refs: [...same.refs, ...change.refs],
        rights: new Map([...change.rights, ...same.rights]),
      };
  }
  return kept.map(({ act: _, ...change }) => change);
}

/**
 * Everything that was changed between the last time it failed and the first time it ran right, in the order it was done, with what
 * it may have put right: repairs and trials, screws, parts that were off, checks that handle something, another drill, an hour's
 * standing. Null while nothing is cured.
 */
export function cameRight(picture: Picture): CameRight | null {
  const { cured, repairs, complaints, history, proof } = picture;
  const told = repairs.findLast((r) => r.outcome === 'cured');
  if (!cured || !told) return null;
  const done = doneIn(picture);
  const said = complaints.map((c) => c.complaint);
  const at = (id: string): number => done.findIndex((e) => e.id === id);
  const until = Math.max(at(told.toldBy), at(told.entryId));
  const from = done.slice(0, at(told.entryId)).findLastIndex((e) => failed(e, said));
  const between = done.slice(from + 1, until + 1);
  // It ran right with what was tried: what came after it is the same for good.
  const ran = between.findIndex(triedAndRan);
  const window = ran < 0 ? between : between.slice(0, ran + 1);
  const own = new Set(window.map((e) => e.id));
  const changes = window.flatMap((e) => changeIn(e, picture) ?? []);
  if (ran >= 0 && !own.has(told.entryId)) {
    // The trial that ran right, made good: the repair stands for it.
    const trial = changes.findLast((c) => c.refs.includes(between[ran]!.id));
    const made = changeIn(done[at(told.entryId)]!, picture);
    if (made && trial && [...made.rights.keys()].some((c) => trial.rights.has(c)))
      changes.splice(changes.indexOf(trial), 1, {
        ...trial,
        says: made.says,
        refs: [...trial.refs, ...made.refs],
      });
    else if (made) changes.push(made);
  }
  const hours = stoodFor([...(from >= 0 ? [done[from]!] : []), ...window]);
  const stood: Change[] =
    hours >= STOOD_HOURS ? [{ refs: [], says: STOOD.does, meant: false, rights: chances(STOOD.rights) }] : [];
  const swapped = new Map(
    done.flatMap((e) => (e.kind === 'swapped-back' ? [[e.body.of, e.body.again] as const] : [])),
  );
  return {
    changes: each([...changes, ...stood]).map((change) => {
      const again = change.refs.map((ref) => swapped.get(ref)).find((x) => x !== undefined);
      return { ...change, ...(again !== undefined && { swappedBack: again }) };
    }),
    hides: hidesFrom({ complaints, history, proof }, stood.length > 0),
  };
}

/** The chance that what it was complained of is still there and has not shown in all the runs so far: told of as cured, one of them. */
function hidesFrom(
  { complaints, history: { failsWhen }, proof }: Pick<Picture, 'complaints' | 'history' | 'proof'>,
  stood: boolean,
): number {
  const hides = complaints.map((said) => {
    const runs = proof.reduce((n, { id, clean }) => n + clean * chancesIn(proofRun(id), said, failsWhen), 0);
    const hidden = cleanBy(rateBefore(said.often), Math.max(TOLD_AFTER, runs));
    return stood && failsWhen === 'hot' && runs === 0 ? Math.max(HIDES_COLD, hidden) : hidden;
  });
  return hides.length > 0 ? Math.max(...hides) : cleanBy(rateBefore(undefined), TOLD_AFTER);
}
