import { causeOf, causesPutRight, checkOf, type EnginePart } from '../knowledge';
import { figuresOf, type MachineFacts } from '../machine';
import type { Entry } from './entry';
import type { Finding, ProofStep, ProvedBy } from './picture';
import { starts } from './starts';

/** An engine is cold again after so many hours. */
export const COLD_AGAIN_H = 3;

interface Step {
  id: string;
  label: string;
  by: ProvedBy;
}

const STEPS: readonly Step[] = [
  { id: 'full', label: 'Full speed in band', by: { kind: 'finding', check: 'full-speed', wants: 'in-band' } },
  {
    id: 'throttle',
    label: 'Picks up cleanly and returns',
    by: { kind: 'finding', check: 'throttle-action', wants: 'follows' },
  },
  { id: 'idle', label: 'Idle in band', by: { kind: 'finding', check: 'idle-speed', wants: 'in-band' } },
  { id: 'idle-minute', label: 'Idle holds a minute', by: { kind: 'proved', step: 'idle-minute' } },
  { id: 'tool-still', label: 'Tool still at idle', by: { kind: 'proved', step: 'tool-still' } },
  { id: 'warm', label: 'Restarts warm', by: { kind: 'start', state: 'warm' } },
];

const laterBy = (iso: string, hours: number): string =>
  new Date(Date.parse(iso) + hours * 3_600_000).toISOString();

/** Whether an entry tells of an engine that ran: it is warm from then on. */
function ran(e: Entry): boolean {
  if (e.kind === 'start') return e.body.outcome === 'runs';
  if (e.kind === 'finding') return checkOf(e.body.check).engine === 'running';
  return e.kind === 'heard' || e.kind === 'proved';
}

/** What work touches, by where in the engine it was: what of the proof it asks for again. */
const STARTING = ['warm', 'cold'];
const RUNNING = ['full', 'throttle', 'idle', 'idle-minute', ...STARTING];
const ALL = [...RUNNING, 'tool-still'];
const TOUCHED: Partial<Readonly<Record<EnginePart, readonly string[]>>> = {
  fuel: RUNNING,
  tank: RUNNING,
  filter: RUNNING,
  line: RUNNING,
  primer: STARTING,
  air: RUNNING,
  exhaust: RUNNING,
  plug: RUNNING,
  coil: RUNNING,
  stop: STARTING,
  drive: ['full', 'tool-still'],
  drill: STARTING,
};

/** The steps of the proof that an entry asks for again, by id: a repair by where it was, a screw or a carburettor opened all of them. */
function touchedBy(e: Entry): readonly string[] {
  if (e.kind === 'screw' || (e.kind === 'put-back' && 'layer' in e.body)) return ALL;
  // A chain brake or a catcher: nothing the engine does changes, but the tool was handled.
  if (e.kind === 'answered' && 'safety' in e.body && e.body.safety === 'put-right') return ['tool-still'];
  if (e.kind !== 'repair') return [];
  if ('other' in e.body) return ALL;
  const causes = causesPutRight(e.body.cause, e.body.remedy);
  return [...new Set(causes.flatMap((cause) => TOUCHED[causeOf(cause).sits] ?? ALL))];
}

/** When the engine is cold after all that made it run; null where nothing did. */
const coldFrom = (log: readonly Entry[]): string | null =>
  log
    .filter(ran)
    .map((e) => laterBy(e.notedAt, COLD_AGAIN_H))
    .toSorted()
    .at(-1) ?? null;

/**
 * The proof run as far as it has come: each step done since work last touched it, and two cold starts. A cold start is one
 * three hours or more after the engine last ran, whatever made it run. A turn of a screw, a carburettor opened or a new top end
 * begin all of it anew; other work asks again only for what it touched.
 */
export function readProof(
  live: readonly Entry[],
  findings: readonly Finding[],
  machine: MachineFacts,
): ProofStep[] {
  const begun = live.findIndex((e) => e.kind === 'repair' || touchedBy(e).length > 0);
  /** What was noted since a step was last touched; nothing before the first work. */
  const sinceTouched = (id: string): readonly Entry[] =>
    begun < 0
      ? []
      : live.slice(
          Math.max(
            begun,
            live.findLastIndex((e) => touchedBy(e).includes(id)),
          ) + 1,
        );
  const isDone = ({ id, by }: Step): boolean => {
    const since = sinceTouched(id);
    switch (by.kind) {
      case 'finding':
        return findings.some(
          (f) => f.check === by.check && f.result === by.wants && since.some((e) => e.id === f.entryId),
        );
      case 'proved':
        return since.some((e) => e.kind === 'proved' && e.body.step === by.step);
      case 'start':
        return since.some((e) => e.kind === 'start' && e.body.state === by.state && starts(e.body));
    }
  };
  const cold = sinceTouched('cold').filter((e) => {
    if (e.kind !== 'start' || e.body.state !== 'cold' || !starts(e.body)) return false;
    const from = coldFrom(live.slice(0, live.indexOf(e)));
    return from === null || e.notedAt >= from;
  });
  const notBefore = coldFrom(live);
  const coldBy: ProvedBy = { kind: 'start', state: 'cold' };
  return [
    ...STEPS.filter((s) => s.id !== 'tool-still' || figuresOf(machine).clutch !== null).map((step) => ({
      ...step,
      done: isDone(step),
    })),
    ...['Starts cold', 'Starts cold again, another time'].map((label, n) => ({
      id: `cold-${n + 1}`,
      label,
      by: coldBy,
      done: cold.length > n,
      ...(notBefore && { notBefore }),
    })),
  ];
}

/** The cold start that is left to make, and from when; null while other steps are, or none is. */
export function coldStartDue(proof: readonly ProofStep[]): { notBefore: string | null } | null {
  const left = proof.filter((s) => !s.done);
  const next = left[0];
  if (!next || left.some((s) => !s.id.startsWith('cold'))) return null;
  return { notBefore: next.notBefore ?? null };
}
