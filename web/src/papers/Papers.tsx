import type { Shop } from '@rusty-wren/contract';
import { logTable, PAPER_KINDS, paperHash, type PaperKind } from '@rusty-wren/core/log';
import { NO_EDITS, PAPER_NAMES, withEdits, type Edits } from '@rusty-wren/core/paper';
import { format } from 'date-fns';
import { useMemo, type ReactElement } from 'react';
import { useSearchParams } from 'react-router';
import { JobBar } from '../job/JobBar';
import type { JobAtBench } from '../job/useJob';
import { useLog, type Log } from '../job/useLog';
import { WithJob } from '../job/WithJob';
import { NotTaken } from '../keeping/NotTaken';
import { WithReckoning } from '../shop/WithShop';
import { Button } from '../ui/Button';
import { OneLine } from '../ui/OneLine';
import { saveFile } from '../ui/saveFile';
import { useDraft } from '../ui/useDraft';
import { Given, Print } from './Given';
import { paperNow } from './paperNow';
import { PaperView } from './PaperView';

/** A job's papers: what the log makes of each now, and what was given. */
export const Papers = (): ReactElement => (
  <WithJob
    show={(atBench) => (
      <WithReckoning show={(shop) => <OnTheDesk key={atBench.job.id} atBench={atBench} shop={shop} />} />
    )}
  />
);

const LINK =
  'flex min-h-11 w-full items-center justify-between gap-3 rounded-md px-3 text-left text-lg font-semibold';

/** The papers of a job, by what the shop goes by. */
export function OnTheDesk({ atBench, shop }: { atBench: JobAtBench; shop: Shop }): ReactElement {
  const { job, picture } = atBench;
  const log = useLog(job.id);
  const [params, setParams] = useSearchParams();
  const given = picture.papers.find((p) => p.entryId === params.get('given'));
  const kind = PAPER_KINDS.find((k) => k === params.get('paper')) ?? given?.paper ?? 'report';
  return (
    <div className="flex flex-1 flex-col">
      <div className="print:hidden">
        <JobBar job={job} other={{ to: 'choices', words: 'Choices' }} />
        <NotTaken jobId={job.id} />
      </div>
      <div className="grid flex-1 content-start gap-x-10 gap-y-5 px-3 py-4 sm:px-5 lg:grid-cols-[16rem_minmax(0,1fr)] print:block">
        <nav aria-label="Papers" className="print:hidden">
          {PAPER_KINDS.map((k) => (
            <div key={k}>
              <button
                type="button"
                aria-current={!given && k === kind ? 'page' : undefined}
                onClick={() => setParams({ paper: k })}
                className={`${LINK} ${!given && k === kind ? 'bg-ink text-paper' : 'hover:bg-line'}`}
              >
                {PAPER_NAMES[k]}
              </button>
              {picture.papers
                .filter((p) => p.paper === k)
                .map((p) => (
                  <button
                    key={p.entryId}
                    type="button"
                    aria-current={p === given ? 'page' : undefined}
                    onClick={() => setParams({ given: p.entryId })}
                    className={`${LINK} pl-7 ${p === given ? 'bg-ink text-paper' : 'hover:bg-line'}`}
                  >
                    <span>Given, version {p.version}</span>
                    <span className="font-normal">{format(new Date(p.notedAt), 'd MMM')}</span>
                  </button>
                ))}
            </div>
          ))}
          <div className="mt-4 grid justify-items-start border-t-2 border-line pt-3">
            <Button
              look="quiet"
              className="!px-3"
              onClick={() =>
                saveFile(
                  `tag-${job.tag}.json`,
                  JSON.stringify(
                    { format: 'rusty-wren-job/1', job, log: picture.trail.map((l) => l.entry) },
                    null,
                    1,
                  ),
                  'application/json',
                )
              }
            >
              The job as JSON
            </Button>
            <Button
              look="quiet"
              className="!px-3"
              onClick={() => saveFile(`tag-${job.tag}.csv`, logTable(picture), 'text/csv')}
            >
              Its log as CSV
            </Button>
          </div>
        </nav>
        {given ? (
          <Given given={given} papers={picture.papers} jobId={job.id} />
        ) : (
          <Draft
            key={kind}
            kind={kind}
            atBench={atBench}
            shop={shop}
            log={log}
            onGiven={(id) => setParams({ given: id })}
          />
        )}
      </div>
    </div>
  );
}

/** A paper before it is given: as the log makes it, and as somebody wrote it otherwise. */
function Draft({
  kind,
  atBench,
  shop,
  log,
  onGiven,
}: {
  kind: PaperKind;
  atBench: JobAtBench;
  shop: Shop;
  log: Log;
  onGiven: (entryId: string) => void;
}): ReactElement {
  const [edits, setEdits, drop] = useDraft<Edits>(`${atBench.job.id} paper ${kind}`, () => NO_EDITS);
  const made = useMemo(() => paperNow(kind, atBench, shop), [kind, atBench, shop]);
  const blocks = withEdits(made.blocks, edits);
  const touched = Object.keys(edits.changed).length + edits.added.length > 0;
  return (
    <div className="grid content-start gap-4">
      <div className="flex flex-wrap items-center gap-3 print:hidden">
        <Button
          look="rust"
          className="min-h-14 px-8 text-xl"
          onClick={() => {
            const paper = { title: made.title, blocks };
            const id = log('paper', { paper: kind, ...paper, hash: paperHash(paper) });
            drop();
            onGiven(id);
          }}
        >
          Give it
        </Button>
        <Print />
        {touched && (
          <Button look="quiet" onClick={() => setEdits(NO_EDITS)}>
            As the log has it
          </Button>
        )}
      </div>
      <PaperView
        paper={kind}
        title={made.title}
        blocks={blocks}
        onChange={(before, now) =>
          setEdits((e) => {
            // A sentence that was changed before is known by the one it was made as.
            const first = Object.entries(e.changed).find(([, then]) => then.trim() === before)?.[0] ?? before;
            if (e.added.includes(before))
              return { ...e, added: e.added.map((a) => (a === before ? now.trim() : a)).filter(Boolean) };
            return { ...e, changed: { ...e.changed, [first]: now } };
          })
        }
      />
      <div className="max-w-[44rem] print:hidden">
        <OneLine
          label="A sentence of your own"
          placeholder="a sentence of your own"
          most={1000}
          done="Add it"
          look="plain"
          onDone={(text) => setEdits((e) => ({ ...e, added: [...e.added, text] }))}
        />
      </div>
    </div>
  );
}
