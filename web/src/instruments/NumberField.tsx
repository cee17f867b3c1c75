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
  wide = false,
  autoFocus = false,
  onChange,
}: {
  label: string;
  value: number | null;
  placeholder?: string;
  min: number;
  max: number;
  wide?: boolean;
  autoFocus?: boolean;
  onChange: (value: number | null) => void;
}): ReactElement {
  const id = useId();
  const [text, setText] = useState(value === null ? '' : String(value));
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <div>
      <label htmlFor={id} className="block font-semibold">
        {label}
      </label>
      <input
        id={id}
        autoFocus={autoFocus}
        inputMode="decimal"
        autoComplete="off"
        value={text}
        placeholder={placeholder}
        aria-invalid={problem !== null}
        aria-describedby={problem ? `${id}-problem` : undefined}
        onChange={(e) => {
          setText(e.target.value);
          const read = numberIn(e.target.value, { label, min, max });
          setProblem('problem' in read ? read.problem : null);
          if ('value' in read) onChange(read.value);
        }}
        className={`mt-1 min-h-14 rounded-md border-2 border-line bg-card px-3 text-2xl font-semibold placeholder:font-normal placeholder:text-soft/70 ${wide ? 'w-72 max-w-full' : 'w-36'}`}
      />
      {problem && (
        <p id={`${id}-problem`} role="alert" className="mt-1 max-w-72 font-semibold text-rust">
          {problem}
        </p>
      )}
    </div>
  );
}
