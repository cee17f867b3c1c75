import { CANDIDATES, STEP } from './candidates';

/** Fastest an engine gathers or loses speed: natural log of speed a second. */
const FASTEST = 5.5;
/** How much a log of contrast in one frame counts. */
const WEIGHT = 1.6;
/** What a step of one candidate costs. */
const STEP_COSTS = 0.2;

/** The best way through all frames' scores so far, one candidate a frame (Viterbi). */
export class Path {
  readonly #reach: number;
  readonly #back: Int16Array[] = [];
  /** Values of the best ways to each candidate: now, and the buffer of the frame before. */
  #best = new Float64Array(CANDIDATES.length);
  #spare = new Float64Array(CANDIDATES.length);

  /** `hop` seconds from frame to frame. */
  constructor(hop: number) {
    this.#reach = Math.ceil((FASTEST * hop) / STEP);
  }

  push(scores: Float32Array): void {
    const n = CANDIDATES.length;
    const next = this.#spare;
    const back = new Int16Array(n);
    const before = this.#best;
    const reach = this.#reach;
    let top = -Infinity;
    for (let c = 0; c < n; c++) {
      let most = -Infinity;
      let from = c;
      const end = Math.min(n - 1, c + reach);
      for (let p = Math.max(0, c - reach); p <= end; p++) {
        const value = before[p]! - STEP_COSTS * (p < c ? c - p : p - c);
        if (value > most) {
          most = value;
          from = p;
        }
      }
      next[c] = most + WEIGHT * scores[c]!;
      back[c] = from;
      top = Math.max(top, next[c]!);
    }
    // Kept about nought: only differences count.
    for (let c = 0; c < n; c++) next[c] = next[c]! - top;
    this.#best = next;
    this.#spare = before;
    this.#back.push(back);
  }

  get frames(): number {
    return this.#back.length;
  }

  /** The candidate the newest frame is likeliest at by what is known so far. */
  get here(): number {
    let at = 0;
    for (let c = 1; c < this.#best.length; c++) if (this.#best[c]! > this.#best[at]!) at = c;
    return at;
  }

  /** The candidates of the last `count` frames, oldest first, by all that is known now. */
  trace(count = this.frames): Int16Array {
    const out = new Int16Array(Math.min(count, this.frames));
    let at = this.here;
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
