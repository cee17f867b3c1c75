import {
  LAYER_IDS,
  layerOf,
  screwOf,
  type LayerId,
  type PartId,
  type StackId,
} from '@rusty-wren/core/knowledge';
import {
  isPart,
  guideOf,
  isCover,
  rebuildOf,
  type Guide,
  type GuideStep,
  type LayerNow,
  type Rebuild as Rebuilt,
  type RebuildStage,
} from '@rusty-wren/core/rebuild';
import type { ModelPlace } from '@rusty-wren/core/model';
import { useMemo, useRef, useState, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { pressIn, useKeys } from '../app/keys';
import { useAppSelector } from '../app/store';
import { BenchLine } from '../bench/BenchLine';
import { JobBar } from '../job/JobBar';
import type { JobAtBench } from '../job/useJob';
import { useLog, type Log } from '../job/useLog';
import { WithJob } from '../job/WithJob';
import { NotTaken } from '../keeping/NotTaken';
import { Photos } from '../photos/Photos';
import { TakePhoto } from '../photos/TakePhoto';
import { KnownHere, WhatBites } from '../specs/KnownHere';
import { Button } from '../ui/Button';
import { Guarded } from '../ui/Guarded';
import { Sheet } from '../ui/Sheet';
import { Exploded } from './Exploded';
import { FamilyPick } from './FamilyPick';
import { CheckHere, GuideStepNow } from './GuideStepNow';
import { LayerStep } from './LayerStep';
import { Together } from './Together';
import { MarkScrews } from '../tray/MarkScrews';
import { TrayBoard } from '../tray/TrayBoard';

/** The carburettor in pieces: one step at a time, the layers along their axes, and the tray. */
export const Rebuild = (): ReactElement => (
  <WithJob show={(atBench) => <Rebuilding key={atBench.job.id} atBench={atBench} />} />
);

const STAGE_NAMES: Readonly<Record<RebuildStage, string>> = {
  strip: 'Take it apart',
  clean: 'Clean and decide',
  build: 'Build it up',
  refit: 'Refit it',
};
const STEP = 'rebuild-step';
const press = pressIn(STEP);

/** The layer a step is about; null for what is none. */
function layerAsked(step: GuideStep | null, layers: readonly LayerNow[]): LayerNow | null {
  if (step?.asks.kind !== 'off' && step?.asks.kind !== 'on') return null;
  const { item } = step.asks;
  return layers.find((l) => l.id === item) ?? null;
}

/** "Take it apart, 7 of 18". */
function whereWords(guide: Guide, step: GuideStep): string {
  const mine = guide.steps.filter((s) => s.stage === step.stage);
  return `${STAGE_NAMES[step.stage]}, ${mine.indexOf(step) + 1} of ${mine.length}`;
}

/** Where what is known of a part or a layer is said. */
const placeOf = (item: StackId | PartId): ModelPlace =>
  isPart(item) ? `part/${item}` : `layer/${item as LayerId}`;

function Rebuilding({ atBench }: { atBench: JobAtBench }): ReactElement {
  const { job, picture } = atBench;
  const log = useLog(job.id);
  const navigate = useNavigate();
  const line = useRef<HTMLInputElement>(null);
  const rebuild = useMemo(() => rebuildOf(picture), [picture]);
  const guide = useMemo(() => guideOf(picture, rebuild), [picture, rebuild]);
  // What was passed over, and which layer somebody took in hand instead of the guide's.
  const [passed, setPassed] = useState<ReadonlySet<string>>(new Set());
  const [picked, setPicked] = useState<StackId | 'family' | 'count' | null>(null);
  const step = guide.steps.find((s) => !s.done && !passed.has(s.id)) ?? guide.now;

  useKeys(
    useMemo(
      () => [
        { key: '/', does: 'write on the bench line', run: () => line.current?.focus() },
        { key: 'x', does: 'what the step asks for', run: () => press('[data-main]') },
        ...[1, 2, 3, 4, 5, 6, 7, 8].map((n) => ({
          key: String(n),
          does: `choice ${n}`,
          run: () => press('[data-result]', n - 1),
        })),
        { key: 'o', does: 'pass this step over', run: () => press('[data-pass]') },
        { key: 'b', does: 'back to the bench', run: () => void navigate(`/job/${job.id}`) },
      ],
      [navigate, job.id],
    ),
  );
  const asked = layerAsked(step, rebuild.layers);
  const handled = step?.asks.kind === 'off' || step?.asks.kind === 'on' ? step.asks.item : null;
  const places = handled && picked === null ? [placeOf(handled)] : [];
  return (
    <div className="flex flex-1 flex-col">
      <JobBar job={job} other={{ to: 'start', words: 'Starting' }} />
      <NotTaken jobId={job.id} />
      <div className="grid flex-1 gap-x-9 gap-y-7 px-3 py-3 sm:px-5 lg:grid-cols-[minmax(0,10fr)_minmax(0,11fr)] lg:grid-rows-[auto_1fr]">
        <div id={STEP} className="scroll-mb-32">
          <Guarded what="This step">
            <Now
              {...{ atBench, log, rebuild, guide, step, picked, asked }}
              onPick={setPicked}
              onPass={(id) => setPassed((all) => new Set([...all, id]))}
            />
          </Guarded>
          {places.length > 0 && (
            <>
              <KnownHere atBench={atBench} places={places} />
              <WhatBites atBench={atBench} places={places} />
            </>
          )}
          {rebuild.uncounted.length > 0 && (
            <p
              role="alert"
              className="mt-6 border-l-8 border-rust pl-4 text-lg leading-snug font-semibold text-rust"
            >
              {rebuild.uncounted.join(' and ')} came out uncounted: set to the baseline, tune{' '}
              {rebuild.uncounted.length > 1 ? 'them' : 'it'} anew.
            </p>
          )}
        </div>
        {picture.carburettor && (
          <Guarded what="The drawing">
            <div className="lg:col-start-2 lg:row-span-2 lg:row-start-1">
              <Exploded
                rebuild={rebuild}
                carburettor={picture.carburettor}
                now={
                  picked === null
                    ? (asked?.id ?? null)
                    : (rebuild.layers.find((l) => l.id === picked)?.id ?? null)
                }
                onPick={(id) => {
                  setPicked(id);
                  scrollTo({ top: 0 });
                }}
              />
              <div className="mt-2 flex flex-wrap gap-x-6">
                <Button look="quiet" className="!px-0" onClick={() => setPicked('family')}>
                  {rebuild.makeUp?.own ? 'Made at this bench' : rebuild.makeUp?.family.name}: change
                </Button>
                <AnotherLayer rebuild={rebuild} onPick={setPicked} />
              </div>
            </div>
          </Guarded>
        )}
        <Guarded what="The tray">
          <div className="grid content-start gap-6">
            <TrayBoard picture={picture} jobId={job.id} log={log} />
            <Photos photos={picture.photos} jobId={job.id} log={log} />
          </div>
        </Guarded>
      </div>
      <div className="sticky bottom-0 z-20 border-t-2 border-line bg-paper px-3 py-2 sm:px-5">
        <BenchLine ref={line} picture={picture} log={log} />
      </div>
    </div>
  );
}

/** What is up: what somebody took in hand, else the guide's step, else that it is together. */
function Now({
  atBench,
  log,
  rebuild,
  guide,
  step,
  asked,
  picked,
  onPick,
  onPass,
}: {
  atBench: JobAtBench;
  log: Log;
  rebuild: Rebuilt;
  guide: Guide;
  step: GuideStep | null;
  asked: LayerNow | null;
  picked: StackId | 'family' | 'count' | null;
  onPick: (what: StackId | 'family' | 'count' | null) => void;
  onPass: (id: string) => void;
}): ReactElement {
  const { picture } = atBench;
  const baselineTurns = useAppSelector((s) => s.settings.baselineTurns);
  const done = (): void => onPick(null);
  const back = (
    <Button look="quiet" className="!px-0" onClick={done}>
      Back to the guide
    </Button>
  );
  if (picked === 'family')
    return (
      <>
        <FamilyPick
          known={picture.carburettor}
          onPicked={(c) => {
            log('carburettor', c);
            done();
          }}
        />
        {back}
      </>
    );
  if (picked === 'count')
    return (
      <>
        <CheckHere
          check="screw-turns"
          atBench={atBench}
          log={log}
          eyebrow="Before it comes out"
          onLogged={done}
        />
        {back}
      </>
    );
  const layer = picked === null ? asked : layerNow(picked, rebuild);
  if (layer) {
    const screw = isCover(layer.id) ? null : screwOf(layer.id);
    return (
      <LayerStep
        key={`${layer.id} ${layer.where}`}
        layer={layer}
        rebuild={rebuild}
        picture={picture}
        eyebrow={picked === null && step ? whereWords(guide, step) : 'In hand'}
        log={log}
        uncounted={screw !== null && !picture.ledger.counted.has(screw)}
        baselineTurns={baselineTurns}
        how={picked === null ? step?.how : undefined}
        onCount={() => onPick('count')}
        onDone={done}
        more={
          <>
            <TakePhoto
              jobId={atBench.job.id}
              log={log}
              of={{ of: isCover(layer.id) ? { part: layer.id } : { layer: layer.id } }}
              words="Photo of it"
            />
            {isCover(layer.id) && (
              <MarkScrews of={{ part: layer.id }} jobId={atBench.job.id} picture={picture} log={log} />
            )}
            {picked === null ? <PassOver step={step} onPass={onPass} /> : back}
          </>
        }
      />
    );
  }
  if (!step) return <Together rebuild={rebuild} atBench={atBench} log={log} />;
  return (
    <>
      <GuideStepNow
        key={step.id}
        {...{ step, guide, rebuild, atBench, log }}
        eyebrow={whereWords(guide, step)}
      />
      <PassOver step={step} onPass={onPass} />
    </>
  );
}

/** A layer in hand, of the family or not. */
const layerNow = (id: StackId, { layers }: Rebuilt): LayerNow =>
  layers.find((l) => l.id === id) ?? {
    id,
    name: isCover(id) ? id : layerOf(id).name,
    place: 'metering',
    where: 'in',
    condition: null,
    renewed: false,
    cameOff: null,
  };

const PassOver = ({
  step,
  onPass,
}: {
  step: GuideStep | null;
  onPass: (id: string) => void;
}): ReactElement | null =>
  step?.may ? (
    <Button look="quiet" data-pass="" className="!px-0" onClick={() => onPass(step.id)}>
      Pass this over
    </Button>
  ) : null;

/** A layer the family does not have: picked from all there are. */
function AnotherLayer({
  rebuild,
  onPick,
}: {
  rebuild: Rebuilt;
  onPick: (id: StackId) => void;
}): ReactElement {
  const [open, setOpen] = useState(false);
  const known = new Set(rebuild.layers.map((l) => l.id));
  return (
    <>
      <Button look="quiet" className="!px-0" onClick={() => setOpen(true)}>
        Something else in it
      </Button>
      <Sheet title="Something else in it" open={open} onOpenChange={setOpen}>
        <div className="flex flex-wrap gap-2">
          {LAYER_IDS.filter((id) => !known.has(id)).map((id) => (
            <Button
              key={id}
              onClick={() => {
                onPick(id);
                setOpen(false);
              }}
            >
              {layerOf(id).name}
            </Button>
          ))}
        </div>
      </Sheet>
    </>
  );
}
