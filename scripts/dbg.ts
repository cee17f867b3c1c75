import { posterior } from '../core/diagnosis/posterior';
import { planningFor, aheadFrom, maskOfParts } from '../core/diagnosis/plan/planning';
import { rateAll } from '../core/diagnosis/plan/rate';
import { queueOf } from '../core/diagnosis/plan/expectedMinutes';
import { CAUSES } from '../core/knowledge';
import { CASEBOOK, caseOfBench } from '../core/proving/casebook';
import { readFileSync, readdirSync } from 'node:fs';
import { caseFromFile, parseCaseFile } from '@rusty-wren/contract';
const dir = '/work/shared/casebook/cases';
for (const n of process.argv.slice(2)) {
  const own = CASEBOOK.find((b) => b.title.includes(n));
  const f = own ? own.title : readdirSync(dir).find((x) => x.startsWith(n))!;
  const c = own
    ? caseOfBench(own)
    : caseFromFile(parseCaseFile(JSON.stringify(JSON.parse(readFileSync(`${dir}/${f}`, 'utf8')).case))).case;
  const p = posterior(c);
  const pl = planningFor(c, p);
  const now = aheadFrom(pl, pl.board.now, pl.off).minutes;
  console.log(
    f,
    'none',
    p.sets[0]!.toFixed(3),
    'now',
    now.toFixed(1),
    'sets',
    pl.board.chosen.length,
    'acc',
    pl.routes.accounted,
    'owed',
    [...pl.owed],
    'foremost',
    [...pl.foremost],
  );
  console.log(
    '  QUEUE',
    queueOf(pl.board.now.weights, maskOfParts(pl.off), pl.routes)
      .map(
        (q) =>
          `${CAUSES[q.cause]!.id}${q.repair ? '!' : ''} ${q.probability.toFixed(2)}[${pl.routes.by[q.cause]?.id ?? '-'} ${pl.routes.look[q.cause]!.toFixed(1)}]`,
      )
      .join(', '),
  );
  console.log(
    '  THERE',
    [...p.causes]
      .map((q, i) => [CAUSES[i]!.id, q] as const)
      .filter((x) => x[1] > 0.02)
      .sort((x, y) => y[1] - x[1])
      .map((x) => `${x[0]} ${x[1].toFixed(2)}`)
      .join(', '),
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
      r.prospects.map((o) => `${o.result} ${o.chance.toFixed(2)}→${o.ahead.minutes.toFixed(0)}`).join(' '),
    );
}
