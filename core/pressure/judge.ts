import type { Sureness } from '../knowledge';
import type { Judged } from '../verdict';
import { ambientFraction, ATMOSPHERE_KPA, bothPressures, toKpa } from '../units';
import { fitDecay, type Decay, type Point } from './decay';
import { conductance, equivalentHole, rateThrough, volumeFromPump } from './leak';
import { findPopOff, type PopOff } from './popOff';
import { TARGETS, type PressureCheck } from './targets';
import { inKpa, type Trace } from './trace';

/** What a watched gauge comes to. Leaks are ml of outside air a second for each kPa; times are seconds. */
export interface Watched {
  points: readonly Point[];
  /** Null: too few points to fit. */
  decay: Decay | null;
  pop: PopOff | null;
  volumeMl: number;
  volumeFrom: 'pump' | 'given' | 'ordinary';
  tauS: number;
  halfLifeS: number;
  leak: number;
  leakInterval: readonly [low: number, high: number];
  /** Diameter of a round hole that leaks as much, mm. */
  holeMm: number;
  limit: number;
  /** Rate at the limit in this volume, 1/s. */
  limitRate: number;
  result: string | null;
  sureness: Sureness;
  /** Hold this much longer before it can be told, seconds; null when it can, or when longer would not help. */
  holdS: number | null;
  /** Pumped beyond what the target bears. */
  tooHigh: boolean;
  says: string;
}

/** A line that halves faster than this is wide open. */
const FAST_HALF_LIFE_S = 8;
/** Nobody stands at a gauge longer than this. */
const LONGEST_S = 300;
/** A leak too near the limit to be told from it after so long is as good as at it. */
const AT_LIMIT_S = 180;
const STEP_S = 5;

/** The leak a target may have: what its ordinary volume loses half through in the stated time. */
export const limitOf = (check: PressureCheck): number =>
  conductance(Math.LN2 / TARGETS[check].halfLifeS, TARGETS[check].volumeMl);

function volumeOf(trace: Trace, check: PressureCheck, startKpa: number, ambient: number) {
  const { volumeMl, strokes, strokeMl } = trace;
  if (volumeMl !== undefined) return { volumeMl, volumeFrom: 'given' } as const;
  if (strokes && strokeMl && startKpa > 0)
    return { volumeMl: volumeFromPump(strokes, strokeMl, startKpa, ambient), volumeFrom: 'pump' } as const;
  return { volumeMl: TARGETS[check].volumeMl, volumeFrom: 'ordinary' } as const;
}

/** Words for a stretch of time: "40 s", "3 min". */
export const stretchWords = (seconds: number): string => {
  if (!Number.isFinite(seconds) || seconds > 3600) return 'over an hour';
  return seconds < 100 ? `${Math.round(seconds)} s` : `${Math.round(seconds / 60)} min`;
};

/** Reads a watched gauge: decay, leak, verdict against the class limit, and whether longer is needed. */
export function readWatch(check: PressureCheck, trace: Trace): Watched {
  const target = TARGETS[check];
  const ambient = ATMOSPHERE_KPA * ambientFraction(trace.altitudeM ?? 0);
  const points = inKpa(trace);
  const peak = points.reduce((most, [, p]) => Math.max(most, p), 0);
  const pop = check === 'inlet-pressure' ? findPopOff(points) : null;
  const watched = pop ? points.filter(([t]) => t >= pop.shutS) : points;
  const decay = fitDecay(watched);
  const { volumeMl, volumeFrom } = volumeOf(trace, check, peak, ambient);
  const limit = limitOf(check);
  const limitRate = rateThrough(limit, volumeMl, ambient);
  const rate = Math.max(0, decay?.ratePerS ?? 0);
  const leakAt = (r: number): number => conductance(r, volumeMl, ambient);
  const [lowRate, highRate] = decay?.rateInterval ?? [0, Infinity];
  const across = decay?.startKpa ?? target.testKpa;
  const common = {
    points,
    decay,
    pop,
    volumeMl,
    volumeFrom,
    tauS: 1 / rate,
    halfLifeS: Math.LN2 / rate,
    leak: leakAt(rate),
    leakInterval: [Math.max(0, leakAt(lowRate)), leakAt(highRate)] as const,
    holeMm: equivalentHole(leakAt(rate), across),
    limit,
    limitRate,
    tooHigh: peak > target.maxKpa * 1.001,
  };
  if (!decay) {
    return {
      ...common,
      result: null,
      sureness: 'doubtful',
      holdS: null,
      says: 'Too few readings to tell: read the gauge at least four times.',
    };
  }
  const leaks = check === 'inlet-pressure' ? inletLeak(common.halfLifeS) : 'leaks';
  const told = highRate < limitRate ? 'holds' : lowRate > limitRate ? leaks : null;
  if (told) {
    return { ...common, result: told, sureness: 'sure', holdS: null, says: sayTold(told, common, limitRate) };
  }
  const holdS = longerNeeded(decay, limitRate);
  if (holdS === null) {
    const result = rate > limitRate ? leaks : 'holds';
    return {
      ...common,
      result,
      sureness: 'fair',
      holdS: null,
      says: `At the limit itself: halves in ${stretchWords(common.halfLifeS)}, as a worn but usable one does`,
    };
  }
  const noisy = decay.noiseKpa > 0.05 * across;
  return {
    ...common,
    result: null,
    sureness: 'doubtful',
    holdS,
    says: `Too ${noisy ? 'noisy' : 'short'} to tell: hold ${holdS} s more.`,
  };
}

const inletLeak = (halfLifeS: number): string => (halfLifeS < FAST_HALF_LIFE_S ? 'fast-leak' : 'slow-leak');

function sayTold(
  told: string,
  w: { halfLifeS: number; leak: number; limit: number },
  limitRate: number,
): string {
  const half = `halves in ${stretchWords(w.halfLifeS)}`;
  const allowed = `limit ${stretchWords(Math.LN2 / limitRate)}`;
  const times = w.leak / w.limit;
  if (told === 'holds')
    return `${half}, ${allowed}: ${times < 0.1 ? 'under a tenth' : `${Math.round(times * 100)} %`} of the leak allowed`;
  return `${half}, ${allowed}: ${times < 10 ? times.toFixed(1) : Math.round(times)} times the leak allowed`;
}

/**
 * Seconds more until the interval would clear the limit, were the leak as it looks now: the interval narrows with the
 * 1.5th power of time at an even pace of readings. Null when that is longer than anybody waits.
 */
function longerNeeded(decay: Decay, limitRate: number): number | null {
  const [low, high] = decay.rateInterval;
  const half = (high - low) / 2;
  const away = Math.abs(decay.ratePerS - limitRate);
  const needed = decay.spanS * (half / Math.max(away, 1e-12)) ** (2 / 3);
  if (decay.spanS > AT_LIMIT_S || needed > LONGEST_S) {
    return decay.spanS > AT_LIMIT_S ? null : Math.ceil((AT_LIMIT_S + STEP_S - decay.spanS) / STEP_S) * STEP_S;
  }
  return Math.max(STEP_S, Math.ceil((needed - decay.spanS) / STEP_S) * STEP_S);
}

/** The verdict on a watched gauge for the log: the leak as a share of what is allowed, per cent. */
export function judgeWatch(check: PressureCheck, trace: Trace): Judged {
  const watched = readWatch(check, trace);
  if (watched.result === null) return { refused: watched.says };
  return {
    result: watched.result,
    sureness: watched.sureness,
    value: (100 * watched.leak) / watched.limit,
    band: [0, 100],
    unit: '%',
    says: watched.says,
  };
}

/** Whether a pressure to be pumped (in the trace's unit) is more than the target bears, in words; null when it is not. */
export function tooMuch(check: PressureCheck, gauge: number, unit: Trace['unit']): string | null {
  const { maxKpa, name } = TARGETS[check];
  if (toKpa(gauge, unit) <= maxKpa * 1.001) return null;
  return `${name}: never beyond ${bothPressures(maxKpa, unit)}.`;
}
