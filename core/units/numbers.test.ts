import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { figureIn, figuresIn, readNumber, wholeIn } from './index';

describe('a number', () => {
  it.each([
    ['0,4', 0.4],
    ['0.4', 0.4],
    [',4', 0.4],
    ['.30', 0.3],
    ['62,5', 62.5],
    ['-0,2', -0.2],
    ['−0.2', -0.2],
    ['1 1/8', 1.125],
    ['3/4', 0.75],
    ['1½', 1.5],
    ['⅛', 0.125],
    ['12 400', 12_400],
    ['12’400', 12_400],
    ['1,234,567', 1_234_567],
    ['1.234.567', 1_234_567],
    ['1,234.5', 1234.5],
    ['1.234,5', 1234.5],
    ['0.750', 0.75],
    ['0,750', 0.75],
    ['007', 7],
    ['4,', 4],
  ])('%s is %d', (text, value) => {
    expect(readNumber(text)).toEqual({ value });
  });

  it.each([
    '',
    ' ',
    'abc',
    '-',
    '1/0',
    '0x10',
    '1e3',
    'Infinity',
    '1,23,4',
    '1..2',
    '12 34',
    '--5',
    '5-',
    '1/2/3',
    'NaN',
    '1,2345,678',
  ])('%j is none', (text) => {
    expect(readNumber(text)).toHaveProperty('problem');
  });

  it('asks where a sign may part thousands or decimals, unless only one of them can be', () => {
    expect(readNumber('2,750')).toEqual({ either: [2750, 2.75] });
    expect(readNumber('2.750')).toEqual({ either: [2750, 2.75] });
    expect(readNumber('2,750', { min: 100, max: 25_000 })).toEqual({ value: 2750 });
    expect(readNumber('2,750', { min: 0, max: 5 })).toEqual({ value: 2.75 });
    expect(figureIn('1.250', { min: 0, max: 10_000 })).toEqual({
      problem: '"1.250" may be 1250 or 1.25; write it as one of them',
    });
  });

  it('outside its bounds, and no whole one, is said and not bent', () => {
    expect(figureIn('-5', { min: 0, max: 10 })).toEqual({ problem: '-5 is outside 0 to 10' });
    expect(wholeIn('2,5', { min: 0, max: 10 })).toEqual({ problem: '2.5 is not a whole number' });
  });

  it('however it is written is read as what was meant, or asked about: never as something else', () => {
    const forms = (n: number): string[] => {
      const [whole = '', decimals] = String(n).split('.');
      const grouped = (sign: string): string => whole.replace(/\B(?=(\d{3})+$)/g, sign);
      return [
        decimals === undefined ? whole : `${whole}.${decimals}`,
        decimals === undefined ? whole : `${whole},${decimals}`,
        decimals === undefined ? grouped(',') : `${grouped(',')}.${decimals}`,
        decimals === undefined ? grouped('.') : `${grouped('.')},${decimals}`,
        `${grouped(' ')}${decimals === undefined ? '' : `,${decimals}`}`,
        `${grouped('’')}${decimals === undefined ? '' : `.${decimals}`}`,
      ];
    };
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 3_000_000 }), fc.integer({ min: 0, max: 3 }), (n, places) => {
        const meant = n / 10 ** places;
        for (const text of forms(meant)) {
          const read = readNumber(text);
          const values = 'value' in read ? [read.value] : 'either' in read ? [...read.either] : [];
          expect(values, text).toContain(meant);
        }
      }),
      { numRuns: 400 },
    );
  });
});

describe('a list of figures', () => {
  const psi = { min: 0, max: 400 };
  it.each([
    ['62,5 98,5 117', [62.5, 98.5, 117]],
    ['62 98 117', [62, 98, 117]],
    ['62, 98, 117', [62, 98, 117]],
    ['62;98;117', [62, 98, 117]],
    ['62,98,117', [62, 98, 117]],
    ['62.5', [62.5]],
  ])('%s', (text, figures) => {
    expect(figuresIn(text, psi)).toEqual(figures);
  });
  it('legs in millimetres', () => {
    const mm = { min: -5, max: 5 };
    expect(figuresIn('0,30 0,45', mm)).toEqual([0.3, 0.45]);
    expect(figuresIn('.30,.45', mm)).toEqual([0.3, 0.45]);
    expect(figuresIn('0,6', mm)).toEqual([0.6]);
  });
  it('asks where a comma may part figures or decimals', () => {
    expect(figuresIn('120,130', psi)).toHaveProperty('problem');
    expect(figuresIn('0,30,0,45', { min: -5, max: 5 })).toHaveProperty('problem');
  });
  it('has nothing where nothing is written', () => {
    expect(figuresIn('  ', psi)).toBeNull();
  });
});
