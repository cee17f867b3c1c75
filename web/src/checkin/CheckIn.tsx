import { joiResolver } from '@hookform/resolvers/joi';
import { CAUTIONS, onTool } from '@rusty-wren/core/knowledge';
import { addDays, format } from 'date-fns';
import { TriangleAlert } from 'lucide-react';
import { useEffect, useMemo, useState, type ReactElement } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { useNavigate } from 'react-router';
import { toast } from 'sonner';
import { v4 as uuid } from 'uuid';
import { problemWords } from '../api/api';
import { useAppDispatch, useAppSelector } from '../app/store';
import { noterOf } from '../hands/hands';
import { EarliestPromise } from '../day/EarliestPromise';
import { serverNow } from '../keeping/clock';
import { Button } from '../ui/Button';
import { checkInKey, dropDraft, keepDraft, keptDraft } from '../ui/useDraft';
import { CaseFileDrop } from './CaseFileDrop';
import { Chips } from './Chips';
import { checkInOf, draftSchema, EMPTY, type Draft, type OnTheBooks } from './draft';
import { hang } from './hang';
import { HowOftenPick } from './HowOften';
import { HistoryChips } from './HistoryChips';
import { SaidDonePick } from './SaidDonePick';
import { useOwners } from './useOwners';
import { Problem } from '../ui/Problem';
import { OwnerAndMachine, type Change, type Problems } from './OwnerAndMachine';
import { Shapes } from './Shapes';

const PROMISES = [1, 3, 7, 14].map((days) => ({
  days,
  label: days === 1 ? 'Tomorrow' : days < 7 ? `${days} days` : days === 7 ? 'A week' : 'Two weeks',
}));

/** A check-in under way: the same id at every try, so that a lost answer cannot make two jobs. */
interface UnderWay {
  draft: Draft;
  jobId: string;
}

/** Whose, what, what it does, is it safe, and what happened before: on one page, under a minute. Each fills in their own. */
export function CheckIn(): ReactElement {
  const by = useAppSelector(noterOf);
  return <Page key={by} by={by} />;
}

function Page({ by }: { by: string | null }): ReactElement {
  const navigate = useNavigate();
  const key = checkInKey(by);
  const [kept] = useState(() => keptDraft<UnderWay>(key));
  const [jobId, setJobId] = useState(() => kept?.jobId ?? uuid());
  const [refused, setRefused] = useState<string | null>(null);
  const [isLoading, setSending] = useState(false);
  const dispatch = useAppDispatch();
  const clock = useAppSelector((s) => s.clock);
  /** Who may be meant is looked for by what is written of the owner, and the form judged by them. */
  const [ownerWritten, setOwnerWritten] = useState(kept?.draft.ownerName ?? '');
  const owners = useOwners(ownerWritten);
  const books = useMemo((): OnTheBooks => ({ owners: owners.map((c) => c.name) }), [owners]);
  const {
    control,
    setValue,
    handleSubmit,
    reset,
    trigger,
    formState: { errors, isSubmitted },
  } = useForm<Draft, OnTheBooks>({
    defaultValues: { ...EMPTY, ...kept?.draft },
    context: books,
    resolver: joiResolver(draftSchema, { abortEarly: false }),
    shouldFocusError: false,
  });
  const draft = useWatch({ control }) as Draft;
  useEffect(() => {
    if (draft !== undefined) keepDraft(key, { draft, jobId } satisfies UnderWay);
  }, [draft, jobId, key]);
  const change: Change = (part) => {
    if (part.ownerName !== undefined) setOwnerWritten(part.ownerName);
    for (const [key, value] of Object.entries(part))
      setValue(key as keyof Draft, value as never, { shouldDirty: true });
    // One field may answer for another: what is wrong is asked of all of them.
    if (isSubmitted) void trigger();
    setRefused(null);
  };
  const problems = Object.fromEntries(
    Object.entries(errors).map(([field, error]) => [field, error?.message]),
  ) as Problems;
  const known = owners.flatMap((o) => o.machines).find((m) => m.id === draft.machineId);
  const kind = known?.kind ?? draft.kind ?? undefined;
  const many = Object.keys(problems).length;

  const checkIn = (another: boolean) =>
    handleSubmit(async (whole) => {
      const now = new Date(serverNow(clock)).toISOString();
      setSending(true);
      const hung = await dispatch(hang(checkInOf(whole, jobId, by, now), whole, owners));
      setSending(false);
      if ('refused' in hung)
        return setRefused(`${problemWords(hung.refused)} Nothing here is lost; try it again.`);
      dropDraft(key);
      if (!another) return navigate(`/job/${jobId}`);
      const { job } = hung.job;
      toast.success(
        `${job.tag === 0 ? 'Kept here, to be sent' : `${job.tag} hangs on its hook`}: ${job.machine.maker} ${job.machine.model}`,
      );
      setJobId(uuid());
      reset({
        ...EMPTY,
        ownerId: job.tag === 0 ? whole.ownerId : job.customer.id,
        ownerName: job.customer.name,
        promised: whole.promised,
        history: whole.history.sharedCan ? { sharedCan: true } : {},
      });
      setOwnerWritten(job.customer.name);
      scrollTo({ top: 0 });
    });
  const startOver = (): void => {
    reset(EMPTY);
    setOwnerWritten('');
    setJobId(uuid());
    setRefused(null);
  };

  return (
    <form onSubmit={(e) => void checkIn(false)(e)} className="px-3 py-3 sm:px-5">
      <h1 className="sr-only">Check a machine in</h1>
      <div className="grid gap-x-9 gap-y-5 lg:grid-cols-[minmax(0,4fr)_minmax(0,7fr)]">
        <section aria-label="Owner and machine">
          <h2 className="mb-1 text-2xl font-bold">Whose, and what?</h2>
          <OwnerAndMachine draft={draft} change={change} problems={problems} owners={owners} />
          <CaseFileDrop draft={draft} change={change} onProblem={setRefused} />
        </section>
        <div className="grid content-start gap-5">
          <section aria-label="Complaint">
            <h2 className="mb-1 text-2xl font-bold">Which of these was it?</h2>
            <Shapes value={draft.complaints} onChange={(complaints) => change({ complaints })} />
            <Problem says={problems.complaints} />
            <HowOftenPick
              complaints={draft.complaints}
              value={draft.often ?? {}}
              onChange={(complaint, often) => change({ often: { ...draft.often, [complaint]: often } })}
            />
            <label className="mt-2 flex flex-wrap items-center gap-x-3">
              <span className="font-semibold">In their words</span>
              <input
                value={draft.words}
                onChange={(e) => change({ words: e.target.value })}
                className="min-h-11 min-w-0 flex-1 rounded-md border-2 border-line bg-card px-3"
              />
              <span className="w-full empty:hidden">
                <Problem says={problems.words} />
              </span>
            </label>
          </section>
          <section aria-label="Safety" className="grid gap-2">
            <Chips
              label="Walked round"
              chips={[
                { value: 'sound', label: 'All sound' },
                { value: 'fault', label: 'A fault' },
              ]}
              value={draft.safety ?? undefined}
              onChange={(safety) => change({ safety: safety ?? null })}
            />
            <p className="flex items-center gap-2 font-semibold text-ochre">
              <TriangleAlert size={20} className="shrink-0" aria-hidden /> {onTool(CAUTIONS.tool, kind)}
            </p>
            {draft.safety === 'fault' && (
              <div>
                <input
                  autoFocus
                  aria-label="Name the fault"
                  value={draft.fault}
                  onChange={(e) => change({ fault: e.target.value })}
                  aria-invalid={problems.fault !== undefined}
                  placeholder={onTool('{round}', kind).replace(/\.$/, '').toLowerCase()}
                  className="min-h-12 w-full rounded-md border-2 border-line bg-card px-3 text-lg aria-invalid:border-rust"
                />
                <Problem says={problems.fault} />
              </div>
            )}
            <Chips
              label="Promised"
              chips={PROMISES.map(({ days, label }) => ({
                value: format(addDays(new Date(), days), 'yyyy-MM-dd'),
                label,
              }))}
              value={draft.promised || undefined}
              onChange={(promised) => change({ promised: promised ?? '' })}
            >
              <EarliestPromise value={draft.promised} onTake={(promised) => change({ promised })} />
            </Chips>
          </section>
          <section aria-label="History">
            <h2 className="mb-1 text-2xl font-bold">What came before?</h2>
            <HistoryChips value={draft.history} onChange={(history) => change({ history })} />
            <Problem says={problems.history} />
            <h3 className="mt-4 mb-1 text-lg font-bold">Done to it before</h3>
            <SaidDonePick value={draft.saidDone} onChange={(saidDone) => change({ saidDone })} on={kind} />
          </section>
        </div>
      </div>
      <div className="sticky bottom-0 mt-4 flex flex-wrap items-center gap-x-4 gap-y-2 border-t-2 border-line bg-paper py-2">
        <Button type="submit" look="rust" disabled={isLoading} className="min-h-14 px-8 text-xl">
          {isLoading ? 'Checking in…' : 'Check it in'}
        </Button>
        <Button className="min-h-14 px-4 text-lg" disabled={isLoading} onClick={(e) => void checkIn(true)(e)}>
          and another of theirs
        </Button>
        <p role={refused || many > 0 ? 'alert' : undefined} className="font-semibold text-rust">
          {refused ?? (many > 0 && (many === 1 ? Object.values(problems)[0] : `${many} things are missing.`))}
        </p>
        <Button look="quiet" className="ml-auto" onClick={startOver}>
          Clear the page
        </Button>
      </div>
    </form>
  );
}
