import type { Day as DayBooks, Drawer, NeedOfJob, RackTag } from '@rusty-wren/contract';
import type { Stocked } from '@rusty-wren/core/parts';
import { helpsOf, planned, type Help } from '@rusty-wren/core/schedule';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { aTag, draw, JOB } from '../testing/bench';
import { fakeServer } from '../testing/server';
import { HoursSheet } from './HoursSheet';
import { NowAndThen } from './NowAndThen';
import { Promises } from './Promises';
import { Strips } from './Strips';
import { WeeksAhead } from './WeeksAhead';
import { dayWork, hoursOf, zeroOf } from './work';

let server: ReturnType<typeof fakeServer>;
beforeEach(() => {
  server = fakeServer({ hours: [], pins: [], plan: null });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

/** A Friday at ten. */
const ZERO = new Date(2026, 10, 27, 10, 0).getTime();
const ANN = { id: '00000000-0000-4000-8000-00000000000a', name: 'Ann' };
const BO = { id: '00000000-0000-4000-8000-00000000000b', name: 'Bo' };
const BOOKS: DayBooks = { hours: [], pins: [], rooms: { bath: 1, outdoors: 2 }, plan: null };
const DRAWER: Drawer = { parts: [], orders: [], needs: [], used: [] };
const jobId = (n: number): string => `00000000-0000-4000-8000-0000000001${n}`;
const tag = (n: number, more: Partial<RackTag> = {}): RackTag =>
  aTag(
    { id: jobId(n), tag: n, customer: { ...JOB.customer, phone: 'ext. 7' } },
    { complaints: [], lead: { cause: 'coil-failed', probability: 0.6 }, ...more },
  );
/** The coil that 11 wants. */
const coilFor11 = (more: Partial<NeedOfJob>): NeedOfJob => ({
  id: 'n',
  jobId: jobId(11),
  use: null,
  name: 'Coil',
  part: 'p',
  count: 1,
  state: 'to-order',
  source: null,
  expected: null,
  tag: 11,
  owner: '',
  machine: '',
  promisedFor: null,
  ...more,
});
const promisedFor = (n: number, day: string): RackTag => {
  const t = tag(n);
  return { ...t, job: { ...t.job, promisedFor: day } };
};
function planOf(tags: readonly RackTag[], books = BOOKS, drawer = DRAWER) {
  const { work, waiting, calendar } = dayWork({ tags, drawer, day: books, accounts: [ANN, BO] }, ZERO);
  const { slots } = planned(work, { tries: 100 });
  const known = {
    tags: new Map(tags.map((t) => [t.job.id, t])),
    tasks: new Map(work.tasks.map((t) => [t.id, t])),
    zero: ZERO,
  };
  return { work, waiting, calendar, slots, known };
}

describe('the work of the day', () => {
  it('begins at the quarter of an hour, in everybody’s hours', () => {
    expect(zeroOf(ZERO + 14 * 60_000)).toBe(ZERO);
    const { work } = planOf([tag(11)]);
    expect(work.crew.map((c) => c.windows[0])).toEqual([
      [0, 120],
      [0, 120],
    ]);
    expect(work.crew[0]!.windows[2]![0]).toBe(3 * 1440 - 120);
    const off = { ...BOOKS, hours: [{ account: BO.id, hours: { week: [], off: [] } }] };
    expect(planOf([tag(11)], off).work.crew.map((c) => c.id)).toEqual([ANN.id]);
    expect(hoursOf(BOOKS, ANN.id).week).toHaveLength(10);
  });

  it('waits for its part until the morning it is due', () => {
    const waiting = tag(11, {
      stage: 'parts',
      phase: { kind: 'repair', settled: { entryId: 'e', cause: 'coil-failed', outcome: null } },
    });
    const need = coilFor11({ state: 'ordered', expected: '2026-11-30' });
    const { work } = planOf([waiting], BOOKS, { ...DRAWER, needs: [need] });
    expect(work.tasks[0]!.release).toBe(3 * 1440 - 60);
    expect(planOf([waiting]).waiting).toEqual([{ job: jobId(11), for: 'parts' }]);
  });

  it('what was put somewhere by hand stays there', () => {
    const from = new Date(ZERO + 60 * 60_000).toISOString();
    const pin = { task: `${jobId(11)} look`, jobId: jobId(11), account: BO.id, from };
    const { slots } = planOf([tag(11)], { ...BOOKS, pins: [pin] });
    expect(slots.find((s) => s.task === pin.task)).toMatchObject({ crew: BO.id, start: 60 });
  });
});

describe('now, then', () => {
  it('names the first thing, large, and what comes after it, of whoever is at the bench', () => {
    const { slots, known } = planOf([tag(11), tag(12)], {
      ...BOOKS,
      hours: [{ account: BO.id, hours: { week: [], off: [] } }],
    });
    draw(<NowAndThen slots={slots} me={ANN.id} known={known} />);
    expect(screen.getByRole('heading', { level: 2, name: 'Smell the fuel' })).toBeTruthy();
    expect(
      within(screen.getByRole('region', { name: 'Then' })).getAllByRole('listitem').length,
    ).toBeGreaterThan(1);
    cleanup();
    draw(<NowAndThen slots={slots} me={BO.id} known={known} />);
    expect(screen.getByText('Nothing is left for today')).toBeTruthy();
  });

  it('says what cools, and until when', () => {
    const cold = tag(11, {
      phase: { kind: 'prove' },
      coldStart: { notBefore: new Date(ZERO + 90 * 60_000).toISOString() },
    });
    const { slots, known } = planOf([cold, tag(12)]);
    draw(<NowAndThen slots={slots} me={ANN.id} known={known} />);
    expect(screen.getByRole('region', { name: 'While that cools' }).textContent).toContain(
      '11 cold at 11:30',
    );
  });
});

describe('promises', () => {
  const stand = (chance: number) => ({
    promises: [{ job: jobId(11), chance, half: 100, ninety: 200 }],
    newcomer: 400,
  });
  const rest = { helps: null, waiting: [], drawer: DRAWER, accounts: [ANN, BO] } as const;
  it('names the shaky ones with whom to ring, and when it is safe', () => {
    const { work, known } = planOf([promisedFor(11, '2026-11-27')]);
    const ring: Help = { job: jobId(11), how: { kind: 'ring' }, chance: 0.3, breaks: [] };
    draw(<Promises {...rest} work={work} stand={stand(0.3)} helps={[ring]} known={known} />);
    const said = screen.getByRole('region', { name: 'Promises' }).textContent;
    expect(said).toContain('3 in 10');
    expect(said).toContain('Ring Odile Farrant, ext. 7');
    expect(said).toContain('Safe on Fri 27 Nov');
    expect(said).toContain('promise it for Fri 27 Nov');
  });

  it('says what would help, and what that would cost', () => {
    const need = coilFor11({});
    const { work, known } = planOf([promisedFor(11, '2026-11-27'), tag(12)]);
    const said = (how: Help['how'], over: Partial<Help> = {}, at = known): string => {
      cleanup();
      const help: Help = { job: jobId(11), how, chance: 0.9, breaks: [], ...over };
      draw(
        <Promises
          {...rest}
          work={work}
          stand={stand(0.3)}
          helps={[help]}
          known={at}
          drawer={{ ...DRAWER, needs: [need] }}
        />,
      );
      return screen.getByRole('region', { name: 'Promises' }).textContent;
    };
    expect(said({ kind: 'first' }, { breaks: [jobId(12)] })).toContain(
      'Do it first: then 9 in 10, but 12 will not hold. ',
    );
    expect(said({ kind: 'longer', crew: BO.id, minutes: 60 })).toContain(
      'Bo an hour longer today: then 9 in 10. ',
    );
    expect(said({ kind: 'order' })).toContain('Order today: Coil: then 9 in 10. ');
    const proof = planOf([{ ...promisedFor(11, '2026-11-27'), phase: { kind: 'prove' } }]);
    expect(said({ kind: 'first' }, {}, proof.known)).toContain(
      'Run it first, so that it cools: then 9 in 10.',
    );
  });

  it('what waits for a part nobody has ordered says what ordering it today would do', () => {
    const coil: Stocked = {
      id: 'p',
      name: 'Coil',
      uses: [],
      fits: [],
      holds: [],
      least: 0,
      price: 1000,
      sources: [{ name: 'Fenwright', waitDays: 2 }],
      instead: [],
      onHand: 0,
      held: 0,
    };
    const need = coilFor11({ promisedFor: '2026-12-02' });
    const waits = {
      ...promisedFor(11, '2026-12-02'),
      stage: 'parts' as const,
      waitingFor: 'Coil (to be ordered)',
    };
    const drawer = { ...DRAWER, parts: [coil], needs: [need] };
    const { work, slots, waiting, known } = planOf([waits, tag(12)], BOOKS, drawer);
    // Two working days from Friday: Tuesday morning.
    expect(waiting[0]!.ifOrdered!.tasks[0]!.release).toBe(4 * 1440 - 60);
    const helps = helpsOf(work, slots, [], { ifOrdered: [waiting[0]!.ifOrdered!], runs: 100 });
    draw(
      <Promises
        {...rest}
        work={work}
        stand={null}
        helps={helps}
        waiting={waiting}
        drawer={drawer}
        known={known}
      />,
    );
    expect(screen.getByText('Order today: Coil').parentElement!.textContent).toMatch(/then safe\.$/);
  });

  it('says that all hold, that one is late already, and what waits', () => {
    const { work, known } = planOf([promisedFor(11, '2026-11-30')]);
    draw(
      <Promises
        {...rest}
        work={work}
        stand={stand(0.99)}
        waiting={[{ job: jobId(11), for: 'answer' }]}
        known={known}
      />,
    );
    expect(screen.getByText('All 1 hold.')).toBeTruthy();
    expect(screen.getByText(/Odile Farrant: asked/)).toBeTruthy();
    cleanup();
    const late = planOf([promisedFor(11, '2026-11-24')]);
    draw(<Promises {...rest} work={late.work} stand={stand(0)} known={late.known} />);
    expect(screen.getByText('late already')).toBeTruthy();
  });
});

describe('the strips', () => {
  it('show each piece with its time; from its sheet it is put first, later, to another, or left to the plan again', async () => {
    const pin = {
      task: `${jobId(11)} look`,
      jobId: jobId(11),
      account: ANN.id,
      from: new Date(ZERO + 30 * 60_000).toISOString(),
    };
    const books = { ...BOOKS, pins: [pin] };
    const { slots, work, calendar, known } = planOf([tag(11)], books);
    draw(
      <Strips
        slots={slots}
        work={work}
        calendar={calendar}
        accounts={[ANN, BO]}
        pins={books.pins}
        known={known}
      />,
    );
    await userEvent.click(
      screen.getByRole('button', { name: /^11, Find what is wrong, 10:30.*put there by hand/ }),
    );
    await userEvent.click(screen.getByRole('button', { name: 'Half an hour later' }));
    await waitFor(() => expect(server.sent).toHaveLength(1));
    expect(server.sent[0]).toMatchObject({
      method: 'PUT',
      path: '/api/day/pins',
      body: { task: pin.task, account: ANN.id, from: new Date(ZERO + 60 * 60_000).toISOString() },
    });
    await userEvent.click(screen.getByRole('button', { name: 'To Bo' }));
    await waitFor(() =>
      expect(server.sent[1]?.body).toMatchObject({ account: BO.id, from: new Date(ZERO).toISOString() }),
    );
    await userEvent.click(screen.getByRole('button', { name: 'As the plan would' }));
    await waitFor(() => expect(server.sent[2]?.method).toBe('DELETE'));
  });
});

describe('the weeks ahead', () => {
  it('say how full each working day is, and what is promised for it', () => {
    const tags = [...Array.from({ length: 9 }, (_, n) => tag(20 + n)), promisedFor(11, '2026-12-02')];
    const { work, slots, calendar, known } = planOf(tags);
    draw(<WeeksAhead work={work} slots={slots} calendar={calendar} skip={1} known={known} />);
    const days = within(screen.getByRole('list', { name: 'Weeks ahead' })).getAllByRole('listitem');
    expect(days).toHaveLength(10);
    // The weekend is left out.
    expect(days[0]!.textContent).toContain('Mon 30');
    expect(within(days[0]!).getByRole('img').getAttribute('aria-label')).toMatch(/^[1-9]\d? % taken$/);
    expect(days[2]!.textContent).toContain('11');
    expect(within(days[9]!).getByRole('img').getAttribute('aria-label')).toBe('0 % taken');
  });
});

describe('rooms', () => {
  it('are said for the bath and the spots outdoors; without a bath nothing soaks', async () => {
    draw(<HoursSheet day={BOOKS} accounts={[ANN, BO]} me={BO.id} onClose={() => undefined} />);
    await userEvent.selectOptions(screen.getByLabelText('Machines in the bath at once'), 'none');
    await waitFor(() =>
      expect(server.sent[0]).toMatchObject({ path: '/api/day/rooms', body: { bath: 0, outdoors: 2 } }),
    );
    const gummed = tag(11, {
      phase: { kind: 'repair', settled: { entryId: 'e', cause: 'idle-circuit-blocked', outcome: null } },
    });
    const kinds = (bath: number) =>
      planOf([gummed], { ...BOOKS, rooms: { bath, outdoors: 2 } }).work.tasks.map((t) => t.kind);
    expect(kinds(1)).toContain('soak');
    expect(kinds(0)).not.toContain('soak');
  });
});

describe('hours', () => {
  it('are written as shifts; what is none is said with its day, and nothing is server.sent', async () => {
    draw(<HoursSheet day={BOOKS} accounts={[ANN, BO]} me={BO.id} onClose={() => undefined} />);
    const monday = screen.getByLabelText('Mon');
    expect((monday as HTMLInputElement).value).toBe('08:00-12:00, 13:00-17:00');
    const keep = () => userEvent.click(screen.getByRole('button', { name: 'Keep them' }));
    for (const [text, says] of [
      ['noon', 'Mon: "noon" is no shift, as in 08:00-12:00.'],
      ['12-8', 'Mon: "12-8" is no shift, as in 08:00-12:00.'],
      ['8-12, 11-13', 'Mon: "11-13" overlaps another.'],
    ] as const) {
      await userEvent.clear(monday);
      await userEvent.type(monday, text);
      await keep();
      expect(screen.getByRole('alert').textContent).toBe(says);
    }
    expect(server.sent).toEqual([]);
    await userEvent.clear(monday);
    await userEvent.type(monday, '9-12:30');
    await keep();
    await waitFor(() => expect(server.sent[0]?.path).toBe(`/api/day/hours/${BO.id}`));
    expect((server.sent[0]!.body as { week: unknown[] }).week).toContainEqual({ day: 1, from: 540, to: 750 });
  });
});
