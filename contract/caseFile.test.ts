import { diagnose } from '@rusty-wren/core/diagnosis';
import { caseOf, readJob, type Bodies, type Entry, type EntryKind } from '@rusty-wren/core/log';
import { describe, expect, it } from 'vitest';
import {
  caseFileOf,
  caseFromFile,
  caseReport,
  entriesSchema,
  entrySchema,
  logFromCaseFile,
  parseCaseFile,
} from './index';

const EXAMPLE = {
  format: 'rusty-wren-case/1',
  machine: { kind: 'chainsaw', displacementCc: 45 },
  history: { monthsStored: 6, openedBefore: 'unknown', lightUse: true, failsWhen: 'hot' },
  log: [
    { complaint: 'kicks-back' },
    { check: 'fuel-smell', result: 'fresh', sureness: 'sure' },
    { check: 'compression-gauge', psi: [62, 98, 117, 124], decompressor: 'closed', altitudeM: 0 },
    { repair: 'coil-failed', outcome: 'no-change' },
  ],
};
const withLog = (...log: object[]): string => JSON.stringify({ ...EXAMPLE, log });
const read = (text: string) => caseFromFile(parseCaseFile(text));
const problem = (text: string): string => {
  try {
    parseCaseFile(text);
  } catch (error) {
    return (error as Error).message;
  }
  throw new Error('was accepted');
};

describe('the limits of a reading', () => {
  it('are the same in the log and in a case file', () => {
    const inLog = (mm: number[]): boolean =>
      !entrySchema.validate({
        id: '0b0f9d5e-3c4d-4c7e-9d7a-0d9f3a1b2c3d',
        notedAt: '2026-05-04T10:00:00.000Z',
        kind: 'finding',
        body: { check: 'coil-gap', reading: { mm }, sureness: 'sure' },
      }).error;
    const inFile = (mm: number[]): boolean => {
      const file = {
        format: 'rusty-wren-case/1',
        machine: { kind: 'trimmer' },
        log: [{ check: 'coil-gap', mm }],
      };
      try {
        return parseCaseFile(JSON.stringify(file)) !== null;
      } catch {
        return false;
      }
    };
    for (const [mm, taken] of [
      [[0.3, 0.3, 0.3, 0.3], true],
      [[0.3, 0.3, 0.3, 0.3, 0.3], false],
      [[50], true],
      [[50.1], false],
      [[-5], true],
      [[-5.1], false],
      [[], false],
    ] as const) {
      expect(inLog([...mm]), JSON.stringify(mm)).toBe(taken);
      expect(inFile([...mm]), JSON.stringify(mm)).toBe(taken);
    }
  });
});

describe('a case file', () => {
  it('becomes a case with its readings judged: 124 psi and still rising is only fairly sure', () => {
    const { case: c } = read(JSON.stringify(EXAMPLE));
    expect(c.evidence).toEqual([
      { ref: 'log[0]', kind: 'complaint', complaint: 'kicks-back' },
      { ref: 'log[1]', kind: 'finding', check: 'fuel-smell', result: 'fresh', sureness: 'sure' },
      { ref: 'log[2]', kind: 'finding', check: 'compression-gauge', result: 'good', sureness: 'fair' },
      { ref: 'log[3]', kind: 'repair', cause: 'coil-failed', outcome: 'no-change' },
    ]);
  });

  it('takes how often a complaint comes, and reckons with what comes and goes', () => {
    const often = { failed: 1, of: 3 };
    expect(read(withLog({ complaint: 'no-fire', often })).case.history).toMatchObject({ comesAndGoes: true });
    for (const always of [{ failed: 3, of: 3 }, { said: 'every-time' }])
      expect(
        read(withLog({ complaint: 'no-fire', often: always })).case.history.comesAndGoes,
      ).toBeUndefined();
    const counted = { check: 'spark-hot', result: 'fails-hot', counts: often };
    expect(read(withLog(counted)).case.evidence[0]).toMatchObject({ counts: often });
    expect(logFromCaseFile(parseCaseFile(withLog(counted)))).toContainEqual({
      kind: 'finding',
      body: { ...counted, sureness: 'sure' },
    });
    expect(logFromCaseFile(parseCaseFile(withLog({ complaint: 'no-fire', often })))).toContainEqual({
      kind: 'complaint',
      body: { complaint: 'no-fire', often },
    });
  });

  it('lets a later check supersede the earlier one, and a tray fill and empty', () => {
    const { case: c } = read(
      withLog(
        { check: 'fuel-smell', result: 'stale' },
        { tookOff: 'recoil' },
        { tookOff: 'plug' },
        { putBack: 'plug' },
        { check: 'fuel-smell', result: 'fresh', sureness: 'fair' },
      ),
    );
    expect(c.evidence).toEqual([
      {
        ref: 'log[4]',
        kind: 'finding',
        check: 'fuel-smell',
        result: 'fresh',
        sureness: 'fair',
        again: 'other',
      },
    ]);
    expect(c.off).toEqual(['recoil']);
  });

  it('takes one figure or several', () => {
    const { case: c } = read(
      withLog(
        { check: 'idle-speed', rpm: 2750 },
        { check: 'coil-gap', mm: [0.3, 0.5] },
        { check: 'screw-turns', turns: { H: 3.5 } },
      ),
    );
    expect(c.evidence.map((e) => e.kind === 'finding' && e.result)).toEqual(['in-band', 'uneven', 'far-out']);
  });

  it('asks for a reading that could not be judged to be repeated', () => {
    const { case: c, refused } = read(
      withLog({ check: 'compression-gauge', psi: [60], decompressor: 'open' }),
    );
    expect(c.evidence).toEqual([]);
    expect(caseReport(c, diagnose(c), refused)).toMatchObject({ repeat: [{ check: 'compression-gauge' }] });
  });
});

describe('the report', () => {
  const { case: c, refused } = read(JSON.stringify(EXAMPLE));
  const report = caseReport(c, diagnose(c), refused) as {
    suspects: { cause: string; probability: number }[];
    next: { value: number; minutes: number }[];
  };

  it('holds suspects and next checks above 0.1 %, best first', () => {
    for (const [list, key] of [
      [report.suspects, 'probability'],
      [report.next, 'value'],
    ] as const) {
      const values = list.map((x) => (x as unknown as Record<string, number>)[key] ?? NaN);
      expect(values.length).toBeGreaterThan(3);
      expect(values.toSorted((x, y) => y - x)).toEqual(values);
      if (key === 'probability') expect(Math.min(...values)).toBeGreaterThanOrEqual(0.001);
    }
  });

  it('does not accuse the coil that was changed in vain', () => {
    expect(report.suspects.slice(0, 2).map((s) => s.cause)).toEqual(
      expect.arrayContaining(['flywheel-key-sheared', 'coil-gap-wide']),
    );
    expect(report.suspects.find((s) => s.cause === 'coil-failed')?.probability ?? 0).toBeLessThan(0.02);
  });
});

describe('what is malformed is refused in one line naming the field', () => {
  it.each([
    ['{', 'is not JSON'],
    ['[]', 'must be of type object'],
    [JSON.stringify({ ...EXAMPLE, format: 'other/1' }), 'format must be [rusty-wren-case/1]'],
    [JSON.stringify({ ...EXAMPLE, machine: { kind: 'mower' } }), 'machine.kind must be one of'],
    [
      JSON.stringify({ ...EXAMPLE, machine: { kind: 'edger', displacementCc: '25' } }),
      'machine.displacementCc must be a number',
    ],
    [JSON.stringify({ ...EXAMPLE, history: { monthsStored: -1 } }), 'history.monthsStored must be greater'],
    [
      JSON.stringify({ ...EXAMPLE, history: { openedBefore: 'maybe' } }),
      'history.openedBefore must be one of',
    ],
    [JSON.stringify({ ...EXAMPLE, extra: 1 }), 'extra is not allowed'],
    [withLog({ complaint: 'flooded', often: { failed: 4, of: 3 } }), 'log[0].often'],
    [withLog({ complaint: 'wobbles' }), 'log[0].complaint must be one of'],
    [
      withLog({ complaint: 'flooded' }, { check: 'fuel-taste', result: 'bad' }),
      'log[1].check must be one of',
    ],
    [withLog({ check: 'fuel-smell', result: 'purple' }), 'log[0]: purple is not a result of fuel-smell'],
    [withLog({ check: 'fuel-smell' }), 'log[0] must contain at least one of'],
    [withLog({ check: 'fuel-smell', result: 'fresh', sureness: 'very' }), 'log[0].sureness must be one of'],
    [withLog({ repair: 'coil-failed' }), 'log[0].outcome is required'],
    [withLog({ complaint: 'flooded', repair: 'coil-failed', outcome: 'cured' }), 'log[0]'],
    [
      withLog({ check: 'fuel-smell', result: 'fresh', pulls: 20 }),
      'log[0]: pulls make no difference to fuel-smell',
    ],
    [withLog({ check: 'plug-look', result: 'wet-fuel', pulls: -1 }), 'log[0].pulls must be greater'],
    [withLog({}), 'log[0] must name exactly one of'],
    [withLog({ check: 'compression-gauge', psi: [60, 'x'] }), 'log[0].psi'],
    [withLog({ check: 'compression-gauge', psi: [] }), 'log[0].psi'],
    [JSON.stringify({ ...EXAMPLE, log: undefined }), 'log is required'],
  ])('%s', (text, says) => {
    expect(problem(text)).toContain(says);
    expect(problem(text)).not.toContain('\n');
  });
});

describe('a job as a case file', () => {
  const happened: { [K in EntryKind]: readonly [K, Bodies[K], string?] }[EntryKind][] = [
    ['complaint', { complaint: 'no-fire', words: 'dead' }],
    ['history', { answers: { monthsStored: 6, sharedCan: true } }],
    ['finding', { check: 'spark-tester', result: 'weak', sureness: 'fair' }],
    ['finding', { check: 'spark-tester', result: 'none', sureness: 'sure', note: 'dim room' }],
    [
      'finding',
      { check: 'compression-gauge', reading: { psi: [62, 98, 117, 124], altitudeM: 200 }, sureness: 'sure' },
    ],
    ['finding', { check: 'plug-look', result: 'wet-fuel', pulls: 20, sureness: 'sure' }],
    ['took-off', { part: 'recoil' }],
    ['took-off', { thing: 'a washer' }],
    ['finding', { check: 'fuel-smell', result: 'stale', sureness: 'sure' }],
    ['strike', { reason: 'Read wrong' }, 'e9'],
    ['repair', { cause: 'coil-failed', outcome: 'no-change' }],
    ['repair', { cause: 'plug-fouled', remedy: 'new-plug', outcome: 'better' }],
    ['note', { text: 'rang her' }],
    ['said-done', { work: 'coil', by: 'shop', monthsAgo: 2, effect: 'no-change' }],
  ];
  const picture = readJob(
    happened.map(
      ([kind, body, strikes], i) =>
        ({
          id: `e${i + 1}`,
          seq: i + 1,
          notedAt: '2026-05-04T09:00:00.000Z',
          kind,
          body,
          ...(strikes && { strikes }),
        }) as Entry,
    ),
    // The school is the bench's own and stays there.
    { kind: 'chainsaw', displacementCc: 45, baselineTurns: 2 },
  );

  it('holds what still counts, and is a case file others read the same way', () => {
    const file = parseCaseFile(JSON.stringify(caseFileOf(picture)));
    expect(file.log).toHaveLength(8);
    expect(JSON.stringify(file)).not.toContain('stale');
    const there = diagnose(caseFromFile(file).case).suspects;
    const here = diagnose(caseOf(picture)).suspects;
    expect(there.map((s) => s.cause).slice(0, 4)).toEqual(here.map((s) => s.cause).slice(0, 4));
  });

  it('comes back as entries the log takes, and as the same file again', () => {
    const file = caseFileOf(picture);
    const bodies = logFromCaseFile(parseCaseFile(JSON.stringify(file)));
    const entries = bodies.map((b, i) => ({
      id: `0b0f9d5e-3c4d-4c7e-9d7a-0d9f3a1b2c${String(i).padStart(2, '0')}`,
      notedAt: '2026-05-04T09:00:00.000Z',
      ...b,
    }));
    expect(entriesSchema.validate({ entries }, { convert: false }).error).toBeUndefined();
    const again = readJob(
      entries.map((e, i) => ({ ...e, seq: i + 1 }) as Entry),
      file.machine,
    );
    expect(caseFileOf(again)).toEqual(file);
  });
});
