import type { RepairOutcome } from '../knowledge';
import type { Entry, EntryOf } from './entry';
import type { Repair } from './picture';
import { failsToStart } from './starts';

type RepairEntry = EntryOf<'repair'>;

/** What a repair or a verdict is about: a cause of the list, or a fault in one's own words. */
export const aboutOf = (body: { cause: string } | { other: string }): string =>
  'cause' in body ? body.cause : `“${body.other.trim().toLowerCase()}`;

/**
 * How a repair stands, what happened since counted in: a cure after which the engine failed to start, before anything else
 * was put right, was none; what was put right untried, and then failed to start, changed nothing.
 */
function outcomeNow(told: RepairOutcome, since: readonly Entry[]): RepairOutcome {
  if (told !== 'cured' && told !== 'untried') return told;
  // A cure stands until it fails or until another was needed; what was not tried, until something else was done.
  const next = since.findIndex(
    (e) => e.kind === 'repair' && (told === 'untried' || e.body.outcome === 'cured'),
  );
  const alone = next < 0 ? since : since.slice(0, next);
  if (!alone.some((e) => e.kind === 'start' && failsToStart(e.body))) return told;
  return told === 'cured' ? 'better' : 'no-change';
}

/**
 * The repairs of a log in the order they were made, with how each has turned out by now. A repair noted as untried is told
 * of by the next one of the same cause: the two are one.
 */
export function readRepairs(live: readonly Entry[]): Repair[] {
  const repairs: (Repair & { toldAt: number })[] = [];
  const tell = (entry: RepairEntry, at: number): void => {
    const about = aboutOf(entry.body);
    const { outcome } = entry.body;
    const open = repairs.findLast((r) => aboutOf(r) === about);
    if (open?.outcome === 'untried' && outcome !== 'untried') {
      open.outcome = outcome;
      open.toldAt = at;
      open.toldBy = entry.id;
      return;
    }
    const { id: entryId, notedAt, body } = entry;
    const what =
      'cause' in body
        ? { cause: body.cause, ...(body.remedy && { remedy: body.remedy }) }
        : { other: body.other };
    repairs.push({ entryId, notedAt, ...what, outcome, toldAt: at, toldBy: entryId });
  };
  live.forEach((e, at) => {
    if (e.kind === 'repair') tell(e, at);
  });
  return repairs.map(({ toldAt, ...repair }) => ({
    ...repair,
    outcome: outcomeNow(repair.outcome, live.slice(toldAt + 1)),
  }));
}
