import { CHOICE_NAMES } from '@rusty-wren/core/knowledge';
import { priceSaid, type OfferedChoice } from '@rusty-wren/core/worth';
import { Check, PenLine } from 'lucide-react';
import { useState, type ReactElement, type ReactNode } from 'react';
import { Button } from '../ui/Button';
import { useMoney } from '../ui/money';
import { inSentence } from '../ui/words';
import { ChangeChoice, type ChoiceChange } from './ChangeChoice';
import { PriceRange } from './PriceRange';
import { useTradeWords } from '../job/tradeWords';

/** A chance as it is said over a counter. */
export function inTen(p: number): string {
  const n = Math.round(p * 10);
  if (n <= 0) return p < 0.02 ? 'hardly ever' : '1 in 20';
  return n >= 10 ? 'nearly always' : `${n} in 10`;
}

/** Days as they are said. */
const daysWords = ({ low, high }: OfferedChoice['days']): string =>
  high === 0 ? 'today' : low === high ? `${high} ${high === 1 ? 'day' : 'days'}` : `${low} to ${high} days`;

/** From this chance on what is done, or stays, is said without a "perhaps". */
const SURELY = 0.8;

/** One choice, as it would lie on the counter: price, days, risk; what is done, what stays wrong. */
export function ChoiceColumn({
  choice,
  most,
  like,
  best,
  call,
  decided,
  done,
  complained,
  prices,
  onDecide,
  onSet,
}: {
  choice: OfferedChoice;
  /** The dearest of all, for the scale. */
  most: number;
  like: number;
  best: boolean;
  /** The best one is what is to be taken now: nothing comes before it. */
  call: boolean;
  decided: boolean;
  /** All of it is done: there is nothing to take any more. */
  done: boolean;
  complained: boolean;
  prices: ReactNode;
  onDecide: () => void;
  onSet: (change: ChoiceChange) => void;
}): ReactElement {
  const { causeOf } = useTradeWords();
  const money = useMoney();
  const [changing, setChanging] = useState(false);
  const { id, price, right, back, perSeason, jobs, leaves, against, byHand, words } = choice;
  return (
    <li
      className={`flex flex-col border-t-8 pt-3 ${decided ? 'border-moss' : best ? 'border-rust' : 'border-line'}`}
    >
      <div className="flex min-h-7 items-baseline justify-between gap-2">
        <h3 className="text-2xl leading-tight font-bold">{done ? 'Done' : CHOICE_NAMES[id]}</h3>
        {decided ? (
          <span className="flex items-center gap-1 font-semibold text-moss">
            <Check size={18} aria-hidden /> agreed
          </span>
        ) : (
          best && <span className="font-semibold text-rust">our choice</span>
        )}
      </div>
      <p className="mt-1 text-4xl font-bold tabular-nums">{priceSaid(price, money)}</p>
      <PriceRange price={price} most={most} like={like} />
      <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-3 text-lg leading-snug">
        <dt className="text-soft">Ready</dt>
        <dd className="font-semibold">{id === 'parts' ? 'at once' : daysWords(choice.days)}</dd>
        {id !== 'parts' && (id !== 'as-it-is' || right > 0) && (
          <>
            <dt className="text-soft">Runs right</dt>
            <dd className="font-semibold">{inTen(right)}</dd>
            {id !== 'replace' && (
              <>
                <dt className="text-soft">Back in a year</dt>
                <dd className="font-semibold">{inTen(back)}</dd>
              </>
            )}
            {perSeason !== null && (
              <>
                <dt className="text-soft">A season</dt>
                <dd className="font-semibold tabular-nums">{money.about(perSeason)}</dd>
              </>
            )}
          </>
        )}
      </dl>
      {against && <p className="mt-2 font-semibold text-ochre">{against.says}</p>}
      {jobs.length > 0 && (
        <ul aria-label="What is done" className="mt-2 leading-snug">
          {jobs.slice(0, 4).map(({ job, chance }) => (
            <li key={job.id} className={chance >= SURELY ? 'font-semibold' : 'text-soft'}>
              {job.done ? 'done: ' : chance < SURELY && 'perhaps: '}
              {chance < SURELY || job.done ? inSentence(job.does) : job.does}
            </li>
          ))}
        </ul>
      )}
      {leaves.length > 0 && (
        <p className="mt-2 leading-snug">
          <span className="text-rust">Stays wrong:</span>{' '}
          {leaves
            .slice(0, 3)
            .map(
              ({ cause, chance }) => `${chance < SURELY ? 'perhaps ' : ''}${inSentence(causeOf(cause).name)}`,
            )
            .join(', ')}
          .
        </p>
      )}
      {id === 'as-it-is' && complained && (
        <p className="mt-2 leading-snug text-soft">
          {jobs.some((j) => j.job.done) ? 'The rest stays as it is.' : 'It goes home as it came.'}
        </p>
      )}
      {id === 'parts' && <p className="mt-2 leading-snug text-soft">The shop keeps it against the fee.</p>}
      {words && <p className="mt-2 leading-snug">{words}</p>}
      {byHand && (
        <p className="mt-1 flex items-center gap-1.5 font-semibold">
          <PenLine size={16} aria-hidden /> set by hand
        </p>
      )}
      <div className="mt-auto flex flex-wrap items-center gap-x-4 pt-3">
        {!decided && !done && (
          <Button
            look={best && call ? 'rust' : 'plain'}
            aria-label={`They take it: ${CHOICE_NAMES[id]}`}
            onClick={onDecide}
          >
            They take it
          </Button>
        )}
        <Button
          look="quiet"
          className="!px-0"
          aria-label={`Change: ${CHOICE_NAMES[id]}`}
          onClick={() => setChanging(true)}
        >
          Change
        </Button>
      </div>
      {changing && (
        <ChangeChoice choice={choice} prices={prices} onSet={onSet} onClose={() => setChanging(false)} />
      )}
    </li>
  );
}
