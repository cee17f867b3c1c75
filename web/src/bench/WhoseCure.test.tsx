import type { Noted } from '@rusty-wren/core/log';
import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it } from 'vitest';
import { benchWith, complains, draw } from '../testing/bench';
import { fakeLog } from '../testing/log';
import { WhoseCure } from './WhoseCure';

const did = (cause: 'plug-failed' | 'stale-fuel' | 'coil-gap-wide'): Noted => ({
  kind: 'repair',
  body: { cause, outcome: 'untried' },
});
const coil: Noted = { kind: 'repair', body: { cause: 'coil-failed', outcome: 'cured' } };

function drawsWith(...lines: readonly (string | Noted)[]) {
  const atBench = benchWith(...lines);
  const bench = fakeLog();
  draw(<WhoseCure account={atBench.account} log={bench.log} />);
  return { atBench, noted: bench.noted, text: document.body.textContent ?? '' };
}

afterEach(cleanup);

describe('what cured it', () => {
  it('lists what may have been it, and asks for the old plug back in', async () => {
    const { atBench, noted } = drawsWith(
      complains('no-fire'),
      'prime intake nothing',
      did('plug-failed'),
      coil,
    );
    const list = screen.getByRole('region', { name: 'What cured it' });
    expect(list.textContent).toContain('What cured it is not known');
    expect(list.textContent).toMatch(/Fit a new plug.*in 100/);
    expect(list.textContent).toContain('It tells whether the dear part was needed.');
    await userEvent.click(screen.getByRole('button', { name: 'Old plug back in, 3 min' }));
    const told = screen.getByRole('group', { name: 'Old plug back in' });
    await userEvent.click(within(told).getByRole('button', { name: 'It did it again' }));
    const plug = atBench.picture.repairs.find((r) => 'cause' in r && r.cause === 'plug-failed')!;
    expect(noted()).toEqual([
      { kind: 'swapped-back', body: { of: plug.entryId, what: 'Old plug back in', again: true } },
    ]);
  });

  it('says what is not charged', () => {
    drawsWith(
      complains('hard-to-start'),
      'smell stale',
      did('stale-fuel'),
      'gap .3 .3',
      { kind: 'repair', body: { cause: 'coil-gap-wide', outcome: 'untried' } },
      { kind: 'repair', body: { cause: 'plug-failed', outcome: 'cured' } },
    );
    expect(screen.getByText('What cured it, most likely: drain, flush, fresh mix')).toBeTruthy();
    expect(screen.getAllByText('not charged').map((x) => x.closest('li')!.textContent)).toEqual([
      expect.stringContaining('Fit a new plug'),
      expect.stringContaining('Set both legs by strip'),
    ]);
  });

  it('answers whether to stop or to open it anyway, with figures', async () => {
    drawsWith(complains('no-fire'), 'smell stale', {
      kind: 'repair',
      body: { cause: 'stale-fuel', outcome: 'cured' },
    });
    expect(screen.queryByRole('region', { name: 'What cured it' })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: /open the carburettor anyway/ }));
    expect(screen.getByText(/that it comes back/)).toBeTruthy();
    expect(screen.getByText('Stop.')).toBeTruthy();
  });

  it('is silent while nothing is cured', () => {
    expect(drawsWith(complains('no-fire'), did('plug-failed')).text).toBe('');
  });
});
