import { lastNote, readCode, type Exercise, type Move, type Step } from '@rusty-wren/core/practice';
import { costOf } from '@rusty-wren/core/diagnosis';
import type { CauseId, CheckId, RemedyId } from '@rusty-wren/core/knowledge';
import { GraduationCap, Wrench } from 'lucide-react';
import { useCallback, useEffect, useMemo, useRef, useState, type ReactElement } from 'react';
import { Link, useParams } from 'react-router';
import { isFreeFor, pressIn, useKeys } from '../app/keys';
import { AnyCheck } from '../bench/AnyCheck';
import { BenchLine } from '../bench/BenchLine';
import { StepHead } from '../bench/steps/StepHead';
import { Tray } from '../tray/Tray';
import { Blank } from '../ui/State';
import { Button } from '../ui/Button';
import { Guarded } from '../ui/Guarded';
import { Afterwards } from './Afterwards';
import { MendPick } from './MendPick';
import { PracticeHead } from './PracticeHead';
import { Reading } from './Reading';
import { Ready } from './Ready';
import { SoFar } from './SoFar';
import { Teacher } from './Teacher';
import { useExercise } from './useExercise';

/** The bench with a hidden machine on it: the exercise in the address. */
export function HiddenMachine(): ReactElement {
  const { code = '' } = useParams();
  const read = useMemo(() => readCode(code), [code]);
  if ('refused' in read)
    return (
      <Blank title={read.refused}>
        <Link to="/practice" className="font-semibold text-rust underline">
          To the practice bench
        </Link>
      </Blank>
    );
  return <Going key={code} exercise={read.exercise} />;
}

const STEP = 'practice-step';
const press = pressIn(STEP);

function Going({ exercise }: { exercise: Exercise }): ReactElement {
  const going = useExercise(exercise);
  const { worked, hidden, atBench, log, take, about, moves } = going;
  const [picked, setPicked] = useState<CheckId | null>(null);
  const [mending, setMending] = useState(false);
  const line = useRef<HTMLInputElement>(null);
  // What the teacher said stands until the next move.
  const asked = moves.at(-1)?.do === 'ask';

  const { ended, inHand, unsafe, off } = worked;
  const mayTakeBack = lastNote(worked.steps) >= 0;
  const takeBack = useCallback(() => {
    if (mayTakeBack) take({ do: 'take-back' });
  }, [mayTakeBack, take]);
  useKeys(
    useMemo(
      () => [
        { key: '/', does: 'write on the bench line', run: () => line.current?.focus() },
        ...[1, 2, 3, 4, 5, 6].map((n) => ({
          key: String(n),
          does: n === 1 ? 'do it, or result 1' : `result ${n}`,
          run: () => {
            if (isFreeFor(document.getElementById(STEP))) press('[data-result]', n - 1);
          },
        })),
        {
          key: 'a',
          does: 'find a check',
          run: () => document.querySelector<HTMLElement>(`#${STEP} input`)?.focus(),
        },
        { key: 'e', does: 'ask the teacher', run: () => take({ do: 'ask' }) },
        { key: 'z', does: 'take the note just made back', run: takeBack },
        { key: 'm', does: 'mend something', run: () => setMending(true) },
        { key: 'b', does: 'back to the checks', run: () => setPicked(null) },
      ],
      [take, takeBack],
    ),
  );

  // What has just been shown, picked or said is read from its top.
  const stands = `${inHand?.check} ${picked} ${ended?.why} ${asked}`;
  useEffect(() => {
    scrollTo({ top: 0 });
  }, [stands]);

  if (ended)
    return (
      <div className="flex flex-1 flex-col">
        <PracticeHead hidden={hidden} worked={worked} />
        <Afterwards going={going} />
      </div>
    );

  const step = inHand ? (
    <Reading
      key={inHand.check}
      shows={inHand}
      machine={hidden.machine}
      atBench={atBench}
      onNote={(noted) => take({ do: 'note', check: inHand.check, noted })}
    />
  ) : picked ? (
    <Ready
      key={picked}
      check={picked}
      off={off}
      onLeave={() => setPicked(null)}
      onDo={(kpa, ready) => {
        setPicked(null);
        take({ do: 'look', check: picked, ready, ...(kpa !== undefined && { kpa }) });
      }}
    />
  ) : (
    <section aria-label="What next">
      <StepHead eyebrow="Your move" title={titleFor(worked.steps.findLast((s) => s.move.do !== 'ask'))} />
      {unsafe && (
        <p className="mt-3 text-xl font-semibold text-rust">
          {unsafe}.{' '}
          <Button look="rust" className="ml-2 min-h-14 text-lg" onClick={() => take({ do: 'make-safe' })}>
            Put that right, 6 min
          </Button>
        </p>
      )}
      <div className="mt-4">
        <AnyCheck
          minutesOf={(check) => costOf(check, new Set(off))}
          findings={atBench.picture.findings}
          on={hidden.machine.kind}
          wide
          onPick={setPicked}
        />
      </div>
    </section>
  );

  return (
    <div className="flex flex-1 flex-col">
      <PracticeHead hidden={hidden} worked={worked} />
      <div className="grid flex-1 content-start gap-x-9 gap-y-8 px-3 py-4 sm:px-5 lg:grid-cols-[minmax(0,16fr)_minmax(0,9fr)]">
        <div id={STEP} className="scroll-mb-32">
          <Guarded what="This step">{step}</Guarded>
        </div>
        <div className="flex flex-col gap-6">
          <div className="flex flex-wrap gap-3">
            <Button className="min-h-14 px-4 text-lg" onClick={() => setMending(true)}>
              <Wrench aria-hidden /> Mend
            </Button>
            <Button className="min-h-14 px-4 text-lg" onClick={() => take({ do: 'ask' })}>
              <GraduationCap aria-hidden /> Teacher
            </Button>
            <Button className="min-h-14 px-4 text-lg" onClick={() => take({ do: 'hand-back' })}>
              Hand back
            </Button>
          </div>
          {asked && (
            <Guarded what="The teacher">
              <Teacher about={about} />
            </Guarded>
          )}
          <SoFar steps={worked.steps} onTakeBack={takeBack} />
        </div>
      </div>
      <div className="sticky bottom-0 z-20 grid gap-x-5 gap-y-2 border-t-2 border-line bg-paper px-3 py-2 sm:px-5 lg:grid-cols-2">
        <Tray picture={atBench.picture} jobId={atBench.job.id} log={log} />
        <BenchLine ref={line} picture={atBench.picture} log={log} />
      </div>
      <MendPick
        open={mending}
        onOpenChange={setMending}
        onMend={(cause: CauseId, remedy?: RemedyId) => {
          setPicked(null);
          take({ do: 'mend', cause, ...(remedy && { remedy }) } satisfies Move);
        }}
      />
    </div>
  );
}

/** What stands over the checks: how the last repair turned out, why a check could not be made, or the question. */
function titleFor(last: Step | undefined): string {
  if (last?.outcome === 'cured') return 'That was it. Hand it back, or prove it first';
  if (last?.outcome) return last.outcome === 'better' ? 'It is better, not all of it' : 'It changed nothing';
  if (last?.move.do === 'look' && last.shows?.result === null) return last.shows.words ?? '';
  return 'What would you look at?';
}
