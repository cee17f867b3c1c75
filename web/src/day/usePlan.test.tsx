import type { Slot, Work } from '@rusty-wren/core/schedule';
import { act, cleanup, screen } from '@testing-library/react';
import { afterAll, afterEach, beforeEach, expect, it, vi } from 'vitest';
import { useState, type ReactElement } from 'react';
import { fakeServer } from '../testing/server';

const slot = (task: string, start: number): Slot => ({ task, crew: 'a', start, end: start + 10 });
/** What the thinker was asked, and how it is answered. */
const asked = {
  plans: [] as {
    before: readonly unknown[];
    answer: (plan: { slots: unknown[]; share: number }) => void;
    fail: (why: Error) => void;
  }[],
};
// Other tests have loaded the true one.
vi.resetModules();
vi.doMock('../bench/thinking/thinker', () => ({
  newTask: () => 'task',
  theThinker: () => ({
    plan: (_task: string, _work: unknown, before: readonly unknown[]) =>
      new Promise((answer, fail) => asked.plans.push({ before, answer, fail })),
    stop: () => undefined,
  }),
}));
const { usePlan } = await import('./usePlan');
const { draw } = await import('../testing/bench');
const { Guarded } = await import('../ui/Guarded');
afterAll(() => void vi.doUnmock('../bench/thinking/thinker'));
beforeEach(() => {
  asked.plans.length = 0;
  fakeServer({});
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const workOf = (...ids: string[]): Work =>
  ({
    tasks: ids.map((id) => ({ id, minutes: 10 })) as unknown as Work['tasks'],
    crews: [],
    rooms: {},
    pins: [],
  }) as unknown as Work;
const ONE = workOf('one');
const TWO = workOf('one', 'two');
const ZERO = Date.UTC(2026, 10, 27, 10);

/** A page that plans some work, and then some more, a quarter of an hour later. */
function Page(): ReactElement {
  const [more, setMore] = useState(false);
  const plan = usePlan(more ? TWO : ONE, ZERO + (more ? 15 * 60_000 : 0), null);
  return (
    <>
      <button onClick={() => setMore(true)}>more</button>
      <p role="status">{plan ? plan.slots.map((s) => `${s.task} ${s.start}`).join() : 'none'}</p>
    </>
  );
}

it('what was planned stays, at its own time, while more work is planned and no bench has kept it yet', async () => {
  draw(<Page />);
  const shown = () => screen.getByRole('status').textContent;
  expect(shown()).toBe('none');
  await act(async () => asked.plans[0]!.answer({ slots: [slot('one', 30)], share: 1 }));
  expect(shown()).toBe('one 30');
  await act(async () => screen.getByText('more').click());
  expect(shown()).toBe('one 15');
  // The next plan begins with it.
  expect(asked.plans[1]!.before).toEqual([slot('one', 15)].map((s) => ({ ...s, end: 25 })));
  await act(async () => asked.plans[1]!.answer({ slots: [slot('two', 0), slot('one', 20)], share: 1 }));
  expect(shown()).toBe('two 0,one 20');
});

it('a planner that fails is said to have failed, and may be asked again', async () => {
  const told = vi.spyOn(console, 'error').mockImplementation(() => undefined);
  draw(
    <Guarded what="The plan">
      <Page />
    </Guarded>,
  );
  await act(async () => asked.plans[0]!.fail(new Error('out of memory')));
  expect(screen.getByRole('alert').textContent).toContain('The plan cannot be shown');
  await act(async () => screen.getByText('Show it again').click());
  expect(asked.plans).toHaveLength(2);
  told.mockRestore();
});
