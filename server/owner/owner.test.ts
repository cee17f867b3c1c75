import { randomUUID } from 'node:crypto';
import { paperHash, type Block, type Entry } from '@rusty-wren/core/log';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../app';
import { aCheckIn, openBench, post, type TestBench } from '../testing/bench';

let bench: TestBench;
beforeAll(async () => {
  bench = await openBench();
});
afterAll(() => bench.close());

const NASTY = '<script>alert(1)</script>"\'&';
const PHOTO = 'a'.repeat(64);
const choice = (id: 'mend' | 'replace'): Block => ({
  is: 'choice',
  choice: id,
  name: id === 'mend' ? 'Mend what is wrong' : NASTY,
  price: '€41 to €52',
  ...(id === 'mend' && { upTo: 52_00 }),
  days: '2 working days',
  items: [{ text: NASTY, from: [] }],
});
const BLOCKS: Block[] = [
  { is: 'heading', text: NASTY },
  { is: 'text', text: NASTY, from: [] },
  { is: 'photo', hash: PHOTO, width: 4, height: 3, text: NASTY, pins: [{ x: 0, y: 0, words: NASTY }] },
  choice('mend'),
  choice('replace'),
  { is: 'sign', text: 'Name' },
];

/** A job with a given report, and a page for it. */
async function reported(paper: 'report' | 'card' | 'work-done' = 'report') {
  const checkIn = aCheckIn();
  await post(bench.app, '/api/jobs', checkIn);
  const { jobId } = checkIn;
  const id = randomUUID();
  const made = { title: `Report ${NASTY}`, blocks: BLOCKS };
  const note = (entry: object) =>
    post(bench.app, '/api/entries', {
      parcels: [{ jobId, entry: { id: randomUUID(), notedAt: new Date().toISOString(), ...entry } }],
    });
  await note({ id, kind: 'paper', body: { paper, ...made, hash: paperHash(made) } });
  const link = `/api/jobs/${jobId}/papers/${id}/link`;
  const open = async (): Promise<string> =>
    ((await (await post(bench.app, link, {})).json()) as { token: string }).token;
  return { jobId, id, note, link, open };
}
/** The app that owners reach, if another than the bench's: nobody is held off there. */
let owners: TestBench['app'] | null = null;
const get = (token: string, more = '') => (owners ?? bench.app).request(`/owner/${token}${more}`);
const answer = (token: string, typed: Record<string, string>, headers: Record<string, string> = {}) =>
  (owners ?? bench.app).request(`/owner/${token}`, {
    method: 'POST',
    headers: { 'content-type': 'application/x-www-form-urlencoded', ...headers },
    body: new URLSearchParams(typed).toString(),
  });
const logOf = async (jobId: string): Promise<Entry[]> =>
  ((await (await bench.app.request(`/api/jobs/${jobId}`)).json()) as { entries: Entry[] }).entries;
const decisions = async (jobId: string) => (await logOf(jobId)).filter((e) => e.kind === 'decision');

describe('the owner’s page', () => {
  it('shows the report as it was given, with nothing of it run, and nothing kept or told elsewhere', async () => {
    const { open } = await reported();
    const response = await get(await open());
    expect(response.status).toBe(200);
    const page = await response.text();
    expect(page).toContain('Mend what is wrong');
    expect(page).not.toContain('<script');
    expect(page).toContain('&lt;script&gt;alert(1)&lt;/script&gt;');
    expect(response.headers.get('content-security-policy')).toContain("default-src 'none'");
    expect(response.headers.get('content-security-policy')).not.toContain('script-src');
    expect(response.headers.get('referrer-policy')).toBe('same-origin');
    expect(response.headers.get('cache-control')).toBe('no-store');
    expect(response.headers.get('x-robots-tag')).toContain('noindex');
  });

  it('takes one answer, which lands on the log and moves the job on its hook', async () => {
    const { jobId, id, note, open } = await reported();
    await note({ kind: 'stage', body: { stage: 'answer', waitingFor: 'which it is to be' } });
    const token = await open();
    const response = await answer(token, { choice: 'mend', name: ' Odile Farrant ', words: NASTY });
    expect([response.status, response.headers.get('location')]).toEqual([303, `/owner/${token}`]);
    const [decision] = await decisions(jobId);
    expect(decision?.body).toEqual({
      choice: 'mend',
      by: 'Odile Farrant',
      how: 'page',
      price: 52_00,
      paper: id,
      words: NASTY,
    });
    expect(await (await get(token)).text()).toContain('Odile Farrant took: mend what is wrong, €41 to €52.');
    const rack = (await (await bench.app.request('/api/jobs?show=open')).json()) as {
      job: { id: string };
      stage: string;
    }[];
    expect(rack.find((t) => t.job.id === jobId)?.stage).toBe('hook');
    // A second one changes nothing.
    await answer(token, { choice: 'replace', name: 'Somebody else' });
    expect(await decisions(jobId)).toHaveLength(1);
  });

  it('ten answers at once are one', async () => {
    const { jobId, open } = await reported();
    const token = await open();
    await Promise.all(Array.from({ length: 10 }, () => answer(token, { choice: 'mend', name: 'Odile' })));
    expect(await decisions(jobId)).toHaveLength(1);
  });

  it.each([
    [{ choice: 'parts', name: 'Odile' }, 'Pick one of the choices.'],
    [{ choice: 'nothing', name: 'Odile' }, 'Pick one of the choices.'],
    [{ name: 'Odile' }, 'Pick one of the choices.'],
    [{ choice: 'mend', name: '  ' }, 'Write your name under it.'],
    [{ choice: 'mend', name: 'x'.repeat(121) }, 'Your name may have 120 letters'],
    [{ choice: 'mend', name: 'x', words: 'y'.repeat(501) }, 'Your name may have 120 letters'],
    [{ choice: 'mend', name: 'a\u0000b' }, 'no text has'],
  ])('%j is asked again, with what was typed kept', async (typed, says) => {
    const { jobId, open } = await reported();
    const response = await answer(await open(), typed as Record<string, string>);
    expect(response.status).toBe(400);
    const page = await response.text();
    expect(page).toContain(says);
    if ('choice' in typed && typed.choice === 'mend') expect(page).toMatch(/value="mend"[^>]*checked/);
    expect(await decisions(jobId)).toEqual([]);
  });

  it('is gone for a wrong, withdrawn, replaced or old link, and a struck report, all alike', async () => {
    const { id, note, link, open } = await reported();
    const first = await open();
    const second = await open();
    const gone = await (await get(first)).text();
    expect((await get(first)).status).toBe(404);
    expect((await get(second)).status).toBe(200);
    await bench.app.request(link, { method: 'DELETE' });
    const old = await open();
    await bench.pool.query(
      "UPDATE owner_link SET made_at = now() - interval '2 days', expires_at = now() - interval '1 day' WHERE withdrawn_at IS NULL AND entry_id = $1",
      [id],
    );
    for (const token of [
      second,
      old,
      'x',
      'A'.repeat(43),
      encodeURIComponent("' OR 1=1 --"),
      '..%2f..%2fapi%2fjobs',
    ]) {
      const response = await get(token);
      expect(response.status, token).toBe(404);
      if (!token.includes('%')) expect(await response.text()).toBe(gone);
      expect((await answer(token, { choice: 'mend', name: 'Odile' })).status).toBe(404);
    }
    const last = await open();
    await note({ kind: 'strike', strikes: id, body: { reason: 'wrong machine' } });
    expect((await get(last)).status).toBe(404);
  });

  it('shows the photos of its report and no others, and nothing else of the bench', async () => {
    const { open } = await reported();
    const token = await open();
    await bench.pool.query(
      "INSERT INTO attachment (hash, type, width, height, bytes) VALUES ($1, 'image/webp', 4, 3, 'x'), ($2, 'image/webp', 4, 3, 'y') ON CONFLICT DO NOTHING",
      [PHOTO, 'b'.repeat(64)],
    );
    expect((await get(token, `/photos/${PHOTO}`)).headers.get('content-type')).toBe('image/webp');
    expect((await get(token, `/photos/${'b'.repeat(64)}`)).status).toBe(404);
    expect((await get('A'.repeat(43), `/photos/${PHOTO}`)).status).toBe(404);
    for (const more of ['/', '/entries', '/..', '/photos']) expect((await get(token, more)).status).toBe(404);
    expect((await bench.app.request('/owner')).status).toBe(404);
  });

  it('is for reports and cards only, of the job it is asked of', async () => {
    const done = await reported('work-done');
    expect((await post(bench.app, done.link, {})).status).toBe(404);
    const one = await reported();
    const other = await reported();
    expect((await post(bench.app, `/api/jobs/${one.jobId}/papers/${other.id}/link`, {})).status).toBe(404);
  });

  it('refuses forms from elsewhere, and what is too much', async () => {
    const { jobId, open } = await reported();
    const token = await open();
    expect(
      (await answer(token, { choice: 'mend', name: 'x' }, { origin: 'http://elsewhere.example' })).status,
    ).toBe(403);
    expect((await answer(token, { choice: 'mend', name: 'x', words: 'y'.repeat(9000) })).status).toBe(413);
    expect(await decisions(jobId)).toEqual([]);
  });

  it('holds off whoever tries too often', async () => {
    const app = createApp({ pool: bench.pool, changes: bench.changes, mostFromOwners: 5 });
    const tries: Response[] = [];
    for (let n = 0; n < 8; n++) tries.push(await app.request(`/owner/${String(n).repeat(43)}`));
    expect(tries.filter((r) => r.status === 429)).toHaveLength(3);
  });

  it('keeps no token', async () => {
    const { open } = await reported();
    const token = await open();
    const { rows } = await bench.pool.query<{ t: string }>('SELECT owner_link::text AS t FROM owner_link');
    expect(rows.some((r) => r.t.includes(token))).toBe(false);
  });
});

describe('the page of a card: did it do it again?', () => {
  beforeAll(() => {
    owners = createApp({ pool: bench.pool, changes: bench.changes, mostFromOwners: 1000 });
  });
  /** A saw that faded, mended and taken home with its card. */
  async function wentHome() {
    const card = await reported('card');
    await card.note({ kind: 'repair', body: { cause: 'tank-vent-blocked', outcome: 'cured' } });
    await card.note({ kind: 'stage', body: { stage: 'closed', reason: 'Owner in a hurry' } });
    const told = async () =>
      (await logOf(card.jobId)).filter((e) => e.kind === 'at-owners').map((e) => e.body);
    return { ...card, told, token: await card.open() };
  }
  const stageOf = async (jobId: string): Promise<string | undefined> =>
    (
      (await (await bench.app.request('/api/jobs?show=open')).json()) as {
        job: { id: string };
        stage: string;
      }[]
    ).find((t) => t.job.id === jobId)?.stage;

  it('asks after the first use, five and twenty, without script, and keeps each answer', async () => {
    const { token, told } = await wentHome();
    const page = await (await get(token)).text();
    for (const words of ['Did it do it again?', 'After the first use', 'After 5 uses', 'After 20 uses'])
      expect(page).toContain(words);
    expect(page).toContain('Yes: it');
    expect(page).not.toContain('<script');
    const response = await answer(token, { uses: '1', again: '' });
    expect([response.status, response.headers.get('location')]).toEqual([303, `/owner/${token}`]);
    await answer(token, { uses: '5', again: '', words: ` ${NASTY} ` });
    const later = (await (await get(token)).text()).replaceAll(/\s+/g, ' ');
    expect(later).toContain('After 5 uses: it runs right. Thank you.');
    expect(later).not.toContain('<h2>After 5 uses');
    expect(later).toContain('<h2>After 20 uses');
    expect(await told()).toEqual([
      { uses: 1, again: false },
      { uses: 5, again: false, words: NASTY },
    ]);
  });

  it('puts the job back on its hook where it did it again, and asks no more', async () => {
    const { jobId, token, told } = await wentHome();
    await answer(token, { uses: '5', again: 'fades-under-way', words: 'on the slope' });
    expect(await told()).toEqual([{ uses: 5, again: true, words: 'on the slope' }]);
    expect((await logOf(jobId)).slice(-3).map((e) => e.kind)).toEqual(['at-owners', 'complaint', 'stage']);
    expect(await stageOf(jobId)).toBe('hook');
    const page = (await (await get(token)).text()).replaceAll(/\s+/g, ' ');
    expect(page).toContain('it did it again. The bench has it');
    expect(page).not.toContain('<form');
    await answer(token, { uses: '20', again: '' });
    expect(await told()).toHaveLength(1);
  });

  it('takes an answer once, however often it is tapped, and none that goes back', async () => {
    const { token, told } = await wentHome();
    await Promise.all(Array.from({ length: 8 }, () => answer(token, { uses: '5', again: '' })));
    await answer(token, { uses: '1', again: 'fades-under-way' });
    expect(await told()).toEqual([{ uses: 5, again: false }]);
  });

  it.each([
    [{ uses: '7', again: '' }, 'Tap one of the answers.'],
    [{ again: '' }, 'Tap one of the answers.'],
    [{ uses: '5', again: 'cuts-dead' }, 'Tap one of the answers.'],
    [{ uses: '5', again: '', words: 'y'.repeat(501) }, 'What you saw may have 500 letters.'],
    [{ uses: '5', again: '', words: 'a\u0000b' }, 'no text has'],
  ])('%j is asked again', async (typed, says) => {
    const { token, told } = await wentHome();
    const response = await answer(token, typed as Record<string, string>);
    expect(response.status).toBe(400);
    expect(await response.text()).toContain(says);
    expect(await told()).toEqual([]);
  });

  it('asks nothing while the machine is at the bench, and is over like any other', async () => {
    const { link, note, token, told } = await wentHome();
    await note({ kind: 'stage', body: { stage: 'bench', reason: 'Came back' } });
    expect(await (await get(token)).text()).not.toContain('<form');
    await answer(token, { uses: '1', again: '' });
    expect(await told()).toEqual([]);
    await bench.app.request(link, { method: 'DELETE' });
    expect((await get(token)).status).toBe(404);
    expect((await answer(token, { uses: '1', again: '' })).status).toBe(404);
  });
});
