import { chanceFrom } from '@rusty-wren/core/chance';
import { drawMachine, play, oneAhead, type Policy } from '@rusty-wren/core/proving';
import { repairNext } from '../core/proving/play';
let shown = 0;
let vain = 0;
for (let n = 0; n < 300 && shown < Number(process.argv[2] ?? 6); n++) {
  const machine = drawMachine(chanceFrom(2026 + n));
  const lines: string[] = [];
  const policy: Policy = (c, p, among) => {
    const check = oneAhead(c, p, among);
    const last = c.evidence.at(-1)!;
    lines.push(
      last.kind === 'finding'
        ? `${last.check}=${last.result}`
        : last.kind === 'repair'
          ? `REPAIR ${last.cause} ${last.outcome}`
          : '',
    );
    if (!check) {
      const r = repairNext(c, p);
      lines.push(
        `-> repair ${r} p=${p.causes[[...Array(p.causes.length).keys()].find((i) => true) ?? 0] === undefined ? '' : ''}`,
      );
    }
    return check;
  };
  const played = play(machine, policy, chanceFrom(10_000_000 + n));
  vain += played.wrong;
  if (process.env.LOW ? played.claimed < 0.3 : played.wrong >= 2) {
    shown++;
    console.log(
      `#${n}`,
      machine.machine.kind,
      'complaints',
      machine.complaints.join(','),
      'faults',
      machine.faults.join(','),
      'blame',
      machine.toBlame.join(','),
      JSON.stringify({ wrong: played.wrong, finished: played.finished, minutes: Math.round(played.minutes) }),
    );
    console.log('   ', lines.join(' | '));
  }
}
console.log('vain', vain);
