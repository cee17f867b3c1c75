import type { LearntState } from '@rusty-wren/contract';
import type { LearntOf } from '@rusty-wren/core/learning';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ShopSays } from '../bench/ShopSays';
import { draw } from '../testing/bench';
import { Learnt } from './Learnt';
import { factorWords, sharesWords, shopSays } from './words';

const SHOP: LearntOf = {
  counts: 41_000,
  strength: 6,
  causes: {
    'stale-fuel': { factor: 1, found: 6000, expected: 6100 },
    'coil-failed': { factor: 0.625, found: 0, expected: 900 },
    'chain-dull': { factor: 1.98, found: 9000, expected: 2460 },
  },
};
const SAWS: LearntOf = {
  counts: 12_000,
  strength: null,
  causes: { 'plug-failed': { factor: 1.2, found: 3000, expected: 600 } },
};
const SHOP_ID = '5e0c1f7a-0000-4000-8000-00000000b00c';
let state: LearntState;
const sent: { what: string; body: unknown }[] = [];
beforeEach(() => {
  sent.length = 0;
  state = {
    counts: true,
    learnt: { shop: SHOP, groups: { 'household saw': SAWS }, models: {} },
    minutes: {
      shop: { 'plug-look': { factor: 1.34, times: 22 }, 'fuel-smell': { factor: 1, times: 30 } },
      own: {},
    },
    elsewhere: [{ shop: SHOP_ID, name: 'Fen Mill', weight: 50, jobs: 120, at: '2026-05-01T09:00:00.000Z' }],
  };
  vi.stubGlobal('fetch', async (request: Request) => {
    if (request.method !== 'GET') {
      const text = await request.text();
      sent.push({
        what: `${request.method} ${new URL(request.url).pathname}`,
        body: text ? (JSON.parse(text) as unknown) : null,
      });
    }
    return Response.json(state);
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('what was learnt, in words', () => {
  it('says how often here, and how often the trade would expect', () => {
    expect(sharesWords(SHOP.causes['chain-dull']!, SHOP)).toBe('9 of 41; the trade: 6 in 100');
    expect(sharesWords({ factor: 1, found: 0, expected: 100 }, SHOP)).toBe('0 of 41; the trade: 0.2 in 100');
    expect(sharesWords({ factor: 1, found: 0, expected: 1 }, SHOP)).toBe(
      '0 of 41; the trade: under 0.1 in 100',
    );
  });
  it('says of which machines, and nothing where nothing is known', () => {
    expect(shopSays({ like: 'model', ...SHOP }, 'chain-dull')).toBe(
      'This shop, of this model: 9 of 41; the trade: 6 in 100',
    );
    expect(shopSays({ like: 'class', ...SHOP }, 'plug-failed')).toBeNull();
    expect(shopSays({ like: 'shop', counts: 0, strength: null, causes: {} }, 'coil-failed')).toBeNull();
    expect(shopSays(null, 'coil-failed')).toBeNull();
  });
  it('says a factor as commoner or rarer', () => {
    expect([factorWords(1.98), factorWords(0.625), factorWords(1)]).toEqual(['×2.0', '÷1.6', null]);
  });
  it('stands among what moved a suspect', () => {
    draw(<ShopSays learnt={{ like: 'shop', ...SHOP }} cause="coil-failed" />);
    expect(document.querySelector('[data-shop-says]')?.textContent).toBe(
      'This shop, of any kind: 0 of 41; the trade: 2 in 100▼ ÷1.6',
    );
  });
});

describe('what closed jobs taught', () => {
  it('shows what moved, furthest first, for all machines or some', async () => {
    draw(<Learnt />);
    const causes = await screen.findByRole('list', { name: 'Causes' });
    expect(
      within(causes)
        .getAllByRole('listitem')
        .map((li) => li.textContent?.slice(0, 10)),
    ).toEqual(['Cutting ed', 'Coil faile']);
    expect(screen.getByText('41 jobs; the trade’s word on a cause counts as 6 findings')).toBeTruthy();
    await userEvent.selectOptions(screen.getByLabelText(/^On/), 'household saw');
    expect(screen.getByText('12 jobs')).toBeTruthy();
    expect(screen.getByRole('list', { name: 'Causes' }).textContent).toContain('3 of 12');
  });
  it('shows the minutes that differ from the trade’s, and whose', async () => {
    draw(<Learnt />);
    const minutes = within(await screen.findByRole('region', { name: 'Minutes' }));
    expect(minutes.getAllByRole('listitem').map((li) => li.textContent)).toEqual([
      'Read the plug, 22 times×1.3',
    ]);
    expect(minutes.queryByLabelText('Whose minutes')).toBeNull();
    cleanup();
    state.minutes = { shop: {}, own: {} };
    draw(<Learnt />);
    expect(await screen.findByText('Nothing was done 5 times yet.')).toBeTruthy();
  });
  it('says so where nothing is more than chance, or nothing was taught', async () => {
    state.learnt = {
      shop: {
        counts: 5000,
        strength: null,
        causes: { 'stale-fuel': { factor: 1, found: 1000, expected: 900 } },
      },
      groups: {},
      models: {},
    };
    draw(<Learnt />);
    expect(await screen.findByText(/Nothing that is more than chance/)).toBeTruthy();
    cleanup();
    state.learnt = { shop: { counts: 0, strength: null, causes: {} }, groups: {}, models: {} };
    draw(<Learnt />);
    expect(await screen.findByText(/No closed job has taught anything yet/)).toBeTruthy();
  });
  it('goes back to the trade’s odds by the lead, and by nobody else', async () => {
    draw(<Learnt />);
    await userEvent.click(await screen.findByRole('radio', { name: 'the trade’s alone' }));
    await waitFor(() => expect(sent).toEqual([{ what: 'PUT /api/learnt', body: { counts: false } }]));
    cleanup();
    draw(<Learnt />, { role: 'technician' });
    expect(await screen.findByText('The lead sets these.')).toBeTruthy();
    expect(screen.queryByText('Take in a file')).toBeNull();
    expect(screen.queryByRole('button', { name: /counts no more/ })).toBeNull();
  });
});

describe('other shops', () => {
  const choose = async (content: string): Promise<void> => {
    const field = await screen.findByLabelText('Take in a file');
    fireEvent.change(field, { target: { files: [new File([content], 'learnt.json')] } });
  };
  it('are taken in by file, with a name and a weight, and let go', async () => {
    draw(<Learnt />);
    const file = { format: 'rusty-wren-learnt/1', shop: SHOP_ID, tallies: { groups: {}, models: {} } };
    await choose(JSON.stringify(file));
    await userEvent.type(await screen.findByLabelText('Name of the shop'), 'Fen Mill');
    await userEvent.click(screen.getByRole('radio', { name: 'a quarter' }));
    await userEvent.click(screen.getByRole('button', { name: 'Count them' }));
    await waitFor(() =>
      expect(sent).toEqual([
        { what: 'PUT /api/learnt/elsewhere', body: { name: 'Fen Mill', weight: 25, file } },
      ]),
    );
    await userEvent.click(await screen.findByRole('button', { name: 'Fen Mill counts no more' }));
    await waitFor(() => expect(sent.at(-1)?.what).toBe(`DELETE /api/learnt/elsewhere/${SHOP_ID}`));
  });
  it('a file that is none asks for no name', async () => {
    draw(<Learnt />);
    await choose('{"format":"another"}');
    await choose('not even JSON');
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(screen.queryByLabelText('Name of the shop')).toBeNull();
    expect(sent).toEqual([]);
  });
});
