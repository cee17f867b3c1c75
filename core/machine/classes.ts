import type { Band, MachineFacts } from './facts';

/** The classes of machines. */
export type ClassId = 'light' | 'hedge' | 'blower' | 'backpack' | 'household' | 'farm';

/** The trade's ordinary figures for a class of machine; a maker's own figure, when known, wins. */
export interface ClassFigures {
  id: ClassId;
  name: string;
  /** Speeds, rpm. */
  idle: number;
  clutch: number | null;
  full: Band;
  /** Compression gauge, warm, at sea level, psi. */
  squeezePsi: Band;
}

const LIGHT: ClassFigures = {
  id: 'light',
  name: 'light trimmer, edger, power head',
  idle: 2800,
  clutch: 4000,
  full: [9500, 10500],
  squeezePsi: [100, 130],
};
const HEDGE: ClassFigures = {
  id: 'hedge',
  name: 'hedge trimmer',
  idle: 2800,
  clutch: 4200,
  full: [10000, 11500],
  squeezePsi: [100, 130],
};
const BLOWER: ClassFigures = {
  id: 'blower',
  name: 'handheld blower',
  idle: 2800,
  clutch: null,
  full: [7500, 8500],
  squeezePsi: [100, 130],
};
const BACKPACK: ClassFigures = {
  id: 'backpack',
  name: 'backpack blower',
  idle: 2300,
  clutch: null,
  full: [6800, 7800],
  squeezePsi: [130, 155],
};
const HOUSE_SAW: ClassFigures = {
  id: 'household',
  name: 'household saw',
  idle: 2800,
  clutch: 4000,
  full: [12000, 13000],
  squeezePsi: [120, 150],
};
const FARM_SAW: ClassFigures = {
  id: 'farm',
  name: 'farm or professional saw',
  idle: 2700,
  clutch: 3800,
  full: [12500, 13800],
  squeezePsi: [140, 165],
};

/** Displacement from which a saw is judged as a farm or professional one, cc. */
const FARM_SAW_CC = 48;

/** The class a machine is judged by when no maker's figure is known. */
export function classOf(machine: MachineFacts): ClassFigures {
  switch (machine.kind) {
    case 'chainsaw':
      return (machine.displacementCc ?? 0) >= FARM_SAW_CC ? FARM_SAW : HOUSE_SAW;
    case 'hedge-trimmer':
      return HEDGE;
    case 'blower':
      return BLOWER;
    case 'backpack-blower':
      return BACKPACK;
    case 'pole-saw':
    case 'trimmer':
    case 'edger':
    case 'brush-cutter':
    case 'power-head':
      return LIGHT;
  }
}
