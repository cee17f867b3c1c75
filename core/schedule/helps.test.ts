import { describe, expect, it } from 'vitest';
import {
  helpsOf,
  planned,
  promisesOf,
  type Crew,
  type Help,
  type IfOrdered,
  type Task,
  type Work,
} from './index';

/** Two shifts today, two tomorrow. */
const windows: Crew['windows'] = [
  [0, 240],
  [300, 540],
  [1440, 1680],
  [1740, 1980],
];
const task = (job: string, minutes: number, more: Partial<Task> = {}): Task => ({
  id: `${job} mend`,
  job,
  kind: 'mend',
  place: 'bench',
  hands: true,
  minutes,
  spread: 0,
  release: 0,
  after: null,
  like: 'one',
  ...more,
});
/** A plan in the order given, not the best one. */
const inOrder = (work: Work) => {
  let at = 0;
  return work.tasks.map((t) => {
    const slot = { task: t.id, crew: work.crew[0]!.id, start: at, end: at + t.minutes };
    at += t.minutes;
    return slot;
  });
};
const helps = (work: Work, slots = planned(work).slots, ifOrdered: IfOrdered[] = []): Help[] =>
  helpsOf(work, slots, promisesOf(work, slots, { runs: 50 }), { ifOrdered, runs: 50 });

describe('what would help a promise', () => {
  it('is to do it first, where that costs no other one', () => {
    const work: Work = {
      tasks: [task('a', 200), task('b', 60)],
      jobs: [
        { id: 'a', due: 1900, weight: 1 },
        { id: 'b', due: 100, weight: 1 },
      ],
      crew: [{ id: 'ann', windows }],
    };
    expect(helps(work, inOrder(work))).toEqual([{ job: 'b', how: { kind: 'first' }, chance: 1, breaks: [] }]);
  });

  it('is to stay an hour longer, where only the day is too short', () => {
    const work: Work = {
      tasks: [task('a', 240), task('b', 230), task('c', 50)],
      jobs: [
        { id: 'a', due: 240, weight: 1 },
        { id: 'b', due: 540, weight: 1 },
        { id: 'c', due: 620, weight: 1 },
      ],
      crew: [{ id: 'ann', windows }],
    };
    expect(helps(work)).toEqual([
      { job: 'c', how: { kind: 'longer', crew: 'ann', minutes: 60 }, chance: 1, breaks: [] },
    ]);
  });

  it('is a word with the owner, where each thing would break another promise or nothing helps', () => {
    const both: Work = {
      tasks: [task('a', 100), task('b', 100)],
      jobs: [
        { id: 'a', due: 100, weight: 1 },
        { id: 'b', due: 110, weight: 1 },
      ],
      crew: [{ id: 'ann', windows }],
    };
    expect(helps(both).map((h) => [h.job, h.how.kind])).toEqual([['b', 'ring']]);
    const late: Work = { ...both, tasks: [both.tasks[0]!], jobs: [{ id: 'a', due: -60, weight: 1 }] };
    expect(helps(late)).toEqual([{ job: 'a', how: { kind: 'ring' }, chance: 0, breaks: [] }]);
  });

  it('is to order its part today, with the chance that it is in time then', () => {
    const work: Work = {
      tasks: [task('a', 60)],
      jobs: [{ id: 'a', due: 500, weight: 1 }],
      crew: [{ id: 'ann', windows }],
    };
    const waits = (due: number): IfOrdered => ({
      job: { id: 'p', due, weight: 1 },
      tasks: [task('p', 60, { release: 1440 })],
    });
    expect(helps(work, undefined, [waits(1600)])).toEqual([
      { job: 'p', how: { kind: 'order' }, chance: 1, breaks: [] },
    ]);
    expect(helps(work, undefined, [waits(1450)])[0]!.chance).toBe(0);
  });

  it('is nothing where all hold', () => {
    const work: Work = {
      tasks: [task('a', 60)],
      jobs: [{ id: 'a', due: 500, weight: 1 }],
      crew: [{ id: 'ann', windows }],
    };
    expect(helps(work)).toEqual([]);
  });
});
