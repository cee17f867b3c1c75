import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { useAppSelector } from '../app/store';
import { checkInWords } from '../keeping/shelf';

/** Machines that hang on this device only, until the server is back: they have no number yet. */
export function HungHere(): ReactElement | null {
  const checkIns = useAppSelector((s) => s.outbox.checkIns);
  if (checkIns.length === 0) return null;
  return (
    <section aria-label="Hung here, not sent yet" className="mb-3">
      <h2 className="px-1 text-lg font-bold text-ochre">Hung here, not sent yet</h2>
      <ul className="flex flex-wrap gap-x-6">
        {checkIns.map((kept) => (
          <li key={kept.id}>
            <Link
              to={`/job/${kept.jobId}`}
              className="flex min-h-11 items-center px-1 text-xl font-semibold underline underline-offset-4"
            >
              {kept.kind === 'check-in' && checkInWords(kept.checkIn)}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
