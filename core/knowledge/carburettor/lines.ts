export const LINE_ENDS = [
  'tank-filter',
  'tank',
  'supply-stub',
  'return-stub',
  'bulb-in',
  'bulb-out',
  'vent',
  'impulse-stub',
  'case',
] as const;
/** What a fuel or impulse line can be pushed on to. */
export type LineEnd = (typeof LINE_ENDS)[number];

/** What each end is called at the bench. */
export const LINE_END_NAMES: Readonly<Record<LineEnd, string>> = {
  'tank-filter': 'filter in the tank',
  tank: 'tank, no filter',
  'supply-stub': 'supply stub',
  'return-stub': 'return stub',
  'bulb-in': 'bulb, in',
  'bulb-out': 'bulb, out',
  vent: 'vent',
  'impulse-stub': 'impulse stub',
  case: 'crankcase',
};

/** Ends that cannot be one line's: the filter hangs on the supply, whatever somebody pushed it on to. */
const CROSSED: readonly (readonly [LineEnd, LineEnd])[] = [
  ['tank-filter', 'return-stub'],
  ['tank-filter', 'bulb-out'],
  ['tank', 'supply-stub'],
];

/** A line by its tag: a colour, a mark, a length; which two ends it is on. */
export interface Line {
  tag: string;
  ends: readonly [LineEnd, LineEnd];
  /** Fuel comes out of it at one press of the bulb: it is the return. */
  returns?: true;
}

/** Whether a line cannot be right as it is: supply and return are crossed. */
export const isCrossed = ({ ends: [one, other], returns }: Pick<Line, 'ends' | 'returns'>): boolean =>
  CROSSED.some(([x, y]) => (one === x && other === y) || (one === y && other === x)) ||
  (returns === true && (one === 'tank-filter' || other === 'tank-filter'));

/** A line's ends in words: "filter in the tank to supply stub". */
export const lineWords = ({ ends: [one, other] }: Pick<Line, 'ends'>): string =>
  `${LINE_END_NAMES[one]} to ${LINE_END_NAMES[other]}`;
