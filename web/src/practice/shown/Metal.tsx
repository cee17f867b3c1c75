import { chanceFrom } from '@rusty-wren/core/chance';
import type { ReactElement } from 'react';
import { COLOURS } from './colours';

/** Marks on a skirt or a wall: how many upright lines, how broad, and whether the machining still shows. */
const MARKS: Readonly<
  Record<string, { lines: number; wide: number; machined: boolean; smear?: true; fine?: true }>
> = {
  clean: { lines: 0, wide: 0, machined: true },
  'worn-smooth': { lines: 0, wide: 0, machined: false },
  scratched: { lines: 44, wide: 0.5, machined: true },
  scored: { lines: 9, wide: 3, machined: false, smear: true },
  'coked-crown': { lines: 0, wide: 0, machined: true },
  'light-scoring': { lines: 5, wide: 1.8, machined: true, fine: true },
  'heavy-scoring': { lines: 12, wide: 3, machined: false, smear: true },
};

function Marks({
  result,
  x,
  y,
  width,
  height,
}: { result: string } & Record<'x' | 'y' | 'width' | 'height', number>) {
  const { lines, wide, machined, smear, fine } = MARKS[result] ?? MARKS['clean']!;
  const chance = chanceFrom(11);
  return (
    <>
      {machined &&
        Array.from({ length: Math.floor(height / 4) }, (_, n) => (
          <path
            key={n}
            d={`M${x} ${y + 2 + n * 4}h${width}`}
            stroke={COLOURS.darkSteel}
            strokeWidth="0.6"
            opacity="0.7"
          />
        ))}
      {Array.from({ length: lines }, (_, n) => {
        const at = x + 4 + chance() * (width - 8);
        const from = y + chance() * height * 0.2;
        return (
          <path
            key={n}
            d={`M${at} ${from}q${chance() * 2 - 1} ${height / 2} 0 ${height * (0.6 + 0.2 * chance())}`}
            stroke={smear || fine ? COLOURS.soot : COLOURS.darkSteel}
            strokeWidth={wide}
            fill="none"
          />
        );
      })}
      {smear && (
        <path
          d={`M${x + width * 0.3} ${y + height * 0.3}q${width * 0.2} -10 ${width * 0.4} 2v${height * 0.35}q-${width * 0.2} 8 -${width * 0.4} -2z`}
          fill={COLOURS.chalk}
          opacity="0.35"
        />
      )}
    </>
  );
}

/** A piston through its port. */
export const Piston = ({ result }: { result: string }): ReactElement => (
  <g>
    <rect x="24" y="6" width="152" height="108" rx="10" fill={COLOURS.darkSteel} />
    <rect x="40" y="20" width="120" height="80" rx="6" fill={COLOURS.steel} />
    <rect x="40" y="28" width="120" height="4" fill={COLOURS.darkSteel} />
    <Marks result={result} x={40} y={36} width={120} height={64} />
  </g>
);

/** The wall and the crown through the plug hole. */
export const Bore = ({ result }: { result: string }): ReactElement => (
  <g>
    <circle cx="100" cy="60" r="56" fill={COLOURS.dark} />
    <path d="M52 36a50 50 0 0 1 96 0v40H52z" fill={COLOURS.steel} />
    <Marks result={result} x={56} y={26} width={88} height={48} />
    <ellipse cx="100" cy="80" rx="50" ry="24" fill={result === 'coked-crown' ? COLOURS.soot : COLOURS.tan} />
    {result === 'coked-crown' &&
      [
        [78, 76],
        [96, 88],
        [116, 78],
        [104, 70],
        [128, 86],
        [70, 86],
      ].map(([x, y]) => <circle key={x} cx={x} cy={y} r="5" fill="#3b352f" />)}
  </g>
);

/** The exhaust port with the piston behind it. */
export const Port = ({ result }: { result: string }): ReactElement => (
  <g>
    <rect x="20" y="8" width="160" height="104" rx="12" fill={COLOURS.steel} />
    <rect x="48" y="28" width="104" height="64" rx="8" fill={COLOURS.dark} />
    {result === 'coked' && (
      <path
        fillRule="evenodd"
        d="M48 28h104v64H48z M68 44q10-6 22 0t24-2 20 6q4 14-2 26-20 6-34 0t-30 2q-8-16 0-32z"
        fill="#37302a"
      />
    )}
  </g>
);

/** Fins of the cylinder from the side. */
export const Fins = ({ result }: { result: string }): ReactElement => (
  <g>
    {[0, 1, 2, 3, 4, 5].map((n) => (
      <rect key={n} x="30" y={14 + n * 17} width="140" height="7" rx="2" fill={COLOURS.steel} />
    ))}
    {result === 'packed' &&
      [0, 1, 2, 3, 4].map((n) => (
        <path
          key={n}
          d={`M38 ${21 + n * 17}h${120 - n * 9}q6 5 0 10H${42 - n}q-6-5 -4-10z`}
          fill={COLOURS.dirt}
        />
      ))}
    <path d="M22 4v112M178 4v112" stroke={COLOURS.darkSteel} strokeWidth="6" />
  </g>
);

/** The key between flywheel and shaft. */
export const Key = ({ result }: { result: string }): ReactElement => (
  <g stroke={COLOURS.darkSteel} strokeWidth="2">
    <circle cx="100" cy="62" r="54" fill={COLOURS.steel} />
    <circle cx="100" cy="62" r="26" fill="#c6ccd0" />
    {result === 'whole' ? (
      <rect x="94" y="28" width="12" height="18" fill={COLOURS.brass} />
    ) : (
      <>
        <rect x="94" y="26" width="12" height="10" fill={COLOURS.dark} />
        <rect x="94" y="26" width="12" height="10" fill={COLOURS.brass} />
        <rect x="110" y="38" width="12" height="9" fill={COLOURS.brass} transform="rotate(28 116 42)" />
      </>
    )}
  </g>
);
