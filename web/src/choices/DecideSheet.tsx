import { CHOICE_NAMES, TOLD_HOW, type ToldHow } from '@rusty-wren/core/knowledge';
import { HOW_WORDS, sentence, type GivenPaper } from '@rusty-wren/core/log';
import type { OfferedChoice } from '@rusty-wren/core/worth';
import { useRef, useState, type ReactElement } from 'react';
import type { Log } from '../job/useLog';
import { keepPhoto } from '../photos/TakePhoto';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';
import { OneOf } from '../ui/OneOf';
import { Sheet } from '../ui/Sheet';
import { TooLong } from '../ui/TooLong';
import { tooLong } from '../ui/words';
import { SignPad, type Signed } from './SignPad';

const MOST_NAME = 120;
/** A page of their own is answered there, not here. */
const HERE = TOLD_HOW.filter((how) => how !== 'page');

/** The owner has spoken: who, how, and the price that was agreed. */
export function DecideSheet({
  choice,
  jobId,
  owner,
  paper,
  log,
  onClose,
}: {
  choice: OfferedChoice;
  jobId: string;
  owner: string;
  /** The report they read, where one was given. */
  paper: GivenPaper | undefined;
  log: Log;
  onClose: () => void;
}): ReactElement {
  const [by, setBy] = useState(owner);
  const [how, setHow] = useState<Exclude<ToldHow, 'page'>>('phone');
  const [price, setPrice] = useState<number | null>(Math.round(choice.price.high) / 100);
  const signedRef = useRef<Signed | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const decide = async (): Promise<void> => {
    const picture = (await signedRef.current?.picture()) ?? null;
    const kept = picture
      ? await keepPhoto(new File([picture], 'signature.png', { type: 'image/png' }), jobId)
      : null;
    if (kept && 'problem' in kept) return setTold(kept.problem);
    log.all([
      ...(kept
        ? [{ kind: 'photo', body: { ...kept, words: `signature of ${by.trim()}`.slice(0, 300) } } as const]
        : []),
      {
        kind: 'decision',
        body: {
          choice: choice.id,
          by: by.trim(),
          how,
          ...(paper && { paper: paper.entryId }),
          ...(price !== null && { price: Math.round(price * 100) }),
          ...(kept && { signature: kept.hash }),
        },
      },
    ]);
    onClose();
  };
  const wrong = !by.trim() || tooLong(by.trim(), MOST_NAME) !== null;
  return (
    <Sheet title={CHOICE_NAMES[choice.id]} open onOpenChange={(open) => !open && onClose()}>
      <div className="grid gap-4">
        <label className="block font-semibold">
          Who decided
          <input
            value={by}
            onChange={(e) => setBy(e.target.value)}
            className="mt-1 block min-h-14 w-full rounded-md border-2 border-line bg-card px-3 text-xl"
          />
        </label>
        <TooLong text={by} most={MOST_NAME} />
        <OneOf
          label="How"
          options={HERE.map((id) => ({ id: id as Exclude<ToldHow, 'page'>, label: sentence(HOW_WORDS[id]) }))}
          value={how}
          onChange={setHow}
        />
        <NumberField label="Agreed up to, tax in" min={0} max={10_000} value={price} onChange={setPrice} />
        {how === 'counter' && <SignPad signedRef={signedRef} />}
        {told && (
          <p role="alert" className="font-semibold text-rust">
            {told}
          </p>
        )}
        {paper && <p className="text-lg text-soft">By the report as given, version {paper.version}.</p>}
        <Button
          look="rust"
          className="min-h-14 justify-self-start px-8 text-lg"
          disabled={wrong}
          onClick={() => void decide()}
        >
          Decided
        </Button>
      </div>
    </Sheet>
  );
}
