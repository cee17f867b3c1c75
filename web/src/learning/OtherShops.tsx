import { clearMessage, learntFileSchema, type LearntFile, type ShopElsewhere } from '@rusty-wren/contract';
import { format } from 'date-fns';
import { Download, X } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { toast } from 'sonner';
import { problemWords } from '../api/api';
import { useAppSelector } from '../app/store';
import { isLead } from '../hands/hands';
import { Button } from '../ui/Button';
import { OneOf } from '../ui/OneOf';
import { toldRefused } from '../ui/refused';
import { saveFile } from '../ui/saveFile';
import { Sheet } from '../ui/Sheet';
import { useLazyLearntFileQuery, useLetGoMutation, useTakeInMutation } from './learningApi';

const WEIGHTS = [
  { id: '25', label: 'a quarter' },
  { id: '50', label: 'half' },
  { id: '100', label: 'as ours' },
] as const;

/** Other shops whose jobs count here: in and out by file, counts of nobody. */
export function OtherShops({ elsewhere }: { elsewhere: readonly ShopElsewhere[] }): ReactElement {
  const lead = useAppSelector(isLead);
  const [fetchFile] = useLazyLearntFileQuery();
  const [letGo] = useLetGoMutation();
  const [file, setFile] = useState<LearntFile | null>(null);
  const save = async (): Promise<void> => {
    const { data, error } = await fetchFile();
    if (data) saveFile('learnt.json', JSON.stringify(data), 'application/json');
    else toast.error(problemWords(error));
  };
  const open = async (chosen: File | undefined): Promise<void> => {
    const read = chosen && readFile(await chosen.text());
    if (read && 'problem' in read) toast.error(read.problem);
    else setFile(read?.file ?? null);
  };
  return (
    <section aria-label="Other shops" className="mt-10">
      <h2 className="text-2xl font-bold">Other shops</h2>
      {elsewhere.length === 0 && <p className="mt-2 text-lg text-soft">None counts here.</p>}
      <ul className="mt-2 divide-y divide-line">
        {elsewhere.map(({ shop, name, weight, jobs, at }) => (
          <li key={shop} className="flex min-h-14 items-center justify-between gap-3 py-1">
            <span className="min-w-0 text-lg wrap-anywhere">
              <strong>{name}</strong>, {jobs} jobs{weight < 100 && ` at ${weight} in 100`}
              <span className="block text-base text-soft">{format(at, 'd MMM yyyy')}</span>
            </span>
            {lead && (
              <button
                type="button"
                aria-label={`${name} counts no more`}
                onClick={() => void letGo(shop).then((answer) => toldRefused(answer))}
                className="grid size-11 shrink-0 place-items-center rounded-md hover:bg-line"
              >
                <X size={19} aria-hidden />
              </button>
            )}
          </li>
        ))}
      </ul>
      {lead && (
        <div className="mt-3 flex flex-wrap gap-3">
          <label className="flex min-h-11 cursor-pointer items-center rounded-md border-2 border-line bg-card px-4 font-semibold focus-within:outline-3 hover:border-ink">
            Take in a file
            <input
              type="file"
              accept="application/json,.json"
              className="sr-only"
              onChange={(e) => {
                void open(e.target.files?.[0]);
                e.target.value = '';
              }}
            />
          </label>
          <Button onClick={() => void save()}>
            <Download size={18} aria-hidden /> Ours as a file
          </Button>
        </div>
      )}
      {file && <TakeIn file={file} onClose={() => setFile(null)} />}
    </section>
  );
}

/** What another shop's file holds, or one sentence on why it is none. */
export function readFile(text: string): { file: LearntFile } | { problem: string } {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch (error) {
    return { problem: `It is not JSON: ${(error as Error).message}` };
  }
  const { error } = learntFileSchema.validate(parsed, { convert: false });
  return error ? { problem: `${clearMessage(error)}.` } : { file: parsed as LearntFile };
}

function TakeIn({ file, onClose }: { file: LearntFile; onClose: () => void }): ReactElement {
  const [takeIn, { isLoading, error }] = useTakeInMutation();
  const [name, setName] = useState('');
  const [weight, setWeight] = useState<(typeof WEIGHTS)[number]['id']>('50');
  return (
    <Sheet title="Whose file is it?" open onOpenChange={onClose}>
      <label className="block font-semibold">
        Name of the shop
        <input
          autoFocus
          value={name}
          maxLength={80}
          onChange={(e) => setName(e.target.value)}
          className="mt-1 block min-h-14 w-full rounded-md border-2 border-line bg-card px-3 text-xl"
        />
      </label>
      <p className="mt-4 mb-1 font-semibold">A job of theirs counts</p>
      <OneOf label="A job of theirs counts" options={WEIGHTS} value={weight} onChange={setWeight} />
      {error && (
        <p role="alert" className="mt-3 font-semibold text-rust">
          {problemWords(error)}
        </p>
      )}
      <div className="mt-5">
        <Button
          look="rust"
          className="min-h-14 px-6 text-lg"
          disabled={!name.trim() || isLoading}
          onClick={() =>
            void takeIn({ name: name.trim(), weight: Number(weight), file }).then(
              (answer) => answer.error ?? onClose(),
            )
          }
        >
          Count them
        </Button>
      </div>
    </Sheet>
  );
}
