import { partOf, toOpen, type CheckId, type PartId, type StackId } from '@rusty-wren/core/knowledge';
import { partsOff, type Picture } from '@rusty-wren/core/log';
import {
  isPart,
  nameIn,
  renewalChoices,
  type Guide,
  type GuideStep,
  type Rebuild,
} from '@rusty-wren/core/rebuild';
import { pricedOf, type Shop } from '@rusty-wren/contract';
import { asSeen, renewalPrices, USUAL_RULES } from '@rusty-wren/core/worth';
import type { ReactElement, ReactNode } from 'react';
import { useShopQuery } from '../api/api';
import { NextCheck } from '../bench/NextCheck';
import { StepHead } from '../bench/steps/StepHead';
import { ButtonHeight } from '../instruments/metering/ButtonHeight';
import type { JobAtBench } from '../job/useJob';
import type { Log } from '../job/useLog';
import { TakePhoto } from '../photos/TakePhoto';
import { Button } from '../ui/Button';
import { inSentence } from '../ui/words';
import { FamilyPick } from './FamilyPick';
import { LeftOffBecause } from '../tray/LeftOffBecause';
import { MarkScrews } from '../tray/MarkScrews';
import { WithScrews } from '../tray/ScrewsIn';
import { LinesOn, TagLines } from './LinesStep';
import { Caution } from '../ui/Caution';
import { Main } from './Main';
import { RenewStep } from './RenewStep';

interface AtStep {
  step: GuideStep;
  guide: Guide;
  rebuild: Rebuild;
  atBench: JobAtBench;
  log: Log;
  eyebrow: string;
}

/** A step that is no layer's: what to do, why, and one tap that says it is done. */
export function GuideStepNow(at: AtStep): ReactElement {
  const { step, guide, rebuild, atBench, log, eyebrow } = at;
  const { picture } = atBench;
  const { asks } = step;
  // The bench goes on by usual prices while the shop's own are not to be had.
  const { rules, book, pace }: Shop = useShopQuery().data ?? { rules: USUAL_RULES, book: [] };
  switch (asks.kind) {
    case 'family':
      return <FamilyPick known={picture.carburettor} onPicked={(c) => log('carburettor', c)} />;
    case 'check':
      return <CheckHere check={asks.check} {...at} />;
    case 'lines':
      return (
        <Plain step={step} eyebrow={eyebrow}>
          <TagLines
            jobId={atBench.job.id}
            lines={picture.lines}
            log={log}
            onDone={() => log('rebuild-step', { step: 'lines-tagged' })}
          />
        </Plain>
      );
    case 'lines-on':
      return (
        <Plain step={step} eyebrow={eyebrow}>
          <LinesOn lines={picture.lines} log={log} />
        </Plain>
      );
    case 'renew':
      return (
        <RenewStep
          choices={renewalChoices(
            rebuild,
            picture,
            atBench.diagnosis.suspects,
            renewalPrices({
              rules,
              book,
              machine: asSeen(pricedOf(atBench.job.machine), picture),
              ...(pace && { pace }),
            }),
          )}
          onChosen={(answer) => log('rebuild-step', { step: 'renew', answer })}
        />
      );
    case 'order':
      return <OrderStep {...at} />;
    case 'tick': {
      const { tick } = asks;
      const done = (): void => {
        // Built like none the trade names: what came off is what it is made of, for the next one of its model too.
        if (tick === 'off-enough' && rebuild.makeUp?.own && picture.carburettor)
          log('carburettor', { ...picture.carburettor, own: stacksOf(rebuild) });
        log('rebuild-step', { step: tick });
      };
      return (
        <Plain step={step} eyebrow={eyebrow}>
          {tick === 'button-matched' && (
            <ButtonHeight draft={`${atBench.job.id} button`} onLog={(text) => log('note', { text })} />
          )}
          {tick === 'screen-takes-spray' && guide.bathWaitsFor.length > 0 && (
            <p className="text-lg text-soft">
              Out before a bath: {guide.bathWaitsFor.map(inSentence).join(', ')}.
            </p>
          )}
          <div className="mt-4">
            <Main onClick={done}>{tick === 'off-enough' ? 'Far enough' : 'Done'}</Main>
          </div>
        </Plain>
      );
    }
    case 'off': {
      const { item } = asks;
      const opens = isPart(item) ? toOpen([item], new Set(partsOff(picture))) : [];
      const before = opens.filter((p) => p !== item);
      return (
        <Plain step={step} eyebrow={eyebrow}>
          {before.length > 0 && (
            <p className="text-lg">
              First off: <strong>{before.map((p) => inSentence(partOf(p).name)).join(', ')}</strong>
            </p>
          )}
          <div className="mt-4">
            <Main
              onClick={() => log.all(opens.map((part) => ({ kind: 'took-off', body: { part } }) as const))}
            >
              {item === 'tank-drained' ? 'Drained' : 'Off'}
            </Main>
          </div>
          {isPart(item) && item !== 'tank-drained' && (
            <MarkScrews of={{ part: item }} jobId={atBench.job.id} picture={picture} log={log} />
          )}
        </Plain>
      );
    }
    case 'on':
      return (
        <Plain step={step} eyebrow={eyebrow}>
          {isPart(asks.item) && <PartOn part={asks.item} picture={picture} log={log} />}
        </Plain>
      );
    case 'loose':
      return (
        <Plain step={step} eyebrow={eyebrow}>
          <div className="mt-4">
            <Main onClick={() => log('put-back', { thing: asks.name })}>It is back</Main>
          </div>
          <LeftOffBecause onDone={(words) => log('left-off', { thing: asks.name, words })} />
        </Plain>
      );
  }
}

const PartOn = ({ part, picture, log }: { part: PartId; picture: Picture; log: Log }): ReactElement => (
  <WithScrews of={{ part }} picture={picture}>
    {(left) => (
      <div className="mt-4">
        <Main onClick={() => log.all([{ kind: 'put-back', body: { part } }, ...left])}>
          {part === 'tank-drained' ? 'Filled' : 'On'}
        </Main>
      </div>
    )}
  </WithScrews>
);

/** What came off, by side, from the body outwards. */
const stacksOf = ({ came, layers }: Rebuild): { pump: StackId[]; metering: StackId[] } => {
  const side = (place: string): StackId[] =>
    came.toReversed().filter((id) => layers.some((l) => l.id === id && l.place === place));
  return { pump: side('pump'), metering: side('metering') };
};

function Plain({
  step,
  eyebrow,
  children,
}: {
  step: GuideStep;
  eyebrow: string;
  children: ReactNode;
}): ReactElement {
  return (
    <section aria-label="Step">
      <StepHead eyebrow={eyebrow} title={step.title} />
      {step.how && (
        <p className="mt-2 max-w-[52ch] text-xl leading-snug">
          {step.asks.kind === 'loose' ? `It sat: ${step.how}.` : step.how}
        </p>
      )}
      <Caution says={step.caution} />
      {children}
    </section>
  );
}

/** It came off in another order than the family's usual one: said once, with a decision. */
function OrderStep({ rebuild, atBench, log, eyebrow }: AtStep): ReactElement {
  const { unusual, makeUp } = rebuild;
  const name = (id: StackId): string => inSentence(nameIn(makeUp, id));
  return (
    <section aria-label="Step">
      <StepHead eyebrow={eyebrow} title="It came off in another order" />
      {unusual && (
        <p className="mt-2 max-w-[52ch] text-xl leading-snug">
          Here the {name(unusual.first)} lay over the {name(unusual.then)}; usually it lies under it. Somebody
          may have built it wrong. Which way does it go back?
        </p>
      )}
      <div className="mt-4 flex flex-wrap gap-3">
        <Main onClick={() => log('rebuild-step', { step: 'order', answer: 'as-usual' })}>The usual way</Main>
        <Button
          className="min-h-14 px-6 text-lg"
          onClick={() => log('rebuild-step', { step: 'order', answer: 'as-came-off' })}
        >
          As it came off
        </Button>
      </div>
      <TakePhoto
        jobId={atBench.job.id}
        log={log}
        of={{ when: 'before', words: 'the order it came off in' }}
        words="A photo of how it lay"
      />
    </section>
  );
}

/** A check made on the way, with the instrument it has on the bench. */
export function CheckHere({
  check,
  step,
  atBench,
  log,
  eyebrow,
  onLogged = () => undefined,
}: {
  check: CheckId;
  step?: Pick<GuideStep, 'noted'>;
  atBench: JobAtBench;
  log: Log;
  eyebrow: string;
  onLogged?: () => void;
}): ReactElement {
  const { picture, diagnosis } = atBench;
  const noted = step?.noted;
  return (
    <>
      {noted && (
        <p role="status" className="mb-4 max-w-[52ch] border-l-4 border-ochre pl-3 text-xl leading-snug">
          <strong>Noted: {noted.label}.</strong> {noted.then}
        </p>
      )}
      <NextCheck
        key={`${check} ${picture.findings.find((f) => f.check === check)?.entryId ?? ''}`}
        checkId={check}
        next={undefined}
        suspects={diagnosis.suspects}
        says={eyebrow}
        instead={undefined}
        off={partsOff(picture)}
        skipped={[]}
        atBench={atBench}
        log={log}
        measuring={false}
        onMeasuring={() => undefined}
        onLogged={onLogged}
        onPick={() => undefined}
      />
    </>
  );
}
