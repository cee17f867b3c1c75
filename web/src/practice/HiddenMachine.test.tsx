import {
  codeOf,
  hiddenOf,
  readyFor,
  workedBy,
  type Exercise,
  type Move,
  type ReadyId,
} from '@rusty-wren/core/practice';
import { checkOf, type CheckId } from '@rusty-wren/core/knowledge';
import { act, cleanup, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { Toaster } from 'sonner';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { gaugeSet } from '../app/settings';
import { draw } from '../testing/bench';
import { fakeServer } from '../testing/server';
import { HiddenMachine } from './HiddenMachine';
import { Practice } from './Practice';

/** The teacher here, in the same thread. */
vi.mock('./useReview', async () => {
  const { hiddenOf, reviewOf, workedBy } = await import('@rusty-wren/core/practice');
  const { useMemo } = await import('react');
  return {
    useReview: (exercise: Exercise, moves: readonly Move[]) =>
      useMemo(() => {
        const hidden = hiddenOf(exercise);
        const walk = reviewOf(hidden, workedBy(hidden, moves));
        for (;;) {
          const step = walk.next();
          if (step.done) return { review: step.value, share: 1, failed: false };
        }
      }, [exercise, moves]),
  };
});

const CLOGGED: Exercise = { theme: 'fuel-filter-clogged', level: 1, group: 'saw', number: 3 };

const open = (at: string) =>
  draw(
    <Routes>
      <Route path="/practice" element={<Practice />} />
      <Route path="/practice/machine/:code" element={<HiddenMachine />} />
    </Routes>,
    { at },
  );
const bench = (exercise: Exercise) => open(`/practice/machine/${codeOf(exercise)}`);
const shownBy = (exercise: Exercise, ...moves: Move[]) => workedBy(hiddenOf(exercise), moves);
const clock = () => screen.getByLabelText('Bench time so far').textContent;

async function look(check: CheckId, ...but: ReadyId[]): Promise<void> {
  const { name } = checkOf(check);
  await userEvent.type(screen.getByLabelText('Find a check'), name);
  await userEvent.click(screen.getAllByRole('button', { name: new RegExp(`^${name}`) })[0]!);
  for (const { name } of readyFor(check).filter((r) => !but.includes(r.id)))
    await userEvent.click(screen.getByRole('button', { name }));
  await userEvent.click(screen.getByRole('button', { name: 'Do it' }));
}

beforeEach(() => {
  localStorage.clear();
  vi.stubGlobal('scrollTo', () => undefined);
  fakeServer({});
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('a hidden machine on the bench', () => {
  it('is marked as practice, tells what its owner says, and gives nothing away', () => {
    bench(CLOGGED);
    const { says, model } = hiddenOf(CLOGGED);
    expect(screen.getByText(/Practice\./)).toBeTruthy();
    expect(screen.getByRole('heading', { level: 1 }).textContent).toContain(model);
    expect(screen.getByText(new RegExp(says[0]!.slice(0, 12)))).toBeTruthy();
    expect(document.body.textContent).not.toMatch(/\d\s%/);
    expect(location.href + codeOf(CLOGGED)).not.toContain('clogged');
  });

  it('costs its minutes when it is looked at, shows it drawn and says it in words on demand', async () => {
    bench(CLOGGED);
    await look('fuel-filter-look');
    const { minutes, inHand } = shownBy(CLOGGED, { do: 'look', check: 'fuel-filter-look' });
    expect(clock()).toBe(`0:${String(Math.round(minutes)).padStart(2, '0')}`);
    expect(screen.getByRole('img', { name: inHand!.words! })).toBeTruthy();
    expect(screen.queryByText(inHand!.words!)).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'In words' }));
    expect(screen.getByText(inHand!.words!)).toBeTruthy();
  });

  it('takes down what the trainee makes of it, and goes on where it was left after a reload', async () => {
    bench(CLOGGED);
    await look('fuel-filter-look');
    await userEvent.click(within(screen.getByRole('group', { name: 'Result' })).getByText('clogged'));
    const soFar = screen.getByRole('region', { name: 'Evidence so far' });
    expect(soFar.textContent).toContain('Look at the fuel filter: clogged');
    cleanup();
    bench(CLOGGED);
    expect(screen.getByRole('region', { name: 'Evidence so far' }).textContent).toContain('clogged');
  });

  it('takes a slip back, by its button or its key, and shows again what was to be read', async () => {
    bench(CLOGGED);
    await look('fuel-filter-look');
    const results = () => within(screen.getByRole('group', { name: 'Result' }));
    const soFar = () => screen.getByRole('region', { name: 'Evidence so far' }).textContent;
    const spent = clock();
    await userEvent.click(results().getByText('clean'));
    expect(soFar()).toContain('Look at the fuel filter: clean');
    await userEvent.click(screen.getByRole('button', { name: 'Take back: Look at the fuel filter' }));
    expect(soFar()).not.toContain('clean');
    expect(screen.queryByRole('button', { name: /^Take back/ })).toBeNull();
    await userEvent.click(results().getByText('off the line'));
    (document.activeElement as HTMLElement).blur();
    await userEvent.keyboard('z');
    await userEvent.keyboard('z');
    await userEvent.click(results().getByText('clogged'));
    expect(soFar()).toContain('Look at the fuel filter: clogged');
    expect(soFar()).not.toContain('off the line');
    expect(clock()).toBe(spent);
  });

  it('says how a repair turned out, and what it does not let in', async () => {
    bench(CLOGGED);
    await userEvent.click(screen.getByRole('button', { name: 'Mend' }));
    await userEvent.type(screen.getByLabelText('What to mend'), 'fuel filter clogged');
    await userEvent.click(screen.getByRole('button', { name: /^Fuel filter clogged/ }));
    expect(screen.getByRole('heading', { name: /That was it/ })).toBeTruthy();
    const line = screen.getByLabelText('Bench line');
    await userEvent.type(line, 'plug wet{Enter}');
    expect(screen.getByRole('region', { name: 'Evidence so far' }).textContent).not.toContain('wet');
    await userEvent.clear(line);
    await userEvent.type(line, 'off recoil{Enter}');
    expect(screen.getByRole('button', { name: 'Put back: Recoil starter' })).toBeTruthy();
  });

  it('has the teacher say what it would look at and why, when asked', async () => {
    bench(CLOGGED);
    await userEvent.keyboard('e');
    const teacher = screen.getByRole('region', { name: 'The teacher' });
    expect(teacher.textContent).toMatch(/min/);
    expect(within(teacher).getByRole('list', { name: 'Suspects' }).textContent).toMatch(/%/);
    expect(screen.getByText('Asked the teacher')).toBeTruthy();
  });

  it('pumps by strokes, and says what happens beyond what it bears', async () => {
    bench(CLOGGED);
    await userEvent.type(screen.getByLabelText('Find a check'), 'Pressure-test the line');
    await userEvent.click(screen.getByRole('button', { name: /^Pressure-test the line/ }));
    const go = screen.getByRole('button', { name: 'Do it' });
    expect(go).toHaveProperty('disabled', true);
    for (let n = 0; n < 15; n++) await userEvent.click(screen.getByRole('button', { name: 'One stroke' }));
    await userEvent.click(go);
    expect(screen.getByRole('heading', { name: 'Stop.' })).toBeTruthy();
    expect(screen.getByText(/never beyond/)).toBeTruthy();
  });

  it('ends where something was not made ready that hurts somebody, and says so', async () => {
    bench(CLOGGED);
    await look('spark-tester', 'fuel-away');
    expect(screen.getByRole('heading', { name: 'Stop.' })).toBeTruthy();
    expect(screen.getByText(/open can stood beside the spark/)).toBeTruthy();
  });

  it('makes ready by one key, thing by thing, and takes a thing back by a tap', async () => {
    bench(CLOGGED);
    await userEvent.type(screen.getByLabelText('Find a check'), 'Measure compression{Enter}');
    const made = () =>
      within(screen.getByRole('group', { name: 'Made ready' }))
        .getAllByRole('button')
        .map((b) => b.getAttribute('aria-pressed'));
    expect(made()).toEqual(['false', 'false']);
    (document.activeElement as HTMLElement).blur();
    await userEvent.keyboard('x');
    expect(made()).toEqual(['true', 'false']);
    await userEvent.keyboard('x');
    expect(made()).toEqual(['true', 'true']);
    await userEvent.click(screen.getByRole('button', { name: 'Lead earthed' }));
    expect(made()).toEqual(['false', 'true']);
  });

  it('afterwards says what was measured in a way that misleads', async () => {
    bench(CLOGGED);
    await look('spark-tester', 'room-dim');
    await userEvent.click(within(screen.getByRole('group', { name: 'Result' })).getByText('strong'));
    await userEvent.click(screen.getByRole('button', { name: 'Hand back' }));
    const says = screen.getByRole('list', { name: 'What the teacher says' }).textContent;
    expect(says).toContain('Look at the spark, in bright light: a faint spark is not seen in it.');
  }, 30_000);

  it('afterwards says what it was, the minutes beside the plan’s, and what was believed too soon', async () => {
    bench(CLOGGED);
    await look('plug-lead-look');
    await userEvent.click(within(screen.getByRole('group', { name: 'Result' })).getByText('tight'));
    for (const name of ['Coil failed', 'Fuel filter clogged']) {
      await userEvent.click(screen.getByRole('button', { name: 'Mend' }));
      await userEvent.type(screen.getByLabelText('What to mend'), name);
      await userEvent.click(within(screen.getByRole('dialog')).getAllByRole('button', { name: /min$/ })[0]!);
    }
    await userEvent.click(screen.getByRole('button', { name: 'Hand back' }));
    expect(screen.getByRole('heading', { name: /^Cured in \d+ minutes$/ })).toBeTruthy();
    expect(screen.getByRole('region', { name: 'How it went' }).textContent).toContain('fuel filter clogged');
    const minutes = within(screen.getByRole('list', { name: 'Minutes' })).getAllByRole('listitem');
    expect(minutes.map((row) => row.textContent)).toHaveLength(5);
    expect(minutes[0]?.textContent).toMatch(/^You\d+ min$/);
    expect(within(minutes[1]!).getByText(/look at the fuel filter/)).toBeTruthy();
    const says = screen.getByRole('list', { name: 'What the teacher says' }).textContent;
    expect(says).toContain('Believed too soon');
    expect(says).toContain('untried after the last repair');
    expect(screen.getByRole('region', { name: 'The path' }).textContent).toContain('The plan:');
    // It is counted once, however often it is looked at again.
    const kept = (): { done: unknown[] } =>
      JSON.parse(localStorage.getItem(localStorage.key(0)!) ?? '{}') as { done: unknown[] };
    expect(kept().done).toHaveLength(1);
    cleanup();
    bench(CLOGGED);
    expect(kept().done).toHaveLength(1);
    await userEvent.click(screen.getByRole('button', { name: 'The same again' }));
    expect(clock()).toBe('0:00');
  }, 30_000);

  it('refuses an address that is no exercise, with the reason', () => {
    open('/practice/machine/fuel-7-saw-1');
    expect(screen.getByText(/has no level from 1 to 4/)).toBeTruthy();
    expect(screen.getByRole('link', { name: 'To the practice bench' })).toBeTruthy();
  });
});

describe('an exercise as a file', () => {
  it('goes out by its name and comes in again as it ended; a broken one is refused with the reason', async () => {
    const kept: { name: string; text: Promise<string> }[] = [];
    vi.spyOn(URL, 'createObjectURL').mockImplementation((blob) => {
      kept.push({ name: '', text: (blob as Blob).text() });
      return 'blob:kept';
    });
    vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
      kept.at(-1)!.name = this.download;
    });
    bench(CLOGGED);
    await userEvent.click(screen.getByRole('button', { name: 'Hand back' }));
    expect(screen.getByRole('heading', { name: 'It went back as it came' })).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Save it as a file' }));
    vi.restoreAllMocks();
    expect(kept.map(({ name }) => name)).toEqual([`practice-${codeOf(CLOGGED)}.json`]);
    const text = await kept[0]!.text;
    // On the device it is begun anew, and the file shows it as it was.
    await userEvent.click(screen.getByRole('button', { name: 'The same again' }));
    expect(clock()).toBe('0:00');
    cleanup();
    open('/practice');
    render(<Toaster />);
    const field = document.querySelector<HTMLInputElement>('input[type=file]')!;
    await userEvent.upload(field, new File(['{"format":"x"}'], 'x.json', { type: 'application/json' }));
    expect(await screen.findByText(/^The file is not an exercise/)).toBeTruthy();
    await userEvent.upload(field, new File([text], kept[0]!.name, { type: 'application/json' }));
    expect(await screen.findByRole('heading', { name: 'It went back as it came' })).toBeTruthy();
  });
});

describe('the practice bench', () => {
  it('hangs one up as it was asked for', async () => {
    open('/practice');
    await userEvent.click(screen.getByRole('radio', { name: 'Spark' }));
    await userEvent.click(screen.getByRole('radio', { name: 'Blowers' }));
    await userEvent.click(screen.getByRole('button', { name: 'Hang one up' }));
    expect(screen.getByRole('link', { name: /^spark-1-blower-\d+$/ })).toBeTruthy();
  });

  it('opens one by its number, and says why not where it is none', async () => {
    open('/practice');
    await userEvent.type(screen.getByLabelText('Number of an exercise'), 'fuel-2-saw-4711{Enter}');
    expect(screen.getByRole('link', { name: 'fuel-2-saw-4711' })).toBeTruthy();
  });

  it('keeps what is on the bench, and sets the trap of the week', () => {
    localStorage.setItem(
      'rusty-wren-practice 5e0c1f7a-8f1b-4a53-9a53-0d6f0c7c1a02',
      JSON.stringify({ going: { 'fuel-1-saw-9': { from: 1, moves: [{ do: 'ask' }] } } }),
    );
    open('/practice');
    const going = screen.getByRole('region', { name: 'On the bench' });
    expect(within(going).getByRole('link').getAttribute('href')).toBe('/practice/machine/fuel-1-saw-9');
    const trap = screen.getByRole('region', { name: 'The trap of the week' });
    expect(within(trap).getByRole('link').getAttribute('href')).toMatch(
      /^\/practice\/machine\/trap-4-any-\d+$/,
    );
  });
});

describe('a reading', () => {
  const WORN: Exercise = { theme: 'piston-dirt-worn', level: 1, group: 'saw', number: 2 };

  it('is typed as the needle shows it, and judged by the practice gauge, whatever this device’s is', async () => {
    const store = bench(WORN);
    act(() => void store.dispatch(gaugeSet({ altitudeM: 3000, hoseMl: 30, floorPsi: 140 })));
    await look('compression-gauge');
    const { inHand } = shownBy(WORN, { do: 'look', check: 'compression-gauge' });
    const psi = inHand!.reading!.psi!;
    for (let n = 0; n < psi.length; n++) await userEvent.click(screen.getByRole('button', { name: 'Pull' }));
    expect(screen.getByText(`pull ${psi.length}`)).toBeTruthy();
    await userEvent.type(screen.getByLabelText('Gauge after each pull, psi'), psi.join(' '));
    await userEvent.click(screen.getByRole('button', { name: /^Log it/ }));
    const label = checkOf('compression-gauge').results.find((r) => r.id === inHand!.result)!.label;
    expect(screen.getByRole('region', { name: 'Evidence so far' }).textContent).toContain(
      `Measure compression: ${label}`,
    );
  });
});
