import type { ComplaintId } from '../../knowledge';

/** What a machine was brought in with, where its owner's own words are not on the log. */
export const PLAIN_COMPLAINT: Readonly<Record<ComplaintId, string>> = {
  'no-fire': 'It does not fire at all.',
  'pops-only': 'It pops once or twice and does not run.',
  'runs-on-prime-then-dies': 'It runs for a moment after priming and dies.',
  'fades-under-way': 'It runs well at first and then fades.',
  'cuts-dead': 'It stops as if it were switched off.',
  'dies-at-idle': 'It dies at idle.',
  'loads-up-at-idle': 'It smokes and smothers at idle.',
  'bogs-on-throttle': 'It stumbles when the throttle is opened.',
  'wont-reach-speed': 'It does not reach its full speed.',
  'races-or-hangs': 'Its idle races, or hangs before it comes down.',
  'hard-to-start': 'It is hard to start.',
  'kicks-back': 'It snatches the cord back.',
  'hard-to-pull': 'It is hard to pull.',
  flooded: 'It floods with fuel.',
  'primer-no-fuel': 'Its priming bulb draws no fuel.',
  'weak-under-load': 'It is weak when it works.',
  'rattle-or-scrape': 'It rattles or scrapes.',
  'heavy-smoke': 'It smokes heavily.',
  'wont-stop': 'It cannot be switched off.',
  'tool-turns-at-idle': 'Its tool turns at idle.',
  'leaks-fuel': 'It leaks fuel.',
};
