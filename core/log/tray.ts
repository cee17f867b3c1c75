import { layerOf, partOf } from '../knowledge';
import type { Bodies, Entry, Noted, Thing } from './entry';
import type { LeftOff, OffItem } from './picture';

type Live = readonly Entry[];

/** Where everything is that is not on the machine. */
export interface Tray {
  /** Off, in the order it came off: to be accounted for. */
  off: OffItem[];
  leftOff: LeftOff[];
}

/** What something is called. */
export const nameOfThing = (thing: Thing): string =>
  'part' in thing ? partOf(thing.part).name : 'layer' in thing ? layerOf(thing.layer).name : thing.thing;

const isIt =
  (thing: Thing) =>
  (item: OffItem): boolean => {
    if ('part' in thing) return item.part === thing.part;
    if ('layer' in thing) return item.layer === thing.layer;
    return !item.part && !item.layer && item.name.toLowerCase() === thing.thing.toLowerCase();
  };

function itemOf(entryId: string, body: Bodies['took-off']): OffItem {
  const name = nameOfThing(body);
  if ('part' in body) return { entryId, name, part: body.part };
  if ('thing' in body) {
    const { place, count } = body;
    return { entryId, name, ...(place && { place }), ...(count !== undefined && { count }) };
  }
  const { layer, condition } = body;
  return {
    entryId,
    name,
    layer,
    ...(condition && { condition }),
    ...(condition === 'missing' && { gone: 'missing' as const }),
  };
}

/**
 * The tray from a job's entries that still count. Each thing is in one place: on the machine, on the tray, or left off on
 * purpose. Taken off twice, it lies where it was put last.
 */
export function readTray(live: Live): Tray {
  let off: OffItem[] = [];
  let leftOff: LeftOff[] = [];
  const without = (thing: Thing): void => {
    const is = isIt(thing);
    off = off.filter((item) => !is(item));
    leftOff = leftOff.filter((item) => !is(item));
  };
  for (const e of live) {
    switch (e.kind) {
      case 'took-off':
        without(e.body);
        off.push(itemOf(e.id, e.body));
        break;
      case 'put-back':
        without(e.body);
        break;
      case 'thrown-away':
        off = off.map((item) => (isIt(e.body)(item) ? { ...item, gone: 'binned' } : item));
        break;
      case 'left-off': {
        const item = off.find(isIt(e.body));
        if (!item) break;
        without(e.body);
        leftOff.push({ ...item, words: e.body.words });
        break;
      }
      case 'condition': {
        const { layer, condition } = e.body;
        const at = off.findIndex((item) => item.layer === layer);
        const item = off[at];
        if (item) off[at] = { ...item, condition };
        // Looked for, and not there: its place waits as if it had been taken out.
        else if (condition === 'missing') off.push(itemOf(e.id, { layer, condition }));
        break;
      }
      default:
    }
  }
  return { off, leftOff };
}

/** Whether what lies on the tray was knowingly passed, and nothing came off since. */
export function trayPassed(live: Live): boolean {
  const passed = live.findLastIndex((e) => e.kind === 'tray-passed');
  return passed >= 0 && passed > live.findLastIndex((e) => e.kind === 'took-off');
}

/** What names a thing that is off on the log. */
export const thingOf = ({ part, layer, name }: Pick<OffItem, 'part' | 'layer' | 'name'>): Thing =>
  part ? { part } : layer ? { layer } : { thing: name };

/** What is noted when something that is off goes back: a new one where nothing of the old lies there. */
export const itemBack = (item: Pick<OffItem, 'part' | 'layer' | 'name' | 'gone'>): Bodies['put-back'] =>
  item.layer && item.gone ? { layer: item.layer, renewed: true } : thingOf(item);

/** What is noted when all of it goes back: what came off last goes on first. */
export const allBack = (off: readonly Parameters<typeof itemBack>[0][]): Noted[] =>
  off.toReversed().map((item) => ({ kind: 'put-back', body: itemBack(item) }));

/** The layer an entry looked at, and how it was found; null where it says nothing of one. */
export function conditionIn(entry: Entry): Bodies['condition'] | null {
  if (entry.kind === 'condition') return entry.body;
  if (entry.kind !== 'took-off' || !('layer' in entry.body)) return null;
  const { layer, condition } = entry.body;
  return condition ? { layer, condition } : null;
}
