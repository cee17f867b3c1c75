import type { PaperKind } from '@rusty-wren/core/log';

/** What reports are printed on. */
export const SHEETS = ['a4', 'letter'] as const;
export type Sheet = (typeof SHEETS)[number];

const MM = 72 / 25.4;
/** Page, margin and type of a paper, in points. `smallest`: it is one side, and its type as small as that where it has to be. */
export interface Format {
  size?: [number, number];
  margin: number;
  text: number;
  smallest?: number;
}
/** Those of no sheet have a size of their own. */
export const FORMATS: Readonly<Record<PaperKind, Format>> = {
  report: { margin: 54, text: 11 },
  'work-done': { margin: 54, text: 11 },
  card: { size: [105 * MM, 148 * MM], margin: 24, text: 8.5, smallest: 7 },
  tag: { size: [74 * MM, 105 * MM], margin: 16, text: 10 },
};
export const SHEET_SIZES: Readonly<Record<Sheet, [number, number]>> = {
  a4: [210 * MM, 297 * MM],
  letter: [612, 792],
};
