import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import {
  PROVE_AGAIN,
  type Device,
  type Done,
  type PersonOnBooks,
  type Role,
  type SessionState,
} from '@rusty-wren/contract';
import { createApp } from '../app';
import { afterAll, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { aCheckIn, note, openBench, SHIPPED_COST, SHIPPED_SLOWING, type TestBench } from '../testing/bench';
import { signedIn } from '../testing/signedIn';
import { firstCode } from './firstCode';
import { hashOfSecret, isSecret } from './secret';
import { slowed } from './tries';

const PIN = '482916';
let bench: TestBench;
let pinHash: string;
beforeAll(async () => {
  bench = await openBench();
  pinHash = await hashOfSecret(PIN);
});
beforeEach(() => bench.pool.query('DELETE FROM sign_in_try'));
afterAll(() => bench.close());

/** Somebody on the books with the PIN of these tests. */
async function somebody(role: Role = 'technician'): Promise<string> {
  const id = randomUUID();
  await bench.pool.query('INSERT INTO account (id, name, role, secret) VALUES ($1, $2, $3, $4)', [
    id,
    `Worker ${id}`,
    role,
    pinHash,
  ]);
  return id;
}

const problem = async (response: Response): Promise<string> =>
  ((await response.json()) as { error: string }).error;

/** A browser: it keeps the cookie it is given. */
class Browser {
  cookie = '';
  async ask(method: string, path: string, body?: object) {
    const response = await bench.out.request(`/api${path}`, {
      method,
      headers: {
        ...(this.cookie && { cookie: this.cookie }),
        ...(body && { 'content-type': 'application/json' }),
      },
      ...(body && { body: JSON.stringify(body) }),
    });
    const given = response.headers.get('set-cookie');
    if (given) this.cookie = given.split(';')[0]!;
    const answer = (await response.json()) as SessionState & { error?: string };
    return { status: response.status, given, answer };
  }
  signIn = (account: string, secret = PIN) => this.ask('POST', '/session', { account, secret });
  hand = (account: string) => this.ask('PUT', '/session/hand', { account });
  rack = async () => (await this.ask('GET', '/jobs')).status;
}

describe('a secret', () => {
  it('is hashed as dearly as is asked for where it is no test', () => {
    expect(SHIPPED_COST).toBeGreaterThanOrEqual(2 ** 15);
  });
  it('guessed wrong is answered later each time, up to three seconds', () => {
    const shipped = [0, 1, 4, 5, 50].map(
      (before) => (SHIPPED_SLOWING * slowed({ before })) / slowed({ before: 0 }),
    );
    expect(shipped).toEqual([100, 200, 1600, 3000, 3000]);
  });
  it('is known again, and is nobody else’s; two of the same are kept differently', async () => {
    expect(await isSecret(PIN, pinHash)).toBe(true);
    expect(await isSecret('482917', pinHash)).toBe(false);
    expect(await hashOfSecret(PIN)).not.toBe(pinHash);
    expect(pinHash).not.toContain(PIN);
  });
  it('is kept with what the machine puts to it and the database does not have, and one of before is kept anew', async () => {
    const id = await somebody();
    const keptOf = async () =>
      (await bench.pool.query<{ secret: string }>('SELECT secret FROM account WHERE id = $1', [id])).rows[0]!
        .secret;
    vi.stubEnv('PEPPER', 'of this machine');
    try {
      expect((await new Browser().signIn(id)).status).toBe(200);
      const kept = await keptOf();
      expect(kept).toMatch(/^scrypt-peppered\$/);
      expect((await new Browser().signIn(id)).status).toBe(200);
      expect(await keptOf()).toBe(kept);
      // The database alone, or another machine, opens nothing.
      vi.stubEnv('PEPPER', 'of another machine');
      expect(await isSecret(PIN, kept)).toBe(false);
      vi.stubEnv('PEPPER', '');
      expect(await isSecret(PIN, kept)).toBe(false);
    } finally {
      vi.unstubAllEnvs();
    }
  });
  it('opens nothing where none was kept', async () => {
    expect(await isSecret('', null)).toBe(false);
    expect(await isSecret(PIN, null)).toBe(false);
  });
});

describe('signing in', () => {
  it('gives a cookie that no script reads and no page elsewhere sends, and opens the bench', async () => {
    const browser = new Browser();
    expect(await browser.rack()).toBe(401);
    const id = await somebody();
    const { status, given, answer } = await browser.signIn(id);
    expect(status).toBe(200);
    expect(given).toMatch(/^wren=[\w-]{43}; .*HttpOnly/);
    expect(given).toContain('SameSite=Strict');
    expect(answer).toMatchObject({ state: 'in', me: { id, role: 'technician' } });
    expect(await browser.rack()).toBe(200);
    // The token itself stands nowhere.
    const { rows } = await bench.pool.query<{ all: string }>(
      'SELECT string_agg(s::text, $1) AS all FROM session s',
      [' '],
    );
    expect(rows[0]!.all).not.toContain(browser.cookie.slice(5));
  });

  it('takes no token that was there before: one that somebody planted opens nothing', async () => {
    const planted = new Browser();
    planted.cookie = `wren=${'p'.repeat(43)}`;
    await planted.signIn(await somebody());
    expect(planted.cookie).not.toContain('ppp');
    const thief = new Browser();
    thief.cookie = `wren=${'p'.repeat(43)}`;
    expect(await thief.rack()).toBe(401);
    // Nor does the one before go on once somebody signs in again.
    const before = new Browser();
    before.cookie = planted.cookie;
    await planted.signIn(await somebody());
    expect([await before.rack(), await planted.rack()]).toEqual([401, 200]);
  });

  it('is refused alike for a wrong secret and for a name that is not on the books', async () => {
    const [known, unknown] = [await somebody(), randomUUID()];
    const answers = await Promise.all(
      [known, unknown].map(async (id) => {
        const { status, answer, given } = await new Browser().signIn(id, '111119');
        return { status, answer, given };
      }),
    );
    expect(answers[0]).toEqual(answers[1]);
    expect(answers[0]).toMatchObject({ status: 403, given: null });
  });

  it('locks a name after five wrong tries, ten at once gaining nothing; others go on', async () => {
    const [one, other] = [await somebody(), await somebody()];
    const tries = await Promise.all(
      Array.from({ length: 10 }, (_, i) => new Browser().signIn(one, `90000${i}`)),
    );
    const count = (status: number) => tries.filter((t) => t.status === status).length;
    expect([count(403), count(429)]).toEqual([5, 5]);
    // Whoever goes on trying fills no book with it.
    const written = async () =>
      (await bench.pool.query('SELECT 1 FROM audit WHERE account_id = $1', [one])).rowCount;
    expect(await written()).toBe(6);
    for (let i = 0; i < 5; i++) await new Browser().signIn(one, '111119');
    expect(await written()).toBe(6);
    const right = await new Browser().signIn(one);
    expect(right.status).toBe(429);
    expect(right.answer.error).toContain('wait 15 minutes, or ask the lead');
    expect((await new Browser().signIn(other)).status).toBe(200);
    // After a quarter of an hour it is open again.
    await bench.pool.query("UPDATE sign_in_try SET at = at - interval '16 minutes'");
    expect((await new Browser().signIn(one)).status).toBe(200);
  });

  it('locks an address that tries many names', async () => {
    const people = await Promise.all(Array.from({ length: 8 }, () => somebody()));
    await bench.pool.query(
      "INSERT INTO sign_in_try (account_id, address) SELECT gen_random_uuid(), 'none' FROM generate_series(1, 30)",
    );
    const { status, answer } = await new Browser().signIn(people[0]!);
    expect([status, answer.error]).toEqual([429, expect.stringContaining('from this device')]);
    await bench.pool.query("UPDATE sign_in_try SET address = 'elsewhere'");
    expect((await new Browser().signIn(people[0]!)).status).toBe(200);
  });

  it('that is guessed at from many places is closed to strangers, for as long as it says, and never where it is known', async () => {
    const [id, lead] = [await somebody(), await somebody('lead')];
    const [known, other] = [new Browser(), new Browser()];
    await known.signIn(id);
    await other.signIn(lead);
    await bench.pool.query(
      `INSERT INTO sign_in_try (account_id, address, at)
       SELECT $1, '203.0.113.' || n, now() - interval '20 minutes' FROM generate_series(1, 49) AS n`,
      [id],
    );
    expect((await new Browser().signIn(id, '111119')).status).toBe(403);
    const stranger = await new Browser().signIn(id);
    expect([stranger.status, stranger.answer.error]).toEqual([
      429,
      'Somebody is guessing at this name; wait 40 minutes, sign in on a device it is known on, or ask the lead.',
    ]);
    // At their own bench they get in, and by their own slips alone they do not.
    expect((await known.signIn(id)).status).toBe(200);
    for (let i = 0; i < 4; i++) expect((await known.signIn(id, '111119')).status).toBe(403);
    expect((await known.signIn(id)).status).toBe(200);
    for (let i = 0; i < 5; i++) expect((await known.signIn(id, '111119')).status).toBe(403);
    expect((await known.signIn(id)).answer.error).toContain('by this name here; wait 15 minutes');
    // The lead hears of it, once.
    const name = `Worker ${id}`;
    expect((await other.signIn(lead)).answer).toMatchObject({ guessed: [name] });
    expect((await other.signIn(lead)).answer).not.toHaveProperty('guessed');
  });

  it('waits its turn, and a crowd is told to come again', async () => {
    const id = await somebody();
    const crowd = await Promise.all(Array.from({ length: 60 }, () => new Browser().signIn(randomUUID())));
    const many = crowd.filter(({ answer }) => answer.error?.startsWith('Too many are signing in'));
    expect(many.length).toBeGreaterThan(20);
    expect((await new Browser().signIn(id)).status).toBe(200);
  });

  it('a right one before the fifth begins the count anew', async () => {
    const id = await somebody();
    for (let round = 0; round < 3; round++) {
      for (let i = 0; i < 2; i++) expect((await new Browser().signIn(id, '111119')).status).toBe(403);
      expect((await new Browser().signIn(id)).status).toBe(200);
    }
  });

  it.each([
    [{ account: 'x', secret: PIN }, 'account must be a valid GUID'],
    [{ account: randomUUID() }, 'secret is required'],
    [{ account: randomUUID(), secret: 'x'.repeat(129) }, 'secret length'],
    [{ account: randomUUID(), secret: { $gt: '' } }, 'secret must be a string'],
  ])('says what is wrong with %j', async (body, says) => {
    const { status, answer } = await new Browser().ask('POST', '/session', body);
    expect([status, answer.error]).toEqual([400, expect.stringContaining(says)]);
  });
});

describe('a day', () => {
  it('is over after twelve hours: the PIN is asked again, and nobody notes there in the name of who has not said theirs', async () => {
    const [one, other] = [await somebody(), await somebody()];
    const browser = new Browser();
    await browser.signIn(one);
    await browser.signIn(other);
    await bench.pool.query("UPDATE session_hand SET proved_at = now() - interval '12 hours 1 minute'");
    expect(await browser.rack()).toBe(401);
    expect((await browser.ask('GET', '/session')).answer.state).toBe('out');
    await browser.signIn(other);
    expect((await browser.hand(one)).status).toBe(403);
    const checkIn = aCheckIn();
    checkIn.entries = checkIn.entries.map((entry) => ({ ...entry, by: one }));
    const { status, answer } = await browser.ask('POST', '/jobs', checkIn);
    expect([status, answer.error]).toEqual([
      400,
      'entries[0].by names somebody who has not signed in on this device today.',
    ]);
    // What they noted before is theirs again as soon as they are there, and it stands beside it who sent it.
    await browser.signIn(one);
    await browser.hand(other);
    expect((await browser.ask('POST', '/jobs', checkIn)).status).toBe(201);
    const { entries } = (await browser.ask('GET', `/jobs/${checkIn.jobId}`)).answer as unknown as {
      entries: { by: string; sentBy?: string }[];
    };
    expect(entries.map(({ by, sentBy }) => [by, sentBy])).toEqual([[one, other]]);
    // The others of the tests sign in anew.
    await bench.pool.query('UPDATE session_hand SET proved_at = now()');
  });

  it('of a device that nobody touched for four hours is over, and begins anew with the PIN', async () => {
    const browser = new Browser();
    const id = await somebody();
    await browser.signIn(id);
    const untouched = (minutes: number) =>
      bench.pool.query(
        "UPDATE session SET seen_at = now() - $2 * interval '1 minute' WHERE account_id = $1",
        [id, minutes],
      );
    await untouched(4 * 60 - 1);
    expect(await browser.rack()).toBe(200);
    await untouched(4 * 60 + 1);
    expect(await browser.rack()).toBe(401);
    expect((await browser.ask('GET', '/session')).answer.state).toBe('out');
    expect((await browser.signIn(id)).status).toBe(200);
    expect(await browser.rack()).toBe(200);
  });

  it('shows a cookie that is used from elsewhere: with its device, and on what was done, once', async () => {
    const id = await somebody();
    const browser = new Browser();
    await browser.signIn(id);
    const behind = createApp({ pool: bench.pool, changes: bench.changes, proxies: ['none'] });
    const from = (address: string) =>
      behind.request('/api/jobs', { headers: { cookie: browser.cookie, 'x-forwarded-for': address } });
    await Promise.all(Array.from({ length: 5 }, () => from('203.0.113.9')));
    const devices = (await (await bench.app.request('/api/devices')).json()) as Device[];
    expect(devices.find(({ name }) => name === `Worker ${id}`)?.address).toBe('203.0.113.9');
    // To and fro it is said once for a while.
    for (const address of ['none', '203.0.113.9', 'none', '203.0.113.9']) await from(address);
    const done = (await (await bench.app.request('/api/done')).json()) as Done[];
    expect(
      done
        .filter((d) => d.what === 'device-moved' && d.who === `Worker ${id}`)
        .map((d) => [d.address, d.about]),
    ).toEqual([
      ['none', { from: '203.0.113.9' }],
      ['203.0.113.9', { from: 'none' }],
    ]);
  });

  it('ends for a stolen cookie with signing out, and everywhere at once', async () => {
    const id = await somebody();
    const [mine, phone] = [new Browser(), new Browser()];
    await mine.signIn(id);
    await phone.signIn(id);
    const stolen = new Browser();
    stolen.cookie = mine.cookie;
    expect(await stolen.rack()).toBe(200);
    await mine.ask('DELETE', '/session');
    expect([await stolen.rack(), await phone.rack()]).toEqual([401, 200]);
    await mine.signIn(id);
    await mine.ask('DELETE', '/session/everywhere');
    expect([await mine.rack(), await phone.rack()]).toEqual([401, 401]);
  });

  it('ends its streams when it is locked or over', async () => {
    const browser = new Browser();
    const id = await somebody();
    for (const leave of [
      ['POST', '/session/lock'],
      ['DELETE', '/session'],
    ] as const) {
      await browser.signIn(id);
      const stream = await bench.out.request('/api/stream', { headers: { cookie: browser.cookie } });
      const reader = stream.body!.getReader();
      await reader.read();
      await browser.ask(leave[0], leave[1], leave[0] === 'POST' ? {} : undefined);
      while (!(await reader.read()).done);
    }
  });
});

describe('changing hands', () => {
  it('two who have both signed in take over with a tap, and each notes in their own name', async () => {
    const [one, other] = [await somebody(), await somebody()];
    const browser = new Browser();
    await browser.signIn(one);
    expect((await browser.hand(other)).status).toBe(403);
    await browser.signIn(other);
    const before = browser.cookie;
    expect((await browser.hand(one)).answer).toMatchObject({ state: 'in', me: { id: one } });
    expect(browser.cookie).not.toBe(before);
    const checkIn = aCheckIn();
    await browser.ask('POST', '/jobs', checkIn);
    const noted = (by?: string) =>
      browser.ask('POST', `/jobs/${checkIn.jobId}/entries`, {
        entries: [{ ...note('x'), ...(by && { by }) }],
      });
    await noted();
    await browser.hand(other);
    await noted();
    // Noted by the one before the other took over, and sent after it.
    await noted(one);
    const stranger = await noted(await somebody());
    expect([stranger.status, stranger.answer.error]).toEqual([
      400,
      'entries[0].by names somebody who has not signed in on this device today.',
    ]);
    const { entries } = (await browser.ask('GET', `/jobs/${checkIn.jobId}`)).answer as unknown as {
      entries: { by: string }[];
    };
    expect(entries.map((e) => e.by)).toEqual([one, one, other, one]);
  });

  it('gives nobody the lead’s part without the lead’s PIN', async () => {
    const [lead, other] = [await somebody('lead'), await somebody()];
    const browser = new Browser();
    await browser.signIn(lead);
    expect((await browser.ask('GET', '/people')).status).toBe(200);
    await browser.signIn(other);
    expect((await browser.ask('GET', '/people')).status).toBe(403);
    await browser.hand(lead);
    expect(await browser.rack()).toBe(200);
    expect((await browser.ask('GET', '/people')).answer.error).toBe(PROVE_AGAIN);
    await browser.signIn(lead);
    expect((await browser.ask('GET', '/people')).status).toBe(200);
    await bench.pool.query(
      "UPDATE session SET fresh_at = fresh_at - interval '31 minutes' WHERE account_id = $1",
      [lead],
    );
    expect((await browser.ask('GET', '/people')).answer.error).toBe(PROVE_AGAIN);
  });

  it('a locked bench is taken over by nobody without a PIN', async () => {
    const [one, other] = [await somebody(), await somebody()];
    const browser = new Browser();
    await browser.signIn(one);
    await browser.signIn(other);
    await browser.ask('POST', '/session/lock', {});
    expect(await browser.rack()).toBe(401);
    expect((await browser.hand(one)).status).toBe(401);
    const { answer } = await browser.ask('GET', '/session');
    expect(answer).toMatchObject({ state: 'locked', me: { id: other } });
    expect('people' in answer && answer.people.some((p) => p.open)).toBe(false);
    await browser.signIn(one);
    expect(await browser.rack()).toBe(200);
  });
});

describe('the counter', () => {
  it('notes what is said there, and nothing of the bench’s', async () => {
    const browser = new Browser();
    await browser.signIn(await somebody('counter'));
    const checkIn = aCheckIn();
    expect((await browser.ask('POST', '/jobs', checkIn)).status).toBe(201);
    const finding = {
      ...note(''),
      kind: 'finding',
      body: { check: 'fuel-look', result: 'water', sureness: 'sure' },
    };
    const walked = {
      ...finding,
      id: randomUUID(),
      body: { check: 'safety-walkround', result: 'sound', sureness: 'sure' },
    };
    const inWith = (...more: object[]) =>
      browser.ask('POST', '/jobs', { ...aCheckIn(), entries: [...aCheckIn().entries, ...more] });
    expect((await inWith(walked)).status).toBe(201);
    expect((await inWith({ ...finding, id: randomUUID() })).answer.error).toBe(
      'entries[1].kind finding is for technicians.',
    );
    // A fault that a technician noted since is not cleared by sending the check-in again.
    const again = { ...checkIn, entries: [{ ...walked, id: randomUUID() }] };
    expect((await browser.ask('POST', '/jobs', again)).status).toBe(409);
    const note1 = note('rang, wants it on Friday');
    const deliver = async (...entries: object[]) =>
      (
        (
          await browser.ask('POST', '/entries', {
            parcels: entries.map((entry) => ({ jobId: checkIn.jobId, entry })),
          })
        ).answer as unknown as { refused: { at: number; error: string }[] }
      ).refused;
    expect(await deliver(note1, finding)).toEqual([{ at: 1, error: 'kind finding is for technicians.' }]);
    const { jobId } = checkIn;
    const found = await bench.app.request(`/api/jobs/${jobId}/entries`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ entries: [finding] }),
    });
    expect(found.status).toBe(201);
    const strike = (of: string) => ({ ...note(''), kind: 'strike', body: { reason: 'slip' }, strikes: of });
    expect(await deliver(strike(note1.id), strike(finding.id))).toEqual([
      { at: 1, error: 'strikes names an entry that is for technicians.' },
    ]);
  });
});

describe('people', () => {
  const asLead = async (method: string, path: string, body?: object) => {
    const response = await bench.app.request(`/api${path}`, {
      method,
      ...(body && { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
    return { status: response.status, body: (await response.json()) as PersonOnBooks[] & { error?: string } };
  };

  it('who is put on the books signs in; who has left does not, and their devices are out', async () => {
    const id = randomUUID();
    const made = await asLead('POST', '/people', {
      id,
      name: 'New Hand',
      role: 'technician',
      secret: '905172',
    });
    expect(made.status).toBe(201);
    expect(JSON.stringify(made.body)).not.toContain('scrypt');
    const browser = new Browser();
    await browser.signIn(id, '905172');
    expect(await browser.rack()).toBe(200);
    await asLead('PUT', `/people/${id}`, { left: true });
    expect(await browser.rack()).toBe(401);
    expect((await browser.signIn(id, '905172')).status).toBe(403);
    await asLead('PUT', `/people/${id}`, { left: false });
    expect((await browser.signIn(id, '905172')).status).toBe(200);
    const again = await asLead('POST', '/people', {
      id: randomUUID(),
      name: 'new hand',
      role: 'reader',
      secret: PIN,
    });
    expect([again.status, again.body.error]).toEqual([409, 'name is on the books already: new hand.']);
  });

  it('a forgotten PIN is set anew by the lead, whoever is locked out by it is not any more', async () => {
    const id = await somebody();
    const browser = new Browser();
    await browser.signIn(id);
    for (let i = 0; i < 5; i++) await new Browser().signIn(id, '111119');
    expect((await new Browser().signIn(id)).status).toBe(429);
    expect((await asLead('PUT', `/people/${id}`, { secret: '771203' })).status).toBe(200);
    expect(await browser.rack()).toBe(401);
    expect((await new Browser().signIn(id)).status).toBe(403);
    expect((await browser.signIn(id, '771203')).status).toBe(200);
    // They take one of their own, and every other device of theirs is out.
    const phone = new Browser();
    await phone.signIn(id, '771203');
    const own = await browser.ask('PUT', '/session/secret', { old: '771203', secret: '305714' });
    expect(own.status).toBe(200);
    expect([await browser.rack(), await phone.rack()]).toEqual([200, 401]);
    expect((await phone.signIn(id, '305714')).status).toBe(200);
  });

  it('a PIN of one’s own that is set from the list of people ends every other device of theirs', async () => {
    const id = await somebody('lead');
    const [here, phone] = [new Browser(), new Browser()];
    await here.signIn(id);
    await phone.signIn(id);
    expect((await here.ask('PUT', `/people/${id}`, { secret: '771203' })).status).toBe(200);
    expect([await here.rack(), await phone.rack()]).toEqual([200, 401]);
    // Another role is no reason to sign oneself out anywhere.
    await phone.signIn(id, '771203');
    expect((await here.ask('PUT', `/people/${id}`, { role: 'technician' })).status).toBe(200);
    expect([await here.rack(), await phone.rack()]).toEqual([200, 200]);
  });

  it('the last lead stays the lead, two at once who would leave the shop without one included', async () => {
    const { rows } = await bench.pool.query<{ id: string }>(
      "SELECT id FROM account WHERE role = 'lead' AND left_at IS NULL",
    );
    for (const { id } of rows)
      if (id !== bench.lead.account) await asLead('PUT', `/people/${id}`, { role: 'technician' });
    for (const change of [{ role: 'technician' }, { left: true }]) {
      const { status, body } = await asLead('PUT', `/people/${bench.lead.account}`, change);
      expect([status, body.error]).toEqual([
        409,
        'Somebody has to lead the shop; make another the lead first.',
      ]);
    }
    const second = await somebody('lead');
    const both = await Promise.all([
      asLead('PUT', `/people/${second}`, { left: true }),
      asLead('PUT', `/people/${bench.lead.account}`, { role: 'reader' }),
    ]);
    expect(both.filter((b) => b.status === 200).length).toBeLessThan(2);
    const leads = await bench.pool.query("SELECT 1 FROM account WHERE role = 'lead' AND left_at IS NULL");
    expect(leads.rowCount).toBeGreaterThan(0);
    await bench.pool.query("UPDATE account SET role = 'lead', left_at = NULL WHERE id = $1", [
      bench.lead.account,
    ]);
  });

  it.each([
    [{ secret: '123456' }, 'secret is tried first by anybody'],
    [{ secret: '12345' }, 'secret has 5 digits'],
    [{ secret: 'too short' }, 'secret is neither 6 digits nor at least 12 letters'],
    [{ role: 'owner' }, 'role must be one of'],
    [{}, 'must contain at least one of'],
  ])('says what is wrong with %j', async (body, says) => {
    const { status, body: answer } = await asLead('PUT', `/people/${await somebody()}`, body);
    expect([status, answer.error]).toEqual([400, expect.stringContaining(says)]);
  });

  it('what was done stands, by whom, without anybody’s secret, and is never changed', async () => {
    const rules = (await (await bench.app.request('/api/shop')).json()) as { rules: Record<string, unknown> };
    const name = Object.keys(rules.rules).find((key) => typeof rules.rules[key] === 'number')!;
    await asLead('PUT', '/shop/rules', { ...rules.rules, [name]: (rules.rules[name] as number) + 1 });
    const done = (await asLead('GET', '/done')).body as unknown as {
      who: string;
      what: string;
      about: object;
    }[];
    expect(done[0]).toMatchObject({
      who: 'The lead',
      what: 'rules',
      about: { [name]: [rules.rules[name], (rules.rules[name] as number) + 1] },
    });
    const reader = await signedIn(bench.pool, 'reader', 'Some reader of settings');
    const last = (await (
      await bench.out.request('/api/settings', { headers: { cookie: reader.cookie } })
    ).json()) as object;
    expect(last).toMatchObject({ rules: { who: 'The lead', at: expect.any(String) as string } });
    expect(last).not.toHaveProperty('rooms');
    const what = done.map((d) => d.what);
    for (const one of [
      'secret-set',
      'person-made',
      'person-changed',
      'signed-in',
      'wrong-secret',
      'locked-out',
      'took-over',
    ])
      expect(what).toContain(one);
    expect(JSON.stringify(done)).not.toMatch(/scrypt|482916|771203|905172/);
    await expect(bench.pool.query('UPDATE audit SET what = $1', ['x'])).rejects.toThrow('only ever added to');
    await expect(bench.pool.query('TRUNCATE audit')).rejects.toThrow('only ever added to');
    await expect(bench.pool.query('DELETE FROM audit')).rejects.toThrow('only ever added to');
  });
});

describe('a lead who cannot get in', () => {
  it('is given another PIN on the machine itself, and by no other name', async () => {
    const id = await somebody('lead');
    const browser = new Browser();
    await browser.signIn(id);
    for (let i = 0; i < 5; i++) await new Browser().signIn(id, '111119');
    const command = fileURLToPath(new URL('../../scripts/keep.ts', import.meta.url));
    const reset = (...name: string[]) =>
      spawnSync(process.execPath, ['--import', 'tsx', command, 'reset-lead', ...name], {
        encoding: 'utf8',
        env: { ...process.env, DATABASE_URL: bench.url },
      });
    const other = reset(`Worker ${await somebody()}`);
    expect([other.status, other.stderr]).toEqual([1, expect.stringContaining('does not lead this shop')]);
    expect(reset().status).toBe(2);
    const { status, stdout } = reset(`worker ${id}`);
    expect(status).toBe(0);
    const pin = / with (\d{6}) now/.exec(stdout)?.[1] ?? '';
    expect(await browser.rack()).toBe(401);
    expect((await new Browser().signIn(id)).status).toBe(403);
    expect((await new Browser().signIn(id, pin)).status).toBe(200);
    const { rows } = await bench.pool.query(
      "SELECT address FROM audit WHERE what = 'secret-set' AND about ->> 'person' = $1",
      [id],
    );
    expect(rows).toEqual([{ address: 'this machine' }]);
  });
});

describe('the first start', () => {
  it('makes one lead, of two at once too, on an empty bench or one of an older program', async () => {
    const fresh = await openBench();
    try {
      await fresh.pool.query("UPDATE account SET secret = NULL, role = 'technician'");
      const ask = (method: string, path: string, body?: object) =>
        fresh.out.request(`/api/session${path}`, {
          method,
          ...(body && { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
        });
      expect(await (await ask('GET', '')).json()).toEqual({ state: 'first' });
      // Whoever reaches the page is not yet at the machine: only its terminal says the code.
      const guessed = await ask('POST', '/first', { code: '0000 0000', name: 'Ann', secret: PIN });
      expect([guessed.status, await problem(guessed)]).toEqual([
        403,
        'The code is not the one on the terminal of the machine the shop runs on.',
      ]);
      const code = await firstCode(fresh.pool);
      expect(await firstCode(fresh.pool)).toBe(code);
      const both = await Promise.all(
        ['Ann', 'The lead'].map((name) => ask('POST', '/first', { code, name, secret: PIN })),
      );
      expect(both.map((r) => r.status).sort()).toEqual([200, 409]);
      expect(((await (await ask('GET', '')).json()) as SessionState).state).toBe('out');
      const { rows } = await fresh.pool.query("SELECT 1 FROM account WHERE role = 'lead'");
      expect(rows).toHaveLength(1);
      expect((await fresh.pool.query('SELECT 1 FROM first_lead_code')).rowCount).toBe(0);
    } finally {
      await fresh.close();
    }
  });
});
