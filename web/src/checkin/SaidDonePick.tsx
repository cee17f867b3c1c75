import {
  PRIOR_WORK,
  priorWorkOf,
  SAID_BY,
  SAID_BY_WORDS,
  SAID_EFFECT_WORDS,
  SAID_EFFECTS,
  type PriorWorkId,
  type SaidBy,
  type SaidDone,
  type SaidEffect,
} from '@rusty-wren/core/knowledge';
import { sentence } from '@rusty-wren/core/log';
import type { MachineKind } from '@rusty-wren/core/machine';
import { ToggleGroup } from 'radix-ui';
import type { ReactElement } from 'react';
import { CHIP, Chips } from './Chips';

const BY = SAID_BY.map((value) => ({ value, label: sentence(SAID_BY_WORDS[value]) }));
const EFFECTS = SAID_EFFECTS.map((value) => ({
  value,
  label: sentence(SAID_EFFECT_WORDS[value]),
}));
/** How long ago, as it is said over a counter. */
const AGO = [
  { value: '0', label: 'Days ago' },
  { value: '2', label: 'A month or two' },
  { value: '12', label: 'A year' },
  { value: '24', label: 'Two years or more' },
];

/** Work that is said to have been done before: which by one tap each, then where, when and what came of it. */
export function SaidDonePick({
  value,
  onChange,
  on,
}: {
  value: readonly SaidDone[];
  onChange: (value: SaidDone[]) => void;
  /** Leaves out what this kind of machine has not got. */
  on?: MachineKind | undefined;
}): ReactElement {
  const pick = (ids: PriorWorkId[]): void =>
    onChange(ids.map((work) => value.find((said) => said.work === work) ?? { work }));
  const set = (
    work: PriorWorkId,
    told: { by?: SaidBy | undefined; monthsAgo?: number | undefined; effect?: SaidEffect | undefined },
  ): void =>
    onChange(
      value.map((said) => {
        if (said.work !== work) return said;
        const next = { ...said, ...told };
        // An answer taken back is no answer.
        return Object.fromEntries(
          Object.entries(next).filter(([, v]) => v !== undefined),
        ) as unknown as SaidDone;
      }),
    );
  return (
    <div className="grid gap-3">
      <ToggleGroup.Root
        type="multiple"
        value={value.map((said) => said.work)}
        onValueChange={(ids) => pick(ids as PriorWorkId[])}
        aria-label="Said to be done before"
        className="flex flex-wrap gap-1"
      >
        {PRIOR_WORK.filter((work) => !(on && work.notOn?.includes(on))).map(({ id, label }) => (
          <ToggleGroup.Item key={id} value={id} className={CHIP}>
            {label}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      {value.map(({ work, by, monthsAgo, effect }) => {
        const { label } = priorWorkOf(work);
        return (
          <section key={work} aria-label={label} className="grid gap-1 border-l-4 border-line pl-3">
            <h3 className="text-lg font-semibold">{label}</h3>
            <Chips
              label="Came of it"
              chips={EFFECTS}
              value={effect}
              onChange={(e) => set(work, { effect: e })}
            />
            <Chips label="Where" chips={BY} value={by} onChange={(b) => set(work, { by: b })} />
            <Chips
              label="When"
              chips={AGO}
              value={monthsAgo === undefined ? undefined : String(monthsAgo)}
              onChange={(m) => set(work, { monthsAgo: m === undefined ? undefined : Number(m) })}
            />
          </section>
        );
      })}
    </div>
  );
}
