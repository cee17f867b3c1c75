import { chanceFrom } from '@rusty-wren/core/chance';
import type { ReactElement } from 'react';
import { COLOURS } from './colours';

const GRID = 12;
/** How much of it is shut, and with what. */
const SHUT: Readonly<Record<string, { share: number; with: string }>> = {
  clear: { share: 0, with: COLOURS.soot },
  'part-coked': { share: 0.5, with: COLOURS.soot },
  blocked: { share: 0.96, with: COLOURS.soot },
  gummed: { share: 0.8, with: COLOURS.amber },
  debris: { share: 0.06, with: COLOURS.dirt },
};

/** A screen held to the light: every open mesh is bright. */
export function Mesh({ result }: { result: string }): ReactElement {
  const chance = chanceFrom(5);
  const { share, with: colour } = SHUT[result] ?? SHUT['clear']!;
  if (result === 'missing')
    return (
      <g>
        <circle cx="100" cy="60" r="50" fill={COLOURS.steel} />
        <circle cx="100" cy="60" r="40" fill={COLOURS.dark} />
      </g>
    );
  const cells = Array.from({ length: GRID * GRID }, (_, n) => ({
    x: 60 + (n % GRID) * (80 / GRID),
    y: 20 + Math.floor(n / GRID) * (80 / GRID),
    shut: chance() < share,
  }));
  return (
    <g>
      <rect x="52" y="12" width="96" height="96" rx="10" fill={COLOURS.darkSteel} />
      {cells.map(({ x, y, shut }) => (
        <rect
          key={`${x} ${y}`}
          x={x + 0.8}
          y={y + 0.8}
          width="5.2"
          height="5.2"
          fill={shut ? colour : '#ffe9a8'}
        />
      ))}
      {result === 'debris' && (
        <g stroke={COLOURS.dirt} strokeWidth="2.4" fill="none" strokeLinecap="round">
          <path d="M64 36q20 10 34-4t30 12" />
          <path d="M70 88q18-16 40-6t26-8" />
          <path d="M84 58l12 14M116 56l-8 10" />
        </g>
      )}
    </g>
  );
}
