import { causeOf, type CauseId } from './causes';

/** Every remedy's id. Part of the case-file format: add, never rename or drop. */
export const REMEDY_IDS = [
  'carburettor-rebuild',
  'new-plug',
  'fresh-mix',
  'line-and-filter',
  'set-low-screw',
  'set-high-screw',
  'set-coil-gap',
  'mend-stop-wire',
  'reseal-case',
  'clean-exhaust',
  'top-end',
  'bottom-end',
] as const;
export type RemedyId = (typeof REMEDY_IDS)[number];

/** One job at the bench that puts several causes right at once: telling them apart then changes nothing. */
export interface Remedy {
  id: RemedyId;
  does: string;
  mends: readonly CauseId[];
  /** Damage so dear that the first question is whether the machine is worth it. */
  asksWorth?: true;
}

export const REMEDIES: readonly Remedy[] = [
  {
    id: 'carburettor-rebuild',
    does: 'Rebuild the carburettor with a kit',
    mends: [
      'pump-diaphragm-stiff',
      'metering-diaphragm-stiff',
      'metering-diaphragm-proud',
      'metering-lever-high',
      'metering-lever-low',
      'metering-diaphragm-torn',
      'needle-not-sealing',
      'needle-stuck-shut',
      'inlet-screen-clogged',
      'idle-circuit-blocked',
      'main-circuit-blocked',
    ],
  },
  { id: 'new-plug', does: 'Fit a new plug', mends: ['plug-fouled', 'plug-failed'] },
  {
    id: 'fresh-mix',
    does: 'Drain, flush, fresh mix',
    mends: ['stale-fuel', 'water-in-fuel', 'no-oil-in-fuel', 'oil-heavy-mix'],
  },
  {
    id: 'line-and-filter',
    does: 'Fit a new fuel line, grommet and filter',
    mends: ['fuel-line-leak', 'fuel-line-blocked', 'fuel-filter-clogged', 'fuel-filter-off'],
  },
  { id: 'set-low-screw', does: 'Set the L screw', mends: ['low-screw-lean', 'low-screw-rich'] },
  { id: 'set-high-screw', does: 'Set the H screw', mends: ['high-screw-lean', 'high-screw-rich'] },
  { id: 'set-coil-gap', does: 'Set the coil gap, both legs', mends: ['coil-gap-wide', 'coil-gap-tight'] },
  {
    id: 'mend-stop-wire',
    does: 'Mend the stop wire or switch',
    mends: ['stop-circuit-grounded', 'stop-circuit-open'],
  },
  {
    id: 'reseal-case',
    does: 'Reseal the crankcase: seals and base gasket',
    mends: ['crank-seal-leak', 'base-gasket-leak'],
  },
  {
    id: 'clean-exhaust',
    does: 'Clean screen, port and muffler',
    mends: ['spark-screen-clogged', 'exhaust-port-carboned'],
  },
  {
    id: 'top-end',
    does: 'Top end',
    mends: ['piston-heat-scored', 'piston-dirt-worn', 'ring-stuck'],
    asksWorth: true,
  },
  { id: 'bottom-end', does: 'Short block', mends: ['bottom-end-worn'], asksWorth: true },
];

/** The remedy of that id. Throws on an id that is not on the list. */
export function remedyOf(id: RemedyId): Remedy {
  const found = REMEDIES.find((r) => r.id === id);
  if (!found) throw new Error(`no such remedy: ${id}`);
  return found;
}

/** Bench minutes of a whole remedy: those of the longest repair in it. */
export const remedyMinutes = ({ mends }: Remedy): number =>
  Math.max(...mends.map((cause) => causeOf(cause).minutes));

/** What a repair puts right: one cause, or with a whole remedy everything that it mends, the named cause first. */
export const causesPutRight = (cause: CauseId, remedy?: RemedyId): readonly CauseId[] =>
  remedy ? [...new Set([cause, ...remedyOf(remedy).mends])] : [cause];

/** Jobs that are one act of the hand, whichever of their causes they were meant for: a new plug is a new plug. */
const ONE_ACT: readonly RemedyId[] = [
  'new-plug',
  'fresh-mix',
  'set-low-screw',
  'set-high-screw',
  'set-coil-gap',
  'mend-stop-wire',
];

/** The one act that puts a cause right along with others of its kind; null where it is put right by itself. */
export const actOfHand = (cause: CauseId): Remedy | null =>
  REMEDIES.find((r) => ONE_ACT.includes(r.id) && r.mends.includes(cause)) ?? null;

/** Causes whose repair fits a metering diaphragm, perhaps a substitute: its button is held to the old one's. */
export const FITS_A_DIAPHRAGM: ReadonlySet<CauseId> = new Set([
  'metering-diaphragm-stiff',
  'metering-diaphragm-proud',
  'metering-diaphragm-torn',
]);

/** Causes whose repair is a turn of a screw: counted, heard and noted on the tuning bench. */
export const TURNS_A_SCREW: ReadonlySet<CauseId> = new Set([
  'low-screw-lean',
  'low-screw-rich',
  'high-screw-lean',
  'high-screw-rich',
  'idle-stop-wrong',
]);

/** Causes whose repair takes the carburettor apart: layer by layer, with its guide. */
export const OPENS_THE_CARBURETTOR: ReadonlySet<CauseId> = new Set([
  ...remedyOf('carburettor-rebuild').mends,
  'carb-tampered',
]);
