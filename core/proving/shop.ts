import type { Chance } from '../chance';
import { explainsAny } from '../diagnosis';
import { CAUSES, type CauseId, type ComplaintId } from '../knowledge';
import {
  expectedOn,
  groupOf,
  learn,
  taughtBy,
  together,
  type Learnt,
  type Tallies,
  type Thousandths,
} from '../learning';
import { drawMachine, type DrawnLike, type KnownMachine } from './generate';

const known = new Map<string, Thousandths>();
/** What would be expected on a machine: many come in alike. */
function expectedOf({ machine, complaints }: KnownMachine): Thousandths {
  const key = `${machine.kind} ${[...complaints].sort().join()}`;
  const expected = known.get(key) ?? expectedOn(machine, {}, complaints);
  known.set(key, expected);
  return expected;
}

/** The causes that can account for some of these complaints. */
export const accountingFor = (complaints: readonly ComplaintId[]): CauseId[] =>
  CAUSES.flatMap(({ id }) => (explainsAny(id, complaints) ? [id] : []));

/**
 * What a drawn shop learns from so many closed jobs. `commonness`: how its odds differ from the trade's; `wrong`: the share of jobs
 * closed with something that was not it.
 */
export function learntInShop(
  chance: Chance,
  { jobs, commonness = {}, wrong = 0 }: Pick<DrawnLike, 'commonness'> & { jobs: number; wrong?: number },
): Learnt {
  const taught: Tallies[] = [];
  for (let n = 0; n < jobs; n++) {
    const drawn = drawMachine(chance, { commonness });
    const possible = accountingFor(drawn.complaints);
    const there = drawn.faults.filter((f) => possible.includes(f));
    const found =
      chance() < wrong ? [possible[Math.floor(chance() * possible.length)]!] : [...new Set(there)];
    if (found.length === 0) continue;
    const id = String(n);
    const [tally] = taughtBy([
      {
        id,
        machineId: id,
        checkedInAt: '2026-01-01',
        closedAt: '2026-01-02',
        complaints: drawn.complaints,
        sharedCan: false,
        lesson: { counts: 1000, found: Object.fromEntries(found.map((cause) => [cause, 1000])) },
        expected: expectedOf(drawn),
      },
    ]).values();
    taught.push({ groups: { [groupOf(drawn.machine)]: tally! }, models: {} });
  }
  return learn(together(taught));
}
