import {
  CAUSES,
  causeOf,
  REMEDIES,
  remedyMinutes,
  type CauseId,
  type RemedyId,
} from '@rusty-wren/core/knowledge';
import { useState, type ReactElement } from 'react';
import { RowButton } from '../ui/RowButton';
import { Sheet } from '../ui/Sheet';
import { useFinder } from '../ui/useFinder';
import { minutesWords } from '../ui/words';

interface Mending {
  key: string;
  name: string;
  does: string;
  minutes: number;
  cause: CauseId;
  remedy?: RemedyId;
}

/** Whole jobs first, then what each cause asks for by itself. */
const LISTED: readonly Mending[] = [
  ...REMEDIES.map((remedy) => ({
    key: remedy.id,
    name: remedy.does,
    does: remedy.mends.map((id) => causeOf(id).name).join(', '),
    minutes: remedyMinutes(remedy),
    cause: remedy.mends[0]!,
    remedy: remedy.id,
  })),
  ...CAUSES.map(({ id, name, remedy, minutes }) => ({ key: id, name, does: remedy, minutes, cause: id })),
];
const KEYS = ['name', 'does', 'key'];

/** What the trainee mends: any cause, or a whole job at once. */
export function MendPick({
  open,
  onOpenChange,
  onMend,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  onMend: (cause: CauseId, remedy?: RemedyId) => void;
}): ReactElement {
  const [written, setWritten] = useState('');
  const found = useFinder(LISTED, KEYS, written);
  return (
    <Sheet title="Mend what?" open={open} onOpenChange={onOpenChange}>
      <input
        autoFocus
        aria-label="What to mend"
        value={written}
        maxLength={60}
        onChange={(e) => setWritten(e.target.value)}
        placeholder="filter, coil, seals"
        className="min-h-12 w-full rounded-md border-2 border-line bg-card px-3 text-lg"
      />
      <ul className="mt-2">
        {found.map(({ key, name, does, minutes, cause, remedy }) => (
          <li key={key}>
            <RowButton
              onClick={() => {
                onOpenChange(false);
                setWritten('');
                onMend(cause, remedy);
              }}
              aside={minutesWords(minutes)}
            >
              <strong className="font-semibold">{name}</strong>
              <span className="block text-base text-soft">{does}</span>
            </RowButton>
          </li>
        ))}
        {found.length === 0 && <li className="py-3 text-lg text-soft">Nothing of that name to mend.</li>}
      </ul>
    </Sheet>
  );
}
