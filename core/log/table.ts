import { tableOf } from '../table';
import type { Picture } from './picture';
import { entryWords } from './words';

const COLUMNS = ['at', 'number', 'about', 'says', 'counts', 'why not'];

/** The log as a table with a heading, commas between columns: each entry as the trail tells it, and whether it still counts. */
export const logTable = ({ trail }: Pick<Picture, 'trail'>): string =>
  tableOf(
    COLUMNS,
    trail.map((line) => {
      const { about, says } = entryWords(line);
      const { entry, state, reason = '' } = line;
      return [entry.notedAt, entry.seq ?? '', about, says, state === 'live' ? 'yes' : 'no', reason];
    }),
  );
