import { behaviourOf, oftenWords, type ComplaintId } from '@rusty-wren/core/knowledge';
import type { Picture } from '@rusty-wren/core/log';
import { Pencil } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { HowOftenPick } from '../checkin/HowOften';
import { Shapes } from '../checkin/Shapes';
import { SpeedShape } from '../drawn/SpeedShape';
import { Sheet } from '../ui/Sheet';
import { useMay, type Log } from './useLog';

/** What it is complained of; opened, any behaviour is added or struck. */
export function Complaints({
  complaints,
  log,
}: {
  complaints: Picture['complaints'];
  log: Log;
}): ReactElement {
  const [open, setOpen] = useState(false);
  const may = useMay()('complaint');
  const few = complaints.length < 3;
  const change = (wanted: readonly ComplaintId[]): void => {
    for (const complaint of wanted)
      if (!complaints.some((c) => c.complaint === complaint)) log('complaint', { complaint });
    for (const { complaint, said } of complaints)
      if (!wanted.includes(complaint))
        for (const id of said) log('strike', { reason: 'Does not do that' }, id);
  };
  return (
    <>
      <button
        type="button"
        disabled={!may}
        onClick={() => setOpen(true)}
        aria-label={`What it does: ${complaints.map((c) => behaviourOf(c.complaint).label).join(', ') || 'nothing said'}${may ? '. Change it' : ''}`}
        className="flex min-h-11 min-w-0 flex-wrap items-center gap-x-4 rounded-md px-2 text-left enabled:hover:bg-line lg:flex-1 lg:flex-nowrap lg:overflow-hidden"
      >
        {complaints.map(({ complaint, often }) => (
          <span key={complaint} className="flex min-w-0 items-center gap-2 font-semibold">
            {few && <SpeedShape complaint={complaint} className="hidden h-8 w-14 shrink-0 sm:block" />}
            <span className="leading-tight sm:max-w-32">
              {behaviourOf(complaint).label}
              {often && <span className="block text-base font-normal">{oftenWords(often)}</span>}
            </span>
          </span>
        ))}
        {complaints.length === 0 && <span className="font-semibold text-soft">What does it do?</span>}
        {may && <Pencil size={16} className="shrink-0 text-soft" aria-hidden />}
      </button>
      <Sheet title="What it does" open={open} onOpenChange={setOpen}>
        <Shapes value={complaints.map((c) => c.complaint)} onChange={change} narrow />
        <HowOftenPick
          complaints={complaints.map((c) => c.complaint)}
          value={Object.fromEntries(complaints.flatMap((c) => (c.often ? [[c.complaint, c.often]] : [])))}
          onChange={(complaint, often) => {
            // What was said is not unsaid by a second tap: it is struck on the trail.
            if (often) log('complaint', { complaint, often });
          }}
        />
      </Sheet>
    </>
  );
}
