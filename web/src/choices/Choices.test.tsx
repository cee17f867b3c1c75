import type { Shop } from '@rusty-wren/contract';
import type { Noted } from '@rusty-wren/core/log';
import { USUAL_RULES, type OneMore } from '@rusty-wren/core/worth';
import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { benchWith, complains, draw } from '../testing/bench';
import { fakeLog } from '../testing/log';
import { inTen } from './ChoiceColumn';
import { OnTheCounter } from './Choices';
import { NotAgreed } from './Decided';

const bench = vi.hoisted(() => ({ log: null as unknown, oneMore: [] as OneMore[] }));
vi.mock('./useOneMore', () => ({ useOneMore: () => bench.oneMore }));
vi.mock('../job/useLog', () => ({ useLog: () => bench.log }));

const SHOP: Shop = { rules: USUAL_RULES, book: [] };
const COOKED = [complains('weak-under-load'), 'comp 40 55 60 61', 'peep heavy scoring'] as const;
const decision: Noted = {
  kind: 'decision',
  body: { choice: 'replace', by: 'Odile Farrant', how: 'phone', price: 290_00 },
};

function counter(lines: readonly (string | Noted)[], shop = SHOP) {
  const logged = fakeLog();
  bench.log = logged.log;
  draw(<OnTheCounter atBench={benchWith(...lines)} shop={shop} />);
  return logged;
}
const choice = (name: string) => within(screen.getByRole('heading', { level: 3, name }).closest('li')!);
const title = () => screen.getByRole('heading', { level: 2 }).textContent;

beforeEach(() => {
  bench.oneMore = [];
  vi.stubGlobal('fetch', () => new Promise(() => undefined));
});
afterEach(cleanup);

describe('the choices on the counter', () => {
  it('a cooked saw: the owner is asked first, and why the others are not there can be read', () => {
    counter(COOKED);
    expect(title()).toBe('Another machine');
    expect(screen.getByText(/nothing is spent before the owner has spoken/)).toBeTruthy();
    expect(choice('Another machine').getByText('our choice')).toBeTruthy();
    expect(screen.getByText(/Not on the counter/).parentElement!.textContent).toContain(
      'What was found takes a top end.',
    );
  });

  it('a simple fault: what it costs, what is done, and the next taker’s price of like ones', () => {
    counter([complains('runs-on-prime-then-dies'), 'metering diaphragm stiff']);
    expect(title()).toBe('Mend it');
    const mend = choice('Mend it');
    expect(mend.getByText(/^€\d+ to €\d+$/)).toBeTruthy();
    expect(mend.getByText('Fit a diaphragm kit, check the button height')).toBeTruthy();
    expect(choice('As it is').getByText(/metering diaphragm stiff/)).toBeTruthy();
  });

  it('waits for the owner with what was laid before them', async () => {
    const { noted } = counter(COOKED);
    await userEvent.click(screen.getByRole('button', { name: 'Wait for the owner’s answer' }));
    expect(noted()[0]).toMatchObject({
      kind: 'stage',
      body: { stage: 'answer', waitingFor: expect.stringContaining('another machine €290') as string },
    });
  });

  it('the owner takes one: who, how, and up to what', async () => {
    const { noted } = counter(COOKED);
    await userEvent.click(screen.getByRole('button', { name: 'They take it: Another machine' }));
    await userEvent.click(screen.getByRole('radio', { name: 'At the counter' }));
    await userEvent.clear(screen.getByLabelText('Agreed up to, tax in'));
    await userEvent.type(screen.getByLabelText('Agreed up to, tax in'), '279,50');
    await userEvent.click(screen.getByRole('button', { name: 'Decided' }));
    expect(noted()).toEqual([
      { kind: 'decision', body: { choice: 'replace', by: 'Odile Farrant', how: 'counter', price: 279_50 } },
    ]);
  });

  it('one more check comes before any price, while nothing is decided', () => {
    bench.oneMore = [
      {
        check: 'cylinder-peep',
        minutes: 3,
        saves: 20_00,
        changes: [{ result: 'clean', chance: 0.5, best: 'mend' }],
      },
    ];
    counter([complains('weak-under-load'), 'pull weak']);
    expect(title()).toBe('Look down the plug hole');
    expect(screen.getByRole('link', { name: 'Look first' }).getAttribute('href')).toMatch(
      /check=cylinder-peep$/,
    );
    cleanup();
    counter([complains('weak-under-load'), 'pull weak', decision]);
    expect(title()).toBe('Another machine');
    expect(screen.getByText(/Odile Farrant, by phone/)).toBeTruthy();
  });

  it('what the technician sets is theirs: a price, days, off the counter with a word', async () => {
    const { noted } = counter([complains('runs-on-prime-then-dies'), 'metering diaphragm stiff']);
    await userEvent.click(screen.getByRole('button', { name: 'Change: Mend it' }));
    const price = screen.getByLabelText('Price, tax in');
    await userEvent.clear(price);
    await userEvent.type(price, '55');
    await userEvent.click(screen.getByRole('button', { name: 'Set it' }));
    await userEvent.click(screen.getByRole('button', { name: 'Change: As it is' }));
    await userEvent.type(screen.getByLabelText('Off the counter, because'), 'not safe{Enter}');
    expect(noted()).toEqual([
      { kind: 'choice-set', body: { choice: 'mend', price: 55_00, days: 2 } },
      { kind: 'choice-set', body: { choice: 'as-it-is', offered: false, words: 'not safe' } },
    ]);
    cleanup();
    counter([complains('runs-on-prime-then-dies'), 'metering diaphragm stiff', ...noted()]);
    expect(choice('Mend it').getByText('€55')).toBeTruthy();
    expect(choice('Mend it').getByText('set by hand')).toBeTruthy();
    expect(screen.queryByRole('heading', { level: 3, name: 'As it is' })).toBeNull();
  });

  it('reckons with its age and the price of a like one', async () => {
    const { noted } = counter(COOKED);
    await userEvent.type(screen.getByLabelText('Age, years'), '6');
    await userEvent.type(screen.getByLabelText('A like one, new'), '310');
    await userEvent.click(screen.getByRole('button', { name: 'Reckon with it' }));
    expect(noted()).toEqual([{ kind: 'worth', body: { ageYears: 6, like: 310_00 } }]);
  });

  it('chances are said as over a counter', () => {
    expect([0, 0.04, 0.05, 0.5, 0.94, 0.95, 1].map(inTen)).toEqual([
      'hardly ever',
      '1 in 20',
      '1 in 10',
      '5 in 10',
      '9 in 10',
      'nearly always',
      'nearly always',
    ]);
  });
});

describe('work that was not agreed', () => {
  const mended: Noted = { kind: 'repair', body: { cause: 'metering-diaphragm-stiff', outcome: 'cured' } };
  const drawn = (...lines: (string | Noted)[]) => {
    draw(<NotAgreed picture={benchWith(complains('runs-on-prime-then-dies'), ...lines).picture} />);
    return screen.queryByRole('alert')?.textContent ?? null;
  };

  it('is named, and only what came after the decision', () => {
    expect(drawn(decision, mended)).toBe(
      'Not agreed: metering diaphragm stiff. The owner took: another machine.',
    );
    cleanup();
    expect(drawn(mended, decision)).toBeNull();
    cleanup();
    expect(drawn({ kind: 'decision', body: { choice: 'mend', by: 'x', how: 'phone' } }, mended)).toBeNull();
  });
});
