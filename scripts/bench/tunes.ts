import { chanceFrom } from '@rusty-wren/core/chance';
import { type MachineFacts } from '@rusty-wren/core/machine';
import { engineOf, makeOf, PLAIN, soundOf, type Controls, type EngineState } from '@rusty-wren/core/engine';
import { HEARD, speedsOf } from '@rusty-wren/core/sound';
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

interface Tuned {
  reached: boolean;
  moves: number;
  /** A burst after the first went over the limit. */
  over: boolean;
  ends: string;
}

/** How a run is listened to: by a tachometer of 1 % noise that knows the four-stroking, or by the ear from its sound. */
type Listen = (states: readonly EngineState[], chance: () => number, full: number) => TrackPoint[];

const byTachometer: Listen = (states, chance) =>
  states
    .filter((s) => s.running && s.rpm > 1500)
    .map((s) => [s.t - states[0]!.t, s.rpm * (1 + 0.01 * (chance() + chance() - 1)), s.fourStroke]);

const RATE = 16_000;
/** What it is heard under. */
const NOISE = { kind: 'hiss', snrDb: 10 } as const;

const byEar: Listen = (states, chance, full) => {
  const began = states[0]?.t ?? 0;
  const track = states.map((s) => ({ ...s, t: s.t - began, rpm: s.running ? s.rpm : 0 }));
  const sound = soundOf(track, { ...PLAIN, noise: NOISE }, RATE, Math.floor(1e6 * chance()));
  return (speedsOf(sound, RATE, { full }) ?? [])
    .filter((r) => r.confidence >= HEARD)
    .map((r) => [r.t, r.rpm, r.fourStroke]);
};

/** One drawn mistuning brought right by the advice alone, every step listened to. */
function tuneOne(seed: number, listen: Listen, baselineTurns: number): Tuned {
  const chance = chanceFrom(9000 + seed);
  const machine = { ...MACHINES[seed % MACHINES.length]!, baselineTurns };
  // A carburettor that is right about where the school begins.
  const make = makeOf({ ...machine, spec: { baseL: baselineTurns, baseH: baselineTurns } }, chance);
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
    const states: EngineState[] = [];
    const take = (more: readonly EngineState[]): void => void states.push(...more);
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
    const seconds = states[0] ? engine.state.t - states[0].t : 0;
    const blip = readBlip(listen(states, chance, make.full), seconds);
    events.push({ ref: `h${step}`, kind: 'heard', blip });
    const ledger = ledgerOf(events);
    const advice = advise(ledger, machine);
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
  console.log(
    '\nTuning by advice: mistunings of a simulated engine (aims: 98 % in band without over-speed, 8 moves)',
  );
  for (const [name, listen, baselineTurns, some] of [
    ['tachometer, baseline 1 turn', byTachometer, 1, count],
    ['tachometer, baseline 2 turns', byTachometer, 2, count],
    ['ear at 10 dB, baseline 1 turn', byEar, 1, Math.ceil(count / 5)],
  ] as const) {
    const all = Array.from({ length: some }, (_, i) => tuneOne(i, listen, baselineTurns));
    const reached = all.filter((t) => t.reached && !t.over);
    const moves = all.map((t) => t.moves).toSorted((a, b) => a - b);
    console.log(
      `  ${name.padEnd(31)}${String(some).padStart(4)}: in band without over-speed ${((100 * reached.length) / some).toFixed(1)} %; over-speed after the first burst ${all.filter((t) => t.over).length}; moves: median ${moves[some >> 1]}, 90 % ${moves[Math.floor(0.9 * some)]}`,
    );
    if (reached.length < some)
      console.log(
        `      not: ${all
          .filter((t) => !t.reached || t.over)
          .slice(0, 6)
          .map((t) => t.ends)
          .join('; ')}`,
      );
  }
}
