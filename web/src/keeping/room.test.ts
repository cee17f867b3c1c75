import { afterEach, describe, expect, it, vi } from 'vitest';
import { fakeDisk } from '../testing/disk';
import { giveUpReserve, holdReserve, roomLeft } from './room';

afterEach(() => void vi.unstubAllGlobals());

describe('room on this device', () => {
  it('is tried, not believed, and the try leaves nothing', async () => {
    const disk = fakeDisk(1_000_000);
    expect(await roomLeft()).toBe(true);
    disk.free = 999_999;
    expect(await roomLeft()).toBe(false);
    expect([...disk.files.keys()]).toEqual([]);
    expect(disk.free).toBe(999_999);
  });

  it('is what the browser allows, where that is less', async () => {
    const disk = fakeDisk(1e9);
    disk.quota = 999_999;
    expect(await roomLeft()).toBe(false);
    disk.quota = 1_000_000;
    expect(await roomLeft()).toBe(true);
  });

  it('is held in reserve once, and free again at once when it is given up', async () => {
    const disk = fakeDisk(10_000_000);
    expect(await holdReserve()).toBe(true);
    expect(await holdReserve()).toBe(true);
    expect(disk.free).toBe(2_000_000);
    expect(await giveUpReserve()).toBe(true);
    expect(disk.free).toBe(10_000_000);
    expect(await giveUpReserve()).toBe(false);
  });

  it('that is too little for a reserve says so', async () => {
    const disk = fakeDisk(7_999_999);
    expect(await holdReserve()).toBe(false);
    expect(disk.free).toBe(7_999_999);
    // An empty file is no room to give up.
    expect(await giveUpReserve()).toBe(false);
  });

  it('where a browser has no such folder is what it allows, or taken to be there', async () => {
    vi.stubGlobal('navigator', {});
    expect([await roomLeft(), await holdReserve(), await giveUpReserve()]).toEqual([true, true, false]);
    vi.stubGlobal('navigator', { storage: { estimate: () => Promise.resolve({ quota: 10, usage: 9 }) } });
    expect([await roomLeft(), await holdReserve()]).toEqual([false, false]);
  });
});
