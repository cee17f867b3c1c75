import type { CheckDef, MachineFacts, Sureness } from '@rusty-wren/core/diagnosis';
import { judgeReading, type Reading } from '@rusty-wren/core/reading';
import { readShorthand } from '@rusty-wren/core/shorthand';
import { useId, useState, type FormEvent, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { BandBar } from './BandBar';

type Figured = Exclude<NonNullable<CheckDef['reading']>, 'trace'>;

const ASKS: Readonly<Record<Figured, { label: string; example: string }>> = {
  pulls: { label: 'Gauge after each pull, psi', example: '62 98 117 124' },
  legs: { label: 'Top leg and bottom leg, mm', example: '.30 .45' },
  millimetres: { label: 'Millimetres', example: '0.3' },
  turns: { label: 'Turns out, in eighths', example: 'L 1 1/8 H 1' },
  speed: { label: 'Revolutions a minute', example: '2750' },
};

/** The reading a line of figures stands for, or why it stands for none. */
function understand(check: CheckDef, text: string): { reading: Reading } | { problem: string } {
  const line = check.reading === 'turns' ? text : `${check.id} ${text}`;
  const read = readShorthand(line);
  if (!read.ok) return { problem: read.says };
  if (read.entry.kind !== 'finding' || !read.entry.body.reading)
    return {
      problem: `Give figures, such as ${check.reading && check.reading !== 'trace' ? ASKS[check.reading].example : ''}`,
    };
  return { reading: read.entry.body.reading };
}

/** Figures in, judged as they are typed, logged with the raw reading kept. */
export function Figures({
  check,
  machine,
  sureness,
  onLog,
}: {
  check: CheckDef;
  machine: MachineFacts;
  sureness: Sureness;
  onLog: (reading: Reading, sureness: Sureness) => void;
}): ReactElement | null {
  const [text, setText] = useState('');
  const [valveOpen, setValveOpen] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const id = useId();
  if (!check.reading || check.reading === 'trace') return null;
  const ask = ASKS[check.reading];
  const read = text.trim() ? understand(check, text) : null;
  const reading: Reading | null =
    read && 'reading' in read
      ? { ...read.reading, ...(check.reading === 'pulls' && { decompressor: valveOpen ? 'open' : 'closed' }) }
      : null;
  const judged = reading && judgeReading(check.id, reading, machine);

  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (!read) return setProblem(`${ask.label}: nothing is written.`);
    if (!reading) return setProblem('problem' in read ? read.problem : null);
    onLog(reading, sureness);
  };

  return (
    <form onSubmit={submit} className="mb-4">
      <label htmlFor={id} className="block font-semibold">
        {ask.label}
      </label>
      <div className="mt-1 flex flex-wrap items-center gap-3">
        <input
          id={id}
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            setProblem(null);
          }}
          placeholder={ask.example}
          autoComplete="off"
          aria-invalid={problem !== null}
          aria-describedby={problem ? `${id}-problem` : undefined}
          className="min-h-14 w-72 max-w-full rounded-md border-2 border-line bg-card px-3 text-2xl font-semibold placeholder:font-normal placeholder:text-soft/70"
        />
        <Button type="submit" look={reading ? 'rust' : 'plain'} className="min-h-14 px-6 text-lg">
          Log it
        </Button>
        {check.reading === 'pulls' && (
          <label className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5 accent-rust"
              checked={valveOpen}
              onChange={(e) => setValveOpen(e.target.checked)}
            />
            Starting valve open
          </label>
        )}
      </div>
      {problem && (
        <p id={`${id}-problem`} role="alert" className="mt-2 font-semibold text-rust">
          {problem}
        </p>
      )}
      {judged &&
        ('refused' in judged ? (
          <p className="mt-2 font-semibold text-ochre">{judged.refused}</p>
        ) : (
          <div className="mt-3">
            <p className="text-xl font-semibold text-steel">
              {check.results.find((r) => r.id === judged.result)?.label}: {judged.says}
            </p>
            <BandBar judged={judged} />
          </div>
        ))}
    </form>
  );
}
