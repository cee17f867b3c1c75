import { createHash } from 'node:crypto';
import type { LearntFile, ShopElsewhere } from '@rusty-wren/contract';
import {
  commonnessIn,
  groupOf,
  learnFrom,
  learnMinutes,
  learntFor,
  paceOf,
  pacesIn,
  together,
  type Elsewhere,
  type Learnt,
  type LearntHere,
  type LearntMinutes,
  type Paces,
  type TimeCounts,
  type Tallies,
} from '@rusty-wren/core/learning';
import type { Case } from '@rusty-wren/core/diagnosis';
import type { MachineFacts } from '@rusty-wren/core/machine';
import type { Db } from '../db/pool';

/** What was learnt, and whether it counts. */
export interface Known {
  counts: boolean;
  learnt: Learnt;
  minutes: LearntMinutes;
  /** How long things take here; null where the trade's minutes count. */
  paces: Paces | null;
  /** What cases on machines are reckoned with, by class, model and hands, once it was asked for. */
  reckoned: Map<string, Reckoned>;
}

/** What a case on a machine is reckoned with besides its log, and a name of it: what rests on it is worked out anew once that changes. */
export interface Reckoned {
  with: Pick<Case, 'commonness' | 'pace'>;
  /** The trade's where nothing was learnt. */
  name: string;
}

/** The last that was read, of whichever database: its key tells them apart. */
let last: ({ key: string } & Known) | null = null;

interface ElsewhereRow extends Elsewhere, Omit<ShopElsewhere, 'at' | 'jobs'> {
  at: Date;
}

const jobsIn = ({ groups }: Tallies): number =>
  Math.round(Object.values(groups).reduce((n, tally) => n + tally.counts, 0) / 1000);

/** The shops whose jobs count here, by name. */
export async function shopsElsewhere(db: Db): Promise<ShopElsewhere[]> {
  const { rows } = await db.query<ElsewhereRow>(
    'SELECT shop, name, weight, tallies, at FROM tallied_elsewhere ORDER BY name, shop',
  );
  return rows.map(({ tallies, at, ...row }) => ({ ...row, jobs: jobsIn(tallies), at: at.toISOString() }));
}

/** What the jobs of others come to, and what one of them counts here. */
export const talliedElsewhere = async (db: Db): Promise<Elsewhere[]> =>
  (await db.query<Elsewhere>('SELECT weight, tallies FROM tallied_elsewhere ORDER BY shop')).rows;

/** What this shop's jobs come to by themselves. */
async function ownTallied(db: Db): Promise<{ tallies: Tallies; times: TimeCounts }> {
  const { rows } = await db.query<{ tallies: Tallies; times: TimeCounts }>(
    'SELECT tallies, times FROM tallied',
  );
  return rows[0] ?? { tallies: together([]), times: {} };
}

/** What was learnt: of this shop's closed jobs, and of others' as far as they count. */
export async function readLearnt(db: Db): Promise<Known> {
  const { rows } = await db.query<{ of: string | null; counts: boolean | null; others: string | null }>(
    `SELECT (SELECT of FROM tallied) AS of, (SELECT counts FROM learning ORDER BY n DESC LIMIT 1) AS counts,
       (SELECT string_agg(shop || ' ' || weight || ' ' || at, ',' ORDER BY shop) FROM tallied_elsewhere) AS others`,
  );
  const { of, others } = rows[0]!;
  const counts = rows[0]!.counts ?? true;
  const key = `${counts};${of ?? ''};${others ?? ''}`;
  if (last?.key !== key) {
    const { tallies, times } = await ownTallied(db);
    const learnt = learnFrom(tallies, others ? await talliedElsewhere(db) : []);
    const minutes = learnMinutes(times);
    last = { key, counts, learnt, minutes, paces: counts ? pacesIn(minutes) : null, reckoned: new Map() };
  }
  return last;
}

/** What was learnt of machines like one; null where it does not count. */
export const learntHere = (
  { counts, learnt }: Known,
  machine: MachineFacts,
  model: string,
): LearntHere | null => (counts ? learntFor(learnt, machine, model) : null);

/** What a case on such a machine is reckoned with, in somebody's hands. */
export function reckoned(known: Known, machine: MachineFacts, model: string, hands: string | null): Reckoned {
  const key = `${groupOf(machine)} ${model} ${hands ?? ''}`;
  const kept = known.reckoned.get(key);
  if (kept) return kept;
  const here = learntHere(known, machine, model);
  const commonness = here && commonnessIn(here);
  const pace = paceOf(known.paces, hands);
  const by = { ...(commonness && { commonness }), ...(pace && { pace }) };
  const name =
    commonness || pace
      ? createHash('sha256').update(JSON.stringify(by)).digest('base64url').slice(0, 8)
      : 'trade';
  const found = { with: by, name };
  known.reckoned.set(key, found);
  return found;
}

/** The file that other shops take in: counts, of nobody. */
export async function learntFile(db: Db): Promise<LearntFile> {
  await db.query('INSERT INTO shop_id DEFAULT VALUES ON CONFLICT DO NOTHING');
  const { rows } = await db.query<{ id: string }>('SELECT id FROM shop_id');
  return { format: 'rusty-wren-learnt/1', shop: rows[0]!.id, tallies: (await ownTallied(db)).tallies };
}
