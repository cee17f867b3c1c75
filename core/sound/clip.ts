import Papa from 'papaparse';
import * as wavefile from 'wavefile';
import type { SpeedReading } from './speed';

/** Node takes the package's one build and bundlers its other: the class stands in the module itself, or under its default. */
const whole: Partial<Record<'WaveFile' | 'default', unknown>> = { ...wavefile };
const { WaveFile } = ('WaveFile' in whole ? whole : whole.default) as typeof wavefile;

/** A recording: one channel of samples, -1 to 1, so many a second. */
export interface Clip {
  samples: Float32Array;
  rate: number;
}

/** Ten minutes; more is not a guided recording. */
const LONGEST_S = 600;
/** A speed shows over some ten turns; less is no recording. */
const SHORTEST_S = 0.5;
const LOWEST_RATE = 8000;

/**
 * A recording from its channels (each -1 to 1, `rate` samples a second), meant into one; or one sentence saying why it is
 * none that a speed can be told from.
 */
export function clipOfChannels(channels: readonly Float32Array[], rate: number): Clip | { problem: string } {
  const [first] = channels;
  if (!first || first.length === 0) return { problem: 'The recording has no sound in it.' };
  if (rate < LOWEST_RATE)
    return { problem: `The recording has ${rate} samples a second; at least ${LOWEST_RATE} are needed.` };
  if (first.length < rate * SHORTEST_S) return { problem: 'The recording is shorter than half a second.' };
  if (first.length > rate * LONGEST_S) return { problem: 'The recording is longer than ten minutes.' };
  const samples = first.map((_, i) => channels.reduce((s, c) => s + c[i]!, 0) / channels.length);
  if (!samples.every(Number.isFinite)) return { problem: 'The recording holds values that are not numbers.' };
  return { samples, rate };
}

/** The sound in a WAV file, its channels meant into one; or one sentence saying why it cannot be read. */
export function clipOfWav(bytes: Uint8Array): Clip | { problem: string } {
  if (bytes.length === 0) return { problem: 'The recording is empty.' };
  let wav: InstanceType<typeof WaveFile>;
  try {
    wav = new WaveFile(bytes);
    wav.toBitDepth('32f');
  } catch {
    return { problem: 'The recording is not a WAV file that can be read.' };
  }
  const { sampleRate } = wav.fmt as { sampleRate: number };
  const got = wav.getSamples(false, Float32Array) as unknown as Float32Array | Float32Array[];
  return clipOfChannels(Array.isArray(got) ? got : [got], sampleRate);
}

/** A recording as a WAV file, 16 bits, one channel. */
export function wavOfClip({ samples, rate }: Clip): Uint8Array<ArrayBuffer> {
  const wav = new WaveFile();
  wav.fromScratch(
    1,
    rate,
    '16',
    Int16Array.from(samples, (v) => Math.round(32767 * Math.min(1, Math.max(-1, v)))),
  );
  return Uint8Array.from(wav.toBuffer());
}

/** A speed trace as a table with a heading: seconds, rpm, confidence and four-stroking (0 to 1). */
export const speedTable = (readings: readonly SpeedReading[]): string =>
  Papa.unparse({
    fields: ['seconds', 'rpm', 'confidence', 'four_stroking'],
    data: readings.map((r) => [
      r.t.toFixed(2),
      Math.round(r.rpm),
      r.confidence.toFixed(2),
      r.fourStroke.toFixed(2),
    ]),
  });
