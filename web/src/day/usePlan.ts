import type { KeptPlan } from '@rusty-wren/contract';
import {
  workKey,
  type Help,
  type Promised,
  type Slot,
  type Waiting,
  type Work,
} from '@rusty-wren/core/schedule';
import { proxy } from 'comlink';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useKeepPlanMutation } from '../api/api';
import { minuteOf } from './moment';
import { newTask, theThinker } from '../bench/thinking/thinker';
import { useThrow } from '../ui/useThrow';

/** A plan's slots, minutes from another zero. */
const shifted = (plan: { zero: string | number; slots: readonly Slot[] }, zero: number): Slot[] => {
  const by = minuteOf(new Date(plan.zero).getTime(), zero);
  return plan.slots.map((s) => ({ ...s, start: s.start + by, end: s.end + by }));
};

/** A plan as it is shown. */
export interface Shown {
  slots: readonly Slot[];
  /** How much of the looking is done, 0 to 1; null once it is. */
  share: number | null;
  stop: () => void;
}

/** What was found for some work. */
interface Found {
  key: string;
  task: string;
  /** When its minutes begin, ms. */
  zero: number;
  slots: readonly Slot[];
  share: number | null;
}

/**
 * The plan of some work: the one that some bench worked out for just this, else worked out here, in a worker, and kept for all
 * benches when it is done. What was planned before changes little, and stays on the screen until then: there is one quiet change,
 * not one for every thought. Only where nothing was planned yet the first that comes is shown at once.
 */
export function usePlan(work: Work, zero: number, kept: KeptPlan | null): Shown | null {
  const [keep] = useKeepPlanMutation();
  const key = useMemo(() => workKey(work), [work]);
  const [found, setFound] = useState<Found | null>(null);
  const isKept = kept?.key === key;
  // Where it begins: a plan that is kept meanwhile does not begin it anew.
  // What was found last is not kept by everybody yet.
  const before = kept ?? found;
  const begin = useRef({ work, zero, before });
  useEffect(() => {
    begin.current = { work, zero, before };
  });
  const fail = useThrow();
  useEffect(() => {
    if (isKept) return;
    const task = newTask();
    let live = true;
    const { work: toPlan, zero: from, before: last } = begin.current;
    const stood = last ? shifted(last, from) : [];
    const show = (slots: readonly Slot[], share: number | null): void => {
      if (live) setFound({ key, zero: from, slots, share, task });
    };
    void theThinker()
      .plan(
        task,
        toPlan,
        stood,
        proxy((plan) => show(stood.length > 0 ? stood : plan.slots, plan.share)),
      )
      .then((plan) => {
        if (!plan || !live) return;
        show(plan.slots, null);
        live = false;
        void keep({ key, zero: new Date(from).toISOString(), slots: [...plan.slots] });
      })
      .catch((why: unknown) => live && fail(why));
    return () => {
      live = false;
      void theThinker().stop(task);
    };
  }, [key, isKept, keep, fail]);
  return useMemo(() => {
    const none = (): void => undefined;
    if (isKept) return { slots: shifted(kept, zero), share: null, stop: none };
    if (found?.key === key)
      return {
        slots: shifted(found, zero),
        share: found.share,
        stop: () => void theThinker().stop(found.task),
      };
    // Until there is another, what was planned.
    return before ? { slots: shifted(before, zero), share: 0, stop: none } : null;
  }, [isKept, kept, before, zero, found, key]);
}

/** The slots of a plan that nobody looks for a better one of any more. */
const doneOf = (plan: Shown | null): readonly Slot[] | null => (plan?.share === null ? plan.slots : null);

/** How each promise stands by a plan, and when a machine that comes in now is ready. */
interface Stand {
  promises: readonly Promised[];
  newcomer: number;
}

/**
 * How the promises stand by a plan that is done; null until the first is, what stood before while the next one is worked out.
 */
export function usePromises(work: Work, plan: Shown | null): Stand | null {
  const slots = doneOf(plan);
  const fail = useThrow();
  const [stand, setStand] = useState<Stand | null>(null);
  useEffect(() => {
    if (!slots) return;
    let live = true;
    void theThinker()
      .promises(work, slots)
      .then((answer) => {
        if (live) setStand(answer);
      })
      .catch((why: unknown) => live && fail(why));
    return () => {
      live = false;
    };
  }, [work, slots, fail]);
  return stand;
}

/** What would help the promises that may break; null until it is worked out, what helped before while that is. */
export function useHelps(
  work: Work,
  plan: Shown | null,
  stand: Stand | null,
  waiting: readonly Waiting[],
): readonly Help[] | null {
  const slots = doneOf(plan);
  const fail = useThrow();
  const [helps, setHelps] = useState<readonly Help[] | null>(null);
  useEffect(() => {
    if (!slots || !stand) return;
    let live = true;
    void theThinker()
      .helps(
        work,
        slots,
        stand.promises,
        waiting.flatMap((w) => w.ifOrdered ?? []),
      )
      .then((answer) => {
        if (live) setHelps(answer);
      })
      .catch((why: unknown) => live && fail(why));
    return () => {
      live = false;
    };
  }, [work, slots, stand, waiting, fail]);
  return helps;
}
