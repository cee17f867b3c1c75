import { chanceFrom } from '@rusty-wren/core/chance';
import { curedBy, MENDED_BEFORE, showingsWanted, SURE_ENOUGH } from '@rusty-wren/core/proof';

/** Minutes of one showing: a warm start. */
const SHOWING = 1.5;
/** What every machine was asked for before. */
const THREE = 3;

interface Kept {
  handedBack: number;
  notCured: number;
  minutes: number;
  /** What was said at each hand-over, added up. */
  said: number;
}
const none = (): Kept => ({ handedBack: 0, notCured: 0, minutes: 0, said: 0 });
const percent = (x: number): string => `${(100 * x).toFixed(1)} %`;

/**
 * Machines whose fault comes and goes, at rates from .1 to .9, counted by their owners over three to ten tries and mended or not: how
 * many go home with the fault, in what bench minutes, when each is shown as often as its count wants, against three starts for all. The
 * share that was mended is drawn apart from what the proof assumes, so that the assumption is tried too.
 */
export function proofs(machines: number): void {
  console.log(
    `Proof of what comes and goes, ${machines} machines a line; “cured” is said from ${percent(SURE_ENOUGH)} on,`,
  );
  console.log(
    `mended beforehand is reckoned as ${percent(MENDED_BEFORE)} (aim: not cured at most 5 %, calibration within 3 points)`,
  );
  for (const mended of [0.6, MENDED_BEFORE, 0.9]) {
    const chance = chanceFrom(Math.round(mended * 1000));
    const asked = none();
    const three = none();
    for (let n = 0; n < machines; n++) {
      const rate = 0.1 + 0.8 * chance();
      const of = 3 + Math.floor(8 * chance());
      let failed = 0;
      while (failed === 0)
        failed = Array.from({ length: of }, () => +(chance() < rate)).reduce((a, b) => a + b, 0);
      const cured = chance() < mended;
      const wants = showingsWanted({ failed, of });
      const shows = Array.from({ length: Math.max(wants, THREE) }, () => !cured && chance() < rate);
      for (const [kept, times] of [
        [asked, wants],
        [three, THREE],
      ] as const) {
        const at = shows.slice(0, times).indexOf(true);
        kept.minutes += SHOWING * (at < 0 ? times : at + 1);
        if (at >= 0) continue;
        kept.handedBack++;
        kept.notCured += +!cured;
        kept.said += curedBy({ failed, of }, times);
      }
    }
    for (const [name, k] of [
      ['as often as its count wants', asked],
      ['three starts for all', three],
    ] as const)
      console.log(
        `  mended ${percent(mended)}, ${name}: ${percent(k.notCured / k.handedBack)} of those handed back not cured, said ${percent(1 - k.said / k.handedBack)}; ${(k.minutes / machines).toFixed(1)} min`,
      );
  }
}
