import { CAUTIONS, checkOf, type CheckId } from '../knowledge';
import type { Reading } from '../reading';

/** What is made ready before a check: left out it hurts somebody, or the check shows what is not so. */
interface ReadyDef {
  id: string;
  name: string;
  /** The checks it belongs to. */
  of: (check: CheckId) => boolean;
  /** What happens without it, in a sentence or two; null where nobody is hurt. */
  hurts: string | null;
  /** What the check is worth without it, in a sentence; null where it is worth as much. */
  misleads: string | null;
}

const caution = (check: CheckId): string | undefined => checkOf(check).caution;
const SQUEEZE: readonly CheckId[] = ['compression-gauge', 'compression-wet'];
/** Pulled with the plug out. */
const PLUG_OUT: readonly CheckId[] = [...SQUEEZE, 'decompressor-bubbles', 'clear-flood-trial'];

export const READY = [
  {
    id: 'lead-earthed',
    name: 'Lead earthed',
    of: (check) => PLUG_OUT.includes(check),
    hurts:
      'The lead hung loose beside the open plug hole. It sparked, and what blew out of the hole caught fire.',
    misleads: null,
  },
  {
    id: 'fuel-away',
    name: 'Fuel shut and away',
    of: (check) => caution(check) === CAUTIONS.spark,
    hurts: 'The open can stood beside the spark. It caught fire.',
    misleads: null,
  },
  {
    id: 'past-port',
    name: 'Piston past the port',
    of: (check) => caution(check) === CAUTIONS.stop,
    hurts: 'The stop went in with the port still open. The piston broke on its edge.',
    misleads: null,
  },
  {
    id: 'throttle-open',
    name: 'Throttle and choke open',
    of: (check) => SQUEEZE.includes(check),
    hurts: null,
    misleads: 'with the throttle shut: it draws no air, and the gauge reads low',
  },
  {
    id: 'room-dim',
    name: 'Room dim',
    of: (check) => check === 'spark-tester',
    hurts: null,
    misleads: 'in bright light: a faint spark is not seen in it',
  },
] as const satisfies readonly ReadyDef[];

export type ReadyId = (typeof READY)[number]['id'];
export const READY_IDS: readonly ReadyId[] = READY.map((r) => r.id);

/** What is to be made ready before a check, in the order it is done. */
export const readyFor = (check: CheckId): (typeof READY)[number][] => READY.filter((r) => r.of(check));

/** What was to be made ready before a check and was not. */
export const notReady = (check: CheckId, ready: readonly ReadyId[]): (typeof READY)[number][] =>
  readyFor(check).filter((r) => !ready.includes(r.id));

/** Why it ends the exercise that these were not made ready, in a sentence or two; null where it does not. */
export const hurtsBy = (missed: readonly ReadyId[]): string | null =>
  READY.find((r) => r.hurts !== null && missed.includes(r.id))?.hurts ?? null;

/** What a check is worth that was made without these, in words; null where it is worth as much. */
export const misledBy = (missed: readonly ReadyId[]): string | null =>
  READY.find((r) => r.misleads !== null && missed.includes(r.id))?.misleads ?? null;

/** What a shut throttle leaves of each pull: about a quarter is missing. */
const SHUT = 0.75;

/** The result a check seems to have in the light it is looked at in. */
export const seemsIn = (missed: readonly ReadyId[], check: CheckId, result: string): string =>
  check === 'spark-tester' && result === 'weak' && missed.includes('room-dim') ? 'none' : result;

/** The gauge as it reads with what was not made ready. */
export const readsIn = (missed: readonly ReadyId[], reading: Reading): Reading =>
  reading.psi && missed.includes('throttle-open')
    ? { ...reading, psi: reading.psi.map((psi) => Math.round(psi * SHUT)) }
    : reading;
