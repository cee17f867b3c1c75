import { layerOf } from '@rusty-wren/core/knowledge';
import { leftOfKit, mendedBy, type Rebuild } from '@rusty-wren/core/rebuild';
import type { ReactElement } from 'react';
import { StepHead } from '../bench/steps/StepHead';
import type { JobAtBench } from '../job/useJob';
import type { Log } from '../job/useLog';
import { MainLink } from '../ui/MainLink';
import { inSentence } from '../ui/words';
import { Main } from './Main';

/** Everything is back and worked: what lies over from the kit, and that it may be started. */
export function Together({
  rebuild,
  atBench,
  log,
}: {
  rebuild: Rebuild;
  atBench: JobAtBench;
  log: Log;
}): ReactElement {
  const { picture, job, diagnosis } = atBench;
  const noted = picture.repairs.some((r) => rebuild.since.has(r.entryId));
  const mended = mendedBy(rebuild, picture, diagnosis.suspects);
  const kit = rebuild.renewal === 'kit' ? leftOfKit(rebuild) : null;
  return (
    <section aria-label="Together">
      <StepHead eyebrow="Nothing left over" title="It is together" />
      {kit && (
        <p className="mt-2 max-w-[52ch] text-xl leading-snug">
          Left over from the kit, and that is right:{' '}
          {[...kit.layers.map((id) => inSentence(layerOf(id).name)), `${kit.spares} parts for variants`].join(
            ', ',
          )}
          .
        </p>
      )}
      <div className="mt-5 flex flex-wrap items-center gap-4">
        {noted || mended.length === 0 ? (
          <MainLink to={`/job/${job.id}/start`} data-main="">
            Start it
          </MainLink>
        ) : (
          <Main onClick={() => log.all(mended)}>Note the repair, to be tried</Main>
        )}
      </div>
    </section>
  );
}
