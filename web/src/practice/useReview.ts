import type { Exercise, Move, Review } from '@rusty-wren/core/practice';
import { proxy, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { Teacher } from './teacher.worker';

/** How an exercise that has ended was worked, beside the plan; worked out in a worker. Null until then, with how far it is. */
export function useReview(exercise: Exercise, moves: readonly Move[]) {
  const [state, setState] = useState<{ review: Review | null; share: number; failed: boolean }>({
    review: null,
    share: 0,
    failed: false,
  });
  useEffect(() => {
    let live = true;
    const worker = new Worker(new URL('./teacher.worker.ts', import.meta.url), {
      type: 'module',
      name: 'teacher',
    });
    const failed = (): void => {
      if (live) setState({ review: null, share: 0, failed: true });
    };
    worker.onerror = failed;
    wrap<Teacher>(worker)
      .review(
        exercise,
        moves,
        proxy((share) => live && setState((s) => (s.review ? s : { ...s, share }))),
      )
      .then((review) => live && setState({ review, share: 1, failed: false }), failed);
    return () => {
      live = false;
      worker.terminate();
    };
  }, [exercise, moves]);
  return state;
}
