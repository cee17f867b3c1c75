import { readFileSync, readdirSync } from 'node:fs';
import { caseFromFile, parseCaseFile } from '@rusty-wren/contract';
import { posterior } from '../core/diagnosis/posterior';
import { planningFor, rateAll, minutesFrom, firstFrom } from '../core/diagnosis/plan/nextCheck';
import { CAUSES } from '../core/knowledge';
const dir = process.env.CASES ?? '/work/shared/casebook/cases';
for (const n of process.argv.slice(2)) {
  const f = readdirSync(dir).find((x) => x.startsWith(n))!;
  const j = JSON.parse(readFileSync(`${dir}/${f}`, 'utf8'));
  const { case: c } = caseFromFile(parseCaseFile(JSON.stringify(j.case)));
  const p = posterior(c);
  const pl = planningFor(c, p);
  const now = minutesFrom(pl, pl.board.now, pl.off);
  const first = firstFrom(pl, pl.board.now, pl.off);
  console.log(
    f,
    'none',
    p.sets[0]!.toFixed(3),
    'now',
    now.toFixed(1),
    'first',
    first && `${CAUSES[first.cause]!.id} ${first.repair ? 'REPAIR' : pl.routes.by[first.cause]?.id}`,
    'sets',
    pl.board.chosen.length,
    'acc',
    pl.routes.accounted,
    'owed',
    [...pl.owed],
  );
  console.log(
    '  ',
    [...p.causes]
      .map((q, i) => [CAUSES[i]!.id, q, 1, pl.routes.by[i]?.id ?? '-', pl.routes.look[i]] as const)
      .filter((x) => x[1] > 0.02)
      .sort((x, y) => y[1] - x[1])
      .map((x) => `${x[0]} ${x[1].toFixed(2)}${x[2] ? '' : '(x)'}[${x[3]} ${x[4].toFixed(1)}]`)
      .join('\n   '),
  );
  for (const r of rateAll(pl)
    .sort((x, y) => x.through - y.through)
    .filter((r, n) => n < 8 || (process.env.ALSO ?? '').split(',').includes(r.answers.check.id)))
    console.log(
      '     ',
      r.answers.check.id.padEnd(22),
      'cost',
      r.cost.toFixed(1),
      'saves',
      (now - r.through + r.cost).toFixed(1),
      'net',
      (now - r.through).toFixed(1),
      r.prospects.map((o) => `${o.result} ${o.chance.toFixed(2)}→${o.minutes.toFixed(0)}`).join(' '),
    );
}
