import {
  CHECK_IDS,
  checkOf,
  LAYER_IDS,
  layerOf,
  PART_IDS,
  partOf,
  type CheckId,
  type LayerId,
  type PartId,
} from '../knowledge';
import type { SpecFigures } from '../machine';

/** Where something is worth knowing: opening a part, making a check, handling a layer of the carburettor, or all along. */
export type ModelPlace = `part/${PartId}` | `check/${CheckId}` | `layer/${LayerId}` | 'model';

/** Every place, as the store and tables name it. */
export const MODEL_PLACES: readonly ModelPlace[] = [
  'model',
  ...PART_IDS.map((id) => `part/${id}` as const),
  ...CHECK_IDS.map((id) => `check/${id}` as const),
  ...LAYER_IDS.map((id) => `layer/${id}` as const),
];

/** What a shop knows of a model beside its figures: what opens it, and what bites. */
export interface ModelNote {
  id: string;
  maker: string;
  model: string;
  at: ModelPlace;
  says: string;
}
/** A note on one model, its name apart. */
export type OfModel = Pick<ModelNote, 'id' | 'at' | 'says'>;

/** Letters of a note: one glance, no more. */
export const MOST_SAID = 160;

/** What a place is called. */
export function placeName(at: ModelPlace): string {
  if (at === 'model') return 'This model';
  const [sort, id] = at.split('/') as ['part' | 'check' | 'layer', string];
  if (sort === 'part') return partOf(id as PartId).name;
  return sort === 'check' ? checkOf(id as CheckId).name : layerOf(id as LayerId).name;
}

/** A torque of a card and where its screw or nut is met; without the maker's figure nothing is said of it. */
const TORQUES: readonly (readonly [keyof SpecFigures, what: string, at: readonly ModelPlace[]])[] = [
  ['plugNm', 'Plug', ['part/plug']],
  ['flywheelNm', 'Flywheel nut', ['part/flywheel']],
  ['mufflerNm', 'Muffler bolts', ['part/muffler', 'check/muffler-look']],
  ['cylinderNm', 'Cylinder bolts', ['check/cylinder-bolts']],
  ['carburettorNm', 'Carburettor nuts', ['part/carburettor', 'check/mount-bolts']],
];

/** One line of what is known of a model at a step. `note`: the shop's own, by its id; without it the maker's figure. */
export interface Known {
  at: ModelPlace;
  says: string;
  note?: string;
}

/**
 * What is worth knowing of a model at these places, in their order: the shop's notes, then the maker's plug and torque.
 *
 * @example
 * knownAt(['part/plug'], { plugNm: 18 }, []); // [{ at: 'part/plug', says: 'Plug: 18 Nm, the maker’s figure' }]
 */
export function knownAt(
  places: readonly ModelPlace[],
  spec: SpecFigures | undefined,
  notes: readonly OfModel[],
): Known[] {
  return places.flatMap((at): Known[] => [
    ...notes.filter((n) => n.at === at).map(({ id, says }): Known => ({ at, says, note: id })),
    ...(at === 'part/plug' && spec?.plugType ? [{ at, says: `Plug: ${spec.plugType}, by the maker` }] : []),
    ...TORQUES.flatMap(([name, what, of]): Known[] => {
      const nm = spec?.[name];
      return of.includes(at) && typeof nm === 'number'
        ? [{ at, says: `${what}: ${nm} Nm, the maker’s figure` }]
        : [];
    }),
  ]);
}
