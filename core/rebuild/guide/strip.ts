import { CAUTIONS, layerOf, partOf, type PartId, type StackId } from '../../knowledge';
import { isCover, isPart, nameIn, screwsOf, staysIn } from '../makeUp';
import { CAPS, type Rebuild } from '../rebuild';
import {
  checkStep,
  found,
  isOff,
  notYet,
  leverHow,
  tickStep,
  wasOff,
  type GuideStep,
  type Looked,
} from './step';

const nameOfItem = ({ makeUp }: Rebuild, item: StackId | PartId): string =>
  isPart(item) && !isCover(item) ? partOf(item).name : nameIn(makeUp, item);

/** Taking it apart: which it is, what is counted, seen and tagged first, then every layer from the outside in. */
export function stripSteps(at: Looked): GuideStep[] {
  const { picture, rebuild } = at;
  const { makeUp, ticks } = rebuild;
  const stage = 'strip';
  const off = (item: StackId | PartId, done: boolean, more: Partial<GuideStep> = {}): GuideStep => ({
    id: `off ${item}`,
    stage,
    title: item === 'tank-drained' ? 'Drain the fuel' : `${nameOfItem(rebuild, item)} off`,
    asks: { kind: 'off', item },
    done,
    ...more,
  });
  const counted = picture.carburettor ? screwsOf(picture.carburettor) : [];
  const layerOff = (id: StackId): GuideStep => {
    const def = isCover(id) ? null : layerOf(id);
    return off(id, isOff(rebuild, id), {
      ...(def?.off && { how: def.off }),
      ...(def?.caution && { caution: def.caution }),
    });
  };
  const stacks = makeUp
    ? [...makeUp.stacks.pump.toReversed(), ...makeUp.stacks.metering.toReversed()].filter(
        (id) => !staysIn(id),
      )
    : [];
  const caps = (makeUp?.outside ?? []).filter((id) => CAPS.includes(id));
  const outside = (makeUp?.outside ?? []).filter((id) => !CAPS.includes(id));
  const lever = checkStep(stage, 'metering-lever', found(at, 'metering-lever', rebuild.during), {
    may: true,
    how: leverHow(rebuild),
  });
  return [
    {
      id: 'family',
      stage,
      title: 'Which carburettor is it?',
      asks: { kind: 'family' },
      done: picture.carburettor !== null,
    },
    off('tank-drained', wasOff(at, 'tank-drained'), { caution: CAUTIONS.lines, may: true }),
    // Nothing is counted through a cap.
    ...caps.map((id) => ({ ...layerOff(id), may: true as const })),
    ...(counted.length > 0
      ? [
          checkStep(
            stage,
            'screw-turns',
            counted.every((s) => picture.ledger.counted.has(s)),
            {
              caution: CAUTIONS.limiter,
              may: true,
              ...notYet(at, 'screw-turns', rebuild.during),
            },
          ),
        ]
      : []),
    tickStep(stage, 'links-seen', ticks, {
      may: true,
      how: 'Throttle and choke: which hole, which way round. A picture says it best.',
    }),
    {
      id: 'lines',
      stage,
      title: 'Tag the lines',
      how: 'What each is at both ends, by its colour, mark or length. One press of the bulb shows the return.',
      asks: { kind: 'lines' },
      done: ticks.has('lines-tagged'),
      may: true,
    },
    checkStep(stage, 'inlet-pressure', found(at, 'inlet-pressure', rebuild.during), { may: true }),
    off('carburettor', wasOff(at, 'carburettor'), { caution: CAUTIONS.lines }),
    tickStep(stage, 'scribed', ticks, { may: true, how: 'So that every cover goes back the way it was.' }),
    // The lever is measured as it was found, before it comes out.
    ...stacks.flatMap((id) => (id === 'lever-screw' ? [lever, layerOff(id)] : [layerOff(id)])),
    ...outside.map((id) => ({ ...layerOff(id), may: true as const })),
    tickStep(stage, 'off-enough', ticks, {
      title: 'Is it off far enough?',
      how: 'What stays in, stays as it is.',
    }),
  ];
}
