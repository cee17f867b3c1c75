import { CAUTIONS, partOf, type PartId } from '../../knowledge';
import { sentence } from '../../log';
import { isCover } from '../makeUp';
import { checkStep, found, notYet, tickStep, wasOff, type GuideStep, type Looked } from './step';

/** Every tagged line on again, where it was. */
const linesOn = ({ picture }: Looked): GuideStep => ({
  id: 'lines on',
  stage: 'refit',
  title: 'Lines back on',
  asks: { kind: 'lines-on' },
  done: picture.lines.every((line) => line.on !== null && !line.astray),
});

/** What lies over other parts: it goes on after them. */
const OUTERMOST: Partial<Readonly<Record<PartId, number>>> = { 'top-cover': 1, tool: 2 };

/** Refitting: gasket, lines, links, wires, loose things, fuel, prime; only then may it be started. */
export function refitSteps(at: Looked): GuideStep[] {
  const { picture, rebuild } = at;
  const { ticks, since } = rebuild;
  const stage = 'refit';
  const offParts = picture.off.flatMap((o) =>
    o.part && !isCover(o.part) && o.part !== 'tank-drained' ? [o.part] : [],
  );
  const carbOff = offParts.includes('carburettor');
  const wasApart = wasOff(at, 'carburettor');
  // What came off last goes on first; what covers the rest, last of all.
  const others = offParts
    .filter((p) => p !== 'carburettor')
    .toReversed()
    .toSorted((x, y) => (OUTERMOST[x] ?? 0) - (OUTERMOST[y] ?? 0));
  const drained = picture.off.some((o) => o.part === 'tank-drained');
  const on = (item: PartId, done: boolean): GuideStep => ({
    id: `on ${item}`,
    stage,
    title: `${partOf(item).name} on`,
    asks: { kind: 'on', item, renew: false },
    done,
  });
  const loose = picture.off.filter((o) => !o.part && !o.layer);
  const flooded =
    picture.complaints.some((c) => c.complaint === 'flooded') ||
    picture.found.some((f) => f.cause === 'engine-flooded' && f.state === 'standing');
  return [
    ...(wasApart
      ? [
          tickStep(stage, 'impulse-met', ticks),
          on('carburettor', !carbOff),
          picture.lines.length > 0
            ? linesOn(at)
            : checkStep(stage, 'line-routing', found(at, 'line-routing', since, ['right']), {
                ...notYet(at, 'line-routing', since),
                how: 'The line with the filter is the supply. Once it is filled, one press of the bulb shows the return.',
              }),
          tickStep(stage, 'links-worked', ticks, { how: 'Before a cover hides them.' }),
        ]
      : []),
    ...others.map((p) => on(p, false)),
    tickStep(stage, 'wires-clear', ticks, { how: 'Not pinched under a cover.' }),
    tickStep(stage, 'links-again', ticks),
    ...loose.map((o): GuideStep => ({
      id: `loose ${o.name.toLowerCase()}`,
      stage,
      title: `${sentence(o.name)}: where does it go?`,
      ...(o.place && { how: o.place }),
      asks: { kind: 'loose', name: o.name },
      done: false,
    })),
    ...(wasOff(at, 'tank-drained')
      ? [
          {
            ...on('tank-drained', !drained),
            title: 'Fill it with fresh mix',
            how: 'The drained fuel does not go back.',
            caution: CAUTIONS.petrol,
          },
        ]
      : []),
    ...(picture.carburettor && picture.carburettor.bulb !== 'none'
      ? [
          checkStep(stage, 'primer-action', found(at, 'primer-action', since, ['fills-firm']), {
            ...notYet(at, 'primer-action', since),
            caution: CAUTIONS.petrol,
          }),
        ]
      : []),
    ...(flooded ? [tickStep(stage, 'flood-cleared', ticks, { caution: CAUTIONS.lead })] : []),
  ];
}
