/** Where a piece of work is done. */
export type Place = 'bench' | 'bath' | 'outdoors' | 'desk';

export type TaskKind = 'look' | 'strip' | 'mend' | 'together' | 'prove' | 'cold-start' | 'close' | 'soak';

/** One piece of work on one machine, done in one go. All times are minutes since the plan's beginning. */
export interface Task {
  id: string;
  job: string;
  kind: TaskKind;
  place: Place;
  /** Whether somebody has to be at it; a bath goes on by itself, day and night. */
  hands: boolean;
  /** Minutes it takes: what is expected, and by how much that varies (standard deviation). */
  minutes: number;
  spread: number;
  /** Not before this: a part is here, an engine is cold. */
  release: number;
  /** What has to be done before it on the same machine, and for how long the machine rests in between: an engine cools. */
  after: { task: string; rest: number } | null;
  /** Work of one likeness follows on itself without setting up anew. */
  like: string;
}

/** A machine and what was promised of it. */
export interface DueJob {
  id: string;
  /** By when it was promised, minutes; null: nothing was. */
  due: number | null;
  /** How much a minute of lateness counts. */
  weight: number;
  /** Who has it in hand now, where somebody has. */
  hands?: string;
}

/** Somebody who works, and when: disjoint, in order. */
export interface Crew {
  id: string;
  windows: readonly (readonly [from: number, to: number])[];
}

/** A piece of work where somebody has put it: with whom, and from when on. */
export interface Pin {
  task: string;
  crew: string;
  from: number;
}

/** Everything a plan is made from. */
export interface Work {
  tasks: readonly Task[];
  jobs: readonly DueJob[];
  crew: readonly Crew[];
  pins?: readonly Pin[];
  /** How many machines find room at a place at once; where nothing is said, any number. */
  rooms?: Partial<Readonly<Record<Place, number>>>;
}

/** Where a piece of work stands in a plan. `crew`: null for what goes on by itself. */
export interface Slot {
  task: string;
  crew: string | null;
  start: number;
  end: number;
}

/** Minutes of setting up when the place changes, when only the likeness does, and when another takes a machine over. */
export const SETUP = { place: 6, like: 3, handover: 10 } as const;

/** Work that whoever began a machine goes on with; a cold start and the writing-up anybody does. */
export const STAYS: ReadonlySet<TaskKind> = new Set(['look', 'strip', 'mend', 'together', 'prove']);

export const setupBetween = (one: Pick<Task, 'place' | 'like'>, next: Pick<Task, 'place' | 'like'>): number =>
  one.place !== next.place ? SETUP.place : one.like !== next.like ? SETUP.like : 0;

/** The longest anybody works in one go, minutes: nothing longer has a place in a plan. */
export const longestShift = (crew: readonly Crew[]): number =>
  Math.max(0, ...crew.flatMap((c) => c.windows.map(([from, to]) => to - from)));

/** One bath, and one spot outdoors for each of two. */
export const ROOMS: Partial<Readonly<Record<Place, number>>> = { bath: 1, outdoors: 2 };
