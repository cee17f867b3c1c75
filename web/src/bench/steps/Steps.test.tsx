import type { Noted } from '@rusty-wren/core/log';
import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { benchWith, complains, draw } from '../../testing/bench';
import { fakeLog } from '../../testing/log';
import { CloseStep } from './CloseStep';
import { LeftStep } from './LeftStep';
import { ProveStep } from './ProveStep';
import { SafetyStep } from './SafetyStep';
import { SetRightStep } from './SetRightStep';
import { StopStep } from './StopStep';
import { TryStep } from './TryStep';

const nothing = (): void => undefined;
/** The calls to act that are drawn in rust. */
const calls = (): string[] =>
  screen
    .queryAllByRole('button')
    .concat(screen.queryAllByRole('link'))
    .filter((b) => b.className.includes('bg-rust'))
    .map((b) => b.textContent ?? '');

const fades = complains('fades-under-way');
const untried: Noted = { kind: 'repair', body: { cause: 'tank-vent-blocked', outcome: 'untried' } };
const cured: Noted = { kind: 'repair', body: { cause: 'tank-vent-blocked', outcome: 'cured' } };

/** The step of a job that knows enough. */
function drawStop(...lines: readonly (string | Noted)[]) {
  const atBench = benchWith(...lines);
  const { stop } = atBench.diagnosis;
  if (!stop || stop.why === 'try') throw new Error(`no stop to draw: ${stop?.why}`);
  const bench = fakeLog();
  const onClose = vi.fn();
  draw(<StopStep stop={stop} atBench={atBench} log={bench.log} onClose={onClose} />);
  return { ...bench, onClose, stop };
}

afterEach(cleanup);

describe('enough is known', () => {
  it('asks what mending it came to, in one tap, with the other answers beside it', async () => {
    const { noted } = drawStop(fades, 'vent blocked', 'cap recovers');
    expect(calls()).toEqual([]);
    await userEvent.click(screen.getByRole('button', { name: 'Told the owner' }));
    await userEvent.click(screen.getByRole('button', { name: 'Left, because…' }));
    await userEvent.type(screen.getByLabelText('Why it is left'), 'no vent in the drawer{Enter}');
    await userEvent.click(screen.getByRole('button', { name: 'Write down what was done' }));
    await userEvent.type(screen.getByLabelText(/What was done/), ' blown through ');
    await userEvent.click(screen.getByRole('button', { name: 'Cured it' }));
    expect(noted().map((n) => n.body)).toEqual([
      { cause: 'tank-vent-blocked', answer: 'told' },
      { cause: 'tank-vent-blocked', answer: 'left', words: 'no vent in the drawer' },
      { settles: 'tank-vent-blocked' },
      { cause: 'tank-vent-blocked', outcome: 'cured', note: 'blown through' },
    ]);
  });

  it('is put together first: one tap settles on it and puts all of it back', async () => {
    const { noted } = drawStop(
      complains('runs-on-prime-then-dies'),
      ...(['air-box', 'carburettor', 'metering-cover'] as const).map((part): Noted => ({
        kind: 'took-off',
        body: { part },
      })),
      'metering diaphragm stiff',
    );
    expect(calls()).toEqual(['All back on']);
    expect(screen.queryByRole('button', { name: 'Cured it' })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'All back on' }));
    expect(noted()[0]).toMatchObject({ kind: 'verdict', body: { settles: 'metering-diaphragm-stiff' } });
    expect(
      new Set(
        noted()
          .slice(1)
          .map((n) => n.kind),
      ),
    ).toEqual(new Set(['put-back']));
    expect(noted().at(-1)?.body).toEqual({ part: 'air-box' });
  });

  it('what else was found is put right in the same go, when said so', async () => {
    const { noted } = drawStop(
      fades,
      'smell fresh',
      'fuel clear dyed',
      'vent blocked',
      'cap recovers',
      'inlet screen gummed',
    );
    const also = within(screen.getByRole('group', { name: 'Put right as well' }));
    await userEvent.click(also.getByRole('button', { name: 'Inlet screen gummed' }));
    await userEvent.click(screen.getByRole('button', { name: 'Better, not cured' }));
    expect(noted().map((n) => n.body)).toEqual([
      { settles: 'tank-vent-blocked' },
      { cause: 'inlet-screen-clogged', outcome: 'better' },
      { cause: 'tank-vent-blocked', outcome: 'better' },
    ]);
  });

  const cooked = [
    complains('weak-under-load'),
    'comp 40 55 60 61',
    'wet rises',
    'peep heavy scoring',
  ] as const;

  it('asks whether it is worth it: the choices first, and it settles the whole job when it is', async () => {
    const { noted, onClose, stop } = drawStop(...cooked);
    expect(stop.why).toBe('worth');
    expect(calls()).toEqual(['Lay out the choices']);
    expect(screen.getByRole('link', { name: 'Lay out the choices' }).getAttribute('href')).toMatch(
      /\/choices$/,
    );
    await userEvent.click(screen.getByRole('button', { name: 'Stop here' }));
    await userEvent.click(screen.getByRole('button', { name: 'Go on: mend it' }));
    expect(onClose).toHaveBeenCalledOnce();
    expect(noted()[0]).toMatchObject({ kind: 'verdict', body: { remedy: 'top-end' } });
  });

  it('goes by what the owner took', () => {
    drawStop(...cooked, {
      kind: 'decision',
      body: { choice: 'top-end', by: 'Odile Farrant', how: 'phone' },
    });
    expect(screen.getByText('Odile Farrant took: top end.')).toBeTruthy();
    expect(calls()).toEqual(['Go on: mend it']);
  });
});

describe('seen wrong, then right', () => {
  const gap = ['gap .60 .60', 'gap .30 .30'] as const;
  const draws = () => {
    const atBench = benchWith(complains('no-fire'), 'off recoil', ...gap);
    const bench = fakeLog();
    expect(atBench.phase.kind).toBe('set-right');
    const { what } = atBench.phase as Extract<typeof atBench.phase, { kind: 'set-right' }>;
    draw(<SetRightStep what={what} picture={atBench.picture} log={bench.log} />);
    return { ...bench, what };
  };

  it('shows both readings and asks once; set right, the work counts from before the good one', async () => {
    const { noted, what } = draws();
    expect(screen.getByText(/wide, 0.60 and 0.60 mm/)).toBeTruthy();
    expect(screen.getByText(/in band, 0.30 and 0.30 mm/)).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'It was set right' }));
    expect(noted()).toEqual([
      { kind: 'repair', body: { cause: 'coil-gap-wide', outcome: 'untried', before: what.right } },
    ]);
  });

  it('the first was wrong: it is struck', async () => {
    const { noted } = draws();
    await userEvent.click(screen.getByRole('button', { name: 'The first was wrong' }));
    expect(noted()).toMatchObject([{ kind: 'strike' }]);
  });
});

describe('a safety fault before it is run', () => {
  const fault = { entryId: 'f', words: 'chain catcher broken', told: false, refused: null };
  it('is put right, told, refused in writing, or knowingly passed with a word', async () => {
    const bench = fakeLog();
    draw(<SafetyStep fault={fault} log={bench.log} onClose={vi.fn()} />);
    expect(calls()).toEqual(['Put right']);
    await userEvent.type(screen.getByLabelText(/Refused in writing/), 'I do without. O.F.');
    await userEvent.click(screen.getByRole('button', { name: 'Refused' }));
    await userEvent.click(screen.getByRole('button', { name: 'Put right' }));
    expect(bench.noted()).toEqual([
      { kind: 'answered', body: { safety: 'refused', words: 'I do without. O.F.' } },
      { kind: 'answered', body: { safety: 'put-right' } },
    ]);
  });
});

describe('found while it is proved', () => {
  it('is done, and the proof goes on: there is nothing left for it to cure', async () => {
    const cured: Noted = { kind: 'repair', body: { cause: 'plug-failed', outcome: 'cured' } };
    const atBench = benchWith(complains('no-fire'), cured, 'smell stale');
    const bench = fakeLog();
    const { phase } = atBench;
    if (phase.kind !== 'stop' || phase.stop.why === 'try') throw new Error(phase.kind);
    draw(<StopStep stop={phase.stop} atBench={atBench} log={bench.log} onClose={vi.fn()} />);
    expect(screen.queryByRole('button', { name: 'Cured it' })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Done, go on proving' }));
    expect(bench.noted().map((n) => n.body)).toEqual([
      { settles: 'stale-fuel' },
      { cause: 'stale-fuel', outcome: 'untried' },
    ]);
  });
});

describe('put right, not tried', () => {
  it('asks once, and tells how each piece of work turned out: a kit is one, whatever it may have mended', async () => {
    const kit: Noted = {
      kind: 'repair',
      body: { cause: 'pump-diaphragm-stiff', remedy: 'carburettor-rebuild', outcome: 'untried' },
    };
    const atBench = benchWith(fades, 'vent blocked', 'cap recovers', untried, kit);
    const bench = fakeLog();
    const causes = ['tank-vent-blocked', 'pump-diaphragm-stiff', 'inlet-screen-clogged'] as const;
    draw(<TryStep atBench={atBench} causes={causes} log={bench.log} />);
    expect(screen.getByRole('heading', { level: 2 }).textContent).toBe('Does it still do it?');
    expect(screen.getByText('Fades under way')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Changed nothing' }));
    expect(bench.batches()).toEqual([
      [
        { kind: 'repair', body: { cause: 'tank-vent-blocked', outcome: 'no-change' } },
        {
          kind: 'repair',
          body: { cause: 'pump-diaphragm-stiff', remedy: 'carburettor-rebuild', outcome: 'no-change' },
        },
      ],
    ]);
  });
});

describe('found and left', () => {
  const draws = (...lines: readonly (string | Noted)[]) => {
    const { picture } = benchWith(fades, 'vent blocked', 'cap recovers', ...lines);
    const bench = fakeLog();
    const onClose = vi.fn();
    draw(<LeftStep causes={['tank-vent-blocked']} picture={picture} log={bench.log} onClose={onClose} />);
    return { ...bench, onClose };
  };
  const answered = (answer: 'told' | 'left'): Noted => ({
    kind: 'answered',
    body: { cause: 'tank-vent-blocked', answer, words: 'as it is' },
  });

  it('told waits for the answer; waiting, it is mended once that has come', async () => {
    const { noted } = draws(answered('told'));
    expect(calls()).toEqual(['Wait for the answer']);
    await userEvent.click(screen.getByRole('button', { name: 'Wait for the answer' }));
    expect(noted()).toMatchObject([{ body: { stage: 'answer', waitingFor: 'Mend tank vent blocked?' } }]);
    cleanup();
    draws(answered('told'), { kind: 'stage', body: { stage: 'answer', waitingFor: 'Mend it?' } });
    expect(calls()).toEqual(['Mend it']);
  });

  it('left closes', async () => {
    const { onClose } = draws(answered('left'));
    expect(calls()).toEqual(['Close it as it is']);
    await userEvent.click(screen.getByRole('button', { name: 'Close it as it is' }));
    expect(onClose).toHaveBeenCalledOnce();
  });
});

describe('the proof', () => {
  it('calls for one step at a time, the first that is left', async () => {
    const { picture } = benchWith(fades, cured);
    const bench = fakeLog();
    draw(<ProveStep jobId="j" picture={picture} log={bench.log} onClose={nothing} />);
    expect(calls()).toEqual(['Proved']);
    const [first] = picture.proof.filter((s) => !s.done);
    const row = screen.getByText(first!.label).closest('li')!;
    await userEvent.click(within(row).getByRole('button', { name: 'Proved' }));
    expect(bench.noted()).toEqual([
      { kind: 'finding', body: { check: 'full-speed', result: 'in-band', sureness: 'sure' } },
    ]);
  });

  it('takes a start that needs no counting in one tap', async () => {
    const { picture } = benchWith(fades, cured);
    const bench = fakeLog();
    draw(<ProveStep jobId="j" picture={picture} log={bench.log} onClose={nothing} />);
    const row = screen.getByRole('group', { name: /^Restarts warm/ });
    await userEvent.click(within(row).getByRole('button', { name: '2 pulls' }));
    expect(bench.noted()).toEqual([{ kind: 'start', body: { state: 'warm', pulls: 2, outcome: 'runs' } }]);
  });

  it('counts the showings of what comes and goes, says how sure they make it, and takes fewer where told to', async () => {
    const oneInThree: Noted = {
      kind: 'complaint',
      body: { complaint: 'hard-to-start', often: { failed: 1, of: 3 } },
    };
    const lead: Noted = { kind: 'repair', body: { cause: 'plug-lead-loose', outcome: 'cured' } };
    const warm = 'start warm 2';
    const { picture } = benchWith(oneInThree, lead, 'full 12400', 'throttle follows', warm, warm, warm);
    const bench = fakeLog();
    draw(<ProveStep jobId="j" picture={picture} log={bench.log} onClose={nothing} />);
    const row = screen.getByText(/^Restarts warm/).closest('li')!;
    expect(row.textContent).toContain('3 of 6');
    expect(row.textContent).toContain('Hard to start: 90 in 100 cured');
    await userEvent.click(within(row).getByRole('button', { name: 'That is enough' }));
    const [{ body }] = bench.noted() as [Extract<Noted, { kind: 'proved' }>];
    expect(body).toMatchObject({ enough: 'warm' });
    expect('sure' in body && body.sure).toBeCloseTo(0.9014, 3);
  });

  it('goes back to looking when it does it again, by what it was complained of', async () => {
    const { picture } = benchWith(fades, complains('cuts-dead'), cured);
    const bench = fakeLog();
    draw(<ProveStep jobId="j" picture={picture} log={bench.log} onClose={nothing} />);
    const again = screen.getByRole('group', { name: 'It did it again' });
    await userEvent.click(within(again).getByRole('button', { name: 'Cuts dead' }));
    expect(bench.noted()).toEqual([{ kind: 'complaint', body: { complaint: 'cuts-dead' } }]);
  });

  it('measures the compression of a new top end, and says how a night on its hook is made', () => {
    const leaks = complains('leaks-fuel');
    const piston: Noted = { kind: 'repair', body: { cause: 'piston-heat-scored', outcome: 'cured' } };
    const { picture } = benchWith(leaks, piston);
    draw(<ProveStep jobId="j" picture={picture} log={fakeLog().log} onClose={nothing} />);
    expect(screen.getByRole('link', { name: 'Measure it' }).getAttribute('href')).toBe(
      '/job/j?check=compression-gauge',
    );
    expect(screen.getByText(/^Hangs overnight/).closest('li')!.textContent).toContain('Proved');
  });

  it('times the minute of idling', async () => {
    const { picture } = benchWith(fades, cured, 'full 12400', 'throttle follows', 'idle 2750');
    const bench = fakeLog();
    vi.useFakeTimers({ shouldAdvanceTime: true });
    draw(<ProveStep jobId="j" picture={picture} log={bench.log} onClose={nothing} />);
    const row = screen.getByText('Idle holds a minute').closest('li')!;
    await userEvent.click(within(row).getByRole('button', { name: 'Time it' }));
    expect(within(row).queryByRole('button', { name: 'Proved' })).toBeNull();
    await vi.advanceTimersByTimeAsync(61_000);
    await userEvent.click(within(row).getByRole('button', { name: 'Proved' }));
    expect(bench.noted()).toEqual([{ kind: 'proved', body: { step: 'idle-minute' } }]);
    vi.useRealTimers();
  });
});

describe('closing', () => {
  it('names what is open and wants a reason for it', async () => {
    const bench = fakeLog();
    draw(<CloseStep atBench={benchWith(fades, 'vent blocked')} log={bench.log} />);
    const close = screen.getByRole('button', { name: 'Close the job' });
    expect(screen.getByText('Found, and nothing done about it: Tank vent blocked.')).toBeTruthy();
    expect(close).toHaveProperty('disabled', true);
    await userEvent.type(screen.getByLabelText(/Why it leaves like this/), '  sold for parts ');
    await userEvent.click(close);
    expect(bench.noted()).toEqual([{ kind: 'stage', body: { stage: 'closed', reason: 'sold for parts' } }]);
  });
});
