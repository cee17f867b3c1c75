import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import {
  CAUSES,
  causeOf,
  COMPLAINT_IDS,
  MACHINE_KINDS,
  probabilityOf,
  type CauseId,
  type CheckId,
  type ComplaintId,
  type MachineFacts,
} from '../knowledge';
import { asItStood, findingLikelihood, informativeResults } from '../likelihood';
import { MENTION_RATE, priorOdds } from '../prior';
import { fillChosen, setOf } from '../sets';

/** A number from 0 up to 1, the next of a seeded series. */
export type Chance = () => number;

const WARM_UP = 64;

/** A seeded series: the same seed gives the same machines. */
export function chanceFrom(seed: number): Chance {
  const generator = xoroshiro128plus(seed);
  // Neighbouring seeds start alike; they part company after a few dozen draws.
  for (let n = 0; n < WARM_UP; n++) generator.next();
  return () => uniformFloat64(generator);
}

/** A machine whose faults are known, as the model itself would make it. */
export interface KnownMachine {
  machine: MachineFacts;
  faults: readonly CauseId[];
  /** The faults the complaints come from: with these put right, the owner is content. */
  toBlame: readonly CauseId[];
  complaints: readonly ComplaintId[];
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
    };
  }
}

/** What a check shows on a machine with these faults still in it, misreadings at their stated rate included. */
export function drawResult(chance: Chance, check: CheckId, faults: readonly CauseId[]): string {
  const set = Uint32Array.of(setOf(faults));
  const out = new Float64Array(1);
  const results = informativeResults(check);
  let left = chance();
  const odds = results.map((result) => {
    const likelihood = findingLikelihood(check, result, 'sure');
    if (!likelihood) return 0;
    fillChosen(out, asItStood(likelihood, [], []), set);
    return out[0]!;
  });
  const sum = odds.reduce((a, b) => a + b, 0);
  for (const [i, p] of odds.entries()) {
    left -= p / sum;
    if (left < 0) return results[i]!;
  }
  return results.at(-1)!;
}
