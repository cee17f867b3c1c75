import { type Account, type Act } from '../account';
import type { CauseId } from '../knowledge';
import { sentence, type Picture, type Said } from '../log';
import type { MachineKind } from '../machine';
import { PLAIN_REMEDY } from './plain/remedies';
import { causeClause, said } from './words';

/** How work turned out, as it is added to what was done. */
function since({ repair, tried }: Act): string {
  if (repair.outcome === 'better') return 'It runs better since, not right yet.';
  if (repair.outcome === 'no-change') return 'It changed nothing.';
  return tried ? 'It runs right since.' : 'It has not been run since.';
}

const others = (act: Act, { acts }: Account): readonly Act[] => acts.filter((a) => a !== act);

/** A fault that was found and is gone, in a layman's sentence. */
export const foundMended = (cause: CauseId, kind: MachineKind): string =>
  `Found and put right: ${causeClause(cause, kind)}.`;

/** What a piece of work did, in a layman's sentences: what was seen is said as seen, what was not as what it most likely was. */
function actSaid(act: Act, account: Account, kind: MachineKind): Said {
  const { repair, credit, sure } = act;
  const foundAndMended = (cause: CauseId): string => foundMended(cause, kind);
  const of = (text: string): Said => said(text, repair.entryId, repair.toldBy);
  if ('other' in repair) return of(`${sentence(repair.other)}. ${since(act)}`);
  const seen = new Set(account.matters.flatMap((m) => (m.basis === 'seen' ? [m.cause] : [])));
  const plain = repair.remedy ? `${PLAIN_REMEDY[repair.remedy]} ` : '';
  if (repair.outcome === 'no-change') {
    if (plain) return of(`${plain}${since(act)}`);
    return of(
      seen.has(repair.cause)
        ? `${foundAndMended(repair.cause)} It changed nothing of what it came with.`
        : `We also tried a repair in case ${causeClause(repair.cause, kind)}; it changed nothing.`,
    );
  }
  const known = credit.filter((c) => seen.has(c.cause)).map((c) => c.cause);
  if (known.length > 0) return of(`${plain}${known.map(foundAndMended).join(' ')} ${since(act)}`);
  if (act.rivalled)
    return of(plain ? plain.trim() : `Done in case it was this: ${causeClause(repair.cause, kind)}.`);
  if (!repair.remedy && !account.matters.some((m) => m.cause === repair.cause))
    return of(
      `We also did a repair in case ${causeClause(repair.cause, kind)}, though it had looked sound. ${since(act)}`,
    );
  if (sure && !repair.remedy)
    return of(`Put right, as what it most likely was: ${causeClause(repair.cause, kind)}. ${since(act)}`);
  // What another piece of work of the same go is known to have put right needs no guess.
  const accounted = others(act, account).some(
    (o) => o.repair.outcome === repair.outcome && o.credit.some((c) => seen.has(c.cause)),
  );
  const [first, second] = credit;
  const guess =
    accounted || !first || repair.outcome === 'untried'
      ? ''
      : ` Which part of it was at fault was not seen: most likely ${causeClause(first.cause, kind)}${
          second ? `, or ${causeClause(second.cause, kind)}` : ''
        }.`;
  return of(`${plain}${since(act)}${guess}`);
}

/** That it runs, and that what cured it is not known, where several things were done; null where it is. */
export function cureSaid({ cure }: Pick<Account, 'cure'>, kind: MachineKind): Said | null {
  const maybe = cure?.maybe ?? [];
  const clauses = maybe.flatMap(({ change, causes: [first] }) =>
    first ? [causeClause(first.cause, kind)] : 'unlisted' in change ? [change.says] : [],
  );
  if (!cure || clauses.length === 0 || cure.shares.length < 2) return null;
  const [only] = clauses;
  return said(
    clauses.length === 1
      ? `It runs right now. Most likely it was that ${only}; we cannot say so for certain.`
      : `It runs right now. What cured it is not known: it may be that ${[...new Set(clauses)].join(', or that ')}.`,
    ...maybe.flatMap((m) => m.change.refs),
  );
}

/** All that was done on a job, in the order it was done: each once. */
export function doneSaid({
  account,
  picture,
}: {
  account: Account;
  picture: Pick<Picture, 'machine'>;
}): Said[] {
  const { kind } = picture.machine;
  const texts = new Map<string, Said>();
  for (const act of account.acts) {
    const one = actSaid(act, account, kind);
    const known = texts.get(one.text);
    texts.set(one.text, known ? said(one.text, ...new Set([...known.from, ...one.from])) : one);
  }
  // A trial whose new part stays in puts right as well: no other work says so.
  const worked = new Set(account.acts.flatMap((a) => a.credit.map((c) => c.cause)));
  for (const { cause, state, basis, from } of account.matters) {
    const text = foundMended(cause, kind);
    if (state === 'mended' && basis === 'seen' && !worked.has(cause)) texts.set(text, said(text, ...from));
  }
  const cure = cureSaid(account, kind);
  if (cure) texts.set(cure.text, cure);
  for (const f of account.safety.mended) {
    const text = `Found and put right, for safety: ${f.words}.`;
    texts.set(text, said(text, f.entryId, f.mendedBy));
  }
  return [...texts.values()];
}
