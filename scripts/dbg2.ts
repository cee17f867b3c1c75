import { posterior } from '../core/diagnosis/posterior';
import { planningFor, maskOfParts } from '../core/diagnosis/plan/planning';
import { believing } from '../core/diagnosis/plan/board';
import { queueOf } from '../core/diagnosis/plan/expectedMinutes';
import { CAUSES } from '../core/knowledge';
import { CASEBOOK, caseOfBench } from '../core/proving/casebook';
const [n, check, result] = process.argv.slice(2);
const c = caseOfBench(CASEBOOK.find((b) => b.title.includes(n!))!);
const p = posterior(c);
const pl = planningFor(c, p);
const show = (w: Float64Array) =>
  console.log(
    queueOf(w, maskOfParts(pl.off), pl.routes)
      .slice(0, 14)
      .map(
        (q) =>
          `${CAUSES[q.cause]!.id}${q.repair ? '!' : ''} ${q.probability.toFixed(3)}[${pl.routes.by[q.cause]?.id ?? '-'} ${pl.routes.look[q.cause]!.toFixed(1)}]`,
      )
      .join(', '),
  );
show(pl.board.now.weights);
const a = pl.board.answers.get(check as never)!;
show(believing(pl.board, pl.board.now, a, a.results.indexOf(result!)).weights);
