import {
  disagreementsAt,
  resultOf,
  runsIt,
  showsAtTimes,
  toOpen,
  type CheckId,
  type Counted,
  type PartId,
  type Sureness,
} from '@rusty-wren/core/knowledge';
import { minutesIn, type NextCheck as Next, type Skipped, type Suspect } from '@rusty-wren/core/diagnosis';
import type { Noted } from '@rusty-wren/core/log';
import type { Reading } from '@rusty-wren/core/reading';
import { TriangleAlert } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { Instrument } from '../instruments/Instrument';
import { StopWireSequence } from '../instruments/spark/StopWireSequence';
import { LightsOutStep } from '../instruments/spark/LightsOutStep';
import { inSentence, minutesWords, percent } from '../ui/words';
import { Button } from '../ui/Button';
import type { JobAtBench } from '../job/useJob';
import type { Log } from '../job/useLog';
import { Caution } from '../ui/Caution';
import { ResultPick } from './ResultPick';
import { countIn, ONCE, OnceMore, SeveralTimes } from './SeveralTimes';
import { Problem } from '../ui/Problem';
import { KnownHere, WhatBites } from '../specs/KnownHere';
import { PartsFirst } from './steps/PartsFirst';
import { StepHead } from './steps/StepHead';
import { TradeDisagrees } from './TradeDisagrees';
import { SurenessPick } from './SurenessPick';
import { useTradeWords } from '../job/tradeWords';

/** A result is worth foretelling when it would raise a suspect by this much. */
const TELLING = 0.05;

/** Why this check: the results that would raise a suspect most, weighed by their chance. */
export function Why({
  next,
  suspects,
}: {
  next: Next;
  suspects: readonly Pick<Suspect, 'cause' | 'probability'>[];
}): ReactElement | null {
  const { causeOf } = useTradeWords();
  const now = new Map(suspects.map((s) => [s.cause, s.probability]));
  const telling = next.outlook
    .map((o) => ({ ...o, gain: o.leads.probability - (now.get(o.leads.cause) ?? 0) }))
    .filter((o) => o.gain >= TELLING)
    .sort((x, y) => y.gain * y.chance - x.gain * x.chance)
    .slice(0, 2);
  if (telling.length === 0) return null;
  return (
    <ul aria-label="Why" className="mt-2 text-lg leading-snug text-soft">
      {telling.map((o) => (
        <li key={o.result}>
          If <strong className="text-ink">{resultOf(next.check, o.result)?.label}</strong>:{' '}
          {inSentence(causeOf(o.leads.cause).name)} {percent(o.leads.probability)}
        </li>
      ))}
    </ul>
  );
}

/** A check that runs a machine which hurts somebody: not before that is put right, or knowingly passed. */
function HazardStep({
  title,
  because,
  onRight,
  onPass,
}: {
  title: string;
  because: string;
  /** Where it can be put right by itself: it is. */
  onRight: (() => void) | undefined;
  onPass: () => void;
}): ReactElement {
  return (
    <section aria-label="Next check">
      <StepHead eyebrow="Do not run it" title={title} />
      <p className="mt-3 flex items-start gap-2 text-xl font-semibold text-rust">
        <TriangleAlert className="mt-1 shrink-0" aria-hidden /> {because}. Put that right first.
      </p>
      <div className="mt-5 flex flex-wrap gap-3">
        {onRight && (
          <Button look="rust" className="min-h-14 px-6 text-lg" onClick={onRight}>
            It is put right
          </Button>
        )}
        <Button className="min-h-14 px-6 text-lg" onClick={onPass}>
          Run it all the same
        </Button>
      </div>
    </section>
  );
}

/** The check to make now: large, with why, how, minutes, caution and one-tap results. */
export function NextCheck({
  checkId,
  next,
  suspects,
  says,
  instead,
  off,
  skipped,
  atBench,
  log,
  measuring,
  onMeasuring,
  onLogged,
  onPick,
}: {
  checkId: CheckId;
  /** The plan's entry for it; absent when it was picked though the plan sees nothing in it. */
  next: Next | undefined;
  suspects: readonly Suspect[];
  /** Who says so: the plan, a school, or the technician. */
  says: string;
  /** What the plan would do instead, where a school says otherwise. */
  instead: Next | undefined;
  /** What is off the machine already. */
  off: readonly PartId[];
  /** Cheap checks that would be passed over by opening the machine now. */
  skipped: readonly Skipped[];
  atBench: JobAtBench;
  log: Log;
  /** Whether something has been measured: then the instrument has the room. */
  measuring: boolean;
  onMeasuring: () => void;
  onLogged: () => void;
  onPick: (check: CheckId) => void;
}): ReactElement {
  const { checkOf } = useTradeWords();
  const check = checkOf(checkId);
  const [sureness, setSureness] = useState<Sureness>('sure');
  const [pulls, setPulls] = useState('');
  const [tries, setTries] = useState(ONCE);
  const [wrongCount, setWrongCount] = useState<string | undefined>();
  const comesAndGoes = showsAtTimes(check) && atBench.benchCase.history.comesAndGoes === true;
  const countsPulls = check.results.some((r) => r.fromPulling);
  const opens = toOpen(check.access, new Set(off));
  const puts = next?.puts ?? [];
  const places = [...opens.map((part) => `part/${part}` as const), `check/${checkId}` as const];
  const minutes = next?.minutes ?? minutesIn(atBench.benchCase)(check);
  const { hazard } = atBench.diagnosis;
  const runs = runsIt(check);

  // What had to come off to get there is off now: the tray must know.
  const openUp: readonly Noted[] = [
    ...opens.map((part) => ({ kind: 'took-off', body: { part } }) as const),
    ...puts.map((part) => ({ kind: 'put-back', body: { part } }) as const),
  ];
  const record = (
    body: { result: string; sureness?: Sureness; counts?: Counted } | { reading: Reading },
  ): void => {
    const counted = pulls === '' ? {} : { pulls: Number(pulls) };
    log.all([...openUp, { kind: 'finding', body: { check: checkId, sureness, ...counted, ...body } }]);
    onLogged();
  };
  const pick = (result: string): void => {
    const counts = countIn(check, result, tries);
    if (typeof counts === 'string') return setWrongCount(counts);
    record({ result, ...(counts && { counts }) });
  };

  if (hazard && runs)
    return (
      <HazardStep
        title={check.name}
        because={atBench.nameOf(hazard.ref)}
        onRight={
          atBench.picture.safetyFaults.length > 0 ? () => log('answered', { safety: 'put-right' }) : undefined
        }
        onPass={() =>
          log('hazard-passed', { words: `${check.name}, although: ${atBench.nameOf(hazard.ref)}` })
        }
      />
    );
  return (
    <section aria-label="Next check">
      <StepHead eyebrow={says} title={check.name} aside={measuring ? undefined : minutesWords(minutes)} />
      {instead && (
        <button
          type="button"
          onClick={() => onPick(instead.check)}
          className="flex min-h-11 items-center text-left text-lg text-soft hover:underline"
        >
          The plan would: {inSentence(checkOf(instead.check).name)}, {minutesWords(instead.minutes)}
        </button>
      )}
      <PartsFirst what="First off" parts={opens} />
      <PartsFirst what="Back on first" parts={puts} />
      {!measuring && <KnownHere atBench={atBench} places={places} />}
      {skipped.length > 0 && !measuring && (
        <ul aria-label="Cheaper first" className="mt-3 border-l-4 border-steel pl-3 text-lg leading-snug">
          {skipped.map((s) => (
            <li key={s.check}>
              <button
                type="button"
                onClick={() => onPick(s.check)}
                className="min-h-11 text-left hover:underline"
              >
                Before that: <strong>{inSentence(checkOf(s.check).name)}</strong>, {minutesWords(s.minutes)},
                settles {percent(s.chance)} of it
              </button>
            </li>
          ))}
        </ul>
      )}
      <Caution says={check.caution} />
      {!measuring && (
        <>
          <p className="mt-2 max-w-[62ch] text-lg leading-snug">{check.how}</p>
          {next && <Why next={next} suspects={suspects} />}
        </>
      )}
      <div className={measuring ? 'mt-2' : 'mt-3'}>
        {check.reading && (
          <Instrument
            check={check}
            atBench={atBench}
            onStart={onMeasuring}
            onLog={(reading) => record({ reading })}
          />
        )}
        {check.id === 'spark-tester' && (
          <LightsOutStep onResult={(result, how) => record({ result, sureness: how })} />
        )}
        {check.id === 'spark-stop-wire-off' && (
          <StopWireSequence
            onStart={onMeasuring}
            onLog={(findings, how) => {
              log.all([
                ...openUp,
                ...findings.map((f) => ({ kind: 'finding', body: { ...f, sureness: how } }) as const),
              ]);
              onLogged();
            }}
          />
        )}
        {showsAtTimes(check) && !measuring && (
          <OnceMore
            check={check}
            picture={atBench.picture}
            onAgain={(result, counts) => record({ result, counts })}
          />
        )}
        <ResultPick check={check} onPick={pick} />
        <Problem says={wrongCount} />
        <div className="mt-4 flex flex-wrap items-center gap-x-6 gap-y-3">
          <SurenessPick value={sureness} onChange={setSureness} />
          {comesAndGoes && <SeveralTimes value={tries} onChange={setTries} />}
          {countsPulls && (
            <label className="flex items-center gap-3 text-lg">
              Pulls just before
              <input
                inputMode="numeric"
                maxLength={2}
                value={pulls}
                onChange={(e) => setPulls(e.target.value.replace(/\D/g, ''))}
                className="min-h-11 w-16 rounded-md border-2 border-line bg-card text-center text-xl font-semibold"
              />
            </label>
          )}
        </div>
        {!measuring && (
          <div className="mt-2">
            <TradeDisagrees on={disagreementsAt(checkId)} plan={atBench.diagnosis.next} />
            <WhatBites atBench={atBench} places={places} />
          </div>
        )}
      </div>
    </section>
  );
}
