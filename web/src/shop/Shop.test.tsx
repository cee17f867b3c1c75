import { USUAL_RULES, type ShopRules } from '@rusty-wren/core/worth';
import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { draw } from '../testing/bench';
import { PriceBook } from './PriceBook';
import { RulesForm } from './RulesForm';

beforeEach(() => vi.stubGlobal('fetch', () => new Promise(() => undefined)));
afterEach(cleanup);
const retype = async (label: string, text: string): Promise<void> => {
  await userEvent.clear(screen.getByLabelText(label));
  await userEvent.type(screen.getByLabelText(label), text);
};

describe('the shop’s rules', () => {
  const form = (refused: string | null = null) => {
    const saved: ShopRules[] = [];
    draw(
      <RulesForm
        rules={USUAL_RULES}
        onSave={async (rules) => {
          saved.push(rules);
          return refused;
        }}
      />,
    );
    return saved;
  };
  const keep = () => userEvent.click(screen.getByRole('button', { name: 'Keep the rules' }));

  it('are typed in whole money and per cent, kept in cents and thousandths', async () => {
    const saved = form();
    await retype('An hour at the bench', '52,50');
    await retype('Tax on top, %', '17.5');
    await retype('Currency', 'chf');
    await keep();
    expect(saved).toEqual([{ ...USUAL_RULES, ratePerHour: 52_50, taxPermille: 175, currency: 'CHF' }]);
  });

  it.each([
    ['Smallest charge', 'much', 'Smallest charge: "much" is not a number.'],
    ['Tax on top, %', '51', 'Tax on top: 51 is outside 0 to 50.'],
    ['Currency', 'euros', '"currency" is three capital letters.'],
  ])('%s typed as %s is refused with its name', async (label, text, says) => {
    const saved = form();
    await retype(label, text);
    await keep();
    expect(screen.getByRole('alert').textContent?.replaceAll('"currency"', 'currency')).toBe(
      says.replaceAll('"currency"', 'currency'),
    );
    expect(saved).toEqual([]);
  });
});

describe('the price book', () => {
  type Change = Parameters<Parameters<typeof PriceBook>[0]['onSave']>[0];
  const book = (lines: Parameters<typeof PriceBook>[0]['shop']['book'] = []) => {
    const changes: Change[] = [];
    draw(
      <PriceBook
        shop={{ rules: USUAL_RULES, book: lines }}
        onSave={async (change) => {
          changes.push(change);
          return null;
        }}
      />,
    );
    return changes;
  };
  const row = (name: RegExp) => screen.getByRole('button', { name });

  it('shows the usual until we have our own, and keeps ours for a kind', async () => {
    const changes = book();
    expect(row(/^Fit a new coil, gap by strip/).textContent).toContain('€38.00');
    await userEvent.click(row(/^Fit a new coil/));
    await retype('Parts, before tax', '44');
    await userEvent.click(screen.getByRole('button', { name: 'For each chainsaw' }));
    expect(changes).toEqual([
      { lines: [{ what: 'coil-failed', kind: 'chainsaw', price: 44_00, waitDays: 4 }] },
    ]);
  });

  it('finds a job, takes ours out again, and a model’s', async () => {
    const changes = book([
      { what: 'coil-failed', kind: 'chainsaw', price: 44_00, waitDays: 4 },
      { what: 'coil-failed', maker: 'Brakken', model: 'B45', price: 47_00, waitDays: 4 },
    ]);
    await userEvent.type(screen.getByLabelText('Find a job'), 'coil');
    expect(within(screen.getByRole('list', { name: 'Prices' })).getAllByRole('listitem')).toHaveLength(2);
    await userEvent.click(row(/^Fit a new coil/));
    await userEvent.click(screen.getByRole('button', { name: 'Back to the usual' }));
    await userEvent.click(screen.getByRole('button', { name: 'Take out' }));
    expect(changes).toEqual([
      { lines: [], gone: [{ what: 'coil-failed', kind: 'chainsaw' }] },
      { lines: [], gone: [{ what: 'coil-failed', maker: 'Brakken', model: 'B45' }] },
    ]);
  });

  it('takes a table in, and says of a wrong one which lines', async () => {
    const changes = book();
    await userEvent.click(screen.getByRole('button', { name: 'Paste or drop a table' }));
    const table = screen.getByLabelText('Prices as CSV');
    await userEvent.type(table, 'what,price\nspark,5');
    await userEvent.click(screen.getByRole('button', { name: 'Take it' }));
    expect(screen.getByRole('alert').textContent).toContain('Line 2: what "spark"');
    await userEvent.clear(table);
    await userEvent.type(table, 'what,price\nlike,310');
    await userEvent.click(screen.getByRole('button', { name: 'Take it' }));
    expect(changes).toEqual([{ lines: [{ what: 'like', price: 310_00, waitDays: 0 }] }]);
  });
});
