/** What a text says as a number: one reading, two possible ones, or why it is none. */
export type NumberRead = { value: number } | { either: readonly [number, number] } | { problem: string };

/** Between what a figure lies where it is written: of two readings the one that cannot be is none. */
export interface Within {
  min: number;
  max: number;
}

const FRACTIONS: Readonly<Record<string, number>> = {
  '½': 1 / 2,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};
const FRACTION = new RegExp(
  `^(\\d+)?\\s*(?:([${Object.keys(FRACTIONS).join('')}])|(?:(?<=^|\\s)(\\d+)\\s*/\\s*(\\d+)))$`,
);
/** Groups of three parted by one sign, with or without decimals after the other one. */
const GROUPED = /^(\d{1,3})((?:([ .,'’\u00A0\u2009\u202F])\d{3})(?:\3\d{3})*)(?:([.,])(\d+))?$/;
const PLAIN = /^(?:\d+[.,]?\d*|[.,]\d+)$/;

const digits = (text: string): number => Number(text.replace(/\D/g, ''));

function fractionIn(text: string): number | null {
  const match = FRACTION.exec(text);
  if (!match) return null;
  const [, whole = '0', sign, top, bottom] = match;
  const part = sign ? FRACTIONS[sign]! : Number(top) / Number(bottom);
  return Number.isFinite(part) ? Number(whole) + part : null;
}

function unsigned(text: string): NumberRead {
  const fraction = fractionIn(text);
  if (fraction !== null) return { value: fraction };
  const grouped = GROUPED.exec(text);
  if (grouped) {
    const [, first = '', groups = '', sign = '', point, decimals = ''] = grouped;
    if (point !== undefined && point !== sign)
      return { value: Number(`${digits(first + groups)}.${decimals}`) };
    const thousands = digits(first + groups);
    if (point === undefined) {
      // "2,750" may be two thousand or two and three quarters; "0.750", "2 750" and "1,234,567" cannot be misread.
      const asDecimal = Number(`${first}.${groups.slice(1)}`);
      const one = groups.length === 4;
      if (!one || !/[.,]/.test(sign)) return { value: thousands };
      if (first.startsWith('0')) return { value: asDecimal };
      return { either: [thousands, asDecimal] };
    }
  }
  return PLAIN.test(text)
    ? { value: Number(text.replace(',', '.')) }
    : { problem: `"${text}" is not a number` };
}

/**
 * The number that a text says: a decimal comma or point, thousands parted by a sign or a gap, fractions, a minus. Where a sign may
 * part thousands or decimals both readings come back, unless only one of them lies within what the figure can be.
 *
 * @example
 * readNumber('0,4'); // { value: 0.4 }
 * readNumber('12,400', { min: 0, max: 25_000 }); // { either: [12400, 12.4] }
 * readNumber('1 1/8'); // { value: 1.125 }
 */
export function readNumber(text: string, within?: Within): NumberRead {
  const trimmed = text.trim();
  const minus = /^[-−–]\s*(?=[\d.,½¼¾⅓⅔⅛⅜⅝⅞])/.exec(trimmed);
  const read = unsigned(minus ? trimmed.slice(minus[0].length) : trimmed);
  if ('problem' in read) return { problem: `"${trimmed}" is not a number` };
  const signed = (n: number): number => (minus ? -n : n);
  if ('value' in read) return { value: signed(read.value) };
  const [thousands, decimal] = read.either.map(signed) as [number, number];
  const fits = (n: number): boolean => !within || (n >= within.min && n <= within.max);
  if (fits(thousands) !== fits(decimal)) return { value: fits(thousands) ? thousands : decimal };
  return { either: [thousands, decimal] };
}

/** Asks which of two readings is meant: one sentence, without its full stop. */
const askWhich = (text: string, [thousands, decimal]: readonly [number, number]): string =>
  `"${text.trim()}" may be ${thousands} or ${decimal}; write it as one of them`;

/** A figure that lies within bounds, or one sentence, without its full stop, on why it is none. */
export function figureIn(text: string, within: Within): number | { problem: string } {
  const read = readNumber(text, within);
  if ('problem' in read) return read;
  if ('either' in read) return { problem: askWhich(text, read.either) };
  const { value } = read;
  return value < within.min || value > within.max
    ? { problem: `${value} is outside ${within.min} to ${within.max}` }
    : value;
}

/** A whole number within bounds, or why it is none. */
export function wholeIn(text: string, within: Within): number | { problem: string } {
  const value = figureIn(text, within);
  return typeof value === 'number' && !Number.isInteger(value)
    ? { problem: `${value} is not a whole number` }
    : value;
}

/**
 * The figures of a list parted by gaps, semicolons or a comma with a gap after it: "62,5 98,5 117" are three, and so are "62, 98, 117".
 * A comma inside a run of digits is read as in one number; where it may part two figures as well, it is asked. Null where nothing
 * is written.
 *
 * @example figuresIn('62,5 98,5 117', { min: 0, max: 400 }) // [62.5, 98.5, 117]
 */
export function figuresIn(text: string, within: Within): number[] | { problem: string } | null {
  const tokens = text.split(/(?:[;\s]+|,(?=\s)|,(?=[.,-]))+/).filter(Boolean);
  if (tokens.length === 0) return null;
  const figures: number[] = [];
  for (const token of tokens) {
    const commas = token.split(',');
    // "62,98,117": more commas than one number can have part figures.
    if (commas.length > 2 && !GROUPED.test(token)) {
      const inner = commas.map((part) => figureIn(part, within));
      const bad = inner.find((f) => typeof f !== 'number');
      if (bad !== undefined || commas.some((part) => /^0\d/.test(part)))
        return { problem: `"${token}" can be read in more than one way; put a gap between figures` };
      figures.push(...(inner as number[]));
      continue;
    }
    // "120,130" may be two figures or one with decimals: nobody reads a gauge to the hundredth.
    const [x, y] = commas;
    if (commas.length === 2 && x !== '' && /^[1-9]\d+$/.test(y!) && !x!.startsWith('0') && within.max > 20) {
      const two = [Number(x), Number(y)].every((n) => n >= within.min && n <= within.max);
      const read = readNumber(token, within);
      const one = 'value' in read && read.value <= within.max && Number.isInteger(read.value);
      if (two && !one) return { problem: `"${token}" may be one figure or two; put a gap between figures` };
    }
    const read = readNumber(token, within);
    if ('problem' in read) return read;
    if ('either' in read) return { problem: askWhich(token, read.either) };
    figures.push(read.value);
  }
  return figures;
}
