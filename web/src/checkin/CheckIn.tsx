import { CAUTIONS } from '@rusty-wren/core/knowledge';
import { addDays, format } from 'date-fns';
import { TriangleAlert } from 'lucide-react';
import { useState, type FormEvent, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { v4 as uuid } from 'uuid';
import { problemWords, useCheckInMutation } from '../api/api';
import { useAppSelector } from '../app/store';
import { Button } from '../ui/Button';
import { CaseFileDrop } from './CaseFileDrop';
import { Chips } from './Chips';
import { checkInOf, EMPTY, problemsOf, type Draft } from './draft';
import { HistoryChips } from './HistoryChips';
import { OwnerAndMachine } from './OwnerAndMachine';
import { Shapes } from './Shapes';

const PROMISES = [1, 3, 7, 14].map((days) => ({
  days,
  label: days === 1 ? 'Tomorrow' : days < 7 ? `${days} days` : days === 7 ? 'A week' : 'Two weeks',
}));

/** Whose, what, what it does, what happened before, and is it safe: on one page, under a minute. */
export function CheckIn(): ReactElement {
  const navigate = useNavigate();
  const by = useAppSelector((s) => s.settings.accountId);
  const [draft, setDraft] = useState<Draft>(EMPTY);
  // The same id at every try, so that a lost answer cannot make two jobs.
  const [jobId] = useState(() => uuid());
  const [shown, setShown] = useState<string[]>([]);
  const [send, { isLoading }] = useCheckInMutation();
  const change = (part: Partial<Draft>): void => {
    setDraft((d) => ({ ...d, ...part }));
    setShown([]);
  };

  const submit = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    const problems = problemsOf(draft);
    if (problems.length > 0) return setShown(problems);
    const result = await send(checkInOf(draft, jobId, by, new Date().toISOString()));
    if (result.error)
      return setShown([`${problemWords(result.error)} Nothing here is lost; hang it up again.`]);
    await navigate(`/job/${jobId}`);
  };

  return (
    <form onSubmit={(e) => void submit(e)} className="px-3 py-4 sm:px-5">
      <h1 className="sr-only">Check a machine in</h1>
      <div className="grid gap-x-9 gap-y-7 lg:grid-cols-[minmax(0,4fr)_minmax(0,7fr)]">
        <section aria-label="Owner and machine">
          <h2 className="mb-2 text-2xl font-bold">Whose, and what?</h2>
          <OwnerAndMachine draft={draft} change={change} />
          <CaseFileDrop draft={draft} change={change} onProblem={(problem) => setShown([problem])} />
        </section>
        <div className="grid gap-7">
          <section aria-label="Complaint">
            <h2 className="mb-2 text-2xl font-bold">Which of these was it?</h2>
            <Shapes value={draft.complaints} onChange={(complaints) => change({ complaints })} />
            <label className="mt-3 flex flex-wrap items-center gap-x-3">
              <span className="font-semibold">In their words</span>
              <input
                value={draft.words}
                onChange={(e) => change({ words: e.target.value })}
                maxLength={500}
                className="min-h-11 min-w-0 flex-1 rounded-md border-2 border-line bg-card px-3"
              />
            </label>
          </section>
          <section aria-label="History">
            <h2 className="mb-2 text-2xl font-bold">What came before?</h2>
            <HistoryChips value={draft.history} onChange={(history) => change({ history })} />
          </section>
          <section aria-label="Safety">
            <h2 className="mb-2 text-2xl font-bold">Walk round it</h2>
            <p className="mb-2 flex items-center gap-2 font-semibold text-ochre">
              <TriangleAlert size={20} className="shrink-0" aria-hidden /> {CAUTIONS.chain}
            </p>
            <Chips
              label="Safety parts"
              chips={[
                { value: 'sound', label: 'All sound' },
                { value: 'fault', label: 'A fault' },
              ]}
              value={draft.safety ?? undefined}
              onChange={(safety) => change({ safety: safety ?? null })}
            />
            {draft.safety === 'fault' && (
              <input
                autoFocus
                aria-label="Name the fault"
                value={draft.fault}
                onChange={(e) => change({ fault: e.target.value })}
                maxLength={500}
                placeholder="brake, catcher, interlock, guard, stop switch, mounts, chain or blade"
                className="mt-2 min-h-12 w-full rounded-md border-2 border-line bg-card px-3 text-lg"
              />
            )}
            <div className="mt-2">
              <Chips
                label="Promised"
                chips={PROMISES.map(({ days, label }) => ({
                  value: format(addDays(new Date(), days), 'yyyy-MM-dd'),
                  label,
                }))}
                value={draft.promised || undefined}
                onChange={(promised) => change({ promised: promised ?? '' })}
              />
            </div>
          </section>
        </div>
      </div>
      <div className="sticky bottom-0 mt-6 flex flex-wrap items-center gap-x-6 gap-y-2 border-t-2 border-line bg-paper py-3">
        <Button type="submit" look="rust" disabled={isLoading} className="min-h-14 px-8 text-xl">
          {isLoading ? 'Hanging it up…' : 'Hang it up'}
        </Button>
        {shown.length > 0 && (
          <p role="alert" className="font-semibold text-rust">
            {shown.join(' ')}
          </p>
        )}
      </div>
    </form>
  );
}
