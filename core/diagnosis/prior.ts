import {
  CAUSES,
  HISTORY_RULES,
  probabilityOf,
  type CauseId,
  type ComplaintId,
  type History,
  type HistoryRule,
  type MachineFacts,
} from './knowledge';

/**
 * How many extra faults a machine carries on average besides the one it came in for. The commonness of
 * causes is known among machines that came in; scaled by this it becomes an independent prior.
 */
export const EXTRA_FAULTS = 0.55;

/** How often an owner mentions a behaviour the machine does show. */
export const MENTION_RATE = 0.45;

/** The history rules that apply to this machine. */
export const rulesFor = (history: History, machine: MachineFacts): HistoryRule[] =>
  HISTORY_RULES.filter((rule) => rule.applies(history, machine));

/**
 * Prior odds of each cause, in vocabulary order (length: number of causes), for a machine of this kind and
 * history. Causes that cannot occur on the kind get odds 0.
 */
export function priorOdds(history: History, machine: MachineFacts): Float64Array {
  const rules = rulesFor(history, machine);
  const weights = CAUSES.map((cause) => cause.weight * (cause.kinds?.[machine.kind] ?? 1));
  const total = weights.reduce((a, b) => a + b, 0);
  return Float64Array.from(CAUSES, (cause, i) => {
    const p = Math.min(0.5, (EXTRA_FAULTS * (weights[i] ?? 0)) / total);
    const factor = rules.reduce((f, rule) => f * (rule.factors[cause.id] ?? 1), 1);
    return (p / (1 - p)) * factor;
  });
}

/**
 * Factor on each cause for the behaviours the owner did not mention (length: number of causes): a cause that
 * usually shows in ways nobody spoke of is less likely. With no complaint at all there is nothing to learn.
 */
export function silenceFactors(mentioned: ReadonlySet<ComplaintId>): Float64Array {
  return Float64Array.from(CAUSES, (cause) => {
    if (mentioned.size === 0) return 1;
    let factor = 1;
    for (const [id, word] of Object.entries(cause.complaints)) {
      if (!mentioned.has(id as ComplaintId)) factor *= 1 - MENTION_RATE * probabilityOf(word);
    }
    return factor;
  });
}

/** Position of each cause in every per-cause array. */
export const CAUSE_INDEX: ReadonlyMap<CauseId, number> = new Map(CAUSES.map((cause, i) => [cause.id, i]));
