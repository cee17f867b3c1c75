import FFT from 'fft.js';

/** Keeps an empty place in the spectrum from saying more than a strong line does. */
const FLOOR = 0.12;

/** Natural logs of 1 to 2 in fine steps, for a logarithm from a number's own bits. */
const FINE = Float32Array.from({ length: 1024 }, (_, i) => Math.log1p((i + 0.5) / 1024));
const asFloat = new Float32Array(1);
const asBits = new Int32Array(asFloat.buffer);

/** Natural log of a positive number, to half a thousandth. */
function quickLog(x: number): number {
  asFloat[0] = x;
  const bits = asBits[0]!;
  return ((bits >> 23) - 127) * Math.LN2 + FINE[(bits >> 13) & 1023]!;
}

/**
 * A windowed spectrum, whitened and pressed: each bin holds the log of its power over the mean power around it, so that
 * even noise lies about nought and a loud fan or hum counts no more than any other line. Buffers are made once.
 */
export class Spectrum {
  /** Log of whitened power by bin. */
  readonly pressed: Float32Array;
  /** Bins a Hz. */
  readonly perHz: number;
  /** Samples looked at. */
  readonly length: number;
  readonly #fft: FFT;
  readonly #hann: Float64Array;
  readonly #input: Float64Array;
  readonly #output: Float64Array;
  readonly #sums: Float64Array;
  readonly #around: number;

  /** `seconds` of sound at `rate` a second, looked at up to `topHz`; whitened over `aroundHz` to either side. */
  constructor(rate: number, seconds: number, aroundHz: number, topHz: number) {
    this.length = Math.round(rate * seconds);
    // Filled up with silence to twice its length or nearly, so that no line falls between two bins.
    const size = 2 ** Math.ceil(Math.log2(1.9 * this.length));
    this.#fft = new FFT(size);
    this.#hann = Float64Array.from(
      { length: this.length },
      (_, i) => 0.5 - 0.5 * Math.cos((2 * Math.PI * (i + 0.5)) / this.length),
    );
    this.#input = new Float64Array(size);
    this.#output = new Float64Array(2 * size);
    this.perHz = size / rate;
    const bins = Math.min(size / 2, Math.ceil(topHz * this.perHz) + 2);
    this.pressed = new Float32Array(bins);
    this.#sums = new Float64Array(bins + 1);
    this.#around = Math.round(aroundHz * this.perHz);
  }

  /** Takes the samples that lie around `centre`; where there are none it is silent. */
  take(samples: Float32Array, centre: number): void {
    const from = Math.round(centre - this.length / 2);
    const [input, output, hann, sums, pressed] = [
      this.#input,
      this.#output,
      this.#hann,
      this.#sums,
      this.pressed,
    ];
    const first = Math.max(0, -from);
    const end = Math.max(first, Math.min(this.length, samples.length - from));
    input.fill(0, 0, this.length);
    for (let i = first; i < end; i++) input[i] = samples[from + i]! * hann[i]!;
    this.#fft.realTransform(output, input);
    const bins = pressed.length;
    for (let b = 0; b < bins; b++) {
      const re = output[2 * b]!;
      const im = output[2 * b + 1]!;
      sums[b + 1] = sums[b]! + re * re + im * im;
    }
    const around = this.#around;
    for (let b = 0; b < bins; b++) {
      const low = b > around ? b - around : 0;
      const high = b + around + 1 < bins ? b + around + 1 : bins;
      const mean = (sums[high]! - sums[low]!) / (high - low);
      pressed[b] = quickLog(FLOOR + (sums[b + 1]! - sums[b]!) / (mean + 1e-12));
    }
  }
}
