import type { SqueezeReading } from '@rusty-wren/contract';
import type { Band } from '@rusty-wren/core/machine';
import { format } from 'date-fns';
import type { ReactElement } from 'react';

const [WIDE, HIGH, LEFT, BELOW] = [640, 170, 44, 26];

/** Readings of one machine over the years, over the band they are judged by; psi at sea level. */
export function LifeLine({
  readings,
  band,
}: {
  readings: readonly SqueezeReading[];
  band: Band;
}): ReactElement {
  const said = readings.map((r) => `${Math.round(r.psi)} psi in ${format(r.notedAt, 'MMM yyyy')}`).join(', ');
  // One alone is no line.
  if (readings.length < 2) return <p className="text-lg">{said}.</p>;
  const all = readings.map((r) => r.psi);
  const low = Math.min(band[0], ...all) - 10;
  const high = Math.max(band[1], ...all) + 10;
  const at = readings.map((r) => Date.parse(r.notedAt));
  const [from, to] = [Math.min(...at), Math.max(...at)];
  const x = (t: number): number =>
    from === to ? (LEFT + WIDE) / 2 : LEFT + 12 + ((WIDE - LEFT - 40) * (t - from)) / (to - from);
  const y = (psi: number): number => 8 + ((HIGH - BELOW - 8) * (high - psi)) / (high - low);
  return (
    <figure className="mt-2">
      <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className="w-full max-w-3xl" role="img" aria-label={said}>
        <rect
          x={LEFT}
          width={WIDE - LEFT}
          y={y(band[1])}
          height={y(band[0]) - y(band[1])}
          fill="var(--moss)"
          opacity={0.25}
        />
        {band.map((edge) => (
          <text key={edge} x={0} y={y(edge) + 5} fontSize={15} fill="var(--soft)">
            {Math.round(edge)}
          </text>
        ))}
        <polyline
          points={readings.map((r, n) => `${x(at[n]!)},${y(r.psi)}`).join(' ')}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2}
        />
        {readings.map((r, n) => (
          <g key={`${r.tag} ${r.notedAt}`}>
            <circle cx={x(at[n]!)} cy={y(r.psi)} r={6} fill={r.sound ? 'var(--ink)' : 'var(--rust)'} />
            {(n === 0 || n === readings.length - 1) && (
              <>
                <text
                  x={x(at[n]!)}
                  y={y(r.psi) - 11}
                  fontSize={17}
                  fontWeight={700}
                  textAnchor="middle"
                  fill="var(--ink)"
                >
                  {Math.round(r.psi)}
                </text>
                {(n === 0 || from !== to) && (
                  <text x={x(at[n]!)} y={HIGH - 4} fontSize={15} textAnchor="middle" fill="var(--soft)">
                    {format(r.notedAt, 'MMM yy')}
                  </text>
                )}
              </>
            )}
          </g>
        ))}
      </svg>
      <figcaption className="text-lg">{said}.</figcaption>
    </figure>
  );
}
