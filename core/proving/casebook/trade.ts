import { mend, off, says, see, type BenchCase } from './benchCase';

/** What every bench learns in a few years and no book of this trade says in one place. */
export const TRADE: readonly BenchCase[] = [
  {
    title: 'Hobwick Dunnock 25 trimmer: floods, needle seals, lever right, diaphragm crackles',
    why: 'Gone hard in the bulged shape it leans on the lever and floods. Half the trade says stiff starves; the crackle settles it.',
    machine: { kind: 'trimmer', displacementCc: 25 },
    history: { monthsStored: 14 },
    log: [
      says('flooded'),
      see('plug-look', 'wet-fuel'),
      off('metering-cover'),
      see('needle-action', 'free-and-seals'),
      see('metering-lever', 'in-band'),
      see('metering-diaphragm', 'stiff'),
    ],
    expect: {
      found: ['metering-diaphragm-stiff'],
      within: [{ causes: ['metering-diaphragm-stiff'], n: 1 }],
      stop: 'found',
    },
  },
  {
    title: 'Marlpit Teasel 24 hedge trimmer: stood two years, floods again after clearing',
    why: 'Needle first, but a diaphragm that stood for two years is hard, and hard ones flood too: it is among the first four.',
    machine: { kind: 'hedge-trimmer', displacementCc: 24 },
    history: { monthsStored: 24 },
    log: [says('loads-up-at-idle'), says('flooded'), off('plug'), see('clear-flood-trial', 'floods-again')],
    expect: {
      within: [
        { causes: ['needle-not-sealing'], n: 2 },
        { causes: ['metering-diaphragm-stiff'], n: 4 },
      ],
      next: { any: ['inlet-pressure', 'choke-action'], n: 2 },
      never: { checks: ['spark-tester', 'compression-gauge', 'line-pressure'], n: 2 },
    },
  },
  {
    title: 'Brakken Ousel 38: cord comes out with nothing behind it',
    why: 'A starter that pulls empty has its pawls worn or a cord fitted wrongly. Five screws, and it is seen.',
    machine: { kind: 'chainsaw', displacementCc: 38 },
    log: [says('no-fire'), see('pull-feel', 'no-resistance')],
    expect: {
      within: [{ causes: ['recoil-jammed'], n: 1 }],
      // Half a minute with a jar costs less than four screws.
      next: { any: ['recoil-look'], n: 3 },
      never: { checks: ['spark-tester', 'primer-action', 'compression-gauge'], n: 3 },
    },
  },
  {
    title: 'Brakken Withy 60: screams past its limit, screws where they belong',
    why: 'Nobody turned a screw, so air comes in somewhere or the throttle does not let go. The screw is last.',
    machine: { kind: 'chainsaw', displacementCc: 60 },
    history: { dailyUse: true, openedBefore: 'no' },
    log: [says('races-or-hangs'), see('full-speed', 'high'), see('screw-turns', 'near-baseline')],
    expect: {
      within: [{ causes: ['intake-leak', 'crank-seal-leak'], n: 2 }],
      atMost: [{ cause: 'high-screw-lean', p: 0.15 }],
      next: { any: ['throttle-action', 'mount-bolts', 'intake-boot'], n: 2 },
      never: { checks: ['high-screw-trial', 'low-screw-trial'], n: 3 },
    },
  },
  {
    title: 'Tolvane Plover 27 blower: will not reach speed, H does nothing',
    why: 'A throttle plate that opens three quarters looks like a lean screw. Work throttle and choke before anything is opened.',
    machine: { kind: 'blower', displacementCc: 27 },
    log: [says('wont-reach-speed'), see('high-screw-trial', 'no-change')],
    expect: {
      next: { any: ['throttle-action', 'choke-action', 'air-filter-look', 'run-without-filter'], n: 2 },
      never: { checks: ['metering-diaphragm', 'carb-passages', 'crankcase-pressure'], n: 3 },
    },
  },
  {
    title: 'Brakken B45: will not start again hot, spark stays, plug wet',
    why: 'Spark is there when it fails, and the plug is wet: fuel seeps past the needle while it stands hot. Press the fuel path before buying plugs.',
    machine: { kind: 'chainsaw', displacementCc: 45 },
    history: { failsWhen: 'hot', stopped: 'no-restart-after-rest' },
    log: [
      says('hard-to-start'),
      see('spark-hot', 'stays'),
      off('plug'),
      see('plug-look', 'wet-fuel'),
      see('spark-tester', 'strong'),
    ],
    expect: {
      // After what it is now: flooded, with a wet plug.
      within: [{ causes: ['needle-not-sealing'], n: 3 }],
      next: { any: ['inlet-pressure', 'choke-action', 'clear-flood-trial'], n: 2 },
      never: { checks: ['new-plug-trial', 'known-good-coil-trial', 'coil-gap'], n: 3 },
    },
  },
  {
    title: 'Hobwick Twite 24 trimmer: hard to start hot and cold, spark good at the tester, plug gap 1.1 mm',
    why: 'A worn gap asks for more than the coil gives under pressure; the tester has its own gap and says nothing of it.',
    machine: { kind: 'trimmer', displacementCc: 24 },
    log: [
      says('hard-to-start'),
      off('plug'),
      see('plug-look', 'tan-dry'),
      see('spark-tester', 'strong'),
      see('plug-gap', 'wide'),
    ],
    expect: {
      within: [{ causes: ['plug-failed'], n: 1 }],
      atLeast: [{ causes: ['plug-failed'], p: 0.4 }],
      next: { any: ['new-plug-trial'], n: 1 },
    },
  },
  {
    title: 'Brakken Ousel 45: weak spark, and plug, wire, gap and a second coil are out',
    why: 'Nothing else is left that makes a spark weak. Feel the pull of the magnets against a good wheel.',
    machine: { kind: 'chainsaw', displacementCc: 45 },
    log: [
      says('hard-to-start'),
      off('plug'),
      see('new-plug-trial', 'no-change'),
      see('spark-tester', 'weak'),
      see('plug-lead-look', 'tight'),
      off('top-cover'),
      see('spark-stop-wire-off', 'unchanged'),
      off('recoil'),
      see('coil-gap', 'in-band'),
      see('known-good-coil-trial', 'no-change'),
    ],
    expect: {
      within: [{ causes: ['magnets-weak'], n: 1 }],
      atLeast: [{ causes: ['magnets-weak'], p: 0.33 }],
      next: { any: ['magnet-pull'], n: 1 },
      never: { checks: ['inlet-pressure', 'metering-diaphragm', 'primer-action'], n: 2 },
    },
  },
  {
    title: 'Hobwick Dunnock 28 trimmer: smokes heavily on bought canned mix',
    why: 'Canned mix is right, so it is not oil: it is petrol that does not burn. Filter and choke before a screw is touched.',
    machine: { kind: 'trimmer', displacementCc: 28 },
    history: { mixedBy: 'canned', fuelAgeMonths: 0.5 },
    log: [says('heavy-smoke'), says('wont-reach-speed')],
    expect: {
      within: [{ causes: ['air-filter-clogged', 'choke-stuck'], n: 1 }],
      atMost: [{ cause: 'oil-heavy-mix', p: 0.15 }],
      next: { any: ['air-filter-look', 'choke-action', 'run-without-filter'], n: 1 },
      never: { checks: ['low-screw-trial', 'high-screw-trial', 'screw-turns'], n: 2 },
    },
  },
  {
    title: 'Tolvane Merlin 65: new diaphragm of the same kit, floods worse than before',
    why: 'The part just fitted is the first that is wrong: a button that stands higher holds the needle open.',
    machine: { kind: 'backpack-blower', displacementCc: 65 },
    history: { openedBefore: 'yes' },
    log: [says('flooded'), mend('metering-diaphragm-stiff', 'no-change')],
    expect: {
      within: [{ causes: ['metering-lever-high', 'metering-diaphragm-proud', 'needle-not-sealing'], n: 3 }],
      atMost: [{ cause: 'metering-diaphragm-stiff', p: 0.05 }],
      never: { checks: ['compression-gauge', 'spark-tester'], n: 2 },
    },
  },
  {
    title: 'Brakken Withy 55: scrapes once a turn, spark comes and goes',
    why: 'A magnet that touches a leg is heard and felt once a turn. The gap is looked at before a bearing is blamed.',
    machine: { kind: 'chainsaw', displacementCc: 55 },
    log: [says('rattle-or-scrape'), see('turnover-noise', 'scrape')],
    expect: {
      within: [{ causes: ['coil-gap-tight'], n: 1 }],
      next: { any: ['coil-gap', 'recoil-look'], n: 1 },
      never: { checks: ['rod-play', 'crankcase-pressure'], n: 2 },
    },
  },
  {
    title: 'Hobwick Twite 30 brush cutter: grit in the jar, grit on the inlet screen, filter in place',
    why: 'Grit past a filter that is on means a dirty tank and a filter that lets it through; the needle is next to suffer.',
    machine: { kind: 'brush-cutter', displacementCc: 30 },
    log: [
      says('flooded'),
      see('fuel-look', 'cloudy-or-debris'),
      see('fuel-filter-look', 'clean'),
      off('pump-cover'),
      see('inlet-screen', 'debris'),
    ],
    expect: {
      found: ['inlet-screen-clogged'],
      within: [{ causes: ['tank-dirty'], n: 2 }],
      atLeast: [
        { causes: ['tank-dirty'], p: 0.5 },
        { causes: ['needle-not-sealing'], p: 0.5 },
      ],
      next: { any: ['inlet-pressure', 'needle-action'], n: 2 },
    },
  },
];
