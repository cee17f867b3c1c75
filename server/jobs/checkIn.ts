import { randomUUID } from 'node:crypto';
import type { CheckIn } from '@rusty-wren/contract';
import type { Entry } from '@rusty-wren/core/log';
import type pg from 'pg';
import { refuse } from '../http/problem';
import { appendEntries } from './note';

async function customerId(client: pg.PoolClient, customer: CheckIn['customer']): Promise<string> {
  if ('id' in customer) {
    const { rowCount } = await client.query('SELECT 1 FROM customer WHERE id = $1', [customer.id]);
    if (rowCount === 0) throw refuse(400, 'customer.id names nobody on the books.');
    return customer.id;
  }
  const id = randomUUID();
  await client.query('INSERT INTO customer (id, name, circle, phone) VALUES ($1, $2, $3, $4)', [
    id,
    customer.name.trim(),
    customer.circle ?? null,
    customer.phone ?? null,
  ]);
  return id;
}

async function machineId(client: pg.PoolClient, owner: string, machine: CheckIn['machine']): Promise<string> {
  if ('id' in machine) {
    const { rowCount } = await client.query('SELECT 1 FROM machine WHERE id = $1 AND customer_id = $2', [
      machine.id,
      owner,
    ]);
    if (rowCount === 0) throw refuse(400, 'machine.id names no machine of that owner.');
    return machine.id;
  }
  const id = randomUUID();
  await client.query(
    'INSERT INTO machine (id, customer_id, kind, maker, model, serial, displacement_cc) VALUES ($1, $2, $3, $4, $5, $6, $7)',
    [
      id,
      owner,
      machine.kind,
      machine.maker.trim(),
      machine.model.trim(),
      machine.serial ?? null,
      machine.displacementCc ?? null,
    ],
  );
  return id;
}

/** Whether these entries are all on a job's log. */
async function areOn(client: pg.PoolClient, { jobId, entries }: CheckIn): Promise<boolean> {
  const { rows } = await client.query<{ all: boolean }>(
    `SELECT NOT EXISTS (SELECT 1 FROM unnest($2::uuid[]) AS sent (id)
       WHERE NOT EXISTS (SELECT 1 FROM bench_entry b WHERE b.id = sent.id AND b.job_id = $1)) AS all`,
    [jobId, entries.map((entry) => entry.id)],
  );
  return rows[0]!.all;
}

/**
 * Checks a machine in inside the caller's transaction: owner, machine, job and first entries, or nothing. The job's id
 * is the client's, so sending twice makes one job; one that is there takes nothing new this way, where the counter notes what is
 * otherwise the bench's. Returns the entries that were added, with their order. Throws 409 where a job that is there is sent
 * anything new.
 */
export async function checkIn(client: pg.PoolClient, wanted: CheckIn): Promise<Entry[]> {
  await client.query('SELECT pg_advisory_xact_lock(hashtext($1))', [wanted.jobId]);
  const known = await client.query('SELECT 1 FROM job WHERE id = $1', [wanted.jobId]);
  if (known.rowCount) {
    if (await areOn(client, wanted)) return [];
    throw refuse(
      409,
      'entries: this machine hangs on the rack already, as it was sent first; note on its bench what is new.',
    );
  }
  const owner = await customerId(client, wanted.customer);
  const machine = await machineId(client, owner, wanted.machine);
  await client.query(
    'INSERT INTO job (id, machine_id, promised_for, checked_in_at) VALUES ($1, $2, $3, $4)',
    [
      wanted.jobId,
      machine,
      wanted.promisedFor ?? null,
      wanted.entries[0]?.notedAt ?? new Date().toISOString(),
    ],
  );
  return await appendEntries(client, wanted.jobId, wanted.entries);
}
