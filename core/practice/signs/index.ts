import type { CheckId } from '../../knowledge';
import { AIR_AND_RUNNING_SIGNS } from './airAndRunning';
import { FUEL_AND_CARBURETTOR_SIGNS } from './fuelAndCarburettor';
import { SPARK_AND_SQUEEZE_SIGNS } from './sparkAndSqueeze';

const SIGNS: Partial<Readonly<Record<CheckId, Readonly<Record<string, string>>>>> = {
  ...FUEL_AND_CARBURETTOR_SIGNS,
  ...SPARK_AND_SQUEEZE_SIGNS,
  ...AIR_AND_RUNNING_SIGNS,
};

/** What a result looks, feels, smells or sounds like, in words; null where the check is read off an instrument. */
export const signOf = (check: CheckId, result: string): string | null => SIGNS[check]?.[result] ?? null;
