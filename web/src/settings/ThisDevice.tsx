import { PRESSURE_UNITS } from '@rusty-wren/core/units';
import type { ReactElement, ReactNode } from 'react';
import {
  LOCK_AFTER,
  lockAfterChosen,
  themeTurned,
  unitChosen,
  wayChosen,
  type LockAfter,
} from '../app/settings';
import { useAppDispatch, useAppSelector } from '../app/store';
import { useWays } from '../bench/ways/useWays';
import { GaugeSettings } from '../instruments/compression/GaugeSettings';
import { BaselinePick } from '../instruments/screws/BaselinePick';
import { OneOf } from '../ui/OneOf';

const LOCKS: Readonly<Record<LockAfter, string>> = {
  0: 'never',
  15: '15 min',
  60: 'an hour',
  240: '4 hours',
};

/** What this device goes by: kept on it, for whoever has it in hand. */
export function ThisDevice(): ReactElement {
  const dispatch = useAppDispatch();
  const { theme, pressureUnit, lockAfterMin } = useAppSelector((s) => s.settings);
  const { ways, chosen } = useWays();
  return (
    <section aria-label="This device">
      <h2 className="text-3xl font-bold">This device</h2>
      <div className="mt-3 divide-y divide-line border-y border-line">
        <Row words="Follows">
          <select
            aria-label="Follows"
            value={chosen.id}
            onChange={(e) => dispatch(wayChosen(e.target.value as typeof chosen.id))}
            className="min-h-11 max-w-full rounded-md border-2 border-line bg-card px-2 text-lg font-semibold"
          >
            {ways.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </Row>
        <Row words="Pump gauge">
          <OneOf
            label="Pump gauge reads in"
            options={PRESSURE_UNITS.map((id) => ({ id, label: id }))}
            value={pressureUnit}
            onChange={(unit) => dispatch(unitChosen(unit))}
          />
        </Row>
        <Row words="Screws begin at">
          <BaselinePick />
        </Row>
        <Row words="Compression gauge">
          <GaugeSettings />
        </Row>
        <Row words="Locks, left alone for">
          <OneOf
            label="Locks by itself after"
            options={LOCK_AFTER.map((m) => ({ id: String(m), label: LOCKS[m] }))}
            value={String(lockAfterMin)}
            onChange={(id) => dispatch(lockAfterChosen(LOCK_AFTER.find((m) => String(m) === id)!))}
          />
        </Row>
        <Row words="Light">
          <OneOf
            label="Light"
            options={[
              { id: 'light', label: 'light' },
              { id: 'dark', label: 'dark' },
            ]}
            value={theme}
            onChange={() => dispatch(themeTurned())}
          />
        </Row>
      </div>
    </section>
  );
}

const Row = ({ words, children }: { words: string; children: ReactNode }): ReactElement => (
  <div className="grid items-center gap-x-4 gap-y-1 py-2 sm:grid-cols-[12rem_1fr]">
    <span className="text-lg font-semibold">{words}</span>
    <div className="min-w-0">{children}</div>
  </div>
);
