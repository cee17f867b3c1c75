import { FileUp } from 'lucide-react';
import type { ReactElement } from 'react';

/** Picks a JSON file; the same one can be picked again once it is mended. */
export const JsonFilePick = ({
  label,
  onFile,
}: {
  label: string;
  onFile: (file: File) => void;
}): ReactElement => (
  <label className="inline-flex min-h-11 cursor-pointer items-center gap-2 rounded-md font-semibold text-soft focus-within:outline-3 focus-within:outline-steel hover:text-ink">
    <FileUp size={20} aria-hidden /> {label}
    <input
      type="file"
      accept=".json,application/json"
      className="sr-only"
      onChange={(e) => {
        const [file] = e.target.files ?? [];
        if (file) onFile(file);
        e.target.value = '';
      }}
    />
  </label>
);
