import type { ComplaintId } from '../knowledge';

/** How owners put it over the counter: never in the trade's words. */
export const OWNER_SAYS: Readonly<Record<ComplaintId, readonly string[]>> = {
  'no-fire': ['Will not go. Not so much as a cough.', 'I have pulled till my arm dropped off. Nothing.'],
  'pops-only': ['It wants to go, then it does not.', 'It barks once or twice and that is all.'],
  'runs-on-prime-then-dies': [
    'It goes when I squirt some in. Then it dies.',
    'A few seconds, every time, and then it is out.',
  ],
  'fades-under-way': ['Fine for ten minutes, then it gets tired.', 'After a while it just fades away.'],
  'cuts-dead': ['It goes off like a light.', 'Running fine, and then somebody switched it off.'],
  'dies-at-idle': ['It will not tick over.', 'The moment I let go of the trigger it is out.'],
  'loads-up-at-idle': ['It smokes and chokes while it waits.', 'It gets wet ticking over, then it clears.'],
  'bogs-on-throttle': ['I squeeze, and it swallows its tongue.', 'It stumbles when I want it to go.'],
  'wont-reach-speed': ['It has no top end.', 'It grumbles along and never gets up.'],
  'races-or-hangs': ['It runs away with itself.', 'It takes its time coming down again.'],
  'hard-to-start': ['Twenty pulls, every morning.', 'It goes in the end, if you have the arm for it.'],
  'kicks-back': ['It nearly took my thumb off.', 'The cord bites back.'],
  'hard-to-pull': ['I can hardly pull it through.', 'The cord has gone stiff.'],
  flooded: ['There is petrol coming out of the silencer.', 'It is soaked, and it stinks.'],
  'primer-no-fuel': ['The bulb stays empty.', 'Nothing comes up into the rubber thing.'],
  'weak-under-load': ['It sounds right, but it will not cut.', 'No strength in it.'],
  'rattle-or-scrape': ['Something is loose in there.', 'It makes a noise it did not make before.'],
  'heavy-smoke': ['You cannot see me for smoke.', 'It smokes like a chimney.'],
  'wont-stop': ['I have to choke it to get it to stop.', 'The switch does nothing.'],
  'tool-turns-at-idle': ['It turns all the time, even when I let go.', 'It will not stand still.'],
  'leaks-fuel': ['It leaves a puddle.', 'The shed reeks of petrol.'],
};
