import type { Drawer, RackTag } from '@rusty-wren/contract';
import type { Promised, Waits, Work } from '@rusty-wren/core/schedule';
import { TriangleAlert } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { askedWords } from '../rack/words';
import { dayWords } from '../ui/words';
import type { Known } from './known';
import { momentOf } from './moment';
import { chanceWords } from './words';

/** Under this chance a promise is spoken of. */
const SHAKY = 0.9;

/** What would help a promise most. */
function helps(tag: RackTag, chance: number, drawer: Drawer): string | null {
  const listed = drawer.needs.find((n) => n.jobId === tag.job.id && n.state === 'to-order');
  if (listed) return `Order today: ${listed.name}`;
  // It has to cool for three hours before it is started cold: the sooner it runs, the sooner that is.
  if (tag.phase.kind === 'prove' && !tag.coldStart) return 'Run it first of all, so that it cools';
  const { phone, name } = tag.job.customer;
  return chance < 0.5 ? `Ring ${name}${phone ? `, ${phone}` : ''}` : null;
}

/** Promises that may break, the shakiest first, and what waits for somebody. */
export function Promises({
  work,
  stand,
  waiting,
  drawer,
  known,
}: {
  work: Work;
  stand: { promises: readonly Promised[]; newcomer: number } | null;
  waiting: readonly { job: string; for: Waits }[];
  drawer: Drawer;
  known: Known;
}): ReactElement {
  const shaky = (stand?.promises ?? [])
    .flatMap((p) => (p.chance !== null && p.chance < SHAKY ? [{ ...p, chance: p.chance }] : []))
    .sort((x, y) => x.chance - y.chance);
  const promised = work.jobs.filter((j) => j.due !== null).length;
  const dueOf = new Map(work.jobs.map((j) => [j.id, j.due]));
  const now = new Date(known.zero).toISOString();
  return (
    <section aria-label="Promises" className="min-w-0">
      <h2 className="text-2xl font-bold">Promises</h2>
      {stand && shaky.length === 0 && (
        <p className="mt-1 text-lg text-moss">
          {promised === 0 ? 'Nothing is promised.' : `All ${promised} hold.`}
        </p>
      )}
      <ul className="text-lg leading-snug">
        {shaky.map(({ job, chance, ninety }) => {
          const tag = known.tags.get(job);
          if (!tag) return null;
          const help = helps(tag, chance, drawer);
          return (
            <li key={job} className="border-b border-line py-2">
              <Link to={`/job/${job}`} className="flex items-baseline justify-between gap-3 hover:underline">
                <span>
                  <strong className="font-tag text-2xl">{tag.job.tag}</strong>{' '}
                  {tag.job.promisedFor && dayWords(tag.job.promisedFor)}
                </span>
                <strong className={`flex items-center gap-1.5 ${chance < 0.5 ? 'text-rust' : 'text-ochre'}`}>
                  {chance < 0.5 && <TriangleAlert size={18} aria-hidden />}
                  {(dueOf.get(job) ?? 0) < 0 ? 'late already' : chanceWords(chance)}
                </strong>
              </Link>
              <p className="text-soft">
                {help && <strong className="text-ink">{help}. </strong>}
                {Number.isFinite(ninety) && `Safe on ${dayWords(momentOf(ninety, known.zero))}.`}
              </p>
            </li>
          );
        })}
      </ul>
      {waiting.length > 0 && (
        <>
          <h2 className="mt-5 text-2xl font-bold">Waiting</h2>
          <ul className="text-lg leading-snug">
            {waiting.map(({ job, for: what }) => {
              const tag = known.tags.get(job);
              return tag ? (
                <li key={job} className="border-b border-line py-2">
                  <Link to={`/job/${job}${what === 'parts' ? '/parts' : ''}`} className="hover:underline">
                    <strong className="font-tag text-2xl">{tag.job.tag}</strong>{' '}
                    {what === 'answer'
                      ? `${tag.job.customer.name}: ${askedWords(tag, now) ?? 'asked'}`
                      : (tag.waitingFor ?? 'a part nobody has a day for')}
                  </Link>
                </li>
              ) : null;
            })}
          </ul>
        </>
      )}
      {stand && Number.isFinite(stand.newcomer) && (
        <p className="mt-4 text-lg">
          What comes in now: promise it for <strong>{dayWords(momentOf(stand.newcomer, known.zero))}</strong>.
        </p>
      )}
    </section>
  );
}
