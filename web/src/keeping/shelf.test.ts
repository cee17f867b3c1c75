import 'fake-indexeddb/auto';
import { expect, it } from 'vitest';
import { forgetSeen, keepAgain, keepSeen, lastSeen } from './shelf';

it('a device that is signed out forgets what it saw, what comes late included, until somebody is in again', async () => {
  await keepSeen('jobs/one', { tag: 1 });
  expect((await lastSeen('jobs/one'))?.data).toEqual({ tag: 1 });
  const late = keepSeen('jobs/two', { tag: 2 });
  await forgetSeen();
  await late;
  await keepSeen('jobs/three', { tag: 3 });
  for (const one of ['one', 'two', 'three']) expect(await lastSeen(`jobs/${one}`)).toBeUndefined();
  keepAgain();
  await keepSeen('jobs/four', { tag: 4 });
  expect((await lastSeen('jobs/four'))?.data).toEqual({ tag: 4 });
});
