import { chanceFrom } from '@rusty-wren/core/chance';
import { type MachineFacts } from '@rusty-wren/core/machine';
import {
  engineOf,
  makeOf,
  PLAIN,
  soundStream,
  type EngineState,
  type Screws,
  type SimulatedEngine,
} from '@rusty-wren/core/engine';
import { speedBand, type Screw, type TrackPoint } from '@rusty-wren/core/tuning';
import { useCallback, useEffect, useRef, useState } from 'react';
import { RATE, sourceOf } from './samples';

const PIECE_S = 0.1;
/** Sound is laid this far ahead, s, so that none of it is missed. */
const AHEAD_S = 0.15;
const KEPT_S = 20;
/** Most a screw is set from right, eighths. */
const OFF = 4;

export interface Practice {
  rpm: number;
  running: boolean;
  screws: Screws;
  track: readonly TrackPoint[];
  moves: number;
  /** Above the limit so far, s. */
  over: number;
  seconds: number;
  /** Long enough at idle and at full throttle, both in band, since the last move. */
  idleGood: boolean;
  fullGood: boolean;
}

interface Going {
  engine: SimulatedEngine;
  screws: Screws;
  states: EngineState[];
  sound: (track: readonly EngineState[]) => Float32Array<ArrayBuffer>;
  moves: number;
  over: number;
  /** Steady time in band since the last move, s. */
  idleFor: number;
  fullFor: number;
}

/** In band for so long counts, s. */
const LONG_ENOUGH_S = { idle: 4, full: 1.5 } as const;

function begin(machine: MachineFacts, seed: number): Going {
  const chance = chanceFrom(seed);
  const make = makeOf(machine, chance);
  const off = (): number => (Math.round(OFF * (2 * chance() - 1)) || 2) / 8;
  return {
    engine: engineOf(make, { seed, running: false }),
    screws: {
      L: Math.max(0.25, make.L + off()),
      H: Math.max(0.25, make.H + off()),
      stop: Math.max(0.3, make.stop + off() / 2),
    },
    states: [],
    sound: soundStream(PLAIN, RATE, seed),
    moves: 0,
    over: 0,
    idleFor: 0,
    fullFor: 0,
  };
}

/** A mistuned engine to practise on, running in real time with its sound. The same seed is the same engine. */
export function useEngine(machine: MachineFacts, seed: number) {
  const going = useRef<Going | null>(null);
  const throttle = useRef(0);
  const context = useRef<AudioContext | null>(null);
  const [shown, setShown] = useState<Practice | null>(null);

  useEffect(() => {
    const g = begin(machine, seed);
    going.current = g;
    const [idleBand, fullBand] = [speedBand('idle', machine), speedBand('full', machine)];
    const inside = (rpm: number, [low, high]: readonly [number, number]): boolean =>
      rpm >= low && rpm <= high;
    let playedTo = 0;
    const timer = setInterval(() => {
      const last = g.states.at(-1) ?? g.engine.state;
      const more = g.engine.run({ ...g.screws, throttle: throttle.current }, PIECE_S);
      g.states = [...g.states, ...more].filter((s) => s.t > g.engine.state.t - KEPT_S);
      for (const { rpm } of more) {
        const step = PIECE_S / more.length;
        if (rpm > fullBand[1]) g.over += step;
        if (throttle.current === 0)
          g.idleFor = inside(rpm, idleBand) ? g.idleFor + step : Math.max(0, g.idleFor - step);
        else if (rpm > 0.8 * fullBand[0]) g.fullFor = inside(rpm, fullBand) ? g.fullFor + step : 0;
      }
      const audio = context.current;
      if (audio) {
        const samples = g.sound([last, ...more].map((s) => (s.running ? s : { ...s, rpm: 0 })));
        playedTo = Math.max(playedTo, audio.currentTime + AHEAD_S);
        sourceOf(audio, samples).start(playedTo);
        playedTo += samples.length / RATE;
      }
      const now = g.engine.state;
      setShown({
        rpm: now.rpm,
        running: now.running,
        screws: g.screws,
        track: g.states.map((s): TrackPoint => [s.t - Math.max(0, now.t - KEPT_S), s.rpm, s.fourStroke]),
        moves: g.moves,
        over: g.over,
        seconds: now.t,
        idleGood: g.idleFor >= LONG_ENOUGH_S.idle,
        fullGood: g.fullFor >= LONG_ENOUGH_S.full,
      });
    }, 1000 * PIECE_S);
    return () => clearInterval(timer);
  }, [machine, seed]);
  useEffect(() => () => void context.current?.close(), []);

  return {
    shown,
    seconds: KEPT_S,
    /** How far the throttle is open, 0 to 1. */
    open: useCallback((share: number) => {
      throttle.current = share;
    }, []),
    turn: useCallback((screw: Screw, eighths: number) => {
      const g = going.current;
      if (!g) return;
      g.screws = { ...g.screws, [screw]: Math.max(0, g.screws[screw] + eighths / 8) };
      g.moves++;
      g.idleFor = 0;
      g.fullFor = 0;
    }, []),
    /** Pulls the cord; the first pull also lets it be heard. */
    pull: useCallback(() => {
      context.current ??= new AudioContext();
      const g = going.current;
      for (let i = 0; g && i < 4 && !g.engine.pull({ ...g.screws, throttle: 0.15 }); i++);
    }, []),
  };
}
