import { checkOf } from '../knowledge';
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

/** Whether an entry changes the machine, so that its proof begins anew: a repair, a screw, a carburettor that was opened. */
const touches = (e: Entry): boolean =>
  e.kind === 'repair' || e.kind === 'screw' || (e.kind === 'put-back' && 'layer' in e.body);

/** When the engine is cold after all that made it run; null where nothing did. */
const coldFrom = (log: readonly Entry[]): string | null =>
  log
    .filter(ran)
    .map((e) => laterBy(e.notedAt, COLD_AGAIN_H))
    .toSorted()
    .at(-1) ?? null;

/**
 * The proof run as far as it has come: each step done since the last repair or turn of a screw, and two cold starts. A
 * cold start is one three hours or more after the engine last ran, whatever made it run. Any touch begins it anew.
 */
export function readProof(
  live: readonly Entry[],
  findings: readonly Finding[],
  machine: MachineFacts,
): ProofStep[] {
  const touched = live.findLastIndex(touches);
  const since = touched < 0 ? [] : live.slice(touched + 1);
  const ids = new Set(since.map((e) => e.id));
  const isDone = ({ by }: Step): boolean => {
    switch (by.kind) {
      case 'finding':
        return findings.some((f) => f.check === by.check && f.result === by.wants && ids.has(f.entryId));
      case 'proved':
        return since.some((e) => e.kind === 'proved' && e.body.step === by.step);
      case 'start':
        return since.some((e) => e.kind === 'start' && e.body.state === by.state && starts(e.body));
    }
  };
  const cold = since.filter((e) => {
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
