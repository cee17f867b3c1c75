import {
  dueAt,
  readCode,
  remember,
  type Grade,
  type Level,
  type Memories,
  type Move,
} from '@rusty-wren/core/practice';
import type { CauseId } from '@rusty-wren/core/knowledge';
import { useCallback, useState } from 'react';
import { useAppSelector } from '../app/store';
import { noterOf } from '../hands/hands';

/** An exercise that was worked to its end. */
export interface Done {
  code: string;
  /** ms since 1970. */
  at: number;
  /** Its own bench minutes and the plan's. */
  minutes: number;
  plan: number;
  grade: Grade;
}

/** What somebody has practised on this device. Nothing of it goes to the shop's records. */
export interface Kept {
  /** Exercises begun, by code; `finished`: gone through by the teacher, and counted. */
  going: Readonly<Record<string, { from: number; moves: readonly Move[]; finished?: true }>>;
  done: readonly Done[];
  memories: Memories;
}

const NOTHING: Kept = { going: {}, done: [], memories: {} };
const MOST_DONE = 200;
const MOST_GOING = 8;

const nameOf = (account: string | null): string => `rusty-wren-practice ${account ?? ''}`.trim();

function read(name: string): Kept {
  try {
    const kept = JSON.parse(localStorage.getItem(name) ?? '{}') as Partial<Kept>;
    return { going: kept.going ?? {}, done: kept.done ?? [], memories: kept.memories ?? {} };
  } catch {
    return NOTHING;
  }
}

function write(name: string, kept: Kept): void {
  try {
    localStorage.setItem(name, JSON.stringify(kept));
  } catch {
    // Storage is full or shut: it holds while the page is open.
  }
}

/** A level is left behind after so many that went well at it. */
const ENOUGH = 3;
const isWell = (grade: Grade): boolean => grade === 'good' || grade === 'easy';

/** How far up the ladder somebody is: the level to practise at, and how many more go well before the next. */
export function ladderOf(done: readonly Done[]): { level: Level; more: number } {
  let level: Level = 1;
  let well = 0;
  for (const { code, grade } of done) {
    const asked = readCode(code);
    if (!('exercise' in asked) || asked.exercise.theme === 'trap' || asked.exercise.level < level) continue;
    well = isWell(grade) ? well + 1 : 0;
    if (well < ENOUGH || level === 4) continue;
    level = (level + 1) as Level;
    well = 0;
  }
  return { level, more: ENOUGH - well };
}

/** What somebody has practised here, and how more is kept. */
export function usePractice() {
  const name = nameOf(useAppSelector(noterOf));
  const [kept, setKept] = useState(() => read(name));
  const change = useCallback(
    (by: (kept: Kept) => Kept) => {
      // Another tab may have gone on meanwhile.
      const before = read(name);
      const next = by(before);
      if (next === before) return;
      write(name, next);
      setKept(next);
    },
    [name],
  );
  return {
    kept,
    due: (at: number): CauseId[] => dueAt(kept.memories, at),
    /** Keeps how far an exercise is. */
    goOn: useCallback(
      (code: string, from: number, moves: readonly Move[]) =>
        change(({ going, ...rest }) => {
          const others = Object.entries(going).filter(([other]) => other !== code);
          return {
            ...rest,
            going: Object.fromEntries([...others.slice(-(MOST_GOING - 1)), [code, { from, moves }]]),
          };
        }),
      [change],
    ),
    /** Puts an exercise away, to be begun anew. */
    putAway: useCallback(
      (code: string) =>
        change(({ going, ...rest }) => ({
          ...rest,
          going: Object.fromEntries(Object.entries(going).filter(([other]) => other !== code)),
        })),
      [change],
    ),
    /** Keeps how an exercise went, once: what it was about comes back when it is due. */
    finish: useCallback(
      (done: Done, causes: readonly CauseId[]) =>
        change((before) => {
          const going = before.going[done.code];
          if (!going || going.finished) return before;
          return {
            going: { ...before.going, [done.code]: { ...going, finished: true } },
            done: [...before.done, done].slice(-MOST_DONE),
            memories: remember(before.memories, causes, done.grade, done.at),
          };
        }),
      [change],
    ),
  };
}
