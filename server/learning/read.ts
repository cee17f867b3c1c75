import { createHash } from 'node:crypto';
import type { LearntFile, ShopElsewhere } from '@rusty-wren/contract';
import {
  commonnessIn,
  learn,
  learnMinutes,
  paceIn,
  learntFor,
  together,
  weighed,
  type Learnt,
  type LearntHere,
  type LearntMinutes,
  type TimeCounts,
  type Tallies,
} from '@rusty-wren/core/learning';
import type { Case, Pace } from '@rusty-wren/core/diagnosis';
import type { MachineFacts } from '@rusty-wren/core/machine';
import type { Db } from '../db/pool';

/** What was learnt, under a name of what it was learnt from; whether it counts. */
export interface Known {
  of: string;
  counts: boolean;
  learnt: Learnt;
  minutes: LearntMinutes;
}

const NONE: Tallies = { groups: {}, models: {} };
/** The last that was read, of whichever database: the name tells them apart. */
let last: ({ key: string } & Pick<Known, 'learnt' | 'minutes'>) | null = null;

interface Elsewhere extends Omit<ShopElsewhere, 'at' | 'jobs'> {
  tallies: Tallies;
  at: Date;
}

const jobsIn = ({ groups }: Tallies): number =>
  Math.round(Object.values(groups).reduce((n, tally) => n + tally.counts, 0) / 1000);

/** The shops whose jobs count here, by name. */
export async function shopsElsewhere(db: Db): Promise<ShopElsewhere[]> {
  const { rows } = await db.query<Elsewhere>(
    'SELECT shop, name, weight, tallies, at FROM tallied_elsewhere ORDER BY name, shop',
  );
  return rows.map(({ tallies, at, ...row }) => ({ ...row, jobs: jobsIn(tallies), at: at.toISOString() }));
}

/** What this shop's jobs come to by themselves. */
export async function ownTallies(db: Db): Promise<Tallies> {
  const { rows } = await db.query<{ tallies: Tallies }>('SELECT tallies FROM tallied');
  return rows[0]?.tallies ?? NONE;
}

/** What was learnt: of this shop's closed jobs, and of others' as far as they count. */
export async function readLearnt(db: Db): Promise<Known> {
  const { rows } = await db.query<{ of: string | null; counts: boolean | null; others: string | null }>(
    `SELECT (SELECT of FROM tallied) AS of, (SELECT counts FROM learning ORDER BY n DESC LIMIT 1) AS counts,
       (SELECT string_agg(shop || ' ' || weight || ' ' || md5(tallies::text), ',' ORDER BY shop) FROM tallied_elsewhere) AS others`,
  );
  const { of, counts, others } = rows[0]!;
  const key = `${of ?? ''};${others ?? ''}`;
  if (last?.key !== key) {
    const elsewhere = others
      ? (await db.query<Elsewhere>('SELECT weight, tallies FROM tallied_elsewhere ORDER BY shop')).rows
      : [];
    const own = await db.query<{ times: TimeCounts }>('SELECT times FROM tallied');
    const all = elsewhere.reduce(
      (sum, { tallies, weight }) => together(sum, share(tallies, weight)),
      await ownTallies(db),
    );
    last = { key, learnt: learn(all), minutes: learnMinutes(own.rows[0]?.times ?? {}) };
  }
  return { of: key, counts: counts ?? true, learnt: last.learnt, minutes: last.minutes };
}

const share = ({ groups, models }: Tallies, weight: number): Tallies => ({
  groups: Object.fromEntries(Object.entries(groups).map(([name, tally]) => [name, weighed(tally, weight)])),
  models: Object.fromEntries(
    Object.entries(models).map(([name, { group, ...tally }]) => [name, { ...weighed(tally, weight), group }]),
  ),
});

/** What was learnt of machines like one; null where it does not count. */
export const learntHere = (
  { counts, learnt }: Known,
  machine: MachineFacts,
  model: string,
): LearntHere | null => (counts ? learntFor(learnt, machine, model) : null);

/** The minutes of checks as they are here; null where the trade's count. */
export const paceHere = ({ counts, minutes }: Known): Pace | null => (counts ? paceIn(minutes) : null);

/** What a case on a machine is reckoned with besides its log. */
export function reckonedWith(
  known: Known,
  machine: MachineFacts,
  model: string,
): Pick<Case, 'commonness' | 'pace'> {
  const here = learntHere(known, machine, model);
  const commonness = here && commonnessIn(here);
  const pace = paceHere(known);
  return { ...(commonness && { commonness }), ...(pace && { pace }) };
}

/** A name of it, the trade's where nothing was learnt: what rests on it is worked out anew once it changes. */
export function reckonedName(known: Known, machine: MachineFacts, model: string): string {
  const learnt = reckonedWith(known, machine, model);
  return Object.keys(learnt).length > 0
    ? createHash('sha256').update(JSON.stringify(learnt)).digest('base64url').slice(0, 8)
    : 'trade';
}

/** The file that other shops take in: counts, of nobody. */
export async function learntFile(db: Db): Promise<LearntFile> {
  await db.query('INSERT INTO shop_id DEFAULT VALUES ON CONFLICT DO NOTHING');
  const { rows } = await db.query<{ id: string }>('SELECT id FROM shop_id');
  return { format: 'rusty-wren-learnt/1', shop: rows[0]!.id, tallies: await ownTallies(db) };
}
