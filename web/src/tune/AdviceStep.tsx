import { checkOf, type CheckId } from '@rusty-wren/core/knowledge';
import { moveInWords, type Advice, type ScrewMove } from '@rusty-wren/core/tuning';
import { RotateCcw, RotateCw } from 'lucide-react';
import type { ReactElement } from 'react';
import { Button } from '../ui/Button';

/** What to do next: a screw, which way, how far, why, and what should change. */
export function AdviceStep({
  advice,
  onTurned,
  onCheck,
}: {
  advice: Advice;
  onTurned: (move: ScrewMove, why: string) => void;
  onCheck: (check: CheckId) => void;
}): ReactElement {
  if (advice.kind === 'turn') {
    const { move } = advice;
    const clockwise = move.screw === 'stop' ? move.eighths > 0 : move.eighths < 0;
    const Way = clockwise ? RotateCw : RotateCcw;
    return (
      <section aria-label="Advice" className={advice.urgent ? 'border-l-8 border-rust pl-4' : ''}>
        <p className="font-semibold text-rust">{advice.why}</p>
        <div className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2">
          <p className="flex items-center gap-4 text-6xl leading-tight font-bold">
            <Way size={54} strokeWidth={2.6} aria-label={clockwise ? 'clockwise' : 'anticlockwise'} />
            {moveInWords(move)}
          </p>
          <Button look="rust" className="min-h-16 px-7 text-xl" onClick={() => onTurned(move, advice.why)}>
            Turned it
          </Button>
        </div>
        <p className="text-xl">{advice.expect}</p>
      </section>
    );
  }
  return (
    <section aria-label="Advice">
      <p className={`font-semibold ${advice.kind === 'done' ? 'text-moss' : 'text-rust'}`}>
        {{ stop: 'Stop turning', listen: 'Now', done: 'Tuned' }[advice.kind]}
      </p>
      <p className="max-w-[34ch] text-3xl leading-tight font-bold">{advice.why}</p>
      {advice.kind === 'stop' && (
        <div className="mt-3 flex flex-wrap gap-2">
          {advice.look.map((check) => (
            <Button key={check} className="min-h-14 text-lg" onClick={() => onCheck(check)}>
              {checkOf(check).name}
            </Button>
          ))}
        </div>
      )}
    </section>
  );
}
