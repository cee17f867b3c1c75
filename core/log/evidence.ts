import { takeIn, type Evidence } from '../diagnosis';
import type { Entry, EntryOf } from './entry';
import type { Finding, Repair } from './picture';
import { farScrew } from '../tuning';
import { failingAs, failsToStart } from './starts';

/**
 * What the engine reads, in the order it was noted: a repeated check takes the place of the earlier one, a repair stands
 * with the outcome it has by now.
 */
export function readEvidence(
  unstruck: readonly Entry[],
  read: ReadonlyMap<string, Finding>,
  repairs: readonly Repair[],
): Evidence[] {
  const made = new Map(repairs.map((r) => [r.entryId, r]));
  return beforeTheirCure(unstruck, repairs).reduce<Evidence[]>((evidence, e) => {
    switch (e.kind) {
      case 'complaint':
        return takeInComplaint(evidence, e);
      case 'said-done':
        return takeIn(evidence, { ref: e.id, kind: 'said-done', ...e.body });
      case 'repair': {
        const repair = made.get(e.id);
        return repair ? takeIn(evidence, ofRepair(repair)) : evidence;
      }
      case 'answered':
        // What was wrong with its safety is put right: it is as sound as a walk-round would find it.
        return 'safety' in e.body && e.body.safety === 'put-right'
          ? takeIn(evidence, {
              ref: e.id,
              kind: 'finding',
              check: 'safety-walkround',
              result: 'sound',
              sureness: 'sure',
            })
          : evidence;
      case 'start':
        return failsToStart(e.body) ? takeInFailed(evidence, e) : evidence;
      default: {
        const f = read.get(e.id);
        if (!f || f.result === null) return evidence;
        const { check, result, sureness, counts, pulls, reading } = f;
        const screw = reading?.turns && farScrew(reading.turns);
        return takeIn(evidence, {
          ref: e.id,
          kind: 'finding',
          check,
          result,
          sureness,
          ...(counts && { counts }),
          ...(pulls !== undefined && { pulls }),
          ...(screw && { screw }),
        });
      }
    }
  }, []);
}

/**
 * What was complained of between a piece of work and its being told of as the cure was cured by it: it stands before the work, as
 * what it came with does.
 */
function beforeTheirCure(unstruck: readonly Entry[], repairs: readonly Repair[]): readonly Entry[] {
  return repairs.reduce<readonly Entry[]>((entries, { entryId, toldBy, outcome }) => {
    const work = entries.findIndex((e) => e.id === entryId);
    const told = entries.findIndex((e) => e.id === toldBy);
    if (outcome !== 'cured' || work < 0 || told <= work) return entries;
    const between = entries.slice(work, told);
    const isGone = (e: Entry): boolean =>
      e.kind === 'complaint' || (e.kind === 'start' && failsToStart(e.body));
    if (!between.some(isGone)) return entries;
    return [
      ...entries.slice(0, work),
      ...between.filter(isGone),
      ...between.filter((e) => !isGone(e)),
      ...entries.slice(told),
    ];
  }, unstruck);
}

/** A complaint; one that was made before and is only told of more closely does not stand again after a cure. */
function takeInComplaint(
  evidence: readonly Evidence[],
  { id: ref, body: { complaint, often } }: EntryOf<'complaint'>,
): Evidence[] {
  const isIt = (o: Evidence): boolean => o.kind === 'complaint' && o.complaint === complaint;
  if (often && evidence.some(isIt)) return evidence.map((o) => (isIt(o) ? { ...o, often } : o));
  return takeIn(evidence, { ref, kind: 'complaint', complaint, ...(often && { often }) });
}

const ofRepair = (repair: Repair): Evidence => ({
  ref: repair.entryId,
  kind: 'repair',
  cause: 'cause' in repair ? repair.cause : null,
  ...('remedy' in repair && repair.remedy && { remedy: repair.remedy }),
  outcome: repair.outcome,
});

/** A failed start tells what the check of that name does; after a cure it is a complaint, for the old one was gone. */
function takeInFailed(evidence: readonly Evidence[], { id: ref, body }: EntryOf<'start'>): Evidence[] {
  const mended = evidence.some((e) => e.kind === 'repair' && e.outcome !== 'no-change');
  if (mended) return takeIn(evidence, { ref, kind: 'complaint', complaint: failingAs(body) });
  const { outcome: result } = body;
  return takeIn(evidence, { ref, kind: 'finding', check: 'start-trial', result, sureness: 'sure' });
}
