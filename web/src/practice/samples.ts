/** Samples a second that engines on the practice bench are heard at. */
export const RATE = 24_000;

/** Samples, −1 to 1 at `RATE`, as a source that is heard once it is started. */
export function sourceOf(audio: AudioContext, samples: Float32Array<ArrayBuffer>): AudioBufferSourceNode {
  const buffer = audio.createBuffer(1, samples.length, RATE);
  buffer.copyToChannel(samples, 0);
  const source = audio.createBufferSource();
  source.buffer = buffer;
  source.connect(audio.destination);
  return source;
}
