import type { RackTag } from '@rusty-wren/contract';
import type { Phase } from '@rusty-wren/core/log';
import { act, cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api } from '../api/api';
import { aTag, draw, JOB } from '../testing/bench';
import { Closed } from './Closed';
import { Rack } from './Rack';
import { askedWords, coldStartDueNow, phaseWords } from './words';

const NOW = '2026-05-06T09:00:00.000Z';

const tag = (n: number, more: Partial<RackTag> & { owner?: string; model?: string } = {}): RackTag => {
  const { owner = 'Odile Farrant', model = `B${n}`, ...rest } = more;
  return aTag(
    {
      id: `job-${n}`,
      tag: n,
      customer: { ...JOB.customer, name: owner },
      machine: { ...JOB.machine, id: `m-${n}`, model, serial: `S-${n}` },
    },
    {
      stage: 'bench',
      lead: { cause: 'coil-failed', probability: 0.41 },
      phase: { kind: 'check', check: 'spark-tester', minutes: 3 },
      ...rest,
    },
  );
};
const TAGS: readonly RackTag[] = [
  tag(101),
  tag(102, { owner: 'Peder Lune', model: 'Fell 52', safety: ['catcher gone'] }),
  tag(103, { stage: 'parts', waitingFor: 'fuel line, Friday' }),
  tag(104, { stage: 'proof', phase: { kind: 'prove' }, coldStart: { notBefore: null } }),
];

async function drawRack(which: 'open' | 'closed', tags: readonly RackTag[]) {
  const store = draw(which === 'open' ? <Rack /> : <Closed />);
  await act(async () => {
    if (which === 'open') await store.dispatch(api.util.upsertQueryData('rack', undefined, [...tags]));
    else {
      const pages = { pages: [{ tags: [...tags], next: null }], pageParams: [null] };
      await store.dispatch(api.util.upsertQueryData('closed', '', pages));
    }
  });
  return store;
}
const hung = (): string[] =>
  [...document.querySelectorAll('[data-tag]')].map((t) => t.getAttribute('data-tag') ?? '');
const filter = (name: string) =>
  within(screen.getByRole('group', { name: 'Show only' })).getByRole('button', {
    name: new RegExp(`^${name}`),
  });

beforeEach(() => {
  // Only what is put in the cache is there: nothing is asked of a server.
  vi.stubGlobal('fetch', () => new Promise(() => undefined));
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('the rack', () => {
  it('hangs what needs a hand apart from what waits, and says what each asks for', async () => {
    await drawRack('open', TAGS);
    const rail = (name: string) => screen.getByRole('region', { name });
    expect(within(rail('Needs a hand')).getAllByRole('link')).toHaveLength(3);
    expect(within(rail('Waiting on others')).getByRole('link').textContent).toContain('fuel line, Friday');
    const first = within(rail('Needs a hand')).getByRole('link', { name: /^101/ });
    expect(first.textContent).toContain('Look at the spark');
    expect(first.textContent).toContain('3 min');
    // A safety fault stands on the tag, and is told to who cannot see its colour.
    const faulty = within(rail('Needs a hand')).getByRole('link', { name: /safety fault: catcher gone/ });
    expect(faulty.textContent).toContain('catcher gone');
  });

  it('is found as one types: by tag, owner with a slip, model and serial', async () => {
    await drawRack('open', TAGS);
    const field = screen.getByLabelText('Find a tag');
    for (const [written, found] of [
      ['103', ['103']],
      ['peder lunne', ['102']],
      ['fell', ['102']],
      ['S-104', ['104']],
    ] as const) {
      await userEvent.clear(field);
      await userEvent.type(field, written);
      expect(hung()[0], written).toBe(found[0]);
    }
    await userEvent.clear(field);
    await userEvent.type(field, 'zzzz');
    expect(hung()).toEqual([]);
    expect(screen.getByText(/No tag for “zzzz” here/)).toBeTruthy();
    await userEvent.keyboard('{Escape}');
    expect(hung()).toHaveLength(4);
  });

  it('is narrowed by a tap, and widened by another', async () => {
    await drawRack('open', TAGS);
    for (const [name, found] of [
      ['Waiting', ['103']],
      ['Cold start due', ['104']],
      ['Safety', ['102']],
      ['Needs a hand', ['101', '102', '104']],
    ] as const) {
      await userEvent.click(filter(name));
      expect(hung(), name).toEqual(found);
      await userEvent.click(filter(name));
    }
    expect(hung()).toHaveLength(4);
  });

  it('offers to check a machine in when every hook is empty', async () => {
    await drawRack('open', []);
    expect(screen.getByRole('link', { name: 'Check a machine in' })).toBeTruthy();
  });
});

describe('closed jobs', () => {
  it('say when there is none', async () => {
    await drawRack('closed', []);
    expect(screen.getByText('Nothing closed yet')).toBeTruthy();
  });

  it('are found by the server, by what was written', async () => {
    const asked: string[] = [];
    vi.stubGlobal('fetch', async (request: Request) => {
      asked.push(new URL(request.url).search);
      return Response.json({ tags: [], next: null });
    });
    await drawRack('closed', [tag(90, { stage: 'closed', phase: { kind: 'closed' } })]);
    await userEvent.type(screen.getByLabelText('Find a closed job'), 'zzzz');
    expect(await screen.findByText('No closed job for “zzzz”.')).toBeTruthy();
    expect(asked.at(-1)).toBe('?show=closed&words=zzzz');
  });
});

describe('what a tag says it asks for', () => {
  const words = (phase: Phase, coldStart: RackTag['coldStart'] = null) =>
    phaseWords({ phase, coldStart }, NOW);
  it('is the same as on its bench, for every phase', () => {
    const settled = { entryId: 'e', cause: 'plug-fouled', outcome: null } as const;
    const off = [{ entryId: 'e', name: 'Muffler' }];
    const said: { [K in Phase['kind']]: [Extract<Phase, { kind: K }>, string] } = {
      check: [{ kind: 'check', check: 'fuel-smell', minutes: 0.5 }, 'Smell the fuel, ½ min'],
      stop: [
        { kind: 'stop', stop: { why: 'try', cause: 'plug-fouled', causes: ['plug-fouled'] } },
        'Does it still do it?',
      ],
      settle: [{ kind: 'settle' }, 'Settle on a cause'],
      'set-right': [
        {
          kind: 'set-right',
          what: { cause: 'coil-gap-wide', check: 'coil-gap', wrong: 'e1', right: 'e2' },
        },
        'Set right, or read wrong? Coil air gap too wide',
      ],
      safety: [
        {
          kind: 'safety',
          fault: { entryId: 'e', words: 'chain catcher broken', told: false, refused: null },
        },
        'Safety first: chain catcher broken',
      ],
      repair: [{ kind: 'repair', settled }, 'Mend: plug fouled'],
      left: [{ kind: 'left', causes: ['plug-fouled'], because: 'told' }, 'The owner was told: plug fouled'],
      behind: [
        { kind: 'behind', cause: 'piston-heat-scored', open: ['intake-leak'] },
        'What caused it? Piston scored by heat',
      ],
      together: [{ kind: 'together', off }, 'Put it together: one thing is off'],
      prove: [{ kind: 'prove' }, 'Prove it'],
      close: [{ kind: 'close' }, 'Ready to go home'],
      closed: [{ kind: 'closed' }, 'Closed'],
    };
    for (const [phase, says] of Object.values(said)) expect(words(phase), phase.kind).toBe(says);
    expect(
      words({ kind: 'repair', settled: { entryId: 'e', other: 'bolt in the fan', outcome: null } }),
    ).toBe('Mend: bolt in the fan');
  });

  it('a cold start is due from the minute the engine is cold', () => {
    const prove: Phase = { kind: 'prove' };
    for (const [notBefore, due] of [
      [null, true],
      [NOW, true],
      ['2026-05-06T09:00:01.000Z', false],
    ] as const) {
      expect(coldStartDueNow({ phase: prove, coldStart: { notBefore } }, NOW), String(notBefore)).toBe(due);
      expect(words(prove, { notBefore })).toMatch(
        due ? /^Cold start due$/ : /^Cold start after Wed \d\d:\d\d$/,
      );
    }
    expect(coldStartDueNow({ phase: prove, coldStart: null }, NOW)).toBe(false);
  });
});

describe('an owner who was asked', () => {
  const asked = (days: number, phone: string | null) =>
    askedWords(
      {
        stage: 'answer',
        stageSince: new Date(Date.parse(NOW) - days * 86_400_000).toISOString(),
        job: { ...JOB, customer: { ...JOB.customer, phone } },
      },
      NOW,
    );
  it('is waited for so long, and can be rung', () => {
    expect(asked(0, null)).toBe('asked today');
    expect(asked(1, 'ext. 22')).toBe('asked yesterday, ring ext. 22');
    expect(asked(6, 'ext. 22')).toBe('asked 6 days ago, ring ext. 22');
    expect(askedWords({ ...tag(1), stage: 'parts' }, NOW)).toBeNull();
  });
});
