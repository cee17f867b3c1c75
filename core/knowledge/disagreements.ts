import type { CauseId } from './causes';
import type { CheckId } from './checks';

/** One way practitioners do it, and why. */
export interface Opinion {
  says: string;
  because: string;
  /** The check it would make: the plan says what it thinks of that here and now. */
  check?: CheckId;
}

/** What practitioners disagree on, where it is met. */
export interface Disagreement {
  id: string;
  /** In so few words that it fits on a button. */
  about: string;
  /** The checks and repairs at which it stands. */
  checks?: readonly CheckId[];
  causes?: readonly CauseId[];
  opinions: readonly Opinion[];
  /** What is done here, and why. */
  here: string;
}

export const DISAGREEMENTS: readonly Disagreement[] = [
  {
    id: 'pump-early',
    about: 'pump early or late?',
    checks: ['line-pressure', 'line-look', 'primer-action'],
    opinions: [
      {
        says: 'Pump the line before anything is opened.',
        because: 'Three minutes clear line and grommet, and a pinhole is never seen.',
        check: 'line-pressure',
      },
      {
        says: 'Look first, pump when looking fails.',
        because: 'Most lines that leak are hard or cracked where a finger finds it.',
        check: 'line-look',
      },
    ],
    here: 'Both are weighed in minutes on this machine.',
  },
  {
    id: 'muffler-first',
    about: 'muffler off first?',
    checks: ['piston-exhaust-side', 'compression-gauge', 'cylinder-peep'],
    opinions: [
      {
        says: 'Muffler off first: the piston tells.',
        because: 'A scored skirt ends the job before an hour is spent on the carburettor.',
        check: 'piston-exhaust-side',
      },
      {
        says: 'Gauge or torch first.',
        because: 'They take three minutes, and leave the gasket where it is.',
        check: 'compression-gauge',
      },
    ],
    here: 'The cheaper look comes first while it can still save the dearer one.',
  },
  {
    id: 'holding',
    about: 'what does holding prove?',
    checks: ['inlet-pressure'],
    opinions: [
      { says: 'It holds, so the diaphragms are good.', because: 'The whole fuel side is under the pump.' },
      {
        says: 'It holds, so needle, seat and line are good.',
        because: 'The metering diaphragm is behind the needle, and the pump’s flaps stand open to it.',
      },
    ],
    here: 'Holding clears needle, seat and line only; diaphragms are flicked.',
  },
  {
    id: 'intake-side',
    about: 'dirt or an air leak?',
    checks: ['piston-intake-side'],
    causes: ['piston-dirt-worn'],
    opinions: [
      {
        says: 'Wear on the intake side is bad filtering.',
        because: 'Grit comes in with the air, past filter or boot.',
      },
      { says: 'It is an air leak.', because: 'A lean engine runs hot and thin of oil on every side.' },
    ],
    here: 'Scratches there are dirt: filter, its seat and the boot are answered before a piston goes in.',
  },
  {
    id: 'passages',
    about: 'wire, or air alone?',
    checks: ['carb-passages'],
    causes: ['idle-circuit-blocked', 'main-circuit-blocked'],
    opinions: [
      { says: 'A wire through it.', because: 'Varnish in an idle hole shrugs off spray.' },
      { says: 'Spray and low air only.', because: 'A wire opens the hole, and it is never right again.' },
    ],
    here: 'Soak and air first; wire only thinner than the hole, turned by hand, never a drill.',
  },
  {
    id: 'plug',
    about: 'clean the plug or renew it?',
    checks: ['plug-look', 'new-plug-trial'],
    causes: ['plug-fouled', 'plug-failed'],
    opinions: [
      { says: 'Clean it and set its gap.', because: 'It costs nothing, and shows whether it fouls again.' },
      { says: 'Renew it.', because: 'A blasted plug tracks under pressure, and grit stays in it.' },
    ],
    here: 'A new one as the trial: it is known good. What fouled the old one is answered all the same.',
  },
  {
    id: 'needle',
    about: 'needle with every kit?',
    checks: ['needle-action', 'pop-off'],
    causes: ['needle-not-sealing', 'needle-stuck-shut'],
    opinions: [
      { says: 'With every kit.', because: 'It is in the box, and the carburettor is open.' },
      {
        says: 'Only where it is worn or does not reseat.',
        because: 'Old tip and old seat have worn in together.',
      },
    ],
    here: 'By what look and pop-off show; a kit’s parts left over are normal.',
  },
  {
    id: 'pop-off',
    about: 'measure pop-off, or leave it?',
    checks: ['pop-off', 'metering-lever'],
    opinions: [
      {
        says: 'Measure it at every build.',
        because: 'It is the one figure that tells of spring, lever and seat together.',
      },
      {
        says: 'Leave it where the lever is right.',
        because: 'Gauges differ, and the engine tells within a minute.',
      },
    ],
    here: 'A step of the build that may be passed over; measured, it is judged by the maker’s band or the class.',
  },
  {
    id: 'screen',
    about: 'clean the screen or renew it?',
    checks: ['spark-screen-look'],
    causes: ['spark-screen-clogged'],
    opinions: [
      { says: 'Burn it off with a torch and brush it.', because: 'Minutes, and it is as open as new.' },
      { says: 'Renew it.', because: 'Fine mesh burns through, and a hole is no screen.' },
    ],
    here: 'Cleaned if the mesh is whole, else renewed. Never left out: sparks start fires, and it may be unlawful.',
  },
  {
    id: 'more-oil',
    about: 'does more oil protect?',
    checks: ['fuel-look', 'exhaust-smoke'],
    causes: ['oil-heavy-mix'],
    opinions: [
      {
        says: 'A little more oil protects.',
        because: '45:1 or 40:1 forgives a hot day and a careless hand.',
      },
      { says: 'More oil fouls.', because: 'It cokes screen, port and ring, and leans the mixture.' },
    ],
    here: 'The maker’s ratio, 50:1 where none is known; down to 40:1 is no fault.',
  },
  {
    id: 'flooding',
    about: 'change the drill, or find the cause?',
    checks: ['clear-flood-trial', 'start-drill-trial'],
    causes: ['engine-flooded', 'starting-drill-wrong'],
    opinions: [
      {
        says: 'Change the starting drill.',
        because: 'Most that flood are choked too long.',
        check: 'start-drill-trial',
      },
      {
        says: 'Find what floods it.',
        because: 'A needle that weeps floods whoever starts it.',
        check: 'inlet-pressure',
      },
    ],
    here: 'Cleared once; floods it again, the needle is pressed before the owner is taught.',
  },
  {
    id: 'after-cure',
    about: 'stop after a cure?',
    checks: ['spark-hot', 'known-good-coil-trial'],
    causes: ['coil-failed', 'plug-lead-loose'],
    opinions: [
      { says: 'It runs: stop.', because: 'Every further opening can break something.' },
      {
        says: 'It came and went: open it anyway.',
        because: 'One good run proves nothing of what fails one time in three.',
      },
    ],
    here: 'What comes and goes is proved hot and on another day before it goes home.',
  },
  {
    id: 'early-turn',
    about: 'turn a screw early?',
    checks: [
      'low-screw-trial',
      'high-screw-trial',
      'low-screw-in-trial',
      'high-screw-in-trial',
      'screw-turns',
    ],
    opinions: [
      { says: 'A quarter turn early, as a test.', because: 'It tells lean from rich in two minutes.' },
      { says: 'Never before all else is right.', because: 'A screw hides a leak, and the count is lost.' },
    ],
    here: 'Counted first, turned as a test that is written down and put back; tuned only at the end.',
  },
];

/** What practitioners disagree on at a check. */
export const disagreementsAt = (check: CheckId): Disagreement[] =>
  DISAGREEMENTS.filter((d) => d.checks?.includes(check));
/** What they disagree on at the repair of a cause. */
export const disagreementsOn = (cause: CauseId): Disagreement[] =>
  DISAGREEMENTS.filter((d) => d.causes?.includes(cause));
