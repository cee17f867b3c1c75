import type { Noted } from '@rusty-wren/core/log';
import type { Log } from '../job/useLog';

/** A log that remembers what was noted on it, in batches as they came. */
export function fakeLog(): { log: Log; noted: () => Noted[]; batches: () => (readonly Noted[])[] } {
  const batches: (readonly Noted[])[] = [];
  const one = ((kind, body, strikes) => {
    batches.push([{ kind, body, ...(strikes && { strikes }) } as Noted]);
    return `noted ${batches.length}`;
  }) as Log;
  const all = (what: readonly Noted[]): void => void batches.push(what);
  return { log: Object.assign(one, { all }), noted: () => batches.flat(), batches: () => batches };
}
