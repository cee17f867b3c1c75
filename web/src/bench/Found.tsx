import type { CauseId } from '@rusty-wren/core/knowledge';
import type { Found as FoundFault } from '@rusty-wren/core/diagnosis';
import type { FoundFault as Answered, SafetyFault } from '@rusty-wren/core/log';
import { ChevronDown, Eye, TriangleAlert, Wrench } from 'lucide-react';
import { useState, type ReactElement, type ReactNode } from 'react';
import type { Log } from '../job/useLog';
import { Button } from '../ui/Button';
import { OneLine } from '../ui/OneLine';
import { Refused } from './steps/SafetyStep';
import { useTradeWords } from '../job/tradeWords';

/** What became of a fault that stands no more. */
export const STATE_WORDS = {
  mended: 'mended',
  untried: 'mended, not tried yet',
  vain: 'put right without effect',
} as const;
const ANSWER_WORDS = { told: 'the owner was told', left: 'left' } as const;

/** What was seen, measured or put right: true whatever else is wrong, and on the list of work. */
export function Found({
  found,
  answers,
  safety,
  mending,
  cured,
  nameOf,
  log,
  onEntry,
}: {
  found: readonly FoundFault[];
  /** What was said about each of them. */
  answers: readonly Answered[];
  safety: readonly SafetyFault[];
  /** Being mended already. */
  mending: ReadonlySet<CauseId>;
  /** It ran right since. */
  cured: boolean;
  nameOf: (ref: string) => string;
  log: Log;
  onEntry: (ref: string) => void;
}): ReactElement | null {
  const { causeOf } = useTradeWords();
  if (found.length === 0 && safety.length === 0) return null;
  const answerTo = (cause: CauseId): Answered['answer'] =>
    answers.find((a) => a.cause === cause)?.answer ?? null;
  return (
    <section aria-label="Found" className="mb-5">
      <h2 className="text-2xl font-bold">Found</h2>
      <ul className="mt-1">
        {safety.map((fault) => (
          <Row
            key={fault.entryId}
            icon={<TriangleAlert size={20} className="shrink-0 text-rust" aria-hidden />}
            name={fault.words}
            says={
              fault.refused
                ? 'safety fault, refused in writing'
                : fault.told
                  ? 'safety fault, the owner was told'
                  : 'safety fault'
            }
            danger
          >
            <Button onClick={() => log('answered', { safety: 'put-right' })}>Put right</Button>
            {!fault.told && (
              <Button onClick={() => log('answered', { safety: 'told' })}>Told the owner</Button>
            )}
            {!fault.refused && <Refused log={log} />}
            <SeeIt entry={fault.entryId} onEntry={onEntry} />
          </Row>
        ))}
        {found.map(({ cause, refs, state, explains }) => {
          const [ref] = refs;
          const answer = answerTo(cause);
          const seen = explains.length > 0 ? (ref && nameOf(ref)) || 'seen' : 'on the way: not the complaint';
          const says = answer
            ? [ANSWER_WORDS[answer.answer], answer.words].filter(Boolean).join(': ')
            : state === 'standing'
              ? mending.has(cause)
                ? 'being mended'
                : seen
              : state === 'untried' && cured
                ? 'put right as well'
                : STATE_WORDS[state];
          return (
            <Row
              key={cause}
              id={cause}
              icon={
                state === 'standing' ? (
                  <Eye size={20} className="shrink-0" aria-hidden />
                ) : (
                  <Wrench size={20} className="shrink-0 text-moss" aria-hidden />
                )
              }
              name={causeOf(cause).name}
              says={says}
            >
              {state === 'standing' && !mending.has(cause) && <Answers cause={cause} log={log} />}
              {ref && <SeeIt entry={ref} onEntry={onEntry} />}
            </Row>
          );
        })}
      </ul>
    </section>
  );
}

const SeeIt = ({ entry, onEntry }: { entry: string; onEntry: (ref: string) => void }): ReactElement => (
  <Button look="quiet" onClick={() => onEntry(entry)}>
    See where
  </Button>
);

/** What can be done about something found: mend it, or say that it is not mended. */
const Answers = ({ cause, log }: { cause: CauseId; log: Log }): ReactElement => (
  <>
    <Button onClick={() => log('repair', { cause, outcome: 'untried' })}>Mended</Button>
    <NotMended cause={cause} log={log} />
  </>
);

/** Something found is not mended: the owner was told, or why it is left. */
export function NotMended({ cause, log }: { cause: CauseId; log: Log }): ReactElement {
  const [leaving, setLeaving] = useState(false);
  return (
    <>
      <Button onClick={() => log('answered', { cause, answer: 'told' })}>Told the owner</Button>
      <Button aria-expanded={leaving} onClick={() => setLeaving(!leaving)}>
        Left, because…
      </Button>
      {leaving && (
        <div className="-mt-2 w-full">
          <OneLine
            focus
            label="Why it is left"
            placeholder="owner declines, no part, harmless"
            most={500}
            done="Leave it"
            look="plain"
            onDone={(words) => log('answered', { cause, answer: 'left', words })}
          />
        </div>
      )}
    </>
  );
}

function Row({
  id,
  icon,
  name,
  says,
  danger = false,
  children,
}: {
  id?: CauseId;
  icon: ReactElement;
  name: string;
  says: string;
  danger?: boolean;
  children: ReactNode;
}): ReactElement {
  const [open, setOpen] = useState(false);
  return (
    <li data-found={id ?? 'safety'} className="border-b border-line py-1">
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="flex min-h-11 w-full items-center gap-2 text-left hover:underline"
      >
        {icon}
        <span className="min-w-0 flex-1 leading-tight">
          <strong className={`text-lg ${danger ? 'text-rust' : ''}`}>{name}</strong>
          <span className="block text-soft">{says}</span>
        </span>
        <ChevronDown size={18} className={open ? 'rotate-180' : ''} aria-hidden />
      </button>
      {open && <div className="flex flex-wrap gap-2 pb-2">{children}</div>}
    </li>
  );
}
