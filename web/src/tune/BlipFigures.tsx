import type { MachineFacts } from '@rusty-wren/core/machine';
import { speedBand, type Blip } from '@rusty-wren/core/tuning';
import type { ReactElement } from 'react';

const round = (rpm: number): string => (Math.round(rpm / 10) * 10).toLocaleString('en');

function Figure({
  name,
  value,
  aside,
  off,
}: {
  name: string;
  value: string;
  aside?: string;
  off?: boolean;
}): ReactElement {
  return (
    <div>
      <dt className="text-base text-soft">{name}</dt>
      <dd className={`text-3xl leading-tight font-bold tabular-nums ${off ? 'text-rust' : ''}`}>{value}</dd>
      {aside && <dd className="text-base">{aside}</dd>}
    </div>
  );
}

/** What the recording said, in figures: those out of place stand out. */
export function BlipFigures({ blip, machine }: { blip: Blip; machine: MachineFacts }): ReactElement {
  const outside = (which: 'idle' | 'full', rpm: number): boolean => {
    const [low, high] = speedBand(which, machine);
    return rpm < low || rpm > high;
  };
  const { idle, snap, full, back } = blip;
  return (
    <dl className="mt-2 flex flex-wrap gap-x-7 gap-y-2">
      {!idle && full && <Figure name="Idle" value="Died" off />}
      {idle && (
        <Figure
          name="Idle"
          value={round(idle.mean)}
          off={outside('idle', idle.mean)}
          aside={`± ${round(Math.max(10, idle.spread))}${Math.abs(idle.drift) * 10 > 0.05 * idle.mean ? (idle.drift < 0 ? ', sags' : ', climbs') : ''}`}
        />
      )}
      {full && (
        <Figure
          name="Full"
          value={round(full.mean)}
          off={outside('full', full.mean)}
          aside={full.fourStroke >= 0.06 ? `burbles ${Math.round(100 * full.fourStroke)} %` : 'no burble'}
        />
      )}
      {snap && (
        <Figure
          name="Pick-up"
          value={`${snap.rise.toFixed(1)} s`}
          aside={snap.dip > 100 ? `dips ${round(snap.dip)}` : 'no dip'}
          off={idle !== null && snap.dip > 0.07 * idle.mean}
        />
      )}
      {back && (
        <Figure
          name="Back to idle"
          value={back.stalled ? 'Died' : back.hang === null ? 'Hangs' : `${back.hang.toFixed(1)} s`}
          off={back.stalled || back.hang === null}
          aside={back.undershoot > 100 ? `${round(back.undershoot)} under` : 'no undershoot'}
        />
      )}
    </dl>
  );
}
