import {
  COVERS,
  familyOf,
  layerOf,
  PART_IDS,
  partOf,
  SIDES,
  type Carburettor,
  type Cover,
  type FamilySpec,
  type LayerId,
  type PartId,
  type Side,
  type StackId,
} from '../knowledge';

/** Where a layer belongs: on one side of the body, or outside on it. */
export type Place = Side | 'outside';

/** What a carburettor is made of. */
export interface MakeUp {
  family: FamilySpec;
  /** Layers from the body outwards, by side. */
  stacks: Readonly<Record<Side, readonly StackId[]>>;
  /** Mixture screws and what covers them, what is in front first. */
  outside: readonly LayerId[];
  /** It is built like none the trade names: its layers are those that came off one. */
  own: boolean;
}

const PUMP_SIDE: readonly StackId[] = ['pump-cover', 'pump-gasket', 'pump-diaphragm', 'inlet-screen'];
const OUTSIDE: readonly StackId[] = [
  'limiter-caps',
  'screw-plug',
  'low-screw',
  'high-screw',
  'accelerator-piston',
];

/** The side a layer is usually on, where the family does not say. */
const usualPlace = (id: StackId): Place =>
  OUTSIDE.includes(id) ? 'outside' : PUMP_SIDE.includes(id) ? 'pump' : 'metering';

/** The mixture screws of a carburettor as the tuning bench names them; one alone is called L. */
export const screwsOf = (c: Carburettor): readonly ('L' | 'H')[] =>
  ({ both: ['L', 'H'], one: ['L'], fixed: [] } as const)[c.screws ?? familyOf(c).screws];

/** What a carburettor of this family, with these features, is made of. */
export function makeUpOf(c: Carburettor): MakeUp {
  const family = familyOf(c);
  const screws = screwsOf(c);
  const outside: LayerId[] = [
    ...((c.caps ?? family.caps) && screws.length > 0 ? (['limiter-caps'] as const) : []),
    ...screws.map((s) => (s === 'L' ? 'low-screw' : 'high-screw') as LayerId),
    ...(c.piston ? (['accelerator-piston'] as const) : []),
  ];
  return { family, stacks: c.own ?? family.layers, outside, own: c.own !== undefined };
}

/** Whether it is a part of the access list, the two covers among them, and not a layer. */
export const isPart = (id: string): id is PartId => (PART_IDS as readonly string[]).includes(id);

/** Whether it is one of the carburettor's covers. */
export const isCover = (id: string): id is Cover => (COVERS as readonly string[]).includes(id);

/** Where a layer belongs on this carburettor. */
export function placeOf(makeUp: MakeUp, id: StackId): Place {
  return SIDES.find((side) => makeUp.stacks[side].includes(id)) ?? usualPlace(id);
}

/** What a layer or cover is called on this carburettor: the pump cover of a barrel type is its pump body. */
export const nameIn = (makeUp: MakeUp | null, id: StackId): string =>
  isCover(id) ? (makeUp?.family.called?.[id] ?? partOf(id).name) : layerOf(id).name;

/** Whether a layer stays in unless it is renewed. */
export const staysIn = (id: StackId): boolean => !isCover(id) && layerOf(id).staysIn === true;

/** What has to come off before a layer can: everything outside it that is still there, the outermost first. */
export function inFrontOf(makeUp: MakeUp, id: StackId, away: ReadonlySet<StackId>): StackId[] {
  const side = placeOf(makeUp, id);
  if (side === 'outside') {
    const caps = id === 'low-screw' || id === 'high-screw';
    return caps && makeUp.outside.includes('limiter-caps') && !away.has('limiter-caps')
      ? ['limiter-caps']
      : [];
  }
  const stack = makeUp.stacks[side];
  const at = stack.indexOf(id);
  if (at < 0) return [];
  return stack
    .slice(at + 1)
    .filter((outer) => !away.has(outer) && !staysIn(outer))
    .reverse();
}
