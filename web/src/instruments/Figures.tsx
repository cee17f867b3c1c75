import type { FeedLine, StandIn } from '@rusty-wren/contract';
import type { CheckDef } from '@rusty-wren/core/knowledge';
import type { MachineFacts } from '@rusty-wren/core/machine';
import { judgeReading, type Reading } from '@rusty-wren/core/reading';
import { readShorthand } from '@rusty-wren/core/shorthand';
import { mmToThou } from '@rusty-wren/core/units';
import { useId, useState, type FormEvent, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { FigureInput } from '../ui/FigureInput';
import { useDraft } from '../ui/useDraft';
import { FromGauge } from './feed/FromGauge';
import { BandBar } from './BandBar';
import { IsRight, STANDS_BY } from './IsRight';

/** What is asked for, by check: the example is one a sound machine gives. */
const ASKS: Partial<Record<CheckDef['id'], { label: string; example: string }>> = {
  'idle-speed': { label: 'Idle, rpm', example: '2750' },
  'full-speed': { label: 'Full throttle, rpm', example: '12400' },
  'plug-gap': { label: 'Plug gap, mm', example: '0.6' },
  'pop-off': { label: 'Opens at, then shuts at, psi or bar', example: '12 7' },
  'metering-lever': { label: 'Lever over its reference, mm; below it, minus', example: '0.1' },
};

const RPM = ['rpm'] as const;
/** The latest so many speeds are judged together: enough to see it wander. */
const SPEEDS = 8;

/** Stand-in tachometers at an engine of a sound speed, at a slow one, and at one with a fault. */
const standInsFor = (rpm: number): { label: string; standIn: StandIn }[] => [
  { label: 'about right', standIn: { instrument: 'tachometer', rpm, seed: 31 } },
  { label: 'far too slow', standIn: { instrument: 'tachometer', rpm: Math.max(1500, rpm * 0.7), seed: 32 } },
  rpm < 5500
    ? { label: 'air leaking in', standIn: { instrument: 'tachometer', rpm, fault: 'intake-leak', seed: 33 } }
    : {
        label: 'screen coked',
        standIn: { instrument: 'tachometer', rpm, fault: 'spark-screen-clogged', seed: 33 },
      },
];

/** The reading a line of figures stands for, or why it stands for none. */
function understand(
  check: CheckDef,
  text: string,
  example: string,
): { reading: Reading } | { problem: string; odd?: boolean } {
  const read = readShorthand(`${check.id} ${text}`);
  if (!read.ok) return { problem: read.says, odd: read.odd === true };
  const [entry] = read.entries;
  if (entry?.kind !== 'finding' || !entry.body.reading)
    return { problem: `Give figures, such as ${example}` };
  return { reading: entry.body.reading };
}

/** Figures in, judged as they are typed, logged with the raw reading kept. */
export function Figures({
  check,
  machine,
  draft,
  feed = true,
  onStart,
  onLog,
}: {
  check: CheckDef;
  machine: MachineFacts;
  /** An instrument that is connected may fill it. */
  feed?: boolean;
  /** Absent when used without a job. */
  /** Where what is typed is kept until it is logged; absent without a job. */
  draft?: string | undefined;
  onStart?: () => void;
  onLog?: (reading: Reading) => void;
}): ReactElement | null {
  const [text, setText] = useDraft(draft, () => '');
  const [simulated, setSimulated] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const id = useId();
  const ask = ASKS[check.id];
  if (!ask) return null;
  const read = text.trim() ? understand(check, text, ask.example) : null;
  const reading = read && 'reading' in read ? { ...read.reading, ...(simulated && { simulated }) } : null;
  const judged = reading && judgeReading(check.id, reading, machine);

  const hear = (lines: readonly FeedLine[]): void => {
    onStart?.();
    setText(
      lines
        .slice(-SPEEDS)
        .map((line) => Math.round(line.value))
        .join(' '),
    );
    setSimulated(lines.some((line) => line.simulated));
    setProblem(null);
  };
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (!read) return setProblem(`${ask.label}: nothing is written.`);
    if (!reading) return setProblem('problem' in read ? read.problem : null);
    onLog?.(reading);
  };

  return (
    <form onSubmit={submit} className="mb-4">
      <div className="flex flex-wrap items-end gap-3">
        <FigureInput
          id={id}
          label={ask.label}
          wide
          value={text}
          onChange={(e) => {
            if (e.target.value && !text) onStart?.();
            setText(e.target.value);
            setSimulated(false);
            setProblem(null);
          }}
          placeholder={ask.example}
          invalid={problem !== null}
          describedBy={problem ? `${id}-problem` : undefined}
        />
        {onLog && (
          <Button type="submit" look={reading ? 'rust' : 'plain'} className="min-h-14 px-6 text-lg">
            Log it
          </Button>
        )}
      </div>
      {feed && check.reading === 'speed' && (
        <FromGauge units={RPM} standIns={standInsFor(Number(ask.example))} onReadings={hear} />
      )}
      {read && 'odd' in read && read.odd ? (
        <IsRight says={read.problem} onRight={() => setText(`${text.trim()}${STANDS_BY}`)} />
      ) : (
        problem && (
          <p id={`${id}-problem`} role="alert" className="mt-2 font-semibold text-rust">
            {problem}
          </p>
        )
      )}
      {judged &&
        ('refused' in judged ? (
          <p className="mt-2 font-semibold text-ochre">{judged.refused}</p>
        ) : (
          <div className="mt-3">
            <p className="text-2xl font-bold">{check.results.find((r) => r.id === judged.result)?.label}</p>
            <p className="text-lg">
              {judged.says}
              {judged.unit === 'mm' && ` (${Math.round(mmToThou(judged.value))} thou)`}
            </p>
            <BandBar judged={judged} />
          </div>
        ))}
    </form>
  );
}
