import { mattersIn } from '../account';
import { checkOf, onTool } from '../knowledge';
import { drillFor, ownersDrill } from '../starting';
import { figuresOf } from '../machine';
import {
  nameOfThing,
  sentence,
  staleFindings,
  type Block,
  type Finding,
  type PaperKind,
  type Picture,
  type Said,
  USES,
} from '../log';
import { formatTurns } from '../units';
import {
  cameWith,
  footBlocks,
  heading,
  list,
  photoBlocks,
  safetySaid,
  standingFaults,
  type PaperOf,
} from './report';
import { plainProof, plainUnproved } from './plain/proof';
import { PLAIN_WATCH } from './plain/watch';
import { doneSaid } from './done';
import { causeClause, findingSaid, said } from './words';

/** The checks whose figures are worth having in writing once a machine is proved. */
const PROVED_BY = ['idle-speed', 'full-speed', 'compression-gauge', 'coil-gap'] as const;

/** New parts that were fitted in the carburettor. */
const fitted = (picture: Picture): Said[] =>
  picture.trail.flatMap(({ entry, state }) =>
    state === 'live' && entry.kind === 'put-back' && 'layer' in entry.body && entry.body.renewed
      ? [said(`Fitted new: ${nameOfThing(entry.body).toLowerCase()}.`, entry.id)]
      : [],
  );

/** Figures that prove the machine: measured sound, after the last work that had a bearing on them. */
function provingFindings(picture: Picture): Finding[] {
  const worked = picture.repairs.length > 0 || picture.ledger.lines.length > 0;
  const stale = staleFindings(picture);
  const { order } = picture;
  const begun = Math.min(...picture.repairs.map((r) => order.get(r.entryId) ?? 0), Infinity);
  return PROVED_BY.flatMap((check) => {
    const finding = picture.findings.find((f) => f.check === check);
    const sound = finding?.result === checkOf(check).results[0]?.id;
    const after = (order.get(finding?.entryId ?? '') ?? -1) > begun;
    // Where it is a step of the proof, it proves no longer what was worked on since.
    const step = picture.proof.find((s) => s.by.kind === 'finding' && s.by.check === check);
    return finding && worked && sound && after && (step?.done ?? true) && !stale.has(finding.entryId)
      ? [finding]
      : [];
  });
}

/** How the mixture screws stand, where they were counted. */
function screwsSaid({ ledger, findings }: Picture): Said[] {
  const from = findings.filter((f) => f.check === 'screw-turns').map((f) => f.entryId);
  return (['L', 'H'] as const).flatMap((screw) =>
    ledger.counted.has(screw)
      ? [
          said(
            `Carburettor screw ${screw} stands ${formatTurns(Math.max(0, ledger.now[screw] / 8))} turns out.`,
            ...from,
          ),
        ]
      : [],
  );
}

/** What was signed on glass for the decision. */
function signatureOf({ decision, photos }: Picture): Block[] {
  const photo = photos.find((p) => p.hash === decision?.signature);
  if (!decision || !photo) return [];
  const { hash, width, height } = photo;
  return [{ is: 'photo', hash, width, height, text: `Signed by ${decision.by}`, pins: [] }];
}

/** What was done: put right, fitted, set, proved how, and what was left undone by choice. */
export function workDoneOf(at: PaperOf): Block[] {
  const { picture } = at;
  const { kind } = picture.machine;
  const done = doneSaid(at);
  const proving = provingFindings(picture);
  const figures = proving.flatMap((f) => findingSaid(f, kind) ?? []);
  // What was measured says it already, with its figure.
  const proved = picture.proof
    .filter(
      ({ by, clean }) => clean > 0 && !proving.some((f) => by.kind === 'finding' && by.check === f.check),
    )
    .map((s) => said(plainProof(s)));
  const starts = picture.starts.filter((s) => s.outcome === 'runs');
  const unproved = plainUnproved(picture);
  const left = [
    ...standingFaults(at).map((f) =>
      said(`Not mended: ${causeClause(f.cause, kind)}. It may fail again.`, ...f.said.from),
    ),
    ...picture.leftOff.map((l) => said(`${sentence(l.name)} stays off: ${l.words}.`, l.entryId)),
  ];
  const safety = safetySaid(at);
  return [
    ...(safety.length > 0 ? [heading('First of all'), ...list(safety)] : []),
    heading('What it came with'),
    ...list(cameWith(at)),
    heading('What was done'),
    ...(done.length > 0
      ? list([...done, ...fitted(picture)])
      : [{ is: 'text', ...said('Nothing was mended.') } as const]),
    ...(picture.decision
      ? [
          {
            is: 'text',
            ...said(
              `Agreed by ${picture.decision.by}${picture.decision.price === undefined ? '' : ` up to ${at.money(picture.decision.price)}`}.`,
              picture.decision.entryId,
            ),
          } as const,
          ...signatureOf(picture),
        ]
      : []),
    ...(figures.length + proved.length + starts.length > 0 || unproved
      ? [
          heading('How it was proved'),
          ...list([
            ...figures,
            ...screwsSaid(picture),
            ...proved,
            ...(starts.length > 0
              ? [
                  said(
                    `It was started ${starts.length} ${starts.length === 1 ? 'time' : 'times'} here.`,
                    ...starts.map((s) => s.id),
                  ),
                ]
              : []),
            ...(unproved ? [said(unproved)] : []),
          ]),
        ]
      : []),
    ...(left.length > 0 ? [heading('What was left'), ...list(left)] : []),
    ...photoBlocks(picture),
    ...footBlocks(at),
  ];
}

/** The card that goes home with this machine: its starting drill, its mix, how it is stored, what to watch for. */
export function cardOf(at: PaperOf): Block[] {
  const { picture, account } = at;
  const drill = ownersDrill(picture.starts);
  const from = picture.starts.findLast((s) => s.drill !== undefined)?.id;
  const steps: Said[] = drill
    ? [said(drill, from)]
    : drillFor(picture.machine.kind, 'cold').map((s) =>
        said(`${s.does}.${s.caution ? ` ${s.caution}` : ''}`),
      );
  const { mix } = figuresOf(picture.machine);
  const watch = new Map<string, Said>();
  for (const { cause, from: refs } of mattersIn(account, 'standing', 'untried', 'mended'))
    if (PLAIN_WATCH[cause]) {
      const text = onTool(PLAIN_WATCH[cause], picture.machine.kind);
      watch.set(text, said(text, ...refs));
    }
  return [
    heading('Start it like this'),
    ...list([...steps, said('Past ten pulls: stop, choke off, wait five minutes, then try without choke.')]),
    heading('Feed it'),
    ...list([
      said(`Fresh petrol with two-stroke oil, ${mix} to 1: ${Math.round(5000 / mix)} ml of oil to 5 litres.`),
      said('Mixed fuel keeps a month. Shake the can.'),
    ]),
    heading('Keep it'),
    ...list([
      said('Give it full throttle at work: that keeps its exhaust clear.'),
      said('Before it stands a month: empty the tank, then run it dry.'),
      said('Knock the air filter out each day it is used.'),
    ]),
    ...(watch.size > 0 ? [heading('Watch for'), ...list([...watch.values()])] : []),
    ...list(safetySaid(at)),
    ...didItAgain(picture),
    {
      is: 'text',
      ...said('Bring it back when it takes more pulls than it did, loses power, or its tool turns at idle.'),
    },
    ...footBlocks(at),
  ];
}

/** How the card asks whether it did it again. */
export const DID_IT_AGAIN = 'Did it do it again?';

/** What the shop wants to know of it once it is at work again: a tick, or a call. */
function didItAgain({ cured, complaints }: Picture): Block[] {
  if (!cured || complaints.length === 0) return [];
  const ticks = USES.map((n) => `${n} ${n === 1 ? 'use' : 'uses'} ____`).join(' ');
  return [{ is: 'text', ...said(`${DID_IT_AGAIN} If so, tell us. If not, tick: ${ticks}`) }];
}

/** The tag on its hook: number, owner, machine, complaint, promised day, and a code that opens the job. */
export function tagOf(at: PaperOf, { url, promised }: { url: string; promised: string | null }): Block[] {
  return [
    { is: 'large', text: String(at.tag) },
    { is: 'text', ...said(at.owner) },
    { is: 'text', ...said(at.machine) },
    ...list(cameWith(at)),
    ...(promised ? [{ is: 'text', ...said(`Promised for ${promised}.`) } as const] : []),
    { is: 'code', url, text: 'Opens the job' },
  ];
}

/** What each paper is called on its head. */
export const PAPER_NAMES: Readonly<Record<PaperKind, string>> = {
  report: 'Report and choices',
  'work-done': 'Work done',
  card: 'Keeping it well',
  tag: 'Hook tag',
};

/** The head of a paper: what it is, of which machine, whose. */
export const titleOf = (
  paper: PaperKind,
  { tag, machine, owner }: Pick<PaperOf, 'tag' | 'machine' | 'owner'>,
): string => `${PAPER_NAMES[paper]}: ${machine}, ${owner}, tag ${tag}`;
