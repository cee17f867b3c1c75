import { causeOf, checkOf } from '@rusty-wren/core/knowledge';
import { misledBy, type Review } from '@rusty-wren/core/practice';
import type { ReactElement, ReactNode } from 'react';
import { causesInWords, inSentence, minutesWords, percent } from '../ui/words';
import { cameOf, clockWords, moveName } from './SoFar';
import type { useExercise } from './useExercise';

/** One thing the teacher has to say. */
const Point = ({ children }: { children: ReactNode }): ReactElement => (
  <li className="border-b border-line py-2 text-lg leading-snug">{children}</li>
);

/** What the teacher has to say of an exercise: when there was enough, what was believed too soon, read wrong, passed over or left in it. */
export function TeacherSays({
  review,
  going,
}: {
  review: Review;
  going: ReturnType<typeof useExercise>;
}): ReactElement {
  const { sufficed, tooSoon, skipped, comesBack, steps } = review;
  const named = (ref: string): string => {
    const step = steps[Number(ref)];
    return step ? `${inSentence(moveName(step.move))} (${cameOf(step)})` : 'what the owner said';
  };
  const misled = steps.flatMap(({ move, shows, missed = [] }) => {
    const how = shows && misledBy(missed);
    return how ? [{ move, how }] : [];
  });
  const misread = steps.filter((s) => s.misread);
  const { ended, left } = going.worked;
  const stays = left.filter((cause) => !comesBack.includes(cause));
  const tried =
    steps.findLastIndex((s) => s.move.do === 'mend') < steps.findLastIndex((s) => s.move.do === 'look');
  return (
    <ul aria-label="What the teacher says" className="mt-5 max-w-2xl">
      {sufficed && (
        <Point>
          After <strong>{clockWords(sufficed.at)}</strong> there was enough:{' '}
          {inSentence(causeOf(sufficed.cause).name)}, {percent(sufficed.probability)}.
        </Point>
      )}
      {tooSoon.map(({ step, cause, probability, against }) => (
        <Point key={step}>
          Believed too soon: <strong>{inSentence(causeOf(cause).name)}</strong>, {percent(probability)}.
          {against.length > 0 && ` Against it spoke: ${against.map((m) => named(m.ref)).join(', ')}.`}
        </Point>
      ))}
      {misled.map(({ move, how }, n) => (
        <Point key={n}>
          <strong>{moveName(move)}</strong>, {how}.
        </Point>
      ))}
      {misread.map((step, n) => (
        <Point key={n}>
          Read wrong: <strong>{inSentence(moveName(step.move))}</strong>. You noted{' '}
          {cameOf(step) || 'nothing'}; it showed{' '}
          {checkOf(step.shows!.check).results.find((r) => r.id === step.shows?.result)?.label}.
        </Point>
      ))}
      {skipped.length > 0 && (
        <Point>
          Passed over:{' '}
          {skipped
            .map((id) => `${inSentence(checkOf(id).name)} (${minutesWords(checkOf(id).minutes)})`)
            .join(', ')}
          .
        </Point>
      )}
      {comesBack.length > 0 && (
        <Point>
          <strong className="text-rust">It comes back:</strong> {causesInWords(comesBack)} is still in it.
        </Point>
      )}
      {ended?.why === 'handed-back' && ended.cured && stays.length > 0 && (
        <Point>
          Left in it: <strong>{causesInWords(stays)}</strong>. Nobody complained of it yet.
        </Point>
      )}
      {ended?.why === 'handed-back' && ended.cured && !tried && (
        <Point>Handed back untried after the last repair.</Point>
      )}
      {ended?.why === 'handed-back' && going.worked.unsafe && (
        <Point>
          <strong className="text-rust">Handed back unsafe:</strong> {inSentence(going.worked.unsafe)}.
        </Point>
      )}
    </ul>
  );
}
