import {
  hiddenOf,
  LEVELS,
  THEMES,
  WAYS,
  workBy,
  type Exercise,
  type PracticeWay,
} from '@rusty-wren/core/practice';

/** Exercises of every theme and level, one after the other. */
const exerciseOf = (n: number): Exercise => ({
  theme: THEMES[n % THEMES.length]!,
  level: LEVELS[Math.floor(n / THEMES.length) % LEVELS.length]!,
  group: 'any',
  number: n,
});

interface Tried {
  finished: number;
  hazards: number;
  minutes: number;
  unfinished: string[];
}

function tried(way: PracticeWay, machines: number): Tried {
  const all: Tried = { finished: 0, hazards: 0, minutes: 0, unfinished: [] };
  for (let n = 1; n <= machines; n++) {
    const hidden = hiddenOf(exerciseOf(n));
    const { ended, minutes } = workBy(way, hidden);
    if (ended?.why === 'hazard') all.hazards++;
    const cured = ended?.why === 'handed-back' && ended.cured;
    if (cured) all.finished++;
    else all.unfinished.push(`${n}: ${hidden.faults.join(', ')}`);
    all.minutes += minutes;
  }
  return all;
}

/** Robots at the practice bench, by the plan and by each school: how many machines each finishes, and in what minutes. */
export function practice(machines: number, only?: readonly string[]): void {
  console.log(`\nHidden machines worked by robots, ${machines} each`);
  for (const way of WAYS.filter((id) => !only || only.includes(id))) {
    const { finished, hazards, minutes, unfinished } = tried(way, machines);
    console.log(
      `  ${way.padEnd(14)} finished ${finished}, ended by a hazard ${hazards}, ${(minutes / machines).toFixed(1)} min a machine`,
    );
    for (const says of unfinished.slice(0, 5)) console.log(`    left: ${says}`);
  }
}
