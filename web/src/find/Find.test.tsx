import type { Found, MachineLeft, MachineLife, RackTag } from '@rusty-wren/contract';
import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { HereBefore } from '../checkin/HereBefore';
import { CameBack } from '../job/CameBack';
import { aTag, draw, JOB } from '../testing/bench';
import { FindSheet } from './FindSheet';
import { Life } from './MachinePage';

const tag = (n: number, more: Partial<RackTag> = {}): RackTag =>
  aTag(
    { id: `job-${n}`, tag: n },
    {
      stage: 'closed',
      stageSince: '2026-04-20T09:00:00.000Z',
      phase: { kind: 'closed' },
      mended: [{ cause: 'coil-failed' }],
      ...more,
    },
  );
const FOUND: Found = {
  owners: [{ ...JOB.customer, machines: 3, open: 1 }],
  machines: [{ ...JOB.machine, owner: JOB.customer, jobs: 2 }],
  jobs: [tag(101)],
  instead: [{ word: 'farant', took: ['farrant'] }],
};
const LIFE: MachineLife = {
  machine: JOB.machine,
  owner: JOB.customer,
  jobs: [],
  squeezes: [],
  left: [],
  record: { jobs: 0, found: [], squeeze: null, screws: [], parts: [] },
};
/** What the server answers; what was asked of it. */
let answer: () => Response;
const asked: string[] = [];
beforeEach(() => {
  asked.length = 0;
  answer = () => Response.json(FOUND);
  vi.stubGlobal('fetch', async (request: Request) => {
    asked.push(`${new URL(request.url).pathname}${new URL(request.url).search}`);
    return answer();
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

describe('find', () => {
  it('looks once nobody types on, and shows owners, machines and jobs to walk through by keys', async () => {
    let closed = 0;
    draw(<FindSheet onClose={() => closed++} />);
    const field = screen.getByLabelText('Find anything');
    await userEvent.type(field, 'farant');
    expect(await screen.findByText(/looked for farrant/)).toBeTruthy();
    expect(asked).toEqual(['/api/find?words=farant']);
    const hits = ['Owners', 'Machines', 'Jobs'].map((name) =>
      within(screen.getByRole('region', { name })).getByRole('button'),
    );
    expect(hits[2]!.textContent).toContain('Will not fire. Mended: coil failed.');
    await userEvent.keyboard('{ArrowDown}{ArrowDown}');
    expect(document.activeElement).toBe(hits[1]);
    await userEvent.keyboard('{ArrowDown}{ArrowDown}{ArrowDown}');
    expect(document.activeElement).toBe(hits[2]);
    await userEvent.keyboard('{ArrowUp}{ArrowUp}{ArrowUp}');
    expect(document.activeElement).toBe(field);
    await userEvent.keyboard('{Enter}');
    expect(closed).toBe(1);
  });

  it('asks nothing for a letter, and says when there is nothing and when it cannot', async () => {
    draw(<FindSheet onClose={() => undefined} />);
    const field = screen.getByLabelText('Find anything');
    await userEvent.type(field, 'x');
    await new Promise((done) => setTimeout(done, 200));
    expect(asked).toEqual([]);
    answer = () =>
      Response.json({ owners: [], machines: [], jobs: [], instead: [{ word: 'xyzz', took: [] }] });
    await userEvent.type(field, 'yzz');
    expect(await screen.findByText('Nothing for “xyzz”.')).toBeTruthy();
    answer = () => Response.json({ error: 'words is longer than 200 letters.' }, { status: 400 });
    await userEvent.type(field, 'q');
    expect((await screen.findByRole('alert')).textContent).toBe('words is longer than 200 letters.');
  });
});

describe('the life of a machine', () => {
  const life = (more: Partial<MachineLife> = {}): MachineLife => ({
    machine: JOB.machine,
    owner: JOB.customer,
    jobs: [tag(120, { stage: 'hook', phase: { kind: 'prove' } }), tag(101, { standing: ['ring-stuck'] })],
    squeezes: [],
    left: [],
    record: { jobs: 0, found: [], squeeze: null, screws: [], parts: [] },
    ...more,
  });
  const at = (psi: number, notedAt: string) => ({
    machineId: JOB.machine.id,
    tag: 1,
    psi,
    sound: true,
    notedAt,
  });

  it('tells every job, with what was mended and what was left', () => {
    draw(<Life life={life()} />);
    const rows = within(screen.getByRole('region', { name: 'Jobs' })).getAllByRole('listitem');
    expect(rows[0]!.textContent).toContain('Will not fire. Prove it.');
    expect(rows[1]!.textContent).toMatch(/Mended: coil failed. Left: .*20 Apr 2026/i);
    expect(screen.queryByRole('region', { name: 'Squeeze' })).toBeNull();
  });

  it('says what this shop found on the model, in counts, and nothing where it has found none', () => {
    draw(<Life life={life()} />);
    expect(screen.queryByRole('region', { name: 'What this model has' })).toBeNull();
    cleanup();
    const record = {
      jobs: 41,
      found: [{ cause: 'stale-fuel' as const, jobs: 9 }],
      squeeze: { psi: 148, of: 12 },
      screws: [{ screw: 'L' as const, turns: 1.125, from: 1, to: 1.25, of: 7 }],
      parts: [{ name: 'Fuel line', used: 3 }],
    };
    draw(<Life life={life({ record })} />);
    const said = screen.getByRole('region', { name: 'What this model has' }).textContent;
    expect(said).toContain('9 of 41');
    expect(said).toContain('Sound ones read 148 psi (12 measured).');
    expect(said).toContain('the L screw stood 1 1/8 out (mostly 1 to 1 1/4, 7 counted).');
    expect(said).toContain('Took 3 × Fuel line.');
  });

  const left = (more: Partial<MachineLeft> = {}): MachineLeft => ({
    jobId: 'job-101',
    tag: 101,
    at: '2026-04-20T09:00:00.000Z',
    screws: {},
    gap: null,
    proved: true,
    told: [],
    decided: null,
    papers: [],
    photos: [],
    ...more,
  });

  it('draws squeeze, gap and screws over the years, of two legs the one further out', () => {
    draw(<Life life={life()} />);
    expect(screen.queryByRole('region', { name: 'Over the years' })).toBeNull();
    cleanup();
    const squeezes = [at(152, '2024-03-01T09:00:00.000Z'), at(138, '2026-03-01T09:00:00.000Z')];
    const jobs = [
      left({ screws: { L: { found: 0.75, now: 1.125 } }, gap: { mm: [0.3, 0.52], sound: false } }),
      left({ jobId: 'job-120', at: '2026-06-01T09:00:00.000Z', screws: { L: { found: 1.125, now: 1.25 } } }),
    ];
    draw(<Life life={life({ squeezes, left: jobs })} />);
    expect(screen.getAllByRole('img').map((i) => i.getAttribute('aria-label'))).toEqual([
      'Squeeze, psi: 152 psi in Mar 2024, 138 psi in Mar 2026',
      'Coil gap, mm: 0.52 mm in Apr 2026',
      'L screw, turns out: 1 1/8 in Apr 2026, 1 1/4 in Jun 2026',
    ]);
  });

  it('tells what the owner was told and left, and keeps papers and pictures a tap away', () => {
    draw(
      <Life
        life={life({
          left: [
            left({
              told: [{ cause: 'piston-heat-scored', answer: 'told', words: 'Shallow yet' }],
              decided: 'bare',
              papers: ['report', 'work-done'],
              photos: ['f'.repeat(64)],
            }),
            left({ jobId: 'job-120', tag: 120 }),
          ],
        })}
      />,
    );
    const told = screen.getByRole('region', { name: 'Told, and left' });
    expect(within(told).getAllByRole('listitem')).toHaveLength(1);
    expect(told.textContent).toMatch(/scor.*the owner was told: Shallow yet.*Chosen: Make it run/i);
    const kept = within(screen.getByRole('region', { name: 'Papers and pictures' }));
    expect(kept.getByRole('link', { name: 'Report and choices, Work done' }).getAttribute('href')).toBe(
      '/job/job-101/papers',
    );
    expect(kept.getByAltText('Picture 1 of tag 101').getAttribute('src')).toBe(
      `/api/photos/${'f'.repeat(64)}`,
    );
  });
});

describe('a machine that comes in again', () => {
  const say = async (complaints: Parameters<typeof HereBefore>[0]['complaints'], jobs: RackTag[]) => {
    vi.useFakeTimers({ now: new Date('2026-05-02T09:00:00.000Z'), toFake: ['Date'] });
    answer = () => Response.json({ ...LIFE, jobs });
    draw(<HereBefore machine={JOB.machine} complaints={complaints} />);
    return (await screen.findByRole('status')).textContent;
  };

  it('with the same complaint is a comeback, with another it was only here', async () => {
    expect(await say(['no-fire'], [tag(101)])).toContain('It comes back after 12 days: will not fire.');
    cleanup();
    const other = await say(['dies-at-idle'], [tag(101)]);
    expect(other).not.toContain('comes back');
    expect(other).toContain('Mended: coil failed.');
  });

  it('is a comeback on its bench too, as it was when it came in, with the way to the job then', async () => {
    const before = tag(101);
    answer = () => Response.json({ ...LIFE, jobs: [tag(120, { stage: 'bench' }), before] });
    const job = { ...JOB, id: 'job-120', checkedInAt: '2026-05-02T09:00:00.000Z' };
    const complaints = [{ entryId: 'c', complaint: 'no-fire' as const, said: ['c'] }];
    draw(<CameBack job={job} picture={{ complaints }} />);
    const then = await screen.findByRole('link', { name: 'Then it was 101' });
    expect(then.getAttribute('href')).toBe('/job/job-101');
    expect(then.parentElement!.textContent).toContain('It comes back after 12 days: will not fire.');
  });

  it('with a fault that was left is one too; one that hangs here is said so; one never seen is new', async () => {
    expect(await say(['dies-at-idle'], [tag(101, { standing: ['ring-stuck'] })])).toMatch(
      /left then, .*ring/i,
    );
    cleanup();
    expect(await say([], [tag(120, { stage: 'bench' })])).toContain('It hangs on the rack already: 120');
    cleanup();
    expect(await say([], [])).toContain('Not here before.');
  });
});
