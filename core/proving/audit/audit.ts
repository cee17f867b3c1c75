import { chanceFrom } from '../../chance';
import type { CauseId, Counted } from '../../knowledge';
import { caseOf, makeEntry, type Entry, type Noted } from '../../log';
import { drawMachine } from '../generate';
import { breachesIn, standOf } from './breaches';
import { handsFrom, nextAct, type Truth } from './technician';
import { PROGRAM, tell, type Program } from './telling';

/** Something the program said that its log does not, with the machine it was said of. */
export interface Breach {
  seed: number;
  /** The how manieth act. */
  act: number;
  says: string;
  /** What was done until then. */
  acts: readonly string[];
}

/** Longer than this nobody works on one machine. */
const MOST_ACTS = 110;
const UNSAFE = ['chain catcher broken', 'blade guard missing', 'brake handle cracked'] as const;
const T0 = Date.parse('2026-05-04T08:00:00.000Z');

/** One machine in so many comes and goes. */
const ONE_IN = 3;
/** Apart from everything else that is drawn, so that what comes and goes changes nothing of the others. */
const GOES_SEED = 7_919;

/** How often a machine's faults show, where it is one that comes and goes. */
const goesOf = (seed: number): Truth['goes'] => {
  if (seed % ONE_IN !== 0) return null;
  const chance = chanceFrom(seed + GOES_SEED);
  return { rate: 0.15 + 0.7 * chance(), chance };
};

/** How often its owner counted it: some of six times, not all of them. */
const countedOf = ({ rate, chance }: NonNullable<Truth['goes']>): Counted => {
  const failed = Array.from({ length: 6 }, () => +(chance() < rate)).reduce((a, b) => a + b, 0);
  return { failed: Math.min(5, Math.max(1, failed)), of: 6 };
};

/**
 * One made-up technician on one drawn machine, from check-in to the closed job: what was told wrongly on the way, each kind once.
 * `every`: prices, papers and taking back are held against the log after each so manieth act, and once it is closed; the account
 * after every one.
 */
export function auditOne(
  seed: number,
  { program = PROGRAM, every = 1 }: { program?: Program; every?: number } = {},
): Breach[] {
  const chance = chanceFrom(seed);
  const known = drawMachine(chance);
  const hands = handsFrom(chance);
  const truth: Truth = {
    known,
    left: new Set<CauseId>(known.faults),
    unsafe: chance() < 0.35 ? UNSAFE[Math.floor(chance() * UNSAFE.length)]! : null,
    goes: goesOf(seed),
  };
  const entries: Entry[] = [];
  const acts: string[] = [];
  const breaches: Breach[] = [];
  // A quarter of an hour between acts, so that an engine is cold again in a night.
  let minutes = 0;
  const note = (noted: Noted, strikes?: string): void => {
    const n = entries.length;
    const notedAt = new Date(T0 + minutes * 60_000).toISOString();
    const made = makeEntry(noted, { id: `s${seed}e${n}`, notedAt, ...(strikes && { strikes }) });
    entries.push({ ...made, seq: n + 1 } as Entry);
  };
  const found = (says: string): void => {
    const kind = says.replace(/[€\d.,]+/g, '#');
    if (!breaches.some((b) => b.says.replace(/[€\d.,]+/g, '#') === kind))
      breaches.push({ seed, act: acts.length, says, acts: [...acts] });
  };
  for (const complaint of known.complaints)
    note({ kind: 'complaint', body: { complaint, ...(truth.goes && { often: countedOf(truth.goes) }) } });
  let told = tell(program, entries, known.machine);
  for (let n = 0; n < MOST_ACTS; n++) {
    const act = nextAct(program, chance, hands, truth, told, n);
    if (act.noted.length === 0) {
      found(`d: nothing leads on from ${told.phase.kind}`);
      break;
    }
    const untried = told.picture.repairs.filter((r) => r.outcome === 'untried').length;
    if (act.says.startsWith('tried') && act.noted.length > untried)
      found(`b: one try of ${untried} pieces of work is told of as ${act.noted.length} cures`);
    minutes += act.says.startsWith('proved cold') || told.phase.kind === 'prove' ? 240 : 15;
    const before = standOf(told);
    const from = entries.length;
    for (const noted of act.noted) note(noted, act.strikes);
    acts.push(act.says);
    told = tell(program, entries, known.machine, n % every === 0 ? null : told);
    for (const says of breachesIn(told, entries, known.machine)) found(says);
    if (told.picture.stage === 'closed') return breaches;
    if (n % every !== 0) continue;
    // Taken back, everything is as it was before.
    const taken = [...entries];
    for (const e of entries.slice(from))
      taken.push({
        ...makeEntry(
          { kind: 'strike', body: { reason: 'Taken back' } },
          { id: `${e.id}x`, notedAt: e.notedAt, strikes: e.id },
        ),
        seq: taken.length + 1,
      } as Entry);
    const undone = standOf({ ...told, ...readBack(program, taken, known.machine) });
    if (undone !== before) found(`f: taking back "${act.says}" does not bring back what was told before`);
  }
  found('d: the job was never closed');
  return breaches;
}

/** What a log says after something was taken back, the plan apart. */
function readBack(program: Program, entries: readonly Entry[], machine: Parameters<typeof tell>[2]) {
  const picture = program.read(entries, machine);
  return { picture, account: program.account(picture, caseOf(picture)) };
}
