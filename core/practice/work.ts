import { costOf, DEAD_STARTS, minutesOffAndOn, offAfter, takeIn, type Evidence } from '../diagnosis';
import {
  causeOf,
  causesPutRight,
  checkOf,
  partOf,
  remedyMinutes,
  remedyOf,
  resultOf,
  toOpen,
  type CauseId,
  type CheckId,
  type PartId,
  type RemedyId,
} from '../knowledge';
import { judgeReading } from '../reading';
import { outcomeOf } from '../proving';
import { changes, effectOf, showsOf, standingOn, triedOn, truthOf, type Condition } from './answers';
import { hazardIn, hazardKnown } from './hazards';
import type { Hidden } from './hidden';
import { lastNote, type Ended, type Move, type Shows, type Step, type Worked } from './moves';
import { notReady, READY_IDS, type ReadyId } from './ready';

/** Putting right what is unsafe, minutes. */
const MAKE_SAFE_MINUTES = 6;
const WILL_NOT_RUN = 'It does not keep running: nothing can be read off it.';
const WILL_NOT_TURN = 'The cord will not pull it round.';

/** An exercise as it goes on: everything that follows from the moves so far. */
class Bench {
  private readonly steps: Step[] = [];
  private minutes = 0;
  private off: ReadonlySet<PartId> = new Set();
  private evidence: Evidence[];
  private readonly left: Set<CauseId>;
  private truths = new Map<CheckId, string>();
  private times = new Map<CheckId, number>();
  private shown = new Map<CheckId, string>();
  private mended = 0;
  /** What was not made ready when the squeeze was last measured without oil. */
  private dryMissed: readonly ReadyId[] = [];
  private walkedRound = false;
  private unsafeKnown = false;
  private madeSafe = false;
  private inHand: Shows | null = null;
  private ended: Ended | null = null;

  constructor(private readonly hidden: Hidden) {
    this.evidence = hidden.complaints.map((complaint) => ({
      ref: complaint,
      kind: 'complaint',
      complaint,
    }));
    this.left = new Set(hidden.faults);
  }

  private get now(): Condition {
    return { left: this.left, truths: this.truths, times: this.times, mended: this.mended };
  }

  private get standing() {
    return standingOn(this.hidden, this.left);
  }

  /** What is known of it as it is. */
  private get known() {
    const { standing, left, shown, walkedRound, madeSafe, unsafeKnown } = this;
    return { standing, left, shown, walkedRound, madeSafe, unsafeKnown };
  }

  private truth(check: CheckId, ready?: readonly ReadyId[]): string {
    const result = truthOf(this.hidden, check, this.now, ready);
    this.truths.set(check, result);
    return result;
  }

  /** What has been put right is right from now on: what it had a bearing on may look different. */
  private putRight(rights: readonly CauseId[]): void {
    if (rights.length === 0) return;
    for (const cause of rights) this.left.delete(cause);
    this.mended++;
    const moved = (check: CheckId): boolean => rights.some((cause) => changes(cause, check));
    const kept = <T>(map: Map<CheckId, T>): Map<CheckId, T> =>
      new Map([...map].filter(([check]) => !moved(check)));
    this.truths = kept(this.truths);
    this.times = kept(this.times);
    this.shown = kept(this.shown);
  }

  /** Why a check cannot be made on it as it is, in words; null where it can. */
  private cannot(check: CheckId): string | null {
    const { engine } = checkOf(check);
    if (!engine) return null;
    const turns = check === 'pull-feel' || this.truth('pull-feel') !== 'locked';
    if (!turns) return WILL_NOT_TURN;
    return engine === 'running' && DEAD_STARTS.has(this.truth('start-trial')) ? WILL_NOT_RUN : null;
  }

  private look({ check, kpa, ready }: Extract<Move, { do: 'look' }>): Omit<Partial<Step>, 'move'> {
    const minutes = costOf(checkOf(check), this.off);
    const missed = notReady(check, ready ?? READY_IDS).map((r) => r.id);
    this.off = offAfter(checkOf(check), this.off);
    const hazard = hazardIn(this.hidden, check, kpa, missed, this.known);
    if (hazard) {
      this.ended = { why: 'hazard', says: hazard };
      return { minutes, missed };
    }
    const cannot = this.cannot(check);
    if (cannot) return { minutes, shows: { check, result: null, words: cannot, reading: null } };
    if (check === 'safety-walkround') return { minutes, shows: this.walkRound() };
    const tried = triedOn(this.hidden, check, this.now);
    const result = tried ? tried.result : this.truth(check, ready);
    const { dryMissed } = this;
    const shows = showsOf(this.hidden, check, result, this.now, { kpa, missed, dryMissed });
    if (check === 'compression-gauge') this.dryMissed = missed;
    if (tried) this.putRight(tried.rights);
    else {
      this.times.set(check, (this.times.get(check) ?? 0) + 1);
      this.shown.set(check, result);
    }
    this.inHand = shows;
    return { minutes, shows, ...(missed.length > 0 && { missed }) };
  }

  private walkRound(): Shows {
    this.walkedRound = true;
    const { safety } = this.hidden;
    const result = safety && !this.madeSafe ? 'fault' : 'sound';
    this.unsafeKnown = result === 'fault';
    const shows = showsOf(this.hidden, 'safety-walkround', result, this.now);
    this.inHand = this.unsafeKnown ? { ...shows, words: `${safety}.` } : shows;
    return this.inHand;
  }

  private note({ check, noted }: Extract<Move, { do: 'note' }>, ref: string): Omit<Partial<Step>, 'move'> {
    if (this.inHand?.check !== check) return {};
    // What is noted of it is one of its results: a file may say otherwise.
    if (noted.result !== undefined && !resultOf(check, noted.result)) return {};
    const judged = noted.reading && judgeReading(check, noted.reading, this.hidden.machine);
    const result = noted.result ?? (judged && 'result' in judged ? judged.result : null);
    const shows = this.inHand;
    if (result === null) return { result, shows };
    this.inHand = null;
    this.evidence = takeIn(this.evidence, { ref, kind: 'finding', check, result, sureness: noted.sureness });
    return { result, shows };
  }

  private takeBack(): void {
    const at = lastNote(this.steps);
    const note = this.steps[at];
    if (!note?.shows) return;
    this.steps[at] = { ...note, slip: true };
    this.evidence = [...note.evidence];
    this.inHand = note.shows;
  }

  private mend({ cause, remedy }: Extract<Move, { do: 'mend' }>, ref: string): Omit<Partial<Step>, 'move'> {
    const minutes = remedy ? remedyMinutes(remedyOf(remedy)) : causeOf(cause).minutes;
    const rights = causesPutRight(cause, remedy ?? actOf(cause)).filter((id) => this.left.has(id));
    const { helped, more } = effectOf(this.hidden, this.left, rights);
    const outcome = outcomeOf(helped, more);
    this.putRight(rights);
    this.evidence = [...this.evidence, { ref, kind: 'repair', cause, ...(remedy && { remedy }), outcome }];
    return { minutes, outcome };
  }

  private do(move: Move, ref: string): Omit<Partial<Step>, 'move'> {
    switch (move.do) {
      case 'look':
        return this.look(move);
      case 'note':
        return this.note(move, ref);
      case 'off': {
        const opens = toOpen([move.part], this.off);
        this.off = new Set([...this.off, ...opens]);
        // Closing up again is part of opening: it is paid here, whether it was needed or not.
        return { minutes: minutesOffAndOn(opens) };
      }
      case 'on':
        this.off = new Set([...this.off].filter((part) => part !== move.part && !isBehind(part, move.part)));
        return {};
      case 'mend':
        return this.mend(move, ref);
      case 'make-safe':
        this.madeSafe = this.unsafeKnown || this.madeSafe;
        return { minutes: this.unsafeKnown ? MAKE_SAFE_MINUTES : 0 };
      case 'ask':
        return {};
      case 'take-back':
        this.takeBack();
        return {};
      case 'hand-back':
        this.ended = {
          why: 'handed-back',
          cured: this.standing.length === 0,
          standing: this.standing,
          left: [...this.left],
        };
        return {};
    }
  }

  /** Does one more thing. Nothing is done once the exercise has ended. */
  take(move: Move): void {
    if (this.ended) return;
    const before = {
      at: this.minutes,
      evidence: this.evidence,
      off: [...this.off],
      hazard: hazardKnown(this.known),
    };
    const done = this.do(move, String(this.steps.length));
    const step = { minutes: 0, ...done, ...before, move };
    this.minutes += step.minutes;
    this.steps.push(step);
  }

  get worked(): Worked {
    return {
      steps: [...this.steps],
      minutes: this.minutes,
      off: [...this.off],
      evidence: this.evidence,
      inHand: this.inHand,
      standing: this.standing,
      unsafe: this.unsafeKnown && !this.madeSafe ? this.hidden.safety : null,
      hazard: hazardKnown(this.known),
      left: [...this.left],
      ended: this.ended,
    };
  }
}

/** Jobs that are one act: whichever of their faults it is done for, it puts all of them right. Fresh mix is fresh mix. */
const ONE_ACT: readonly RemedyId[] = [
  'fresh-mix',
  'new-plug',
  'set-coil-gap',
  'set-low-screw',
  'set-high-screw',
];
const actOf = (cause: CauseId): RemedyId | undefined =>
  ONE_ACT.find((remedy) => remedyOf(remedy).mends.includes(cause));

/** Whether a part can only be off while another is: it comes off after it. */
const isBehind = (part: PartId, front: PartId): boolean => partOf(part).after.includes(front);

/** An exercise that goes on move by move. */
export interface Working {
  readonly worked: Worked;
  take: (move: Move) => void;
}

/** A bench with a hidden machine on it, to be worked move by move. */
export const benchFor = (hidden: Hidden): Working => new Bench(hidden);

/**
 * How an exercise stands after these moves: what the machine answered, the minutes, and how it ended. Pure: the same machine and moves
 * give the same, so an exercise can be gone through again from its file.
 *
 * @example
 * workedBy(hidden, [{ do: 'look', check: 'plug-look' }]).inHand?.words; // what the plug looks like
 */
export function workedBy(hidden: Hidden, moves: readonly Move[]): Worked {
  const bench = new Bench(hidden);
  for (const move of moves) bench.take(move);
  return bench.worked;
}
