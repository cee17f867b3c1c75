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
      ahead: timed(20, () => {
        const steps = looksAhead(caseWith(5));
        while (!steps.next().done);
      }),
    };
  },
});
