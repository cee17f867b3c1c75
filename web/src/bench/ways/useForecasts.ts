import type { Case, Forecast, Way } from '@rusty-wren/core/diagnosis';
import { proxy } from 'comlink';
import { useEffect, useState } from 'react';
import type { WayId } from '../../app/settings';
import { useThrow } from '../../ui/useThrow';
import { newTask, theThinker } from '../thinking/thinker';

const PLAYS = 60;
/** The same plays for every way, so that they are compared on the same machines. */
const SEED = 2026;

export interface Forecasts {
  of: ReadonlyMap<WayId, Forecast>;
  /** Share of the plays made (0–1). */
  done: number;
  working: boolean;
  stop: () => void;
}

const NONE: ReadonlyMap<WayId, Forecast> = new Map();

/** Plays each way of working on from this case, one after the other, in the worker. */
export function useForecasts(c: Case, ways: readonly { id: WayId; way: Way }[], asked: boolean): Forecasts {
  const [heard, setHeard] = useState<{ about: Case; of: ReadonlyMap<WayId, Forecast> } | null>(null);
  const [stoppedFor, setStoppedFor] = useState<Case | null>(null);
  const fail = useThrow();
  const working = asked && stoppedFor !== c;
  useEffect(() => {
    if (!working) return;
    const task = newTask();
    let live = true;
    const hear = (id: WayId, forecast: Forecast): void => {
      if (live) setHeard((h) => ({ about: c, of: new Map(h?.about === c ? h.of : NONE).set(id, forecast) }));
    };
    const run = async (): Promise<void> => {
      for (const { id, way } of ways) {
        const last = await theThinker().forecast(
          task,
          c,
          way,
          { plays: PLAYS, seed: SEED },
          proxy((forecast) => hear(id, forecast)),
        );
        if (!last || !live) return;
        hear(id, last);
      }
    };
    run().catch((why: unknown) => live && fail(why));
    return () => {
      live = false;
      void theThinker().stop(task);
    };
  }, [c, ways, working, fail]);
  const of = heard?.about === c ? heard.of : NONE;
  const plays = [...of.values()].reduce((sum, f) => sum + f.plays, 0);
  const done = plays / (PLAYS * ways.length);
  return { of, done, working: working && done < 1, stop: () => setStoppedFor(c) };
}
