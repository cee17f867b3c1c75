import { caseFileOf } from '@rusty-wren/contract';
import type { Picture } from '@rusty-wren/core/log';
import { Download } from 'lucide-react';
import type { ReactElement } from 'react';

/** Saves the job as a case file, to send to another bench or to the case-file command. */
export function SaveCase({ tag, picture }: { tag: number; picture: Picture }): ReactElement {
  const text = JSON.stringify(caseFileOf(picture), null, 1);
  return (
    <a
      href={`data:application/json,${encodeURIComponent(text)}`}
      download={`tag-${tag}.case.json`}
      aria-label="Save as a case file"
      title="Save as a case file"
      className="grid size-11 place-items-center rounded-md hover:bg-line"
    >
      <Download size={20} aria-hidden />
    </a>
  );
}
