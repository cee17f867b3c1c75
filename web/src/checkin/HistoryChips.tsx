import { FAILS_WHEN, FAILS_WHEN_IDS, SPANS, type History, type Span } from '@rusty-wren/core/knowledge';
import type { ReactElement } from 'react';
import { Chips } from './Chips';

const chipsOf = (spans: readonly Span[]) => spans.map((value) => ({ value, label: SPANS[value].label }));
const STOOD = chipsOf(['in-use', 'under-1', '1-3', '3-8', 'over-12']);
const FUEL = chipsOf(['under-1', '1-3', 'over-3']);

/** The span that was picked, or that a counted figure is the same as. */
const picked = (said: Span | undefined, months: number | undefined, among: readonly { value: Span }[]) =>
  said ?? among.find(({ value }) => SPANS[value].months === months)?.value;

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
        chips={STOOD}
        value={picked(value.storedSaid, value.monthsStored, STOOD)}
        onChange={(said) => set({ storedSaid: said, monthsStored: said && SPANS[said].months })}
      />
      <Chips
        label="Fuel"
        chips={FUEL}
        value={picked(value.fuelSaid, value.fuelAgeMonths, FUEL)}
        onChange={(said) => set({ fuelSaid: said, fuelAgeMonths: said && SPANS[said].months })}
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
        chips={FAILS_WHEN_IDS.map((id) => ({ value: id, label: FAILS_WHEN[id] }))}
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
        <span className="w-32 shrink-0 font-semibold">Tried besides</span>
        <input
          value={value.alreadyTried ?? ''}
          onChange={(e) => set({ alreadyTried: e.target.value || undefined })}
          className="min-h-11 min-w-0 flex-1 rounded-md border-2 border-line bg-card px-3"
        />
      </label>
    </div>
  );
}
