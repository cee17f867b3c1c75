import { fitPlateau } from '@rusty-wren/core/compression';
import type { CheckDef } from '@rusty-wren/core/knowledge';
import type { Picture } from '@rusty-wren/core/log';
import { isPressureCheck } from '@rusty-wren/core/pressure';
import type { Reading } from '@rusty-wren/core/reading';
import { useMemo, type ReactElement } from 'react';
import { dropDraft } from '../ui/useDraft';
import type { JobAtBench } from '../job/useJob';
import { AirGap } from './airgap/AirGap';
import { SqueezeGauge } from './compression/SqueezeGauge';
import { Figures } from './Figures';
import { earlierWatches } from './pressure/earlier';
import { GaugeWatch } from './pressure/GaugeWatch';
import { ScrewCounter } from './screws/ScrewCounter';

/** What the squeeze was dry on this job, psi, as it is heading; undefined when it was not measured. */
function dryPsiOf(picture: Picture): number | undefined {
  const psi = picture.findings.find((f) => f.check === 'compression-gauge')?.reading?.psi;
  return psi?.length ? Math.round(fitPlateau(psi).psi) : undefined;
}

/** The instrument a measured check is made with, on a job. */
export function Instrument({
  check,
  atBench: { job, picture, squeezes, latelyLow },
  onStart,
  onLog: onRead,
}: {
  check: CheckDef;
  atBench: JobAtBench;
  /** Something was measured that must not be lost by showing another check. */
  onStart: () => void;
  onLog: (reading: Reading) => void;
}): ReactElement | null {
  const { machine } = picture;
  const draft = `${job.id} ${check.id}`;
  const onLog = (reading: Reading): void => {
    dropDraft(draft);
    onRead(reading);
  };
  const earlier = useMemo(
    () => (isPressureCheck(check.id) ? earlierWatches(picture, check.id) : undefined),
    [picture, check.id],
  );
  if (isPressureCheck(check.id))
    return <GaugeWatch check={check.id} earlier={earlier} draft={draft} onStart={onStart} onLog={onLog} />;
  switch (check.id) {
    case 'compression-gauge':
    case 'compression-wet':
      return (
        <SqueezeGauge
          check={check.id}
          machine={machine}
          dryPsi={dryPsiOf(picture)}
          earlier={{ squeezes, machineId: job.machine.id }}
          latelyLow={latelyLow}
          draft={draft}
          onStart={onStart}
          onLog={onLog}
        />
      );
    case 'coil-gap':
      return <AirGap machine={machine} draft={draft} onStart={onStart} onLog={onLog} />;
    case 'screw-turns':
      return <ScrewCounter machine={machine} draft={draft} onStart={onStart} onLog={onLog} />;
    default:
      return <Figures check={check} machine={machine} draft={draft} onStart={onStart} onLog={onLog} />;
  }
}
