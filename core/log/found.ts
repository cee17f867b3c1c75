import { factIn, timelineOf, type Evidence } from '../diagnosis';
import { causesPutRight, checkOf, putRightBy, type CauseId } from '../knowledge';
import type { Entry } from './entry';
import type { Finding, FoundFault, SafetyFault, SafetyMended, SetRight } from './picture';

/** What is known of a job's faults by now, and whether the complaint is gone. */
export interface KnownNow {
  found: FoundFault[];
  cured: boolean;
  cleared: readonly CauseId[];
}

/** The faults that are known by now, each with what was said about it last since it was last seen or put right. */
export function readFound(evidence: readonly Evidence[], live: readonly Entry[]): KnownNow {
  const { known, cured, cleared } = timelineOf({
    machine: { kind: 'chainsaw' },
    history: {},
    evidence,
    off: [],
  });
  const at = new Map(live.map((e, n) => [e.id, n]));
  const found = known.map((fault): FoundFault => {
    const since = Math.max(-1, ...fault.refs.map((ref) => at.get(ref) ?? -1));
    const said = live.findLast(
      (e, n) => n > since && e.kind === 'answered' && 'cause' in e.body && e.body.cause === fault.cause,
    );
    if (said?.kind !== 'answered' || !('cause' in said.body)) return { ...fault, answer: null };
    const { answer, words } = said.body;
    return { ...fault, answer: { entryId: said.id, answer, ...(words && { words }) } };
  });
  return { found, cured, cleared };
}

/** What keeps its user safe: what stands, and what was put right. */
export interface Safety {
  safetyFaults: SafetyFault[];
  safetyMended: SafetyMended[];
}

const isWalkRound = (e: Entry): boolean => e.kind === 'finding' && e.body.check === 'safety-walkround';

/** The safety faults as each walk-round named them, with what was done about them until the next. `unstruck`: superseded ones too. */
export function readSafety(unstruck: readonly Entry[]): Safety {
  const safety: Safety = { safetyFaults: [], safetyMended: [] };
  unstruck.forEach((entry, at) => {
    if (entry.kind !== 'finding' || !isWalkRound(entry) || entry.body.result !== 'fault') return;
    const next = unstruck.findIndex((e, n) => n > at && isWalkRound(e));
    const since = unstruck.slice(at + 1, next < 0 ? undefined : next);
    const answers = since.flatMap((e) =>
      e.kind === 'answered' && 'safety' in e.body ? [{ id: e.id, ...e.body }] : [],
    );
    const words = entry.body.note ?? 'not named';
    const mended = answers.find((a) => a.safety === 'put-right');
    if (mended) safety.safetyMended.push({ entryId: entry.id, words, mendedBy: mended.id });
    else if (next < 0) {
      const refused = answers.findLast((a) => a.safety === 'refused');
      safety.safetyFaults.push({
        entryId: entry.id,
        words,
        told: answers.length > 0,
        refused: refused ? { entryId: refused.id, words: refused.words ?? '' } : null,
      });
    }
  });
  return safety;
}

/** What an entry says it put right: a repair, or a trial whose new part stays in. */
function rightedIn(e: Entry): readonly CauseId[] {
  if (e.kind === 'repair') return 'cause' in e.body ? causesPutRight(e.body.cause, e.body.remedy) : [];
  return e.kind === 'finding' ? putRightBy(e.body.check) : [];
}

const asEvidence = (f: Finding): Evidence | null =>
  f.result === null
    ? null
    : { ref: f.entryId, kind: 'finding', check: f.check, result: f.result, sureness: f.sureness };

/**
 * Faults that were seen and then seen gone, with nothing noted between that put them right. `unstruck`: as done, with what was
 * superseded; `read`: its findings.
 */
export function readSetRight(unstruck: readonly Entry[], read: ReadonlyMap<string, Finding>): SetRight[] {
  const open = new Map<string, SetRight>();
  unstruck.forEach((entry, at) => {
    const finding = read.get(entry.id);
    const sound = finding && asEvidence(finding);
    if (!finding || !sound) return;
    const { check } = finding;
    // What is seen wrong again is wrong: nothing is to be answered of it any more.
    for (const cause of factIn(sound)) open.delete(cause);
    const before = unstruck.slice(0, at).findLastIndex((e) => read.get(e.id)?.check === check);
    const earlier = before < 0 ? undefined : read.get(unstruck[before]!.id);
    const wrong = earlier && asEvidence(earlier);
    if (!wrong || !earlier) return;
    const between = unstruck.slice(before + 1, at);
    const pair = { check, wrong: earlier.entryId, right: finding.entryId };
    if (check === 'safety-walkround') {
      const answered = between.some(
        (e) => e.kind === 'answered' && 'safety' in e.body && e.body.safety === 'put-right',
      );
      if (earlier.result === 'fault' && finding.result === 'sound' && !answered)
        open.set(check, { cause: null, ...pair });
      return;
    }
    const righted = new Set(between.flatMap(rightedIn));
    // Seen sound, or with another fault: what was seen first is there no more.
    const shows = factIn(sound);
    const isGone = finding.result === checkOf(check).results[0]?.id || shows.length > 0;
    for (const cause of factIn(wrong))
      if (isGone && !shows.includes(cause) && !righted.has(cause)) open.set(cause, { cause, ...pair });
  });
  return [...open.values()];
}
