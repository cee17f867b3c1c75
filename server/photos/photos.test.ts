import { createHash } from 'node:crypto';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aCheckIn, openBench, post, type TestBench } from '../testing/bench';

let bench: TestBench;
let job: string;
const hang = async (): Promise<string> => {
  const checkIn = aCheckIn();
  expect((await post(bench.app, '/api/jobs', checkIn)).status).toBe(201);
  return checkIn.jobId;
};
beforeAll(async () => {
  bench = await openBench();
  job = await hang();
});
afterAll(() => bench.close());

const drawn = (width = 64, height = 48, hue = 0) =>
  sharp({ create: { width, height, channels: 3, background: { r: hue, g: 120, b: 80 } } });
const hashOf = (bytes: Buffer): string => createHash('sha256').update(bytes).digest('hex');
const put = (bytes: Buffer, { to = job, hash = hashOf(bytes), type = 'image/webp' } = {}) =>
  bench.app.request(`/api/jobs/${to}/photos/${hash}`, {
    method: 'PUT',
    headers: { 'content-type': type },
    body: new Uint8Array(bytes),
  });
const said = async (response: Response): Promise<string> =>
  ((await response.json()) as { error: string }).error;
const kept = async (): Promise<number> =>
  (await bench.pool.query<{ n: number }>('SELECT count(*)::integer AS n FROM attachment')).rows[0]!.n;

describe('photos', () => {
  it.each(['webp', 'jpeg', 'png'] as const)(
    '%s goes in and comes out to the last byte, kept for ever by its hash',
    async (format) => {
      const bytes = await drawn().toFormat(format).toBuffer();
      // What it is says its content, not its label.
      expect((await put(bytes, { type: 'image/gif' })).status).toBe(201);
      const answer = await bench.app.request(`/api/photos/${hashOf(bytes)}`);
      expect(answer.status).toBe(200);
      expect(answer.headers.get('content-type')).toBe(`image/${format}`);
      expect(answer.headers.get('cache-control')).toBe('private, max-age=43200');
      // Opened by itself it runs nothing.
      expect(answer.headers.get('content-security-policy')).toMatch(/default-src 'none'.*sandbox/);
      expect(answer.headers.get('x-content-type-options')).toBe('nosniff');
      expect(Buffer.from(await answer.arrayBuffer()).equals(bytes)).toBe(true);
    },
  );

  it('sent twice, or hung on two jobs, is kept once', async () => {
    const bytes = await drawn(10, 10, 9).webp().toBuffer();
    const other = await hang();
    const before = await kept();
    for (const to of [job, job, other]) expect((await put(bytes, { to })).status).toBe(201);
    expect(await kept()).toBe(before + 1);
  });

  it('what is no picture, broken, moving, too large or tells where it was taken is refused and changes nothing', async () => {
    const before = await kept();
    const good = await drawn().jpeg().toBuffer();
    const gps = await drawn()
      .withExif({ IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' } })
      .jpeg()
      .toBuffer();
    const frames = await sharp([await drawn().png().toBuffer(), await drawn(64, 48, 200).png().toBuffer()], {
      join: { animated: true },
    })
      .webp()
      .toBuffer();
    const cases: [Buffer, RegExp][] = [
      [Buffer.from('not a picture at all'), /no JPEG, PNG or WebP/],
      [
        Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>'),
        /no JPEG, PNG or WebP/,
      ],
      [await drawn().gif().toBuffer(), /no JPEG, PNG or WebP/],
      [await drawn().tiff().toBuffer(), /no JPEG, PNG or WebP/],
      [good.subarray(0, good.length - 40), /broken|no JPEG/],
      [await drawn(1601, 10).webp().toBuffer(), /1601 by 10; 1600 pixels a side/],
      [gps, /where and with what it was taken/],
      [frames, /moves/],
      [Buffer.alloc(0), /no JPEG, PNG or WebP/],
    ];
    for (const [bytes, why] of cases) {
      const answer = await put(bytes);
      expect(answer.status, String(why)).toBe(400);
      expect(await said(answer)).toMatch(why);
    }
    const bomb = await sharp({ create: { width: 12_000, height: 12_000, channels: 3, background: 'white' } })
      .png()
      .toBuffer();
    expect((await put(bomb)).status).toBe(400);
    const large = await put(Buffer.alloc(2 * 1024 * 1024 + 1));
    expect([large.status, await said(large)]).toEqual([413, 'The photo is larger than 2 MB.']);
    expect(await kept()).toBe(before);
  });

  it('a hash that is not its own, a job that is none, and a body that is no picture are named', async () => {
    const bytes = await drawn(9, 9).webp().toBuffer();
    expect(await said(await put(bytes, { hash: 'a'.repeat(64) }))).toBe(
      'hash is not that of the photo sent.',
    );
    expect((await put(bytes, { hash: 'short' })).status).toBe(404);
    expect((await put(bytes, { to: '5e0c1f7a-8f1b-4a53-9a53-0d6f0c7c1a01' })).status).toBe(404);
    expect((await put(bytes, { type: 'text/plain' })).status).toBe(400);
    expect((await bench.app.request(`/api/photos/${'b'.repeat(64)}`)).status).toBe(404);
  });

  it('a job takes two hundred, also when the last two come at once', async () => {
    const full = await hang();
    const bytes = await drawn(11, 11).webp().toBuffer();
    await put(bytes, { to: full });
    await bench.pool.query(
      `INSERT INTO attachment (hash, type, width, height, bytes)
       SELECT lpad(to_hex(n), 64, '0'), 'image/webp', 1, 1, '\\x00' FROM generate_series(1, 198) n`,
    );
    await bench.pool.query(
      `INSERT INTO job_attachment (job_id, hash) SELECT $1, lpad(to_hex(n), 64, '0') FROM generate_series(1, 198) n`,
      [full],
    );
    const two = await Promise.all(
      [1, 2].map((n) =>
        drawn(20 + n, 20)
          .webp()
          .toBuffer(),
      ),
    );
    const answers = await Promise.all(two.map((b) => put(b, { to: full })));
    expect(answers.map((a) => a.status).toSorted()).toEqual([201, 409]);
    // One that hangs there already is no new one.
    expect((await put(bytes, { to: full })).status).toBe(201);
  });
});
