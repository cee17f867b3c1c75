import { describe, expect, it } from 'vitest';
import { dueWords, inSentence, minutesWords, NO_BREAK, percent } from './words';

describe('words on a tag', () => {
  it('says when', () => {
    expect([-2, -1, 0, 1, 5, null].map(dueWords)).toEqual([
      '2 days late',
      '1 day late',
      'due today',
      'due tomorrow',
      'due in 5 days',
      null,
    ]);
  });
  it('never claims certainty', () => {
    expect([0, 0.004, 0.5, 0.9999, 1].map(percent)).toEqual(
      ['1 %', '1 %', '50 %', '99 %', '99 %'].map((words) => words.replace(' ', NO_BREAK)),
    );
  });
  it('keeps the letter of a screw inside a sentence', () => {
    expect(['Fuel filter clogged', 'H screw too rich'].map(inSentence)).toEqual([
      'fuel filter clogged',
      'H screw too rich',
    ]);
  });
  it('counts minutes in halves', () => {
    expect([0.5, 1, 2.5, 13].map(minutesWords)).toEqual(['½ min', '1 min', '2½ min', '13 min']);
  });
});
