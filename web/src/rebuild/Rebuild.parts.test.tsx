import type { Carburettor } from '@rusty-wren/core/knowledge';
import type { Noted } from '@rusty-wren/core/log';
import { guideOf, rebuildOf } from '@rusty-wren/core/rebuild';
import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { PutBackFirst } from '../bench/steps/PutBackFirst';
import { benchWith, complains, draw } from '../testing/bench';
import { fakeLog } from '../testing/log';
import { Exploded } from './Exploded';
import { FamilyPick } from './FamilyPick';
import { GuideStepNow } from './GuideStepNow';
import { LayerStep } from './LayerStep';
import { LinesOn, TagLines } from './LinesStep';
import { Together } from './Together';
import { TrayBoard } from '../tray/TrayBoard';

const PLAIN: Carburettor = { throat: 'butterfly', bulb: 'none' };
const is = (body: Carburettor): Noted => ({ kind: 'carburettor', body });
const tick = (step: 'off-enough' | 'scribed'): Noted => ({ kind: 'rebuild-step', body: { step } });
const renew = (answer: 'kit' | 'failed'): Noted => ({
  kind: 'rebuild-step',
  body: { step: 'renew', answer },
});
const opened = (...more: (string | Noted)[]) =>
  benchWith(complains('no-fire'), is(PLAIN), 'off carb', 'off metering cover', ...more);
const click = (name: string | RegExp) => userEvent.click(screen.getByRole('button', { name }));

beforeEach(() => vi.stubGlobal('fetch', () => new Promise(() => undefined)));
afterEach(cleanup);

describe('which carburettor', () => {
  it('is said in two taps, and never by one', async () => {
    const picked = vi.fn();
    draw(<FamilyPick known={null} onPicked={picked} />);
    await click(/A barrel/);
    expect(picked).not.toHaveBeenCalled();
    await click(/Bulb apart/);
    expect(picked.mock.calls).toEqual([[{ throat: 'barrel', bulb: 'remote' }]]);
  });

  it('is corrected by its features, or made at the bench', async () => {
    const picked = vi.fn();
    draw(<FamilyPick known={PLAIN} onPicked={picked} />);
    await userEvent.click(screen.getByRole('radio', { name: 'One screw' }));
    await userEvent.click(
      within(screen.getByRole('radiogroup', { name: 'Accelerator piston' })).getByRole('radio', {
        name: 'Yes',
      }),
    );
    await click(/A plate/);
    await click('Built like none of these');
    expect(picked.mock.calls.map(([c]) => c as Carburettor)).toEqual([
      { ...PLAIN, screws: 'one' },
      { ...PLAIN, piston: true },
      { ...PLAIN, own: { pump: [], metering: [] } },
    ]);
  });
});

describe('a layer in hand', () => {
  const draws = (id: string, atBench = opened(), uncounted = false) => {
    const bench = fakeLog();
    const rebuild = rebuildOf(atBench.picture);
    const [onCount, onDone] = [vi.fn(), vi.fn()];
    draw(
      <LayerStep
        layer={rebuild.layers.find((l) => l.id === id)!}
        rebuild={rebuild}
        picture={atBench.picture}
        eyebrow="In hand"
        log={bench.log}
        uncounted={uncounted}
        baselineTurns={1}
        onCount={onCount}
        onDone={onDone}
      />,
    );
    return { ...bench, onCount, onDone };
  };

  it('comes off with how it was found, in one tap', async () => {
    const { noted, onDone } = draws('metering-diaphragm');
    await click('stiff');
    expect(noted()).toEqual([{ kind: 'took-off', body: { layer: 'metering-diaphragm', condition: 'hard' } }]);
    expect(onDone).toHaveBeenCalled();
  });

  it('says what it usually lies under', () => {
    draws('inlet-needle');
    expect(screen.getByText(/^Usually under metering diaphragm, metering gasket, pin screw/)).toBeTruthy();
  });

  it('a screw is counted first, or its count is said to be lost', async () => {
    const { noted, onCount } = draws('low-screw', opened(), true);
    expect(screen.queryByRole('button', { name: 'sound' })).toBeNull();
    await click('Count it now');
    expect(onCount).toHaveBeenCalled();
    await click('Its count is lost');
    await click('sound');
    expect(noted()).toEqual([
      { kind: 'took-off', body: { layer: 'low-screw', condition: 'sound', uncounted: true } },
    ]);
  });

  it('a screw with its count lost goes back to the baseline, with the warning', async () => {
    const { noted } = draws('low-screw', opened('off L screw count lost'));
    expect(screen.getByText(/Its count is lost: seat it lightly, then out 1/)).toBeTruthy();
    await click('On');
    expect(noted()).toEqual([{ kind: 'put-back', body: { layer: 'low-screw', turns: 1 } }]);
  });

  it('a screen that stays in is only looked at', async () => {
    const { noted } = draws('inlet-screen');
    await click('gummed');
    expect(noted()).toEqual([{ kind: 'condition', body: { layer: 'inlet-screen', condition: 'gummed' } }]);
  });

  it('what failed is renewed unless somebody says otherwise', async () => {
    const stiff = opened('off metering diaphragm stiff');
    const first = draws('metering-diaphragm', stiff);
    expect(screen.getByRole('heading', { name: 'A new metering diaphragm on' })).toBeTruthy();
    await click('The new one is on');
    expect(first.noted()).toEqual([
      { kind: 'put-back', body: { layer: 'metering-diaphragm', renewed: true } },
    ]);
    cleanup();
    const second = draws('metering-diaphragm', stiff);
    await click('The old one, all the same');
    expect(second.noted()).toEqual([{ kind: 'put-back', body: { layer: 'metering-diaphragm' } }]);
  });

  it('is thrown away, or left off with a word why', async () => {
    const { noted } = draws('metering-gasket', opened('off metering gasket sound'));
    await click('Throw the old one away');
    await click('Left off, because…');
    await userEvent.type(screen.getByLabelText('Why metering gasket stays off'), 'none on this one');
    await click('Left off');
    expect(noted()).toEqual([
      { kind: 'thrown-away', body: { layer: 'metering-gasket' } },
      { kind: 'left-off', body: { layer: 'metering-gasket', words: 'none on this one' } },
    ]);
  });
});

describe('the drawing', () => {
  it('shows what is off, missing and asked for, and a tap picks', async () => {
    const picked = vi.fn();
    const { picture } = opened('off metering diaphragm stiff', 'off inlet screen missing');
    draw(<Exploded rebuild={rebuildOf(picture)} carburettor={PLAIN} now="metering-gasket" onPick={picked} />);
    expect(screen.getByRole('button', { name: /Metering diaphragm off, stiff/ })).toBeTruthy();
    expect(screen.getByRole('button', { name: /Inlet screen missing/ })).toBeTruthy();
    const now = screen.getByRole('button', { name: 'Metering gasket' });
    expect(now.getAttribute('aria-current')).toBe('step');
    await userEvent.click(now);
    expect(picked).toHaveBeenCalledWith('metering-gasket');
  });
});

describe('a step of the guide', () => {
  const draws = (...more: (string | Noted)[]) => {
    const bench = fakeLog();
    const atBench = opened(...more);
    const rebuild = rebuildOf(atBench.picture);
    const guide = guideOf(atBench.picture, rebuild);
    draw(
      <GuideStepNow
        step={guide.now!}
        guide={guide}
        rebuild={rebuild}
        atBench={atBench}
        log={bench.log}
        eyebrow=""
      />,
    );
    return bench;
  };

  it('another order than usual is asked about once, with both ways', async () => {
    const { noted } = draws(
      'off metering gasket sound',
      'off metering diaphragm sound',
      tick('off-enough'),
      'passages clear',
      renew('failed'),
    );
    expect(screen.getByText(/the metering gasket lay over the metering diaphragm/)).toBeTruthy();
    await click('As it came off');
    await click('The usual way');
    expect(noted().map((n) => n.body)).toEqual([
      { step: 'order', answer: 'as-came-off' },
      { step: 'order', answer: 'as-usual' },
    ]);
  });

  it('the schools stand side by side, the one to take first, with its reason', async () => {
    const { noted } = draws('off metering diaphragm stiff', tick('off-enough'), 'passages clear');
    const choices = screen.getAllByRole('listitem');
    expect(choices).toHaveLength(3);
    const says = choices.map((c) => c.textContent);
    expect(says.find((t) => t?.startsWith('Only what failed'))).toMatch(/Metering diaphragm\./);
    // Nobody has looked at the rest of it: the kit mends what else it may be, for little more.
    expect(says[0]).toMatch(/The whole kit.*Because: 1 renewed/);
    await userEvent.click(within(choices[1]!).getByRole('button'));
    expect(noted()).toMatchObject([{ body: { step: 'renew' } }]);
  });

  it('a carburettor like none the trade names is remembered by what came off it', async () => {
    const bench = fakeLog();
    const own = { ...PLAIN, own: { pump: [], metering: [] } };
    const atBench = benchWith(
      complains('no-fire'),
      is(own),
      'off carb',
      tick('scribed'),
      'off metering cover',
      'off metering diaphragm sound',
    );
    const rebuild = rebuildOf(atBench.picture);
    const guide = guideOf(atBench.picture, rebuild);
    const step = guide.steps.find((s) => s.id === 'off-enough')!;
    draw(
      <GuideStepNow
        step={step}
        guide={guide}
        rebuild={rebuild}
        atBench={atBench}
        log={bench.log}
        eyebrow=""
      />,
    );
    await click('Far enough');
    expect(bench.noted()[0]).toEqual({
      kind: 'carburettor',
      body: { ...PLAIN, own: { pump: [], metering: ['metering-diaphragm', 'metering-cover'] } },
    });
  });
});

describe('together', () => {
  it('says what lies over from the kit, and notes the repair once', async () => {
    const bench = fakeLog();
    const atBench = opened(
      'off metering diaphragm stiff',
      tick('off-enough'),
      renew('kit'),
      {
        kind: 'put-back',
        body: { layer: 'metering-diaphragm', renewed: true },
      },
      'on metering cover',
      'on carb',
    );
    draw(<Together rebuild={rebuildOf(atBench.picture)} atBench={atBench} log={bench.log} />);
    expect(
      screen.getByText(/Left over from the kit, and that is right: .*inlet needle.*3 parts for variants/),
    ).toBeTruthy();
    await click('Note the repair, to be tried');
    expect(bench.noted()).toMatchObject([
      {
        kind: 'repair',
        body: { cause: 'metering-diaphragm-stiff', remedy: 'carburettor-rebuild', outcome: 'untried' },
      },
    ]);
  });
});

describe('the tray', () => {
  it('counts everything, shows thirty things in the order they came off, and lets each go its way', async () => {
    const bench = fakeLog();
    const things = Array.from(
      { length: 30 },
      (_, n) => `off ${n + 2} screws of kind ${'abcdefghijklmnopqrstuvwxyzäöüß'[n]}, place ${n}`,
    );
    const { picture } = benchWith(complains('no-fire'), ...things);
    draw(<TrayBoard picture={picture} jobId="job" log={bench.log} />);
    expect(screen.getByLabelText('Things on the tray').textContent).toBe('30');
    const items = screen.getAllByRole('listitem');
    expect(items[0]!.textContent).toContain('2 of them, place 0');
    await userEvent.click(within(items[2]!).getByRole('button'));
    await click('Thrown away');
    expect(bench.noted()).toEqual([{ kind: 'thrown-away', body: { thing: 'screws of kind c' } }]);
  });

  it('is passed before a start only knowingly, and never without a part the engine needs', async () => {
    const bench = fakeLog();
    const washer = { entryId: '1', name: 'bent washer' };
    draw(<PutBackFirst off={[washer]} log={bench.log} />);
    await userEvent.type(screen.getByLabelText('Start it all the same, because'), 'of another machine');
    await click('All the same');
    expect(bench.noted()).toEqual([{ kind: 'tray-passed', body: { words: 'of another machine' } }]);
    cleanup();
    draw(
      <PutBackFirst
        off={[washer, { entryId: '2', part: 'carburettor', name: 'Carburettor' }]}
        log={bench.log}
      />,
    );
    expect(screen.queryByLabelText('Start it all the same, because')).toBeNull();
  });
});

describe('the lines', () => {
  it('are tagged by both ends, and say at once where supply and return are crossed', async () => {
    const bench = fakeLog();
    const { picture } = benchWith(complains('no-fire'), {
      kind: 'line',
      body: { tag: 'blue', ends: ['tank-filter', 'return-stub'] },
    });
    draw(<TagLines jobId="job" lines={picture.lines} log={bench.log} onDone={vi.fn()} />);
    expect(screen.getByText('Supply and return are crossed as they came.')).toBeTruthy();
    const tagIt = screen.getByRole<HTMLButtonElement>('button', { name: 'Tag it' });
    await userEvent.type(screen.getByLabelText('Its tag'), 'clear, 120 mm');
    await click('tank, no filter');
    expect(tagIt.disabled).toBe(true);
    await click('return stub');
    await click('Fuel comes out of it at one press');
    await userEvent.click(tagIt);
    expect(bench.noted()).toEqual([
      { kind: 'line', body: { tag: 'clear, 120 mm', ends: ['tank', 'return-stub'], returns: true } },
    ]);
  });

  it('go on as they were in one tap; somewhere else is said in red', async () => {
    const bench = fakeLog();
    const { picture } = benchWith(
      complains('no-fire'),
      { kind: 'line', body: { tag: 'clear', ends: ['tank-filter', 'supply-stub'] } },
      { kind: 'line', body: { tag: 'clear', ends: ['tank-filter', 'bulb-in'], on: true } },
    );
    draw(<LinesOn lines={picture.lines} log={bench.log} />);
    expect(screen.getByRole('alert').textContent).toContain('it was not there');
    await click('As it was');
    expect(bench.noted()).toEqual([
      { kind: 'line', body: { tag: 'clear', ends: ['tank-filter', 'supply-stub'], on: true } },
    ]);
  });
});
