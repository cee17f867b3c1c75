import { longestShift, ROOMS, setupBetween, STAYS, type Slot, type Task, type Work } from './task';

/** Work laid down beside each other, in order of its beginning: when each begins and ends, and which it is. */
class Lane {
  readonly start: number[] = [];
  readonly end: number[] = [];
  readonly task: number[] = [];

  /** Position of the first that begins after `at`. */
  after(at: number): number {
    let [low, high] = [0, this.start.length];
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.start[middle]! <= at) low = middle + 1;
      else high = middle;
    }
    return low;
  }

  /** Lays one down; returns its position. */
  lay(task: number, start: number, end: number): number {
    const at = this.after(start);
    this.start.splice(at, 0, start);
    this.end.splice(at, 0, end);
    this.task.splice(at, 0, task);
    return at;
  }
}

/** Another takes a machine over where it is so many minutes sooner, if nothing else is said. */
export const HANDED_OVER = 45;

/** Work turned into what a plan is built from quickly: everything by index. */
export interface Ready {
  work: Work;
  tasks: readonly Task[];
  /** Index of the task before each; -1 for none. */
  before: readonly number[];
  rest: readonly number[];
  /** The task before it whose technician goes on with it; -1 for none. */
  keeper: readonly number[];
  /** Who has the machine in hand before the first of it; -1 for nobody. */
  inHand: readonly number[];
  /** With whom it must be, and from when on; -1 for anybody. */
  pinned: readonly number[];
  from: readonly number[];
  index: ReadonlyMap<string, number>;
  /** Indices of a job's tasks, by the job's place in the list. */
  ofJob: readonly (readonly number[])[];
  /** The order every plan is built in: what is pinned first, by when. */
  pins: readonly number[];
  /** Setting up from one task to another, minutes. */
  setup: (one: number, next: number) => number;
  /** How many find room at a task's place; Infinity for any number. */
  room: readonly number[];
  /** The longest of all tasks, minutes. */
  longest: number;
}

/** Makes work ready for planning. Throws on a task whose predecessor or job is not there, or that fits into nobody's day. */
export function ready(work: Work): Ready {
  const { tasks, jobs, crew, pins = [] } = work;
  const index = new Map(tasks.map((t, i) => [t.id, i]));
  const before = tasks.map((t) => {
    if (!t.after) return -1;
    const at = index.get(t.after.task);
    if (at === undefined) throw new Error(`${t.id} comes after ${t.after.task}, which is not there`);
    return at;
  });
  /** The last one before it that took hands. */
  const keeperOf = (task: number): number => {
    let at = before[task]!;
    while (at >= 0 && !tasks[at]!.hands) at = before[at]!;
    return at;
  };
  const longest = longestShift(crew);
  const known = new Map(jobs.map((j, i) => [j.id, i]));
  const ofJob: number[][] = jobs.map(() => []);
  tasks.forEach((t, i) => {
    const at = known.get(t.job);
    if (at === undefined) throw new Error(`${t.id} is of job ${t.job}, which is not there`);
    if (t.hands && t.minutes > longest) throw new Error(`${t.id} is longer than anybody's day`);
    ofJob[at]!.push(i);
  });
  const of = tasks.map((one) => Float64Array.from(tasks, (next) => setupBetween(one, next)));
  const pinOf = new Map(pins.map((p) => [p.task, p]));
  return {
    work,
    tasks,
    before,
    keeper: tasks.map((t, i) => (STAYS.has(t.kind) ? keeperOf(i) : -1)),
    inHand: tasks.map((t, i) =>
      STAYS.has(t.kind) && keeperOf(i) < 0
        ? crew.findIndex((c) => c.id === jobs[known.get(t.job)!]!.hands)
        : -1,
    ),
    rest: tasks.map((t) => t.after?.rest ?? 0),
    pinned: tasks.map((t) => crew.findIndex((c) => c.id === pinOf.get(t.id)?.crew)),
    from: tasks.map((t) => pinOf.get(t.id)?.from ?? 0),
    index,
    ofJob,
    pins: pins
      .toSorted((x, y) => x.from - y.from)
      .flatMap((p) => {
        const at = index.get(p.task);
        return at !== undefined && tasks[at]!.hands ? [at] : [];
      }),
    setup: (one, next) => of[one]![next]!,
    room: tasks.map((t) => (work.rooms ?? ROOMS)[t.place] ?? Infinity),
    longest: Math.max(0, ...tasks.map((t) => t.minutes)),
  };
}

/** A plan while it is built, and what it costs so far. */
export class Plan {
  readonly lanes: readonly Lane[];
  private readonly rooms = new Map<Task['place'], Lane>();
  readonly start: Float64Array;
  readonly end: Float64Array;
  readonly crew: Int16Array;
  setup = 0;

  /** `handover`: another takes a machine over where it is so many minutes sooner. */
  constructor(
    readonly r: Ready,
    private readonly handover = HANDED_OVER,
  ) {
    const { tasks } = r;
    this.lanes = r.work.crew.map(() => new Lane());
    this.start = new Float64Array(tasks.length);
    this.end = new Float64Array(tasks.length).fill(-1);
    this.crew = new Int16Array(tasks.length).fill(-1);
  }

  has(task: number): boolean {
    return this.end[task]! >= 0;
  }

  /** From when on a task could be done at the earliest: released, its predecessor done and rested. */
  earliest(task: number): number {
    const { tasks, before, rest, from } = this.r;
    const prior = before[task]!;
    return Math.max(tasks[task]!.release, from[task]!, prior < 0 ? 0 : this.end[prior]! + rest[task]!);
  }

  /** The next moment from `at` on at which a task's place has room for it. */
  private roomFrom(task: number, at: number): number {
    const most = this.r.room[task]!;
    if (most === Infinity) return at;
    const { place, minutes } = this.r.tasks[task]!;
    const inside = this.rooms.get(place);
    if (!inside) return at;
    let from = at;
    for (;;) {
      let clash = 0;
      let frees = Infinity;
      // Nothing that began longer ago than the longest task takes is still there.
      for (let n = inside.after(from - this.r.longest - 1); n < inside.start.length; n++) {
        if (inside.start[n]! >= from + minutes) break;
        if (inside.end[n]! <= from) continue;
        clash++;
        frees = Math.min(frees, inside.end[n]!);
      }
      if (clash < most) return from;
      from = frees;
    }
  }

  /** The first start from its earliest on in somebody's day that leaves the work round it where it is; Infinity where there is none. */
  startWith(task: number, crew: number): number {
    const { tasks, setup, work } = this.r;
    const lane = this.lanes[crew]!;
    const { windows } = work.crew[crew]!;
    const { minutes } = tasks[task]!;
    let at = this.earliest(task);
    let next = lane.after(at);
    // What began before and is still going on.
    if (next > 0 && lane.end[next - 1]! > at) at = lane.end[next - 1]!;
    let window = 0;
    for (;;) {
      while (window < windows.length && windows[window]![1] - minutes < at) window++;
      if (window === windows.length) return Infinity;
      at = Math.max(at, windows[window]![0]);
      while (next < lane.start.length && lane.end[next]! <= at) next++;
      if (next > 0) at = Math.max(at, lane.end[next - 1]! + setup(lane.task[next - 1]!, task));
      if (next < lane.start.length && at + minutes + setup(task, lane.task[next]!) > lane.start[next]!) {
        at = Math.max(at, lane.end[next]!);
        next++;
        continue;
      }
      if (at + minutes > windows[window]![1]) continue;
      const room = this.roomFrom(task, at);
      if (room === at) return at;
      at = room;
    }
  }

  /** Books a task with somebody at a start that {@link startWith} gave; with -1 it goes on by itself. */
  book(task: number, crew: number, start: number): void {
    const { tasks, setup, room } = this.r;
    const { place, minutes } = tasks[task]!;
    const end = start + minutes;
    this.start[task] = start;
    this.end[task] = end;
    this.crew[task] = crew;
    if (crew >= 0) {
      const lane = this.lanes[crew]!;
      const at = lane.lay(task, start, end);
      const [prior, next] = [lane.task[at - 1], lane.task[at + 1]];
      if (prior !== undefined) this.setup += setup(prior, task);
      if (next !== undefined) this.setup += setup(task, next);
      if (prior !== undefined && next !== undefined) this.setup -= setup(prior, next);
    }
    if (room[task] !== Infinity) {
      let inside = this.rooms.get(place);
      if (!inside) this.rooms.set(place, (inside = new Lane()));
      inside.lay(task, start, end);
    }
  }

  /** Puts a task where it can begin soonest, what comes before it first. False where nobody's days reach so far. */
  place(task: number): boolean {
    if (this.has(task)) return true;
    const prior = this.r.before[task]!;
    if (prior >= 0 && !this.place(prior)) return false;
    const t = this.r.tasks[task]!;
    if (!t.hands) {
      this.book(task, -1, this.roomFrom(task, this.earliest(task)));
      return true;
    }
    const pinned = this.r.pinned[task]!;
    let best = -1;
    let start = Infinity;
    let least = Infinity;
    const keeper = this.r.keeper[task]!;
    const own = keeper >= 0 ? this.crew[keeper]! : this.r.inHand[task]!;
    for (let c = 0; c < this.lanes.length; c++) {
      if (pinned >= 0 && c !== pinned) continue;
      const at = this.startWith(task, c);
      // Another takes it over only where that is much sooner.
      const counts = at + (own >= 0 && c !== own ? this.handover : 0);
      if (counts < least) [best, start, least] = [c, at, counts];
    }
    if (best < 0) return false;
    this.book(task, best, start);
    return true;
  }

  slots(): Slot[] {
    return this.r.tasks
      .flatMap((t, i): Slot[] =>
        this.has(i)
          ? [
              {
                task: t.id,
                crew: this.crew[i]! < 0 ? null : this.r.work.crew[this.crew[i]!]!.id,
                start: this.start[i]!,
                end: this.end[i]!,
              },
            ]
          : [],
      )
      .sort((x, y) => x.start - y.start || x.end - y.end);
  }
}

/** The plan that comes of doing tasks in this order, each where it can begin soonest. */
export function decode(r: Ready, order: readonly number[], handover?: number): Plan {
  const plan = new Plan(r, handover);
  for (const task of r.pins) plan.place(task);
  for (const task of order) plan.place(task);
  return plan;
}
