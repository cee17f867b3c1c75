import type { Case, NextCheck, Progress } from '@rusty-wren/core/diagnosis';
import { proxy } from 'comlink';
import { useCallback, useEffect, useState } from 'react';
import { newTask, theThinker } from './thinker';

export interface Ahead {
  /** The plan looking two checks ahead, once it is worked out for this very case. */
  next: readonly NextCheck[] | null;
  /** Not done yet: what comes first may still change. */
  thinking: boolean;
  /** How far it has come; null where it has not said yet, or is not at work. */
  progress: Progress | null;
  cancel: () => void;
}

interface Thought {
  about: Case;
  task: string;
  progress: Progress | null;
  next: readonly NextCheck[] | null;
}

/** Looks two checks ahead in a worker whenever the case changes. What was thought of an older case is dropped. */
export function useAhead(c: Case | null): Ahead {
  const [thought, setThought] = useState<Thought | null>(null);
  useEffect(() => {
    if (!c) return;
    const task = newTask();
    let live = true;
    const mine = (change: Pick<Thought, 'progress'> & Partial<Thought>): void => {
      if (live) setThought({ about: c, task, next: null, ...change });
    };
    theThinker()
      .ahead(
        task,
        c,
        proxy((progress) => mine({ progress })),
      )
      .then(
        (next) => {
          mine({ next, progress: null });
          // Progress told late, by its own channel, is no news any more.
          live = false;
        },
        () => mine({ progress: null }),
      );
    return () => {
      live = false;
      void theThinker().stop(task);
    };
  }, [c]);
  const task = thought?.task;
  const cancel = useCallback(() => {
    if (task) void theThinker().stop(task);
  }, [task]);
  const now = thought && thought.about === c ? thought : null;
  const thinking = c !== null && (now === null || now.progress !== null);
  return { next: now?.next ?? null, thinking, progress: now?.progress ?? null, cancel };
}
