import { fileURLToPath } from 'node:url';
import { Piscina } from 'piscina';
import type { GivenPaper } from '@rusty-wren/core/log';
import { refuse } from '../http/problem';
import type { Sheet } from './sheets';

/** What is printed: a given paper on a sheet, with its photos as they are kept, by hash. */
export interface ToPrint {
  paper: Pick<GivenPaper, 'paper' | 'title' | 'blocks' | 'version' | 'notedAt'>;
  sheet: Sheet;
  photos: ReadonlyMap<string, Uint8Array>;
}

/** More than a shop asks for at once; each waits for those before it. */
const MOST_WAITING = 16;
/** Kept so long after the last one, ms: to load the type takes longer than to print. */
const IDLE_MS = 120_000;
/** No paper needs as much, MB; one that does ends its own thread and nothing else. */
const MOST_MB = 512;

let printer: Piscina<ToPrint, Uint8Array> | null = null;

/**
 * A paper as PDF, printed in a thread of its own, so that nobody who notes waits for it. Begun when the first one is asked for.
 * Refuses (503) when too many wait already.
 */
export async function print(asked: ToPrint): Promise<Uint8Array> {
  printer ??= new Piscina<ToPrint, Uint8Array>({
    filename: fileURLToPath(new URL('./printing.worker.mjs', import.meta.url)),
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: IDLE_MS,
    execArgv: [],
    resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
  });
  if (printer.queueSize >= MOST_WAITING) throw refuse(503, 'Too many papers are being printed: ask again.');
  return await printer.run(asked);
}
