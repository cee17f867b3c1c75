import type { SignsOfChecks } from './sign';

/** What spark, squeeze and the parts that make them show. */
export const SPARK_AND_SQUEEZE_SIGNS = {
  'plug-look': {
    'tan-dry': 'The nose is the colour of milky coffee. Dry.',
    'black-dry': 'Soot all over the nose; it wipes off on your thumb.',
    white: 'The nose is chalk white, a few tiny blisters on it.',
    'black-oily': 'Black and shiny; a wet film that smells of oil stays on the rag.',
    'wet-fuel': 'It drips. Shaken on the rag it leaves a patch that dries away, smelling of petrol.',
    damaged: 'The white nose has a crack right round it, and a crumb is missing.',
  },
  'new-plug-trial': {
    cured: 'With the bench’s plug it starts and does all the owner asked of it.',
    'no-change': 'With the bench’s plug it does exactly as before.',
  },
  'spark-tester': {
    strong: 'Each pull: a fat blue snap across the gap, and you can hear it.',
    intermittent: 'Blue, blue, nothing, blue, nothing: it skips, pull after pull.',
    weak: 'A thin orange thread that wanders and is hard to see.',
    none: 'Pull after pull: you see nothing in the gap.',
  },
  'spark-stop-wire-off': {
    unchanged: 'Stop wire off the coil: the gap shows just what it showed before.',
    'comes-back': 'Stop wire off the coil: there it is, blue and loud.',
  },
  'plug-lead-look': {
    tight: 'The boot clicks on and takes a tug; the lead has no cracks.',
    'loose-or-cracked': 'The boot turns on the lead, and its spring dangles.',
  },
  'spark-hot': {
    stays: 'Hot off the run, the gap shows the same as it did cold.',
    'fails-hot': 'Hot off the run, the gap stays dark. Ten minutes later it is back.',
  },
  'stop-switch-action': {
    'stops-it': 'Switch over: silence.',
    'no-effect': 'Switch over, and back, and over: it runs on.',
  },
  'magnet-pull': {
    strong: 'A screwdriver is snatched out of the air at both magnets.',
    weak: 'A screwdriver has to be brought almost to the metal before it feels anything.',
  },
  'coil-gap-reset-trial': {
    cured: 'Set with the strip, both legs. It starts and does all the owner asked of it.',
    better: 'Set with the strip, it does better, but something of the complaint is still there.',
    'no-change': 'Set with the strip, it does exactly as before.',
  },
  'flywheel-key': {
    whole: 'The key stands square in both slots.',
    'sheared-or-shifted': 'The slots do not line up. Half the key is in one, half in the other.',
  },
  'known-good-coil-trial': {
    cured: 'With the bench’s coil: blue and loud at every pull.',
    'no-change': 'With the bench’s coil: the same as before.',
  },
  'pull-feel': {
    firm: 'Two clear humps a turn; the cord wants to hold you at each.',
    weak: 'The humps are there, but soft: it rolls through.',
    'no-resistance': 'It spins like an empty bobbin.',
    snatches: 'At the hump it rips the handle back out of your fingers.',
    locked: 'It will not turn past a point, whatever you pull.',
  },
  'drop-test': {
    'lowers-slowly': 'Hung by its cord it comes down in steps, a hump at a time.',
    drops: 'Hung by its cord it comes down in one go.',
  },
  'cylinder-peep': {
    clean: 'By the lamp: the wall shines with its cross-hatching, the crown is light brown.',
    'coked-crown': 'By the lamp: the crown wears a thick black crust, the wall is smooth.',
    'light-scoring': 'By the lamp: a few fine lines run up the wall on one side.',
    'heavy-scoring': 'By the lamp: the wall is dull and grooved, with grey metal smeared upwards.',
  },
  'decompressor-bubbles': {
    none: 'Soap on the starting valve: nothing moves while it is turned over.',
    bubbles: 'Soap on the starting valve: a froth grows at every hump.',
    'none-fitted': 'There is no starting valve on this one.',
  },
  'starting-valve-action': {
    opens: 'It clicks in, and the next pull is easy.',
    stuck: 'It does not go in, or goes in and changes nothing.',
    'none-fitted': 'There is no starting valve on this one.',
  },
  'recoil-look': {
    works: 'The cord runs in by itself, the pawls fling out and drop back.',
    jammed: 'The pulley sits fast; a loop of cord is wedged beside it.',
  },
  'piston-exhaust-side': {
    clean: 'Through the port: the machining marks run round the skirt, unbroken.',
    'worn-smooth': 'Through the port: no marks left; grey, smooth and evenly polished.',
    scored: 'Through the port: vertical grooves, with metal dragged along them.',
  },
  'piston-intake-side': {
    clean: 'Through the port: machining marks all round, unbroken.',
    scratched: 'Through the port: hundreds of fine upright hairlines; it feels like paper.',
    scored: 'Through the port: broad upright smears of metal.',
  },
  'ring-free': {
    free: 'Pressed with the pick it gives, and springs out again.',
    stuck: 'Pressed with the pick it does not move; the groove is filled with brown lacquer.',
  },
  'rod-play': {
    none: 'Straight up and down: nothing. It slides a little from side to side.',
    vertical: 'Straight up and down: a small dull knock each way.',
  },
  'turnover-noise': {
    quiet: 'Breath in, breath out. Nothing else.',
    rattle: 'A loose clatter somewhere inside at each turn.',
    scrape: 'Once a turn, metal brushes metal.',
  },
} as const satisfies SignsOfChecks;
