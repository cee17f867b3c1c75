import { chanceFrom, type Chance } from '@rusty-wren/core/chance';
import { causesOn, type Commonness } from '@rusty-wren/core/diagnosis';
import { CAUSES, CHECKS, LAYER_TASKS, PARTS, type TaskId } from '@rusty-wren/core/knowledge';
import { commonnessIn, groupOf, learnMinutes, learntFor } from '@rusty-wren/core/learning';
import type { MachineFacts } from '@rusty-wren/core/machine';
import {
  accountingFor,
  drawMachine,
  drawTimes,
  learntInShop,
  TIMED,
  type KnownMachine,
} from '@rusty-wren/core/proving';

const JOBS = 200;
const TRIED = 25;
/** How far a drawn shop's odds are from the trade's, each way. */
const FURTHEST_OFF = 5;

/** A shop of its own: how much commoner each cause is there. */
const drawShop = (chance: Chance): Commonness =>
  Object.fromEntries(CAUSES.map(({ id }) => [id, FURTHEST_OFF ** (2 * chance() - 1)]));

/** How far off the odds of a machine that came in were: nats, over every cause that can account for it. */
function lossOf({ machine, complaints, faults }: KnownMachine, commonness: Commonness): number {
  const causes = causesOn({
    machine,
    history: {},
    commonness,
    evidence: complaints.map((complaint) => ({ ref: complaint, kind: 'complaint', complaint })),
    off: [],
  });
  const possible = new Set(accountingFor(complaints));
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

/** How a drawn shop differs: not at all, as a whole, or each class of machine by itself. */
type Differs = 'nowhere' | 'as a whole' | 'class by class';

function losses(shops: number, { differs, wrong }: { differs: Differs; wrong: number }): Losses {
  const of: Losses = { trade: 0, learnt: 0, truth: 0 };
  for (let n = 0; n < shops; n++) {
    const chance = chanceFrom(7000 + n);
    const whole = drawShop(chance);
    const classes = new Map<string, Commonness>();
    const truth = (machine: MachineFacts): Commonness => {
      if (differs !== 'class by class') return differs === 'nowhere' ? {} : whole;
      const group = groupOf(machine);
      if (!classes.has(group)) classes.set(group, drawShop(chance));
      return classes.get(group)!;
    };
    const learnt = learntInShop(chance, { jobs: JOBS, commonness: truth, wrong });
    for (let m = 0; m < TRIED; m++) {
      const drawn = drawMachine(chance, { commonness: truth });
      of.trade += lossOf(drawn, {});
      of.learnt += lossOf(drawn, commonnessIn(learntFor(learnt, drawn.machine, '')) ?? {});
      of.truth += lossOf(drawn, truth(drawn.machine));
    }
  }
  return of;
}

const TIMES = 60;
const LATE = 0.2;
/** How far a drawn shop's minutes are from the trade's, each way. */
const SLOWEST = 2;

/** How far the minutes that were learnt are off the truth, over drawn shops: with one entry in five noted late. */
function minutes(shops: number): void {
  const off = new Map<string, number[]>();
  for (let n = 0; n < shops; n++) {
    const chance = chanceFrom(9000 + n);
    const truth = new Map(TIMED.map((task) => [task, SLOWEST ** (2 * chance() - 1)] as const));
    const { shop } = learnMinutes(drawTimes(chance, truth, { jobs: TIMES, late: LATE }));
    for (const task of TIMED) {
      const by = Math.abs((shop[task]?.factor ?? 1) / truth.get(task)! - 1);
      const of = sortOf(task);
      off.set(of, [...(off.get(of) ?? []), by]);
    }
  }
  for (const [of, all] of off) {
    all.sort((x, y) => x - y);
    const at = (share: number): string => `${Math.round(100 * all[Math.floor(share * (all.length - 1))]!)} %`;
    console.log(
      `  minutes of ${of} done ${TIMES} times, one in five noted late: off by ${at(0.5)} in the middle, ${at(0.9)} in nine of ten (wanted 15)`,
    );
  }
}

/** What sort of thing takes the minutes. */
function sortOf(task: TaskId): string {
  if (CHECKS.some((c) => c.id === task)) return 'checks';
  if (PARTS.some((p) => p.id === task)) return 'openings';
  return LAYER_TASKS.some((l) => l === task) ? 'rebuild steps' : 'repairs';
}

/** Learning on drawn shops: the share of what the truth itself would give, and what it costs where nothing differs. */
export function learning(shops: number): void {
  console.log(
    `Learning: ${shops} drawn shops, ${JOBS} closed jobs each, ${TRIED} new machines each (log loss, nats)`,
  );
  for (const [says, differs, wrong] of [
    ['odds up to 5 times off', 'as a whole', 0],
    ['the same, one closing in ten wrong', 'as a whole', 0.1],
    ['each class up to 5 times off by itself', 'class by class', 0],
  ] as const) {
    const { trade, learnt, truth } = losses(shops, { differs, wrong });
    const each = (x: number): string => (x / shops / TRIED).toFixed(3);
    console.log(
      `  ${says}: trade ${each(trade)}, learnt ${each(learnt)}, truth ${each(truth)}: ${Math.round((100 * (trade - learnt)) / (trade - truth))} % of what the truth gives (wanted 33)`,
    );
  }
  const { trade, learnt } = losses(shops, { differs: 'nowhere', wrong: 0 });
  console.log(`  nothing off: ${(100 * (learnt / trade - 1)).toFixed(2)} % worse than the trade (at most 1)`);
  minutes(shops);
}
