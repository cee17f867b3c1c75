/** Steps of the proof as the owner reads them, by id. */
export const PLAIN_PROOF: Readonly<Record<string, string>> = {
  full: 'It reaches its full speed.',
  throttle: 'It picks up cleanly and comes back to idle.',
  idle: 'It idles at its speed.',
  'idle-minute': 'It idled for a whole minute.',
  'tool-still': 'The tool stands still at idle.',
  warm: 'It started again while warm.',
  'cold-1': 'It started from cold.',
  'cold-2': 'It started from cold another time.',
};
