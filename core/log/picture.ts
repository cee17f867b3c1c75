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
  PartId,
  ProofRun,
  RemedyId,
  RepairOutcome,
  Sureness,
} from '../knowledge';
import type { Evidence, Known } from '../diagnosis';
import type { MachineFacts } from '../machine';
import type { Judged } from '../verdict';
import type { LineNow } from './lines';
import type { Block, PaperKind } from './blocks';
import type { Reading } from '../reading';
import type { Ledger } from '../tuning';
import type { BehindAnswer, Bodies, Entry, EntryOf, FoundAnswer, Stage } from './entry';

/** One line of the trail: an entry and whether it still counts. */
export interface TrailLine {
  entry: Entry;
  state: 'live' | 'struck' | 'superseded';
  /** Why it no longer counts, in words. */
  reason?: string;
  /** For a measured finding: what the reading was judged to be. */
  judged?: Judged;
}

export interface Finding {
  entryId: string;
  check: CheckId;
  /** Null when the reading was refused. */
  result: string | null;
  sureness: Sureness;
  reading?: Reading;
  judged?: Judged;
  counts?: Counted;
  /** Pulls of the cord made just before. */
  pulls?: number;
  notedAt: string;
}

/** What is to be put right: a cause, by a whole job where that is more than the one, or a fault in one's own words. */
export type ToMend = { cause: CauseId; remedy?: RemedyId } | { other: string };

/** What was put right, and how it has turned out by now. */
export type Repair = ToMend & {
  entryId: string;
  notedAt: string;
  outcome: RepairOutcome;
  /** The entry that said how it turned out: its own, or a later one. */
  toldBy: string;
};

/** What was settled on, by a verdict or by a repair that cured it, and how its last repair turned out: null before it. */
export type Settled = ToMend & { entryId: string; outcome: RepairOutcome | null };

/** A fault that is known, and what was said about it where it is not mended. */
export interface FoundFault extends Known {
  answer: { entryId: string; answer: FoundAnswer; words?: string } | null;
}

/** A fault that hurts somebody, until it is put right. */
export interface SafetyFault {
  entryId: string;
  words: string;
  /** The owner was told. */
  told: boolean;
  /** The owner refused to have it put right: what they wrote, and the entry that says so. */
  refused: { entryId: string; words: string } | null;
}

/** A safety fault that was put right, and the entry that says so. */
export interface SafetyMended {
  entryId: string;
  words: string;
  mendedBy: string;
}

/**
 * A fault that was seen, and seen gone later with no repair between: it was set right in passing, or read wrong the first
 * time. Nobody but whoever did it knows; until then neither is said.
 */
export interface SetRight {
  /** Null: what keeps its user safe. */
  cause: CauseId | null;
  check: CheckId;
  /** The entries that say so: it was wrong, it was right. */
  wrong: string;
  right: string;
}

/** Something that is off, and not yet back, renewed or left off on purpose. */
export interface OffItem {
  entryId: string;
  /** A part from the access list, a layer of the carburettor, or any loose thing by name. */
  part?: PartId;
  layer?: LayerId;
  name: string;
  /** Where a loose thing sat, and how many there are. */
  place?: string;
  count?: number;
  /** How a layer was found. */
  condition?: Condition;
  /** Nothing lies on the tray for it: it was missing, or is in the bin. A new one has to go in. */
  gone?: 'missing' | 'binned';
}

/** What stays off on purpose, with the word why. */
export interface LeftOff extends OffItem {
  words: string;
}

/** A run of the proof as far as it has come. */
export interface ProofStep extends Omit<ProofRun, 'shows'> {
  /** How many are asked for, and how many were made since work last touched it. */
  times: number;
  clean: number;
  /** What was complained of and would show in it again, and how sure all its runs so far make it that it is cured (0–1). */
  proves: readonly ComplaintId[];
  sure: number | null;
  /** Fewer than asked for were taken for enough. */
  enough: boolean;
  /** Made as often as is asked for, or taken for enough. */
  done: boolean;
  /** Not before this time, ISO 8601: the engine must have stood. */
  notBefore?: string;
}

/** A try at starting. */
export type Start = Bodies['start'] & Pick<EntryOf<'start'>, 'id' | 'notedAt'>;

/** What stands between the job and its closing. */
export interface OpenEnd {
  id: 'set-right' | 'settle' | 'repair' | 'behind' | 'found' | 'tray' | 'proof' | 'safety';
  says: string;
}

/** A photo on the job, as it was noted last. */
export type Photo = Bodies['photo'] & Pick<EntryOf<'photo'>, 'id' | 'notedAt'>;

/** Where the screws of a cover sit, as somebody marked it last. */
export type ScrewPlan = Bodies['screw-plan'] & { entryId: string };

/** What the owner decided. */
export type Decision = Bodies['decision'] & { entryId: string; notedAt: string };

/** A paper as it was given: exactly this, whatever is noted later. */
export interface GivenPaper {
  entryId: string;
  notedAt: string;
  paper: PaperKind;
  title: string;
  blocks: readonly Block[];
  hash: string;
  /** The how manieth of its kind on this job, from 1. */
  version: number;
}

/** What was complained of: the entry that said it first, all that say it, and how often it does it as was said last. */
export interface Complaint {
  entryId: string;
  complaint: ComplaintId;
  said: readonly string[];
  often?: HowOften;
}

/** Everything the log says about a job, worked out. */
export interface Picture {
  machine: MachineFacts;
  /** Each once, in the order they were said first. */
  complaints: readonly Complaint[];
  complaintWords: readonly string[];
  history: History;
  /** Work that is said to have been done before it came, each as it was said last. */
  saidDone: readonly EntryOf<'said-done'>[];
  findings: readonly Finding[];
  repairs: readonly Repair[];
  off: readonly OffItem[];
  /** Who had it in hand last. */
  hands: string | null;
  leftOff: readonly LeftOff[];
  /** What lies on the tray was knowingly passed: nothing came off since. */
  trayPassed: boolean;
  /** Lines tagged, in the order they were first. */
  lines: readonly LineNow[];
  /** Where the screws of what is off sit. */
  screwPlans: readonly ScrewPlan[];
  /** What kind of carburettor it is, as somebody said last. */
  carburettor: Carburettor | null;
  /** What is known of its worth besides what is wrong with it. */
  worth: Bodies['worth'];
  /** Choices as the technician would have them, each as it was set last. */
  choicesSet: ReadonlyMap<ChoiceId, Bodies['choice-set']>;
  /** What the owner decided last. */
  decision: Decision | null;
  /** Papers given to the owner, in order. */
  papers: readonly GivenPaper[];
  settled: readonly Settled[];
  behindAnswers: ReadonlyMap<CauseId, BehindAnswer>;
  stage: Stage;
  waitingFor: string | null;
  stageSince: string | null;
  /** What was said about other jobs' machines and this one's can, by job. */
  cans: ReadonlyMap<string, boolean>;
  notes: readonly { entryId: string; text: string; notedAt: string }[];
  /** In the order they were first taken. */
  photos: readonly Photo[];
  /** Faults seen, measured or put right. */
  found: readonly FoundFault[];
  /** The complaint was gone after a repair, and nothing was complained of since. */
  cured: boolean;
  /** Seen sound, or put right in vain: hardly there. */
  cleared: readonly CauseId[];
  /** To be answered before anything else is said of it. */
  setRight: readonly SetRight[];
  safetyFaults: readonly SafetyFault[];
  safetyMended: readonly SafetyMended[];
  /** A standing hazard was knowingly passed. */
  hazardPassed: boolean;
  /** Screws: where they stand, every move, and what was heard. */
  ledger: Ledger;
  starts: readonly Start[];
  proof: readonly ProofStep[];
  /** What its owner said of it since it was last worked on, in order. */
  atOwners: readonly (Bodies['at-owners'] & Pick<EntryOf<'at-owners'>, 'id' | 'notedAt'>)[];
  openEnds: readonly OpenEnd[];
  /** Live evidence in order, for the diagnosis. */
  evidence: readonly Evidence[];
  trail: readonly TrailLine[];
  /** Where each entry that is not struck stands among the others, as things were done. */
  order: ReadonlyMap<string, number>;
}
