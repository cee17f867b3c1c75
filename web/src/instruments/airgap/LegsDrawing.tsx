import type { Band } from '@rusty-wren/core/machine';
import type { ReactElement } from 'react';

/** Gaps are drawn so many units a mm: sixty times life. */
const ENLARGED = 60;
const RIM = 96;
const LEG = 46;
const WIDE = 320;
const LEG_X = [46, 274] as const;

/** The coil's legs over the flywheel's rim, gaps enlarged to scale, with the band each may stand in. */
export function LegsDrawing({
  top,
  bottom,
  band,
}: {
  /** Gaps, mm; null where none was measured yet. */
  top: number | null;
  bottom: number | null;
  band: Band;
}): ReactElement {
  const y = (mm: number): number => RIM - Math.min(mm, 1.2) * ENLARGED;
  const middle = (band[0] + band[1]) / 2;
  const at = [top ?? middle, bottom ?? middle].map(y) as [number, number];
  return (
    <svg viewBox={`0 0 ${WIDE} 128`} className="mt-3 w-full max-w-md" aria-hidden>
      <path d={`M0 ${RIM} H${WIDE} V128 H0 Z`} fill="var(--rail)" />
      {LEG_X.map((x) => (
        <rect
          key={x}
          x={x - LEG / 2 - 14}
          width={LEG + 28}
          y={y(band[1])}
          height={y(band[0]) - y(band[1])}
          fill="var(--moss)"
          opacity={0.45}
        />
      ))}
      <path
        d={`M${LEG_X[0] - LEG / 2} ${at[0]} h${LEG} V${Math.min(...at) - 22} L${LEG_X[1] - LEG / 2} ${Math.min(...at) - 22} V${at[1]} h${LEG} V6 H${LEG_X[0] - LEG / 2} Z`}
        fill="var(--ink)"
      />
      {[top, bottom].map((mm, i) => (
        <text
          key={LEG_X[i]}
          x={LEG_X[i]}
          y={RIM + 24}
          textAnchor="middle"
          fill="var(--paper)"
          fontSize={17}
          fontWeight={700}
        >
          {i === 0 ? 'top' : 'bottom'} {mm === null ? '–' : mm.toFixed(2)}
        </text>
      ))}
      <text x={WIDE / 2} y={RIM + 24} textAnchor="middle" fill="var(--paper)" fontSize={15}>
        flywheel
      </text>
    </svg>
  );
}
