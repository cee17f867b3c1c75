import { execFileSync, spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { linesOf, paperHash, type Block, type GivenPaper } from '@rusty-wren/core/log';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aCheckIn, openBench, post, type TestBench } from '../testing/bench';
import { runsOf } from './fonts';
import { asJpeg, pdfOf } from './pdf';
import { print } from './printer';

let bench: TestBench;
let folder: string;
beforeAll(async () => {
  bench = await openBench();
  folder = mkdtempSync(join(tmpdir(), 'papers-'));
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await bench.close();
});

const said = (text: string) => ({ text, from: [] });
const HASH = 'a'.repeat(64);
const BLOCKS: Block[] = [
  { is: 'heading', text: 'What is wrong' },
  { is: 'text', ...said('The fuel line is cracked and draws air instead of fuel.') },
  {
    is: 'list',
    items: [said('We measured 88 psi; 140 to 165 is right for it.'), said('Gáspár Őri said “½ a turn”.')],
  },
  {
    is: 'choice',
    choice: 'mend',
    name: 'Mend what is wrong',
    price: '€41 to €52',
    days: '2 working days',
    items: [said('Put right: the spark plug has failed.')],
  },
  {
    is: 'photo',
    hash: HASH,
    width: 40,
    height: 30,
    text: 'the line',
    pins: [{ x: 0.5, y: 0.5, words: 'the crack' }],
  },
  { is: 'code', url: 'http://bench.local/job/1', text: 'Opens the job' },
  { is: 'sign', text: 'Taken, name and date' },
];
const paperOf = (paper: GivenPaper['paper'], blocks = BLOCKS): GivenPaper => {
  const title = 'Report and choices: Brakken B45, Odile Farrant';
  return {
    entryId: 'e',
    notedAt: '2026-05-04T10:00:00.000Z',
    paper,
    title,
    blocks,
    hash: paperHash({ title, blocks }),
    version: 1,
  };
};
/** What a command of poppler says of a PDF. */
const ask = (command: 'pdftotext' | 'pdfinfo' | 'pdffonts', pdf: Buffer, ...flags: string[]): string => {
  const file = join(folder, 'paper.pdf');
  writeFileSync(file, pdf);
  return execFileSync(command, command === 'pdftotext' ? [...flags, file, '-'] : [...flags, file], {
    encoding: 'utf8',
  });
};
/** Text as it reads, whatever breaks its lines. */
const flat = (text: string): string => text.replaceAll(/[\s•]+/g, ' ').trim();

describe('a paper as PDF', () => {
  it('says every line that the page says, in its order', async () => {
    const { blocks, ...paper } = paperOf('report');
    const text = flat(
      ask('pdftotext', await pdfOf({ ...paper, blocks }, { sheet: 'a4', photos: new Map() }), '-raw'),
    );
    let at = 0;
    for (const line of [paper.title, ...blocks.filter((b) => b.is !== 'code').flatMap(linesOf)]) {
      const found = text.indexOf(flat(line), at);
      expect(found, line).toBeGreaterThanOrEqual(at);
      at = found;
    }
  });

  it('is tagged, has title and language, and nothing but embedded fonts', async () => {
    const pdf = await pdfOf(paperOf('report'), { sheet: 'a4', photos: new Map() });
    const info = ask('pdfinfo', pdf);
    expect(info).toMatch(/Tagged:\s+yes/);
    expect(info).toMatch(/Title:\s+Report and choices: Brakken B45/);
    expect(info).toMatch(/Page size:\s+595\.\d+ x 841\.\d+ pts \(A4\)/);
    expect(pdf.toString('latin1')).toContain('/Lang (en-GB)');
    const fonts = ask('pdffonts', pdf).split('\n').slice(2).filter(Boolean);
    expect(fonts.length).toBeGreaterThan(1);
    for (const font of fonts) expect(font).toMatch(/yes\s+yes\s+yes/);
    expect(ask('pdfinfo', pdf, '-struct')).toMatch(/Document[^]*H1[^]*H2[^]*\bL\b[^]*H3/);
  });

  it.each([
    ['report', 'letter', /612 x 792 pts \(letter\)/],
    ['card', 'a4', /297\.\d+ x 419\.\d+ pts/],
    ['tag', 'a4', /209\.\d+ x 297\.\d+ pts/],
  ] as const)('%s on %s has its size', async (paper, sheet, size) => {
    expect(ask('pdfinfo', await pdfOf(paperOf(paper), { sheet, photos: new Map() }))).toMatch(size);
  });

  it('a card is one side, in smaller type where it has to be, and never too small to read', async () => {
    const card = (lines: number) =>
      pdfOf(
        paperOf(
          'card',
          Array.from({ length: lines }, (_, n): Block => ({ is: 'text', ...said(`Line ${n} of the card.`) })),
        ),
        { sheet: 'a4', photos: new Map() },
      );
    const pagesOf = async (lines: number): Promise<string> =>
      ask('pdfinfo', await card(lines)).match(/Pages:\s+(\d+)/)![1]!;
    // So many fit at 8½ points, so many at 7.
    expect([await pagesOf(22), await pagesOf(28), await pagesOf(60)]).toEqual(['1', '1', '2']);
  });

  it('is whole where lists and choices cross a page', async () => {
    const many: Block[] = Array.from({ length: 30 }, () => BLOCKS).flat();
    const file = join(folder, 'many.pdf');
    writeFileSync(file, await pdfOf(paperOf('report', many), { sheet: 'a4', photos: new Map() }));
    const { stderr } = spawnSync('pdftotext', [file, '-'], { encoding: 'utf8' });
    expect(stderr).toBe('');
  });

  it('shows a photo with its pins, and goes on over many pages', async () => {
    const webp = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#804020' } })
      .webp()
      .toBuffer();
    const photos = new Map([[HASH, await asJpeg(webp)]]);
    const long = Array.from({ length: 200 }, (_, n): Block => ({
      is: 'text',
      ...said(`Sentence ${n} of a long paper, which goes on and on.`),
    }));
    const pdf = await pdfOf(paperOf('report', [...BLOCKS, ...long]), { sheet: 'a4', photos });
    expect(pdf.toString('latin1')).toContain('/DCTDecode');
    expect(Number(/Pages:\s+(\d+)/.exec(ask('pdfinfo', pdf))![1])).toBeGreaterThan(3);
    const text = flat(ask('pdftotext', pdf));
    expect(text).toContain('4 May 2026.');
    for (const n of [0, 99, 199]) expect(text).toContain(`Sentence ${n} of a long paper`);
  });

  it('writes what the type has, and a question mark for what it has not', () => {
    expect(
      runsOf('Őri ½', 'plain')
        .map((r) => r.text)
        .join(''),
    ).toBe('Őri ½');
    expect(
      runsOf('語\u0007', 'plain')
        .map((r) => r.text)
        .join(''),
    ).toBe('??');
  });

  it('a hundred papers in a row leave no memory behind', async () => {
    const make = async (count: number): Promise<void> => {
      for (let n = 0; n < count; n++) await pdfOf(paperOf('report'), { sheet: 'a4', photos: new Map() });
    };
    setFlagsFromString('--expose-gc');
    const collect = runInNewContext('gc') as () => void;
    const kept = async (): Promise<number> => {
      // What has ended is let go of a moment later.
      await new Promise((resolve) => setTimeout(resolve, 100));
      for (let n = 0; n < 3; n++) collect();
      const { heapUsed, external } = process.memoryUsage();
      return heapUsed + external;
    };
    await make(30);
    const before = await kept();
    await make(100);
    // A PDF is about 20 kB: were they kept, it would be 2 MB, and their documents many times that.
    expect((await kept()) - before).toBeLessThan(1.8e6);
  }, 120_000);
});

describe('a paper that takes long to print', () => {
  /** How much of the time of something this thread could not turn to anything else in one go: 0 to 1. */
  async function heldUp(work: () => Promise<unknown>): Promise<number> {
    let [over, longest] = [false, 0];
    const began = performance.now();
    const working = work().finally(() => (over = true));
    for (let last = began; !over;) {
      await new Promise((resolve) => setImmediate(resolve));
      const now = performance.now();
      longest = Math.max(longest, now - last);
      last = now;
    }
    await working;
    return longest / (performance.now() - began);
  }

  it('holds nobody up meanwhile, photos of another size and type included', async () => {
    const webp = await sharp({ create: { width: 900, height: 600, channels: 3, background: '#804020' } })
      .webp()
      .toBuffer();
    const many = paperOf('report', Array.from({ length: 40 }, () => BLOCKS).flat());
    const asked = { paper: many, sheet: 'a4', photos: new Map([[HASH, new Uint8Array(webp)]]) } as const;
    const pdf = Buffer.from(await print(asked));
    expect(pdf.toString('latin1')).toContain('/DCTDecode');
    expect(flat(ask('pdftotext', pdf))).toContain('Gáspár Őri said “½ a turn”.');
    expect(await heldUp(() => print(asked))).toBeLessThan(0.4);
    // What it would be in this thread: the measure tells the two apart.
    const photos = new Map([[HASH, await asJpeg(webp)]]);
    expect(await heldUp(() => pdfOf(many, { sheet: 'a4', photos }))).toBeGreaterThan(0.6);
  });

  it('and one too many at once is told to come again', async () => {
    const asked = { paper: paperOf('tag'), sheet: 'a4', photos: new Map() } as const;
    const all = await Promise.allSettled(Array.from({ length: 40 }, () => print(asked)));
    const refused = all.filter((one) => one.status === 'rejected');
    expect(refused.length).toBeGreaterThan(10);
    expect(refused.length).toBeLessThan(30);
    for (const { reason } of refused) expect(reason).toMatchObject({ status: 503 });
  });
});

describe('a given paper of a job', () => {
  const get = (path: string) => bench.app.request(path);

  it('is there as PDF by its entry, and for ever; a struck or another one is not', async () => {
    const hang = async (): Promise<string> => {
      const checkIn = aCheckIn();
      await post(bench.app, '/api/jobs', checkIn);
      return checkIn.jobId;
    };
    const jobId = await hang();
    const { title, blocks, hash } = paperOf('report');
    const note = (entry: object) =>
      post(bench.app, `/api/entries`, {
        parcels: [{ jobId, entry: { notedAt: '2026-05-04T10:00:00.000Z', ...entry } }],
      });
    const id = randomUUID();
    await note({ id, kind: 'paper', body: { paper: 'report', title, blocks, hash } });
    const path = `/api/jobs/${jobId}/papers/${id}/pdf`;
    const response = await get(`${path}?sheet=letter`);
    expect(response.status).toBe(200);
    expect(response.headers.get('content-type')).toBe('application/pdf');
    expect(response.headers.get('cache-control')).toBe('private, no-cache');
    expect(
      Buffer.from(await response.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
    expect((await get(`${path}?sheet=a3`)).status).toBe(400);
    expect((await get(`/api/jobs/${jobId}/papers/${jobId}/pdf`)).status).toBe(404);
    expect((await get(`/api/jobs/${await hang()}/papers/${id}/pdf`)).status).toBe(404);
    await note({ id: randomUUID(), kind: 'strike', strikes: id, body: { reason: 'wrong machine' } });
    expect((await get(path)).status).toBe(404);
  });
});
