import { configureStore } from '@reduxjs/toolkit';
import type { JobWithLog, RackTag, Role } from '@rusty-wren/contract';
import { act, configure, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Provider } from 'react-redux';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { vi } from 'vitest';
import { api } from '../api/api';
import { routes } from '../app/places';
import { reducer } from '../app/state';
import { stood } from '../hands/hands';
import type { Noted } from '@rusty-wren/core/log';
import { aTag, jobWith } from './bench';

// Places are fetched when somebody goes there: on a machine shared with others that takes longer than a second.
configure({ asyncUtilTimeout: 60_000 });

/** Somebody who is in on this device. */
const ME = { id: '5e0c1f7a-8f1b-4a53-9a53-0d6f0c7c1a02', name: 'Bett Oakham' };

/** A worker that never answers: what is thought ahead stays to be thought. */
class Mute extends EventTarget {
  postMessage = vi.fn();
  terminate = vi.fn();
}

/**
 * The whole interface at an address, for tests to work as a technician does, with these jobs as the server had them last. The server
 * answers nothing more: what is noted stays on this device. Ends with `vi.unstubAllGlobals()` and `cleanup()`.
 */
export async function wholeOf(
  jobs: readonly JobWithLog[],
  { at = `/job/${jobs[0]?.job.id}`, role = 'lead' }: { at?: string; role?: Role } = {},
) {
  vi.stubGlobal('Worker', Mute);
  vi.stubGlobal('fetch', () => new Promise(() => undefined));
  const store = configureStore({
    reducer,
    middleware: (usual) => usual({ serializableCheck: false, immutableCheck: false }).concat(api.middleware),
  });
  store.dispatch(stood({ state: 'in', me: { ...ME, role }, people: [] }));
  const tags = jobs.map(({ job, entries }): RackTag => aTag(job, { entryCount: entries.length }));
  await Promise.all([
    ...jobs.map((one) => store.dispatch(api.util.upsertQueryData('job', one.job.id, one))),
    store.dispatch(api.util.upsertQueryData('rack', undefined, tags)),
  ]);
  const router = createMemoryRouter(routes(), { initialEntries: [at] });
  render(
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>,
  );
  return { store, router, goTo: (path: string) => act(() => router.navigate(path)) };
}

export const user = userEvent.setup({ delay: null });
const found = (id: string): HTMLElement => {
  const it = document.getElementById(id);
  if (!it) throw new Error(`there is no #${id}`);
  return it;
};
export const step = () => within(found('step'));
export const suspects = () => within(screen.getByRole('region', { name: 'Suspects' }));
export const trail = () => within(screen.getByRole('region', { name: 'Evidence so far' }));
export const tray = () => within(screen.getByRole('region', { name: /^Tray/ }));
export const sheet = () => within(screen.getByRole('dialog'));
/** The whole bench is there, not only its first glance. */
export const atTheBench = () => screen.findByRole('region', { name: 'Evidence so far' });
/** The bench of a job with these on its log. */
export async function benchOf(...lines: readonly (string | Noted)[]) {
  const whole = await wholeOf([jobWith(...lines)]);
  await atTheBench();
  return whole;
}

/** What the step that is up is called. */
export const title = (): string => step().getAllByRole('heading', { level: 2 })[0]!.textContent;

/** Taps a button by its name, on the page or within a part of it. */
export const tap = (
  name: string | RegExp,
  where: Pick<typeof screen, 'findByRole'> = screen,
): Promise<void> => where.findByRole('button', { name }).then((button) => user.click(button));

/** Writes a line on the bench line, which is taken. */
export async function write(line: string): Promise<void> {
  const field = screen.getByRole<HTMLInputElement>('textbox', { name: 'Bench line' });
  await user.clear(field);
  await user.click(field);
  await user.paste(line);
  await user.keyboard('{Enter}');
  await waitFor(() => {
    if (field.value !== '') throw new Error(`"${line}" was not taken`);
  });
}

/** The row of a fault on the list of what was found, or of a cause among the suspects. */
export const foundRow = (cause: string): HTMLElement | null =>
  document.querySelector(`[data-found="${cause}"]`);
export const suspectRow = (cause: string): HTMLElement | null =>
  document.querySelector(`[data-suspect="${cause}"]`);
/** How likely a cause is said to be, per cent; 0 where it is not named. */
export const percentOf = (cause: string): number =>
  Number(/(\d+)\s%/.exec(suspectRow(cause)?.textContent ?? '')?.[1] ?? 0);
/** Takes up a check from the list of all of them, by its whole name. */
export async function pickCheck(name: string): Promise<void> {
  await tap('Any other check');
  const row = (await within(await screen.findByRole('dialog')).findByText(name, { exact: true })).closest(
    'button',
  );
  await user.click(row!);
}
/** Makes a check from that list, with a result of it. */
export async function findBy(check: string, result: string, sureness?: string): Promise<void> {
  await pickCheck(check);
  if (sureness) await user.click(step().getByRole('radio', { name: sureness }));
  await user.click(step().getByRole('button', { name: result }));
}
