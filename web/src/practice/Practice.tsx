import { causeOf, CAUSE_INDEX, type CauseId } from '@rusty-wren/core/knowledge';
import { codeOf, hiddenOf, readCode, trapOfWeek, type Exercise } from '@rusty-wren/core/practice';
import { useState, type ReactElement } from 'react';
import { Link, useNavigate } from 'react-router';
import { toast } from 'sonner';
import { JsonFilePick } from '../ui/JsonFilePick';
import { OneLine } from '../ui/OneLine';
import { ladderOf, usePractice, type Done } from './kept';
import { readExerciseFile } from './exerciseFile';
import { HangUp, THEME_OPTIONS } from './HangUp';
import { clockWords } from './SoFar';

const MOST_BYTES = 400_000;
const SHOWN = 6;

const GRADE_WORDS: Readonly<Record<Done['grade'], string>> = {
  again: 'not cured',
  hard: 'cured, the long way',
  good: 'cured',
  easy: 'as the plan',
};

/** The practice bench: which machine to take, what is due again, the trap of the week, and what was practised. */
export function Practice(): ReactElement {
  const navigate = useNavigate();
  const { kept, due, goOn } = usePractice();
  const { level, more } = ladderOf(kept.done);
  const [now] = useState(() => Date.now());
  const again = due(now);
  const go = (exercise: Exercise): void => void navigate(`/practice/machine/${codeOf(exercise)}`);
  const openFile = async (file: File): Promise<void> => {
    const read =
      file.size > MOST_BYTES
        ? { refused: `${file.name} is too large for an exercise.` }
        : readExerciseFile(await file.text());
    if ('refused' in read) return void toast.error(read.refused);
    goOn(codeOf(read.exercise), now, read.moves);
    go(read.exercise);
  };
  const trap = trapOfWeek(now);
  const going = Object.entries(kept.going).filter(
    ([code, { finished }]) => !finished && 'exercise' in readCode(code),
  );
  return (
    <div className="grid flex-1 content-start gap-x-12 gap-y-7 px-3 py-5 sm:px-5 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <section aria-label="A hidden machine">
        <h1 className="text-4xl font-bold">Practice</h1>
        <p className="mt-1 max-w-[60ch] text-lg">
          A machine with something wrong. Find it, mend it, hand it back; the clock is bench time.
        </p>
        <HangUp level={level} more={more} onDrawn={go} />
        <div className="mt-6 max-w-md">
          <OneLine
            label="Number of an exercise"
            placeholder="an exercise by its number: fuel-2-saw-4711"
            most={80}
            done="Open"
            look="plain"
            onDone={(code) => {
              const read = readCode(code);
              if ('refused' in read) toast.error(read.refused);
              else go(read.exercise);
            }}
          />
          <div className="mt-3">
            <JsonFilePick label="From a file" onFile={(file) => void openFile(file)} />
          </div>
        </div>
      </section>
      <div className="grid content-start gap-7">
        <section aria-label="The trap of the week">
          <h2 className="text-2xl font-bold">The trap of the week</h2>
          <Link to={`/practice/machine/${codeOf(trap)}`} className={ROW}>
            <span>“{hiddenOf(trap).says[0]}”</span>
          </Link>
        </section>
        {going.length > 0 && (
          <section aria-label="On the bench">
            <h2 className="text-2xl font-bold">On the bench</h2>
            {going.map(([code]) => (
              <Link key={code} to={`/practice/machine/${code}`} className={ROW}>
                {code}
              </Link>
            ))}
          </section>
        )}
        {again.length > 0 && (
          <section aria-label="To be met again">
            <h2 className="text-2xl font-bold">To be met again</h2>
            <ul>
              {again.slice(0, SHOWN).map((cause, n) => (
                <li key={cause}>
                  <Link to={`/practice/machine/${codeOf(againOf(cause, now))}`} className={ROW}>
                    Something you had before{again.length > 1 ? `, ${n + 1}` : ''}
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        )}
        <section aria-label="By ear">
          <h2 className="text-2xl font-bold">By ear</h2>
          <Link to="/practice/tune" className={ROW}>
            Tune one that somebody has been at
          </Link>
        </section>
        {kept.done.length > 0 && (
          <section aria-label="Practised">
            <h2 className="text-2xl font-bold">Practised</h2>
            <ul>
              {kept.done
                .toReversed()
                .slice(0, SHOWN)
                .map(({ code, at, minutes, plan, grade }) => (
                  <li
                    key={at}
                    className="flex min-h-11 flex-wrap items-baseline justify-between gap-x-4 border-b border-line py-2 text-lg"
                  >
                    <Link to={`/practice/machine/${code}`} className="hover:underline">
                      {nameOf(code)}
                    </Link>
                    <span className="text-soft">
                      {GRADE_WORDS[grade]}, {clockWords(minutes)} (plan {clockWords(plan)})
                    </span>
                  </li>
                ))}
            </ul>
          </section>
        )}
      </div>
    </div>
  );
}

const ROW = 'flex min-h-14 items-center border-b border-line py-2 text-lg font-semibold hover:border-ink';

/** A machine with a cause that is due again: another each day. */
const againOf = (cause: CauseId, now: number): Exercise => ({
  theme: cause,
  level: 2,
  group: 'any',
  number: 1 + ((Math.floor(now / 86_400_000) * 71 + (CAUSE_INDEX.get(cause) ?? 0)) % 900_000),
});

/** What an exercise was about: a cause that was met again is named once it is done. */
function nameOf(code: string): string {
  const read = readCode(code);
  if ('refused' in read) return code;
  const { theme, level, number } = read.exercise;
  const known = THEME_OPTIONS.find((t) => t.id === theme)?.label;
  return theme === 'trap'
    ? 'A trap'
    : known
      ? `${known}, level ${level}, ${number}`
      : causeOf(theme as CauseId).name;
}
