import Papa from 'papaparse';
import * as wavefile from 'wavefile';
import type { SpeedReading } from './speed';

/** Node takes the package's one build and bundlers its other: the class stands in the module itself, or under its default. */
const { WaveFile } =
  'WaveFile' in wavefile ? wavefile : (wavefile as Record<'default', typeof wavefile>)['default'];

/** A recording: one channel of samples, -1 to 1, so many a second. */
export interface Clip {
  samples: Float32Array;
  rate: number;
}

/** Ten minutes; more is not a guided recording. */
const LONGEST_S = 600;
const LOWEST_RATE = 8000;

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
  if (sampleRate < LOWEST_RATE)
    return {
      problem: `The recording has ${sampleRate} samples a second; at least ${LOWEST_RATE} are needed.`,
    };
  const got = wav.getSamples(false, Float32Array) as unknown as Float32Array | Float32Array[];
  const channels = Array.isArray(got) ? got : [got];
  const samples = channels[0]!.map((_, i) => channels.reduce((s, c) => s + c[i]!, 0) / channels.length);
  if (samples.length < sampleRate / 2) return { problem: 'The recording is shorter than half a second.' };
  if (samples.length > LONGEST_S * sampleRate)
    return { problem: 'The recording is longer than ten minutes.' };
  if (!samples.every(Number.isFinite)) return { problem: 'The recording holds values that are not numbers.' };
  return { samples, rate: sampleRate };
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
