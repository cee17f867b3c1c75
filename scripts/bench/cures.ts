import { accountOf } from '@rusty-wren/core/account';
import { chanceFrom, cleanBy, drawFrom, rateOf, type Chance } from '@rusty-wren/core/chance';
import { diagnose, whoseCure } from '@rusty-wren/core/diagnosis';
import { actOfHand, CAUSES, causesPutRight, CHECKS, type CauseId } from '@rusty-wren/core/knowledge';
import {
  cameRight,
  caseOf,
  makeEntry,
  readJob,
  unnumbered,
  type Entry,
  type Noted,
} from '@rusty-wren/core/log';
import { drawMachine, drawResult, type KnownMachine } from '@rusty-wren/core/proving';

/** Looks and measurements a technician makes before losing patience, and things done at once then. */
const LOOKS = 4;
const WORK = 3;
/** The last button is not believed to the last. */
const LAST = 0.97;
/** A fitting repair puts it right so often. */
const FITS = 0.96;
/** A fault of which nobody counted how often it shows hides from two tries so often. */
const HIDES = cleanBy(rateOf(2, 2), 2);
/** Jobs after which learning is looked at. */
const JOBS = 200;

const T0 = Date.parse('2026-05-04T09:00:00.000Z');
const logOf = (noted: readonly Noted[]): Entry[] =>
  noted.map((one, n) =>
    unnumbered(makeEntry(one, { id: `e${n}`, notedAt: new Date(T0 + n * 300_000).toISOString() })),
  );

/** What is looked at: cheap, nothing run. */
const CHEAP = CHECKS.filter(
  (c) => (c.is === 'look' || c.is === 'measurement') && !c.engine && c.id !== 'safety-walkround',
);

const putRight = (cause: CauseId): readonly CauseId[] => actOfHand(cause)?.mends ?? causesPutRight(cause);

interface Job {
  known: KnownMachine;
  log: Entry[];
  /** What was done, in order, the last told of as the cure. */
  done: readonly CauseId[];
  /** Whether each had part in the cure, and whether it was one. */
  had: readonly boolean[];
  cured: boolean;
}

/** A drawn job on which several things were done at once, told of as cured, whether it was or only did not show it. */
function drawJob(chance: Chance): Job {
  const known = drawMachine(chance);
  const noted: Noted[] = known.complaints.map((complaint) => ({ kind: 'complaint', body: { complaint } }));
  const looked = new Set<number>();
  while (looked.size < LOOKS) looked.add(Math.floor(chance() * CHEAP.length));
  for (const n of looked) {
    const { id: check } = CHEAP[n]!;
    const result = drawResult(chance, check, known.faults, known);
    noted.push({ kind: 'finding', body: { check, result, sureness: 'sure' } });
  }
  const before = caseOf(readJob(logOf(noted), known.machine));
  const suspects = [...diagnose(before).causes];
  const done: CauseId[] = [];
  const acts = new Set<string>();
  for (let tries = 0; done.length < WORK && tries < 50; tries++) {
    const sum = suspects.reduce((x, y) => x + y, 0);
    const { id } =
      CAUSES[
        drawFrom(
          suspects.map((p) => p / sum),
          chance(),
        )
      ]!;
    const act = actOfHand(id)?.id ?? id;
    if (acts.has(act)) continue;
    acts.add(act);
    done.push(id);
  }
  const fitted = done.map((cause) => putRight(cause).filter(() => chance() < FITS));
  const cured = known.toBlame.every((fault) => fitted.some((f) => f.includes(fault)));
  const first = (fault: CauseId): number => fitted.findIndex((f) => f.includes(fault));
  const had = done.map((_, n) => cured && known.toBlame.some((fault) => first(fault) === n));
  const log = logOf([
    ...noted,
    ...done.map((cause, n): Noted => ({
      kind: 'repair',
      body: { cause, outcome: n === done.length - 1 ? 'cured' : 'untried' },
    })),
  ]);
  return { known, log, done, had, cured };
}

const lossOf = (share: number, had: boolean): number => {
  const p = Math.min(0.999, Math.max(0.001, share));
  return -Math.log(had ? p : 1 - p);
};

/** Of each cause, how often it was said to be there, over jobs. */
type Said = Map<CauseId, number>;
const add = (said: Said, cause: CauseId, n: number): void => void said.set(cause, (said.get(cause) ?? 0) + n);
const apart = (x: Said, y: Said): number =>
  [...new Set([...x.keys(), ...y.keys()])].reduce(
    (sum, c) => sum + Math.abs((x.get(c) ?? 0) - (y.get(c) ?? 0)),
    0,
  );

/**
 * Jobs on which several things were done at once: the share of each change against the rule of the last button (log loss over all
 * changes), how well the shares are calibrated, and how far the faults learnt lie from those that were there.
 */
export function cures(jobs: number): void {
  const chance = chanceFrom(35);
  const loss = { share: 0, last: 0, n: 0 };
  /** How often the last of them, and each of the others, had part in it. */
  const deserves = { last: 0, others: 0 };
  const bins = Array.from({ length: 5 }, () => ({ said: 0, had: 0, n: 0 }));
  const before = Array.from({ length: 5 }, () => ({ said: 0, had: 0, n: 0 }));
  const learnt = { share: 0, last: 0, all: 0, groups: 0 };
  let [byShare, byLast, truth, met]: [Said, Said, Said, number] = [new Map(), new Map(), new Map(), 0];
  for (let n = 0; n < jobs;) {
    const job = drawJob(chance);
    const picture = readJob(job.log, job.known.machine);
    const c = caseOf(picture);
    const { mended } = whoseCure(c, cameRight(picture)!.changes, { hides: 0.5 });
    const of = before[Math.min(4, Math.floor(mended * 5))]!;
    of.said += mended;
    of.had += +job.cured;
    of.n++;
    // What was not cured is told of as cured where it does not show it.
    if (!job.cured && chance() >= HIDES) continue;
    n++;
    const account = accountOf(picture, c);
    job.done.forEach((cause, at) => {
      const had = job.had[at]!;
      const ref = picture.repairs[at]!.entryId;
      const causes = account.cure!.shares.find((s) => s.change.refs.includes(ref))?.causes ?? [];
      const share = 1 - causes.reduce((q, x) => q * (1 - x.share), 1);
      loss.share += lossOf(share, had);
      loss.last += lossOf(at === job.done.length - 1 ? LAST : 1 - LAST, had);
      loss.n++;
      deserves[at === job.done.length - 1 ? 'last' : 'others'] += +had;
      const bin = bins[Math.min(4, Math.floor(share * 5))]!;
      bin.said += share;
      bin.had += +had;
      bin.n++;
      for (const x of causes) add(byShare, x.cause, x.share);
      if (at === job.done.length - 1) add(byLast, cause, 1);
    });
    for (const fault of job.known.toBlame) add(truth, fault, 1);
    if (++met === JOBS) {
      learnt.share += apart(byShare, truth);
      learnt.last += apart(byLast, truth);
      learnt.all += [...truth.values()].reduce((x, y) => x + y, 0);
      learnt.groups++;
      [byShare, byLast, truth, met] = [new Map(), new Map(), new Map(), 0];
    }
  }
  const per = (x: number): string => (x / loss.n).toFixed(3);
  console.log(
    `Whose cure it was, ${jobs} drawn jobs with ${WORK} things done at once and ${LOOKS} looks before`,
  );
  console.log(
    `  log loss a change: by share ${per(loss.share)}, the last button ${per(loss.last)} (aim: at least halved)`,
  );
  const entropy = (p: number): number => -p * Math.log(p) - (1 - p) * Math.log(1 - p);
  const fair =
    (entropy(deserves.last / jobs) + (WORK - 1) * entropy(deserves.others / (jobs * (WORK - 1)))) / WORK;
  console.log(`  the last button, believed as far as it turned out to deserve: ${fair.toFixed(3)}`);
  for (const { said, had, n } of bins)
    if (n > 0)
      console.log(
        `  said ${((100 * said) / n).toFixed(0)} in 100, was ${((100 * had) / n).toFixed(0)} (${n} changes)`,
      );
  console.log('  that all of it together would cure it, before it was tried:');
  for (const { said, had, n } of before)
    if (n > 0)
      console.log(
        `  said ${((100 * said) / n).toFixed(0)} in 100, was ${((100 * had) / n).toFixed(0)} (${n} jobs)`,
      );
  if (learnt.groups > 0)
    console.log(
      `  learnt from ${JOBS} jobs, apart from what was there: by share ${((100 * learnt.share) / learnt.all).toFixed(0)} %, the last button ${((100 * learnt.last) / learnt.all).toFixed(0)} %`,
    );
}
