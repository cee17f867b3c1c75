import { vi } from 'vitest';

/** A small disk in memory, as a browser lets an origin have one. `free`: bytes left on it, for whoever writes. */
export interface Disk {
  free: number;
  files: Map<string, number>;
  /** What the browser says that it may use, however full the disk is; none: it does not say. */
  quota?: number;
}

/** Puts such a disk in the place of this device's, until globals are put back. */
export function fakeDisk(free: number): Disk {
  const disk: Disk = { free, files: new Map() };
  const full = (): DOMException => new DOMException('full', 'QuotaExceededError');
  const fileOf = (name: string): unknown => ({
    getFile: () => Promise.resolve({ size: disk.files.get(name) ?? 0 }),
    createWritable: () => {
      let wrote = 0;
      return Promise.resolve({
        write: (piece: Uint8Array) => {
          if (piece.length > disk.free) return Promise.reject(full());
          disk.free -= piece.length;
          wrote += piece.length;
          return Promise.resolve();
        },
        close: () => {
          disk.free += disk.files.get(name) ?? 0;
          disk.files.set(name, wrote);
          return Promise.resolve();
        },
        abort: () => {
          disk.free += wrote;
          return Promise.resolve();
        },
      });
    },
  });
  const folder = {
    getFileHandle: (name: string, { create = false } = {}) => {
      if (!disk.files.has(name) && !create) return Promise.reject(new DOMException('none', 'NotFoundError'));
      if (!disk.files.has(name)) disk.files.set(name, 0);
      return Promise.resolve(fileOf(name));
    },
    removeEntry: (name: string) => {
      disk.free += disk.files.get(name) ?? 0;
      disk.files.delete(name);
      return Promise.resolve();
    },
  };
  vi.stubGlobal('navigator', {
    onLine: true,
    storage: {
      getDirectory: () => Promise.resolve(folder),
      estimate: () => Promise.resolve(disk.quota === undefined ? {} : { quota: disk.quota, usage: 0 }),
    },
  });
  return disk;
}
