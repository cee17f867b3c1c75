import { CANDIDATES, OCTAVE } from './candidates';
import { Spectrum } from './spectrum';

/** Most harmonics asked, and the highest of them, Hz. */
const MOST_HARMONICS = 20;
const TOP_HZ = 3000;
/** A harmonic counts so much the less the higher it is: speed wanders, and its line spreads. */
const FADES = 0.5;
/**
 * Lines at f/2 may be an engine of half the speed, or one that fires every other turn. In the second case those of the turn
 * itself, the even ones, stand higher (log of power) by more than this: what pumps at every turn is in them alone. The first
 * two lines are left out of that comparison: bass that is missing or booms would decide it.
 */
const EVEN_HIGHER = 0.25;
/**
 * What reading lines as every other turn is marked down by, by the speed that gives as a share of the machine's full speed:
 * it is heard at full throttle, below the right speed but not at half of it.
 */
const FOUR_STROKE_COSTS: readonly (readonly [share: number, costs: number])[] = [
  [0.5, 0.3],
  [0.62, -0.1],
  [0.97, -0.1],
  [1.08, 0.25],
];
/** The same by the speed itself, rpm, where the machine is not known: no machine's right full speed is under 6,800. */
const ANY_FOUR_STROKE_COSTS: typeof FOUR_STROKE_COSTS = [
  [4500, 0.3],
  [6000, 0],
];
/** At full throttle it is loud too: what the quietest moment adds. */
const QUIET_COSTS = 1.2;

function fourStrokeCosts(rpm: number, full: number | undefined): number {
  const [at, costs] = full ? [rpm / full, FOUR_STROKE_COSTS] : [rpm, ANY_FOUR_STROKE_COSTS];
  const above = costs.findIndex(([s]) => s >= at);
  const [high, highCosts] = costs.at(above)!;
  const [low, lowCosts] = costs[above - 1] ?? [high, highCosts];
  return above <= 0 ? highCosts : lowCosts + ((at - low) / (high - low)) * (highCosts - lowCosts);
}

/**
 * The windows, s, and the speed, Hz, up to which each is used: about six turns or more. The harmonics of slow speeds lie
 * low: for them the sound is brought down by `by` first, and looked at up to `topHz`.
 */
const WINDOWS = [
  { seconds: 0.2, upTo: 55, aroundHz: 120, by: 3, topHz: 1130 },
  { seconds: 0.11, upTo: 115, aroundHz: 240, by: 2, topHz: 1800 },
  { seconds: 0.064, upTo: Infinity, aroundHz: 420, by: 1, topHz: TOP_HZ },
] as const;
/** How far the sound is brought down for each window. */
export const BROUGHT_DOWN: readonly number[] = WINDOWS.map((w) => w.by);
/** Sound at the rates the windows look at it by, in their order. */
export type AtRates = readonly Float32Array[];
/** Half the longest window, s: how far behind the newest sample a frame's middle lies. */
export const HALF_WINDOW_S = WINDOWS[0].seconds / 2;

/** For each candidate: the bins of its lines and of the places half-way between. */
interface Comb {
  window: number;
  on: Uint16Array;
  between: Uint16Array;
  weights: Float32Array;
  /** Share of the weights that lies on odd lines. */
  odds: number;
  /** What reading its lines as every other turn is marked down by. */
  costs: number;
}

function combOf(hz: number, spectra: readonly Spectrum[], full: number | undefined): Comb {
  const window = WINDOWS.findIndex((w) => hz <= w.upTo);
  const { perHz } = spectra[window]!;
  const count = Math.max(3, Math.min(MOST_HARMONICS, Math.floor(WINDOWS[window]!.topHz / hz)));
  const bins = (places: (k: number) => number): Uint16Array =>
    Uint16Array.from({ length: count }, (_, k) => Math.round(places(k + 1) * hz * perHz));
  const weights = Float32Array.from({ length: count }, (_, k) => (k + 1) ** -FADES);
  const sum = weights.reduce((s, w) => s + w, 0);
  return {
    window,
    on: bins((k) => k),
    between: bins((k) => k - 0.5),
    weights: weights.map((w) => w / sum),
    odds: weights.reduce((s, w, k) => (k % 2 === 0 ? s + w : s), 0) / sum,
    costs: fourStrokeCosts(120 * hz, full),
  };
}

export interface FrameScores {
  /** By candidate: how much more its lines hold than the places between, in logs of power. */
  scores: Float32Array;
  /** By candidate: how far the places half-way between are filled, 0 to 1: four-stroking. */
  halves: Float32Array;
}

/** Scores every candidate speed at one moment of a signal of `rate` samples a second. */
export class Scorer {
  readonly spectra: readonly Spectrum[];
  readonly #combs: readonly Comb[];

  /** `full`: the machine's own full speed, rpm, where it is known. */
  constructor(rate: number, full?: number) {
    this.spectra = WINDOWS.map((w) => new Spectrum(rate / w.by, w.seconds, w.aroundHz, w.topHz + 50));
    this.#combs = Array.from(CANDIDATES, (hz) => combOf(hz, this.spectra, full));
  }

  /** Looks again at the frame around sample `centre`, as far as candidate `c` needs it. */
  take(sound: AtRates, centre: number, c: number): void {
    this.#look(this.#combs[c]!.window, sound, centre);
  }

  #look(window: number, sound: AtRates, centre: number): void {
    this.spectra[window]!.take(sound[window]!, centre / WINDOWS[window]!.by);
  }

  /** The frame around sample `centre`; `quiet`: how much it is a quiet one against the rest, 0 to 1. */
  score(sound: AtRates, centre: number, quiet = 0): FrameScores {
    for (let w = 0; w < WINDOWS.length; w++) this.#look(w, sound, centre);
    const scores = new Float32Array(CANDIDATES.length).fill(-10);
    const halves = new Float32Array(CANDIDATES.length);
    for (let c = 0; c < this.#combs.length; c++) {
      const { window, on, between, weights, odds, costs } = this.#combs[c]!;
      const { pressed } = this.spectra[window]!;
      let [odd, even, empty] = [0, 0, 0];
      for (let k = 0; k < on.length; k += 2) {
        odd += weights[k]! * pressed[on[k]!]!;
        empty += weights[k]! * pressed[between[k]!]!;
      }
      for (let k = 1; k < on.length; k += 2) {
        even += weights[k]! * pressed[on[k]!]!;
        empty += weights[k]! * pressed[between[k]!]!;
      }
      const contrast = odd + even - empty;
      const [oddMean, evenMean] = [odd / odds, even / (1 - odds)];
      const first = weights[0]! * pressed[on[0]!]!;
      const second = weights[1]! * pressed[on[1]!]!;
      const higher = (even - second) / (1 - odds - weights[1]!) - (odd - first) / (odds - weights[0]!);
      const once = contrast - Math.max(0, higher - EVEN_HIGHER);
      if (once > scores[c]!) {
        scores[c] = once;
        halves[c] = 0;
      }
      // The same lines, read as every other turn of twice the speed.
      const twice = c + OCTAVE;
      const other = contrast - Math.max(0, EVEN_HIGHER - higher) - costs - QUIET_COSTS * quiet;
      if (twice < scores.length) {
        scores[twice] = other;
        halves[twice] = Math.min(1, Math.max(0, (oddMean - empty) / Math.max(0.3, evenMean - empty)));
      }
    }
    return { scores, halves };
  }

  /**
   * The speed near candidate `c`, Hz, sharper than the candidates lie: where the lines of the frame scored last hold
   * most, on a parabola.
   */
  sharpen(c: number): number {
    const hz = CANDIDATES[c]!;
    const { window, weights } = this.#combs[c]!;
    const { pressed, perHz } = this.spectra[window]!;
    const at = (f: number): number => {
      let sum = 0;
      for (let k = 0; k < weights.length; k++) {
        const bin = (k + 1) * f * perHz;
        const low = Math.floor(bin);
        const share = bin - low;
        sum += weights[k]! * (pressed[low]! * (1 - share) + (pressed[low + 1] ?? 0) * share);
      }
      return sum;
    };
    const fine = 0.0025;
    let [best, most] = [0, -Infinity];
    for (let i = -5; i <= 5; i++) {
      const value = at(hz * (1 + i * fine));
      if (value > most) [best, most] = [i, value];
    }
    const [left, right] = [at(hz * (1 + (best - 1) * fine)), at(hz * (1 + (best + 1) * fine))];
    const bend = left - 2 * most + right;
    const shift = bend < 0 ? Math.min(0.5, Math.max(-0.5, (0.5 * (left - right)) / bend)) : 0;
    return hz * (1 + (best + shift) * fine);
  }
}
