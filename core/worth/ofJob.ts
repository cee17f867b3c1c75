import { MAY_BE_FROM, mattersIn, type Account, type Act } from '../account';
import { likelyIn, standingComplaints, type Case, type Likely } from '../diagnosis';
import { behindOf, familyIdOf, remedyMinutes, remedyOf, type CauseId } from '../knowledge';
import { sentence, type Picture } from '../log';
import { isDeep, jobsFor, unlistedJob, type RepairJob } from './jobs';
import { putRightBy, type LikelyNow } from './choices';
import type { PricedMachine } from './priceBook';
import type { Reckoning } from './quote';
import type { WorthAsked } from './worth';

/**
 * What may stand behind the damage that was found and has no answer: none once one of them was found or put right, or all were
 * ruled out.
 */
function behindOpen({
  found,
  behindAnswers,
  cleared,
}: Pick<Picture, 'found' | 'behindAnswers' | 'cleared'>): CauseId[] {
  const known = new Set(found.map((f) => f.cause));
  const open = new Set<CauseId>();
  for (const { cause, state } of found) {
    if (state !== 'standing' || !isDeep(cause)) continue;
    const behind = behindOf(cause).filter((b) => !isDeep(b));
    if (behind.some((b) => known.has(b) || behindAnswers.get(b) === 'put-right')) continue;
    for (const b of behind) if (!behindAnswers.has(b) && !cleared.includes(b)) open.add(b);
  }
  return [...open];
}

/** Whether work is charged: not what was in vain, nor what hardly cured it where something else may have, and that nobody saw the need of. */
export function isCharged({ repair, credit, sure, share, rivalled }: Act): boolean {
  if (repair.outcome === 'no-change') return false;
  // What somebody found and named is charged as they said it.
  if ('other' in repair || !rivalled || share === null || share >= MAY_BE_FROM) return true;
  return sure && credit.length > 0;
}

/** The work that was done on a job, as it is priced: what did nothing for the owner is not charged. */
function doneJobs(account: Account, { pace, machine }: Case): RepairJob[] {
  const { acts, others, safety } = account;
  const good = acts.filter((a) => 'cause' in a.repair && isCharged(a));
  const wholes = good.flatMap(({ repair: r, credit }) => {
    if (!('cause' in r) || !r.remedy) return [];
    const remedy = remedyOf(r.remedy);
    return [
      {
        id: r.remedy,
        does: remedy.does,
        minutes: remedyMinutes(remedy) * (pace?.[r.remedy] ?? 1),
        mends: credit.length > 0 ? credit.map((c) => c.cause) : [r.cause],
      },
    ];
  });
  const rebuilt = wholes.some((w) => w.id === 'carburettor-rebuild');
  const within = new Set<CauseId>([
    ...wholes.flatMap((w) => remedyOf(w.id).mends),
    // Wrong parts in a carburettor went with the kit that took their place.
    ...(rebuilt ? (['carb-tampered'] as const) : []),
  ]);
  const single = good.flatMap(({ repair: r }) =>
    'cause' in r && !r.remedy && !within.has(r.cause) ? [r.cause] : [],
  );
  const jobs: RepairJob[] = [
    ...wholes.filter((w, n) => wholes.findIndex((o) => o.id === w.id) === n),
    ...jobsFor([...new Set(single)], pace, machine.kind),
    ...others
      .filter((o) => o.state === 'mended' || o.state === 'untried')
      .map((o) => unlistedJob('own-words', sentence(o.words))),
    ...safety.mended.map((f) => unlistedJob('safety-part', f.words)),
  ];
  return jobs.map((job) => ({ ...job, done: true }));
}

/**
 * What choices and prices are worked out from: what the account says stands and was done, and, only where nothing was settled on or
 * cured, what the engine says may be there beside it.
 */
export function likelyNow(account: Account, c: Case): LikelyNow {
  const { decided, cured, others, safety } = account;
  const standing = mattersIn(account, 'standing').map((m) => m.cause);
  const engine: Likely = decided
    ? { found: standing, sets: [{ causes: [], probability: 1 }], complaints: standingComplaints(c) }
    : likelyIn(c);
  return {
    found: [...new Set([...engine.found, ...standing])],
    sets: engine.sets,
    complaints: cured || others.some((o) => o.state !== 'vain') ? [] : engine.complaints,
    done: doneJobs(account, c),
    hidden: account.cure?.hidden ?? 0,
    toDoBesides: [
      ...others.filter((o) => o.state === 'standing').map((o) => unlistedJob('own-words', sentence(o.words))),
      ...safety.standing.filter((f) => !f.refused).map((f) => unlistedJob('safety-part', f.words)),
    ],
  };
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
