import type { CheckId } from '../knowledge';

/** What the sequence has come to: where the fault lies, and the findings it amounts to. */
export interface StopWireOutcome {
  says: string;
  /** What to do about it, or what is next to look at. */
  then: string;
  findings: readonly { check: CheckId; result: string; note?: string }[];
}

/** One thing to set up, after which a spark is seen or not. */
export interface StopWireStep {
  does: string;
  spark: StopWireStep | StopWireOutcome;
  none: StopWireStep | StopWireOutcome;
}

const comesBack = (note: string): StopWireOutcome['findings'] => [
  { check: 'spark-stop-wire-off', result: 'comes-back', note },
];
const unchanged = { check: 'spark-stop-wire-off', result: 'unchanged' } as const;
const noEffect = (note: string): StopWireOutcome['findings'] => [
  { check: 'stop-switch-action', result: 'no-effect', note },
];

/** Spark with the wire off, none with it on: the short is found by parting the circuit at the switch. */
const SHORTED: StopWireStep = {
  does: 'Wire back on the coil. Unplug it at the switch.',
  spark: {
    says: 'The switch is shorted',
    then: 'Renew the switch. Coil and wire are sound.',
    findings: comesBack('shorted in the switch'),
  },
  none: {
    says: 'The stop wire is shorted',
    then: 'Look where it is pinched or rubbed bare. Coil and switch are sound.',
    findings: comesBack('shorted along the wire'),
  },
};

/** Spark at run: the switch must take it away, and if it does not, the wire's end put to earth must. */
const SWITCHED: StopWireStep = {
  does: 'Switch to stop.',
  none: {
    says: 'The stop circuit is right',
    then: 'It sparks at run and not at stop.',
    findings: [unchanged, { check: 'stop-switch-action', result: 'stops-it' }],
  },
  spark: {
    does: 'Unplug the wire at the switch and hold its end to bare metal.',
    none: {
      says: 'The switch does not close',
      then: 'Renew the switch, or clean its earth. The wire is sound.',
      findings: noEffect('open in the switch'),
    },
    spark: {
      says: 'The stop wire is broken',
      then: 'Renew the wire, or its joint at the coil. It cannot be stopped until then.',
      findings: noEffect('open along the wire'),
    },
  },
};

/** The stop-wire sequence: every branch ends in what it settles. */
export const STOP_WIRE: StopWireStep = {
  does: 'Wire on, switch at run. Tester on the lead.',
  spark: SWITCHED,
  none: {
    does: 'Pull the stop wire off the coil.',
    spark: SHORTED,
    none: {
      says: 'Not the stop circuit',
      then: 'Lead and boot next, then the air gap, then a coil known to be good.',
      findings: [unchanged],
    },
  },
};

/** Where the answers given so far (a spark seen, or not) lead. Answers past an outcome are not looked at. */
export function followStopWire(answers: readonly boolean[]): StopWireStep | StopWireOutcome {
  let at: StopWireStep | StopWireOutcome = STOP_WIRE;
  for (const spark of answers) {
    if (!('does' in at)) break;
    at = spark ? at.spark : at.none;
  }
  return at;
}
