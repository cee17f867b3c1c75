import { causeOf, type CauseId, type EnginePart, type RunId, RUN_IDS } from '../knowledge';

const FROM_COLD: readonly RunId[] = ['warm', 'cold'];
const RUNNING: readonly RunId[] = ['full', 'throttle', 'idle', 'idle-minute', ...FROM_COLD];
const SPARK: readonly RunId[] = ['full', 'throttle', ...FROM_COLD];

/** What work asks for whatever was complained of, by where in the engine it was; elsewhere, all of its running. */
const ASKED: Partial<Readonly<Record<EnginePart, readonly RunId[]>>> = {
  primer: ['primer', ...FROM_COLD],
  exhaust: ['full', 'throttle', 'warm'],
  plug: SPARK,
  coil: [...SPARK, 'stop-switch'],
  stop: ['warm', 'stop-switch'],
  flywheel: SPARK,
  drive: ['full', 'tool-still'],
  drill: FROM_COLD,
};
const TOP_END: readonly RunId[] = [...RUNNING, 'heat-cycles', 'compression'];
const ASKED_BY: Partial<Readonly<Record<CauseId, readonly RunId[]>>> = {
  'coil-failed': [...SPARK, 'stop-switch', 'tankful'],
  'recoil-jammed': ['pull', 'warm'],
  'decompressor-stuck': ['pull', ...FROM_COLD],
  'piston-heat-scored': TOP_END,
  'piston-dirt-worn': TOP_END,
  'ring-stuck': TOP_END,
};

/** The runs that work on these causes asks for, each once. */
export const askedBy = (causes: readonly CauseId[]): readonly RunId[] => [
  ...new Set(causes.flatMap((id) => ASKED_BY[id] ?? ASKED[causeOf(id).sits] ?? RUNNING)),
];

/** What a turned screw, an opened carburettor or unknown work asks for: all of the running, and cold starts on two occasions. */
export const ASKED_WHEN_TUNED: readonly RunId[] = [...RUNNING, 'tool-still'];
export const COLD_STARTS_WHEN_TUNED = 2;

/** Runs that look at something by themselves: most work leaves them as they were shown. */
const ASIDE: readonly RunId[] = [
  'tool-still',
  'off-the-latch',
  'pull',
  'turn-over',
  'primer',
  'compression',
  'heat-cycles',
];
const ASIDE_AND_SWITCH: readonly RunId[] = [...ASIDE, 'stop-switch'];
const STARTED: readonly RunId[] = ['warm', 'cold', 'hot-restart', 'refuelled', 'stood'];
const ALL_BUT = (...runs: readonly RunId[]): readonly RunId[] => RUN_IDS.filter((r) => !runs.includes(r));
/** What was shown before some work stands all the same: nothing of it was touched. Elsewhere nothing does. */
const STANDS: Partial<Readonly<Record<EnginePart, readonly RunId[]>>> = {
  fuel: ASIDE_AND_SWITCH,
  tank: ASIDE_AND_SWITCH,
  filter: ASIDE_AND_SWITCH,
  line: ASIDE_AND_SWITCH,
  air: ASIDE_AND_SWITCH,
  exhaust: ASIDE_AND_SWITCH,
  plug: ASIDE_AND_SWITCH,
  coil: ASIDE,
  primer: ALL_BUT('primer', 'own-fuel', ...STARTED),
  stop: ALL_BUT('stop-switch', ...STARTED),
  drill: ALL_BUT(...STARTED),
  drive: ALL_BUT('full', 'tool-still', 'off-the-latch', 'in-work', 'tankful', 'pull', 'turn-over'),
};

/** Whether work on these causes leaves a run as it was shown before. */
export const leavesShown = (causes: readonly CauseId[], run: RunId): boolean =>
  causes.length > 0 && causes.every((id) => STANDS[causeOf(id).sits]?.includes(run) ?? false);
