import { classOf, type ClassId, type MachineFacts } from '../machine';
import type { Cents } from './money';

/** What the shop goes by when it says whether something is worth it. All of it is the shop's to set. */
export interface ShopRules {
  /** ISO 4217, for how money is written. */
  currency: string;
  ratePerHour: Cents;
  /** Nothing is done for less, before tax. */
  smallestCharge: Cents;
  /** What looking for the fault costs where nothing is mended, before tax. */
  diagnosisFee: Cents;
  /** The fee is taken off the price once it is mended. */
  feeCredited: boolean;
  /** Tax on top, in thousandths: 200 is twenty per cent. */
  taxPermille: number;
  /** Squeeze under which nothing is spent before the owner has spoken, psi at sea level. */
  floorPsi: number;
  /** A repair over this share of the price of a like one is advised against, per cent; on a hard-used machine the other one. */
  mostShare: number;
  mostShareHard: number;
  /** Seasons a sound one still gives when it is new, in light use and in daily use. */
  seasonsLight: number;
  seasonsHard: number;
  /** The shop's own words at the foot of what it gives to owners: what an estimate binds it to is local law. */
  foot: string;
  /** Who gives it, and where they are rung: on everything that is given. */
  shopName: string;
  shopPhone: string;
}

/** Ordinary figures to begin with. */
export const USUAL_RULES: ShopRules = {
  currency: 'EUR',
  ratePerHour: 48_00,
  smallestCharge: 18_00,
  diagnosisFee: 25_00,
  feeCredited: true,
  taxPermille: 200,
  floorPsi: 90,
  mostShare: 50,
  mostShareHard: 35,
  seasonsLight: 9,
  seasonsHard: 4,
  foot: '',
  shopName: '',
  shopPhone: '',
};

/** Between what each figure of the rules must lie, and what it is called. */
export const RULE_FIELDS = [
  { name: 'ratePerHour', label: 'An hour at the bench', unit: 'money', min: 0, max: 500_00 },
  { name: 'smallestCharge', label: 'Smallest charge', unit: 'money', min: 0, max: 500_00 },
  { name: 'diagnosisFee', label: 'Looking for the fault', unit: 'money', min: 0, max: 500_00 },
  { name: 'taxPermille', label: 'Tax on top', unit: '‰', min: 0, max: 500 },
  { name: 'floorPsi', label: 'Squeeze under which the owner is asked first', unit: 'psi', min: 0, max: 200 },
  { name: 'mostShare', label: 'Most of a like one’s price', unit: '%', min: 1, max: 200 },
  { name: 'mostShareHard', label: 'The same, used hard', unit: '%', min: 1, max: 200 },
  { name: 'seasonsLight', label: 'Seasons of a new one, light use', unit: 'seasons', min: 1, max: 40 },
  { name: 'seasonsHard', label: 'Seasons of a new one, daily use', unit: 'seasons', min: 1, max: 40 },
] as const satisfies readonly {
  name: { [K in keyof ShopRules]: ShopRules[K] extends number ? K : never }[keyof ShopRules];
  label: string;
  unit: string;
  min: number;
  max: number;
}[];

/** What a like machine costs new, before a price book says so: by class. */
const LIKE: Readonly<Record<ClassId, Cents>> = {
  light: 210_00,
  hedge: 260_00,
  blower: 190_00,
  backpack: 480_00,
  household: 290_00,
  farm: 680_00,
};

/** Ordinary price of a like machine new, tax in. */
export const usualLike = (machine: MachineFacts): Cents => LIKE[classOf(machine).id];
