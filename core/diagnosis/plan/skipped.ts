import type { Case } from '../case';
import type { CauseId } from '../../knowledge';
import type { Suspect } from '../explain';
import { DISMANTLING_MINUTES } from '../parameters';
import { minutesToOpen } from './benchMinutes';
import { standing } from './possible';
import type { NextCheck } from './nextCheck';

/** A cheap check that would be skipped by opening the machine now. */
export interface Skipped {
  check: NextCheck['check'];
  minutes: number;
  /** What it could settle, and the chance that it does (0–1). */
  settles: CauseId;
  chance: number;
}

/** A check is cheap beside it when it costs at most this share. */
const CHEAP_SHARE = 0.5;
const LIKELY = 0.7;
/** It must say something new: the suspect it makes likely rises by at least this. */
const GAIN = 0.2;
const WORTH_NAMING = 0.05;
const MOST = 2;

/**
 * Cheap checks not yet made that could settle the matter before a dismantling begins: those that need nothing of what
 * the chosen check opens, cost at most half of it, and have a fair chance of making one suspect likely. Best first, two
 * at most.
 */
export function skippedBy(
  chosen: NextCheck,
  next: readonly NextCheck[],
  suspects: readonly Pick<Suspect, 'cause' | 'probability'>[],
  c: Case,
): Skipped[] {
  const now = new Map(suspects.map((s) => [s.cause, s.probability]));
  if (minutesToOpen(chosen.opens, new Set(c.off)) < DISMANTLING_MINUTES) return [];
  const made = standing(c);
  return next
    .filter(
      (n) =>
        !made.has(n.check) &&
        n.minutes <= chosen.minutes * CHEAP_SHARE &&
        !n.opens.some((part) => chosen.opens.includes(part)),
    )
    .flatMap((n) => {
      const telling = n.outlook
        .filter(
          (o) => o.leads.probability >= LIKELY && o.leads.probability - (now.get(o.leads.cause) ?? 0) >= GAIN,
        )
        .sort((x, y) => y.chance - x.chance)[0];
      return telling && telling.chance >= WORTH_NAMING
        ? [{ check: n.check, minutes: n.minutes, settles: telling.leads.cause, chance: telling.chance }]
        : [];
    })
    .sort((x, y) => y.chance / y.minutes - x.chance / x.minutes)
    .slice(0, MOST);
}
