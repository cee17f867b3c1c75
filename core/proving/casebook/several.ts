import { mend, off, says, see, type BenchCase } from './benchCase';

/** Several faults at once, and faults that brought others about. */
export const SEVERAL: readonly BenchCase[] = [
  {
    title: 'Marlpit Petrel 25 power head: two years under a bench',
    why: 'Line, filter, screen and diaphragm are all seen bad; each goes on the list whatever the others explain.',
    machine: { kind: 'power-head', displacementCc: 25 },
    history: { monthsStored: 24, fuelAgeMonths: 24 },
    log: [
      says('no-fire'),
      see('fuel-smell', 'stale'),
      see('line-look', 'hard-or-cracked'),
      see('fuel-filter-look', 'clogged'),
      off('carburettor'),
      off('metering-cover'),
      off('pump-cover'),
      see('inlet-screen', 'gummed'),
      see('metering-diaphragm', 'stiff'),
    ],
    expect: {
      found: [
        'stale-fuel',
        'fuel-line-leak',
        'fuel-filter-clogged',
        'inlet-screen-clogged',
        'metering-diaphragm-stiff',
      ],
      atLeast: [
        { causes: ['stale-fuel'], p: 0.9 },
        { causes: ['fuel-line-leak'], p: 0.9 },
        { causes: ['fuel-filter-clogged'], p: 0.9 },
        { causes: ['inlet-screen-clogged'], p: 0.9 },
        { causes: ['metering-diaphragm-stiff'], p: 0.9 },
      ],
      never: { checks: ['start-trial', 'spark-tester', 'flywheel-key', 'compression-gauge'], n: 3 },
    },
  },
  {
    title: 'Tolvane Fulmar 62 backpack blower: oil like treacle, screen and plug black',
    why: 'One jar of fuel explains the plug and the screen: the mix is put right with them.',
    machine: { kind: 'backpack-blower', displacementCc: 62 },
    history: { mixedBy: 'owner' },
    log: [
      says('heavy-smoke'),
      says('wont-reach-speed'),
      see('fuel-look', 'dark-dyed'),
      off('plug'),
      see('plug-look', 'black-oily'),
      off('muffler-cover'),
      see('spark-screen-look', 'blocked'),
    ],
    expect: {
      found: ['plug-fouled', 'spark-screen-clogged'],
      atLeast: [{ causes: ['oil-heavy-mix'], p: 0.85 }],
      never: { checks: ['line-pressure', 'coil-gap', 'tank-vent', 'metering-lever'], n: 4 },
    },
  },
  {
    title: 'Brakken Hassock 52: filter off its line, screen full of grit, needle weeps',
    why: 'The filter fell off and the dirt went all the way: three things to mend and one reason.',
    machine: { kind: 'chainsaw', displacementCc: 52 },
    log: [
      says('loads-up-at-idle'),
      says('fades-under-way'),
      see('fuel-filter-look', 'off-the-line'),
      off('carburettor'),
      off('pump-cover'),
      off('metering-cover'),
      see('inlet-screen', 'debris'),
      see('needle-action', 'weeps'),
    ],
    expect: {
      found: ['fuel-filter-off', 'inlet-screen-clogged', 'needle-not-sealing'],
      atLeast: [
        { causes: ['fuel-filter-off'], p: 0.9 },
        { causes: ['inlet-screen-clogged'], p: 0.9 },
        { causes: ['needle-not-sealing'], p: 0.9 },
      ],
      never: { checks: ['start-trial', 'idle-speed', 'spark-tester', 'coil-gap'], n: 4 },
    },
  },
  {
    title: 'Brakken Bracken 46: dull chain on a lean saw',
    why: 'The chain is dull and is sharpened whatever else is wrong; a full speed far over the limit is a second fault.',
    machine: { kind: 'chainsaw', displacementCc: 46 },
    log: [says('weak-under-load'), see('chain-look', 'dull'), see('full-speed', 'high')],
    expect: {
      found: ['chain-dull'],
      within: [{ causes: ['high-screw-lean', 'intake-leak'], n: 3 }],
    },
  },
  {
    title: 'Hobwick Tern 25 trimmer: dull filter found on a machine with no spark',
    why: 'A filthy air filter never stopped a spark: it is washed, and the spark is followed.',
    machine: { kind: 'trimmer', displacementCc: 25 },
    log: [
      says('no-fire'),
      off('air-box'),
      see('air-filter-look', 'blocked'),
      off('plug'),
      see('spark-tester', 'none'),
    ],
    expect: {
      found: ['air-filter-clogged'],
      atLeast: [{ causes: ['air-filter-clogged'], p: 0.9 }],
      next: { any: ['spark-stop-wire-off', 'plug-lead-look', 'new-plug-trial', 'plug-look'], n: 3 },
      never: { checks: ['primer-action', 'run-without-filter', 'full-speed', 'fuel-filter-look'], n: 4 },
      stop: null,
    },
  },
  {
    title: 'Brakken Moss 57: scored, and the base bolts were finger tight',
    why: 'Pressure leaks and the piston is scored: what cooked it stands beside it.',
    machine: { kind: 'chainsaw', displacementCc: 57 },
    log: [
      says('races-or-hangs'),
      off('muffler'),
      see('piston-exhaust-side', 'scored'),
      off('carburettor'),
      see('intake-boot', 'sound'),
      see('crankcase-pressure', 'leaks'),
      see('crankcase-vacuum', 'leaks'),
    ],
    expect: {
      found: ['piston-heat-scored'],
      atLeast: [{ causes: ['base-gasket-leak', 'crank-seal-leak', 'intake-leak'], p: 0.9 }],
      never: { checks: ['start-trial', 'full-speed', 'primer-action', 'fuel-smell'], n: 4 },
    },
  },
  {
    title: 'Brakken Lapwing 39: new line, and it still wants the high screw open',
    why: 'The line was bad and helped; what is left is short of fuel at full throttle: the H screw or what feeds it.',
    machine: { kind: 'chainsaw', displacementCc: 39 },
    history: { fuelAgeMonths: 0.5 },
    log: [
      says('hard-to-start'),
      says('wont-reach-speed'),
      see('line-pressure', 'leaks'),
      mend('fuel-line-leak', 'better'),
      see('high-screw-trial', 'better'),
    ],
    expect: {
      found: ['fuel-line-leak'],
      atMost: [{ cause: 'fuel-line-leak', p: 0.1 }],
      within: [
        {
          causes: ['high-screw-lean', 'inlet-screen-clogged', 'pump-diaphragm-stiff', 'fuel-filter-clogged'],
          n: 1,
        },
      ],
      next: {
        any: ['screw-turns', 'fuel-filter-look', 'inlet-pressure', 'primer-action', 'limiter-caps'],
        n: 3,
      },
      never: { checks: ['spark-tester', 'coil-gap', 'flywheel-key'], n: 4 },
    },
  },
];
