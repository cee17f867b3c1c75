import { isCrossed, LINE_END_NAMES, LINE_ENDS, lineWords, type LineEnd } from '@rusty-wren/core/knowledge';
import type { LineNow } from '@rusty-wren/core/log';
import { useState, type FormEvent, type ReactElement } from 'react';
import type { Log } from '../job/useLog';
import { TakePhoto } from '../photos/TakePhoto';
import { Button } from '../ui/Button';
import { Main } from './Main';

const CHIP =
  'min-h-11 rounded-md border-2 border-line px-3 font-semibold hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper disabled:opacity-40';
const MOST_TAG = 60;

/** Picks the two ends of a line: the first tap one, the second the other. */
function Ends({
  ends,
  onChange,
}: {
  ends: readonly LineEnd[];
  onChange: (ends: readonly LineEnd[]) => void;
}): ReactElement {
  return (
    <div role="group" aria-label="Both ends" className="flex flex-wrap gap-2">
      {LINE_ENDS.map((end) => {
        const on = ends.includes(end);
        return (
          <button
            key={end}
            type="button"
            aria-pressed={on}
            disabled={!on && ends.length === 2}
            onClick={() => onChange(on ? ends.filter((e) => e !== end) : [...ends, end])}
            className={CHIP}
          >
            {LINE_END_NAMES[end]}
          </button>
        );
      })}
    </div>
  );
}

const pairOf = ([one, other]: readonly LineEnd[]): readonly [LineEnd, LineEnd] | null =>
  one && other ? [one, other] : null;

/** Tags the lines as they are found: what each is at both ends, and which is the return. */
export function TagLines({
  jobId,
  lines,
  log,
  onDone,
}: {
  jobId: string;
  lines: readonly LineNow[];
  log: Log;
  onDone: () => void;
}): ReactElement {
  const [tag, setTag] = useState('');
  const [ends, setEnds] = useState<readonly LineEnd[]>([]);
  const [returns, setReturns] = useState(false);
  const pair = pairOf(ends);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (!pair || !tag.trim()) return;
    log('line', { tag: tag.trim(), ends: pair, ...(returns && { returns: true }) });
    setTag('');
    setEnds([]);
    setReturns(false);
  };
  return (
    <>
      <TaggedLines jobId={jobId} lines={lines} log={log} />
      <form onSubmit={submit} className="mt-3 grid gap-3">
        <input
          aria-label="Its tag"
          placeholder="its tag: clear, 120 mm"
          maxLength={MOST_TAG}
          value={tag}
          onChange={(e) => setTag(e.target.value)}
          className="min-h-11 rounded-md border-2 border-line bg-card px-3 text-lg"
        />
        <Ends ends={ends} onChange={setEnds} />
        <button
          type="button"
          aria-pressed={returns}
          onClick={() => setReturns(!returns)}
          className={`${CHIP} justify-self-start`}
        >
          Fuel comes out of it at one press
        </button>
        <div className="flex flex-wrap gap-3">
          {lines.length > 0 && <Main onClick={onDone}>All tagged</Main>}
          <Button type="submit" className="min-h-14 px-6 text-lg" disabled={!pair || !tag.trim()}>
            Tag it
          </Button>
        </div>
      </form>
    </>
  );
}

const TaggedLines = ({
  jobId,
  lines,
  log,
}: {
  jobId: string;
  lines: readonly LineNow[];
  log: Log;
}): ReactElement | null =>
  lines.length === 0 ? null : (
    <ul aria-label="Lines tagged" className="mt-3 text-lg">
      {lines.map((line) => (
        <li key={line.entryId} className="border-b border-line py-1">
          <strong>{line.tag}</strong>: {lineWords(line)}
          {line.returns && ', the return'}
          {isCrossed(line) && (
            <strong className="block text-rust">Supply and return are crossed as they came.</strong>
          )}
          <TakePhoto
            jobId={jobId}
            log={log}
            of={{ of: { entry: line.entryId }, words: `line ${line.tag}` }}
            words="Photo of it"
          />
        </li>
      ))}
    </ul>
  );

/** Each tagged line on again: where it was, or somewhere else, which is said at once. */
export function LinesOn({ lines, log }: { lines: readonly LineNow[]; log: Log }): ReactElement {
  const [elsewhere, setElsewhere] = useState<string | null>(null);
  const [ends, setEnds] = useState<readonly LineEnd[]>([]);
  const pair = pairOf(ends);
  const open = lines.filter((line) => line.on === null || line.astray);
  return (
    <ul aria-label="Lines to push on" className="mt-3 grid gap-3">
      {open.map((line, n) => (
        <li key={line.entryId} className="border-b border-line pb-3">
          <p className="text-xl leading-snug">
            <strong>{line.tag}</strong>: {lineWords(line)}
          </p>
          {line.on && (
            <p role="alert" className="text-xl font-bold text-rust">
              Now {lineWords({ ends: line.on })}: it was not there. Swap it back.
            </p>
          )}
          <div className="mt-2 flex flex-wrap gap-3">
            {n === 0 ? (
              <Main onClick={() => log('line', { tag: line.tag, ends: line.ends, on: true })}>As it was</Main>
            ) : (
              <Button
                className="min-h-14 px-6 text-lg"
                onClick={() => log('line', { tag: line.tag, ends: line.ends, on: true })}
              >
                As it was
              </Button>
            )}
            <Button
              className="min-h-14 px-6 text-lg"
              onClick={() => {
                setElsewhere(line.tag);
                setEnds([]);
              }}
            >
              Somewhere else
            </Button>
          </div>
          {elsewhere === line.tag && (
            <div className="mt-3 grid gap-3">
              <Ends ends={ends} onChange={setEnds} />
              <Button
                className="justify-self-start"
                disabled={!pair}
                onClick={() => {
                  if (pair) log('line', { tag: line.tag, ends: pair, on: true });
                  setElsewhere(null);
                }}
              >
                It is there now
              </Button>
            </div>
          )}
        </li>
      ))}
    </ul>
  );
}
