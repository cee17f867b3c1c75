import { chanceFrom, type Chance } from '@rusty-wren/core/chance';
import { causesOn, explainsAny, type Commonness } from '@rusty-wren/core/diagnosis';
import { CAUSES, type CauseId, type ComplaintId } from '@rusty-wren/core/knowledge';
import {
  addTally,
  commonnessIn,
  expectedOn,
  groupOf,
  learn,
  learntFor,
  taughtBy,
  type Learnt,
  type Tally,
  type Thousandths,
} from '@rusty-wren/core/learning';
import { drawMachine, type KnownMachine } from '@rusty-wren/core/proving';

const JOBS = 200;
const TRIED = 25;
/** How far a drawn shop's odds are from the trade's, each way. */
const FURTHEST_OFF = 5;

/** A shop of its own: how much commoner each cause is there. */
const drawShop = (chance: Chance): Commonness =>
  Object.fromEntries(CAUSES.map(({ id }) => [id, FURTHEST_OFF ** (2 * chance() - 1)]));

const known = new Map<string, Thousandths>();
/** What would be expected on a machine: many come in alike. */
function expectedOf({ machine, complaints }: KnownMachine): Thousandths {
  const key = `${machine.kind} ${[...complaints].sort().join()}`;
  const expected = known.get(key) ?? expectedOn(machine, {}, complaints);
  known.set(key, expected);
  return expected;
}

const explains = (complaints: readonly ComplaintId[]): CauseId[] =>
  CAUSES.flatMap(({ id }) => (explainsAny(id, complaints) ? [id] : []));

/** What so many closed jobs of a shop teach; so many in a hundred closed with something that was not it. */
function learntIn(chance: Chance, shop: Commonness, wrong: number): Learnt {
  const groups: Record<string, Tally> = {};
  for (let n = 0; n < JOBS; n++) {
    const drawn = drawMachine(chance, shop);
    const possible = explains(drawn.complaints);
    const there = drawn.faults.filter((f) => possible.includes(f));
    const found =
      chance() < wrong ? [possible[Math.floor(chance() * possible.length)]!] : [...new Set(there)];
    if (found.length === 0) continue;
    const [taught] = taughtBy([
      {
        id: String(n),
        machineId: String(n),
        checkedInAt: '2026-01-01',
        closedAt: '2026-01-02',
        complaints: drawn.complaints,
        sharedCan: false,
        lesson: { counts: 1000, found },
        expected: expectedOf(drawn),
      },
    ]).values();
    const group = groupOf(drawn.machine);
    groups[group] = groups[group] ? addTally(groups[group], taught!) : taught!;
  }
  return learn({ groups, models: {} });
}

/** How far off the odds of a machine that came in were: nats, over every cause that can account for it. */
function lossOf({ machine, complaints, faults }: KnownMachine, commonness: Commonness): number {
  const causes = causesOn({
    machine,
    history: {},
    commonness,
    evidence: complaints.map((complaint) => ({ ref: complaint, kind: 'complaint', complaint })),
    off: [],
  });
  const possible = new Set(explains(complaints));
  return CAUSES.reduce((loss, { id }, i) => {
    if (!possible.has(id)) return loss;
    const p = Math.min(1 - 1e-6, Math.max(1e-6, causes[i]!));
    return loss - Math.log(faults.includes(id) ? p : 1 - p);
  }, 0);
}

interface Losses {
  trade: number;
  learnt: number;
  truth: number;
}

function losses(shops: number, { differ, wrong }: { differ: boolean; wrong: number }): Losses {
  const of: Losses = { trade: 0, learnt: 0, truth: 0 };
  for (let n = 0; n < shops; n++) {
    const chance = chanceFrom(7000 + n);
    const truth = differ ? drawShop(chance) : {};
    const learnt = learntIn(chance, truth, wrong);
    for (let m = 0; m < TRIED; m++) {
      const drawn = drawMachine(chance, truth);
      of.trade += lossOf(drawn, {});
      of.learnt += lossOf(drawn, commonnessIn(learntFor(learnt, drawn.machine, '')) ?? {});
      of.truth += differ ? lossOf(drawn, truth) : 0;
    }
  }
  return of;
}

/** Learning on drawn shops: the share of what the truth itself would give, and what it costs where nothing differs. */
export function learning(shops: number): void {
  console.log(
    `Learning: ${shops} drawn shops, ${JOBS} closed jobs each, ${TRIED} new machines each (log loss, nats)`,
  );
  for (const [says, wrong] of [
    ['odds up to 5 times off', 0],
    ['the same, one closing in ten wrong', 0.1],
  ] as const) {
    const { trade, learnt, truth } = losses(shops, { differ: true, wrong });
    const each = (x: number): string => (x / shops / TRIED).toFixed(3);
    console.log(
      `  ${says}: trade ${each(trade)}, learnt ${each(learnt)}, truth ${each(truth)}: ${Math.round((100 * (trade - learnt)) / (trade - truth))} % of what the truth gives (wanted 33)`,
    );
  }
  const { trade, learnt } = losses(shops, { differ: false, wrong: 0 });
  console.log(`  nothing off: ${(100 * (learnt / trade - 1)).toFixed(2)} % worse than the trade (at most 1)`);
}
