import type { MachineKind } from '@rusty-wren/core/machine';
import { causeOf, CHOICE_NAMES, NOT_MENDED, remedyMinutes, type CauseId } from '@rusty-wren/core/knowledge';
import { leadingIn, type Stop } from '@rusty-wren/core/diagnosis';
import { offToStart, unsafeToRun } from '@rusty-wren/core/log';
import type { ReactElement } from 'react';
import type { JobAtBench } from '../../job/useJob';
import type { Log } from '../../job/useLog';
import { Button } from '../../ui/Button';
import { MainLink } from '../../ui/MainLink';
import { causesInWords, inSentence, percent } from '../../ui/words';
import { NotMended } from '../Found';
import { Mending, verdictOn } from './Mending';
import { StepHead } from './StepHead';

/** A stop at which something is to be put right. */
type ToPutRight = Exclude<Stop, { why: 'try' }>;

/** Enough is known: what to do about it, as the one call of the bench, and the choices beside it. */
export function StopStep({
  stop,
  atBench,
  log,
  onClose,
}: {
  stop: ToPutRight;
  atBench: Pick<JobAtBench, 'diagnosis' | 'picture' | 'job'>;
  log: Log;
  onClose: () => void;
}): ReactElement {
  const lead = causeOf(leadingIn(stop), atBench.job.machine.kind);
  const { eyebrow, title, says } = wordsFor(stop, atBench.job.machine.kind);
  const remedy = 'remedy' in stop ? stop.remedy : undefined;
  const what = { cause: lead.id, ...(remedy && { remedy: remedy.id }) };
  return (
    <section aria-label="Enough checked">
      <StepHead
        eyebrow={eyebrow}
        title={title}
        aside={stop.why === 'worth' ? undefined : `${remedy ? remedyMinutes(remedy) : lead.minutes} min`}
      />
      <p className="mt-3 max-w-[58ch] text-xl leading-snug">
        {atBench.picture.cured
          ? 'Found while it is proved. What was proved and is not touched by it stands.'
          : says}
      </p>
      {!remedy && <p className="mt-2 text-xl">{lead.remedy}.</p>}
      {stop.why === 'worth' ? (
        <WorthIt {...{ atBench, onClose }} onMend={() => log('verdict', verdictOn(what))} />
      ) : (
        <>
          <Mending
            jobId={atBench.job.id}
            what={what}
            settled={false}
            off={offToStart(atBench.picture)}
            unsafe={unsafeToRun(atBench.picture)}
            proving={atBench.picture.cured}
            besides={atBench.picture.found
              .filter((f) => f.state === 'standing' && !f.answer && f.cause !== lead.id)
              .map((f) => f.cause)}
            log={log}
          />
          {stop.why === 'found' && (
            <div className="mt-4 flex flex-wrap items-center gap-3">
              <NotMended cause={lead.id} log={log} />
            </div>
          )}
        </>
      )}
    </section>
  );
}

/** The engine itself is damaged: what the owner takes comes before anything is spent, and what was agreed before anything else. */
function WorthIt({
  atBench: { diagnosis, picture, job },
  onMend,
  onClose,
}: {
  atBench: Pick<JobAtBench, 'diagnosis' | 'picture' | 'job'>;
  onMend: () => void;
  onClose: () => void;
}): ReactElement {
  const { decision } = picture;
  const mends = decision && !NOT_MENDED.has(decision.choice);
  return (
    <>
      <Behind kind={job.machine.kind} causes={diagnosis.behind.map((b) => b.cause)} />
      {decision && (
        <p className="mt-3 text-xl font-semibold">
          {decision.by} took: {inSentence(CHOICE_NAMES[decision.choice])}.
        </p>
      )}
      <div className="mt-5 flex flex-wrap items-center gap-3">
        {!mends && <MainLink to={`/job/${job.id}/choices`}>Lay out the choices</MainLink>}
        <Button look={mends ? 'rust' : 'plain'} className="min-h-14 px-6 text-lg" onClick={onMend}>
          Go on: mend it
        </Button>
        <Button className="min-h-14 px-6 text-lg" onClick={onClose}>
          Stop here
        </Button>
      </div>
    </>
  );
}

const Behind = ({ causes, kind }: { causes: readonly CauseId[]; kind: MachineKind }): ReactElement | null =>
  causes.length === 0 ? null : (
    <p className="mt-2 max-w-[58ch] text-xl leading-snug">
      What did it may be {causesInWords(causes.slice(0, 3), kind)}: a new one comes back the same while that
      stands.
    </p>
  );

function wordsFor(stop: ToPutRight, kind: MachineKind): { eyebrow: string; title: string; says: string } {
  const lead = causeOf(leadingIn(stop), kind).name;
  switch (stop.why) {
    case 'found':
      return {
        eyebrow: 'Put it right',
        title: lead,
        says: 'Seen, and it accounts for the complaint.',
      };
    case 'settled':
      return {
        eyebrow: 'Put it right',
        title: lead,
        says: `Not seen, but ${percent(stop.probability)} likely: enough to act on.`,
      };
    case 'one-remedy':
      return {
        eyebrow: 'Put it right',
        title: stop.remedy.does,
        says: `It mends whichever it is, ${percent(stop.probability)}: ${causesInWords(stop.causes, kind)}.`,
      };
    case 'worth':
      return {
        eyebrow: 'Ask first',
        title: 'Is it worth mending?',
        says: `${lead}: ${inSentence(stop.remedy.does)}. Weigh that against the machine before anything else is spent.`,
      };
    case 'nothing-pays':
      return {
        eyebrow: 'Try it',
        title: lead,
        says: `No check left is worth its minutes; this is best to try, ${percent(stop.probability)}.`,
      };
  }
}
