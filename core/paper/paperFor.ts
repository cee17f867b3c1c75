import { accountOf } from '../account';
import type { Case, Suspect } from '../diagnosis';
import type { Pace } from '../knowledge';
import type { Block, PaperKind, Picture } from '../log';
import {
  askedOf,
  likelyNow,
  moneyWords,
  worthOf,
  type PricedMachine,
  type PriceLine,
  type ShopRules,
} from '../worth';
import { cardOf, tagOf, titleOf, workDoneOf } from './papers';
import { reportOf, type PaperOf } from './report';

/** Everything a paper is made from. */
export interface PaperFor {
  picture: Picture;
  benchCase: Case;
  suspects: readonly Suspect[];
  machine: PricedMachine;
  /** What its kind is called, in a sentence. */
  kindWords: string;
  tag: number;
  owner: string;
  rules: ShopRules;
  book: readonly PriceLine[];
  /** How much longer things take in this shop. */
  pace?: Pace | undefined;
  /** Where the job is opened. */
  url: string;
  /** The promised day in words. */
  promised: string | null;
}

/** A paper as the log makes it now: its title and its blocks. Pure. */
export function paperFor(kind: PaperKind, p: PaperFor): { title: string; blocks: Block[] } {
  const { picture, machine, rules, book, tag, owner } = p;
  const account = accountOf(picture, p.benchCase);
  const at: PaperOf = {
    picture,
    account,
    tag,
    owner,
    machine: `${[machine.maker, machine.model].filter(Boolean).join(' ')}, ${p.kindWords}`,
    foot: rules.foot,
    shop: [rules.shopName, rules.shopPhone]
      .map((s) => s.trim())
      .filter(Boolean)
      .join(', '),
    money: moneyWords(rules.currency).said,
  };
  const blocks = (): Block[] => {
    switch (kind) {
      case 'report': {
        const asked = askedOf(picture, machine, { rules, book, ...(p.pace && { pace: p.pace }) });
        return reportOf(at, worthOf({ ...asked, likely: likelyNow(account, p.benchCase) }), p.suspects);
      }
      case 'work-done':
        return workDoneOf(at);
      case 'card':
        return cardOf(at);
      case 'tag':
        return tagOf(at, p);
    }
  };
  return { title: titleOf(kind, at), blocks: blocks() };
}
