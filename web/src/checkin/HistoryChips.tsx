import type { History } from '@rusty-wren/core/knowledge';
import type { ReactElement } from 'react';
import { Chips } from './Chips';

const MONTHS = [
  { value: '0', label: 'In use till now' },
  { value: '0.5', label: 'Under a month' },
  { value: '2', label: '1–3 months' },
  { value: '5', label: '3–8 months' },
  { value: '12', label: 'A year or more' },
] as const;
const FUEL = [
  { value: '0.5', label: 'Under a month' },
  { value: '2', label: '1–3 months' },
  { value: '5', label: 'Older' },
] as const;

/** The questions worth asking over the counter; every one may stay unanswered. */
export function HistoryChips({
  value,
  onChange,
}: {
  value: History;
  onChange: (value: History) => void;
}): ReactElement {
  const set = (change: { [K in keyof History]: History[K] | undefined }): void => {
    const next: Record<string, unknown> = { ...value, ...change };
    for (const key of Object.keys(next)) if (next[key] === undefined) delete next[key];
    onChange(next as History);
  };
  const months = (n: number | undefined): string | undefined => (n === undefined ? undefined : String(n));
  return (
    <div className="grid gap-2">
      <Chips
        label="Been into?"
        chips={[
          { value: 'yes', label: 'Yes' },
          { value: 'no', label: 'No' },
          { value: 'unknown', label: 'Not known' },
        ]}
        value={value.openedBefore}
        onChange={(openedBefore) => set({ openedBefore })}
      />
      <Chips
        label="Stood"
        chips={MONTHS}
        value={months(value.monthsStored) as (typeof MONTHS)[number]['value'] | undefined}
        onChange={(m) => set({ monthsStored: m === undefined ? undefined : Number(m) })}
      />
      <Chips
        label="Fuel"
        chips={FUEL}
        value={months(value.fuelAgeMonths) as (typeof FUEL)[number]['value'] | undefined}
        onChange={(m) => set({ fuelAgeMonths: m === undefined ? undefined : Number(m) })}
      />
      <Chips
        label="Mixed by"
        chips={[
          { value: 'owner', label: 'Owner' },
          { value: 'shop', label: 'Shop' },
          { value: 'canned', label: 'Canned' },
        ]}
        value={value.mixedBy === 'unknown' ? undefined : value.mixedBy}
        onChange={(mixedBy) => set({ mixedBy })}
      />
      <Chips
        label="Stopped"
        chips={[
          { value: 'suddenly', label: 'Suddenly' },
          { value: 'gradually', label: 'Gradually' },
          { value: 'no-restart-after-rest', label: 'After a rest' },
        ]}
        value={value.stopped}
        onChange={(stopped) => set({ stopped })}
      />
      <Chips
        label="Fails"
        chips={[
          { value: 'hot', label: 'Hot' },
          { value: 'cold', label: 'Cold' },
          { value: 'always', label: 'Always' },
        ]}
        value={value.failsWhen}
        onChange={(failsWhen) => set({ failsWhen })}
      />
      <Chips
        label="Use"
        chips={[
          { value: 'light', label: 'Light' },
          { value: 'daily', label: 'Daily' },
        ]}
        value={value.lightUse ? 'light' : value.dailyUse ? 'daily' : undefined}
        onChange={(use) =>
          set({ lightUse: use === 'light' || undefined, dailyUse: use === 'daily' || undefined })
        }
      />
      <Chips
        label="Same can"
        chips={[{ value: 'yes', label: 'Other machines on it' }]}
        value={value.sharedCan ? 'yes' : undefined}
        onChange={(same) => set({ sharedCan: same === 'yes' || undefined })}
      />
      <label className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="w-32 shrink-0 font-semibold">Already tried</span>
        <input
          value={value.alreadyTried ?? ''}
          onChange={(e) => set({ alreadyTried: e.target.value || undefined })}
          className="min-h-11 min-w-0 flex-1 rounded-md border-2 border-line bg-card px-3"
        />
      </label>
    </div>
  );
}
