import type { Shop } from '@rusty-wren/contract';
import { USUAL_RULES } from '@rusty-wren/core/worth';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openBench, type TestBench } from '../testing/bench';

let bench: TestBench;
beforeAll(async () => {
  bench = await openBench();
});
afterAll(() => bench.close());

const put = async (
  at: 'rules' | 'prices',
  body: unknown,
): Promise<{ status: number; body: Shop & { error: string } }> => {
  const response = await bench.app.request(`/api/shop/${at}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  return { status: response.status, body: (await response.json()) as Shop & { error: string } };
};
const read = async (): Promise<Shop> => (await bench.app.request('/api/shop')).json() as Promise<Shop>;

describe('the shop', () => {
  it('goes by usual rules until it sets its own', async () => {
    expect(await read()).toEqual({ rules: USUAL_RULES, book: [] });
    const rules = { ...USUAL_RULES, ratePerHour: 52_00, foot: 'An estimate binds for 30 days.' };
    expect((await put('rules', rules)).status).toBe(200);
    expect((await read()).rules).toEqual(rules);
  });

  it('of prices for the same thing the newest counts, letter case aside; one taken out is gone', async () => {
    const model = { what: 'coil-failed', maker: 'Brakken', model: 'B45' };
    await put('prices', {
      lines: [
        { ...model, price: 40_00, waitDays: 3 },
        { ...model, maker: 'BRAKKEN', price: 42_00, waitDays: 3, cost: 30_00 },
        { what: 'coil-failed', kind: 'chainsaw', price: 38_00, waitDays: 4 },
        { what: 'carburettor-rebuild', family: 'barrel/none', price: 20_00, waitDays: 1 },
        { what: 'carburettor-rebuild', family: 'barrel/none', price: 21_00, waitDays: 1 },
        { what: 'like', price: 300_00, waitDays: 2 },
      ],
    });
    expect((await read()).book).toEqual([
      { what: 'carburettor-rebuild', family: 'barrel/none', price: 21_00, waitDays: 1 },
      { what: 'coil-failed', kind: 'chainsaw', price: 38_00, waitDays: 4 },
      { ...model, maker: 'BRAKKEN', price: 42_00, cost: 30_00, waitDays: 3 },
      { what: 'like', price: 300_00, waitDays: 2 },
    ]);
    const { body } = await put('prices', {
      lines: [],
      gone: [model, { what: 'like' }, { what: 'carburettor-rebuild', family: 'barrel/none' }],
    });
    expect(body.book.map((l) => [l.what, l.kind])).toEqual([['coil-failed', 'chainsaw']]);
  });

  it('refuses what is none, by name, and changes nothing: of many lines with one wrong none is taken', async () => {
    const before = await read();
    const line = { what: 'coil-failed', price: 1, waitDays: 0 };
    for (const [at, body, names] of [
      ['rules', { ...USUAL_RULES, taxPermille: 501 }, 'taxPermille'],
      ['rules', { ...USUAL_RULES, ratePerHour: 10.5 }, 'ratePerHour'],
      ['rules', { ...USUAL_RULES, currency: 'eur' }, 'currency'],
      ['rules', { ...USUAL_RULES, more: 1 }, 'more'],
      ['rules', { currency: 'EUR' }, 'ratePerHour'],
      ['prices', { lines: [line, { ...line, price: -1 }] }, 'lines[1].price'],
      ['prices', { lines: [{ ...line, what: 'spark' }] }, 'lines[0].what'],
      ['prices', { lines: [{ ...line, maker: 'Brakken' }] }, 'lines[0]'],
      ['prices', { lines: [{ ...line, kind: 'blower', maker: 'a', model: 'b' }] }, 'lines[0]'],
      ['prices', { lines: [{ ...line, waitDays: 366 }] }, 'lines[0].waitDays'],
      ['prices', {}, 'lines'],
    ] as const) {
      const answer = await put(at, body);
      expect(answer.status, names).toBe(400);
      expect(answer.body.error).toContain(names);
    }
    expect(await read()).toEqual(before);
  });
});
