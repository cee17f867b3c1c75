import type { ReactElement } from 'react';

const FROM = -135;
const TO = 135;

/** A gauge’s face with its needle, ticks by tens and figures; `red`: where it should not go. */
export function Dial({
  value,
  most,
  tick,
  figure,
  unit,
  red,
}: {
  value: number;
  most: number;
  tick: number;
  figure: number;
  unit: string;
  red?: number | undefined;
}): ReactElement {
  const angle = (x: number): number => FROM + ((TO - FROM) * Math.min(x, most * 1.03)) / most;
  const at = (x: number, r: number): readonly [number, number] => {
    const a = (angle(x) * Math.PI) / 180;
    return [100 + r * Math.sin(a), 100 - r * Math.cos(a)];
  };
  const ticks = Array.from({ length: Math.floor(most / tick + 1e-6) + 1 }, (_, n) => n * tick);
  const isFigure = (x: number): boolean => Math.abs(x / figure - Math.round(x / figure)) < 1e-6;
  const [x1, y1] = at(red ?? most, 82);
  const [x2, y2] = at(most, 82);
  return (
    <svg viewBox="0 0 200 200" className="w-full max-w-64" aria-hidden>
      <circle cx="100" cy="100" r="94" className="fill-card stroke-ink" strokeWidth="4" />
      {red !== undefined && (
        <path d={`M${x1} ${y1}A82 82 0 0 1 ${x2} ${y2}`} className="fill-none stroke-rust" strokeWidth="8" />
      )}
      {ticks.map((x) => {
        const [a, b] = at(x, 86);
        const [c, d] = at(x, isFigure(x) ? 72 : 79);
        const [e, f] = at(x, 59);
        return (
          <g key={x}>
            <path d={`M${a} ${b}L${c} ${d}`} className="stroke-ink" strokeWidth={isFigure(x) ? 3 : 1.4} />
            {isFigure(x) && (
              <text x={e} y={f + 6} textAnchor="middle" className="fill-ink text-[17px] font-bold">
                {Math.round(x * 10) / 10}
              </text>
            )}
          </g>
        );
      })}
      <text x="100" y="146" textAnchor="middle" className="fill-soft text-[15px]">
        {unit}
      </text>
      <g transform={`rotate(${angle(value)} 100 100)`}>
        <path d="M97 112L100 28L103 112z" className="fill-rust" />
      </g>
      <circle cx="100" cy="100" r="7" className="fill-ink" />
    </svg>
  );
}
