import { MANY_PULLS } from '@rusty-wren/core/knowledge';
import { afterPulls, drillFor } from '@rusty-wren/core/starting';
import { offToStart, START_STATES, type StartOutcome, type StartState } from '@rusty-wren/core/log';
import { TriangleAlert } from 'lucide-react';
import { useEffect, useMemo, useState, type ReactElement } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { useKeys } from '../app/keys';
import { JobBar } from '../job/JobBar';
import { PutBackFirst } from '../bench/steps/PutBackFirst';
import { BIG_BUTTON } from '../bench/steps/StepHead';
import type { JobAtBench } from '../job/useJob';
import { useLog } from '../job/useLog';
import { WithJob } from '../job/WithJob';
import { Written } from '../ui/Written';
import { tooLong } from '../ui/words';
import { Button } from '../ui/Button';
import { OneOf } from '../ui/OneOf';
import { OwnersCard } from './OwnersCard';

const STATE_WORDS: Readonly<Record<StartState, string>> = { cold: 'Cold', warm: 'Warm', flooded: 'Flooded' };
const OUTCOMES: readonly [StartOutcome, string][] = [
  ['runs', 'It runs'],
  ['pops', 'Only pops'],
  ['nothing', 'Nothing'],
];

const MOST_DRILL = 500;

/** Starting: the drill for this machine as it is now, the pulls counted, and what came of it. */
export const Start = (): ReactElement => (
  <WithJob show={(atBench) => <Starting key={atBench.job.id} atBench={atBench} />} />
);

function Starting({ atBench }: { atBench: JobAtBench }): ReactElement {
  const { job, picture } = atBench;
  const log = useLog(job.id);
  const navigate = useNavigate();
  const { search } = useLocation();
  const [state, setState] = useState<StartState>(START_STATES.find((s) => s === search.slice(1)) ?? 'cold');
  const [pulls, setPulls] = useState(0);
  const [drill, setDrill] = useState('');
  const [altered, setAltered] = useState(false);
  const stop = afterPulls(pulls, state);
  // A flooded engine is cleared with its plug out.
  const off = offToStart({
    off: picture.off.filter((o) => state !== 'flooded' || o.part !== 'plug'),
    trayPassed: picture.trayPassed,
  });

  const begin = (next: StartState): void => {
    setState(next);
    setPulls(0);
  };
  const came = (outcome: StartOutcome): void => {
    log('start', { state, pulls, outcome, ...(altered && drill.trim() && { drill: drill.trim() }) });
    setPulls(0);
  };
  useEffect(() => {
    // The space bar counts, whatever has the focus but a field.
    const onKey = (event: KeyboardEvent): void => {
      const at = event.target as HTMLElement;
      if (event.key !== ' ' || at.matches('input, textarea, button, [role="radio"]')) return;
      event.preventDefault();
      setPulls((n) => n + 1);
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, []);
  useKeys(
    useMemo(
      () => [
        { key: 'b', does: 'back to the bench', run: () => void navigate(`/job/${job.id}`) },
        { key: 'p', does: 'a pull', run: () => setPulls((n) => n + 1) },
      ],
      [navigate, job.id],
    ),
  );

  return (
    <div className="flex flex-1 flex-col">
      <JobBar job={job} other={{ to: 'tune', words: 'Tuning' }} />
      <div className="grid flex-1 gap-x-10 gap-y-6 px-3 py-5 sm:px-5 lg:grid-cols-2">
        <section aria-label="Drill">
          <OneOf
            label="The engine is"
            options={START_STATES.map((id) => ({ id, label: STATE_WORDS[id] }))}
            value={state}
            onChange={begin}
          />
          <ol className="mt-4">
            {drillFor(job.machine.kind, state).map((step, i) => (
              <li key={step.does} className="flex gap-4 border-b border-line py-2.5 text-xl leading-snug">
                <span className="w-6 shrink-0 text-right font-bold text-soft">{i + 1}</span>
                <span>
                  <strong className="font-semibold">{step.does}</strong>
                  {step.caution && (
                    <span className="mt-0.5 flex items-center gap-2 text-lg font-semibold text-ochre">
                      <TriangleAlert size={18} className="shrink-0" aria-hidden /> {step.caution}
                    </span>
                  )}
                </span>
              </li>
            ))}
          </ol>
          {altered ? (
            <Written
              label="How it is started instead, for the owner"
              most={MOST_DRILL}
              value={drill}
              onChange={setDrill}
              className="mt-4"
            />
          ) : (
            <Button look="quiet" className="mt-2 !px-0" onClick={() => setAltered(true)}>
              Started another way
            </Button>
          )}
        </section>
        <section aria-label="Pulls">
          {off.length > 0 ? (
            <PutBackFirst off={off} log={log} />
          ) : (
            <>
              <button
                type="button"
                onClick={() => setPulls(pulls + 1)}
                className="grid w-full place-items-center rounded-md border-4 border-ink bg-card py-4 hover:bg-line"
              >
                <output aria-label="Pulls so far" className="text-[9rem] leading-none font-bold tabular-nums">
                  {pulls}
                </output>
                <span className="text-2xl font-semibold">Pull</span>
              </button>
              <div className="mt-1 flex justify-between">
                <span className="flex min-h-11 items-center text-lg text-soft">Stop at {MANY_PULLS}</span>
                {pulls > 0 && (
                  <Button look="quiet" onClick={() => setPulls(pulls - 1)}>
                    One less
                  </Button>
                )}
              </div>
              {stop && (
                <div role="alert" className="mt-1 border-l-8 border-rust pl-4">
                  <p className="text-2xl leading-snug font-bold text-rust">{stop}</p>
                  {state !== 'flooded' && (
                    <Button className="mt-2" onClick={() => begin('flooded')}>
                      It is flooded
                    </Button>
                  )}
                </div>
              )}
              <div className="mt-4 flex flex-wrap gap-3">
                {OUTCOMES.map(([id, words]) => (
                  <button
                    key={id}
                    type="button"
                    disabled={pulls === 0 || tooLong(drill.trim(), MOST_DRILL) !== null}
                    className={`${BIG_BUTTON} min-w-32 flex-1 px-4 disabled:opacity-40`}
                    onClick={() => came(id)}
                  >
                    {words}
                  </button>
                ))}
              </div>
            </>
          )}
          <OwnersCard job={job} picture={picture} />
          <ol aria-label="Starts so far" className="mt-5">
            {picture.starts.toReversed().map((s) => (
              <li
                key={s.id}
                className="flex min-h-11 items-center justify-between gap-4 border-b border-line text-lg"
              >
                <span>
                  <strong>{STATE_WORDS[s.state]}</strong>,{' '}
                  {{ runs: 'runs', pops: 'only pops', nothing: 'nothing' }[s.outcome]} after {s.pulls}
                  {s.drill && `: ${s.drill}`}
                </span>
                <time className="shrink-0 text-soft">
                  {new Date(s.notedAt).toLocaleString('en-GB', {
                    weekday: 'short',
                    hour: '2-digit',
                    minute: '2-digit',
                  })}
                </time>
              </li>
            ))}
          </ol>
        </section>
      </div>
    </div>
  );
}
