import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import type { ChoiceId } from '../knowledge';

export const PAPER_KINDS = ['report', 'work-done', 'card', 'tag'] as const;
/** What is given on paper: the report with its choices, what was done, how to keep it, and what hangs on its hook. */
export type PaperKind = (typeof PAPER_KINDS)[number];

/** A sentence, and the entries it rests on; none where it says what holds for every machine. */
export interface Said {
  text: string;
  from: readonly string[];
}

/** One piece of a paper, in the order they stand on it. */
export type Block =
  | { is: 'heading'; text: string }
  | ({ is: 'text' } & Said)
  | { is: 'list'; items: readonly Said[] }
  /**
   * `choice`: what the owner may take, with its price and days in words; `upTo`: the most it may come to, whole cents with
   * tax, which is what an owner agrees to who takes it.
   */
  | {
      is: 'choice';
      choice: ChoiceId;
      name: string;
      price: string;
      upTo?: number;
      days: string;
      items: readonly Said[];
    }
  | {
      is: 'photo';
      hash: string;
      width: number;
      height: number;
      text: string;
      pins: readonly { x: number; y: number; words: string }[];
    }
  /** A code to be read by a phone, and what is at its address. */
  | { is: 'code'; url: string; text: string }
  /** A large number or name, as on a tag. */
  | { is: 'large'; text: string }
  /** A line to write a name on. */
  | { is: 'sign'; text: string };

/** A value as text that does not depend on the order its keys came in: a store keeps none. */
function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  if (typeof value === 'object' && value !== null)
    return `{${Object.entries(value)
      .filter(([, v]) => v !== undefined)
      .sort(([x], [y]) => (x < y ? -1 : 1))
      .map(([k, v]) => `${JSON.stringify(k)}:${canonical(v)}`)
      .join(',')}}`;
  return JSON.stringify(value);
}

/** SHA-256 of what stands on a paper, in hex. */
export const paperHash = (paper: { title: string; blocks: readonly Block[] }): string =>
  bytesToHex(sha256(utf8ToBytes(canonical({ title: paper.title, blocks: paper.blocks }))));

/** Everything that can be read on a block, line by line. */
export function linesOf(block: Block): string[] {
  switch (block.is) {
    case 'list':
      return block.items.map((i) => i.text);
    case 'choice':
      return [block.name, block.price, block.days, ...block.items.map((i) => i.text)];
    case 'photo':
      return [block.text, ...block.pins.map((pin, n) => `${n + 1} ${pin.words}`)].filter(Boolean);
    default:
      return [block.text];
  }
}

/** What one version says that another does not, and the other way round. */
export function changesBetween(
  before: { blocks: readonly Block[] },
  after: { blocks: readonly Block[] },
): { added: string[]; gone: string[] } {
  const [old, now] = [before.blocks.flatMap(linesOf), after.blocks.flatMap(linesOf)];
  return { added: now.filter((l) => !old.includes(l)), gone: old.filter((l) => !now.includes(l)) };
}
