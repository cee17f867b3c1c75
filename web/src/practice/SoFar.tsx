import { causeOf, checkOf, partOf, resultOf, type Outcome } from '@rusty-wren/core/knowledge';
import { lastNote, type Move, type Step } from '@rusty-wren/core/practice';
import { Undo2 } from 'lucide-react';
import type { ReactElement } from 'react';
import { Button } from '../ui/Button';

export const OUTCOME_SAYS: Readonly<Record<Outcome, string>> = {
  cured: 'that was it',
  better: 'better, not all of it',
  'no-change': 'changed nothing',
};

/** What a move was: "Read the plug". */
export function moveName(move: Move): string {
  switch (move.do) {
    case 'look':
    case 'note':
      return checkOf(move.check).name;
    case 'mend':
      return `Mended: ${causeOf(move.cause).name}`;
    case 'off':
      return `Off: ${partOf(move.part).name}`;
    case 'on':
      return `Back on: ${partOf(move.part).name}`;
    case 'take-back':
      return 'Took that back';
    case 'make-safe':
      return 'Made safe';
    case 'ask':
      return 'Asked the teacher';
    case 'hand-back':
      return 'Handed back';
  }
}

/** What came of a step, as the trainee has it. */
export function cameOf({ move, result, shows, outcome }: Step): string {
  if (outcome) return OUTCOME_SAYS[outcome];
  if (move.do === 'note') return result ? (resultOf(move.check, result)?.label ?? '') : 'could not be judged';
  return move.do === 'look' && shows?.result === null ? (shows.words ?? '') : '';
}

/** A clock of bench minutes: "0:07". */
export const clockWords = (minutes: number): string => {
  const whole = Math.round(minutes);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
};

/** A look that was noted is one line: the note’s; a slip that was taken back is none. */
export const isToldTwice = ({ move, shows, slip }: Pick<Step, 'move' | 'shows' | 'slip'>): boolean =>
  (move.do === 'look' && shows?.result !== null) || slip === true || move.do === 'take-back';

/** Everything done so far, newest first; the note just made can be taken back. */
export function SoFar({
  steps,
  onTakeBack,
}: {
  steps: readonly Step[];
  onTakeBack: () => void;
}): ReactElement {
  const lines = steps.filter((step) => !isToldTwice(step)).toReversed();
  const last = steps[lastNote(steps)];
  return (
    <section aria-label="Evidence so far">
      <h2 className="text-2xl font-bold">So far</h2>
      {lines.length === 0 && <p className="mt-2 text-lg text-soft">Nothing looked at yet.</p>}
      <ol className="mt-2">
        {lines.map((step, n) => (
          <li
            key={lines.length - n}
            className={`flex min-h-11 gap-3 border-b border-line py-1.5 leading-snug ${step === last ? 'items-center' : 'items-baseline'}`}
          >
            <span className="shrink-0 text-soft tabular-nums">{clockWords(step.at + step.minutes)}</span>
            <span className="min-w-0 flex-1">
              {moveName(step.move)}
              {cameOf(step) && (
                <>
                  : <strong className="font-semibold">{cameOf(step)}</strong>
                </>
              )}
            </span>
            {step === last && (
              <Button aria-label={`Take back: ${moveName(step.move)}`} onClick={onTakeBack}>
                <Undo2 size={20} aria-hidden />
              </Button>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
