import { formatTurns } from '@rusty-wren/core/units';
import {
  moveInWords,
  SCREWS,
  wayBack,
  type Ledger,
  type LedgerLine,
  type Positions,
  type Screw,
  type ScrewMove,
} from '@rusty-wren/core/tuning';
import { Undo2 } from 'lucide-react';
import type { ReactElement } from 'react';
import { Button } from '../ui/Button';

/** Where a screw stands: turns out where it was counted, else how far it was moved since it came in. */
function standsAt(screw: Screw, ledger: Ledger): string {
  const eighths = ledger.now[screw];
  if (ledger.counted.has(screw)) return formatTurns(Math.max(0, eighths / 8));
  return eighths === 0 ? 'as found' : `${eighths > 0 ? '+' : '−'}${formatTurns(Math.abs(eighths) / 8)}`;
}

const speed = (line: LedgerLine, when: 'speedBefore' | 'speedAfter'): number | null => {
  const rpm = line[when][line.screw === 'H' ? 'full' : 'idle'];
  return rpm === null ? null : Math.round(rpm / 10) * 10;
};

/** The screws: where they stand, every move since check-in with the speed before and after, and the way back. */
export function ScrewLedger({
  ledger,
  onMove,
  onBack,
}: {
  ledger: Ledger;
  /** An eighth turned by hand. */
  onMove: (move: ScrewMove) => void;
  onBack: (moves: readonly ScrewMove[], to: string) => void;
}): ReactElement {
  const back = (to: Positions, words: string): ReactElement | null => {
    const moves = wayBack(ledger, to);
    return moves.length === 0 ? null : (
      <Button
        look="quiet"
        className="!px-1"
        aria-label={`Put back to ${words}`}
        onClick={() => onBack(moves, words)}
      >
        <Undo2 size={18} aria-hidden /> Back to here
      </Button>
    );
  };
  return (
    <section aria-label="Screws">
      <h2 className="text-2xl font-bold">Screws</h2>
      <ul className="mt-1">
        {SCREWS.map((screw) => (
          <li key={screw} className="flex items-center gap-2 border-b border-line py-1">
            <span className="w-14 text-xl font-bold">{screw === 'stop' ? 'Stop' : screw}</span>
            <Button
              aria-label={`${screw === 'stop' ? 'Stop' : screw} in an eighth`}
              className="!px-3"
              onClick={() => onMove({ screw, eighths: screw === 'stop' ? 1 : -1 })}
            >
              in
            </Button>
            <output
              aria-label={`${screw === 'stop' ? 'Idle stop' : screw} stands`}
              className="min-w-24 text-center text-2xl font-bold tabular-nums"
            >
              {standsAt(screw, ledger)}
            </output>
            <Button
              aria-label={`${screw === 'stop' ? 'Stop' : screw} out an eighth`}
              className="!px-3"
              onClick={() => onMove({ screw, eighths: screw === 'stop' ? -1 : 1 })}
            >
              out
            </Button>
          </li>
        ))}
      </ul>
      <ol aria-label="Moves" className="mt-2 max-h-96 overflow-y-auto">
        {ledger.lines.toReversed().map((line) => {
          const [before, after] = [speed(line, 'speedBefore'), speed(line, 'speedAfter')];
          return (
            <li
              key={line.ref}
              className="flex flex-wrap items-center justify-between gap-x-3 border-b border-line"
            >
              <span className="text-lg">
                <strong>{moveInWords(line)}</strong>
                {line.trial && <span className="text-ochre"> trial</span>}
                <span className="ml-2 text-soft tabular-nums">
                  {before ?? '–'} → {after ?? '–'}
                </span>
              </span>
              {back(line.after, moveInWords(line)) ?? <span className="min-h-11" />}
            </li>
          );
        })}
        {ledger.lines.length > 0 && (
          <li className="flex items-center justify-between gap-3">
            <span className="text-lg">As it came in</span>
            {back(ledger.found, 'as it came in') ?? <span className="min-h-11" />}
          </li>
        )}
      </ol>
    </section>
  );
}
