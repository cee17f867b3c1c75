import { checksTelling, resultOf, type CauseId } from '@rusty-wren/core/knowledge';
import { glance } from '@rusty-wren/core/diagnosis';
import { Check } from 'lucide-react';
import { useMemo, useState, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { useKeys } from '../app/keys';
import { JobBar } from '../job/JobBar';
import { Reasons } from '../bench/Reasons';
import type { JobAtBench } from '../job/useJob';
import { useLog } from '../job/useLog';
import { WithJob } from '../job/WithJob';
import { minutesWords, percent } from '../ui/words';
import { Button } from '../ui/Button';
import { RowButton } from '../ui/RowButton';
import { Sheet } from '../ui/Sheet';
import { EngineBoard } from './EngineBoard';
import { heatOf, isCleared } from './heat';
import { DRAWN_PARTS, type DrawnPart } from './parts';
import { useTradeWords } from '../job/tradeWords';

/** The whiteboard, computed: the engine drawn, warm where the fault may be, ticked where it is cleared. */
export const CauseMap = (): ReactElement => <WithJob show={(atBench) => <OnTheBoard atBench={atBench} />} />;

function OnTheBoard({ atBench }: { atBench: JobAtBench }): ReactElement {
  const { job, picture, benchCase, diagnosis } = atBench;
  const jobId = job.id;
  const navigate = useNavigate();
  const log = useLog(jobId);
  const heats = useMemo(() => {
    const told = benchCase.evidence.filter((e) => e.kind === 'complaint');
    const byComplaint = glance({ ...benchCase, evidence: told }).causes;
    const found = new Set(picture.findings.map((f) => f.check));
    return DRAWN_PARTS.map((part) => {
      const heat = heatOf(part.causes, diagnosis.causes);
      const looked = checksTelling(part.causes, 'usually').some((check) => found.has(check.id));
      return { part, heat, cleared: isCleared(looked, heat, heatOf(part.causes, byComplaint)) };
    });
  }, [benchCase, picture, diagnosis]);
  const hottest = heats.reduce((x, y) => (y.heat > x.heat ? y : x)).part.id;
  const [tapped, setTapped] = useState<string | null>(null);
  const shown = heats.find((h) => h.part.id === (tapped ?? hottest)) ?? heats[0]!;
  const bindings = useMemo(
    () => [{ key: 'b', does: 'back to the bench', run: () => void navigate(`/job/${jobId}`) }],
    [navigate, jobId],
  );
  useKeys(bindings);
  return (
    <div className="flex flex-1 flex-col">
      <JobBar job={job} />
      <div className="grid flex-1 gap-x-8 gap-y-6 px-3 py-4 sm:px-5 lg:grid-cols-[minmax(0,7fr)_minmax(0,3fr)]">
        <EngineBoard heats={heats} chosen={shown.part.id} onTap={setTapped} />
        <PartPanel
          key={shown.part.id}
          {...shown}
          atBench={atBench}
          onCheck={(check) => void navigate(`/job/${jobId}?check=${check}`)}
          onSettle={(cause) => {
            log('verdict', { settles: cause });
            void navigate(`/job/${jobId}`);
          }}
        />
      </div>
    </div>
  );
}

function PartPanel({
  part,
  heat,
  cleared,
  atBench,
  onCheck,
  onSettle,
}: {
  part: DrawnPart;
  heat: number;
  cleared: boolean;
  atBench: JobAtBench;
  onCheck: (check: string) => void;
  onSettle: (cause: CauseId) => void;
}): ReactElement {
  const { causeOf } = useTradeWords();
  const { diagnosis, picture } = atBench;
  const [why, setWhy] = useState<CauseId | null>(null);
  const planned = new Map(diagnosis.next.map((n) => [n.check, n]));
  const found = new Map(picture.findings.map((f) => [f.check, f]));
  const checks = checksTelling(part.causes).sort(
    (x, y) => (planned.get(y.id)?.value ?? 0) - (planned.get(x.id)?.value ?? 0),
  );
  const made = checks.filter((check) => found.has(check.id));
  const toMake = checks.filter((check) => !found.has(check.id));
  const causes = part.causes
    .map((id) => ({ id, p: heatOf([id], diagnosis.causes) }))
    .sort((x, y) => y.p - x.p);
  return (
    <section aria-label={part.name}>
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="text-3xl font-bold">{part.name}</h2>
        <p className="text-2xl font-bold">{percent(heat)}</p>
      </div>
      {cleared && (
        <p className="flex items-center gap-2 text-lg font-semibold text-moss">
          <Check size={20} aria-hidden /> Cleared
        </p>
      )}
      <ul className="mt-2">
        {causes.map(({ id, p }) => (
          <li key={id}>
            <RowButton
              onClick={() => setWhy(id)}
              aside={<span className="font-semibold">{p >= 0.005 ? percent(p) : '–'}</span>}
            >
              {causeOf(id).name}
            </RowButton>
          </li>
        ))}
      </ul>
      {toMake.length > 0 && <h3 className="mt-5 text-lg font-bold">Check it by</h3>}
      <ul>
        {toMake.slice(0, 6).map((check) => (
          <li key={check.id}>
            <RowButton
              onClick={() => onCheck(check.id)}
              aside={minutesWords(planned.get(check.id)?.minutes ?? check.minutes)}
            >
              <strong className="font-semibold">{check.name}</strong>
            </RowButton>
          </li>
        ))}
      </ul>
      {made.length > 0 && <h3 className="mt-5 text-lg font-bold">Looked at</h3>}
      <ul className="text-lg leading-snug">
        {made.map((check) => (
          <li key={check.id} className="py-1">
            {check.name}:{' '}
            <strong>
              {resultOf(check.id, found.get(check.id)?.result ?? '')?.label ?? 'cannot be judged'}
            </strong>
          </li>
        ))}
      </ul>
      <Sheet
        title={why ? causeOf(why).name : ''}
        open={why !== null}
        onOpenChange={(open) => !open && setWhy(null)}
      >
        {why && (
          <>
            <Reasons cause={why} atBench={atBench} />
            <Button className="mt-4" onClick={() => onSettle(why)}>
              Settle on this
            </Button>
          </>
        )}
      </Sheet>
    </section>
  );
}
