import { causeOf, checkOf, SCHOOLS } from '@rusty-wren/core/knowledge';
import {
  codeOf,
  faultsInWords,
  MOST_NUMBER,
  type Instead,
  type PracticeWay,
  type Review,
} from '@rusty-wren/core/practice';
import { useEffect, useState, type ReactElement, type ReactNode } from 'react';
import { Link, useNavigate } from 'react-router';
import { Button } from '../ui/Button';
import { saveFile } from '../ui/saveFile';
import { causesInWords, inSentence, minutesWords, percent } from '../ui/words';
import { exerciseFile } from './exerciseFile';
import { cameOf, clockWords, isToldTwice, moveName } from './SoFar';
import type { useExercise } from './useExercise';
import { useReview } from './useReview';

const wayName = (way: PracticeWay): string =>
  way === 'plan' ? 'The plan' : (SCHOOLS.find((s) => s.id === way)?.name ?? way);

const insteadWords = (instead: Instead): string =>
  'check' in instead ? checkOf(instead.check).name : `Mend: ${inSentence(causeOf(instead.mend).name)}`;

/** After an exercise: what it was, how long it took beside the plan and the schools, and what the teacher has to say of it. */
export function Afterwards({ going }: { going: ReturnType<typeof useExercise> }): ReactElement {
  const { hidden, worked, moves, code, finish, putAway } = going;
  const { exercise } = hidden;
  const { review, share, failed } = useReview(exercise, moves);
  const navigate = useNavigate();
  const [at] = useState(() => Date.now());
  useEffect(() => {
    if (!review) return;
    const done = { code, at, minutes: review.minutes, plan: review.ways[0]!.minutes, grade: review.grade };
    finish(done, hidden.toBlame);
  }, [review, code, at, finish, hidden]);
  const { ended } = worked;
  if (!ended) return <></>;
  const another = codeOf({ ...exercise, number: 1 + (exercise.number % MOST_NUMBER) });
  return (
    <div className="grid content-start gap-x-10 gap-y-6 px-3 py-5 sm:px-5 lg:grid-cols-2">
      <section aria-label="How it went">
        {ended.why === 'hazard' ? (
          <>
            <h2 className="text-4xl font-bold text-rust">Stop.</h2>
            <p className="mt-2 max-w-[50ch] text-2xl leading-snug font-semibold">{ended.says}</p>
          </>
        ) : (
          <h2 className={`text-4xl leading-tight font-bold ${ended.cured ? 'text-moss' : 'text-rust'}`}>
            {ended.cured ? `Cured in ${Math.round(worked.minutes)} minutes` : 'It went back as it came'}
          </h2>
        )}
        <p className="mt-3 text-xl">
          It was: <strong>{faultsInWords(hidden).map(inSentence).join(', ')}</strong>
          {hidden.safety && `; and ${inSentence(hidden.safety)}`}.
        </p>
        {hidden.trap && (
          <p className="mt-3 border-l-4 border-moss pl-3 text-xl leading-snug">
            <strong>{hidden.trap.name}.</strong> {hidden.trap.teaches}
          </p>
        )}
        {review && <Ways review={review} cured={ended.why === 'handed-back' && ended.cured} />}
        {review && <Said review={review} going={going} />}
        {!review && !failed && (
          <p role="status" className="mt-5 text-xl text-soft">
            The teacher goes through it: {Math.round(share * 100)} %
          </p>
        )}
        {failed && (
          <p className="mt-5 text-xl">The teacher could not go through it. What it was stands above.</p>
        )}
        <div className="mt-6 flex flex-wrap gap-3">
          <Button
            look="rust"
            className="min-h-16 px-7 text-xl"
            onClick={() => void navigate(`/practice/machine/${another}`)}
          >
            Another
          </Button>
          <Button className="min-h-16 px-5 text-lg" onClick={() => putAway(code)}>
            The same again
          </Button>
          <Button
            className="min-h-16 px-5 text-lg"
            onClick={() =>
              saveFile(`practice-${code}.json`, exerciseFile(exercise, moves), 'application/json')
            }
          >
            Save it as a file
          </Button>
          <Link
            to="/practice"
            className="flex min-h-16 items-center px-3 text-lg font-semibold hover:underline"
          >
            To the practice bench
          </Link>
        </div>
      </section>
      {review && <Path review={review} />}
    </div>
  );
}

/** Minutes beside those of the plan and the schools. */
function Ways({ review, cured }: { review: Review; cured: boolean }): ReactElement {
  const rows = [
    ...(cured ? [{ name: 'You', minutes: review.minutes, mine: true, checks: [] }] : []),
    ...review.ways.map(({ way, ...by }) => ({ ...by, name: wayName(way), mine: false })),
  ];
  const most = Math.max(...rows.map((r) => r.minutes));
  return (
    <ul aria-label="Minutes" className="mt-5 max-w-2xl">
      {rows.map(({ name, minutes, mine, checks }) => {
        const bar = (
          <span className="grid grid-cols-[11rem_1fr_5rem] items-center gap-3 text-lg max-sm:grid-cols-[8rem_1fr_4.5rem]">
            <span className={mine ? 'font-bold' : ''}>{name}</span>
            <span className="h-5 bg-line" aria-hidden>
              <span
                className={`block h-full ${mine ? 'bg-ink' : 'bg-steel'}`}
                style={{ width: `${(100 * minutes) / most}%` }}
              />
            </span>
            <span className="text-right font-semibold tabular-nums">{Math.round(minutes)} min</span>
          </span>
        );
        return (
          <li key={name}>
            {checks.length === 0 ? (
              <div className="flex min-h-11 flex-col justify-center">{bar}</div>
            ) : (
              // The path of a way, for whoever wants to see it.
              <details>
                <summary className="flex min-h-11 cursor-pointer flex-col justify-center hover:bg-line">
                  {bar}
                </summary>
                <p className="pb-3 pl-3 leading-snug text-soft">
                  {checks.map((id) => inSentence(checkOf(id).name)).join(', ')}.
                </p>
              </details>
            )}
          </li>
        );
      })}
    </ul>
  );
}

/** One thing the teacher has to say. */
const Point = ({ children }: { children: ReactNode }): ReactElement => (
  <li className="border-b border-line py-2 text-lg leading-snug">{children}</li>
);

function Said({ review, going }: { review: Review; going: ReturnType<typeof useExercise> }): ReactElement {
  const { sufficed, tooSoon, skipped, comesBack, steps } = review;
  const named = (ref: string): string => {
    const step = steps[Number(ref)];
    return step ? `${inSentence(moveName(step.move))} (${cameOf(step)})` : 'what the owner said';
  };
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

/** The path step by step, with what the plan would have done where that was something else. */
function Path({ review }: { review: Review }): ReactElement {
  const rows = review.steps.filter((s) => s.plan || !isToldTwice(s)).filter((s) => s.move.do !== 'note');
  const noteOf = (n: number): string => {
    const at = review.steps.indexOf(rows[n]!);
    const next = review.steps[at + 1];
    return next?.move.do === 'note' ? cameOf(next) : cameOf(rows[n]!);
  };
  return (
    <section aria-label="The path">
      <h2 className="text-2xl font-bold">Step by step</h2>
      <ol className="mt-2">
        {rows.map(({ move, at, plan }, n) => {
          const same =
            plan && ('check' in plan ? move.do === 'look' && move.check === plan.check : move.do === 'mend');
          return (
            <li
              key={n}
              className="grid grid-cols-[3.5rem_1fr] gap-x-2 border-b border-line py-2 leading-snug"
            >
              <span className="text-soft tabular-nums">{clockWords(at)}</span>
              <span className="text-lg">
                {moveName(move)}
                {noteOf(n) && (
                  <>
                    : <strong className="font-semibold">{noteOf(n)}</strong>
                  </>
                )}
                {plan && !same && (
                  <span className="block text-base text-soft">The plan: {insteadWords(plan)}</span>
                )}
              </span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
