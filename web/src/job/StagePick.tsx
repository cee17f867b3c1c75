import { STAGE_WORDS, type Stage } from '@rusty-wren/core/log';
import { ChevronDown } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { OneLine } from '../ui/OneLine';
import { Sheet } from '../ui/Sheet';
import { useMay, type Log } from './useLog';

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
  /** Closes the job; who may not is not asked. */
  onClose: (() => void) | undefined;
}): ReactElement {
  const may = useMay();
  const [open, setOpen] = useState(false);
  const [waiting, setWaiting] = useState<'parts' | 'answer' | null>(null);
  const go = (next: Stage): void => {
    if (next === 'parts' || next === 'answer') return setWaiting(next);
    log('stage', { stage: next });
    setOpen(false);
  };
  if (!may('stage')) return <span className="px-3 font-semibold">{STAGE_WORDS[stage]}</span>;
  return (
    <>
      <Button className="max-sm:!px-2" onClick={() => setOpen(true)} title={waitingFor ?? undefined}>
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
          {stage !== 'closed' && onClose && (
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
          <OneLine
            focus
            label="What it waits for"
            placeholder={waiting === 'parts' ? 'which part, until when' : 'whose answer, to what'}
            most={200}
            done="It waits"
            onDone={(waitingFor) => {
              log('stage', { stage: waiting, waitingFor });
              setWaiting(null);
              setOpen(false);
            }}
          />
        )}
      </Sheet>
    </>
  );
}
