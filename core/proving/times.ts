import { normalFrom, type Chance } from '../chance';
import {
  CAUSE_IDS,
  CHECK_IDS,
  layerOf,
  OPENS_THE_CARBURETTOR,
  PART_IDS,
  REMEDIES,
  type PartId,
  type TaskId,
} from '../knowledge';
import { doneIn, timeKey, timesIn, type TimeCounts } from '../learning';
import { makeEntry, unnumbered, type Entry, type Noted, type TrailLine } from '../log';

/** How unevenly a practised hand works: the spread of the log of minutes. */
const UNEVEN = 0.35;
const PAUSES = 0.06;
const LAYER = layerOf('metering-diaphragm').id;

/** Each thing that tells its minutes, as it is noted: every check, part, repair and step of a rebuild once. */
const ALL: readonly Noted[] = [
  ...CHECK_IDS.map((check): Noted => ({ kind: 'finding', body: { check, result: 'x', sureness: 'sure' } })),
  ...PART_IDS.flatMap((part): Noted[] => [
    { kind: 'took-off', body: { part } },
    { kind: 'put-back', body: { part } },
  ]),
  ...CAUSE_IDS.filter((cause) => !OPENS_THE_CARBURETTOR.has(cause)).map((cause): Noted => ({
    kind: 'repair',
    body: { cause, outcome: 'cured' },
  })),
  ...REMEDIES.flatMap(({ id, mends }): Noted[] => {
    const cause = mends.find((m) => !OPENS_THE_CARBURETTOR.has(m));
    return cause ? [{ kind: 'repair', body: { cause, remedy: id, outcome: 'cured' } }] : [];
  }),
  { kind: 'took-off', body: { layer: LAYER } },
  { kind: 'put-back', body: { layer: LAYER } },
  { kind: 'put-back', body: { layer: LAYER, renewed: true } },
];

const entryFrom = (noted: Noted, at: number): Entry =>
  unnumbered(makeEntry(noted, { id: String(at), by: 'a', notedAt: new Date(at).toISOString() }));

/** What the times on a log can tell the minutes of. */
export const TIMED: readonly TaskId[] = [
  ...new Set(ALL.flatMap((noted) => doneIn(entryFrom(noted, 0))?.task ?? [])),
];

/**
 * The times of so many drawn jobs, where things take so many times the trade's minutes (`truth`): unevenly, in any order, with a pause
 * now and then, and one entry in so many noted some minutes late.
 */
export function drawTimes(
  chance: Chance,
  truth: ReadonlyMap<TaskId, number>,
  { jobs, late }: { jobs: number; late: number },
): TimeCounts {
  const normal = normalFrom(chance);
  const counts: Record<string, number> = {};
  let now = Date.parse('2026-01-05T08:00:00.000Z');
  for (let n = 0; n < jobs; n++) {
    const off = new Set<PartId>();
    const trail = ALL.map((noted) => ({ noted, turn: chance() }))
      .sort((x, y) => x.turn - y.turn)
      .map(({ noted }): Pick<TrailLine, 'entry' | 'state'> => {
        const { task, trade } = doneIn(entryFrom(noted, now), off)!;
        if (noted.kind === 'took-off' && 'part' in noted.body) off.add(noted.body.part);
        if (noted.kind === 'put-back' && 'part' in noted.body) off.delete(noted.body.part);
        const minutes = trade * (truth.get(task) ?? 1) * Math.exp(UNEVEN * normal());
        now += 60_000 * (minutes + (chance() < PAUSES ? 15 + 60 * chance() : 0));
        const by = chance() < late ? -4 * Math.log(1 - chance()) : 0;
        return { state: 'live', entry: entryFrom(noted, now + 60_000 * by) };
      });
    for (const time of timesIn(trail)) counts[timeKey(time)] = (counts[timeKey(time)] ?? 0) + 1;
  }
  return counts;
}
