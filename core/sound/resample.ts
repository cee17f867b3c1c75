/** Enough of the spectrum for the harmonics of any engine speed, Hz. */
const RATE = 8000;
/** Length of the low-pass on either side, in samples of the lower rate. */
const LOBES = 6;

/**
 * Brings a signal down by a whole number so that its rate is the lowest not under 8,000 a second, through a windowed-sinc
 * low-pass. Stateful: give it a stream piece by piece; each call returns what is new.
 */
export class Decimator {
  readonly by: number;
  readonly rate: number;
  readonly #taps: Float32Array;
  #tail: Float32Array;
  #skip = 0;

  /** Down to the lowest rate not under 8,000 a second, or by as much as is said. Throws on a rate under that. */
  constructor(rate: number, by = Math.floor(rate / RATE)) {
    if (!(by >= 1)) throw new RangeError(`a rate of ${rate} a second is under ${RATE}`);
    this.by = by;
    this.rate = rate / this.by;
    const half = this.by === 1 ? 0 : LOBES * this.by;
    const cut = 0.45 / this.by;
    this.#taps = Float32Array.from({ length: 2 * half + 1 }, (_, i) => {
      const n = i - half;
      const sinc = n === 0 ? 2 * cut : Math.sin(2 * Math.PI * cut * n) / (Math.PI * n);
      return sinc * (0.5 + 0.5 * Math.cos((Math.PI * n) / (half + 1)));
    });
    const sum = this.#taps.reduce((s, v) => s + v, 0);
    this.#taps = this.#taps.map((v) => v / sum);
    // Begun with silence, so that what comes out lies in time where it came in.
    this.#tail = new Float32Array(half);
  }

  push(samples: Float32Array): Float32Array {
    if (this.by === 1) return samples;
    const taps = this.#taps;
    const x = new Float32Array(this.#tail.length + samples.length);
    x.set(this.#tail);
    x.set(samples, this.#tail.length);
    const count = Math.max(0, Math.floor((x.length - taps.length - this.#skip) / this.by) + 1);
    const out = new Float32Array(count);
    for (let i = 0; i < count; i++) {
      const from = this.#skip + i * this.by;
      let y = 0;
      for (let k = 0; k < taps.length; k++) y += taps[k]! * x[from + k]!;
      out[i] = y;
    }
    const used = this.#skip + count * this.by;
    const keep = Math.min(used, x.length);
    this.#skip = used - keep;
    this.#tail = x.slice(keep);
    return out;
  }
}
