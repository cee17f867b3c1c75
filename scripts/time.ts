import { posterior } from '../core/diagnosis/posterior';
import { planFrom } from '../core/diagnosis/plan/nextCheck';
import { planningFor } from '../core/diagnosis/plan/planning';
import { rateAll } from '../core/diagnosis/plan/rate';
import { diagnose } from '../core/diagnosis';
import { lookedAhead } from '../core/diagnosis/plan/lookAhead';
import { CASEBOOK, caseOfBench } from '../core/proving/casebook';
const cases = CASEBOOK.map(caseOfBench);
for (const round of [1, 2, 3, 4]) {
  let a = 0,
    b = 0,
    d = 0,
    e = 0,
    f = 0;
  for (const c of cases) {
    let t = performance.now();
    const p = posterior(c);
    a += performance.now() - t;
    t = performance.now();
    const pl = planningFor(c, p);
    b += performance.now() - t;
    t = performance.now();
    const r = rateAll(pl);
    planFrom(r, pl, p);
    d += performance.now() - t;
    t = performance.now();
    diagnose(c);
    e += performance.now() - t;
    if (round === 4) {
      t = performance.now();
      lookedAhead(c, p);
      f += performance.now() - t;
    }
  }
  const n = cases.length;
  console.log(
    `posterior ${(a / n).toFixed(2)} lay ${(b / n).toFixed(2)} rate ${(d / n).toFixed(2)} diagnose ${(e / n).toFixed(2)} ahead ${(f / n).toFixed(1)} ms`,
  );
}
