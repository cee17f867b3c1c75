import { diagnose } from '../../diagnosis';
import { commonnessIn, learntFor, type Learnt } from '../../learning';
import { caseOfBench, type BenchCase } from './benchCase';

/**
 * Where the engine's answer falls short of what the case expects, one sentence each; empty where it holds. `learnt`: what the shop
 * it is asked in has learnt.
 */
export function shortOf(bench: BenchCase, learnt?: Learnt): string[] {
  const commonness = learnt && commonnessIn(learntFor(learnt, bench.machine, ''));
  const c = { ...caseOfBench(bench), ...(commonness && { commonness }) };
  const d = diagnose(c);
  const { expect } = bench;
  const short: string[] = [];
  const wants = (holds: boolean, says: string): void => {
    if (!holds) short.push(says);
  };
  const p = (id: string): number => d.suspects.find((s) => s.cause === id)?.probability ?? 0;
  const rank = (id: string): number => d.suspects.findIndex((s) => s.cause === id) + 1 || Infinity;
  const proposed = d.next.map((n) => n.check);
  for (const { causes, n } of expect.within ?? []) {
    const at = Math.min(...causes.map(rank));
    wants(at <= n, `${causes.join(' or ')} is number ${at}, wanted within ${n}`);
  }
  for (const { causes, p: least } of expect.atLeast ?? []) {
    const sum = causes.reduce((total, id) => total + p(id), 0);
    wants(sum >= least, `${causes.join(' + ')} ${sum.toFixed(2)}, wanted ${least}`);
  }
  for (const { cause, p: most } of expect.atMost ?? [])
    wants(p(cause) <= most, `${cause} ${p(cause).toFixed(2)}, at most ${most}`);
  if (expect.next) {
    const { any, n } = expect.next;
    const first = proposed.slice(0, n);
    wants(
      first.some((id) => any.includes(id)),
      `proposes ${first.join(', ') || 'nothing'}; wanted one of ${any.join(', ')}`,
    );
  }
  if (expect.never) {
    const { checks, n } = expect.never;
    const silly = proposed.slice(0, n).filter((id) => checks.includes(id));
    wants(silly.length === 0, `proposes ${silly.join(', ')} among the first ${n}`);
  }
  for (const id of expect.found ?? [])
    wants(
      d.found.some((f) => f.cause === id),
      `${id} is not among what was found`,
    );
  if (expect.stop !== undefined)
    wants((d.stop?.why ?? null) === expect.stop, `stop is ${d.stop?.why ?? 'none'}, wanted ${expect.stop}`);
  const checkOfRef = (ref: string): string | undefined => {
    const e = c.evidence.find((x) => x.ref === ref);
    return e?.kind === 'finding' ? e.check : undefined;
  };
  for (const id of expect.repeat ?? [])
    wants(
      d.repeat.some((r) => checkOfRef(r.ref) === id),
      `${id} is not asked for again`,
    );
  for (const id of expect.unexplained ?? [])
    wants(
      d.unexplained.some((e) => e.kind === 'finding' && e.check === id),
      `${id} is not left unexplained`,
    );
  return short;
}
