import { mattersIn, NAMED_FROM } from '@rusty-wren/core/account';
import { coldStartDue, STAGE_WORDS } from '@rusty-wren/core/log';
import { TriangleAlert } from 'lucide-react';
import { type ReactElement } from 'react';
import { JobHead } from '../job/JobHead';
import { useLog, useMay } from '../job/useLog';
import type { JobAtBench } from '../job/useJob';
import { NotTaken } from '../keeping/NotTaken';
import { phaseWords } from '../rack/words';
import { MainLink } from '../ui/MainLink';
import { OneLine } from '../ui/OneLine';
import { dayWords, inSentence, percent } from '../ui/words';
import { STATE_WORDS } from './Found';
import { HowItGoes } from './HowItGoes';
import { StepHead } from './steps/StepHead';
import { Trail } from './Trail';
import { useTradeWords } from '../job/tradeWords';
import { useOpenedAt } from '../ui/useNow';

const SUSPECTS_SHOWN = 3;
/** On what it rests that something is wrong. */
const STANDING_WORDS = { seen: 'found', settled: 'settled on', credited: 'put right' } as const;
const PLACES = [
  { to: 'choices', words: 'Choices and prices' },
  { to: 'papers', words: 'Papers' },
  { to: 'parts', words: 'Parts' },
] as const;

/** How a job stands, for whoever answers its owner and does not work on it: nothing here asks for a hand on the machine. */
export function AtTheCounter({ atBench }: { atBench: JobAtBench }): ReactElement {
  const { job, picture, phase } = atBench;
  const log = useLog(job.id);
  const may = useMay();
  const now = useOpenedAt();
  const { phone } = job.customer;
  const asked = picture.stage === 'answer';
  return (
    <div className="flex flex-1 flex-col">
      <JobHead atBench={atBench} log={log} brief={false} />
      <NotTaken jobId={job.id} />
      <div className="grid flex-1 gap-x-12 gap-y-8 px-3 py-4 sm:px-5 lg:grid-cols-[minmax(0,11fr)_minmax(0,9fr)]">
        <div>
          <StepHead
            eyebrow={asked ? 'Waits for the owner' : STAGE_WORDS[picture.stage]}
            title={
              asked && picture.waitingFor
                ? picture.waitingFor
                : phase.kind === 'check'
                  ? 'The cause is being looked for'
                  : phaseWords({ phase, coldStart: coldStartDue(picture.proof) }, now, job.machine.kind)
            }
          />
          <p className="mt-2 text-xl">
            {job.customer.name}
            {phone && (
              <>
                {', '}
                <a
                  href={`tel:${phone.replace(/[^\d+]/g, '')}`}
                  className="font-semibold tabular-nums underline"
                >
                  {phone}
                </a>
              </>
            )}
            {job.promisedFor && <>, promised for {dayWords(job.promisedFor)}</>}
          </p>
          <nav aria-label="Of this job" className="mt-5 flex flex-wrap gap-3">
            {PLACES.map(({ to, words }) => (
              <MainLink
                key={to}
                to={`/job/${job.id}/${to}`}
                look={asked && to === 'choices' ? 'rust' : 'plain'}
                className="px-6!"
              >
                {words}
              </MainLink>
            ))}
          </nav>
          <Wrong atBench={atBench} />
          {may('at-owners') && <HowItGoes picture={picture} log={log} />}
          {may('note') && (
            <div className="mt-8 max-w-xl">
              <h2 className="text-2xl font-bold">What was said</h2>
              <OneLine
                label="What was said"
                placeholder="by the owner, on the phone or here"
                most={2000}
                done="Note it"
                onDone={(text) => log('note', { text })}
              />
            </div>
          )}
        </div>
        <Trail picture={picture} jobId={job.id} log={log} pointed={null} onRepeat={() => undefined} />
      </div>
    </div>
  );
}

/** What is wrong, as far as it is known. */
function Wrong({ atBench }: { atBench: JobAtBench }): ReactElement | null {
  const { causeOf } = useTradeWords();
  const { account, diagnosis } = atBench;
  const { matters, others, safety, cured } = account;
  // Once it is known, or gone, what is merely suspected is nothing to tell anybody.
  const known = cured || matters.length > 0 || others.length > 0;
  const suspected = known
    ? []
    : diagnosis.suspects.filter((s) => s.explains.length > 0).slice(0, SUSPECTS_SHOWN);
  const lines: { key: string; name: string; says: string; unsafe?: true }[] = [
    ...safety.standing.map((fault) => ({
      key: fault.entryId,
      name: fault.words,
      says: fault.refused ? 'safety fault, refused in writing' : 'safety fault',
      unsafe: true,
    })),
    ...safety.mended.map((fault) => ({
      key: fault.entryId,
      name: fault.words,
      says: 'put right, for safety',
    })),
    ...[...mattersIn(account, 'standing'), ...mattersIn(account, 'mended', 'untried', 'vain')].map((m) => ({
      key: m.cause,
      name: causeOf(m.cause).name,
      says:
        m.state === 'standing'
          ? STANDING_WORDS[m.basis]
          : m.state === 'mended' && m.share < NAMED_FROM
            ? 'put right, may have been it'
            : STATE_WORDS[m.state],
    })),
    ...others.map((o) => ({
      key: o.entryId,
      name: o.words,
      says: o.state === 'standing' ? STANDING_WORDS.settled : STATE_WORDS[o.state],
    })),
    ...suspected.map(({ cause, probability }) => ({
      key: cause,
      name: causeOf(cause).name,
      says: `suspected, ${percent(probability)}`,
    })),
  ];
  if (lines.length === 0) return null;
  return (
    <section aria-label="What is wrong" className="mt-8 max-w-xl">
      <h2 className="text-2xl font-bold">What is wrong, as far as is known</h2>
      <ul className="mt-2 divide-y divide-line border-y border-line text-lg">
        {lines.map(({ key, name, says, unsafe }) => (
          <li key={key} className="flex min-h-11 items-baseline justify-between gap-4 py-2">
            <span className="font-semibold">
              {unsafe && <TriangleAlert size={18} className="mr-2 inline text-rust" aria-hidden />}
              {name}
            </span>
            <span className={`shrink-0 ${unsafe ? 'font-bold text-rust' : ''}`}>{inSentence(says)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
