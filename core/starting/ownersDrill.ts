import type { Start } from '../log';

/** The altered drill the owner is to be given: of the last start made another way that ran. Null where there is none. */
export const ownersDrill = (starts: readonly Pick<Start, 'drill' | 'outcome'>[]): string | null =>
  starts.findLast((s) => s.drill !== undefined && s.outcome === 'runs')?.drill ?? null;

/** The card that goes home with the machine, as plain text: which machine, how it is started, what to mind. */
export const startingCard = (tag: number | string, machine: string, drill: string): string =>
  [
    `Tag ${tag}. ${machine}`,
    '',
    'Start it like this:',
    drill,
    '',
    `Past ten pulls: stop, choke off, wait five minutes, then try without choke.`,
    'Outdoors, the tool clear, nobody in line. The maker’s own instructions come first.',
    '',
  ].join('\n');
