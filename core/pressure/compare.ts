import type { Watched } from './judge';

/** Standard error of a leak from its 95 % interval. */
const errorOf = ({ leakInterval: [low, high] }: Watched): number => (high - low) / 2 / 1.96;

const CLEAR = 1.96;

/** Whether one leak is clearly more than another, from both their errors. */
const clearlyMore = (more: Watched, less: Watched): boolean =>
  more.leak - less.leak > CLEAR * Math.hypot(errorOf(more), errorOf(less));

const fit = (w: Watched): boolean => w.decay !== null;

/** Before and after a repair: the share of the leak that is left, and what to make of it. Null until both are fitted. */
export function beforeAndAfter(before: Watched, after: Watched): { left: number; says: string } | null {
  if (!fit(before) || !fit(after)) return null;
  const left = before.leak > 0 ? after.leak / before.leak : 1;
  const percent = Math.round(left * 100);
  if (clearlyMore(after, before)) return { left, says: `Worse than before: ${percent} % of that leak` };
  if (!clearlyMore(before, after)) return { left, says: 'No different from before, as far as can be told' };
  return {
    left,
    says:
      after.result === 'holds'
        ? `Mended: ${percent} % of the leak is left`
        : `Better, but ${percent} % of the leak is left`,
  };
}

/** The crankcase under pressure and under vacuum: a lip that holds one way and leaks the other. Null until both are fitted. */
export function pressureAgainstVacuum(pressure: Watched, vacuum: Watched): string | null {
  if (!fit(pressure) || !fit(vacuum)) return null;
  if (vacuum.result === 'leaks' && pressure.result === 'holds' && clearlyMore(vacuum, pressure))
    return 'Holds pressure, leaks under vacuum: a seal lip that turns inwards';
  if (pressure.result === 'leaks' && vacuum.result === 'holds' && clearlyMore(pressure, vacuum))
    return 'Leaks under pressure, holds vacuum: a seal lip that lifts outwards';
  if (pressure.result === 'leaks' && vacuum.result === 'leaks')
    return 'Leaks both ways: a gasket or a crack before a seal lip';
  if (pressure.result === 'holds' && vacuum.result === 'holds') return 'Holds both ways';
  return null;
}

/**
 * The line by itself against line and carburettor together: leaks side by side add, so the needle's own is the
 * difference. Null until both are fitted.
 */
export function lineAgainstInlet(line: Watched, inlet: Watched): { needle: number; says: string } | null {
  if (!fit(line) || !fit(inlet)) return null;
  const needle = Math.max(0, inlet.leak - line.leak);
  if (inlet.result === 'holds') return { needle, says: 'Both hold' };
  if (line.result === 'leaks' && !clearlyMore(inlet, line))
    return { needle, says: 'It is the line that leaks, not the needle' };
  if (line.result === 'holds' && clearlyMore(inlet, line))
    return { needle, says: 'The line holds: it is the needle or its seat' };
  if (line.result === 'leaks')
    return {
      needle,
      says: `Both leak: the line ${Math.round((100 * line.leak) / inlet.leak)} % of it, the needle the rest`,
    };
  return null;
}
