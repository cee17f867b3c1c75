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
      className="flex min-h-11 items-center gap-2 rounded-md px-2 font-semibold hover:bg-line"
    >
      <Download size={20} aria-hidden /> Save as a case file
    </a>
  );
}
