import type { Case } from '../case';
import { CHECKS, checkOf, type CheckDef, type CheckId } from '../knowledge';
import { bearingOn } from '../likelihood';
import { CAUSE_INDEX } from '../prior';

const FADES = new Set(['fades-under-way', 'cuts-dead', 'wont-reach-speed']);
const DEAD_RESULTS = new Set(['nothing', 'pops']);

/** Whether a check can be made at all: some need the engine to run, some a part this machine lacks. */
export function available(check: CheckDef, c: Case): boolean {
  if (check.running && !canRun(c)) return false;
  const { kind } = c.machine;
  if (check.id === 'drive-free') return kind !== 'blower' && kind !== 'backpack-blower';
  if (check.id === 'cap-cracked-trial') {
    return c.evidence.some((e) => e.kind === 'complaint' && FADES.has(e.complaint));
  }
  return true;
}

/** Whether the engine can be expected to run for a running check: from the last start, else from the complaint. */
function canRun(c: Case): boolean {
  const started = c.evidence.findLast((e) => e.kind === 'finding' && e.check === 'start-trial');
  if (started?.kind === 'finding') return !DEAD_RESULTS.has(started.result);
  return !c.evidence.some(
    (e) => e.kind === 'complaint' && (e.complaint === 'no-fire' || e.complaint === 'pops-only'),
  );
}

/**
 * The checks whose latest result still stands, and whether it was sure. A repair that changed something makes stale
 * whatever the repaired cause had a bearing on: that may look different now.
 */
export function standing(c: Case): Map<CheckId, boolean> {
  const made = new Map<CheckId, boolean>();
  for (const e of c.evidence) {
    if (e.kind === 'finding') made.set(e.check, e.sureness === 'sure');
    if (e.kind !== 'repair' || e.outcome === 'no-change') continue;
    const repaired = CAUSE_INDEX.get(e.cause) ?? -1;
    for (const check of made.keys())
      if (bearingOn(check)[repaired] || checkOf(check).cures) made.delete(check);
  }
  return made;
}

/** An order of checks with every check it leaves out after it. */
export const wholeOrder = (order: readonly CheckId[]): CheckId[] => [
  ...order,
  ...CHECKS.map((c) => c.id).filter((id) => !order.includes(id)),
];

/** The next check of an order that has not been made and can be; null when none is left. */
export function firstInOrder(
  order: readonly CheckId[],
  c: Case,
  among: (check: CheckId) => boolean = () => true,
): CheckId | null {
  const made = standing(c);
  return wholeOrder(order).find((id) => !made.has(id) && among(id) && available(checkOf(id), c)) ?? null;
}
