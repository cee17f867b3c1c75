import { changesBetween, type GivenPaper } from '@rusty-wren/core/log';
import { format } from 'date-fns';
import { FileText, Printer } from 'lucide-react';
import type { ReactElement } from 'react';
import { useAppSelector } from '../app/store';
import { Button, BUTTON_LOOKS } from '../ui/Button';
import { OwnerLink } from './OwnerLink';
import { PaperView } from './PaperView';

/** Hands the paper to the browser's printer. */
export const Print = (): ReactElement => (
  <Button className="min-h-14 px-6 text-lg" onClick={() => print()}>
    <Printer size={20} aria-hidden /> Print
  </Button>
);

const PDF_LINK = `inline-flex min-h-14 items-center gap-2 rounded-md px-6 text-lg font-semibold ${BUTTON_LOOKS.plain}`;

/** A paper as it was given: it never changes, and says what is otherwise than in the version before. */
export function Given({
  given,
  papers,
  jobId,
}: {
  given: GivenPaper;
  papers: readonly GivenPaper[];
  jobId: string;
}): ReactElement {
  const before = papers.find((p) => p.paper === given.paper && p.version === given.version - 1);
  const changes = before && changesBetween(before, given);
  const pdf = `/api/jobs/${jobId}/papers/${given.entryId}/pdf`;
  /** The server does not have it yet: nothing can be asked of it there. */
  const waits = useAppSelector((s) => s.outbox.unsent.some((u) => u.entry.id === given.entryId));
  const onSheet = given.paper === 'report' || given.paper === 'work-done';
  return (
    <div className="grid content-start gap-4">
      <div className="flex flex-wrap items-center gap-3 print:hidden">
        {!waits && (
          <a href={`${pdf}?sheet=a4`} target="_blank" rel="noreferrer" className={PDF_LINK}>
            <FileText size={20} aria-hidden /> PDF{onSheet && ', A4'}
          </a>
        )}
        {!waits && onSheet && (
          <a href={`${pdf}?sheet=letter`} target="_blank" rel="noreferrer" className={PDF_LINK}>
            Letter
          </a>
        )}
        <Print />
        <p className="text-lg text-soft">
          Given {format(new Date(given.notedAt), 'd MMMM, HH:mm')}, {given.hash.slice(0, 8)}
        </p>
      </div>
      {waits && (
        <p role="status" className="text-lg font-semibold text-ochre print:hidden">
          Not sent yet. The PDF and the owner’s page come when it is.
        </p>
      )}
      {/* Before the paper, not under all of it: it is what one gives it for. */}
      {!waits && (given.paper === 'report' || given.paper === 'card') && (
        <OwnerLink key={given.entryId} jobId={jobId} entryId={given.entryId} paper={given.paper} />
      )}
      {changes && (
        <section
          aria-label="Otherwise than before"
          className="max-w-[44rem] text-lg leading-snug print:hidden"
        >
          <h2 className="font-bold">Otherwise than version {given.version - 1}</h2>
          {changes.added.length + changes.gone.length === 0 && <p className="text-soft">Nothing.</p>}
          <ul>
            {changes.gone.map((line) => (
              <li key={`- ${line}`} className="text-soft line-through">
                {line}
              </li>
            ))}
            {changes.added.map((line) => (
              <li key={`+ ${line}`} className="font-semibold">
                {line}
              </li>
            ))}
          </ul>
        </section>
      )}
      <PaperView paper={given.paper} title={given.title} blocks={given.blocks} />
    </div>
  );
}
