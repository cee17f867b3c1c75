import { describe, expect, it } from 'vitest';
import { CAUSES, causeOf, probabilityOf, type CauseId, type ComplaintId } from '../knowledge';
import { follow, type Worked } from './follow';

const SAW = { kind: 'chainsaw', displacementCc: 45 } as const;

/** What a cause is most complained of as. */
const complaintOf = (cause: CauseId): ComplaintId =>
  Object.entries(causeOf(cause).complaints).sort(
    (x, y) => probabilityOf(y[1]) - probabilityOf(x[1]),
  )[0]?.[0] as ComplaintId;

const worked = (...faults: CauseId[]): Worked => follow(SAW, [...new Set(faults.map(complaintOf))], faults);

/** A missing spark screen is complained of by nobody. */
const SINGLE = CAUSES.filter((c) => Object.keys(c.complaints).length > 0).map((c) => c.id);

describe('a machine with one fault, worked by the plan', () => {
  const all = new Map(SINGLE.map((id) => [id, worked(id)]));

  it.each(SINGLE)('%s is mended, with one repair in vain at most', (id) => {
    expect(all.get(id)?.mended).toEqual([id]);
    expect(all.get(id)?.inVain.length).toBeLessThanOrEqual(1);
  });

  it('is mostly mended at the first try, in well under an hour', () => {
    const works = [...all.values()];
    expect(works.filter((w) => w.inVain.length > 0).length).toBeLessThanOrEqual(6);
    expect(works.reduce((sum, w) => sum + w.minutes, 0) / works.length).toBeLessThan(40);
  });
});

/** Faults technicians meet together on one machine. */
const PAIRS: readonly (readonly [CauseId, CauseId])[] = [
  ['stale-fuel', 'idle-circuit-blocked'],
  ['stale-fuel', 'inlet-screen-clogged'],
  ['stale-fuel', 'metering-diaphragm-stiff'],
  ['stale-fuel', 'fuel-filter-clogged'],
  ['water-in-fuel', 'inlet-screen-clogged'],
  ['fuel-line-leak', 'metering-diaphragm-stiff'],
  ['fuel-line-leak', 'fuel-filter-off'],
  ['fuel-line-leak', 'high-screw-lean'],
  ['fuel-line-leak', 'primer-faulty'],
  ['fuel-filter-off', 'needle-not-sealing'],
  ['fuel-filter-off', 'inlet-screen-clogged'],
  ['metering-diaphragm-stiff', 'pump-diaphragm-stiff'],
  ['metering-diaphragm-stiff', 'high-screw-lean'],
  ['needle-not-sealing', 'engine-flooded'],
  ['choke-stuck', 'engine-flooded'],
  ['carb-tampered', 'fuel-lines-swapped'],
  ['carb-tampered', 'impulse-fault'],
  ['oil-heavy-mix', 'spark-screen-clogged'],
  ['oil-heavy-mix', 'exhaust-port-carboned'],
  ['oil-heavy-mix', 'plug-fouled'],
  ['air-filter-clogged', 'piston-dirt-worn'],
  ['air-filter-clogged', 'spark-screen-clogged'],
  ['intake-leak', 'piston-heat-scored'],
  ['intake-leak', 'low-screw-lean'],
  ['crank-seal-leak', 'piston-heat-scored'],
  ['no-oil-in-fuel', 'piston-heat-scored'],
  ['high-screw-lean', 'piston-heat-scored'],
  ['piston-heat-scored', 'ring-stuck'],
  ['stop-circuit-grounded', 'plug-failed'],
  ['tank-vent-blocked', 'fuel-filter-clogged'],
  ['idle-stop-wrong', 'drive-drag'],
  ['stale-fuel', 'plug-fouled'],
  ['metering-lever-high', 'plug-fouled'],
  ['coil-gap-wide', 'plug-fouled'],
];

describe('a machine with two faults, worked by the plan', () => {
  const all = PAIRS.map((pair) => ({ pair, work: worked(...pair) }));

  it.each(all)('$pair.0 and $pair.1 are both mended, with two repairs in vain at most', ({ pair, work }) => {
    expect([...work.mended].toSorted()).toEqual([...pair].toSorted());
    expect(work.inVain.length).toBeLessThanOrEqual(2);
  });

  it('mostly without any in vain', () => {
    expect(all.filter(({ work }) => work.inVain.length > 0).length).toBeLessThanOrEqual(10);
  });
});
