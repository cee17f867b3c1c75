import { MANY_PULLS } from '../knowledge';
import { figuresOf, type MachineFacts } from '../machine';
import type { Entry } from './entry';
import type { Finding, ProofStep, ProvedBy } from './picture';

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

/**
 * The proof run as far as it has come: each step done since the last repair or turn of a screw, and two cold starts at
 * least three hours apart. Any touch begins it anew.
 */
export function readProof(
  live: readonly Entry[],
  findings: readonly Finding[],
  machine: MachineFacts,
): ProofStep[] {
  const touched = live.findLastIndex((e) => e.kind === 'repair' || e.kind === 'screw');
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
  const cold = since
    .filter((e) => e.kind === 'start' && e.body.state === 'cold' && starts(e.body))
    .map((e) => e.notedAt)
    .toSorted();
  const first = cold[0];
  const again = first && laterBy(first, COLD_AGAIN_H);
  const coldBy: ProvedBy = { kind: 'start', state: 'cold' };
  return [
    ...STEPS.filter((s) => s.id !== 'tool-still' || figuresOf(machine).clutch !== null).map((step) => ({
      ...step,
      done: isDone(step),
    })),
    { id: 'cold-1', label: 'Starts cold', by: coldBy, done: first !== undefined },
    {
      id: 'cold-2',
      label: 'Starts cold again, another time',
      by: coldBy,
      done: again !== undefined && cold.some((at) => at >= again),
      ...(again && { notBefore: again }),
    },
  ];
}

const starts = ({ outcome, pulls }: { outcome: string; pulls: number }): boolean =>
  outcome === 'runs' && pulls <= MANY_PULLS;

/** The cold start that is left to make, and from when; null while other steps are, or none is. */
export function coldStartDue(proof: readonly ProofStep[]): { notBefore: string | null } | null {
  const left = proof.filter((s) => !s.done);
  const next = left[0];
  if (!next || left.some((s) => !s.id.startsWith('cold'))) return null;
  return { notBefore: next.notBefore ?? null };
}
