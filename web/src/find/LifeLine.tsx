import type { Band } from '@rusty-wren/core/machine';
import { format } from 'date-fns';
import type { ReactElement } from 'react';

const [WIDE, HIGH, LEFT, BELOW, ABOVE] = [460, 170, 52, 26, 26];

/** One figure of a machine on one day. */
export interface Point {
  key: string;
  /** ISO 8601. */
  at: string;
  value: number;
  /** What it was before that job changed it. */
  was?: number;
  sound: boolean;
}

/**
 * A figure of one machine over the years, over the band it is judged by. `says`: a value in words; `span`: the least that is
 * drawn from bottom to top; `years`: when the lines beside it begin and end, ISO 8601.
 */
export function LifeLine({
  title,
  points,
  band,
  span,
  says,
  years: [from, to],
}: {
  title: string;
  points: readonly Point[];
  band?: Band;
  span: number;
  says: (value: number) => string;
  years: readonly [string, string];
}): ReactElement | null {
  if (points.length === 0) return null;
  const inWords = points.map((p) => `${says(p.value)} in ${format(p.at, 'MMM yyyy')}`).join(', ');
  const all = [...points.flatMap((p) => [p.value, p.was ?? p.value]), ...(band ?? [])];
  const middle = (Math.max(...all) + Math.min(...all)) / 2;
  const half = Math.max(Math.max(...all) - Math.min(...all), span) / 2;
  const [begin, end] = [Date.parse(from), Date.parse(to)];
  const x = (at: string): number =>
    begin === end
      ? (LEFT + WIDE) / 2
      : LEFT + 24 + ((WIDE - LEFT - 54) * (Date.parse(at) - begin)) / (end - begin);
  const y = (value: number): number =>
    ABOVE + ((HIGH - BELOW - ABOVE - 8) * (middle + half - value)) / (2 * half);
  // As many figures as can be told apart.
  const named = points.length <= 6 ? points : [points[0]!, points.at(-1)!];
  return (
    <figure>
      <figcaption className="text-xl font-semibold">{title}</figcaption>
      <svg
        viewBox={`0 0 ${WIDE} ${HIGH}`}
        className="w-full max-w-xl"
        role="img"
        aria-label={`${title}: ${inWords}`}
      >
        {band && (
          <>
            <rect
              x={LEFT}
              width={WIDE - LEFT}
              y={y(band[1])}
              height={y(band[0]) - y(band[1])}
              fill="var(--moss)"
              opacity={0.25}
            />
            {band.map((edge) => (
              <text key={edge} x={0} y={y(edge) + 5} fontSize={16} fill="var(--soft)">
                {says(edge).split(' ')[0]}
              </text>
            ))}
          </>
        )}
        <polyline
          points={points.map((p) => `${x(p.at)},${y(p.value)}`).join(' ')}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2}
        />
        {points.map((p) => (
          <g key={p.key}>
            {p.was !== undefined && p.was !== p.value && (
              <>
                <line
                  x1={x(p.at)}
                  x2={x(p.at)}
                  y1={y(p.was)}
                  y2={y(p.value)}
                  stroke="var(--soft)"
                  strokeDasharray="3 3"
                />
                <circle
                  cx={x(p.at)}
                  cy={y(p.was)}
                  r={5}
                  fill="var(--paper)"
                  stroke="var(--soft)"
                  strokeWidth={2}
                />
                <text
                  x={x(p.at) + (x(p.at) > WIDE * 0.7 ? -11 : 11)}
                  y={y(p.was) + 6}
                  fontSize={16}
                  textAnchor={x(p.at) > WIDE * 0.7 ? 'end' : 'start'}
                  fill="var(--soft)"
                >
                  was {says(p.was)}
                </text>
              </>
            )}
            <circle cx={x(p.at)} cy={y(p.value)} r={6} fill={p.sound ? 'var(--ink)' : 'var(--rust)'} />
          </g>
        ))}
        {named.map((p) => (
          <text
            key={p.key}
            x={x(p.at)}
            y={y(p.value) - 12}
            fontSize={18}
            fontWeight={700}
            textAnchor="middle"
            fill={p.sound ? 'var(--ink)' : 'var(--rust)'}
          >
            {says(p.value).replace(/ (?:psi|mm)$/, '')}
          </text>
        ))}
        {[...new Set([points[0]!, points.at(-1)!])].map((p) => (
          <text key={p.key} x={x(p.at)} y={HIGH - 4} fontSize={16} textAnchor="middle" fill="var(--soft)">
            {format(p.at, 'MMM yy')}
          </text>
        ))}
      </svg>
    </figure>
  );
}
