import type { Stage } from '@rusty-wren/core/log';
import { ChevronDown } from 'lucide-react';
import { useState, type FormEvent, type ReactElement } from 'react';
import { STAGE_WORDS } from '../rack/words';
import { Button } from '../ui/Button';
import { Sheet } from '../ui/Sheet';
import type { Log } from './useJob';

const OPEN_STAGES: readonly Stage[] = ['hook', 'bench', 'parts', 'answer', 'proof'];

/** Where the job is, and the way to put it elsewhere. */
export function StagePick({
  stage,
  waitingFor,
  log,
  onClose,
}: {
  stage: Stage;
  waitingFor: string | null;
  log: Log;
  onClose: () => void;
}): ReactElement {
  const [open, setOpen] = useState(false);
  const [waiting, setWaiting] = useState<'parts' | 'answer' | null>(null);
  const [what, setWhat] = useState('');
  const go = (next: Stage): void => {
    if (next === 'parts' || next === 'answer') return setWaiting(next);
    log('stage', { stage: next });
    setOpen(false);
  };
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (!waiting || !what.trim()) return;
    log('stage', { stage: waiting, waitingFor: what.trim() });
    setWhat('');
    setWaiting(null);
    setOpen(false);
  };
  return (
    <>
      <Button onClick={() => setOpen(true)} title={waitingFor ?? undefined}>
        {STAGE_WORDS[stage]} <ChevronDown size={18} aria-hidden />
      </Button>
      <Sheet title="Where is it?" open={open} onOpenChange={setOpen}>
        <div className="grid gap-2 sm:grid-cols-2">
          {OPEN_STAGES.map((s) => (
            <Button
              key={s}
              onClick={() => go(s)}
              disabled={s === stage}
              aria-pressed={s === waiting}
              className="min-h-14 aria-pressed:border-ink"
            >
              {STAGE_WORDS[s]}
            </Button>
          ))}
          {stage !== 'closed' && (
            <Button
              onClick={() => {
                setOpen(false);
                onClose();
              }}
              className="min-h-14"
            >
              Close the job
            </Button>
          )}
        </div>
        {waiting && (
          <form onSubmit={submit} className="mt-4 flex gap-2">
            <input
              autoFocus
              aria-label="What it waits for"
              value={what}
              onChange={(e) => setWhat(e.target.value)}
              maxLength={200}
              placeholder={waiting === 'parts' ? 'which part, until when' : 'whose answer, to what'}
              className="min-h-11 flex-1 rounded-md border-2 border-line bg-card px-3"
            />
            <Button type="submit" look="rust" disabled={!what.trim()}>
              Hang it up
            </Button>
          </form>
        )}
      </Sheet>
    </>
  );
}
