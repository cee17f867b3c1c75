import { randomUUID } from 'node:crypto';
import type { RackTag } from '@rusty-wren/contract';
import type { Hono } from 'hono';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from './app';
import { Outlooks } from './cards/outlooks';
import { connect } from './db/pool';
import { Changes } from './stream/changes';
import { note, openBench, post, type TestBench } from './testing/bench';

let bench: TestBench;
/** Two processes' worth of app on one database, each with a pool and a thinking thread of its own. */
let apps: Hono[];
let close: () => Promise<void>;
beforeAll(async () => {
  bench = await openBench({ demo: new Date() });
  const pool = connect(bench.url);
  const changes = new Changes(bench.url);
  await changes.start();
  const outlooks = new Outlooks(pool);
  apps = [bench.app, bench.asLead(createApp({ pool, changes, outlooks, patience: 120_000 }))];
  close = async () => {
    await outlooks.stop();
    await changes.stop();
    await pool.end();
  };
});
afterAll(async () => {
  await close();
  await bench.close();
});

let turn = 0;
/** The next app in turn. */
const next = (): Hono => apps[turn++ % apps.length]!;
const ask = async (app: Hono, path: string): Promise<unknown> => (await app.request(path)).json();

describe('two processes behind a round robin', () => {
  it('give the same answers to everything, whichever took what was noted', async () => {
    const tags = (await ask(next(), '/api/jobs?show=open')) as RackTag[];
    for (const { job } of tags.slice(0, 6)) {
      const entry = {
        ...note('seen'),
        kind: 'finding',
        body: { check: 'fuel-look', result: 'water', sureness: 'sure' },
      };
      expect((await post(next(), `/api/jobs/${job.id}/entries`, { entries: [entry] })).status).toBe(201);
      expect(
        (await post(next(), `/api/jobs/${job.id}/entries`, { entries: [note('and a word')] })).status,
      ).toBe(201);
    }
    const [one] = tags;
    const need = { id: randomUUID(), name: 'a long screw', count: 1, do: 'to-order' };
    await post(next(), `/api/jobs/${one!.job.id}/parts`, need);
    const machine = one!.job.machine.id;
    // How long the rest takes comes in its own time.
    await expect
      .poll(
        async () =>
          ((await ask(next(), '/api/jobs?show=open')) as RackTag[]).every(
            (t) => t.phase?.kind !== 'check' || t.toFind !== null,
          ),
        { timeout: 120_000 },
      )
      .toBe(true);
    for (const path of [
      '/api/jobs?show=open',
      '/api/jobs?show=closed',
      '/api/jobs?show=closed&words=coil',
      ...tags.map((t) => `/api/jobs/${t.job.id}`),
      '/api/find?words=farrant',
      '/api/find?words=farant',
      `/api/machines/${machine}`,
      `/api/owners/${one!.job.customer.id}`,
      '/api/customers',
      '/api/customers?words=lune',
      '/api/models',
      '/api/accounts',
      '/api/specs',
      '/api/shop',
      '/api/parts',
      `/api/parts?job=${one!.job.id}`,
      '/api/day',
      '/api/own-order',
    ]) {
      const [mine, other] = await Promise.all(apps.map((app) => ask(app, path)));
      expect(other, path).toEqual(mine);
    }
  });
});
