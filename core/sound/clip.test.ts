import { describe, expect, it } from 'vitest';
import { WaveFile } from 'wavefile';
import { clipOfWav, speedTable, wavOfClip } from './index';

const tone = (rate: number, seconds: number): Float32Array =>
  Float32Array.from({ length: rate * seconds }, (_, i) => 0.5 * Math.sin((2 * Math.PI * 100 * i) / rate));

describe('a recording as a file', () => {
  it('comes back as it was written, to sixteen bits', () => {
    const samples = tone(16_000, 1);
    const back = clipOfWav(wavOfClip({ samples, rate: 16_000 }));
    if ('problem' in back) throw new Error(back.problem);
    expect(back.rate).toBe(16_000);
    expect(back.samples).toHaveLength(samples.length);
    for (let i = 0; i < samples.length; i += 97) expect(back.samples[i]).toBeCloseTo(samples[i]!, 3);
  });

  it.each(['8', '24', '32', '32f'])('of two channels, %s bits, is meant into one', (depth) => {
    const wav = new WaveFile();
    const left = Int16Array.from(tone(8000, 1), (v) => 30_000 * v);
    wav.fromScratch(2, 8000, '16', [left, left.map(() => 0)]);
    wav.toBitDepth(depth);
    const clip = clipOfWav(wav.toBuffer());
    if ('problem' in clip) throw new Error(clip.problem);
    expect(clip.samples).toHaveLength(8000);
    expect(Math.max(...clip.samples)).toBeCloseTo((0.5 * 30_000) / 32_768 / 2, 1);
  });

  it('that cannot be read says why', () => {
    const problem = (bytes: Uint8Array): string => {
      const clip = clipOfWav(bytes);
      return 'problem' in clip ? clip.problem : 'none';
    };
    expect(problem(new Uint8Array(0))).toBe('The recording is empty.');
    expect(problem(new TextEncoder().encode('RIFF but nothing more'))).toContain('not a WAV file');
    expect(problem(wavOfClip({ samples: tone(16_000, 1).slice(0, 100), rate: 16_000 }))).toContain(
      'shorter than half a second',
    );
    const slow = new WaveFile();
    slow.fromScratch(1, 4000, '16', new Int16Array(8000));
    expect(problem(slow.toBuffer())).toContain('at least 8000 are needed');
  });
});

describe('a speed trace as a table', () => {
  it('has a heading and a line a reading', () => {
    const lines = speedTable([{ t: 0.01, rpm: 2801.4, confidence: 0.912, fourStroke: 0 }]).split(/\r?\n/);
    expect(lines).toEqual(['seconds,rpm,confidence,four_stroking', '0.01,2801,0.91,0.00']);
  });
});
