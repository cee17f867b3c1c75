import { behaviourOf, type ComplaintId, type SpeedPoint } from '@rusty-wren/core/knowledge';
import type { ReactElement } from 'react';

const W = 100;
const H = 44;
const path = (points: readonly SpeedPoint[]): string =>
  points
    .map(([t, v], i) => `${i ? 'L' : 'M'}${(t * (W - 6) + 3).toFixed(1)} ${(H - 4 - v * (H - 9)).toFixed(1)}`)
    .join('');

/** A behaviour as engine speed against time: what it does, over what it should do (dashed). */
export function SpeedShape({
  complaint,
  className = '',
}: {
  complaint: ComplaintId;
  className?: string;
}): ReactElement {
  const { shape, wanted } = behaviourOf(complaint);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      preserveAspectRatio="none"
      className={className}
      aria-hidden
      fill="none"
      strokeLinejoin="round"
      strokeLinecap="round"
    >
      <path
        d={`M3 ${H - 3}H${W - 3}`}
        stroke="var(--line)"
        strokeWidth={1.5}
        vectorEffect="non-scaling-stroke"
      />
      {wanted && (
        <path
          d={path(wanted)}
          stroke="var(--soft)"
          strokeWidth={1.4}
          strokeDasharray="3 4"
          opacity={0.8}
          vectorEffect="non-scaling-stroke"
        />
      )}
      <path d={path(shape)} stroke="currentColor" strokeWidth={2.6} vectorEffect="non-scaling-stroke" />
    </svg>
  );
}
