import type { MachineFacts } from '@rusty-wren/core/machine';
import { speedBand, type Ledger } from '@rusty-wren/core/tuning';
import type { ReactElement } from 'react';

const SIZE = 200;
const PAD = 34;

/** Where L and H stood at each recording and what happened there: filled where the speeds were in band, ringed where over. */
export function ScrewMap({
  ledger,
  machine,
}: {
  ledger: Ledger;
  machine: MachineFacts;
}): ReactElement | null {
  if (ledger.heard.length === 0) return null;
  const places = [...ledger.heard.map((h) => h.at), ledger.now];
  const range = (screw: 'L' | 'H'): [number, number] => {
    const all = places.map((p) => p[screw]);
    const [low, high] = [Math.min(...all), Math.max(...all)];
    const middle = (low + high) / 2;
    const half = Math.max(3, (high - low) / 2 + 1);
    return [middle - half, middle + half];
  };
  const [l, h] = [range('L'), range('H')];
  const x = (eighths: number): number => PAD + ((eighths - l[0]) / (l[1] - l[0])) * (SIZE - PAD - 8);
  const y = (eighths: number): number => SIZE - PAD - ((eighths - h[0]) / (h[1] - h[0])) * (SIZE - PAD - 8);
  const inBand = (which: 'idle' | 'full', rpm: number | undefined): boolean => {
    const [low, high] = speedBand(which, machine);
    return rpm !== undefined && rpm >= low && rpm <= high;
  };
  return (
    <figure className="mt-3">
      <svg
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        className="w-full max-w-64"
        role="img"
        aria-label="L and H positions listened to"
      >
        <path
          d={`M${PAD} 4 V${SIZE - PAD} H${SIZE - 4}`}
          fill="none"
          stroke="var(--soft)"
          strokeWidth={1.5}
        />
        <polyline
          points={ledger.heard.map(({ at }) => `${x(at.L)},${y(at.H)}`).join(' ')}
          fill="none"
          stroke="var(--line)"
          strokeWidth={3}
        />
        {ledger.heard.map(({ ref, at, blip }) => {
          const good = inBand('idle', blip.idle?.mean) && inBand('full', blip.full?.mean);
          const over = (blip.full?.most ?? 0) > speedBand('full', machine)[1];
          return (
            <circle
              key={ref}
              cx={x(at.L)}
              cy={y(at.H)}
              r={7}
              fill={good ? 'var(--moss)' : 'var(--paper)'}
              stroke={over ? 'var(--rust)' : good ? 'var(--moss)' : 'var(--ink)'}
              strokeWidth={over ? 4 : 2}
            />
          );
        })}
        <path
          d={`M${x(ledger.now.L) - 11} ${y(ledger.now.H)} h22 M${x(ledger.now.L)} ${y(ledger.now.H) - 11} v22`}
          stroke="var(--ink)"
          strokeWidth={2}
        />
        <text x={(SIZE + PAD) / 2} y={SIZE - 8} textAnchor="middle" fontSize={14} fill="var(--soft)">
          L out →
        </text>
        <text
          x={14}
          y={SIZE / 2 - 8}
          textAnchor="middle"
          fontSize={14}
          fill="var(--soft)"
          transform={`rotate(-90 14 ${SIZE / 2 - 8})`}
        >
          H out →
        </text>
      </svg>
    </figure>
  );
}
