import { useState, type FormEvent, type ReactElement } from 'react';
import { Button, type ButtonLook } from './Button';
import { TooLong } from './TooLong';
import { tooLong } from './words';

/** One line to write and a button to be done with it; nothing happens while it is blank. */
export function OneLine({
  label,
  placeholder,
  most,
  done,
  look = 'rust',
  focus = false,
  onDone,
}: {
  label: string;
  placeholder: string;
  /** Most characters it takes. */
  most: number;
  /** What the button says. */
  done: string;
  look?: ButtonLook;
  focus?: boolean;
  onDone: (text: string) => void;
}): ReactElement {
  const [text, setText] = useState('');
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (!text.trim() || tooLong(text.trim(), most)) return;
    onDone(text.trim());
    setText('');
  };
  return (
    <form onSubmit={submit} className="mt-4 flex flex-wrap gap-2">
      <input
        autoFocus={focus}
        aria-label={label}
        value={text}
        onChange={(e) => setText(e.target.value)}
        placeholder={placeholder}
        className="min-h-11 min-w-0 flex-1 rounded-md border-2 border-line bg-card px-3"
      />
      <Button type="submit" look={look} disabled={!text.trim()}>
        {done}
      </Button>
      <div className="w-full empty:hidden">
        <TooLong text={text} most={most} />
      </div>
    </form>
  );
}
