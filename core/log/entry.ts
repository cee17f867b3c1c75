import type {
  Carburettor,
  CauseId,
  CheckId,
  ChoiceId,
  ComplaintId,
  Condition,
  Counted,
  History,
  HowOften,
  LayerId,
  Line,
  Outcome,
  PartId,
  ProvedStep,
  RemedyId,
  RepairOutcome,
  RunId,
  SaidDone,
  Sureness,
  ToldHow,
} from '../knowledge';
import type { Block, PaperKind } from './blocks';
import type { Reading } from '../reading';
import type { Screw, TrackPoint } from '../tuning';

export const STAGES = ['hook', 'bench', 'parts', 'answer', 'proof', 'closed'] as const;
/** Where a job is: on its hook, on the bench, waiting for parts or for an answer, being proved, closed. */
export type Stage = (typeof STAGES)[number];

export const BEHIND_ANSWERS = ['put-right', 'ruled-out', 'waived'] as const;
export type BehindAnswer = (typeof BEHIND_ANSWERS)[number];

export const FOUND_ANSWERS = ['told', 'left'] as const;
/** What was done about a fault that was found and not mended: the owner was told, or it was left, with a reason. */
export type FoundAnswer = (typeof FOUND_ANSWERS)[number];

export const SAFETY_ANSWERS = ['put-right', 'told', 'refused'] as const;
/** What was done about a safety fault: put right, the owner told, or refused by the owner in writing. */
export type SafetyAnswer = (typeof SAFETY_ANSWERS)[number];

export const START_STATES = ['cold', 'warm', 'flooded'] as const;
export type StartState = (typeof START_STATES)[number];
export const START_OUTCOMES = ['runs', 'pops', 'nothing'] as const;
export type StartOutcome = (typeof START_OUTCOMES)[number];

export const TALK_ABOUTS = ['promise', 'call', 'order', 'said', 'told'] as const;
/** What a note plainly is: a promise, a call, an order, something the owner said, or was told. */
export type TalkAbout = (typeof TALK_ABOUTS)[number];

export const HEARD_BY = ['microphone', 'recording', 'stand-in'] as const;
export type HeardBy = (typeof HEARD_BY)[number];

export const RENEWALS = ['kit', 'failed', 'whole'] as const;
/** What a rebuild renews: always a kit, only what failed, or the carburettor as a whole. */
export type Renewal = (typeof RENEWALS)[number];

export const BUILD_ORDERS = ['as-came-off', 'as-usual'] as const;
/** Where layers came off in another order than the family's usual one: the order they go back in. */
export type BuildOrder = (typeof BUILD_ORDERS)[number];

export const REBUILD_TICKS = [
  'links-seen',
  'lines-tagged',
  'scribed',
  'off-enough',
  'screen-takes-spray',
  'button-matched',
  'impulse-met',
  'links-worked',
  'wires-clear',
  'links-again',
  'flood-cleared',
] as const;
/** Steps of a rebuild that are done by saying so. */
export type RebuildTick = (typeof REBUILD_TICKS)[number];

/** What can be off: a part of the access list, a layer of the carburettor, or any loose thing by name. */
export type Thing = { part: PartId } | { layer: LayerId } | { thing: string };

/** A numbered mark on a photo, where it points (0 to 1 of its width and height), and what it says. */
export interface Pin {
  x: number;
  y: number;
  words: string;
}

export const SCREW_OUTLINES = ['four-sided', 'long', 'round'] as const;
/** A cover as it is drawn where there is no photo of it. */
export type ScrewOutline = (typeof SCREW_OUTLINES)[number];

/** Where a screw sits (0 to 1 of the width and height of what it is marked on), and what it is: “long”, “with a washer”. */
export interface ScrewPlace {
  x: number;
  y: number;
  kind: string;
}

export const PHOTO_TIMES = ['before', 'after'] as const;
export type PhotoTime = (typeof PHOTO_TIMES)[number];

export const USES = [1, 5, 20] as const;
/** After how many uses an owner is asked whether it did it again. */
export type Uses = (typeof USES)[number];

/** What each kind of entry carries. */
export interface Bodies {
  /** `often`: said again of the same complaint, the later one counts. */
  complaint: { complaint: ComplaintId; words?: string; often?: HowOften };
  history: { answers: History };
  /** Work that the owner says was done before it came in. */
  'said-done': SaidDone;
  finding: {
    check: CheckId;
    result?: string;
    reading?: Reading;
    sureness: Sureness;
    /** Made several times: how many of them failed. */
    counts?: Counted;
    /** Pulls of the cord made just before. */
    pulls?: number;
    note?: string;
  };
  /**
   * A layer with how it was found; one that was not there is off, `missing`. `uncounted`: a mixture screw whose turns are
   * lost. A loose thing with where it sat and how many there are.
   */
  'took-off':
    | { part: PartId }
    | { layer: LayerId; condition?: Condition; uncounted?: true }
    | { thing: string; place?: string; count?: number };
  /** `renewed`: a new one in its place. `turns`: where a screw without a count was set, turns out. */
  'put-back': { part: PartId } | { layer: LayerId; renewed?: true; turns?: number } | { thing: string };
  /** The old one is in the bin: its place waits for a new one. */
  'thrown-away': Thing;
  /** It stays off on purpose. */
  'left-off': Thing & { words: string };
  /** How a layer is, looked at again. */
  condition: { layer: LayerId; condition: Condition };
  /** A line tagged as it was found; `on`: pushed on again, and where. */
  line: Line & { on?: true };
  /** What kind of carburettor it is, as seen. */
  carburettor: Carburettor;
  'rebuild-step':
    | { step: RebuildTick }
    | { step: 'renew'; answer: Renewal }
    | { step: 'order'; answer: BuildOrder };
  /**
   * A photo, named by the hash of its bytes, with what it is of where it is of one thing or one entry. Noted again, with other
   * words or pins, it takes its own place.
   */
  photo: {
    hash: string;
    width: number;
    height: number;
    of?: Thing | { entry: string };
    when?: PhotoTime;
    words?: string;
    pins?: readonly Pin[];
  };
  /** Where the screws of a cover sit, on a drawn outline or on a photo of it. */
  'screw-plan': {
    of: Thing;
    on: { outline: ScrewOutline } | { photo: string };
    screws: readonly ScrewPlace[];
  };
  /** What its worth rests on besides: its age, and what a like one costs new, in whole cents with tax. */
  worth: { ageYears?: number; like?: number };
  /** A choice as the technician would have it: another price (whole cents with tax) or other days, or not offered at all. */
  'choice-set': { choice: ChoiceId; price?: number; days?: number; offered?: false; words?: string };
  /** What the owner decided, who said so, and how; the price agreed, in whole cents with tax, and the given paper it was read on. */
  decision: {
    choice: ChoiceId;
    by: string;
    how: ToldHow;
    price?: number;
    words?: string;
    paper?: string;
    /** The photo of what was signed on glass, by its hash. */
    signature?: string;
  };
  /** A paper as it was given to the owner: exactly this, with the SHA-256 of it. */
  paper: { paper: PaperKind; title: string; blocks: readonly Block[]; hash: string };
  /** Something is on the tray, and the engine is started all the same. */
  'tray-passed': { words: string };
  /**
   * With a remedy, the whole of it was done: everything that it mends was put right. `untried`: the engine was not run
   * since; a later repair of the same cause says how it turned out. `before`: it was done before that entry was noted, and
   * counts from there. `other`: a fault in the technician's own words.
   */
  repair:
    | { cause: CauseId; remedy?: RemedyId; outcome: RepairOutcome; before?: string; note?: string }
    | { other: string; outcome: Outcome; note?: string };
  verdict:
    | { settles: CauseId; remedy?: RemedyId; words?: string }
    | { other: string }
    | { behind: CauseId; answer: BehindAnswer; words?: string };
  /** What is done about something found, where it is not mended. */
  answered:
    | { cause: CauseId; answer: FoundAnswer; words?: string }
    | { safety: SafetyAnswer; words?: string };
  note: { text: string; about?: TalkAbout };
  /** A screw turned, in eighths: L and H out, the idle stop in. A trial is an early turn to be put back. */
  screw: { screw: Screw; eighths: number; trial?: true; why?: string };
  /** The engine listened to: its speed trace. */
  heard: { track: readonly TrackPoint[]; seconds: number; by: HeardBy };
  /** A try at starting, with the pulls it took, and an altered drill where one was used. */
  start: { state: StartState; pulls: number; outcome: StartOutcome; drill?: string };
  /** A run of the proof made, and it did not do it; or the runs so far taken for enough, with how sure they make it (0–1). */
  proved: { step: ProvedStep } | { enough: RunId; sure: number };
  /** After it came right, something was put back as it was, to see: of which change (its first entry), what, and whether it did it again. */
  'swapped-back': { of: string; what: string; again: boolean };
  /** Back at its owner's: after so many uses, whether it did it again, and what they said of it. */
  'at-owners': { uses: Uses; again: boolean; words?: string };
  /** Whether another job's machine drinks from the same can as this one. */
  can: { job: string; shared: boolean };
  stage: { stage: Stage; waitingFor?: string; reason?: string };
  /** A standing hazard knowingly passed: the machine is run all the same. */
  'hazard-passed': { words: string };
  strike: { reason: string };
}
export type EntryKind = keyof Bodies;
/** Every kind once: a kind forgotten here does not compile. */
const KINDS: Readonly<Record<EntryKind, true>> = {
  complaint: true,
  history: true,
  'said-done': true,
  finding: true,
  'took-off': true,
  'put-back': true,
  'thrown-away': true,
  'left-off': true,
  condition: true,
  line: true,
  carburettor: true,
  'rebuild-step': true,
  'screw-plan': true,
  worth: true,
  'choice-set': true,
  decision: true,
  paper: true,
  'tray-passed': true,
  photo: true,
  repair: true,
  verdict: true,
  answered: true,
  note: true,
  screw: true,
  heard: true,
  start: true,
  proved: true,
  'swapped-back': true,
  'at-owners': true,
  can: true,
  stage: true,
  'hazard-passed': true,
  strike: true,
};
export const ENTRY_KINDS = Object.keys(KINDS) as readonly EntryKind[];

interface Common {
  /** Made by the client, so sending twice is harmless. */
  id: string;
  /** Order on the job, given by the server; null until it has been sent. */
  seq: number | null;
  /** When it was noted at the bench, ISO 8601. */
  notedAt: string;
  /** Who noted it. */
  by?: string;
  /** Who had the device in hand when it was sent, given by the server where that was somebody else. */
  sentBy?: string;
  /** The entry a strike takes out. */
  strikes?: string;
}

/** One line of the bench log. Never edited, never erased. */
export type Entry = { [K in EntryKind]: Common & { kind: K; body: Bodies[K] } }[EntryKind];
export type EntryOf<K extends EntryKind> = Extract<Entry, { kind: K }>;

/** A kind with the body it carries. */
export type Noted = { [K in EntryKind]: { kind: K; body: Bodies[K] } }[EntryKind];
/** An entry as a client makes it: the server gives it its order. */
export type NewEntry = { [K in EntryKind]: Omit<Common, 'seq'> & { kind: K; body: Bodies[K] } }[EntryKind];

/** When and by whom something is noted, and what it strikes. */
export type NotedWhen = Omit<Common, 'seq' | 'by'> & { by?: string | null };

/** An entry from what is noted and when: the one place where entries are made. */
export function makeEntry({ kind, body }: Noted, { by, ...when }: NotedWhen): NewEntry {
  // Kind and body were a pair when they came: the compiler loses that in the spread.
  return { ...when, ...(by && { by }), kind, body } as NewEntry;
}

/** The entry as it counts on the log before the server has numbered it. */
export const unnumbered = (entry: NewEntry): Entry => ({ ...entry, seq: null });
