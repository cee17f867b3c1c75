import { paperHash, type Bodies, type Noted } from '@rusty-wren/core/log';
import { USUAL_RULES } from '@rusty-wren/core/worth';
import { act, cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { NewEntry } from '@rusty-wren/contract';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { noted, sent } from '../keeping/outbox';
import { benchWith, complains, draw } from '../testing/bench';
import { fakeLog } from '../testing/log';
import { OnTheDesk } from './Papers';

const bench = vi.hoisted(() => ({ log: null as unknown }));
vi.mock('../job/useLog', () => ({ useLog: () => bench.log }));
const FOUND = [complains('runs-on-prime-then-dies'), 'metering diaphragm stiff'] as const;

function desk(lines: readonly (string | Noted)[], at = '/?paper=report') {
  const logged = fakeLog();
  bench.log = logged.log;
  const store = draw(<OnTheDesk atBench={benchWith(...lines)} shop={{ rules: USUAL_RULES, book: [] }} />, {
    at,
  });
  return { ...logged, store };
}
const given = (text: string): Noted => {
  const paper = {
    title: 'Report and choices',
    blocks: [
      { is: 'text', text, from: [] },
      { is: 'text', text: 'The same.', from: [] },
    ],
  } satisfies Pick<Bodies['paper'], 'title' | 'blocks'>;
  return { kind: 'paper', body: { paper: 'report', ...paper, hash: paperHash(paper) } };
};
const click = (name: string | RegExp) => userEvent.click(screen.getByRole('button', { name }));
const sheet = () => screen.getByRole('article').textContent;

beforeEach(() => {
  localStorage.clear();
  vi.stubGlobal('fetch', () => new Promise(() => undefined));
});
afterEach(cleanup);

describe('a paper before it is given', () => {
  it('says what was found, in plain words, with choices and prices', () => {
    desk(FOUND);
    expect(sheet()).toContain('The membrane that doses the fuel is stiff.');
    expect(sheet()).toContain('Mend what is wrong');
    expect(sheet()).toMatch(/€\d+ to €\d+, 2 working days/);
  });

  it('is given as it was written otherwise: changed, left out, added; and its hash is of that', async () => {
    const { noted } = desk(FOUND);
    const rewrite = async (sentence: string, text: string): Promise<void> => {
      await click(sentence);
      const field = screen.getByRole('textbox', { name: `Instead of: ${sentence}` });
      await userEvent.clear(field);
      await userEvent.type(field, `${text}{Enter}`);
    };
    await rewrite('It runs for a moment after priming and dies.', 'It dies.');
    await rewrite('It dies.', 'It dies at once.');
    await rewrite('The membrane that doses the fuel is stiff.', '');
    await userEvent.type(screen.getByLabelText('A sentence of your own'), 'Ask for Bett.{Enter}');
    expect(sheet()).toContain('It dies at once.');
    expect(sheet()).not.toContain('is stiff.');
    await click('Give it');
    const [entry] = noted();
    if (entry?.kind !== 'paper') throw new Error('no paper was given');
    expect(entry.body.hash).toBe(paperHash(entry.body));
    const text = JSON.stringify(entry.body.blocks);
    expect(text).toContain('It dies at once.');
    expect(text).toContain('Ask for Bett.');
    expect(text).not.toContain('is stiff.');
  });

  it('goes back to what the log has', async () => {
    desk(FOUND);
    await userEvent.type(screen.getByLabelText('A sentence of your own'), 'Ask for Bett.{Enter}');
    await click('As the log has it');
    expect(sheet()).not.toContain('Ask for Bett.');
  });

  it.each([
    ['Work done', 'Nothing was mended.'],
    ['Keeping it well', 'Mixed fuel keeps a month.'],
    ['Hook tag', '141'],
  ])('%s', async (name, text) => {
    desk(FOUND);
    await click(name);
    expect(sheet()).toContain(text);
  });
});

describe('a paper that was given', () => {
  it('stands as it was, says what is otherwise than before, and is there as PDF', async () => {
    desk([...FOUND, given('One.'), given('Two.')], '/?given=e3');
    expect(sheet()).toContain('Two.');
    const changes = within(screen.getByRole('region', { name: 'Otherwise than before' }));
    expect(changes.getAllByRole('listitem').map((li) => li.textContent)).toEqual(['One.', 'Two.']);
    expect(screen.getByRole('link', { name: 'PDF, A4' }).getAttribute('href')).toMatch(
      /papers\/e3\/pdf\?sheet=a4$/,
    );
    expect(screen.queryByRole('button', { name: 'Give it' })).toBeNull();
    await click(/Given, version 1/);
    expect(sheet()).toContain('One.');
    expect(screen.queryByRole('region', { name: 'Otherwise than before' })).toBeNull();
  });

  it('asks nothing of the server before the server has it', () => {
    const { store } = desk([...FOUND, given('One.')], '/?given=e2');
    const entry = { id: 'e2', notedAt: '2026-05-04T10:00:00.000Z', ...given('One.') } as NewEntry;
    act(() => void store.dispatch(noted([{ jobId: 'j', entry }])));
    expect(screen.getByRole('status').textContent).toMatch(/^Not sent yet/);
    expect(screen.queryByRole('link', { name: /PDF/ })).toBeNull();
    expect(screen.queryByRole('region', { name: 'The owner’s page' })).toBeNull();
    expect(screen.getByRole('button', { name: 'Print' })).toBeDefined();
    act(() => void store.dispatch(sent(['e2'])));
    expect(screen.getByRole('link', { name: /PDF/ })).toBeDefined();
    expect(screen.getByRole('region', { name: 'The owner’s page' })).toBeDefined();
  });
});
