import { chanceOf, givenShared, type Shared } from '../diagnosis/bonds';
import { drawFrom, type Chance } from '../chance';
import {
  bondOf,
  BONDS,
  CAUSES,
  causeOf,
  COMPLAINT_IDS,
  probabilityOf,
  type Bond,
  type CauseId,
  type CheckId,
  type ComplaintId,
} from '../knowledge';
import { MACHINE_KINDS, type MachineFacts } from '../machine';
import { asItStood, findingLikelihood, informativeResults } from '../diagnosis/likelihood';
import { MENTION_RATE, priorOdds } from '../diagnosis/prior';
import { fillChosen, setOf } from '../diagnosis/sets';

/** A machine whose faults are known, as the model itself would make it. */
export interface KnownMachine {
  machine: MachineFacts;
  faults: readonly CauseId[];
  /** The faults the complaints come from: with these put right, the owner is content. */
  toBlame: readonly CauseId[];
  complaints: readonly ComplaintId[];
  /** How things are that bonded checks share: poor light or good, a fault that shows plainly or slightly. */
  shared: ReadonlyMap<Bond, Shared>;
}

const MOST_FAULTS = 3;

function faultsOf(chance: Chance, machine: MachineFacts): CauseId[] {
  const odds = priorOdds({}, machine);
  for (;;) {
    const faults = CAUSES.filter((_, i) => chance() < odds[i]! / (1 + odds[i]!)).map((cause) => cause.id);
    if (faults.length >= 1 && faults.length <= MOST_FAULTS) return faults;
  }
}

/** Draws machines by the priors until one comes in with something to complain of. */
export function drawMachine(chance: Chance): KnownMachine {
  for (;;) {
    const kind = MACHINE_KINDS[Math.floor(chance() * MACHINE_KINDS.length)]!;
    const machine: MachineFacts = { kind, displacementCc: 25 + Math.floor(chance() * 40) };
    const faults = faultsOf(chance, machine);
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
      complaints: [...heard.keys()],
      toBlame: [...new Set([...heard.values()].flat())],
      shared: new Map(BONDS.map((bond) => [bond, chance() < chanceOf(bond, true)])),
    };
  }
}

/** What a check shows on a machine with these faults still in it, misreadings at their stated rate included. */
export function drawResult(
  chance: Chance,
  check: CheckId,
  faults: readonly CauseId[],
  shared: KnownMachine['shared'] = new Map(),
): string {
  const bond = bondOf(check);
  const state = bond && shared.get(bond);
  const set = Uint32Array.of(setOf(faults));
  const out = new Float64Array(1);
  const results = informativeResults(check);
  const odds = results.map((result) => {
    const likelihood = findingLikelihood(check, result, 'sure');
    if (!likelihood) return 0;
    const then = asItStood(likelihood, [], []);
    fillChosen(out, bond && state !== undefined ? givenShared(then, bond, state) : then, set);
    return out[0]!;
  });
  const sum = odds.reduce((a, b) => a + b, 0);
  return results[
    drawFrom(
      odds.map((p) => p / sum),
      chance(),
    )
  ]!;
}
