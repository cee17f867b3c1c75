import { layerOf } from '../../knowledge';
import type { Picture } from '../../log';
import { isCover, staysIn } from '../makeUp';
import type { Rebuild } from '../rebuild';
import { buildSteps } from './build';
import { cleanSteps } from './clean';
import { refitSteps } from './refit';
import type { GuideStep, RebuildStage } from './step';
import { stripSteps } from './strip';

/** The whole guide: its steps in order, and the one that is up. */
export interface Guide {
  steps: readonly GuideStep[];
  /** Null once everything is back and worked. */
  now: GuideStep | null;
  stage: RebuildStage | 'done';
  /** What has to come out before a bath cleans anything. */
  bathWaitsFor: readonly string[];
}

/**
 * The guide of a rebuild: strip, clean, build in the order it came off backwards, refit. A step that may be passed over is
 * over once a later one of its stage is done; everything comes after what has to be done before it.
 */
export function guideOf(picture: Picture, rebuild: Rebuild): Guide {
  const at = { picture, rebuild };
  const enough = rebuild.ticks.has('off-enough');
  const strip = stripSteps(at).map((s) => (enough ? { ...s, done: true } : s));
  const steps = [strip, cleanSteps(at), buildSteps(at), refitSteps(at)].flatMap(passedOver);
  const now = steps.find((s) => !s.done) ?? null;
  return { steps, now, stage: now?.stage ?? 'done', bathWaitsFor: bathWaitsFor(rebuild) };
}

/** What may be passed over is over once a later step of its stage is done. */
function passedOver(steps: readonly GuideStep[]): GuideStep[] {
  const last = steps.findLastIndex((s) => s.done);
  return steps.map((s, n) => (s.may && n < last ? { ...s, done: true } : s));
}

/** A bath cleans nothing behind a needle that was left in, and ruins what is soft. */
const bathWaitsFor = ({ layers }: Pick<Rebuild, 'layers'>): string[] =>
  layers.flatMap(({ id, name, where, cameOff }) => {
    if (where !== 'in' || cameOff !== null || isCover(id) || staysIn(id)) return [];
    const inTheWay = id === 'inlet-needle' || id === 'metering-lever' || layerOf(id).is === 'soft';
    return inTheWay ? [name] : [];
  });
