import type { CheckId, ResultOf } from '../../knowledge';

type PlainResults = { readonly [C in CheckId]: Readonly<Record<ResultOf<C>, string>> };

const OUTCOMES = {
  cured: 'and it ran right',
  better: 'and it ran better, though not right',
  'no-change': 'which changed nothing',
  worse: 'and it ran worse',
} as const;
const tried = <K extends keyof typeof OUTCOMES>(
  what: string,
  ...results: readonly K[]
): Readonly<Record<K, string>> =>
  Object.fromEntries(results.map((r) => [r, `${what}, ${OUTCOMES[r]}.`])) as Record<K, string>;

/** What was looked at and what it showed, as it is said to somebody who does not mend machines. */
export const PLAIN_RESULT: PlainResults = {
  'fuel-look': {
    'clear-dyed': 'The fuel is clear and has oil in it.',
    'dark-dyed': 'The fuel is dark, with far more oil than it should have.',
    'clear-undyed': 'The fuel shows no oil in it.',
    'cloudy-or-debris': 'The fuel is cloudy or has dirt in it.',
    water: 'There is water in the fuel.',
  },
  'fuel-smell': { fresh: 'The fuel smells fresh.', stale: 'The fuel smells stale.' },
  'fresh-fuel-trial': tried('It was tried with fresh fuel', 'cured', 'better', 'no-change'),
  'primer-action': {
    'fills-firm': 'The priming bulb fills as it should.',
    slow: 'The priming bulb fills slowly.',
    bubbles: 'The priming bulb draws air with the fuel.',
    'no-fuel': 'The priming bulb draws no fuel.',
    'none-fitted': 'It has no priming bulb.',
  },
  'primer-look': {
    sound: 'The priming bulb is sound.',
    leaks: 'The priming bulb is cracked or leaks.',
    'none-fitted': 'It has no priming bulb.',
  },
  'cap-cracked-trial': {
    'no-change': 'Opening the fuel cap changed nothing.',
    recovers: 'It recovered when the fuel cap was opened a little.',
  },
  'fuel-filter-look': {
    clean: 'The fuel filter is clean.',
    clogged: 'The fuel filter is clogged.',
    'off-the-line': 'The fuel filter has come off its line.',
  },
  'line-look': {
    supple: 'The fuel lines are supple.',
    'soft-or-stretched': 'The fuel lines have gone soft.',
    'hard-or-cracked': 'The fuel lines are hard or cracked.',
  },
  'line-routing': {
    right: 'The fuel lines are connected as they should be.',
    crossed: 'The fuel lines are connected the wrong way round.',
  },
  'line-pressure': { holds: 'The fuel line holds pressure.', leaks: 'The fuel line leaks.' },
  'inlet-pressure': {
    holds: 'The carburettor’s inlet closes as it should.',
    'slow-leak': 'The carburettor’s inlet leaks a little.',
    'fast-leak': 'The carburettor’s inlet leaks.',
    'will-not-pass': 'The carburettor’s inlet lets no fuel through.',
  },
  'tank-pressure': { holds: 'The tank is tight.', leaks: 'The tank leaks.' },
  'tank-vent': { breathes: 'The tank breathes as it should.', blocked: 'The tank’s vent is blocked.' },
  'plug-look': {
    'tan-dry': 'The spark plug is dry and of a healthy colour.',
    'black-dry': 'The spark plug is black with soot.',
    white: 'The spark plug is white: the engine has run too hot.',
    'black-oily': 'The spark plug is black and oily.',
    'wet-fuel': 'The spark plug is wet with fuel.',
    damaged: 'The spark plug is damaged.',
  },
  'plug-gap': {
    'in-band': 'The spark plug’s gap is right.',
    wide: 'The spark plug’s gap is too wide.',
    narrow: 'The spark plug’s gap is too narrow.',
  },
  'new-plug-trial': tried('It was tried with a good spark plug', 'cured', 'no-change'),
  'spark-tester': {
    strong: 'The spark is strong.',
    intermittent: 'The spark comes and goes.',
    weak: 'The spark is weak.',
    none: 'There is no spark.',
  },
  'spark-stop-wire-off': {
    unchanged: 'The stop switch does not hold the spark back.',
    'comes-back': 'The spark came back when the stop switch was disconnected.',
  },
  'plug-lead-look': {
    tight: 'The lead to the spark plug sits tight.',
    'loose-or-cracked': 'The lead to the spark plug is loose or cracked.',
  },
  'spark-hot': {
    stays: 'The spark stays when the engine is hot.',
    'fails-hot': 'The spark fails when the engine is hot.',
  },
  'stop-switch-action': {
    'stops-it': 'The stop switch stops the engine.',
    'no-effect': 'The stop switch does not stop the engine.',
  },
  'coil-gap': {
    'in-band': 'The ignition coil sits at the right distance.',
    wide: 'The ignition coil sits too far from the flywheel.',
    tight: 'The ignition coil sits too close to the flywheel.',
    uneven: 'The ignition coil sits crooked.',
  },
  'magnet-pull': { strong: 'The flywheel’s magnets are strong.', weak: 'The flywheel’s magnets are weak.' },
  'coil-gap-reset-trial': tried('The ignition coil was set anew', 'cured', 'better', 'no-change'),
  'flywheel-key': {
    whole: 'The key that times the spark is whole.',
    'sheared-or-shifted': 'The key that times the spark is sheared.',
  },
  'known-good-coil-trial': tried('It was tried with a good ignition coil', 'cured', 'no-change'),
  'pull-feel': {
    firm: 'The engine resists the pull as a sound one does.',
    weak: 'The engine hardly resists the pull.',
    'no-resistance': 'The engine does not resist the pull at all.',
    snatches: 'The starter cord is snatched back.',
    locked: 'The engine cannot be turned over.',
  },
  'drop-test': {
    'lowers-slowly': 'Hung by its cord, the machine sinks slowly: the engine has compression.',
    drops: 'Hung by its cord, the machine drops: the engine has lost compression.',
  },
  'cylinder-peep': {
    clean: 'The cylinder looks clean through the plug hole.',
    'coked-crown': 'There is soot on top of the piston.',
    'light-scoring': 'The cylinder shows light scratches.',
    'heavy-scoring': 'The cylinder is deeply scored.',
  },
  'compression-gauge': {
    good: 'The compression is good.',
    marginal: 'The compression is at the lower edge of what is good.',
    low: 'The compression is too low.',
  },
  'compression-wet': {
    unchanged: 'Oil in the cylinder did not change the compression.',
    rises: 'The compression rose with oil in the cylinder: piston or ring are worn.',
  },
  'decompressor-bubbles': {
    none: 'The starting valve is tight.',
    bubbles: 'The starting valve leaks.',
    'none-fitted': 'It has no starting valve.',
  },
  'starting-valve-action': {
    opens: 'The starting valve opens.',
    stuck: 'The starting valve is stuck.',
    'none-fitted': 'It has no starting valve.',
  },
  'recoil-look': { works: 'The pull starter works.', jammed: 'The pull starter is jammed or broken.' },
  'piston-exhaust-side': {
    clean: 'The piston is clean on the exhaust side.',
    'worn-smooth': 'The piston is worn on the exhaust side.',
    scored: 'The piston is scored on the exhaust side, as by heat.',
  },
  'piston-intake-side': {
    clean: 'The piston is clean on the intake side.',
    scratched: 'The piston is scratched on the intake side, as by dirt.',
    scored: 'The piston is scored on the intake side.',
  },
  'ring-free': { free: 'The piston ring moves freely.', stuck: 'The piston ring is stuck.' },
  'rod-play': {
    none: 'The connecting rod has no play.',
    vertical: 'The connecting rod has play: its bearings are worn.',
  },
  'turnover-noise': {
    quiet: 'The engine turns over quietly.',
    rattle: 'The engine rattles when it is turned over.',
    scrape: 'Something scrapes when the engine is turned over.',
  },
  'air-filter-look': {
    clean: 'The air filter is clean.',
    dusty: 'The air filter is dusty.',
    blocked: 'The air filter is blocked.',
    missing: 'The air filter is missing.',
  },
  'run-without-filter': {
    'no-change': 'Without the air filter it ran no better.',
    better: 'Without the air filter it ran better.',
  },
  'choke-action': {
    'full-travel': 'The choke opens and shuts fully.',
    'stuck-closed': 'The choke is stuck shut.',
    'not-closing': 'The choke does not shut.',
  },
  'throttle-action': {
    follows: 'The throttle follows the trigger.',
    'sticks-or-short': 'The throttle sticks or does not open fully.',
  },
  'exhaust-smoke': {
    normal: 'The exhaust smoke is as it should be.',
    none: 'There is no exhaust smoke at all.',
    heavy: 'It smokes heavily.',
  },
  'spark-screen-look': {
    clear: 'The spark screen is clear.',
    'part-coked': 'The spark screen is partly clogged.',
    blocked: 'The spark screen is blocked.',
    missing: 'The spark screen is missing.',
  },
  'exhaust-port-look': {
    clear: 'The exhaust opening is clear.',
    coked: 'The exhaust opening is narrowed by soot.',
  },
  'cooling-fins': { clear: 'The cooling fins are clear.', packed: 'The cooling fins are packed with dirt.' },
  'intake-boot': {
    sound: 'The rubber between carburettor and engine is sound.',
    cracked: 'The rubber between carburettor and engine is cracked.',
  },
  'mount-bolts': { tight: 'The carburettor sits tight.', loose: 'The carburettor’s bolts are loose.' },
  'cylinder-bolts': {
    tight: 'The cylinder sits tight.',
    loose: 'The cylinder’s bolts are loose.',
  },
  'muffler-look': {
    tight: 'The muffler sits tight, and its outlet is dry.',
    oily: 'The muffler’s outlet is oily.',
    loose: 'The muffler is loose.',
  },
  'seal-look': {
    dry: 'The seal of the engine’s shaft is dry.',
    oily: 'The seal of the engine’s shaft is oily.',
  },
  'crankcase-pressure': {
    holds: 'The engine’s housing holds pressure.',
    leaks: 'The engine’s housing leaks under pressure.',
  },
  'crankcase-vacuum': {
    holds: 'The engine’s housing holds a vacuum.',
    leaks: 'The engine’s housing leaks under vacuum.',
  },
  'prime-at-intake': {
    'runs-briefly': 'Given fuel by hand, it runs for a moment: it gets none by itself.',
    nothing: 'Given fuel by hand, it does not fire.',
  },
  'prime-in-cylinder': {
    fires: 'With fuel straight into the cylinder it fires.',
    nothing: 'Even with fuel straight into the cylinder it does not fire.',
  },
  'limiter-caps': {
    present: 'The caps that limit the carburettor’s setting are in place.',
    missing: 'The caps that limit the carburettor’s setting are missing: somebody has been at it.',
    'none-fitted': 'Its carburettor has no limiting caps.',
  },
  'screw-turns': {
    'near-baseline': 'The carburettor’s screws stand about where they should.',
    'far-in': 'The carburettor’s screws are turned far in.',
    'far-out': 'The carburettor’s screws are turned far out.',
  },
  'inlet-screen': {
    clear: 'The sieve inside the carburettor is clear.',
    gummed: 'The sieve inside the carburettor is gummed up.',
    debris: 'The sieve inside the carburettor is full of dirt.',
    missing: 'The sieve inside the carburettor is missing.',
  },
  'pump-diaphragm': {
    'supple-flat': 'The pump membrane in the carburettor is supple.',
    stiff: 'The pump membrane in the carburettor is stiff.',
    curled: 'The pump membrane in the carburettor is curled.',
  },
  'metering-diaphragm': {
    'supple-flat': 'The membrane that doses the fuel is supple.',
    stiff: 'The membrane that doses the fuel is stiff.',
    'proud-or-crooked': 'The membrane that doses the fuel is bent.',
    torn: 'The membrane that doses the fuel is torn.',
  },
  'metering-lever': {
    'in-band': 'The lever inside the carburettor stands right.',
    high: 'The lever inside the carburettor stands too high.',
    low: 'The lever inside the carburettor stands too low.',
  },
  'pop-off': {
    'in-band': 'The carburettor’s fuel valve opens and shuts where it should.',
    low: 'The carburettor’s fuel valve opens too easily.',
    high: 'The carburettor’s fuel valve opens too late.',
    'will-not-reseat': 'The carburettor’s fuel valve does not shut again once it has opened.',
  },
  'needle-action': {
    'free-and-seals': 'The carburettor’s fuel valve opens and closes.',
    weeps: 'The carburettor’s fuel valve does not close fully.',
    sticks: 'The carburettor’s fuel valve sticks.',
  },
  'carb-passages': {
    clear: 'The carburettor’s passages are clear.',
    'low-blocked': 'The carburettor’s fine idle passages are blocked.',
    'high-blocked': 'The carburettor’s main passage is blocked.',
  },
  'carb-inside': {
    original: 'The inside of the carburettor is as it was built.',
    'parts-missing-or-wrong': 'Parts inside the carburettor are missing or wrong.',
  },
  'impulse-path': {
    clear: 'The passage that drives the fuel pump is clear.',
    leaks: 'The passage that drives the fuel pump leaks.',
    'blocked-or-misaligned': 'The passage that drives the fuel pump is blocked.',
  },
  'safety-walkround': {
    sound: 'The parts that keep its user safe are sound.',
    fault: 'Something that keeps its user safe is broken or missing.',
  },
  'start-trial': {
    'runs-well': 'It started and ran well.',
    'runs-badly': 'It started and ran badly.',
    'starts-and-dies': 'It started and died again.',
    pops: 'It only popped.',
    backfires: 'It banged back through the carburettor.',
    nothing: 'It did not fire.',
  },
  'low-screw-trial': tried(
    'A little more fuel was tried at low speed',
    'cured',
    'better',
    'no-change',
    'worse',
  ),
  'high-screw-trial': tried(
    'A little more fuel was tried at full speed',
    'cured',
    'better',
    'no-change',
    'worse',
  ),
  'idle-speed': {
    'in-band': 'The idle speed is right.',
    low: 'The idle speed is too low.',
    wandering: 'The idle speed wanders.',
    high: 'The idle speed is too high.',
  },
  'full-speed': {
    'in-band': 'The full speed is right.',
    low: 'It does not reach its full speed.',
    wandering: 'The full speed wanders.',
    high: 'It runs too fast at full throttle.',
  },
  'low-screw-in-trial': tried(
    'A little less fuel was tried at low speed',
    'cured',
    'better',
    'no-change',
    'worse',
  ),
  'high-screw-in-trial': tried(
    'A little less fuel was tried at full speed',
    'cured',
    'better',
    'no-change',
    'worse',
  ),
  'chain-look': { sharp: '{sharp}', dull: '{blunt}' },
  'clutch-look': { sound: 'The clutch is sound.', 'worn-or-oily': 'The clutch is worn or oily.' },
  'drive-free': { free: 'The tool turns freely.', drags: 'The tool drags when it is turned by hand.' },
  'clear-flood-trial': {
    'no-change': 'The flooded engine was cleared, which changed nothing.',
    'then-starts': 'The flooded engine was cleared, and it started.',
    'floods-again': 'The flooded engine was cleared, and it flooded again.',
  },
  'start-drill-trial': {
    'starts-each-time': 'Started another way, it starts each time.',
    'no-change': 'Started another way, it was no better.',
  },
};
