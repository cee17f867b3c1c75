import type { Case, Evidence } from './case';
import {
  explain,
  likeliestSet,
  probabilityOfCause,
  unexplained,
  type Misreading,
  type Suspect,
} from './explain';
import { causeOf, checkOf, type CauseId } from './knowledge';
import { nextChecks, type NextCheck } from './plan/nextCheck';
import { posterior } from './posterior';
import { rulesFor } from './prior';

/** A cause that may stand behind a leading suspect, still open. */
export interface Behind {
  cause: CauseId;
  /** The suspects it may stand behind. */
  of: readonly CauseId[];
  probability: number;
}

/** The engine's whole picture of a case. All probabilities 0–1; minutes are bench minutes. */
export interface Diagnosis {
  suspects: readonly Suspect[];
  /** Probability that nothing on the list explains it. */
  noneOfThese: number;
  /** The likeliest combination of causes. */
  together: readonly CauseId[];
  next: readonly NextCheck[];
  unexplained: readonly Evidence[];
  repeat: readonly Misreading[];
  behind: readonly Behind[];
  /** Which history answers moved the starting odds, in words. */
  historySays: readonly string[];
}

/** From this probability on, what stands behind a suspect is worth asking. */
const LEADING = 0.25;
const RULED_OUT = 0.002;

const isNormal = (e: Evidence): boolean =>
  e.kind === 'finding' && !checkOf(e.check).cures && checkOf(e.check).results[0]?.id === e.result;

/** Works out suspects, next checks, loose ends and open questions for a case. Pure and deterministic. */
export function diagnose(c: Case): Diagnosis {
  const p = posterior(c);
  const { suspects, repeat } = explain(p);
  const open = new Map<CauseId, CauseId[]>();
  for (const s of suspects) {
    if (s.probability < LEADING) break;
    for (const cause of causeOf(s.cause).behind ?? []) {
      if (probabilityOfCause(p, cause) > RULED_OUT) open.set(cause, [...(open.get(cause) ?? []), s.cause]);
    }
  }
  const behind = [...open]
    .map(([cause, of]) => ({ cause, of, probability: probabilityOfCause(p, cause) }))
    .sort((x, y) => y.probability - x.probability);
  return {
    suspects,
    noneOfThese: p.sets[0] ?? 0,
    together: likeliestSet(p),
    next: nextChecks(c, p),
    unexplained: unexplained(p, isNormal),
    repeat,
    behind,
    historySays: rulesFor(c.history, c.machine).map((rule) => rule.says),
  };
}
