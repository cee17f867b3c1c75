import { off, says, see, seen, type BenchCase } from './benchCase';

/** What comes and goes: one good showing clears nothing, and one bad one of three is no reading error. */
export const SOMETIMES: readonly BenchCase[] = [
  {
    title: 'Brakken B45: cuts dead one time in three, and the spark was strong when it was tried',
    why: 'It runs two times in three: of course it sparked. The lead, the switch wire and the coil are where they were.',
    machine: { kind: 'chainsaw', displacementCc: 45 },
    log: [says('cuts-dead', { failed: 1, of: 3 }), off('plug'), see('spark-tester', 'strong')],
    expect: {
      atLeast: [
        { causes: ['plug-lead-loose', 'stop-circuit-grounded', 'coil-failed', 'plug-failed'], p: 0.5 },
      ],
      within: [{ causes: ['plug-lead-loose', 'stop-circuit-grounded', 'coil-failed'], n: 2 }],
      never: { checks: ['carb-inside', 'metering-diaphragm', 'crankcase-pressure', 'flywheel-key'], n: 3 },
    },
  },
  {
    title: 'Brakken B45: cuts dead one time in three, and the spark was there hot and cold in twelve tries',
    why: 'Twelve is another thing than one: it is not the coil.',
    machine: { kind: 'chainsaw', displacementCc: 45 },
    log: [
      says('cuts-dead', { failed: 1, of: 3 }),
      off('plug'),
      seen('spark-tester', 'strong', { failed: 0, of: 12 }),
      seen('spark-hot', 'stays', { failed: 0, of: 12 }),
    ],
    expect: { atMost: [{ cause: 'coil-failed', p: 0.1 }] },
  },
  {
    title: 'Tolvane Wheatear 26 blower: cuts out hot, and the hot spark failed once in three',
    why: 'A spark that is gone once when hot was gone. It is the coil until somebody shows another.',
    machine: { kind: 'blower', displacementCc: 26 },
    history: { failsWhen: 'hot' },
    log: [says('cuts-dead', { said: 'now-and-then' }), seen('spark-hot', 'fails-hot', { failed: 1, of: 3 })],
    expect: {
      within: [{ causes: ['coil-failed'], n: 1 }],
      atLeast: [{ causes: ['coil-failed'], p: 0.6 }],
    },
  },
  {
    title: 'Hobwick Dunnock 25 trimmer: starts badly now and then, new plug in, started once',
    why: 'It starts three times in four with the old one as well. A start says nothing about the plug.',
    machine: { kind: 'trimmer', displacementCc: 25 },
    log: [says('hard-to-start', { said: 'now-and-then' }), off('plug'), see('new-plug-trial', 'cured')],
    expect: {
      atMost: [
        { cause: 'plug-failed', p: 0.5 },
        { cause: 'plug-fouled', p: 0.5 },
      ],
    },
  },
  {
    title: 'Hobwick Dunnock 25 trimmer: starts badly now and then, new plug in, thirty good starts',
    why: 'It failed two times in eight: thirty good starts are an answer.',
    machine: { kind: 'trimmer', displacementCc: 25 },
    log: [
      says('hard-to-start', { said: 'now-and-then' }),
      off('plug'),
      seen('new-plug-trial', 'cured', { failed: 0, of: 30 }),
    ],
    expect: { atLeast: [{ causes: ['plug-failed', 'plug-fouled'], p: 0.7 }] },
  },
  {
    title: 'Hobwick Dunnock 25 trimmer: never starts, new plug in, starts',
    why: 'Where it failed every time one start is an answer.',
    machine: { kind: 'trimmer', displacementCc: 25 },
    log: [says('no-fire', { said: 'every-time' }), off('plug'), see('new-plug-trial', 'cured')],
    expect: { atLeast: [{ causes: ['plug-failed', 'plug-fouled'], p: 0.85 }] },
  },
  {
    title: 'Brakken Yaffle 60: will not catch two times in ten, compression low',
    why: 'A gauge reads the same every time: what is worn does not come and go on it, and is not doubted for that.',
    machine: { kind: 'chainsaw', displacementCc: 60 },
    log: [says('hard-to-start', { failed: 2, of: 10 }), off('plug'), see('compression-gauge', 'low')],
    expect: {
      atLeast: [
        {
          causes: ['piston-heat-scored', 'piston-dirt-worn', 'ring-stuck', 'decompressor-leak'],
          p: 0.8,
        },
      ],
    },
  },
  {
    title: 'Marlpit Sorrel 24 hedge trimmer: dies now and then when it is turned over',
    why: 'A weight off its line lies where the fuel is not. Look in the tank before anything is unscrewed.',
    machine: { kind: 'hedge-trimmer', displacementCc: 24 },
    history: { failsWhen: 'tilted' },
    log: [says('cuts-dead', { said: 'now-and-then' })],
    expect: {
      within: [{ causes: ['fuel-filter-off', 'plug-lead-loose', 'stop-circuit-grounded'], n: 2 }],
      next: {
        any: ['fuel-filter-look', 'plug-lead-look', 'spark-tester', 'fuel-look', 'spark-stop-wire-off'],
        n: 2,
      },
      never: { checks: ['metering-diaphragm', 'crankcase-pressure', 'flywheel-key'], n: 3 },
    },
  },
];
