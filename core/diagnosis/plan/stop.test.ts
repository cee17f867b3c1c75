import { describe, expect, it } from 'vitest';
import { takeIn, type Case, type Evidence } from '../case';
import { isMending } from '../checkTable';
import { diagnose } from '../diagnose';
import { CAUSE_IDS, causeOf, checkOf, REMEDIES, type CheckId, type ComplaintId } from '../../knowledge';
import { ACT_ON, LIKELY_ENOUGH } from '../parameters';

const caseOf = (complaint: ComplaintId, ...found: readonly (readonly [CheckId, string])[]): Case => ({
  machine: { kind: 'chainsaw', displacementCc: 45 },
  history: {},
  evidence: [
    { ref: 'c', kind: 'complaint', complaint },
    ...found.map(([check, result]): Evidence => ({
      ref: check,
      kind: 'finding',
      check,
      result,
      sureness: 'sure',
    })),
  ],
  off: [],
});

describe('the stop rule', () => {
  it('says nothing while the next check is worth its minutes', () => {
    expect(diagnose(caseOf('fades-under-way')).stop).toBeNull();
  });

  it('says what was seen is to be put right', () => {
    const { stop, suspects } = diagnose(
      caseOf('fades-under-way', ['tank-vent', 'blocked'], ['cap-cracked-trial', 'recovers']),
    );
    expect(stop).toMatchObject({ why: 'found', cause: 'tank-vent-blocked' });
    expect(suspects[0]?.probability).toBeGreaterThanOrEqual(ACT_ON);
  });

  it('does not ask what the machine is worth on words and a pull by hand: the squeeze is measured first', () => {
    for (const found of [[], [['pull-feel', 'no-resistance']]] as const) {
      const c = caseOf('weak-under-load', ...found);
      const said = (['no-fire', 'hard-to-start', 'races-or-hangs'] as const).map((complaint) => ({
        ref: complaint,
        kind: 'complaint' as const,
        complaint,
      }));
      expect(diagnose({ ...c, evidence: [...said, ...c.evidence] }).stop).toBeNull();
    }
    expect(diagnose(caseOf('weak-under-load', ['piston-exhaust-side', 'scored'])).stop).toMatchObject({
      why: 'worth',
    });
  });

  it('goes over it all once more before it repairs on a guess', () => {
    // Everything proposed is found sound: somebody has misread something.
    let c = caseOf('wont-reach-speed');
    const again: CheckId[] = [];
    for (let n = 0; n < 60; n++) {
      const { next, stop, suspects } = diagnose(c);
      if (stop) {
        expect(again.length).toBeGreaterThan(0);
        return;
      }
      const check = next[0]!.check;
      const made = c.evidence.some((e) => e.kind === 'finding' && e.check === check);
      if (made) {
        again.push(check);
        expect(suspects[0]!.probability).toBeLessThan(LIKELY_ENOUGH);
      }
      const result = checkOf(check).results[0]!.id;
      const sound = isMending(check) ? 'no-change' : result;
      c = {
        ...c,
        evidence: takeIn(c.evidence, {
          ref: `${n}`,
          kind: 'finding',
          check,
          result: sound,
          sureness: 'sure',
        }),
      };
    }
    throw new Error('never came to an end');
  });

  it('says when one job mends whichever of the suspects it is', () => {
    let c = caseOf(
      'runs-on-prime-then-dies',
      ['primer-action', 'fills-firm'],
      ['fuel-smell', 'fresh'],
      ['line-pressure', 'holds'],
      ['fuel-filter-look', 'clean'],
      ['tank-vent', 'breathes'],
      ['inlet-pressure', 'holds'],
      ['impulse-path', 'clear'],
      ['compression-gauge', 'good'],
      ['spark-tester', 'strong'],
      ['limiter-caps', 'present'],
      ['screw-turns', 'near-baseline'],
      ['crankcase-pressure', 'holds'],
      ['crankcase-vacuum', 'holds'],
      ['line-routing', 'right'],
      ['line-look', 'supple'],
      ['intake-boot', 'sound'],
    );
    const { mends } = REMEDIES.find(({ id }) => id === 'carburettor-rebuild')!;
    const inside = (check: CheckId): boolean => mends.some((cause) => causeOf(cause).seen?.[check]);
    // Whatever else is proposed is found sound.
    for (let n = 0; n < 20; n++) {
      const { next, stop, suspects } = diagnose(c);
      const other = stop ? undefined : next.find(({ check }) => !inside(check));
      if (!other) {
        expect(suspects[0]?.probability).toBeLessThan(ACT_ON);
        expect(stop).toMatchObject({ why: 'one-remedy', remedy: { id: 'carburettor-rebuild' } });
        return;
      }
      const { check } = other;
      const result = isMending(check) ? 'no-change' : checkOf(check).results[0]!.id;
      const sound: Evidence = { ref: check, kind: 'finding', check, result, sureness: 'sure' };
      c = { ...c, evidence: takeIn(c.evidence, sound) };
    }
    throw new Error('never came to an end');
  });

  it('asks for a verdict on worth once squeeze has decided', () => {
    const { stop } = diagnose(
      caseOf(
        'weak-under-load',
        ['compression-gauge', 'low'],
        ['compression-wet', 'rises'],
        ['cylinder-peep', 'heavy-scoring'],
      ),
    );
    expect(stop).toMatchObject({ why: 'worth', remedy: { id: 'top-end' } });
  });

  it('names what is best to try when no check is left that pays', () => {
    let c = caseOf('rattle-or-scrape');
    for (let n = 0; n < 80; n++) {
      const { next, stop } = diagnose(c);
      if (stop?.why === 'nothing-pays') {
        expect(stop.probability).toBeGreaterThan(0);
        return;
      }
      const best = next[0];
      if (!best) break;
      const seen = best.outlook.toSorted((x, y) => y.chance - x.chance)[0]?.result ?? '';
      c = {
        ...c,
        evidence: [
          ...c.evidence.filter((e) => e.ref !== best.check),
          {
            ref: best.check,
            kind: 'finding',
            check: best.check,
            result: seen,
            sureness: 'sure',
            again: 'same',
          },
        ],
      };
    }
    throw new Error('the plan never came to an end');
  });
});

describe('remedies', () => {
  it('each mend causes of the list, and no cause twice', () => {
    const mended = REMEDIES.flatMap((r) => r.mends);
    for (const id of mended) expect(CAUSE_IDS).toContain(id);
    expect(new Set(mended).size).toBe(mended.length);
  });
});
