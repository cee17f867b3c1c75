import { drawFrom, type Chance } from '../chance';
import { chanceOf, givenShared, type Shared } from '../diagnosis/dependence';
import { informativeResults, maskOf } from '../diagnosis/checkTable';
import { asItStood, fillChosen, findingLikelihood } from '../diagnosis/likelihood';
import { CHAIN_SHARE, MENTION_RATE } from '../diagnosis/parameters';
import type { Commonness } from '../diagnosis';
import { priorOdds } from '../diagnosis/prior';
import {
  CAUSES,
  causeOf,
  CHAINS,
  COMPLAINT_IDS,
  DEPENDENCES,
  dependenceOf,
  probabilityOf,
  type CauseId,
  type CheckId,
  type ComplaintId,
  type Dependence,
  type History,
} from '../knowledge';
import { MACHINE_KINDS, type MachineFacts } from '../machine';

/** A machine whose faults are known, as the model itself would make it. */
export interface KnownMachine {
  machine: MachineFacts;
  faults: readonly CauseId[];
  /** The faults the complaints come from: with these put right, the owner is content. */
  toBlame: readonly CauseId[];
  complaints: readonly ComplaintId[];
  /** What the owner said of its past. */
  history: History;
  /** The faults behind each complaint. */
  from: ReadonlyMap<ComplaintId, readonly CauseId[]>;
  /** How things are that dependent checks share: poor light or good, a fault that shows plainly or slightly. */
  shared: ReadonlyMap<Dependence, Shared>;
}

/** Faults that came by themselves; those they bring about come on top. */
const MOST_BY_THEMSELVES = 3;

/** What a drawn machine is like, where it is not just any. */
export interface DrawnLike {
  /** How much commoner causes are where it comes from than the trade says, of all machines or of each by itself. */
  commonness?: Commonness | ((machine: MachineFacts) => Commonness);
  /** Draws which machine it is. */
  machineOf?: (chance: Chance) => MachineFacts;
  /** Draws what its owner says of its past. */
  historyOf?: (chance: Chance) => History;
}

const anyMachine = (chance: Chance): MachineFacts => ({
  kind: MACHINE_KINDS[Math.floor(chance() * MACHINE_KINDS.length)]!,
  displacementCc: 25 + Math.floor(chance() * 40),
});

/** Faults drawn by the priors, and what they have brought about: every chain runs on from what it brought. */
function faultsOf(
  chance: Chance,
  machine: MachineFacts,
  history: History,
  commonness?: Commonness,
): CauseId[] {
  const odds = priorOdds(history, machine, commonness);
  for (;;) {
    const faults = CAUSES.filter((_, i) => chance() < odds[i]! / (1 + odds[i]!)).map((cause) => cause.id);
    if (faults.length < 1 || faults.length > MOST_BY_THEMSELVES) continue;
    for (const from of faults)
      for (const { to, often } of CHAINS.filter((chain) => chain.from === from)) {
        const possible = causeOf(to).kinds?.[machine.kind] !== 0;
        const happened = chance() < CHAIN_SHARE * probabilityOf(often);
        if (happened && possible && !faults.includes(to)) faults.push(to);
      }
    return faults;
  }
}

/** Draws machines by the priors until one comes in with something to complain of. */
export function drawMachine(
  chance: Chance,
  { commonness, machineOf = anyMachine, historyOf = () => ({}) }: DrawnLike = {},
): KnownMachine {
  for (;;) {
    const machine = machineOf(chance);
    const history = historyOf(chance);
    const here = typeof commonness === 'function' ? commonness(machine) : commonness;
    const faults = faultsOf(chance, machine, history, here);
    const heard = new Map<ComplaintId, CauseId[]>();
    for (const id of COMPLAINT_IDS) {
      const from = faults.filter((fault) => {
        const word = causeOf(fault).complaints[id];
        return word !== undefined && chance() < probabilityOf(word);
      });
      if (from.length > 0 && chance() < MENTION_RATE) heard.set(id, from);
    }
    if (heard.size === 0) continue;
    return {
      machine,
      faults,
      history,
      complaints: [...heard.keys()],
      from: heard,
      toBlame: [...new Set([...heard.values()].flat())],
      shared: new Map(DEPENDENCES.map((d) => [d, chance() < chanceOf(d, true)])),
    };
  }
}

const NONE = Uint32Array.of(0);
const NOBODY = maskOf([]);

interface Circumstances {
  shared?: KnownMachine['shared'];
  complaints?: readonly ComplaintId[];
  /** What the check showed before on the machine as it is: it shows the same again, unless that was a slip. */
  before?: string | undefined;
  /** Nothing is read wrong. */
  exact?: boolean;
  /** Which results it may show at all; any where left out. */
  may?: (result: string) => boolean;
}

/** What a check shows on a machine with these faults still in it, misreadings at their stated rate included. */
export function drawResult(
  chance: Chance,
  check: CheckId,
  faults: readonly CauseId[],
  { shared, complaints = [], before, exact, may = () => true }: Circumstances = {},
): string {
  const dependence = dependenceOf(check);
  const state = dependence && shared?.get(dependence);
  const present = maskOf(faults);
  const out = new Float64Array(1);
  const results = informativeResults(check).filter(may);
  const slips: number[] = [];
  const odds = results.map((result, r) => {
    const likelihood = findingLikelihood(check, result, 'sure', { complaints });
    if (!likelihood) return 0;
    const given = dependence && state !== undefined ? givenShared(likelihood, dependence, state) : likelihood;
    fillChosen(out, asItStood(given, NOBODY, present), NONE, exact);
    slips[r] = exact ? 0 : likelihood.slip / out[0]!;
    return out[0]!;
  });
  if (before !== undefined && chance() >= (slips[results.indexOf(before)] ?? 1)) return before;
  const sum = odds.reduce((a, b) => a + b, 0);
  return results[
    drawFrom(
      odds.map((p) => p / sum),
      chance(),
    )
  ]!;
}
