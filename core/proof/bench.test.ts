import { describe, expect, it } from 'vitest';
import { proofOf, type ProofCase } from '.';

/**
 * Bench talk, written down before there was a list to hold it against: what was complained of, what was done, and what a technician
 * would not hand it back without (`runs`, with how many times where that matters), and would not waste time on (`not`).
 */
interface Talk {
  says: string;
  case: Partial<ProofCase>;
  runs: Readonly<Record<string, number | true>>;
  not?: readonly string[];
}

const TALK: readonly Talk[] = [
  {
    says: 'A trimmer that fades in the grass, spark screen burnt clean: run it in the grass. Nobody leaves it overnight for that.',
    case: { complaints: [{ complaint: 'weak-under-load' }], work: ['spark-screen-clogged'], clutch: true },
    runs: { 'in-work': true, 'tool-still': 1 },
    not: ['stood', 'tankful', 'heat-cycles', 'compression'],
  },
  {
    says: 'A saw that cuts dead after twenty minutes, new coil: a cold start proves nothing, work it till it is hot.',
    case: {
      complaints: [{ complaint: 'cuts-dead', often: { said: 'every-time' } }],
      failsWhen: 'hot',
      work: ['coil-failed'],
      clutch: true,
    },
    runs: { tankful: 1, 'stop-switch': 1 },
    not: ['stood', 'idle-minute'],
  },
  {
    says: 'One start in three it would not catch, plug lead pushed home: one good start is nothing, nor are two.',
    case: {
      complaints: [{ complaint: 'hard-to-start', often: { failed: 1, of: 3 } }],
      work: ['plug-lead-loose'],
      clutch: true,
    },
    runs: { warm: true },
    not: ['tankful', 'stood'],
  },
  {
    says: 'Flooded every morning, new needle: hang it up full overnight, and look at the plug before it is pulled.',
    case: {
      complaints: [{ complaint: 'flooded', often: { said: 'every-time' } }],
      failsWhen: 'stood',
      work: ['needle-not-sealing'],
      clutch: false,
    },
    runs: { stood: 1, 'idle-minute': 1, throttle: 1, warm: 1 },
    not: ['tankful', 'in-work'],
  },
  {
    says: 'The chain creeps since it was jammed, clutch spring renewed: blip it off the latch and watch the chain.',
    case: {
      complaints: [{ complaint: 'tool-turns-at-idle' }],
      work: ['drive-drag'],
      clutch: true,
    },
    runs: { 'off-the-latch': true, 'tool-still': 1 },
    not: ['cold', 'stood', 'tankful', 'idle-minute'],
  },
  {
    says: 'Will not stop, since somebody had the coil out: the switch is tried, hot and at full throttle, not only looked at.',
    case: { complaints: [{ complaint: 'wont-stop' }], work: ['stop-circuit-open'], clutch: true },
    runs: { 'stop-switch': true, warm: 1 },
    not: ['full', 'tankful', 'stood'],
  },
  {
    says: 'Bogs on the throttle, L turned out: a screw was touched, so all of it, and two cold starts.',
    case: { complaints: [{ complaint: 'bogs-on-throttle' }], tuned: true, clutch: true },
    runs: { throttle: true, full: 1, idle: 1, 'idle-minute': 1, warm: 1, cold: 2, 'tool-still': 1 },
    not: ['tankful', 'stood', 'stop-switch'],
  },
  {
    says: 'Leaks standing on the shelf, new line: stand it full overnight on paper.',
    case: { complaints: [{ complaint: 'leaks-fuel' }], work: ['fuel-line-leak'], clutch: true },
    runs: { stood: true },
    not: ['tankful', 'heat-cycles'],
  },
  {
    says: 'Smokes, mixed twice as fat as it should be, drained and filled fresh: look at the smoke.',
    case: { complaints: [{ complaint: 'heavy-smoke' }], work: ['oil-heavy-mix'], clutch: true },
    runs: { smoke: true, full: 1 },
    not: ['stood', 'tankful'],
  },
  {
    says: 'Fades after ten minutes and dies like a switch when hot: one tankful shows both, nobody works two.',
    case: {
      complaints: [
        { complaint: 'fades-under-way', often: { said: 'every-time' } },
        { complaint: 'cuts-dead', often: { said: 'every-time' } },
      ],
      failsWhen: 'hot',
      work: ['tank-vent-blocked'],
      clutch: true,
    },
    runs: { tankful: 1 },
    not: ['in-work', 'hot-restart'],
  },
  {
    says: 'No squeeze, new piston and ring: three heats and then the gauge again before it goes.',
    case: { complaints: [{ complaint: 'no-fire' }], work: ['piston-heat-scored'], clutch: true },
    runs: { 'heat-cycles': 1, compression: 1, cold: true },
  },
  {
    says: 'Cord like a brick, recoil rebuilt: pull it. Nobody runs it round the yard for that.',
    case: { complaints: [{ complaint: 'hard-to-pull' }], work: ['recoil-jammed'], clutch: true },
    runs: { pull: true, warm: 1 },
    not: ['full', 'idle-minute', 'tankful', 'stood', 'cold'],
  },
  {
    says: 'Will not catch again after filling up, hot: it is worked hot, filled and started again, not started from cold.',
    case: {
      complaints: [{ complaint: 'hard-to-start', often: { said: 'every-time' } }],
      failsWhen: 'refuelled',
      work: ['tank-vent-blocked'],
      clutch: true,
    },
    runs: { refuelled: 1 },
    not: ['stood'],
  },
  {
    says: 'Dies when it is laid on its side, filter back on its line: turn it over while it runs.',
    case: {
      complaints: [{ complaint: 'cuts-dead', often: { said: 'every-time' } }],
      failsWhen: 'tilted',
      work: ['fuel-filter-off'],
      clutch: true,
    },
    runs: { tilted: 1 },
    not: ['tankful', 'stood'],
  },
];

describe('the proof a technician would ask for', () => {
  it.each(TALK)('$says', ({ case: said, runs, not = [] }) => {
    const list = proofOf({ complaints: [], work: [], tuned: false, clutch: true, ...said });
    const times = Object.fromEntries(list.map((r) => [r.run, r.times]));
    for (const [run, n] of Object.entries(runs))
      if (n === true) expect(times[run] ?? 0, `${run} in ${JSON.stringify(times)}`).toBeGreaterThan(0);
      else expect(times[run] ?? 0, `${run} in ${JSON.stringify(times)}`).toBe(n);
    for (const run of not) expect(times, `no ${run}`).not.toHaveProperty(run);
  });

  it('asks for as many starts as one in three wants: more than three, not a fortnight of them', () => {
    const list = proofOf({
      complaints: [{ complaint: 'hard-to-start', often: { failed: 1, of: 3 } }],
      work: ['plug-lead-loose'],
      tuned: false,
      clutch: true,
    });
    const starts = list.filter((r) => ['warm', 'cold'].includes(r.run)).reduce((n, r) => n + r.times, 0);
    expect(starts).toBeGreaterThanOrEqual(5);
    expect(starts).toBeLessThanOrEqual(12);
  });
});
