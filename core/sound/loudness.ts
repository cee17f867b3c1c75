/** Seconds a frame's loudness is taken over. */
const OVER_S = 0.06;
/** Where engines speak and neither wind nor hiss does most, Hz. */
const BAND_HZ = [250, 1200] as const;

/** Keeps the middle of what is heard: two poles below, one above. Stateful: give it a stream piece by piece. */
export class MiddleBand {
  readonly #low: number;
  readonly #high: number;
  #x = 0;
  #once = 0;
  #twice = 0;
  #out = 0;

  constructor(rate: number) {
    this.#low = Math.exp((-2 * Math.PI * BAND_HZ[0]) / rate);
    this.#high = 1 - Math.exp((-2 * Math.PI * BAND_HZ[1]) / rate);
  }

  push(samples: Float32Array): Float32Array {
    const out = new Float32Array(samples.length);
    for (let i = 0; i < samples.length; i++) {
      const once = this.#low * (this.#once + samples[i]! - this.#x);
      this.#x = samples[i]!;
      this.#twice = this.#low * (this.#twice + once - this.#once);
      this.#once = once;
      this.#out += this.#high * (this.#twice - this.#out);
      out[i] = this.#out;
    }
    return out;
  }
}

/** Power of the sound around sample `centre`. */
export function powerAt(samples: Float32Array, centre: number, rate: number): number {
  const half = Math.round((OVER_S * rate) / 2);
  const from = Math.max(0, Math.round(centre) - half);
  const to = Math.min(samples.length, Math.round(centre) + half);
  let sum = 0;
  for (let i = from; i < to; i++) sum += samples[i]! * samples[i]!;
  return sum / Math.max(1, to - from);
}

/** Between these shares of the way down from loud to quiet a moment begins to count as quiet, and counts wholly. */
const QUIET_FROM = 0.35;
const QUIET_AT = 0.7;
/** Decibels between loud and quiet at which the difference begins to say something, and says all it can. */
const SPAN_FROM = 0.6;
const SPAN_AT = 2;

const within = (v: number): number => Math.min(1, Math.max(0, v));

/** How much a moment of `level` dB is a quiet one, 0 to 1, where the loud ones have `loud` dB and the quiet ones `quiet`. */
const quietness = (level: number, loud: number, quiet: number): number =>
  loud > quiet
    ? within(((loud - level) / (loud - quiet) - QUIET_FROM) / (QUIET_AT - QUIET_FROM)) *
      within((loud - quiet - SPAN_FROM) / (SPAN_AT - SPAN_FROM))
    : 0;

const SILENCE = 1e-9;
const decibels = (power: number): number => 10 * Math.log10(power + SILENCE);

/** Frames to either side a level is meant over. */
const MEANT_OVER = 5;
/** Shares of a recording's moments that are quieter than its quiet and its loud ones. */
const QUIET_SHARE = 0.15;
const LOUD_SHARE = 0.92;

/** How quiet each moment of a recording is against the rest of it, 0 to 1. */
export function quietOf(powers: readonly number[]): number[] {
  const levels = powers.map((_, i) => {
    const near = powers.slice(Math.max(0, i - MEANT_OVER), i + MEANT_OVER + 1);
    return decibels(near.reduce((s, p) => s + p, 0) / near.length);
  });
  const sorted = [...levels].sort((a, b) => a - b);
  const at = (share: number): number => sorted[Math.floor(share * (sorted.length - 1))] ?? 0;
  const [quiet, loud] = [at(QUIET_SHARE), at(LOUD_SHARE)];
  return levels.map((level) => quietness(level, loud, quiet));
}

/** How quickly a live level follows, a frame; and how quickly loud and quiet are forgotten, dB a frame: 3 dB in about 15 s. */
const FOLLOWS = 0.15;
const FORGETS_DB = 0.004;

/** How quiet each moment of a sound is against what was heard so far, 0 to 1, as it comes. */
export class QuietSoFar {
  #power = 0;
  #loud = -Infinity;
  #quiet = Infinity;

  /** `power` of the next frame. */
  next(power: number): number {
    this.#power = this.#power === 0 ? power : this.#power + FOLLOWS * (power - this.#power);
    const level = decibels(this.#power);
    this.#loud = Math.max(level, this.#loud - FORGETS_DB);
    this.#quiet = Math.min(level, this.#quiet + FORGETS_DB);
    return quietness(level, this.#loud, this.#quiet);
  }
}
