import type { Backups as Told } from '@rusty-wren/contract';
import { act, screen } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { draw } from '../testing/bench';
import { NEVER } from '../testing/server';
import { leaveNothing } from '../testing/whole';
import { Backups } from './Backups';
import { peopleApi } from './peopleApi';

leaveNothing();

const before = (hours: number): string => new Date(Date.now() - hours * 3_600_000).toISOString();

async function shown(told: Told): Promise<void> {
  vi.stubGlobal('fetch', () => Promise.resolve(NEVER));
  const store = draw(<Backups />);
  await act(async () => {
    await store.dispatch(peopleApi.util.upsertQueryData('backups', undefined, told));
  });
}
/** What stands under a head, and whether it wants a hand. */
const under = (head: string): [string, boolean] => {
  const says = screen.getByText(head).nextElementSibling!;
  return [says.textContent, says.className.includes('text-rust')];
};

it('says where none are made', async () => {
  await shown({ places: [], rehearsal: null });
  expect(screen.getByText(/^None are made here/).className).toContain('text-rust');
  expect(screen.queryByText('Put to the proof')).toBeNull();
});

it('tells age and size, in rust once it is old, and what went wrong', async () => {
  const good = (hours: number) => ({ last: { at: before(hours), bytes: 1_240_000 }, problem: null });
  await shown({
    places: [
      { place: '/disk', ...good(47) },
      { place: '/stick', ...good(49) },
      { place: '/away', last: null, problem: 'ENOENT: no such place' },
    ],
    rehearsal: { at: before(239), problem: null },
  });
  expect(under('/disk')[0]).toMatch(/^2 days ago, .*, 1.2 MB$/);
  expect(under('/disk')[1]).toBe(false);
  expect(under('/stick')[1]).toBe(true);
  expect(under('/away')).toEqual(['None stands there. The last one went wrong: ENOENT: no such place', true]);
  expect(under('Put to the proof')[1]).toBe(false);
  expect(screen.queryByText(/^In one place only/)).toBeNull();
});

it('one place is too few, and one never put to the proof is no backup yet', async () => {
  await shown({
    places: [{ place: '/disk', last: { at: before(1), bytes: 999 }, problem: null }],
    rehearsal: null,
  });
  expect(screen.getByText(/^In one place only/)).toBeTruthy();
  expect(under('Put to the proof')).toEqual(['Never restored to see whether it comes in.', true]);
});

it('a rehearsal that is old or went wrong wants a hand', async () => {
  const places = [{ place: '/disk', last: { at: before(1), bytes: 999 }, problem: null }];
  await shown({ places, rehearsal: { at: before(241), problem: null } });
  expect(under('Put to the proof')[1]).toBe(true);
});
