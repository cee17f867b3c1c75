import type { CheckId } from '../knowledge';
import type { Evidence } from '../diagnosis';
import type { Picture } from './picture';

/** What is found about the can itself, and so tells of every machine that drinks from it. */
const OF_THE_CAN: readonly CheckId[] = ['fuel-look', 'fuel-smell'];

/** Another job of the same owner, as far as the can goes. */
export interface CanMate {
  jobId: string;
  picture: Picture;
}

/** Whether two jobs' owner said that several machines drink from one can, so that a link can be asked about. */
export const mayShareCan = (one: Picture, other: Picture): boolean =>
  !!one.history.sharedCan && !!other.history.sharedCan && other.stage !== 'closed';

/** Whether the link stands: the owner says one can, and nobody at the bench has cut it on either job. */
export const sharesCan = (own: Picture, ownId: string, mate: CanMate): boolean =>
  mayShareCan(own, mate.picture) &&
  own.cans.get(mate.jobId) !== false &&
  mate.picture.cans.get(ownId) !== false;

/**
 * What was found in the can on linked jobs and not looked at on this one: the newest finding of each check, never more
 * than fairly sure, since it was another tank. `ref` names the other job's entry.
 */
export function evidenceFromTheCan(own: Picture, ownId: string, mates: readonly CanMate[]): Evidence[] {
  const linked = mates.filter((mate) => sharesCan(own, ownId, mate));
  return OF_THE_CAN.flatMap((check): Evidence[] => {
    if (own.findings.some((f) => f.check === check && f.result !== null)) return [];
    const newest = linked
      .flatMap(({ picture }) => picture.findings)
      .filter((f) => f.check === check && f.result !== null)
      .sort((x, y) => y.notedAt.localeCompare(x.notedAt))[0];
    if (!newest?.result) return [];
    const sureness = newest.sureness === 'sure' ? 'fair' : newest.sureness;
    return [{ ref: newest.entryId, kind: 'finding', check, result: newest.result, sureness }];
  });
}
