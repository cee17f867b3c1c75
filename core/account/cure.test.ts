import { describe, expect, it } from 'vitest';
import type { CauseId, CheckId, ComplaintId, HowOften, PartId } from '../knowledge';
import { caseOf, makeEntry, readJob, unnumbered, type Entry, type Noted } from '../log';
import type { MachineFacts } from '../machine';
import { cureOf, type Cure } from '.';

const T0 = Date.parse('2026-05-04T09:00:00.000Z');
const SAW = { kind: 'chainsaw', displacementCc: 45 } as const;
const TRIMMER = { kind: 'trimmer', displacementCc: 25 } as const;

/** A line of the log, and how many minutes after the one before it; a minute where nothing is said. */
type Line = Noted | { wait: number };
const logOf = (lines: readonly Line[]): Entry[] => {
  let at = T0;
  return lines.flatMap((line, n) => {
    at += ('wait' in line ? line.wait : 1) * 60_000;
    if ('wait' in line) return [];
    return [unnumbered(makeEntry(line, { id: `e${n}`, notedAt: new Date(at).toISOString() }))];
  });
};
const cureIn = (machine: MachineFacts, ...lines: readonly Line[]): Cure => {
  const picture = readJob(logOf(lines), machine);
  const cure = cureOf(picture, caseOf(picture));
  expect(cure, 'it is cured').not.toBeNull();
  return cure!;
};

const says = (complaint: ComplaintId, often?: HowOften): Noted => ({
  kind: 'complaint',
  body: { complaint, ...(often && { often }) },
});
const find = (check: CheckId, result: string): Noted => ({
  kind: 'finding',
  body: { check, result, sureness: 'sure' },
});
const gap = (...mm: number[]): Noted => ({
  kind: 'finding',
  body: { check: 'coil-gap', reading: { mm }, sureness: 'sure' },
});
const off = (part: PartId): Noted => ({ kind: 'took-off', body: { part } });
const on = (part: PartId): Noted => ({ kind: 'put-back', body: { part } });
const did = (cause: CauseId): Noted => ({ kind: 'repair', body: { cause, outcome: 'untried' } });
const cured = (cause: CauseId): Noted => ({ kind: 'repair', body: { cause, outcome: 'cured' } });
const kit = (cause: CauseId, outcome: 'untried' | 'cured'): Noted => ({
  kind: 'repair',
  body: { cause, remedy: 'carburettor-rebuild', outcome },
});
const start = (outcome: 'runs' | 'nothing', pulls: number, drill?: string): Noted => ({
  kind: 'start',
  body: { state: 'warm', pulls, outcome, ...(drill && { drill }) },
});
const swapped = (of: string, again: boolean): Noted => ({
  kind: 'swapped-back',
  body: { of, what: 'Old plug back in', again },
});
const share = (cure: Cure, says: RegExp): number =>
  cure.shares.find((s) => says.test(s.change.says))?.share ?? 0;

// Bench talk, written down before there was anything to hold it against.
describe('whose cure it was', () => {
  it('one thing done, and it runs: that was it', () => {
    const cure = cureIn(SAW, says('no-fire'), find('plug-look', 'damaged'), cured('plug-failed'));
    expect(cure.named?.change.says).toBe('Fit a new plug');
    expect(cure.maybe).toEqual([]);
    expect(cure.swap).toBeNull();
  });

  it('a gap of 0.9 set, and the wet plug dried on the way: the gap, the plug was wet from it', () => {
    const cure = cureIn(
      SAW,
      says('no-fire'),
      off('plug'),
      find('plug-look', 'wet-fuel'),
      find('spark-tester', 'weak'),
      off('recoil'),
      gap(0.9, 0.9),
      on('plug'),
      on('recoil'),
      cured('coil-gap-wide'),
    );
    expect(cure.named?.change.says).toMatch(/legs by strip/);
    expect(share(cure, /Plug out/)).toBeLessThan(0.3);
  });

  it('fuel, plug and coil gap in one go, the fuel sour and the plug black: the last button is the least of it', () => {
    const cure = cureIn(
      TRIMMER,
      says('hard-to-start'),
      find('fuel-smell', 'stale'),
      off('plug'),
      find('plug-look', 'black-oily'),
      did('stale-fuel'),
      did('plug-fouled'),
      on('plug'),
      gap(0.3, 0.3),
      cured('coil-gap-wide'),
    );
    expect(cure.named).toBeNull();
    expect(share(cure, /legs by strip/)).toBeLessThan(0.1);
    expect(cure.maybe.map((m) => m.causes[0]?.cause).toSorted()).toEqual(['plug-fouled', 'stale-fuel']);
  });

  it('flooded, plug dripping; plug out over lunch, then a new coil on a guess: who says it was the coil?', () => {
    const cure = cureIn(
      SAW,
      says('no-fire'),
      says('flooded'),
      off('plug'),
      find('plug-look', 'wet-fuel'),
      { wait: 90 },
      on('plug'),
      cured('coil-failed'),
    );
    expect(share(cure, /coil/)).toBeLessThan(0.3);
    expect(share(cure, /Plug out/) + share(cure, /Stood/)).toBeGreaterThan(0.4);
  });

  it('one start in three fails; a lead pushed home and one good start: it may simply not have shown', () => {
    const cure = cureIn(SAW, says('hard-to-start', { failed: 1, of: 3 }), cured('plug-lead-loose'));
    const every = cureIn(
      SAW,
      says('hard-to-start', { said: 'every-time' }),
      find('plug-lead-look', 'loose-or-cracked'),
      cured('plug-lead-loose'),
    );
    expect(cure.hidden).toBeGreaterThan(0.25);
    expect(every.hidden).toBeLessThan(0.1);
  });

  it('more clean showings, less that is hidden', () => {
    const lines = [
      says('hard-to-start', { failed: 1, of: 3 }),
      find('plug-lead-look', 'loose-or-cracked'),
      cured('plug-lead-loose'),
    ];
    const hidden = [0, 2, 5, 9].map(
      (n) => cureIn(SAW, ...lines, ...Array.from({ length: n }, () => start('runs', 2))).hidden,
    );
    expect(hidden).toEqual(hidden.toSorted((x, y) => y - x));
    expect(hidden[0]).toBeGreaterThan(2 * hidden[3]!);
  });

  it('ten pulls and nothing, then the owner’s drill changed, and it ran before anything was repaired: the drill', () => {
    const cure = cureIn(
      TRIMMER,
      says('hard-to-start'),
      start('nothing', 12),
      start('runs', 3, 'no choke when warm'),
      cured('starting-drill-wrong'),
    );
    expect(cure.shares[0]?.causes.map((c) => c.cause)).toContain('starting-drill-wrong');
  });

  it('what was done before it failed once more was not it', () => {
    const cure = cureIn(
      SAW,
      says('no-fire'),
      { kind: 'repair', body: { cause: 'stale-fuel', outcome: 'no-change' } },
      cured('plug-failed'),
    );
    expect(cure.shares.map((s) => s.change.says)).toEqual(['Fit a new plug']);
  });

  it('ran on fresh fuel at the trial, then drained for good: one thing, the fuel', () => {
    const cure = cureIn(
      SAW,
      says('no-fire'),
      find('fuel-smell', 'stale'),
      find('fresh-fuel-trial', 'cured'),
      cured('stale-fuel'),
    );
    expect(cure.named?.causes[0]?.cause).toBe('stale-fuel');
    expect(cure.shares).toHaveLength(1);
  });

  it('a fault in his own words takes its credit too', () => {
    const cure = cureIn(SAW, says('rattle-or-scrape'), {
      kind: 'repair',
      body: { other: 'bolt in the fan', outcome: 'cured' },
    });
    expect(cure.named?.change.says).toBe('bolt in the fan');
  });

  it('a kit and sour fuel at once: the fuel may well have been all of it', () => {
    const cure = cureIn(
      TRIMMER,
      says('no-fire'),
      find('fuel-smell', 'stale'),
      did('stale-fuel'),
      kit('metering-diaphragm-stiff', 'cured'),
    );
    expect(share(cure, /Drain/)).toBeGreaterThan(0.35);
    expect(share(cure, /kit/)).toBeLessThan(0.75);
  });
});

describe('the swap-back that would tell', () => {
  const plugOrCoil = [
    says('no-fire'),
    off('plug'),
    find('prime-at-intake', 'nothing'),
    did('plug-failed'),
    did('plug-fouled'),
    on('plug'),
    cured('coil-failed'),
  ] as const;

  it('plug or coil: the old plug back in, not the old coil', () => {
    const { swap, maybe, named } = cureIn(SAW, ...plugOrCoil);
    expect(named).toBeNull();
    expect(maybe.length).toBeGreaterThan(1);
    expect(swap).toMatchObject({ says: 'Old plug back in', matters: 'ordered' });
  });
  it('it did it again with the old plug: the plug. It did not: the coil', () => {
    const again = cureIn(SAW, ...plugOrCoil, swapped('e3', true));
    expect(again.named?.change.says).toBe('Fit a new plug');
    const not = cureIn(SAW, ...plugOrCoil, swapped('e3', false));
    expect(share(not, /new plug/)).toBeLessThan(share(cureIn(SAW, ...plugOrCoil), /new plug/) / 2);
    expect(share(not, /coil/)).toBeGreaterThan(share(cureIn(SAW, ...plugOrCoil), /coil/));
  });
  it('never fuel that may have no oil in it', () => {
    const { swap } = cureIn(
      SAW,
      says('no-fire'),
      find('fuel-look', 'clear-undyed'),
      did('no-oil-in-fuel'),
      did('plug-failed'),
      cured('coil-failed'),
    );
    expect(swap?.says ?? '').not.toMatch(/fuel/);
  });
  it('old fuel only where it was seen to have oil in it', () => {
    const fuelOrFilter = (look: string) =>
      cureIn(
        TRIMMER,
        says('fades-under-way'),
        find('fuel-look', look),
        find('fuel-smell', 'stale'),
        did('stale-fuel'),
        cured('fuel-filter-clogged'),
      ).swap?.says ?? '';
    expect(fuelOrFilter('cloudy-or-debris')).not.toMatch(/fuel$/);
    expect(fuelOrFilter('clear-dyed')).toMatch(/^(A cup of the old fuel|Old fuel filter back on)$/);
  });
  it('none once it went home', () => {
    const home: Noted = { kind: 'stage', body: { stage: 'closed', reason: 'In a hurry' } };
    expect(cureIn(SAW, ...plugOrCoil, home).swap).toBeNull();
  });
  it('never a screw turned lean again', () => {
    const { swap } = cureIn(
      TRIMMER,
      says('wont-reach-speed'),
      did('fuel-filter-clogged'),
      cured('high-screw-lean'),
    );
    expect(swap?.says ?? '').not.toMatch(/H back/);
  });
  it('none where what it was is known, or where it comes and goes', () => {
    expect(cureIn(SAW, says('no-fire'), find('plug-look', 'damaged'), cured('plug-failed')).swap).toBeNull();
    expect(
      cureIn(SAW, says('no-fire', { failed: 1, of: 4 }), ...plugOrCoil.slice(1)).swap,
      'once back shows nothing',
    ).toBeNull();
  });
});

describe('to stop after a cure, or to open it anyway', () => {
  it('sour fuel drained, and it runs: stop', () => {
    const { openAnyway } = cureIn(
      SAW,
      says('no-fire', { said: 'every-time' }),
      find('fuel-smell', 'stale'),
      cured('stale-fuel'),
    );
    expect(openAnyway!.stop).toBeLessThan(openAnyway!.open);
    expect(openAnyway!.backOpened).toBeLessThan(openAnyway!.back);
  });
  it('nothing to say once it was opened', () => {
    const { openAnyway } = cureIn(
      SAW,
      says('runs-on-prime-then-dies'),
      kit('metering-diaphragm-stiff', 'cured'),
    );
    expect(openAnyway).toBeNull();
  });
});
