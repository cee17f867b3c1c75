import { checkInSchema } from '@rusty-wren/contract';
import { describe, expect, it } from 'vitest';
import { checkInOf, EMPTY, matchingOwners, problemsOf, withCaseFile, type Draft } from './draft';

const ID = '0b0f9d5e-3c4d-4c7e-9d7a-0d9f3a1b2c3d';
const NOW = '2026-05-04T10:00:00.000Z';
const WHOLE: Draft = {
  ...EMPTY,
  ownerName: ' Tam Brisco ',
  kind: 'chainsaw',
  maker: 'Brakken',
  model: 'Fell 62',
  cc: '61,5',
  complaints: ['no-fire', 'kicks-back'],
  words: 'bites',
};

describe('a check-in draft', () => {
  it('names every field that keeps it from the hook', () => {
    expect(problemsOf(EMPTY)).toHaveLength(5);
    expect(problemsOf({ ...WHOLE, cc: 'big' })).toEqual(['Displacement: a number from 10 to 200 cc.']);
    expect(problemsOf({ ...WHOLE, safety: 'fault' })).toEqual(['Safety: name the fault.']);
    expect(problemsOf(WHOLE)).toEqual([]);
    expect(problemsOf({ ...EMPTY, ownerId: ID, machineId: ID, complaints: ['flooded'] })).toEqual([]);
  });

  it('does not make a second owner by a slip of the hand, unless somebody says so', () => {
    const books = { owners: ['Tam Brisco', 'Odile Farrant'] };
    const near = 'Owner: is it Odile Farrant? Pick them, or say it is somebody else.';
    for (const ownerName of ['Odile Farrant', 'odile farrant', 'Odile Farant', 'Odil Farant'])
      expect(problemsOf({ ...WHOLE, ownerName }, books), ownerName).toEqual([near]);
    for (const ownerName of ['Odile', 'Otto Farrow', 'Odi Farant'])
      expect(problemsOf({ ...WHOLE, ownerName }, books), ownerName).toEqual([]);
    expect(problemsOf({ ...WHOLE, ownerName: 'Odile Farant', ownerIsNew: true }, books)).toEqual([]);
    expect(problemsOf({ ...WHOLE, ownerName: '', ownerIsNew: true }, books)).toEqual(['Owner: whose is it?']);
  });

  it('makes a request the server takes', () => {
    const full: Draft = {
      ...WHOLE,
      history: { openedBefore: 'no', alreadyTried: ' ' },
      often: { 'kicks-back': { failed: 2, of: 7 }, flooded: { said: 'every-time' } },
      safety: 'fault',
      fault: 'Catcher gone',
      promised: '2026-05-09',
    };
    const request = checkInOf(full, ID, ID, NOW);
    expect(checkInSchema.validate(request, { convert: false }).error).toBeUndefined();
    expect(request.customer).toEqual({ name: 'Tam Brisco' });
    expect(request.machine).toMatchObject({ displacementCc: 61.5 });
    expect(request.entries.map((e) => e.kind)).toEqual(['complaint', 'complaint', 'history', 'finding']);
    expect(request.entries[0]).toMatchObject({ body: { complaint: 'no-fire', words: 'bites' } });
    // Said of what is no complaint any more, it is not sent.
    expect(request.entries[1]!.body).toEqual({ complaint: 'kicks-back', often: { failed: 2, of: 7 } });
    expect(request.entries[2]).toMatchObject({ body: { answers: { openedBefore: 'no' } } });
    expect(request.entries[3]).toMatchObject({ body: { result: 'fault', note: 'Catcher gone' } });
  });

  it('leaves out what nobody answered', () => {
    expect(checkInOf(WHOLE, ID, null, NOW).entries.map((e) => e.kind)).toEqual(['complaint', 'complaint']);
    expect(() => checkInOf(EMPTY, ID, null, NOW)).toThrow('Owner');
  });
});

describe('known owners', () => {
  const owners = ['Peder Lune', 'Footpath team', 'Odile Farrant'].map((name) => ({
    id: name,
    name,
    circle: null,
    phone: null,
    machines: [],
  }));
  it('are found by any part of the name, the start first', () => {
    expect(matchingOwners(owners, 'f', 2).map((o) => o.name)).toEqual(['Footpath team', 'Odile Farrant']);
    expect(matchingOwners(owners, 'LUNE', 2).map((o) => o.name)).toEqual(['Peder Lune']);
    expect(matchingOwners(owners, 'zz', 2)).toEqual([]);
    expect(matchingOwners(owners, 'odil farant', 2).map((o) => o.name)).toEqual(['Odile Farrant']);
  });

  it('takes a case file in, and puts what it carries on the log', () => {
    const file = {
      format: 'rusty-wren-case/1',
      machine: { kind: 'trimmer', displacementCc: 25 },
      history: { monthsStored: 4 },
      log: [{ complaint: 'no-fire' }, { check: 'spark-tester', result: 'none' }, { tookOff: 'plug' }],
    };
    const filled = withCaseFile(
      { ...EMPTY, ownerName: 'Tam', maker: 'Hobwick', model: 'Reed' },
      JSON.stringify(file),
    );
    expect(filled).toMatchObject({ kind: 'trimmer', cc: '25', complaints: ['no-fire'], ownerName: 'Tam' });
    const request = checkInOf(filled, ID, ID, NOW);
    expect(checkInSchema.validate(request, { convert: false }).error).toBeUndefined();
    expect(request.entries.map((e) => e.kind)).toEqual(['complaint', 'history', 'finding', 'took-off']);
  });

  it('refuses a bad case file in one sentence and keeps the draft', () => {
    expect(() => withCaseFile(WHOLE, '{"format":"other"}')).toThrow(/format/);
    expect(() => withCaseFile(WHOLE, 'no')).toThrow(/not JSON/);
  });
});
