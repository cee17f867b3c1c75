import { CANDIDATES } from './candidates';
import { HumFilter, withoutHum } from './hum';
import { MiddleBand, powerAt, quietOf, QuietSoFar } from './loudness';
import { Path } from './path';
import { Decimator } from './resample';
import { BROUGHT_DOWN, HALF_WINDOW_S, Scorer, type AtRates, type FrameScores } from './score';

/** Seconds from one reading of the speed to the next. */
export const HOP_S = 0.02;

/** The speed at one moment of a recording. */
export interface SpeedReading {
  /** s from the beginning. */
  t: number;
  /** Turns of the crank a minute. */
  rpm: number;
  /** 0 to 1; below `HEARD` there is no engine to be heard. */
  confidence: number;
  /** How strongly it fires every other turn, 0 to 1. */
  fourStroke: number;
}
export const HEARD = 0.35;

/** The contrasts (log of power, meant over a tenth of a second or so) that noise alone may have, and that only an engine has. */
const CHANCE = 0.5;
const CERTAIN = 1.2;
/** Frames to either side that a contrast is meant over. */
const MEANT_OVER = 5;

function confidenceOf(contrasts: readonly number[]): number {
  const mean = contrasts.reduce((s, v) => s + v, 0) / contrasts.length;
  return Math.min(1, Math.max(0, (mean - CHANCE) / (CERTAIN - CHANCE)));
}

/** Candidates to either side of the likeliest that are looked at sharply while a frame's spectrum is at hand. */
const SHARP_REACH = 2;

/** The first candidate sharpened, then the speeds, Hz, that it and the next ones give. */
const sharpAround = (scorer: Scorer, here: number): Float64Array => {
  const first = Math.max(0, here - SHARP_REACH);
  const last = Math.min(CANDIDATES.length - 1, here + SHARP_REACH);
  const sharp = new Float64Array(last - first + 2);
  sharp[0] = first;
  for (let c = first; c <= last; c++) sharp[c - first + 1] = scorer.sharpen(c);
  return sharp;
};

/** What is kept of a moment: its scores, and its speeds sharply about the likeliest. */
type Moment = FrameScores & { sharp: Float64Array };

/** Hears the moment around sample `at` and takes it into the path. */
function hear(scorer: Scorer, path: Path, sound: AtRates, at: number, quiet: number): Moment {
  const frame = scorer.score(sound, at, quiet);
  path.push(frame.scores);
  return { ...frame, sharp: sharpAround(scorer, path.here) };
}

const sharpened = (sharp: Float64Array, c: number): number | undefined =>
  c >= sharp[0]! ? sharp[c - sharp[0]! + 1] : undefined;

/** Frames looked ahead before a live reading is given. */
const LAG = 5;
const REMEMBERS = 100;
/** A multiple of every `BROUGHT_DOWN`. */
const TOGETHER = BROUGHT_DOWN.reduce((product, by) => product * by, 1);

/**
 * The engine's speed along a recording: mono PCM of `rate` samples a second in, a reading every 20 ms out, for a two-stroke
 * single (rpm = 60 f). Whichever way the speeds of all frames together are likeliest is taken, so that a missing fundamental,
 * a burble or a hum does not make it jump. `full` is the machine's own full speed, rpm, where known: it tells burbling at
 * speed from half that speed. `progress` is told the share done and may return false to stop: then null. Throws on a rate
 * under 8,000 a second.
 */
export function speedsOf(
  samples: Float32Array,
  rate: number,
  { full, progress }: { full?: number; progress?: (share: number) => boolean } = {},
): SpeedReading[] | null {
  const decimator = new Decimator(rate);
  const x = withoutHum(decimator.push(samples), decimator.rate);
  const sound = BROUGHT_DOWN.map((by) => new Decimator(decimator.rate, by).push(x));
  const scorer = new Scorer(decimator.rate, full);
  const path = new Path(HOP_S);
  const hop = HOP_S * decimator.rate;
  const frames = Math.floor(samples.length / rate / HOP_S + 1e-6);
  const middle = new MiddleBand(decimator.rate).push(x);
  const quiet = quietOf(
    Array.from({ length: frames }, (_, i) => powerAt(middle, (i + 0.5) * hop, decimator.rate)),
  );
  const moments: Moment[] = [];
  for (let i = 0; i < frames; i++) {
    moments.push(hear(scorer, path, sound, (i + 0.5) * hop, quiet[i]!));
    if (i % 50 === 49 && progress?.(i / frames / 2) === false) return null;
  }
  const readings: SpeedReading[] = [];
  const way = path.trace();
  const contrasts = Array.from(way, (c, i) => moments[i]!.scores[c]!);
  for (const [i, c] of way.entries()) {
    let hz = sharpened(moments[i]!.sharp, c);
    if (hz === undefined) {
      scorer.take(sound, (i + 0.5) * hop, c);
      hz = scorer.sharpen(c);
    }
    readings.push({
      t: (i + 0.5) * HOP_S,
      rpm: 60 * hz,
      confidence: confidenceOf(contrasts.slice(Math.max(0, i - MEANT_OVER), i + MEANT_OVER + 1)),
      fourStroke: moments[i]!.halves[c]!,
    });
    if (i % 50 === 49 && progress?.(0.5 + i / frames / 2) === false) return null;
  }
  return readings;
}

const joined = (a: Float32Array, b: Float32Array): Float32Array<ArrayBuffer> => {
  const both = new Float32Array(a.length + b.length);
  both.set(a);
  both.set(b, a.length);
  return both;
};

/** The speed of a microphone's sound as it comes: readings follow the sound by about 0.2 s. */
export class LiveSpeed {
  readonly #decimator: Decimator;
  readonly #hum: HumFilter;
  readonly #scorer: Scorer;
  readonly #path = new Path(HOP_S);
  readonly #hop: number;
  readonly #half: number;
  readonly #lower: readonly Decimator[];
  readonly #band: MiddleBand;
  readonly #quiet = new QuietSoFar();
  /** The sound held, at every rate it is looked at by. */
  #sound: Float32Array[] = BROUGHT_DOWN.map(() => new Float32Array(0));
  #middle = new Float32Array(0);
  /** Sample the held ones begin at. */
  #from = 0;
  #frame = 0;
  readonly #pending: Moment[] = [];

  /** `rate`: samples a second; `full`: the machine's own full speed, rpm, where it is known. */
  constructor(rate: number, full?: number) {
    this.#decimator = new Decimator(rate);
    this.#lower = BROUGHT_DOWN.map((by) => new Decimator(this.#decimator.rate, by));
    this.#band = new MiddleBand(this.#decimator.rate);
    this.#hum = new HumFilter(this.#decimator.rate);
    this.#scorer = new Scorer(this.#decimator.rate, full);
    this.#hop = HOP_S * this.#decimator.rate;
    this.#half = HALF_WINDOW_S * this.#decimator.rate;
  }

  /** More sound in; the readings that are settled by it out. */
  push(samples: Float32Array): SpeedReading[] {
    const more = this.#hum.push(this.#decimator.push(samples));
    this.#sound = this.#sound.map((held, w) => joined(held, this.#lower[w]!.push(more)));
    this.#middle = joined(this.#middle, this.#band.push(more));
    const readings: SpeedReading[] = [];
    for (;;) {
      const centre = (this.#frame + 0.5) * this.#hop;
      const sound = this.#sound;
      const at = centre - this.#from;
      if (at + this.#half > Math.min(...sound.map((held, w) => BROUGHT_DOWN[w]! * held.length))) break;
      const quiet = this.#quiet.next(powerAt(this.#middle, at, this.#decimator.rate));
      this.#pending.push(hear(this.#scorer, this.#path, sound, at, quiet));
      const way = this.#path.trace(LAG + 1);
      this.#frame++;
      if (this.#pending.length > LAG) {
        const due = this.#pending.shift()!;
        const c = way[0]!;
        readings.push({
          t: (this.#frame - 1 - LAG + 0.5) * HOP_S,
          rpm: 60 * (sharpened(due.sharp, c) ?? CANDIDATES[c]!),
          confidence: confidenceOf([due, ...this.#pending].map((frame, i) => frame.scores[way[i]!]!)),
          fourStroke: due.halves[c]!,
        });
      }
      this.#path.forget(REMEMBERS);
    }
    // What no later frame looks at is let go, by so much that every rate lets go of whole samples.
    const past =
      TOGETHER * Math.floor(((this.#frame + 0.5) * this.#hop - this.#half - this.#from) / TOGETHER);
    if (past > 0) {
      this.#sound = this.#sound.map((held, w) => held.slice(past / BROUGHT_DOWN[w]!));
      this.#middle = this.#middle.slice(past);
      this.#from += past;
    }
    return readings;
  }
}
