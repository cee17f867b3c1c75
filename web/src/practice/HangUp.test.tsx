import type { LearntState } from '@rusty-wren/contract';
import { causeOf } from '@rusty-wren/core/knowledge';
import { hiddenOf, type Exercise } from '@rusty-wren/core/practice';
import { cleanup, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { draw } from '../testing/bench';
import { HangUp } from './HangUp';

const NOTHING = { counts: 0, strength: null, causes: {} };
let counts = true;
beforeEach(() => {
  counts = true;
  vi.stubGlobal('fetch', () =>
    Promise.resolve(
      Response.json({
        counts,
        learnt: { shop: NOTHING, groups: {}, models: {} },
        minutes: { shop: {}, own: {} },
        elsewhere: [],
      } satisfies LearntState),
    ),
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const hangs = (level: 1 | 4 = 1) => {
  const drawn: Exercise[] = [];
  draw(<HangUp level={level} more={2} onDrawn={(exercise) => drawn.push(exercise)} />);
  return drawn;
};
const pick = (name: string) => userEvent.click(screen.getByRole('radio', { name }));
const hangUp = () => userEvent.click(screen.getByRole('button', { name: 'Hang one up' }));

describe('hanging a hidden machine up', () => {
  it('draws one as it was asked for, another each time', async () => {
    const drawn = hangs();
    await pick('Spark');
    await pick('Saws');
    await pick('2');
    expect(screen.getByText('One fault, and what it brought about')).toBeTruthy();
    for (let n = 0; n < 3; n++) await hangUp();
    for (const exercise of drawn) {
      expect(exercise).toMatchObject({ theme: 'spark', group: 'saw', level: 2 });
      const { machine, toBlame } = hiddenOf(exercise);
      expect(['chainsaw', 'pole-saw']).toContain(machine.kind);
      expect(toBlame.map((cause) => causeOf(cause).sits)).toEqual(
        expect.arrayContaining([expect.stringMatching(/^(plug|coil|stop|flywheel)$/)]),
      );
    }
    expect(new Set(drawn.map((d) => d.number)).size).toBeGreaterThan(1);
  });

  it('begins where one stands on the ladder, and says how far the next step is', () => {
    hangs();
    expect(screen.getByText('You are on level 1: 2 more that go well, and the next one opens.')).toBeTruthy();
    cleanup();
    hangs(4);
    expect(screen.getByText('You are at the top of the ladder.')).toBeTruthy();
    expect(screen.getByRole<HTMLInputElement>('radio', { name: '4' }).getAttribute('aria-checked')).toBe(
      'true',
    );
  });

  it('offers this shop’s odds only where they count', async () => {
    hangs();
    expect(await screen.findByRole('radio', { name: 'This shop' })).toBeTruthy();
    await pick('This shop');
    cleanup();
    counts = false;
    const fetched = vi.spyOn(globalThis, 'fetch');
    hangs();
    await waitFor(() => expect(fetched).toHaveBeenCalled());
    expect(screen.queryByRole('radio', { name: 'This shop' })).toBeNull();
  });
});
