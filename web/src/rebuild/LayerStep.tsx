import {
  CONDITIONS,
  conditionWords,
  layerOf,
  screwOf,
  type Condition,
  type LayerId,
} from '@rusty-wren/core/knowledge';
import {
  adviseLayer,
  inFrontOf,
  isCover,
  nameIn,
  type LayerNow,
  type Rebuild,
} from '@rusty-wren/core/rebuild';
import { formatTurns } from '@rusty-wren/core/units';
import { useState, type ReactElement, type ReactNode } from 'react';
import { BIG_BUTTON, StepHead } from '../bench/steps/StepHead';
import type { Noted, Picture } from '@rusty-wren/core/log';
import type { Log } from '../job/useLog';
import { Button } from '../ui/Button';
import { inSentence } from '../ui/words';
import { LeftOffBecause } from '../tray/LeftOffBecause';
import { WithScrews } from '../tray/ScrewsIn';
import { Caution } from '../ui/Caution';
import { Main } from './Main';

/** How a layer can be found, in the order of its buttons. */
const foundAs = (id: LayerId): Condition[] => CONDITIONS.filter((c) => c in layerOf(id).found);

export interface AtLayer {
  layer: LayerNow;
  rebuild: Rebuild;
  picture: Picture;
  /** What the step says above its name. */
  eyebrow: string;
  log: Log;
  onDone: () => void;
  /** What else can be done, in the row of quiet choices. */
  more?: ReactNode;
}

/** A layer in hand: how it was found as it comes off, and what becomes of it once it is. */
export function LayerStep(
  at: AtLayer & { uncounted: boolean; baselineTurns: number; how?: string | undefined; onCount: () => void },
): ReactElement {
  return at.layer.where === 'in' ? <ComesOff {...at} /> : <GoesBack {...at} />;
}

function ComesOff({
  layer,
  rebuild,
  eyebrow,
  log,
  uncounted,
  onCount,
  onDone,
  more,
}: AtLayer & { uncounted: boolean; onCount: () => void }): ReactElement {
  const { id, name } = layer;
  const away = new Set(rebuild.layers.filter((l) => l.where !== 'in').map((l) => l.id));
  const front = rebuild.makeUp ? inFrontOf(rebuild.makeUp, id, away) : [];
  const def = isCover(id) ? null : layerOf(id);
  const screw = isCover(id) ? null : screwOf(id);
  const off = (condition?: Condition): void => {
    if (isCover(id)) log('took-off', { part: id });
    else
      log('took-off', {
        layer: id,
        ...(condition && { condition }),
        ...(uncounted && condition !== 'missing' && { uncounted: true }),
      });
    onDone();
  };
  const seen = (condition: Condition): void => {
    if (!isCover(id)) log('condition', { layer: id, condition });
    onDone();
  };
  const [lost, setLost] = useState(false);
  const guarded = screw !== null && uncounted && !lost;
  return (
    <section aria-label="Layer">
      <StepHead eyebrow={eyebrow} title={def?.staysIn ? name : `${name} off`} />
      {front.length > 0 && (
        <p className="mt-2 text-lg text-ochre">
          Usually under {front.map((f) => inSentence(nameIn(rebuild.makeUp, f))).join(', ')}.
        </p>
      )}
      {def?.off && <p className="mt-2 max-w-[52ch] text-xl leading-snug">{def.off}</p>}
      <Caution says={def?.caution} />
      {guarded ? (
        <>
          <p className="mt-3 text-xl font-bold text-rust">{screw} is not counted yet.</p>
          <div className="mt-3 flex flex-wrap gap-3">
            <Main onClick={onCount}>Count it now</Main>
            <Button className="min-h-14 px-6 text-lg" onClick={() => setLost(true)}>
              Its count is lost
            </Button>
          </div>
          <div className="mt-3 flex flex-wrap gap-x-6">{more}</div>
        </>
      ) : def ? (
        <>
          <p className="mt-3 text-lg text-soft">
            {def.staysIn ? 'It stays in. How does it look?' : 'How was it?'}
          </p>
          <div role="group" aria-label="How was it" className="mt-2 flex flex-wrap gap-3">
            {foundAs(def.id).map((condition, n) => (
              <button
                key={condition}
                type="button"
                data-result={n + 1}
                onClick={() => (def.staysIn ? seen(condition) : off(condition))}
                className={`${BIG_BUTTON} flex min-w-24 items-center gap-2.5 px-4`}
              >
                <kbd
                  aria-hidden
                  className="hidden rounded bg-line px-1.5 font-sans text-base font-normal text-ink lg:block"
                >
                  {n + 1}
                </kbd>
                {conditionWords(def.id, condition)}
              </button>
            ))}
          </div>
          <div className="mt-3 flex flex-wrap gap-x-6">
            <Button look="quiet" className="!px-0" onClick={() => off()}>
              {def.staysIn ? 'It comes out' : 'Off, not looked at'}
            </Button>
            {more}
          </div>
        </>
      ) : (
        <>
          <div className="mt-4">
            <Main onClick={() => off()}>Off</Main>
          </div>
          <div className="mt-3 flex flex-wrap gap-x-6">{more}</div>
        </>
      )}
    </section>
  );
}

function GoesBack({
  layer,
  rebuild,
  eyebrow,
  log,
  baselineTurns,
  how,
  onDone,
  more,
  picture,
}: AtLayer & { baselineTurns: number; how?: string | undefined }): ReactElement {
  const { id, name, where, condition } = layer;
  const [why, setWhy] = useState(false);
  const { renew, why: because } = adviseLayer(layer);
  const cover = isCover(id);
  const screw = cover ? null : screwOf(id);
  const lost = screw !== null && rebuild.uncounted.includes(screw);
  const thing = cover ? { part: id } : { layer: id };
  const byKit = !cover && rebuild.renewal === 'kit' && (rebuild.makeUp?.family.kit ?? []).includes(id);
  const asNew = !cover && (renew || byKit || where !== 'tray');
  const back = (renewed: boolean, left: readonly Noted[] = []): void => {
    if (cover) log.all([{ kind: 'put-back', body: { part: id } }, ...left]);
    else
      log('put-back', {
        layer: id,
        ...(renewed && { renewed: true }),
        ...(lost && { turns: baselineTurns }),
      });
    onDone();
  };
  const state =
    where === 'missing'
      ? 'It was missing.'
      : where === 'binned'
        ? 'The old one is in the bin.'
        : !cover && condition
          ? `It was ${conditionWords(id, condition)}.`
          : '';
  return (
    <section aria-label="Layer">
      <StepHead eyebrow={eyebrow} title={asNew ? `A new ${inSentence(name)} on` : `${name} on`} />
      <p className="mt-2 max-w-[52ch] text-xl leading-snug">{how ?? (cover ? '' : layerOf(id).on)}</p>
      {lost && (
        <p className="mt-2 text-xl font-bold text-rust">
          Its count is lost: seat it lightly, then out {formatTurns(baselineTurns)}.
        </p>
      )}
      {(state || (asNew && where === 'tray')) && (
        <p className="mt-2 text-lg text-soft">
          {state} {asNew && where === 'tray' && `Renew it: ${byKit && !renew ? 'the kit has one' : because}.`}
        </p>
      )}
      <Caution says={cover ? undefined : layerOf(id).caution} />
      <WithScrews of={thing} picture={picture}>
        {(left) => (
          <div className="mt-4 flex flex-wrap gap-3">
            <Main onClick={() => back(asNew, left)}>{asNew ? 'The new one is on' : 'On'}</Main>
            {!cover && where === 'tray' && (
              <Button className="min-h-14 px-6 text-lg" onClick={() => back(!asNew)}>
                {asNew ? 'The old one, all the same' : 'A new one'}
              </Button>
            )}
          </div>
        )}
      </WithScrews>
      <div className="mt-3 flex flex-wrap gap-x-6">
        {where === 'tray' && !cover && (
          <Button
            look="quiet"
            className="!px-0"
            onClick={() => {
              log('thrown-away', thing);
              onDone();
            }}
          >
            Throw the old one away
          </Button>
        )}
        <Button look="quiet" className="!px-0" onClick={() => setWhy(true)}>
          Left off, because…
        </Button>
        {more}
      </div>
      {why && (
        <LeftOffBecause
          label={`Why ${inSentence(name)} stays off`}
          placeholder="not fitted on this one"
          focus
          look="rust"
          onDone={(words) => {
            log('left-off', { ...thing, words });
            onDone();
          }}
        />
      )}
    </section>
  );
}
