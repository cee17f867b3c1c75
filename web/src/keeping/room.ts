/** Room that is held for notes, and given up first when the device runs full, bytes: thousands of notes. */
const RESERVE = 8_000_000;
/** What must be free for a write to be believed, bytes: more than the browser's database grows by at once. */
const PROBE = 1_000_000;
/** The most random bytes a browser gives at once. */
const PIECE = 65_536;

/** What it is called in this origin's own folder. */
const RESERVED = 'reserve';

/** This origin's own folder; none on plain HTTP from another machine, and in old browsers. */
const folder = async (): Promise<FileSystemDirectoryHandle | null> =>
  typeof navigator.storage?.getDirectory === 'function' ? navigator.storage.getDirectory() : null;

/** Writes a file of so many bytes that no disk makes smaller. */
async function fill(dir: FileSystemDirectoryHandle, name: string, bytes: number): Promise<void> {
  const file = await dir.getFileHandle(name, { create: true });
  const writing = await file.createWritable();
  try {
    const piece = crypto.getRandomValues(new Uint8Array(PIECE));
    for (let left = bytes; left > 0; left -= PIECE)
      await writing.write(piece.subarray(0, Math.min(left, PIECE)));
    await writing.close();
  } catch (error) {
    await writing.abort().catch(() => undefined);
    throw error;
  }
}

/** Resolves to whether the browser itself says that it may keep so many bytes more; it is not asked where it cannot tell. */
async function allowed(bytes: number): Promise<boolean> {
  const { quota, usage } = (await navigator.storage?.estimate?.()) ?? {};
  return quota === undefined || usage === undefined || quota - usage >= bytes;
}

/**
 * Whether there is room on this device to keep more. A browser may say that it has written what it could not, and what it may use
 * says nothing of a disk that others have filled: it is tried.
 */
export async function roomLeft(): Promise<boolean> {
  try {
    if (!(await allowed(PROBE))) return false;
    const dir = await folder();
    if (!dir) return true;
    // Of its own name: several tabs may try at once.
    const name = `probe-${crypto.randomUUID()}`;
    try {
      await fill(dir, name, PROBE);
      return true;
    } finally {
      await dir.removeEntry(name).catch(() => undefined);
    }
  } catch {
    return false;
  }
}

/** Whether something was not kept because this device is full, whatever the browser calls it. */
export const isFull = async (error: unknown): Promise<boolean> =>
  (error instanceof Error && error.name === 'QuotaExceededError') || !(await roomLeft());

/** Holds the reserve, where it is not held yet. Returns whether it stands; true as well where none can be held. */
export async function holdReserve(): Promise<boolean> {
  try {
    const dir = await folder();
    if (!dir) return allowed(PROBE);
    const file = await dir.getFileHandle(RESERVED, { create: true });
    if ((await file.getFile()).size < RESERVE) await fill(dir, RESERVED, RESERVE);
    return true;
  } catch {
    return false;
  }
}

/** Gives the reserve up: its room is free at once. Returns whether there was any. */
export async function giveUpReserve(): Promise<boolean> {
  try {
    const dir = await folder();
    const file = await dir?.getFileHandle(RESERVED);
    if (!dir || !file) return false;
    const { size } = await file.getFile();
    await dir.removeEntry(RESERVED);
    return size > 0;
  } catch {
    return false;
  }
}
