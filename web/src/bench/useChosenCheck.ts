import { CHECK_IDS, type CheckId } from '@rusty-wren/core/knowledge';
import { useCallback, useMemo } from 'react';
import { useSearchParams } from 'react-router';

const asCheck = (id: string | null): CheckId | null => CHECK_IDS.find((known) => known === id) ?? null;

export interface ChosenCheck {
  /** The check somebody picked instead of the one that comes next. */
  chosen: CheckId | null;
  /** The check being measured: it stays up until it is logged or left, whatever the plan says meanwhile. */
  measured: CheckId | null;
  pick: (check: CheckId) => void;
  measure: (check: CheckId) => void;
  /** Nothing chosen, nothing measured: what comes next is up again. */
  clear: () => void;
}

/** Which check is up, kept in the address: it survives a reload, and Back goes to what was up before. */
export function useChosenCheck(): ChosenCheck {
  const [params, setParams] = useSearchParams();
  const chosen = asCheck(params.get('check'));
  const measured = asCheck(params.get('measuring'));
  const pick = useCallback((check: CheckId) => setParams({ check }), [setParams]);
  const measure = useCallback(
    (check: CheckId) =>
      setParams((now) => ({ ...(now.get('check') && { check }), measuring: check }), { replace: true }),
    [setParams],
  );
  const clear = useCallback(() => setParams({}, { replace: true }), [setParams]);
  return useMemo(
    () => ({ chosen, measured, pick, measure, clear }),
    [chosen, measured, pick, measure, clear],
  );
}
