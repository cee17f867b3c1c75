import { FigureInput } from './FigureInput';
import { useId, useState, type ReactElement } from 'react';

/** The number a field holds, null when it is empty, or why it is none: one sentence naming the field. */
export function numberIn(
  text: string,
  { label, min, max }: { label: string; min: number; max: number },
): { value: number | null } | { problem: string } {
  const trimmed = text.trim().replace(',', '.');
  if (!trimmed) return { value: null };
  const value = Number(trimmed);
  if (!Number.isFinite(value)) return { problem: `${label}: "${text.trim()}" is not a number.` };
  if (value < min || value > max) return { problem: `${label}: ${value} is outside ${min} to ${max}.` };
  return { value };
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
          if ('value' in read) onChange(read.value);
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
