import { speedsOf } from '@rusty-wren/core/sound';
import pitchfinder from 'pitchfinder';
import { PitchDetector } from 'pitchy';
import { clipOf, PLACES, truthAt, type Clip } from './clips';

/** Readings of a clip: time, s, and rpm (null where it would not say). */
type Ear = (clip: Clip) => { t: number; rpm: number | null }[];

const HOP_S = 0.02;
/** About 0.13 s: six turns at idle. */
const PEER_SAMPLES = 2048;

/** Any detector of one pitch in one piece of sound, asked every 20 ms; once a turn is the pitch. */
const everyHop =
  (pitch: (piece: Float32Array, rate: number) => number | null): Ear =>
  ({ samples, rate }) => {
    const readings = [];
    for (let i = 0; (i + 0.5) * HOP_S * rate < samples.length; i++) {
      const t = (i + 0.5) * HOP_S;
      const from = Math.round(t * rate - PEER_SAMPLES / 2);
      if (from < 0 || from + PEER_SAMPLES > samples.length) continue;
      const hz = pitch(samples.subarray(from, from + PEER_SAMPLES), rate);
      readings.push({ t, rpm: hz === null ? null : 60 * hz });
    }
    return readings;
  };

const mcleod = PitchDetector.forFloat32Array(PEER_SAMPLES);
const yins = new Map<number, (piece: Float32Array) => number | null>();
const yinAt = (rate: number): ((piece: Float32Array) => number | null) => {
  const known = yins.get(rate) ?? pitchfinder.YIN({ sampleRate: rate, threshold: 0.15 });
  yins.set(rate, known);
  return known;
};

const EARS: readonly (readonly [string, Ear])[] = [
  ['this one, machine known', ({ samples, rate, full }) => speedsOf(samples, rate, { full }) ?? []],
  ['this one, machine not known', ({ samples, rate }) => speedsOf(samples, rate) ?? []],
  ['pitchy (McLeod)', everyHop((piece, rate) => mcleod.findPitch(piece, rate)[0])],
  ['pitchfinder (YIN)', everyHop((piece, rate) => yinAt(rate)(piece))],
];

const NOISES = [
  ['quiet', undefined],
  ['hiss 10 dB', { kind: 'hiss', snrDb: 10 }],
  ['hiss 0 dB', { kind: 'hiss', snrDb: 0 }],
  ['wind 10 dB', { kind: 'wind', snrDb: 10 }],
  ['wind 0 dB', { kind: 'wind', snrDb: 0 }],
] as const;
const GROSS = 0.05;

/** Gross errors, middle error and speed of each ear on the same clips, place by place where it is this one. */
export function ears(clipsEach: number): void {
  console.log(
    `\nSpeed by ear: gross errors (over 5 %), middle error, times real time (of the middle clip); ${clipsEach} guided recordings of ${PLACES.length} places each`,
  );
  console.log('  aims: middle 0.5 %, gross at 0 dB 2 % and a fifth of the best peer’s, 100 times real time');
  for (const [noiseName, noise] of NOISES) {
    const clips = PLACES.flatMap((place) =>
      Array.from({ length: clipsEach }, (_, seed) => clipOf(place, noise, seed)),
    );
    for (const [name, ear] of EARS) {
      const errors: number[] = [];
      const places = new Map<string, [gross: number, all: number]>();
      const paces: number[] = [];
      for (const clip of clips) {
        const began = performance.now();
        const readings = ear(clip);
        paces.push((1000 * clip.samples.length) / clip.rate / (performance.now() - began));
        const here = places.get(clip.name) ?? [0, 0];
        for (const { t, rpm } of readings) {
          const truth = truthAt(clip.track, t);
          if (truth < 1500) continue;
          const off = rpm === null ? 1 : Math.abs(rpm / truth - 1);
          errors.push(off);
          here[0] += +(off > GROSS);
          here[1]++;
        }
        places.set(clip.name, here);
      }
      errors.sort((a, b) => a - b);
      paces.sort((a, b) => a - b);
      const gross = errors.filter((e) => e > GROSS).length / errors.length;
      console.log(
        `  ${noiseName.padEnd(11)}${name.padEnd(30)}gross ${(100 * gross).toFixed(1).padStart(5)} %   middle ${(100 * errors[errors.length >> 1]!).toFixed(2).padStart(6)} %   × ${paces[paces.length >> 1]!.toFixed(0)}`,
      );
      if (ear === EARS[0]![1])
        console.log(
          `             ${[...places].map(([place, [g, n]]) => `${place} ${((100 * g) / n).toFixed(1)}`).join('; ')}`,
        );
    }
  }
}
