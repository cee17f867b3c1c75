import { describe, expect, it } from 'vitest';
import { countedIn, oftenIn, readShorthand } from '.';

describe('how often, as it is said', () => {
  it.each([
    ['1 of 3', { failed: 1, of: 3 }],
    ['2/5', { failed: 2, of: 5 }],
    ['one in three', { failed: 1, of: 3 }],
    ['once in ten', { failed: 1, of: 10 }],
    ['3 times out of 4', { failed: 3, of: 4 }],
    ['1 of 3 starts', { failed: 1, of: 3 }],
    ['50 of 50', { failed: 50, of: 50 }],
    ['Every time', { said: 'every-time' }],
    ['always', { said: 'every-time' }],
    ['now and then', { said: 'now-and-then' }],
    ['sometimes', { said: 'now-and-then' }],
  ])('%s', (text, often) => expect(oftenIn(text)).toEqual(often));

  it.each([
    '4 of 3',
    '0 of 3',
    '1 of 0',
    '1 of 51',
    '1,5 of 3',
    'three',
    '',
    'often',
    '-1 of 3',
    '1 of 3 of 5',
  ])('nothing is made of %s', (text) => expect(oftenIn(text)).toBeNull());

  it('a count of none is a count', () => {
    expect(countedIn('0 of 3')).toEqual({ failed: 0, of: 3 });
  });
});

describe('a complaint on the bench line', () => {
  it('is taken with how often it does it', () => {
    expect(readShorthand('cuts dead 1 of 3')).toMatchObject({
      ok: true,
      says: 'Complaint: Cuts dead, 1 of 3 times',
      entries: [{ kind: 'complaint', body: { complaint: 'cuts-dead', often: { failed: 1, of: 3 } } }],
    });
    expect(readShorthand('dies at idle now and then')).toMatchObject({
      ok: true,
      entries: [{ kind: 'complaint', body: { complaint: 'dies-at-idle', often: { said: 'now-and-then' } } }],
    });
  });
  it('is none where that is not said, or the numbers cannot be', () => {
    for (const line of ['cuts dead', 'cuts dead 4 of 3', 'cuts out 1 of 3'])
      expect(readShorthand(line), line).toMatchObject({ ok: false });
  });
});

describe('a check that was made several times', () => {
  it('is taken with how often it failed', () => {
    expect(readShorthand('spark hot fails 1 of 3')).toMatchObject({
      ok: true,
      says: 'Spark when hot: fails hot, 1 of 3 failed',
      entries: [{ body: { check: 'spark-hot', result: 'fails-hot', counts: { failed: 1, of: 3 } } }],
    });
    expect(readShorthand('spark strong 0 of 12~')).toMatchObject({
      entries: [{ body: { result: 'strong', sureness: 'fair', counts: { failed: 0, of: 12 } } }],
    });
  });
  it.each([
    ['spark strong 3 of 12', '3 of 12 failed: that is not strong'],
    ['spark none 0 of 12', 'None of 12 failed: that is strong'],
  ])('%s is told why not', (line, says) => {
    const read = readShorthand(line);
    expect(read).toMatchObject({ ok: false });
    expect(read.says).toContain(says);
  });
  it('counts nothing that shows the same every time', () => {
    expect(readShorthand('filter clean 0 of 3')).toMatchObject({ ok: false });
    expect(readShorthand('comp 120 1 of 3').ok).toBe(false);
  });
});
