import { diagnose, glance, looksAhead } from '@rusty-wren/core/diagnosis';
import { readJob } from '@rusty-wren/core/log';
import { guideOf, rebuildOf } from '@rusty-wren/core/rebuild';
import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import { Bench } from 'tinybench';
import { caseWith } from './caseWith';
import { days } from './days';
import { speedInChromium } from './inChromium';
import { ears } from './ear';
import { firstChecksTable } from './firstChecks';
import { smallNetworks } from './networks';
import { learning } from './learning';
import { opening } from './opening';
import { practice } from './practice';
import { rebuildWith } from './rebuildWith';
import { cures } from './cures';
import { proofs } from './proofs';
import { recovery } from './recovery';
import { scale } from './scale';
import { timesLine } from './timesLine';
import { tunes } from './tunes';
import { POLICIES, type Outcome, type Share } from './plays';

/**
 * Speed of the inference, every policy played on the same drawn machines, and the plan against the exact optimum.
 * The ear against two pitch detectors on `--clips N` recordings a place, and the tuning advice on `--tunes N` mistunings.
 * The day's plan against simple rules and the best there is on `--weeks N` drawn weeks (500); `--days-only` for that alone.
 * What is learnt on `--shops N` drawn shops (200); `--learning-only` for that alone.
 * `--practice-only [--machines 1000] [--ways plan,fuel-first]` alone: robots at the practice bench.
 * `--opening` alone: until the rack and the bench are usable, on a slow processor and line, beside an empty page.
 * `--scale` alone: start, rack, finding and the rest on histories of `--jobs 1000,25000,250000` jobs.
 * `--first-checks` alone: the first three checks of each complaint, by kind of machine, to be read aloud.
 * `--proofs` alone: drawn machines whose fault comes and goes, shown as often as their count wants, and three times for all.
 * `--cures` alone: drawn jobs with several things done at once, whose cure it was by share and by the last button.
 * `--machines N` sets how many machines, `--policies 0,2` which of the policies, `--plays-only` leaves the speed and the instruments out.
 */

async function speed(): Promise<void> {
  const bench = new Bench({ time: 1500, warmupTime: 500, retainSamples: true });
  for (const count of [5, 20, 40]) {
    const c = caseWith(count);
    bench.add(`posterior and next checks, ${count} findings`, () => void glance(c));
    bench.add(`the same with all reasons, ${count} findings`, () => void diagnose(c));
  }
  const c = caseWith(5);
  bench.add('looking two checks ahead, 5 findings', () => {
    const steps = looksAhead(c);
    while (!steps.next().done);
  });
  const entries = rebuildWith(60, 20);
  bench.add('folding a rebuild: 60 layers, 20 photos (aim: 5 ms)', () => {
    const picture = readJob(entries, { kind: 'trimmer' });
    guideOf(picture, rebuildOf(picture));
  });
  await bench.run();
  console.log(
    'Speed in Node, all causes, exact over up to three at once (aim: 16 ms; looking ahead: 1000 ms)',
  );
  for (const task of bench.tasks) {
    const { result } = task;
    if (!('latency' in result)) throw new Error(`${task.name} did not run`);
    console.log(
      timesLine(
        task.name,
        [...(result.latency.samples ?? [])].sort((x, y) => x - y),
      ),
    );
  }
}

interface Bin {
  n: number;
  claimed: number;
  right: number;
}

/** What was claimed at the first settlement against how often it was right, in ten equal bins. */
function reliability(played: readonly Outcome[]): Bin[] {
  const bins = Array.from({ length: 10 }, (): Bin => ({ n: 0, claimed: 0, right: 0 }));
  for (const { claimed, right } of played) {
    const bin = bins[Math.min(9, Math.floor(claimed * 10))];
    if (!bin) continue;
    bin.n++;
    bin.claimed += claimed;
    bin.right += +right;
  }
  return bins;
}

/** Expected calibration error: the mean gap between claimed and true, each bin by its size. */
const calibrationError = (bins: readonly Bin[]): number =>
  bins.reduce((sum, b) => sum + Math.abs(b.claimed - b.right), 0) / bins.reduce((sum, b) => sum + b.n, 0);

/** A worker does not inherit the loader for TypeScript: it registers it first. */
const LOADED = `import('tsx/esm/api').then(({ register }) => {
  register();
  return import(${JSON.stringify(new URL('./plays.ts', import.meta.url).href)});
});`;

const inWorker = (share: Share): Promise<Outcome[]> =>
  new Promise((resolve, reject) => {
    const worker = new Worker(LOADED, { eval: true, workerData: share });
    worker.once('message', resolve);
    worker.once('error', reject);
  });

const WAYS = availableParallelism();

async function playAll(policy: number, count: number): Promise<Outcome[]> {
  const size = Math.ceil(count / WAYS);
  const shares = Array.from({ length: WAYS }, (_, i) => ({
    policy,
    from: i * size,
    to: Math.min(count, (i + 1) * size),
  }));
  return (await Promise.all(shares.map(inWorker))).flat();
}

const COLUMNS = [
  ['mean min', 9],
  ['90 % min', 9],
  ['checks', 7],
  ['in vain', 8],
  ['first wrong', 12],
  ['given up', 9],
  ['calibration', 12],
  ['jitter kept', 12],
] as const;

async function policies(count: number, chosen: readonly number[]): Promise<void> {
  console.log(`\n${count} drawn machines of one to three faults, played until what is to blame was mended`);
  console.log(`  ${'policy'.padEnd(26)}${COLUMNS.map(([name, width]) => name.padStart(width + 1)).join('')}`);
  for (const policy of chosen) {
    const played = await playAll(policy, count);
    const mean = (pick: (p: Outcome) => number): number =>
      played.reduce((sum, p) => sum + pick(p), 0) / count;
    const minutes = played.map((p) => p.minutes).sort((x, y) => x - y);
    const bins = reliability(played);
    const figures = [
      mean((p) => p.minutes).toFixed(1),
      (minutes[Math.floor(count * 0.9)] ?? NaN).toFixed(1),
      mean((p) => p.checks).toFixed(1),
      mean((p) => p.wrong).toFixed(3),
      mean((p) => +!p.right).toFixed(3),
      mean((p) => +!p.finished).toFixed(3),
      calibrationError(bins).toFixed(3),
      policy > 1 ? '–' : mean((p) => +p.keptLead).toFixed(3),
    ];
    console.log(
      `  ${(POLICIES[policy]?.[0] ?? '').padEnd(26)}${figures.map((f, i) => f.padStart((COLUMNS[i]?.[1] ?? 8) + 1)).join('')}`,
    );
    if (policy > 1) continue;
    firsts(played);
    const rows = bins.flatMap((b, i) =>
      b.n
        ? [`${i * 10}–${i * 10 + 10} %: ${b.n}, claimed ${pc(b.claimed / b.n)}, right ${pc(b.right / b.n)}`]
        : [],
    );
    console.log(`    reliability   ${rows.join('\n                  ')}`);
  }
}

/** How often each check is made first: one cheap check that leads everywhere is a fault in the model. */
function firsts(played: readonly Outcome[]): void {
  const counts = new Map<string, number>();
  for (const { first } of played) counts.set(first ?? 'none', (counts.get(first ?? 'none') ?? 0) + 1);
  const rows = [...counts].sort((x, y) => y[1] - x[1]).map(([id, n]) => `${id} ${pc(n / played.length)}`);
  console.log(`    made first    ${rows.slice(0, 16).join(', ')}`);
}

const pc = (x: number): string => `${(100 * x).toFixed(0)} %`;

const SHOPS = 200;

function flag(name: string): string | undefined {
  const at = process.argv.indexOf(`--${name}`);
  return at > 0 ? process.argv[at + 1] : undefined;
}

if (process.argv.includes('--scale')) {
  await scale((flag('jobs') ?? '1000,25000,250000').split(',').map(Number));
  process.exit();
}
if (process.argv.includes('--opening')) {
  await opening();
  process.exit();
}
if (process.argv.includes('--proofs')) {
  proofs(Number(flag('machines') ?? 100_000));
  process.exit();
}
if (process.argv.includes('--cures')) {
  cures(Number(flag('machines') ?? 2000));
  process.exit();
}
if (process.argv.includes('--first-checks')) {
  console.log(firstChecksTable());
  process.exit();
}
if (process.argv.includes('--practice-only')) {
  practice(Number(flag('machines') ?? 1000), flag('ways')?.split(','));
  process.exit();
}
if (process.argv.includes('--learning-only')) {
  learning(Number(flag('shops') ?? SHOPS));
  process.exit();
}
if (!process.argv.includes('--plays-only')) days(Number(flag('weeks') ?? 500));
if (process.argv.includes('--days-only')) process.exit();
if (!process.argv.includes('--plays-only')) {
  await speed();
  await speedInChromium();
  recovery();
  ears(Number(flag('clips') ?? 3));
  tunes(Number(flag('tunes') ?? 500));
  learning(Number(flag('shops') ?? SHOPS));
}
smallNetworks();
console.log(
  `\nThe first three checks on a machine of which nothing is known but its complaint\n${firstChecksTable()}`,
);
await policies(
  Number(flag('machines') ?? 300),
  flag('policies')?.split(',').map(Number) ?? POLICIES.map((_, i) => i),
);
