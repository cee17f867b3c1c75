import { TARGETS, type PressureCheck, type Watched } from '@rusty-wren/core/pressure';
import { fromKpa, type PressureUnit } from '@rusty-wren/core/units';
import type { ReactElement } from 'react';
import { Area, ComposedChart, Line, ResponsiveContainer, Scatter, XAxis, YAxis } from 'recharts';

const STEPS = 60;
/** More dots than this would only hide each other. */
const MOST_DRAWN = 400;

interface Row {
  t: number;
  fit?: number;
  band?: [number, number];
  limit?: number;
  read?: number;
  bump?: number;
}

/** The gauge as it was read, the fitted decay with its band, and the slowest fall that would still be a leak. */
export function WatchChart({
  check,
  watched,
  unit,
  seconds,
}: {
  check: PressureCheck;
  watched: Watched;
  unit: PressureUnit;
  /** How far the time axis goes. */
  seconds: number;
}): ReactElement {
  const { points, decay, pop, limitRate } = watched;
  const last = Math.max(seconds, points.at(-1)?.[0] ?? 0);
  const from = pop?.shutS ?? 0;
  const at = (kpa: number): number => fromKpa(kpa, unit);
  const top = Math.max(TARGETS[check].testKpa, ...points.map(([, p]) => p)) * 1.08;
  const rows: Row[] = [];
  const start = decay ? decay.startKpa : (points[0]?.[1] ?? TARGETS[check].testKpa);
  for (let n = 0; n <= STEPS; n++) {
    const t = from + ((last - from) * n) / STEPS;
    const row: Row = { t, limit: at(start * Math.exp(-limitRate * (t - from))) };
    if (decay) {
      // The fit swings about the middle of what was watched, where it is best known.
      const mid = from + decay.spanS / 2;
      const [low, high] = decay.rateInterval;
      const centre = start * Math.exp(-decay.ratePerS * mid);
      const edge = (rate: number): number => Math.min(at(top), at(centre * Math.exp(-rate * (t - mid))));
      row.fit = at(start * Math.exp(-decay.ratePerS * t));
      const edges = [edge(low), edge(high)];
      row.band = [Math.min(...edges), Math.max(...edges)];
    }
    rows.push(row);
  }
  const offset = points.findIndex(([t]) => t >= from);
  const every = Math.ceil(points.length / MOST_DRAWN);
  points.forEach(([t, p], i) => {
    if (i % every !== 0) return;
    const counted = decay?.counted[i - offset] ?? true;
    rows.push(counted && i >= offset ? { t, read: at(p) } : { t, bump: at(p) });
  });
  rows.sort((x, y) => x.t - y.t);
  const digits = unit === 'bar' ? 2 : unit === 'kPa' ? 0 : 1;
  return (
    <figure aria-label="The gauge over time" className="mt-3 -mx-px overflow-x-clip px-px">
      <ResponsiveContainer width="100%" height={205}>
        <ComposedChart data={rows} margin={{ top: 6, right: 8, bottom: 0, left: 0 }}>
          <XAxis
            dataKey="t"
            type="number"
            domain={[0, last]}
            tickCount={5}
            tickFormatter={(t: number) => `${Math.round(t)} s`}
            stroke="var(--soft)"
            fontSize={15}
          />
          <YAxis
            domain={[0, at(top)]}
            tickCount={4}
            width={46}
            tickFormatter={(p: number) => p.toFixed(digits)}
            stroke="var(--soft)"
            fontSize={15}
          />
          <Area
            dataKey="band"
            connectNulls
            stroke="none"
            fill="var(--steel)"
            fillOpacity={0.22}
            activeDot={false}
            isAnimationActive={false}
          />
          <Line
            dataKey="limit"
            connectNulls
            stroke="var(--rust)"
            strokeDasharray="7 5"
            strokeWidth={2.5}
            dot={false}
            activeDot={false}
            isAnimationActive={false}
          />
          <Line
            dataKey="fit"
            connectNulls
            stroke="var(--steel)"
            strokeWidth={3}
            dot={false}
            activeDot={false}
            isAnimationActive={false}
          />
          <Scatter dataKey="read" fill="var(--ink)" isAnimationActive={false} />
          <Scatter dataKey="bump" fill="none" stroke="var(--soft)" isAnimationActive={false} />
        </ComposedChart>
      </ResponsiveContainer>
      <figcaption className="flex flex-wrap gap-x-5 text-base text-soft">
        <span className="flex items-center gap-2">
          <i aria-hidden className="inline-block h-0.5 w-6 bg-steel" /> this one
        </span>
        <span className="flex items-center gap-2">
          <i aria-hidden className="inline-block w-6 border-t-[3px] border-dashed border-rust" /> the most it
          may lose
        </span>
      </figcaption>
    </figure>
  );
}
