import { chanceFrom, normalFrom } from '../chance';

/** What speed an engine has at a time, and the share of its turns that four-stroke. */
export interface SpeedPoint {
  /** s */
  t: number;
  rpm: number;
  fourStroke?: number;
  /** What each turn burns, 1 a full cylinder. */
  charge?: number;
}

/** How one machine in one place sounds. Levels are relative to the exhaust's, 1 as loud. */
export interface SoundRecipe {
  /** Spread of one firing's strength about the mean, as a share. */
  cycleVariation: number;
  /** Resonance of the exhaust and of the intake: Hz and quality. */
  exhaust: { hz: number; q: number };
  intake: { hz: number; q: number; level: number };
  /** Blades of the fan and how loud; broad rush of its air. */
  fan?: { blades: number; level: number; rush: number };
  /** Chain links past the bar's tip a turn, and how loud. */
  chain?: { aTurn: number; level: number };
  /** Mains hum, Hz, and how loud. */
  hum?: { hz: number; level: number };
  /** Delay of the first reflection, ms, and how much of it comes back. */
  room?: { ms: number; level: number };
  /** A microphone that hears nothing below this, Hz. */
  bassCutHz?: number;
  /** Overdriven: cut off at this share of the loudest. */
  clipAt?: number;
  /** Noise, dB below the engine (negative is louder): wind is a rumble that comes and goes, hiss is even. */
  noise?: { kind: 'hiss' | 'wind'; snrDb: number };
  /** Another engine in the yard: its speed, and dB below this one. */
  other?: { rpm: number; downDb: number };
}

/** A plain saw, close by. */
export const PLAIN: SoundRecipe = {
  cycleVariation: 0.12,
  exhaust: { hz: 340, q: 2.2 },
  intake: { hz: 820, q: 3, level: 0.35 },
  fan: { blades: 16, level: 0.05, rush: 0.04 },
  room: { ms: 11, level: 0.25 },
};

/** A resonance as a pair of poles, with unit gain at its peak. */
function resonator(hz: number, q: number, rate: number): (x: number) => number {
  const w = (2 * Math.PI * hz) / rate;
  const radius = Math.exp(-w / (2 * q));
  const a1 = 2 * radius * Math.cos(w);
  const a2 = -radius * radius;
  const gain = (1 - radius) * Math.sqrt(1 - 2 * radius * Math.cos(2 * w) + radius * radius);
  let [y1, y2] = [0, 0];
  return (x) => {
    const y = gain * x + a1 * y1 + a2 * y2;
    y2 = y1;
    y1 = y;
    return y;
  };
}

const rms = (x: Float32Array): number => Math.sqrt(x.reduce((s, v) => s + v * v, 0) / Math.max(1, x.length));

/** Gas noise a firing throws out beside its pulse, as a share of it. */
const BURST = 0.25;
/** Length of a firing's pressure pulse, s. */
const PULSE_S = 0.0012;

/** One engine's pulses, fan and chain, before the room: exhaust and intake by the turn. Piece after piece of its track in, sound out. */
function pulser(
  recipe: SoundRecipe,
  rate: number,
  chance: () => number,
): (track: readonly SpeedPoint[]) => Float32Array<ArrayBuffer> {
  const normal = normalFrom(chance);
  const exhaust = resonator(recipe.exhaust.hz, recipe.exhaust.q, rate);
  const bark = resonator(recipe.exhaust.hz * 3.4, 4, rate);
  const intake = resonator(recipe.intake.hz, recipe.intake.q, rate);
  let phase = chance();
  let left = 0;
  let strength = 1;
  let gulp = 0;
  let fired = true;
  return (track) => {
    const [begins, ends] = [track[0]?.t ?? 0, track.at(-1)?.t ?? 0];
    const n = Math.round((ends - begins) * rate);
    const out = new Float32Array(n);
    let at = 0;
    for (let i = 0; i < n; i++) {
      const t = begins + i / rate;
      while (at < track.length - 2 && track[at + 1]!.t <= t) at++;
      const [a, b] = [track[at]!, track[Math.min(at + 1, track.length - 1)]!];
      const share = b.t > a.t ? Math.min(1, Math.max(0, (t - a.t) / (b.t - a.t))) : 0;
      const turnsHz = (a.rpm + (b.rpm - a.rpm) * share) / 60;
      const before = phase;
      phase += turnsHz / rate;
      if (Math.floor(phase) > Math.floor(before)) {
        // A turn that does not fire still pushes its charge out, much more softly, and the next one fires the harder.
        const misses: boolean = fired && chance() < (a.fourStroke ?? 0);
        fired = !misses;
        // A small charge leaves less to let out.
        const push = 0.55 + 0.45 * Math.min(1, (a.charge ?? 0.75) / 0.75);
        strength = push * (misses ? 0.22 : 1) * Math.max(0.1, 1 + recipe.cycleVariation * normal());
        left = 1;
      }
      if (Math.floor(phase + 0.45) > Math.floor(before + 0.45)) gulp = 1;
      left = Math.max(0, left - 1 / (PULSE_S * rate));
      gulp = Math.max(0, gulp - 1 / (2 * PULSE_S * rate));
      const push = turnsHz > 5 ? strength * Math.sin(Math.PI * left) * (1 + BURST * normal()) : 0;
      const suck = turnsHz > 5 ? Math.sin(Math.PI * gulp) * (1 + 0.5 * normal()) : 0;
      let y = exhaust(push) + 0.5 * bark(push) + recipe.intake.level * intake(suck);
      const turn = 2 * Math.PI * phase;
      const pace = turnsHz / 100;
      if (recipe.fan)
        y +=
          0.1 * pace * (recipe.fan.level * Math.sin(recipe.fan.blades * turn) + recipe.fan.rush * normal());
      if (recipe.chain) y += 0.1 * recipe.chain.level * pace * Math.sin(recipe.chain.aTurn * turn + 1);
      out[i] = y;
    }
    return out;
  };
}

/** Peaks of a close engine lie about here before it is brought to 0.8. */
const STREAM_GAIN = 2.5;

/** The sound of an engine as it goes on: piece after piece of its track in (each beginning where the last ended), sound out. */
export function soundStream(
  recipe: SoundRecipe,
  rate: number,
  seed: number,
): (track: readonly SpeedPoint[]) => Float32Array<ArrayBuffer> {
  const pulses = pulser(recipe, rate, chanceFrom(seed));
  return (track) => pulses(track).map((v) => Math.min(1, Math.max(-1, STREAM_GAIN * v)));
}

/** One-pole high pass, in place, twice over. */
function cutBass(x: Float32Array, hz: number, rate: number): void {
  const k = Math.exp((-2 * Math.PI * hz) / rate);
  for (let pass = 0; pass < 2; pass++) {
    let [x1, y1] = [0, 0];
    for (let i = 0; i < x.length; i++) {
      const y = k * (y1 + x[i]! - x1);
      x1 = x[i]!;
      y1 = y;
      x[i] = y;
    }
  }
}

/**
 * The sound of an engine that runs as `track` says: mono PCM of `rate` samples a second, peaks at 0.8, the same for the same
 * seed. Firings excite an exhaust resonance and its bark, intake gulps another; cycles vary; fan and chain turn with it;
 * then the room, another engine, hum and noise, and what the microphone loses.
 */
export function soundOf(
  track: readonly SpeedPoint[],
  recipe: SoundRecipe,
  rate: number,
  seed: number,
): Float32Array {
  const chance = chanceFrom(seed);
  const normal = normalFrom(chance);
  const x = pulser(recipe, rate, chance)(track);
  const { room, other, hum, noise, bassCutHz, clipAt } = recipe;
  if (room) {
    const late = Math.round((room.ms / 1000) * rate);
    for (let i = late; i < x.length; i++) x[i] = x[i]! + room.level * x[i - late]!;
  }
  // A still engine leaves nothing to measure noise by.
  const loud = rms(x) || 0.05;
  const add = (y: Float32Array, level: number): void => {
    const scale = (level * loud) / (rms(y) || 1);
    for (let i = 0; i < x.length; i++) x[i] = x[i]! + scale * y[i]!;
  };
  if (other) {
    const steady = [
      { t: 0, rpm: other.rpm },
      { t: x.length / rate, rpm: other.rpm * 1.02 },
    ];
    add(
      pulser({ ...recipe, exhaust: { hz: recipe.exhaust.hz * 0.7, q: 3 } }, rate, chance)(steady),
      10 ** (-other.downDb / 20),
    );
  }
  if (hum) {
    const at = chance();
    add(
      x.map((_, i) =>
        [1, 0.6, 0.5, 0.25, 0.2, 0.1].reduce(
          (sum, level, k) => sum + level * Math.sin(2 * Math.PI * (k + 1) * (hum.hz * (i / rate) + at)),
          0,
        ),
      ),
      hum.level,
    );
  }
  if (bassCutHz) cutBass(x, bassCutHz, rate);
  if (noise) {
    let [low, gust] = [0, 0];
    const k = Math.exp((-2 * Math.PI * 90) / rate);
    const slow = Math.exp(-1 / (0.4 * rate));
    const y = x.map(() => {
      if (noise.kind === 'hiss') return normal();
      low = k * low + (1 - k) * normal();
      gust = slow * gust + Math.sqrt(1 - slow * slow) * normal();
      return (low + 0.02 * normal()) * Math.max(0.15, 1 + gust);
    });
    const heard = rms(x) || 0.05;
    const scale = (10 ** (-noise.snrDb / 20) * heard) / (rms(y) || 1);
    for (let i = 0; i < x.length; i++) x[i] = x[i]! + scale * y[i]!;
  }
  const peak = x.reduce((m, v) => Math.max(m, Math.abs(v)), 0) || 1;
  const most = clipAt ? peak * clipAt : peak;
  return x.map((v) => (0.8 * Math.min(most, Math.max(-most, v))) / most);
}
