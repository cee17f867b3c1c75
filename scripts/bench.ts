import {
  chanceFrom,
  CHECKS,
  computedPlan,
  diagnose,
  drawMachine,
  inOrder,
  play,
  SCHOOLS,
  type Case,
  type Evidence,
  type Played,
  type Policy,
} from '@rusty-wren/core/diagnosis';
import { Bench } from 'tinybench';

/** Speed of the inference, then every policy played on the same drawn machines. `--machines N` sets how many. */

/** A saw that will not reach speed, with the first `count` checks all coming out sound. */
function caseWith(count: number): Case {
  const findings = CHECKS.slice(0, count).map((check): Evidence => ({
    ref: check.id,
    kind: 'finding',
    check: check.id,
    result: check.results[0]?.id ?? '',
    sureness: 'sure',
  }));
  return {
    machine: { kind: 'chainsaw', displacementCc: 45 },
    history: { monthsStored: 6, openedBefore: 'unknown' },
    evidence: [{ ref: 'c', kind: 'complaint', complaint: 'wont-reach-speed' }, ...findings],
    off: [],
  };
}

async function speed(): Promise<void> {
  const bench = new Bench({ time: 2000, warmupTime: 500, retainSamples: true });
  for (const count of [5, 20, 40]) {
    const c = caseWith(count);
    bench.add(`suspects, reasons and next checks, ${count} findings`, () => void diagnose(c));
  }
  await bench.run();
  console.log('Inference, all causes, exact over up to three at once (aim: below 16 ms)');
  for (const task of bench.tasks) {
    const { result } = task;
    if (!('latency' in result)) throw new Error(`${task.name} did not run`);
    const sorted = [...(result.latency.samples ?? [])].sort((x, y) => x - y);
    const at = (share: number): string => (sorted[Math.floor(sorted.length * share)] ?? NaN).toFixed(1);
    console.log(`  ${task.name.padEnd(52)} median ${at(0.5)} ms   p95 ${at(0.95)} ms`);
  }
}

/** Mean gap between what was claimed at the first settlement and how often it was right, over ten equal bins. */
function calibrationError(played: readonly Played[]): number {
  const bins = Array.from({ length: 10 }, () => ({ n: 0, claimed: 0, right: 0 }));
  for (const { claimed, right } of played) {
    const bin = bins[Math.min(9, Math.floor(claimed * 10))];
    if (!bin) continue;
    bin.n++;
    bin.claimed += claimed;
    bin.right += +right;
  }
  return bins.reduce((sum, b) => sum + Math.abs(b.claimed - b.right), 0) / played.length;
}

function policies(count: number): void {
  const chance = chanceFrom(2026);
  const machines = Array.from({ length: count }, () => drawMachine(chance));
  const all: readonly (readonly [string, Policy])[] = [
    ['computed', computedPlan],
    ...SCHOOLS.map((s) => [s.name, inOrder(s.order)] as const),
  ];
  console.log(`\n${count} drawn machines of one to three faults, played until what is to blame was mended`);
  console.log(
    '  policy                      mean min   90 % min   checks   needless repairs   first right   calibration error',
  );
  for (const [name, policy] of all) {
    const played = machines.map((m, i) => play(m, policy, chanceFrom(10_000 + i)));
    const mean = (pick: (p: Played) => number): number => played.reduce((sum, p) => sum + pick(p), 0) / count;
    const minutes = played.map((p) => p.minutes).sort((x, y) => x - y);
    console.log(
      `  ${name.padEnd(26)} ${mean((p) => p.minutes)
        .toFixed(1)
        .padStart(9)} ${(minutes[Math.floor(count * 0.9)] ?? NaN).toFixed(1).padStart(10)} ${mean(
        (p) => p.checks,
      )
        .toFixed(1)
        .padStart(8)} ${mean((p) => p.wrong)
        .toFixed(2)
        .padStart(18)} ${mean((p) => +p.right)
        .toFixed(2)
        .padStart(13)} ${calibrationError(played).toFixed(3).padStart(19)}`,
    );
  }
}

const flag = process.argv.indexOf('--machines');
await speed();
policies(flag > 0 ? Number(process.argv[flag + 1]) : 300);
