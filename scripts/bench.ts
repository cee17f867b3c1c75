import { diagnose, CHECKS, type Case, type Evidence } from '@rusty-wren/core/diagnosis';
import { Bench } from 'tinybench';

/** A saw that will not reach speed, with the first `count` checks that need no reading all coming out sound. */
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
