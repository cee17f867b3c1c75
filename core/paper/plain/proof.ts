import type { RunId } from '../../knowledge';
import type { Picture, ProofStep } from '../../log';
import { chanceSaid } from '../words';

/** Runs of the proof as the owner reads them. */
const PLAIN_RUN: Readonly<Record<RunId, string>> = {
  pull: 'The cord pulls freely',
  'turn-over': 'It turns over without a noise',
  primer: 'The primer bulb fills and firms up',
  full: 'It reaches its full speed',
  throttle: 'It picks up cleanly and comes back to idle',
  idle: 'It idles at its speed',
  'idle-minute': 'It idled for a whole minute',
  smoke: 'It smokes no more than it should',
  'tool-still': 'The tool stands still at idle',
  'off-the-latch': 'It comes down to idle after starting, and the tool stops',
  'stop-switch': 'The stop switch stops it',
  warm: 'It started again while warm',
  'own-fuel': 'It ran on from its own tank',
  'part-throttle': 'It held at part throttle',
  tilted: 'It ran held every way it is worked',
  'in-work': 'It was worked for five minutes',
  tankful: 'It was worked through a tankful, until it was hot',
  'hot-restart': 'It started again hot, after a rest',
  refuelled: 'It started again after refuelling',
  'heat-cycles': 'It was run hot and left to cool three times',
  compression: 'Its compression was right after that',
  cold: 'It started from cold',
  stood: 'It hung overnight with a full tank, stayed dry and started',
};

const timesWords = (n: number): string => (n === 2 ? ', twice' : n > 2 ? `, ${n} times` : '');

/** What a run of the proof showed, for the owner, and how often it was made. */
export const plainProof = ({ id, clean, inOneGo }: Pick<ProofStep, 'id' | 'clean' | 'inOneGo'>): string =>
  `${PLAIN_RUN[id]}${inOneGo ? '' : timesWords(clean)}.`;

/** How far the proof of what it was complained of has come, where it is not all of it; null where it is, or nothing is mended. */
export function plainUnproved({ proof, cured }: Pick<Picture, 'proof' | 'cured'>): string | null {
  const short = proof.filter((s) => s.proves.length > 0 && (s.enough || !s.done));
  if (!cured || short.length === 0) return null;
  return `What it came with was not tried out as often as it would take to be sure: we reckon ${chanceSaid(Math.min(...short.map((s) => s.sure ?? 1)))} that it is cured. Bring it back if it does it again.`;
}
