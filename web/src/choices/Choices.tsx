import type { Shop } from '@rusty-wren/contract';
import { pricedOf } from '@rusty-wren/contract';
import { checkOf, CHOICE_NAMES, resultOf, type CheckId } from '@rusty-wren/core/knowledge';
import type { Picture } from '@rusty-wren/core/log';
import { askedOf, likelyNow, priceSaid, worthOf, type OneMore, type Worth } from '@rusty-wren/core/worth';
import { TriangleAlert } from 'lucide-react';
import { useMemo, useState, type ReactElement, type ReactNode } from 'react';
import { StepHead } from '../bench/steps/StepHead';
import { JobBar } from '../job/JobBar';
import type { JobAtBench } from '../job/useJob';
import { useLog, type Log } from '../job/useLog';
import { WithJob } from '../job/WithJob';
import { NotTaken } from '../keeping/NotTaken';
import { WithReckoning } from '../shop/WithShop';
import { Button } from '../ui/Button';
import { MainLink } from '../ui/MainLink';
import { useMoney } from '../ui/money';
import { inSentence, minutesWords, percent } from '../ui/words';
import { ChoiceColumn } from './ChoiceColumn';
import { Decided } from './Decided';
import { DecideSheet } from './DecideSheet';
import { JobPrices } from './JobPrices';
import { MachineWorth } from './MachineWorth';
import { useOneMore } from './useOneMore';

/** What to put to the owner: the choices side by side, and the one the shop would take. */
export const Choices = (): ReactElement => (
  <WithJob
    show={(atBench) => (
      <WithReckoning show={(shop) => <OnTheCounter key={atBench.job.id} atBench={atBench} shop={shop} />} />
    )}
  />
);

/** Looks that say how worn an engine is: they can be made on any machine. */
const OF_THE_ENGINE: readonly CheckId[] = ['compression-gauge', 'cylinder-peep'];
/** Of the plan's next checks, so many are asked what they would change. */
const ASKED = 6;

/** The choices of a job, by what the shop goes by. */
export function OnTheCounter({ atBench, shop }: { atBench: JobAtBench; shop: Shop }): ReactElement {
  const { job, picture, account, benchCase, diagnosis } = atBench;
  const { machine } = job;
  const log = useLog(job.id);
  const money = useMoney();
  const [deciding, setDeciding] = useState<Worth['choices'][number] | null>(null);
  const asked = useMemo(() => askedOf(picture, pricedOf(machine), shop), [picture, machine, shop]);
  const worth = useMemo(
    () => worthOf({ ...asked, likely: likelyNow(account, benchCase) }),
    [asked, account, benchCase],
  );
  const checks = account.decided
    ? []
    : [...new Set([...diagnosis.next.slice(0, ASKED).map((n) => n.check), ...OF_THE_ENGINE])];
  const oneMore = useOneMore(benchCase, asked, checks);
  const most = Math.max(...worth.choices.map((c) => c.price.high), worth.like);
  return (
    <div className="flex flex-1 flex-col">
      <JobBar job={job} other={{ to: 'papers', words: 'Papers' }} />
      <NotTaken jobId={job.id} />
      <div className="grid content-start gap-x-10 gap-y-5 px-3 py-4 sm:px-5 lg:grid-cols-[minmax(0,1fr)_auto] lg:*:col-span-2">
        <div className="lg:!col-span-1">
          {picture.decision ? (
            <Decided decision={picture.decision} picture={picture} jobId={job.id} />
          ) : (
            <Verdict worth={worth} oneMore={oneMore?.[0]} jobId={job.id}>
              {!worth.finished && <Asking picture={picture} worth={worth} log={log} />}
            </Verdict>
          )}
        </div>
        <div className="max-lg:order-last lg:!col-span-1">
          <MachineWorth
            key={JSON.stringify(picture.worth)}
            known={picture.worth}
            like={worth.like}
            onSaid={(body) => log('worth', body)}
          />
        </div>
        <ol
          aria-label="Choices"
          className="grid grid-cols-[repeat(auto-fit,minmax(13rem,1fr))] gap-x-6 gap-y-6"
        >
          {worth.choices.map((choice) => (
            <ChoiceColumn
              key={choice.id}
              choice={choice}
              most={most}
              like={worth.like}
              best={choice.id === worth.best && !picture.decision && !worth.finished}
              call={oneMore?.[0] === undefined && !picture.decision}
              decided={picture.decision?.choice === choice.id}
              done={worth.finished}
              complained={picture.complaints.length > 0}
              prices={<JobPrices jobs={choice.jobs.map((j) => j.job)} machine={asked.machine} shop={shop} />}
              onDecide={() => setDeciding(choice)}
              onSet={(body) => log('choice-set', { choice: choice.id, ...body })}
            />
          ))}
        </ol>
        <p className="flex items-center gap-2 text-soft">
          <span aria-hidden className="h-5 border-l-2 border-dashed border-soft" /> a like one, new:{' '}
          {money.about(worth.like)}
        </p>
        <details className="text-lg">
          <summary className="min-h-11 cursor-pointer font-semibold text-soft">
            Not on the counter: {worth.notOffered.map((n) => CHOICE_NAMES[n.id].toLowerCase()).join(', ')}
          </summary>
          <ul className="mt-1">
            {worth.notOffered.map((n) => (
              <li key={n.id}>
                <strong>{CHOICE_NAMES[n.id]}</strong>. {n.says}
              </li>
            ))}
          </ul>
        </details>
      </div>
      {deciding && (
        <DecideSheet
          choice={deciding}
          jobId={job.id}
          owner={job.customer.name}
          paper={picture.papers.findLast((p) => p.paper === 'report')}
          log={log}
          onClose={() => setDeciding(null)}
        />
      )}
    </div>
  );
}

/** The one call: one more check before a price is named, to ask the owner, or the choice to take. */
function Verdict({
  worth,
  oneMore,
  jobId,
  children,
}: {
  worth: Worth;
  oneMore: OneMore | undefined;
  jobId: string;
  children: ReactNode;
}): ReactElement {
  const money = useMoney();
  const best = worth.choices.find((c) => c.id === worth.best);
  return (
    <section aria-label="Verdict">
      {oneMore ? (
        <>
          <StepHead
            eyebrow="Before a price is named"
            title={checkOf(oneMore.check).name}
            aside={minutesWords(oneMore.minutes)}
          />
          <p className="mt-2 max-w-[52ch] text-xl leading-snug">
            {oneMore.changes
              .slice(0, 2)
              .map(
                ({ result, chance, best: then }) =>
                  `${resultOf(oneMore.check, result)?.label ?? result} (${percent(chance)}): ${inSentence(CHOICE_NAMES[then])}`,
              )
              .join('; ')}
            . It is likely to save the owner {money.about(oneMore.saves)}.
          </p>
          <MainLink to={`/job/${jobId}?check=${oneMore.check}`} className="mt-3">
            Look first
          </MainLink>
        </>
      ) : (
        <>
          <StepHead
            eyebrow={worth.finished ? 'Done' : worth.askFirst ? 'Ask the owner' : 'The bench would take'}
            title={worth.finished ? 'It comes to' : CHOICE_NAMES[worth.best]}
            {...(best && best.price.high > 0 && { aside: priceSaid(best.price, money) })}
          />
          <p className="mt-2 max-w-[52ch] text-xl leading-snug">{worth.because.says}</p>
        </>
      )}
      {worth.askFirst && (
        <p className="mt-2 flex items-start gap-2 text-lg font-semibold text-rust">
          <TriangleAlert className="mt-0.5 shrink-0" aria-hidden /> {worth.askFirst.says}
        </p>
      )}
      {children}
    </section>
  );
}

/** The owner is asked: the job waits for the answer, and says what was laid before them. */
function Asking({ picture, worth, log }: { picture: Picture; worth: Worth; log: Log }): ReactElement {
  const money = useMoney();
  if (picture.stage === 'answer')
    return <p className="mt-3 text-lg font-semibold text-ochre">Asked: {picture.waitingFor}</p>;
  const laid = worth.choices
    .filter((c) => !c.against && c.id !== 'parts')
    .map((c) => `${inSentence(CHOICE_NAMES[c.id])} ${priceSaid(c.price, money)}`)
    .join(', ');
  return (
    <Button
      className="mt-3 min-h-14 px-6 text-lg"
      onClick={() => log('stage', { stage: 'answer', waitingFor: `which it is to be: ${laid}` })}
    >
      Wait for the owner’s answer
    </Button>
  );
}
