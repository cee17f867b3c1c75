import type { ReactElement } from 'react';
import { COLOURS } from './colours';

const NOSE: Readonly<Record<string, string>> = {
  'tan-dry': COLOURS.tan,
  'black-dry': COLOURS.soot,
  white: COLOURS.chalk,
  'black-oily': COLOURS.oil,
  'wet-fuel': COLOURS.tan,
  damaged: COLOURS.porcelain,
};

/** A plug held up, its business end to the right. */
export function Plug({ result }: { result: string }): ReactElement {
  const nose = NOSE[result] ?? COLOURS.tan;
  return (
    <g stroke={COLOURS.darkSteel} strokeWidth="1.5">
      <rect x="8" y="44" width="34" height="22" rx="4" fill={COLOURS.porcelain} />
      <path d="M42 36h20l6 10v18l-6 10H42z" fill={COLOURS.steel} />
      <rect x="68" y="38" width="60" height="34" fill={COLOURS.steel} />
      {[74, 82, 90, 98, 106, 114, 122].map((x) => (
        <path key={x} d={`M${x} 38l4 34`} fill="none" />
      ))}
      <rect
        x="128"
        y="40"
        width="10"
        height="30"
        fill={result === 'tan-dry' || result === 'white' ? COLOURS.steel : COLOURS.soot}
      />
      <path d="M138 46h22l8 6v6l-8 6h-22z" fill={nose} />
      <path d="M168 55h8" strokeWidth="4" />
      <path d="M138 42h46v13" fill="none" strokeWidth="4" />
      {result === 'white' &&
        [
          [146, 51],
          [154, 58],
          [158, 50],
        ].map(([x, y]) => <circle key={x} cx={x} cy={y} r="1.4" fill={COLOURS.steel} stroke="none" />)}
      {result === 'damaged' && (
        <path d="M150 46l4 6-5 4 5 8" fill="none" stroke={COLOURS.dark} strokeWidth="2.5" />
      )}
      {result === 'black-oily' && (
        <path d="M142 48h14M144 52h8" stroke={COLOURS.porcelain} strokeWidth="1.6" opacity="0.8" />
      )}
      {result === 'wet-fuel' &&
        [
          [144, 68],
          [160, 66],
          [178, 63],
        ].map(([x, y]) => (
          <path
            key={x}
            d={`M${x} ${y}q-5 9 0 11q5-2 0-11z`}
            fill={COLOURS.water}
            stroke={COLOURS.glass}
            strokeWidth="1"
          />
        ))}
    </g>
  );
}
