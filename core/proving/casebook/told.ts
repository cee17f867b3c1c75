import { off, says, see, told, type BenchCase } from './benchCase';

/** What the owner or another shop says was done to it: it is hearsay, and it is also where things were put together wrongly. */
export const TOLD: readonly BenchCase[] = [
  {
    title: 'Brakken B45: no spark, and another shop has just fitted a coil',
    why: 'A new coil is rarely dead. What is done wrong with it is the gap and the stop wire under its screw.',
    machine: { kind: 'chainsaw', displacementCc: 45 },
    log: [
      says('no-fire'),
      told('coil', { by: 'shop', effect: 'no-change' }),
      off('plug'),
      see('spark-tester', 'none'),
    ],
    expect: {
      within: [{ causes: ['stop-circuit-grounded', 'coil-gap-wide', 'coil-gap-tight'], n: 1 }],
      atMost: [{ cause: 'coil-failed', p: 0.3 }],
      next: { any: ['spark-stop-wire-off', 'coil-gap', 'plug-lead-look', 'new-plug-trial'], n: 1 },
      never: { checks: ['known-good-coil-trial', 'compression-gauge', 'fuel-look'], n: 2 },
    },
  },
  {
    title: 'Hobwick Dunnock 25 trimmer: bulb stays empty since a neighbour fitted new lines',
    why: 'It ran, lines were changed, it does not draw: they are crossed until somebody has looked.',
    machine: { kind: 'trimmer', displacementCc: 25 },
    log: [says('primer-no-fuel'), told('fuel-lines', { by: 'owner', effect: 'trouble-since' })],
    expect: {
      within: [{ causes: ['fuel-lines-swapped'], n: 1 }],
      atMost: [{ cause: 'fuel-line-leak', p: 0.2 }],
      next: { any: ['line-routing', 'primer-action'], n: 1 },
      never: { checks: ['metering-diaphragm', 'inlet-screen', 'spark-tester'], n: 2 },
    },
  },
  {
    title: 'Tolvane Wheatear 26 blower: runs on prime only since the owner had the carburettor apart',
    why: 'Gasket over the impulse hole, lever bent, parts left out: what was put together is looked at before new parts are bought.',
    machine: { kind: 'blower', displacementCc: 26 },
    history: { openedBefore: 'yes' },
    log: [
      says('runs-on-prime-then-dies'),
      told('carburettor-cleaned', { by: 'owner', effect: 'trouble-since' }),
      see('fuel-smell', 'fresh'),
    ],
    expect: {
      within: [
        { causes: ['impulse-fault', 'carb-tampered', 'metering-lever-low', 'fuel-lines-swapped'], n: 1 },
      ],
      next: {
        any: ['line-routing', 'carb-inside', 'screw-turns', 'limiter-caps', 'primer-action', 'impulse-path'],
        n: 1,
      },
      never: { checks: ['compression-gauge', 'spark-tester', 'crankcase-pressure'], n: 2 },
    },
  },
  {
    title: 'Marlpit Sorrel 24 hedge trimmer: hard to start, plug said new and no better',
    why: 'Half a minute to look at the plug stays worth it, a new one on trial does not come first.',
    machine: { kind: 'hedge-trimmer', displacementCc: 24 },
    log: [says('hard-to-start'), told('plug', { by: 'owner', effect: 'no-change' })],
    expect: {
      atMost: [{ cause: 'plug-failed', p: 0.04 }],
      never: { checks: ['new-plug-trial'], n: 3 },
    },
  },
  {
    title: 'Brakken Withy 60: weak under load, the owner took the spark screen out and cleaned it',
    why: 'A cleaned screen clogs no more; one that was out is often left out, and the port behind it is as coked as it was.',
    machine: { kind: 'chainsaw', displacementCc: 60 },
    log: [
      says('weak-under-load'),
      says('wont-reach-speed'),
      told('spark-screen', { by: 'owner', effect: 'no-change' }),
    ],
    expect: {
      atMost: [{ cause: 'spark-screen-clogged', p: 0.12 }],
      stop: null,
    },
  },
  {
    title:
      'Hobwick Linnet 22 edger: dies at idle, said to have got a kit from another shop a month ago, no better',
    why: 'A kit renews what is soft; it leaves the idle pockets as they were and the screws as somebody set them.',
    machine: { kind: 'edger', displacementCc: 22 },
    history: { openedBefore: 'yes' },
    log: [
      says('dies-at-idle'),
      told('carburettor-kit', { by: 'shop', monthsAgo: 1, effect: 'no-change' }),
      see('idle-speed', 'wandering'),
    ],
    expect: {
      within: [
        {
          causes: [
            'low-screw-lean',
            'intake-leak',
            'idle-circuit-blocked',
            'crank-seal-leak',
            'carb-tampered',
          ],
          n: 1,
        },
      ],
      atMost: [{ cause: 'metering-diaphragm-stiff', p: 0.08 }],
      next: {
        any: [
          'screw-turns',
          'limiter-caps',
          'low-screw-trial',
          'mount-bolts',
          'fuel-smell',
          'throttle-action',
        ],
        n: 1,
      },
      never: { checks: ['metering-diaphragm', 'spark-tester'], n: 3 },
    },
  },
];
