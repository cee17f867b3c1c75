import type { MachineKind } from '../machine';

/** What cuts on a kind of machine, in the words a technician would use beside it and the owner would read. */
interface ToolWords {
  /** What cuts: "the chain". */
  edge: string;
  /** The fault, as a suspect: "Dull chain". */
  dull: string;
  sharpen: string;
  /** What to look for on it. */
  wear: string;
  /** The caution for a hand beside it. */
  held: string;
  /** What a walk round it looks at. */
  round: string;
  /** For the owner, in whole sentences. */
  blunt: string;
  sharp: string;
  watch: string;
}

const CHAIN: ToolWords = {
  edge: 'chain',
  dull: 'Dull chain',
  sharpen: 'Sharpen or replace the chain',
  wear: 'Cutters sharp and filed alike? Dust instead of chips means dull.',
  held: 'Chain brake on, bar covered, gloves on.',
  round: 'Chain brake, catcher, throttle interlock, hand guard, stop switch, mounts, chain.',
  blunt: 'The chain is blunt.',
  sharp: 'The chain is sharp.',
  watch: 'A blunt chain makes the engine work hot: have it sharpened when it makes dust.',
};
const HEAD: ToolWords = {
  edge: 'line head',
  dull: 'Worn line head',
  sharpen: 'Replace the line head',
  wear: 'Head not worn through, line feeding, eyelets not cut in.',
  held: 'Line cutter covered, gloves on.',
  round: 'Guard and line cutter, throttle interlock, handle, stop switch, mounts, line head.',
  blunt: 'The line head is worn.',
  sharp: 'The line head is sound.',
  watch: 'A worn line head makes the engine work for nothing: have it changed when the line wraps or drops.',
};
const BLADE: ToolWords = {
  edge: 'blade',
  dull: 'Blunt blade',
  sharpen: 'Sharpen or replace the blade',
  wear: 'Blade sharp, straight and not worn short?',
  held: 'Blade covered, gloves on.',
  round: 'Blade guard, throttle interlock, handle, stop switch, mounts, blade and its nut.',
  blunt: 'The blade is blunt.',
  sharp: 'The blade is sharp.',
  watch: 'A blunt blade makes the engine work hot: have it sharpened when it tears instead of cutting.',
};
const BLADES: ToolWords = {
  edge: 'blades',
  dull: 'Blunt blades',
  sharpen: 'Sharpen or replace the blades',
  wear: 'Both blades sharp, close to each other and greased? Torn leaves mean blunt.',
  held: 'Blades covered, gloves on.',
  round: 'Hand guard, throttle interlock, both handles, stop switch, mounts, blades.',
  blunt: 'The blades are blunt.',
  sharp: 'The blades are sharp.',
  watch: 'Blunt blades make the engine work hot: have them sharpened when they tear leaves.',
};
const FAN: ToolWords = {
  edge: 'fan',
  dull: 'Damaged fan',
  sharpen: 'Replace the fan',
  wear: 'Fan whole, nothing rubbing?',
  held: 'Fan guards on, nothing loose near the inlet.',
  round: 'Fan guards, tubes, throttle lock, harness or handle, stop switch, mounts.',
  blunt: 'The fan is damaged.',
  sharp: 'The fan is sound.',
  watch: 'Have it looked at when the fan shakes.',
};
/** Of a machine that may carry any of them, or of none in particular. */
const ANY: ToolWords = {
  edge: 'chain, blade or head',
  dull: 'Cutting edge dull: chain, blade or head',
  sharpen: 'Sharpen or replace chain, blade or head',
  wear: 'Cutters sharp and filed alike, blade not blunt, line head not worn. Dust instead of chips means dull.',
  held: 'Chain brake on, chain or blade covered, gloves on.',
  round: 'Chain brake, catcher, interlock, guard, stop switch, mounts, chain or blade.',
  blunt: 'The cutting edge is blunt.',
  sharp: 'The cutting edge is sharp.',
  watch: 'A blunt cutting edge makes the engine work hot: have it sharpened in time.',
};

const TOOLS: Readonly<Record<MachineKind, ToolWords>> = {
  chainsaw: CHAIN,
  'pole-saw': {
    ...CHAIN,
    held: 'Bar covered, gloves on.',
    round: 'Throttle interlock, shaft and harness, hand guard, stop switch, mounts, chain.',
  },
  trimmer: HEAD,
  edger: BLADE,
  'brush-cutter': { ...BLADE, edge: 'blade or head', dull: 'Blunt blade or worn head' },
  'hedge-trimmer': BLADES,
  'power-head': ANY,
  blower: FAN,
  'backpack-blower': FAN,
};

/**
 * A text of the trade in the words of a kind of machine: `{edge}`, `{held}` and the like become what it carries.
 *
 * @example onTool('Look at the {edge}', 'hedge-trimmer') // 'Look at the blades'
 */
export const onTool = (text: string, kind?: MachineKind): string =>
  text.replace(/\{(\w+)\}/g, (whole, word: string) => {
    const words = kind ? TOOLS[kind] : ANY;
    return word in words ? words[word as keyof ToolWords] : whole;
  });

/**
 * Looks things of the trade up by their id, in words for any machine or for one kind. Throws on an unknown id.
 * `what`: what they are, for the error.
 */
export function worded<Id extends string, T extends object>(
  what: string,
  all: readonly (T & { readonly id: Id })[],
): (id: Id, kind?: MachineKind) => T & { readonly id: Id } {
  const cut = (kind?: MachineKind): ReadonlyMap<string, T & { readonly id: Id }> =>
    new Map(
      all.map((one) => {
        const texts = Object.entries(one).map(([key, value]: [string, unknown]) => [
          key,
          typeof value === 'string' ? onTool(value, kind) : value,
        ]);
        return [one.id, Object.fromEntries(texts) as T & { readonly id: Id }];
      }),
    );
  const any = cut();
  const byKind = new Map<MachineKind, ReturnType<typeof cut>>();
  return (id, kind) => {
    let words = any;
    if (kind) {
      words = byKind.get(kind) ?? cut(kind);
      byKind.set(kind, words);
    }
    const found = words.get(id);
    if (!found) throw new Error(`no such ${what}: ${id}`);
    return found;
  };
}
