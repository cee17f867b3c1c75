import { chanceFrom } from '../chance';
import { type CauseId } from '../knowledge';
import { type MachineFacts } from '../machine';
import type { Ledger, TrackPoint } from '../tuning';
import { engineOf, type EngineState, type SimulatedEngine } from './engine';
import { makeOf, type EngineMake } from './make';
import type { Screws } from './runs';

/** A seed that is always the same for the same name (FNV-1a, 32 bits). */
export function seedOf(name: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < name.length; i++) hash = Math.imul(hash ^ name.charCodeAt(i), 0x01000193);
  return hash >>> 1;
}

/** How far a stand-in's screws that nobody counted are found from right, turns. */
const FOUND_OFF = { L: -0.25, H: 0.25, stop: -0.2 } as const;

/** An engine to stand in for a machine, the same for the same name. */
export function standInOf(
  machine: MachineFacts,
  name: string,
  faults: readonly CauseId[] = [],
): SimulatedEngine {
  const seed = seedOf(name);
  return engineOf(makeOf(machine, chanceFrom(seed)), { seed, faults });
}

/** Where a stand-in's screws stand by the ledger: as counted, or found a little off, and as moved since. */
export function standInScrews(make: EngineMake, { found, now, counted }: Ledger): Screws {
  const at = (screw: 'L' | 'H'): number =>
    counted.has(screw) ? now[screw] / 8 : make[screw] + FOUND_OFF[screw] + (now[screw] - found[screw]) / 8;
  return {
    L: Math.max(0, at('L')),
    H: Math.max(0, at('H')),
    stop: Math.max(0, make.stop + FOUND_OFF.stop + (now.stop - found.stop) / 8),
  };
}

/** What a tachometer would have kept of a run: its trace, and how long was listened, s. */
export function trackOf(states: readonly EngineState[]): { track: TrackPoint[]; seconds: number } {
  const began = states[0]?.t ?? 0;
  const track = states.flatMap((s): TrackPoint[] =>
    s.running && s.rpm > 1200 ? [[s.t - began, s.rpm, s.fourStroke]] : [],
  );
  return { track, seconds: (states.at(-1)?.t ?? 0) - began };
}
