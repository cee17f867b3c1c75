import type {
  Carburettor,
  CauseId,
  ComplaintId,
  History,
  LayerId,
  Outcome,
} from '@rusty-wren/core/knowledge';
import type {
  BehindAnswer,
  Bodies,
  PhotoTime,
  Pin,
  BuildOrder,
  ProvedStep,
  RebuildTick,
  Renewal,
  Stage,
} from '@rusty-wren/core/log';
import type { DrawnId } from './drawn';
import type { OWNERS, TECHNICIANS } from './people';

/**
 * One thing that happened: shop shorthand as it would be typed on the bench line, or an entry shorthand has no words
 * for. `mark` names a line so that a later one can strike it.
 */
export type Happening =
  | string
  | { mark: string; line: string }
  | { strike: string; reason: string }
  | { complaint: ComplaintId; words?: string }
  | { history: History }
  | { repair: CauseId; outcome: Outcome; note?: string }
  | { settles: CauseId; words?: string }
  | { behind: CauseId; answer: BehindAnswer; words?: string }
  | { stage: Stage; waitingFor?: string; reason?: string }
  | { fault: string }
  | { laterHours: number }
  | { proved: ProvedStep }
  | { carburettor: Carburettor }
  | { rebuild: RebuildTick }
  | { renew: Renewal }
  | { order: BuildOrder }
  /** A photo, drawn for the demo. */
  | { photo: DrawnId; of?: Bodies['photo']['of']; when?: PhotoTime; words?: string; pins?: readonly Pin[] }
  /** A layer back on, a new one in its place. */
  | { renewed: LayerId }
  /** A guided recording of the engine that stands in for the machine, its screws as the log has them. */
  | { heard: 'stand-in' };

type Owners = typeof OWNERS;

export interface Scenario {
  /** Owner and machine in the demo world. */
  machine: { [O in keyof Owners]: readonly [O, keyof Owners[O]['machines']] }[keyof Owners];
  daysAgo: number;
  /** Days from today it is promised for; negative is late. */
  promisedIn?: number;
  by: (typeof TECHNICIANS)[number];
  happenings: readonly Happening[];
}

export const SCENARIOS: readonly Scenario[] = [
  {
    // Closed: the first guess, a new coil, was wrong; one leg of the old one had been set wide.
    machine: ['brisco', 'fell'],
    daysAgo: 12,
    by: 'Idris Pell',
    happenings: [
      { complaint: 'kicks-back', words: 'Near took my hand off, then nothing' },
      { complaint: 'no-fire' },
      {
        history: {
          openedBefore: 'yes',
          dailyUse: true,
          mixedBy: 'owner',
          fuelAgeMonths: 0.5,
          stopped: 'suddenly',
        },
      },
      'safety sound',
      { stage: 'bench' },
      'smell fresh',
      'off plug',
      'comp 88 126 144 151',
      { mark: 'daylight', line: 'spark strong~' },
      'plug wet',
      'stopwire unchanged',
      'off recoil',
      { repair: 'coil-failed', outcome: 'no-change', note: 'New coil from stock, gap by card' },
      { strike: 'daylight', reason: 'Looked again in the dark: it flickers, daylight fooled me' },
      'spark flickers',
      'gap top .30 bottom .52',
      { settles: 'coil-gap-wide', words: 'Lower leg 0.52: boss had been filed' },
      { repair: 'coil-gap-wide', outcome: 'cured' },
      'on recoil',
      'on plug',
      { stage: 'proof' },
      'start cold 4',
      'idle 2700',
      'full 13100',
      'throttle follows',
      { proved: 'idle-minute' },
      { proved: 'tool-still' },
      'start warm 1',
      { laterHours: 20 },
      'start cold 3',
      { stage: 'closed' },
    ],
  },
  {
    // Closed: a plain one.
    machine: ['amble', 'hedge'],
    daysAgo: 9,
    by: 'Maren Tolle',
    happenings: [
      { complaint: 'wont-reach-speed' },
      { history: { openedBefore: 'no', lightUse: true, mixedBy: 'owner' } },
      'safety sound',
      { stage: 'bench' },
      'air clean',
      'off muffler-cover',
      'screen blocked',
      'fuel dark-dyed',
      { settles: 'spark-screen-clogged' },
      { repair: 'spark-screen-clogged', outcome: 'cured' },
      {
        behind: 'oil-heavy-mix',
        answer: 'put-right',
        words: 'Can was 25:1; told her 50:1 and wrote it on the can',
      },
      'on muffler-cover',
      { stage: 'proof' },
      'start cold 4',
      'idle 2750',
      'full 10900',
      'throttle follows',
      { proved: 'idle-minute' },
      { proved: 'tool-still' },
      'start warm 1',
      { laterHours: 20 },
      'start cold 3',
      { stage: 'closed' },
    ],
  },
  {
    // On the bench: fading saw, close to its answer.
    machine: ['farrant', 'saw'],
    daysAgo: 2,
    promisedIn: 1,
    by: 'Maren Tolle',
    happenings: [
      { complaint: 'fades-under-way', words: 'Cuts two logs, then dies away' },
      { complaint: 'runs-on-prime-then-dies' },
      {
        history: {
          monthsStored: 5,
          fuelAgeMonths: 5,
          openedBefore: 'unknown',
          lightUse: true,
          mixedBy: 'owner',
          stopped: 'gradually',
          sharedCan: true,
        },
      },
      'safety sound',
      { stage: 'bench' },
      'smell stale~',
      'fresh no-change',
      { mark: 'firm', line: 'primer bubbles?' },
      { strike: 'firm', reason: 'That was froth from priming it empty' },
      'primer fills-firm',
      'fuelfilter clean',
      'vent breathes',
      'linetest holds',
      'note Cap gasket replaced last year, says owner',
    ],
  },
  {
    // Two faults at once: the line was bad, and it still needs the high screw.
    machine: ['farrant', 'trimmer'],
    daysAgo: 2,
    promisedIn: 2,
    by: 'Maren Tolle',
    happenings: [
      { complaint: 'hard-to-start' },
      { complaint: 'wont-reach-speed' },
      {
        history: {
          monthsStored: 8,
          openedBefore: 'yes',
          lightUse: true,
          sharedCan: true,
          alreadyTried: 'New plug',
        },
      },
      'safety sound',
      { stage: 'bench' },
      'primer bubbles',
      'line cracked',
      'linetest leaks',
      {
        repair: 'fuel-line-leak',
        outcome: 'better',
        note: 'New line and grommet; starts in three, still flat at the top',
      },
      'full 7900',
      'spark screen clear',
      'air clean',
    ],
  },
  {
    // On its hook, nothing looked at yet; same can as two others.
    machine: ['farrant', 'blower'],
    daysAgo: 1,
    promisedIn: 4,
    by: 'Bett Oakham',
    happenings: [
      { complaint: 'hard-to-start', words: 'Thirty pulls on a good day' },
      { history: { monthsStored: 5, openedBefore: 'no', lightUse: true, sharedCan: true } },
      'safety sound',
    ],
  },
  {
    // Scored piston: a result with a cause behind it, waiting for the owner's word.
    machine: ['footpath', 'saw'],
    daysAgo: 6,
    promisedIn: -1,
    by: 'Idris Pell',
    happenings: [
      { complaint: 'weak-under-load' },
      { complaint: 'races-or-hangs' },
      { history: { dailyUse: true, openedBefore: 'unknown', mixedBy: 'shop', stopped: 'gradually' } },
      'safety sound',
      { stage: 'bench' },
      'pull weak',
      'off plug',
      'comp 48 71 84 89',
      'wet rises',
      'plug white',
      'off muffler',
      'exhaustside scored',
      'off air box',
      'off carb',
      'manifold cracked',
      { settles: 'piston-heat-scored', words: 'Lean seizure on the exhaust side' },
      { stage: 'answer', waitingFor: 'Footpath team: top end and boot, or replace' },
    ],
  },
  {
    // Waiting for a kit.
    machine: ['footpath', 'brush'],
    daysAgo: 5,
    promisedIn: 1,
    by: 'Maren Tolle',
    happenings: [
      { complaint: 'runs-on-prime-then-dies' },
      { history: { dailyUse: false, monthsStored: 3, openedBefore: 'no' } },
      'safety sound',
      { stage: 'bench' },
      'smell fresh',
      'prime runs-briefly',
      'primer fills-firm',
      'off air box',
      'off carb',
      'off metering-cover',
      'diaphragm stiff',
      'off washer behind the choke lever',
      'L 1 1/4 H 1',
      { settles: 'metering-diaphragm-stiff' },
      { stage: 'parts', waitingFor: 'Diaphragm kit, tomorrow' },
    ],
  },
  {
    // Sound, but somebody has been at the screws: being tuned.
    machine: ['footpath', 'second'],
    daysAgo: 0,
    promisedIn: 1,
    by: 'Maren Tolle',
    happenings: [
      { complaint: 'bogs-on-throttle', words: 'Stumbles, and burbles flat out' },
      { history: { dailyUse: true, openedBefore: 'yes', fuelAgeMonths: 0.25, mixedBy: 'shop' } },
      'safety sound',
      { stage: 'bench' },
      'smell fresh',
      'air clean',
      'plug black-dry',
      'comp 96 138 155 161',
      'vac holds',
      'L 3/4 H 1 1/2',
      { settles: 'carb-tampered', words: 'Screws far from the sheet, nothing missing inside' },
      { heard: 'stand-in' },
      'L out 1/4',
      { heard: 'stand-in' },
      'H in 1/4',
      { heard: 'stand-in' },
    ],
  },
  {
    // Repaired, being proved.
    machine: ['footpath', 'backpack'],
    daysAgo: 4,
    promisedIn: 0,
    by: 'Idris Pell',
    happenings: [
      { complaint: 'fades-under-way' },
      { history: { dailyUse: true, openedBefore: 'no', fuelAgeMonths: 0.5, failsWhen: 'hot' } },
      'safety sound',
      { stage: 'bench' },
      'smell fresh',
      'cap recovers',
      'vent blocked',
      { settles: 'tank-vent-blocked' },
      { repair: 'tank-vent-blocked', outcome: 'cured' },
      { stage: 'proof' },
      'start cold 4',
      'idle 2300',
      'full 7200',
      'throttle follows',
      { proved: 'idle-minute' },
      'start warm 1',
      { laterHours: 24 },
      'start runs-well',
      'idle 2290',
    ],
  },
  {
    // Flooding: a proud diaphragm after somebody's kit.
    machine: ['school', 'hedge'],
    daysAgo: 3,
    promisedIn: 3,
    by: 'Bett Oakham',
    happenings: [
      { complaint: 'flooded' },
      { complaint: 'heavy-smoke' },
      { history: { openedBefore: 'yes', alreadyTried: 'Carburettor kit from the drawer', monthsStored: 2 } },
      'safety sound',
      { stage: 'bench' },
      'off plug',
      'plug wet',
      'clear floods-again',
      'inlet fast-leak',
      'choke full-travel',
    ],
  },
  {
    machine: ['school', 'edger'],
    daysAgo: 3,
    promisedIn: 5,
    by: 'Bett Oakham',
    happenings: [
      { complaint: 'dies-at-idle' },
      { history: { monthsStored: 7, openedBefore: 'no', lightUse: true } },
      'safety sound',
      { stage: 'bench' },
      'smell stale',
      'fresh better',
      'ltrial no-change',
      'idle 2100 2600 1900',
    ],
  },
  {
    // Dead spark, waiting its turn; the walk-round found a fault.
    machine: ['school', 'blower'],
    daysAgo: 1,
    promisedIn: 6,
    by: 'Bett Oakham',
    happenings: [
      { complaint: 'no-fire', words: 'Stopped half way down the drive and never again' },
      { history: { stopped: 'suddenly', openedBefore: 'no', fuelAgeMonths: 0.5 } },
      { fault: 'Stop switch hangs loose, wire bare' },
    ],
  },
  {
    // Evidence against the leading suspect: smoke on a machine said to be lean.
    machine: ['lune', 'head'],
    daysAgo: 4,
    promisedIn: 2,
    by: 'Maren Tolle',
    happenings: [
      { complaint: 'bogs-on-throttle' },
      { complaint: 'dies-at-idle' },
      { history: { openedBefore: 'unknown', dailyUse: false } },
      'safety sound',
      { stage: 'bench' },
      'smell fresh',
      'primer fills-firm',
      'smoke heavy?',
      'ltrial better',
      'caps missing',
    ],
  },
  {
    machine: ['lune', 'saw'],
    daysAgo: 0,
    promisedIn: 7,
    by: 'Idris Pell',
    happenings: [
      { complaint: 'wont-reach-speed' },
      { complaint: 'heavy-smoke' },
      { history: { mixedBy: 'owner', lightUse: true, openedBefore: 'no' } },
      'safety sound',
    ],
  },
  {
    machine: ['amble', 'trimmer'],
    daysAgo: 7,
    promisedIn: -2,
    by: 'Idris Pell',
    happenings: [
      { complaint: 'primer-no-fuel' },
      { complaint: 'no-fire' },
      { history: { openedBefore: 'yes', alreadyTried: 'New fuel lines, by a neighbour' } },
      'safety sound',
      { stage: 'bench' },
      'primer no-fuel',
      'smell fresh',
    ],
  },
  {
    // Squeeze gone to dirt, waiting for parts.
    machine: ['amble', 'saw'],
    daysAgo: 10,
    promisedIn: 3,
    by: 'Maren Tolle',
    happenings: [
      { complaint: 'hard-to-start' },
      { complaint: 'weak-under-load' },
      { history: { dailyUse: true, openedBefore: 'no' } },
      'safety sound',
      { stage: 'bench' },
      'drop drops',
      'off plug',
      'comp 52 78 90 95',
      'wet rises',
      'off air box',
      'air missing',
      'off carb',
      'intakeside scratched',
      { settles: 'piston-dirt-worn' },
      { behind: 'air-filter-clogged', answer: 'put-right', words: 'Ran without a filter; new one on order' },
      { stage: 'parts', waitingFor: 'Piston, ring and filter, Thursday' },
    ],
  },
  {
    machine: ['brisco', 'pole'],
    daysAgo: 1,
    promisedIn: 8,
    by: 'Idris Pell',
    happenings: [
      { complaint: 'tool-turns-at-idle' },
      { complaint: 'races-or-hangs' },
      { history: { openedBefore: 'unknown', dailyUse: false } },
      { fault: 'Chain creeps at idle; chain brake works' },
    ],
  },
  {
    // Half apart: somebody has been inside, and the inlet screen never went back.
    machine: ['lune', 'trimmer'],
    daysAgo: 1,
    promisedIn: 2,
    by: 'Bett Oakham',
    happenings: [
      { complaint: 'runs-on-prime-then-dies', words: 'Runs a breath on the bulb, then nothing' },
      {
        history: {
          openedBefore: 'yes',
          monthsStored: 5,
          alreadyTried: 'a neighbour cleaned the carburettor',
        },
      },
      'safety sound',
      { stage: 'bench' },
      'smell fresh',
      'primer slow',
      { carburettor: { throat: 'butterfly', bulb: 'on-body' } },
      'off tank',
      'L 1 1/4 H 1 1/8',
      {
        photo: 'link',
        when: 'before',
        words: 'throttle link',
        pins: [{ x: 0.7, y: 0.34, words: 'inner hole' }],
      },
      { rebuild: 'links-seen' },
      'off air box',
      'off carb',
      { rebuild: 'scribed' },
      'off bent washer, behind the choke lever',
      'off pump cover',
      'off pump gasket sound',
      'off pump diaphragm sound',
      'off inlet screen missing',
      'off bulb ring sound',
      'off purge bulb sound',
      'off check valve sound',
      'off metering cover',
      'off metering diaphragm hard',
      {
        photo: 'diaphragm',
        of: { layer: 'metering-diaphragm' },
        pins: [{ x: 0.36, y: 0.36, words: 'gone hard here' }],
      },
    ],
  },
  {
    // Half built: a barrel type, renewed by the kit.
    machine: ['school', 'brush'],
    daysAgo: 2,
    promisedIn: 1,
    by: 'Maren Tolle',
    happenings: [
      { complaint: 'hard-to-start' },
      { complaint: 'dies-at-idle', words: 'Dies as soon as I let go' },
      { history: { openedBefore: 'no', monthsStored: 9, fuelAgeMonths: 9, mixedBy: 'owner' } },
      'safety sound',
      { stage: 'bench' },
      'smell stale',
      { carburettor: { throat: 'barrel', bulb: 'remote', screws: 'one' } },
      'off tank',
      'L 1 1/2',
      { rebuild: 'links-seen' },
      'off air box',
      'off carb',
      { rebuild: 'scribed' },
      'off metering cover',
      'off metering diaphragm hard',
      'off metering gasket torn',
      'lever -0.2',
      'off pin screw sound',
      'off lever pin sound',
      'off metering lever sound',
      'off inlet needle gummed',
      'off lever spring sound',
      'off pump cover',
      'off pump gasket hard',
      'off pump diaphragm flaps curled',
      { rebuild: 'off-enough' },
      'passages clear',
      { rebuild: 'screen-takes-spray' },
      { renew: 'kit' },
      { renewed: 'pump-diaphragm' },
      { renewed: 'pump-gasket' },
      'on pump cover',
    ],
  },
];
