import { off, says, see, type BenchCase } from './benchCase';

/** Evidence that was wrong, or weak. */
export const DOUBTFUL: readonly BenchCase[] = [
  {
    title: 'Hobwick Dunlin 26 trimmer: "no spark" in the yard, yet it coughs on a few drops',
    why: 'It fired on premix in the cylinder, so there is a spark: the cross on the list is wrong and is made again.',
    machine: { kind: 'trimmer', displacementCc: 26 },
    history: { monthsStored: 5 },
    log: [
      says('no-fire'),
      off('plug'),
      see('spark-tester', 'none', 'fair'),
      see('prime-in-cylinder', 'fires'),
    ],
    expect: {
      atMost: [
        { cause: 'coil-failed', p: 0.1 },
        { cause: 'stop-circuit-grounded', p: 0.15 },
      ],
      within: [{ causes: ['stale-fuel', 'metering-diaphragm-stiff', 'inlet-screen-clogged'], n: 2 }],
      next: { any: ['fuel-smell', 'primer-action', 'fuel-look', 'inlet-pressure', 'spark-tester'], n: 3 },
      never: { checks: ['known-good-coil-trial', 'coil-gap', 'flywheel-key'], n: 4 },
    },
  },
  {
    title: 'Brakken Heddle 48: flicker explained away',
    why: 'Lead tight, stop wire off made no odds, and the spark flickers: the gap is looked at before the carburettor.',
    machine: { kind: 'chainsaw', displacementCc: 48 },
    log: [
      says('hard-to-start'),
      off('plug'),
      see('spark-tester', 'intermittent'),
      see('plug-lead-look', 'tight'),
      see('spark-stop-wire-off', 'unchanged'),
    ],
    expect: {
      within: [{ causes: ['coil-gap-wide', 'coil-failed'], n: 2 }],
      next: { any: ['coil-gap'], n: 2 },
      never: { checks: ['metering-diaphragm', 'inlet-screen', 'crankcase-pressure', 'full-speed'], n: 4 },
    },
  },
  {
    title: 'Tolvane Stint 24 blower: bubbles seen once, line holds',
    why: 'One doubtful look at the bulb does not outweigh a line that holds pressure.',
    machine: { kind: 'blower', displacementCc: 24 },
    log: [
      says('fades-under-way'),
      see('primer-action', 'bubbles', 'doubtful'),
      see('line-pressure', 'holds'),
      see('fuel-filter-look', 'clean'),
    ],
    expect: {
      atMost: [
        { cause: 'fuel-line-leak', p: 0.1 },
        { cause: 'fuel-filter-clogged', p: 0.1 },
      ],
      within: [{ causes: ['tank-vent-blocked'], n: 2 }],
      next: { any: ['tank-vent', 'cap-cracked-trial'], n: 2 },
    },
  },
  {
    title: 'Brakken Tussock 70: gauge says 80, nothing else does',
    why: 'Firm pull, clean bore, clean piston: the reading is doubted and made again before a top end is spoken of.',
    machine: { kind: 'chainsaw', displacementCc: 70 },
    log: [
      says('hard-to-start'),
      see('pull-feel', 'firm'),
      off('plug'),
      see('compression-gauge', 'low', 'fair'),
      see('cylinder-peep', 'clean'),
      off('muffler'),
      see('piston-exhaust-side', 'clean'),
      see('ring-free', 'free'),
    ],
    expect: {
      atMost: [
        { cause: 'piston-heat-scored', p: 0.1 },
        { cause: 'ring-stuck', p: 0.1 },
      ],
      next: { any: ['decompressor-bubbles', 'compression-gauge', 'compression-wet', 'plug-look'], n: 3 },
    },
  },
  {
    title: 'Hobwick Knot 25 edger: smoke on a machine called lean',
    why: 'A lean screw does not smoke: what leads leaves the smoke unexplained, and the fuel is looked at.',
    machine: { kind: 'edger', displacementCc: 25 },
    log: [says('bogs-on-throttle'), see('exhaust-smoke', 'heavy'), see('low-screw-trial', 'worse')],
    expect: {
      atMost: [{ cause: 'low-screw-lean', p: 0.15 }],
      next: { any: ['fuel-look', 'screw-turns', 'plug-look', 'choke-action', 'air-filter-look'], n: 3 },
      never: { checks: ['line-pressure', 'tank-vent', 'fuel-filter-look', 'coil-gap'], n: 3 },
    },
  },
  {
    title: 'Marlpit Rail 27 power head: plug wet after forty pulls on choke',
    why: 'Forty pulls wet any plug: it says nothing of the needle.',
    machine: { kind: 'power-head', displacementCc: 27 },
    log: [says('no-fire'), off('plug'), see('plug-look', 'wet-fuel', 'doubtful')],
    expect: {
      atMost: [{ cause: 'needle-not-sealing', p: 0.2 }],
      next: { any: ['spark-tester', 'fuel-smell', 'fuel-look'], n: 3 },
      never: { checks: ['metering-lever', 'needle-action', 'metering-diaphragm'], n: 4 },
    },
  },
  {
    title: 'Brakken Gorse 44: vent passed, cap cracked and it recovers all the same',
    why: 'Two tests of one thing disagree. The quick one of the part is made again before anything is opened.',
    machine: { kind: 'chainsaw', displacementCc: 44 },
    log: [
      says('fades-under-way'),
      see('tank-vent', 'breathes', 'fair'),
      see('cap-cracked-trial', 'recovers'),
    ],
    expect: {
      within: [{ causes: ['tank-vent-blocked'], n: 1 }],
      repeat: ['tank-vent'],
      next: { any: ['tank-vent'], n: 2 },
      never: { checks: ['inlet-screen', 'metering-diaphragm', 'pump-diaphragm'], n: 3 },
    },
  },
];
