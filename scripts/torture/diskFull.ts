import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { DATA, isRoot } from '../packages.mjs';
import { startPostgres } from '../postgres.mjs';
import { App, hang, note, sleep } from './bench';

const NAME = 'torture-full';

/** A database on a small disk that runs full: told as 503, and over once there is room. Returns what went wrong, a sentence each. */
export async function diskFull(): Promise<string[]> {
  const disk = join(DATA, NAME);
  mkdirSync(disk, { recursive: true });
  spawnSync('umount', [disk], { stdio: 'ignore' });
  if (!isRoot() || spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=200m', 'none', disk]).status !== 0) {
    console.log('  disk full: not tried, a small disk cannot be mounted here');
    return [];
  }
  const ballast = join(disk, 'ballast');
  try {
    const cluster = await startPostgres(NAME, { fresh: true });
    if (!cluster) return ['no database'];
    const app = await App.start(cluster.url);
    try {
      const [jobId] = await hang(app, 1);
      const { bavail, bsize } = statfsSync(disk);
      writeFileSync(ballast, Buffer.alloc(bavail * bsize - 64 * 1024, 1));
      const seen = new Map<number, number>();
      const text = 'x'.repeat(2000);
      for (let i = 0; i < 400 && (seen.get(503) ?? 0) < 20; i++) {
        const { status } = await app.post('/api/entries', {
          parcels: Array.from({ length: 100 }, () => ({ jobId, entry: note(text) })),
        });
        seen.set(status, (seen.get(status) ?? 0) + 1);
      }
      rmSync(ballast);
      let tries = 0;
      for (; tries < 60; tries++) {
        const { status } = await app.post('/api/entries', {
          parcels: [{ jobId, entry: note('room again') }],
        });
        if (status === 200) break;
        if (cluster.pid() === 0) cluster.start();
        await sleep(500);
      }
      console.log(
        `  disk full: ${[...seen].map(([s, n]) => `${s}: ${n}`).join(', ')}; with room again taken at try ${tries + 1}`,
      );
      const wrong: string[] = [];
      if (!seen.has(503)) wrong.push('a full disk was not told as 503');
      for (const status of seen.keys())
        if (status !== 200 && status !== 503) wrong.push(`a full disk was told as ${status}`);
      if (tries === 60) wrong.push('nothing was taken once there was room again');
      if (app.fell > 0) wrong.push('the app ended');
      return wrong;
    } finally {
      await app.stop();
      cluster.stop();
    }
  } finally {
    execFileSync('umount', ['-l', disk]);
  }
}
