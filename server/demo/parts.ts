import { randomUUID } from 'node:crypto';
import { workingDaysOn, type Part } from '@rusty-wren/core/parts';
import type pg from 'pg';
import { takeParts } from '../parts/drawer';
import { seeTo } from '../parts/needs';
import { placeOrders } from '../parts/orders';

type Said = Partial<Omit<Part, 'id' | 'instead'>> &
  Pick<Part, 'name' | 'price'> & { there?: number; instead?: { code: string; condition: string }[] };

const quay = (cost?: number) => ({ name: 'Quayside Spares', waitDays: 1, ...(cost && { cost }) });
const ferrel = (cost?: number) => ({ name: 'Ferrel & Daughters', waitDays: 3, ...(cost && { cost }) });
const brakken = (cost?: number) => ({ name: 'Brakken direct', waitDays: 8, ...(cost && { cost }) });
const SAWS = [{ kind: 'chainsaw' }] as const;
const FELL_52 = [{ maker: 'Brakken', model: 'Fell 52' }] as const;

/** What lies in the drawers of the demo's bench, and where more of it is had. */
const PARTS: Readonly<Record<string, Said>> = {
  'SP-7': {
    name: 'Spark plug, short reach',
    price: 5_00,
    cost: 2_80,
    uses: ['plug-failed', 'plug-fouled', 'new-plug'],
    shelf: 'A1',
    least: 6,
    there: 9,
    sources: [quay(), ferrel(2_40)],
  },
  'FF-2': {
    name: 'Fuel filter, felt',
    price: 4_00,
    cost: 1_60,
    uses: ['fuel-filter-clogged', 'fuel-filter-off'],
    shelf: 'A2',
    least: 6,
    there: 4,
    sources: [quay()],
  },
  'FL-25': {
    name: 'Fuel line, 2.5 mm, a metre',
    price: 6_00,
    cost: 2_10,
    uses: ['fuel-line-leak', 'fuel-line-blocked', 'line-and-filter'],
    shelf: 'A3',
    least: 3,
    there: 5,
    sources: [quay()],
  },
  'PB-1': {
    name: 'Purge bulb, clip-in',
    price: 6_00,
    cost: 2_20,
    uses: ['primer-faulty', 'purge-bulb'],
    shelf: 'A4',
    least: 3,
    there: 3,
    sources: [quay(), ferrel()],
  },
  'KP-N': {
    name: 'Carburettor kit, plate, no bulb',
    price: 16_00,
    cost: 9_50,
    uses: ['carburettor-rebuild'],
    fits: [{ family: 'butterfly/none' }, { family: 'butterfly/remote' }],
    holds: [
      'pump-diaphragm',
      'pump-gasket',
      'metering-diaphragm',
      'metering-gasket',
      'inlet-needle',
      'inlet-screen',
    ],
    shelf: 'B1',
    least: 2,
    there: 2,
    sources: [quay(10_20), ferrel()],
  },
  'KP-B': {
    name: 'Carburettor kit, plate, bulb on the body',
    price: 17_00,
    cost: 10_00,
    uses: ['carburettor-rebuild'],
    fits: [{ family: 'butterfly/on-body' }],
    holds: [
      'pump-diaphragm',
      'pump-gasket',
      'metering-diaphragm',
      'metering-gasket',
      'inlet-needle',
      'inlet-screen',
    ],
    shelf: 'B1',
    least: 1,
    there: 0,
    sources: [ferrel()],
  },
  'DM-6': {
    name: 'Metering diaphragm, six holes',
    price: 9_00,
    cost: 4_10,
    uses: [
      'metering-diaphragm-stiff',
      'metering-diaphragm-torn',
      'metering-diaphragm-proud',
      'metering-diaphragm',
    ],
    shelf: 'B2',
    least: 2,
    there: 0,
    sources: [quay()],
    instead: [{ code: 'DM-4', condition: 'Punch two holes; its button must stand as high as the old one’s' }],
  },
  'DM-4': {
    name: 'Metering diaphragm, four holes',
    price: 8_00,
    cost: 3_60,
    shelf: 'B2',
    there: 3,
    sources: [quay()],
  },
  'NS-1': {
    name: 'Inlet needle, rubber tip',
    price: 7_00,
    cost: 3_00,
    uses: ['needle-not-sealing', 'needle-stuck-shut', 'inlet-needle'],
    shelf: 'B3',
    least: 2,
    there: 4,
    sources: [quay()],
  },
  'VT-3': {
    name: 'Tank vent, duckbill',
    price: 5_00,
    cost: 1_90,
    uses: ['tank-vent-blocked'],
    shelf: 'A5',
    least: 2,
    there: 1,
    sources: [ferrel()],
  },
  'CO-B45': {
    name: 'Coil, Brakken B38 and B45',
    price: 41_00,
    cost: 27_00,
    uses: ['coil-failed'],
    fits: [
      { maker: 'Brakken', model: 'B45' },
      { maker: 'Brakken', model: 'B38' },
    ],
    shelf: 'C1',
    least: 1,
    there: 1,
    sources: [ferrel(), brakken(25_50)],
  },
  'BT-F52': {
    name: 'Intake boot, Fell 52',
    price: 22_00,
    cost: 13_00,
    uses: ['intake-leak'],
    fits: [...FELL_52],
    shelf: 'C2',
    there: 0,
    sources: [ferrel(), brakken(12_00)],
  },
  'TE-F52': {
    name: 'Piston, ring and cylinder, Fell 52',
    price: 118_00,
    cost: 79_00,
    uses: ['top-end', 'piston-heat-scored', 'piston-dirt-worn', 'ring-stuck'],
    fits: [...FELL_52],
    there: 0,
    sources: [ferrel(), brakken(74_00)],
  },
  'TE-B45': {
    name: 'Piston, ring and cylinder, B45',
    price: 88_00,
    cost: 56_00,
    uses: ['top-end', 'piston-heat-scored', 'piston-dirt-worn', 'ring-stuck'],
    fits: [{ maker: 'Brakken', model: 'B45' }],
    there: 0,
    sources: [ferrel(), brakken(52_00)],
  },
  'AF-B45': {
    name: 'Air filter, B45',
    price: 11_00,
    cost: 5_50,
    uses: ['air-filter-clogged'],
    fits: [{ maker: 'Brakken', model: 'B45' }],
    shelf: 'C3',
    least: 2,
    there: 2,
    sources: [ferrel()],
  },
  'SS-2': {
    name: 'Spark screen, saws',
    price: 5_00,
    cost: 1_90,
    uses: ['spark-screen-clogged', 'spark-screen-missing'],
    fits: [...SAWS],
    shelf: 'C4',
    least: 2,
    there: 3,
    sources: [ferrel()],
  },
  'SEAL-15': {
    name: 'Crank seals, 15 mm, a pair',
    price: 16_00,
    cost: 8_40,
    uses: ['crank-seal-leak'],
    shelf: 'D1',
    least: 1,
    there: 1,
    sources: [ferrel(), brakken()],
  },
  'RC-27': {
    name: 'Starter cord, 2.7 mm',
    price: 3_00,
    cost: 80,
    uses: ['recoil-jammed'],
    shelf: 'D2',
    least: 4,
    there: 12,
    sources: [quay()],
  },
  'D088-COIL': {
    name: 'Coil out of 88, B45',
    price: 15_00,
    uses: ['coil-failed'],
    fits: [{ maker: 'Brakken', model: 'B45' }],
    shelf: 'Donors',
    there: 1,
    donor: { tag: 88, condition: 'Strong spark when it came out' },
  },
  'D088-BOOT': {
    name: 'Clutch out of 88, B45',
    price: 9_00,
    uses: ['clutch-slips'],
    fits: [{ maker: 'Brakken', model: 'B45' }],
    shelf: 'Donors',
    there: 1,
    donor: { tag: 88, condition: 'Shoes half worn' },
  },
};

/** Which jobs of the demo have seen to which of their parts: on its way, or only on the list. */
const SEEN_TO = [
  { machine: 'Thicket 42', use: 'metering-diaphragm-stiff', code: 'DM-6', source: quay(), inDays: 1 },
  { machine: 'B45', use: 'top-end', code: 'TE-B45', source: ferrel(), inDays: 2 },
] as const;

/** Fills the demo's drawers, and sends off what its jobs wait for. `jobs`: those that wait for parts, by model. */
export async function loadParts(
  client: pg.PoolClient,
  jobs: ReadonlyMap<string, string>,
  now: Date,
): Promise<void> {
  const ids = new Map(Object.keys(PARTS).map((code) => [code, randomUUID()]));
  const parts = Object.entries(PARTS).map(([code, { there: _, instead = [], ...said }]): Part => ({
    uses: [],
    fits: [],
    holds: [],
    least: 0,
    sources: [],
    ...said,
    id: ids.get(code)!,
    code,
    instead: instead.map((i) => ({ part: ids.get(i.code)!, condition: i.condition })),
  }));
  const counted = Object.entries(PARTS).flatMap(([code, { there = 0 }]) =>
    there > 0 ? [{ id: randomUUID(), part: ids.get(code)!, count: there }] : [],
  );
  await takeParts(client, { parts, counted });
  await client.query("INSERT INTO day_room (place, count) VALUES ('bath', 1)");
  for (const { machine, use, code, source, inDays } of SEEN_TO) {
    const jobId = jobs.get(machine);
    if (!jobId) throw new Error(`demo: no job of a ${machine} waits for parts`);
    const part = ids.get(code)!;
    const need = randomUUID();
    await seeTo(
      client,
      jobId,
      { id: need, use, name: PARTS[code]!.name, part, count: 1, do: 'to-order', source: source.name },
      now,
    );
    await placeOrders(
      client,
      {
        orders: [
          {
            id: randomUUID(),
            part,
            count: use === 'top-end' ? 1 : 3,
            source: source.name,
            expected: workingDaysOn(now.toISOString().slice(0, 10), inDays),
            needs: [need],
          },
        ],
      },
      now,
    );
  }
}
