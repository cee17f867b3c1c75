import { off, says, see, type BenchCase } from './benchCase';

/** Hardly anything looked at yet: the first half hour. */
export const EARLY: readonly BenchCase[] = [
  {
    title: 'Brakken Plashet 42: starts after thirty pulls, eight months in a shed',
    why: 'Old mix first, then plug and line: nothing that needs dismantling or a running engine at full throttle.',
    machine: { kind: 'chainsaw', displacementCc: 42 },
    history: { monthsStored: 8, mixedBy: 'owner', lightUse: true, openedBefore: 'no' },
    log: [says('hard-to-start')],
    expect: {
      within: [{ causes: ['stale-fuel'], n: 2 }],
      next: { any: ['fuel-smell', 'fuel-look', 'plug-look', 'primer-action'], n: 2 },
      never: { checks: ['flywheel-key', 'crankcase-pressure', 'known-good-coil-trial', 'rod-play'], n: 6 },
    },
  },
  {
    title: 'Hobwick Tern 25 trimmer: revs, dies when let back to idle',
    why: 'L screw, idle ports, old fuel: screws and fuel before anything comes apart, and no spark work on an engine that revs.',
    machine: { kind: 'trimmer', displacementCc: 25 },
    history: { dailyUse: true, openedBefore: 'no' },
    log: [says('dies-at-idle')],
    expect: {
      within: [{ causes: ['low-screw-lean', 'idle-circuit-blocked'], n: 3 }],
      next: { any: ['low-screw-trial', 'screw-turns', 'fuel-smell', 'idle-speed'], n: 3 },
      never: { checks: ['flywheel-key', 'spark-stop-wire-off', 'crankcase-pressure', 'rod-play'], n: 5 },
    },
  },
  {
    title: 'Tolvane Marram 27 blower: will not come up to speed, got slower all season',
    why: 'A handheld blower that slowly lost speed has a coked screen or a blocked filter until proved otherwise.',
    machine: { kind: 'blower', displacementCc: 27 },
    history: { stopped: 'gradually', lightUse: true, openedBefore: 'no' },
    log: [says('wont-reach-speed')],
    expect: {
      within: [
        { causes: ['spark-screen-clogged'], n: 2 },
        { causes: ['air-filter-clogged'], n: 5 },
      ],
      next: { any: ['air-filter-look', 'spark-screen-look', 'fuel-filter-look', 'run-without-filter'], n: 3 },
      never: { checks: ['coil-gap', 'flywheel-key', 'clear-flood-trial', 'start-drill-trial'], n: 6 },
    },
  },
  {
    title: 'Marlpit Brent 23 hedge trimmer: wet underneath on the shelf',
    why: 'A leak standing is tank, grommet or line. It is looked for with the pump, not with a running engine.',
    machine: { kind: 'hedge-trimmer', displacementCc: 23 },
    history: { openedBefore: 'no' },
    log: [says('leaks-fuel')],
    expect: {
      within: [{ causes: ['tank-or-grommet-leak', 'fuel-line-leak'], n: 1 }],
      next: { any: ['line-look', 'tank-pressure', 'line-pressure', 'safety-walkround'], n: 3 },
      never: { checks: ['spark-tester', 'compression-gauge', 'full-speed', 'screw-turns'], n: 4 },
    },
  },
  {
    title: 'Brakken Corrie 55: snatches the cord, brought in yesterday',
    why: 'Nobody pulls or runs it again before timing and gap are looked at; a starting valve that will not open is the cheap look.',
    machine: { kind: 'chainsaw', displacementCc: 55 },
    log: [says('kicks-back')],
    expect: {
      within: [{ causes: ['flywheel-key-sheared', 'coil-gap-wide'], n: 2 }],
      next: { any: ['coil-gap', 'flywheel-key', 'starting-valve-action', 'safety-walkround'], n: 3 },
      never: {
        checks: ['start-trial', 'full-speed', 'idle-speed', 'high-screw-trial', 'fresh-fuel-trial'],
        n: 8,
      },
      stop: null,
    },
  },
  {
    title: 'Hobwick Gannet 33 brush-cutter: cord stiff as a post since it was hung up',
    why: 'Stiff after standing: starter, valve or a seized engine. The cord is not pulled harder and nothing is run.',
    machine: { kind: 'brush-cutter', displacementCc: 33 },
    log: [says('hard-to-pull')],
    expect: {
      within: [{ causes: ['recoil-jammed'], n: 3 }],
      next: {
        any: [
          'pull-feel',
          'recoil-look',
          'turnover-noise',
          'plug-look',
          'drive-free',
          'starting-valve-action',
        ],
        n: 3,
      },
      never: { checks: ['full-speed', 'idle-speed', 'primer-action', 'tank-vent'], n: 5 },
    },
  },
  {
    title: 'Tolvane Fulmar 62 backpack blower: clouds of smoke, neighbour mixed the fuel',
    why: 'Look in the tank first: smoke is oil until the jar says otherwise, then choke and filter.',
    machine: { kind: 'backpack-blower', displacementCc: 62 },
    history: { mixedBy: 'owner', openedBefore: 'no' },
    log: [says('heavy-smoke')],
    expect: {
      within: [{ causes: ['oil-heavy-mix'], n: 1 }],
      next: { any: ['fuel-look'], n: 2 },
      never: { checks: ['coil-gap', 'line-pressure', 'tank-vent', 'crankcase-vacuum'], n: 5 },
    },
  },
  {
    title: 'Brakken Sallow 38: bulb never fills, nobody has touched it',
    why: 'A dry bulb with nobody inside: bulb, line, filter, in half-minute looks. Spark and squeeze have nothing to do with it.',
    machine: { kind: 'chainsaw', displacementCc: 38 },
    history: { openedBefore: 'no', monthsStored: 4 },
    log: [says('primer-no-fuel')],
    expect: {
      within: [{ causes: ['primer-faulty', 'fuel-line-leak'], n: 2 }],
      next: { any: ['line-look', 'line-pressure', 'fuel-filter-look', 'primer-action'], n: 2 },
      atMost: [{ cause: 'fuel-lines-swapped', p: 0.15 }],
      never: { checks: ['spark-tester', 'compression-gauge', 'coil-gap', 'idle-speed', 'full-speed'], n: 5 },
    },
  },
  {
    title: 'Brakken Ousel 45: fades in long cuts, picks up after a breather',
    why: 'Fades and recovers: the vent, then filter and line. A minute with the cap cracked tells more than any dismantling.',
    machine: { kind: 'chainsaw', displacementCc: 45 },
    history: { openedBefore: 'no', dailyUse: true },
    log: [says('fades-under-way')],
    expect: {
      within: [{ causes: ['tank-vent-blocked', 'fuel-filter-clogged'], n: 2 }],
      next: { any: ['tank-vent', 'cap-cracked-trial', 'fuel-filter-look'], n: 2 },
      never: { checks: ['inlet-screen', 'metering-diaphragm', 'flywheel-key', 'spark-tester'], n: 3 },
    },
  },
  {
    title: 'Hobwick Pipit 26 trimmer: head creeps round at idle',
    why: 'Idle stop, throttle link, air leak or clutch, in that order of trouble: nothing to do with the fuel tank.',
    machine: { kind: 'trimmer', displacementCc: 26 },
    log: [says('tool-turns-at-idle')],
    expect: {
      within: [{ causes: ['idle-stop-wrong'], n: 2 }],
      next: { any: ['idle-speed', 'throttle-action', 'drive-free'], n: 2 },
      never: { checks: ['primer-action', 'fuel-smell', 'tank-vent', 'compression-gauge'], n: 4 },
    },
  },
  {
    title: 'Brakken Teasel 50: cuts dust and has to be leaned on',
    why: 'No cutting power with dust instead of chips is the chain before it is the engine.',
    machine: { kind: 'chainsaw', displacementCc: 50 },
    history: { lightUse: true },
    log: [says('weak-under-load')],
    expect: {
      within: [{ causes: ['chain-dull'], n: 2 }],
      next: { any: ['chain-look', 'safety-walkround'], n: 2 },
      never: { checks: ['flywheel-key', 'coil-gap', 'metering-diaphragm', 'clear-flood-trial'], n: 6 },
    },
  },
  {
    title: 'Marlpit Dotterel 25 power head: floods every time for the new groundsman',
    why: 'A wet engine is cleared first; needle, choke and the drill come after.',
    machine: { kind: 'power-head', displacementCc: 25 },
    history: { openedBefore: 'no' },
    log: [says('flooded'), off('plug'), see('plug-look', 'wet-fuel')],
    expect: {
      atLeast: [{ causes: ['engine-flooded'], p: 0.6 }],
      next: { any: ['clear-flood-trial', 'choke-action', 'inlet-pressure'], n: 3 },
      never: { checks: ['full-speed', 'fuel-filter-look', 'tank-vent', 'line-pressure'], n: 4 },
    },
  },
];
