import { costOf } from '@rusty-wren/core/diagnosis';
import { checkOf, toOpen, type CheckId, type PartId } from '@rusty-wren/core/knowledge';
import { readyFor, type ReadyId } from '@rusty-wren/core/practice';
import { isPressureCheck, TARGETS } from '@rusty-wren/core/pressure';
import { bothPressures } from '@rusty-wren/core/units';
import { Check, Circle, Minus, Plus } from 'lucide-react';
import { useMemo, useState, type ReactElement } from 'react';
import { useKeys } from '../app/keys';
import { PartsFirst } from '../bench/steps/PartsFirst';
import { StepHead } from '../bench/steps/StepHead';
import { Button } from '../ui/Button';
import { Caution } from '../ui/Caution';
import { minutesWords } from '../ui/words';

/** What a stroke of the hand pump brings, kPa, and the most its gauge shows. */
const STROKE_KPA = 7;
const MOST_KPA = 140;

/** A check about to be made: what it takes, what comes off, the caution, what is made ready, and how far to pump. */
export function Ready({
  check: id,
  off,
  onDo,
  onLeave,
}: {
  check: CheckId;
  off: readonly PartId[];
  onDo: (kpa: number | undefined, ready: readonly ReadyId[]) => void;
  onLeave: () => void;
}): ReactElement {
  const check = checkOf(id);
  const [kpa, setKpa] = useState(0);
  const isOff = new Set(off);
  const opens = toOpen(check.access, isOff);
  const pumps = isPressureCheck(id);
  const [ready, setReady] = useState<readonly ReadyId[]>([]);
  const turn = (which: ReadyId): void =>
    setReady((was) => (was.includes(which) ? was.filter((r) => r !== which) : [...was, which]));
  const wanted = useMemo(() => readyFor(id), [id]);
  useKeys(
    useMemo(
      () =>
        wanted.length === 0
          ? []
          : [
              {
                key: 'x',
                does: 'make the next thing ready',
                run: () =>
                  setReady((was) => {
                    const next = wanted.find((r) => !was.includes(r.id));
                    return next ? [...was, next.id] : was;
                  }),
              },
            ],
      [wanted],
    ),
  );
  return (
    <section aria-label="About to">
      <StepHead eyebrow="You look at" title={check.name} aside={minutesWords(costOf(check, isOff))} />
      <PartsFirst what="First off" parts={opens} />
      <Caution says={check.caution} />
      <p className="mt-2 max-w-[62ch] text-lg leading-snug">{check.how}</p>
      {wanted.length > 0 && (
        <div className="mt-4 flex flex-wrap gap-3" role="group" aria-label="Made ready">
          {wanted.map((r) => (
            <Button
              key={r.id}
              className="min-h-14 text-lg"
              aria-pressed={ready.includes(r.id)}
              onClick={() => turn(r.id)}
            >
              {ready.includes(r.id) ? (
                <Check aria-hidden className="text-moss" />
              ) : (
                <Circle aria-hidden className="text-soft" />
              )}
              {r.name}
            </Button>
          ))}
        </div>
      )}
      {pumps && (
        <div className="mt-4 flex flex-wrap items-center gap-4" role="group" aria-label="Pump">
          <Button
            className="min-h-14"
            aria-label="Let some off"
            disabled={kpa === 0}
            onClick={() => setKpa(Math.max(0, kpa - STROKE_KPA))}
          >
            <Minus aria-hidden />
          </Button>
          <output
            aria-label={`Pumped, ${TARGETS[id].vacuum ? 'vacuum' : 'pressure'}`}
            className="text-3xl font-bold tabular-nums"
          >
            {bothPressures(kpa, 'psi')}
          </output>
          <Button
            className="min-h-14"
            aria-label="One stroke"
            disabled={kpa >= MOST_KPA}
            onClick={() => setKpa(kpa + STROKE_KPA)}
          >
            <Plus aria-hidden /> stroke
          </Button>
        </div>
      )}
      <div className="mt-5 flex flex-wrap gap-3">
        <Button
          look="rust"
          data-result="1"
          className="min-h-16 px-8 text-xl"
          disabled={pumps && kpa < 2 * STROKE_KPA}
          onClick={() => onDo(pumps ? kpa : undefined, ready)}
        >
          Do it
        </Button>
        <Button className="min-h-16 px-6 text-lg" onClick={onLeave}>
          Something else
        </Button>
      </div>
    </section>
  );
}
