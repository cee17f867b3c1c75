import type { LearntState } from '@rusty-wren/contract';
import { causeOf, type CauseId } from '@rusty-wren/core/knowledge';
import type { LearntCause, LearntOf } from '@rusty-wren/core/learning';
import { useState, type ReactElement } from 'react';
import { problemWords } from '../api/api';
import { LeadSets } from '../hands/LeadSets';
import { OneOf } from '../ui/OneOf';
import { toldRefused } from '../ui/refused';
import { Loading, NotFetched } from '../ui/State';
import { useLearntQuery, useSetCountsMutation } from './learningApi';
import { Minutes } from './Minutes';
import { OtherShops } from './OtherShops';
import { factorWords, jobsIn, sharesWords } from './words';

/** What closed jobs have taught, how far it moves the odds, and the way back to the trade's. */
export function Learnt(): ReactElement {
  const { data: state, error, refetch } = useLearntQuery();
  if (error && !state) return <NotFetched why={problemWords(error)} onRetry={() => void refetch()} />;
  if (!state) return <Loading what="Fetching what was learnt…" />;
  return (
    <div className="grid flex-1 content-start gap-x-12 gap-y-10 px-3 py-5 sm:px-5 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <Odds state={state} />
      <div>
        <Counts counts={state.counts} />
        <Minutes minutes={state.minutes} />
        <OtherShops elsewhere={state.elsewhere} />
      </div>
    </div>
  );
}

const ALL = 'every machine';
const far = ({ factor }: LearntCause): number => Math.abs(Math.log(factor));

function Odds({ state: { learnt, counts } }: { state: LearntState }): ReactElement {
  const [of, setOf] = useState(ALL);
  const places: [string, LearntOf][] = [
    [ALL, learnt.shop],
    ...Object.entries(learnt.groups),
    ...Object.entries(learnt.models),
  ];
  const here = places.find(([name]) => name === of)?.[1] ?? learnt.shop;
  const before =
    of in learnt.models ? 'its class’s' : of in learnt.groups ? 'the whole shop’s' : 'the trade’s';
  const moved = (Object.entries(here.causes) as [CauseId, LearntCause][])
    .filter(([, cause]) => cause.factor !== 1)
    .toSorted(([, x], [, y]) => far(y) - far(x));
  return (
    <section aria-label="Odds">
      <h1 className="text-4xl font-bold">What closed jobs taught</h1>
      <label className="mt-4 flex flex-wrap items-center gap-3 text-lg">
        <span className="font-semibold">On</span>
        <select
          value={of}
          onChange={(e) => setOf(e.target.value)}
          className="min-h-11 max-w-full rounded-md border-2 border-line bg-card px-2 text-lg font-semibold"
        >
          {places.map(([name]) => (
            <option key={name}>{name}</option>
          ))}
        </select>
        <span>
          {jobsIn(here.counts)} {jobsIn(here.counts) === 1 ? 'job' : 'jobs'}
          {here.strength !== null &&
            `; ${before} word on a cause counts as ${Math.round(here.strength)} findings`}
        </span>
      </label>
      {moved.length === 0 ? (
        <p className="mt-5 text-xl">
          {here.counts === 0
            ? 'No closed job has taught anything yet.'
            : 'Nothing that is more than chance: the trade’s odds stand.'}
        </p>
      ) : (
        <ul
          aria-label="Causes"
          className={`mt-4 divide-y divide-line border-y border-line ${counts ? '' : 'text-soft'}`}
        >
          {moved.map(([id, cause]) => (
            <li
              key={id}
              className="grid min-h-14 grid-cols-[1fr_auto] items-center gap-x-4 py-2 sm:grid-cols-[1fr_9rem_4rem]"
            >
              <span className="min-w-0">
                <span className="block text-lg font-semibold">{causeOf(id).name}</span>
                <span className="block tabular-nums">{sharesWords(cause, here)}</span>
              </span>
              <Away factor={cause.factor} />
              <strong
                className={`text-right text-xl tabular-nums ${counts ? (cause.factor > 1 ? 'text-rust' : 'text-moss') : ''}`}
              >
                {factorWords(cause.factor)}
              </strong>
            </li>
          ))}
        </ul>
      )}
      {moved.length > 0 && <p className="mt-3 text-lg text-soft">All else as the trade has it.</p>}
    </section>
  );
}

/** The widest that is drawn: six times commoner, or rarer. */
const WIDEST = Math.log(6);

/** How far from the trade's odds: to the right commoner, to the left rarer. */
function Away({ factor }: { factor: number }): ReactElement {
  const part = (50 * Math.min(WIDEST, Math.abs(Math.log(factor)))) / WIDEST;
  return (
    <span className="relative hidden h-3 bg-line sm:block" aria-hidden>
      <span
        className={`absolute inset-y-0 ${factor > 1 ? 'bg-rust' : 'bg-moss'}`}
        style={factor > 1 ? { left: '50%', width: `${part}%` } : { right: '50%', width: `${part}%` }}
      />
      <span className="absolute inset-y-0 left-1/2 w-0.5 -translate-x-1/2 bg-ink" />
    </span>
  );
}

function Counts({ counts }: { counts: boolean }): ReactElement {
  const [set] = useSetCountsMutation();
  return (
    <section aria-label="Whose odds">
      <h2 className="text-2xl font-bold">Whose odds count</h2>
      <LeadSets>
        <div className="mt-3">
          <OneOf
            label="Whose odds count"
            options={[
              { id: 'shop', label: 'ours beside the trade’s' },
              { id: 'trade', label: 'the trade’s alone' },
            ]}
            value={counts ? 'shop' : 'trade'}
            onChange={(id) => void set(id === 'shop').then((answer) => toldRefused(answer))}
          />
        </div>
      </LeadSets>
    </section>
  );
}
