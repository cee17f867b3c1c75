import { ENTRY_KINDS, paperHash, type Bodies, type EntryKind } from '@rusty-wren/core/log';
import { describe, expect, it } from 'vitest';
import { checkInSchema, clearMessage, entrySchema, problemOfEntry } from './index';

const ID = '0b0f9d5e-3c4d-4c7e-9d7a-0d9f3a1b2c3d';
const entry = (kind: string, body: unknown, more: object = {}): object => ({
  id: ID,
  notedAt: '2026-05-04T10:00:00.000Z',
  kind,
  body,
  ...more,
});
const problem = (value: unknown): string | null => {
  const { error } = entrySchema.validate(value, { convert: false });
  // The quick way and the thorough one say the same.
  if (typeof value === 'object' && value !== null)
    expect(problemOfEntry(value) === null, JSON.stringify(value).slice(0, 200)).toBe(!error);
  return error ? clearMessage(error) : null;
};

/** A watched gauge of so many readings. */
const watch = (count: number) => ({
  unit: 'psi' as const,
  points: Array.from({ length: count }, (_, n) => [n / 10, 7] as const),
});

const given: Bodies['paper'] = (() => {
  const said = { text: 'The fuel smells stale.', from: [ID] };
  const paper = {
    title: 'Report and choices: Brakken B45, Odile Farrant, tag 101',
    blocks: [
      { is: 'heading', text: 'What is wrong' },
      { is: 'text', ...said },
      { is: 'list', items: [said] },
      {
        is: 'choice',
        choice: 'mend',
        name: 'Mend it',
        price: '€41 to €52',
        days: '2 working days',
        items: [said],
      },
      {
        is: 'photo',
        hash: 'a'.repeat(64),
        width: 4,
        height: 3,
        text: '',
        pins: [{ x: 0, y: 1, words: 'here' }],
      },
      { is: 'code', url: 'https://bench.local/job/1', text: 'Opens the job' },
      { is: 'large', text: '101' },
      { is: 'sign', text: 'Name' },
    ],
  } satisfies Pick<Bodies['paper'], 'title' | 'blocks'>;
  return { paper: 'report', ...paper, hash: paperHash(paper) };
})();

/** A spark looked at hot, several times. */
const hot = (result: string, counts: object): object =>
  entry('finding', { check: 'spark-hot', result, counts, sureness: 'sure' });

describe('entries', () => {
  /** Bodies of each kind as the core has them: a kind forgotten here, or a body that is none, does not compile. */
  const good: { [K in EntryKind]: readonly Bodies[K][] } = {
    complaint: [
      { complaint: 'flooded' },
      { complaint: 'flooded', often: { said: 'now-and-then' } },
      { complaint: 'flooded', often: { failed: 50, of: 50 } },
    ],
    history: [{ answers: { monthsStored: 3 } }],
    'said-done': [
      { work: 'coil' },
      { work: 'fuel-lines', by: 'shop', monthsAgo: 0.5, effect: 'trouble-since' },
    ],
    finding: [
      { check: 'fuel-smell', result: 'stale', sureness: 'fair' },
      { check: 'spark-hot', result: 'fails-hot', counts: { failed: 1, of: 3 }, sureness: 'sure' },
      { check: 'spark-tester', result: 'strong', counts: { failed: 0, of: 50 }, sureness: 'sure' },
      { check: 'coil-gap', reading: { mm: [0.3, 0.4] }, sureness: 'sure' },
      { check: 'line-pressure', reading: { trace: watch(10_000) }, sureness: 'sure' },
    ],
    'took-off': [
      { part: 'recoil' },
      { layer: 'inlet-needle', condition: 'worn' },
      { layer: 'low-screw', uncounted: true },
      { thing: 'long screw', place: 'top', count: 2 },
    ],
    'put-back': [
      { thing: 'a washer' },
      { layer: 'inlet-needle', renewed: true },
      { layer: 'low-screw', turns: 1.125 },
    ],
    'thrown-away': [{ layer: 'pump-gasket' }],
    'left-off': [{ thing: 'a washer', words: 'not of this one' }],
    condition: [{ layer: 'metering-diaphragm', condition: 'hard' }],
    line: [
      { tag: 'clear, long', ends: ['tank-filter', 'supply-stub'] },
      { tag: 'blue', ends: ['tank', 'return-stub'], returns: true },
      { tag: 'blue', ends: ['tank', 'return-stub'], on: true },
    ],
    carburettor: [
      { throat: 'barrel', bulb: 'on-body' },
      { throat: 'butterfly', bulb: 'none', own: { pump: ['pump-cover'], metering: [] } },
    ],
    'rebuild-step': [
      { step: 'scribed' },
      { step: 'renew', answer: 'kit' },
      { step: 'order', answer: 'as-usual' },
    ],
    photo: [
      {
        hash: 'a'.repeat(64),
        width: 1600,
        height: 900,
        of: { layer: 'inlet-screen' },
        when: 'before',
        pins: [{ x: 0.5, y: 1, words: 'gummed here' }],
      },
    ],
    'screw-plan': [
      { of: { part: 'recoil' }, on: { outline: 'round' }, screws: [{ x: 0, y: 1, kind: 'long' }] },
      {
        of: { thing: 'fan cover' },
        on: { photo: 'a'.repeat(64) },
        screws: [{ x: 0.5, y: 0.5, kind: 'short' }],
      },
    ],
    worth: [{ ageYears: 6 }, { like: 290_00 }],
    'choice-set': [
      { choice: 'mend', price: 55_00, days: 3, words: 'with a new cord' },
      { choice: 'parts', offered: false },
    ],
    decision: [
      { choice: 'mend', by: 'Odile Farrant', how: 'phone', price: 55_00, signature: 'a'.repeat(64) },
    ],
    paper: [given],
    'tray-passed': [{ words: 'a washer of another machine' }],
    repair: [
      { cause: 'coil-failed', outcome: 'no-change' },
      { cause: 'coil-failed', outcome: 'untried' },
      { cause: 'plug-fouled', remedy: 'new-plug', outcome: 'cured' },
      { other: 'bolt in the fan', outcome: 'cured' },
    ],
    verdict: [
      { settles: 'coil-failed' },
      { settles: 'plug-fouled', remedy: 'new-plug' },
      { other: 'bolt in the fan' },
      { behind: 'intake-leak', answer: 'waived' },
    ],
    answered: [
      { cause: 'fuel-line-leak', answer: 'told' },
      { cause: 'fuel-line-leak', answer: 'left', words: 'no line in the drawer' },
      { safety: 'put-right' },
    ],
    note: [{ text: 'x' }],
    screw: [{ screw: 'L', eighths: -0.5, trial: true, why: 'to see' }],
    heard: [{ track: [[0.1, 2800, 0]], seconds: 12, by: 'microphone' }],
    start: [{ state: 'cold', pulls: 4, outcome: 'runs', drill: 'no choke' }],
    proved: [{ step: 'idle-minute' }, { enough: 'cold', sure: 0.81 }],
    'at-owners': [
      { uses: 5, again: false },
      { uses: 1, again: true, words: 'on the slope' },
    ],
    'swapped-back': [{ of: '00000000-0000-4000-8000-000000000001', what: 'Old plug back in', again: false }],
    can: [{ job: ID, shared: true }],
    stage: [{ stage: 'parts', waitingFor: 'a kit' }],
    'hazard-passed': [{ words: 'brake held' }],
    strike: [{ reason: 'slip' }],
  };
  it.each(ENTRY_KINDS)('%s is taken as the core has it', (kind) => {
    const more = kind === 'strike' ? { strikes: ID } : {};
    for (const body of good[kind]) expect(problem(entry(kind, body, more)), JSON.stringify(body)).toBeNull();
  });

  it.each([
    [entry('gossip', {}), 'kind must be one of'],
    [entry('note', {}), 'body.text is required'],
    [entry('repair', { outcome: 'cured' }), 'body must contain at least one of [cause, other]'],
    [entry('repair', { cause: 'coil-failed', other: 'x', outcome: 'cured' }), 'conflict'],
    [entry('repair', { other: 'bolt in the fan', outcome: 'untried' }), 'body.outcome must be one of'],
    [entry('answered', { cause: 'coil-failed', answer: 'left' }), 'body.words is required'],
    [entry('answered', { cause: 'coil-failed' }), 'body.answer is required'],
    [entry('answered', { cause: 'coil-failed', answer: 'told', safety: 'told' }), 'conflict'],
    [entry('answered', { safety: 'left' }), 'body.safety must be one of'],
    [entry('screw', { screw: 'choke', eighths: 1 }), 'body.screw must be one of'],
    [entry('screw', { screw: 'L', eighths: 0 }), 'body.eighths'],
    [entry('screw', { screw: 'L', eighths: 0.3 }), 'body.eighths must be a multiple of 0.5'],
    [entry('screw', { screw: 'H', eighths: 40 }), 'body.eighths must be less than or equal to 32'],
    [entry('heard', { track: [], seconds: 1, by: 'microphone' }), 'body.track must contain at least 1 items'],
    [entry('heard', { track: [[0, NaN, 0]], seconds: 1, by: 'microphone' }), 'body.track[0][1]'],
    [
      entry('heard', { track: Array(2401).fill([1, 2800, 0]), seconds: 1, by: 'microphone' }),
      'body.track must contain less than or equal to 2400 items',
    ],
    [entry('start', { state: 'cold', pulls: -1, outcome: 'runs' }), 'body.pulls'],
    [entry('took-off', { part: 'recoil', condition: 'worn' }), 'body.condition is not allowed'],
    [entry('took-off', { part: 'recoil', layer: 'lever-pin' }), 'conflict'],
    [entry('took-off', { layer: 'lever-pin', count: 2 }), 'body.count is not allowed'],
    [entry('took-off', { thing: 'screw', count: 100 }), 'body.count must be less than or equal to 99'],
    [entry('left-off', { thing: 'screw' }), 'body.words is required'],
    [entry('paper', { ...given, hash: 'b'.repeat(64) }), 'body.hash is not of what stands on the paper'],
    [entry('paper', { ...given, title: 'Another' }), 'body.hash is not of what stands on the paper'],
    [entry('paper', { ...given, blocks: [{ is: 'script', text: 'x' }] }), 'body.blocks[0].is must be one of'],
    [entry('rebuild-step', { step: 'renew' }), 'body.answer is required'],
    [entry('rebuild-step', { step: 'renew', answer: 'as-usual' }), 'body.answer must be one of'],
    [entry('rebuild-step', { step: 'scribed', answer: 'kit' }), 'body.answer is not allowed'],
    [entry('carburettor', { throat: 'barrel', bulb: 'two' }), 'body.bulb must be one of'],
    [entry('photo', { hash: 'A'.repeat(64), width: 1, height: 1 }), 'body.hash'],
    [entry('photo', { hash: 'a'.repeat(64), width: 1601, height: 1 }), 'body.width must be less than'],
    [
      entry('photo', { hash: 'a'.repeat(64), width: 1, height: 1, pins: [{ x: 1.1, y: 0, words: 'x' }] }),
      'body.pins[0].x',
    ],
    [entry('line', { tag: 'x', ends: ['tank'] }), 'body.ends'],
    [entry('line', { tag: 'x', ends: ['tank', 'tank'] }), 'body.ends'],
    [entry('line', { ends: ['tank', 'vent'] }), 'body.tag is required'],
    [entry('proved', { step: 'cold' }), 'body.step must be one of'],
    [entry('proved', { enough: 'warm' }), 'body'],
    [entry('proved', { enough: 'warm', sure: 1.1 }), 'body.sure must be less than or equal to 1'],
    [entry('proved', { enough: 'warm', step: 'stood', sure: 0.9 }), 'conflict'],
    [entry('complaint', { complaint: 'flooded', often: { failed: 4, of: 3 } }), 'body.often'],
    [entry('complaint', { complaint: 'flooded', often: { failed: 0, of: 3 } }), 'body.often'],
    [entry('complaint', { complaint: 'flooded', often: { failed: 1, of: 51 } }), 'body.often'],
    [entry('complaint', { complaint: 'flooded', often: { said: 'often' } }), 'body.often'],
    [entry('complaint', { complaint: 'flooded', often: '1 of 3' }), 'body.often'],
    [entry('note', { text: '' }), 'body.text is not allowed to be empty'],
    [
      entry('finding', { check: 'fuel-smell', result: 'purple', sureness: 'sure' }),
      'purple is not a result of fuel-smell',
    ],
    [
      entry('finding', { check: 'fuel-smell', reading: { mm: [1] }, sureness: 'sure' }),
      'fuel-smell takes no reading',
    ],
    [
      entry('finding', { check: 'coil-gap', reading: { rpm: [1] }, sureness: 'sure' }),
      'coil-gap is read in mm',
    ],
    [entry('finding', { check: 'coil-gap', sureness: 'sure' }), 'body must contain at least one of'],
    [
      entry('finding', { check: 'line-pressure', reading: { trace: watch(10_001) }, sureness: 'sure' }),
      'body.reading.trace.points must contain less than or equal to 10000 items',
    ],
    [
      entry('finding', {
        check: 'line-pressure',
        reading: { trace: { unit: 'psi', points: [[0, -7]] } },
        sureness: 'sure',
      }),
      'body.reading.trace.points[0][1] must be greater than or equal to 0',
    ],
    [
      entry('finding', { check: 'fuel-smell', result: 'fresh', pulls: 20, sureness: 'sure' }),
      'body: pulls make no difference to fuel-smell',
    ],
    [entry('took-off', { part: 'recoil', thing: 'x' }), 'body contains a conflict'],
    [entry('verdict', { behind: 'intake-leak' }), 'body.answer is required'],
    [entry('verdict', { settles: 'coil-failed', answer: 'waived' }), 'body.answer is not allowed'],
    [
      entry('verdict', { behind: 'plug-fouled', answer: 'waived', remedy: 'new-plug' }),
      'body.remedy is not allowed',
    ],
    [entry('strike', { reason: 'x' }), 'strikes is required'],
    [entry('note', { text: 'x' }, { strikes: ID }), 'strikes is not allowed'],
    [entry('note', { text: 'x' }, { id: '7' }), 'id must be a valid GUID'],
    [entry('note', { text: 'x' }, { notedAt: 'yesterday' }), 'notedAt must be a moment'],
    [entry('note', { text: 'x' }, { seq: 4 }), 'seq is not allowed'],
    [hot('stays', { failed: 1, of: 3 }), 'that is not stays'],
    [hot('fails-hot', { failed: 0, of: 3 }), 'None of 3 failed'],
    [hot('fails-hot', { failed: 4, of: 3 }), 'body.counts.failed'],
    [hot('fails-hot', { failed: 1 }), 'body.counts.of is required'],
    [
      entry('finding', {
        check: 'fuel-smell',
        result: 'stale',
        counts: { failed: 1, of: 3 },
        sureness: 'sure',
      }),
      'the same every time',
    ],
    [
      entry('finding', {
        check: 'idle-speed',
        reading: { rpm: [2800] },
        counts: { failed: 1, of: 3 },
        sureness: 'sure',
      }),
      'not with a reading',
    ],
  ])('is refused (%#)', (value, says) => {
    expect(problem(value)).toContain(says);
  });
});

describe('check-in', () => {
  const whole = {
    jobId: ID,
    customer: { name: 'Odile Farrant' },
    machine: { kind: 'chainsaw', maker: 'Brakken', model: 'B45' },
    entries: [entry('complaint', { complaint: 'no-fire' })],
  };
  const says = (change: object): string => {
    const { error } = checkInSchema.validate({ ...whole, ...change }, { convert: false });
    return error ? clearMessage(error) : 'taken';
  };

  it('takes known or new owners and machines', () => {
    expect(says({})).toBe('taken');
    expect(says({ customer: { id: ID }, machine: { id: ID } })).toBe('taken');
  });

  it('names what is wrong', () => {
    expect(says({ customer: {} })).toContain('customer.name is required');
    expect(says({ machine: { kind: 'mower', maker: 'x', model: 'y' } })).toContain(
      'machine.kind must be one of',
    );
    expect(says({ machine: { ...whole.machine, displacementCc: 4 } })).toContain('machine.displacementCc');
    expect(says({ entries: [] })).toContain('entries must contain at least 1');
  });
});
