import type { MachineFacts } from '@rusty-wren/core/machine';
import { figuresOf } from '@rusty-wren/core/machine';
import { speedBand, type Blip, type TrackPoint } from '@rusty-wren/core/tuning';
import type { ReactElement } from 'react';
import {
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts';

/** More points than this would only hide each other. */
const MOST_DRAWN = 450;

/** Silence longer than this breaks the line, s. */
const GAP_S = 0.4;

/** The speed over time with the bands it should keep to, and what was read off it. */
export function SpeedChart({
  track,
  blip,
  machine,
  seconds,
  height = 240,
}: {
  track: readonly TrackPoint[];
  blip: Blip | null;
  machine: MachineFacts;
  /** How far the time axis goes. */
  seconds: number;
  height?: number;
}): ReactElement {
  const idle = speedBand('idle', machine);
  const full = speedBand('full', machine);
  const { clutch } = figuresOf(machine);
  const every = Math.ceil(track.length / MOST_DRAWN);
  const rows = track
    .filter((_, i) => i % every === 0)
    .flatMap(([t, rpm, four], i, kept) => {
      const row = { t, rpm, ...(four > 0.15 && { burble: rpm }) };
      // Where nothing was heard nothing is drawn.
      const before = kept[i - 1]?.[0];
      return before !== undefined && t - before > GAP_S ? [{ t: before + 0.01, rpm: null }, row] : [row];
    });
  const top = Math.max(full[1] * 1.12, ...track.map((p) => p[1]));
  return (
    <figure aria-label="Speed over time" className="-mx-px overflow-x-clip px-px">
      <ResponsiveContainer width="100%" height={height}>
        <ComposedChart data={rows} margin={{ top: 6, right: 8, bottom: 0, left: 0 }}>
          <XAxis
            dataKey="t"
            type="number"
            domain={[0, seconds]}
            allowDataOverflow
            tickCount={5}
            tickFormatter={(t: number) => `${Math.round(t)} s`}
            stroke="var(--soft)"
            fontSize={15}
          />
          <YAxis
            domain={[0, top]}
            allowDataOverflow
            ticks={[0, idle[0] + (idle[1] - idle[0]) / 2, (full[0] + full[1]) / 2].map(
              (v) => Math.round(v / 50) * 50,
            )}
            width={58}
            stroke="var(--soft)"
            fontSize={15}
          />
          {[idle, full].map(([low, high]) => (
            <ReferenceArea key={low} y1={low} y2={high} fill="var(--moss)" fillOpacity={0.28} stroke="none" />
          ))}
          <ReferenceLine y={full[1]} stroke="var(--rust)" strokeWidth={2.5} strokeDasharray="7 5" />
          {clutch !== null && <ReferenceLine y={clutch} stroke="var(--soft)" strokeDasharray="2 5" />}
          {blip?.snap && <ReferenceLine x={blip.snap.at} stroke="var(--soft)" />}
          {blip?.back && <ReferenceLine x={blip.back.at} stroke="var(--soft)" />}
          <Line
            dataKey="burble"
            stroke="var(--ochre)"
            strokeWidth={9}
            strokeOpacity={0.45}
            dot={false}
            activeDot={false}
            isAnimationActive={false}
          />
          <Line
            dataKey="rpm"
            stroke="var(--ink)"
            strokeWidth={2.5}
            dot={false}
            activeDot={false}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
      <figcaption className="flex flex-wrap gap-x-5 text-base text-soft">
        <span className="flex items-center gap-2">
          <i aria-hidden className="inline-block h-3 w-6 bg-moss/30" /> where it should be
        </span>
        <span className="flex items-center gap-2">
          <i aria-hidden className="inline-block h-2 w-6 bg-ochre/50" /> burbles
        </span>
        <span className="flex items-center gap-2">
          <i aria-hidden className="inline-block w-6 border-t-[3px] border-dashed border-rust" /> limit
        </span>
        {clutch !== null && (
          <span className="flex items-center gap-2">
            <i aria-hidden className="inline-block w-6 border-t-2 border-dotted border-soft" /> clutch
          </span>
        )}
      </figcaption>
    </figure>
  );
}
