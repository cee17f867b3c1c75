import { CHOICE_NAMES, NOT_MENDED } from '@rusty-wren/core/knowledge';
import { HOW_WORDS, type Decision, type Picture } from '@rusty-wren/core/log';
import { beyondAgreed } from '@rusty-wren/core/worth';
import { format } from 'date-fns';
import type { ReactElement } from 'react';
import { StepHead } from '../bench/steps/StepHead';
import { MainLink } from '../ui/MainLink';
import { useMoney } from '../ui/money';
import { causesInWords } from '../ui/words';

/** What was put right without the owner having agreed to it. */
export function NotAgreed({ picture }: { picture: Picture }): ReactElement | null {
  const { decision, repairs } = picture;
  if (!decision) return null;
  const since = repairs.filter((r) => r.notedAt > decision.notedAt);
  const beyond = beyondAgreed(
    picture,
    since.flatMap((r) => ('cause' in r ? [r.cause] : [])),
  );
  return beyond.length === 0 ? null : (
    <p role="alert" className="text-lg font-semibold text-rust">
      Not agreed: {causesInWords(beyond, picture.machine.kind)}. The owner took:{' '}
      {CHOICE_NAMES[decision.choice].toLowerCase()}.
    </p>
  );
}

/** What was decided, and the way back to the work. */
export function Decided({
  decision,
  picture,
  jobId,
}: {
  decision: Decision;
  picture: Picture;
  jobId: string;
}): ReactElement {
  const money = useMoney();
  return (
    <section aria-label="Decided">
      <StepHead
        eyebrow="Decided"
        title={CHOICE_NAMES[decision.choice]}
        {...(decision.price !== undefined && { aside: money.exact(decision.price) })}
      />
      <p className="mt-2 text-xl">
        {decision.by}, {HOW_WORDS[decision.how]}, {format(new Date(decision.notedAt), 'd MMM, HH:mm')}
      </p>
      <NotAgreed picture={picture} />
      <MainLink to={`/job/${jobId}`} className="mt-3">
        {NOT_MENDED.has(decision.choice) ? 'Put it together' : 'To the bench'}
      </MainLink>
    </section>
  );
}
