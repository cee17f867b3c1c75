import {
  behaviourOf,
  OFTEN_SAID,
  OFTEN_SAID_IDS,
  type ComplaintId,
  type HowOften,
} from '@rusty-wren/core/knowledge';
import { oftenIn } from '@rusty-wren/core/shorthand';
import { useId, useState, type ReactElement } from 'react';
import { Chips } from './Chips';
import { Problem } from '../ui/Problem';

/** Counts that are said most. */
const COMMON = ['1 of 2', '1 of 3', '1 of 5'] as const;
const wordsOf = (often: HowOften): string =>
  'said' in often ? OFTEN_SAID[often.said] : `${often.failed} of ${often.of}`;
const CHIPS = [...OFTEN_SAID_IDS.map((id) => OFTEN_SAID[id]), ...COMMON].map((label) => ({
  value: label,
  label,
}));

/** Any other count, as it is written. */
function AnotherCount({ name, onCount }: { name: string; onCount: (often: HowOften) => void }): ReactElement {
  const [text, setText] = useState('');
  const [wrong, setWrong] = useState(false);
  const id = useId();
  const read = (): void => {
    if (!text.trim()) return setWrong(false);
    const often = oftenIn(text);
    setWrong(!often);
    if (!often) return;
    setText('');
    onCount(often);
  };
  return (
    <>
      <input
        aria-label={`${name}: how many of how many`}
        aria-describedby={wrong ? id : undefined}
        value={text}
        placeholder="2 of 7"
        onChange={(e) => setText(e.target.value)}
        onBlur={read}
        onKeyDown={(e) => {
          if (e.key !== 'Enter') return;
          e.preventDefault();
          read();
        }}
        className="min-h-11 w-24 rounded-md border-2 border-line bg-card px-3"
      />
      {wrong && (
        <span id={id} className="w-full">
          <Problem says={`${name}: how many of how many, such as "2 of 7".`} />
        </span>
      )}
    </>
  );
}

/** How often it does what it is complained of, one row a complaint: what is proved afterwards goes by it. */
export function HowOftenPick({
  complaints,
  value,
  onChange,
}: {
  complaints: readonly ComplaintId[];
  value: Partial<Readonly<Record<ComplaintId, HowOften>>>;
  onChange: (complaint: ComplaintId, often: HowOften | undefined) => void;
}): ReactElement | null {
  if (complaints.length === 0) return null;
  return (
    <div className="mt-2 grid gap-2">
      {complaints.map((complaint) => {
        const name = complaints.length > 1 ? behaviourOf(complaint).label : 'How often?';
        const often = value[complaint];
        const picked = often && wordsOf(often);
        return (
          <Chips
            key={complaint}
            label={name}
            // Another count stands beside the usual ones once it is said.
            chips={
              picked && !CHIPS.some((c) => c.value === picked)
                ? [...CHIPS, { value: picked, label: picked }]
                : CHIPS
            }
            value={picked}
            onChange={(label) =>
              onChange(complaint, label === undefined ? undefined : (oftenIn(label) ?? undefined))
            }
          >
            <AnotherCount name={name} onCount={(counted) => onChange(complaint, counted)} />
          </Chips>
        );
      })}
    </div>
  );
}
