import { clearMessage, rulesSchema } from '@rusty-wren/contract';
import { RULE_FIELDS, type ShopRules } from '@rusty-wren/core/worth';
import { figureIn } from '@rusty-wren/core/units';
import { useState, type ReactElement } from 'react';
import { useForm } from 'react-hook-form';
import { LeadSets } from '../hands/LeadSets';
import { Button } from '../ui/Button';
import { FigureInput } from '../ui/FigureInput';

type Typed = Record<(typeof RULE_FIELDS)[number]['name'], string> & {
  currency: string;
  feeCredited: boolean;
  foot: string;
  shopName: string;
  shopPhone: string;
};

/** How many of what is kept make one of what is typed: cents of an amount, thousandths of a per cent. */
const PARTS: Partial<Record<string, number>> = { money: 100, '‰': 10 };
const UNITS: Partial<Record<string, string>> = { money: '', '‰': ', %', seasons: '' };

const typedOf = (rules: ShopRules): Typed => ({
  ...(Object.fromEntries(
    RULE_FIELDS.map((f) => [f.name, String(rules[f.name] / (PARTS[f.unit] ?? 1))]),
  ) as Record<(typeof RULE_FIELDS)[number]['name'], string>),
  currency: rules.currency,
  feeCredited: rules.feeCredited,
  foot: rules.foot,
  shopName: rules.shopName,
  shopPhone: rules.shopPhone,
});

/** The rules as typed, or one sentence on what cannot be. */
function rulesIn(typed: Typed): { rules: ShopRules } | { problem: string } {
  const figures: Record<string, number> = {};
  for (const { name, label, unit, min, max } of RULE_FIELDS) {
    const part = PARTS[unit] ?? 1;
    const value = figureIn(typed[name], { min: min / part, max: max / part });
    if (typeof value !== 'number') return { problem: `${label}: ${value.problem}.` };
    figures[name] = Math.round(value * part);
  }
  const rules = {
    ...figures,
    currency: typed.currency.trim().toUpperCase(),
    feeCredited: typed.feeCredited,
    foot: typed.foot.trim(),
    shopName: typed.shopName.trim(),
    shopPhone: typed.shopPhone.trim(),
  } as ShopRules;
  const { error } = rulesSchema.validate(rules);
  return error ? { problem: `${clearMessage(error)}.` } : { rules };
}

/** The shop's rules: what every verdict on worth rests on. */
export function RulesForm({
  rules,
  onSave,
}: {
  rules: ShopRules;
  /** Saves, or says why not. */
  onSave: (rules: ShopRules) => Promise<string | null>;
}): ReactElement {
  const [told, setTold] = useState<string | null>(null);
  const { register, handleSubmit } = useForm<Typed>({ defaultValues: typedOf(rules) });
  const save = handleSubmit(async (typed) => {
    const read = rulesIn(typed);
    setTold('problem' in read ? read.problem : await onSave(read.rules));
  });
  return (
    <form onSubmit={(e) => void save(e)} noValidate>
      <h1 className="text-4xl font-bold">The shop’s rules</h1>
      <LeadSets>
        <div className="mt-4 grid gap-x-4 gap-y-4 sm:grid-cols-2">
          {RULE_FIELDS.map(({ name, label, unit }) => (
            <FigureInput
              key={name}
              id={`rule-${name}`}
              label={`${label}${UNITS[unit] ?? `, ${unit}`}`}
              {...register(name)}
            />
          ))}
          <FigureInput id="rule-currency" label="Currency" inputMode="text" {...register('currency')} />
        </div>
        <label className="mt-4 flex min-h-11 items-center gap-3 text-lg font-semibold">
          <input type="checkbox" className="size-6 accent-ink" {...register('feeCredited')} />
          The fee is taken off once it is mended
        </label>
        <div className="mt-4 flex flex-wrap gap-4">
          <FigureInput
            id="rule-shop-name"
            label="The shop’s name, on papers"
            inputMode="text"
            wide
            {...register('shopName')}
          />
          <FigureInput
            id="rule-shop-phone"
            label="Where it is rung"
            inputMode="tel"
            wide
            {...register('shopPhone')}
          />
        </div>
        <label className="mt-3 block font-semibold">
          At the foot of every paper
          <textarea
            rows={3}
            className="mt-1 block w-full rounded-md border-2 border-line bg-card p-3 text-lg"
            {...register('foot')}
          />
        </label>
        {told && (
          <p role="alert" className="mt-3 font-semibold text-rust">
            {told}
          </p>
        )}
        <Button type="submit" look="rust" className="mt-4 min-h-14 px-6 text-lg">
          Keep the rules
        </Button>
      </LeadSets>
    </form>
  );
}
