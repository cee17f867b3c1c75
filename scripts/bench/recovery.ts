import { conductance, fitDecay, imagineTrace, inKpa } from '@rusty-wren/core/pressure';
import { fitPlateau } from '@rusty-wren/core/compression';
import { chanceFrom } from '@rusty-wren/core/chance';

const RUNS = 300;
const WATCH_S = 60;
/** Standard deviation and step of the gauge, psi, and readings a second. */
const GAUGES = [
  { name: 'fine, fast', noise: 0.05, step: 0.1, hz: 5 },
  { name: 'fine, slow', noise: 0.03, step: 0.1, hz: 1 },
  { name: 'noisy', noise: 0.1, step: 0, hz: 2 },
  { name: 'coarse', noise: 0.02, step: 0.2, hz: 1 },
] as const;

const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.floor(share * (sorted.length - 1))] ?? NaN;
const percent = (x: number): string => `${(100 * x).toFixed(1)} %`.padStart(9);

/** How well imagined leaks are recovered from a minute's watch, a third of them bumped; and plateaus from four pulls. */
export function recovery(): void {
  console.log(
    `\nLeaks recovered from ${WATCH_S} s (aim: within 5 %, the interval covering the truth 90 to 98 % of the time)`,
  );
  console.log('  volume  half-life  gauge         middle    95 % of all  covered');
  for (const volumeMl of [10, 120, 500])
    for (const half of [10, 30, 80, 200])
      for (const { name, ...gauge } of GAUGES) {
        const rate = Math.LN2 / half;
        let covered = 0;
        const off: number[] = [];
        for (let seed = 0; seed < RUNS; seed++) {
          const decay = fitDecay(
            inKpa(
              imagineTrace({
                startKpa: 48,
                leak: conductance(rate, volumeMl),
                volumeMl,
                seconds: WATCH_S,
                unit: 'psi',
                settles: 0.05,
                ...gauge,
                ...(seed % 3 === 0 && { bumpedAt: 20 }),
                seed: seed * 7 + volumeMl,
              }),
            ),
          );
          if (!decay) continue;
          const [low, high] = decay.rateInterval;
          covered += +(low <= rate && rate <= high);
          off.push(Math.abs(decay.ratePerS / rate - 1));
        }
        off.sort((x, y) => x - y);
        console.log(
          `  ${String(volumeMl).padStart(3)} ml  ${String(half).padStart(6)} s   ${name.padEnd(11)}${percent(at(off, 0.5))}  ${percent(at(off, 0.95))}  ${percent(covered / RUNS)}`,
        );
      }
  console.log('\nSqueeze recovered from the first four pulls, read to 1 psi (aim: within 3 %)');
  for (const leaves of [0.3, 0.45, 0.6]) {
    const chance = chanceFrom(1);
    const off = Array.from({ length: RUNS }, () => {
      const truth = 90 + 80 * chance();
      const pulls = [1, 2, 3, 4].map((k) => Math.round(truth * (1 - leaves ** k)));
      return Math.abs(fitPlateau(pulls).psi / truth - 1);
    }).sort((x, y) => x - y);
    console.log(
      `  each pull leaves ${leaves} of the rest   middle ${percent(at(off, 0.5))}   95 % of all ${percent(at(off, 0.95))}`,
    );
  }
}
