import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads';
import { availableParallelism } from 'node:os';
import { auditOne, PLANTED, type Breach } from '../core/proving/audit';

/**
 * Made-up technicians work drawn machines from check-in to the closed job; after every act everything that is said is held against the
 * log. `--machines N --seed S`; `--planted` puts old faults back and tells whether each is found. Its last line counts.
 */
const figure = (name: string, usual: number): number => {
  const at = process.argv.indexOf(`--${name}`);
  const value = at < 0 ? usual : Number(process.argv[at + 1]);
  if (Number.isInteger(value) && value > 0) return value;
  console.error(`audit: --${name} is a whole number from 1`);
  process.exit(2);
};

/** On how many machines a planted fault is looked for. */
const FOR_PLANTED = 80;

function planted(): void {
  let missed = 0;
  for (const { name, program } of PLANTED) {
    let found: Breach | undefined;
    let seed = 0;
    while (!found && seed < FOR_PLANTED) found = auditOne(++seed, { program, every: 3 })[0];
    if (!found) missed++;
    console.log(
      `${found ? `found on machine ${seed}` : 'NOT FOUND'}: ${name}${found ? ` (${found.says})` : ''}`,
    );
  }
  console.log(`${PLANTED.length} planted, ${missed} missed`);
  process.exitCode = missed > 0 ? 1 : 0;
}

async function audit(): Promise<void> {
  const [machines, seed] = [figure('machines', 200), figure('seed', 1)];
  const every = figure('every', 1);
  const threads = Math.min(machines, availableParallelism());
  let [done, breaches] = [0, 0];
  await Promise.all(
    Array.from(
      { length: threads },
      (_, thread) =>
        new Promise<void>((resolve, reject) => {
          const worker = new Worker(new URL(import.meta.url), {
            workerData: { machines, seed, every, thread, threads },
            execArgv: ['--import', 'tsx'],
          });
          worker.on('message', (told: Breach[]) => {
            done++;
            breaches += told.length;
            for (const b of told)
              console.log(`seed ${b.seed}, act ${b.act}: ${b.says}\n  ${b.acts.join('; ')}`);
            if (done % 100 === 0) console.error(`${done} of ${machines}`);
          });
          worker.on('error', reject);
          worker.on('exit', () => resolve());
        }),
    ),
  );
  console.log(`${done} jobs, ${breaches} breaches`);
  process.exitCode = breaches > 0 ? 1 : 0;
}

if (!isMainThread) {
  const { machines, seed, every, thread, threads } = workerData as Record<string, number>;
  for (let n = thread!; n < machines!; n += threads!)
    parentPort?.postMessage(auditOne(seed! + n, { every: every! }));
} else if (process.argv.includes('--planted')) planted();
else await audit();
