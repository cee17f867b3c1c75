import {
  CAUSE_IDS,
  causeOf,
  IN_CARBURETTOR,
  REMEDIES,
  REMEDY_IDS,
  remedyMinutes,
  type CauseId,
  type Pace,
  type Remedy,
  type RemedyId,
} from '../knowledge';
import type { MachineKind } from '../machine';

/**
 * What has a price: the repair of one cause, a job that puts several right at once, a carburettor as a whole, a part that keeps
 * its user safe, and a repair in somebody's own words.
 */
export type PricedId = CauseId | RemedyId | 'carburettor-whole' | 'safety-part' | 'own-words';
export const PRICED_IDS: readonly PricedId[] = [
  ...CAUSE_IDS,
  ...REMEDY_IDS,
  'carburettor-whole',
  'safety-part',
  'own-words',
];

const PRICED: ReadonlySet<string> = new Set(PRICED_IDS);
export const isPriced = (id: string): id is PricedId => PRICED.has(id);

/** What a priced thing is called: what is done. */
export const pricedName = (id: PricedId | 'like'): string => {
  if (id === 'like') return 'A like machine, new';
  if (id === 'carburettor-whole') return WHOLE;
  if (id === 'safety-part') return 'Put a safety part right';
  if (id === 'own-words') return 'A repair in your own words';
  const remedy = REMEDIES.find((r) => r.id === id);
  return remedy ? remedy.does : causeOf(id as CauseId).remedy;
};

/** Bench minutes of work that no list has: an ordinary safety part, and a repair in one's own words. */
const UNLISTED_MINUTES = { 'safety-part': 15, 'own-words': 30 } as const;

/** A job beside the list: what keeps its user safe, or what somebody said in their own words. */
export const unlistedJob = (id: keyof typeof UNLISTED_MINUTES, words: string): RepairJob => ({
  id,
  does: id === 'safety-part' ? `Put right for safety: ${words}` : words,
  minutes: UNLISTED_MINUTES[id],
  mends: [],
});

const WHOLE = 'Fit a new carburettor and set it';

/** One job at the bench that stands on a quote. */
export interface RepairJob {
  id: PricedId;
  does: string;
  /** Bench minutes, opening and closing included. */
  minutes: number;
  mends: readonly CauseId[];
  /** It is done already. */
  done?: true;
}

const TOP_END = REMEDIES.find((r) => r.id === 'top-end')!;
const SHORT_BLOCK = REMEDIES.find((r) => r.id === 'bottom-end')!;

/** Whether a job is done in the carburettor: what its parts cost is a matter of its family. */
export const isOfCarburettor = ({ id, mends }: RepairJob): boolean =>
  id === 'carburettor-whole' || mends.every((c) => IN_CARBURETTOR.has(c));

/** Damage to the engine itself: what needs a top end or a short block. */
export const isDeep = (cause: CauseId): boolean =>
  TOP_END.mends.includes(cause) || SHORT_BLOCK.mends.includes(cause);
export const needsShortBlock = (cause: CauseId): boolean => SHORT_BLOCK.mends.includes(cause);

/**
 * The jobs that put a set of causes right, each cause in one of them: a carburettor somebody has been inside is replaced whole;
 * what one remedy mends together is one job; a short block has its top end with it. `pace`: how much longer things take here; `kind`: in whose words.
 */
export function jobsFor(causes: readonly CauseId[], pace: Pace = {}, kind?: MachineKind): RepairJob[] {
  const minutesOf = (id: CauseId): number => causeOf(id).minutes * (pace[id] ?? 1);
  const whole = (remedy: Remedy): number => remedyMinutes(remedy) * (pace[remedy.id] ?? 1);
  const left = new Set(causes);
  const jobs: RepairJob[] = [];
  const take = (job: RepairJob): void => {
    jobs.push(job);
    job.mends.forEach((c) => left.delete(c));
  };
  if (left.has('carb-tampered'))
    take({
      id: 'carburettor-whole',
      does: WHOLE,
      minutes: minutesOf('carb-tampered'),
      mends: [...left].filter((c) => IN_CARBURETTOR.has(c)),
    });
  if ([...left].some(needsShortBlock))
    take({
      id: 'bottom-end',
      does: 'Short block',
      minutes: whole(SHORT_BLOCK),
      mends: [...left].filter(isDeep),
    });
  for (const remedy of REMEDIES) {
    const mends = remedy.mends.filter((c) => left.has(c));
    if (mends.length < 2 && !(remedy.asksWorth && mends.length > 0)) continue;
    take({
      id: remedy.id,
      does: remedy.does,
      // A top end is a top end, whichever of its faults was seen.
      minutes: remedy.asksWorth || pace[remedy.id] ? whole(remedy) : Math.max(...mends.map(minutesOf)),
      mends,
    });
  }
  for (const cause of left) {
    jobs.push({ id: cause, does: causeOf(cause, kind).remedy, minutes: minutesOf(cause), mends: [cause] });
  }
  return jobs;
}
