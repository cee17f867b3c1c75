import type { Entry } from '@rusty-wren/core/log';
import type { MiddlewareHandler } from 'hono';
import { inTransaction, type Db, type Pool } from '../db/pool';
import { holdJobs, project } from './project';

/** Cards wait so long for more to be noted on their jobs, ms; whoever asks for a list does not wait. */
const GATHER_MS = 1000;
/** So many are made anew in one transaction. */
const BATCH = 20;

const behindNow = async (db: Db, among: readonly string[] | null): Promise<string[]> => {
  const { rows } = await db.query<{ id: string }>({
    name: among ? 'behind_among' : 'behind',
    text: `SELECT job_id AS id FROM card_behind${among ? ' WHERE job_id = ANY($1)' : ''}`,
    ...(among && { values: [among] }),
  });
  return rows.map(({ id }) => id);
};

/** Makes every card anew that is behind its log by now, whoever left it so. */
export async function catchUp(pool: Pool): Promise<void> {
  const ids = (await behindNow(pool, null)).sort();
  for (let from = 0; from < ids.length; from += BATCH)
    await inTransaction(pool, async (client) => {
      const some = ids.slice(from, from + BATCH);
      await holdJobs(client, some);
      // Another may have made them meanwhile.
      await project(client, await behindNow(client, some));
    });
}

/** What is asked that rests on no card. */
const RESTS_ON_NONE =
  /^(POST \/api\/entries|POST \/api\/jobs\/[^/]+\/entries|\w+ \/api\/(session|stream|feed|health|photos)\b.*)$/;

/** Has no list show what is behind its log. */
export const caughtUp =
  (pool: Pool): MiddlewareHandler =>
  async (c, next) => {
    if (!RESTS_ON_NONE.test(`${c.req.method} ${c.req.path}`)) await catchUp(pool);
    await next();
  };

/** Makes cards anew after their logs have grown: gathered, after whoever noted has their answer; then has others go on from them. */
export class ProjectionQueue {
  private waiting = new Map<string, Entry[]>();
  private timer: NodeJS.Timeout | null = null;
  private working: Promise<void> = Promise.resolve();

  /** `onKept`: what is done once the card of a job, on which these entries stand now, is as its log. */
  constructor(
    private readonly pool: Pool,
    private readonly onKept: (jobId: string, entries: readonly Entry[]) => void,
  ) {}

  grew(jobId: string, entries: readonly Entry[]): void {
    this.waiting.set(jobId, [...(this.waiting.get(jobId) ?? []), ...entries]);
    this.timer ??= setTimeout(() => {
      this.timer = null;
      this.working = this.working.then(() => this.keep());
    }, GATHER_MS).unref();
  }

  private async keep(): Promise<void> {
    const grown = this.waiting;
    this.waiting = new Map();
    try {
      await catchUp(this.pool);
      for (const [jobId, entries] of grown) this.onKept(jobId, entries);
    } catch (error) {
      // Whoever reads a list next makes them.
      console.error(`cards are behind: ${(error as Error).message}`);
    }
  }
}
