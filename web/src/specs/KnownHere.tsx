import { knownAt, MOST_SAID, placeName, type ModelPlace } from '@rusty-wren/core/model';
import { Lightbulb, Plus } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { v4 as uuid } from 'uuid';
import { refusalIn, useAddModelNotesMutation } from '../api/api';
import { useAppSelector } from '../app/store';
import { isTechnician } from '../hands/hands';
import type { JobAtBench } from '../job/readAtBench';
import { Button } from '../ui/Button';
import { OneLine } from '../ui/OneLine';

interface Here {
  atBench: Pick<JobAtBench, 'job' | 'picture' | 'modelNotes'>;
  places: readonly ModelPlace[];
}

/** What is known of this model where the work is; nothing where nothing is. */
export function KnownHere({ atBench: { job, picture, modelNotes }, places }: Here): ReactElement | null {
  const known = knownAt(places, picture.machine.spec, modelNotes);
  if (known.length === 0) return null;
  return (
    <ul
      aria-label={`Known of the ${job.machine.model}`}
      className="mt-2 border-l-4 border-steel pl-3 text-lg leading-snug"
    >
      {known.map(({ at, says, note }) => (
        <li key={note ?? says} className="py-0.5">
          <Lightbulb size={18} className="mr-1 inline shrink-0 align-[-2px] text-steel" aria-hidden />
          {places.length > 1 && note && <span className="text-soft">{placeName(at)}: </span>}
          <strong className="font-semibold">{says}</strong>
        </li>
      ))}
    </ul>
  );
}

/** One tap and a line, and it is known of the model from then on. */
export function WhatBites({ atBench: { job }, places }: Here): ReactElement | null {
  const works = useAppSelector(isTechnician);
  const [writing, setWriting] = useState(false);
  const [at, setAt] = useState<ModelPlace | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [add] = useAddModelNotesMutation();
  const { maker, model } = job.machine;
  const chosen = at && places.includes(at) ? at : places[0];
  const keep = async (says: string): Promise<void> => {
    if (!chosen) return;
    const refused = refusalIn(await add([{ id: uuid(), maker, model, at: chosen, says }]));
    if (refused) return setProblem(`${refused} “${says}” was not kept.`);
    setProblem(null);
    setWriting(false);
  };
  if (!works) return null;
  if (!writing)
    return (
      <button
        type="button"
        onClick={() => setWriting(true)}
        className="flex min-h-11 items-center gap-1 text-soft hover:underline"
      >
        <Plus size={18} aria-hidden /> What bites on a {model}?
      </button>
    );
  return (
    <div className="mt-2 max-w-2xl">
      {places.length > 1 && (
        <div role="group" aria-label="Where" className="flex flex-wrap gap-1">
          {places.map((place) => (
            <button
              key={place}
              type="button"
              aria-pressed={place === chosen}
              onClick={() => setAt(place)}
              className="min-h-11 rounded-md border-2 border-line bg-card px-3 font-medium hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
            >
              {placeName(place)}
            </button>
          ))}
        </div>
      )}
      <OneLine
        label={`What bites on a ${model}`}
        placeholder="choke half first; clip at the rear; T27"
        most={MOST_SAID}
        done="Keep it"
        focus
        onDone={(says) => void keep(says)}
      />
      <Button look="quiet" onClick={() => setWriting(false)}>
        Leave it
      </Button>
      {problem && (
        <p role="alert" className="font-semibold text-rust">
          {problem}
        </p>
      )}
    </div>
  );
}
