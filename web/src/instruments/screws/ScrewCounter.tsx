import type { MachineFacts } from '@rusty-wren/core/machine';
import { figuresOf } from '@rusty-wren/core/machine';
import { judgeReading, type Reading } from '@rusty-wren/core/reading';
import { formatTurns } from '@rusty-wren/core/units';
import { Minus, Plus } from 'lucide-react';
import type { ReactElement } from 'react';
import { useAppSelector } from '../../app/store';
import { Button } from '../../ui/Button';
import { useDraft } from '../../ui/useDraft';
import { BaselinePick } from './BaselinePick';

const SCREWS = ['L', 'H'] as const;
type Screw = (typeof SCREWS)[number];
const MOST_EIGHTHS = 40;
const WORDS: Readonly<Record<string, string>> = {
  'near-baseline': 'near baseline',
  'far-out': 'far out',
  'far-in': 'far in',
};

/** Turns to the seat counted by tapping an eighth at a time, beside the baseline. */
export function ScrewCounter({
  machine,
  draft,
  onStart,
  onLog,
}: {
  machine: MachineFacts;
  /** Where what is typed is kept until it is logged; absent without a job. */
  draft?: string | undefined;
  onStart?: () => void;
  onLog?: (reading: Reading) => void;
}): ReactElement {
  const [eighths, setEighths] = useDraft<Partial<Record<Screw, number>>>(draft, () => ({}));
  const baselineTurns = useAppSelector((s) => s.settings.baselineTurns);
  const { baseL, baseH, sources } = figuresOf({ ...machine, baselineTurns });
  const stated = machine.spec?.baseL !== undefined && machine.spec.baseH !== undefined;
  const baseline = { L: baseL, H: baseH };
  const tap = (screw: Screw, by: number): void => {
    onStart?.();
    setEighths((e) => ({ ...e, [screw]: Math.min(MOST_EIGHTHS, Math.max(0, (e[screw] ?? 0) + by)) }));
  };
  const turns = Object.fromEntries(Object.entries(eighths).map(([screw, e]) => [screw, e / 8]));
  const counted = Object.keys(turns).length > 0;
  const judged = counted ? judgeReading('screw-turns', { turns }, machine) : null;
  const away = (screw: Screw): string => {
    const e = eighths[screw];
    if (e === undefined) return 'not counted';
    const off = e - Math.round(baseline[screw] * 8);
    return off === 0
      ? 'at baseline'
      : `${formatTurns(Math.abs(off) / 8)} ${off > 0 ? 'further out' : 'further in'}`;
  };
  return (
    <section aria-label="Screws" className="mb-5">
      {SCREWS.map((screw) => (
        <div key={screw} className="flex flex-wrap items-center gap-x-4 border-b border-line py-3">
          <span className="w-10 text-5xl font-bold">{screw}</span>
          <Button
            className="size-16 !p-0"
            onClick={() => tap(screw, -1)}
            disabled={!eighths[screw]}
            aria-label={`${screw} an eighth back`}
          >
            <Minus aria-hidden />
          </Button>
          <output aria-label={`${screw} turns`} className="w-28 text-center text-4xl font-bold">
            {eighths[screw] === undefined ? '–' : formatTurns(eighths[screw] / 8)}
          </output>
          <Button
            className="h-16 px-6 text-xl"
            onClick={() => tap(screw, 1)}
            aria-label={`${screw} an eighth`}
          >
            <Plus aria-hidden /> ⅛
          </Button>
          <Button className="h-16 px-4 text-lg" onClick={() => tap(screw, 8)} aria-label={`${screw} a turn`}>
            + 1
          </Button>
          <span className="text-lg text-soft">
            {away(screw)}, {formatTurns(baseline[screw])} usual
          </span>
        </div>
      ))}
      {stated ? (
        <p className="mt-2 text-lg text-soft">Baseline: {sources.baseL}</p>
      ) : (
        <div className="mt-3 flex flex-wrap items-center gap-3 text-lg">
          <span className="font-semibold">Baseline where the maker gives none</span>
          <BaselinePick />
        </div>
      )}
      {judged && 'result' in judged && (
        <div className="mt-3 flex flex-wrap items-center gap-4">
          {onLog && (
            <Button look="rust" className="min-h-14 px-6 text-lg" onClick={() => onLog({ turns })}>
              Log it: {WORDS[judged.result]}
            </Button>
          )}
          <Button className="min-h-14" onClick={() => setEighths({})}>
            Start over
          </Button>
        </div>
      )}
    </section>
  );
}
