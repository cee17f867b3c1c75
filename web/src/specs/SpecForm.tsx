import type { SpecCard } from '@rusty-wren/contract';
import type { MachineFacts } from '@rusty-wren/core/machine';
import { figuresOf, type SpecFigures } from '@rusty-wren/core/machine';
import { useState, type FormEvent, type ReactElement } from 'react';
import { NumberField } from '../ui/NumberField';
import { Button } from '../ui/Button';

type Single = 'idle' | 'clutch' | 'leverMm' | 'baseL' | 'baseH' | 'mix' | 'ratio';
type Pair = 'full' | 'squeezePsi' | 'gapMm' | 'plugGapMm';

const PAIRS: readonly { name: Pair; label: string; min: number; max: number }[] = [
  { name: 'full', label: 'Full throttle, rpm', min: 3000, max: 18_000 },
  { name: 'squeezePsi', label: 'Squeeze, psi', min: 40, max: 250 },
  { name: 'gapMm', label: 'Coil gap, mm', min: 0.05, max: 2 },
  { name: 'plugGapMm', label: 'Plug gap, mm', min: 0.2, max: 1.5 },
];
const SINGLES: readonly { name: Single; label: string; min: number; max: number }[] = [
  { name: 'idle', label: 'Idle, rpm', min: 1000, max: 6000 },
  { name: 'clutch', label: 'Clutch bites, rpm', min: 1500, max: 8000 },
  { name: 'baseL', label: 'L baseline, turns', min: 0, max: 6 },
  { name: 'baseH', label: 'H baseline, turns', min: 0, max: 6 },
  { name: 'leverMm', label: 'Lever, mm', min: -5, max: 5 },
  { name: 'mix', label: 'Petrol to one oil', min: 10, max: 100 },
  { name: 'ratio', label: 'Compression ratio', min: 3, max: 14 },
];

/** A pair may be half typed; a card may not. */
type Draft = { [K in Single]?: number } & { [K in Pair]?: readonly [number | null, number | null] };

/** The figures of a draft, or the label of the band that has only one edge. */
function figuresIn(draft: Draft): { figures: SpecFigures } | { problem: string } {
  const figures: Record<string, unknown> = {};
  for (const { name } of SINGLES) if (draft[name] !== undefined) figures[name] = draft[name];
  for (const { name, label } of PAIRS) {
    const [low = null, high = null] = draft[name] ?? [];
    if (low === null && high === null) continue;
    if (low === null || high === null) return { problem: `${label}: give both its low and its high edge.` };
    if (low > high) return { problem: `${label}: ${low} to ${high} does not run from low to high.` };
    figures[name] = [low, high];
  }
  return { figures: figures as SpecFigures };
}

/** One model's card: what is typed is the maker's, what is left empty is the class's, shown behind. */
export function SpecForm({
  card,
  machine,
  onSave,
}: {
  card: SpecCard;
  machine: MachineFacts;
  /** Saves, or says why not. */
  onSave: (card: SpecCard) => Promise<string | null>;
}): ReactElement {
  const [draft, setDraft] = useState<Draft>(card.figures);
  const [source, setSource] = useState(card.source ?? '');
  const [problem, setProblem] = useState<string | null>(null);
  const [saved, setSaved] = useState(false);
  const usual = figuresOf(machine);
  const change = (next: Partial<Draft>): void => {
    setDraft({ ...draft, ...next });
    setSaved(false);
  };
  const save = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    const read = figuresIn(draft);
    if ('problem' in read) return setProblem(read.problem);
    const { maker, model } = card;
    const refused = await onSave({
      maker,
      model,
      figures: read.figures,
      ...(source.trim() && { source: source.trim() }),
    });
    setProblem(refused);
    setSaved(refused === null);
  };
  return (
    <form onSubmit={(e) => void save(e)}>
      <h2 className="text-3xl font-bold">
        {card.maker} {card.model}
      </h2>
      <p className="text-lg text-soft">Empty: as the {usual.sources.mix}</p>
      <div className="mt-4 grid grid-cols-[repeat(auto-fill,minmax(10rem,1fr))] gap-x-4 gap-y-4">
        {SINGLES.map(({ name, ...field }) => (
          <NumberField
            key={name}
            {...field}
            value={draft[name] ?? null}
            placeholder={name === 'ratio' ? 'none' : String(usual[name] ?? 'none')}
            onChange={(value) => change({ [name]: value ?? undefined })}
          />
        ))}
      </div>
      <div className="mt-4 grid gap-x-8 gap-y-4 sm:grid-cols-2">
        {PAIRS.map(({ name, label, ...bounds }) => (
          <fieldset key={name} className="flex flex-wrap items-end gap-2">
            <NumberField
              {...bounds}
              label={`${label}, from`}
              value={draft[name]?.[0] ?? null}
              placeholder={String(usual[name][0])}
              onChange={(low) => change({ [name]: [low, draft[name]?.[1] ?? null] })}
            />
            <NumberField
              {...bounds}
              label="to"
              value={draft[name]?.[1] ?? null}
              placeholder={String(usual[name][1])}
              onChange={(high) => change({ [name]: [draft[name]?.[0] ?? null, high] })}
            />
          </fieldset>
        ))}
      </div>
      <label className="mt-4 block font-semibold">
        Where it was read
        <input
          value={source}
          maxLength={300}
          onChange={(e) => setSource(e.target.value)}
          placeholder="Maker’s sheet, plate on the machine"
          className="mt-1 block min-h-14 w-full rounded-md border-2 border-line bg-card px-3 text-xl"
        />
      </label>
      {problem && (
        <p role="alert" className="mt-3 font-semibold text-rust">
          {problem}
        </p>
      )}
      <div className="mt-4 flex items-center gap-4">
        <Button type="submit" look="rust" className="min-h-14 px-6 text-lg">
          Keep the card
        </Button>
        {saved && (
          <p role="status" className="text-lg font-semibold text-moss">
            Kept
          </p>
        )}
      </div>
    </form>
  );
}
