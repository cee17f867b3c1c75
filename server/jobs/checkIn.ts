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

/**
 * Checks a machine in inside the caller's transaction: owner, machine, job and first entries, or nothing. The job's id
 * is the client's, so sending twice makes one job. Returns its entries with their order.
 */
export async function checkIn(client: pg.PoolClient, wanted: CheckIn): Promise<Entry[]> {
  await client.query('SELECT pg_advisory_xact_lock(hashtext($1))', [wanted.jobId]);
  const known = await client.query('SELECT 1 FROM job WHERE id = $1', [wanted.jobId]);
  if (known.rowCount === 0) {
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
  }
  return await appendEntries(client, wanted.jobId, wanted.entries);
}
