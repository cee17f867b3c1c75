import type { CauseId, ChoiceId } from '../knowledge';
import type { FoundAnswer, PaperKind, Picture } from '../log';
import { mattersIn, type Account } from './account';

/** How a job leaves its machine, as far as its log says: what its next job wants to know. */
export interface Leaving {
  /** Turns out from the seat, of the screws that were counted: as they were found, and as they stand now. */
  screws: Partial<Record<'L' | 'H', { found: number; now: number }>>;
  /** The air gap as it was measured last, mm, each leg, whatever was set after it; null where it was not. */
  gap: { mm: readonly number[]; sound: boolean } | null;
  /** It stands proved, cold starts and all: its screws are how one like it wants to be set. */
  proved: boolean;
  /** Faults that stand and were spoken of. */
  told: readonly { cause: CauseId; answer: FoundAnswer; words?: string }[];
  /** What the owner chose. */
  decided: ChoiceId | null;
  /** The papers given, the first first. */
  papers: readonly PaperKind[];
  /** Hashes of its pictures, what was signed apart. */
  photos: readonly string[];
}

/** How a job leaves its machine, from its log and the account of its work. */
export function leavingOf(picture: Picture, account: Account): Leaving {
  const { ledger, findings, decision, proof } = picture;
  const screws: Leaving['screws'] = {};
  for (const screw of ['L', 'H'] as const)
    if (ledger.counted.has(screw))
      screws[screw] = { found: ledger.found[screw] / 8, now: ledger.now[screw] / 8 };
  const gap = findings.findLast((f) => f.check === 'coil-gap' && f.reading?.mm?.length);
  return {
    screws,
    gap: gap?.reading?.mm ? { mm: gap.reading.mm, sound: gap.result === 'in-band' } : null,
    proved: proof.length > 0 && proof.every((step) => step.done),
    told: mattersIn(account, 'standing').flatMap(({ cause, answer }) =>
      answer ? [{ cause, answer: answer.answer, ...(answer.words && { words: answer.words }) }] : [],
    ),
    decided: decision?.choice ?? null,
    papers: picture.papers.map((p) => p.paper),
    photos: [...new Set(picture.photos.map((p) => p.hash))].filter((hash) => hash !== decision?.signature),
  };
}
