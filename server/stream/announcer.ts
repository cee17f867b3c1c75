import type { JobChanged, Moved } from '@rusty-wren/contract';
import type { Entry } from '@rusty-wren/core/log';
import type { Db } from '../db/pool';

/** Changes are told at most this late, so that many go in one notice. */
const GATHER_MS = 40;
/** PostgreSQL carries 8,000 bytes in one notice; one change takes about 60. */
const CHANGES_A_NOTICE = 100;

/** Tells every process that logs have grown, after they have: many changes in one notice, of each job the latest. */
export class Announcer {
  private readonly waiting = new Map<string, number>();
  private timer: NodeJS.Timeout | null = null;

  /** `onGrew`: what else is to be done in this process when a log has grown. */
  constructor(
    private readonly db: Db,
    private readonly onGrew: (jobId: string, entries: readonly Entry[]) => void = () => undefined,
  ) {}

  /** Tells of a job's log, on which these entries stand now. */
  grew(jobId: string, entries: readonly Entry[]): void {
    this.onGrew(jobId, entries);
    const seq = Math.max(...entries.map((e) => e.seq ?? 0));
    this.waiting.set(jobId, Math.max(seq, this.waiting.get(jobId) ?? 0));
    this.timer ??= setTimeout(() => void this.tell(), GATHER_MS).unref();
  }

  /** Tells every process that changes may have been missed: one ended before it had told of its own. */
  async gap(): Promise<void> {
    await this.db.query("SELECT pg_notify('job_changed', '[]')");
  }

  /** Tells every process that something beside the logs has changed: the drawer, or the day. */
  async moved(what: Moved): Promise<void> {
    await this.db
      .query("SELECT pg_notify('bench_moved', $1)", [what])
      .catch((error: Error) => console.error(`${what} not announced: ${error.message}`));
  }

  private async tell(): Promise<void> {
    this.timer = null;
    const changes = [...this.waiting].map(([jobId, seq]): JobChanged => ({ jobId, seq }));
    this.waiting.clear();
    try {
      for (let from = 0; from < changes.length; from += CHANGES_A_NOTICE)
        await this.db.query("SELECT pg_notify('job_changed', $1)", [
          JSON.stringify(changes.slice(from, from + CHANGES_A_NOTICE)),
        ]);
    } catch (error) {
      // Whoever listens has lost its connection too, and fetches all once it has it back.
      console.error(`changes not announced: ${(error as Error).message}`);
    }
  }
}
