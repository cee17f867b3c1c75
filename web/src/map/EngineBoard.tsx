import type { ReactElement } from 'react';
import { percent } from '../ui/words';
import type { DrawnPart } from './parts';

const BOARD = { width: 1000, height: 740 } as const;

/** The drawn engine: each part as warm as it is suspect, in words as well as in colour. */
export function EngineBoard({
  heats,
  chosen,
  onTap,
}: {
  heats: readonly { part: DrawnPart; heat: number; cleared: boolean }[];
  chosen: string;
  onTap: (part: string) => void;
}): ReactElement {
  return (
    <div className="overflow-x-auto">
      <svg
        viewBox={`0 0 ${BOARD.width} ${BOARD.height}`}
        className="max-h-[calc(100dvh-9.5rem)] w-full min-w-[44rem] select-none"
        role="group"
        aria-label="Cause map"
      >
        {heats.map(({ part, heat, cleared }) => (
          <g
            key={part.id}
            role="button"
            tabIndex={0}
            aria-pressed={part.id === chosen}
            aria-label={`${part.name}: ${cleared ? 'cleared' : percent(heat)}`}
            data-part={part.id}
            data-cleared={cleared}
            onClick={() => onTap(part.id)}
            onKeyDown={(e) => {
              if (e.key !== 'Enter' && e.key !== ' ') return;
              e.preventDefault();
              onTap(part.id);
            }}
            className="cursor-pointer"
            fill="none"
            stroke="var(--ink)"
            strokeLinejoin="round"
            strokeLinecap="round"
          >
            <path d={part.paths[0]} fill="var(--card)" stroke="none" />
            <path
              d={part.paths[0]}
              fill="var(--rust)"
              fillOpacity={cleared ? 0 : Math.min(0.75, heat * 0.8)}
              strokeWidth={part.id === chosen ? 6 : 2.5}
              strokeDasharray={cleared ? '3 8' : undefined}
            />
            {part.paths.slice(1).map((d) => (
              <path key={d} d={d} strokeWidth={2.5} />
            ))}
            <Label part={part} heat={heat} cleared={cleared} />
          </g>
        ))}
      </svg>
    </div>
  );
}

/** Faint parts say only their name; the number is for what still counts. */
const WORTH_A_NUMBER = 0.03;

function Label({ part, heat, cleared }: { part: DrawnPart; heat: number; cleared: boolean }): ReactElement {
  const { x, y } = part.label;
  const says = cleared ? '✓ cleared' : heat >= WORTH_A_NUMBER ? percent(heat) : null;
  return (
    <g stroke="none" textAnchor="middle" fill="var(--ink)">
      <text x={x} y={says ? y - 3 : y + 8} fontSize={24} fontWeight={600}>
        {part.name}
      </text>
      {says && (
        <text
          x={x}
          y={y + 25}
          fontSize={cleared ? 21 : 27}
          fontWeight={700}
          fill={cleared ? 'var(--moss)' : 'var(--ink)'}
        >
          {says}
        </text>
      )}
    </g>
  );
}
