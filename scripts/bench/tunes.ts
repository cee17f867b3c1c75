import { chanceFrom, type MachineFacts } from '@rusty-wren/core/diagnosis';
import { engineOf, makeOf, type Controls, type EngineState } from '@rusty-wren/core/engine';
import {
  advise,
  ledgerOf,
  readBlip,
  speedBand,
  type LedgerEvent,
  type TrackPoint,
} from '@rusty-wren/core/tuning';

const MACHINES: readonly MachineFacts[] = [
  { kind: 'chainsaw', displacementCc: 45 },
  { kind: 'chainsaw', displacementCc: 60 },
  { kind: 'trimmer', displacementCc: 25 },
  { kind: 'hedge-trimmer', displacementCc: 24 },
  { kind: 'blower', displacementCc: 26 },
];
const MOST_MOVES = 30;
/** Most a screw is found from its right place, eighths; the stop as a share. */
const OFF_EIGHTHS = 4;

export interface Tuned {
  reached: boolean;
  moves: number;
  /** A burst after the first went over the limit. */
  over: boolean;
  ends: string;
}

/** One drawn mistuning brought right by the advice alone, every step listened to by a tachometer of 1 % noise. */
export function tuneOne(seed: number, log?: (line: string) => void): Tuned {
  const chance = chanceFrom(9000 + seed);
  const machine = MACHINES[seed % MACHINES.length]!;
  const make = makeOf(machine, chance);
  const off = (): number => Math.round(OFF_EIGHTHS * (2 * chance() - 1)) / 8;
  const at = {
    L: Math.max(0.25, make.L + off()),
    H: Math.max(0.25, make.H + off()),
    stop: 0.6 + 0.9 * chance(),
  };
  const engine = engineOf(make, { seed });
  const [, limit] = speedBand('full', machine);
  const events: LedgerEvent[] = [
    // Counted to the nearest eighth, as a hand does it.
    { ref: '0', kind: 'count', turns: { L: Math.round(8 * at.L) / 8, H: Math.round(8 * at.H) / 8 } },
  ];
  let over = false;
  let bursts = 0;
  for (let step = 0; ; step++) {
    // What can be said before it is started: a screw far in.
    const before = step === 0 ? advise(ledgerOf(events), machine) : null;
    if (before?.kind === 'turn') {
      at[before.move.screw] += before.move.eighths / 8;
      events.push({ ref: 'b', kind: 'move', ...before.move });
    }
    const track: TrackPoint[] = [];
    let began: number | null = null;
    const take = (states: readonly EngineState[]): void => {
      for (const { t, rpm, fourStroke, running } of states) {
        began ??= t;
        if (running && rpm > 1500)
          track.push([t - began, rpm * (1 + 0.01 * (chance() + chance() - 1)), fourStroke]);
      }
    };
    const controls: Controls = { ...at, throttle: 0 };
    if (!engine.state.running) for (let i = 0; i < 6 && !engine.pull({ ...controls, throttle: 0.15 }); i++);
    // Let settle, held if it will not idle by itself.
    engine.run({ ...controls, throttle: 0 }, 3);
    take(engine.run(controls, 8));
    if (engine.state.running) {
      for (let i = 0; i < 40; i++) {
        take(engine.run({ ...controls, throttle: 1 }, 0.1));
        if (engine.state.rpm > 1.01 * limit) {
          if (bursts > 0) over = true;
          break;
        }
      }
      bursts++;
      take(engine.run(controls, 6));
    }
    const seconds = began === null ? 0 : engine.state.t - began;
    const blip = readBlip(track, seconds);
    events.push({ ref: `h${step}`, kind: 'heard', blip });
    const ledger = ledgerOf(events);
    const advice = advise(ledger, machine);
    log?.(
      `L ${(at.L - make.L).toFixed(2)} H ${(at.H - make.H).toFixed(2)} stop ${at.stop.toFixed(2)} idle ${blip.idle?.mean.toFixed(0)} drift ${blip.idle?.drift.toFixed(1)} dip ${blip.snap?.dip.toFixed(0)} rise ${blip.snap?.rise.toFixed(2)} full ${blip.full?.mean.toFixed(0)} most ${blip.full?.most.toFixed(0)} four ${blip.full?.fourStroke.toFixed(2)} under ${blip.back?.undershoot.toFixed(0)} hang ${blip.back?.hang?.toFixed(1)} stalled ${blip.back?.stalled} -> ${JSON.stringify(advice.kind === 'turn' ? { ...advice.move, why: advice.why } : advice)}`,
    );
    const moves = ledger.lines.length;
    if (advice.kind !== 'turn' || moves >= MOST_MOVES) {
      const [idle, full] = [speedBand('idle', machine), speedBand('full', machine)];
      // Judged by the engine itself, without noise.
      const steady = engine.state.running ? engine.run(controls, 6) : [];
      const idles = steady.slice(-150).reduce((s, p) => s + p.rpm, 0) / 150;
      const top = steady.length ? engine.run({ ...controls, throttle: 1 }, 4).at(-1)!.rpm : 0;
      const inside = (v: number, band: readonly [number, number]): boolean =>
        v >= band[0] * 0.995 && v <= band[1] * 1.005;
      return {
        reached: advice.kind === 'done' && inside(idles, idle) && inside(top, full),
        moves,
        over,
        ends: `${advice.kind} idle ${idles.toFixed(0)} full ${top.toFixed(0)}`,
      };
    }
    const { screw, eighths } = advice.move;
    at[screw] = Math.max(0.05, at[screw] + eighths / 8);
    events.push({ ref: `m${step}`, kind: 'move', screw, eighths });
  }
}

/** How many of so many mistunings the advice brings into the bands, in how many moves, and without over-speed. */
export function tunes(count: number): void {
  const all = Array.from({ length: count }, (_, i) => tuneOne(i));
  const reached = all.filter((t) => t.reached && !t.over);
  const moves = all.map((t) => t.moves).toSorted((a, b) => a - b);
  console.log(
    `\nTuning by advice: ${count} mistunings of a simulated engine (aims: 98 % in band without over-speed, 8 moves)`,
  );
  console.log(
    `  in band without over-speed ${((100 * reached.length) / count).toFixed(1)} %; in band ${((100 * all.filter((t) => t.reached).length) / count).toFixed(1)} %; over-speed after the first burst ${all.filter((t) => t.over).length}; moves: median ${moves[count >> 1]}, 90 % ${moves[Math.floor(0.9 * count)]}`,
  );
}
