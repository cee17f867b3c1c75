import { readFileSync, readdirSync } from 'node:fs';
import { caseFromFile, parseCaseFile } from '@rusty-wren/contract';
import { diagnose } from '../core/diagnosis';
const dir = process.env.CASES ?? '/work/shared/casebook/cases';
for (const f of readdirSync(dir).sort()) {
  if (process.argv[2] && !process.argv.slice(2).some((n) => f.startsWith(n))) continue;
  const j = JSON.parse(readFileSync(`${dir}/${f}`, 'utf8'));
  const { case: c } = caseFromFile(parseCaseFile(JSON.stringify(j.case)));
  const d = diagnose(c);
  console.log(
    `${j.title}\n   ${j.case.log.map((e: Record<string, unknown>) => e.complaint ?? (e.check ? `${e.check}=${e.result ?? 'reading'}` : e.repair ? `REPAIR ${e.repair} ${e.outcome}` : `off ${e.tookOff}`)).join(', ')}`,
  );
  console.log(
    '   found',
    d.found.map((x) => `${x.cause}:${x.state}${x.explains.length ? '*' : ''}`).join(' '),
    '| suspects',
    d.suspects
      .slice(0, 4)
      .map((s) => `${s.cause} ${s.probability.toFixed(2)}`)
      .join(', '),
  );
  console.log(
    '   NEXT',
    d.next
      .slice(0, 6)
      .map((n) => `${n.check}(${n.minutes},${n.value.toFixed(1)})`)
      .join(' '),
    '| STOP',
    d.stop && `${d.stop.why} ${'causes' in d.stop ? d.stop.causes.join('+') : d.stop.cause}`,
    '| UNEXPL',
    d.unexplained.map((e) => (e.kind === 'finding' ? `${e.check}=${e.result}` : e.ref)).join(','),
    '| REPEAT',
    d.repeat.map((r) => r.ref + ' ' + r.misread.toFixed(2)).join(','),
    '| BEHIND',
    d.behind.map((b) => b.cause).join(','),
  );
}
