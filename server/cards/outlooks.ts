import { factsOf } from '@rusty-wren/contract';
import { caseOf, evidenceFromTheCan, phaseOf, type Entry } from '@rusty-wren/core/log';
import type { Case } from '@rusty-wren/core/diagnosis';
import type { Thousandths } from '@rusty-wren/core/learning';
import { inTransaction, type Pool } from '../db/pool';
import { readLogs } from '../jobs/log';
import { jobOf } from '../jobs/rows';
import { readLearnt, reckoned } from '../learning/read';
import { modelKey, readSqueezes } from '../specs/squeeze';
import { Announcer } from '../stream/announcer';
import { factsKey, outlookKey, pictureOf, type Outlook } from './card';
import { openOfModels, project } from './project';
import { CARD_COLUMNS, type CardRow } from './rows';
import { Thinker } from './thinker';
import type { AskedOf } from '../learning/learner';

/** What is told of the rack is gathered so long, ms. */
const GATHER_MS = 200;

/**
 * Works out what the engine makes of open jobs, one after the other, after their logs have grown: never in a request. Kept on the
 * jobs' cards under a name of what it was worked out from, so that any process may, and twice does no harm.
 */
export class Outlooks {
  private readonly thinker = new Thinker();
  private readonly announcer: Announcer;
  private readonly queue = new Set<string>();
  /** How long the rest takes: looked at when nothing else is asked. */
  private readonly later = new Set<string>();
  private readonly heard = new Set<() => void>();
  /** The one that is being looked at. */
  private now: string | null = null;
  private running: Promise<void> | null = null;
  private telling: NodeJS.Timeout | null = null;
  private stopped = false;

  /** `ahead`: a log that has grown is looked at at once, not only when the rack is asked for. */
  constructor(
    private readonly pool: Pool,
    private readonly ahead = false,
  ) {
    this.announcer = new Announcer(pool);
  }

  /** What the trade would expect on a machine, before it is looked at. */
  expected(asked: AskedOf): Promise<Thousandths> {
    return this.thinker.expected(asked);
  }

  /** What was learnt has changed: every bench is told, and the open jobs are looked at again. */
  async learnt(): Promise<void> {
    await this.announcer.moved('learnt');
    if (!this.ahead) return;
    const { rows } = await this.pool.query<{ job_id: string }>(
      "SELECT job_id FROM job_card WHERE stage <> 'closed'",
    );
    for (const { job_id } of rows) this.want(job_id);
  }

  /** A log has grown: it is looked at again, and with a squeeze the open jobs of its model, which are judged by that. */
  grew(jobId: string, entries: readonly Entry[]): void {
    if (this.ahead) this.want(jobId);
    if (
      entries.some(
        (e) => e.kind === 'strike' || (e.kind === 'finding' && e.body.check === 'compression-gauge'),
      )
    )
      void this.wantModelOf(jobId);
  }

  /** The open jobs of a job's model are looked at again. */
  private async wantModelOf(jobId: string): Promise<void> {
    try {
      const { rows } = await this.pool.query<{ maker: string; model: string }>(
        'SELECT m.maker, m.model FROM job j JOIN machine m ON m.id = j.machine_id WHERE j.id = $1',
        [jobId],
      );
      for (const id of await openOfModels(this.pool, rows)) this.want(id);
    } catch (error) {
      if (!this.stopped) console.error(`open jobs of a model not looked at: ${(error as Error).message}`);
    }
  }

  /** Has the outlook on a job worked out, unless it stands already. */
  want(jobId: string): void {
    if (this.stopped) return;
    this.queue.add(jobId);
    this.running ??= this.run();
  }

  /** Waits until those wanted are worked out, at most so long, ms. */
  async settled(jobIds: readonly string[], most: number): Promise<void> {
    const until = Date.now() + most;
    while (jobIds.some((id) => this.queue.has(id) || this.now === id) && Date.now() < until)
      await new Promise<void>((resolve) => {
        const done = (): void => {
          clearTimeout(timer);
          this.heard.delete(done);
          resolve();
        };
        const timer = setTimeout(done, Math.max(1, until - Date.now()));
        this.heard.add(done);
      });
  }

  async stop(): Promise<void> {
    this.stopped = true;
    this.queue.clear();
    this.later.clear();
    if (this.telling) clearTimeout(this.telling);
    await this.thinker.stop();
    await this.running;
  }

  private async run(): Promise<void> {
    // In the next turn: what is wanted in one go is taken in one go.
    await Promise.resolve();
    while (!this.stopped) {
      const [first] = this.queue;
      const [last] = this.later;
      const id = first ?? last;
      if (id === undefined) break;
      // Taken off before: wanted again meanwhile, it is looked at again.
      (first === undefined ? this.later : this.queue).delete(id);
      this.now = first ?? null;
      try {
        await (first === undefined ? this.forecast(id) : this.glance(id));
      } catch (error) {
        if (!this.stopped) console.error(`outlook on ${id}: ${(error as Error).message}`);
      }
      this.now = null;
      for (const tell of this.heard) tell();
    }
    // In the same breath as the queue was found empty: what is wanted next begins anew.
    this.running = null;
  }

  /** A job's case with what was found in the same can, and the name of what that rests on; null where it is closed or gone. */
  private async caseOf(id: string) {
    const own = await this.pool.query<CardRow>(
      `SELECT ${CARD_COLUMNS} WHERE j.id = $1 AND k.stage <> 'closed'`,
      [id],
    );
    const row = own.rows[0];
    if (!row) return null;
    const mates = row.shared_can
      ? await this.pool.query<CardRow>(
          `SELECT ${CARD_COLUMNS} WHERE k.customer_id = $1 AND k.stage <> 'closed' AND k.shared_can AND j.id <> $2`,
          [row.customer_id, id],
        )
      : { rows: [] };
    const rows = [row, ...mates.rows];
    const squeezes = await readSqueezes(this.pool, rows);
    const logs = await readLogs(
      this.pool,
      rows.map((r) => r.id),
    );
    const [one, ...others] = rows.map((r) => {
      const { machine } = jobOf(r, squeezes(r));
      const entries = logs.get(r.id) ?? [];
      return {
        jobId: r.id,
        machine,
        seq: entries.at(-1)?.seq ?? 0,
        picture: pictureOf(machine, entries),
      };
    });
    if (!one) return null;
    const facts = factsKey(one.machine);
    const learnt = reckoned(
      await readLearnt(this.pool),
      factsOf(one.machine),
      modelKey(row),
      one.picture.hands,
    );
    const key = outlookKey(
      { seq: one.seq, facts, odds: learnt.name },
      others.map((m) => ({ id: m.jobId, seq: m.seq })),
    );
    const of: Case = {
      ...caseOf(one.picture, evidenceFromTheCan(one.picture, id, others)),
      ...learnt.with,
    };
    return { picture: one.picture, case: of, key, known: row.outlook_key, facts, knownFacts: row.facts };
  }

  private async glance(id: string): Promise<void> {
    const asked = await this.caseOf(id);
    if (!asked) return;
    if (asked.facts !== asked.knownFacts) await inTransaction(this.pool, (client) => project(client, [id]));
    if (asked.known === asked.key) return;
    const answer = await this.thinker.glance(asked.case);
    const phase = phaseOf(asked.picture, answer);
    const outlook: Outlook = { lead: answer.lead, phase, toFind: null };
    await this.keep(id, asked.key, outlook);
    if (phase.kind === 'check') this.later.add(id);
  }

  private async forecast(id: string): Promise<void> {
    const asked = await this.caseOf(id);
    // Its log has grown meanwhile: it is looked at anew in its turn.
    if (!asked || asked.known !== asked.key) return;
    const { mean, p90 } = await this.thinker.forecast(asked.case);
    const toFind = { mean: Math.round(mean), p90: Math.round(p90) };
    const { rowCount } = await this.pool.query(
      'UPDATE job_card SET outlook = outlook || $3 WHERE job_id = $1 AND outlook_key = $2',
      [id, asked.key, JSON.stringify({ toFind })],
    );
    if (rowCount) this.tell();
  }

  private async keep(id: string, key: string, outlook: Outlook): Promise<void> {
    await this.pool.query('UPDATE job_card SET outlook = $3, outlook_key = $2 WHERE job_id = $1', [
      id,
      key,
      JSON.stringify(outlook),
    ]);
    this.tell();
  }

  /** Every bench is told, once for many. */
  private tell(): void {
    if (this.stopped) return;
    this.telling ??= setTimeout(() => {
      this.telling = null;
      void this.announcer.moved('rack');
    }, GATHER_MS).unref();
  }
}
