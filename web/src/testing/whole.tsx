import type { JobWithLog, RackTag, Role } from '@rusty-wren/contract';
import { act, cleanup, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Provider } from 'react-redux';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, vi } from 'vitest';
import { api } from '../api/api';
import { routes } from '../app/places';
import type { Noted } from '@rusty-wren/core/log';
import { aTag, jobWith, storeWith } from './bench';
import { NEVER } from './server';

/** A worker that never answers: what is thought ahead stays to be thought. */
class Mute extends EventTarget {
  postMessage = vi.fn();
  terminate = vi.fn();
}

/**
 * The whole interface at an address, for tests to work as a technician does, with these jobs as the server had them last. The server
 * answers nothing more but what `answer` does: what is noted stays on this device. `leaveNothing` ends it.
 */
export async function wholeOf(
  jobs: readonly JobWithLog[],
  {
    at = `/job/${jobs[0]?.job.id}`,
    role = 'lead',
    answer = () => NEVER,
  }: { at?: string; role?: Role; answer?: (request: Request) => Promise<Response> } = {},
) {
  vi.stubGlobal('Worker', Mute);
  vi.stubGlobal('fetch', answer);
  const store = storeWith(role);
  const tags = jobs.map(({ job, entries }): RackTag => aTag(job, { entryCount: entries.length }));
  await Promise.all([
    ...jobs.map((one) => store.dispatch(api.util.upsertQueryData('job', one.job.id, one))),
    // Where there is none, the rack is asked for.
    ...(tags.length > 0 ? [store.dispatch(api.util.upsertQueryData('rack', undefined, tags))] : []),
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
/** After each test of a file: nothing drawn, put in another's place or kept on the device is left for the next. */
export const leaveNothing = (): void =>
  void afterEach(() => {
    cleanup();
    vi.unstubAllGlobals();
    localStorage.clear();
    sessionStorage.clear();
  });

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

export const benchLine = (): HTMLInputElement => screen.getByRole('textbox', { name: 'Bench line' });

/** Writes a line on the bench line, which is taken. */
export async function write(line: string): Promise<void> {
  const field = benchLine();
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
