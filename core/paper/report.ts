import { mattersIn, type Account } from '../account';
import { causeOf, oftenWords, REMEDIES, type CauseId, type ChoiceId, type RemedyId } from '../knowledge';
import type { MachineKind } from '../machine';
import { saidDoneWords, sentence, type Block, type Picture, type Said } from '../log';
import type { Suspect } from '../diagnosis';
import { mostOf, priceSaid, type OfferedChoice, type RepairJob, type Worth } from '../worth';
import { causeClause, causeSaid, chanceSaid, findingSaid, said } from './words';
import { doneSaid } from './done';
import { PLAIN_CHOICE } from './plain/choices';
import { PLAIN_COMPLAINT } from './plain/complaints';
import { PLAIN_REMEDY } from './plain/remedies';

/** What a paper is made from besides the log. */
export interface PaperOf {
  picture: Picture;
  /** What was found, done, and what remains: whatever a paper says of the work rests on it. */
  account: Account;
  tag: number;
  owner: string;
  /** "Brakken B45, chainsaw". */
  machine: string;
  /** The shop's own words at the foot, and who it is. */
  foot: string;
  shop: string;
  /** How an amount of whole cents is written. */
  money: (cents: number) => string;
}

/** From this probability on a cause nobody saw is called likely, and from the other one on possible. */
const LIKELY = 0.5;
const POSSIBLE = 0.15;
/** What is fainter among a choice's parts is not put on paper. */
const SAID_FROM = 0.25;
const SURELY = 0.8;

export const heading = (text: string): Block => ({ is: 'heading', text });
export const list = (items: readonly Said[]): Block[] => (items.length > 0 ? [{ is: 'list', items }] : []);

/** What it does wrong, in a layman's sentence, with how often. */
const complaintSaid = ({ complaint, often }: Picture['complaints'][number]): string =>
  often ? PLAIN_COMPLAINT[complaint].replace(/\.$/, `, ${oftenWords(often)}.`) : PLAIN_COMPLAINT[complaint];

/** What it came with: the owner's own words, else the behaviours that were picked. */
export function cameWith({ picture }: Pick<PaperOf, 'picture'>): Said[] {
  const entries = picture.trail.flatMap(({ entry, state }) =>
    state === 'live' && entry.kind === 'complaint' ? [entry] : [],
  );
  const words = entries.flatMap((e) => (e.body.words ? [said(`“${e.body.words}”`, e.id)] : []));
  // In their words it is told already, but for how often.
  const told = picture.complaints.filter((c) => words.length === 0 || c.often);
  return [...words, ...told.map((c) => said(complaintSaid(c), ...c.said))];
}

/** Work that was done before it came here, as it was told. */
const toldBefore = ({ picture }: Pick<PaperOf, 'picture'>): Said[] =>
  picture.saidDone.map(({ id, body }) =>
    said(`You told us that this was done before: ${saidDoneWords(body)}. We have not seen it done.`, id),
  );

/** What is wrong and stands, each with what it rests on: seen, or settled on by a hand. */
export const standingFaults = ({
  account,
  picture,
}: Pick<PaperOf, 'account' | 'picture'>): { cause: CauseId; said: Said }[] =>
  mattersIn(account, 'standing').map(({ cause, basis, from }) => ({
    cause,
    said: said(
      basis === 'seen'
        ? causeSaid(cause, picture.machine.kind)
        : `We take it to be this, though it was not seen: ${causeClause(cause, picture.machine.kind)}.`,
      ...from,
    ),
  }));

/** What keeps its user safe and is broken: named whatever was chosen. */
export const safetySaid = ({ account }: Pick<PaperOf, 'account'>): Said[] =>
  account.safety.standing.map((f) =>
    f.refused
      ? said(
          `Not safe to use: ${f.words}. The owner does not want it put right${f.refused.words ? `: “${f.refused.words}”` : ''}.`,
          f.entryId,
          f.refused.entryId,
        )
      : said(`Not to be used before this is put right: ${f.words}.`, f.entryId),
  );

/** What is not known: likely and possible causes that nobody saw, on the evidence there is. */
function notKnown({ picture, account }: PaperOf, suspects: readonly Suspect[]): Said[] {
  if (account.decided) return [];
  const known = new Set(account.matters.map((m) => m.cause));
  const evidence = picture.findings.map((f) => f.entryId);
  const lookedAt = (cause: CauseId): boolean =>
    picture.findings.some((f) => f.check in (causeOf(cause).seen ?? {}));
  const open = suspects.filter((s) => !known.has(s.cause) && s.probability >= POSSIBLE).slice(0, 4);
  return open.map((s) =>
    said(
      s.probability >= LIKELY
        ? `Most likely, ${lookedAt(s.cause) ? 'though what was seen of it does not settle it' : 'though not seen'}: ${causeClause(s.cause, picture.machine.kind)}.`
        : `It may also be that ${causeClause(s.cause, picture.machine.kind)}.`,
      ...picture.complaints.map((c) => c.entryId),
      ...evidence,
    ),
  );
}

const daysSaid = ({ low, high }: OfferedChoice['days']): string =>
  high === 0
    ? 'at once'
    : low === high
      ? `${high} working ${high === 1 ? 'day' : 'days'}`
      : `${low} to ${high} working days`;

/** How faults are named in sentences about a job: the kind of machine, and the entries each rests on. */
interface Naming {
  kind: MachineKind;
  refs: ReadonlyMap<CauseId, readonly string[]>;
}

/** What stays wrong after a choice, in sentences. */
function leaves({ leaves: left, id }: OfferedChoice, { kind, refs }: Naming): Said[] {
  return left
    .filter((l) => l.chance >= SAID_FROM)
    .slice(0, 4)
    .map(({ cause, chance }) =>
      said(
        chance >= SURELY
          ? `${id === 'as-it-is' ? 'Stays wrong:' : 'Not mended:'} ${causeClause(cause, kind)}.`
          : `Not looked into: whether ${causeClause(cause, kind)}.`,
        ...(refs.get(cause) ?? []),
      ),
    );
}

/** What the owner agrees to pay the bench for; a new machine is bought, not agreed to here. */
const NAMES_A_PRICE: ReadonlySet<ChoiceId> = new Set(['as-it-is', 'bare', 'mend', 'top-end', 'short-block']);

const isWhole = (id: RepairJob['id']): id is RemedyId => REMEDIES.some((r) => r.id === id);

/** What a choice does, or has done already, in a sentence. */
function jobSaid(job: RepairJob, chance: number, { kind, refs }: Naming): Said {
  const [cause] = job.mends;
  const from = job.mends.flatMap((c) => refs.get(c) ?? []);
  const clause = cause ? causeClause(cause, kind) : '';
  if (job.done && isWhole(job.id)) return said(`Done already. ${PLAIN_REMEDY[job.id]}`, ...from);
  if (!cause) return said(`${job.done ? 'Done already. ' : ''}${job.does}.`, ...from);
  if (job.done) return said(`Put right already: ${clause}.`, ...from);
  return said(chance >= SURELY ? `Put right: ${clause}.` : `If it is so, put right: ${clause}.`, ...from);
}

/** What a choice is called on this paper: once work is done, what is left as it is is the rest. */
const choiceName = ({ id, jobs }: OfferedChoice): string =>
  id === 'as-it-is' && jobs.some((j) => j.job.done) ? 'Leave the rest as it is' : PLAIN_CHOICE[id];

function choiceBlock(choice: OfferedChoice, { money, account }: PaperOf, naming: Naming): Block {
  const { id, price, right, back, jobs, words } = choice;
  const begun = jobs.some((j) => j.job.done);
  const does = jobs
    .filter((j) => j.chance >= SAID_FROM)
    .slice(0, 8)
    .map(({ job, chance }) => jobSaid(job, chance, naming));
  const works = id !== 'replace' && id !== 'parts' && id !== 'as-it-is';
  const risk = works
    ? [
        said(
          `We reckon ${chanceSaid(right)} that it runs right afterwards, and ${chanceSaid(back)} that it is back within a year.`,
        ),
      ]
    : [];
  const unsafe =
    id === 'as-it-is' ? account.safety.standing.map((f) => said(`Stays unsafe: ${f.words}.`, f.entryId)) : [];
  const plain: Partial<Record<typeof id, string>> = {
    'as-it-is': begun
      ? 'You pay for what was done. The rest stays as it is.'
      : 'You pay for the time it took to look. It goes home as it came.',
    bare: 'It is made to run, and nothing more. It may fail in minutes or in years.',
    replace: 'A like machine, new.',
    parts: 'You leave it here for its parts, and owe nothing.',
  };
  return {
    is: 'choice',
    choice: id,
    name: choiceName(choice),
    price: priceSaid(price, { said: money }),
    ...(NAMES_A_PRICE.has(id) && { upTo: mostOf(price) }),
    days: daysSaid(choice.days),
    items: [
      ...(plain[id] ? [said(plain[id])] : []),
      ...does,
      ...unsafe,
      ...(id === 'replace' || id === 'parts' ? [] : leaves(choice, naming)),
      ...risk,
      ...(words ? [said(words)] : []),
      ...(choice.against ? [said(`We advise against it. ${choice.against.says}`)] : []),
    ],
  };
}

/** Photos with a word or a pin: what they show is worth paper. */
export const photoBlocks = (picture: Picture): Block[] =>
  picture.photos
    .filter((p) => p.hash !== picture.decision?.signature && (p.words || (p.pins ?? []).length > 0))
    .slice(0, 6)
    .map(({ hash, width, height, words = '', pins = [] }) => ({
      is: 'photo',
      hash,
      width,
      height,
      text: words,
      pins,
    }));

/** The line under everything that is given: the shop's own words, and whose word comes first. */
export const footBlocks = ({ foot, shop }: Pick<PaperOf, 'foot' | 'shop'>): Block[] => [
  ...(shop ? [{ is: 'text', ...said(`${shop}.`) } as const] : []),
  ...(foot.trim() ? [{ is: 'text', ...said(foot.trim()) } as const] : []),
  { is: 'text', ...said('The maker’s own instructions and local rules come before anything said here.') },
];

/**
 * The report an owner decides by: what it came with, what was looked at and measured, what is wrong, what is not known, the
 * choices with their prices, what hurts somebody, and a line for a name. Every sentence names the entries it rests on.
 */
export function reportOf(at: PaperOf, worth: Worth, suspects: readonly Suspect[]): Block[] {
  const { picture, account, money } = at;
  const faults = standingFaults(at).map((f) => f.said);
  const naming: Naming = {
    kind: picture.machine.kind,
    refs: new Map(account.matters.map((m) => [m.cause, m.from])),
  };
  const looked = picture.findings
    // What keeps its user safe is said by name, first of all or among what was done.
    .filter((f) => f.check !== 'safety-walkround')
    .flatMap((f) => findingSaid(f, picture.machine.kind) ?? []);
  const unknown = notKnown(at, suspects);
  const safety = safetySaid(at);
  const done = doneSaid(at);
  const best = worth.choices.find((c) => c.id === worth.best);
  const open = account.others.flatMap((o) =>
    o.state === 'standing' ? [said(`${sentence(o.words)}.`, o.entryId)] : [],
  );
  const wrong = [...faults, ...open];
  const nothing = account.decided
    ? 'Nothing else was found wrong.'
    : done.length > 0
      ? 'What else is wrong has not been seen yet.'
      : 'What is wrong has not been seen yet.';
  return [
    ...(safety.length > 0 ? [heading('First of all'), ...list(safety)] : []),
    heading('What it came with'),
    ...list([...cameWith(at), ...toldBefore(at)]),
    ...(looked.length > 0 ? [heading('What we looked at'), ...list(looked)] : []),
    ...(done.length > 0 ? [heading('What was done'), ...list(done)] : []),
    heading('What is wrong'),
    ...(wrong.length > 0 ? list(wrong) : [{ is: 'text', ...said(nothing) } as const]),
    ...(unknown.length > 0 ? [heading('What is not known'), ...list(unknown)] : []),
    ...photoBlocks(picture),
    ...(worth.finished && best
      ? [
          heading('What it comes to'),
          {
            is: 'text',
            ...said(`${priceSaid(best.price, { said: money })}, with tax, for what was done.`),
          } as const,
        ]
      : [
          heading('What can be done'),
          ...worth.choices.map((c) => choiceBlock(c, at, naming)),
          ...(best
            ? [{ is: 'text', ...said(`We would take: ${choiceName(best).toLowerCase()}.`) } as const]
            : []),
          { is: 'sign', text: 'Taken, name and date' } as const,
        ]),
    ...footBlocks(at),
  ];
}
