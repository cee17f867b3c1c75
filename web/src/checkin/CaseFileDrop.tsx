import { CaseFileError } from '@rusty-wren/contract';
import type { ReactElement } from 'react';
import { JsonFilePick } from '../ui/JsonFilePick';
import { withCaseFile, type Draft } from './draft';

const MOST_BYTES = 400_000;

/** Fills the page from a case file: machine, complaints, history, and everything found so far. */
export function CaseFileDrop({
  draft,
  change,
  onProblem,
}: {
  draft: Draft;
  change: (part: Partial<Draft>) => void;
  onProblem: (problem: string) => void;
}): ReactElement {
  const read = async (file: File): Promise<void> => {
    if (file.size > MOST_BYTES) return onProblem(`${file.name} is too large for a case file.`);
    try {
      change(withCaseFile(draft, await file.text()));
    } catch (error) {
      if (!(error instanceof CaseFileError)) throw error;
      onProblem(`${file.name}: ${error.message}.`);
    }
  };
  return (
    <div className="mt-5 text-lg">
      <JsonFilePick label="From a case file" onFile={(file) => void read(file)} />
      {draft.carried.length > 0 && (
        <p role="status">
          <strong>{draft.carried.length}</strong> {draft.carried.length === 1 ? 'entry' : 'entries'} of the
          file go on the log.
        </p>
      )}
    </div>
  );
}
