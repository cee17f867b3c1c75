import type { SignsOfChecks } from './sign';

/** What fuel, lines and carburettor show, smelled, felt and seen. */
export const FUEL_AND_CARBURETTOR_SIGNS = {
  'fuel-look': {
    'clear-dyed': 'In the jar: one even tint, you can read print through it, nothing at the bottom.',
    'dark-dyed': 'In the jar: so deep a tint that the far side of the glass does not show.',
    'clear-undyed': 'In the jar: colourless as rain, not a trace of tint.',
    'cloudy-or-debris': 'In the jar: milky, and specks wander about when it is swirled.',
    water: 'In the jar: a bright line near the bottom, and round beads that roll under it.',
  },
  'fuel-smell': {
    fresh: 'Sharp, thin, like a filling station. Your nose pulls back.',
    stale: 'Flat and sour, like old varnish.',
  },
  'fresh-fuel-trial': {
    cured: 'Drained, flushed, filled from the shop can. It starts and does all the owner asked of it.',
    better: 'On the shop’s mix it does better, but something of the complaint is still there.',
    'no-change': 'On the shop’s mix it does exactly as before.',
  },
  'primer-action': {
    'fills-firm': 'By the fourth press the bulb is full of liquid and pushes back.',
    slow: 'Liquid creeps in. The bulb stays dented and takes seconds to come back out.',
    bubbles: 'Liquid comes, and a string of air with it. It never ends.',
    'no-fuel': 'Press after press: air in, air out. The bulb stays dry.',
    'none-fitted': 'There is no bulb on this one.',
  },
  'primer-look': {
    sound: 'Clear and supple all over; under a film of soap nothing grows.',
    leaks: 'A fine line at the foot of the bulb opens when you squeeze, and a bead comes out of it.',
    'none-fitted': 'There is no bulb on this one.',
  },
  'cap-cracked-trial': {
    'no-change': 'Cap cracked open: the engine takes no notice.',
    recovers: 'Cap cracked: a short hiss inwards, and in ten seconds the engine picks up again.',
  },
  'fuel-filter-look': {
    clean: 'Hooked out: pale felt, firmly on its line. You can blow through it.',
    clogged: 'Hooked out: brown and slimy. Blowing through it is hard work.',
    'off-the-line': 'The hook brings up a bare line end. The filter rolls about in the tank.',
  },
  'line-look': {
    supple: 'Bends double and springs back, no marks where it bent.',
    'soft-or-stretched': 'Swollen and rubbery; it slides off its stub almost by itself.',
    'hard-or-cracked': 'Stiff as a straw. Where it bends, fine lines open.',
  },
  'line-routing': {
    right:
      'The line with the filter leads to the carburettor’s inlet; pressing the bulb sends fuel out of the other one.',
    crossed: 'Pressing the bulb blows bubbles through the line that has the filter.',
  },
  'tank-vent': {
    breathes: 'Under a little vacuum the needle falls back at once: air gets in.',
    blocked: 'The vacuum stands. Nothing gets in through the vent.',
  },
  'limiter-caps': {
    present: 'Both caps are on their screws, their stops unbroken.',
    missing: 'Bare screw heads, and in one a bright fresh scratch from a blade.',
    'none-fitted': 'This carburettor never had any.',
  },
  'prime-at-intake': {
    'runs-briefly': 'A teaspoon in the throat: it fires up, runs four seconds, and fades.',
    nothing: 'A teaspoon in the throat and ten pulls. Nothing.',
  },
  'prime-in-cylinder': {
    fires: 'A few drops through the plug hole: it bursts into life for a second or two.',
    nothing: 'A few drops through the plug hole, plug back, ten pulls. Nothing.',
  },
  'inlet-screen': {
    clear: 'Against the lamp every mesh lets light through.',
    gummed: 'Against the lamp: amber film over most of the mesh.',
    debris: 'Against the lamp: grit and fibres lie across the mesh.',
    missing: 'Where the mesh should be pressed in there is a bare hole.',
  },
  'pump-diaphragm': {
    'supple-flat': 'Limp, silent when flicked, both cut flaps lie flat.',
    stiff: 'Keeps its shape like a crisp packet, and sounds like one.',
    curled: 'The two cut flaps stand up from the sheet.',
  },
  'metering-diaphragm': {
    'supple-flat': 'Flicked: no sound. The button sits square and as high as the new one’s.',
    stiff: 'Flicked: it crackles. It stays where you push it.',
    'proud-or-crooked': 'The middle bulges towards the lever, the button stands askew.',
    torn: 'Held to the light, a pinprick of it shines through beside the button.',
  },
  'pop-off': {
    'in-band': 'A clean pop, the needle of the gauge falls and stands.',
    low: 'It opens almost as soon as you pump.',
    high: 'You pump and pump; then it goes with a bang.',
    'will-not-reseat': 'It pops, and the gauge runs down to nothing.',
  },
  'needle-action': {
    'free-and-seals': 'The lever gives and comes straight back. Under the glass the tip is clean and round.',
    weeps: 'The lever moves freely. Under the glass a ring is worn into the tip, and a bead grows under it.',
    sticks: 'The lever goes down and stays down until you nudge it.',
  },
  'carb-passages': {
    clear: 'Air comes out of every hole by the throttle plate, and of the main one.',
    'low-blocked': 'The main hole blows. At the small holes by the plate a finger feels nothing.',
    'high-blocked': 'The small holes blow. At the main hole a finger feels nothing.',
  },
  'carb-inside': {
    original: 'Screen, gasket, diaphragm, in that order, all of one make and age.',
    'parts-missing-or-wrong':
      'A bright new gasket under an old diaphragm, a hole where there should be none, and no screen.',
  },
  'impulse-path': {
    clear: 'You can see light from the crankcase to the pump side.',
    leaks: 'The way is open, but the hose is split where it meets its stub.',
    'blocked-or-misaligned': 'The gasket’s hole sits a good way beside the port: no light comes through.',
  },
} as const satisfies SignsOfChecks;
