import fc from 'fast-check';
import { plainProof } from './plain/proof';
import { PLAIN_WATCH } from './plain/watch';
import { describe, expect, it } from 'vitest';
import { accountOf } from '../account';
import { diagnose } from '../diagnosis';
import { CAUSE_IDS, CHECKS, COMPLAINT_IDS, onTool, RUN_IDS, type CauseId } from '../knowledge';
import {
  caseOf,
  changesBetween,
  linesOf,
  makeEntry,
  paperHash,
  readJob,
  unnumbered,
  type Block,
  type Noted,
  type Picture,
} from '../log';
import { MACHINE_KINDS } from '../machine';
import { samples } from '../testing';
import { askedOf, likelyNow, USUAL_RULES, worthOf } from '../worth';
import {
  cardOf,
  causeClause,
  causeSaid,
  foundMended,
  NO_EDITS,
  chanceSaid,
  PLAIN_CHOICE,
  PLAIN_COMPLAINT,
  PLAIN_RESULT,
  reportOf,
  tagOf,
  withEdits,
  workDoneOf,
  type PaperOf,
} from './index';

const MACHINE = { kind: 'chainsaw', displacementCc: 52 } as const;
const read = (...noted: Noted[]): Picture =>
  readJob(
    noted.map((one, n) => ({
      ...unnumbered(
        makeEntry(one, { id: `e${n}`, notedAt: new Date(Date.UTC(2026, 4, 4, 9, n)).toISOString() }),
      ),
      seq: n + 1,
    })),
    MACHINE,
  );
const at = (picture: Picture): PaperOf => ({
  picture,
  account: accountOf(picture, caseOf(picture)),
  tag: 106,
  owner: 'Odile Farrant',
  machine: 'Brakken Fell 52, chainsaw',
  foot: 'An estimate binds for 30 days.',
  shop: '',
  money: (cents) => `€${(cents / 100).toFixed(0)}`,
});
const report = (picture: Picture): Block[] => {
  const c = caseOf(picture, []);
  const asked = askedOf(picture, MACHINE, { rules: USUAL_RULES, book: [] });
  return reportOf(
    at(picture),
    worthOf({ ...asked, likely: likelyNow(accountOf(picture, c), c) }),
    diagnose(c).suspects,
  );
};
const text = (blocks: readonly Block[]): string => blocks.flatMap(linesOf).join('\n');
const saids = (blocks: readonly Block[]) =>
  blocks.flatMap((b) => (b.is === 'text' ? [b] : b.is === 'list' || b.is === 'choice' ? b.items : []));
const finding = (check: string, result: string): Noted =>
  ({ kind: 'finding', body: { check, result, sureness: 'sure' } }) as Noted;

/** Words of the bench that nobody at the counter has to know. */
const SLANG =
  /\b(squeeze|comp|carb|top end|short block|metering|impulse|welch|pop-off|baseline|coked?|L screw|H screw|needle|seat|boot|recoil|posterior|suspect|prior)\b/i;

const stiff: CauseId = 'metering-diaphragm-stiff';
const mended = read(
  { kind: 'complaint', body: { complaint: 'runs-on-prime-then-dies' } },
  finding('metering-diaphragm', 'stiff'),
  finding('piston-exhaust-side', 'worn-smooth'),
  { kind: 'decision', body: { choice: 'mend', by: 'Odile Farrant', how: 'phone', price: 48_00 } },
  { kind: 'repair', body: { cause: stiff, outcome: 'cured' } },
  {
    kind: 'start',
    body: { state: 'cold', pulls: 4, outcome: 'runs', drill: 'Choke off at the first pop' },
  },
);

describe('plain words', () => {
  const all = [
    ...MACHINE_KINDS.flatMap((kind) => CAUSE_IDS.map((cause) => causeSaid(cause, kind))),
    ...Object.values(PLAIN_COMPLAINT),
    ...Object.values(PLAIN_CHOICE).map((name) => `${name}.`),
    ...CHECKS.flatMap((c) =>
      c.results.map((r) =>
        onTool((PLAIN_RESULT[c.id] as Record<string, string>)[r.id] ?? `${c.id} ${r.id}`, 'chainsaw'),
      ),
    ),
  ];
  it('every cause, complaint and result of a check is a sentence', () => {
    expect(all.length).toBeGreaterThan(CAUSE_IDS.length + COMPLAINT_IDS.length + 150);
    for (const sentence of all) expect(sentence).toMatch(/^[A-Z][^%]*\.$/);
  });
  it('without the words of the bench', () => {
    expect(all.filter((sentence) => SLANG.test(sentence))).toEqual([]);
  });
  it('every step of the proof is a sentence', () => {
    for (const id of RUN_IDS) {
      expect(plainProof({ id, clean: 1 }), id).toMatch(/^[A-Z].*\.$/);
      expect(plainProof({ id, clean: 3 }), id).toContain(', 3 times.');
    }
  });
  it('a cause fits inside another sentence', () => {
    for (const cause of CAUSE_IDS) expect(causeClause(cause, 'trimmer')).toMatch(/^[a-z].*[^.]$/);
  });
  it('chances are never finer than a tenth', () => {
    expect([0.01, 0.049, 0.05, 0.34, 0.94, 0.97].map(chanceSaid)).toEqual([
      'hardly a chance',
      'hardly a chance',
      '1 chance in 10',
      '3 chances in 10',
      '9 chances in 10',
      'it next to certain',
    ]);
  });
});

describe('a report', () => {
  const cooked = read(
    { kind: 'complaint', body: { complaint: 'weak-under-load', words: 'no pull in the cut' } },
    {
      kind: 'finding',
      body: {
        check: 'compression-gauge',
        reading: { psi: [40, 60, 70, 70], decompressor: 'closed' },
        sureness: 'sure',
      },
    },
    finding('piston-exhaust-side', 'scored'),
    finding('intake-boot', 'cracked'),
    finding('safety-walkround', 'fault'),
  );

  it('tells the owner’s own words, what was measured and what judged it, what is wrong, and what it may cost', () => {
    const paper = text(report(cooked));
    expect(paper).toContain('“no pull in the cut”');
    expect(paper).toMatch(/The gauge showed 70 psi; 140 to 165 psi is right for it\./);
    expect(paper).toContain('The piston has run too hot and is scored.');
    expect(paper).toContain('The engine draws air past the carburettor');
    expect(paper).toMatch(/Not to be used before this is put right/);
    expect(paper).toMatch(/We would take: /);
    expect(paper).toContain('An estimate binds for 30 days.');
    expect(paper).toContain('local rules come before');
  });

  const complaint = fc
    .constantFrom(...COMPLAINT_IDS)
    .map((c): Noted => ({ kind: 'complaint', body: { complaint: c } }));
  const looked = fc
    .constantFrom(...CHECKS.filter((c) => !c.reading))
    .chain((c) => fc.constantFrom(...c.results.map((r) => finding(c.id, r.id))));
  it('says nothing that the log does not hold: each sentence of what was looked at and found names its entries', () => {
    fc.assert(
      fc.property(complaint, fc.array(looked, { maxLength: 8 }), (first, more) => {
        const picture = read(first, ...more);
        // A fault seen before something was put right still stands, though the look was made again since.
        const ids = new Set(picture.trail.filter((l) => l.state !== 'struck').map((l) => l.entry.id));
        const blocks = report(picture);
        for (const { from } of saids(blocks)) for (const ref of from) expect(ids).toContain(ref);
        const looks = blocks.findIndex((b) => b.is === 'heading' && b.text === 'What we looked at');
        const wrong = blocks.findIndex((b) => b.is === 'heading' && b.text === 'What is wrong');
        if (looks >= 0) for (const one of saids(blocks.slice(looks, wrong))) expect(one.from).not.toEqual([]);
        // Everything found stands in it, once, and no finding is left out.
        const paper = text(
          blocks.slice(
            0,
            blocks.findIndex((b) => b.is === 'choice'),
          ),
        );
        for (const f of picture.found)
          if (f.state === 'standing') expect(paper).toContain(causeSaid(f.cause, picture.machine.kind));
        expect(text(blocks)).not.toMatch(/undefined|NaN|null/);
      }),
      {
        numRuns: samples(20, 60),
        examples: [
          [
            { kind: 'complaint', body: { complaint: 'no-fire' } },
            [
              finding('plug-look', 'black-oily'),
              finding('coil-gap-reset-trial', 'cured'),
              finding('plug-look', 'damaged'),
            ],
          ],
        ],
      },
    );
  });
});

describe('the other papers', () => {
  it('work done: what was put right, who agreed to what, and that it was started', () => {
    const paper = text(workDoneOf(at(mended)));
    expect(paper).toContain(foundMended(stiff, MACHINE.kind));
    expect(paper).toContain('Agreed by Odile Farrant up to €48.');
    expect(paper).toContain('It was started 1 time here.');
  });

  it('what was signed on glass stands under what was agreed, once', () => {
    const hash = 'a'.repeat(64);
    const blocks = workDoneOf(
      at(
        read(
          { kind: 'photo', body: { hash, width: 300, height: 100, words: 'signature' } },
          { kind: 'decision', body: { choice: 'mend', by: 'Odile', how: 'counter', signature: hash } },
        ),
      ),
    );
    expect(blocks.filter((b) => b.is === 'photo')).toEqual([
      { is: 'photo', hash, width: 300, height: 100, text: 'Signed by Odile', pins: [] },
    ]);
  });

  it('nothing mended is said so, and what is left as well', () => {
    const paper = text(workDoneOf(at(read(finding('plug-look', 'damaged')))));
    expect(paper).toContain('Nothing was mended.');
    expect(paper).toContain('Not mended: the spark plug has failed. It may fail again.');
  });

  it('the card has the drill that was proved, its mix, and what to watch for by what was found', () => {
    expect(text(cardOf(at(mended)))).toContain('Choke off at the first pop');
    const old = text(cardOf(at(read(finding('fuel-smell', 'stale')))));
    expect(old).toContain('Primer until it is firm.');
    expect(old).toContain('50 to 1: 100 ml of oil to 5 litres.');
    expect(old).toContain('Mix no more fuel than a month’s');
  });

  it('of every cause either nothing is asked of its owner, or one sentence that says what to do', () => {
    for (const cause of CAUSE_IDS) {
      const says = PLAIN_WATCH[cause] && onTool(PLAIN_WATCH[cause], 'chainsaw');
      if (says !== null) expect(says, cause).toMatch(/^[A-Z][^%]+[.]$/);
    }
    // What ruins an engine, burns somebody or cannot be stopped is never passed over.
    for (const cause of [
      'no-oil-in-fuel',
      'high-screw-lean',
      'needle-not-sealing',
      'stop-circuit-open',
    ] as const)
      expect(PLAIN_WATCH[cause]).not.toBeNull();
  });

  it('the tag has number, owner, complaint, promised day and the code', () => {
    const blocks = tagOf(at(mended), { url: 'http://bench.local/job/1', promised: 'Friday' });
    expect(text(blocks)).toMatch(/^106\nOdile Farrant\nBrakken Fell 52, chainsaw\n[^]*Promised for Friday\./);
    expect(blocks.at(-1)).toMatchObject({ is: 'code', url: 'http://bench.local/job/1' });
  });
});

describe('what comes and goes, on paper', () => {
  const aThird: Noted = {
    kind: 'complaint',
    body: { complaint: 'cuts-dead', words: 'like a switch', often: { failed: 1, of: 3 } },
  };
  const lead: Noted = { kind: 'repair', body: { cause: 'plug-lead-loose', outcome: 'cured' } };
  const tankful: Noted = { kind: 'proved', body: { step: 'tankful' } };
  const paper = (...noted: Noted[]): string => text(workDoneOf(at(read(...noted))));

  it('is told with how often it did it, and how often it failed when it was tried', () => {
    const hot: Noted = {
      kind: 'finding',
      body: { check: 'spark-hot', result: 'fails-hot', counts: { failed: 1, of: 3 }, sureness: 'sure' },
    };
    const told = text(report(read(aThird, hot)));
    expect(told).toContain('“like a switch”');
    expect(told).toContain('It stops as if it were switched off, 1 of 3 times.');
    expect(told).toContain('It did so 1 of 3 times.');
  });

  it('says how sure it is that it is cured, where it was not shown as often as that would take', () => {
    const few = paper(aThird, lead, tankful, tankful);
    expect(few).toContain('It was worked through a tankful, until it was hot, twice.');
    expect(few).toContain('we reckon 9 chances in 10 that it is cured. Bring it back if it does it again.');
    expect(paper(aThird, lead)).toContain('we reckon 8 chances in 10');
    expect(paper(aThird, lead, ...Array<Noted>(7).fill(tankful))).not.toContain('tried out');
    // Looked for still: nothing is cured yet.
    expect(paper(aThird)).not.toContain('tried out');
  });
});

describe('what is written otherwise', () => {
  const blocks: Block[] = [
    { is: 'heading', text: 'H' },
    { is: 'list', items: [{ text: 'One.', from: ['e1'] }] },
    { is: 'text', text: 'Two.', from: ['e2'] },
    { is: 'sign', text: 'Name' },
  ];
  it('changes a sentence and keeps what it rests on, drops it with its list, adds before the name', () => {
    expect(withEdits(blocks, NO_EDITS)).toEqual(blocks);
    expect(withEdits(blocks, { changed: { 'One.': '', 'Two.': ' Another. ' }, added: ['Mine.'] })).toEqual([
      blocks[0],
      { is: 'text', text: 'Another.', from: ['e2'] },
      { is: 'text', text: 'Mine.', from: [] },
      blocks[3],
    ]);
  });
});

describe('a given paper', () => {
  const blocks: Block[] = [
    { is: 'text', text: 'One.', from: ['e1'] },
    { is: 'list', items: [{ text: 'Two.', from: [] }] },
  ];
  it('has a hash of just what stands on it, whatever order its keys come back in', () => {
    const turned = JSON.parse(
      '[{"from":["e1"],"text":"One.","is":"text"},{"items":[{"from":[],"text":"Two."}],"is":"list"}]',
    ) as Block[];
    const hash = paperHash({ title: 'T', blocks });
    expect(hash).toMatch(/^[0-9a-f]{64}$/);
    expect(paperHash({ title: 'T', blocks: turned })).toBe(hash);
    expect(paperHash({ title: 'U', blocks })).not.toBe(hash);
    expect(paperHash({ title: 'T', blocks: blocks.toReversed() })).not.toBe(hash);
  });
  it('another version says what is new and what is gone; versions count by kind', () => {
    const paper = (...b: Block[]): Noted => ({
      kind: 'paper',
      body: { paper: 'report', title: 'T', blocks: b, hash: '' },
    });
    const { papers } = read(
      paper(...blocks),
      { kind: 'paper', body: { paper: 'tag', title: 'T', blocks: [], hash: '' } },
      paper(blocks[0]!, { is: 'heading', text: 'Three' }),
    );
    expect(papers.map((p) => [p.paper, p.version])).toEqual([
      ['report', 1],
      ['tag', 1],
      ['report', 2],
    ]);
    expect(changesBetween(papers[0]!, papers[2]!)).toEqual({ added: ['Three'], gone: ['Two.'] });
  });
});
