import { CAUTIONS } from '@rusty-wren/core/knowledge';
import { type MachineFacts } from '@rusty-wren/core/machine';
import { GUIDED_S } from '@rusty-wren/core/engine';
import { HEARD } from '@rusty-wren/core/sound';
import { speedBand } from '@rusty-wren/core/tuning';
import { FileAudio, Mic, TriangleAlert } from 'lucide-react';
import { useRef, useState, type DragEvent, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { Working } from '../ui/Working';
import { RECORDINGS } from './listen/clipOfFile';
import { GUIDED_TOTAL_S, type useListen } from './listen/useListen';

/** What to do at each moment of the guided recording, and for how much longer, s. */
function promptAt(seconds: number): { says: string; left: number; loud: boolean } {
  const { idle, hold } = GUIDED_S;
  if (seconds < idle) return { says: 'Let it idle', left: idle - seconds, loud: false };
  if (seconds < idle + hold) return { says: 'Full throttle', left: idle + hold - seconds, loud: true };
  return { says: 'Let go', left: GUIDED_TOTAL_S - seconds, loud: false };
}

/** Listening: three ways in, the speed large while it lasts, and the call when it goes over. */
export function ListenPanel({
  listen,
  machine,
  onStandIn,
  urge,
}: {
  listen: ReturnType<typeof useListen>;
  machine: MachineFacts;
  onStandIn: () => void;
  /** Whether listening is what to do next. */
  urge: boolean;
}): ReactElement {
  const { state } = listen;
  const file = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const drop = (event: DragEvent): void => {
    event.preventDefault();
    setOver(false);
    const dropped = event.dataTransfer.files[0];
    if (dropped) void listen.recording(dropped);
  };

  if (state.phase === 'live') {
    const last = state.readings.at(-1);
    const heard = last && last.confidence >= HEARD ? last.rpm : null;
    const [, limit] = speedBand('full', machine);
    const tooFast = heard !== null && heard > limit;
    const prompt = promptAt(state.seconds);
    return (
      <section aria-label="Listening" className={tooFast ? 'bg-rust p-4 text-on-rust' : 'py-1'}>
        <p
          className={`text-4xl font-bold ${prompt.loud && !tooFast ? 'text-rust' : ''}`}
          role={tooFast ? 'alert' : undefined}
        >
          {tooFast ? 'Over the limit. Let go!' : prompt.says}
          <span className="ml-4 tabular-nums">{Math.ceil(prompt.left)}</span>
        </p>
        <output aria-label="Speed now" className="block text-8xl leading-none font-bold tabular-nums">
          {heard === null ? '–' : Math.round(heard / 10) * 10}
          <span className="ml-2 text-3xl font-semibold">
            {heard === null && state.seconds > 1 ? 'nothing heard' : 'rpm'}
          </span>
        </output>
        {state.by === 'stand-in' && <p className="text-lg font-semibold text-ochre">Simulated</p>}
        <div className="mt-3 flex gap-3">
          <Button className="min-h-14 px-6 text-lg text-ink" onClick={listen.enough}>
            Enough
          </Button>
          <Button look="quiet" className={tooFast ? 'text-on-rust' : ''} onClick={listen.leaveOff}>
            Throw it away
          </Button>
        </div>
      </section>
    );
  }
  if (state.phase === 'reading')
    return (
      <div className="py-3 text-xl">
        <p className="font-semibold">Reading the recording</p>
        <Working what="Reading the recording" share={state.share} onStop={listen.leaveOff} />
      </div>
    );
  return (
    <section
      aria-label="Listen"
      onDragOver={(e) => {
        e.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
      className={over ? 'outline-4 outline-steel' : ''}
    >
      <p className="flex items-center gap-2 text-lg font-semibold text-ochre">
        <TriangleAlert className="shrink-0" aria-hidden /> {CAUTIONS.running}
      </p>
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <Button
          look={urge ? 'rust' : 'plain'}
          className="min-h-16 px-7 text-xl"
          onClick={() => void listen.microphone()}
        >
          <Mic aria-hidden /> Listen
        </Button>
        <Button className="min-h-14 text-lg" onClick={() => file.current?.click()}>
          <FileAudio size={20} aria-hidden /> Drop a recording
        </Button>
        <input
          ref={file}
          type="file"
          accept={RECORDINGS}
          aria-label="A recording or a video"
          className="sr-only"
          tabIndex={-1}
          onChange={(e) => {
            const chosen = e.target.files?.[0];
            if (chosen) void listen.recording(chosen);
            e.target.value = '';
          }}
        />
        <Button look="quiet" onClick={onStandIn}>
          A stand-in
        </Button>
      </div>
      {state.phase === 'problem' && (
        <p role="alert" className="mt-2 font-semibold text-rust">
          {state.says}
        </p>
      )}
    </section>
  );
}
