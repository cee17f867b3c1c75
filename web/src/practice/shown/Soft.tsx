import type { ReactElement, ReactNode } from 'react';
import { COLOURS } from './colours';

/** The spark in the tester’s gap, in a dim room; it flickers where it does, unless motion is not wanted. */
export function Spark({ result }: { result: string }): ReactElement {
  const look: Readonly<Record<string, { colour: string; wide: number; d: string } | undefined>> = {
    strong: { colour: COLOURS.spark, wide: 5, d: 'M84 60l6-7 7 12 7-12 6 9 6-2' },
    intermittent: { colour: COLOURS.spark, wide: 4, d: 'M84 60l6-7 7 12 7-12 6 9 6-2' },
    weak: { colour: COLOURS.faint, wide: 1.4, d: 'M84 60q8-8 14 2t18-2' },
  };
  const spark = look[result];
  return (
    <g>
      <rect x="6" y="6" width="188" height="108" rx="8" fill={COLOURS.dark} />
      <path d="M14 60h70M116 60h70" stroke={COLOURS.steel} strokeWidth="8" />
      <path d="M84 60l-8-5v10zM116 60l8-5v10z" fill={COLOURS.steel} />
      {spark && (
        <path
          d={spark.d}
          fill="none"
          stroke={spark.colour}
          strokeWidth={spark.wide}
          className={result === 'intermittent' ? 'spark-skips' : 'spark-beats'}
        />
      )}
      {result === 'intermittent' && (
        <g fill={COLOURS.steel}>
          {[0, 1, 2, 3, 4].map((n) => (
            <circle
              key={n}
              cx={72 + n * 14}
              cy="98"
              r="4"
              fill={n === 2 || n === 4 ? COLOURS.darkSteel : COLOURS.spark}
            />
          ))}
        </g>
      )}
      {result !== 'intermittent' && (
        <g>
          {[0, 1, 2, 3, 4].map((n) => (
            <circle
              key={n}
              cx={72 + n * 14}
              cy="98"
              r={result === 'weak' ? 2 : 4}
              fill={result === 'none' ? COLOURS.darkSteel : (spark?.colour ?? COLOURS.darkSteel)}
            />
          ))}
        </g>
      )}
    </g>
  );
}

/** How a diaphragm lies, from the side. */
const LIES: Readonly<Record<string, string>> = {
  'supple-flat': 'M20 28q40 3 80 0t80 0',
  stiff: 'M20 30l22-8 20 10 22-12 22 12 22-10 22 10 30-6',
  'proud-or-crooked': 'M20 30h44q36-30 72-4l44 4',
  torn: 'M20 28q40 3 80 0t80 0',
  curled: 'M20 28h48q10-2 12-16M180 28h-48q-10-2-12-16',
};

/** A diaphragm from the side and from above, and that it crackles where it does. */
function Sheet({ result, children }: { result: string; children: ReactNode }): ReactElement {
  return (
    <g>
      <path d={LIES[result] ?? LIES['supple-flat']} fill="none" stroke={COLOURS.rubber} strokeWidth="5" />
      <ellipse cx="100" cy="82" rx="62" ry="30" fill="#6d675f" stroke={COLOURS.rubber} strokeWidth="3" />
      {result === 'stiff' && (
        <g fill="none" stroke={COLOURS.rubber} strokeWidth="1.6">
          <path d="M52 78l18 8 14-10 18 12 16-12 20 8" />
          <path d="M66 96l14-6 18 8 20-8 14 6" />
          <path d="M156 60q10-8 4-18M168 66q14-10 6-26" strokeDasharray="3 3" />
        </g>
      )}
      {children}
    </g>
  );
}

/** The metering diaphragm: its button, square or askew, and a hole where the light shows through. */
export const MeteringDiaphragm = ({ result }: { result: string }): ReactElement => (
  <Sheet result={result}>
    {result === 'proud-or-crooked' ? (
      <ellipse cx="108" cy="77" rx="13" ry="8" fill={COLOURS.steel} transform="rotate(-24 108 77)" />
    ) : (
      <circle cx="100" cy="82" r="11" fill={COLOURS.steel} />
    )}
    {result === 'torn' && <circle cx="122" cy="76" r="4" fill="#fff4c2" stroke={COLOURS.dark} />}
  </Sheet>
);

/** The pump diaphragm: its two cut flaps, lying or standing. */
export const PumpDiaphragm = ({ result }: { result: string }): ReactElement => (
  <Sheet result={result}>
    <path
      d="M74 86v-6a11 11 0 0 1 22 0v6M104 86v-6a11 11 0 0 1 22 0v6"
      fill={result === 'curled' ? COLOURS.felt : 'none'}
      stroke={COLOURS.dark}
      strokeWidth="2"
    />
  </Sheet>
);

const FELT: Readonly<Record<string, string>> = {
  clean: COLOURS.felt,
  dusty: '#a99b83',
  blocked: COLOURS.dirt,
  clogged: COLOURS.dirt,
};

/** The air filter against the lamp. */
export const AirFilter = ({ result }: { result: string }): ReactElement => (
  <g>
    <rect x="30" y="14" width="140" height="92" rx="16" fill={COLOURS.darkSteel} />
    {result === 'missing' ? (
      <circle cx="100" cy="60" r="30" fill={COLOURS.dark} />
    ) : (
      <>
        <rect x="42" y="26" width="116" height="68" rx="10" fill={FELT[result] ?? COLOURS.felt} />
        {result !== 'blocked' && (
          <ellipse
            cx="100"
            cy="60"
            rx="40"
            ry="24"
            fill="#fff2bf"
            opacity={result === 'clean' ? 0.9 : 0.35}
          />
        )}
        {[60, 80, 100, 120, 140].map((x) => (
          <path key={x} d={`M${x} 26v68`} stroke={COLOURS.dirt} opacity="0.35" />
        ))}
      </>
    )}
  </g>
);

/** The fuel filter on its line, hooked out of the tank. */
export const FuelFilter = ({ result }: { result: string }): ReactElement => (
  <g>
    <path d="M10 40q60-20 96 16" fill="none" stroke="#c9a94a" strokeWidth="10" strokeLinecap="round" />
    {result === 'off-the-line' ? (
      <>
        <circle cx="106" cy="56" r="4" fill={COLOURS.dark} />
        <g transform="rotate(70 140 96)">
          <rect x="118" y="82" width="44" height="26" rx="8" fill={COLOURS.felt} stroke={COLOURS.darkSteel} />
        </g>
      </>
    ) : (
      <g transform="rotate(36 106 56)">
        <rect
          x="108"
          y="40"
          width="62"
          height="32"
          rx="10"
          fill={FELT[result] ?? COLOURS.felt}
          stroke={COLOURS.darkSteel}
        />
        {result === 'clogged' && (
          <path
            d="M116 50q14 6 24 0t22 4M118 62q18-6 44 2"
            stroke={COLOURS.soot}
            fill="none"
            strokeWidth="3"
          />
        )}
      </g>
    )}
  </g>
);
