import { CANDIDATES, STEP } from './candidates';

/** Fastest an engine gathers or loses speed: natural log of speed a second. */
const FASTEST = 5.5;
/** How much a log of contrast in one frame counts. */
const WEIGHT = 1.6;
/** What a step of one candidate costs. */
const STEP_COSTS = 0.12;

/** The best way through all frames' scores so far, one candidate a frame (Viterbi). */
export class Path {
  readonly #reach: number;
  readonly #back: Int16Array[] = [];
  #best: Float64Array | null = null;

  /** `hop` seconds from frame to frame. */
  constructor(hop: number) {
    this.#reach = Math.ceil((FASTEST * hop) / STEP);
  }

  push(scores: Float32Array): void {
    const n = CANDIDATES.length;
    const next = new Float64Array(n);
    const back = new Int16Array(n);
    const before = this.#best;
    const reach = this.#reach;
    let top = -Infinity;
    for (let c = 0; c < n; c++) {
      let most = before ? -Infinity : 0;
      let from = c;
      if (before) {
        const end = Math.min(n - 1, c + reach);
        for (let p = Math.max(0, c - reach); p <= end; p++) {
          const value = before[p]! - STEP_COSTS * (p < c ? c - p : p - c);
          if (value > most) {
            most = value;
            from = p;
          }
        }
      }
      next[c] = most + WEIGHT * scores[c]!;
      back[c] = from;
      top = Math.max(top, next[c]!);
    }
    // Kept about nought: only differences count.
    this.#best = next.map((v) => v - top);
    this.#back.push(back);
  }

  get frames(): number {
    return this.#back.length;
  }

  /** The candidates of the last `count` frames, oldest first, by all that is known now. */
  trace(count = this.frames): Int16Array {
    const best = this.#best;
    const out = new Int16Array(Math.min(count, this.frames));
    if (!best) return out;
    let at = best.indexOf(Math.max(...best));
    for (let i = 0; i < out.length; i++) {
      out[out.length - 1 - i] = at;
      at = this.#back[this.frames - 1 - i]![at]!;
    }
    return out;
  }

  /** Lets go of all but the last `count` frames. */
  forget(count: number): void {
    this.#back.splice(0, Math.max(0, this.frames - count));
  }
}
