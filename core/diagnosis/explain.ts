import type { Evidence } from './case';
import { CAUSES, type CauseId } from './knowledge';
import type { Posterior } from './posterior';
import { possibleSets, without } from './posterior';
import { CAUSE_INDEX } from './prior';
import { fillChosen, membersOf } from './sets';

/** How much one piece of evidence moved a cause: log odds (natural), positive raises it. */
export interface Moved {
  ref: string;
  logOdds: number;
}

export interface Suspect {
  cause: CauseId;
  probability: number;
  /** Evidence by how much it moved this cause, strongest first. */
  moved: readonly Moved[];
}

export interface Misreading {
  ref: string;
  /** Probability that this was read wrong, given everything else. */
  misread: number;
  /** Share of the verdict that would move without it (0–1). */
  impact: number;
}

const SHOWN = 0.001;
/** Likelier wrong than not: worth a second look even where the verdict already makes little of it. */
const PROBABLY_WRONG = 0.5;
const worth = (m: Misreading): number => m.misread * (m.impact + 0.05);
const logit = (p: number): number => {
  const q = Math.min(1 - 1e-9, Math.max(1e-9, p));
  return Math.log(q / (1 - q));
};

/** Suspects above 0.1 %, likeliest first, with what moved each; and the entries that deserve a second look. */
export function explain(p: Posterior): { suspects: Suspect[]; repeat: Misreading[] } {
  const order = CAUSES.map((cause, i) => ({ id: cause.id, i, p: p.causes[i] ?? 0 }))
    .filter((x) => x.p > SHOWN)
    .sort((x, y) => y.p - x.p || x.i - y.i);
  const possible = possibleSets(p);
  const left = p.weighed.map((w) => ({ w, ...without(possible, w) }));
  const suspects = order.map(({ id, i, p: probability }) => ({
    cause: id,
    probability,
    moved: left
      .map(({ w, causes }) => ({ ref: w.evidence.ref, logOdds: logit(probability) - logit(causes[i] ?? 0) }))
      .filter((m) => Math.abs(m.logOdds) > 0.05)
      .sort((x, y) => Math.abs(y.logOdds) - Math.abs(x.logOdds)),
  }));
  const repeat = left
    .filter(({ w }) => w.evidence.kind === 'finding')
    .map(({ w, causes, misread }) => ({
      ref: w.evidence.ref,
      misread,
      impact: p.causes.reduce((sum, q, i) => sum + Math.abs(q - (causes[i] ?? 0)), 0) / 2,
    }))
    .filter((m) => m.misread > PROBABLY_WRONG || (m.misread > 0.08 && m.misread * m.impact > 0.015))
    .sort((x, y) => worth(y) - worth(x));
  return { suspects, repeat };
}

function likeliest(p: Posterior): number {
  let best = 0;
  for (let s = 1; s < p.sets.length; s++) if (p.sets[s]! > p.sets[best]!) best = s;
  return best;
}

/** The likeliest set of causes, as ids. Empty: none of these. */
export function likeliestSet(p: Posterior): CauseId[] {
  return membersOf(likeliest(p)).flatMap((i) => CAUSES[i]?.id ?? []);
}

/**
 * Recorded evidence that the leading explanation does not account for: an abnormal result it does not raise above what
 * a sound machine shows, or a normal one it says should not be there.
 */
export function unexplained(p: Posterior, isNormal: (e: Evidence) => boolean): Evidence[] {
  const chosen = Uint32Array.of(likeliest(p), 0);
  const out = new Float64Array(2);
  return p.weighed
    .filter(({ evidence, likelihood }) => {
      if (evidence.kind === 'repair') return false;
      fillChosen(out, likelihood, chosen, true);
      const under = out[0] ?? 0;
      const sound = out[1] ?? 0;
      if (evidence.kind === 'complaint') return under < 0.04;
      return isNormal(evidence) ? under < 0.15 : under < 0.25 && under < sound * 2;
    })
    .map(({ evidence }) => evidence);
}

/** Probability of one cause under a posterior. */
export const probabilityOfCause = (p: Posterior, cause: CauseId): number =>
  p.causes[CAUSE_INDEX.get(cause) ?? -1] ?? 0;
