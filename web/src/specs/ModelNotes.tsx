import { clearMessage, modelNotesSchema } from '@rusty-wren/contract';
import {
  MODEL_PLACES,
  MOST_SAID,
  noteTable,
  placeName,
  readNoteTable,
  type ModelNote,
  type ModelPlace,
} from '@rusty-wren/core/model';
import { useState, type ReactElement } from 'react';
import { toast } from 'sonner';
import { v4 as uuid } from 'uuid';
import {
  refusalIn,
  useAddModelNotesMutation,
  useDropModelNoteMutation,
  useModelNotesQuery,
} from '../api/api';
import { useAppSelector } from '../app/store';
import { isTechnician } from '../hands/hands';
import { Button } from '../ui/Button';
import { OneLine } from '../ui/OneLine';
import { saveFile } from '../ui/saveFile';
import { TakeTable } from '../ui/TakeTable';

/** What the shop knows of one model beside its figures, line by line; in and out as a table for all models. */
export function ModelNotes({ maker, model }: { maker: string; model: string }): ReactElement | null {
  const { data: all } = useModelNotesQuery();
  const [add] = useAddModelNotesMutation();
  const [drop] = useDropModelNoteMutation();
  const works = useAppSelector(isTechnician);
  const [at, setAt] = useState<ModelPlace>('model');
  const [problem, setProblem] = useState<string | null>(null);
  if (!all) return null;
  const same = (x: string, y: string): boolean => x.toLowerCase() === y.toLowerCase();
  const notes = all.filter((n) => same(n.maker, maker) && same(n.model, model));
  const keep = (wanted: ModelNote[]): Promise<string | null> => add(wanted).then(refusalIn);
  const takeIn = (text: string): string | null => {
    const read = readNoteTable(text);
    if ('problem' in read) return read.problem;
    const wanted = read.notes.map((note) => ({ id: uuid(), ...note }));
    const { error } = modelNotesSchema.validate({ notes: wanted });
    if (error) return `${clearMessage(error)}.`;
    void keep(wanted).then((refused) => {
      if (refused) toast.error(refused);
      else toast.success(`${wanted.length} notes taken in`);
    });
    return null;
  };
  return (
    <section aria-label="What bites" className="mt-8">
      <h2 className="text-2xl font-bold">What bites</h2>
      {notes.length === 0 && (
        <p className="mt-1 text-lg text-soft">
          Nothing kept of it yet. At the bench it is one tap at the step.
        </p>
      )}
      <ul className="mt-1">
        {notes.map((n) => (
          <li
            key={n.id}
            className="flex flex-wrap items-center justify-between gap-x-4 border-b border-line py-1 text-lg"
          >
            <span>
              <span className="text-soft">{placeName(n.at)}: </span>
              <strong className="font-semibold">{n.says}</strong>
            </span>
            {works && (
              <Button
                look="quiet"
                aria-label={`Take out: ${n.says}`}
                onClick={() => void drop(n.id).then(refusalIn).then(setProblem)}
              >
                Take out
              </Button>
            )}
          </li>
        ))}
      </ul>
      {works && (
        <>
          <label className="mt-3 flex flex-wrap items-center gap-2 font-semibold">
            Where
            <select
              value={at}
              onChange={(e) => setAt(e.target.value as ModelPlace)}
              className="min-h-11 max-w-full rounded-md border-2 border-line bg-card px-2 font-normal"
            >
              {MODEL_PLACES.map((place) => (
                <option key={place} value={place}>
                  {place.startsWith('part/') ? 'Off: ' : ''}
                  {placeName(place)}
                </option>
              ))}
            </select>
          </label>
          <OneLine
            label="What bites there"
            placeholder="choke half first; clip at the rear; T27"
            most={MOST_SAID}
            done="Keep it"
            look="plain"
            onDone={(says) => void keep([{ id: uuid(), maker, model, at, says }]).then(setProblem)}
          />
        </>
      )}
      {problem && (
        <p role="alert" className="mt-2 font-semibold text-rust">
          {problem}
        </p>
      )}
      <div className="mt-4 flex flex-wrap gap-2">
        <Button
          onClick={() => saveFile('what-bites.csv', noteTable(all), 'text/csv')}
          disabled={all.length === 0}
        >
          All models as CSV
        </Button>
      </div>
      {works && <TakeTable what="Notes as CSV: maker, model, at, says" onTake={takeIn} />}
    </section>
  );
}
