import {
  CONDITIONS,
  conditionWords,
  LAYER_IDS,
  layerOf,
  partOf,
  screwOf,
  type Condition,
  type LayerId,
  type PartId,
} from '../knowledge';
import { allBack, nameOfThing, partsOff, sentence, thingOf, type Bodies, type Thing } from '../log';
import { findPart, squash } from './tokens';
import { fail, understood, type AtHand, type Lying, type Understood } from './understood';

/** What a name and a note may have; more is refused, never cut. */
export const MOST = { thing: 120, place: 80, words: 500, note: 2000 } as const;
export const tooLong = (what: string, text: string, most: number): Understood | null =>
  text.length > most
    ? fail(`${what}: ${text.length} letters; ${most} at most. Make it shorter, or write it in two.`)
    : null;

export const named = (parts: readonly PartId[]): string =>
  parts.map((part) => partOf(part).name.toLowerCase()).join(', ');
export const partsIn = ({ off = [] }: AtHand): Set<PartId> => new Set(partsOff({ off }));

/** A loose thing has a name: three letters and a vowel at least. */
const NAMED = /^(?=.*[aeiouy])(?=(?:.*\p{L}){3})/iu;

/** What a layer is called beside its name. */
const LAYER_WORDS: Readonly<Record<string, LayerId>> = {
  needle: 'inlet-needle',
  bulb: 'purge-bulb',
  caps: 'limiter-caps',
  lscrew: 'low-screw',
  hscrew: 'high-screw',
  piston: 'accelerator-piston',
  welchplug: 'welch-plugs',
};
/** Words that name a layer once the metering cover is off; before that they may be anything. */
const OPEN_WORDS: Readonly<Record<string, LayerId>> = {
  diaphragm: 'metering-diaphragm',
  lever: 'metering-lever',
  pin: 'lever-pin',
  spring: 'lever-spring',
  ring: 'bulb-ring',
};

/** The layer of a carburettor some words name; null where they name none, or only might. */
export function findLayer(text: string, at: AtHand): LayerId | null {
  const wanted = squash(text);
  const off = partsIn(at);
  const known = LAYER_IDS.find((id) => squash(id) === wanted || squash(layerOf(id).name) === wanted);
  if (known ?? LAYER_WORDS[wanted]) return known ?? LAYER_WORDS[wanted]!;
  if (wanted === 'screen' && off.has('pump-cover')) return 'inlet-screen';
  return (off.has('metering-cover') && OPEN_WORDS[wanted]) || null;
}

/** A layer and how it was found, however many words that takes: "metering diaphragm gone hard". */
function layerIn(text: string, at: AtHand): { layer: LayerId; condition?: Condition } | null {
  const whole = findLayer(text, at);
  if (whole) return { layer: whole };
  const words = text.split(' ');
  for (let n = words.length - 1; n >= 1; n--) {
    const layer = findLayer(words.slice(0, n).join(' '), at);
    if (!layer) continue;
    const said = squash(words.slice(n).join(' '));
    const condition = CONDITIONS.find((id) => id === said || squash(conditionWords(layer, id)) === said);
    if (condition && condition in layerOf(layer).found) return { layer, condition };
  }
  return null;
}

const LOST = /\s+(?:count lost|uncounted|not counted)$/i;

/** "off needle worn", "off L screw": a layer, its condition, and never a mixture screw before it is counted. */
function layerOff(rest: string, at: AtHand): Understood | null {
  const lost = LOST.test(rest);
  const read = layerIn(rest.replace(LOST, ''), at);
  if (!read) return null;
  const { layer, condition } = read;
  if (at.off?.some((item) => item.layer === layer)) return fail(`${layerOf(layer).name} is off already.`);
  const screw = screwOf(layer);
  if (screw && !lost && at.uncounted?.includes(screw))
    return fail(
      `${layerOf(layer).name}: count it to its seat first, such as "${screw} 1 1/8". If the count is lost, write "off ${screw} screw count lost".`,
    );
  const says = [layerOf(layer).name.toLowerCase(), condition && conditionWords(layer, condition)];
  return understood(`Took off: ${[...says, screw && lost && 'its count lost'].filter(Boolean).join(', ')}`, {
    kind: 'took-off',
    body: { ...read, ...(screw && lost && { uncounted: true }) },
  });
}

/** "2 long screws, top": how many, what, and where they sat. */
function looseThing(rest: string): Extract<Bodies['took-off'], { thing: string }> {
  const [, count, thing = rest, place] = /^(?:(\d{1,2})\s+)?(.+?)(?:,\s*(.+))?$/.exec(rest) ?? [];
  return { thing, ...(place && { place }), ...(count && Number(count) > 0 && { count: Number(count) }) };
}

export function tookOff(rest: string, at: AtHand): Understood {
  const { off = [] } = at;
  if (!rest) return fail('Took off what? Name the part, such as "off recoil"');
  const layer = layerOff(rest, at);
  if (layer) return layer;
  const part = findPart(rest);
  if (part) {
    if (off.some((item) => item.part === part)) return fail(`${partOf(part).name} is off already.`);
    return understood(`Took off: ${partOf(part).name.toLowerCase()}`, { kind: 'took-off', body: { part } });
  }
  if (!NAMED.test(rest)) return fail(`Took off: "${rest}" is nothing I can name.`);
  const body = looseThing(rest);
  const already = off.find((item) => !item.part && !item.layer && squash(item.name) === squash(body.thing));
  if (already) return fail(`${sentence(already.name)} is off already.`);
  const { thing, count, place } = body;
  return (
    tooLong('Took off', thing, MOST.thing) ??
    tooLong('Its place', place ?? '', MOST.place) ??
    understood(`Took off: ${count ? `${count} × ` : ''}${thing}${place ? `, ${place}` : ''} (loose thing)`, {
      kind: 'took-off',
      body,
    })
  );
}

/** What is off that some words name. */
function offBy(text: string, at: AtHand): Lying | undefined {
  const { off = [] } = at;
  const layer = findLayer(text, at);
  const part = findPart(text);
  return (
    off.find((item) => !item.part && !item.layer && squash(item.name) === squash(text)) ??
    off.find((item) => layer !== null && item.layer === layer) ??
    off.find((item) => part !== null && item.part === part)
  );
}

const NEW = /\s+(?:new|a new one|renewed)$|^(?:a )?new\s+/i;

export function putBack(text: string, at: AtHand): Understood {
  const renewed = NEW.test(text);
  const rest = text.replace(NEW, '').trim();
  if (!rest) return fail('Put back what? Name the part, such as "on recoil"');
  const part = findPart(rest);
  const layer = findLayer(rest, at);
  const item = offBy(rest, at);
  if (at.off && !item)
    return fail(`${sentence(layer ? layerOf(layer).name : part ? partOf(part).name : rest)} is not off.`);
  const thing: Thing = item ? thingOf(item) : layer ? { layer } : part ? { part } : { thing: rest };
  if (renewed && !('layer' in thing))
    return fail(`${sentence(rest)}: only a layer of the carburettor is put on new.`);
  const name = 'thing' in thing ? thing.thing : nameOfThing(thing).toLowerCase();
  const asNew = 'layer' in thing && (renewed || item?.gone !== undefined);
  return (
    tooLong('Put back', rest, MOST.thing) ??
    understood(
      `Put back: ${name}${asNew ? ', a new one' : ''}${at.off || !('thing' in thing) ? '' : ' (loose thing)'}`,
      {
        kind: 'put-back',
        body: asNew ? { layer: thing.layer, renewed: true } : thing,
      },
    )
  );
}

/** "bin needle": the old one is thrown away, its place waits for a new one. */
export function thrownAway(rest: string, at: AtHand): Understood {
  const item = offBy(rest, at);
  if (!item) return fail(`${sentence(rest || 'nothing')} is not off.`);
  return understood(`Thrown away: ${item.name.toLowerCase()}`, { kind: 'thrown-away', body: thingOf(item) });
}

/** "left off washer: this model has none": off on purpose, with the word why. */
export function leftOff(rest: string, at: AtHand): Understood {
  const [, name = rest, words = ''] = /^(.+?)\s*:\s*(.*)$/.exec(rest) ?? [];
  const item = offBy(name, at);
  if (!item) return fail(`${sentence(name || 'nothing')} is not off.`);
  if (!words)
    return fail(`Left off: say why, such as "left off ${item.name.toLowerCase()}: not fitted on this one".`);
  return (
    tooLong('Left off', words, MOST.words) ??
    understood(`Left off on purpose: ${item.name.toLowerCase()}, ${words}`, {
      kind: 'left-off',
      body: { ...thingOf(item), words },
    })
  );
}

export function putAllBack({ off = [] }: AtHand): Understood {
  if (off.length === 0) return fail('Put all back: nothing is off.');
  return understood(`Put back: ${off.map((item) => item.name.toLowerCase()).join(', ')}`, ...allBack(off));
}
