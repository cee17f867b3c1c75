import { configureStore } from '@reduxjs/toolkit';
import type { Job, JobWithLog, RackTag, Role } from '@rusty-wren/contract';
import { makeEntry, type Entry, type Noted } from '@rusty-wren/core/log';
import { readShorthand } from '@rusty-wren/core/shorthand';
import { render } from '@testing-library/react';
import type { ReactElement } from 'react';
import { Provider } from 'react-redux';
import { MemoryRouter } from 'react-router';
import { api } from '../api/api';
import { reducer } from '../app/state';
import { stood } from '../hands/hands';
import { readAtBench, type JobAtBench } from '../job/readAtBench';

export const JOB: Job = {
  id: '5e0c1f7a-8f1b-4a53-9a53-0d6f0c7c1a01',
  tag: 141,
  customer: { id: 'c1', name: 'Odile Farrant', circle: null, phone: null },
  machine: {
    id: 'm1',
    kind: 'chainsaw',
    maker: 'Brakken',
    model: 'B45',
    serial: null,
    displacementCc: 45,
  },
  checkedInAt: '2026-05-04T08:00:00.000Z',
  promisedFor: null,
};

/** Who is in. */
export const NOTER = { id: '5e0c1f7a-8f1b-4a53-9a53-0d6f0c7c1a02', name: 'Bett Oakham' };

/** A tag on the rack, or of a closed job. */
export const aTag = (job: Partial<Job>, more: Partial<RackTag> = {}): RackTag => ({
  job: { ...JOB, ...job },
  stage: 'hook',
  waitingFor: null,
  stageSince: JOB.checkedInAt,
  complaints: ['no-fire'],
  lead: null,
  phase: { kind: 'check', check: 'fuel-smell', minutes: 0.5 },
  mended: [],
  standing: [],
  safety: [],
  off: 0,
  inPieces: false,
  hands: null,
  toFind: null,
  coldStart: null,
  proofLeft: null,
  entryCount: 4,
  ...more,
});

/** What a line of shorthand, or an entry as it is, puts on the log. Throws on a line that is not understood. */
function notedIn(line: string | Noted): readonly Noted[] {
  if (typeof line !== 'string') return [line];
  const read = readShorthand(line);
  if (!read.ok) throw new Error(`"${line}": ${read.says}`);
  return read.entries;
}

/** A job with these on its log, a minute apart, as the server would give it. */
export function jobWith(...lines: readonly (string | Noted)[]): JobWithLog {
  const entries = lines.flatMap(notedIn).map((noted, n): Entry => {
    const notedAt = new Date(Date.parse(JOB.checkedInAt) + n * 60_000).toISOString();
    return { ...makeEntry(noted, { id: `e${n}`, notedAt }), seq: n + 1 };
  });
  return { job: JOB, entries, squeezes: [], sameCan: [] };
}

/** A job at the bench with these on its log. */
export const benchWith = (...lines: readonly (string | Noted)[]): JobAtBench =>
  readAtBench(jobWith(...lines), [], 1);

export const complains = (complaint: Extract<Noted, { kind: 'complaint' }>['body']['complaint']): Noted => ({
  kind: 'complaint',
  body: { complaint },
});

/** A store as the page has it, with somebody of that role in; nobody where it is null. */
export function storeWith(role: Role | null) {
  const store = configureStore({
    reducer,
    middleware: (usual) => usual({ serializableCheck: false, immutableCheck: false }).concat(api.middleware),
  });
  if (role) store.dispatch(stood({ state: 'in', me: { ...NOTER, role }, people: [] }));
  return store;
}

/**
 * Draws a piece of the screen with a store, at an address, with somebody of that role in (nobody where it is null). Returns the
 * store.
 */
export function draw(
  piece: ReactElement,
  { at = '/', role = 'lead' }: { at?: string; role?: Role | null } = {},
) {
  const store = storeWith(role);
  render(
    <Provider store={store}>
      <MemoryRouter initialEntries={[at]}>{piece}</MemoryRouter>
    </Provider>,
  );
  return store;
}
