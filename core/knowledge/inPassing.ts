import type { CauseId } from './causes';
import type { CheckId } from './checks';
import type { Strength } from './strength';
import type { PartId } from './vocabulary';

/** What something done at the bench puts right in passing, without being meant to (trade), by how often it does. */
export type PutsRight = Partial<Readonly<Record<CauseId, Strength>>>;

interface InPassing {
  /** What was done, as one says it. */
  does: string;
  rights: PutsRight;
}

const OFF_AND_ON: Partial<Readonly<Record<PartId, InPassing>>> = {
  'top-cover': {
    does: 'Top cover off and on',
    rights: { 'plug-lead-loose': 'sometimes', 'stop-circuit-grounded': 'rarely' },
  },
  plug: {
    does: 'Plug out, dried, back in',
    rights: { 'engine-flooded': 'often', 'plug-lead-loose': 'often', 'plug-fouled': 'sometimes' },
  },
  recoil: {
    does: 'Recoil off and on',
    rights: { 'recoil-jammed': 'sometimes', 'stop-circuit-grounded': 'rarely' },
  },
  'muffler-cover': { does: 'Muffler cover off and on', rights: { 'spark-screen-clogged': 'rarely' } },
  muffler: {
    does: 'Muffler off and on',
    rights: { 'muffler-loose': 'usually', 'spark-screen-clogged': 'rarely' },
  },
  'air-box': {
    does: 'Air box opened, filter out and in',
    rights: { 'air-filter-clogged': 'sometimes', 'choke-stuck': 'sometimes', 'choke-not-closing': 'rarely' },
  },
  carburettor: {
    does: 'Carburettor off and on',
    rights: {
      'intake-leak': 'sometimes',
      'impulse-fault': 'sometimes',
      'fuel-line-blocked': 'sometimes',
      'throttle-linkage-fault': 'sometimes',
      'fuel-line-leak': 'rarely',
    },
  },
  'metering-cover': {
    does: 'Metering side opened and closed',
    rights: {
      'needle-stuck-shut': 'often',
      'needle-not-sealing': 'sometimes',
      'metering-diaphragm-proud': 'sometimes',
    },
  },
  'pump-cover': {
    does: 'Pump side opened and closed',
    rights: { 'inlet-screen-clogged': 'rarely', 'impulse-fault': 'rarely' },
  },
  tool: { does: 'Bar and chain, blade or head off and on', rights: { 'drive-drag': 'sometimes' } },
  'tank-drained': {
    does: 'Tank emptied and filled',
    rights: {
      'stale-fuel': 'usually',
      'water-in-fuel': 'usually',
      'no-oil-in-fuel': 'usually',
      'oil-heavy-mix': 'usually',
    },
  },
};

const LOOKED_AT: Partial<Readonly<Record<CheckId, InPassing>>> = {
  'plug-lead-look': { does: 'Plug lead handled', rights: { 'plug-lead-loose': 'sometimes' } },
  'fuel-filter-look': {
    does: 'Fuel filter fished out and let down',
    rights: { 'fuel-filter-off': 'sometimes', 'fuel-line-blocked': 'sometimes' },
  },
  'line-look': { does: 'Fuel line handled', rights: { 'fuel-line-blocked': 'sometimes' } },
  'tank-vent': { does: 'Tank vent blown through', rights: { 'tank-vent-blocked': 'sometimes' } },
  'choke-action': { does: 'Choke worked', rights: { 'choke-stuck': 'sometimes' } },
  'throttle-action': { does: 'Throttle worked', rights: { 'throttle-linkage-fault': 'rarely' } },
  'spark-stop-wire-off': { does: 'Stop wire off and on', rights: { 'stop-circuit-grounded': 'sometimes' } },
  'stop-switch-action': { does: 'Stop switch worked', rights: { 'stop-circuit-grounded': 'sometimes' } },
  'needle-action': {
    does: 'Needle worked in its seat',
    rights: { 'needle-stuck-shut': 'often', 'needle-not-sealing': 'sometimes' },
  },
};

/** What a part that was off and is on again may have put right. */
export const offAndOn = (part: PartId): InPassing | null => OFF_AND_ON[part] ?? null;

/** What a check handles, and may have put right with it. */
export const handledBy = (check: CheckId): InPassing | null => LOOKED_AT[check] ?? null;

/** An engine that stood so long has dried and cooled, hours. */
export const STOOD_HOURS = 1;

/** What an engine does by standing an hour or more. */
export const STOOD: InPassing = { does: 'Stood and cooled', rights: { 'engine-flooded': 'usually' } };

/** What another way of starting it may have been the cure of. */
export const OTHER_DRILL: InPassing = {
  does: 'Started another way',
  rights: {
    'starting-drill-wrong': 'almost-always',
    'engine-flooded': 'often',
    'choke-not-closing': 'sometimes',
  },
};

/** The old thing back in for a moment, to see whether it does it again. */
export interface SwapBack {
  /** As it is said on a button: "Old plug back in". */
  says: string;
  /** Bench minutes to put it back, try, and take it out again. */
  minutes: number;
}

const plug: SwapBack = { says: 'Old plug back in', minutes: 3 };
const drill: SwapBack = { says: 'Start it the old way', minutes: 3 };
const diaphragm: SwapBack = { says: 'Old diaphragm back in', minutes: 14 };

/**
 * What can be put back as it was for a moment, by what it was the cure of. Left out is what could do damage or is not safe: fuel
 * without oil, a screw or a leak that leans it out, a blocked screen of the cooling air, a broken switch, worn engine parts.
 */
const SWAP_BACK: Partial<Readonly<Record<CauseId, SwapBack>>> = {
  'plug-fouled': plug,
  'plug-failed': plug,
  'coil-failed': { says: 'Old coil back on', minutes: 12 },
  'stale-fuel': { says: 'A cup of the old fuel', minutes: 5 },
  'air-filter-clogged': { says: 'Old air filter back in', minutes: 3 },
  'fuel-filter-clogged': { says: 'Old fuel filter back on', minutes: 4 },
  'tank-vent-blocked': { says: 'Old vent back in', minutes: 6 },
  'primer-faulty': { says: 'Old bulb back on', minutes: 6 },
  'spark-screen-clogged': { says: 'Old screen back in', minutes: 7 },
  'starting-drill-wrong': drill,
  'low-screw-rich': { says: 'L back to where it was', minutes: 3 },
  'high-screw-rich': { says: 'H back to where it was', minutes: 3 },
  'metering-diaphragm-stiff': diaphragm,
  'pump-diaphragm-stiff': { says: 'Old pump diaphragm back in', minutes: 14 },
};

/** How to see whether a fault was the cure by putting back what was there; null where that would harm, or cannot be done. */
export const swapBackOf = (cause: CauseId): SwapBack | null => SWAP_BACK[cause] ?? null;
