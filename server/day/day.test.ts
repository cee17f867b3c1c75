import { randomUUID } from 'node:crypto';
import { PROVE_AGAIN, type Day } from '@rusty-wren/contract';
import { USUAL_HOURS } from '@rusty-wren/core/schedule';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aCheckIn, note, openBench, post, type TestBench } from '../testing/bench';
import { signedIn } from '../testing/signedIn';

let bench: TestBench;
let account: string;
let jobId: string;
beforeAll(async () => {
  bench = await openBench();
  account = randomUUID();
  await bench.pool.query("INSERT INTO account (id, name) VALUES ($1, 'Maren')", [account]);
  const checkIn = aCheckIn();
  await post(bench.app, '/api/jobs', checkIn);
  jobId = checkIn.jobId;
});
afterAll(() => bench.close());

async function send(
  method: string,
  path: string,
  body?: unknown,
): Promise<{ status: number; body: Day & { error?: string } }> {
  const response = await bench.app.request(`/api/day${path}`, {
    method,
    ...(body !== undefined && {
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    }),
  });
  return { status: response.status, body: (await response.json()) as Day & { error?: string } };
}
const read = async (): Promise<Day> => (await send('GET', '')).body;

describe('the day', () => {
  it('has nothing by itself; hours are said and said anew', async () => {
    expect(await read()).toEqual({ hours: [], pins: [], rooms: { bath: 0, outdoors: 2 }, plan: null });
    await send('PUT', `/hours/${account}`, USUAL_HOURS);
    const half = { week: [{ day: 1, from: 480, to: 720 }], off: ['2026-12-24'] };
    const { body } = await send('PUT', `/hours/${account}`, half);
    expect(body.hours).toEqual([{ account, hours: half }]);
  });

  it('has rooms: a bath or none, and at least one spot outdoors', async () => {
    expect((await send('PUT', '/rooms', { bath: 1, outdoors: 3 })).body.rooms).toEqual({
      bath: 1,
      outdoors: 3,
    });
    const none = await send('PUT', '/rooms', { bath: 1, outdoors: 0 });
    expect([none.status, none.body.error]).toEqual([400, expect.stringContaining('outdoors')]);
    expect((await read()).rooms).toEqual({ bath: 1, outdoors: 3 });
  });

  it('keeps what was put somewhere until it is undone; put again it is there', async () => {
    const pin = { task: `${jobId} mend`, jobId, account, from: '2026-11-27T09:00:00.000Z' };
    await send('PUT', '/pins', pin);
    const later = { ...pin, from: '2026-11-27T13:00:00.000Z' };
    expect((await send('PUT', '/pins', later)).body.pins).toEqual([later]);
    expect((await send('DELETE', `/pins/${encodeURIComponent(pin.task)}`)).body.pins).toEqual([]);
  });

  it('forgets what was put somewhere of a job that has gone home', async () => {
    const gone = aCheckIn();
    await post(bench.app, '/api/jobs', gone);
    const pin = (id: string) => ({
      task: `${id} mend`,
      jobId: id,
      account,
      from: '2026-11-27T09:00:00.000Z',
    });
    await send('PUT', '/pins', pin(gone.jobId));
    const closing = { ...note(''), kind: 'stage', body: { stage: 'closed', reason: 'fetched' } };
    await post(bench.app, `/api/jobs/${gone.jobId}/entries`, { entries: [closing] });
    expect((await send('PUT', '/pins', pin(jobId))).body.pins.map((p) => p.jobId)).toEqual([jobId]);
    await send('DELETE', `/pins/${encodeURIComponent(`${jobId} mend`)}`);
  });

  it('keeps one plan for one piece of work, whoever worked it out, and tells of it', async () => {
    let told = 0;
    const leave = bench.changes.hearMoved((what) => (told += what === 'day' ? 1 : 0));
    const plan = {
      key: 'k1',
      zero: '2026-11-27T08:00:00.000Z',
      slots: [{ task: `${jobId} look`, crew: account, start: 0, end: 30 }],
    };
    await Promise.all([send('PUT', '/plan', plan), send('PUT', '/plan', plan)]);
    expect((await read()).plan).toEqual(plan);
    await send('PUT', '/plan', { ...plan, slots: [] });
    expect((await read()).plan).toEqual(plan);
    await send('PUT', '/plan', { ...plan, key: 'k2', slots: [] });
    expect((await read()).plan).toMatchObject({ key: 'k2', slots: [] });
    await expect.poll(() => told).toBeGreaterThan(1);
    leave();
  });

  it('is a calendar by a secret address: the work of one technician, and promises; withdrawn it is gone', async () => {
    const checkIn = { ...aCheckIn(), promisedFor: '2026-12-04' };
    await post(bench.app, '/api/jobs', checkIn);
    await send('PUT', '/plan', {
      key: 'k3',
      zero: '2026-12-01T08:00:00.000Z',
      slots: [
        { task: `${checkIn.jobId} mend`, crew: account, start: 30, end: 75 },
        { task: `${checkIn.jobId} prove`, crew: randomUUID(), start: 80, end: 95 },
      ],
    });
    const { token } = (await (await post(bench.app, `/api/day/calendar/${account}`, {})).json()) as {
      token: string;
    };
    const get = (t: string) => bench.app.request(`/calendar/${t}.ics`);
    const response = await get(token);
    expect(response.headers.get('content-type')).toContain('text/calendar');
    const text = (await response.text()).replaceAll(/\r?\n /g, '');
    expect(text).toContain('DTSTART:20261201T083000Z');
    expect(text).toContain('DTEND:20261201T091500Z');
    expect(text).toMatch(/SUMMARY:\d+ Brakken B45: mend/);
    expect(text).not.toContain('prove');
    expect(text).toContain('DTSTART;VALUE=DATE:20261204');
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2);
    // Opened anew the old address is gone; so is a guessed one, and a withdrawn one.
    const again = (await (await post(bench.app, `/api/day/calendar/${account}`, {})).json()) as {
      token: string;
    };
    for (const wrong of [token, 'x', `${again.token.slice(0, 42)}_`])
      expect((await get(wrong)).status).toBe(404);
    expect((await get(again.token)).status).toBe(200);
    await send('DELETE', `/calendar/${account}`);
    expect((await get(again.token)).status).toBe(404);
    expect((await post(bench.app, `/api/day/calendar/${randomUUID()}`, {})).status).toBe(404);
  });

  it('keeps a calendar’s lines whole, whatever is in a name or a task', async () => {
    const bad = 'Odile\r\nATTACH:http://203.0.113.1/x\u2028\nEND:VEVENT';
    const checkIn = { ...aCheckIn(), customer: { name: bad }, promisedFor: '2026-12-04' };
    expect((await post(bench.app, '/api/jobs', checkIn)).status).toBe(201);
    await bench.pool.query('UPDATE account SET name = $2 WHERE id = $1', [account, bad]);
    const slots = [{ task: `${checkIn.jobId} a\rATTACH:b\nATTACH:c`, crew: account, start: 30, end: 75 }];
    await send('PUT', '/plan', { key: 'k4', zero: '2026-12-01T08:00:00.000Z', slots });
    const { token } = (await (await post(bench.app, `/api/day/calendar/${account}`, {})).json()) as {
      token: string;
    };
    const text = await (await bench.app.request(`/calendar/${token}.ics`)).text();
    expect(text).toContain('Odile');
    // As a reader that takes any break for one sees it.
    expect(
      text.split(/\r\n|[\r\n\u2028\u2029\u0085]/).filter((line) => /^(ATTACH|END:VEVENT)/.test(line)),
    ).toEqual(['END:VEVENT', 'END:VEVENT']);
    await bench.pool.query("UPDATE account SET name = 'Of the day' WHERE id = $1", [account]);
  });

  it('gives nobody who took a bench over in two taps a calendar, and nobody who has left', async () => {
    const own = await signedIn(bench.pool, 'technician', 'Isa Quill');
    const ask = (what: 'POST' | 'DELETE') =>
      bench.out.request(`/api/day/calendar/${own.account}`, {
        method: what,
        headers: { cookie: own.cookie, 'content-type': 'application/json' },
        ...(what === 'POST' && { body: '{}' }),
      });
    const made = await ask('POST');
    expect(made.status).toBe(201);
    const { token } = (await made.json()) as { token: string };
    await bench.pool.query('UPDATE session SET fresh_at = NULL WHERE account_id = $1', [own.account]);
    const again = await ask('POST');
    expect([again.status, ((await again.json()) as { error: string }).error]).toEqual([403, PROVE_AGAIN]);
    const opened = () => bench.out.request(`/calendar/${token}.ics`);
    expect((await opened()).status).toBe(200);
    await bench.app.request(`/api/people/${own.account}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: '{"left":true}',
    });
    expect((await opened()).status).toBe(404);
    // Come back, they make it anew.
    await bench.pool.query('UPDATE account SET left_at = NULL WHERE id = $1', [own.account]);
    expect((await opened()).status).toBe(404);
    const { rows } = await bench.pool.query<{ what: string }>(
      "SELECT what FROM audit WHERE about->>'person' = $1 ORDER BY n",
      [own.account],
    );
    expect(rows.map(({ what }) => what)).toEqual(['calendar-made', 'calendar-opened', 'person-changed']);
  });

  it('refuses by name what is none, and changes nothing', async () => {
    const before = await read();
    const pin = { task: 'x', jobId, account, from: '2026-11-27T09:00:00.000Z' };
    for (const [path, body, says, status] of [
      [`/hours/${account}`, { week: [{ day: 7, from: 0, to: 1 }], off: [] }, 'week[0].day', 400],
      [
        `/hours/${account}`,
        { week: [{ day: 1, from: 600, to: 500 }], off: [] },
        'ends before it begins',
        400,
      ],
      [`/hours/${account}`, { week: [], off: ['tomorrow'] }, 'off[0]', 400],
      [`/hours/${randomUUID()}`, USUAL_HOURS, 'Nobody on the books', 404],
      ['/pins', { ...pin, from: 'soon' }, 'from', 400],
      ['/pins', { ...pin, jobId: randomUUID() }, 'No such job', 404],
      ['/pins', { ...pin, account: randomUUID() }, 'Nobody on the books', 404],
      ['/plan', { key: 'k', zero: 'now', slots: [] }, 'zero', 400],
      [
        '/plan',
        { key: 'k', zero: pin.from, slots: [{ task: 'x', crew: null, start: 'a', end: 1 }] },
        'slots[0].start',
        400,
      ],
    ] as const) {
      const answer = await send('PUT', path, body);
      expect([answer.status, answer.body.error?.includes(says)], says).toEqual([status, true]);
    }
    expect(await read()).toEqual(before);
  });
});
