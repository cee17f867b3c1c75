import { freeOf, type Stocked } from '@rusty-wren/core/parts';
import { useState, type ReactElement } from 'react';
import { v4 as uuid } from 'uuid';
import { problemWords, useCountPartMutation } from '../api/api';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';

/** How many lie there, and the count put right. */
export function CountPart({ part }: { part: Stocked }): ReactElement {
  const [send] = useCountPartMutation();
  const [count, setCount] = useState<number | null>(null);
  const [told, setTold] = useState<string | null>(null);
  const wrong = count === null || !Number.isInteger(count);
  return (
    <div>
      <p className="text-xl">
        <strong className="text-3xl tabular-nums">{freeOf(part)}</strong> free
        {part.held > 0 && `, ${part.held} set aside`}
        {part.shelf && `, at ${part.shelf}`}
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <NumberField
          key={part.onHand}
          label="Counted"
          min={0}
          max={100_000}
          value={null}
          placeholder={String(part.onHand)}
          onChange={setCount}
        />
        <Button
          className="min-h-14"
          disabled={wrong}
          onClick={() =>
            wrong ||
            void send({ part: part.id, id: uuid(), count }).then(({ error }) =>
              setTold(error ? problemWords(error) : null),
            )
          }
        >
          So many lie there
        </Button>
      </div>
      {told && (
        <p role="alert" className="mt-2 font-semibold text-rust">
          {told}
        </p>
      )}
    </div>
  );
}
