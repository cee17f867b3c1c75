import { randomUUID } from 'node:crypto';
import { entrySchema, type NewEntry } from '@rusty-wren/contract';
import type { Bodies, EntryKind } from '@rusty-wren/core/log';
import { readShorthand } from '@rusty-wren/core/shorthand';
import type pg from 'pg';
import { inTransaction, type Pool } from '../db/pool';
import { checkIn } from '../jobs/checkIn';
import { OWNERS, SPEC_CARDS, TECHNICIANS, type DemoMachine, type DemoOwner } from './people';
import { SCENARIOS, type Happening, type Scenario } from './scenarios';

type Plain = { [K in EntryKind]: { kind: K; body: Bodies[K] } }[EntryKind];

const DAY_MS = 86_400_000;
const STEP_MS = 4 * 60_000;

function plain(happening: Exclude<Happening, { strike: string } | { laterHours: number }>): Plain {
  const line = typeof happening === 'string' ? happening : 'line' in happening ? happening.line : null;
  if (line !== null) {
    const understood = readShorthand(line);
    if (!understood.ok) throw new Error(`demo line "${line}": ${understood.says}`);
    return understood.entry;
  }
  if (typeof happening === 'string' || 'line' in happening) throw new Error('unreachable');
  if ('complaint' in happening) return { kind: 'complaint', body: happening };
  if ('history' in happening) return { kind: 'history', body: { answers: happening.history } };
  if ('repair' in happening) {
    const { repair, ...rest } = happening;
    return { kind: 'repair', body: { cause: repair, ...rest } };
  }
  if ('settles' in happening || 'behind' in happening) return { kind: 'verdict', body: happening };
  if ('stage' in happening) return { kind: 'stage', body: happening };
  return {
    kind: 'finding',
    body: { check: 'safety-walkround', result: 'fault', sureness: 'sure', note: happening.fault },
  };
}

/** The entries of a scenario, a few minutes apart, ending before `now`. Throws on a line shorthand cannot read. */
export function entriesOf(scenario: Scenario, now: Date, by: string): NewEntry[] {
  const start = new Date(now.getTime() - scenario.daysAgo * DAY_MS);
  start.setHours(8, 40, 0, 0);
  const steps = scenario.happenings.length * STEP_MS;
  let at = Math.min(start.getTime(), now.getTime() - steps);
  const marks = new Map<string, string>();
  return scenario.happenings.flatMap((happening): NewEntry[] => {
    if (typeof happening === 'object' && 'laterHours' in happening) {
      at += happening.laterHours * 3_600_000;
      return [];
    }
    at += STEP_MS;
    const common = { id: randomUUID(), notedAt: new Date(at).toISOString(), by };
    if (typeof happening === 'object' && 'strike' in happening) {
      const strikes = marks.get(happening.strike);
      if (!strikes) throw new Error(`demo strikes an unknown mark: ${happening.strike}`);
      return [{ ...common, kind: 'strike', strikes, body: { reason: happening.reason } }];
    }
    if (typeof happening === 'object' && 'mark' in happening) marks.set(happening.mark, common.id);
    return [{ ...common, ...plain(happening) }];
  });
}

async function insertOwner(client: pg.PoolClient, owner: DemoOwner): Promise<Map<string, string>> {
  const customer = randomUUID();
  await client.query('INSERT INTO customer (id, name, circle, phone) VALUES ($1, $2, $3, $4)', [
    customer,
    owner.name,
    owner.circle,
    owner.phone,
  ]);
  const ids = new Map([['owner', customer]]);
  for (const [key, m] of Object.entries<DemoMachine>(owner.machines)) {
    const id = randomUUID();
    ids.set(key, id);
    await client.query(
      'INSERT INTO machine (id, customer_id, kind, maker, model, serial, displacement_cc) VALUES ($1, $2, $3, $4, $5, $6, $7)',
      [id, customer, m.kind, m.maker, m.model, m.serial, m.cc],
    );
  }
  return ids;
}

/** Fills an empty database with the demo world, with dates relative to `now`. Does nothing when anybody is on the books. */
export async function loadDemo(pool: Pool, now: Date): Promise<boolean> {
  return inTransaction(pool, async (client) => {
    // Two processes starting at once load one demo.
    await client.query('LOCK TABLE account IN EXCLUSIVE MODE');
    const taken = await client.query(
      'SELECT (SELECT count(*) FROM account) + (SELECT count(*) FROM customer) AS n',
    );
    if (Number((taken.rows[0] as { n: string }).n) > 0) return false;
    const accounts = new Map<string, string>();
    for (const name of TECHNICIANS) {
      const id = randomUUID();
      accounts.set(name, id);
      await client.query('INSERT INTO account (id, name) VALUES ($1, $2)', [id, name]);
    }
    for (const { maker, model, figures, source } of SPEC_CARDS)
      await client.query('INSERT INTO spec_card (maker, model, figures, source) VALUES ($1, $2, $3, $4)', [
        maker,
        model,
        JSON.stringify(figures),
        source,
      ]);
    const owners = new Map<string, Map<string, string>>();
    for (const [key, owner] of Object.entries<DemoOwner>(OWNERS))
      owners.set(key, await insertOwner(client, owner));
    for (const scenario of SCENARIOS)
      await loadScenario(client, scenario, now, owners, accounts.get(scenario.by) ?? '');
    return true;
  });
}

async function loadScenario(
  client: pg.PoolClient,
  scenario: Scenario,
  now: Date,
  owners: ReadonlyMap<string, ReadonlyMap<string, string>>,
  by: string,
): Promise<void> {
  const [owner, machine] = scenario.machine;
  const ids = owners.get(owner);
  const entries = entriesOf(scenario, now, by);
  for (const entry of entries) {
    const { error } = entrySchema.validate(entry, { convert: false });
    if (error) throw new Error(`demo entry ${JSON.stringify(entry)}: ${error.message}`);
  }
  const promised =
    scenario.promisedIn === undefined ? undefined : new Date(now.getTime() + scenario.promisedIn * DAY_MS);
  await checkIn(client, {
    jobId: randomUUID(),
    customer: { id: ids?.get('owner') ?? '' },
    machine: { id: ids?.get(machine) ?? '' },
    ...(promised && { promisedFor: promised.toISOString().slice(0, 10) }),
    entries,
  });
}
