import { likelyIn } from '../../diagnosis';
import { CAUSES, checkOf } from '../../knowledge';
import { sentence, type Block, type Said } from '../../log';
import { causeSaid, findingSaid } from '../../paper';
import { askedOf, moneyWords, USUAL_RULES, worthOf, type Worth } from '../../worth';
import { PROGRAM, type Program } from './telling';

/** A fault that owners were once told with, put back into the program: the audit has to find it. */
export interface Planted {
  /** A machine on which it showed when it was planted: where it is looked for first. */
  shows: number;
  name: string;
  program: Program;
}

const planted = (shows: number, name: string, changed: Partial<Program>): Planted => ({
  shows,
  name,
  program: { ...PROGRAM, ...changed },
});

const listOf = (texts: readonly Said[]): Block[] => (texts.length > 0 ? [{ is: 'list', items: texts }] : []);

/** The blocks with another list under a heading. */
function under(
  blocks: readonly Block[],
  heading: string,
  items: (old: readonly Said[]) => readonly Said[],
): Block[] {
  const at = blocks.findIndex((b) => b.is === 'heading' && b.text === heading);
  const list = blocks[at + 1];
  if (at < 0 || list?.is !== 'list') return [...blocks];
  return [...blocks.slice(0, at + 1), ...listOf(items(list.items)), ...blocks.slice(at + 2)];
}
const without = (blocks: readonly Block[], heading: string): Block[] => {
  const at = blocks.findIndex((b) => b.is === 'heading' && b.text === heading);
  return at < 0 ? [...blocks] : [...blocks.slice(0, at), ...blocks.slice(at + 2)];
};
const asMoney = moneyWords('EUR');
const withMoreWrong = (blocks: Block[], more: readonly Said[]): Block[] => {
  const heading = blocks.findIndex((b) => b.is === 'heading' && b.text === 'What is wrong');
  return heading < 0 || more.length === 0
    ? blocks
    : [...blocks.slice(0, heading + 1), ...listOf(more), ...blocks.slice(heading + 1)];
};

/** Old faults, each as the program once had it. */
export const PLANTED: readonly Planted[] = [
  planted(2, 'a kit told of as a cure of everything it mends', {
    tried: (_, causes, outcome) => causes.map((cause) => ({ kind: 'repair', body: { cause, outcome } })),
  }),
  planted(33, 'a reading in band makes the fault that was found go away', {
    read: (entries, machine) => ({ ...PROGRAM.read(entries, machine), setRight: [] }),
  }),
  planted(10, 'a fault mended during the proof loses the proof', {
    phase: (picture, plan) =>
      picture.repairs.at(-1)?.outcome === 'cured'
        ? PROGRAM.phase(picture, plan)
        : PROGRAM.phase({ ...picture, cured: false }, plan),
  }),
  planted(1, 'what was settled on does not govern the price', {
    worth: (picture, _account, c, machine) =>
      worthOf({ ...askedOf(picture, machine, { rules: USUAL_RULES, book: [] }), likely: likelyIn(c) }),
  }),
  planted(1, 'the headline is the mean, the column the range', {
    headline: (worth) => {
      const best = worth.choices.find((o) => o.id === worth.best);
      return best ? asMoney.about(best.price.mean) : '';
    },
  }),
  planted(1, 'leaving it costs more than mending it', {
    worth: (...at) => {
      const worth = PROGRAM.worth(...at);
      const dearer = (c: Worth['choices'][number]) =>
        c.id === 'as-it-is' ? { ...c, price: { mean: 9_900_00, low: 9_900_00, high: 9_900_00 } } : c;
      return { ...worth, choices: worth.choices.map(dearer) };
    },
  }),
  planted(2, 'a figure on paper is the corrected one', {
    report: (at, worth) =>
      under(PROGRAM.report(at, worth), 'What we looked at', () =>
        at.picture.findings.flatMap((f) => {
          const judged = f.judged && 'value' in f.judged ? f.judged : null;
          const said = findingSaid(f, at.picture.machine.kind);
          if (!said) return [];
          return judged && f.reading?.psi
            ? [{ ...said, text: `We measured ${Math.round(judged.value)} psi.` }]
            : [said];
        }),
      ),
  }),
  planted(2, 'after a cure the report says that nothing has been seen', {
    report: (at, worth) => {
      const blocks = without(PROGRAM.report(at, worth), 'What was done');
      return blocks.map((b) =>
        b.is === 'text' && b.text === 'Nothing else was found wrong.'
          ? { ...b, text: 'What is wrong has not been seen yet.' }
          : b,
      );
    },
  }),
  planted(3, 'after a cure the report still offers a choice', {
    report: (at, worth) => [
      ...PROGRAM.report(at, worth),
      { is: 'text', text: 'We would take: leave it as it is.', from: [] },
    ],
  }),
  planted(1, 'what was seen sound is said to be wrong', {
    report: (at, worth) =>
      withMoreWrong(
        PROGRAM.report(at, worth),
        CAUSES.flatMap(({ id, seen = {} }) =>
          at.picture.findings.some((f) => f.check in seen && f.result === checkOf(f.check).results[0]?.id)
            ? [{ text: causeSaid(id, at.picture.machine.kind), from: [] }]
            : [],
        ).slice(0, 1),
      ),
  }),
  planted(1, 'what was mended stands among what is wrong', {
    report: (at, worth) =>
      withMoreWrong(
        PROGRAM.report(at, worth),
        at.account.matters
          .filter((m) => m.state === 'mended')
          .map((m) => ({ text: causeSaid(m.cause, at.picture.machine.kind), from: [] })),
      ),
  }),
  planted(1, 'what stands is missing from the report', {
    report: (at, worth) => under(PROGRAM.report(at, worth), 'What is wrong', (old) => old.slice(1)),
  }),
  planted(2, 'a safety fault is in no choice and no price', {
    worth: (picture, account, c, machine) =>
      PROGRAM.worth(picture, { ...account, safety: { ...account.safety, standing: [] } }, c, machine),
  }),
  planted(23, 'a safety fault put right is not in the work done', {
    workDone: (at) =>
      PROGRAM.workDone({ ...at, account: { ...at.account, safety: { ...at.account.safety, mended: [] } } }),
  }),
  planted(2, 'the card does not name a safety fault that stands', {
    card: (at) =>
      PROGRAM.card({ ...at, account: { ...at.account, safety: { ...at.account.safety, standing: [] } } }),
  }),
  planted(9, 'full speed is asked for with a safety fault standing', {
    phase: (picture, plan) => PROGRAM.phase({ ...picture, safetyFaults: [] }, plan),
  }),
  planted(85, 'a part is fetched for what is mended already', {
    wants: (picture, account) =>
      PROGRAM.wants(picture, {
        ...account,
        toMend: picture.settled.map((s) => ({ ...s, outcome: null })),
      }),
  }),
  planted(1, 'what was put right in vain, or seen sound, is learnt', {
    lesson: (picture, account) => {
      const lesson = PROGRAM.lesson(picture, account);
      const sound = Object.fromEntries(picture.cleared.map((cause) => [cause, 1000]));
      return lesson && { ...lesson, found: { ...lesson.found, ...sound } };
    },
  }),
  planted(1, 'a paper rests on what was struck', {
    report: (at, worth) => {
      const struck = at.picture.trail.find((l) => l.state === 'struck');
      const blocks = PROGRAM.report(at, worth);
      return struck
        ? [...blocks, { is: 'text', text: sentence('as it was'), from: [struck.entry.id] }]
        : blocks;
    },
  }),
  planted(1, 'what is struck still counts in the account', {
    account: (picture, c) => {
      const account = PROGRAM.account(picture, c);
      const struck = picture.trail.filter((l) => l.state === 'struck').length;
      return { ...account, decided: account.decided || struck > 0 };
    },
  }),
];
