import type { Customer, Job, Machine, SqueezeReading } from '@rusty-wren/contract';
import type { SpecFigures } from '@rusty-wren/core/machine';
import type { Entry } from '@rusty-wren/core/log';
import { soundOthers } from '../specs/squeeze';

export interface JobRow {
  id: string;
  tag: number;
  checked_in_at: Date;
  promised_for: string | null;
  customer_id: string;
  customer_name: string;
  circle: string | null;
  phone: string | null;
  machine_id: string;
  kind: Machine['kind'];
  maker: string;
  model: string;
  serial: string | null;
  displacement_cc: number | null;
  spec: SpecFigures | null;
}

export const JOB_COLUMNS = `
  j.id, j.tag, j.checked_in_at, j.promised_for,
  c.id AS customer_id, c.name AS customer_name, c.circle, c.phone,
  m.id AS machine_id, m.kind, m.maker, m.model, m.serial, m.displacement_cc,
  (SELECT s.figures FROM spec_card s WHERE lower(s.maker) = lower(m.maker) AND lower(s.model) = lower(m.model)
   ORDER BY s.n DESC LIMIT 1) AS spec
  FROM job j JOIN machine m ON m.id = j.machine_id JOIN customer c ON c.id = m.customer_id`;

/** The job of a row. `squeezes`: what was measured on machines of its model. */
export function jobOf(row: JobRow, squeezes: readonly SqueezeReading[]): Job {
  const customer: Customer = {
    id: row.customer_id,
    name: row.customer_name,
    circle: row.circle,
    phone: row.phone,
  };
  const others = soundOthers(squeezes, row.machine_id);
  return {
    id: row.id,
    tag: row.tag,
    customer,
    machine: {
      id: row.machine_id,
      kind: row.kind,
      maker: row.maker,
      model: row.model,
      serial: row.serial,
      displacementCc: row.displacement_cc,
      ...(row.spec && Object.keys(row.spec).length > 0 && { spec: row.spec }),
      ...(others.length > 0 && { shopSqueezePsi: others }),
    },
    checkedInAt: row.checked_in_at.toISOString(),
    promisedFor: row.promised_for,
  };
}

export interface EntryRow {
  id: string;
  job_id: string;
  seq: number;
  noted_at: Date;
  account_id: string | null;
  sent_by: string | null;
  kind: string;
  body: object;
  strikes: string | null;
}

export const ENTRY_COLUMNS = 'id, job_id, seq, noted_at, account_id, sent_by, kind, body, strikes';

/** The entry as the core reads it. The kind and body were validated on the way in. */
export const entryOf = (row: EntryRow): Entry =>
  ({
    id: row.id,
    seq: row.seq,
    notedAt: row.noted_at.toISOString(),
    kind: row.kind,
    body: row.body,
    ...(row.account_id && { by: row.account_id }),
    ...(row.sent_by && row.sent_by !== row.account_id && { sentBy: row.sent_by }),
    ...(row.strikes && { strikes: row.strikes }),
  }) as Entry;
