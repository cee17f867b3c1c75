import { describe, expect, it } from 'vitest';
import { chanceFrom } from '../chance';
import {
  CAUSE_INDEX,
  CAUSES,
  causeOf,
  CHECKS,
  checkOf,
  COMPLAINT_IDS,
  remedyOf,
  seenAs,
  type CauseId,
  type CheckId,
  type History,
  type Outcome,
} from '../knowledge';
import { takeIn, type Case, type Evidence } from './case';
import { samples } from '../testing';
import { creditOf } from './credit';
import { diagnose } from './diagnose';
import { CLEARED } from './parameters';
import { posterior } from './posterior';

const finding = (check: CheckId, result: string, ref: string = check): Evidence => ({
  ref,
  kind: 'finding',
  check,
  result,
  sureness: 'sure',
});
const repair = (cause: CauseId, outcome: Outcome): Evidence => ({
  ref: `repair ${cause}`,
  kind: 'repair',
  cause,
  outcome,
});
const caseWith = (evidence: readonly Evidence[], history: History = {}): Case => ({
  machine: { kind: 'chainsaw', displacementCc: 45 },
  history,
  evidence: evidence.reduce<Evidence[]>(takeIn, []),
  off: [],
});
const believed = (c: Case, id: CauseId): number => posterior(c).causes[CAUSE_INDEX.get(id)!]!;

const HISTORIES: readonly History[] = [
  {},
  { monthsStored: 14, mixedBy: 'owner', openedBefore: 'yes', failsWhen: 'hot', dailyUse: true },
  { fuelAgeMonths: 0.5, mixedBy: 'canned', openedBefore: 'no', stopped: 'suddenly', failsWhen: 'cold' },
];

/** A seeded handful of other findings, of other checks than the one looked at. */
function others(seed: number, but: CheckId): Evidence[] {
  const chance = chanceFrom(seed);
  const pick = <T>(from: readonly T[]): T => from[Math.floor(chance() * from.length)]!;
  return Array.from({ length: 5 }, (_, n) => {
    const check = pick(CHECKS.filter((c) => c.id !== but));
    return finding(check.id, pick(check.results).id, `other ${n}`);
  });
}

/** Every sure look with the one fault it is. */
const FAULTS_SEEN = CHECKS.flatMap((check) =>
  check.results.flatMap((r) => {
    const seen = seenAs(check.id, r.id);
    return seen.length === 1 ? [[check.id, r.id, seen[0]!] as const] : [];
  }),
);
/** Every sure look at a part that can only be in one place, coming out sound. */
const SOUND_SEEN = CAUSES.filter((c) => !c.severalPlaces && !c.hidden).flatMap((cause) =>
  Object.keys(cause.seen ?? {}).flatMap((id) => {
    const [normal] = checkOf(id as CheckId).results;
    return normal && !normal.soft ? [[id as CheckId, normal.id, cause.id] as const] : [];
  }),
);

describe('a look is a look', () => {
  it('covers fifty faults and more', () => {
    expect(FAULTS_SEEN.length).toBeGreaterThan(50);
    expect(SOUND_SEEN.length).toBeGreaterThan(40);
  });

  it('a fault surely seen is believed under any complaint, any history, and any other evidence', () => {
    FAULTS_SEEN.forEach(([check, result, cause], n) => {
      COMPLAINT_IDS.forEach((complaint, k) => {
        // Each fault under some of them, each complaint with some of the faults.
        if ((n + k) % samples(7, 3) !== 0) return;
        const c = caseWith(
          [
            { ref: 'c', kind: 'complaint', complaint },
            ...others(1000 + 31 * n + k, check),
            finding(check, result),
          ],
          HISTORIES[(n + k) % HISTORIES.length],
        );
        expect(believed(c, cause), `${check} ${result} under ${complaint}`).toBeGreaterThanOrEqual(0.9);
      });
    });
  });

  it('a part surely seen sound is hardly believed, whatever else is said', () => {
    SOUND_SEEN.forEach(([check, result, cause], n) => {
      const bad = causeOf(cause);
      // Everything that speaks for it otherwise.
      const against = Object.entries(bad.shows)
        .filter(([id]) => id !== check && !bad.seen?.[id as CheckId])
        .map(([id, words]) => finding(id as CheckId, Object.keys(words)[0]!, `against ${id}`));
      const [complaint] = Object.keys(bad.complaints);
      const c = caseWith(
        [
          ...(complaint ? [{ ref: 'c', kind: 'complaint', complaint } as Evidence] : []),
          ...against,
          finding(check, result),
        ],
        HISTORIES[n % HISTORIES.length],
      );
      expect(believed(c, cause), `${check} ${result}`).toBeLessThanOrEqual(CLEARED + 1e-9);
    });
  });

  it('doubt softens both', () => {
    const doubted = (result: string): number => {
      const e = { ...finding('tank-vent', result), sureness: 'doubtful' } as Evidence;
      return believed(
        caseWith([{ ref: 'c', kind: 'complaint', complaint: 'no-fire' }, e]),
        'tank-vent-blocked',
      );
    };
    expect(doubted('blocked')).toBeLessThan(0.5);
    expect(doubted('blocked')).toBeGreaterThan(doubted('breathes'));
  });

  it('takes none of the three places: five faults seen are five faults', () => {
    const seen = [
      finding('line-look', 'hard-or-cracked'),
      finding('fuel-filter-look', 'clogged'),
      finding('metering-diaphragm', 'stiff'),
      finding('inlet-screen', 'gummed'),
      finding('fuel-smell', 'stale'),
    ];
    const d = diagnose(caseWith([{ ref: 'c', kind: 'complaint', complaint: 'no-fire' }, ...seen]));
    expect(d.found.map((f) => f.state)).toEqual(Array(5).fill('standing'));
    for (const f of d.found)
      expect(d.suspects.find((s) => s.cause === f.cause)?.probability).toBeGreaterThanOrEqual(0.9);
  });
});

describe('what was put right', () => {
  it('without effect is out, for every cause, under a complaint it makes', () => {
    for (const { id, complaints, severalPlaces } of CAUSES) {
      const [complaint] = Object.keys(complaints);
      if (!complaint) continue;
      const c = caseWith([{ ref: 'c', kind: 'complaint', complaint } as Evidence, repair(id, 'no-change')]);
      const before = believed(caseWith([{ ref: 'c', kind: 'complaint', complaint } as Evidence]), id);
      // A new boot leaves the gasket: looser where the fault may sit elsewhere too.
      if (severalPlaces) expect(believed(c, id), id).toBeLessThan(before);
      else expect(believed(c, id), id).toBeLessThanOrEqual(CLEARED);
    }
  });

  it('was seen, and stays found as put right without effect', () => {
    const c = caseWith([
      { ref: 'c', kind: 'complaint', complaint: 'no-fire' },
      finding('coil-gap', 'uneven'),
      repair('coil-gap-wide', 'no-change'),
    ]);
    const d = diagnose(c);
    expect(d.found).toMatchObject([{ cause: 'coil-gap-wide', state: 'vain', explains: [] }]);
    expect(believed(c, 'coil-gap-wide')).toBeLessThanOrEqual(0.1);
    expect(d.suspects[0]?.cause).not.toBe('coil-gap-wide');
  });

  it('measured again is the proof of the repair, not the fault unseen', () => {
    const c = caseWith([
      { ref: 'c', kind: 'complaint', complaint: 'no-fire' },
      finding('coil-gap', 'wide', 'before'),
      repair('coil-gap-wide', 'better'),
      finding('coil-gap', 'in-band', 'after'),
    ]);
    expect(c.evidence.map((e) => e.ref)).toEqual(['c', 'before', 'repair coil-gap-wide', 'after']);
    expect(diagnose(c).found).toMatchObject([{ cause: 'coil-gap-wide', state: 'mended' }]);
  });

  it('may break again: seen after its repair it is there again', () => {
    const c = caseWith([
      { ref: 'c', kind: 'complaint', complaint: 'weak-under-load' },
      finding('piston-exhaust-side', 'scored', 'first'),
      repair('piston-heat-scored', 'better'),
      finding('piston-exhaust-side', 'scored', 'second'),
    ]);
    expect(diagnose(c).found).toMatchObject([{ cause: 'piston-heat-scored', state: 'standing' }]);
  });

  it('with a cure settles it', () => {
    const c = caseWith([
      { ref: 'c', kind: 'complaint', complaint: 'fades-under-way' },
      repair('tank-vent-blocked', 'cured'),
    ]);
    expect(believed(c, 'tank-vent-blocked')).toBeGreaterThanOrEqual(0.9);
  });

  it('with a whole remedy in vain puts out everything that it mends', () => {
    const rebuilt = caseWith([
      { ref: 'c', kind: 'complaint', complaint: 'runs-on-prime-then-dies' },
      { ...repair('metering-diaphragm-stiff', 'no-change'), remedy: 'carburettor-rebuild' } as Evidence,
    ]);
    for (const id of remedyOf('carburettor-rebuild').mends)
      expect(believed(rebuilt, id), id).toBeLessThanOrEqual(CLEARED);
    const alone = caseWith([
      { ref: 'c', kind: 'complaint', complaint: 'runs-on-prime-then-dies' },
      repair('metering-diaphragm-stiff', 'no-change'),
    ]);
    expect(believed(alone, 'pump-diaphragm-stiff')).toBeGreaterThan(
      2 * believed(rebuilt, 'pump-diaphragm-stiff'),
    );
    expect(believed(rebuilt, 'impulse-fault')).toBeGreaterThan(believed(alone, 'impulse-fault'));
  });

  it('with a whole remedy that cured it names no cause that nobody saw, says what it may have been, and all of it is gone', () => {
    const c = caseWith([
      { ref: 'c', kind: 'complaint', complaint: 'runs-on-prime-then-dies' },
      { ...repair('metering-diaphragm-stiff', 'cured'), remedy: 'carburettor-rebuild' } as Evidence,
    ]);
    expect(diagnose(c).found).toEqual([]);
    expect(believed(c, 'pump-diaphragm-stiff')).toBeLessThanOrEqual(CLEARED);
    const credit = creditOf(c, c.evidence[1]!.ref);
    expect(credit[0]).toMatchObject({ cause: 'metering-diaphragm-stiff' });
    expect(credit.every((x) => x.share < 1 && remedyOf('carburettor-rebuild').mends.includes(x.cause))).toBe(
      true,
    );
  });

  it('by a trial is out as well: a new plug that changed nothing', () => {
    const c = caseWith([
      { ref: 'c', kind: 'complaint', complaint: 'no-fire' },
      finding('new-plug-trial', 'no-change'),
    ]);
    for (const id of ['plug-fouled', 'plug-failed'] as const)
      expect(believed(c, id), id).toBeLessThanOrEqual(CLEARED);
  });

  it('a check made again without a repair between takes the place of the earlier one', () => {
    const twice = caseWith([
      finding('tank-vent', 'blocked', 'first'),
      finding('tank-vent', 'breathes', 'second'),
    ]);
    expect(twice.evidence).toMatchObject([{ ref: 'second', again: 'other' }]);
  });
});

describe('faults bring faults about', () => {
  const heavy = [
    { ref: 'c', kind: 'complaint', complaint: 'wont-reach-speed' } as Evidence,
    finding('fuel-look', 'dark-dyed'),
  ];

  it('far too much oil makes a coked screen likelier, and the other way about', () => {
    const plain = caseWith([{ ref: 'c', kind: 'complaint', complaint: 'wont-reach-speed' }]);
    expect(believed(caseWith(heavy), 'spark-screen-clogged')).toBeGreaterThan(
      believed(plain, 'spark-screen-clogged'),
    );
    const coked = caseWith([...heavy, finding('spark-screen-look', 'blocked')]);
    expect(believed(coked, 'oil-heavy-mix')).toBeGreaterThan(believed(caseWith(heavy), 'oil-heavy-mix'));
  });

  it('a scored piston raises what cooks pistons, straight petrol most of all', () => {
    const weak: Evidence = { ref: 'c', kind: 'complaint', complaint: 'weak-under-load' };
    const scored = [weak, finding('piston-exhaust-side', 'scored')];
    const factor = (id: CauseId): number => believed(caseWith(scored), id) / believed(caseWith([weak]), id);
    for (const id of ['no-oil-in-fuel', 'intake-leak', 'crank-seal-leak'] as const)
      expect(factor(id), id).toBeGreaterThan(1.2);
    expect(factor('no-oil-in-fuel')).toBeGreaterThan(factor('intake-leak'));
    expect(factor('tank-vent-blocked')).toBeLessThanOrEqual(1.05);
  });
});
