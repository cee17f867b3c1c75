import type { MachineFacts } from '@rusty-wren/core/machine';
import { GUIDED_S, type Screws } from '@rusty-wren/core/engine';
import type { HeardBy } from '@rusty-wren/core/log';
import { figuresOf } from '@rusty-wren/core/machine';
import { HEARD, type Clip, type SpeedReading } from '@rusty-wren/core/sound';
import { thinTrack, withoutSpecks, type TrackPoint } from '@rusty-wren/core/tuning';
import { proxy, wrap, type Remote } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import { clipOfFile } from './clipOfFile';
import type { Ear } from './ear.worker';
import tapUrl from './tap.worklet.ts?worker&url';

/** How long the guided recording takes, s. */
export const GUIDED_TOTAL_S = GUIDED_S.idle + GUIDED_S.hold + GUIDED_S.after;
const STAND_IN_PIECE_S = 0.1;
/** Sound comes in pieces: the last of them may not be waited for, s. */
const SHORT_S = 0.25;

/** A recording that has been read. */
export interface Heard {
  readings: readonly SpeedReading[];
  clip: Clip;
  by: HeardBy;
}

export type Listening =
  | { phase: 'still' }
  /** Sound is coming in; what has been read of it so far. */
  | { phase: 'live'; by: HeardBy; seconds: number; readings: readonly SpeedReading[] }
  /** A whole recording is being read. */
  | { phase: 'reading'; share: number }
  | { phase: 'problem'; says: string };

/** The trace of what was heard, as it is kept in the log. */
export const trackHeard = (readings: readonly SpeedReading[]): TrackPoint[] =>
  thinTrack(
    withoutSpecks(
      readings.flatMap((r): TrackPoint[] => (r.confidence >= HEARD ? [[r.t, r.rpm, r.fourStroke]] : [])),
    ),
  );

const joined = (pieces: readonly Float32Array[]): Float32Array => {
  const all = new Float32Array(pieces.reduce((n, p) => n + p.length, 0));
  let at = 0;
  for (const piece of pieces) {
    all.set(piece, at);
    at += piece.length;
  }
  return all;
};

/** Listening to an engine: by microphone, from a recording, or to a stand-in. `onHeard` gets what came of it. */
export function useListen(machine: MachineFacts, onHeard: (heard: Heard) => void) {
  const [state, setState] = useState<Listening>({ phase: 'still' });
  const worker = useRef<{ worker: Worker; ear: Remote<Ear> } | null>(null);
  /** Ends what is going on; true to keep what was heard. */
  const finish = useRef<(keep: boolean) => void>(() => undefined);
  const told = useRef(onHeard);
  useEffect(() => {
    told.current = onHeard;
  }, [onHeard]);
  const full = figuresOf(machine).full[1];

  const ear = useCallback((): Remote<Ear> => {
    if (!worker.current) {
      const started = new Worker(new URL('./ear.worker.ts', import.meta.url), {
        type: 'module',
        name: 'ear',
      });
      worker.current = { worker: started, ear: wrap<Ear>(started) };
    }
    return worker.current.ear;
  }, []);
  const dismiss = useCallback(() => {
    worker.current?.worker.terminate();
    worker.current = null;
  }, []);
  /** The place was left: nothing begins any more. */
  const left = useRef(false);
  useEffect(() => {
    left.current = false;
    return () => {
      left.current = true;
      finish.current(false);
      dismiss();
    };
  }, [dismiss]);

  /** Takes pieces of sound as they come, until it is finished or the guided recording is over. */
  const live = useCallback(
    async (by: HeardBy, rate: number, source: (piece: (samples: Float32Array) => void) => () => void) => {
      const listener = ear();
      await listener.begin(rate, full);
      const pieces: Float32Array[] = [];
      const readings: SpeedReading[] = [];
      let samples = 0;
      let over = false;
      let still: () => void = () => undefined;
      const end = (keep: boolean): void => {
        if (over) return;
        over = true;
        still();
        setState({ phase: 'still' });
        if (keep && readings.length > 0)
          told.current({ readings, clip: { samples: joined(pieces), rate }, by });
      };
      finish.current = end;
      setState({ phase: 'live', by, seconds: 0, readings: [] });
      still = source((piece) => {
        if (over) return;
        pieces.push(piece);
        void listener.hear(piece).then((more) => {
          if (over) return;
          samples += piece.length;
          readings.push(...more);
          const seconds = samples / rate;
          setState({ phase: 'live', by, seconds, readings: [...readings] });
          if (seconds >= GUIDED_TOTAL_S - SHORT_S) end(true);
        });
      });
    },
    [ear, full],
  );

  const microphone = useCallback(async () => {
    const CANNOT = {
      phase: 'problem',
      says: 'The microphone cannot be heard: allow it, or drop a recording.',
    } as const;
    let stream: MediaStream;
    try {
      stream = await navigator.mediaDevices.getUserMedia({
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
      });
    } catch {
      return setState(CANNOT);
    }
    const shut = (): void => stream.getTracks().forEach((track) => track.stop());
    // Nobody is here any more to whom it was to be allowed.
    if (left.current) return shut();
    const context = new AudioContext();
    try {
      await context.audioWorklet.addModule(tapUrl);
    } catch {
      shut();
      void context.close();
      return setState(CANNOT);
    }
    if (left.current) {
      shut();
      return void context.close();
    }
    const tap = new AudioWorkletNode(context, 'tap', { numberOfOutputs: 0 });
    context.createMediaStreamSource(stream).connect(tap);
    await live('microphone', context.sampleRate, (piece) => {
      tap.port.onmessage = (event: MessageEvent<Float32Array>) => piece(event.data);
      return () => {
        shut();
        void context.close();
      };
    });
  }, [live]);

  const standIn = useCallback(
    async (name: string, screws: Screws, take: number) => {
      setState({ phase: 'reading', share: 0 });
      const { samples, rate } = await ear().standIn(machine, name, screws, take);
      const each = Math.round(rate * STAND_IN_PIECE_S);
      await live('stand-in', rate, (piece) => {
        const began = performance.now();
        let at = 0;
        const timer = setInterval(() => {
          const due = Math.min(samples.length, ((performance.now() - began) / 1000) * rate);
          for (; at + each <= due; at += each) piece(samples.slice(at, at + each));
          if (at + each > samples.length) clearInterval(timer);
        }, 1000 * STAND_IN_PIECE_S);
        return () => clearInterval(timer);
      });
    },
    [ear, live, machine],
  );

  const recording = useCallback(
    async (file: File) => {
      setState({ phase: 'reading', share: 0 });
      const clip = await clipOfFile(file);
      if ('problem' in clip) return setState({ phase: 'problem', says: clip.problem });
      let over = false;
      finish.current = () => {
        over = true;
        // A recording being read cannot be told to stop: its worker is ended.
        dismiss();
        setState({ phase: 'still' });
      };
      const readings = await ear().read(
        clip.samples,
        clip.rate,
        full,
        proxy((share: number) => !over && setState({ phase: 'reading', share })),
      );
      if (over) return;
      // Word of how far it is may come after the end: it is not listened to.
      over = true;
      setState({ phase: 'still' });
      told.current({ readings, clip, by: 'recording' });
    },
    [ear, dismiss, full],
  );

  return {
    state,
    microphone,
    standIn,
    recording,
    /** Enough: what was heard so far is taken. */
    enough: useCallback(() => finish.current(true), []),
    /** Left off: nothing is taken. */
    leaveOff: useCallback(() => finish.current(false), []),
  };
}
