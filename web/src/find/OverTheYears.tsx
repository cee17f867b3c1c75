import { factsOf, type Machine, type MachineLeft, type SqueezeReading } from '@rusty-wren/contract';
import { figuresOf } from '@rusty-wren/core/machine';
import { formatTurns } from '@rusty-wren/core/units';
import type { ReactElement } from 'react';
import { LifeLine, type Point } from './LifeLine';

const psi = (value: number): string => `${Math.round(value)} psi`;
const mm = (value: number): string => `${value.toFixed(2)} mm`;
/** A screw left further from its sheet than this was set by ear for a reason, or by somebody else. */
const FAR_TURNS = 1;

/** What was measured on a machine over the years: squeeze, air gap and where its screws were left. */
export function OverTheYears({
  machine,
  squeezes,
  left,
}: {
  machine: Machine;
  squeezes: readonly SqueezeReading[];
  left: readonly MachineLeft[];
}): ReactElement | null {
  const figures = figuresOf(factsOf(machine));
  const squeeze = squeezes.map(({ tag, notedAt, psi: value, sound }): Point => ({
    key: `${tag} ${notedAt}`,
    at: notedAt,
    value,
    sound,
  }));
  const [low, high] = figures.gapMm;
  const off = (gap: number): number => Math.abs(gap - (low + high) / 2);
  const gaps = left.flatMap(({ jobId, at, gap }): Point[] => {
    // Of two legs the one that is further out tells.
    const worst = gap?.mm.toSorted((a, b) => off(b) - off(a))[0];
    return worst === undefined ? [] : [{ key: jobId, at, value: worst, sound: gap!.sound }];
  });
  const turns = (screw: 'L' | 'H', base: number): Point[] =>
    left.flatMap(({ jobId, at, screws }): Point[] => {
      const stood = screws[screw];
      return stood
        ? [
            {
              key: jobId,
              at,
              value: stood.now,
              was: stood.found,
              sound: Math.abs(stood.now - base) < FAR_TURNS,
            },
          ]
        : [];
    });
  const lows = turns('L', figures.baseL);
  const highs = turns('H', figures.baseH);
  const days = [...squeeze, ...gaps, ...lows, ...highs].map((p) => p.at).sort();
  if (days.length === 0) return null;
  const years = [days[0]!, days.at(-1)!] as const;
  return (
    <section aria-label="Over the years" className="mt-6 grid gap-x-10 gap-y-5 md:grid-cols-2">
      <LifeLine
        title="Squeeze, psi"
        points={squeeze}
        band={figures.squeezePsi}
        span={30}
        says={psi}
        years={years}
      />
      <LifeLine title="Coil gap, mm" points={gaps} band={figures.gapMm} span={0.2} says={mm} years={years} />
      <LifeLine title="L screw, turns out" points={lows} span={1} says={formatTurns} years={years} />
      <LifeLine title="H screw, turns out" points={highs} span={1} says={formatTurns} years={years} />
    </section>
  );
}
