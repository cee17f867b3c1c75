import type { SignsOfChecks } from './sign';

/** What air, exhaust, crankcase, drive and the running engine show. */
export const AIR_AND_RUNNING_SIGNS = {
  'air-filter-look': {
    clean: 'Light comes through everywhere; the throat behind it wipes clean.',
    dusty: 'A grey coat, but the lamp still shows through it.',
    blocked: 'A felt of dust and oil. The lamp does not show through.',
    missing: 'The box is empty. The throat behind it is sandy.',
  },
  'run-without-filter': {
    'no-change': 'Half a minute without it: nothing different.',
    better: 'Half a minute without it: it clears its throat and climbs.',
  },
  'choke-action': {
    'full-travel': 'The plate shuts the throat, stands half, and lies flat open.',
    'stuck-closed': 'The lever says open. The plate still covers most of the throat.',
    'not-closing': 'The lever says shut. A broad moon of light is left beside the plate.',
  },
  'throttle-action': {
    follows: 'The plate goes all the way with the trigger and snaps back on its stop.',
    'sticks-or-short': 'Let go, and the plate hangs a little open before it comes home.',
  },
  'exhaust-smoke': {
    normal: 'A blue wisp at the first throttle, then next to nothing.',
    none: 'Nothing at all, even on a cold start.',
    heavy: 'A blue-white cloud that hangs in the yard.',
  },
  'spark-screen-look': {
    clear: 'Against the lamp: bright mesh from edge to edge.',
    'part-coked': 'Against the lamp: about half the meshes are shut with black.',
    blocked: 'Against the lamp: black, with a point of light here and there.',
    missing: 'There is no mesh under the cover.',
  },
  'exhaust-port-look': {
    clear: 'The port has its full, square outline.',
    coked: 'A hard black crust has taken a third off the port all round.',
  },
  'cooling-fins': {
    clear: 'You can see daylight between the fins.',
    packed: 'Chips and oil, pressed like felt between the fins.',
  },
  'intake-boot': {
    sound: 'Stretched every way with the lamp behind it: no light.',
    cracked: 'Stretched near the clamp, a hair of light shows.',
  },
  'mount-bolts': {
    tight: 'It does not rock, and both bolts are snug.',
    loose: 'It rocks on its seat; one bolt takes a whole turn.',
  },
  'cylinder-bolts': {
    tight: 'The key does not move any of them. The foot of the cylinder is dry.',
    loose: 'Two of the four give a quarter turn. Oil has crept out beneath them.',
  },
  'muffler-look': {
    tight: 'It does not rock. Grey and dry round the outlet.',
    oily: 'Black oil runs from the outlet down its side.',
    loose: 'It rocks on its bolts; the joint is sooted all round.',
  },
  'seal-look': {
    dry: 'You wipe round the shaft: the rag comes away grey and dry.',
    oily: 'A ring of wet black dirt round the shaft; the rag comes away oily.',
  },
  'safety-walkround': {
    sound: 'Brake, catcher, guards, interlock, switch and mounts: all there and doing their work.',
    fault: 'Everything is there but one thing, and that one does not do its work.',
  },
  'start-trial': {
    'runs-well': 'Cold: choke, a pop, half choke, away. It idles, it answers, it revs out.',
    'runs-badly': 'It starts, and runs, but not as it should.',
    'starts-and-dies': 'It catches, runs a few seconds, and dies, every time.',
    backfires: 'It spits back through the carburettor with a bang, and does not run.',
    pops: 'On choke a pop or two. Nothing more, however long you pull.',
    nothing: 'Ten pulls. Not a pop.',
  },
  'low-screw-trial': {
    cured: 'L a quarter out: idle steadies and the throttle answers cleanly. All the owner asked.',
    better: 'L a quarter out: steadier, but not right.',
    'no-change': 'L a quarter out: it takes no notice.',
    worse: 'L a quarter out: it smothers and drops.',
  },
  'low-screw-in-trial': {
    cured: 'L an eighth in: the idle clears and the throttle answers. All the owner asked.',
    better: 'L an eighth in: clearer, but not right.',
    'no-change': 'L an eighth in: it takes no notice.',
    worse: 'L an eighth in: it stumbles when the throttle is opened.',
  },
  'high-screw-trial': {
    cured: 'H a quarter out: it pulls away and burbles just so at the top. All the owner asked.',
    better: 'H a quarter out: stronger, but not right.',
    'no-change': 'H a quarter out: it takes no notice.',
    worse: 'H a quarter out: it burbles and will not get up.',
  },
  'high-screw-in-trial': {
    cured: 'H an eighth in: the burble goes and it revs out. All the owner asked.',
    better: 'H an eighth in: less burble, but not right.',
    'no-change': 'H an eighth in: it takes no notice.',
    worse: 'H an eighth in: it screams, then sags.',
  },
  'chain-look': {
    sharp: 'Each edge bites your thumbnail; all of a length.',
    dull: 'The edges shine at the corners and slide over your thumbnail.',
  },
  'clutch-look': {
    sound: 'Dry shoes, lining left, springs all whole.',
    'worn-or-oily': 'Thin, glazed shoes in a drum wet with oil.',
  },
  'drive-free': {
    free: 'Turned by hand it runs light.',
    drags: 'Turned by hand it grinds and stops at once.',
  },
  'clear-flood-trial': {
    'no-change': 'Cleared, dried, plug back: it does exactly as before.',
    'then-starts': 'Cleared, dried, plug back, no choke: it splutters, then runs.',
    'floods-again': 'Cleared it starts, and after a short while the plug drips again.',
  },
  'start-drill-trial': {
    'starts-each-time': 'By the other drill it starts three times out of three.',
    'no-change': 'By the other drill it is no different.',
  },
} as const satisfies SignsOfChecks;
