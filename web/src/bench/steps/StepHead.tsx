import type { ReactElement, ReactNode } from 'react';

/** The head of whatever the job asks for now: the same shape for a check, a repair, a proof. */
export function StepHead({
  eyebrow,
  title,
  aside,
}: {
  eyebrow: string;
  title: string;
  aside?: ReactNode;
}): ReactElement {
  return (
    <>
      <p className="font-semibold text-rust">{eyebrow}</p>
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h2 className="text-3xl leading-tight font-bold sm:text-4xl">{title}</h2>
        {aside && <p className="text-2xl font-bold whitespace-nowrap sm:text-3xl">{aside}</p>}
      </div>
    </>
  );
}

/** The look of the one-tap answers; each place adds how wide. */
export const BIG_BUTTON =
  'min-h-14 rounded-md border-2 border-ink bg-card py-2 text-xl font-semibold hover:bg-ink hover:text-paper';
