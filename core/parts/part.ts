import {
  CAUSE_IDS,
  causeOf,
  familyName,
  LAYER_IDS,
  layerOf,
  type CauseId,
  type FamilyId,
  type LayerId,
} from '../knowledge';
import type { MachineKind } from '../machine';
import { PRICED_IDS, pricedName, sameName, type Cents, type PricedId, type PricedMachine } from '../worth';

/** What a part is fitted for: a repair, a job that puts several right, or a layer of a carburettor. */
export type PartUse = PricedId | LayerId;
export const PART_USES: readonly PartUse[] = [...PRICED_IDS, ...LAYER_IDS];

const isLayer = (use: PartUse): use is LayerId => (LAYER_IDS as readonly string[]).includes(use);

const isCause = (use: PartUse): use is CauseId => (CAUSE_IDS as readonly string[]).includes(use);

/** What a part is for, in words: what is wrong, what is done, or the layer. */
export const useName = (use: PartUse): string =>
  isLayer(use) ? layerOf(use).name : isCause(use) ? causeOf(use).name : pricedName(use);

/** What is wanted for a use, before anybody has said which part: what is done, or the layer. */
export const wantName = (use: PartUse): string => (isLayer(use) ? layerOf(use).name : pricedName(use));

/** What a part goes on: one model, one family of carburettors, or one kind of machine. */
export type Fit = { maker: string; model: string } | { family: FamilyId } | { kind: MachineKind };

/** Where a part is had, and after how many working days. */
export interface Source {
  name: string;
  waitDays: number;
  /** What it costs there, where that is another price than the part's own cost. */
  cost?: Cents;
}

/** A part of the shop's catalogue. */
export interface Part {
  id: string;
  name: string;
  /** What a scanner types for it. */
  code?: string;
  uses: readonly PartUse[];
  /** Any one of them will do; none: it goes on anything. */
  fits: readonly Fit[];
  /** Of a kit: the layers it holds. */
  holds: readonly LayerId[];
  /** Where it lies. */
  shelf?: string;
  /** So many should lie there. */
  least: number;
  /** What the owner pays before tax, and what the shop pays. */
  price: Cents;
  cost?: Cents;
  sources: readonly Source[];
  /** Parts that may go in its place, each with what has to be seen to. */
  instead: readonly { part: string; condition: string }[];
  /** Taken out of a machine that is kept for parts: its tag, and how the part is. */
  donor?: { tag: number; condition: string };
}

/** How many of a part there are: on the shelf, and of those set aside for jobs. */
export interface Stock {
  onHand: number;
  held: number;
}

/** A part with its stock. */
export type Stocked = Part & Stock;

/** How many are to be had. */
export const freeOf = ({ onHand, held }: Stock): number => onHand - held;

/** Whether a part goes on a machine. */
export const fitsOn = ({ fits }: Pick<Part, 'fits'>, machine: PricedMachine): boolean =>
  fits.length === 0 ||
  fits.some((f) =>
    'model' in f
      ? sameName(machine.maker, f.maker) && sameName(machine.model, f.model)
      : 'family' in f
        ? machine.family === f.family
        : machine.kind === f.kind,
  );

/** What a fit is called. */
export const fitName = (fit: Fit, kindName: (kind: MachineKind) => string): string =>
  'model' in fit
    ? `${fit.maker} ${fit.model}`
    : 'family' in fit
      ? familyName(fit.family)
      : kindName(fit.kind);

/** Whether a part is what is wanted, or a kit that holds it. */
export const servesFor = ({ uses, holds }: Pick<Part, 'uses' | 'holds'>, use: PartUse): boolean =>
  uses.includes(use) || (isLayer(use) && holds.includes(use));
