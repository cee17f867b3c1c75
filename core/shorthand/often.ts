import { MOST_COUNTED, OFTEN_SAID_IDS, type Counted, type HowOften, type OftenSaid } from '../knowledge';

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const ONE = `\\d{1,3}|${NUMBERS.join('|')}|once|twice|never`;
const COUNTED = new RegExp(
  `^(${ONE})(?: times?)?(?: out)?(?: of | in |\\s*/\\s*)(${ONE})(?: times?| starts?| tankfuls?| pulls?| tries)?$`,
  'i',
);
const SAID: Readonly<Record<OftenSaid, RegExp>> = {
  'every-time': /^(?:every|each) time$|^always$/i,
  'now-and-then': /^(?:every )?now and (?:then|again)$|^sometimes$|^on and off$|^comes and goes$/i,
};

const numberIn = (word: string): number => {
  const plain = { once: 1, twice: 2, never: 0 }[word];
  const named = NUMBERS.indexOf(word);
  return plain ?? (named >= 0 ? named : Number(word));
};

/** How many of how many, "1 of 3", "once in ten", "2/5"; null where it is none, or more than all of them. */
export function countedIn(text: string): Counted | null {
  const [, x, y] = COUNTED.exec(text.trim()) ?? [];
  if (x === undefined || y === undefined) return null;
  const [failed, of] = [numberIn(x.toLowerCase()), numberIn(y.toLowerCase())];
  return of >= 1 && of <= MOST_COUNTED && failed <= of ? { failed, of } : null;
}

/** How often something does it: counted, at least once, or as it is said ("every time", "now and then"); null where it says neither. */
export function oftenIn(text: string): HowOften | null {
  const counted = countedIn(text);
  if (counted) return counted.failed > 0 ? counted : null;
  const said = OFTEN_SAID_IDS.find((id) => SAID[id].test(text.trim()));
  return said ? { said } : null;
}
