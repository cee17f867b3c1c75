import type { ReactElement } from 'react';
import { COLOURS } from './colours';

const TINT: Readonly<Record<string, string>> = {
  'clear-dyed': COLOURS.fuel,
  'dark-dyed': COLOURS.deepFuel,
  'clear-undyed': COLOURS.paleFuel,
  'cloudy-or-debris': COLOURS.milk,
  water: COLOURS.fuel,
};

/** Fuel poured into a glass jar, print behind it. */
export function Jar({ result }: { result: string }): ReactElement {
  const seeThrough = result !== 'dark-dyed' && result !== 'cloudy-or-debris';
  return (
    <g stroke={COLOURS.glass} strokeWidth="2">
      <path d="M66 12h68v10l8 10v66q0 8-8 8H66q-8 0-8-8V32l8-10z" fill={COLOURS.chalk} />
      <path d="M59 46h82v52q0 7-7 7H66q-7 0-7-7z" fill={TINT[result] ?? COLOURS.fuel} stroke="none" />
      {seeThrough && (
        <g stroke={COLOURS.dark} strokeWidth="2" opacity="0.45">
          {[58, 66, 74, 82].map((y) => (
            <path key={y} d={`M74 ${y}h52`} strokeDasharray="7 3 11 3 5 3" />
          ))}
        </g>
      )}
      {result === 'cloudy-or-debris' &&
        [
          [72, 60],
          [90, 84],
          [110, 66],
          [126, 92],
          [101, 97],
          [80, 95],
          [118, 54],
        ].map(([x, y]) => <circle key={`${x}`} cx={x} cy={y} r="2.2" fill={COLOURS.dirt} stroke="none" />)}
      {result === 'water' && (
        <>
          <path d="M59 92h82v6q0 7-7 7H66q-7 0-7-7z" fill={COLOURS.water} stroke="none" />
          <path d="M59 92h82" stroke={COLOURS.chalk} />
          {[74, 94, 112, 128].map((x) => (
            <circle key={x} cx={x} cy="97" r="5" fill={COLOURS.water} strokeWidth="1.5" />
          ))}
        </>
      )}
      <path d="M66 12h68v10l8 10v66q0 8-8 8H66q-8 0-8-8V32l8-10z" fill="none" />
    </g>
  );
}
