import type { Chance } from '../../chance';
import {
  CAUSE_IDS,
  causeOf,
  causesPutRight,
  checkOf,
  CHECKS,
  remedyOf,
  showsAtTimes,
  toOpen,
  type CauseId,
  type CheckId,
  type RemedyId,
  type RepairOutcome,
} from '../../knowledge';
import { explainsAny, leadingIn, toPutBack } from '../../diagnosis';
import { allBack, offToStart, partsOff, saidSetRight, unsafeToRun, type Noted } from '../../log';
import type { Reading } from '../../reading';
import { drawResult, type KnownMachine } from '../generate';
import { outcomeOf } from '../follow';
import type { Program, Told } from './telling';

/** One act at the bench: what is noted in one go, and the entry it strikes. */
export interface Act {
  says: string;
  noted: readonly Noted[];
  strikes?: string;
}

/** Somebody made up: how much they look before they act, change their mind, note doubts, mend in passing. */
export interface Hands {
  thorough: number;
  fickle: number;
  inPassing: number;
  measures: number;
}

/** What is still wrong with the machine, whatever anybody knows of it. */
export interface Truth {
  known: KnownMachine;
  left: Set<CauseId>;
  /** What keeps its user safe and is broken. */
  unsafe: string | null;
  /** What comes and goes: how often its faults show, by a series of its own; null where they do every time. */
  goes: { rate: number; chance: Chance } | null;
}

const pick = <T>(chance: Chance, from: readonly T[]): T => from[Math.floor(chance() * from.length)]!;

export const handsFrom = (chance: Chance): Hands => ({
  thorough: 0.2 + 0.75 * chance(),
  fickle: 0.12 * chance(),
  inPassing: 0.6 * chance(),
  measures: chance(),
});

/** Readings that are judged to be a result, for checks that are measured by one or two figures. */
const READS: Partial<Record<CheckId, Readonly<Record<string, Reading>>>> = {
  'coil-gap': {
    'in-band': { mm: [0.3, 0.3] },
    wide: { mm: [0.6, 0.62] },
    tight: { mm: [0.1, 0.12] },
    uneven: { mm: [0.3, 0.6] },
  },
  'plug-gap': { 'in-band': { mm: [0.6] }, wide: { mm: [0.95] }, narrow: { mm: [0.3] } },
  'metering-lever': { 'in-band': { mm: [0] }, high: { mm: [0.5] }, low: { mm: [-0.5] } },
  'screw-turns': {
    'near-baseline': { turns: { L: 1.125, H: 1 } },
    'far-out': { turns: { L: 3, H: 1 } },
    'far-in': { turns: { L: 1, H: 0.25 } },
  },
  'compression-gauge': {
    low: { psi: [40, 58, 66, 69], altitudeM: 900 },
    good: { psi: [92, 128, 146, 150], altitudeM: 1200 },
  },
};

/** A finding of a check as these hands note it. */
function finding(chance: Chance, hands: Hands, check: CheckId, result: string): Noted {
  const reading = chance() < hands.measures ? READS[check]?.[result] : undefined;
  const sureness = chance() < 0.88 ? 'sure' : chance() < 0.6 ? 'fair' : 'doubtful';
  return {
    kind: 'finding',
    body: { check, ...(reading ? { reading } : { result }), sureness },
  };
}

/** A result that comes and goes, of a check made several times: as often as the fault showed itself, or the sound one. */
function atTimes(truth: Truth, noted: Noted): Noted {
  if (!truth.goes || noted.kind !== 'finding') return noted;
  const { rate, chance } = truth.goes;
  const { check, result, sureness } = noted.body;
  const def = checkOf(check);
  const [sound] = def.results;
  if (result === undefined || !sound || !showsAtTimes(def)) return noted;
  const of = 1 + Math.floor(4 * chance());
  const failed =
    result === sound.id ? 0 : Array.from({ length: of }, () => +(chance() < rate)).reduce((a, b) => a + b, 0);
  return {
    kind: 'finding',
    body: { check, result: failed === 0 ? sound.id : result, counts: { failed, of }, sureness },
  };
}

/** What is told of a machine after work: what comes and goes may not show, and is told of as cured. */
const asShown = ({ goes }: Truth, outcome: RepairOutcome): RepairOutcome =>
  goes && outcome !== 'cured' && goes.chance() > goes.rate && goes.chance() > goes.rate ? 'cured' : outcome;

/** A check made: what is in its way comes off, what has to be on goes on, and what it shows is noted. */
function makeCheck(chance: Chance, hands: Hands, truth: Truth, told: Told, check: CheckId): Act {
  const { picture } = told;
  const def = checkOf(check);
  const off = new Set(partsOff(picture));
  const back = toPutBack(def, off);
  const before = picture.findings.find((f) => f.check === check)?.result ?? undefined;
  const result = drawResult(chance, check, [...truth.left], {
    shared: truth.known.shared,
    complaints: truth.known.complaints,
    before: chance() < 0.7 ? before : undefined,
  });
  return {
    says: `${check} ${result}`,
    noted: [
      ...back.map((part): Noted => ({ kind: 'put-back', body: { part } })),
      ...toOpen(def.access, new Set([...off].filter((p) => !back.includes(p)))).map((part): Noted => ({
        kind: 'took-off',
        body: { part },
      })),
      atTimes(truth, finding(chance, hands, check, result)),
    ],
  };
}

/** What putting these right does to the machine, and how it turns out. */
function mend(truth: Truth, causes: readonly CauseId[]): RepairOutcome {
  const righted = causes.filter((c) => truth.left.delete(c));
  const blamed = (c: CauseId): boolean => explainsAny(c, truth.known.complaints);
  return asShown(truth, outcomeOf(righted.some(blamed), [...truth.left].some(blamed)));
}

/** Acts that the screen of a moment offers, the likelier ones oftener: one of them is made. */
export function nextAct(
  program: Program,
  chance: Chance,
  hands: Hands,
  truth: Truth,
  told: Told,
  nth: number,
): Act {
  const { picture, phase, plan } = told;
  const unsafe = unsafeToRun(picture);
  // Somebody comes by: a note, a safety fault seen late, a decision, a strike of what was noted last.
  if (chance() < 0.04) return { says: 'note', noted: [{ kind: 'note', body: { text: 'rang, no answer' } }] };
  if (truth.unsafe && !picture.safetyFaults.length && !picture.safetyMended.length && chance() < 0.25)
    return {
      says: 'walk-round: fault',
      noted: [
        {
          kind: 'finding',
          body: { check: 'safety-walkround', result: 'fault', sureness: 'sure', note: truth.unsafe },
        },
      ],
    };
  if (chance() < hands.fickle) {
    const last = picture.trail.findLast((l) => l.state === 'live' && l.entry.kind === 'finding');
    if (last)
      return {
        says: 'struck',
        noted: [{ kind: 'strike', body: { reason: 'Read wrong' } }],
        strikes: last.entry.id,
      };
  }
  if (picture.decision === null && nth > 4 && chance() < 0.05) {
    const choice = pick(chance, told.worth.choices);
    return {
      says: `decided ${choice.id}`,
      noted: [{ kind: 'decision', body: { choice: choice.id, by: 'O. Farrant', how: 'phone' } }],
    };
  }
  // Tired of it: it goes home as it is, with a word why; sooner where it does it one time and not the next.
  if (nth > (truth.goes ? 25 : 60))
    return { says: 'closed', noted: [{ kind: 'stage', body: { stage: 'closed', reason: 'No end to it' } }] };
  switch (phase.kind) {
    case 'set-right':
      return chance() < 0.75
        ? { says: 'set right', noted: saidSetRight(phase.what) }
        : {
            says: 'read wrong',
            noted: [{ kind: 'strike', body: { reason: 'Read wrong' } }],
            strikes: phase.what.wrong,
          };
    case 'safety':
      return safetyAct(chance, truth);
    case 'check':
    case 'settle':
      return look(chance, hands, truth, told, plan.next[0]?.check);
    case 'stop': {
      if (phase.stop.why === 'try') {
        const { causes } = phase.stop;
        const done = picture.repairs.filter((r) => r.outcome === 'untried');
        const righted = done.flatMap((r) => ('cause' in r ? causesPutRight(r.cause, r.remedy) : []));
        const outcome = tryOutcome(truth, righted);
        return { says: `tried: ${outcome}`, noted: program.tried(picture, causes, outcome) };
      }
      if (phase.stop.why === 'worth' && chance() < 0.5)
        return {
          says: 'settled on the damage',
          noted: [
            {
              kind: 'verdict',
              body: { settles: leadingIn(phase.stop), remedy: phase.stop.remedy.id },
            },
          ],
        };
      if (chance() < 0.15) return look(chance, hands, truth, told, plan.next[0]?.check);
      const cause = leadingIn(phase.stop);
      if (phase.stop.why === 'found' && chance() < 0.1)
        return {
          says: `told of ${cause}`,
          noted: [{ kind: 'answered', body: { cause, answer: 'told' } }],
        };
      const remedy = 'remedy' in phase.stop ? phase.stop.remedy.id : undefined;
      return work(chance, truth, told, { cause, ...(remedy && { remedy }) }, true);
    }
    case 'repair': {
      const { settled } = phase;
      if (chance() < 0.05)
        return {
          says: 'not settled after all',
          noted: [{ kind: 'strike', body: { reason: 'Not settled after all' } }],
          strikes: settled.entryId,
        };
      if ('other' in settled)
        return {
          says: 'own words mended',
          noted: [{ kind: 'repair', body: { other: settled.other, outcome: mendOther(truth) } }],
        };
      return work(
        chance,
        truth,
        told,
        { cause: settled.cause, ...(settled.remedy && { remedy: settled.remedy }) },
        false,
      );
    }
    case 'left':
      return chance() < 0.4 || picture.decision !== null
        ? {
            says: 'closed',
            noted: [{ kind: 'stage', body: { stage: 'closed', reason: 'As the owner wants it' } }],
          }
        : phase.causes[0]
          ? { says: 'mend it after all', noted: [{ kind: 'verdict', body: { settles: phase.causes[0] } }] }
          : { says: 'closed', noted: [{ kind: 'stage', body: { stage: 'closed', reason: 'As it is' } }] };
    case 'behind': {
      const [behind] = phase.open;
      const answer = pick(chance, ['put-right', 'ruled-out', 'waived'] as const);
      return { says: `behind: ${answer}`, noted: [{ kind: 'verdict', body: { behind: behind!, answer } }] };
    }
    case 'together':
      return { says: 'all back', noted: allBack(phase.off) };
    case 'prove':
      return prove(chance, hands, truth, told, unsafe !== null);
    case 'close':
    case 'closed':
      return {
        says: 'closed',
        noted: [
          {
            kind: 'stage',
            body: { stage: 'closed', ...(picture.openEnds.length > 0 && { reason: 'As it is' }) },
          },
        ],
      };
  }
}

/** Something in one's own words either was it or was not: nobody else knows. */
function mendOther({ left, known }: Truth): 'cured' | 'no-change' {
  const blamed = [...left].filter((c) => explainsAny(c, known.complaints));
  if (blamed.length > 1) return 'no-change';
  blamed.forEach((c) => left.delete(c));
  return 'cured';
}

/** Whether what was put right before it was tried did any good: what stood is gone from the machine by now. */
function tryOutcome(truth: Truth, righted: readonly CauseId[]): 'cured' | 'better' | 'no-change' {
  const { left, known } = truth;
  const blamed = (c: CauseId): boolean => explainsAny(c, known.complaints);
  const helped = righted.some((c) => known.faults.includes(c) && blamed(c));
  const outcome = !helped ? 'no-change' : [...left].some(blamed) ? 'better' : 'cured';
  return asShown(truth, outcome) as typeof outcome;
}

function safetyAct(chance: Chance, truth: Truth): Act {
  const way = chance();
  if (way < 0.6) {
    truth.unsafe = null;
    return { says: 'safety put right', noted: [{ kind: 'answered', body: { safety: 'put-right' } }] };
  }
  if (way < 0.8)
    return {
      says: 'refused, closed',
      noted: [
        { kind: 'answered', body: { safety: 'refused', words: 'I do without. O. Farrant' } },
        { kind: 'stage', body: { stage: 'closed', reason: 'Refused' } },
      ],
    };
  return { says: 'run all the same', noted: [{ kind: 'hazard-passed', body: { words: 'tool off' } }] };
}

/** A look: what the plan says, or whatever takes a sloppy hand's fancy; now and then a word instead of a look. */
function look(chance: Chance, hands: Hands, truth: Truth, told: Told, planned: CheckId | undefined): Act {
  const { picture } = told;
  const standing = picture.found.filter((f) => f.state === 'standing').map((f) => f.cause);
  const fault = standing.length > 0 ? pick(chance, standing) : null;
  // Mended in passing, not noted: seen again it is right.
  if (fault && chance() < hands.inPassing * 0.4 && truth.left.has(fault)) {
    truth.left.delete(fault);
    const check = seenIn(fault).find((id) => checkOf(id).is === 'look' && checkOf(id).access.length === 0);
    if (check) return makeCheck(chance, { ...hands, thorough: 1 }, truth, told, check);
  }
  if (!planned || chance() < 0.04) {
    if (chance() < 0.3)
      return {
        says: 'settled in own words',
        noted: [{ kind: 'verdict', body: { other: 'bolt in the fan' } }],
      };
    const cause = chance() < 0.6 ? ([...truth.left][0] ?? pick(chance, CAUSE_IDS)) : pick(chance, CAUSE_IDS);
    return { says: `settled on ${cause}`, noted: [{ kind: 'verdict', body: { settles: cause } }] };
  }
  const unsafe = unsafeToRun(picture) !== null;
  const could = CHECKS.filter(
    (c) => !c.engine && !c.notOn?.includes(truth.known.machine.kind) && c.group !== 'running',
  ).map((c) => c.id);
  const gauged = chance() < 0.06;
  const check = gauged ? 'compression-gauge' : chance() < hands.thorough ? planned : pick(chance, could);
  const { engine } = checkOf(check);
  if (unsafe && (engine === 'running' || engine === 'started')) return safetyAct(chance, truth);
  return makeCheck(chance, hands, truth, told, check);
}

/** The checks that look at a cause's very part. */
const seenIn = (cause: CauseId): CheckId[] =>
  CHECKS.filter((c) => c.id in (causeOf(cause).seen ?? {})).map((c) => c.id);

const KIT: readonly CauseId[] = remedyOf('carburettor-rebuild').mends;

/** Work on what is settled or found: put together first, tried at once or later, with what else was found or a whole kit. */
function work(
  chance: Chance,
  truth: Truth,
  { picture }: Told,
  what: { cause: CauseId; remedy?: RemedyId },
  settling: boolean,
): Act {
  const off = offToStart(picture);
  const verdict: Noted[] = settling
    ? [{ kind: 'verdict', body: { settles: what.cause, ...(what.remedy && { remedy: what.remedy }) } }]
    : [];
  // A carburettor that is open anyway gets its kit.
  const kit = what.remedy === undefined && KIT.includes(what.cause) && chance() < 0.5;
  const done = kit ? { ...what, remedy: 'carburettor-rebuild' as const } : what;
  const later = off.length > 0 || picture.cured || kit || unsafeToRun(picture) !== null || chance() < 0.3;
  const causes = causesPutRight(done.cause, done.remedy);
  const outcome = mend(truth, causes);
  if (later)
    return {
      says: `did ${done.remedy ?? done.cause}, not tried`,
      noted: [...verdict, { kind: 'repair', body: { ...done, outcome: 'untried' } }],
    };
  return {
    says: `did ${what.remedy ?? what.cause}: ${outcome}`,
    noted: [...verdict, { kind: 'repair', body: { ...what, outcome } }],
  };
}

/** A step of the proof, or something seen and mended on the way. */
function prove(chance: Chance, hands: Hands, truth: Truth, told: Told, unsafe: boolean): Act {
  const { picture } = told;
  const step = picture.proof.find((s) => !s.done);
  const swap = told.account.cure?.swap;
  if (truth.goes && swap && truth.goes.chance() < 0.6) {
    const was = swap.of.causes.some((x) => truth.known.toBlame.includes(x.cause));
    const again = was && truth.goes.chance() < truth.goes.rate;
    const of = swap.of.change.refs[0]!;
    return {
      says: 'put back to see',
      noted: [{ kind: 'swapped-back', body: { of, what: swap.says, again } }],
    };
  }
  const stands = [...truth.left].some((c) => explainsAny(c, truth.known.complaints));
  if (truth.goes && stands && truth.goes.chance() < truth.goes.rate)
    return {
      says: 'did it again',
      noted: [{ kind: 'complaint', body: { complaint: truth.known.complaints[0]! } }],
    };
  const other = [...truth.left][0];
  if (other && chance() < 0.35) {
    const [check] = seenIn(other).filter((id) => !checkOf(id).engine);
    if (check) return makeCheck(chance, hands, truth, told, check);
  }
  if (!step || unsafe)
    return { says: 'closed', noted: [{ kind: 'stage', body: { stage: 'closed', reason: 'As it is' } }] };
  if (chance() < 0.04)
    return {
      says: 'failed to start',
      noted: [{ kind: 'start', body: { state: 'cold', pulls: 10, outcome: 'nothing' } }],
    };
  if (chance() < 0.06)
    return { says: 'turned a screw', noted: [{ kind: 'screw', body: { screw: 'L', eighths: 1 } }] };
  const { by } = step;
  const body: Noted =
    by.kind === 'finding'
      ? { kind: 'finding', body: { check: by.check, result: by.wants, sureness: 'sure' } }
      : by.kind === 'proved'
        ? { kind: 'proved', body: { step: by.step } }
        : { kind: 'start', body: { state: by.state, pulls: 3, outcome: 'runs' } };
  return { says: `proved ${step.id}`, noted: [body] };
}
