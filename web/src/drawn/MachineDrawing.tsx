import type { MachineKind } from '@rusty-wren/core/machine';
import type { ReactElement } from 'react';
import { Strokes } from './Strokes';

const ENGINE = 'M4 14h13v12H4z M7 14v-3h7v3';
const POLE = 'M17 20 L76 20';

/** Each kind in a few strokes: an engine block and what it drives. */
const STROKES: Readonly<Record<MachineKind, readonly string[]>> = {
  chainsaw: ['M4 13h26v15H4z', 'M9 13c0-7 17-7 17 0', 'M30 18h40c7 0 7 9 0 9H30z', 'M30 13l6-6'],
  'pole-saw': [ENGINE, 'M17 20H56', 'M56 16h18c5 0 5 7 0 7H56z'],
  trimmer: [ENGINE, POLE, 'M40 20l3-8h6', 'M76 20l-4 8h10l-2-8z', 'M70 32h16'],
  edger: [ENGINE, POLE, 'M40 20l3-8h6', 'M76 14v16', 'M69 22a7 7 0 1 0 14 0a7 7 0 1 0-14 0'],
  'brush-cutter': [ENGINE, POLE, 'M36 8v12M52 8v12', 'M66 22l10-6 10 6-10 6z'],
  'hedge-trimmer': [
    'M4 13h22v14H4z',
    'M9 13c0-6 13-6 13 0',
    'M26 18h56M26 24h56',
    'M32 18v6M40 18v6M48 18v6M56 18v6M64 18v6M72 18v6',
  ],
  'power-head': ['M4 12h16v16H4z', 'M8 12V8h8v4', 'M20 20h26', 'M46 15h10v10H46z', 'M33 20l3-8h6'],
  blower: ['M6 12h22v16H6z', 'M12 12c0-6 12-6 12 0', 'M28 16h26l24 3v6l-24 3H28z'],
  'backpack-blower': ['M6 4h14v27H6z', 'M20 8h12v20H20z', 'M32 20c8 0 10 6 20 6h30v-6H54', 'M10 4v27'],
};

/** A small line drawing of a kind of machine. */
export function MachineDrawing({
  kind,
  className = '',
}: {
  kind: MachineKind;
  className?: string;
}): ReactElement {
  return (
    <Strokes viewBox="0 0 90 36" className={className}>
      {STROKES[kind].map((d) => (
        <path key={d} d={d} />
      ))}
    </Strokes>
  );
}
