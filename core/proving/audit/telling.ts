import { accountOf, type Account } from '../../account';
import { glance, type Case, type Glance } from '../../diagnosis';
import { CHOICE_NAMES, type CauseId } from '../../knowledge';
import {
  caseOf,
  phaseOf,
  readJob,
  saidOfWork,
  workToTry,
  type Block,
  type Entry,
  type Noted,
  type PaperKind,
  type Phase,
  type Picture,
} from '../../log';
import { lessonOf, type Lesson } from '../../learning';
import type { MachineFacts } from '../../machine';
import { cardOf, reportOf, workDoneOf, type PaperOf } from '../../paper';
import { wantsOf, type Want } from '../../parts';
import { rebuildOf } from '../../rebuild';
import { askedOf, likelyNow, moneyWords, priceSaid, USUAL_RULES, worthOf, type Worth } from '../../worth';
import type { RepairOutcome } from '../../knowledge';

/** Everything the program tells of a job at one moment: what its screens, prices and papers say. */
export interface Told {
  /** Plan, prices and papers were worked out; else they are those of an act before. */
  whole: boolean;
  picture: Picture;
  benchCase: Case;
  account: Account;
  plan: Pick<Glance, 'next' | 'stop'>;
  phase: Phase;
  worth: Worth;
  /** Parts to be fetched, and what it would teach were it closed and proved now. */
  wants: readonly Want[];
  lesson: Lesson | null;
  /** What stands large on the choices' screen beside the best of them, and what stands in each column. */
  headline: string;
  columns: ReadonlyMap<string, string>;
  papers: Readonly<Record<Exclude<PaperKind, 'tag'>, readonly Block[]>>;
}

/** How the program tells: the parts of it that an audit may put an old fault into. */
export interface Program {
  read: (entries: readonly Entry[], machine: MachineFacts) => Picture;
  account: (picture: Picture, c: Case) => Account;
  plan: (c: Case) => Pick<Glance, 'next' | 'stop'>;
  phase: (picture: Picture, plan: Pick<Glance, 'next' | 'stop'>) => Phase;
  worth: (picture: Picture, account: Account, c: Case, machine: MachineFacts) => Worth;
  wants: (picture: Picture, account: Account) => Want[];
  lesson: (picture: Picture, account: Account) => Lesson | null;
  headline: (worth: Worth) => string;
  report: (at: PaperOf, worth: Worth) => Block[];
  workDone: (at: PaperOf) => Block[];
  card: (at: PaperOf) => Block[];
  /** What is noted when work that was not tried is told of. */
  tried: (picture: Picture, causes: readonly CauseId[], outcome: RepairOutcome) => Noted[];
}

export const money = moneyWords('EUR');

/** The program as it is. */
export const PROGRAM: Program = {
  read: readJob,
  account: accountOf,
  plan: glance,
  phase: phaseOf,
  worth: (picture, account, c, machine) =>
    worthOf({
      ...askedOf(picture, machine, { rules: USUAL_RULES, book: [] }),
      likely: likelyNow(account, c),
    }),
  wants: (picture, account) => wantsOf(picture, account, rebuildOf(picture), []),
  lesson: (picture, account) => lessonOf({ ...picture, stage: 'closed' }, account),
  headline: (worth) => {
    const best = worth.choices.find((o) => o.id === worth.best);
    return best ? priceSaid(best.price, money) : '';
  },
  report: (at, worth) => reportOf(at, worth, []),
  workDone: workDoneOf,
  card: cardOf,
  tried: (picture, causes, outcome) => saidOfWork(workToTry(picture, causes), outcome),
};

const NO_PLAN: Pick<Glance, 'next' | 'stop'> = { next: [], stop: null };

/**
 * What the program tells of a log. The plan is asked for only while it is being looked for: nothing else reads it. `before`: where
 * given, prices and papers are those of an act before, and the plan too while the next check is still to be made: they take nine
 * tenths of the time.
 */
export function tell(
  program: Program,
  entries: readonly Entry[],
  machine: MachineFacts,
  before: Told | null = null,
): Told {
  const picture = program.read(entries, machine);
  const benchCase = caseOf(picture);
  const account = program.account(picture, benchCase);
  const looking =
    picture.stage !== 'closed' &&
    !picture.cured &&
    picture.setRight.length === 0 &&
    !picture.settled.some((s) => s.outcome === null);
  const asBefore = looking && before?.phase.kind === 'check';
  const plan = asBefore ? before.plan : looking ? program.plan(benchCase) : NO_PLAN;
  const forTheShop = (): Pick<Told, 'wants' | 'lesson'> => ({
    wants: program.wants(picture, account),
    lesson: program.lesson(picture, account),
  });
  if (before && picture.stage !== 'closed')
    return {
      ...before,
      whole: false,
      picture,
      benchCase,
      account,
      plan,
      phase: program.phase(picture, plan),
      ...forTheShop(),
    };
  const worth = program.worth(picture, account, benchCase, machine);
  const at: PaperOf = {
    picture,
    account,
    tag: 7,
    owner: 'Odile Farrant',
    machine: 'a machine',
    foot: '',
    shop: '',
    money: money.said,
  };
  return {
    whole: true,
    picture,
    benchCase,
    account,
    plan,
    phase: program.phase(picture, plan),
    worth,
    ...forTheShop(),
    headline: program.headline(worth),
    columns: new Map(worth.choices.map((c) => [CHOICE_NAMES[c.id], priceSaid(c.price, money)])),
    papers: {
      report: program.report(at, worth),
      'work-done': program.workDone(at),
      card: program.card(at),
    },
  };
}
