import { describe, expect, it } from 'vitest';
import { ladderOf, type Done } from './kept';

const done = (code: string, grade: Done['grade']): Done => ({ code, at: 1, minutes: 20, plan: 15, grade });
const times = (n: number, code: string, grade: Done['grade']): Done[] =>
  Array.from({ length: n }, () => done(code, grade));

describe('the ladder', () => {
  it('begins at the bottom, and goes up by three that went well', () => {
    expect(ladderOf([])).toEqual({ level: 1, more: 3 });
    expect(ladderOf(times(2, 'fuel-1-saw-4', 'good'))).toEqual({ level: 1, more: 1 });
    expect(ladderOf(times(3, 'fuel-1-saw-4', 'easy'))).toEqual({ level: 2, more: 3 });
    expect(ladderOf([...times(3, 'any-1-any-4', 'good'), ...times(3, 'any-2-any-4', 'good')]).level).toBe(3);
  });

  it('counts anew after one that went badly, and does not go down', () => {
    const twice = times(2, 'fuel-1-saw-4', 'good');
    expect(ladderOf([...twice, done('fuel-1-saw-9', 'again'), ...twice])).toEqual({ level: 1, more: 1 });
    const up = times(3, 'fuel-1-saw-4', 'good');
    expect(ladderOf([...up, ...times(4, 'fuel-2-saw-4', 'hard')]).level).toBe(2);
  });

  it('is climbed neither by traps nor by what is easier than where one stands', () => {
    expect(ladderOf(times(5, 'trap-4-any-2', 'easy')).level).toBe(1);
    const up = times(3, 'fuel-1-saw-4', 'good');
    expect(ladderOf([...up, ...times(6, 'fuel-1-saw-4', 'easy')]).level).toBe(2);
  });

  it('ends at the top', () => {
    const all = [1, 2, 3, 4].flatMap((level) => times(4, `any-${level}-any-8`, 'easy'));
    expect(ladderOf(all).level).toBe(4);
  });
});
