import type { CheckId, ResultOf } from './checks';
import { CAUTIONS } from './cautions';
import type { FailsWhen } from './history';
import type { ComplaintId } from './vocabulary';

/** Runs of the proof that no check and no start stands for: done by saying so. */
export const PROVED_STEPS = [
  'idle-minute',
  'tool-still',
  'off-the-latch',
  'own-fuel',
  'part-throttle',
  'tilted',
  'in-work',
  'tankful',
  'hot-restart',
  'refuelled',
  'heat-cycles',
  'stood',
] as const;
export type ProvedStep = (typeof PROVED_STEPS)[number];

type FindingBy = { [C in CheckId]: { kind: 'finding'; check: C; wants: ResultOf<C> } }[CheckId];

/** How a run is proved: by a check's finding, by saying so, or by a start. */
export type ProvedBy =
  | FindingBy
  | { kind: 'proved'; step: ProvedStep }
  | { kind: 'start'; state: 'cold' | 'warm' };

/** Under what a complaint has to be shown: `plain` where nothing was said, or always. */
type Under = Exclude<FailsWhen, 'always'> | 'plain';

interface RunSpec {
  id: string;
  label: string;
  /** What is done and watched, where the label does not say it. */
  how?: string;
  /** Bench minutes of one, and how long the engine has to have stood before it, hours. */
  minutes: number;
  waitHours?: number;
  by: ProvedBy;
  /** What would be seen of it again if it still stood, by when it does it. */
  shows: Partial<Readonly<Record<Under, readonly ComplaintId[]>>>;
  /** One of it is so many chances to do it again, where nobody counted it in these. */
  chances?: number;
  /** Quick: as often as it takes in one go, said once. */
  inOneGo?: true;
  /** Only on a machine that has this. */
  needs?: 'clutch' | 'bulb';
  caution?: string;
}

const STARTING: readonly ComplaintId[] = ['no-fire', 'pops-only', 'hard-to-start', 'kicks-back', 'flooded'];
const RUNNING: readonly ComplaintId[] = [
  'runs-on-prime-then-dies',
  'fades-under-way',
  'cuts-dead',
  'dies-at-idle',
  'loads-up-at-idle',
  'bogs-on-throttle',
  'wont-reach-speed',
  'races-or-hangs',
  'weak-under-load',
  'rattle-or-scrape',
  'heavy-smoke',
  'tool-turns-at-idle',
];
const EITHER = [...STARTING, ...RUNNING];

const RUNS = [
  {
    id: 'pull',
    label: 'Pulls freely, comes back',
    minutes: 0.5,
    by: { kind: 'finding', check: 'pull-feel', wants: 'firm' },
    shows: { plain: ['hard-to-pull'] },
    inOneGo: true,
  },
  {
    id: 'turn-over',
    label: 'Turns over without a noise',
    minutes: 0.5,
    by: { kind: 'finding', check: 'turnover-noise', wants: 'quiet' },
    shows: { plain: ['rattle-or-scrape'] },
    inOneGo: true,
  },
  {
    id: 'primer',
    label: 'Bulb fills and firms up',
    minutes: 0.5,
    by: { kind: 'finding', check: 'primer-action', wants: 'fills-firm' },
    shows: { plain: ['primer-no-fuel'] },
    inOneGo: true,
    needs: 'bulb',
  },
  {
    id: 'full',
    label: 'Full speed in band',
    minutes: 0.5,
    by: { kind: 'finding', check: 'full-speed', wants: 'in-band' },
    shows: { plain: ['wont-reach-speed'] },
    inOneGo: true,
  },
  {
    id: 'throttle',
    label: 'Picks up cleanly and returns',
    minutes: 0.5,
    by: { kind: 'finding', check: 'throttle-action', wants: 'follows' },
    shows: { plain: ['bogs-on-throttle', 'races-or-hangs'] },
    inOneGo: true,
  },
  {
    id: 'idle',
    label: 'Idle in band',
    minutes: 0.5,
    by: { kind: 'finding', check: 'idle-speed', wants: 'in-band' },
    shows: {},
    inOneGo: true,
  },
  {
    id: 'idle-minute',
    label: 'Idle holds a minute',
    minutes: 1.5,
    by: { kind: 'proved', step: 'idle-minute' },
    shows: { plain: ['dies-at-idle', 'loads-up-at-idle', 'races-or-hangs'] },
    chances: 2,
  },
  {
    id: 'smoke',
    label: 'Smoke no more than usual',
    how: 'A minute warm, revved and at idle.',
    minutes: 1,
    by: { kind: 'finding', check: 'exhaust-smoke', wants: 'normal' },
    shows: { plain: ['heavy-smoke'] },
    inOneGo: true,
    caution: CAUTIONS.noSmoke,
  },
  {
    id: 'tool-still',
    label: 'Tool still at idle',
    minutes: 0.5,
    by: { kind: 'proved', step: 'tool-still' },
    shows: {},
    inOneGo: true,
    needs: 'clutch',
  },
  {
    id: 'off-the-latch',
    label: 'Blipped off the starting latch: comes down, tool stops',
    how: 'Latch set, started, one blip of the throttle. Watch the tool.',
    minutes: 0.5,
    by: { kind: 'proved', step: 'off-the-latch' },
    shows: { plain: ['tool-turns-at-idle', 'races-or-hangs'] },
    inOneGo: true,
    needs: 'clutch',
  },
  {
    id: 'stop-switch',
    label: 'The switch stops it',
    how: 'From idle, and warm.',
    minutes: 0.5,
    by: { kind: 'finding', check: 'stop-switch-action', wants: 'stops-it' },
    shows: { plain: ['wont-stop'] },
    inOneGo: true,
  },
  {
    id: 'warm',
    label: 'Restarts warm',
    minutes: 1.5,
    by: { kind: 'start', state: 'warm' },
    shows: { plain: ['kicks-back'] },
  },
  {
    id: 'own-fuel',
    label: 'Runs three minutes on its own fuel',
    how: 'Not primed again: idle, half, full.',
    minutes: 3,
    by: { kind: 'proved', step: 'own-fuel' },
    shows: { plain: ['runs-on-prime-then-dies'] },
    chances: 2,
  },
  {
    id: 'part-throttle',
    label: 'Holds at part throttle two minutes',
    minutes: 2,
    by: { kind: 'proved', step: 'part-throttle' },
    shows: { 'part-throttle': RUNNING },
    chances: 2,
  },
  {
    id: 'tilted',
    label: 'Runs held every way it is worked',
    how: 'On each side, nose up, nose down, ten seconds each.',
    minutes: 1.5,
    by: { kind: 'proved', step: 'tilted' },
    shows: { tilted: [...RUNNING, 'leaks-fuel', 'flooded'] },
    chances: 2,
  },
  {
    id: 'in-work',
    label: 'Five minutes in the work',
    how: 'Cutting or blowing as it is used, at full throttle.',
    minutes: 6,
    by: { kind: 'proved', step: 'in-work' },
    shows: { plain: ['weak-under-load', 'wont-reach-speed', 'runs-on-prime-then-dies'] },
    chances: 2,
  },
  {
    id: 'tankful',
    label: 'A tankful in the work, twenty minutes or more',
    how: 'Until it is as hot as it gets. Watch for fading, and for cutting out.',
    minutes: 20,
    by: { kind: 'proved', step: 'tankful' },
    shows: {
      plain: [
        'fades-under-way',
        'cuts-dead',
        'weak-under-load',
        'wont-reach-speed',
        'runs-on-prime-then-dies',
      ],
      hot: RUNNING,
    },
    chances: 3,
  },
  {
    id: 'hot-restart',
    label: 'Restarts hot after ten minutes’ rest',
    how: 'Worked hot, stopped, left ten minutes in the sun or the warm.',
    minutes: 7,
    waitHours: 0.2,
    by: { kind: 'proved', step: 'hot-restart' },
    shows: { hot: STARTING },
    caution: CAUTIONS.muffler,
  },
  {
    id: 'refuelled',
    label: 'Starts and runs after refuelling',
    how: 'Worked hot, tank filled, started again.',
    minutes: 8,
    by: { kind: 'proved', step: 'refuelled' },
    shows: { refuelled: [...EITHER, 'leaks-fuel', 'primer-no-fuel'] },
    caution: CAUTIONS.tank,
  },
  {
    id: 'heat-cycles',
    label: 'Three times hot and cool again',
    how: 'Half throttle, no load, five minutes each.',
    minutes: 15,
    waitHours: 1,
    by: { kind: 'proved', step: 'heat-cycles' },
    shows: {},
  },
  {
    id: 'compression',
    label: 'Compression after that',
    minutes: 3,
    by: { kind: 'finding', check: 'compression-gauge', wants: 'good' },
    shows: {},
    inOneGo: true,
    caution: CAUTIONS.lead,
  },
  {
    id: 'cold',
    label: 'Starts cold',
    minutes: 4,
    waitHours: 3,
    by: { kind: 'start', state: 'cold' },
    shows: { plain: STARTING, cold: [...EITHER, 'hard-to-pull', 'primer-no-fuel'] },
  },
  {
    id: 'stood',
    label: 'Hangs overnight with a full tank: dry, and starts',
    how: 'On paper. Look underneath, in the throat and at the plug before it is pulled.',
    minutes: 5,
    waitHours: 8,
    by: { kind: 'proved', step: 'stood' },
    shows: {
      plain: ['leaks-fuel', 'flooded'],
      stood: [...EITHER, 'leaks-fuel', 'primer-no-fuel', 'hard-to-pull'],
    },
    chances: 2,
    caution: CAUTIONS.petrol,
  },
] as const satisfies readonly RunSpec[];
export type RunId = (typeof RUNS)[number]['id'];

/** One way of running a mended machine to see that it does not do it again. */
export interface ProofRun extends RunSpec {
  id: RunId;
}
/** The runs, in the order they are made: quick ones first, then the work, then what waits for a cold engine or a night. */
export const PROOF_RUNS: readonly ProofRun[] = RUNS;
export const RUN_IDS: readonly RunId[] = PROOF_RUNS.map((r) => r.id);

/** The run of that id. */
export const proofRun = (id: RunId): ProofRun => PROOF_RUNS.find((r) => r.id === id)!;

/** Whether a run would show a complaint again that does it then; what no run shows so is shown as any is. */
export function wouldShow(run: ProofRun, complaint: ComplaintId, when: FailsWhen = 'always'): boolean {
  const under = when === 'always' ? 'plain' : when;
  const asSaid = (r: ProofRun, u: Under): boolean => r.shows[u]?.includes(complaint) ?? false;
  return PROOF_RUNS.some((r) => asSaid(r, under)) ? asSaid(run, under) : asSaid(run, 'plain');
}
