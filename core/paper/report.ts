import type { CauseId, ChoiceId } from '../knowledge';
import type { Block, Picture, Said } from '../log';
import type { Suspect } from '../diagnosis';
import type { OfferedChoice, Worth } from '../worth';
import { causeClause, causeSaid, chanceSaid, findingSaid, said } from './words';
import { PLAIN_CHOICE } from './plain/choices';
import { PLAIN_COMPLAINT } from './plain/complaints';

/** What a paper is made from besides the log. */
export interface PaperOf {
  picture: Picture;
  tag: number;
  owner: string;
  /** "Brakken B45, chainsaw". */
  machine: string;
  /** The shop's own words at the foot. */
  foot: string;
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

/** What it came with: the owner's own words, else the behaviours that were picked. */
export function cameWith({ picture }: Pick<PaperOf, 'picture'>): Said[] {
  const entries = picture.trail.flatMap(({ entry, state }) =>
    state === 'live' && entry.kind === 'complaint' ? [entry] : [],
  );
  const words = entries.flatMap((e) => (e.body.words ? [said(`“${e.body.words}”`, e.id)] : []));
  return words.length > 0
    ? words
    : picture.complaints.map((c) => said(PLAIN_COMPLAINT[c.complaint], c.entryId));
}

/** What was found wrong and stands, each with what it was seen in. */
export const standingFaults = (picture: Picture): { cause: CauseId; said: Said }[] =>
  picture.found
    .filter((f) => f.state === 'standing')
    .map((f) => ({ cause: f.cause, said: said(causeSaid(f.cause), ...f.refs) }));

/** What keeps its user safe and is broken: named whatever was chosen. */
export const safetySaid = (picture: Picture): Said[] =>
  picture.safetyFaults.map((f) => said(`Not to be used before this is put right: ${f.words}.`, f.entryId));

/** What is not known: likely and possible causes that nobody saw, on the evidence there is. */
function notKnown(picture: Picture, suspects: readonly Suspect[]): Said[] {
  const known = new Set(picture.found.map((f) => f.cause));
  const evidence = picture.findings.map((f) => f.entryId);
  const open = suspects.filter((s) => !known.has(s.cause) && s.probability >= POSSIBLE).slice(0, 4);
  return open.map((s) =>
    said(
      s.probability >= LIKELY
        ? `Most likely, though not seen: ${causeClause(s.cause)}.`
        : `It may also be that ${causeClause(s.cause)}.`,
      ...picture.complaints.map((c) => c.entryId),
      ...evidence,
    ),
  );
}

/** An estimate is not said to the cent. */
const wholeDown = (cents: number): number => Math.floor(cents / 100) * 100;
const wholeUp = (cents: number): number => -wholeDown(-cents);

const daysSaid = ({ low, high }: OfferedChoice['days']): string =>
  high === 0
    ? 'at once'
    : low === high
      ? `${high} working ${high === 1 ? 'day' : 'days'}`
      : `${low} to ${high} working days`;

/** What stays wrong after a choice, in sentences. */
function leaves({ leaves: left, id }: OfferedChoice, refs: ReadonlyMap<CauseId, readonly string[]>): Said[] {
  return left
    .filter((l) => l.chance >= SAID_FROM)
    .slice(0, 4)
    .map(({ cause, chance }) =>
      said(
        chance >= SURELY
          ? `${id === 'as-it-is' ? 'Stays wrong:' : 'Not mended:'} ${causeClause(cause)}.`
          : `Not looked into: whether ${causeClause(cause)}.`,
        ...(refs.get(cause) ?? []),
      ),
    );
}

/** What the owner agrees to pay the bench for; a new machine is bought, not agreed to here. */
const NAMES_A_PRICE: ReadonlySet<ChoiceId> = new Set(['as-it-is', 'bare', 'mend', 'top-end', 'short-block']);

function choiceBlock(
  choice: OfferedChoice,
  { money }: PaperOf,
  refs: ReadonlyMap<CauseId, readonly string[]>,
): Block {
  const { id, price, right, back, jobs, words } = choice;
  const open = price.high - price.low >= 1_00;
  const does = jobs
    .filter((j) => j.chance >= SAID_FROM)
    .slice(0, 5)
    .flatMap(({ job, chance }) =>
      job.mends
        .slice(0, 1)
        .map((cause) =>
          said(
            chance >= SURELY
              ? `Put right: ${causeClause(cause)}.`
              : `If it is so, put right: ${causeClause(cause)}.`,
            ...(refs.get(cause) ?? []),
          ),
        ),
    );
  const risk =
    id === 'replace' || id === 'parts' || id === 'as-it-is'
      ? []
      : [
          said(
            `We reckon ${chanceSaid(right)} that it runs right afterwards, and ${chanceSaid(back)} that it is back within a year.`,
          ),
        ];
  const plain: Partial<Record<typeof id, string>> = {
    'as-it-is': 'You pay for the time it took to look. It goes home as it came.',
    bare: 'It is made to run, and nothing more. It may fail in minutes or in years.',
    replace: 'A like machine, new.',
    parts: 'You leave it here for its parts, and owe nothing.',
  };
  return {
    is: 'choice',
    choice: id,
    name: PLAIN_CHOICE[id],
    price: open ? `${money(wholeDown(price.low))} to ${money(wholeUp(price.high))}` : money(price.mean),
    ...(NAMES_A_PRICE.has(id) && { upTo: open ? wholeUp(price.high) : price.mean }),
    days: daysSaid(choice.days),
    items: [
      ...(plain[id] ? [said(plain[id])] : []),
      ...does,
      ...(id === 'replace' || id === 'parts' ? [] : leaves(choice, refs)),
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
export const footBlocks = ({ foot }: Pick<PaperOf, 'foot'>): Block[] => [
  ...(foot.trim() ? [{ is: 'text', ...said(foot.trim()) } as const] : []),
  { is: 'text', ...said('The maker’s own instructions and local rules come before anything said here.') },
];

/**
 * The report an owner decides by: what it came with, what was looked at and measured, what is wrong, what is not known, the
 * choices with their prices, what hurts somebody, and a line for a name. Every sentence names the entries it rests on.
 */
export function reportOf(at: PaperOf, worth: Worth, suspects: readonly Suspect[]): Block[] {
  const { picture } = at;
  const faults = standingFaults(picture);
  const refs = new Map(picture.found.map((f) => [f.cause, f.refs]));
  const looked = picture.findings.flatMap((f) => findingSaid(f) ?? []);
  const unknown = notKnown(picture, suspects);
  const safety = safetySaid(picture);
  const best = worth.choices.find((c) => c.id === worth.best);
  return [
    ...(safety.length > 0 ? [heading('First of all'), ...list(safety)] : []),
    heading('What it came with'),
    ...list(cameWith(at)),
    ...(looked.length > 0 ? [heading('What we looked at'), ...list(looked)] : []),
    heading('What is wrong'),
    ...(faults.length > 0
      ? list(faults.map((f) => f.said))
      : [{ is: 'text', ...said('What is wrong has not been seen yet.') } as const]),
    ...(unknown.length > 0 ? [heading('What is not known'), ...list(unknown)] : []),
    ...photoBlocks(picture),
    heading('What can be done'),
    ...worth.choices.map((c) => choiceBlock(c, at, refs)),
    ...(best
      ? [{ is: 'text', ...said(`We would take: ${PLAIN_CHOICE[best.id].toLowerCase()}.`) } as const]
      : []),
    { is: 'sign', text: 'Taken, name and date' },
    ...footBlocks(at),
  ];
}
