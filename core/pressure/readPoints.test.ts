import { describe, expect, it } from 'vitest';
import { readPoints } from './readPoints';

const points = (text: string) => {
  const read = readPoints(text);
  if ('problem' in read) throw new Error(read.problem);
  return read;
};
const problem = (text: string): string => {
  const read = readPoints(text);
  return 'problem' in read ? read.problem : 'taken';
};

describe('a table of time and gauge', () => {
  it.each([
    ['commas', '0,7\n10,6.8\n20,6.5'],
    ['semicolons and decimal commas', '0;7\n10;6,8\n20;6,5'],
    ['tabs', '0\t7\n10\t6.8\n20\t6.5'],
    ['spaces', '0 7\n10   6.8\n20 6.5\n'],
    ['a heading', 'seconds,gauge\n0,7\n10,6.8\n20,6.5'],
    ['carriage returns and a byte-order mark', '\uFEFF0,7\r\n10,6.8\r\n20,6.5\r\n'],
    ['a vacuum counted down from nought', '0,-7\n10,-6.8\n20,-6.5'],
  ])('with %s', (_, text) => {
    expect(points(text).points).toEqual([
      [0, 7],
      [10, 6.8],
      [20, 6.5],
    ]);
  });

  it('takes the unit from the heading or from the figures', () => {
    expect(points('t (s);p (bar)\n0;0,5\n10;0,4').unit).toBe('bar');
    expect(points('0 50kPa\n10 48kPa').unit).toBe('kPa');
    expect(points('0,7\n10,6').unit).toBeNull();
  });

  it.each([
    ['', 'The table is empty.'],
    ['   \n ', 'The table is empty.'],
    ['seconds,gauge', 'The table has a heading and nothing under it.'],
    ['0,7\n-5,6', 'Line 2: the time -5 s is before the start.'],
    ['0,7\n5,abc', 'Line 2: the gauge "abc" is not a number.'],
    ['0,7\nfive,6', 'Line 2: the time "five" is not a number of seconds.'],
    ['0,7\n5,NaN', 'Line 2: the gauge "NaN" is not a number.'],
    ['0,7\n5', 'Line 2 has 1 column: give seconds and gauge, parted by a tab, a semicolon or a comma.'],
    ['0|7\n5|6', 'Line 1 has 1 column: give seconds and gauge, parted by a tab, a semicolon or a comma.'],
    ['s,psi\n0,7psi\n5,0.4bar', 'The table mixes units: psi and bar.'],
    [
      '0,7\n5,-6',
      'The gauge is above nought on some lines and below on others: keep pressure and vacuum apart.',
    ],
    ['0,99999', 'Line 1: the gauge 99999 cannot be right.'],
    [
      Array.from({ length: 10_001 }, (_, n) => `${n},7`).join('\n'),
      'The table has 10001 lines; 10000 is the most a watch can have.',
    ],
  ])('%j: why not', (text, says) => {
    expect(problem(text)).toBe(says);
  });

  it('takes ten thousand lines', () => {
    expect(points(Array.from({ length: 10_000 }, (_, n) => `${n / 10},7`).join('\n')).points).toHaveLength(
      10_000,
    );
  });
});
