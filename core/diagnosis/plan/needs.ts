import { CAUSES, probabilityOf, type CauseId, type ComplaintId } from '../../knowledge';
import { explainedBy } from '../explain';
import { SETS } from '../hypotheses';
import { BLAMED, COMPLAINT_LEAK, LEAST_LINK } from '../parameters';
import type { Posterior } from '../posterior';
import type { Needs } from './expectedMinutes';

const N = CAUSES.length;

/** How often each cause shows as a complaint (length N + 1; nobody: never). */
const linksOf = (complaint: ComplaintId): Float64Array =>
  Float64Array.from({ length: N + 1 }, (_, i) => {
    const word = CAUSES[i]?.complaints[complaint];
    const p = word === undefined ? 0 : probabilityOf(word);
    return p >= LEAST_LINK ? p : 0;
  });

/** Whether a cause may show as one of these complaints at all. */
export const explainsAny = (cause: CauseId, complaints: readonly ComplaintId[]): boolean =>
  explainedBy(cause, complaints).length > 0;

/**
 * What each chosen set needs put right: its members likely enough to be to blame for a complaint that stands, beside the
 * others and what is known (noisy-or: the chance that a member shows as it, given that something does), and the causes
 * behind a known damage. With no complaint at all everything is.
 */
export function needsOf(
  chosen: Uint32Array,
  p: Pick<Posterior, 'complaints' | 'present' | 'gone'>,
  behind: readonly CauseId[],
): Needs {
  const owed = new Uint8Array(N + 1);
  CAUSES.forEach(({ id }, i) => {
    if (!p.gone[i] && (behind.includes(id) || p.complaints.length === 0)) owed[i] = 1;
  });
  const links = p.complaints.map((complaint) => {
    const link = linksOf(complaint);
    // What was put right shows as nothing any more.
    for (let i = 0; i < N; i++) if (p.gone[i]) link[i] = 0;
    let spared = 1 - COMPLAINT_LEAK;
    for (let i = 0; i < N; i++) if (p.present[i]) spared *= 1 - link[i]!;
    return { link, spared };
  });
  const { a, b, c } = SETS;
  const blamed = (i: number, s: number): boolean =>
    owed[i] === 1 ||
    links.some(({ link, spared }) => {
      const some = 1 - spared * (1 - link[a[s]!]!) * (1 - link[b[s]!]!) * (1 - link[c[s]!]!);
      return link[i]! > 0 && link[i]! / some >= BLAMED;
    });
  const of = (members: Uint8Array): Uint8Array =>
    Uint8Array.from(chosen, (s) => (members[s]! < N && blamed(members[s]!, s) ? members[s]! : N));
  return { a: of(a), b: of(b), c: of(c) };
}
