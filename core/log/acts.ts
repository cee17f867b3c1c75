import { causesPutRight, type CauseId, type ComplaintId, type RepairOutcome } from '../knowledge';
import { USES, type Noted, type Uses } from './entry';
import type { Picture, SetRight, ToMend } from './picture';
import { usesWords } from './words';

/** What is noted when somebody says that what was wrong was set right before it was seen sound. */
export const saidSetRight = ({ cause, right }: SetRight): Noted[] =>
  cause === null
    ? [{ kind: 'answered', body: { safety: 'put-right' } }]
    : [{ kind: 'repair', body: { cause, outcome: 'untried', before: right } }];

/** The pieces of work that are tried together: those not tried yet that may have put one of these causes right. */
export const workToTry = (
  { repairs }: Pick<Picture, 'repairs'>,
  causes: readonly CauseId[],
): Extract<ToMend, { cause: CauseId }>[] =>
  repairs.flatMap((r) =>
    r.outcome === 'untried' &&
    'cause' in r &&
    causesPutRight(r.cause, r.remedy).some((c) => causes.includes(c))
      ? [{ cause: r.cause, ...(r.remedy && { remedy: r.remedy }) }]
      : [],
  );

/** How it turned out, told of each piece of work: one outcome for a kit, whatever it may have mended. */
export const saidOfWork = (
  work: readonly Extract<ToMend, { cause: CauseId }>[],
  outcome: RepairOutcome,
): Noted[] => work.map((what) => ({ kind: 'repair', body: { ...what, outcome } }));

/** After how many uses its owner is still asked: after more than were told of, and no more once it did it again. */
export function usesLeft({ atOwners }: Pick<Picture, 'atOwners'>): Uses[] {
  if (atOwners.some((s) => s.again)) return [];
  return USES.filter((n) => atOwners.every((s) => s.uses < n));
}

/**
 * What is noted when its owner says how it went, after so many uses: with nothing again it counts for the proof; with a complaint
 * again it stands once more, and the job is back on its hook.
 */
export const saidByOwner = ({
  uses,
  again,
  words,
}: {
  uses: Uses;
  again: ComplaintId | null;
  words?: string;
}): Noted[] => [
  { kind: 'at-owners', body: { uses, again: again !== null, ...(words && { words }) } },
  ...(again
    ? ([
        { kind: 'complaint', body: { complaint: again } },
        { kind: 'stage', body: { stage: 'hook', reason: `It did it again after ${usesWords(uses)}` } },
      ] as const)
    : []),
];
