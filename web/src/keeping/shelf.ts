import type { CheckIn, NewEntry } from '@rusty-wren/contract';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { giveUpReserve, isFull } from './room';

/** One thing that the server does not have yet: an entry, or a whole check-in. */
export type Kept = { id: string; jobId: string; refused?: string } & (
  | {
      kind: 'entry';
      entry: NewEntry;
      /** What was known of this device's clock when it was noted, ms to add. */
      clockOffMs: number;
    }
  | { kind: 'check-in'; checkIn: CheckIn; draft: unknown }
);

/** Whose and what a check-in is of, in a line. */
export const checkInWords = ({ machine, customer }: CheckIn): string =>
  [
    'kind' in machine ? `${machine.maker} ${machine.model}` : 'a machine on the books',
    'name' in customer && customer.name,
  ]
    .filter(Boolean)
    .join(', ');

/** An answer of the server, as it was when it was last had. */
export interface Seen {
  at: number;
  data: unknown;
}

interface Shelves extends DBSchema {
  /** In the order noted, whichever tab noted it. */
  outbox: { key: number; value: Kept; indexes: { id: string } };
  seen: { key: string; value: Seen; indexes: { at: number } };
  /** What is being filled in, as text. */
  drafts: { key: string; value: string };
  /** Photos that the server does not have yet, by their hash. */
  photos: { key: string; value: KeptPhoto };
}

/** A photo on this device. */
export interface KeptPhoto {
  hash: string;
  jobId: string;
  blob: Blob;
  /** Why the server did not take it, where it said so. */
  refused?: string;
}

/** Told when the browser has cut this device's database off. */
export const whenCutOff = new Set<() => void>();

let opening: Promise<IDBPDatabase<Shelves>> | null = null;

/** This device's own database. Rejects where the browser keeps none. */
export function shelves(): Promise<IDBPDatabase<Shelves>> {
  opening ??= open().catch((error: unknown) => {
    opening = null;
    throw error;
  });
  return opening;
}

/** Async, so that a browser without a database rejects like one that keeps it shut. */
const open = async (): Promise<IDBPDatabase<Shelves>> =>
  openDB<Shelves>('rusty-wren', 2, {
    upgrade: (db, from) => {
      if (from < 1) {
        db.createObjectStore('outbox', { autoIncrement: true }).createIndex('id', 'id', { unique: true });
        db.createObjectStore('seen').createIndex('at', 'at');
        db.createObjectStore('drafts');
      }
      if (from < 2) db.createObjectStore('photos', { keyPath: 'hash' });
    },
    // A page with a newer interface waits for nobody.
    blocking: (_now, _wanted, event) => {
      opening = null;
      (event.target as IDBDatabase).close();
    },
    // Thrown away or cut off by the browser: opened anew when it is next wanted, and what lay there may be gone.
    terminated: () => {
      opening = null;
      for (const on of whenCutOff) on();
    },
  });

/** Why a browser keeps nothing, in a technician's words. */
export const reasonOf = async (error: unknown): Promise<string> =>
  (await isFull(error)) ? 'This device is full.' : 'This browser keeps nothing.';

/**
 * Lays things up, in order; resolves once they are on disk, and were read there again. What lies there already stays as it is.
 * Where it does not go, the room held in reserve is given up first. Rejects where they are not kept.
 */
export async function layUp(things: readonly Kept[]): Promise<void> {
  const atOnce = writeAtOnce(things);
  await putUp(things).catch(async (error: unknown) => {
    if (!(await giveUpReserve())) throw error;
    await putUp(things);
  });
  if (atOnce !== null) localStorage.removeItem(atOnce);
}

async function putUp(things: readonly Kept[]): Promise<void> {
  const db = await shelves();
  const tx = db.transaction('outbox', 'readwrite', { durability: 'strict' });
  for (const thing of things) if (!(await tx.store.index('id').getKey(thing.id))) await tx.store.add(thing);
  await tx.done;
  const lies = db.transaction('outbox').store.index('id');
  for (const { id } of things)
    if ((await lies.getKey(id)) === undefined) throw new Error('said to be written, and not there');
}

const AT_ONCE = 'rusty-wren-noted ';

/**
 * Writes down what is about to be laid up, before this turn is over: a page that is left in the middle of a transaction loses it.
 * Returns where it stands until then; null where the browser does not take it.
 */
function writeAtOnce(things: readonly Kept[]): string | null {
  if (things.length === 0) return null;
  const key = AT_ONCE + things[0]!.id;
  try {
    localStorage.setItem(key, JSON.stringify(things));
    return key;
  } catch {
    return null;
  }
}

/** Lays up what a page was left in the middle of laying up, in the order noted. */
async function layUpLeftOver(): Promise<void> {
  const left = Object.keys(localStorage)
    .filter((key) => key.startsWith(AT_ONCE))
    .map((key) => JSON.parse(localStorage.getItem(key) ?? '[]') as Kept[]);
  const when = ([first]: Kept[]): string => (first?.kind === 'entry' ? first.entry.notedAt : '');
  for (const things of left.toSorted((x, y) => when(x).localeCompare(when(y)))) await layUp(things);
}

/** Everything that lies there, in the order noted. */
export async function everythingKept(): Promise<Kept[]> {
  await layUpLeftOver();
  return (await shelves()).getAll('outbox');
}

/** Takes things off the shelf. */
export async function takeOff(ids: readonly string[]): Promise<void> {
  const tx = (await shelves()).transaction('outbox', 'readwrite');
  for (const id of ids) {
    const key = await tx.store.index('id').getKey(id);
    if (key !== undefined) await tx.store.delete(key);
  }
  await tx.done;
}

/** Changes one thing where it lies; its place in the order stays. */
export async function changeKept(id: string, change: (thing: Kept) => Kept): Promise<void> {
  const tx = (await shelves()).transaction('outbox', 'readwrite', { durability: 'strict' });
  const cursor = await tx.store.index('id').openCursor(id);
  if (cursor) await cursor.update(change(cursor.value));
  await tx.done;
}

/** Answers kept for when the server is away; the oldest go first. */
const MOST_SEEN = 400;

/** Whether answers are kept: not on a device that is signed out, where one may still come that was asked for before. */
let keeping = true;

/** Keeps an answer of the server. A device that cannot keep it does without. */
export async function keepSeen(key: string, data: unknown): Promise<void> {
  if (!keeping) return;
  try {
    const db = await shelves();
    if (!keeping) return;
    const tx = db.transaction('seen', 'readwrite');
    await tx.store.put({ at: Date.now(), data }, key);
    let over = (await tx.store.count()) - MOST_SEEN;
    for (let at = over > 0 ? await tx.store.index('at').openCursor() : null; at && over > 0; over--) {
      await at.delete();
      at = await at.continue();
    }
    await tx.done;
  } catch {
    // Only what can be had again from the server.
  }
}

/** An answer of the server as last seen; none where it was never seen, or cannot be read. */
export const lastSeen = async (key: string): Promise<Seen | undefined> =>
  shelves()
    .then((db) => db.get('seen', key))
    .catch(() => undefined);

/** Forgets every answer of the server, and keeps none until somebody is in again. */
export async function forgetSeen(): Promise<void> {
  keeping = false;
  await shelves()
    .then((db) => db.clear('seen'))
    .catch(() => undefined);
}

/** Somebody is in: answers are kept. */
export function keepAgain(): void {
  keeping = true;
}

/** Lays up a draft; null takes it away. A device that cannot does without. */
export async function layUpDraft(key: string, text: string | null): Promise<void> {
  try {
    const db = await shelves();
    await (text === null ? db.delete('drafts', key) : db.put('drafts', text, key));
  } catch {
    // It lives in the page, and in what the browser writes when it will.
  }
}

/** All drafts as they were laid up; null where the device keeps none. */
export async function draftsLaidUp(): Promise<Map<string, string> | null> {
  try {
    const tx = (await shelves()).transaction('drafts');
    const [keys, texts] = await Promise.all([tx.store.getAllKeys(), tx.store.getAll()]);
    return new Map(keys.map((key, i) => [key, texts[i]!]));
  } catch {
    return null;
  }
}

/** Lays up a photo; resolves once it is on disk. */
export async function layUpPhoto(photo: KeptPhoto): Promise<void> {
  const tx = (await shelves()).transaction('photos', 'readwrite', { durability: 'strict' });
  await tx.store.put(photo);
  await tx.done;
}

/** Photos that wait to be sent. */
export const photosKept = async (): Promise<KeptPhoto[]> => (await shelves()).getAll('photos');

/** A photo of this device; none where the server has it, or the device keeps none. */
export const photoKept = async (hash: string): Promise<KeptPhoto | undefined> =>
  shelves()
    .then((db) => db.get('photos', hash))
    .catch(() => undefined);

/** The server has it now. */
export const photoSent = async (hash: string): Promise<void> => (await shelves()).delete('photos', hash);
