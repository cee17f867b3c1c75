import { OLD_BACKUP_H } from '@rusty-wren/contract';
import { format, formatDistanceToNowStrict } from 'date-fns';
import type { ReactElement, ReactNode } from 'react';
import { useBackupsQuery } from './peopleApi';

const isOld = (at: string, kind: keyof typeof OLD_BACKUP_H): boolean =>
  Date.now() - Date.parse(at) > OLD_BACKUP_H[kind] * 3_600_000;
const said = (at: string): string => `${formatDistanceToNowStrict(at)} ago, ${format(at, 'd MMM HH:mm')}`;
const size = (bytes: number): string =>
  bytes < 1_000_000 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`;

/** Where backups stand and how old they are, and whether one was ever put to the proof. */
export function Backups(): ReactElement | null {
  const { data } = useBackupsQuery();
  if (!data) return null;
  const { places, rehearsal } = data;
  return (
    <section aria-label="Backups">
      <h2 className="text-2xl font-bold">Backups</h2>
      {places.length === 0 && (
        <p className="mt-2 text-lg font-semibold text-rust">
          None are made here. Name folders in BACKUP_FOLDERS where the shop is started.
        </p>
      )}
      <ul className="mt-3 divide-y divide-line border-y border-line empty:hidden">
        {places.map(({ place, last, problem }) => (
          <Line key={place} head={place} bad={problem !== null || !last || isOld(last.at, 'backup')}>
            {last ? `${said(last.at)}, ${size(last.bytes)}` : 'None stands there.'}
            {problem && ` The last one went wrong: ${problem}`}
          </Line>
        ))}
        {places.length > 0 && (
          <Line
            head="Put to the proof"
            bad={!rehearsal || rehearsal.problem !== null || isOld(rehearsal.at, 'rehearsal')}
          >
            {rehearsal
              ? `${said(rehearsal.at)}: ${rehearsal.problem ?? 'came in whole, and is as it stands here.'}`
              : 'Never restored to see whether it comes in.'}
          </Line>
        )}
      </ul>
      {places.length === 1 && (
        <p className="mt-2 font-semibold text-ochre">
          In one place only. Name a second in BACKUP_FOLDERS: another disk, or another machine’s folder.
        </p>
      )}
    </section>
  );
}

const Line = ({ head, bad, children }: { head: string; bad: boolean; children: ReactNode }): ReactElement => (
  <li className="py-2">
    <p className="text-lg font-semibold break-all">{head}</p>
    <p className={bad ? 'font-semibold text-rust' : 'text-soft'}>{children}</p>
  </li>
);
