import { chanceFrom, type Chance } from '../chance';
import type { Commonness } from '../diagnosis';
import { causeOf, CAUSES, type CauseId, type ComplaintId, type History } from '../knowledge';
import type { MachineFacts, MachineKind } from '../machine';
import { drawMachine, type KnownMachine } from '../proving';
import { isAbout, kindsOf, type Exercise, type GroupId } from './exercise';
import { OWNER_SAYS } from './ownerSays';
import { trapOf, type Trap } from './traps';

/** A machine to practise on, with what is wrong with it. */
export interface Hidden extends KnownMachine {
  exercise: Exercise;
  /** Maker and model. */
  maker: string;
  model: string;
  /** The owner's words. */
  says: readonly string[];
  /** What hurts somebody if it is run before anybody has walked round it; null where it is sound. */
  safety: string | null;
  /** Signs are those a fault likeliest gives, and nothing is read wrong. */
  plain: boolean;
  trap: Trap | null;
}

/** Makers and displacements (cc) of the machines that come in. */
const MADE: Readonly<Record<MachineKind, { maker: string; letter: string; cc: readonly [number, number] }>> =
  {
    chainsaw: { maker: 'Brakken', letter: 'B', cc: [35, 70] },
    'pole-saw': { maker: 'Brakken', letter: 'P', cc: [24, 33] },
    trimmer: { maker: 'Hobwick', letter: 'T', cc: [21, 30] },
    edger: { maker: 'Hobwick', letter: 'E', cc: [24, 30] },
    'brush-cutter': { maker: 'Hobwick', letter: 'C', cc: [28, 45] },
    'hedge-trimmer': { maker: 'Marlpit', letter: 'H', cc: [20, 28] },
    'power-head': { maker: 'Marlpit', letter: 'M', cc: [24, 30] },
    blower: { maker: 'Tolvane', letter: 'V', cc: [24, 30] },
    'backpack-blower': { maker: 'Tolvane', letter: 'R', cc: [45, 80] },
  };

const SAFETY: Readonly<Record<Exclude<GroupId, 'any'>, readonly string[]>> = {
  saw: [
    'The chain brake does not hold',
    'The chain catcher is broken off',
    'The throttle lock is taped down',
  ],
  trimmer: ['The guard is missing', 'The throttle lock is taped down', 'A handle mount is broken through'],
  blower: ['The fan guard is broken away', 'The throttle lock is taped down'],
};
/** So many machines come in with something that hurts somebody. */
const UNSAFE = 0.12;

/** What an exercise is about is drawn so much oftener than it comes in: a theme, and one cause that is met again. */
const OFTENER = { theme: 6, cause: 150 };
/** Most draws before a rule of the level is let go. */
const MOST_DRAWS = 3000;

const oneOf = <T>(chance: Chance, list: readonly T[]): T => list[Math.floor(chance() * list.length)]!;

const machineOf =
  (group: GroupId) =>
  (chance: Chance): MachineFacts => {
    const kind = oneOf(chance, kindsOf(group));
    const [low, high] = MADE[kind].cc;
    return { kind, displacementCc: low + Math.floor(chance() * (high - low + 1)) };
  };

function historyOf(chance: Chance): History {
  const use = chance();
  const stored = chance() < 0.45 ? 1 + Math.floor(chance() ** 2 * 16) : undefined;
  const opened = oneOf(chance, ['yes', 'no', 'no', 'unknown', 'unknown'] as const);
  const stopped = oneOf(chance, ['suddenly', 'gradually', 'gradually', undefined, undefined] as const);
  const mixedBy = oneOf(chance, ['owner', 'owner', 'shop', 'canned', undefined] as const);
  return {
    openedBefore: opened,
    ...(stored !== undefined && { monthsStored: stored }),
    ...(use < 0.35 ? { lightUse: true } : use > 0.75 ? { dailyUse: true } : {}),
    ...(stopped && { stopped }),
    ...(mixedBy && { mixedBy }),
  };
}

/** Of these an owner says one: what will not fire has no idle, and what dies after seconds does not fade after minutes. */
const NEVER_RUNS = [
  'no-fire',
  'pops-only',
  'runs-on-prime-then-dies',
] as const satisfies readonly ComplaintId[];
const ONLY_RUNNING: ReadonlySet<ComplaintId> = new Set([
  'fades-under-way',
  'cuts-dead',
  'dies-at-idle',
  'loads-up-at-idle',
  'bogs-on-throttle',
  'wont-reach-speed',
  'races-or-hangs',
  'hard-to-start',
  'weak-under-load',
  'heavy-smoke',
  'wont-stop',
  'tool-turns-at-idle',
]);
/** An owner tells no more than so many. */
const MOST_TOLD = 3;

/** Whether one owner would say all of this of one machine. */
export function isTold(complaints: readonly ComplaintId[]): boolean {
  const never = NEVER_RUNS.filter((id) => complaints.includes(id)).length;
  const running = complaints.some((id) => ONLY_RUNNING.has(id));
  return complaints.length <= MOST_TOLD && never + Number(running) <= 1;
}

/** Whether a drawn machine is as hard as its level says. */
function isOfLevel({ faults, toBlame }: KnownMachine, { level }: Exercise): boolean {
  if (level === 1) return faults.length === 1;
  if (level === 2) return faults.length <= 3 && toBlame.length <= 2;
  if (level === 3) return toBlame.length >= 2;
  return true;
}

const commonnessFor = (exercise: Exercise): Commonness =>
  exercise.theme === 'any'
    ? {}
    : Object.fromEntries(
        CAUSES.filter(({ id }) => isAbout(exercise, id)).map(({ id }) => [
          id,
          exercise.theme === id ? OFTENER.cause : OFTENER.theme,
        ]),
      );

function drawnFor(exercise: Exercise, chance: Chance): KnownMachine {
  const like = {
    commonness: commonnessFor(exercise),
    machineOf: machineOf(exercise.group),
    historyOf,
  };
  let about: KnownMachine | null = null;
  for (let n = 0; n < MOST_DRAWS; n++) {
    const drawn = drawMachine(chance, like);
    if (!isTold(drawn.complaints) || !drawn.toBlame.some((cause) => isAbout(exercise, cause))) continue;
    if (isOfLevel(drawn, exercise)) return drawn;
    about ??= drawn;
  }
  return about ?? drawMachine(chance, like);
}

function trapped(trap: Trap, chance: Chance, group: GroupId): KnownMachine {
  const from = new Map(Object.entries(trap.from) as [ComplaintId, readonly CauseId[]][]);
  const faults = [...new Set([...from.values()].flat())];
  const can = (machine: MachineFacts): boolean =>
    faults.every((cause) => causeOf(cause).kinds?.[machine.kind] !== 0);
  let machine = machineOf(group)(chance);
  while (!can(machine)) machine = machineOf('saw')(chance);
  return {
    machine,
    history: trap.history,
    faults,
    toBlame: faults,
    complaints: [...from.keys()],
    from,
    shared: new Map(),
  };
}

/**
 * The hidden machine of an exercise: always the same for the same exercise.
 *
 * @example
 * hiddenOf({ theme: 'spark', level: 1, group: 'saw', number: 7 }).complaints; // what its owner complains of
 */
export function hiddenOf(exercise: Exercise): Hidden {
  const chance = chanceFrom(exercise.number);
  const trap = exercise.theme === 'trap' ? trapOf(exercise.number) : null;
  const known = trap ? trapped(trap, chance, exercise.group) : drawnFor(exercise, chance);
  const { maker, letter } = MADE[known.machine.kind];
  const group = (['saw', 'trimmer', 'blower'] as const).find((g) => kindsOf(g).includes(known.machine.kind))!;
  return {
    ...known,
    exercise,
    maker,
    model: `${letter}${known.machine.displacementCc}`,
    says: trap ? [trap.says] : known.complaints.map((id) => oneOf(chance, OWNER_SAYS[id])),
    safety: exercise.level > 1 && !trap && chance() < UNSAFE ? oneOf(chance, SAFETY[group]) : null,
    plain: exercise.level === 1,
    trap,
  };
}
