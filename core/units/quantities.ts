import { PRESSURE_UNITS, toKpa } from './pressure';

/** A unit of the converter: how many of its quantity's own unit are in one of it. */
export interface ConverterUnit {
  id: string;
  name: string;
  in: number;
}

/**
 * What the bench converts between. Factors are exact by definition but for the inch of mercury (conventional, at 0 °C):
 * the inch is 25.4 mm, the US fluid ounce 29.5735295625 ml, the imperial one 28.4130625 ml.
 */
export const QUANTITIES: Readonly<Record<'pressure' | 'length' | 'volume', readonly ConverterUnit[]>> = {
  pressure: PRESSURE_UNITS.map((unit) => ({ id: unit, name: unit, in: toKpa(1, unit) })),
  length: [
    { id: 'mm', name: 'mm', in: 1 },
    { id: 'thou', name: 'thousandths', in: 0.0254 },
    { id: 'in', name: 'inch', in: 25.4 },
  ],
  volume: [
    { id: 'ml', name: 'ml', in: 1 },
    { id: 'l', name: 'litre', in: 1000 },
    { id: 'us-floz', name: 'US fl oz', in: 29.5735295625 },
    { id: 'imp-floz', name: 'imperial fl oz', in: 28.4130625 },
    { id: 'us-gal', name: 'US gallon', in: 3785.411784 },
  ],
};
export type Quantity = keyof typeof QUANTITIES;

/** A value of one unit in every unit of its quantity, in their order. Throws on a unit the quantity does not have. */
export function convert(value: number, quantity: Quantity, from: string): number[] {
  const units = QUANTITIES[quantity];
  const unit = units.find((u) => u.id === from);
  if (!unit) throw new RangeError(`${quantity} has no unit ${from}`);
  return units.map((u) => (u === unit ? value : (value * unit.in) / u.in));
}
