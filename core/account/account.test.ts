import { describe, expect, it } from 'vitest';
import { diagnose } from '../diagnosis';
import type { CauseId, CheckId } from '../knowledge';
import { caseOf, linesOf, makeEntry, phaseOf, readJob, unnumbered, type Entry, type Noted } from '../log';
import { doneSaid, reportOf, workDoneOf, type PaperOf } from '../paper';
import { askedOf, likelyNow, USUAL_RULES, worthOf } from '../worth';
import { accountOf, mattersIn } from './index';

const TRIMMER = { kind: 'hedge-trimmer', displacementCc: 24 } as const;
const T0 = Date.parse('2026-05-04T09:00:00.000Z');
const logOf = (noted: readonly Noted[]): Entry[] =>
  noted.map((one, n) =>
    unnumbered(makeEntry(one, { id: `e${n}`, notedAt: new Date(T0 + n * 60_000).toISOString() })),
  );
const job = (...noted: readonly Noted[]) => {
  const picture = readJob(logOf(noted), TRIMMER);
  const c = caseOf(picture);
  const account = accountOf(picture, c);
  const diagnosis = diagnose(c);
  const asked = askedOf(picture, TRIMMER, { rules: USUAL_RULES, book: [] });
  const worth = worthOf({ ...asked, likely: likelyNow(account, c) });
  const paper: PaperOf = {
    picture,
    account,
    tag: 1,
    owner: 'Odile Farrant',
    machine: 'a hedge trimmer',
    foot: '',
    shop: '',
    money: (cents) => `€${cents / 100}`,
  };
  return {
    picture,
    account,
    diagnosis,
    worth,
    phase: phaseOf(picture, diagnosis),
    done: doneSaid(paper)
      .map((s) => s.text)
      .join(' '),
    report: reportOf(paper, worth, diagnosis.suspects).flatMap(linesOf).join('\n'),
    workDone: workDoneOf(paper).flatMap(linesOf).join('\n'),
  };
};

const complaint = (id: 'fades-under-way' | 'no-fire' | 'weak-under-load' | 'flooded'): Noted => ({
  kind: 'complaint',
  body: { complaint: id },
});
const find = (check: CheckId, result: string): Noted => ({
  kind: 'finding',
  body: { check, result, sureness: 'sure' },
});
const measure = (check: CheckId, mm: number[]): Noted => ({
  kind: 'finding',
  body: { check, reading: { mm }, sureness: 'sure' },
});
const repair = (cause: CauseId, outcome: 'cured' | 'untried' | 'no-change' | 'better'): Noted => ({
  kind: 'repair',
  body: { cause, outcome },
});
const kit = (outcome: 'cured' | 'untried'): Noted => ({
  kind: 'repair',
  body: { cause: 'metering-diaphragm-stiff', remedy: 'carburettor-rebuild', outcome },
});
const fault: Noted = {
  kind: 'finding',
  body: { check: 'safety-walkround', result: 'fault', sureness: 'sure', note: 'chain catcher broken' },
};

describe('a kit is one act', () => {
  const looks = [
    complaint('fades-under-way'),
    find('inlet-screen', 'clear'),
    find('carb-passages', 'clear'),
    find('metering-diaphragm', 'supple-flat'),
  ];

  it('never mends what was seen sound; wrong parts that it replaced are what was wrong', () => {
    const { account, done, report } = job(
      ...looks,
      { kind: 'took-off', body: { layer: 'pump-diaphragm', condition: 'wrong' } },
      { kind: 'put-back', body: { layer: 'pump-diaphragm', renewed: true } },
      kit('untried'),
      repair('carb-tampered', 'untried'),
      kit('cured'),
      repair('carb-tampered', 'cured'),
    );
    expect(mattersIn(account, 'mended').map((m) => m.cause)).toEqual(['carb-tampered']);
    expect(done).toContain(
      'Found and put right: the carburettor has been taken apart before and was not put together as it was built.',
    );
    for (const never of ['sieve', 'passage', 'membrane']) expect(done).not.toContain(never);
    for (const never of ['clogged', 'blocked', 'stiff']) expect(report).not.toContain(never);
  });

  it('that cured what nobody saw says what it may have been, and not more', () => {
    const { account, done } = job(...looks, kit('cured'));
    expect(account.matters).toEqual([]);
    const [act] = account.acts;
    expect(act).toMatchObject({ sure: false, tried: true });
    for (const seenSound of ['inlet-screen-clogged', 'main-circuit-blocked', 'metering-diaphragm-stiff'])
      expect(act!.credit.filter((x) => x.cause === seenSound && x.share > 0.35)).toEqual([]);
    expect(done).toMatch(
      /repair kit\. It runs right since\. Which part of it was at fault was not seen: most likely/,
    );
  });

  it('is credited to what was seen', () => {
    const { account, done } = job(
      complaint('fades-under-way'),
      find('pump-diaphragm', 'stiff'),
      kit('cured'),
    );
    expect(mattersIn(account, 'mended').map((m) => m.cause)).toEqual(['pump-diaphragm-stiff']);
    expect(done).toContain('Found and put right: the fuel pump inside the carburettor has gone stiff.');
  });
});

describe('seen wrong, then measured right', () => {
  const wide = [complaint('no-fire'), find('spark-tester', 'intermittent'), measure('coil-gap', [0.6, 0.6])];
  const right = measure('coil-gap', [0.3, 0.3]);

  it('is asked about once, before anything else', () => {
    expect(job(...wide, right).phase).toEqual({
      kind: 'set-right',
      what: { cause: 'coil-gap-wide', check: 'coil-gap', wrong: 'e2', right: 'e3' },
    });
    expect(job(...wide, right).picture.openEnds.map((e) => e.id)).toContain('set-right');
  });

  it('set right, it is a fault that was found and mended, and the good reading is its proof', () => {
    const set: Noted = { kind: 'repair', body: { cause: 'coil-gap-wide', outcome: 'untried', before: 'e3' } };
    const { account, phase, picture } = job(...wide, right, set);
    expect(account.matters).toMatchObject([{ cause: 'coil-gap-wide', basis: 'seen', state: 'untried' }]);
    expect(picture.setRight).toEqual([]);
    expect(phase.kind).not.toBe('set-right');
    const cured = job(...wide, right, set, find('spark-tester', 'strong'), repair('coil-gap-wide', 'cured'));
    expect(mattersIn(cured.account, 'mended').map((m) => m.cause)).toEqual(['coil-gap-wide']);
    expect(cured.diagnosis.unexplained).toEqual([]);
    expect(cured.workDone).toMatch(/We measured 0\.30 and 0\.30 mm; 0\.25 to 0\.36 is right for it/);
    expect(cured.workDone).not.toContain('0.60');
  });

  it('read wrong, the first is struck and nothing was found', () => {
    const entries = logOf([...wide, right]);
    const strike = unnumbered(
      makeEntry(
        { kind: 'strike', body: { reason: 'Read wrong' } },
        { id: 's', notedAt: '2026-05-04T10:00:00.000Z', strikes: 'e2' },
      ),
    );
    const picture = readJob([...entries, strike], TRIMMER);
    expect(picture.found).toEqual([]);
    expect(picture.setRight).toEqual([]);
  });

  it('is asked as well where the second look shows another fault', () => {
    const off = find('fuel-filter-look', 'off-the-line');
    const clogged = find('fuel-filter-look', 'clogged');
    const asked = job(complaint('fades-under-way'), off, clogged).picture.setRight;
    expect(asked).toEqual([
      { cause: 'fuel-filter-off', check: 'fuel-filter-look', wrong: 'e1', right: 'e2' },
    ]);
    const again = job(complaint('fades-under-way'), clogged, find('fuel-filter-look', 'clogged'));
    expect(again.picture.setRight).toEqual([]);
  });

  it('is not asked where a repair stands between, nor while it is wrong again', () => {
    expect(job(...wide, repair('coil-gap-wide', 'untried'), right).picture.setRight).toEqual([]);
    expect(job(...wide, right, measure('coil-gap', [0.6, 0.6])).picture.setRight).toEqual([]);
  });
});

describe('the screws', () => {
  const count = (turns: { L?: number; H?: number }): Noted => ({
    kind: 'finding',
    body: { check: 'screw-turns', reading: { turns }, sureness: 'sure' },
  });
  const believed = (cause: CauseId, ...noted: Noted[]): number =>
    job(...noted).diagnosis.suspects.find((s) => s.cause === cause)?.probability ?? 0;
  it('speak for their own side', () => {
    const idles: Noted = { kind: 'complaint', body: { complaint: 'dies-at-idle' } };
    const wet = find('plug-look', 'wet-fuel');
    expect(believed('low-screw-lean', idles, wet, count({ L: 3 }))).toBeLessThan(0.01);
    expect(believed('low-screw-rich', idles, count({ L: 3, H: 1 }))).toBeGreaterThan(
      3 * believed('low-screw-rich', idles, count({ L: 1, H: 3 })),
    );
    expect(believed('low-screw-lean', idles, count({ L: 0.25, H: 1 }))).toBeGreaterThan(
      3 * believed('low-screw-lean', idles, count({ L: 1, H: 0.25 })),
    );
  });
});

describe('a fault found while it is being proved', () => {
  const proved: Noted[] = [
    complaint('no-fire'),
    find('plug-look', 'damaged'),
    repair('plug-failed', 'cured'),
    { kind: 'finding', body: { check: 'full-speed', result: 'in-band', sureness: 'sure' } },
    find('throttle-action', 'follows'),
    { kind: 'finding', body: { check: 'idle-speed', result: 'in-band', sureness: 'sure' } },
    { kind: 'proved', body: { step: 'idle-minute' } },
    { kind: 'proved', body: { step: 'tool-still' } },
    { kind: 'start', body: { state: 'warm', pulls: 2, outcome: 'runs' } },
  ];
  const doneSteps = (...noted: Noted[]): string[] =>
    job(...noted)
      .picture.proof.filter((s) => s.done)
      .map((s) => s.id);

  it('is put right where it was found, and the proof goes on with what the work touched', () => {
    expect(doneSteps(...proved)).toEqual(['full', 'throttle', 'tool-still', 'warm']);
    const found = [...proved, find('fuel-smell', 'stale')];
    expect(job(...found).phase).toMatchObject({ kind: 'stop', stop: { why: 'found', cause: 'stale-fuel' } });
    const mended = [...found, repair('stale-fuel', 'untried')];
    expect(job(...mended).phase.kind).toBe('prove');
    // The tool stood still, whatever is in the tank.
    expect(doneSteps(...mended)).toEqual(['tool-still']);
    const blunt = [...proved, repair('chain-dull', 'untried')];
    expect(doneSteps(...blunt)).toEqual(['throttle', 'warm']);
    expect(job(...mended).picture.stage).toBe('proof');
  });

  it('failed to start before it was told of as cured: the telling counts', () => {
    const failed: Noted = { kind: 'start', body: { state: 'warm', pulls: 8, outcome: 'nothing' } };
    const twice = [
      ...proved,
      find('fuel-smell', 'stale'),
      repair('stale-fuel', 'untried'),
      repair('plug-fouled', 'untried'),
      failed,
    ];
    expect(job(...twice).picture.cured).toBe(false);
    const told = job(...twice, repair('stale-fuel', 'cured'));
    expect(told.picture.cured).toBe(true);
    expect(told.phase.kind).toBe('prove');
    expect(job(...twice, repair('stale-fuel', 'cured'), failed).picture.cured).toBe(false);
  });

  it('a complaint noted again takes the cure back', () => {
    expect(job(...proved, complaint('no-fire')).picture.cured).toBe(false);
    expect(job(...proved, complaint('no-fire')).phase.kind).not.toBe('prove');
  });
});

describe('what was settled on governs the price', () => {
  const coil = [complaint('no-fire'), { kind: 'verdict', body: { settles: 'coil-failed' } } as Noted];
  it('settled by hand, nothing else is priced', () => {
    const { worth } = job(...coil);
    const mend = worth.choices.find((c) => c.id === 'mend')!;
    expect(mend.jobs.map((j) => j.job.id)).toEqual(['coil-failed']);
    expect(mend.price.low).toBe(mend.price.high);
  });
  it('fitted and cured, there is a price and nothing to choose, on screen and on paper', () => {
    const { worth, report, workDone } = job(...coil, repair('coil-failed', 'cured'));
    expect(worth).toMatchObject({ finished: true, best: 'mend' });
    expect(report).not.toContain('We would take');
    expect(report).not.toContain('has not been seen yet');
    expect(report).toContain('Put right, as what it most likely was: the ignition coil has failed.');
    expect(workDone).toContain('It runs right since.');
  });
  it('in one’s own words it is priced as that', () => {
    const own: Noted = { kind: 'verdict', body: { other: 'bolt in the fan' } };
    const mend = job(complaint('no-fire'), own).worth.choices.find((c) => c.id === 'mend')!;
    expect(mend.jobs.map((j) => j.job.does)).toEqual(['Bolt in the fan']);
  });
});

describe('a safety fault', () => {
  const told: Noted = { kind: 'answered', body: { safety: 'told' } };
  it('is in every choice with its price, and on every paper, until it is put right', () => {
    const { worth, report } = job(complaint('no-fire'), fault, told, find('plug-look', 'damaged'));
    for (const choice of worth.choices)
      if (['bare', 'mend'].includes(choice.id))
        expect(choice.jobs.map((j) => j.job.does)).toContain('Put right for safety: chain catcher broken');
    expect(report).toContain('Not to be used before this is put right: chain catcher broken.');
    expect(report).toContain('Stays unsafe: chain catcher broken.');
    expect(worth.best).not.toBe('as-it-is');
    expect(report).toContain('We advise against it. It would go home unsafe to use.');
    const without = job(complaint('no-fire'), find('plug-look', 'damaged')).worth;
    const price = (w: typeof worth) => w.choices.find((c) => c.id === 'mend')!.price.mean;
    expect(price(worth)).toBeGreaterThan(price(without));
  });
  it('put right is in the work done', () => {
    const right: Noted = { kind: 'answered', body: { safety: 'put-right' } };
    const { workDone, worth } = job(complaint('no-fire'), fault, right, repair('plug-failed', 'cured'));
    expect(workDone).toContain('Found and put right, for safety: chain catcher broken.');
    expect(workDone).not.toContain('Not to be used');
    expect(worth.choices[0]!.jobs.map((j) => j.job.id)).toContain('safety-part');
  });
});

describe('a price', () => {
  it('for leaving it as it is never lies above that of mending it', () => {
    for (const cause of ['plug-failed', 'idle-stop-wrong', 'fuel-filter-clogged'] as const) {
      const { worth } = job(complaint('weak-under-load'), { kind: 'verdict', body: { settles: cause } });
      const of = (id: string) => worth.choices.find((c) => c.id === id)!;
      expect(of('as-it-is').price.low).toBeLessThanOrEqual(of('mend').price.low);
    }
  });
});

describe('what may have been the cure, told to the owner', () => {
  it('names no last button: what cured it is not known, and what hardly did is not charged', () => {
    const several = job(
      complaint('no-fire'),
      find('prime-at-intake', 'nothing'),
      repair('plug-failed', 'untried'),
      repair('air-filter-clogged', 'untried'),
      repair('coil-failed', 'cured'),
    );
    for (const paper of [several.workDone, several.report]) {
      expect(paper).toContain(
        'It runs right now. What cured it is not known: it may be that the spark plug has failed, or that the ignition coil has failed.',
      );
      expect(paper).toContain('Done in case it was this: the ignition coil has failed.');
      expect(paper).not.toContain('as what it most likely was');
    }
    const charged = several.worth.choices[0]?.jobs.map((j) => j.job.does) ?? [];
    expect(charged).toContain('Fit a new coil, gap by strip');
    expect(charged.join()).not.toMatch(/air filter/);
    // What was hardly it is not among what was wrong, and the paper says each thing once.
    expect(several.account.matters.map((m) => m.cause)).not.toContain('air-filter-clogged');
    const again = job(
      complaint('no-fire'),
      find('prime-at-intake', 'nothing'),
      repair('plug-failed', 'untried'),
      repair('coil-failed', 'cured'),
      { kind: 'swapped-back', body: { of: 'e2', what: 'Old plug back in', again: true } },
    );
    expect(mattersIn(again.account, 'mended').map((m) => m.cause)).toEqual(['plug-failed']);
    expect(again.done).toBe(
      'Put right, as what it most likely was: the spark plug has failed. It runs right since. Done in case it was this: the ignition coil has failed.',
    );
    const alone = job(
      complaint('no-fire'),
      find('prime-at-intake', 'nothing'),
      repair('coil-failed', 'cured'),
    );
    expect(alone.workDone).toContain('Put right, as what it most likely was: the ignition coil has failed.');
    expect(alone.workDone).not.toContain('not known');
  });

  it('reckons what is still there and has not shown into its coming back', () => {
    const back = (often: Noted): number =>
      job(often, find('plug-lead-look', 'loose-or-cracked'), repair('plug-lead-loose', 'cured')).worth
        .choices[0]!.back;
    const sometimes: Noted = {
      kind: 'complaint',
      body: { complaint: 'no-fire', often: { failed: 1, of: 5 } },
    };
    const always: Noted = {
      kind: 'complaint',
      body: { complaint: 'no-fire', often: { said: 'every-time' } },
    };
    expect(back(sometimes)).toBeGreaterThan(back(always) + 0.02);
  });
});
