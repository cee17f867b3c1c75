import type { SpeedPoint } from '../engine';
import { figuresOf, type MachineFacts } from '../machine';
import type { Shows } from './moves';

/** A stretch of running: to so many rpm in so many seconds. */
type Stretch = readonly [seconds: number, rpm: number, fourStroke?: number];

const STEP_S = 0.05;

function along(stretches: readonly Stretch[]): SpeedPoint[] {
  const points: SpeedPoint[] = [{ t: 0, rpm: 0, charge: 0.5 }];
  for (const [seconds, rpm, fourStroke = 0] of stretches) {
    const { t: from, rpm: was } = points.at(-1)!;
    const steps = Math.max(1, Math.round(seconds / STEP_S));
    for (let n = 1; n <= steps; n++)
      points.push({
        t: from + (n * seconds) / steps,
        rpm: was + ((rpm - was) * n) / steps,
        fourStroke,
        charge: rpm > 5000 ? 0.9 : 0.5,
      });
  }
  return points;
}

/** What is heard when somebody tries to start it, by how that turns out. */
function starting(result: string, idle: number, full: number): Stretch[] | null {
  const pull: Stretch[] = [
    [0.15, 700],
    [0.35, 0],
    [0.5, 0],
  ];
  const catches: Stretch[] = [...pull, [0.2, 0.8 * idle], [0.3, idle]];
  switch (result) {
    case 'runs-well':
      return [...catches, [2, idle], [0.4, full], [1.5, full, 0.2], [0.8, idle], [1.2, idle]];
    case 'runs-badly':
      return [
        ...catches,
        [0.5, 0.8 * idle],
        [0.5, 1.15 * idle],
        [0.4, 0.75 * idle],
        [0.3, 0.6 * idle],
        [0.9, 0.7 * full, 0.4],
        [0.4, 0.55 * full, 0.6],
        [0.5, 0.7 * full, 0.5],
        [0.8, 0.7 * idle],
        [0.7, idle],
      ];
    case 'starts-and-dies':
      return [...catches, [1.5, idle], [0.8, 1.2 * idle], [1, 0.4 * idle], [0.4, 0], [0.6, 0]];
    case 'pops':
    case 'backfires':
      return [...pull, [0.08, 1600], [0.3, 0], ...pull, [0.08, 1500], [0.3, 0], ...pull];
    case 'nothing':
      return [...pull, ...pull, ...pull, ...pull];
    default:
      return null;
  }
}

/**
 * What is heard of a machine at a check that runs it: speed against time (s, rpm), the same for the same result. Null where there is nothing
 * to hear.
 */
export function heardOf(shows: Shows, machine: MachineFacts): SpeedPoint[] | null {
  const { idle, full } = figuresOf(machine);
  const { check, result, reading } = shows;
  if (check === 'start-trial' && result) {
    const stretches = starting(result, idle, (full[0] + full[1]) / 2);
    return stretches && along(stretches);
  }
  if ((check !== 'idle-speed' && check !== 'full-speed') || !reading?.rpm) return null;
  const [first] = reading.rpm;
  return along([
    [0.4, first!],
    ...reading.rpm.flatMap((rpm): Stretch[] => [
      [0.5, rpm],
      [0.7, rpm],
    ]),
  ]);
}
