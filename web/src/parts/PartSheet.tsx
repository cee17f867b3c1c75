import { clearMessage, partsSchema, USED_DAYS, type Drawer } from '@rusty-wren/contract';
import {
  bestSource,
  leastFor,
  type Fit,
  type Part,
  type PartUse,
  type Source,
  type Stocked,
} from '@rusty-wren/core/parts';
import { figureIn } from '@rusty-wren/core/units';
import { MOST_CENTS } from '@rusty-wren/core/worth';
import { useState, type ReactElement } from 'react';
import { useForm } from 'react-hook-form';
import { v4 as uuid } from 'uuid';
import { problemWords, useTakePartsMutation } from '../api/api';
import { Button } from '../ui/Button';
import { FigureInput } from '../ui/FigureInput';
import { Sheet } from '../ui/Sheet';
import { CountPart } from './CountPart';
import { FitsPick } from './FitsPick';
import { InsteadPick } from './InsteadPick';
import { SourcesPick } from './SourcesPick';
import { UsesPick } from './UsesPick';

interface Typed {
  name: string;
  code: string;
  shelf: string;
  least: string;
  price: string;
  cost: string;
  donorTag: string;
  donorCondition: string;
}

const amount = (cents: number | undefined): string => (cents === undefined ? '' : (cents / 100).toFixed(2));
const typedOf = (part: Part | null): Typed => ({
  name: part?.name ?? '',
  code: part?.code ?? '',
  shelf: part?.shelf ?? '',
  least: part ? String(part.least) : '0',
  price: amount(part?.price),
  cost: amount(part?.cost),
  donorTag: part?.donor ? String(part.donor.tag) : '',
  donorCondition: part?.donor?.condition ?? '',
});

/** What is chosen beside what is typed. */
interface Chosen {
  uses: readonly PartUse[];
  fits: readonly Fit[];
  sources: readonly Source[];
  instead: Part['instead'];
}

/** The part as typed, or one sentence on what cannot be. */
function partIn(typed: Typed, chosen: Chosen, old: Part | null): { part: Part } | { problem: string } {
  const bounds = { min: 0, max: MOST_CENTS / 100 };
  const number = (text: string): number => {
    const value = figureIn(text, bounds);
    return typeof value === 'number' ? value : NaN;
  };
  if (!typed.name.trim()) return { problem: 'Name: what is it called?' };
  for (const [label, text] of [
    ['Price', typed.price],
    ['What we pay', typed.cost],
    ['Least', typed.least],
  ] as const)
    if (text.trim()) {
      const value = figureIn(text, bounds);
      if (typeof value !== 'number') return { problem: `${label}: ${value.problem}.` };
    }
  if (!typed.price.trim()) return { problem: 'Price: what does the owner pay for it?' };
  const donor = typed.donorTag.trim() || typed.donorCondition.trim();
  const part = {
    id: old?.id ?? uuid(),
    name: typed.name.trim(),
    ...(typed.code.trim() && { code: typed.code.trim() }),
    ...(typed.shelf.trim() && { shelf: typed.shelf.trim() }),
    least: number(typed.least || '0'),
    price: Math.round(number(typed.price) * 100),
    ...(typed.cost.trim() && { cost: Math.round(number(typed.cost) * 100) }),
    holds: old?.holds ?? [],
    ...chosen,
    ...(donor && { donor: { tag: number(typed.donorTag), condition: typed.donorCondition.trim() } }),
  } as Part;
  const { error } = partsSchema.validate({ parts: [part] }, { convert: false });
  return error ? { problem: `${clearMessage(error).replace('parts[0].', '')}.` } : { part };
}

/** One part: what it is for, where it lies and comes from, and how many there are. */
export function PartSheet({
  part,
  drawer,
  onClose,
}: {
  /** Null: a new one. */
  part: Stocked | null;
  drawer: Drawer;
  onClose: () => void;
}): ReactElement {
  const [take] = useTakePartsMutation();
  const [told, setTold] = useState<string | null>(null);
  const [chosen, setChosen] = useState<Chosen>({
    uses: part?.uses ?? [],
    fits: part?.fits ?? [],
    sources: part?.sources ?? [],
    instead: part?.instead ?? [],
  });
  const { register, handleSubmit, setValue } = useForm<Typed>({ defaultValues: typedOf(part) });
  const choose =
    <K extends keyof Chosen>(key: K) =>
    (value: Chosen[K]): void =>
      setChosen({ ...chosen, [key]: value });
  const save = handleSubmit(async (typed) => {
    const read = partIn(typed, chosen, part);
    if ('problem' in read) return setTold(read.problem);
    const { error } = await take({ parts: [read.part] });
    if (error) setTold(problemWords(error));
    else onClose();
  });
  const used = drawer.used.find((u) => u.part === part?.id)?.used ?? 0;
  const proposed = part
    ? leastFor({
        used,
        days: USED_DAYS,
        waitDays: bestSource({ ...part, sources: chosen.sources })?.waitDays ?? 0,
      })
    : 0;
  return (
    <Sheet title={part?.name ?? 'A new part'} open onOpenChange={(open) => !open && onClose()}>
      {part && <CountPart part={part} />}
      <form onSubmit={(e) => void save(e)} noValidate className="mt-5">
        <div className="flex flex-wrap gap-4">
          <FigureInput id="part-name" label="Name" inputMode="text" wide {...register('name')} />
          <FigureInput id="part-code" label="Code" inputMode="text" {...register('code')} />
          <FigureInput id="part-shelf" label="Shelf" inputMode="text" {...register('shelf')} />
          <FigureInput id="part-price" label="Price" {...register('price')} />
          <FigureInput id="part-cost" label="What we pay" {...register('cost')} />
          <FigureInput id="part-least" label="Least" {...register('least')} />
        </div>
        {proposed > 0 && proposed !== part?.least && (
          <p className="mt-2 flex flex-wrap items-center gap-x-3 text-lg">
            {used} used in a year: {proposed} would last nine times in ten.
            <Button look="quiet" className="!px-0" onClick={() => setValue('least', String(proposed))}>
              Take {proposed}
            </Button>
          </p>
        )}
        <UsesPick uses={chosen.uses} onChange={choose('uses')} />
        <FitsPick fits={chosen.fits} onChange={choose('fits')} />
        <SourcesPick sources={chosen.sources} onChange={choose('sources')} />
        <InsteadPick
          instead={chosen.instead}
          parts={drawer.parts.filter((p) => p.id !== part?.id)}
          onChange={choose('instead')}
        />
        <div className="mt-4 flex flex-wrap gap-4">
          <FigureInput id="part-donor" label="Out of tag" inputMode="numeric" {...register('donorTag')} />
          <FigureInput
            id="part-condition"
            label="How it is"
            inputMode="text"
            wide
            {...register('donorCondition')}
          />
        </div>
        {told && (
          <p role="alert" className="mt-3 font-semibold text-rust">
            {told}
          </p>
        )}
        <Button type="submit" look="rust" className="mt-5 min-h-14 px-6 text-lg">
          Keep it
        </Button>
      </form>
    </Sheet>
  );
}
