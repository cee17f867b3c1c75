import { mend, off, says, see, type BenchCase } from './benchCase';

/** Put right without effect: what was tried is out, and what nobody looked at rises. */
export const IN_VAIN_CASES: readonly BenchCase[] = [
  {
    title: 'Hobwick Wigeon 26 trimmer: third new plug, still dead',
    why: 'The plug is cleared. Spark first; nobody fits a fourth plug.',
    machine: { kind: 'trimmer', displacementCc: 26 },
    log: [says('no-fire'), mend('plug-failed', 'no-change'), mend('plug-fouled', 'no-change')],
    expect: {
      atMost: [
        { cause: 'plug-failed', p: 0.1 },
        { cause: 'plug-fouled', p: 0.1 },
      ],
      next: { any: ['spark-tester', 'fuel-smell', 'fuel-look', 'pull-feel'], n: 3 },
      never: { checks: ['new-plug-trial', 'plug-gap', 'full-speed'], n: 6 },
    },
  },
  {
    title: 'Tolvane Stint 24 blower: kit fitted by the last shop, still starves',
    why: 'Diaphragms are new and nothing changed. Somebody has been inside: impulse gasket, lines, lever.',
    machine: { kind: 'blower', displacementCc: 24 },
    history: { openedBefore: 'yes' },
    log: [
      says('runs-on-prime-then-dies'),
      mend('metering-diaphragm-stiff', 'no-change'),
      mend('pump-diaphragm-stiff', 'no-change'),
    ],
    expect: {
      atMost: [
        { cause: 'metering-diaphragm-stiff', p: 0.1 },
        { cause: 'pump-diaphragm-stiff', p: 0.1 },
      ],
      within: [{ causes: ['impulse-fault', 'carb-tampered', 'fuel-lines-swapped'], n: 2 }],
      next: {
        any: [
          'primer-action',
          'line-routing',
          'limiter-caps',
          'line-pressure',
          'inlet-pressure',
          'impulse-path',
        ],
        n: 3,
      },
      never: { checks: ['spark-tester', 'compression-gauge', 'full-speed'], n: 4 },
    },
  },
  {
    title: 'Brakken Ouzel 47: gap set, still no spark',
    why: 'The gap was wide, is set, and measures right: that is mended and was not it. The stop wire and the coil are left.',
    machine: { kind: 'chainsaw', displacementCc: 47 },
    log: [
      says('no-fire'),
      off('plug'),
      see('spark-tester', 'none'),
      off('recoil'),
      see('coil-gap', 'wide'),
      mend('coil-gap-wide', 'no-change'),
      see('coil-gap', 'in-band'),
    ],
    expect: {
      found: ['coil-gap-wide'],
      atMost: [{ cause: 'coil-gap-wide', p: 0.1 }],
      atLeast: [{ causes: ['coil-failed', 'stop-circuit-grounded', 'plug-lead-loose'], p: 0.6 }],
      next: { any: ['spark-stop-wire-off', 'plug-lead-look', 'new-plug-trial'], n: 3 },
      never: { checks: ['coil-gap', 'coil-gap-reset-trial', 'fuel-filter-look', 'full-speed'], n: 3 },
    },
  },
  {
    title: 'Marlpit Siskin 22 hedge trimmer: fresh fuel made no odds',
    why: 'Old fuel is out. What old fuel leaves behind is not.',
    machine: { kind: 'hedge-trimmer', displacementCc: 22 },
    history: { monthsStored: 7 },
    log: [
      says('hard-to-start'),
      see('fuel-smell', 'stale'),
      off('tank-drained'),
      see('fresh-fuel-trial', 'no-change'),
    ],
    expect: {
      atMost: [{ cause: 'stale-fuel', p: 0.1 }],
      within: [
        {
          causes: [
            'metering-diaphragm-stiff',
            'inlet-screen-clogged',
            'idle-circuit-blocked',
            'fuel-line-leak',
          ],
          n: 2,
        },
      ],
      never: { checks: ['fresh-fuel-trial', 'flywheel-key', 'crankcase-pressure'], n: 5 },
    },
  },
  {
    title: 'Brakken Reeve 59: seals renewed, still races',
    why: 'New seals did not cure it: boot, bolts, base gasket and throttle are what is left.',
    machine: { kind: 'chainsaw', displacementCc: 59 },
    log: [says('races-or-hangs'), mend('crank-seal-leak', 'no-change')],
    expect: {
      atMost: [{ cause: 'crank-seal-leak', p: 0.25 }],
      within: [{ causes: ['intake-leak', 'throttle-linkage-fault'], n: 2 }],
      next: { any: ['throttle-action', 'mount-bolts', 'intake-boot', 'idle-speed'], n: 2 },
      never: { checks: ['fuel-smell', 'spark-tester', 'tank-vent', 'start-drill-trial'], n: 4 },
    },
  },
  {
    title: 'Hobwick Avocet 28 brush-cutter: flood cleared, floods again',
    why: 'Cleared and wet again: fuel comes from the carburettor, not from the drill alone.',
    machine: { kind: 'brush-cutter', displacementCc: 28 },
    log: [
      says('flooded'),
      off('plug'),
      see('plug-look', 'wet-fuel'),
      see('clear-flood-trial', 'floods-again'),
    ],
    expect: {
      within: [
        {
          causes: ['needle-not-sealing', 'metering-diaphragm-proud', 'metering-lever-high', 'choke-stuck'],
          n: 2,
        },
      ],
      next: { any: ['inlet-pressure', 'choke-action'], n: 2 },
      never: { checks: ['full-speed', 'fuel-filter-look', 'coil-gap', 'start-trial'], n: 4 },
    },
  },
];
