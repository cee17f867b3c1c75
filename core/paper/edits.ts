import type { Block, Said } from '../log';

/** What somebody wrote otherwise on a paper, before it is given. */
export interface Edits {
  /** By the sentence as it was made: the one in its place, blank where it goes. */
  changed: Readonly<Record<string, string>>;
  /** Sentences of their own, at the end of it. */
  added: readonly string[];
}

export const NO_EDITS: Edits = { changed: {}, added: [] };

const asEdited = (items: readonly Said[], { changed }: Edits): Said[] =>
  items.flatMap((item) => {
    const text = changed[item.text] ?? item.text;
    return text.trim() ? [{ ...item, text: text.trim() }] : [];
  });

/**
 * A paper's blocks with what was written otherwise: sentences are changed, go, or are added before its foot; a list left empty
 * goes with them.
 */
export function withEdits(blocks: readonly Block[], edits: Edits): Block[] {
  const edited = blocks.flatMap((block): Block[] => {
    switch (block.is) {
      case 'text':
        return asEdited([block], edits).map((s) => ({ is: 'text', ...s }));
      case 'list': {
        const items = asEdited(block.items, edits);
        return items.length > 0 ? [{ ...block, items }] : [];
      }
      case 'choice':
        return [{ ...block, items: asEdited(block.items, edits) }];
      default:
        return [block];
    }
  });
  const added = edits.added.map((text): Block => ({ is: 'text', text, from: [] }));
  const foot = edited.findIndex((b) => b.is === 'sign');
  const at = foot >= 0 ? foot : edited.length;
  return [...edited.slice(0, at), ...added, ...edited.slice(at)];
}
