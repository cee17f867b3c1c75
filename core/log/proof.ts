import { curedBy, chancesIn, leavesShown, proofOf, SURE_ENOUGH } from '../proof';
import {
  causesPutRight,
  checkOf,
  proofRun,
  type ComplaintId,
  type FailsWhen,
  type ProofRun,
  type RunId,
} from '../knowledge';
import { figuresOf, type MachineFacts } from '../machine';
import type { Entry } from './entry';
import type { Finding, Picture, ProofStep, Repair } from './picture';
import { starts } from './starts';

/** Runs that begin with an engine that has stood. */
const STANDING: ReadonlySet<RunId> = new Set(['cold', 'stood']);

/** An engine is cold again after so many hours. */
export const COLD_AGAIN_H = proofRun('cold').waitHours!;

const laterBy = (iso: string, hours: number): string =>
  new Date(Date.parse(iso) + hours * 3_600_000).toISOString();

/** Whether an entry tells of an engine that ran: it is warm from then on. */
function ran(e: Entry): boolean {
  if (e.kind === 'start') return e.body.outcome === 'runs';
  if (e.kind === 'finding') return checkOf(e.body.check).engine === 'running';
  return e.kind === 'heard' || (e.kind === 'proved' && 'step' in e.body);
}

/** A turned screw, an opened carburettor, work that is not on the list: all of the proof rests on it. */
const tunes = (e: Entry): boolean =>
  e.kind === 'screw' ||
  (e.kind === 'put-back' && 'layer' in e.body) ||
  (e.kind === 'repair' && 'other' in e.body);

/** Whether an entry is work after which a run has to be made again. */
function touches(e: Entry, run: RunId): boolean {
  if (tunes(e)) return true;
  // Put back to see, and taken out again: it is started once more.
  if (e.kind === 'swapped-back') return run === 'warm';
  // A chain brake or a catcher: nothing the engine does changes, but the tool was handled.
  if (e.kind === 'answered' && 'safety' in e.body && e.body.safety === 'put-right')
    return run === 'tool-still';
  if (e.kind !== 'repair' || 'other' in e.body) return false;
  return !leavesShown(causesPutRight(e.body.cause, e.body.remedy), run);
}

/** What its owner said of it since it was last worked on. */
export const readAtOwners = (live: readonly Entry[]): Picture['atOwners'] =>
  live
    .slice(live.findLastIndex(isWork) + 1)
    .flatMap((e) => (e.kind === 'at-owners' ? [{ id: e.id, notedAt: e.notedAt, ...e.body }] : []));

/** Uses at its owner's in which it ran right, since it was last worked on; none once it did it again. */
const usesRight = (said: Picture['atOwners']): number =>
  said.some((s) => s.again) ? 0 : Math.max(0, ...said.map((s) => s.uses));

const isWork = (e: Entry): boolean => e.kind === 'repair' || touches(e, 'tool-still');

/** When the engine has stood so long after all that made it run; null where nothing did. */
const stoodFrom = (log: readonly Entry[], hours: number): string | null =>
  log
    .filter(ran)
    .map((e) => laterBy(e.notedAt, hours))
    .toSorted()
    .at(-1) ?? null;

interface ProvedFrom {
  findings: readonly Finding[];
  machine: MachineFacts;
  complaints: Picture['complaints'];
  repairs: readonly Repair[];
  failsWhen?: FailsWhen | undefined;
  bulb: boolean;
  atOwners: Picture['atOwners'];
}

/** How often a run was made, and shown clean, in what was noted since work last touched it. */
function cleanOf(
  { id, by, waitHours }: ProofRun,
  times: number,
  {
    since,
    live,
    findings,
  }: { since: readonly Entry[]; live: readonly Entry[]; findings: readonly Finding[] },
): number {
  const hadStood = (e: Entry): boolean => {
    const from = STANDING.has(id) ? stoodFrom(live.slice(0, live.indexOf(e)), waitHours!) : null;
    return from === null || e.notedAt >= from;
  };
  if (by.kind === 'finding')
    return findings.some(
      (f) => f.check === by.check && f.result === by.wants && since.some((e) => e.id === f.entryId),
    )
      ? times
      : 0;
  return since.filter((e) =>
    by.kind === 'proved'
      ? e.kind === 'proved' && 'step' in e.body && e.body.step === by.step && hadStood(e)
      : e.kind === 'start' && e.body.state === by.state && starts(e.body) && hadStood(e),
  ).length;
}

/** Whether somebody took a run's showings for enough, among what was noted since it was touched. */
const takenForEnough = (since: readonly Entry[], run: RunId): boolean =>
  since.some((e) => e.kind === 'proved' && 'enough' in e.body && e.body.enough === run);

/**
 * The proof as far as it has come: what its complaints and the work on it ask for, each run as often as it has been made since work
 * last touched it. A cold start is one three hours or more after the engine last ran, whatever made it run. A turn of a screw or a
 * carburettor opened begin all of it anew; other work asks again only for what it touched.
 */
export function readProof(
  live: readonly Entry[],
  { findings, machine, complaints, repairs, failsWhen, bulb, atOwners }: ProvedFrom,
): ProofStep[] {
  const begun = live.findIndex(isWork);
  /** What was noted since a run was last touched; nothing before the first work. */
  const sinceTouched = (id: RunId): readonly Entry[] =>
    begun < 0
      ? []
      : live.slice(
          Math.max(
            begun,
            live.findLastIndex((e) => touches(e, id)),
          ) + 1,
        );
  const asked = proofOf({
    complaints,
    failsWhen,
    work: repairs.flatMap((r) =>
      'cause' in r && r.outcome !== 'no-change' ? causesPutRight(r.cause, r.remedy) : [],
    ),
    tuned: live.some(tunes),
    clutch: figuresOf(machine).clutch !== null,
    bulb,
  });
  const runs = asked.map(({ run: id, times, shows }) => {
    const run = proofRun(id);
    const since = sinceTouched(id);
    return { run, times, shows, since, clean: cleanOf(run, times, { since, live, findings }) };
  });
  // In its owner's hands every use is a chance to do it again.
  const uses = usesRight(atOwners);
  const sureOf = (complaint: ComplaintId): number => {
    const said = complaints.find((c) => c.complaint === complaint)!;
    const chances = runs.reduce((sum, { run, clean }) => sum + clean * chancesIn(run, said, failsWhen), uses);
    return curedBy(said.often, chances);
  };
  return runs.map(({ run, times, shows, since, clean }) => {
    const { shows: _, ...rest } = run;
    const notBefore = STANDING.has(run.id) ? stoodFrom(live, run.waitHours!) : null;
    const enough = takenForEnough(since, run.id);
    const sure = shows.length > 0 ? Math.min(...shows.map(sureOf)) : null;
    // What its owner saw finishes what the complaints ask for, and nothing else.
    const made = clean >= times || (uses > 0 && sure !== null && sure >= SURE_ENOUGH);
    return {
      ...rest,
      times,
      clean: Math.min(clean, times),
      proves: shows,
      sure,
      enough: enough && !made,
      done: enough || made,
      ...(notBefore && { notBefore }),
    };
  });
}

/** The start after standing that is left to make, and from when; null while other runs are, or none is. */
export function coldStartDue(proof: readonly ProofStep[]): { notBefore: string | null } | null {
  const left = proof.filter((s) => !s.done);
  const next = left[0];
  if (!next || left.some((s) => !STANDING.has(s.id))) return null;
  return { notBefore: next.notBefore ?? null };
}

/** What a proof still asks for: bench minutes of what can be run now, and how many times it has to have stood cold, or a night. */
export interface ProofLeft {
  minutes: number;
  cold: number;
  nights: number;
}

/** What is left of a proof. */
export function proofLeft(proof: readonly ProofStep[]): ProofLeft {
  const left = proof.filter((s) => !s.done).map((s) => ({ ...s, n: s.times - s.clean }));
  const of = (id: RunId): number => left.find((s) => s.id === id)?.n ?? 0;
  return {
    minutes: left.reduce((sum, s) => sum + (STANDING.has(s.id) ? 0 : s.n * s.minutes), 0),
    cold: of('cold'),
    nights: of('stood'),
  };
}
