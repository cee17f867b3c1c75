import { behindOf, familyIdOf, type CauseId } from '../knowledge';
import type { Picture } from '../log';
import { isDeep } from './jobs';
import { putRightBy } from './choices';
import type { PricedMachine } from './priceBook';
import type { Reckoning } from './quote';
import type { WorthAsked } from './worth';

/**
 * What may stand behind the damage that was found and has no answer: none once one of them was found or put right, or all were
 * ruled out.
 */
function behindOpen({ found, behindAnswers }: Pick<Picture, 'found' | 'behindAnswers'>): CauseId[] {
  const known = new Set(found.map((f) => f.cause));
  const open = new Set<CauseId>();
  for (const { cause, state } of found) {
    if (state !== 'standing' || !isDeep(cause)) continue;
    const behind = behindOf(cause).filter((b) => !isDeep(b));
    if (behind.some((b) => known.has(b) || behindAnswers.get(b) === 'put-right')) continue;
    for (const b of behind) if (!behindAnswers.has(b)) open.add(b);
  }
  return [...open];
}

/** A machine with what the bench has seen of it since it was written down: its carburettor. */
export const asSeen = (
  machine: PricedMachine,
  { carburettor }: Pick<Picture, 'carburettor'>,
): PricedMachine => (carburettor ? { ...machine, family: familyIdOf(carburettor) } : machine);

/** What the worth of a job's machine is asked by: all but what is likely, which the engine says. */
export function askedOf(
  picture: Picture,
  machine: PricedMachine,
  { rules, book, pace }: Pick<Reckoning, 'rules' | 'book' | 'pace'>,
): Omit<WorthAsked, 'likely'> {
  const { like, ageYears } = picture.worth;
  const { maker, model } = machine;
  const squeeze = picture.findings.find((f) => f.check === 'compression-gauge')?.judged;
  return {
    rules,
    ...(pace && { pace }),
    book:
      like === undefined
        ? book
        : [
            {
              what: 'like',
              ...(maker && model && { maker, model }),
              kind: machine.kind,
              price: like,
              waitDays: 3,
            },
            ...book,
          ],
    machine: asSeen(machine, picture),
    hardUse: picture.history.dailyUse === true,
    ageYears: ageYears ?? null,
    squeezePsi: squeeze && 'value' in squeeze ? squeeze.value : null,
    behindOpen: behindOpen(picture),
    set: picture.choicesSet,
  };
}

/** What of these repairs the owner did not agree to; none while nothing was decided. */
export function beyondAgreed(
  { decision, complaints }: Pick<Picture, 'decision' | 'complaints'>,
  causes: readonly CauseId[],
): CauseId[] {
  if (!decision) return [];
  const agreed = putRightBy(
    decision.choice,
    causes,
    complaints.map((c) => c.complaint),
  );
  return causes.filter((c) => !agreed.includes(c));
}
