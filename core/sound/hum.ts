/** Mains frequencies, Hz, and how many multiples of each are taken out. */
const MAINS = [50, 60] as const;
const MULTIPLES = 7;
/** How long a line must stand still to be taken for hum, s. An engine's own lines wander sooner. */
const STEADY_S = 0.9;

/**
 * Takes mains hum out of a signal, 50 and 60 Hz with their multiples, as far as it stands still: an adaptive canceller of two
 * weights a line (least mean squares; Widrow and others 1975). An engine that idles at the same speed loses next to nothing,
 * since its lines wander. Stateful: give it a stream piece by piece.
 */
export class HumFilter {
  /** By line: cosine and sine now, and the weight of each. */
  readonly #re: Float64Array;
  readonly #im: Float64Array;
  readonly #a: Float64Array;
  readonly #b: Float64Array;
  readonly #cos: Float64Array;
  readonly #sin: Float64Array;
  readonly #pace: number;

  constructor(rate: number, mains: readonly number[] = MAINS) {
    const lines = mains.flatMap((hz) => Array.from({ length: MULTIPLES }, (_, k) => hz * (k + 1)));
    // 300, 600 Hz … belong to both: once is enough.
    const hz = [...new Set(lines)].filter((f) => f < rate / 2);
    const turns = Float64Array.from(hz, (f) => (2 * Math.PI * f) / rate);
    this.#cos = turns.map(Math.cos);
    this.#sin = turns.map(Math.sin);
    this.#re = new Float64Array(hz.length).fill(1);
    this.#im = new Float64Array(hz.length);
    this.#a = new Float64Array(hz.length);
    this.#b = new Float64Array(hz.length);
    this.#pace = 2 / (STEADY_S * rate);
  }

  /** Back to the first sample, keeping what was learned. */
  rewind(): void {
    this.#re.fill(1);
    this.#im.fill(0);
  }

  /** Power of the hum as it is known now. */
  get power(): number {
    return this.#a.reduce((sum, a, l) => sum + (a * a + this.#b[l]! * this.#b[l]!) / 2, 0);
  }

  /** The samples without hum; a new array. */
  push(samples: Float32Array): Float32Array {
    const out = new Float32Array(samples.length);
    const [a, b, re, im, cos, sin] = [this.#a, this.#b, this.#re, this.#im, this.#cos, this.#sin];
    const lines = a.length;
    for (let i = 0; i < samples.length; i++) {
      let hum = 0;
      for (let l = 0; l < lines; l++) hum += a[l]! * re[l]! + b[l]! * im[l]!;
      const left = samples[i]! - hum;
      out[i] = left;
      const step = this.#pace * left;
      for (let l = 0; l < lines; l++) {
        const x = re[l]!;
        const y = im[l]!;
        a[l] = a[l]! + step * x;
        b[l] = b[l]! + step * y;
        re[l] = x * cos[l]! - y * sin[l]!;
        im[l] = x * sin[l]! + y * cos[l]!;
      }
    }
    // Rounding would let the turning pairs grow or shrink over hours.
    for (let l = 0; l < lines; l++) {
      const long = Math.hypot(re[l]!, im[l]!);
      re[l] = re[l]! / long;
      im[l] = im[l]! / long;
    }
    return out;
  }
}

/**
 * A whole recording without hum: the filter is let settle on its beginning, then begins anew. A place has one mains: the
 * stronger is taken out.
 */
export function withoutHum(samples: Float32Array, rate: number): Float32Array {
  const beginning = samples.subarray(0, Math.round(3 * STEADY_S * rate));
  const [filter] = MAINS.map((hz) => {
    const one = new HumFilter(rate, [hz]);
    one.push(beginning);
    return one;
  }).sort((x, y) => y.power - x.power);
  filter!.rewind();
  return filter!.push(samples);
}
