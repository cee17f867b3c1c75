import { behaviourOf, type ComplaintId } from '@rusty-wren/core/knowledge';
import { saidByOwner, usesLeft, usesWords, type Picture, type Uses } from '@rusty-wren/core/log';
import { useState, type ReactElement } from 'react';
import type { Log } from '../job/useLog';
import { Button } from '../ui/Button';
import { OneOf } from '../ui/OneOf';
import { inSentence } from '../ui/words';

/** What its owner says of it, told at the counter or on the telephone: after so many uses, nothing again, or which of it. */
export function HowItGoes({
  picture,
  log,
}: {
  picture: Pick<Picture, 'atOwners' | 'complaints' | 'cured' | 'stage'>;
  log: Log;
}): ReactElement | null {
  const { atOwners, complaints, cured, stage } = picture;
  const left = usesLeft(picture);
  const [uses, setUses] = useState<Uses>();
  if (stage !== 'closed' || !cured || complaints.length === 0) return null;
  const after = uses !== undefined && left.includes(uses) ? uses : left[0];
  const told = (again: ComplaintId | null): void => {
    if (after === undefined) return;
    log.all(saidByOwner({ uses: after, again }));
  };
  return (
    <section aria-label="How it goes" className="mt-6 max-w-2xl">
      <h2 className="text-xl font-bold">Did it do it again?</h2>
      {atOwners.map((s) => (
        <p key={s.id} className="mt-1 text-lg">
          After {usesWords(s.uses)}: {s.again ? 'it did it again' : 'it runs right'}
          {s.words && `. “${s.words}”`}
        </p>
      ))}
      {after !== undefined && (
        <div className="mt-2 flex flex-wrap items-center gap-2">
          <span className="text-lg">after</span>
          <OneOf
            label="After how many uses"
            options={left.map((n) => ({ id: String(n), label: usesWords(n) }))}
            value={String(after)}
            onChange={(n) => setUses(left.find((one) => String(one) === n))}
          />
          <Button onClick={() => told(null)}>No, it runs right</Button>
          {complaints.map(({ complaint }) => (
            <Button key={complaint} onClick={() => told(complaint)}>
              Yes: {inSentence(behaviourOf(complaint).label)}
            </Button>
          ))}
        </div>
      )}
    </section>
  );
}
