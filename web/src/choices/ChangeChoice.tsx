import { CHOICE_NAMES } from '@rusty-wren/core/knowledge';
import type { Bodies } from '@rusty-wren/core/log';
import type { OfferedChoice } from '@rusty-wren/core/worth';
import { useState, type ReactElement, type ReactNode } from 'react';
import { Button } from '../ui/Button';
import { useMoney } from '../ui/money';
import { NumberField } from '../ui/NumberField';
import { OneLine } from '../ui/OneLine';
import { Sheet } from '../ui/Sheet';

export type ChoiceChange = Omit<Bodies['choice-set'], 'choice'>;

/** Another price, other days, or off the counter: what the technician knows better. */
export function ChangeChoice({
  choice,
  prices,
  onSet,
  onClose,
}: {
  choice: OfferedChoice;
  /** What the parts of its jobs come to, and the way to say otherwise. */
  prices: ReactNode;
  onSet: (change: ChoiceChange) => void;
  onClose: () => void;
}): ReactElement {
  const money = useMoney();
  const [price, setPrice] = useState<number | null>(choice.price.mean / 100);
  const [days, setDays] = useState<number | null>(Math.round(choice.days.mean));
  const set = (change: ChoiceChange) => (): void => {
    onSet(change);
    onClose();
  };
  return (
    <Sheet title={`Change: ${CHOICE_NAMES[choice.id]}`} open onOpenChange={(open) => !open && onClose()}>
      <div className="flex flex-wrap gap-4">
        <NumberField label="Price, tax in" min={0} max={10_000} value={price} onChange={setPrice} />
        <NumberField label="Days" min={0} max={365} value={days} onChange={setDays} />
      </div>
      <div className="mt-4">
        <Button
          look="rust"
          className="min-h-14 px-8 text-lg"
          disabled={price === null || days === null}
          onClick={set({ price: Math.round((price ?? 0) * 100), days: Math.round(days ?? 0) })}
        >
          Set it
        </Button>
      </div>
      {choice.shopCost > 0 && (
        <p className="mt-4 text-lg">
          It costs the shop about <strong className="tabular-nums">{money.about(choice.shopCost)}</strong>,
          its comebacks reckoned in.
        </p>
      )}
      {prices}
      <OneLine
        label="Off the counter, because"
        placeholder="off the counter, because…"
        most={300}
        done="Take it off"
        look="plain"
        onDone={(words) => set({ offered: false, words })()}
      />
    </Sheet>
  );
}
