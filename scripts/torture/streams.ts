import { readFileSync } from 'node:fs';
import type http from 'node:http';
import type { App } from './bench';
import { hang, notesTake, sleep } from './bench';

/** Memory of a process, MB. */
const memoryOf = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

/** Open sockets of a process. */
const open = (app: App): Promise<http.IncomingMessage | null> =>
  new Promise((resolve) => {
    app
      .stream()
      .on('response', resolve)
      .on('error', () => resolve(null));
  });

/** HEADs of a stream, and streams opened and left, must leave nothing behind. Returns what went wrong, a sentence each. */
export async function streams(
  app: App,
  { heads, opened }: { heads: number; opened: number },
): Promise<string[]> {
  const wrong: string[] = [];
  const [jobId] = await hang(app, 1);
  await notesTake(app, jobId!, 100);
  const before = await notesTake(app, jobId!, 200);
  const memory = memoryOf(app.pid);
  for (let i = 0; i < heads; i++) {
    const { status } = await app.ask('HEAD', '/api/stream');
    if (status !== 200) wrong.push(`HEAD ${status}`);
  }
  let refused = 0;
  for (let from = 0; from < opened; from += 100) {
    const answers = await Promise.all(Array.from({ length: 100 }, () => open(app)));
    refused += answers.filter((a) => a?.statusCode === 429).length;
    answers.forEach((a) => a?.destroy());
    await sleep(20);
  }
  await sleep(500);
  const one = await open(app);
  if (one?.statusCode !== 200) wrong.push(`a stream after ${opened} others: ${one?.statusCode}`);
  one?.destroy();
  const after = await notesTake(app, jobId!, 200);
  const grown = memoryOf(app.pid) - memory;
  console.log(
    `  ${heads} HEADs and ${opened} streams (${refused} told to wait): 200 notes take ${(after / before).toFixed(2)} times as long, ${grown.toFixed(0)} MB more`,
  );
  if (after > 3 * before)
    wrong.push(`200 notes take ${(after / before).toFixed(1)} times as long after them`);
  if (grown > 100) wrong.push(`${grown.toFixed(0)} MB more are used after them`);
  return [...new Set(wrong)];
}
