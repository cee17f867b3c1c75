import type { Noted } from '@rusty-wren/core/log';
import { cleanup, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { benchWith, complains, draw } from '../testing/bench';
import { fakeServer } from '../testing/server';
import { AtTheCounter } from './AtTheCounter';

beforeEach(() => void fakeServer({}));
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const FAULT: Noted = {
  kind: 'finding',
  body: { check: 'safety-walkround', result: 'fault', sureness: 'sure', note: 'catcher gone' },
};
const BENCH = benchWith(complains('bogs-on-throttle'), 'intake boot cracked', FAULT, {
  kind: 'stage',
  body: { stage: 'answer', waitingFor: 'a new boot, or not' },
});

describe('a job at the counter', () => {
  it('says how it stands and what is wrong, and asks for no hand on the machine', () => {
    draw(<AtTheCounter atBench={BENCH} />, { role: 'counter' });
    expect(screen.getByRole('heading', { name: 'a new boot, or not' })).toBeTruthy();
    const wrong = screen.getByRole('region', { name: 'What is wrong' }).textContent;
    expect(wrong).toContain('Intake air leakfound');
    expect(wrong).toContain('safety fault');
    expect(wrong).not.toContain('suspected');
    for (const name of ['Tune', 'Start']) expect(screen.queryByRole('link', { name })).toBeNull();
    expect(screen.queryByLabelText('Bench line')).toBeNull();
  });
  it('names what is suspected while nothing is found', () => {
    draw(<AtTheCounter atBench={benchWith(complains('no-fire'))} />, { role: 'counter' });
    expect(screen.getByRole('heading', { name: 'The cause is being looked for' })).toBeTruthy();
    expect(screen.getByRole('region', { name: 'What is wrong' }).textContent).toContain('suspected, ');
  });
  it('after a cure it tells what was put right, and suspects nothing', () => {
    const right: Noted = { kind: 'answered', body: { safety: 'put-right' } };
    const mended = benchWith(complains('no-fire'), 'plug damaged', FAULT, right, {
      kind: 'repair',
      body: { cause: 'plug-failed', outcome: 'cured' },
    });
    draw(<AtTheCounter atBench={mended} />, { role: 'counter' });
    const wrong = screen.getByRole('region', { name: 'What is wrong' }).textContent;
    expect(wrong).toContain('catcher goneput right, for safety');
    expect(wrong).toContain('mended');
    expect(wrong).not.toContain('suspected');
    cleanup();
    const settled: Noted = { kind: 'verdict', body: { settles: 'coil-failed' } };
    draw(<AtTheCounter atBench={benchWith(complains('no-fire'), settled)} />, { role: 'counter' });
    expect(screen.getByRole('region', { name: 'What is wrong' }).textContent).toMatch(/settled on$/);
  });
  it('the counter notes what was said, and strikes what counters note', async () => {
    const store = draw(<AtTheCounter atBench={BENCH} />, { role: 'counter' });
    await userEvent.type(screen.getByLabelText('What was said'), 'comes on Friday{Enter}');
    expect(store.getState().outbox.unsent.map((u) => u.entry.body)).toEqual([{ text: 'comes on Friday' }]);
    await userEvent.click(screen.getByRole('button', { name: /boot: cracked/ }));
    expect(screen.queryByRole('button', { name: 'Repeat it' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Strike it out' })).toBeNull();
    expect(screen.getByRole('button', { name: 'Waits for an answer' })).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: /^\d.*Stage: / }));
    expect(screen.getByRole('button', { name: 'Strike it out' })).toBeTruthy();
  });
  it('a reader is asked for nothing', () => {
    draw(<AtTheCounter atBench={BENCH} />, { role: 'reader' });
    expect(screen.queryByLabelText('What was said')).toBeNull();
    expect(screen.queryByRole('button', { name: 'Waits for an answer' })).toBeNull();
    expect(screen.getByRole('button', { name: /^What it does/ })).toHaveProperty('disabled', true);
  });
});
