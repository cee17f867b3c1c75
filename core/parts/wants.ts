import { mattersIn, type Account } from '../account';
import { IN_CARBURETTOR, type CauseId, type ChoiceId, type LayerId } from '../knowledge';
import type { Picture } from '../log';
import { isCover, renewsBy, type Rebuild } from '../rebuild';
import { jobsFor, partsFor, putRightBy, type PricedId } from '../worth';
import { servesFor, wantName, type Part, type PartUse } from './part';

/** A part that a job takes, by what was settled, agreed or marked. */
export interface Want {
  use: PartUse;
  name: string;
  /** The entries it comes from. */
  from: readonly string[];
}

/** What is poured or wiped, not taken from a shelf and reserved. */
const NO_PART: ReadonlySet<PartUse> = new Set<PartUse>([
  'stale-fuel',
  'water-in-fuel',
  'no-oil-in-fuel',
  'oil-heavy-mix',
  'fresh-mix',
  'engine-flooded',
  'metering-lever-high',
  'metering-lever-low',
  'choke-stuck',
]);

/** Choices after which the machine is used again, and has to be safe. */
const MENDING: ReadonlySet<ChoiceId> = new Set<ChoiceId>(['bare', 'mend', 'top-end', 'short-block']);

/** Whether a repair takes a part, by the trade or because the shop keeps one for it. */
const takesPart = (use: PricedId, catalogue: readonly Part[]): boolean =>
  catalogue.some((p) => servesFor(p, use)) ||
  (!NO_PART.has(use) && partsFor([], use, { kind: 'chainsaw' }).price > 0);

/** The faults that are to be put right now: settled and not done yet, and what was agreed of those found. */
function toMend({ decision, complaints }: Picture, account: Account): Map<CauseId, string[]> {
  const causes = new Map<CauseId, string[]>();
  const take = (cause: CauseId, from: readonly string[]): void => {
    causes.set(cause, [...(causes.get(cause) ?? []), ...from]);
  };
  for (const s of account.toMend) if ('cause' in s && !s.remedy) take(s.cause, [s.entryId]);
  if (decision) {
    const standing = mattersIn(account, 'standing');
    const agreed = putRightBy(
      decision.choice,
      standing.map((f) => f.cause),
      complaints.map((c) => c.complaint),
    );
    for (const f of standing) if (agreed.includes(f.cause)) take(f.cause, [...f.from, decision.entryId]);
  }
  return causes;
}

/** Layers that have to be new: marked by the school that was chosen, or gone. */
function layersNew(rebuild: Rebuild): LayerId[] {
  const due = rebuild.renewal ? renewsBy(rebuild.renewal, rebuild) : [];
  const gone = rebuild.layers.flatMap((l) =>
    l.where === 'missing' || l.where === 'binned' ? renewsBy('failed', { ...rebuild, layers: [l] }) : [],
  );
  const renewed = new Set(rebuild.layers.filter((l) => l.renewed).map((l) => l.id));
  return [...new Set([...due, ...gone])].filter((id) => !renewed.has(id));
}

/**
 * The parts a job takes, worked out from its log: of what is settled or agreed, and of the carburettor in pieces, each once. A
 * kit or a new carburettor stands for all the layers it brings; layers stand for the repairs they are part of.
 */
export function wantsOf(
  picture: Picture,
  account: Account,
  rebuild: Rebuild,
  catalogue: readonly Part[],
): Want[] {
  if (picture.stage === 'closed') return [];
  const causes = toMend(picture, account);
  const open = rebuild.came.length > 0 || rebuild.layers.some((l) => l.where !== 'in');
  const layers = layersNew(rebuild);
  const wants = new Map<PartUse, Want>();
  const want = (use: PartUse, from: readonly string[] = []): void => {
    if (!wants.has(use)) wants.set(use, { use, name: wantName(use), from: [...new Set(from)] });
  };
  const done = rebuild.layers.some((l) => l.renewed);
  if (rebuild.renewal === 'whole') want('carburettor-whole');
  else if (rebuild.renewal === 'kit' && !done) want('carburettor-rebuild');
  else if (rebuild.renewal !== 'kit') layers.forEach((id) => want(id));
  // Once it is open, what is renewed in it says what is wanted, not the causes.
  const saidByLayers = (c: CauseId): boolean => IN_CARBURETTOR.has(c) && open && rebuild.renewal !== null;
  for (const s of account.toMend)
    if ('cause' in s && s.remedy && takesPart(s.remedy, catalogue) && !saidByLayers(s.cause))
      want(s.remedy, [s.entryId]);
  const left = [...causes.keys()].filter((c) => !saidByLayers(c));
  for (const job of jobsFor(left))
    if (takesPart(job.id, catalogue))
      want(
        job.id,
        job.mends.flatMap((c) => causes.get(c) ?? []),
      );
  const unsafe = account.safety.standing.filter((f) => !f.refused);
  if (unsafe.length > 0 && picture.decision && MENDING.has(picture.decision.choice))
    wants.set('safety-part', {
      use: 'safety-part',
      name: `For safety: ${unsafe.map((f) => f.words).join(', ')}`,
      from: unsafe.map((f) => f.entryId),
    });
  return [...wants.values()];
}

/**
 * What the parts of a job were for where the log says that the work is done: repairs that were made, layers that went back new, the
 * kit and the new carburettor they came out of. A part set aside for it is in the machine, or lies there forgotten.
 */
export function doneOf({ acts, safety }: Account, rebuild: Rebuild): ReadonlySet<PartUse> {
  const done = new Set<PartUse>(rebuild.layers.flatMap((l) => (l.renewed && !isCover(l.id) ? [l.id] : [])));
  if (done.size > 0 && rebuild.renewal === 'kit') done.add('carburettor-rebuild');
  for (const { repair } of acts) {
    if (!('cause' in repair)) continue;
    done.add(repair.cause);
    if (repair.remedy) done.add(repair.remedy);
    for (const job of jobsFor([repair.cause])) done.add(job.id);
  }
  if (safety.mended.length > 0) done.add('safety-part');
  return done;
}
