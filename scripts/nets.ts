import { minutesUnder, oneAhead, optimalMinutes, SMALL_NETWORKS, type Policy } from '../core/proving';
import { whatNext } from '../core/diagnosis/plan/whatNext';
const pol = (from: number): Policy => (c, p, among) => { const w = whatNext(c, p, among); return w.stop ? null : (w.next.find((n) => n.net > from)?.check ?? null); };
for (const n of SMALL_NETWORKS) {
  const best = optimalMinutes(n);
  console.log(n.complaint.padEnd(18), best.toFixed(1), 'one', (100 * (minutesUnder(n, oneAhead) / best - 1)).toFixed(1), [-1.45, -1.4, -1.3, -1.2, -1.1, -1.05].map((f) => `${f}: ${(100 * (minutesUnder(n, pol(f)) / best - 1)).toFixed(1)}%`).join('  '));
}
