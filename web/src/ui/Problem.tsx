import type { ReactElement } from 'react';

/** What is wrong with a field, in a sentence; nothing where nothing is. */
export const Problem = ({ says }: { says: string | null | undefined }): ReactElement | null =>
  says ? (
    <p role="alert" className="mt-1 font-semibold text-rust">
      {says}
    </p>
  ) : null;
