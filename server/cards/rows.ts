import type { RackTag } from '@rusty-wren/contract';
import { JOB_COLUMNS, jobOf, type JobRow } from '../jobs/rows';
import type { Outlook, Says } from './card';

/** A job with its card. */
export interface CardRow extends JobRow {
  seq: number;
  facts: string;
  stage: RackTag['stage'];
  since: Date;
  shared_can: boolean;
  says: Says;
  outlook: Outlook | null;
  outlook_key: string | null;
}

export const CARD_COLUMNS = `k.seq, k.facts, k.stage, k.since, k.shared_can, k.says, k.outlook, k.outlook_key, ${JOB_COLUMNS}
  JOIN job_card k ON k.job_id = j.id`;

/** A job's tag from its card. What the engine made of it before it grew is better than nothing. */
export function tagOf(row: CardRow): RackTag {
  const { phase, ...says } = row.says;
  const closed = row.stage === 'closed';
  return {
    job: jobOf(row, []),
    stage: row.stage,
    stageSince: row.since.toISOString(),
    ...says,
    lead: closed ? null : (row.outlook?.lead ?? null),
    phase: phase ?? row.outlook?.phase ?? null,
    toFind: closed ? null : (row.outlook?.toFind ?? null),
  };
}
