import { TriangleAlert } from 'lucide-react';
import type { ReactElement } from 'react';

/** The caution of a step, where it has one. */
export const Caution = ({ says }: { says: string | undefined }): ReactElement | null =>
  says ? (
    <p className="mt-3 flex items-center gap-2 text-lg font-semibold text-ochre">
      <TriangleAlert className="shrink-0" aria-hidden /> {says}
    </p>
  ) : null;
