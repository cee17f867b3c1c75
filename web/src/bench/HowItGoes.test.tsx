import type { Noted } from '@rusty-wren/core/log';
import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it } from 'vitest';
import { benchWith, complains, draw } from '../testing/bench';
import { fakeLog } from '../testing/log';
import { HowItGoes } from './HowItGoes';

const cured: Noted = { kind: 'repair', body: { cause: 'tank-vent-blocked', outcome: 'cured' } };
const closed: Noted = { kind: 'stage', body: { stage: 'closed', reason: 'in a hurry' } };
const after = (uses: 1 | 5 | 20): Noted => ({ kind: 'at-owners', body: { uses, again: false } });

function drawsWith(...lines: readonly (string | Noted)[]) {
  const bench = fakeLog();
  draw(<HowItGoes picture={benchWith(...lines).picture} log={bench.log} />);
  return bench;
}
const buttons = (): (string | null)[] => screen.queryAllByRole('button').map((b) => b.textContent);

afterEach(cleanup);

describe('how it goes at its owner’s', () => {
  const home = [complains('fades-under-way'), complains('cuts-dead'), cured, closed];

  it('takes what the owner says in one tap, after the uses that were not told of yet', async () => {
    const bench = drawsWith(...home, after(1));
    expect(screen.getByText(/After the first use: it runs right/)).toBeTruthy();
    expect(screen.queryByRole('radio', { name: 'the first use' })).toBeNull();
    await userEvent.click(screen.getByRole('radio', { name: '20 uses' }));
    await userEvent.click(screen.getByRole('button', { name: 'No, it runs right' }));
    expect(bench.noted()).toEqual([{ kind: 'at-owners', body: { uses: 20, again: false } }]);
  });

  it('puts it back on its hook where it did it again, by what it did', async () => {
    const bench = drawsWith(...home);
    await userEvent.click(screen.getByRole('button', { name: 'Yes: cuts dead' }));
    expect(bench.noted()).toEqual([
      { kind: 'at-owners', body: { uses: 1, again: true } },
      { kind: 'complaint', body: { complaint: 'cuts-dead' } },
      { kind: 'stage', body: { stage: 'hook', reason: 'It did it again after the first use' } },
    ]);
  });

  it('asks nothing once all was said, while it is here, or where nothing was cured', () => {
    drawsWith(...home, after(20));
    expect(buttons()).toEqual([]);
    cleanup();
    drawsWith(complains('fades-under-way'), cured);
    expect(buttons()).toEqual([]);
    cleanup();
    drawsWith(complains('fades-under-way'), closed);
    expect(buttons()).toEqual([]);
  });
});
