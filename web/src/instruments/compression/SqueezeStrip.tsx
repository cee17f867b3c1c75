import type { SqueezeReading } from '@rusty-wren/contract';
import type { Band } from '@rusty-wren/core/machine';
import { format } from 'date-fns';
import type { ReactElement } from 'react';

const WIDE = 320;

/** What this machine and others of its model have read in this shop, psi at sea level, over the band. */
export function SqueezeStrip({
  squeezes,
  machineId,
  band,
}: {
  squeezes: readonly SqueezeReading[];
  machineId: string;
  band: Band;
}): ReactElement | null {
  if (squeezes.length === 0) return null;
  const own = squeezes.filter((s) => s.machineId === machineId);
  const all = squeezes.map((s) => s.psi);
  const low = Math.min(band[0], ...all) * 0.9;
  const high = Math.max(band[1], ...all) * 1.05;
  const x = (psi: number): number => (WIDE * (psi - low)) / (high - low);
  return (
    <figure className="mt-3 max-w-md">
      <svg viewBox={`0 0 ${WIDE} 34`} className="w-full" aria-hidden>
        <rect
          x={x(band[0])}
          width={x(band[1]) - x(band[0])}
          y={8}
          height={18}
          fill="var(--moss)"
          opacity={0.35}
        />
        <line x1={0} x2={WIDE} y1={17} y2={17} stroke="var(--line)" strokeWidth={2} />
        {squeezes.map((s) => (
          <circle
            key={`${s.tag} ${s.notedAt}`}
            cx={x(s.psi)}
            cy={17}
            r={s.machineId === machineId ? 8 : 6}
            fill={s.machineId === machineId ? 'var(--ink)' : 'var(--paper)'}
            stroke="var(--ink)"
            strokeWidth={2}
          />
        ))}
      </svg>
      <figcaption className="text-lg">
        {own.length > 0 && (
          <>
            This machine:{' '}
            {own
              .slice(-3)
              .map((s) => `${Math.round(s.psi)} psi on ${format(s.notedAt, 'd MMM')}`)
              .join(', ')}
            .{' '}
          </>
        )}
        {squeezes.length > own.length && (
          <span className="text-soft">
            {squeezes.length - own.length} {squeezes.length - own.length === 1 ? 'other' : 'others'} of the
            model, hollow
          </span>
        )}
      </figcaption>
    </figure>
  );
}
