import { costOf } from '@rusty-wren/core/diagnosis';
import { checkOf, toOpen, type CheckId, type PartId } from '@rusty-wren/core/knowledge';
import { isPressureCheck, TARGETS } from '@rusty-wren/core/pressure';
import { bothPressures } from '@rusty-wren/core/units';
import { Minus, Plus } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { PartsFirst } from '../bench/steps/PartsFirst';
import { StepHead } from '../bench/steps/StepHead';
import { Button } from '../ui/Button';
import { Caution } from '../ui/Caution';
import { minutesWords } from '../ui/words';

/** What a stroke of the hand pump brings, kPa, and the most its gauge shows. */
const STROKE_KPA = 7;
const MOST_KPA = 140;

/** A check about to be made: what it takes, what comes off, the caution, and how far to pump. */
export function Ready({
  check: id,
  off,
  onDo,
  onLeave,
}: {
  check: CheckId;
  off: readonly PartId[];
  onDo: (kpa?: number) => void;
  onLeave: () => void;
}): ReactElement {
  const check = checkOf(id);
  const [kpa, setKpa] = useState(0);
  const isOff = new Set(off);
  const opens = toOpen(check.access, isOff);
  const pumps = isPressureCheck(id);
  return (
    <section aria-label="About to">
      <StepHead eyebrow="You look at" title={check.name} aside={minutesWords(costOf(check, isOff))} />
      <PartsFirst what="First off" parts={opens} />
      <Caution says={check.caution} />
      <p className="mt-2 max-w-[62ch] text-lg leading-snug">{check.how}</p>
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
          onClick={() => onDo(pumps ? kpa : undefined)}
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
