import { clipOfChannels, clipOfWav, type Clip } from '@rusty-wren/core/sound';

/** What the ear takes: recordings as phones make them, and the sound of a video. */
export const RECORDINGS = 'audio/*,video/*,.wav,.m4a,.mp3,.ogg,.opus,.webm,.mp4,.mov,.3gp,.aac';

/** Two hundred megabytes: a ten-minute video of a phone. */
const MOST_BYTES = 200e6;
/** Samples a second a compressed recording is decoded at: enough for every multiple of a speed that matters. */
const RATE = 44_100;

const isWav = (bytes: Uint8Array): boolean =>
  String.fromCharCode(...bytes.subarray(0, 4)) === 'RIFF' &&
  String.fromCharCode(...bytes.subarray(8, 12)) === 'WAVE';

const endingOf = (name: string): string => /\.[^.]+$/.exec(name)?.[0].slice(1) ?? 'this kind';

/** The sound in a recording or a video, decoded by the browser; or one sentence saying why it cannot be read. */
export async function clipOfFile(file: File): Promise<Clip | { problem: string }> {
  if (file.size === 0) return { problem: `${file.name} is empty.` };
  if (file.size > MOST_BYTES)
    return { problem: `${file.name} is larger than 200 MB: cut it to the half minute that matters.` };
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (isWav(bytes) || endingOf(file.name).toLowerCase() === 'wav') return clipOfWav(bytes);
  try {
    const sound = await new OfflineAudioContext(1, 1, RATE).decodeAudioData(bytes.buffer);
    const channels = Array.from({ length: sound.numberOfChannels }, (_, n) => sound.getChannelData(n));
    return clipOfChannels(channels, sound.sampleRate);
  } catch {
    return {
      problem: `${file.name} cannot be read: this browser has no decoder for ${endingOf(file.name)}, or it holds no sound. WAV always works.`,
    };
  }
}
