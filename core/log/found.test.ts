import { describe, expect, it } from 'vitest';
import { diagnose } from '../diagnosis';
import { caseOf, makeEntry, phaseOf, readJob, unnumbered, type Entry, type Noted } from './index';

const SAW = { kind: 'chainsaw', displacementCc: 45 } as const;
const T0 = Date.parse('2026-05-04T09:00:00.000Z');

/** A log of these, a minute apart. */
const logOf = (...noted: readonly Noted[]): Entry[] =>
  noted.map((one, n) =>
    unnumbered(makeEntry(one, { id: `e${n}`, notedAt: new Date(T0 + n * 60_000).toISOString() })),
  );
const picture = (...noted: readonly Noted[]) => readJob(logOf(...noted), SAW);
const phase = (...noted: readonly Noted[]) => {
  const p = picture(...noted);
  return phaseOf(p, diagnose(caseOf(p)));
};

const fades: Noted = { kind: 'complaint', body: { complaint: 'fades-under-way' } };
const find = (check: 'tank-vent' | 'line-look' | 'cap-cracked-trial', result: string): Noted => ({
  kind: 'finding',
  body: { check, result, sureness: 'sure' },
});
const vent = find('tank-vent', 'blocked');
const recovers = find('cap-cracked-trial', 'recovers');
const mended = (outcome: 'untried' | 'cured' | 'better' | 'no-change'): Noted => ({
  kind: 'repair',
  body: { cause: 'tank-vent-blocked', outcome },
});
const started = (outcome: 'runs' | 'nothing', pulls = 10): Noted => ({
  kind: 'start',
  body: { state: 'cold', pulls, outcome },
});
const fault: Noted = {
  kind: 'finding',
  body: { check: 'safety-walkround', result: 'fault', sureness: 'sure', note: 'chain catcher gone' },
};

describe('a fault that was found', () => {
  it('is to be put right, until the owner was told or it is left with a reason', () => {
    const seen = [fades, vent, recovers];
    expect(phase(...seen)).toMatchObject({
      kind: 'stop',
      stop: { why: 'found', cause: 'tank-vent-blocked' },
    });
    expect(picture(...seen).openEnds.map((e) => e.id)).toContain('found');
    for (const answer of ['told', 'left'] as const) {
      const answered: Noted = {
        kind: 'answered',
        body: { cause: 'tank-vent-blocked', answer, words: 'next week' },
      };
      expect(phase(...seen, answered)).toMatchObject({
        kind: 'left',
        causes: ['tank-vent-blocked'],
        ...(answer === 'told' && { because: 'told' }),
      });
      expect(picture(...seen, answered).openEnds.map((e) => e.id)).not.toContain('found');
      // Looked at again, and it is there again: what was said does not stand for that.
      expect(phase(...seen, answered, vent).kind).toBe('stop');
    }
  });

  it('mended and not tried asks whether that was it, and only then for the proof', () => {
    const done = [fades, vent, recovers, mended('untried')];
    expect(phase(...done)).toMatchObject({
      kind: 'stop',
      stop: { why: 'try', causes: ['tank-vent-blocked'] },
    });
    expect(picture(...done).found).toMatchObject([{ cause: 'tank-vent-blocked', state: 'untried' }]);
    expect(phase(...done, mended('cured')).kind).toBe('prove');
    // One repair, told of twice.
    expect(picture(...done, mended('cured')).repairs).toMatchObject([{ outcome: 'cured' }]);
    expect(picture(...done, mended('cured')).evidence.filter((e) => e.kind === 'repair')).toHaveLength(1);
  });

  it('mended in pieces has to be put together before it can be tried', () => {
    const off: Noted = { kind: 'took-off', body: { part: 'air-box' } };
    const carb: Noted = { kind: 'took-off', body: { part: 'carburettor' } };
    expect(phase(fades, vent, recovers, off, carb, mended('untried'))).toMatchObject({
      kind: 'together',
      off: [{ part: 'air-box' }, { part: 'carburettor' }],
    });
  });

  it('mended untried and then not starting changed nothing; one that starts says nothing yet', () => {
    const noFire: Noted = { kind: 'complaint', body: { complaint: 'no-fire' } };
    const coil: Noted = { kind: 'repair', body: { cause: 'coil-failed', outcome: 'untried' } };
    expect(picture(noFire, coil, started('nothing')).repairs).toMatchObject([{ outcome: 'no-change' }]);
    expect(picture(noFire, coil, started('nothing', 5)).repairs).toMatchObject([{ outcome: 'untried' }]);
    expect(picture(noFire, coil, started('runs')).repairs).toMatchObject([{ outcome: 'untried' }]);
    expect(phase(noFire, coil, started('nothing')).kind).toBe('check');
  });

  it('untried speaks neither for nor against what was put right unseen: it is gone, and may have been it', () => {
    const noFire: Noted = { kind: 'complaint', body: { complaint: 'no-fire' } };
    const of = (...noted: Noted[]) => diagnose(caseOf(picture(noFire, ...noted)));
    const coil = (outcome: 'untried' | 'no-change'): Noted => ({
      kind: 'repair',
      body: { cause: 'coil-failed', outcome },
    });
    const p = (d: ReturnType<typeof diagnose>): number =>
      d.suspects.find((s) => s.cause === 'plug-fouled')?.probability ?? 0;
    const before = p(of());
    expect(p(of(coil('untried')))).toBeCloseTo(before, 6);
    expect(p(of(coil('no-change')))).toBeGreaterThan(before);
    expect(of(coil('untried')).stop?.why).toBe('try');
  });
});

describe('a fault that hurts somebody', () => {
  it('stands until it is put right, and forbids running the machine as long', () => {
    const p = picture(fades, fault);
    expect(p.safetyFaults).toEqual([
      { entryId: 'e1', words: 'chain catcher gone', told: false, refused: null },
    ]);
    expect(diagnose(caseOf(p)).hazard).not.toBeNull();
    const right = picture(fades, fault, { kind: 'answered', body: { safety: 'put-right' } });
    expect(right.safetyFaults).toEqual([]);
    expect(right.safetyMended).toEqual([{ entryId: 'e1', words: 'chain catcher gone', mendedBy: 'e2' }]);
    expect(diagnose(caseOf(right)).hazard).toBeNull();
  });

  it('told to the owner is on paper, not away', () => {
    const told = picture(fades, fault, { kind: 'answered', body: { safety: 'told' } });
    expect(told.safetyFaults).toMatchObject([{ told: true }]);
    expect(told.openEnds.map((e) => e.id)).toContain('safety');
    expect(diagnose(caseOf(told)).hazard).not.toBeNull();
  });

  it('refused in writing may go home, and is run at the bench no more than before', () => {
    const refused = picture(fades, fault, {
      kind: 'answered',
      body: { safety: 'refused', words: 'I do without. O. Farrant' },
    });
    expect(refused.safetyFaults).toMatchObject([{ refused: { words: 'I do without. O. Farrant' } }]);
    expect(refused.openEnds.map((e) => e.id)).not.toContain('safety');
    expect(diagnose(caseOf(refused)).hazard).not.toBeNull();
  });

  it('comes before the proof and before a repair is tried, unless it was knowingly passed', () => {
    const done = [fades, fault, vent, recovers, mended('untried')];
    expect(phase(...done)).toMatchObject({ kind: 'safety', fault: { words: 'chain catcher gone' } });
    expect(phase(...done, mended('cured'))).toMatchObject({ kind: 'safety' });
    const passed: Noted = { kind: 'hazard-passed', body: { words: 'chain off' } };
    expect(phase(...done, mended('cured'), passed).kind).toBe('prove');
    const right: Noted = { kind: 'answered', body: { safety: 'put-right' } };
    expect(phase(...done, mended('cured'), right).kind).toBe('prove');
  });

  it('seen sound with nobody having put it right is asked about, not forgotten', () => {
    const sound: Noted = {
      kind: 'finding',
      body: { check: 'safety-walkround', result: 'sound', sureness: 'sure' },
    };
    expect(phase(fades, fault, sound)).toMatchObject({
      kind: 'set-right',
      what: { cause: null, wrong: 'e1', right: 'e2' },
    });
  });
});

describe('a fault in one’s own words', () => {
  const other = { other: 'exhaust bolt in the cooling fan' };
  const settled: Noted = { kind: 'verdict', body: other };
  it('is settled, mended and proved like any other', () => {
    expect(phase(fades, settled)).toMatchObject({ kind: 'repair', settled: other });
    const cured: Noted = { kind: 'repair', body: { ...other, outcome: 'cured' } };
    expect(phase(fades, settled, cured).kind).toBe('prove');
    expect(diagnose(caseOf(picture(fades, settled, cured)))).toMatchObject({ next: [], stop: null });
  });

  it('mended in vain goes back to looking, and no suspect is the likelier for it', () => {
    const vain: Noted = { kind: 'repair', body: { ...other, outcome: 'no-change' } };
    expect(phase(fades, settled, vain).kind).toBe('check');
    const suspects = (...noted: Noted[]) =>
      diagnose(caseOf(picture(...noted))).suspects.map((s) => s.probability);
    expect(suspects(fades, settled, vain)).toEqual(suspects(fades));
  });
});

describe('where a job is', () => {
  const stage = (...noted: readonly Noted[]) => picture(...noted).stage;
  const say = (s: 'hook' | 'parts' | 'bench'): Noted => ({ kind: 'stage', body: { stage: s } });
  it('follows the work, and what somebody says until there is more of it', () => {
    expect(stage(fades)).toBe('hook');
    expect(stage(fades, fault)).toBe('hook');
    expect(stage(fades, vent)).toBe('bench');
    expect(stage(fades, vent, say('parts'))).toBe('parts');
    expect(stage(fades, vent, say('parts'), { kind: 'note', body: { text: 'rang' } })).toBe('parts');
    expect(stage(fades, vent, say('parts'), mended('better'))).toBe('bench');
    expect(stage(fades, vent, mended('cured'))).toBe('proof');
    expect(stage(fades, vent, mended('cured'), started('nothing'))).toBe('bench');
    expect(stage(fades, vent, mended('cured'), say('hook'))).toBe('hook');
  });

  it('is since the entry that put it there', () => {
    const p = picture(fades, find('line-look', 'supple'), vent);
    expect(p.stageSince).toBe(p.trail[1]?.entry.notedAt);
  });

  it('does not move for what was noted at check-in', () => {
    const [complaint, look] = logOf(fades, vent);
    const together = [complaint!, { ...look!, notedAt: complaint!.notedAt }];
    expect(readJob(together, SAW).stage).toBe('hook');
  });
});
