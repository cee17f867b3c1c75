import {
  behindOf,
  causeOf,
  checkOf,
  isCrossed,
  remedyOf,
  tellsOf,
  type Carburettor,
  type CauseId,
  type ComplaintId,
  type LayerId,
  type History,
  type PartId,
} from '../knowledge';
import { missingToRun } from '../diagnosis';
import type { MachineFacts, MachineKind } from '../machine';
import { judgeReading } from '../reading';
import type { Bodies, Entry, EntryOf } from './entry';
import { asDone, inOrder, strikesOf } from './order';
import { readEvidence } from './evidence';
import { readFound, readSafety, readSetRight } from './found';
import type {
  Complaint,
  Decision,
  Finding,
  OffItem,
  OpenEnd,
  Photo,
  Picture,
  ProofStep,
  Repair,
  Settled,
  ToMend,
  TrailLine,
} from './picture';
import { readAtOwners, readProof } from './proof';
import { aboutOf, readRepairs } from './repairs';
import { readStage } from './stage';
import { conditionIn, readTray, trayPassed } from './tray';
import { readLines } from './lines';
import { readPapers } from './papers';
import { readSaidDone } from './saidDone';
import { readScrewPlans } from './screwPlan';
import { readLedger } from './tune';
import { lowered } from './words';

type Live = readonly Entry[];
const ofKind = <K extends Entry['kind']>(entries: Live, kind: K): EntryOf<K>[] =>
  entries.filter((e): e is EntryOf<K> => e.kind === kind);

type Found = Bodies['finding'];

/** What an entry tells of a check: a finding, a layer looked at as it came off, a line that cannot be right. Null: nothing. */
function findingIn(entry: Entry): Found | null {
  if (entry.kind === 'finding') return entry.body;
  if (entry.kind === 'line')
    return !entry.body.on && isCrossed(entry.body)
      ? { check: 'line-routing', result: 'crossed', sureness: 'sure' }
      : null;
  const seen = conditionIn(entry);
  const tells = seen && tellsOf(seen.layer, seen.condition);
  return tells ? { ...tells, sureness: 'sure' } : null;
}

/** A finding with its reading judged; result null when the reading was refused. */
function readFinding({ id, notedAt }: Entry, body: Found, machine: MachineFacts): Finding {
  const { check, result, reading, sureness, counts, pulls } = body;
  const common = {
    entryId: id,
    check,
    notedAt,
    ...(reading && { reading }),
    ...(counts && { counts }),
    ...(pulls !== undefined && { pulls }),
  };
  if (!reading) return { ...common, result: result ?? null, sureness };
  const judged = judgeReading(check, reading, machine);
  if ('refused' in judged) return { ...common, result: result ?? null, sureness, judged };
  // A technician's doubt stands; a reading close to an edge lowers an unqualified "sure".
  return {
    ...common,
    result: result ?? judged.result,
    sureness: sureness === 'sure' ? judged.sureness : sureness,
    judged,
  };
}

function readSettled(live: Live, repairs: readonly Repair[]): Settled[] {
  const settled = new Map<string, Settled>();
  for (const entry of live) {
    if (entry.kind === 'verdict' && !('behind' in entry.body)) {
      const { body } = entry;
      const what: ToMend =
        'settles' in body
          ? { cause: body.settles, ...(body.remedy && { remedy: body.remedy }) }
          : { other: body.other };
      // Settling again after a failed repair asks for a new one.
      settled.set(aboutOf(what), { entryId: entry.id, ...what, outcome: null });
    }
    const repair = entry.kind === 'repair' && repairs.find((r) => r.entryId === entry.id);
    if (!repair) continue;
    const { outcome } = repair;
    const about = aboutOf(repair);
    const known = settled.get(about);
    if (known) settled.set(about, { ...known, outcome });
    else if (outcome === 'cured') settled.set(about, { ...repair });
  }
  return [...settled.values()];
}

/** The causes that may stand behind a settled one and have no answer yet. */
export const openBehind = (
  cause: CauseId,
  p: Pick<Picture, 'behindAnswers' | 'settled' | 'cleared'>,
): CauseId[] =>
  behindOf(cause).filter(
    (b) =>
      // Looked at and sound: that is the answer.
      !p.cleared.includes(b) &&
      !p.behindAnswers.has(b) &&
      !p.settled.some((s) => 'cause' in s && s.cause === b),
  );

/** What is to be mended, by name. */
export const nameOfMend = (what: ToMend, kind?: MachineKind): string => {
  if ('other' in what) return what.other;
  return what.remedy ? remedyOf(what.remedy).does : causeOf(what.cause, kind).name;
};

/** A run of the proof that is left, with how far it has come. */
const leftWords = ({ label, times, clean, inOneGo }: ProofStep): string =>
  `${lowered(label)}${times > 1 && !inOneGo ? ` (${clean} of ${times})` : ''}`;

function readOpenEnds(p: Omit<Picture, 'openEnds'>): OpenEnd[] {
  const ends: OpenEnd[] = [];
  const { kind } = p.machine;
  for (const { cause, check } of p.setRight)
    ends.push({
      id: 'set-right',
      says: `Seen wrong and then right, and nobody said which: ${cause ? causeOf(cause, kind).name : checkOf(check, kind).name}.`,
    });
  const standing = p.settled.filter((s) => s.outcome !== 'no-change');
  if (standing.length === 0) ends.push({ id: 'settle', says: 'No cause is settled yet.' });
  for (const settled of standing) {
    if (settled.outcome === null)
      ends.push({ id: 'repair', says: `No repair recorded for: ${nameOfMend(settled, kind)}.` });
    if (settled.outcome === 'untried' && !p.cured)
      ends.push({ id: 'repair', says: `Done, and not tried yet: ${nameOfMend(settled, kind)}.` });
    const open = 'cause' in settled ? openBehind(settled.cause, p) : [];
    if (open.length > 0) {
      ends.push({
        id: 'behind',
        says: `${nameOfMend(settled, kind)} is a result. Still to answer: ${open.map((b) => causeOf(b, kind).name).join(', ')}.`,
      });
    }
  }
  const mending = new Set(standing.flatMap((s) => ('cause' in s ? [s.cause] : [])));
  for (const { cause, state, answer } of p.found)
    if (state === 'standing' && !answer && !mending.has(cause))
      ends.push({ id: 'found', says: `Found, and nothing done about it: ${causeOf(cause, kind).name}.` });
  const off = p.off.filter((item) => item.part !== 'tank-drained');
  if (off.length > 0) ends.push({ id: 'tray', says: `Still off: ${off.map((o) => o.name).join(', ')}.` });
  const unproved = p.proof.filter((s) => !s.done);
  if (unproved.length > 0)
    ends.push({
      id: 'proof',
      says: `Not proved since it was last touched: ${unproved.map(leftWords).join(', ')}.`,
    });
  for (const { words, refused } of p.safetyFaults)
    if (!refused) ends.push({ id: 'safety', says: `Safety fault stands: ${words}.` });
  return ends;
}

/**
 * Folds a job's entries into the picture every screen uses. Strikes and supersession are decided here and nowhere
 * else: a struck entry counts as if it had never been; a repeated check takes the place of the earlier one. `carburettor`: as it
 * was seen on others of the model, until somebody says on this job.
 */
export function readJob(
  entries: readonly Entry[],
  machine: MachineFacts,
  { carburettor = null }: { carburettor?: Carburettor | null | undefined } = {},
): Picture {
  const ordered = inOrder(entries);
  const struck = strikesOf(ordered);
  const unstruck = asDone(ordered.filter((e) => !struck.has(e.id) && e.kind !== 'strike'));
  const read = new Map(
    unstruck.flatMap((e) => {
      const body = findingIn(e);
      return body ? [[e.id, readFinding(e, body, machine)] as const] : [];
    }),
  );

  const latest = new Map<string, string>();
  for (const finding of read.values()) latest.set(finding.check, finding.entryId);
  const superseded = new Set(
    unstruck.filter((e) => e.kind === 'finding' && latest.get(e.body.check) !== e.id).map((e) => e.id),
  );
  const live = unstruck.filter((e) => !superseded.has(e.id));
  const findings = [...read.values()].filter((f) => latest.get(f.check) === f.entryId);

  const complaints = readComplaints(live);
  const history: History = Object.assign({}, ...ofKind(live, 'history').map((e) => e.body.answers));
  const fitted = ofKind(live, 'carburettor').at(-1)?.body ?? carburettor;
  const repairs = readRepairs(live);
  const evidence = readEvidence(unstruck, read, repairs);
  const known = readFound(evidence, live);
  const verdicts = ofKind(live, 'verdict');
  const atOwners = readAtOwners(live);

  const picture: Omit<Picture, 'openEnds'> = {
    machine,
    complaints,
    complaintWords: ofKind(live, 'complaint').flatMap((e) => e.body.words ?? []),
    history,
    saidDone: readSaidDone(ofKind(live, 'said-done')),
    findings,
    repairs,
    ...readTray(live),
    trayPassed: trayPassed(live),
    lines: readLines(live),
    screwPlans: readScrewPlans(live),
    carburettor: fitted,
    worth: Object.assign({}, ...ofKind(live, 'worth').map((e) => e.body)) as Bodies['worth'],
    choicesSet: new Map(ofKind(live, 'choice-set').map((e) => [e.body.choice, e.body])),
    decision: readDecision(live),
    papers: readPapers(live),
    settled: readSettled(live, repairs),
    behindAnswers: new Map(
      verdicts.flatMap((e) => ('behind' in e.body ? [[e.body.behind, e.body.answer] as const] : [])),
    ),
    ...readStage(live, known.cured),
    hands: live.findLast((e) => e.by !== undefined && HANDS_ON.has(e.kind))?.by ?? null,
    cans: new Map(ofKind(live, 'can').map((e) => [e.body.job, e.body.shared])),
    notes: ofKind(live, 'note').map((e) => ({ entryId: e.id, text: e.body.text, notedAt: e.notedAt })),
    photos: readPhotos(live),
    ...known,
    setRight: readSetRight(unstruck, read),
    ...readSafety(unstruck),
    hazardPassed: hazardPassed(live),
    ledger: readLedger(unstruck),
    starts: ofKind(live, 'start').map(({ id, notedAt, body }) => ({ id, notedAt, ...body })),
    proof: readProof(live, {
      findings,
      machine,
      complaints,
      repairs,
      failsWhen: history.failsWhen,
      bulb: fitted?.bulb !== 'none',
      atOwners,
    }),
    atOwners,
    evidence,
    order: new Map(unstruck.map((e, n) => [e.id, n])),
    trail: ordered.map((entry) => trailLine(entry, struck, superseded, read)),
  };
  return { ...picture, openEnds: readOpenEnds(picture) };
}

/** What nobody notes who has not the machine before them. */
const HANDS_ON: ReadonlySet<Entry['kind']> = new Set([
  'finding',
  'took-off',
  'put-back',
  'condition',
  'line',
  'rebuild-step',
  'repair',
  'screw',
  'heard',
  'start',
  'proved',
  'swapped-back',
]);

/** What was complained of, each once where it was said first, with how often it does it as was said last. */
function readComplaints(live: Live): Complaint[] {
  const all = new Map<ComplaintId, Complaint>();
  for (const { id, body } of ofKind(live, 'complaint')) {
    const { complaint } = body;
    const before = all.get(complaint);
    const often = body.often ?? before?.often;
    all.set(complaint, {
      entryId: before?.entryId ?? id,
      complaint,
      said: [...(before?.said ?? []), id],
      ...(often && { often }),
    });
  }
  return [...all.values()];
}

function readDecision(live: Live): Decision | null {
  const last = ofKind(live, 'decision').at(-1);
  return last ? { entryId: last.id, notedAt: last.notedAt, ...last.body } : null;
}

/** The photos in the order they were first taken, each as it was noted last. */
const readPhotos = (live: Live): Photo[] => [
  ...new Map(
    ofKind(live, 'photo').map(({ id, notedAt, body }) => [body.hash, { id, notedAt, ...body }] as const),
  ).values(),
];

/** Whether a hazard was knowingly passed, and nothing dangerous was noted since. */
function hazardPassed(live: Live): boolean {
  const passed = live.findLastIndex((e) => e.kind === 'hazard-passed');
  const noted = live.findLastIndex(
    (e) => e.kind === 'complaint' || (e.kind === 'finding' && e.body.check === 'safety-walkround'),
  );
  return passed > noted;
}

function trailLine(
  entry: Entry,
  struck: ReadonlyMap<string, Entry>,
  superseded: ReadonlySet<string>,
  read: ReadonlyMap<string, Finding>,
): TrailLine {
  const judged = read.get(entry.id)?.judged;
  const by = struck.get(entry.id);
  if (by)
    return {
      entry,
      state: 'struck',
      reason: by.kind === 'strike' ? by.body.reason : '',
      ...(judged && { judged }),
    };
  if (superseded.has(entry.id))
    return { entry, state: 'superseded', reason: 'repeated later', ...(judged && { judged }) };
  return { entry, state: 'live', ...(judged && { judged }) };
}

/** What covers the mixture screws goes on once they are set: it keeps nothing from running. */
const FOR_LATER: ReadonlySet<LayerId> = new Set(['limiter-caps', 'screw-plug']);
const isForLater = ({ layer }: Pick<OffItem, 'layer'>): boolean =>
  layer !== undefined && FOR_LATER.has(layer);

/**
 * What has to be accounted for before the engine is started, in the order it came off: everything in the tray, a drained
 * tank apart, once something is off without which it cannot run; else the layers and loose things on it, unless they were
 * knowingly passed. A cover that is only in the way may stay off.
 */
export function offToStart<Item extends Omit<OffItem, 'entryId'>>({
  off,
  trayPassed: passed = false,
}: {
  off: readonly Item[];
  trayPassed?: boolean;
}): Item[] {
  const there = off.filter((item) => item.part !== 'tank-drained' && !isForLater(item));
  if (missingToRun(new Set(partsOff({ off }))).length > 0) return there;
  return passed ? [] : there.filter((item) => !item.part);
}

/** The parts of the access list that are off. */
export const partsOff = ({ off }: { off: readonly Pick<OffItem, 'part'>[] }): PartId[] =>
  off.flatMap((item) => item.part ?? []);
