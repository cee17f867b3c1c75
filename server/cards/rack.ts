import { factsOf, type ClosedPage, type RackTag } from '@rusty-wren/contract';
import { pressing } from '@rusty-wren/core/schedule';
import type { Db } from '../db/pool';
import { jobOf } from '../jobs/rows';
import { readLearnt, reckoned, type Known } from '../learning/read';
import { modelKey } from '../specs/squeeze';
import { outlookKey } from './card';
import type { Outlooks } from './outlooks';
import { CARD_COLUMNS, tagOf, type CardRow } from './rows';

/** Open jobs whose outlook rests on something that has changed since. */
function stale(rows: readonly CardRow[], known: Known): string[] {
  return rows.flatMap((row) => {
    const mates = row.shared_can
      ? rows.filter((m) => m.shared_can && m.customer_id === row.customer_id && m.id !== row.id)
      : [];
    const odds = reckoned(known, factsOf(jobOf(row, []).machine), modelKey(row), row.says.hands).name;
    return row.outlook_key === outlookKey({ ...row, odds }, mates) ? [] : [row.id];
  });
}

const readOpen = async (db: Db): Promise<CardRow[]> =>
  (await db.query<CardRow>({ name: 'rack', text: `SELECT ${CARD_COLUMNS} WHERE k.stage <> 'closed'` })).rows;

/**
 * The tags of the open jobs, the most pressing first. Waits for what the engine has not looked at yet, but not longer than
 * `patience`, ms: what is not worked out by then comes later, and every bench is told.
 */
export async function readRack(
  db: Db,
  outlooks: Outlooks,
  { now, patience }: { now: string; patience: number },
): Promise<RackTag[]> {
  let rows = await readOpen(db);
  const toThink = stale(rows, await readLearnt(db));
  if (toThink.length > 0) {
    toThink.forEach((id) => outlooks.want(id));
    await outlooks.settled(toThink, patience);
    rows = await readOpen(db);
  }
  // The day it is where the server stands, as a promise is written.
  const today = new Intl.DateTimeFormat('en-CA').format(new Date(now));
  const score = (t: RackTag): number =>
    pressing({ stage: t.stage, promisedFor: t.job.promisedFor, stageSince: t.stageSince }, { now, today })
      .score;
  return rows
    .map(tagOf)
    .map((tag) => ({ tag, score: score(tag) }))
    .sort((x, y) => y.score - x.score || x.tag.job.tag - y.tag.job.tag)
    .map(({ tag }) => tag);
}

/** Where a page of closed jobs begins: after the last one of the page before. */
export type After = NonNullable<ClosedPage['next']>;

const PAGE = 100;
/** More closed jobs than this hold a common word. */
const COMMON = 2000;
/** Among so many of the latest a common word is found often enough. */
const LATELY = 3000;

/** Where a job stands among the closed ones. */
interface Place {
  job_id: string;
  since: Date;
}
const isAfter = ({ job_id, since }: Place, after: After): boolean => {
  const by = since.getTime() - Date.parse(after.since);
  return by < 0 || (by === 0 && job_id < after.id);
};
const latestFirst = (a: Place, b: Place): number =>
  b.since.getTime() - a.since.getTime() || (a.job_id < b.job_id ? 1 : -1);

/** The closed jobs that hold what was asked, the latest first from after one on, where they are few; null where it is common. */
async function fewHolding(db: Db, asked: string, after: After | null): Promise<string[] | null> {
  const { rows } = await db.query<Place>({
    name: 'few_holding',
    text: `SELECT job_id, since FROM job_card WHERE stage = 'closed' AND lexemes @@ $1::tsquery LIMIT ${COMMON}`,
    values: [asked],
  });
  if (rows.length === COMMON) return null;
  return rows
    .filter((row) => after === null || isAfter(row, after))
    .sort(latestFirst)
    .map((row) => row.job_id);
}

/** Those that hold what was asked among the closed ones of lately. */
async function holdingLately(db: Db, asked: string, most: number): Promise<string[]> {
  const { rows } = await db.query<{ job_id: string }>(
    `SELECT job_id FROM (SELECT job_id, lexemes, since FROM job_card WHERE stage = 'closed'
       ORDER BY since DESC, job_id DESC LIMIT ${LATELY}) late
     WHERE lexemes @@ $1::tsquery ORDER BY since DESC, job_id DESC LIMIT $2`,
    [asked, most],
  );
  return rows.map((row) => row.job_id);
}

/** The tags of these closed jobs, the latest first. */
const tagsOf = async (db: Db, ids: readonly string[]): Promise<RackTag[]> =>
  (
    await db.query<CardRow>(
      `SELECT ${CARD_COLUMNS} WHERE k.job_id = ANY($1) ORDER BY k.since DESC, k.job_id DESC`,
      [ids],
    )
  ).rows.map(tagOf);

/** Closed jobs, the latest first, those that a text search finds or all, from after one on. */
export async function closedJobs(
  db: Db,
  { after, asked, most }: { after: After | null; asked: string | null; most: number },
): Promise<RackTag[]> {
  if (asked !== null) {
    // A common word is found at once among the latest, a rare one by the index of words.
    const lately = after === null ? await holdingLately(db, asked, most) : [];
    if (lately.length === most) return await tagsOf(db, lately);
    const few = await fewHolding(db, asked, after);
    if (few) return await tagsOf(db, few.slice(0, most));
  }
  // Else from the latest on: the condition is written so that no index of words takes it.
  const { rows } = await db.query<CardRow>(
    `SELECT ${CARD_COLUMNS} WHERE k.stage = 'closed' AND ($3::tsquery IS NULL OR coalesce(k.lexemes @@ $3::tsquery, false))
       ${after ? 'AND (k.since, k.job_id) < ($1::timestamptz, $2::uuid)' : 'AND $1::timestamptz IS NULL AND $2::uuid IS NULL'}
     ORDER BY k.since DESC, k.job_id DESC LIMIT ${most}`,
    [after?.since ?? null, after?.id ?? null, asked],
  );
  return rows.map(tagOf);
}

/** A page of the closed jobs, latest first, those a text search finds or all; with where the next begins, null where there is none. */
export async function readClosed(
  db: Db,
  { after, asked }: { after: After | null; asked: string | null },
): Promise<ClosedPage> {
  const tags = await closedJobs(db, { after, asked, most: PAGE });
  const last = tags.length === PAGE ? tags.at(-1)! : null;
  return { tags, next: last && { since: last.stageSince!, id: last.job.id } };
}
