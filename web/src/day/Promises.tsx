import type { Account, Drawer, RackTag } from '@rusty-wren/contract';
import { SHAKY, type Help, type Promised, type Waiting, type Work } from '@rusty-wren/core/schedule';
import { TriangleAlert } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { askedWords } from '../rack/words';
import { dayWords } from '../ui/words';
import type { Known } from './known';
import { momentOf } from './moment';
import { chanceWords, whenWords } from './words';

/** What would help a promise, in words, and what that does. */
function helpWords(
  { how, chance, breaks }: Help,
  tag: RackTag,
  { drawer, accounts, known }: { drawer: Drawer; accounts: readonly Account[]; known: Known },
): { does: string; then: string | null } {
  const names = breaks.flatMap((id) => known.tags.get(id)?.job.tag ?? []);
  const then = `then ${chanceWords(chance)}${names.length > 0 ? `, but ${names.join(', ')} will not hold` : ''}`;
  switch (how.kind) {
    case 'first':
      return { does: tag.phase?.kind === 'prove' ? 'Run it first, so that it cools' : 'Do it first', then };
    case 'longer':
      return {
        does: `${accounts.find((a) => a.id === how.crew)?.name ?? 'Somebody'} an hour longer today`,
        then,
      };
    case 'order': {
      const listed = drawer.needs.filter((n) => n.jobId === tag.job.id && n.state === 'to-order');
      return {
        does: `Order today: ${listed.map((n) => n.name).join(', ')}`,
        then: tag.job.promisedFor ? then : null,
      };
    }
    case 'ring': {
      const { phone, name } = tag.job.customer;
      return { does: `Ring ${name}${phone ? `, ${phone}` : ''}`, then: null };
    }
  }
}

/** Promises that may break, the shakiest first, and what waits for somebody. */
export function Promises({
  work,
  stand,
  helps,
  waiting,
  drawer,
  accounts,
  known,
}: {
  work: Work;
  stand: { promises: readonly Promised[]; newcomer: number } | null;
  helps: readonly Help[] | null;
  waiting: readonly Waiting[];
  drawer: Drawer;
  accounts: readonly Account[];
  known: Known;
}): ReactElement {
  const shaky = (stand?.promises ?? [])
    .flatMap((p) => (p.chance !== null && p.chance < SHAKY ? [{ ...p, chance: p.chance }] : []))
    .sort((x, y) => x.chance - y.chance);
  const promised = work.jobs.filter((j) => j.due !== null).length;
  const dueOf = new Map(work.jobs.map((j) => [j.id, j.due]));
  const helpOf = (tag: RackTag): ReturnType<typeof helpWords> | null => {
    const help = helps?.find((h) => h.job === tag.job.id);
    return help ? helpWords(help, tag, { drawer, accounts, known }) : null;
  };
  const now = new Date(known.zero).toISOString();
  return (
    <section aria-label="Promises" className="min-w-0">
      <h2 className="text-2xl font-bold">Promises</h2>
      {!stand && (
        <p role="status" className="text-lg text-soft">
          Going through the day…
        </p>
      )}
      {stand && shaky.length === 0 && (
        <p className="mt-1 text-lg text-moss">
          {promised === 0 ? 'Nothing is promised.' : `All ${promised} hold.`}
        </p>
      )}
      <ul className="text-lg leading-snug">
        {shaky.map(({ job, chance, half, ninety }) => {
          const tag = known.tags.get(job);
          if (!tag) return null;
          const help = helpOf(tag);
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
                {help && <strong className="text-ink">{help.does}</strong>}
                {help && `${help.then ? `: ${help.then}` : ''}. `}
                {/* A piece of it may be done in time, and the rest not: that is said. */}
                {Number.isFinite(half) && `Ready by the plan: ${whenWords(half, known.zero)}. `}
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
              const help = tag && helpOf(tag);
              return tag ? (
                <li key={job} className="border-b border-line py-2">
                  <Link to={`/job/${job}${what === 'parts' ? '/parts' : ''}`} className="hover:underline">
                    <strong className="font-tag text-2xl">{tag.job.tag}</strong>{' '}
                    {what === 'answer'
                      ? `${tag.job.customer.name}: ${askedWords(tag, now) ?? 'asked'}`
                      : (tag.waitingFor ?? 'a part nobody has a day for')}
                  </Link>
                  {help && (
                    <p className="text-soft">
                      <strong className="text-ink">{help.does}</strong>
                      {help.then && `: ${help.then}`}.
                    </p>
                  )}
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
