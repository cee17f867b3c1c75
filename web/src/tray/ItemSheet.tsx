import { conditionWords } from '@rusty-wren/core/knowledge';
import { GONE_WORDS, thingOf, type OffItem, type Picture } from '@rusty-wren/core/log';
import type { ReactElement } from 'react';
import type { Log } from '../job/useLog';
import { TakePhoto } from '../photos/TakePhoto';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import { LeftOffBecause } from './LeftOffBecause';
import { MarkScrews } from './MarkScrews';
import { WithScrews } from './ScrewsIn';

/** What lies there beside a thing's name. */
export function lyingWords(item: OffItem): string {
  const { layer, condition, gone, place, count } = item;
  if (gone) return GONE_WORDS[gone];
  return [
    layer && condition && conditionWords(layer, condition),
    count !== undefined && `${count} of them`,
    place,
  ]
    .filter(Boolean)
    .join(', ');
}

/** What becomes of one thing on the tray. */
export function ItemSheet({
  item,
  picture,
  jobId,
  log,
  onClose,
}: {
  item: OffItem;
  picture: Pick<Picture, 'screwPlans' | 'photos'>;
  jobId: string;
  log: Log;
  onClose: () => void;
}): ReactElement {
  const layer = item.layer;
  const thing = thingOf(item);
  const done = (note: () => void) => (): void => {
    note();
    onClose();
  };
  return (
    <Sheet title={item.name} open onOpenChange={(open) => !open && onClose()}>
      <p className="text-lg text-soft">{lyingWords(item)}</p>
      <WithScrews of={thing} picture={picture}>
        {(left) => (
          <div className="mt-3 flex flex-wrap gap-3">
            {!item.gone && (
              <Button
                look="rust"
                className="min-h-14 px-6 text-lg"
                onClick={done(() => log.all([{ kind: 'put-back', body: thing }, ...left]))}
              >
                Back on
              </Button>
            )}
            {layer && (
              <Button
                look={item.gone ? 'rust' : 'plain'}
                className="min-h-14 px-6 text-lg"
                onClick={done(() => log('put-back', { layer, renewed: true }))}
              >
                A new one on
              </Button>
            )}
            {!item.gone && (
              <Button className="min-h-14 px-6 text-lg" onClick={done(() => log('thrown-away', thing))}>
                Thrown away
              </Button>
            )}
          </div>
        )}
      </WithScrews>
      <div className="flex flex-wrap gap-x-6">
        <TakePhoto jobId={jobId} log={log} of={{ of: thing }} words="Photo of it" />
        {!item.gone && <MarkScrews of={thing} jobId={jobId} picture={picture} log={log} />}
      </div>
      <LeftOffBecause onDone={(words) => done(() => log('left-off', { ...thing, words }))()} />
    </Sheet>
  );
}
