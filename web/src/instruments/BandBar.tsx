import type { Judged } from '@rusty-wren/core/verdict';
import type { ReactElement } from 'react';

/** The band a reading was judged by, drawn to scale with the reading on it. */
export function BandBar({
  judged,
  className = '',
}: {
  judged: Exclude<Judged, { refused: string }>;
  className?: string;
}): ReactElement {
  const { band, value, unit } = judged;
  const span = band[1] - band[0];
  const low = Math.min(band[0] - span, value - span * 0.2);
  const high = Math.max(band[1] + span, value + span * 0.2);
  const at = (x: number): number => ((x - low) / (high - low)) * 100;
  const digits = unit === 'mm' ? 2 : 0;
  return (
    <div className={`relative mt-2 h-9 max-w-md ${className}`} aria-hidden>
      <div className="absolute top-1 h-2.5 w-full bg-line" />
      <div
        className="absolute top-1 h-2.5 bg-moss"
        style={{ left: `${at(band[0])}%`, width: `${at(band[1]) - at(band[0])}%` }}
      />
      <div
        className="absolute top-0 h-4.5 w-1.5 -translate-x-1/2 rounded-sm bg-ink"
        style={{ left: `${at(value)}%` }}
      />
      {band.map((edge) => (
        <span
          key={edge}
          className="absolute top-4.5 -translate-x-1/2 text-sm text-soft"
          style={{ left: `${at(edge)}%` }}
        >
          {edge.toFixed(digits)}
        </span>
      ))}
    </div>
  );
}
