import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CAUSE_IDS, CAUSES, causeOf, probabilityOf, type CauseId, type ComplaintId } from '../knowledge';
import type { Case, Evidence } from './case';
import { membersOf } from './hypotheses';
import { CHOSEN, COMPLAINT_LEAK, WENT_BY_ITSELF } from './parameters';
import { posterior } from './posterior';
import { whoseCure, type Changed } from './whoseCure';

const SAW = { kind: 'chainsaw', displacementCc: 45 } as const;
const says = (complaint: ComplaintId): Evidence => ({ ref: 'c', kind: 'complaint', complaint });
const found = (check: 'fuel-smell' | 'plug-look', result: string): Evidence => ({
  ref: check,
  kind: 'finding',
  check,
  result,
  sureness: 'sure',
});
const did = (cause: CauseId): Evidence => ({ ref: cause, kind: 'repair', cause, outcome: 'untried' });
const cured = (cause: CauseId): Evidence => ({ ref: cause, kind: 'repair', cause, outcome: 'cured' });
const change = (cause: CauseId, chance = 0.96): Changed => ({
  refs: [cause],
  meant: true,
  rights: new Map([[cause, chance]]),
});
const caseWith = (...evidence: Evidence[]): Case => ({ machine: SAW, history: {}, evidence, off: [] });

/**
 * The same by going through it all: every set, every way its causes may have been at work, every change that may have put each right.
 * Kept to the likeliest sets.
 */
function byHand(c: Case, changes: readonly Changed[], complaints: readonly ComplaintId[], hides: number) {
  const commonness = Object.fromEntries(
    changes.flatMap((x) => [...x.rights.keys()].map((cause) => [cause, CHOSEN])),
  );
  const untried = c.evidence.map((e) => (e.kind === 'repair' ? { ...e, outcome: 'untried' as const } : e));
  const p = posterior({ ...c, commonness, evidence: untried });
  const known = p.timeline.known.map((k) => k.cause);
  const at = (cause: CauseId, complaint: ComplaintId): number => {
    const word = causeOf(cause).complaints[complaint];
    return word ? probabilityOf(word) : 0;
  };
  const all = [...changes.map((x) => x.rights), new Map(CAUSE_IDS.map((id) => [id, WENT_BY_ITSELF]))];
  /** That each change is the first to put a cause right; the last: none does. */
  const first = (cause: CauseId | null): number[] => {
    let left = 1;
    const by = all.map((rights, n) => {
      const q = cause ? (rights.get(cause) ?? 0) : n === all.length - 1 ? WENT_BY_ITSELF : 0;
      const mine = left * q;
      left *= 1 - q;
      return mine;
    });
    return [...by, left];
  };
  const credit = new Map<string, number>();
  let [cure, still] = [0, 0];
  for (let s = 0; s < p.sets.length; s++) {
    if (p.sets[s]! < 1e-6) continue;
    const there: (CauseId | null)[] = [
      ...known,
      ...membersOf(s)
        .map((i) => CAUSES[i]!.id)
        .filter((id) => !known.includes(id)),
    ];
    there.push(null);
    const other = there.length === 1 ? 1 : COMPLAINT_LEAK;
    const K = complaints.length;
    /** Every way each may be at work in each complaint: bit n · K + k. */
    const works = there.flatMap((id) => complaints.map((k) => (id ? at(id, k) : other)));
    const ways = 1 << works.length;
    const chanceOf = (mask: number): number =>
      works.reduce((q, w, n) => q * (mask & (1 << n) ? w : 1 - w), 1);
    const shows = (mask: number): boolean =>
      complaints.every((_, k) => there.some((__, n) => mask & (1 << (n * K + k))));
    let shown = 0;
    for (let mask = 0; mask < ways; mask++) if (shows(mask)) shown += chanceOf(mask);
    for (let mask = 1; mask < ways; mask++) {
      if (!shows(mask)) continue;
      const chance = (p.sets[s]! * chanceOf(mask)) / shown;
      if (chance === 0) continue;
      const active = there.filter((_, n) => (mask >> (n * K)) & ((1 << K) - 1));
      const by = active.map(first);
      const well = by.reduce((q, b) => q * (1 - b.at(-1)!), 1);
      cure += chance * well;
      still += chance * (1 - well);
      active.forEach((cause, n) => {
        const others = by.reduce((q, b, m) => (m === n ? q : q * (1 - b.at(-1)!)), 1);
        changes.forEach((_, k) => {
          const key = `${k} ${cause}`;
          credit.set(key, (credit.get(key) ?? 0) + chance * others * by[n]![k]!);
        });
      });
    }
  }
  const total = cure + hides * still;
  return {
    of: (k: number, cause: CauseId): number => (credit.get(`${k} ${cause}`) ?? 0) / total,
    hidden: (hides * still) / total,
  };
}

describe('whose cure it was', () => {
  const CASES: [string, Case, Changed[], ComplaintId[]][] = [
    [
      'nothing seen',
      caseWith(says('no-fire'), did('plug-failed'), cured('coil-failed')),
      [change('plug-failed'), change('coil-failed', 0.8)],
      ['no-fire'],
    ],
    [
      'one of them seen',
      caseWith(
        says('hard-to-start'),
        found('fuel-smell', 'stale'),
        did('stale-fuel'),
        cured('air-filter-clogged'),
      ),
      [change('stale-fuel'), change('air-filter-clogged')],
      ['hard-to-start'],
    ],
    [
      'both put the same right',
      caseWith(says('no-fire'), found('plug-look', 'wet-fuel'), did('engine-flooded'), cured('plug-fouled')),
      [
        change('engine-flooded', 0.5),
        {
          ...change('plug-fouled'),
          rights: new Map([
            ['plug-fouled', 0.9],
            ['engine-flooded', 0.5],
          ]),
        },
      ],
      ['no-fire'],
    ],
    [
      'two complaints',
      caseWith(
        says('no-fire'),
        { ref: 'd', kind: 'complaint', complaint: 'flooded' },
        found('plug-look', 'wet-fuel'),
        did('needle-not-sealing'),
        cured('plug-fouled'),
      ),
      [change('needle-not-sealing'), change('plug-fouled')],
      ['no-fire', 'flooded'],
    ],
  ];
  it.each(CASES)('is what going through all of it comes to: %s', (_, c, changes, complaints) => {
    const got = whoseCure(c, changes, { hides: 0.1 });
    const want = byHand(c, changes, complaints, 0.1);
    expect(got.hidden).toBeCloseTo(want.hidden, 2);
    changes.forEach((x, k) => {
      for (const cause of x.rights.keys()) {
        const share = got.shares[k]!.causes.find((s) => s.cause === cause)?.share ?? 0;
        const by = want.of(k, cause);
        // What is too faint to be named is left out.
        expect(share, `${k} ${cause}`).toBeCloseTo(by < 0.02 ? 0 : by, 2);
      }
    });
  });

  const SOME = [
    'plug-failed',
    'stale-fuel',
    'coil-failed',
    'air-filter-clogged',
    'needle-not-sealing',
  ] as const;
  it('shares are chances, whatever was done; what hides more is less surely cured', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...SOME), { minLength: 1, maxLength: 4 }),
        fc.constantFrom<ComplaintId>('no-fire', 'hard-to-start', 'fades-under-way'),
        fc.double({ min: 0.01, max: 0.9, noNaN: true }),
        (causes, complaint, hides) => {
          const c = caseWith(
            says(complaint),
            ...causes.map((cause, n) => (n === causes.length - 1 ? cured(cause) : did(cause))),
          );
          const changes = causes.map((cause) => change(cause));
          const { shares, byItself, hidden } = whoseCure(c, changes, { hides });
          for (const x of [...shares.map((s) => s.share), byItself, hidden]) {
            expect(x).toBeGreaterThanOrEqual(0);
            expect(x).toBeLessThanOrEqual(1);
          }
          expect(whoseCure(c, changes, { hides: hides / 2 }).hidden).toBeLessThan(hidden + 1e-12);
        },
      ),
      { numRuns: 25 },
    );
  });

  it('does not hang on the order of what was done', () => {
    const one = whoseCure(
      caseWith(says('no-fire'), did('plug-failed'), cured('coil-failed')),
      [change('plug-failed'), change('coil-failed')],
      { hides: 0.1 },
    );
    const other = whoseCure(
      caseWith(says('no-fire'), did('coil-failed'), cured('plug-failed')),
      [change('coil-failed'), change('plug-failed')],
      { hides: 0.1 },
    );
    expect(one.shares[0]!.share).toBeCloseTo(other.shares[1]!.share, 10);
    expect(one.shares[1]!.share).toBeCloseTo(other.shares[0]!.share, 10);
  });
});
