import { joiResolver } from '@hookform/resolvers/joi';
import { specFormSchema, type SpecCard } from '@rusty-wren/contract';
import {
  figuresOf,
  SPEC_PAIRS,
  SPEC_SINGLES,
  SPEC_TEXTS,
  type MachineFacts,
  type SpecFigures,
  type SpecPair,
  type SpecSingle,
} from '@rusty-wren/core/machine';
import { readNumber } from '@rusty-wren/core/units';
import { useState, type ReactElement } from 'react';
import { useForm, type UseFormRegisterReturn } from 'react-hook-form';
import { LeadSets } from '../hands/LeadSets';
import { Button } from '../ui/Button';
import { FigureInput } from '../ui/FigureInput';

type SpecText = (typeof SPEC_TEXTS)[number]['name'];
/** A card as it is typed: every figure as text, blank where the class decides. */
interface Typed {
  figures: { [K in SpecSingle]: string } & { [K in SpecPair]: [string, string] } & {
    [K in SpecText]: string;
  };
  source: string;
}

const written = (figure: number | undefined): string => (figure === undefined ? '' : String(figure));

const typedOf = ({ figures, source = '' }: SpecCard): Typed => ({
  figures: Object.fromEntries([
    ...SPEC_SINGLES.map(({ name }) => [name, written(figures[name])] as const),
    ...SPEC_PAIRS.map(
      ({ name }) => [name, [written(figures[name]?.[0]), written(figures[name]?.[1])]] as const,
    ),
    ...SPEC_TEXTS.map(({ name }) => [name, figures[name] ?? ''] as const),
  ]) as Typed['figures'],
  source,
});

/** A figure as it was typed, read as everywhere; what is none is left for the form to name. */
const typedAs = (bounds: { min: number; max: number }) => ({
  setValueAs: (text: unknown) => {
    const read = readNumber(String(text), bounds);
    return 'value' in read ? String(read.value) : String(text).trim();
  },
});

/** One model's card: what is typed is the maker's; where nothing is, the class's figure stands beside the name. */
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
  const [told, setTold] = useState<{ refused: string | null } | null>(null);
  const {
    register,
    handleSubmit,
    formState: { errors },
  } = useForm<Typed>({
    defaultValues: typedOf(card),
    resolver: joiResolver(specFormSchema, { abortEarly: false, errors: { wrap: { label: false } } }),
  });
  /** What is wrong with the card as a whole. */
  const problem = told?.refused ?? errors.figures?.root?.message ?? errors.figures?.message;
  const usual = figuresOf(machine);
  const classSays = (figure: number | undefined): string => (figure === undefined ? '' : `class ${figure}`);
  const save = handleSubmit(async (values) => {
    // The schema has made figures of what was typed: the resolver's types do not tell.
    const { figures, source } = values as unknown as Pick<SpecCard, 'figures' | 'source'>;
    const { maker, model } = card;
    setTold({ refused: await onSave({ maker, model, figures, ...(source && { source }) }) });
  });
  const field = (name: string, usually: string, problem: string | undefined, at: UseFormRegisterReturn) => (
    <Figure key={at.name} name={name} usually={usually} problem={problem} at={at} />
  );
  return (
    <form onSubmit={(e) => void save(e)} onChange={() => setTold(null)} noValidate>
      <h2 className="text-3xl font-bold">
        {card.maker} {card.model}
      </h2>
      <LeadSets>
        <p className="text-lg text-soft">Empty: as the {usual.sources.mix}</p>
        <div className="mt-4 grid grid-cols-[repeat(auto-fill,minmax(11rem,1fr))] gap-x-4 gap-y-4">
          {SPEC_SINGLES.map(({ name, label, unit, min, max }) =>
            field(
              `${label}, ${unit}`,
              classSays((usual as SpecFigures)[name]),
              errors.figures?.[name]?.message,
              register(`figures.${name}`, typedAs({ min, max })),
            ),
          )}
        </div>
        <div className="mt-4 grid gap-x-8 gap-y-4 sm:grid-cols-2">
          {SPEC_PAIRS.map(({ name, label, unit, min, max }) => (
            <fieldset key={name} className="flex flex-wrap items-start gap-2">
              {field(
                `${label}, ${unit}, from`,
                classSays(usual[name][0]),
                errors.figures?.[name]?.[0]?.message ??
                  errors.figures?.[name]?.[1]?.message ??
                  errors.figures?.[name]?.root?.message,
                register(`figures.${name}.0`, typedAs({ min, max })),
              )}
              {field(
                'to',
                classSays(usual[name][1]),
                undefined,
                register(`figures.${name}.1`, typedAs({ min, max })),
              )}
            </fieldset>
          ))}
        </div>
        {SPEC_TEXTS.map(({ name, label, most }) => (
          <label key={name} className="mt-4 block font-semibold">
            {label}
            <input
              {...register(`figures.${name}`)}
              maxLength={most}
              className="mt-1 block min-h-14 w-full max-w-80 rounded-md border-2 border-line bg-card px-3 text-xl"
            />
          </label>
        ))}
        <label className="mt-4 block font-semibold">
          Where it was read
          <input
            {...register('source')}
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
          {told?.refused === null && (
            <p role="status" className="text-lg font-semibold text-moss">
              Kept
            </p>
          )}
        </div>
      </LeadSets>
    </form>
  );
}

/** One figure: its name, what the class says, and why what is typed cannot be. */
const Figure = ({
  name,
  usually,
  problem,
  at,
}: {
  name: string;
  usually: string;
  problem: string | undefined;
  at: UseFormRegisterReturn;
}): ReactElement => (
  <div className="max-w-44">
    <FigureInput
      id={at.name}
      label={name}
      invalid={problem !== undefined}
      describedBy={`${at.name}-says`}
      {...at}
    />
    <p
      id={`${at.name}-says`}
      role={problem ? 'alert' : undefined}
      className={problem ? 'font-semibold text-rust' : 'text-soft'}
    >
      {problem ?? usually}
    </p>
  </div>
);
