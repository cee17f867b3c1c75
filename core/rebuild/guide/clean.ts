import { CAUTIONS, type StackId } from '../../knowledge';
import { checkStep, found, isOff, notYet, tickStep, type GuideStep, type Looked } from './step';

/** Cleaning what is open, and deciding what is renewed. */
export function cleanSteps(at: Looked): GuideStep[] {
  const { rebuild } = at;
  const open = (id: StackId): boolean => isOff(rebuild, id);
  const stage = 'clean';
  return [
    ...(open('metering-diaphragm')
      ? [
          checkStep(stage, 'carb-passages', found(at, 'carb-passages', rebuild.since, ['clear']), {
            ...notYet(at, 'carb-passages', rebuild.since),
            how: 'Spray every passage and see it come out: both throttle ports with the plate open, the main, the idle.',
            caution: CAUTIONS.air,
          }),
        ]
      : []),
    ...(open('pump-diaphragm') && !open('inlet-screen')
      ? [
          tickStep(stage, 'screen-takes-spray', rebuild.ticks, {
            caution: CAUTIONS.solvent,
            ...(open('metering-lever') && { title: 'Screen takes the spray' }),
          }),
        ]
      : []),
    {
      id: 'renew',
      stage,
      title: 'What is renewed?',
      asks: { kind: 'renew' },
      done: rebuild.renewal !== null,
    },
  ];
}
