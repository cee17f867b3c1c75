import { codeOf, faultsInWords, MOST_NUMBER } from '@rusty-wren/core/practice';
import { useEffect, useState, type ReactElement } from 'react';
import { Link, useNavigate } from 'react-router';
import { Button } from '../ui/Button';
import { saveFile } from '../ui/saveFile';
import { inSentence } from '../ui/words';
import { exerciseFile } from './exerciseFile';
import { Path } from './Path';
import { TeacherSays } from './TeacherSays';
import type { useExercise } from './useExercise';
import { useReview } from './useReview';
import { Ways } from './Ways';

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
        {review && <TeacherSays review={review} going={going} />}
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
