/** A closed band of values, low to high. */
export type Band = readonly [low: number, high: number];

/** A maker's own figures for a model, as far as they are known. */
export interface SpecFigures {
  /** Speeds, rpm. */
  idle?: number;
  clutch?: number;
  full?: Band;
  /** Compression gauge, warm, at sea level, psi. */
  squeezePsi?: Band;
  /** Compression ratio above the exhaust port, where no gauge figure is given. */
  ratio?: number;
  /** Coil air gap and plug gap, mm. */
  gapMm?: Band;
  plugGapMm?: Band;
  /** Height of the metering lever over its reference, mm. */
  leverMm?: number;
  /** The inlet needle opens within this band, bare carburettor, psi. */
  popOffPsi?: Band;
  /** Mixture screws out from the seat, turns. */
  baseL?: number;
  baseH?: number;
  /** Parts of petrol to one of oil. */
  mix?: number;
  /** The plug's type, as the maker writes it. */
  plugType?: string;
  /** Torques, Nm. */
  plugNm?: number;
  flywheelNm?: number;
  mufflerNm?: number;
  cylinderNm?: number;
  carburettorNm?: number;
}

/** The kinds of machine the bench sees. Part of the case-file format: add, never rename or drop. */
export const MACHINE_KINDS = [
  'chainsaw',
  'pole-saw',
  'trimmer',
  'edger',
  'brush-cutter',
  'hedge-trimmer',
  'power-head',
  'blower',
  'backpack-blower',
] as const;
export type MachineKind = (typeof MACHINE_KINDS)[number];

/** What is known of a machine before anybody looks at it. */
export interface MachineFacts {
  kind: MachineKind;
  /** Engine displacement, cubic centimetres. */
  displacementCc?: number;
  /** The maker's own figures, where a spec card has them. */
  spec?: SpecFigures;
  /** What other machines of the model read in this shop: compression, psi at sea level. */
  shopSqueezePsi?: readonly number[];
  /** Turns out that this bench takes for the baseline where the maker states none. */
  baselineTurns?: number;
}
