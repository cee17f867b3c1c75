import type { EnginePart } from './causeSpec';
import { CAUSES, causeOf, type CauseId } from './causes';
import { CHECKS, type CheckDef, type CheckId } from './checks';
import { probabilityOf, type Strength } from './strength';

/** The words with which a cause shows at a check, as far as it does: result to strength. */
export const signsOf = (cause: CauseId, check: CheckId): Readonly<Record<string, Strength>> =>
  (causeOf(cause).shows[check] ?? {}) as Readonly<Record<string, Strength>>;

/**
 * The checks that can show one of these causes, or put it right on trial. A sign weaker than `atLeast` does not make a
 * check one that tells of a cause.
 */
export const checksTelling = (causes: readonly CauseId[], atLeast: Strength = 'sometimes'): CheckDef[] =>
  CHECKS.filter((check) =>
    causes.some(
      (cause) =>
        causeOf(cause).putRightBy?.includes(check.id) ||
        Object.values(signsOf(cause, check.id)).some((word) => probabilityOf(word) >= probabilityOf(atLeast)),
    ),
  );

/** The causes that sit in one part of the engine, in the order of their ids. */
export const causesIn = (part: EnginePart): CauseId[] =>
  CAUSES.filter((c) => c.sits === part).map((c) => c.id);

/** Causes that sit in the carburettor itself. */
export const IN_CARBURETTOR: ReadonlySet<CauseId> = new Set(
  (['pump', 'metering', 'circuits'] as const).flatMap(causesIn),
);
