import type { OffItem } from '@rusty-wren/core/log';
import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it } from 'vitest';
import { draw } from '../../testing/bench';
import { fakeLog } from '../../testing/log';
import { RepairStep } from './RepairStep';

let bench = fakeLog();
const logged = () => bench.noted();
const off: OffItem[] = [
  { entryId: '1', part: 'air-box', name: 'Air box' },
  { entryId: '2', part: 'carburettor', name: 'Carburettor' },
  { entryId: '3', name: 'bent washer' },
];
const settled = { entryId: 's', cause: 'metering-diaphragm-stiff', outcome: null } as const;

describe('a repair', () => {
  afterEach(() => {
    cleanup();
    bench = fakeLog();
  });

  it('cannot be said to have cured anything while the engine is in pieces; one tap puts all of it back', async () => {
    draw(<RepairStep jobId="job" settled={settled} off={off} log={bench.log} />);
    expect(screen.queryByRole('button', { name: 'Cured it' })).toBeNull();
    expect(screen.getByText(/3 things are off/)).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'All back on' }));
    expect(logged().map((e) => e.body)).toEqual([
      { thing: 'bent washer' },
      { part: 'carburettor' },
      { part: 'air-box' },
    ]);
    expect(logged().every((e) => e.kind === 'put-back')).toBe(true);
  });

  it('says how it turned out once everything is on', async () => {
    draw(<RepairStep jobId="job" settled={settled} off={[]} log={bench.log} />);
    await userEvent.click(screen.getByRole('button', { name: 'Cured it' }));
    expect(logged()).toEqual([{ kind: 'repair', body: { cause: settled.cause, outcome: 'cured' } }]);
  });

  it('of a whole job names the job and all that goes with it, and is logged as that job', async () => {
    draw(
      <RepairStep
        jobId="job"
        settled={{ ...settled, remedy: 'carburettor-rebuild' }}
        off={[]}
        log={bench.log}
      />,
    );
    expect(screen.getByRole('heading', { level: 2 }).textContent).toBe('Rebuild the carburettor with a kit');
    expect(screen.getByText(/It mends whichever it is:.*inlet screen gummed/)).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Write down what was done' }));
    await userEvent.type(screen.getByLabelText(/What was done/), 'kit fitted');
    await userEvent.click(screen.getByRole('button', { name: 'Changed nothing' }));
    expect(logged()).toEqual([
      {
        kind: 'repair',
        body: {
          cause: settled.cause,
          remedy: 'carburettor-rebuild',
          outcome: 'no-change',
          note: 'kit fitted',
        },
      },
    ]);
  });
});
