import type { Role, SpecCard } from '@rusty-wren/contract';
import type { MachineKind } from '@rusty-wren/core/machine';
import type { ModelNote } from '@rusty-wren/core/model';

/** The made-up world of the demo: Saltmarsh Orchard Co-op's repair bench and the people whose tools it keeps. */
export const WORKERS = {
  'Bett Oakham': { role: 'lead', pin: '482916' },
  'Idris Pell': { role: 'technician', pin: '305714' },
  'Maren Tolle': { role: 'counter', pin: '771203' },
} as const satisfies Record<string, { role: Role; pin: string }>;

export interface DemoMachine {
  kind: MachineKind;
  maker: 'Brakken' | 'Hobwick' | 'Tolvane' | 'Marlpit';
  model: string;
  serial: string;
  cc: number;
}

export interface DemoOwner {
  name: string;
  circle: string;
  phone: string;
  machines: Readonly<Record<string, DemoMachine>>;
}

export const OWNERS = {
  farrant: {
    name: 'Odile Farrant',
    circle: 'Growers',
    phone: 'ext. 12',
    machines: {
      saw: { kind: 'chainsaw', maker: 'Brakken', model: 'B45', serial: 'B45-20714', cc: 45 },
      trimmer: { kind: 'trimmer', maker: 'Hobwick', model: 'Reed 26', serial: 'R26-8810', cc: 25.4 },
      blower: { kind: 'blower', maker: 'Tolvane', model: 'Gust 27', serial: 'G27-3306', cc: 27.2 },
    },
  },
  brisco: {
    name: 'Tam Brisco',
    circle: 'Growers',
    phone: 'ext. 31',
    machines: {
      fell: { kind: 'chainsaw', maker: 'Brakken', model: 'Fell 62', serial: 'F62-11902', cc: 61.5 },
      pole: { kind: 'pole-saw', maker: 'Brakken', model: 'Limb 25', serial: 'L25-0417', cc: 25.4 },
    },
  },
  footpath: {
    name: 'Footpath team',
    circle: 'Footpath team',
    phone: 'ext. 40',
    machines: {
      brush: { kind: 'brush-cutter', maker: 'Hobwick', model: 'Thicket 42', serial: 'T42-5521', cc: 41.5 },
      backpack: {
        kind: 'backpack-blower',
        maker: 'Tolvane',
        model: 'Gale 63',
        serial: 'GA63-0098',
        cc: 63.3,
      },
      saw: { kind: 'chainsaw', maker: 'Brakken', model: 'Fell 52', serial: 'F52-7743', cc: 51.7 },
      second: { kind: 'chainsaw', maker: 'Brakken', model: 'Fell 52', serial: 'F52-8106', cc: 51.7 },
    },
  },
  school: {
    name: 'Wickmere school grounds',
    circle: 'School grounds',
    phone: 'ext. 55',
    machines: {
      hedge: { kind: 'hedge-trimmer', maker: 'Marlpit', model: 'Quick 24', serial: 'Q24-6102', cc: 24 },
      edger: { kind: 'edger', maker: 'Hobwick', model: 'Verge 25', serial: 'V25-1187', cc: 25.4 },
      blower: { kind: 'blower', maker: 'Tolvane', model: 'Gust 25', serial: 'G25-9034', cc: 25.4 },
      brush: { kind: 'brush-cutter', maker: 'Hobwick', model: 'Thicket 30', serial: 'T30-2071', cc: 30.5 },
    },
  },
  lune: {
    name: 'Peder Lune',
    circle: 'Growers',
    phone: 'ext. 18',
    machines: {
      head: { kind: 'power-head', maker: 'Marlpit', model: 'Split 28', serial: 'S28-4410', cc: 28 },
      saw: { kind: 'chainsaw', maker: 'Brakken', model: 'B38', serial: 'B38-0265', cc: 38 },
      trimmer: { kind: 'trimmer', maker: 'Hobwick', model: 'Reed 28', serial: 'R28-1412', cc: 28.1 },
    },
  },
  amble: {
    name: 'Rosalind Amble',
    circle: 'Growers',
    phone: 'ext. 22',
    machines: {
      trimmer: { kind: 'trimmer', maker: 'Hobwick', model: 'Reed 22', serial: 'R22-3019', cc: 21.7 },
      hedge: { kind: 'hedge-trimmer', maker: 'Marlpit', model: 'Quick 22', serial: 'Q22-7781', cc: 22.5 },
      saw: { kind: 'chainsaw', maker: 'Brakken', model: 'B45', serial: 'B45-19960', cc: 45 },
    },
  },
} as const satisfies Readonly<Record<string, DemoOwner>>;

/** The makers' sheets this bench has. */
export const SPEC_CARDS: readonly (SpecCard & { source: string })[] = [
  {
    maker: 'Brakken',
    model: 'Fell 52',
    figures: {
      idle: 2700,
      clutch: 3700,
      full: [12_600, 13_400],
      squeezePsi: [145, 170],
      baseL: 1.25,
      baseH: 1,
      plugType: 'WR-6',
      plugNm: 20,
      flywheelNm: 33,
      mufflerNm: 9,
      cylinderNm: 10,
    },
    source: 'Brakken sheet 52, page 3',
  },
  {
    maker: 'Hobwick',
    model: 'Reed 26',
    figures: { idle: 2900, clutch: 4100, full: [9800, 10_600], gapMm: [0.25, 0.33], mix: 40 },
    source: 'plate under the handle',
  },
];

/** What this bench knows of models: what opens them, and what bites. */
export const MODEL_NOTES: readonly Omit<ModelNote, 'id'>[] = [
  {
    maker: 'Brakken',
    model: 'B45',
    at: 'part/top-cover',
    says: 'Choke half first; one clip at the rear, under the stop switch',
  },
  {
    maker: 'Brakken',
    model: 'B45',
    at: 'part/carburettor',
    says: 'Two 8 mm nuts; the lower one through the hole beside the choke rod',
  },
  { maker: 'Brakken', model: 'Fell 52', at: 'part/recoil', says: 'Four T27; the long one sits lower left' },
  {
    maker: 'Brakken',
    model: 'Fell 52',
    at: 'check/coil-gap',
    says: 'The lower boss was filed on some: measure both legs',
  },
  {
    maker: 'Hobwick',
    model: 'Reed 26',
    at: 'part/muffler-cover',
    says: 'T20, thread lock on it: warm it first',
  },
  {
    maker: 'Hobwick',
    model: 'Reed 26',
    at: 'model',
    says: 'Grey fuel lines of the first years go soft; the black ones hold',
  },
];
