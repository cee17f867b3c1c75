import type { MachineFacts } from '../machine';
import {
  CAUSES,
  CAUSE_INDEX,
  CHAINS,
  HISTORY_RULES,
  probabilityOf,
  type ComplaintId,
  type History,
  type HistoryRule,
} from '../knowledge';
import type { Commonness } from './case';
import { CHAIN_SHARE, EXTRA_FAULTS, MENTION_RATE } from './parameters';

const N = CAUSES.length;

/** The history rules that apply to this machine. */
export const rulesFor = (history: History, machine: MachineFacts): HistoryRule[] =>
  HISTORY_RULES.filter((rule) => rule.applies(history, machine));

/**
 * Prior odds of each cause by itself, nothing having brought it about, in the order of CAUSES (length: number of
 * causes), for a machine of this kind and history. Causes that cannot occur on the kind get odds 0.
 */
export function priorOdds(
  history: History,
  machine: MachineFacts,
  commonness: Commonness = {},
): Float64Array {
  const rules = rulesFor(history, machine);
  const weights = CAUSES.map((cause) => cause.weight * (cause.kinds?.[machine.kind] ?? 1));
  const total = weights.reduce((a, b) => a + b, 0);
  return Float64Array.from(CAUSES, (cause, i) => {
    const p = Math.min(0.5, (EXTRA_FAULTS * (weights[i] ?? 0)) / total);
    const factor = rules.reduce((f, rule) => f * (rule.factors[cause.id] ?? 1), commonness[cause.id] ?? 1);
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

/** Chance that a chain of damage has not happened, [from · (N + 1) + to]; 1 where none runs. Position N is nobody. */
export const SPARED: Float64Array = (() => {
  const table = new Float64Array((N + 1) * (N + 1)).fill(1);
  for (const { from, to, often } of CHAINS) {
    const at = CAUSE_INDEX.get(from)! * (N + 1) + CAUSE_INDEX.get(to)!;
    table[at] = table[at]! * (1 - CHAIN_SHARE * probabilityOf(often));
  }
  return table;
})();

/** 1 where one of two causes may bring the other about, [i · (N + 1) + j] both ways. */
export const LINKED: Uint8Array = Uint8Array.from(SPARED, (spared, at) => {
  const back = SPARED[(at % (N + 1)) * (N + 1) + Math.floor(at / (N + 1))]!;
  return spared < 1 || back < 1 ? 1 : 0;
});

/** Chance that a cause brings about none of what it may (length N + 1). */
export const BARREN: Float64Array = Float64Array.from({ length: N + 1 }, (_, from) => {
  let spared = 1;
  for (let to = 0; to < N; to++) spared *= SPARED[from * (N + 1) + to]!;
  return spared;
});
