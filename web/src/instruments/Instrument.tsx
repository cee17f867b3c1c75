import type { CheckDef, MachineFacts, Sureness } from '@rusty-wren/core/diagnosis';
import type { Picture } from '@rusty-wren/core/log';
import { isPressureCheck } from '@rusty-wren/core/pressure';
import type { Reading } from '@rusty-wren/core/reading';
import { useMemo, type ReactElement } from 'react';
import { Figures } from './Figures';
import { earlierWatches } from './pressure/earlier';
import { GaugeWatch } from './pressure/GaugeWatch';

/** The instrument a measured check is made with, on a job. */
export function Instrument({
  check,
  machine,
  picture,
  sureness,
  onStart,
  onLog,
}: {
  check: CheckDef;
  machine: MachineFacts;
  picture: Picture;
  sureness: Sureness;
  /** Something was measured that must not be lost by showing another check. */
  onStart: () => void;
  onLog: (reading: Reading) => void;
}): ReactElement | null {
  const earlier = useMemo(
    () => (isPressureCheck(check.id) ? earlierWatches(picture, check.id) : undefined),
    [picture, check.id],
  );
  if (isPressureCheck(check.id))
    return <GaugeWatch check={check.id} earlier={earlier} onStart={onStart} onLog={onLog} />;
  return <Figures check={check} machine={machine} sureness={sureness} onLog={onLog} />;
}
