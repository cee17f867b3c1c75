import type { Drawer, NeedOfJob } from '@rusty-wren/contract';
import type { Stocked } from '@rusty-wren/core/parts';
import { USUAL_RULES } from '@rusty-wren/core/worth';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { fakeServer } from '../testing/server';
import { benchWith, complains, draw, JOB } from '../testing/bench';
import { PartsOfJob } from './JobParts';
import { OpenDrawer } from './Parts';

let server: ReturnType<typeof fakeServer>;
beforeEach(() => {
  server = fakeServer({ parts: [], orders: [], needs: [], used: [] });
  vi.stubGlobal('matchMedia', () => ({
    matches: true,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  }));
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const part = (id: string, more: Partial<Stocked> = {}): Stocked => ({
  id,
  name: id,
  uses: [],
  fits: [],
  holds: [],
  least: 0,
  price: 10_00,
  sources: [],
  instead: [],
  onHand: 0,
  held: 0,
  ...more,
});
const COIL = part('00000000-0000-4000-8000-000000000001', {
  name: 'Coil B45',
  code: 'CO',
  uses: ['coil-failed'],
  shelf: 'C1',
  sources: [{ name: 'Ferrel', waitDays: 3 }],
});
const need = (more: Partial<NeedOfJob>): NeedOfJob => ({
  id: '00000000-0000-4000-8000-0000000000aa',
  jobId: JOB.id,
  use: 'coil-failed',
  name: 'Coil B45',
  part: COIL.id,
  count: 1,
  state: 'to-order',
  source: null,
  expected: null,
  tag: 141,
  owner: 'Odile Farrant',
  machine: 'Brakken B45',
  promisedFor: null,
  ...more,
});
const drawerWith = (more: Partial<Drawer>): Drawer => ({
  parts: [COIL],
  orders: [],
  needs: [],
  used: [],
  ...more,
});
const click = (name: string | RegExp) => userEvent.click(screen.getByRole('button', { name }));

describe('the drawer', () => {
  it('says how many are free of how many there should be, and what is set aside or on its way', () => {
    const drawer = drawerWith({
      parts: [{ ...COIL, onHand: 2, held: 1, least: 3 }],
      orders: [
        {
          id: 'o',
          part: COIL.id,
          count: 4,
          source: 'Ferrel',
          expected: null,
          orderedAt: '2026-05-04T09:00:00Z',
        },
      ],
    });
    draw(<OpenDrawer drawer={drawer} />);
    const row = within(screen.getByRole('list', { name: 'Parts' })).getByRole('button');
    expect(row.textContent).toBe('C1Coil B451 set aside, 4 on the way1of 3');
  });

  it('sends an order for jobs and drawer with the needs it is for, and the day it should be here', async () => {
    const drawer = drawerWith({ parts: [{ ...COIL, least: 2 }], needs: [need({})] });
    draw(<OpenDrawer drawer={drawer} />);
    const list = screen.getByRole('region', { name: 'To order' });
    expect(list.textContent).toContain('for 141');
    await click('It is ordered');
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({
      method: 'POST',
      path: '/api/parts/orders',
      body: { orders: [{ part: COIL.id, count: 3, source: 'Ferrel', needs: [need({}).id] }] },
    });
  });

  it('a scanned code books one in; what the server refuses keeps what was scanned', async () => {
    server.answer = { status: 404, body: { error: 'No part of the catalogue has the code "CO".' } };
    draw(<OpenDrawer drawer={drawerWith({})} />);
    const field = screen.getByLabelText('Find or scan a part');
    await userEvent.type(field, 'CO{Enter}');
    await waitFor(() => expect(server.sent[0]?.body).toMatchObject({ code: 'CO' }));
    expect((field as HTMLInputElement).value).toBe('CO');
    server.answer = { status: 200, body: { part: COIL.id, count: 1, jobs: [] } };
    await userEvent.type(field, '{Enter}');
    await waitFor(() => expect((field as HTMLInputElement).value).toBe(''));
  });

  it('nothing is booked in by a name that is no code', async () => {
    draw(<OpenDrawer drawer={drawerWith({})} />);
    await userEvent.type(screen.getByLabelText('Find or scan a part'), 'Coil{Enter}');
    expect(server.sent).toEqual([]);
  });

  it('a new part without a price is asked for it; with one it is kept', async () => {
    draw(<OpenDrawer drawer={drawerWith({ parts: [] })} />);
    expect(screen.getByText(/Nothing is in the drawer yet/)).toBeTruthy();
    await click('A new part');
    await userEvent.type(screen.getByLabelText('Name'), 'Plug');
    await click('Keep it');
    expect((await screen.findByRole('alert')).textContent).toBe('Price: what does the owner pay for it?');
    await userEvent.type(screen.getByLabelText('Price'), '5,20');
    await userEvent.type(screen.getByLabelText('Find a repair or a layer'), 'plug failed');
    await userEvent.click(
      screen.getAllByRole('button', { name: /plug/i }).find((b) => b.className.includes('dashed'))!,
    );
    await click('Keep it');
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]?.body).toMatchObject({
      parts: [
        {
          name: 'Plug',
          price: 520,
          least: 0,
          uses: [expect.stringContaining('plug')],
          sources: [],
          fits: [],
        },
      ],
    });
  });

  it('says what a table would change before it is taken in', async () => {
    draw(<OpenDrawer drawer={drawerWith({})} />);
    await click('Paste or drop a table');
    await userEvent.click(screen.getByLabelText('Parts as CSV'));
    await userEvent.paste('name,code,price,count\nCoil B45,CO,42.00,3\nPlug,PL,5.00,');
    await click('Take it');
    expect(screen.getByRole('group', { name: 'What the table would change' }).textContent).toContain(
      '1 new, 1 changed, 1 counted.',
    );
    expect(server.sent).toEqual([]);
    await click('Take them in');
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]?.body).toMatchObject({
      parts: [{ id: COIL.id, price: 4200 }, { name: 'Plug' }],
      counted: [{ part: COIL.id, count: 3 }],
    });
  });
});

describe('the parts of a job', () => {
  const settled = () =>
    benchWith(complains('no-fire'), { kind: 'verdict', body: { settles: 'coil-failed' } });
  const shop = { rules: USUAL_RULES, book: [] };
  const show = (drawer: Drawer) => draw(<PartsOfJob atBench={settled()} drawer={drawer} shop={shop} />);

  it('what lies in the drawer is taken with one tap', async () => {
    show(drawerWith({ parts: [{ ...COIL, onHand: 1 }] }));
    await click('Take it at C1');
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({
      path: `/api/jobs/${JOB.id}/parts`,
      body: { use: 'coil-failed', name: 'Coil B45', part: COIL.id, do: 'reserve' },
    });
  });

  it('what does not goes on the list, from where it comes', async () => {
    show(drawerWith({}));
    await click('Order from Ferrel');
    await waitFor(() => expect(server.sent[0]?.body).toMatchObject({ do: 'to-order', source: 'Ferrel' }));
  });

  it('set aside it is fitted or given back; on its way, one in the house can be taken', async () => {
    show(drawerWith({ needs: [need({ state: 'reserved' })] }));
    expect(screen.getByText('Set aside at C1')).toBeTruthy();
    await click('It is fitted');
    await waitFor(() => expect(server.sent[0]?.path).toBe(`/api/needs/${need({}).id}/fit`));
    cleanup();
    show(
      drawerWith({
        parts: [{ ...COIL, onHand: 1 }],
        needs: [need({ state: 'ordered', expected: '2026-12-01' })],
      }),
    );
    expect(screen.getByText(/On its way, due Tue 1 Dec/)).toBeTruthy();
    await userEvent.click(within(screen.getByRole('list', { name: 'In the house' })).getByRole('button'));
    await waitFor(() => expect(server.sent[1]?.path).toBe(`/api/needs/${need({}).id}/reserve`));
    expect(server.sent[1]?.body).toMatchObject({ part: COIL.id });
  });

  it('what is wanted no longer can only go back; without a part it says so', async () => {
    const none = benchWith(complains('no-fire'));
    draw(<PartsOfJob atBench={none} drawer={drawerWith({})} shop={shop} />);
    expect(screen.getByText(/takes no part/)).toBeTruthy();
    cleanup();
    draw(
      <PartsOfJob atBench={none} drawer={drawerWith({ needs: [need({ state: 'reserved' })] })} shop={shop} />,
    );
    expect(screen.getByText(/not wanted any more/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'It is fitted' })).toBeNull();
    expect(screen.getByRole('button', { name: 'Give it back' })).toBeTruthy();
  });

  it('once the work is done by the log, a part that is still set aside is asked after', async () => {
    const mended = benchWith(complains('no-fire'), {
      kind: 'repair',
      body: { cause: 'coil-failed', outcome: 'cured' },
    });
    draw(
      <PartsOfJob
        atBench={mended}
        drawer={drawerWith({ needs: [need({ state: 'reserved' })] })}
        shop={shop}
      />,
    );
    expect(screen.getByText(/The work is done: is it in\?/)).toBeTruthy();
    await click('It is fitted');
    await waitFor(() => expect(server.sent[0]?.path).toBe(`/api/needs/${need({}).id}/fit`));
  });

  it('a part is put down by hand: from the catalogue, or in words to be looked for', async () => {
    show(drawerWith({ parts: [{ ...COIL, onHand: 1 }], needs: [need({ state: 'fitted' })] }));
    await userEvent.type(screen.getByLabelText('Another part'), 'long screw');
    await click(/“long screw” on the order list/);
    await waitFor(() => expect(server.sent[0]?.body).toMatchObject({ name: 'long screw', do: 'to-order' }));
    expect(server.sent[0]?.body).not.toHaveProperty('use');
  });

  it('what is to be looked for is said to be one of the catalogue', async () => {
    show(drawerWith({ needs: [need({ use: null, part: null, name: 'ignition thing', state: 'to-order' })] }));
    await userEvent.type(screen.getByLabelText('Which part is “ignition thing”?'), 'zzzz');
    expect(screen.getByText('None has that name or code.')).toBeTruthy();
    await userEvent.clear(screen.getByLabelText('Which part is “ignition thing”?'));
    await userEvent.type(screen.getByLabelText('Which part is “ignition thing”?'), COIL.name.slice(0, 4));
    await userEvent.click(
      within(screen.getByRole('list', { name: 'Parts that may be it' })).getAllByRole('button')[0]!,
    );
    await waitFor(() =>
      expect(server.sent[0]).toMatchObject({
        path: `/api/needs/${need({}).id}/name`,
        body: { part: COIL.id },
      }),
    );
  });
});
