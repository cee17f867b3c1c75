import type { PriceLineKey } from '@rusty-wren/contract';
import { familyName, type FamilyId } from '@rusty-wren/core/knowledge';
import type { MachineKind } from '@rusty-wren/core/machine';
import { pricedName, type PartsPrice, type PriceLine } from '@rusty-wren/core/worth';
import { useState, type ReactElement } from 'react';
import { LeadSets } from '../hands/LeadSets';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';
import { Sheet } from '../ui/Sheet';
import { inSentence, KIND_WORDS } from '../ui/words';

/** One price: for one model, for one family of carburettors, for one kind of machine, or for all. */
export function PriceSheet({
  what,
  kind,
  model,
  family,
  known,
  onSave,
  onClose,
}: {
  what: PriceLine['what'];
  kind: MachineKind;
  /** The machine on the bench, where the price is entered there. */
  model?: { maker: string; model: string };
  /** Its carburettor's family, where the job is one of the carburettor. */
  family?: FamilyId;
  known: PartsPrice;
  onSave: (change: { lines: PriceLine[]; gone?: PriceLineKey[] }) => Promise<string | null>;
  onClose: () => void;
}): ReactElement {
  const [price, setPrice] = useState<number | null>(known.price / 100);
  const [days, setDays] = useState<number | null>(known.waitDays);
  const [told, setTold] = useState<string | null>(null);
  const wrong = price === null || days === null || !Number.isInteger(days);
  const keep = (scope: Omit<PriceLineKey, 'what'>) => (): void => {
    if (wrong) return;
    void onSave({ lines: [{ what, ...scope, price: Math.round(price * 100), waitDays: days }] }).then(
      (refused) => (refused ? setTold(refused) : onClose()),
    );
  };
  const ours = known.from === 'kind' ? { what, kind } : known.from === 'shop' ? { what } : null;
  return (
    <Sheet title={pricedName(what)} open onOpenChange={(open) => !open && onClose()}>
      <LeadSets>
        <div className="flex flex-wrap gap-4">
          <NumberField
            label={what === 'like' ? 'New, tax in' : 'Parts, before tax'}
            min={0}
            max={10_000}
            value={price}
            onChange={setPrice}
          />
          <NumberField label="Days until here" min={0} max={365} value={days} onChange={setDays} />
        </div>
        {told && (
          <p role="alert" className="mt-3 font-semibold text-rust">
            {told}
          </p>
        )}
        <div className="mt-4 flex flex-wrap gap-3">
          {model && (
            <Button look="rust" className="min-h-14 px-6" disabled={wrong} onClick={keep(model)}>
              For {model.maker} {model.model}
            </Button>
          )}
          {family && (
            <Button className="min-h-14 px-6" disabled={wrong} onClick={keep({ family })}>
              For each carburettor: {inSentence(familyName(family))}
            </Button>
          )}
          <Button
            look={model ? 'plain' : 'rust'}
            className="min-h-14 px-6"
            disabled={wrong}
            onClick={keep({ kind })}
          >
            For each {inSentence(KIND_WORDS[kind])}
          </Button>
          {!model && (
            <Button className="min-h-14 px-6" disabled={wrong} onClick={keep({})}>
              For all
            </Button>
          )}
          {ours && (
            <Button
              look="quiet"
              onClick={() =>
                void onSave({ lines: [], gone: [ours] }).then((refused) =>
                  refused ? setTold(refused) : onClose(),
                )
              }
            >
              Back to the usual
            </Button>
          )}
        </div>
      </LeadSets>
    </Sheet>
  );
}
