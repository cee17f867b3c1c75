import { CAUSES, checkOf, type CauseId, type CheckId, type ComplaintId } from '../knowledge';
import { takeIn, type Case } from './case';
import { membersOf, normalise } from './hypotheses';
import { asItStood, fillChosen, findingLikelihood } from './likelihood';
import { posterior, type Posterior } from './posterior';

/** What this machine may have beside what was found: a set of causes nobody has seen, and how likely it is. */
export interface LikelySet {
  causes: readonly CauseId[];
  /** 0 to 1; those of a list sum to 1. */
  probability: number;
}

/** The likeliest sets until so much of the probability is told; the rest is spread over them. */
const TOLD = 0.98;
const MOST = 150;

/** The sets that hold nearly all of the posterior, likeliest first, as positions in SETS. */
function chosenOf({ sets }: Posterior): Uint32Array {
  const order = [...sets.keys()].filter((s) => sets[s]! > 1e-4).sort((x, y) => sets[y]! - sets[x]!);
  let told = 0;
  const chosen: number[] = [];
  for (const s of order) {
    if (told >= TOLD || chosen.length >= MOST) break;
    chosen.push(s);
    told += sets[s]!;
  }
  return Uint32Array.from(chosen);
}

/** What a machine has and may have, and what of its complaints stands. */
export interface Likely {
  /** Seen, measured, and not put right. */
  found: readonly CauseId[];
  /** What it may have beside that, likeliest first; what is too faint to be told is left out. */
  sets: readonly LikelySet[];
  complaints: readonly ComplaintId[];
}

/** Works out what a machine has and may have. Pure. */
export function likelyIn(c: Case): Likely {
  const p = posterior(c);
  const chosen = chosenOf(p);
  const weights = Float64Array.from(chosen, (s) => p.sets[s]!);
  normalise(weights);
  return {
    found: p.timeline.known.filter((k) => k.state === 'standing').map((k) => k.cause),
    sets: Array.from(chosen, (s, n) => ({
      causes: membersOf(s).map((i) => CAUSES[i]!.id),
      probability: weights[n]!,
    })),
    complaints: p.complaints,
  };
}

/** A result a check may give: its chance now (0 to 1), and the case with it noted as sure. */
export interface MayResult {
  result: string;
  chance: number;
  then: Case;
}

/** What a check may say, by what is believed of this machine, for any check. Results that say nothing are left out. */
export function mayResult(c: Case): (check: CheckId) => MayResult[] {
  const p = posterior(c);
  const chosen = chosenOf(p);
  const table = new Float64Array(chosen.length);
  return (check) => {
    const told = checkOf(check).results.flatMap(({ id: result }) => {
      const likelihood = findingLikelihood(check, result, 'sure', {
        complaints: p.complaints,
        rate: p.timeline.rate,
      });
      if (!likelihood) return [];
      fillChosen(table, asItStood(likelihood, p.gone, p.present), chosen);
      const chance = table.reduce((sum, l, n) => sum + l * p.sets[chosen[n]!]!, 0);
      const evidence = takeIn(c.evidence, { ref: 'may', kind: 'finding', check, result, sureness: 'sure' });
      return [{ result, chance, then: { ...c, evidence } }];
    });
    const all = told.reduce((sum, t) => sum + t.chance, 0);
    return all > 0 ? told.map((t) => ({ ...t, chance: t.chance / all })) : [];
  };
}
