import { behaviourOf } from '@rusty-wren/core/knowledge';
import { historyWords } from '@rusty-wren/core/log';
import { codeOf, type Hidden, type Worked } from '@rusty-wren/core/practice';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { MachineDrawing } from '../drawn/MachineDrawing';
import { Sheet } from '../ui/Sheet';
import { KIND_WORDS } from '../ui/words';
import { clockWords } from './SoFar';

/** What stands on the practice bench and what its owner says, marked for what it is. */
export function PracticeHead({ hidden, worked }: { hidden: Hidden; worked: Worked }): ReactElement {
  const { machine, maker, model, says, complaints, history, exercise } = hidden;
  const [open, setOpen] = useState(false);
  return (
    <header>
      <p className="practice-stripe px-3 py-1 text-lg font-bold sm:px-5">
        <span className="bg-paper px-2">
          Practice.{' '}
          <Link to="/practice" className="underline">
            {codeOf(exercise)}
          </Link>
        </span>
      </p>
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b-2 border-line px-3 py-2 sm:px-5">
        <MachineDrawing kind={machine.kind} className="h-12 w-28 shrink-0 max-sm:hidden" />
        <div className="leading-tight">
          <h1 className="font-tag text-2xl font-semibold">
            {maker} {model}
          </h1>
          <p className="text-soft">
            {KIND_WORDS[machine.kind]}, {machine.displacementCc} cc
          </p>
        </div>
        <p className="min-w-0 flex-1 basis-72 text-xl leading-snug">
          {says.map((words) => `“${words}”`).join(' ')}
          <span className="block text-base text-soft">
            {complaints.map((id) => behaviourOf(id).label).join(', ')}
          </span>
        </p>
        <button
          type="button"
          onClick={() => setOpen(true)}
          className="min-h-11 rounded-md px-2 font-semibold hover:bg-line"
        >
          History
        </button>
        <p className="font-tag text-5xl leading-none font-bold tabular-nums" aria-label="Bench time so far">
          {clockWords(worked.minutes)}
        </p>
      </div>
      <Sheet title="What is known of it" open={open} onOpenChange={setOpen}>
        <ul className="text-xl leading-relaxed">
          {historyWords(history).map((words) => (
            <li key={words} className="first-letter:uppercase">
              {words}
            </li>
          ))}
        </ul>
        {historyWords(history).length === 0 && (
          <p className="text-xl text-soft">Nothing was said of its history.</p>
        )}
      </Sheet>
    </header>
  );
}
