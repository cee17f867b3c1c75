import { PART_IDS, type PartId } from './vocabulary';

export interface AccessDef {
  id: PartId;
  name: string;
  /** Bench minutes to open, once what is in front of it is off. */
  minutes: number;
  /** What must be off first. */
  after: readonly PartId[];
}

const ACCESS: Readonly<Record<PartId, Omit<AccessDef, 'id'>>> = {
  'top-cover': { name: 'Top cover', minutes: 1, after: [] },
  plug: { name: 'Plug', minutes: 1, after: [] },
  recoil: { name: 'Recoil starter', minutes: 4, after: [] },
  'muffler-cover': { name: 'Muffler cover and screen', minutes: 4, after: [] },
  muffler: { name: 'Muffler', minutes: 7, after: [] },
  'air-box': { name: 'Air box', minutes: 2, after: [] },
  carburettor: { name: 'Carburettor', minutes: 6, after: ['air-box'] },
  'metering-cover': { name: 'Metering cover', minutes: 2, after: ['carburettor'] },
  'pump-cover': { name: 'Pump cover', minutes: 2, after: ['carburettor'] },
  flywheel: { name: 'Flywheel', minutes: 10, after: ['recoil', 'plug'] },
  tool: { name: 'Bar and chain, blade or head guard', minutes: 2, after: [] },
  'tank-drained': { name: 'Fuel drained', minutes: 2, after: [] },
};

export const PARTS: readonly AccessDef[] = PART_IDS.map((id) => ({ id, ...ACCESS[id] }));

/** The access definition of a part. */
export const partOf = (id: PartId): AccessDef => ({ id, ...ACCESS[id] });

/**
 * Everything still to come off before the wanted parts are open, in the order it comes off.
 * What is already off costs nothing.
 */
export function toOpen(wanted: readonly PartId[], off: ReadonlySet<PartId>): PartId[] {
  const open: PartId[] = [];
  const visit = (id: PartId): void => {
    if (off.has(id) || open.includes(id)) return;
    ACCESS[id].after.forEach(visit);
    open.push(id);
  };
  wanted.forEach(visit);
  return open;
}
