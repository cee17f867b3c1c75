import type { Noted } from '@rusty-wren/core/log';
import { cleanup, fireEvent, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { benchWith, complains, draw } from '../testing/bench';
import { fakeLog } from '../testing/log';
import { MarkScrews } from './MarkScrews';
import { Tray } from './Tray';

const click = (name: string | RegExp) => userEvent.click(screen.getByRole('button', { name }));
const plan: Noted = {
  kind: 'screw-plan',
  body: {
    of: { part: 'recoil' },
    on: { outline: 'round' },
    screws: [
      { x: 0.1, y: 0.1, kind: 'long' },
      { x: 0.9, y: 0.1, kind: 'long' },
      { x: 0.9, y: 0.9, kind: 'short' },
    ],
  },
};

afterEach(cleanup);

describe('marking the screws of a cover', () => {
  beforeEach(() => localStorage.clear());

  const marking = async () => {
    const bench = fakeLog();
    const { picture } = benchWith(complains('no-fire'), 'off recoil');
    draw(<MarkScrews of={{ part: 'recoil' }} jobId="job" picture={picture} log={bench.log} />);
    await click('Mark its screws');
    return bench;
  };

  it('puts one where the drawing is tapped, of the kind picked, and one by the keyboard', async () => {
    const bench = await marking();
    const board = document.querySelector('svg[viewBox="0 0 100 66"]')!.parentElement!;
    board.getBoundingClientRect = () => new DOMRect(100, 100, 200, 100);
    fireEvent.click(board, { clientX: 150, clientY: 125 });
    await userEvent.click(screen.getByRole('radio', { name: 'short' }));
    await click('Add one');
    screen.getByRole('button', { name: 'Screw 2, short' }).focus();
    await userEvent.keyboard('{ArrowRight}{ArrowUp}');
    await userEvent.click(screen.getByRole('radio', { name: 'Round' }));
    await click('Keep it');
    expect(bench.noted()).toEqual([
      {
        kind: 'screw-plan',
        body: {
          of: { part: 'recoil' },
          on: { outline: 'round' },
          screws: [
            { x: 0.25, y: 0.25, kind: 'long' },
            { x: 0.52, y: 0.48, kind: 'short' },
          ],
        },
      },
    ]);
  });

  it('takes one out, changes the kind of the one picked, and knows a kind of its own', async () => {
    const bench = await marking();
    await click('Add one');
    await click('Add one');
    await click('Screw 2, long');
    await userEvent.type(screen.getByLabelText('Another kind of screw'), '20 mm{Enter}');
    await click('Screw 1, long');
    await click('Take 1 out');
    await click('Keep it');
    expect(bench.noted()[0]).toMatchObject({ body: { screws: [{ kind: '20 mm' }] } });
  });

  it('keeps nothing without a screw, and what was marked over a closed sheet', async () => {
    await marking();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep it' }).disabled).toBe(true);
    await click('Add one');
    await click('Close');
    await click('Mark its screws');
    expect(screen.getByRole('button', { name: 'Screw 1, long' })).toBeTruthy();
  });
});

describe('a cover with its screws marked goes back on', () => {
  const putting = async () => {
    const bench = fakeLog();
    const { picture } = benchWith(complains('no-fire'), 'off recoil', plan);
    draw(<Tray picture={picture} jobId="job" log={bench.log} />);
    await click('Put back: Recoil starter');
    return bench;
  };

  it('they are gone through in the order they are drawn down', async () => {
    const bench = await putting();
    expect(screen.getByText('2 long, 1 short')).toBeTruthy();
    for (const name of ['Screw 1, long', 'Screw 2, short', 'Screw 3, long']) await click(name);
    await click('Back on');
    expect(bench.noted()).toEqual([{ kind: 'put-back', body: { part: 'recoil' } }]);
  });

  it('one that is not in lies on the tray', async () => {
    const bench = await putting();
    await click('Screw 1, long');
    await click('Screw 3, long');
    expect(screen.getByRole('status').textContent).toContain('One is not in yet');
    await click('Back on');
    expect(bench.noted()).toEqual([
      { kind: 'put-back', body: { part: 'recoil' } },
      { kind: 'took-off', body: { thing: 'short screw of recoil starter', place: 'lower right', count: 1 } },
    ]);
  });

  it('whoever taps none of them just puts it back', async () => {
    const bench = await putting();
    await click('Back on');
    expect(bench.noted()).toEqual([{ kind: 'put-back', body: { part: 'recoil' } }]);
  });
});
