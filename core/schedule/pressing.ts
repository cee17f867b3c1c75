import type { Stage } from '../log';

export interface Pressed {
  /** Higher is more pressing. */
  score: number;
  /** Whether a hand is needed now, rather than a part or an answer. */
  needsHand: boolean;
  /** Days until it was promised; negative when late; null when nothing was promised. */
  dueInDays: number | null;
}

const DAY_MS = 86_400_000;
const STAGE_WEIGHT: Readonly<Record<Stage, number>> = {
  bench: 40,
  proof: 34,
  hook: 24,
  answer: 8,
  parts: 4,
  closed: -100,
};

/**
 * How pressing a job is: what is on the bench first, then what is promised soonest, then what has hung longest. `now` is a moment,
 * ISO 8601; `today` the day it is where the bench stands, as `promisedFor` is: yyyy-MM-dd.
 *
 * @example pressing({ stage: 'hook', promisedFor: '2026-05-04', stageSince: null }, { now: '2026-05-05T00:30:00Z', today: '2026-05-04' }).dueInDays // 0
 */
export function pressing(
  job: { stage: Stage; promisedFor: string | null; stageSince: string | null },
  { now, today }: { now: string; today: string },
): Pressed {
  const at = Date.parse(now);
  const dueInDays =
    job.promisedFor === null ? null : (Date.parse(job.promisedFor) - Date.parse(today)) / DAY_MS;
  const hungDays = job.stageSince === null ? 0 : Math.max(0, (at - Date.parse(job.stageSince)) / DAY_MS);
  const due = dueInDays === null ? 0 : Math.max(0, 30 - 6 * Math.max(-3, dueInDays));
  return {
    score: STAGE_WEIGHT[job.stage] + due + Math.min(10, hungDays),
    needsHand: job.stage === 'bench' || job.stage === 'proof' || job.stage === 'hook',
    dueInDays,
  };
}
