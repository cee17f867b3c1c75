import { HURTING, RUINOUS } from '../diagnosis';
import { bothPressures } from '../units';
import {
  checkOf,
  putRightBy,
  runsIt,
  seenAs,
  type CauseId,
  type CheckId,
  type ComplaintId,
} from '../knowledge';
import { isPressureCheck, TARGETS, tooMuch } from '../pressure';
import type { Hidden } from './hidden';
import { hurtsBy, type ReadyId } from './ready';

/** What is known of a machine when somebody is about to make a check. */
export interface Before {
  standing: readonly ComplaintId[];
  left: ReadonlySet<CauseId>;
  /** What checks have shown on the machine as it is. */
  shown: ReadonlyMap<CheckId, string>;
  walkedRound: boolean;
  madeSafe: boolean;
  /** It was found unsafe when somebody walked round it. */
  unsafeKnown: boolean;
}

/** What happens to whoever runs it all the same. */
const HURTS: Readonly<Record<(typeof HURTING)[number], string>> = {
  'kicks-back':
    'They told you that the cord kicks back. It broke two fingers. First find why, with the plug out.',
  'wont-stop':
    'They told you that the switch does nothing. Now it runs, and you cannot stop it. First mend the switch.',
};

/** Whether something that is known forbids running it. */
export const hazardKnown = ({ standing, shown, unsafeKnown, madeSafe }: Before): boolean =>
  (unsafeKnown && !madeSafe) ||
  HURTING.some((id) => standing.includes(id)) ||
  shown.get('pull-feel') === 'snatches';

/** Why making a check now, without what was `missed` in making ready, ends the exercise, in a sentence or two; null where it may be made. */
export function hazardIn(
  hidden: Hidden,
  check: CheckId,
  kpa: number | undefined,
  missed: readonly ReadyId[],
  now: Before,
): string | null {
  if (isPressureCheck(check) && kpa !== undefined && tooMuch(check, kpa, 'kPa'))
    return `${bothPressures(kpa, 'psi')} on the pump. ${TARGETS[check].name}: never beyond ${bothPressures(TARGETS[check].maxKpa, 'psi')}. What was tight has been blown out.`;
  const unready = hurtsBy(missed);
  if (unready || !runsIt(checkOf(check))) return unready;
  const hurts = HURTING.find((id) => now.standing.includes(id));
  if (hurts) return HURTS[hurts];
  if (now.shown.get('pull-feel') === 'snatches')
    return 'You felt it snatch, and pulled it all the same. It broke two fingers.';
  if (hidden.safety && !now.madeSafe)
    return now.walkedRound
      ? `You knew: ${hidden.safety.toLowerCase()}. It was run all the same, and somebody was hurt.`
      : `${hidden.safety}. Nobody had walked round it before it was run, and somebody was hurt.`;
  const ruined = ruinKnown(now);
  if (!ruined || putRightBy(check).includes(ruined)) return null;
  return ruined === 'no-oil-in-fuel'
    ? 'There was no oil in that fuel, and you had it in the jar before you. It has seized.'
    : 'You had seen that damage, and ran it. Now the cylinder is gone as well.';
}

/** A fault that ruins an engine that is run, and that a look has shown beyond doubt; undefined where there is none. */
const ruinKnown = ({ shown, left }: Before): CauseId | undefined =>
  [...shown].flatMap(([check, result]) => {
    const [cause, ...others] = seenAs(check, result);
    return cause && others.length === 0 && RUINOUS.has(cause) && left.has(cause) ? [cause] : [];
  })[0];
