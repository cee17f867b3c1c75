import { compareButtons } from '@rusty-wren/core/metering';
import { mmToThou } from '@rusty-wren/core/units';
import type { ReactElement } from 'react';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { useDraft } from '../../ui/useDraft';

/** The centre button of a substitute metering diaphragm beside the old one's, before it is fitted. */
export function ButtonHeight({
  draft,
  onLog,
}: {
  /** Where what is typed is kept until it is logged; absent without a job. */
  draft?: string | undefined;
  onLog?: (text: string) => void;
}): ReactElement {
  const [old, setOld, dropOld] = useDraft<number | null>(draft && `${draft} old`, () => null);
  const [substitute, setSubstitute, dropSubstitute] = useDraft<number | null>(draft, () => null);
  const compared = old !== null && substitute !== null ? compareButtons(old, substitute) : null;
  const bounds = { min: 0, max: 6 };
  return (
    <section aria-label="Diaphragm button">
      <p className="text-lg">Each over its own gasket face, towards the lever.</p>
      <div className="mt-2 flex flex-wrap gap-4">
        <NumberField label="Old button, mm" value={old} onChange={setOld} {...bounds} />
        <NumberField label="Substitute, mm" value={substitute} onChange={setSubstitute} {...bounds} />
      </div>
      {compared && (
        <p
          role="status"
          className={`mt-3 text-2xl leading-snug font-bold ${compared.result === 'fits' ? 'text-moss' : 'text-rust'}`}
        >
          {compared.says}
          {compared.result !== 'fits' && (
            <span className="font-normal"> ({Math.round(mmToThou(Math.abs(compared.prouderMm)))} thou)</span>
          )}
        </p>
      )}
      {compared && onLog && (
        <Button
          className="mt-3 min-h-14 px-6 text-lg"
          onClick={() => {
            dropOld();
            dropSubstitute();
            onLog(`Diaphragm button: old ${old} mm, substitute ${substitute} mm. ${compared.says}`);
          }}
        >
          Log it
        </Button>
      )}
    </section>
  );
}
