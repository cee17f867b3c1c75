import { SEEN, type Seen } from '@rusty-wren/core/tuning';
import { ToggleGroup } from 'radix-ui';
import type { ReactElement } from 'react';

const WORDS: Readonly<Record<Seen, string>> = {
  'dies-at-idle': 'Will not hold idle',
  stumbles: 'Stumbles on throttle',
  'smokes-at-idle': 'Smokes at idle',
  'burbles-in-cut': 'Burbles in the cut',
  screams: 'Screams',
};

/** What the technician saw that the trace may not show: the advice takes it in at once. */
export function SeenPick({
  seen,
  onChange,
}: {
  seen: readonly Seen[];
  onChange: (seen: readonly Seen[]) => void;
}): ReactElement {
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <span className="font-semibold">Also seen</span>
      <ToggleGroup.Root
        type="multiple"
        value={[...seen]}
        onValueChange={(next) => onChange(next as Seen[])}
        aria-label="Also seen"
        className="flex flex-wrap gap-1"
      >
        {SEEN.map((id) => (
          <ToggleGroup.Item
            key={id}
            value={id}
            className="min-h-11 rounded-md border-2 border-line bg-card px-3 font-medium hover:border-ink data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:text-paper"
          >
            {WORDS[id]}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}
