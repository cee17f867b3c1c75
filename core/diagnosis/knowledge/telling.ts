import { causeOf } from './causes';
import { CHECKS } from './checks';
import { probabilityOf, type Strength } from './strength';
import type { CheckDef } from './types';
import type { CauseId } from './vocabulary';

/**
 * The checks that can show one of these causes, or put it right on trial, in the order of the vocabulary. A sign weaker
 * than `atLeast` does not make a check one that tells of a cause.
 */
export const checksTelling = (causes: readonly CauseId[], atLeast: Strength = 'sometimes'): CheckDef[] =>
  CHECKS.filter((check) =>
    causes.some(
      (cause) =>
        check.cures?.includes(cause) ||
        Object.values(causeOf(cause).shows[check.id] ?? {}).some(
          (word) => probabilityOf(word) >= probabilityOf(atLeast),
        ),
    ),
  );
