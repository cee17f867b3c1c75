import type { CauseId } from '../../knowledge';

const FULL_NOW_AND_THEN = 'Run it at full throttle now and then: that keeps the exhaust clear.';
const CHOKE_OFF = 'Choke off at the first pop; more choke floods it.';
const RACES = 'If its idle races, switch it off and bring it back.';
const SCREAMS = 'If it races or screams, switch it off at once.';
const FUEL_ROTS = 'Empty it before it stands a month: old fuel hardens the inside of the carburettor.';
const GUMS = 'Empty it before it stands a month: old fuel gums the fine passages.';
const DRIPS = 'If it drips fuel or smells of petrol standing, keep it out of the house and bring it back.';
const FILTER_DAILY = 'Look at the air filter each day it is used, and never run it without.';
const CUTS_OUT = 'If it cuts out like a switch, note whether it was hot: that tells us where to look.';
const DECOMPRESSOR = 'Press the starting valve before each pull; it shuts by itself at the first pop.';
const NO_SCREWS = 'Leave the screws of the carburettor to us: turned lean it destroys itself.';

/** What each cause asks its owner to look out for, once it is put right or left; null: nothing that an owner would see. */
export const PLAIN_WATCH: Readonly<Record<CauseId, string | null>> = {
  'stale-fuel': 'Mix no more fuel than a month’s; old fuel is what stopped it.',
  'water-in-fuel': 'Keep the can closed and under a roof; there was water in the fuel.',
  'no-oil-in-fuel': 'Never fill it with plain petrol; without oil it is ruined in minutes.',
  'oil-heavy-mix': 'Measure the oil; there was far too much.',
  'fuel-filter-clogged': 'Fill it through a clean funnel, and keep dirt out of the can.',
  'fuel-filter-off': 'Fill it through a clean funnel, and do not pull at the line in the tank.',
  'fuel-line-leak': DRIPS,
  'fuel-line-blocked': 'If it fades after a few minutes, bring it back: do not turn its screws.',
  'fuel-lines-swapped': 'If a line is changed, have both marked first.',
  'tank-or-grommet-leak': DRIPS,
  'tank-dirty': 'Fill it through a clean funnel, and keep dirt out of the can.',
  'tank-vent-blocked': 'If it fades after a few minutes, open the cap: if that helps, bring it back.',
  'primer-faulty': 'If the bulb stays empty or cracks, bring it back before it is run.',
  'inlet-screen-clogged': GUMS,
  'carb-tampered': NO_SCREWS,
  'pump-diaphragm-stiff': FUEL_ROTS,
  'impulse-fault': null,
  'needle-not-sealing': DRIPS,
  'metering-diaphragm-stiff': FUEL_ROTS,
  'metering-diaphragm-proud': DRIPS,
  'metering-diaphragm-torn': DRIPS,
  'needle-stuck-shut': GUMS,
  'metering-lever-high': DRIPS,
  'metering-lever-low': null,
  'idle-circuit-blocked': GUMS,
  'main-circuit-blocked': GUMS,
  'low-screw-lean': NO_SCREWS,
  'low-screw-rich': NO_SCREWS,
  'high-screw-lean': NO_SCREWS,
  'high-screw-rich': NO_SCREWS,
  'idle-stop-wrong': 'If its tool turns at idle, switch it off and bring it back.',
  'choke-stuck': 'See that the choke is fully off before you work.',
  'choke-not-closing': null,
  'throttle-linkage-fault': 'If it does not come back to idle when you let go, switch it off.',
  'air-filter-clogged': FILTER_DAILY,
  'intake-leak': RACES,
  'crank-seal-leak': RACES,
  'base-gasket-leak': RACES,
  'spark-screen-clogged': 'Run it at full throttle now and then: that keeps the spark screen clear.',
  'muffler-loose': 'If it grows loud or rattles, stop it and bring it back.',
  'exhaust-port-carboned': FULL_NOW_AND_THEN,
  'plug-fouled': 'If it will not start after three pops, a dry plug is the first thing to try.',
  'plug-failed': 'Carry a spare plug of the same number.',
  'stop-circuit-grounded': CUTS_OUT,
  'coil-failed': CUTS_OUT,
  'coil-gap-wide': null,
  'coil-gap-tight': 'If it scrapes when you pull it over, do not run it.',
  'flywheel-key-sheared': 'If the blade or chain hits something hard and it kicks back after, bring it in.',
  'plug-lead-loose': 'Push the plug cap home until it clicks.',
  'piston-heat-scored': SCREAMS,
  'piston-dirt-worn': FILTER_DAILY,
  'ring-stuck': SCREAMS,
  'decompressor-leak': DECOMPRESSOR,
  'bottom-end-worn': 'If it rattles or knocks, switch it off at once: a loose rod comes through the case.',
  'drive-drag': 'If its tool turns at idle, switch it off and bring it back.',
  'engine-flooded': CHOKE_OFF,
  'starting-drill-wrong': CHOKE_OFF,
  'stop-circuit-open': 'If the switch does not stop it, pull the choke shut, and do not use it again.',
  'cooling-fins-blocked': 'Brush the cooling fins clean; packed with chips it overheats.',
  'clutch-slips': 'Do not hold it at full throttle with its tool stuck.',
  'chain-dull': '{watch}',
  'recoil-jammed': 'Pull to the resistance first, then briskly; never let the cord fly back.',
  'decompressor-stuck': DECOMPRESSOR,
  'magnets-weak': null,
  'spark-screen-missing': 'Do not run it near dry grass without its spark screen.',
};
