import type { Band } from '../machine';

/** Usual distance between the legs of a coil, middle to middle, mm. */
export const LEG_SPACING_MM = 30;

/** Thickness, mm, of `used` cards or strips when a stack of `count` of them measures `stackMm`. Throws on none. */
export function cardThickness(stackMm: number, count: number, used = 1): number {
  if (!(stackMm > 0 && count > 0 && used > 0))
    throw new RangeError('the stack, its count and the cards used must all be above nought');
  return (stackMm / count) * used;
}

/** What to do with one end of the coil. */
export interface EndMove {
  leg: 'top' | 'bottom';
  /** mm towards the flywheel (+) or away from it (−). */
  inMm: number;
}

export interface Legs {
  /** Degrees the coil leans; positive when the top leg stands further off. */
  tiltDeg: number;
  /** The ends to move, the one furthest out of band first; empty when both are right. */
  moves: readonly EndMove[];
}

/** Moves smaller than this are inside what a feeler can tell, mm. */
const NO_MOVE_MM = 0.02;

/**
 * How a coil leans from the gap at each leg (mm) over their spacing (mm), and which screw's end to move how far to bring
 * both to the middle of the band. A leg already in band stays.
 */
export function readLegs(topMm: number, bottomMm: number, band: Band, spacingMm = LEG_SPACING_MM): Legs {
  const middle = (band[0] + band[1]) / 2;
  const move = (leg: EndMove['leg'], mm: number): EndMove[] => {
    const inBand = mm >= band[0] - NO_MOVE_MM / 2 && mm <= band[1] + NO_MOVE_MM / 2;
    return inBand ? [] : [{ leg, inMm: mm - middle }];
  };
  return {
    tiltDeg: (Math.atan((topMm - bottomMm) / spacingMm) * 180) / Math.PI,
    moves: [...move('top', topMm), ...move('bottom', bottomMm)].toSorted(
      (x, y) => Math.abs(y.inMm) - Math.abs(x.inMm),
    ),
  };
}

/** A move in words: "Lower end in by 0.15 mm". */
export const moveWords = ({ leg, inMm }: EndMove): string =>
  `${leg === 'top' ? 'Upper' : 'Lower'} end ${inMm > 0 ? 'in' : 'out'} by ${Math.abs(inMm).toFixed(2)} mm`;

/** Setting the gap, step by step, with the re-check. */
export const SETTING_STEPS: readonly string[] = [
  'Turn the magnets under the legs',
  'Loosen both screws, slide the coil back',
  'Strip between legs and flywheel',
  'Let the magnets pull the coil on',
  'Tighten the upper screw first, then the lower',
  'Pull the strip, turn once round and listen',
  'Measure both legs again',
];
