import { randomUUID } from 'node:crypto';
import type { Found, JobWithLog, MachineLife, OwnerLife } from '@rusty-wren/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aCheckIn, openBench, post, type TestBench } from '../testing/bench';

let bench: TestBench;
interface Known {
  id: string;
  name: string;
  phone: string | null;
}
interface KnownMachine {
  id: string;
  maker: string;
  model: string;
  serial: string | null;
  owner: string;
}
let owners: Known[];
let machines: KnownMachine[];
let tags: { id: string; tag: number }[];
beforeAll(async () => {
  bench = await openBench({ demo: new Date('2026-11-26T10:00:00.000Z') });
  for (const [n, name] of MORE.entries())
    await post(bench.app, '/api/jobs', {
      ...aCheckIn(),
      customer: { name, phone: `ext. ${300 + n * 7}` },
      machine: {
        kind: n % 2 ? 'trimmer' : 'blower',
        maker: n % 2 ? 'Hobwick' : 'Tolvane',
        model: `Sedge ${20 + n}`,
        serial: `HS-${4000 + n * 13}`,
        displacementCc: 25,
      },
    });
  owners = (await bench.pool.query<Known>('SELECT id, name, phone FROM customer ORDER BY name')).rows;
  machines = (
    await bench.pool.query<KnownMachine>(
      `SELECT m.id, m.maker, m.model, m.serial, c.name AS owner FROM machine m JOIN customer c ON c.id = m.customer_id
       ORDER BY m.id`,
    )
  ).rows;
  tags = (await bench.pool.query<{ id: string; tag: number }>('SELECT id, tag FROM job ORDER BY tag')).rows;
});
afterAll(() => bench.close());

/** Owners besides the demo's, some of them much alike. */
const MORE = [
  'Marta Elwood',
  'Martin Ellwood',
  'Sigrid Thornby',
  'Per Thornbury',
  'Lisbet Quern',
  'Anselm Brakeley',
  'Ebba Rowanhill',
  'Jory Penhallow',
  'Tamsin Penrose',
  'Wilf Hartshorn',
  'Greta Hartman',
  'Osric Vellum',
  'Nils Underhay',
  'Maud Appleyard',
  'Caspar Applegarth',
];

const get = async <T>(path: string): Promise<T> => (await (await bench.app.request(path)).json()) as T;
const find = (words: string) => get<Found>(`/api/find?${new URLSearchParams({ words })}`);
/** The ids found first: three of each kind, as the screen groups them. */
const firstThree = (found: Found): string[] => [
  ...found.owners.slice(0, 3).map((o) => o.id),
  ...found.machines.slice(0, 3).map((m) => m.id),
  ...found.jobs.slice(0, 3).map((t) => t.job.id),
];

/** How words are typed by oily hands: a letter left out, doubled, changed over with the next, or another. */
const SLIPS: ((word: string) => string)[] = [
  (w) => w.slice(0, 2) + w.slice(3),
  (w) => w.slice(0, 3) + w.slice(2),
  (w) => w.slice(0, 1) + w[2] + w[1] + w.slice(3),
  (w) => `${w.slice(0, -2)}e${w.slice(-1)}`,
];

describe('finding', () => {
  it('has what was meant among the first three of its kind, 95 times in a hundred, of 200 things as they are typed', async () => {
    const asked: { typed: string; wanted: string }[] = [];
    for (const { id, name, phone } of owners) {
      const [first = '', last = first] = [name.split(' ')[0], name.split(' ').at(-1)];
      asked.push({ typed: name, wanted: id }, { typed: name.toLowerCase(), wanted: id });
      asked.push({ typed: last.slice(0, 4), wanted: id }, { typed: `${last} ${first}`, wanted: id });
      if (phone) asked.push({ typed: phone, wanted: id });
      if (last.length >= 5)
        SLIPS.forEach((slip) => asked.push({ typed: slip(last.toLowerCase()), wanted: id }));
    }
    for (const m of machines) {
      if (m.serial) asked.push({ typed: m.serial, wanted: m.id });
      asked.push({ typed: `${m.maker} ${m.model} ${m.owner.split(' ').at(-1)}`, wanted: m.id });
    }
    tags.forEach(({ id, tag }) => asked.push({ typed: String(tag), wanted: id }));
    expect(asked.length).toBeGreaterThanOrEqual(200);
    const missed: string[] = [];
    for (const { typed, wanted } of asked) {
      const found = await find(typed);
      // A machine by its owner's name too is found as a job of it.
      const ids = [...firstThree(found), ...found.jobs.slice(0, 3).map((t) => t.job.machine.id)];
      if (!ids.includes(wanted)) missed.push(typed);
    }
    expect(missed.length / asked.length, missed.join(' | ')).toBeLessThanOrEqual(0.05);
  });

  it('says what was looked for in the place of a word that stands nowhere', async () => {
    const found = await find('farant');
    expect(found.instead[0]?.took).toContain('farrant');
    expect(found.owners.map((o) => o.name)).toContain('Odile Farrant');
    expect(await find('zzqqxx')).toEqual({
      owners: [],
      machines: [],
      jobs: [],
      instead: [{ word: 'zzqqxx', took: [] }],
    });
  });

  it('finds by what was found and put right, and by what somebody wrote; all words have to be right', async () => {
    const coil = await find('coil gap');
    expect(coil.jobs.length).toBeGreaterThan(0);
    const [one] = coil.jobs;
    const both = await find(`coil gap ${one!.job.customer.name}`);
    expect(both.jobs.map((t) => t.job.id)).toContain(one!.job.id);
    expect((await find('coil gap 0000000')).jobs).toEqual([]);
  });

  it('open jobs stand before closed ones', async () => {
    const { jobs } = await find('chainsaw');
    const stages = jobs.map((t) => t.stage === 'closed');
    expect(stages).toEqual(stages.toSorted((x, y) => Number(x) - Number(y)));
    expect(stages).toContain(false);
  });

  it.each([
    "'; DROP TABLE job; --",
    "farrant' | 'x':*",
    '%_%',
    '\\',
    '(((((',
    '!!! & | <->',
    ':*',
    '\u0000',
    '“”',
    'a'.repeat(200),
    '𝔘𝔫𝔦',
    'ﬁlter',
    '-- --',
  ])('%j does no harm', async (typed) => {
    const response = await bench.app.request(`/api/find?${new URLSearchParams({ words: typed })}`);
    expect(response.status).toBe(200);
    expect((await bench.pool.query('SELECT 1 FROM job LIMIT 1')).rowCount).toBe(1);
  });

  it('too much at once is refused, nothing finds nothing', async () => {
    expect((await bench.app.request(`/api/find?words=${'a'.repeat(201)}`)).status).toBe(400);
    expect(await get<Found>('/api/find')).toEqual({ owners: [], machines: [], jobs: [], instead: [] });
  });
});

describe('a machine and an owner', () => {
  it('tell their jobs, the open ones first, and the squeezes over the years', async () => {
    const odile = owners.find((o) => o.name === 'Odile Farrant')!;
    const owner = await get<OwnerLife>(`/api/owners/${odile.id}`);
    expect(owner.machines).toHaveLength(3);
    const [machine] = owner.machines;
    const life = await get<MachineLife>(`/api/machines/${machine!.id}`);
    expect(life.owner.id).toBe(odile.id);
    expect(life.jobs).toHaveLength(machine!.jobs);
    // What comes in anew stands there at once.
    const checkIn = { ...aCheckIn(), customer: { id: odile.id }, machine: { id: machine!.id } };
    const { job } = (await (await post(bench.app, '/api/jobs', checkIn)).json()) as JobWithLog;
    expect((await get<MachineLife>(`/api/machines/${machine!.id}`)).jobs.map((t) => t.job.id)).toContain(
      job.id,
    );
  });

  it('the record of its model counts each cause once a job, put right or left, and the sound squeezes', async () => {
    const machine = { kind: 'trimmer', maker: 'Hobwick', model: 'Record 25', displacementCc: 25 } as const;
    const noted = (kind: string, body: object) => ({
      id: randomUUID(),
      notedAt: '2026-05-04T10:00:00.000Z',
      kind,
      body,
    });
    const closing = noted('stage', { stage: 'closed', reason: 'done' });
    const cured = () => noted('repair', { cause: 'fuel-line-leak', outcome: 'cured' });
    const logs = [
      [cured(), cured(), closing],
      [cured(), { ...closing, id: randomUUID() }],
      [
        noted('finding', { check: 'fuel-look', result: 'water', sureness: 'sure' }),
        noted('finding', {
          check: 'compression-gauge',
          sureness: 'sure',
          reading: { psi: [70, 100, 112, 118, 118] },
        }),
        { ...closing, id: randomUUID() },
      ],
    ];
    let machineId = '';
    for (const entries of logs) {
      const checkIn = { ...aCheckIn(), machine: { ...machine } };
      const { job } = (await (await post(bench.app, '/api/jobs', checkIn)).json()) as JobWithLog;
      machineId = job.machine.id;
      const answer = await post(bench.app, `/api/jobs/${job.id}/entries`, { entries });
      expect(answer.status, await answer.clone().text()).toBe(201);
    }
    const { record } = await get<MachineLife>(`/api/machines/${machineId}`);
    expect(record.jobs).toBe(3);
    expect(record.found).toEqual([
      { cause: 'fuel-line-leak', jobs: 2 },
      { cause: 'water-in-fuel', jobs: 1 },
    ]);
    expect(record.squeeze?.of).toBe(1);
    expect(record.parts).toEqual([]);
  });

  it('tells how each job left it, and where the screws of its model stood once they were proved', async () => {
    const tam = owners.find((o) => o.name === 'Tam Brisco')!;
    const fell = (await get<OwnerLife>(`/api/owners/${tam.id}`)).machines.find((m) => m.model === 'Fell 62')!;
    const { left, record } = await get<MachineLife>(`/api/machines/${fell.id}`);
    expect(left.map((l) => l.tag)).toEqual([31, 58, 84, expect.any(Number)]);
    expect(left.map((l) => l.screws.L?.now)).toEqual([1.25, 1.125, 1.125, undefined]);
    expect(left[2]).toMatchObject({
      told: [{ cause: 'piston-heat-scored', answer: 'told' }],
      decided: 'bare',
    });
    expect(left[2]!.papers).toEqual(['report', 'work-done']);
    expect(left[3]!.gap).toEqual({ mm: [0.3, 0.52], sound: false });
    expect(record.screws).toEqual([
      { screw: 'L', of: 3, turns: 1.125, from: 1.125, to: 1.1875 },
      { screw: 'H', of: 3, turns: 1, from: 1, to: 1 },
    ]);
    // A card of before, until it is made anew, leaves its line out.
    await bench.pool.query("UPDATE job_card SET leaving = '{}' WHERE machine_id = $1", [fell.id]);
    expect((await get<MachineLife>(`/api/machines/${fell.id}`)).left).toEqual([]);
  });

  it('that are not there are said so', async () => {
    const none = '00000000-0000-4000-8000-000000000000';
    expect((await bench.app.request(`/api/machines/${none}`)).status).toBe(404);
    expect((await bench.app.request(`/api/owners/${none}`)).status).toBe(404);
    expect((await bench.app.request('/api/owners/x')).status).toBe(404);
  });
});
