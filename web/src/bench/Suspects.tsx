import { causeOf, type CauseId, type Diagnosis, type Suspect } from '@rusty-wren/core/diagnosis';
import { entryWords, type Picture } from '@rusty-wren/core/log';
import { CircleAlert, ChevronDown, RotateCcw } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { inSentence, percent } from '../rack/words';
import { Button } from '../ui/Button';

const SHOWN = 6;
const MOVES_SHOWN = 6;
/** e^x as "×n", so that odds read like a bookmaker's. */
const times = (logOdds: number): string => {
  const factor = Math.exp(Math.abs(logOdds));
  return `×${factor >= 10 ? (factor >= 999 ? '999+' : Math.round(factor)) : factor.toFixed(1)}`;
};

/** How an entry reads in an argument: "Work the primer bulb: bubbles". */
function useEntryNames(picture: Picture): (ref: string) => string {
  const lines = new Map(picture.trail.map((line) => [line.entry.id, line]));
  return (ref) => {
    const line = lines.get(ref);
    if (!line) return '';
    const { about, says } = entryWords(line);
    return `${about}: ${says}`;
  };
}

/** The suspects, likeliest first; each opens to what raised and lowered it. */
export function Suspects({
  diagnosis,
  picture,
  onSettle,
  onRepeat,
}: {
  diagnosis: Diagnosis;
  picture: Picture;
  onSettle: (cause: CauseId) => void;
  onRepeat: (ref: string) => void;
}): ReactElement {
  const [open, setOpen] = useState<CauseId | null>(null);
  const nameOf = useEntryNames(picture);
  const { suspects, unexplained, repeat, behind } = diagnosis;
  const lead = suspects[0];
  return (
    <section aria-label="Suspects">
      <h2 className="text-2xl font-bold">Suspects</h2>
      <ol className="mt-2">
        {suspects.slice(0, SHOWN).map((s, rank) => (
          <SuspectRow
            key={s.cause}
            suspect={s}
            leading={rank === 0}
            open={open === s.cause}
            onToggle={() => setOpen(open === s.cause ? null : s.cause)}
            nameOf={nameOf}
            onSettle={onSettle}
          />
        ))}
      </ol>
      {diagnosis.noneOfThese > 0.1 && (
        <p className="mt-2 text-soft">Something not on the list: {percent(diagnosis.noneOfThese)}</p>
      )}
      {lead && unexplained.length > 0 && (
        <div role="status" className="mt-5 border-l-4 border-rust pl-3 text-lg leading-snug">
          <p className="flex items-center gap-2 font-bold text-rust">
            <CircleAlert size={20} aria-hidden /> Left unexplained
          </p>
          {unexplained.map((e) => (
            <p key={e.ref}>{nameOf(e.ref)}</p>
          ))}
        </div>
      )}
      {repeat.length > 0 && (
        <div className="mt-5 border-l-4 border-ochre pl-3 text-lg leading-snug">
          <p className="font-bold text-ochre">Worth repeating</p>
          {repeat.slice(0, 2).map((m) => (
            <button
              key={m.ref}
              type="button"
              onClick={() => onRepeat(m.ref)}
              className="flex min-h-11 items-center gap-2 text-left hover:underline"
            >
              <RotateCcw size={18} className="shrink-0" aria-hidden /> {nameOf(m.ref)}
            </button>
          ))}
        </div>
      )}
      {behind.length > 0 && (
        <p className="mt-5 text-lg leading-snug">
          <span className="font-bold">What may be behind it: </span>
          {behind.map((b) => inSentence(causeOf(b.cause).name)).join(', ')}
        </p>
      )}
    </section>
  );
}

function SuspectRow({
  suspect,
  leading,
  open,
  onToggle,
  nameOf,
  onSettle,
}: {
  suspect: Suspect;
  leading: boolean;
  open: boolean;
  onToggle: () => void;
  nameOf: (ref: string) => string;
  onSettle: (cause: CauseId) => void;
}): ReactElement {
  const cause = causeOf(suspect.cause);
  const share = `${(suspect.probability * 100).toFixed(1)}%`;
  return (
    <li className="border-b border-line" data-suspect={suspect.cause}>
      <button
        type="button"
        aria-expanded={open}
        onClick={onToggle}
        className="block min-h-11 w-full py-2 text-left"
      >
        <span
          className={`flex items-baseline justify-between gap-3 leading-tight ${leading ? 'text-2xl font-bold' : 'text-lg font-medium'}`}
        >
          <span>{cause.name}</span>
          <span className="flex shrink-0 items-center gap-1">
            {percent(suspect.probability)}
            <ChevronDown size={18} className={open ? 'rotate-180' : ''} aria-hidden />
          </span>
        </span>
        <span className={`mt-1.5 block bg-line ${leading ? 'h-2.5' : 'h-1.5'}`}>
          <span className="block h-full bg-ink" style={{ width: share }} />
        </span>
      </button>
      {open && (
        <div className="pb-4">
          <ul className="space-y-1 leading-snug">
            {suspect.moved.slice(0, MOVES_SHOWN).map((m) => (
              <li key={m.ref} className="flex justify-between gap-3">
                <span>
                  <span className="sr-only">{m.logOdds > 0 ? 'Raised by' : 'Lowered by'} </span>
                  {nameOf(m.ref)}
                </span>
                <strong className={`shrink-0 ${m.logOdds > 0 ? 'text-rust' : 'text-moss'}`}>
                  {m.logOdds > 0 ? '▲' : '▼'} {times(m.logOdds)}
                </strong>
              </li>
            ))}
            {suspect.moved.length === 0 && (
              <li className="text-soft">Nothing on the log moved it; this is how common it is.</li>
            )}
          </ul>
          <p className="mt-2">
            {cause.remedy}, {cause.minutes} min
          </p>
          <Button className="mt-2" onClick={() => onSettle(suspect.cause)}>
            Settle on this
          </Button>
        </div>
      )}
    </li>
  );
}
