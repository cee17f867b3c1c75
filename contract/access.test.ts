import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isAtLeast, ROLES, secretProblem } from './access';

describe('a secret', () => {
  it.each([
    '482916',
    '305714',
    'correct horse battery',
    'Ölwechsel im Mai',
    '7359120465831',
    'my saw starts at noon',
  ])('%j is one', (secret) => {
    expect(secretProblem(secret)).toBeNull();
  });
  it.each([
    ['123456', 'is tried first'],
    ['987654', 'is tried first'],
    ['890123', 'is tried first'],
    ['000000', 'is tried first'],
    ['121212', 'is tried first'],
    ['123123', 'is tried first'],
    ['48291', 'has 5 digits; a PIN has 6.'],
    ['', 'has 0 digits'],
    ['4829167', 'is neither 6 digits nor at least 12 letters.'],
    ['elevenchars', 'is neither'],
    ['aaaaaaaaaaaaaaaa', 'is tried first'],
    ['112233', 'is tried first'],
    ['789456', 'is tried first'],
    ['1234567890123', 'is tried first'],
    ['password1234', 'is tried first'],
    ['P@ssw0rd2026!', 'is tried first'],
    ['Welcome-12345', 'is tried first'],
    ['qwertzuiop123', 'is tried first'],
    ['MyChainsawShop', 'is tried first'],
    ['x'.repeat(129), 'more than 128'],
  ])('%j is none: it %s', (secret, says) => {
    expect(secretProblem(secret)).toContain(says);
  });
  it('almost every six digits are one', () => {
    let none = 0;
    // Not by a divisor of 1001: three digits twice are its multiples.
    for (let n = 0; n < 1_000_000; n += 17) if (secretProblem(String(n).padStart(6, '0')) !== null) none++;
    expect(none / (1_000_000 / 17)).toBeLessThan(0.002);
  });
  it('says of any text either that it is one or why not, in a sentence', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => secretProblem(text)?.endsWith('.') ?? true),
    );
  });
});

it('each role is all that those before it are', () => {
  ROLES.forEach((role, i) =>
    ROLES.forEach((other, j) => {
      expect(isAtLeast(role, other)).toBe(i >= j);
    }),
  );
});
