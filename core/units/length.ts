/** Thousandths of an inch of a length in millimetres. */
export const mmToThou = (mm: number): number => (mm / 25.4) * 1000;
/** Millimetres of a length in thousandths of an inch. */
export const thouToMm = (thou: number): number => (thou * 25.4) / 1000;
