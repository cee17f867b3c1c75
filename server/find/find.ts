import type {
  Customer,
  Found,
  FoundMachine,
  FoundOwner,
  MachineLeft,
  MachineLife,
  OwnerLife,
} from '@rusty-wren/contract';
import type { Leaving } from '@rusty-wren/core/account';
import { closedJobs } from '../cards/rack';
import { CARD_COLUMNS, tagOf, type CardRow } from '../cards/rows';
import type { Db } from '../db/pool';
import { refuse } from '../http/problem';
import { readSqueezesOf } from '../specs/squeeze';
import { recordOf } from './record';
import { understood } from './understood';

const MOST = { owners: 6, machines: 6, jobs: 12, life: 60 } as const;

interface MachineRow {
  id: string;
  kind: FoundMachine['kind'];
  maker: string;
  model: string;
  serial: string | null;
  displacement_cc: number | null;
}
const machineOf = ({ displacement_cc, ...row }: MachineRow) => ({ ...row, displacementCc: displacement_cc });
const OWNER = `json_build_object('id', c.id, 'name', c.name, 'circle', c.circle, 'phone', c.phone) AS owner`;
const MACHINE = 'm.id, m.kind, m.maker, m.model, m.serial, m.displacement_cc';

async function ownersFound(db: Db, query: string): Promise<FoundOwner[]> {
  const { rows } = await db.query<FoundOwner>(
    `SELECT c.id, c.name, c.circle, c.phone,
       (SELECT count(*)::int FROM machine m WHERE m.customer_id = c.id) AS machines,
       (SELECT count(*)::int FROM job_card k WHERE k.customer_id = c.id AND k.stage <> 'closed') AS open
     FROM (SELECT * FROM customer WHERE words @@ $1::tsquery ORDER BY name LIMIT ${MOST.owners}) c ORDER BY c.name`,
    [query],
  );
  return rows;
}

async function machinesFound(db: Db, query: string): Promise<FoundMachine[]> {
  const { rows } = await db.query<MachineRow & { owner: Customer; jobs: number }>(
    `SELECT ${MACHINE}, ${OWNER},
       (SELECT count(*)::int FROM job j WHERE j.machine_id = m.id) AS jobs
     FROM (SELECT * FROM machine WHERE words @@ $1::tsquery LIMIT ${MOST.machines}) m
     JOIN customer c ON c.id = m.customer_id ORDER BY m.maker, m.model, c.name`,
    [query],
  );
  return rows.map(({ owner, jobs, ...machine }) => ({ ...machineOf(machine), owner, jobs }));
}

/** Open jobs first, then the latest closed ones; a tag's own number before all. */
async function jobsFound(db: Db, query: string, words: readonly string[]): Promise<Found['jobs']> {
  const tag = words.length === 1 && /^\d{1,9}$/.test(words[0]!) ? Number(words[0]) : null;
  const [open, closed] = await Promise.all([
    db.query<CardRow>(
      `(SELECT 0 AS rank, ${CARD_COLUMNS} WHERE j.tag = $2)
       UNION ALL
       (SELECT 1, ${CARD_COLUMNS} WHERE k.stage <> 'closed' AND k.lexemes @@ $1::tsquery ORDER BY k.since DESC LIMIT ${MOST.jobs})
       ORDER BY rank`,
      [query, tag],
    ),
    closedJobs(db, { after: null, asked: query, most: MOST.jobs }),
  ]);
  const all = [...open.rows.map(tagOf), ...closed];
  return [...new Map(all.map((t) => [t.job.id, t])).values()].slice(0, MOST.jobs);
}

/** What a few words find: owners, machines, jobs. */
export async function find(db: Db, typed: string): Promise<Found> {
  const { query, words, instead } = await understood(db, typed);
  if (query === null) return { owners: [], machines: [], jobs: [], instead };
  const [owners, machines, jobs] = await Promise.all([
    ownersFound(db, query),
    machinesFound(db, query),
    jobsFound(db, query, words),
  ]);
  return { owners, machines, jobs, instead };
}

const jobsWhere = async (db: Db, where: string, id: string): Promise<Found['jobs']> =>
  (
    await db.query<CardRow>(
      `SELECT ${CARD_COLUMNS} WHERE ${where} = $1 ORDER BY (k.stage <> 'closed') DESC, k.since DESC LIMIT ${MOST.life}`,
      [id],
    )
  ).rows.map(tagOf);

/** How a machine's latest jobs left it, the oldest first. */
async function leftBy(db: Db, machineId: string): Promise<MachineLeft[]> {
  const { rows } = await db.query<{ job_id: string; tag: number; since: Date; leaving: Leaving }>(
    `SELECT k.job_id, j.tag, k.since, k.leaving FROM job_card k JOIN job j ON j.id = k.job_id
     WHERE k.machine_id = $1 AND k.leaving <> '{}' ORDER BY k.since DESC LIMIT ${MOST.life}`,
    [machineId],
  );
  return rows
    .map(({ job_id, tag, since, leaving }) => ({ jobId: job_id, tag, at: since.toISOString(), ...leaving }))
    .reverse();
}

/** A machine with its jobs since it first came, and its squeezes. Throws 404 for none. */
export async function lifeOf(db: Db, id: string): Promise<MachineLife> {
  const { rows } = await db.query<MachineRow & { owner: Customer }>(
    `SELECT ${MACHINE}, ${OWNER}
     FROM machine m JOIN customer c ON c.id = m.customer_id WHERE m.id = $1`,
    [id],
  );
  if (!rows[0]) throw refuse(404, 'No such machine.');
  const { owner, ...machine } = rows[0];
  return {
    machine: machineOf(machine),
    owner,
    jobs: await jobsWhere(db, 'k.machine_id', id),
    squeezes: await readSqueezesOf(db, id),
    left: await leftBy(db, id),
    record: await recordOf(db, machine),
  };
}

/** An owner with their machines and latest jobs. Throws 404 for none. */
export async function ownerOf(db: Db, id: string): Promise<OwnerLife> {
  const { rows } = await db.query<Customer>('SELECT id, name, circle, phone FROM customer WHERE id = $1', [
    id,
  ]);
  if (!rows[0]) throw refuse(404, 'Nobody on the books has that id.');
  const machines = await db.query<MachineRow & { jobs: number }>(
    `SELECT ${MACHINE}, (SELECT count(*)::int FROM job j WHERE j.machine_id = m.id) AS jobs
     FROM machine m WHERE m.customer_id = $1 ORDER BY m.maker, m.model LIMIT 500`,
    [id],
  );
  return {
    owner: rows[0],
    machines: machines.rows.map(({ jobs, ...m }) => ({ ...machineOf(m), jobs })),
    jobs: await jobsWhere(db, 'k.customer_id', id),
  };
}
