/** Petrol and oil in a can, millilitres. */
export interface Can {
  petrolMl: number;
  oilMl: number;
}

const positive = (name: string, value: number): void => {
  if (!(value > 0)) throw new RangeError(`${name} must be above nought`);
};

/** Oil, ml, for petrol (ml) at a ratio by volume: petrol / ratio. */
export function oilFor(petrolMl: number, ratio: number): number {
  positive('ratio', ratio);
  return petrolMl / ratio;
}

/** Petrol and oil, ml, that fill a can of `totalMl` at a ratio. */
export function splitCan(totalMl: number, ratio: number): Can {
  positive('ratio', ratio);
  return { petrolMl: (totalMl * ratio) / (ratio + 1), oilMl: totalMl / (ratio + 1) };
}

/** The ratio a can stands at; infinite without oil. */
export const ratioOf = ({ petrolMl, oilMl }: Can): number => petrolMl / oilMl;

/** What to add, ml, to bring a can to a ratio: oil when it is too lean in oil, petrol when too rich. */
export function correctCan({ petrolMl, oilMl }: Can, ratio: number): Can {
  positive('ratio', ratio);
  const oilMissing = petrolMl / ratio - oilMl;
  return oilMissing >= 0
    ? { petrolMl: 0, oilMl: oilMissing }
    : { petrolMl: oilMl * ratio - petrolMl, oilMl: 0 };
}

export type FuelAge = 'fresh' | 'use-soon' | 'suspect' | 'bad';
const DAY_MS = 86_400_000;
/** A month if it can be, three at most; ethanol shortens both. */
const MONTH_DAYS = 30.4;
const ETHANOL_SHARE = 0.67;

/** How old a can's mix is (days) and what to think of it, from its label's date and now (ISO dates). */
export function ageOfCan(mixedOn: string, now: string, ethanol: boolean): { days: number; age: FuelAge } {
  const days = Math.floor((Date.parse(now) - Date.parse(mixedOn)) / DAY_MS);
  if (!Number.isFinite(days)) throw new RangeError('the label’s date is not a date');
  if (days < 0) throw new RangeError('the label’s date is still to come');
  const months = days / (MONTH_DAYS * (ethanol ? ETHANOL_SHARE : 1));
  return { days, age: months > 3 ? 'bad' : months > 1 ? 'suspect' : months > 0.75 ? 'use-soon' : 'fresh' };
}
