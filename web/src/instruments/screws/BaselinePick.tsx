import { BASELINE_SCHOOLS } from '@rusty-wren/core/machine';
import type { ReactElement } from 'react';
import { baselineChosen } from '../../app/settings';
import { useAppDispatch, useAppSelector } from '../../app/store';
import { OneOf } from '../../ui/OneOf';

const SCHOOLS = BASELINE_SCHOOLS.map((turns) => ({
  id: String(turns),
  label: `${turns} ${turns === 1 ? 'turn' : 'turns'}`,
}));

/** Turns out that this bench begins from where the maker states none. */
export function BaselinePick(): ReactElement {
  const dispatch = useAppDispatch();
  const turns = useAppSelector((s) => s.settings.baselineTurns);
  return (
    <OneOf
      label="Baseline"
      options={SCHOOLS}
      value={String(turns)}
      onChange={(id) => dispatch(baselineChosen(BASELINE_SCHOOLS.find((t) => String(t) === id)!))}
    />
  );
}
