import type { Blip } from './track';

export const SCREWS = ['L', 'H', 'stop'] as const;
/** The mixture screws, and the throttle stop. */
export type Screw = (typeof SCREWS)[number];

/** A turn of a screw, in eighths (a half is a sixteenth). L and H: out (richer) is positive. The stop: in (faster) is positive. */
export interface ScrewMove {
  screw: Screw;
  eighths: number;
}

/** Where the screws stand, in eighths from the seat or, where none was counted, from where they were found. */
export type Positions = Readonly<Record<Screw, number>>;

/** One line of the ledger. */
export interface LedgerLine extends ScrewMove {
  /** The entry that noted it. */
  ref: string;
  /** An early turn made to see what it does, to be put back. */
  trial: boolean;
  /** Positions before and after it. */
  before: Positions;
  after: Positions;
  /** What was heard last before it and next after it; null where nothing was. */
  heardBefore: Blip | null;
  heardAfter: Blip | null;
  /** The speeds known last before it and first after it, rpm: heard, or read off a tachometer. */
  speedBefore: Speeds;
  speedAfter: Speeds;
}

/** An idle and a full speed, rpm; null where it is not known. */
export interface Speeds {
  idle: number | null;
  full: number | null;
}
const UNREAD: Speeds = { idle: null, full: null };

export interface Ledger {
  lines: readonly LedgerLine[];
  /** As found, before any move. */
  found: Positions;
  now: Positions;
  /** Screws counted to their seats: their positions are turns out, not only moves. */
  counted: ReadonlySet<Screw>;
  /** Everything heard, in order, with where the screws stood. */
  heard: readonly { ref: string; at: Positions; blip: Blip }[];
}

/** What a ledger is folded from, in order of time. */
export type LedgerEvent =
  | { ref: string; kind: 'count'; turns: { L?: number; H?: number } }
  | ({ ref: string; kind: 'move'; trial?: boolean } & ScrewMove)
  /** Set so many turns out from its seat, its count lost. */
  | { ref: string; kind: 'set'; screw: 'L' | 'H'; turns: number }
  | { ref: string; kind: 'heard'; blip: Blip }
  /** Read off a tachometer, rpm. */
  | { ref: string; kind: 'read'; of: 'idle' | 'full'; rpm: number };

const AT_SEAT: Positions = { L: 0, H: 0, stop: 0 };
const add = (at: Positions, move: ScrewMove, times = 1): Positions => ({
  ...at,
  [move.screw]: at[move.screw] + times * move.eighths,
});

/** Folds counts, moves and recordings into where every screw stood when, and what was heard there. */
export function ledgerOf(events: readonly LedgerEvent[]): Ledger {
  // A count says where the screws stand then; what came before is reckoned back from the first count of each.
  let found = AT_SEAT;
  const counted = new Set<Screw>();
  let moved = AT_SEAT;
  for (const event of events) {
    if (event.kind === 'move') moved = add(moved, event);
    if (event.kind !== 'count') continue;
    for (const screw of ['L', 'H'] as const) {
      const turns = event.turns[screw];
      if (turns === undefined || counted.has(screw)) continue;
      counted.add(screw);
      found = { ...found, [screw]: Math.round(8 * turns) - moved[screw] };
    }
  }
  const lines: LedgerLine[] = [];
  const heard: { ref: string; at: Positions; blip: Blip }[] = [];
  let now = found;
  let speeds = UNREAD;
  const told = (next: Partial<Record<keyof Speeds, number | undefined>>): void => {
    const known = Object.fromEntries(Object.entries(next).filter(([, rpm]) => rpm !== undefined));
    speeds = { ...speeds, ...known };
    const last = lines.at(-1);
    if (!last) return;
    const { idle, full } = last.speedAfter;
    lines[lines.length - 1] = {
      ...last,
      speedAfter: { idle: idle ?? next.idle ?? null, full: full ?? next.full ?? null },
    };
  };
  for (const event of events) {
    if (event.kind === 'read') told({ [event.of]: event.rpm });
    if (event.kind === 'heard') told({ idle: event.blip.idle?.mean, full: event.blip.full?.mean });
    if (event.kind === 'heard') {
      heard.push({ ref: event.ref, at: now, blip: event.blip });
      const last = lines.at(-1);
      if (last && last.heardAfter === null) lines[lines.length - 1] = { ...last, heardAfter: event.blip };
    }
    if (event.kind === 'set') {
      counted.add(event.screw);
      now = { ...now, [event.screw]: Math.round(8 * event.turns) };
    }
    if (event.kind === 'move') {
      const after = add(now, event);
      const { ref, screw, eighths } = event;
      lines.push({
        ref,
        screw,
        eighths,
        trial: event.trial ?? false,
        before: now,
        after,
        heardBefore: heard.at(-1)?.blip ?? null,
        heardAfter: null,
        speedBefore: speeds,
        speedAfter: UNREAD,
      });
      now = after;
    }
  }
  return { lines, found, now, counted, heard };
}

/** The moves that bring the screws from where they stand back to where they stood: at most one a screw. */
export const wayBack = (ledger: Ledger, to: Positions): ScrewMove[] =>
  SCREWS.map((screw) => ({ screw, eighths: to[screw] - ledger.now[screw] })).filter((m) => m.eighths !== 0);

/** A part of a turn in words, from sixteenths. */
function partOfTurn(sixteenths: number): string {
  let [over, under] = [sixteenths, 16];
  while (over % 2 === 0 && over > 0) [over, under] = [over / 2, under / 2];
  return over === 0 ? '' : `${over}/${under}`;
}

/** A move in words: "L out 1/4". */
export function moveInWords({ screw, eighths }: ScrewMove): string {
  const whole = Math.floor(Math.abs(eighths) / 8);
  const part = partOfTurn(Math.round(2 * (Math.abs(eighths) % 8)));
  const out = screw === 'stop' ? eighths < 0 : eighths > 0;
  const far = [whole || '', part].filter(Boolean).join(' ') || '0';
  return `${screw === 'stop' ? 'Idle stop' : screw} ${out ? 'out' : 'in'} ${far}`;
}
