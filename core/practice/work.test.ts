import { describe, expect, it } from 'vitest';
import { CHECKS, checkOf, resultOf, seenAs, signsOf, type CheckId } from '../knowledge';
import { costOf } from '../diagnosis';
import { judgeReading } from '../reading';
import { isPressureCheck, TARGETS } from '../pressure';
import { samples } from '../testing';
import { signOf } from './signs';
import { hiddenOf, lastNote, logOf, WAYS, workBy, workedBy, type Hidden, type Move } from './index';

const look = (check: CheckId): Move => ({ do: 'look', check });
const sure = (check: CheckId, result: string): Move => ({
  do: 'note',
  check,
  noted: { result, sureness: 'sure' },
});
const drawn = (many: number, level: 1 | 2 | 3 | 4 = 4): Hidden[] =>
  Array.from({ length: many }, (_, n) => hiddenOf({ theme: 'any', level, group: 'any', number: n + 1 }));
const trap = (id: string): Hidden => {
  for (let n = 1; ; n++) {
    const hidden = hiddenOf({ theme: 'trap', level: 4, group: 'saw', number: n });
    if (hidden.trap?.id === id) return hidden;
  }
};

/** How often an assertion in a loop was reached: one that never is proves nothing. */
function counted() {
  let times = 0;
  return {
    once: (): void => void times++,
    atLeast: (floor: number) => expect(times).toBeGreaterThanOrEqual(floor),
  };
}

/** Every check that can be made without running it. */
const STILL = CHECKS.filter((c) => !['started', 'running'].includes(c.engine ?? '')).map((c) => c.id);

describe('what a machine answers', () => {
  it('is a result of the check, shown in words or by a reading that the bench judges to be it', () => {
    const [shown, read] = [counted(), counted()];
    for (const hidden of drawn(40))
      for (const { id: check, results } of CHECKS) {
        const { inHand, ended } = workedBy(hidden, [look(check)]);
        if (ended || !inHand?.result) continue;
        shown.once();
        expect(results.map((r) => r.id)).toContain(inHand.result);
        expect(inHand.words ?? inHand.reading).not.toBeNull();
        if (!inHand.reading) continue;
        read.once();
        expect(judgeReading(check, inHand.reading, hidden.machine)).toMatchObject({ result: inHand.result });
      }
    shown.atLeast(1500);
    read.atLeast(200);
  }, 60_000);

  it('is said in words for every result that no instrument reads', () => {
    for (const { id, results, reading } of CHECKS)
      if (!reading)
        for (const result of results) expect(signOf(id, result.id), `${id} ${result.id}`).toBeTruthy();
  });

  it('never shows a fault that is not there, and shows plainly what it is looked at for', () => {
    const [seen, screens] = [counted(), counted()];
    for (const hidden of drawn(60))
      for (const check of STILL) {
        const result = workedBy(hidden, [look(check)]).inHand?.result;
        if (!result) continue;
        const faults = seenAs(check, result);
        if (faults.length === 0) continue;
        seen.once();
        expect(faults.some((f) => hidden.faults.includes(f))).toBe(true);
      }
    for (const hidden of drawn(200)) {
      if (!hidden.faults.includes('spark-screen-clogged')) continue;
      screens.once();
      expect(workedBy(hidden, [look('spark-screen-look')]).inHand?.result).not.toBe('clear');
    }
    seen.atLeast(60);
    screens.atLeast(5);
  }, 60_000);

  it('is the same whatever else was looked at before', () => {
    const whole = counted();
    for (const hidden of drawn(25)) {
      const order = STILL.slice(0, 14);
      const forth = order.map((check) => workedBy(hidden, [look(check)]).inHand?.result ?? null);
      const moves = order
        .toReversed()
        .flatMap((check) => [look(check), sure(check, resultOf(check, 'x')?.id ?? 'x')]);
      const { steps } = workedBy(hidden, moves);
      const shown = new Map(
        steps.flatMap((s) =>
          s.move.do === 'look' ? [[s.move.check, s.shows?.result ?? null] as const] : [],
        ),
      );
      if (shown.size !== order.length) continue;
      whole.once();
      expect(order.map((check) => shown.get(check))).toEqual(forth);
    }
    whole.atLeast(15);
  });

  it('stays the same when it is looked at again, unless a misreading may have been in it', () => {
    for (const hidden of drawn(40, 1))
      for (const check of STILL) {
        const { steps } = workedBy(hidden, [look(check), look(check)]);
        const [first, second] = steps.map((s) => s.shows?.result);
        expect(second).toBe(first);
      }
  });

  it('does not change by a repair that has no bearing on it', () => {
    const compared = counted();
    for (const hidden of drawn(60)) {
      const [fault] = hidden.faults;
      if (!fault) continue;
      for (const check of STILL) {
        const { restates, results } = checkOf(check);
        // What may be read wrong may also be read right the second time.
        if (results.some((r) => 'soft' in r)) continue;
        if (Object.keys(signsOf(fault, check)).length > 0 || restates) continue;
        const { steps } = workedBy(hidden, [look(check), { do: 'mend', cause: fault }, look(check)]);
        if (steps.length !== 3 || !steps[0]?.shows?.result) continue;
        compared.once();
        expect([steps[0]?.shows?.result, check]).toEqual([steps[2]?.shows?.result, check]);
      }
    }
    compared.atLeast(500);
  });

  it('says again what is complained of, and runs well once nothing is', () => {
    const [dead, cured] = [counted(), counted()];
    for (const hidden of drawn(90)) {
      if (!hidden.complaints.includes('no-fire') || hidden.safety) continue;
      const before = workedBy(hidden, [look('safety-walkround'), look('start-trial')]);
      if (before.ended) continue;
      dead.once();
      expect(['nothing', 'pops', null]).toContain(before.steps[1]?.shows?.result);
      const mended = hidden.toBlame.map((cause): Move => ({ do: 'mend', cause }));
      const after = workedBy(hidden, [...mended, look('start-trial')]);
      if (after.ended) continue;
      cured.once();
      expect(after.inHand?.result).toBe('runs-well');
    }
    dead.atLeast(5);
    cured.atLeast(5);
  });
});

describe('the clock', () => {
  const hidden = hiddenOf({ theme: 'carburettor', level: 1, group: 'saw', number: 3 });

  it('counts a check with its opening and closing, once', () => {
    const one = workedBy(hidden, [look('inlet-screen')]);
    expect(one.minutes).toBeCloseTo(costOf(checkOf('inlet-screen'), new Set()), 9);
    expect(one.off).toEqual(['air-box', 'carburettor', 'pump-cover']);
    const two = workedBy(hidden, [look('inlet-screen'), look('pump-diaphragm')]);
    expect(two.minutes - one.minutes).toBeCloseTo(costOf(checkOf('pump-diaphragm'), new Set(one.off)), 9);
    expect(two.minutes - one.minutes).toBeLessThan(3);
  });

  it('counts what was taken off for nothing, with putting it back', () => {
    const { minutes, off } = workedBy(hidden, [{ do: 'off', part: 'muffler' }]);
    expect(minutes).toBeCloseTo(7 * 1.8, 9);
    expect(off).toEqual(['muffler']);
    const back = workedBy(hidden, [
      { do: 'off', part: 'carburettor' },
      { do: 'on', part: 'air-box' },
    ]);
    expect(back.off).toEqual([]);
  });

  it('goes on for every repair, in vain or not', () => {
    const vain = workedBy(hidden, [{ do: 'mend', cause: 'flywheel-key-sheared' }]);
    expect(vain.steps[0]?.outcome).toBe('no-change');
    expect(vain.minutes).toBeGreaterThan(10);
    const [cause] = hidden.toBlame;
    const right = workedBy(hidden, [{ do: 'mend', cause: cause! }]);
    expect(right.steps[0]?.outcome).toBe('cured');
    expect(right.standing).toEqual([]);
  });

  it('stands still once it is handed back', () => {
    const { steps, ended } = workedBy(hidden, [{ do: 'hand-back' }, look('plug-look')]);
    expect(steps).toHaveLength(1);
    expect(ended).toMatchObject({ why: 'handed-back', cured: false });
  });
});

describe('a repair', () => {
  it('of one of the things that are one act puts all of it right: fresh mix is fresh mix', () => {
    const hidden = Array.from({ length: 200 }, (_, n) =>
      hiddenOf({ theme: 'oil-heavy-mix', level: 4, group: 'any', number: n + 1 }),
    ).find(({ faults }) => faults.includes('stale-fuel'))!;
    const { left } = workedBy(hidden, [{ do: 'mend', cause: 'stale-fuel' }]);
    expect(left).not.toContain('oil-heavy-mix');
    expect(workedBy(hidden, [{ do: 'mend', cause: 'plug-failed' }]).left).toContain('oil-heavy-mix');
  });
});

describe('a note', () => {
  const hidden = hiddenOf({ theme: 'fuel', level: 1, group: 'saw', number: 3 });

  it('is what the trainee makes of it, right or wrong, and only of what was looked at', () => {
    const shown = workedBy(hidden, [look('fuel-smell')]).inHand?.result;
    const other = shown === 'fresh' ? 'stale' : 'fresh';
    const { evidence } = workedBy(hidden, [look('fuel-smell'), sure('fuel-smell', other)]);
    expect(evidence.at(-1)).toMatchObject({ check: 'fuel-smell', result: other });
    const unseen = workedBy(hidden, [sure('plug-look', 'white')]);
    expect(unseen.evidence.every((e) => e.kind === 'complaint')).toBe(true);
  });

  it('that is no result of the check is not taken', () => {
    const moves = [look('fuel-smell'), sure('fuel-smell', 'lavender')];
    const { inHand, evidence } = workedBy(hidden, moves);
    expect(inHand?.check).toBe('fuel-smell');
    expect(evidence).toEqual(workedBy(hidden, [look('fuel-smell')]).evidence);
  });

  it('of a reading is judged as on the bench', () => {
    const moves: Move[] = [look('compression-gauge')];
    const reading = { psi: [20, 31, 36, 38, 39] };
    const noted: Move = { do: 'note', check: 'compression-gauge', noted: { reading, sureness: 'sure' } };
    expect(workedBy(hidden, [...moves, noted]).evidence.at(-1)).toMatchObject({ result: 'low' });
  });
});

describe('hazards end it', () => {
  const safe = drawn(20).find((h) => !h.safety)!;

  it.each(CHECKS.map((c) => c.id).filter(isPressureCheck))('%s pumped beyond what it bears', (check) => {
    const at = (kpa: number) => workedBy(safe, [{ do: 'look', check, kpa }]).ended;
    expect(at(TARGETS[check].maxKpa)).toBeNull();
    expect(at(TARGETS[check].maxKpa + 1)).toMatchObject({ why: 'hazard' });
  });

  it('running one that cannot be stopped, before its switch is mended and not after', () => {
    const hidden = hiddenOf({ theme: 'stop-circuit-open', level: 1, group: 'saw', number: 2 });
    expect(hidden.complaints).toContain('wont-stop');
    expect(workedBy(hidden, [look('start-trial')]).ended).toMatchObject({ why: 'hazard' });
    const mended = workedBy(hidden, [{ do: 'mend', cause: 'stop-circuit-open' }, look('start-trial')]);
    expect(mended.ended).toBeNull();
    expect(mended.inHand?.result).toBe('runs-well');
  });

  it('running what nobody walked round, or what was found unsafe and left', () => {
    const hidden = drawn(120).find(
      (h) => h.safety && !h.complaints.includes('wont-stop') && !h.complaints.includes('kicks-back'),
    )!;
    const said = (...moves: Move[]) => workedBy(hidden, moves).ended;
    expect(said(look('start-trial'))).toMatchObject({
      why: 'hazard',
      says: expect.stringContaining('Nobody had walked'),
    });
    const walked = [look('safety-walkround'), sure('safety-walkround', 'fault')];
    expect(said(...walked, look('start-trial'))).toMatchObject({ says: expect.stringContaining('You knew') });
    expect(said(...walked, { do: 'make-safe' }, look('start-trial'))).toBeNull();
    expect(workedBy(hidden, walked).unsafe).toBe(hidden.safety);
  });

  it('running straight petrol that was seen for what it is', () => {
    const hidden = hiddenOf({ theme: 'no-oil-in-fuel', level: 1, group: 'saw', number: 4 });
    const [jar, start] = [look('fuel-look'), look('start-trial')];
    expect(workedBy(hidden, [jar]).inHand?.result).toBe('clear-undyed');
    expect(workedBy(hidden, [start]).ended).toBeNull();
    expect(workedBy(hidden, [jar, start]).ended).toMatchObject({ says: expect.stringContaining('seized') });
    expect(workedBy(hidden, [jar, { do: 'mend', cause: 'no-oil-in-fuel' }, start]).ended).toBeNull();
  });
});

describe('the traps', () => {
  it('a good repair on a flooded engine looks bad until the flood is cleared', () => {
    const hidden = trap('flooded');
    const mend: Move = { do: 'mend', cause: 'needle-not-sealing' };
    expect(workedBy(hidden, [mend]).steps[0]?.outcome).toBe('no-change');
    const cleared = workedBy(hidden, [mend, look('clear-flood-trial')]);
    expect(cleared.inHand?.result).toBe('then-starts');
    expect(cleared.standing).toEqual([]);
  });

  it('a spark missed in daylight is there when it is looked at again', () => {
    const { steps } = workedBy(trap('daylight'), [look('spark-tester'), look('spark-tester')]);
    expect(steps.map((s) => s.shows?.result)).toEqual(['none', 'strong']);
  });
});

describe('a note that was a slip', () => {
  const hidden = hiddenOf({ theme: 'fuel', level: 2, group: 'saw', number: 21 });
  const back: Move = { do: 'take-back' };
  const smell = look('fuel-smell');

  it('is taken back: what was shown is in hand again, at no cost, and counts for nothing', () => {
    const first = workedBy(hidden, [smell]);
    const taken = workedBy(hidden, [smell, sure('fuel-smell', 'fresh'), { do: 'ask' }, back]);
    expect(taken.inHand).toEqual(first.inHand);
    expect(taken.evidence).toEqual(first.evidence);
    expect(taken.minutes).toBe(first.minutes);
    expect(taken.steps[1]?.slip).toBe(true);
    const noted = workedBy(hidden, [smell, sure('fuel-smell', 'fresh'), back, sure('fuel-smell', 'stale')]);
    expect(noted.evidence.at(-1)).toMatchObject({ check: 'fuel-smell', result: 'stale' });
    expect(noted.evidence).toHaveLength(hidden.complaints.length + 1);
    // The bench's own log says so too: one finding, and not the slip.
    const found = logOf(hidden, noted, 0).filter((e) => e.kind === 'finding');
    expect(found.map((e) => e.body)).toMatchObject([{ check: 'fuel-smell', result: 'stale' }]);
  });

  it('brings back what it had superseded', () => {
    const once = workedBy(hidden, [smell, sure('fuel-smell', 'stale')]);
    const again = workedBy(hidden, [
      smell,
      sure('fuel-smell', 'stale'),
      smell,
      sure('fuel-smell', 'fresh'),
      back,
    ]);
    expect(again.evidence).toEqual(once.evidence);
  });

  it('is past taking back once something else was done', () => {
    const off: Move = { do: 'off', part: 'recoil' };
    for (const moves of [[back], [smell, back], [smell, sure('fuel-smell', 'fresh'), off, back]]) {
      const before = workedBy(hidden, moves.slice(0, -1));
      const after = workedBy(hidden, moves);
      expect(after.evidence).toEqual(before.evidence);
      expect(after.inHand).toEqual(before.inHand);
    }
    const twice = workedBy(hidden, [smell, sure('fuel-smell', 'fresh'), back, back]);
    expect(twice.inHand?.check).toBe('fuel-smell');
    expect(lastNote(twice.steps)).toBe(-1);
  });
});

describe('a robot', () => {
  it.each(WAYS)(
    'by the way of “%s” finishes what comes in',
    (way) => {
      const numbers = Array.from({ length: samples(4, 8) }, (_, n) => n + 1);
      for (const number of numbers) {
        const theme = (['any', 'fuel', 'trap', 'spark'] as const)[number % 4]!;
        const hidden = hiddenOf({ theme, level: ((number % 4) + 1) as 1 | 2 | 3 | 4, group: 'any', number });
        const { ended } = workBy(way, hidden);
        expect([hidden.faults, ended]).toMatchObject([hidden.faults, { why: 'handed-back', cured: true }]);
      }
    },
    60_000,
  );
});
