import { ClipboardPaste } from 'lucide-react';
import { useState, type DragEvent, type ReactElement } from 'react';
import { Button } from './Button';

/** A table pasted or dropped. What cannot be taken stays in the field with the reason. */
export function TakeTable({
  what,
  onTake,
}: {
  what: string;
  /** Takes the text, or says in one sentence why not. */
  onTake: (text: string) => string | null;
}): ReactElement {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const take = (table: string): void => {
    setText(table);
    setProblem(onTake(table));
  };
  const drop = async (event: DragEvent): Promise<void> => {
    event.preventDefault();
    const file = event.dataTransfer.files[0];
    take(file ? await file.text() : event.dataTransfer.getData('text'));
  };
  if (!open)
    return (
      <Button look="quiet" className="!px-0" onClick={() => setOpen(true)}>
        <ClipboardPaste size={18} aria-hidden /> Paste or drop a table
      </Button>
    );
  return (
    <div onDrop={(e) => void drop(e)} onDragOver={(e) => e.preventDefault()}>
      <textarea
        aria-label={what}
        placeholder={what}
        rows={4}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setProblem(null);
        }}
        className="w-full rounded-md border-2 border-line bg-card p-3 font-mono"
      />
      {problem && (
        <p role="alert" className="font-semibold text-rust">
          {problem}
        </p>
      )}
      <div className="mt-2 flex gap-2">
        <Button look="rust" onClick={() => take(text)}>
          Take it
        </Button>
        <Button look="quiet" onClick={() => setOpen(false)}>
          Leave it
        </Button>
      </div>
    </div>
  );
}
