import { randomUUID } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { hashOfSecret } from '../access/secret';
import { entrySchema, type LearntFile, type NewEntry } from '@rusty-wren/contract';
import type { MachineFacts } from '@rusty-wren/core/machine';
import { guidedRun, standInOf, standInScrews, trackOf } from '@rusty-wren/core/engine';
import { diagnose } from '@rusty-wren/core/diagnosis';
import {
  caseOf,
  makeEntry,
  paperHash,
  readJob,
  unnumbered,
  type Noted,
  type PaperKind,
  type Stage,
} from '@rusty-wren/core/log';
import { paperFor } from '@rusty-wren/core/paper';
import { readShorthand } from '@rusty-wren/core/shorthand';
import { thinTrack } from '@rusty-wren/core/tuning';
import { USUAL_RULES } from '@rusty-wren/core/worth';
import type pg from 'pg';
import { inTransaction, type Pool } from '../db/pool';
import { checkIn } from '../jobs/checkIn';
import { appendEntries } from '../jobs/note';
import { hangPhoto } from '../photos/keep';
import { DRAWN, drawPhoto, type DrawnId } from './drawn';
import { MODEL_NOTES, OWNERS, SPEC_CARDS, WORKERS, type DemoMachine, type DemoOwner } from './people';
import type { Happening, Scenario } from './happening';
import { loadParts } from './parts';
import { PAST } from './past';
import { SCENARIOS } from './scenarios';

const DAY_MS = 86_400_000;
const STEP_MS = 4 * 60_000;

/** The stand-in engine of a machine listened to, its screws as the log so far has them. */
function heard(machine: DemoMachine, soFar: readonly NewEntry[]): Noted {
  const facts: MachineFacts = { kind: machine.kind, displacementCc: machine.cc };
  const engine = standInOf(facts, machine.serial);
  const { ledger } = readJob(soFar.map(unnumbered), facts);
  const { track, seconds } = trackOf(guidedRun(engine, standInScrews(engine.make, ledger)));
  return { kind: 'heard', body: { track: thinTrack(track), seconds, by: 'stand-in' } };
}

/** A paper given on the log so far. */
function given(paper: PaperKind, m: DemoMachine, owner: string, soFar: readonly NewEntry[]): Noted {
  const facts: MachineFacts = { kind: m.kind, displacementCc: m.cc };
  const picture = readJob(soFar.map(unnumbered), facts);
  const benchCase = caseOf(picture, []);
  const made = paperFor(paper, {
    picture,
    benchCase,
    suspects: diagnose(benchCase).suspects,
    machine: { ...facts, maker: m.maker, model: m.model },
    kindWords: m.kind.replace('-', ' '),
    // The number is given when it is checked in.
    tag: 0,
    owner,
    rules: USUAL_RULES,
    book: [],
    url: 'http://localhost/',
    promised: null,
  });
  const title = made.title.replace(/, tag 0$/, '');
  return { kind: 'paper', body: { paper, title, blocks: made.blocks, hash: paperHash({ ...made, title }) } };
}

type Plainly = Exclude<
  Happening,
  | { strike: string }
  | { laterHours: number }
  | { heard: 'stand-in' }
  | { photo: DrawnId }
  | { given: PaperKind }
>;

/** The photos of the demo, drawn. */
export type Drawn = Record<DrawnId, Awaited<ReturnType<typeof drawPhoto>>>;

/** Draws every photo of the demo. */
export async function drawAll(): Promise<Drawn> {
  const [link, diaphragm] = await Promise.all([drawPhoto(DRAWN.link), drawPhoto(DRAWN.diaphragm)]);
  return { link, diaphragm };
}

function plain(happening: Plainly): Noted {
  const line = typeof happening === 'string' ? happening : 'line' in happening ? happening.line : null;
  if (line !== null) {
    const understood = readShorthand(line);
    if (!understood.ok) throw new Error(`demo line "${line}": ${understood.says}`);
    const [entry, ...more] = understood.entries;
    if (!entry || more.length > 0) throw new Error(`demo line "${line}": one thing a line`);
    return entry;
  }
  if (typeof happening === 'string' || 'line' in happening) throw new Error('unreachable');
  if ('complaint' in happening) return { kind: 'complaint', body: happening };
  if ('history' in happening) return { kind: 'history', body: { answers: happening.history } };
  if ('repair' in happening) {
    const { repair, ...rest } = happening;
    return { kind: 'repair', body: { cause: repair, ...rest } };
  }
  if ('settles' in happening || 'behind' in happening) return { kind: 'verdict', body: happening };
  if ('proved' in happening) return { kind: 'proved', body: { step: happening.proved } };
  if ('carburettor' in happening) return { kind: 'carburettor', body: happening.carburettor };
  if ('rebuild' in happening) return { kind: 'rebuild-step', body: { step: happening.rebuild } };
  if ('renew' in happening) return { kind: 'rebuild-step', body: { step: 'renew', answer: happening.renew } };
  if ('order' in happening) return { kind: 'rebuild-step', body: { step: 'order', answer: happening.order } };
  if ('renewed' in happening) return { kind: 'put-back', body: { layer: happening.renewed, renewed: true } };
  if ('worth' in happening) return { kind: 'worth', body: happening.worth };
  if ('decided' in happening) return { kind: 'decision', body: happening.decided };
  if ('answered' in happening) return { kind: 'answered', body: happening.answered };
  if ('stage' in happening) return { kind: 'stage', body: happening };
  return {
    kind: 'finding',
    body: { check: 'safety-walkround', result: 'fault', sureness: 'sure', note: happening.fault },
  };
}

/** The entries of a scenario, a few minutes apart, ending before `now`. Throws on a line shorthand cannot read. */
export function entriesOf(
  scenario: Scenario,
  { machine, owner }: { machine: DemoMachine; owner: string },
  now: Date,
  by: string,
  drawn: Drawn,
): NewEntry[] {
  const start = new Date(now.getTime() - scenario.daysAgo * DAY_MS);
  start.setHours(8, 40, 0, 0);
  const steps = scenario.happenings.length * STEP_MS;
  let at = Math.min(start.getTime(), now.getTime() - steps);
  const marks = new Map<string, string>();
  const entries: NewEntry[] = [];
  for (const happening of scenario.happenings) {
    if (typeof happening === 'object' && 'laterHours' in happening) {
      at += happening.laterHours * 3_600_000;
      continue;
    }
    at += STEP_MS;
    const common = { id: randomUUID(), notedAt: new Date(at).toISOString(), by };
    if (typeof happening === 'object' && 'strike' in happening) {
      const strikes = marks.get(happening.strike);
      if (!strikes) throw new Error(`demo strikes an unknown mark: ${happening.strike}`);
      entries.push(makeEntry({ kind: 'strike', body: { reason: happening.reason } }, { ...common, strikes }));
      continue;
    }
    if (typeof happening === 'object' && 'heard' in happening) {
      entries.push(makeEntry(heard(machine, entries), common));
      continue;
    }
    if (typeof happening === 'object' && 'given' in happening) {
      entries.push(makeEntry(given(happening.given, machine, owner, entries), common));
      continue;
    }
    if (typeof happening === 'object' && 'photo' in happening) {
      const { photo, ...said } = happening;
      const { hash, width, height } = drawn[photo];
      entries.push(makeEntry({ kind: 'photo', body: { hash, width, height, ...said } }, common));
      continue;
    }
    if (typeof happening === 'object' && 'mark' in happening) marks.set(happening.mark, common.id);
    entries.push(makeEntry(plain(happening), common));
  }
  return entries;
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
    for (const [name, { role, pin }] of Object.entries(WORKERS)) {
      const id = randomUUID();
      accounts.set(name, id);
      await client.query(
        'INSERT INTO account (id, name, role, secret, demo_pin) VALUES ($1, $2, $3, $4, $5)',
        [id, name, role, await hashOfSecret(pin), pin],
      );
    }
    for (const { maker, model, figures, source } of SPEC_CARDS)
      await client.query('INSERT INTO spec_card (maker, model, figures, source) VALUES ($1, $2, $3, $4)', [
        maker,
        model,
        JSON.stringify(figures),
        source,
      ]);
    for (const { maker, model, at, says } of MODEL_NOTES)
      await client.query(
        'INSERT INTO model_note (id, maker, model, place, says) VALUES ($1, $2, $3, $4, $5)',
        [randomUUID(), maker, model, at, says],
      );
    const owners = new Map<string, Map<string, string>>();
    for (const [key, owner] of Object.entries<DemoOwner>(OWNERS))
      owners.set(key, await insertOwner(client, owner));
    const drawn = await drawAll();
    /** Jobs that wait for parts, by model. */
    const waiting = new Map<string, string>();
    for (const scenario of [...PAST, ...SCENARIOS]) {
      const by = accounts.get(scenario.by) ?? '';
      const loaded = await loadScenario(client, scenario, { now, owners, by, drawn });
      if (loaded.stage === 'parts') waiting.set(loaded.model, loaded.jobId);
    }
    await loadParts(client, waiting, now);
    await loadPaperBook(client, now);
    return true;
  });
}

/** What the co-op's paper book of the years before comes to, drawn: counted as another shop's, at half. */
async function loadPaperBook(client: pg.PoolClient, now: Date): Promise<void> {
  const { shop, tallies } = JSON.parse(
    await readFile(new URL('./paperBook.json', import.meta.url), 'utf8'),
  ) as LearntFile;
  await client.query(
    'INSERT INTO tallied_elsewhere (shop, name, weight, tallies, at) VALUES ($1, $2, $3, $4, $5)',
    [
      shop,
      'Our paper book, before the bench',
      50,
      JSON.stringify(tallies),
      new Date(now.getTime() - 60 * DAY_MS),
    ],
  );
}

async function loadScenario(
  client: pg.PoolClient,
  scenario: Scenario,
  {
    now,
    owners,
    by,
    drawn,
  }: { now: Date; owners: ReadonlyMap<string, ReadonlyMap<string, string>>; by: string; drawn: Drawn },
): Promise<{ jobId: string; model: string; stage: Stage | null }> {
  const [owner, machine] = scenario.machine;
  const ids = owners.get(owner);
  const known = (OWNERS as Record<string, DemoOwner>)[owner]!;
  const entries = entriesOf(
    scenario,
    { machine: known.machines[machine]!, owner: known.name },
    now,
    by,
    drawn,
  );
  for (const entry of entries) {
    const { error } = entrySchema.validate(entry, { convert: false });
    if (error) throw new Error(`demo entry ${JSON.stringify(entry)}: ${error.message}`);
  }
  const promised =
    scenario.promisedIn === undefined ? undefined : new Date(now.getTime() + scenario.promisedIn * DAY_MS);
  const jobId = randomUUID();
  const promisedFor = promised?.toISOString().slice(0, 10);
  if (scenario.tag === undefined)
    await checkIn(client, {
      jobId,
      customer: { id: ids?.get('owner') ?? '' },
      machine: { id: ids?.get(machine) ?? '' },
      ...(promisedFor && { promisedFor }),
      entries,
    });
  else {
    // Under the number it is known by.
    await client.query(
      `INSERT INTO job (id, tag, machine_id, promised_for, checked_in_at) OVERRIDING SYSTEM VALUE VALUES ($1, $2, $3, $4, $5)`,
      [jobId, scenario.tag, ids?.get(machine), promisedFor ?? null, entries[0]?.notedAt],
    );
    await appendEntries(client, jobId, entries);
  }
  const hung = new Set(entries.flatMap((e) => (e.kind === 'photo' ? [e.body.hash] : [])));
  for (const photo of Object.values(drawn))
    if (hung.has(photo.hash)) await hangPhoto(client, jobId, photo.hash, { ...photo, type: 'image/webp' });
  const stages = entries.flatMap((e) => (e.kind === 'stage' ? [e.body.stage] : []));
  return { jobId, model: known.machines[machine]!.model, stage: stages.at(-1) ?? null };
}
