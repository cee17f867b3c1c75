/** One moment of a speed trace: seconds, rpm, and how strongly it four-strokes, 0 to 1. */
export type TrackPoint = readonly [t: number, rpm: number, fourStroke: number];

const mid = (values: readonly number[]): number => {
  const sorted = values.toSorted((a, b) => a - b);
  return sorted[sorted.length >> 1] ?? NaN;
};
const mean = (values: readonly number[]): number => values.reduce((s, v) => s + v, 0) / values.length;
const spread = (values: readonly number[]): number => {
  const m = mean(values);
  return Math.sqrt(mean(values.map((v) => (v - m) ** 2)));
};

export interface IdleHeard {
  /** rpm. */
  mean: number;
  /** Standard deviation, rpm. */
  spread: number;
  /** rpm a second: negative when it sags. */
  drift: number;
  /** s. */
  from: number;
  to: number;
}
export interface SnapHeard {
  /** When the throttle was snapped open, s. */
  at: number;
  /** How far it fell before it rose, rpm. */
  dip: number;
  /** From the snap to nine tenths of the way up, s. */
  rise: number;
}
export interface FullHeard {
  mean: number;
  /** Fastest, rpm. */
  most: number;
  /** Standard deviation as a share of the mean. */
  flutter: number;
  /** How strongly it four-strokes, 0 to 1. */
  fourStroke: number;
  from: number;
  to: number;
}
export interface BackHeard {
  /** When the throttle was let go, s. */
  at: number;
  /** From letting go until it is back at the idle it came from, within 15 %; null when it never was, s. */
  hang: number | null;
  /** How far it fell below that idle, rpm. */
  undershoot: number;
  stalled: boolean;
}

/** What a guided recording says: idle, snapped open, held, let go. What did not happen in it is null. */
export interface Blip {
  idle: IdleHeard | null;
  snap: SnapHeard | null;
  full: FullHeard | null;
  back: BackHeard | null;
}

/** Full throttle stands at least so far above idle. */
const APART = 1.6;
const NEAR_IDLE = 0.15;
/** Left out at either end of a steady stretch, s. */
const SETTLES = 0.4;
/** Silence this long after letting go is a stall, s. */
const SILENT = 0.8;
const LEAST_S = 0.6;
/** Further from idle than this it has left it, after standing there so long, s. */
const LEAVES = 0.08;
const STOOD_S = 0.3;

/** The trace without single jumps: the middle of five neighbours. */
const smooth = (track: readonly TrackPoint[]): TrackPoint[] =>
  track.map(([t, , four], i) => [t, mid(track.slice(Math.max(0, i - 2), i + 3).map((p) => p[1])), four]);

/** Whether it fell silent between its first point and `until`, s: it died. */
const silentIn = (points: readonly TrackPoint[], until: number): boolean =>
  points.some((p, i) => (points[i + 1]?.[0] ?? until) - p[0] > SILENT);

function readIdle(points: readonly TrackPoint[]): IdleHeard | null {
  const rpm = points.map((p) => p[1]);
  const [from, to] = [points[0]?.[0] ?? 0, points.at(-1)?.[0] ?? 0];
  if (to - from < LEAST_S) return null;
  const m = mean(rpm);
  const middle = (from + to) / 2;
  const above = points.reduce((s, [t, v]) => s + (t - middle) * (v - m), 0);
  const below = points.reduce((s, [t]) => s + (t - middle) ** 2, 0);
  return { mean: m, spread: spread(rpm), drift: above / below, from, to };
}

/**
 * Reads a guided recording's speed trace (in order of time, only where an engine was heard). `seconds` is how long was
 * listened. A trace without a burst is all idle.
 */
export function readBlip(track: readonly TrackPoint[], seconds = track.at(-1)?.[0] ?? 0): Blip {
  const points = smooth(track);
  const nothing: Blip = { idle: null, snap: null, full: null, back: null };
  if (points.length < 10) return nothing;
  const sorted = points.map((p) => p[1]).toSorted((a, b) => a - b);
  const low = sorted[Math.floor(sorted.length * 0.1)]!;
  const high = sorted[Math.floor(sorted.length * 0.97)]!;
  if (high < APART * low) return { ...nothing, idle: silentIn(points, seconds) ? null : readIdle(points) };

  const gate = Math.sqrt(low * high);
  const up = points.findIndex((p) => p[1] > gate);
  const before = points.slice(0, up);
  const firstIdle = before.length > 0 ? mid(before.map((p) => p[1])) : low;
  // Back from the way up to where it last stood at idle for a while: a dip crosses idle on its way up.
  const nearIdle = (p: TrackPoint): boolean => Math.abs(p[1] / firstIdle - 1) <= LEAVES;
  let leaves = up;
  while (
    leaves > 0 &&
    !before
      .slice(0, leaves)
      .filter((p) => p[0] > points[leaves]![0] - STOOD_S)
      .every(nearIdle)
  )
    leaves--;
  const snapAt = points[leaves]![0];
  const settled = before.filter((p) => p[0] < snapAt - 0.1);
  const idle = silentIn(settled, snapAt) ? null : readIdle(settled);

  let down = points.findIndex((p, i) => i > up && p[1] < gate);
  if (down < 0) down = points.length;
  const held = points.slice(up, down);
  const plateau = mid(held.slice(Math.floor(held.length / 2)).map((p) => p[1]));
  const last = held.findLastIndex((p) => p[1] > 0.95 * plateau);
  const releasedAt = held[Math.max(0, last)]![0];
  const reached = held.find((p) => p[1] >= firstIdle + 0.9 * (plateau - firstIdle));
  const steady = held.filter((p) => p[0] > (reached?.[0] ?? snapAt) + SETTLES && p[0] < releasedAt - 0.1);
  const full = steady.length >= 5 ? steady : held.filter((p) => p[1] > 0.9 * plateau);
  const fullRpm = full.map((p) => p[1]);

  const after = points.slice(down);
  const back = after.find((p) => p[1] <= firstIdle * (1 + NEAR_IDLE));
  const quietFrom = after.at(-1)?.[0] ?? releasedAt;
  const idling = back ? after.filter((p) => p[0] >= back[0]) : [];
  return {
    idle,
    snap: reached
      ? {
          at: snapAt,
          dip: Math.max(0, firstIdle - Math.min(...points.slice(leaves, up + 1).map((p) => p[1]))),
          rise: reached[0] - snapAt,
        }
      : null,
    full: {
      mean: mean(fullRpm),
      most: Math.max(...held.map((p) => p[1])),
      flutter: spread(fullRpm) / mean(fullRpm),
      fourStroke: mean(full.map((p) => p[2])),
      from: full[0]![0],
      to: full.at(-1)![0],
    },
    back:
      down < points.length || seconds - releasedAt > 1.5
        ? {
            at: releasedAt,
            hang: back ? back[0] - releasedAt : null,
            undershoot: idling.length ? Math.max(0, firstIdle - Math.min(...idling.map((p) => p[1]))) : 0,
            stalled: seconds - quietFrom > SILENT,
          }
        : null,
  };
}

/** A trace broken off for longer than this is two; what is shorter than the second by itself is a speck. */
const BREAK_S = 0.15;
const SPECK_S = 0.3;

/** The trace without specks: moments when some noise was taken for an engine. */
export function withoutSpecks(track: readonly TrackPoint[]): TrackPoint[] {
  const runs: TrackPoint[][] = [];
  for (const point of track) {
    const run = runs.at(-1);
    if (run && point[0] - run.at(-1)![0] <= BREAK_S) run.push(point);
    else runs.push([point]);
  }
  return runs.filter((run) => run.at(-1)![0] - run[0]![0] >= SPECK_S).flat();
}

/** The log takes no longer trace. */
export const MOST_TRACK = 2400;

/** A trace as it is kept in the log: a point every 50 ms, or fewer of a long one; no finer than is known. */
export function thinTrack(track: readonly TrackPoint[]): TrackPoint[] {
  const long = (track.at(-1)?.[0] ?? 0) - (track[0]?.[0] ?? 0);
  const apart = Math.max(0.05, long / (MOST_TRACK - 1)) - 1e-4;
  const kept: TrackPoint[] = [];
  for (const [t, rpm, four] of track) {
    if (kept.length > 0 && t - kept.at(-1)![0] < apart) continue;
    kept.push([Math.round(t * 100) / 100, Math.round(rpm), Math.round(four * 100) / 100]);
  }
  return kept;
}
