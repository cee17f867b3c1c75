import type { ReactElement } from 'react';
import { TooLong } from './TooLong';

/** Words to write under a label; more than can be kept is said, not cut. Whoever takes them asks `tooLong` first. */
export const Written = ({
  label,
  most,
  value,
  onChange,
  focus = false,
  className = '',
}: {
  label: string;
  /** Most letters that can be kept. */
  most: number;
  value: string;
  onChange: (text: string) => void;
  focus?: boolean;
  className?: string;
}): ReactElement => (
  <label className={`block ${className}`}>
    <span className="font-semibold">{label}</span>
    <input
      autoFocus={focus}
      value={value}
      onChange={(e) => onChange(e.target.value)}
      className="mt-1 min-h-12 w-full rounded-md border-2 border-line bg-card px-3 text-lg"
    />
    <TooLong text={value} most={most} />
  </label>
);
