import type { Picture } from '@rusty-wren/core/log';
import type { PressureCheck, Trace } from '@rusty-wren/core/pressure';
import type { EarlierWatches } from './GaugeWatch';

const PARTNER: Partial<Record<PressureCheck, PressureCheck>> = {
  'line-pressure': 'inlet-pressure',
  'inlet-pressure': 'line-pressure',
  'crankcase-pressure': 'crankcase-vacuum',
  'crankcase-vacuum': 'crankcase-pressure',
};

/** The latest watch of a check on a job that was not struck, superseded or not. */
function latest(picture: Picture, check: PressureCheck): Trace | undefined {
  const line = picture.trail.findLast(
    ({ entry, state }) =>
      state !== 'struck' &&
      entry.kind === 'finding' &&
      entry.body.check === check &&
      entry.body.reading?.trace,
  );
  return line?.entry.kind === 'finding' ? line.entry.body.reading?.trace : undefined;
}

/** What a watch on this job can be compared with. */
export function earlierWatches(picture: Picture, check: PressureCheck): EarlierWatches {
  const before = latest(picture, check);
  const partner = PARTNER[check];
  const trace = partner && latest(picture, partner);
  return { ...(before && { before }), ...(partner && trace && { partner: { check: partner, trace } }) };
}
