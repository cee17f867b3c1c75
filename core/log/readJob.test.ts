import { logTable } from './index';
import { describe, expect, it } from 'vitest';
import { diagnose } from '../diagnosis';
import {
  caseOf,
  COLD_AGAIN_H,
  coldStartDue,
  ENTRY_KINDS,
  entryWords,
  phaseOf,
  readJob,
  staleFindings,
  type Bodies,
  type Entry,
  type EntryKind,
  type Picture,
} from './index';

const SAW = { kind: 'chainsaw', displacementCc: 45 } as const;

/** A log written down in order; `strike` takes the id of what it strikes. */
class Log {
  readonly entries: Entry[] = [];
  #at = Date.parse('2026-05-04T09:00:00.000Z');
  /** Hours go by. */
  later(hours: number): void {
    this.#at += hours * 3_600_000;
  }
  add<K extends EntryKind>(kind: K, body: Bodies[K], strikes?: string): string {
    const seq = this.entries.length + 1;
    const id = `e${seq}`;
    this.#at += 60_000;
    this.entries.push({
      id,
      seq,
      notedAt: new Date(this.#at).toISOString(),
      kind,
      body,
      ...(strikes && { strikes }),
    } as Entry);
    return id;
  }
  find(check: Bodies['finding']['check'], result: string): string {
    return this.add('finding', { check, result, sureness: 'sure' });
  }
  get picture() {
    return readJob(this.entries, SAW);
  }
}

/** What the job asks for, the engine asked as the bench asks it. */
const phase = (picture: Picture) => phaseOf(picture, diagnose(caseOf(picture)));

describe('striking', () => {
  it('equals never having had it, for the picture and for the diagnosis', () => {
    const struck = new Log();
    const plain = new Log();
    for (const log of [struck, plain]) log.add('complaint', { complaint: 'no-fire' });
    const wrong = struck.find('spark-tester', 'none');
    for (const log of [struck, plain]) log.find('fuel-smell', 'fresh');
    struck.add('strike', { reason: 'daylight' }, wrong);

    const probabilities = (log: Log) =>
      diagnose(caseOf(log.picture)).suspects.map((s) => [s.cause, s.probability]);
    expect(probabilities(struck)).toEqual(probabilities(plain));
    expect(struck.picture.findings.map((f) => f.check)).toEqual(plain.picture.findings.map((f) => f.check));
  });

  it('keeps the struck entry readable, with its reason', () => {
    const log = new Log();
    const wrong = log.find('spark-tester', 'none');
    log.add('strike', { reason: 'Poor light' }, wrong);
    expect(log.picture.trail[0]).toMatchObject({ state: 'struck', reason: 'Poor light' });
  });

  it('is taken back by striking the strike', () => {
    const log = new Log();
    const finding = log.find('spark-tester', 'none');
    const strike = log.add('strike', { reason: 'x' }, finding);
    log.add('strike', { reason: 'it was right' }, strike);
    expect(log.picture.findings).toHaveLength(1);
  });

  it('brings back what a struck repetition had superseded', () => {
    const log = new Log();
    log.find('spark-tester', 'weak');
    const again = log.find('spark-tester', 'strong');
    expect(log.picture.trail.map((l) => l.state)).toEqual(['superseded', 'live']);
    log.add('strike', { reason: 'wrong lead' }, again);
    expect(log.picture.findings.map((f) => f.result)).toEqual(['weak']);
  });
});

describe('order', () => {
  it('is the server’s; what is unsent comes last, as it was noted', () => {
    const log = new Log();
    log.find('fuel-smell', 'stale');
    const late: Entry = {
      ...(log.entries[0] as Entry),
      id: 'late',
      seq: null,
      notedAt: '2026-05-04T08:00:00.000Z',
      kind: 'finding',
      body: { check: 'fuel-smell', result: 'fresh', sureness: 'sure' },
    };
    expect(readJob([late, ...log.entries], SAW).findings.map((f) => f.result)).toEqual(['fresh']);
  });

  it('does not matter in the array', () => {
    const log = new Log();
    log.add('complaint', { complaint: 'flooded' });
    log.find('plug-look', 'wet-fuel');
    log.add('took-off', { part: 'plug' });
    expect(readJob(log.entries.toReversed(), SAW)).toEqual(log.picture);
  });
});

describe('readings', () => {
  it('are judged, and the raw figures kept', () => {
    const log = new Log();
    log.add('finding', {
      check: 'compression-gauge',
      reading: { psi: [62, 98, 117, 124] },
      sureness: 'sure',
    });
    expect(log.picture.findings[0]).toMatchObject({ result: 'good', reading: { psi: [62, 98, 117, 124] } });
    expect(entryWords(log.picture.trail[0]!)).toEqual({
      about: 'Measure compression',
      says: 'good, 62 98 117 124 psi',
    });
  });

  it('that cannot be judged are no evidence', () => {
    const log = new Log();
    log.add('finding', {
      check: 'compression-gauge',
      reading: { psi: [40, 60, 70], decompressor: 'open' },
      sureness: 'sure',
    });
    expect(log.picture.findings[0]?.result).toBeNull();
    expect(log.picture.evidence).toEqual([]);
  });

  it('keep a technician’s doubt', () => {
    const log = new Log();
    log.add('finding', { check: 'coil-gap', reading: { mm: [0.3, 0.6] }, sureness: 'doubtful' });
    expect(log.picture.findings[0]).toMatchObject({ result: 'uneven', sureness: 'doubtful' });
  });
});

describe('the tray', () => {
  it('holds what came off in order until it goes back, loose things by name', () => {
    const log = new Log();
    log.add('took-off', { part: 'air-box' });
    log.add('took-off', { thing: 'Washer' });
    log.add('took-off', { part: 'carburettor' });
    log.add('put-back', { thing: 'washer' });
    log.add('took-off', { part: 'air-box' });
    expect(log.picture.off.map((o) => o.name)).toEqual(['Carburettor', 'Air box']);
  });
});

describe('from finding to closing', () => {
  it('goes through check, repair, what stands behind it, proof and close', () => {
    const log = new Log();
    const at = () => phase(log.picture).kind;
    log.add('complaint', { complaint: 'weak-under-load' });
    expect(at()).toBe('check');
    log.add('took-off', { part: 'muffler' });
    log.find('piston-exhaust-side', 'scored');
    log.add('verdict', { settles: 'piston-heat-scored' });
    expect(at()).toBe('repair');
    log.add('repair', { cause: 'piston-heat-scored', outcome: 'cured' });
    expect(at()).toBe('behind');
    expect(log.picture.openEnds.map((e) => e.id)).toEqual(['behind', 'tray', 'proof']);
    for (const behind of [
      'intake-leak',
      'crank-seal-leak',
      'base-gasket-leak',
      'high-screw-lean',
      'cooling-fins-blocked',
    ] as const) {
      log.add('verdict', { behind, answer: 'ruled-out' });
    }
    expect(at()).toBe('behind');
    log.add('verdict', { behind: 'no-oil-in-fuel', answer: 'put-right' });
    expect(at()).toBe('together');
    log.add('put-back', { part: 'muffler' });
    log.add('start', { state: 'warm', pulls: 2, outcome: 'runs' });
    log.find('idle-speed', 'in-band');
    log.find('throttle-action', 'follows');
    log.add('proved', { step: 'idle-minute' });
    log.add('proved', { step: 'tool-still' });
    expect(at()).toBe('prove');
    log.add('finding', { check: 'full-speed', reading: { rpm: [12400] }, sureness: 'sure' });
    // Weak under load: nothing but the work shows whether it is gone; a new top end wants its heats and the gauge.
    log.add('proved', { step: 'in-work' });
    log.add('proved', { step: 'heat-cycles' });
    log.add('finding', { check: 'compression-gauge', result: 'good', sureness: 'sure' });
    expect(log.picture.proof.filter((s) => !s.done).map((s) => s.id)).toEqual(['cold']);
    log.later(2);
    // Run two hours ago, whatever it was called: not cold yet.
    log.add('start', { state: 'cold', pulls: 3, outcome: 'runs' });
    expect(at()).toBe('prove');
    log.later(4);
    log.add('start', { state: 'cold', pulls: 3, outcome: 'runs' });
    expect(at()).toBe('close');
    expect(log.picture.openEnds).toEqual([]);
    log.add('stage', { stage: 'closed' });
    expect(at()).toBe('closed');
    log.add('stage', { stage: 'bench', reason: 'Came back' });
    expect(at()).not.toBe('closed');
  });

  it('goes back to finding when a repair changed nothing', () => {
    const log = new Log();
    log.add('complaint', { complaint: 'no-fire' });
    log.add('verdict', { settles: 'coil-failed' });
    log.add('repair', { cause: 'coil-failed', outcome: 'no-change' });
    expect(phase(log.picture).kind).toBe('check');
    expect(log.picture.openEnds.map((e) => e.id)).toContain('settle');
  });

  it('begins the proof anew when a repair is made or a screw touched', () => {
    const log = new Log();
    const done = (): string[] => log.picture.proof.filter((s) => s.done).map((s) => s.id);
    log.add('repair', { cause: 'tank-vent-blocked', outcome: 'cured' });
    log.add('start', { state: 'warm', pulls: 1, outcome: 'runs' });
    log.later(4);
    log.add('start', { state: 'cold', pulls: 5, outcome: 'runs' });
    expect(done()).toEqual(['warm', 'cold']);
    const turned = log.add('screw', { screw: 'L', eighths: 1 });
    expect(done()).toEqual([]);
    // A turn noted by mistake, struck, never was.
    log.add('strike', { reason: 'the other saw' }, turned);
    expect(done()).toEqual(['warm', 'cold']);
    log.add('repair', { cause: 'plug-fouled', outcome: 'cured' });
    expect(done()).toEqual([]);
  });

  it('is cold three hours after it last ran, not a minute earlier, and whatever made it run', () => {
    for (const warmed of ['start', 'heard', 'idle-speed', 'proved'] as const) {
      for (const [hours, cold] of [
        [COLD_AGAIN_H - 0.1, false],
        [COLD_AGAIN_H, true],
      ] as const) {
        const log = new Log();
        log.add('repair', { cause: 'tank-vent-blocked', outcome: 'cured' });
        if (warmed === 'start') log.add('start', { state: 'warm', pulls: 1, outcome: 'runs' });
        else if (warmed === 'heard')
          log.add('heard', {
            track: [
              [0, 2800, 1],
              [1, 2800, 1],
            ],
            seconds: 1,
            by: 'microphone',
          });
        else if (warmed === 'proved') log.add('proved', { step: 'idle-minute' });
        else log.find('idle-speed', 'in-band');
        log.later(hours);
        log.add('start', { state: 'cold', pulls: 3, outcome: 'runs' });
        expect(log.picture.proof.find((s) => s.id === 'cold')?.clean === 1, `${warmed} ${hours} h`).toBe(
          cold,
        );
      }
    }
  });

  it('goes back to looking when it fails to start during the proof, and counts that', () => {
    const tries = [
      [{ state: 'cold', pulls: 10, outcome: 'nothing' }, 'check'],
      [{ state: 'cold', pulls: 6, outcome: 'pops' }, 'check'],
      [{ state: 'cold', pulls: 5, outcome: 'nothing' }, 'prove'],
      [{ state: 'flooded', pulls: 12, outcome: 'nothing' }, 'prove'],
      [{ state: 'cold', pulls: 12, outcome: 'runs' }, 'prove'],
    ] as const;
    for (const [body, then] of tries) {
      const log = new Log();
      log.add('complaint', { complaint: 'fades-under-way' });
      log.add('verdict', { settles: 'tank-vent-blocked' });
      log.add('repair', { cause: 'tank-vent-blocked', outcome: 'cured' });
      log.add('start', body);
      const { picture } = log;
      expect(phase(picture).kind, JSON.stringify(body)).toBe(then);
      const { stop, next, found } = diagnose(caseOf(picture));
      const reopened = then === 'check';
      expect(next.length > 0 || stop !== null).toBe(reopened);
      expect(found).toMatchObject([{ cause: 'tank-vent-blocked', state: 'mended' }]);
      if (reopened)
        expect(picture.evidence.at(-1)).toMatchObject({
          kind: 'complaint',
          complaint: body.outcome === 'pops' ? 'pops-only' : 'no-fire',
        });
      // A later repair that cures it goes on to the proof again.
      log.add('repair', { cause: 'plug-lead-loose', outcome: 'cured' });
      expect(phase(log.picture).kind).toBe('prove');
    }
  });

  it('counts a start that failed before any repair as the check of that name', () => {
    const log = new Log();
    log.add('complaint', { complaint: 'hard-to-start' });
    log.add('start', { state: 'cold', pulls: 10, outcome: 'pops' });
    expect(log.picture.evidence.at(-1)).toMatchObject({
      kind: 'finding',
      check: 'start-trial',
      result: 'pops',
    });
  });

  it('takes no start that only popped, or took too many pulls, for proof', () => {
    const log = new Log();
    log.add('repair', { cause: 'tank-vent-blocked', outcome: 'cured' });
    log.add('start', { state: 'warm', pulls: 3, outcome: 'pops' });
    log.add('start', { state: 'warm', pulls: 14, outcome: 'runs' });
    expect(log.picture.proof.some((s) => s.done)).toBe(false);
  });

  it('reminds of the second cold start once everything else is done', () => {
    const log = new Log();
    // A screw was turned: two cold starts.
    log.add('screw', { screw: 'L', eighths: 1 });
    expect(coldStartDue(log.picture.proof)).toBeNull();
    for (const [check, result] of [
      ['full-speed', 'in-band'],
      ['throttle-action', 'follows'],
      ['idle-speed', 'in-band'],
    ] as const)
      log.find(check, result);
    log.add('proved', { step: 'idle-minute' });
    log.add('proved', { step: 'tool-still' });
    log.add('start', { state: 'warm', pulls: 1, outcome: 'runs' });
    expect(log.picture.proof.find((s) => s.id === 'cold')).toMatchObject({ times: 2, clean: 0 });
    const afterLast = (): number =>
      Date.parse(coldStartDue(log.picture.proof)?.notBefore ?? '') -
      Date.parse(log.picture.starts.at(-1)!.notedAt);
    expect(afterLast()).toBe(COLD_AGAIN_H * 3_600_000);
    log.later(4);
    log.add('start', { state: 'cold', pulls: 5, outcome: 'runs' });
    expect(afterLast()).toBe(COLD_AGAIN_H * 3_600_000);
  });

  it('marks as stale what was found before a repair that changed it', () => {
    const log = new Log();
    log.add('complaint', { complaint: 'hard-to-start' });
    const before = log.find('line-pressure', 'leaks');
    log.find('compression-gauge', 'good');
    expect(staleFindings(log.picture)).toEqual(new Set());
    log.add('repair', { cause: 'fuel-line-leak', outcome: 'better' });
    expect(staleFindings(log.picture)).toEqual(new Set([before]));
    log.find('line-pressure', 'holds');
    expect(staleFindings(log.picture)).toEqual(new Set());
  });

  it('carries a whole remedy from its settling to what the engine reads', () => {
    const log = new Log();
    log.add('complaint', { complaint: 'runs-on-prime-then-dies' });
    log.add('verdict', { settles: 'metering-diaphragm-stiff', remedy: 'carburettor-rebuild' });
    expect(log.picture.settled).toMatchObject([
      { cause: 'metering-diaphragm-stiff', remedy: 'carburettor-rebuild', outcome: null },
    ]);
    const body = { cause: 'metering-diaphragm-stiff', remedy: 'carburettor-rebuild' } as const;
    log.add('repair', { ...body, outcome: 'no-change', note: 'kit fitted' });
    const ref = log.picture.repairs[0]?.entryId;
    expect(log.picture.evidence.at(-1)).toEqual({ ref, kind: 'repair', ...body, outcome: 'no-change' });
    expect(entryWords(log.picture.trail.at(-1)!).says).toMatch(
      /rebuild the carburettor with a kit: .*kit fitted/i,
    );
  });

  it('names a safety fault until the walk-round is sound again', () => {
    const log = new Log();
    log.add('finding', {
      check: 'safety-walkround',
      result: 'fault',
      sureness: 'sure',
      note: 'Catcher broken',
    });
    expect(log.picture.safetyFaults.map((f) => f.words)).toEqual(['Catcher broken']);
    expect(log.picture.openEnds.some((e) => e.says.includes('Catcher broken'))).toBe(true);
    log.find('safety-walkround', 'sound');
    expect(log.picture.safetyFaults).toEqual([]);
  });
});

describe('words', () => {
  it('has something to say for every kind of entry', () => {
    const track = [
      [0, 2800, 1],
      [1, 2800, 1],
    ] as const;
    /** One of each kind: a kind forgotten here does not compile. */
    const said: { [K in EntryKind]: [body: Bodies[K], about: string, says: string] } = {
      complaint: [{ complaint: 'flooded', words: 'wet' }, 'Complaint', 'Flooded, “wet”'],
      history: [
        { answers: { monthsStored: 6, openedBefore: 'no', alreadyTried: 'plug' } },
        'History',
        'stood 6 months, never opened, already tried: plug',
      ],
      'said-done': [
        { work: 'coil', by: 'shop', monthsAgo: 0.5, effect: 'no-change' },
        'Said done before',
        'new coil, by another shop, 2 weeks ago, no better',
      ],
      finding: [
        { check: 'fuel-smell', result: 'stale', sureness: 'sure', note: 'like varnish' },
        'Smell the fuel',
        'stale, like varnish',
      ],
      'took-off': [{ thing: 'spring' }, 'Off', 'spring'],
      'put-back': [{ part: 'recoil' }, 'Back on', 'Recoil starter'],
      'thrown-away': [{ layer: 'pump-gasket' }, 'Thrown away', 'Pump gasket'],
      'left-off': [{ thing: 'sleeve', words: 'none fitted' }, 'Left off on purpose', 'sleeve. none fitted'],
      condition: [{ layer: 'inlet-needle', condition: 'worn' }, 'Inlet needle', 'ring in the tip'],
      line: [
        { tag: 'blue', ends: ['tank', 'return-stub'], returns: true },
        'Line',
        'blue: tank, no filter to return stub, fuel comes out of it at one press',
      ],
      carburettor: [{ throat: 'barrel', bulb: 'on-body' }, 'Carburettor', 'barrel, bulb on the body'],
      'rebuild-step': [{ step: 'renew', answer: 'kit' }, 'Rebuild', 'to be renewed: all that the kit holds'],
      photo: [
        {
          hash: 'a',
          width: 4,
          height: 3,
          of: { layer: 'inlet-needle' },
          pins: [{ x: 0, y: 0, words: 'ring' }],
        },
        'Photo',
        'Inlet needle, 1 ring',
      ],
      'screw-plan': [
        {
          of: { part: 'recoil' },
          on: { outline: 'round' },
          screws: [
            { x: 0.1, y: 0.1, kind: 'long' },
            { x: 0.9, y: 0.9, kind: 'long' },
            { x: 0.9, y: 0.1, kind: 'short' },
          ],
        },
        'Screws',
        'Recoil starter: 2 long, 1 short',
      ],
      worth: [{ ageYears: 6, like: 290_00 }, 'Its worth', '6 years old, a like one costs 290.00'],
      'choice-set': [
        { choice: 'mend', price: 55_50, days: 1, words: 'with a new cord' },
        'Choice',
        'Mend it, 55.50, in 1 day, with a new cord',
      ],
      decision: [
        { choice: 'bare', by: 'Odile Farrant', how: 'phone', price: 42_00 },
        'Decided',
        'Make it run, at 42.00, Odile Farrant, by phone',
      ],
      paper: [{ paper: 'tag', title: 'Hook tag: 101', blocks: [], hash: 'a' }, 'Given', 'Hook tag: 101'],
      'tray-passed': [{ words: 'of another machine' }, 'Started all the same', 'of another machine'],
      repair: [
        { cause: 'plug-fouled', outcome: 'better', note: 'new' },
        'Repair',
        'Fit a new plug, find what fouled it: better, not cured. new',
      ],
      verdict: [
        { behind: 'oil-heavy-mix', answer: 'waived' },
        'Behind it',
        'Far too much oil in the mix: waived',
      ],
      answered: [
        { cause: 'tank-vent-blocked', answer: 'left', words: 'no part' },
        'Found',
        'Tank vent blocked: left. no part',
      ],
      note: [{ text: 'later' }, 'Note', 'later'],
      screw: [{ screw: 'L', eighths: 1, why: 'dies at idle' }, 'Screw', 'L out 1/8. dies at idle'],
      heard: [{ track, seconds: 1, by: 'stand-in' }, 'Listened', 'simulated'],
      start: [{ state: 'cold', pulls: 4, outcome: 'pops' }, 'Start', 'cold, only pops after 4 pulls'],
      proved: [{ step: 'tool-still' }, 'Proved', 'tool still at idle'],
      'at-owners': [
        { uses: 5, again: true, words: 'on the slope' },
        'At its owner’s',
        'after 5 uses, it did it again. on the slope',
      ],
      'swapped-back': [
        { of: 'e1', what: 'Old plug back in', again: true },
        'Put back to see',
        'old plug back in: it did it again',
      ],
      can: [{ job: 'x', shared: false }, 'Fuel can', 'not the same as another job’s'],
      stage: [{ stage: 'parts', waitingFor: 'kit' }, 'Stage', 'Waits for parts: kit'],
      'hazard-passed': [{ words: 'brake held' }, 'Run all the same', 'brake held'],
      strike: [{ reason: 'slip' }, 'Struck', 'slip'],
    };
    for (const kind of ENTRY_KINDS) {
      const [body, about, says] = said[kind];
      const log = new Log();
      log.add(kind, body);
      expect(entryWords(log.picture.trail[0]!), kind).toEqual({ about, says });
    }
  });
});

describe('a check made again', () => {
  it('says whether it came out the same as the time before', () => {
    const log = new Log();
    log.add('complaint', { complaint: 'no-fire' });
    log.find('spark-tester', 'none');
    log.find('spark-tester', 'none');
    expect(log.picture.evidence.at(-1)).toMatchObject({ check: 'spark-tester', again: 'same' });
    log.find('spark-tester', 'strong');
    expect(log.picture.evidence.at(-1)).toMatchObject({ result: 'strong', again: 'other' });
  });

  it('is believed more when it was the same', () => {
    const log = new Log();
    log.add('complaint', { complaint: 'no-fire' });
    log.find('spark-tester', 'none');
    const once = diagnose(caseOf(log.picture)).suspects.find((s) => s.cause === 'coil-failed');
    log.find('spark-tester', 'none');
    const twice = diagnose(caseOf(log.picture)).suspects.find((s) => s.cause === 'coil-failed');
    expect(twice?.probability).toBeGreaterThan(once?.probability ?? 1);
  });
});

describe('the log as a table', () => {
  it('has each entry as the trail tells it, what no longer counts as well, and nothing a spreadsheet would reckon', () => {
    const entry = (n: number, kind: 'note' | 'strike', body: object, strikes?: string): Entry =>
      ({
        id: `t${n}`,
        seq: n,
        notedAt: `2026-05-04T09:00:0${n}.000Z`,
        kind,
        body,
        ...(strikes && { strikes }),
      }) as Entry;
    const { trail } = readJob(
      [entry(1, 'note', { text: '=1+1, he said' }), entry(2, 'strike', { reason: 'slip' }, 't1')],
      { kind: 'trimmer' },
    );
    expect(logTable({ trail }).split('\r\n')).toEqual([
      'at,number,about,says,counts,why not',
      `2026-05-04T09:00:01.000Z,1,Note,"'=1+1, he said",no,slip`,
      '2026-05-04T09:00:02.000Z,2,Struck,slip,yes,',
    ]);
  });
});
