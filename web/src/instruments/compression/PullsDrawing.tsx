import type { Band } from '@rusty-wren/core/machine';
import type { ReactElement } from 'react';

const WIDE = 320;
const HIGH = 150;
const FOOT = 22;

/** The gauge after each pull as bars, the plateau they head for, and the band. All psi as the gauge shows it. */
export function PullsDrawing({
  pulls,
  plateau,
  band,
}: {
  pulls: readonly number[];
  plateau: number | null;
  band: Band;
}): ReactElement {
  const top = Math.max(band[1] * 1.1, plateau ?? 0, ...pulls) * 1.02;
  const y = (psi: number): number => (HIGH - FOOT) * (1 - psi / top);
  const step = (WIDE - 40) / Math.max(6, pulls.length);
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className="mt-3 w-full max-w-md" aria-hidden>
      <rect
        x={0}
        width={WIDE - 40}
        y={y(band[1])}
        height={y(band[0]) - y(band[1])}
        fill="var(--moss)"
        opacity={0.35}
      />
      {band.map((edge) => (
        <text key={edge} x={WIDE - 34} y={y(edge) + 5} fontSize={14} fill="var(--soft)">
          {Math.round(edge)}
        </text>
      ))}
      {pulls.map((psi, i) => (
        <g key={i}>
          <rect x={i * step + 4} width={step - 8} y={y(psi)} height={y(0) - y(psi)} fill="var(--ink)" />
          <text x={i * step + step / 2} y={HIGH - 4} textAnchor="middle" fontSize={15} fill="var(--ink)">
            {psi}
          </text>
        </g>
      ))}
      {plateau !== null && (
        <line
          x1={0}
          x2={WIDE - 40}
          y1={y(plateau)}
          y2={y(plateau)}
          stroke="var(--steel)"
          strokeWidth={3}
          strokeDasharray="8 5"
        />
      )}
    </svg>
  );
}
