import { glance, looksAhead } from '@rusty-wren/core/diagnosis';
import { caseWith } from './caseWith';

/** Milliseconds of each of so many runs, sorted. */
function timed(runs: number, work: (n: number) => void): number[] {
  for (let n = 0; n < runs / 4; n++) work(n);
  return Array.from({ length: runs }, (_, n) => {
    const start = performance.now();
    work(n);
    return performance.now() - start;
  }).sort((x, y) => x - y);
}

/** A plain loop of ten million multiply-adds: what the machine gives at the moment, to hold the rest against. */
function plainLoop(): number {
  const x = new Float64Array(10_000).fill(1.0000001);
  let sum = 0;
  for (let round = 0; round < 1000; round++) for (let i = 0; i < x.length; i++) sum = sum * 0.999 + x[i]!;
  return sum;
}

/** What the page is asked for by the bench script. */
Object.assign(globalThis, {
  benchInPage: () => {
    const c = caseWith(40);
    const results = c.evidence.filter((e) => e.kind === 'finding');
    return {
      // A line more on the log, as at the bench: the last finding changes every time.
      growing: timed(200, (n) => {
        const last = results.at(-1);
        const sureness = (['sure', 'fair', 'doubtful'] as const)[n % 3] ?? 'sure';
        glance({ ...c, evidence: [...c.evidence.slice(0, -1), ...(last ? [{ ...last, sureness }] : [])] });
      }),
      // A line struck near the beginning: everything after it is weighed anew.
      struck: timed(200, (n) => {
        glance({ ...c, evidence: c.evidence.filter((_, i) => i !== 1 + (n % 3)) });
      }),
      plain: timed(50, () => void plainLoop()),
      ahead: timed(20, () => {
        const steps = looksAhead(caseWith(5));
        while (!steps.next().done);
      }),
    };
  },
});
