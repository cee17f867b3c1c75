import type { RackTag } from '@rusty-wren/contract';
import { act, cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it } from 'vitest';
import { api } from '../api/api';
import { wayChosen } from '../app/settings';
import { aTag, draw, JOB } from '../testing/bench';
import { Glance } from './Glance';

afterEach(cleanup);

async function glance(more: Partial<RackTag> = {}) {
  const store = draw(<Glance jobId={JOB.id} />);
  await act(() => store.dispatch(api.util.upsertQueryData('rack', undefined, [aTag({}, more)])));
  return store;
}
const noted = (store: Awaited<ReturnType<typeof glance>>) =>
  store.getState().outbox.unsent.map((u) => u.entry.body);
const results = () => screen.queryByRole('group', { name: 'Result' });

describe('what the rack knows of a job', () => {
  it('says what to do, how, and takes a result at once, one', async () => {
    const store = await glance();
    expect(screen.getByRole('heading', { level: 2 }).textContent).toBe('Smell the fuel');
    await userEvent.click(within(results()!).getByRole('button', { name: 'stale' }));
    expect(noted(store)).toEqual([{ check: 'fuel-smell', result: 'stale', sureness: 'sure' }]);
    expect(screen.getByRole('status').textContent).toBe('Noted.');
    expect(results()).toBeNull();
    await userEvent.keyboard('1');
    expect(noted(store)).toHaveLength(1);
  });

  it('takes it by its figure too', async () => {
    const store = await glance();
    await userEvent.keyboard('2');
    expect(noted(store)).toEqual([{ check: 'fuel-smell', result: 'stale', sureness: 'sure' }]);
  });

  it('takes no figure while something else has the focus', async () => {
    const store = await glance();
    const other = document.body.appendChild(document.createElement('button'));
    other.focus();
    await userEvent.keyboard('2');
    expect(noted(store)).toEqual([]);
    other.remove();
    await userEvent.keyboard('2');
    expect(noted(store)).toHaveLength(1);
  });

  it('takes none where something has to come off, be measured, or would run what hurts', async () => {
    await glance({ phase: { kind: 'check', check: 'plug-look', minutes: 2 } });
    expect(screen.getByRole('heading', { level: 2 })).toBeTruthy();
    expect(results()).toBeNull();
    cleanup();
    await glance({ phase: { kind: 'check', check: 'screw-turns', minutes: 2 } });
    expect(results()).toBeNull();
    cleanup();
    await glance({ phase: { kind: 'check', check: 'start-trial', minutes: 2 } });
    expect(results()).not.toBeNull();
    cleanup();
    await glance({
      phase: { kind: 'check', check: 'start-trial', minutes: 2 },
      safety: ['chain brake broken'],
    });
    expect(screen.getByText('chain brake broken')).toBeTruthy();
    expect(results()).toBeNull();
  });

  it('says whatever else the job asks for, and nothing where a school would say otherwise', async () => {
    await glance({ phase: { kind: 'prove' } });
    expect(screen.getByRole('heading', { level: 2 }).textContent).toBe('Prove it');
    cleanup();
    const store = await glance();
    act(() => void store.dispatch(wayChosen('fuel-first')));
    expect(screen.queryByRole('heading', { level: 2 })).toBeNull();
  });

  it('waits for one the rack does not have', () => {
    draw(<Glance jobId="another" />);
    expect(screen.getByRole('status').textContent).toBe('Fetching the job…');
  });
});
