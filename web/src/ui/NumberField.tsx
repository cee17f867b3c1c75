import { figureIn } from '@rusty-wren/core/units';
import { FigureInput } from './FigureInput';
import { useId, useState, type ReactElement } from 'react';

/** The number a field holds, null when it is empty, or why it is none: one sentence naming the field. */
export function numberIn(
  text: string,
  { label, min, max }: { label: string; min: number; max: number },
): { value: number | null } | { problem: string } {
  if (!text.trim()) return { value: null };
  const value = figureIn(text, { min, max });
  return typeof value === 'number' ? { value } : { problem: `${label}: ${value.problem}.` };
}

/** A number to type: large, with its unit in the label. What cannot be is said and not passed on. */
export function NumberField({
  label,
  value,
  placeholder,
  min,
  max,
  autoFocus = false,
  onChange,
}: {
  label: string;
  value: number | null;
  placeholder?: string;
  min: number;
  max: number;
  autoFocus?: boolean;
  onChange: (value: number | null) => void;
}): ReactElement {
  const id = useId();
  const [text, setText] = useState(value === null ? '' : String(value));
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <div>
      <FigureInput
        id={id}
        label={label}
        autoFocus={autoFocus}
        value={text}
        placeholder={placeholder}
        invalid={problem !== null}
        describedBy={problem ? `${id}-problem` : undefined}
        onChange={(e) => {
          setText(e.target.value);
          const read = numberIn(e.target.value, { label, min, max });
          setProblem('problem' in read ? read.problem : null);
          // What cannot be read is no figure: the one before it must not go on counting unseen.
          onChange('value' in read ? read.value : null);
        }}
      />
      {problem && (
        <p id={`${id}-problem`} role="alert" className="mt-1 max-w-72 font-semibold text-rust">
          {problem}
        </p>
      )}
    </div>
  );
}
