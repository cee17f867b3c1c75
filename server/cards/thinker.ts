import { Worker } from 'node:worker_threads';
import type { Case, Forecast, Glance } from '@rusty-wren/core/diagnosis';
import type { Thousandths } from '@rusty-wren/core/learning';
import type { AskedOf } from '../learning/learner';
import type { Answered, Asked } from './thinking';

type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;
type Waiting = (answer: Answered) => void;

/** A thread of its own for the engine, so that no request waits while it thinks; begun when it is first asked. */
export class Thinker {
  private worker: Worker | null = null;
  private readonly waiting = new Map<number, Waiting>();
  private asked = 0;

  private begin(): Worker {
    if (this.worker) return this.worker;
    const worker = new Worker(new URL('./thinking.worker.mjs', import.meta.url), {
      execArgv: [],
    });
    worker.unref();
    worker.on('message', (answer: Answered) => {
      this.waiting.get(answer.n)?.(answer);
      this.waiting.delete(answer.n);
    });
    const gone = (why: string): void => {
      if (this.worker === worker) this.worker = null;
      for (const [n, tell] of this.waiting) tell({ n, failed: why });
      this.waiting.clear();
    };
    worker.on('error', (error) => gone((error as Error).message));
    worker.on('exit', () => gone('the thread has ended'));
    this.worker = worker;
    return worker;
  }

  private ask(what: DistributiveOmit<Asked, 'n'>): Promise<Answered> {
    const n = ++this.asked;
    return new Promise((resolve) => {
      this.waiting.set(n, resolve);
      this.begin().postMessage({ n, ...what } satisfies Asked);
    });
  }

  /** What comes next on a case; throws where the thread fails. */
  async glance(c: Case): Promise<Pick<Glance, 'lead' | 'next' | 'stop'>> {
    const answer = await this.ask({ what: 'glance', case: c });
    if ('glance' in answer) return answer.glance;
    throw new Error('failed' in answer ? answer.failed : 'another answer than was asked');
  }

  /** Bench minutes to the right repair; throws where the thread fails. */
  async forecast(c: Case): Promise<Pick<Forecast, 'mean' | 'p90'>> {
    const answer = await this.ask({ what: 'forecast', case: c });
    if ('forecast' in answer) return answer.forecast;
    throw new Error('failed' in answer ? answer.failed : 'another answer than was asked');
  }

  /** What the trade would expect on a machine; throws where the thread fails. */
  async expected(of: AskedOf): Promise<Thousandths> {
    const answer = await this.ask({ what: 'expected', of });
    if ('expected' in answer) return answer.expected;
    throw new Error('failed' in answer ? answer.failed : 'another answer than was asked');
  }

  async stop(): Promise<void> {
    await this.worker?.terminate();
  }
}
