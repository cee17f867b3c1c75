import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { faultyText, isDay, isInstant, uuid } from './wire';

describe('a day', () => {
  it('is one that the calendar has', () => {
    for (const day of ['2026-05-04', '2024-02-29', '1900-01-01', '2199-12-31'])
      expect(isDay(day), day).toBe(true);
  });
  it.each([
    '2026',
    '2026-01',
    '2026-02-29',
    '2026-02-30',
    '2026-04-31',
    '2026-13-01',
    '2026-00-10',
    '2026-01-00',
  ])('is not %s', (day) => expect(isDay(day)).toBe(false));
  it.each(['0000-01-01', '1899-12-31', '2200-01-01', ' 2026-05-04', '2026-05-04T00:00', '20260504', ''])(
    'is not %j either',
    (day) => expect(isDay(day)).toBe(false),
  );
});

describe('a moment', () => {
  it.each([
    '2026-05-04T10:00:00Z',
    '2026-05-04T23:59:59.999Z',
    '2026-05-04T00:00:00.123456+14:00',
    '2026-05-04T10:00:00-09:30',
  ])('is %s', (at) => {
    expect(isInstant(at)).toBe(true);
    expect(Date.parse(at)).not.toBeNaN();
  });
  it.each([
    '2099-01-01T10:00:00+00',
    '2026-02-30T10:00:00Z',
    '2026-05-04T24:00:00Z',
    '2026-05-04T10:60:00Z',
    '2026-05-04T10:00:60Z',
    '2026-05-04T10:00Z',
    '2026-05-04T10:00:00',
    '2026-05-04T10:00:00+14:01',
    '2026-05-04T10:00:00+10:60',
    '2026-05-04T10:00:00+99:99',
    '2026-05-04',
  ])('is not %s', (at) => expect(isInstant(at)).toBe(false));

  it('is whatever a clock writes', () => {
    fc.assert(
      fc.property(
        fc.date({ min: new Date('1900-01-01'), max: new Date('2199-12-31'), noInvalidDate: true }),
        (at) => isInstant(at.toISOString()),
      ),
    );
  });
});

describe('an id', () => {
  const id = '0b0f9d5e-3c4d-4c7e-9d7a-0d9f3a1b2c3d';
  it.each([
    `{${id}}`,
    `[${id}]`,
    `(${id})`,
    id.replaceAll('-', ''),
    id.replaceAll('-', ':'),
    id.toUpperCase(),
    `${id}\n`,
  ])('does not come dressed as %j', (dressed) => expect(uuid.validate(dressed).error).toBeDefined());
  it('is itself', () => expect(uuid.validate(id).error).toBeUndefined());
});

describe('a faulty text', () => {
  it('is named by where it stands', () => {
    expect(faultyText({ a: ['x', 'y\0'] })).toBe('a[1]');
    expect(faultyText({ entries: [{ body: { text: 'half \ud83d' } }] })).toBe('entries[0].body.text');
    expect(faultyText({ a: { '\udc26': 1 } })).toBe('a name in a');
    expect(faultyText('\ude00\ud83d')).toBe('the body');
  });
  it('is never a well-formed one', () => {
    fc.assert(
      fc.property(fc.jsonValue(), fc.string({ unit: 'grapheme' }), (value, text) => {
        const clean = JSON.parse(JSON.stringify(value).replaceAll('\\u0000', '')) as unknown;
        return faultyText([clean, text.replaceAll('\0', '')]) === null;
      }),
    );
  });
});
