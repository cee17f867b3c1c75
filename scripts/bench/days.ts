import { chanceFrom } from '@rusty-wren/core/chance';
import { drawWeek } from '@rusty-wren/core/proving';
import {
  costOf,
  exactPlan,
  goThrough,
  logNormalMinutes,
  planBy,
  planned,
  promisesOf,
  ready,
  RULE_IDS,
  search,
  type Work,
} from '@rusty-wren/core/schedule';

const fixed = (n: number): string => n.toFixed(n < 10 ? 2 : 0);

/** A few machines of a drawn week with their promises near: a small day. */
function smallDay(seed: number): Work {
  const work = drawWeek(chanceFrom(seed), { jobs: 3, crew: 1 + (seed % 2) });
  const near = chanceFrom(seed + 1);
  return { ...work, jobs: work.jobs.map((j) => ({ ...j, due: j.due === null ? null : 60 + 300 * near() })) };
}

/** Drawn weeks: the plan against simple rules and, on small days, against the best there is; promises against how they went. */
export function days(weeks: number): void {
  console.log(`\nThe day: ${weeks} drawn weeks, 12 to 30 machines, one or two technicians`);
  const late = new Map<string, number>(RULE_IDS.map((id) => [id, 0]));
  const setup = new Map<string, number>();
  const add = (to: Map<string, number>, key: string, n: number): unknown =>
    to.set(key, (to.get(key) ?? 0) + n);
  const said = { n: 0, chance: 0, kept: 0 };
  for (let w = 0; w < weeks; w++) {
    const work = drawWeek(chanceFrom(w), { jobs: 12 + (w % 19), crew: 1 + (w % 2) });
    const r = ready(work);
    for (const rule of RULE_IDS) {
      const cost = costOf(r, planBy(rule, r));
      add(late, rule, cost.late);
      add(setup, rule, cost.setup);
    }
    const plan = planned(work);
    add(late, 'plan', plan.cost.late);
    add(setup, 'plan', plan.cost.setup);
    const draw = logNormalMinutes(chanceFrom(90_000 + w));
    const ends = goThrough(work, plan.slots, draw);
    for (const { job, chance } of promisesOf(work, plan.slots, { runs: 300 })) {
      if (chance === null || chance < 0.8 || chance >= 0.9) continue;
      const { due } = work.jobs.find((j) => j.id === job)!;
      const done = Math.max(...work.tasks.filter((t) => t.job === job).map((t) => ends.get(t.id)!));
      said.n++;
      said.chance += chance;
      if (done <= due!) said.kept++;
    }
  }
  for (const [id, minutes] of late)
    console.log(
      `  ${id.padEnd(12)} weighted lateness ${fixed(minutes / weeks).padStart(6)} min a week, setting up ${fixed(setup.get(id)! / weeks)} min`,
    );
  const best = Math.min(...RULE_IDS.map((id) => late.get(id)!));
  console.log(
    `  lateness of the plan: ${fixed((100 * late.get('plan')!) / best)} % of the best simple rule (aim: 50)`,
  );
  console.log(
    `  promises said to hold at 80 to 90 % (${said.n}): said ${fixed((100 * said.chance) / said.n)} %, held ${fixed((100 * said.kept) / said.n)} %`,
  );
  let gap = 0;
  let over = 0;
  let known = 0;
  for (let s = 0; s < weeks; s++) {
    const r = ready(smallDay(s));
    const exact = exactPlan(r, { most: 20_000 });
    if (!exact) continue;
    const looking = search(r, {});
    let step = looking.next();
    while (!step.done) step = looking.next();
    const share = (step.value.cost.total - exact.total) / Math.max(1, exact.total);
    known++;
    gap += share;
    if (share > 0.02) over++;
  }
  console.log(
    `  small days with a known best (${known}): the search is ${fixed((100 * gap) / known)} % over it (aim: 2), more than 2 % on ${over}`,
  );
  const large = drawWeek(chanceFrom(60), { jobs: 60, crew: 3 });
  const began = performance.now();
  const first = search(ready(large), {}).next().value as { cost: { late: number } };
  const first_ms = performance.now() - began;
  const whole = planned(large);
  console.log(
    `  60 machines, three technicians: first plan after ${fixed(first_ms)} ms, the last after ${fixed(performance.now() - began)} ms (aim: 2000); lateness ${fixed(first.cost.late)} -> ${fixed(whole.cost.late)} min`,
  );
}
