import type { Chance } from '../chance';
import { figuresOf, type Band, type MachineFacts } from '../machine';
import type { CheckId } from '../knowledge';
import { imagineTrace, isPressureCheck, limitOf, TARGETS, type PressureCheck } from '../pressure';
import { judgeReading, type Reading } from '../reading';
import { speedBand } from '../tuning';

const round = (x: number, step: number): number => Math.round(Math.round(x / step) * step * 1e4) / 1e4;
const within = (chance: Chance, [low, high]: Band): number => low + chance() * (high - low);

/** Pulls on the gauge: each closes a fraction of what remains. */
function pullsTo(chance: Chance, plateau: number): number[] {
  const left = 0.42 + 0.08 * chance();
  return [1, 2, 3, 4, 5, 6].map((k) => round(plateau * (1 - left ** k) + (chance() - 0.5), 1));
}

/** Squeeze by its verdict, as a share of the low edge of the band. */
const SQUEEZE: Readonly<Record<string, Band>> = {
  good: [1.05, 1.2],
  marginal: [0.89, 0.96],
  low: [0.45, 0.8],
};

const LEAKS: Readonly<Record<string, Band>> = {
  holds: [0.05, 0.4],
  leaks: [4, 30],
  'slow-leak': [3, 8],
  'fast-leak': [25, 60],
};

/** Seconds and readings a second of a gauge that is watched and written down. */
const WATCHED = { seconds: 60, hz: 0.2 };

function watched(chance: Chance, check: PressureCheck, result: string, kpa: number): Reading | null {
  const leak = LEAKS[result];
  if (!leak) return null;
  const trace = imagineTrace({
    startKpa: kpa,
    leak: limitOf(check) * within(chance, leak),
    volumeMl: TARGETS[check].volumeMl,
    ...WATCHED,
    unit: 'kPa',
    noise: 0.15,
    step: 0.5,
    seed: Math.floor(chance() * 2 ** 31),
  });
  return { trace };
}

function speeds(chance: Chance, which: 'idle' | 'full', result: string, machine: MachineFacts): number[] {
  const [low, high] = speedBand(which, machine);
  const about = (rpm: number): number => round(rpm, 10);
  switch (result) {
    case 'low':
      return [about(low * (0.72 + 0.2 * chance()))];
    case 'high':
      return [about(high * (1.08 + 0.15 * chance()))];
    case 'wandering':
      return [0.82, 1.1, 0.9, 1.2].map((x) => about(x * within(chance, [low, high])));
    default:
      return [about(low + (high - low) * (0.25 + 0.5 * chance()))];
  }
}

/** Both legs of the coil, mm. */
function legs(chance: Chance, result: string, [low, high]: Band): number[] {
  const right = (): number => round(within(chance, [low, high]), 0.01);
  const wide = (): number => round(high + 0.12 + 0.3 * chance(), 0.01);
  const tight = (): number => round(low * (0.2 + 0.5 * chance()), 0.01);
  if (result === 'wide') return [wide(), wide()];
  if (result === 'tight') return [tight(), tight()];
  if (result === 'uneven') return chance() < 0.5 ? [right(), wide()] : [wide(), right()];
  return [right(), right()];
}

function figure(chance: Chance, result: string, [low, high]: Band): number {
  if (result === 'wide' || result === 'high') return round(high + 0.1 + 0.3 * chance(), 0.05);
  if (result === 'narrow' || result === 'low') return round(low - 0.1 - 0.2 * chance(), 0.05);
  return round((low + high) / 2, 0.05);
}

/** Where a needle opens and shuts again, psi. */
function popOff(chance: Chance, result: string, [low, high]: Band): number[] {
  const opens =
    result === 'low'
      ? low * within(chance, [0.3, 0.75])
      : result === 'high'
        ? high * within(chance, [1.15, 1.5])
        : within(chance, [low + 2, Math.min(high, 14)]);
  const shuts = opens * within(chance, result === 'will-not-reseat' ? [0, 0.3] : [0.55, 0.75]);
  return [round(opens, 0.5), round(shuts, 0.5)];
}

function screws(chance: Chance, result: string, machine: MachineFacts): { L: number; H: number } {
  const { baseL, baseH } = figuresOf(machine);
  const near = (turns: number): number => Math.max(0.625, round(turns + 0.5 * (chance() - 0.5), 0.125));
  const turns = { L: near(baseL), H: near(baseH) };
  const screw = chance() < 0.5 ? 'L' : 'H';
  if (result === 'far-out') turns[screw] = round(2.875 + 1.25 * chance(), 0.125);
  if (result === 'far-in') turns[screw] = round(0.375 * chance(), 0.125);
  return turns;
}

const LEVER_MM = 0.15;

function draw(
  chance: Chance,
  check: CheckId,
  result: string,
  machine: MachineFacts,
  { kpa, dryPsi }: Circumstances,
): Reading | null {
  const figures = figuresOf(machine);
  if (isPressureCheck(check)) return watched(chance, check, result, kpa ?? TARGETS[check].testKpa);
  switch (check) {
    case 'compression-gauge':
      return {
        psi: pullsTo(chance, figures.squeezePsi[0] * within(chance, SQUEEZE[result] ?? SQUEEZE['good']!)),
      };
    case 'compression-wet': {
      const dry = dryPsi ?? figures.squeezePsi[0];
      const rises = result === 'rises' ? 1.2 + 0.12 * chance() : 1 + 0.03 * chance();
      return { psi: pullsTo(chance, dry * rises), dryPsi: Math.round(dry) };
    }
    case 'pop-off':
      return { psi: popOff(chance, result, figures.popOffPsi) };
    case 'plug-gap':
      return { mm: [figure(chance, result, figures.plugGapMm)] };
    case 'coil-gap':
      return { mm: legs(chance, result, figures.gapMm) };
    case 'metering-lever':
      return {
        mm: [figure(chance, result, [figures.leverMm - LEVER_MM / 2, figures.leverMm + LEVER_MM / 2])],
      };
    case 'screw-turns':
      return { turns: screws(chance, result, machine) };
    case 'idle-speed':
      return { rpm: speeds(chance, 'idle', result, machine) };
    case 'full-speed':
      return { rpm: speeds(chance, 'full', result, machine) };
    default:
      return null;
  }
}

interface Circumstances {
  /** What it was pumped to, kPa. */
  kpa?: number | undefined;
  /** The squeeze before oil went in, psi. */
  dryPsi?: number | undefined;
}

const MOST_TRIES = 40;

/**
 * What the instrument reads where a check comes to this result: one that the bench judges to be that very result. Null where the
 * check is not read off an instrument, or the result is one that no reading gives.
 */
export function readingFor(
  chance: Chance,
  check: CheckId,
  result: string,
  machine: MachineFacts,
  circumstances: Circumstances = {},
): Reading | null {
  for (let n = 0; n < MOST_TRIES; n++) {
    const reading = draw(chance, check, result, machine, circumstances);
    if (!reading) return null;
    const judged = judgeReading(check, reading, machine);
    if ('result' in judged && judged.result === result) return reading;
  }
  return null;
}
