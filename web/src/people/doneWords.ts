import type { Done, DoneWhat } from '@rusty-wren/contract';
import type { MoneyWords } from '@rusty-wren/core/worth';

/** What was done, in a technician's words. */
const WORDS: Readonly<Record<DoneWhat, string>> = {
  'signed-in': 'signed in',
  'wrong-secret': 'tried a wrong PIN',
  'locked-out': 'was locked out after wrong tries',
  'signed-out': 'signed out',
  'took-over': 'took the bench over',
  locked: 'locked the bench',
  'device-ended': 'signed devices out',
  'first-lead': 'opened the shop',
  'person-made': 'put somebody on the books',
  'person-changed': 'changed somebody',
  'secret-set': 'set a PIN or password',
  'instrument-made': 'let an instrument in',
  'instrument-withdrawn': 'let an instrument in no more',
  'owner-forgotten': 'took an owner’s details out',
  'device-moved': 'used a device from another place',
  refused: 'was refused what is not theirs to do',
  parts: 'changed the parts list',
  'model-notes': 'changed what is known of models',
  'calendar-made': 'made a calendar address',
  'calendar-withdrawn': 'took a calendar address back',
  'calendar-opened': 'fetched a calendar',
  'learnt-taken-out': 'took out what closed jobs have taught',
  rules: 'changed the rules',
  prices: 'changed prices',
  specs: 'changed spec cards',
  'own-order': 'changed the shop’s own order',
  hours: 'changed hours',
  rooms: 'changed the rooms',
  learning: 'changed what closed jobs count',
};

const shown = (value: unknown): string =>
  value === null || value === undefined
    ? 'nothing'
    : typeof value === 'object'
      ? JSON.stringify(value)
      : String(value as string | number | boolean);

/** Rules that are amounts. */
const isMoney = (rule: string): boolean => ['ratePerHour', 'smallestCharge', 'diagnosisFee'].includes(rule);

interface Line {
  what?: string;
  maker?: string;
  model?: string;
  price?: number;
}
const lineWords = ({ what, maker, model, price }: Line, money: MoneyWords): string =>
  [what?.replaceAll('-', ' '), maker, model, price !== undefined && money.exact(price)]
    .filter(Boolean)
    .join(' ');

/** What somebody did and to what, as a sentence without its subject. `nameOf`: a person's name by id. */
export function doneWords(
  { what, about }: Done,
  nameOf: (id: string) => string | undefined,
  money: MoneyWords,
): string {
  const says = WORDS[what];
  const { person, instrument, role, left, set, cards, device, from, route, parts } = about as {
    person?: string;
    instrument?: string;
    role?: string;
    left?: boolean;
    set?: Line[];
    cards?: Line[];
    device?: string;
    from?: string;
    route?: string;
    parts?: string[];
  };
  const to = [
    person && (nameOf(person) ?? 'somebody'),
    instrument,
    role,
    left === true && 'has left',
    left === false && 'is back',
    device,
    from && `before from ${from}`,
    route,
    ...(parts ?? []).slice(0, 3),
    ...(set ?? cards ?? []).slice(0, 3).map((line) => lineWords(line, money)),
  ].filter(Boolean);
  const changes = Object.entries(about).flatMap(([name, value]) =>
    what === 'rules' && Array.isArray(value)
      ? [
          `${name.replace(/([A-Z])/g, ' $1').toLowerCase()}: ${value.map((one) => (isMoney(name) && typeof one === 'number' ? money.said(one) : shown(one))).join(' → ')}`,
        ]
      : [],
  );
  const all = [...to, ...changes];
  return all.length > 0 ? `${says}: ${all.join(', ')}` : says;
}
