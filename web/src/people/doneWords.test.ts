import type { Done, DoneWhat } from '@rusty-wren/contract';
import { moneyWords } from '@rusty-wren/core/worth';
import { describe, expect, it } from 'vitest';
import { doneWords } from './doneWords';

const says = (what: DoneWhat, about: Record<string, unknown> = {}): string =>
  doneWords(
    { n: 1, at: '2026-05-04T10:00:00Z', who: 'Bett Oakham', address: null, what, about } satisfies Done,
    (id) => (id === 'i' ? 'Idris Pell' : undefined),
    moneyWords('EUR'),
  );

describe('what was done', () => {
  it.each([
    ['locked', {}, 'locked the bench'],
    ['signed-in', { device: 'Chrome, Linux' }, 'signed in: Chrome, Linux'],
    ['person-changed', { person: 'i', role: 'counter' }, 'changed somebody: Idris Pell, counter'],
    ['person-changed', { person: 'i', left: true }, 'changed somebody: Idris Pell, has left'],
    ['person-changed', { person: 'x', left: false }, 'changed somebody: somebody, is back'],
    [
      'rules',
      { ratePerHour: [5200, 5400], name: [null, 'x'] },
      'changed the rules: rate per hour: €52 → €54, name: nothing → x',
    ],
    [
      'prices',
      { set: [{ what: 'kit', maker: 'Brakken', model: 'B45', price: 1450 }], gone: [] },
      'changed prices: kit Brakken B45 €14.50',
    ],
    [
      'specs',
      { cards: [{ maker: 'Brakken', model: 'B45', figures: {} }] },
      'changed spec cards: Brakken B45',
    ],
    ['instrument-made', { instrument: 'Tacho' }, 'let an instrument in: Tacho'],
  ] as const)('%s %j', (what, about, words) => {
    expect(says(what, about)).toBe(words);
  });
});
