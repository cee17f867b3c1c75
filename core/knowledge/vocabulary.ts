/**
 * The ids of the trade that are not defined by what they name. With the ids of causes and checks they are the vocabulary
 * of the case-file format and of the database: add to them when the work needs it, never rename or drop one.
 */

export const COMPLAINT_IDS = [
  'no-fire',
  'pops-only',
  'runs-on-prime-then-dies',
  'fades-under-way',
  'cuts-dead',
  'dies-at-idle',
  'loads-up-at-idle',
  'bogs-on-throttle',
  'wont-reach-speed',
  'races-or-hangs',
  'hard-to-start',
  'kicks-back',
  'hard-to-pull',
  'flooded',
  'primer-no-fuel',
  'weak-under-load',
  'rattle-or-scrape',
  'heavy-smoke',
  'wont-stop',
  'tool-turns-at-idle',
  'leaks-fuel',
] as const;
export type ComplaintId = (typeof COMPLAINT_IDS)[number];

export const PART_IDS = [
  'top-cover',
  'plug',
  'recoil',
  'muffler-cover',
  'muffler',
  'air-box',
  'carburettor',
  'metering-cover',
  'pump-cover',
  'flywheel',
  'tool',
  'tank-drained',
] as const;
/** What can be off (or, for the tank, empty): the access a check needs. */
export type PartId = (typeof PART_IDS)[number];

export const SURENESS = ['sure', 'fair', 'doubtful'] as const;
export type Sureness = (typeof SURENESS)[number];

export const OUTCOMES = ['cured', 'better', 'no-change'] as const;
export type Outcome = (typeof OUTCOMES)[number];

export const REPAIR_OUTCOMES = [...OUTCOMES, 'untried'] as const;
/** How a repair turned out, or that the engine was not run since. */
export type RepairOutcome = (typeof REPAIR_OUTCOMES)[number];
