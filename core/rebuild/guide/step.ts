import { checkOf, type CheckId, type PartId, type StackId } from '../../knowledge';
import { sentence, TICK_WORDS, type Picture, type RebuildTick } from '../../log';
import type { Rebuild } from '../rebuild';

export const REBUILD_STAGES = ['strip', 'clean', 'build', 'refit'] as const;
export type RebuildStage = (typeof REBUILD_STAGES)[number];

/** What a step of the guide asks for. */
export type Asks =
  | { kind: 'family' }
  | { kind: 'off'; item: StackId | PartId }
  /** `renew`: a new one goes in its place. */
  | { kind: 'on'; item: StackId | PartId; renew: boolean }
  | { kind: 'loose'; name: string }
  | { kind: 'check'; check: CheckId }
  /** Tag the lines; push them on again. */
  | { kind: 'lines' }
  | { kind: 'lines-on' }
  | { kind: 'tick'; tick: RebuildTick }
  | { kind: 'renew' }
  | { kind: 'order' };

/** One step of a rebuild. */
export interface GuideStep {
  id: string;
  stage: RebuildStage;
  title: string;
  how?: string;
  caution?: string;
  asks: Asks;
  done: boolean;
  /** It may be passed over: the stage goes on without it. */
  may?: true;
}

/** A step that is done by saying so. */
export const tickStep = (
  stage: RebuildStage,
  tick: RebuildTick,
  ticks: ReadonlySet<RebuildTick>,
  more: Partial<GuideStep> = {},
): GuideStep => ({
  id: tick,
  stage,
  title: sentence(TICK_WORDS[tick]),
  asks: { kind: 'tick', tick },
  done: ticks.has(tick),
  ...more,
});

/** What a guide is worked out from. */
export interface Looked {
  picture: Picture;
  rebuild: Rebuild;
}

/** Whether a check's newest finding is one of those wanted, among the entries that count for it. */
export function found(
  { picture }: Looked,
  check: CheckId,
  among: ReadonlySet<string>,
  wants?: readonly string[],
): boolean {
  const finding = picture.findings.find((f) => f.check === check);
  if (!finding?.result || !among.has(finding.entryId)) return false;
  return !wants || wants.includes(finding.result);
}

/** A step that is a check, made with its own instrument. */
export const checkStep = (
  stage: RebuildStage,
  check: CheckId,
  done: boolean,
  more: Partial<GuideStep> = {},
): GuideStep => {
  const { name, how, caution } = checkOf(check);
  return {
    id: `${stage} ${check}`,
    stage,
    title: name,
    how,
    ...(caution && { caution }),
    asks: { kind: 'check', check },
    done,
    ...more,
  };
};

/** Whether a layer is off, or was in this rebuild. */
export const isOff = (rebuild: Rebuild, id: StackId): boolean =>
  rebuild.layers.some((l) => l.id === id && (l.where !== 'in' || l.cameOff !== null));

/** Whether a part has been off on this job: it may be back by now. */
export const wasOff = ({ picture }: Looked, part: PartId): boolean =>
  picture.trail.some(
    ({ entry, state }) =>
      state === 'live' && entry.kind === 'took-off' && 'part' in entry.body && entry.body.part === part,
  );

/** How the lever is measured: by its family's reference, where that is known. */
export const leverHow = ({ makeUp }: Pick<Rebuild, 'makeUp'>): string =>
  makeUp?.family.lever.says ?? checkOf('metering-lever').how;
