import type { Job } from '@rusty-wren/contract';
import type { Picture } from '@rusty-wren/core/log';
import { ownersDrill, startingCard } from '@rusty-wren/core/starting';
import { Download } from 'lucide-react';
import type { ReactElement } from 'react';
import { Button } from '../ui/Button';
import { saveFile } from '../ui/saveFile';

/** The altered drill to hand over with the machine, where one was found to work. */
export function OwnersCard({ job, picture }: { job: Job; picture: Picture }): ReactElement | null {
  const drill = ownersDrill(picture.starts);
  if (!drill) return null;
  const { maker, model } = job.machine;
  return (
    <section aria-label="For the owner" className="mt-5 max-w-2xl border-l-8 border-moss pl-4">
      <h2 className="font-semibold text-moss">Give to the owner</h2>
      <p className="text-2xl leading-snug font-bold">{drill}</p>
      <Button
        className="mt-2"
        onClick={() =>
          saveFile(`starting-${job.tag}.txt`, startingCard(job.tag, `${maker} ${model}`, drill), 'text/plain')
        }
      >
        <Download size={18} aria-hidden /> Starting card
      </Button>
    </section>
  );
}
