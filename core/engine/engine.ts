import { chanceFrom, normalFrom } from '../chance';
import { type CauseId } from '../knowledge';
import { FLOW_POWER } from '../tuning';
import { EFFECTS, type Effects } from './faults';
import type { EngineMake } from './make';

/**
 * A mean-value model of a two-stroke single with a diaphragm carburettor. Speed x and torque are in units of the make's
 * full speed and of the torque of a full charge; mixture r is fuel to air over the best ratio.
 *
 *   charge a rev   c = A / (A + K x)            A: opening, 1 at full throttle
 *   speed          J dx/dt = torque − friction − load
 *   torque         q c η(r) (1 − 0.45 p4) × sparks  η falls off either side of r = 0.97, steeply when lean
 *   friction       F0 + F1 x + F2 x²             the fan takes the square
 *   high circuit   share h = H Q²/(Q² + Q0²)     venturi depression goes with airflow Q = c x squared; L carries the rest
 *   mixture        r = (L's flow + H's flow) / √density × metered air / all air
 *   crankcase film dw/dt = X fuel − w e(Q)/τ     wetted walls lend and borrow fuel when the throttle moves
 *   chamber        dv/dt = supply − demand       runs empty when the tank side cannot follow
 *   four-stroking  p4 = σ((r − r4)/s)            r4 rises with load: it burbles free and clears in the cut
 *
 * Mean-value engine models with wall-wetting: Hendricks and Sorenson, SAE 900616; fuel to air as 1/√density for a
 * carburettor metering by depression.
 */
const K = 0.35;
const INERTIA_S = 0.48;
const [F0, F1, F2] = [0.05, 0.06, 0.6];
const BEST = 0.97;
/** The mixture a well-set engine runs at: on the rich side of its fastest. */
const SET_RICH = 1.1;
const FILM_SHARE = 0.44;
const FILM_S = 0.08;
const Q_FULL = 0.74;
const Q_HALF_SQ = 0.04;
const HIGH_SHARE = 0.84;
/** How much of the low circuit's passage bleeds back at full throttle, and how fast it fills again, s. */
const BLED = 0.65;
const REFILL_S = 1.6;
const WARM_S = 60;
/** Torque a four-stroking turn loses: the next one burns the more. */
const FOUR_LOSES = 0.45;
/** Below this share of full speed it stalls. */
const STALL = 0.085;
const CHAMBER_S = 2.5;
const STEP_S = 0.005;
/** Idle as a share of full speed on the saw the model's venturi is sized for. */
const IDLE_OF_FULL = 0.224;

export interface Controls {
  /** 0 shut to 1 open. */
  throttle: number;
  /** Turns out from the seat; the stop: turns in. */
  L: number;
  H: number;
  stop: number;
  choke?: boolean;
  /** Torque asked by the cut, 0 none to 1 as much as it can give. */
  load?: number;
}

export interface EngineState {
  /** Seconds since it was made. */
  t: number;
  rpm: number;
  /** Fuel to air over the best ratio, in the cylinder. */
  mixture: number;
  /** Share of turns that do not fire because it is rich. */
  fourStroke: number;
  running: boolean;
  /** 0 cold to 1 warm. */
  warmth: number;
  /** What each turn burns, 1 a full cylinder. */
  charge: number;
}

export interface SimulatedEngine {
  readonly make: EngineMake;
  readonly state: EngineState;
  /** Runs on for so many seconds; what it did is returned every 20 ms. */
  run(controls: Controls, seconds: number): EngineState[];
  /** One pull of the cord: true when it fires and runs on. */
  pull(controls: Controls): boolean;
}

const sigmoid = (z: number): number => 1 / (1 + Math.exp(-z));

/** Share of the charge's torque a mixture gives: it falls off gently on the rich side, steeply on the lean one. */
function burn(r: number): number {
  const off = r - BEST;
  const fall = off > 0 ? 1.2 : 8.5;
  return Math.max(0, 1 - fall * off * off);
}

const friction = (x: number): number => F0 + F1 * x + F2 * x * x;
const charge = (opening: number, x: number): number => opening / (opening + K * x);
/** Share of four-stroking turns at a mixture under a load of 0 to 1, and a charge of 0 (idle's) to 1. */
const fourStroking = (r: number, load: number, full: number): number =>
  sigmoid((r - (1.15 + 0.3 * load)) / 0.048) * full;

/** The idle opening at which the well-set engine turns at `x`. */
function idleOpening(x: number): number {
  const c = friction(x) / burn(SET_RICH);
  return (c * K * x) / (1 - c);
}

/** The model speed at which a wide-open, well-set engine settles: its make's full speed. */
const FULL_X = ((): number => {
  let [low, high] = [0.5, 2];
  for (let i = 0; i < 50; i++) {
    const x = (low + high) / 2;
    const torque = charge(1, x) * burn(SET_RICH) * (1 - FOUR_LOSES * fourStroking(SET_RICH, 0, 1));
    if (torque > friction(x)) low = x;
    else high = x;
  }
  return low;
})();

/** Flow of a screw `turns` out when it is right at `right`. */
const flowOf = (turns: number, right: number): number =>
  SET_RICH * (Math.max(0, turns) / right) ** FLOW_POWER;

const together = (causes: readonly CauseId[]): Effects =>
  causes.reduce<Effects>((all, cause) => {
    const next = EFFECTS[cause] ?? {};
    const times = (x = 1, y = 1): number => x * y;
    return {
      ...all,
      ...next,
      lowFlow: times(all.lowFlow, next.lowFlow),
      highFlow: times(all.highFlow, next.highFlow),
      richness: times(all.richness, next.richness),
      squeeze: times(all.squeeze, next.squeeze),
      airShare: times(all.airShare, next.airShare),
      exhaustShare: times(all.exhaustShare, next.exhaustShare),
      supply: Math.min(all.supply ?? 1.6, next.supply ?? 1.6),
      leak: (all.leak ?? 0) + (next.leak ?? 0),
      weeps: (all.weeps ?? 0) + (next.weeps ?? 0),
      misfires: 1 - (1 - (all.misfires ?? 0)) * (1 - (next.misfires ?? 0)),
      misfiresHot: Math.max(all.misfiresHot ?? 0, next.misfiresHot ?? 0),
      drag: (all.drag ?? 0) + (next.drag ?? 0),
    };
  }, {});

/**
 * A simulated engine, the same for the same seed. `density` is the air's, as a fraction of standard; `warmth` 0 cold to 1
 * warm; it starts running at idle unless `running` is false.
 */
export function engineOf(
  make: EngineMake,
  {
    seed,
    faults = [],
    density = 1,
    warmth = 1,
    running = true,
  }: {
    seed: number;
    faults?: readonly CauseId[];
    density?: number;
    warmth?: number;
    running?: boolean;
  },
): SimulatedEngine {
  const chance = chanceFrom(seed);
  const normal = normalFrom(chance);
  const effects = together(faults);
  const idleX = (make.idle / make.full) * FULL_X;
  const baseOpening = idleOpening(idleX);
  // Machines idle at different shares of full speed; the model's venturi is sized for a saw's.
  const idleScale = baseOpening / idleOpening(IDLE_OF_FULL);

  let t = 0;
  let x = running ? idleX : 0;
  let film = 0.0005;
  let chamber = 1;
  let passage = 1;
  let wet = 0;
  let warm = warmth;
  let on = running;
  let r = SET_RICH;
  let p4 = 0;
  let unsteady = 0;
  let burnt = 0;
  let supply = effects.supply ?? 1.6;

  const step = (controls: Controls): void => {
    const { throttle, L, H, stop, load = 0 } = controls;
    const choke = Math.max(effects.choke ?? 0, controls.choke ? 0.9 : 0);
    const idleAir = baseOpening * (0.4 + 0.6 * (Math.max(0, stop) / make.stop));
    const metered = (idleAir + throttle ** 1.6 * (1 - idleAir)) * (1 - choke * 0.5);
    const opening = metered * (1 - (1 - (effects.airShare ?? 1)) * throttle);
    const leak = (effects.leak ?? 0) * baseOpening;
    const air = opening + leak;
    const breathes = 1 - (1 - (effects.exhaustShare ?? 1)) * Math.min(1, x);
    const c = charge(air, x) * breathes;
    const airflow = c * x * density;
    // Circuits.
    const wide = (metered / (metered + 0.12 * idleScale)) * (1 + 0.12 * idleScale);
    passage += ((1 - BLED * Math.min(1, wide) - passage) / REFILL_S) * STEP_S;
    const q = c * x;
    const high = (HIGH_SHARE * q * q) / (q * q + Q_HALF_SQ);
    const lowScrew = effects.lowScrewDead ? make.L : L;
    const highScrew = effects.highScrewDead ? make.H : H;
    const bled = Math.min(1, passage / (1 - BLED * Math.min(1, wide)));
    const low = flowOf(lowScrew, make.L) * (effects.lowFlow ?? 1) * bled;
    const main = flowOf(highScrew, make.H) * (effects.highFlow ?? 1);
    const metering =
      (((1 - high) * low + high * main) * (1 + 0.9 * choke) * (effects.richness ?? 1)) / Math.sqrt(density);
    const asked = metering * airflow * (opening / air) + (effects.weeps ?? 0);
    // The chamber: full as long as the tank side follows.
    supply = Math.max(0, supply - (effects.supplyFades ?? 0) * STEP_S * Number(x > 0.5));
    const brought = supply * Q_FULL * SET_RICH * FULL_X * Math.min(1, 0.35 + x);
    chamber = Math.min(1, Math.max(0, chamber + ((brought - asked) / CHAMBER_S) * STEP_S));
    const fuel = asked * Math.min(1, 0.35 + chamber / 0.3);
    // The film on the crankcase walls.
    const lifts = film * ((0.04 + (0.96 * q) / Q_FULL) / FILM_S);
    film += (FILM_SHARE * fuel - lifts) * STEP_S;
    // A rich idle wets the crankcase slowly; a rush of air dries it.
    wet = Math.max(0, wet + (Math.max(0, r - 1.25) / 14 - (q > 0.25 ? wet / 0.4 : wet / 40)) * STEP_S);
    warm += ((Number(on) - warm) / WARM_S) * STEP_S * (on ? 1 : 0.1);
    const vapour = 0.62 + 0.38 * Math.min(1, warm);
    r = airflow > 0 ? (((1 - FILM_SHARE) * fuel + lifts) / airflow) * vapour + wet : 0;
    // Firing.
    burnt = c;
    const full = Math.min(1, Math.max(0, (c - 0.25) / 0.3));
    p4 = fourStroking(r, load, full);
    const rough = 0.03 + 0.5 * Math.max(0, 0.86 - r) + 0.25 * Math.max(0, r - 1.35) * (1 - full);
    unsteady += (-unsteady / 0.12) * STEP_S + rough * normal() * Math.sqrt(STEP_S / 0.12);
    const missed = (effects.misfires ?? 0) + (effects.misfiresHot ?? 0) * Number(warm > 0.97);
    const sparks = 1 - Math.min(1, missed * (0.6 + 0.8 * chance()));
    const torque =
      (effects.squeeze ?? 1) * c * density * burn(r) * (1 - FOUR_LOSES * p4) * (1 + unsteady) * sparks;
    const grips = make.clutch === null || x > (make.clutch / make.full) * FULL_X ? 1 : 0;
    const asks = ((effects.drag ?? 0) + 0.55 * load * grips) * (x > 0 ? 1 : 0);
    x = Math.max(0, x + ((Number(on) * torque - friction(x) - asks) / INERTIA_S) * STEP_S);
    if (x < STALL * FULL_X) {
      on = false;
      x = Math.max(0, x - 0.02);
    }
    t += STEP_S;
  };

  const now = (): EngineState => ({
    t: Math.round(t * 1000) / 1000,
    rpm: (x / FULL_X) * make.full,
    mixture: r,
    fourStroke: p4,
    running: on,
    warmth: warm,
    charge: burnt,
  });

  return {
    make,
    get state() {
      return now();
    },
    run(controls, seconds) {
      const states: EngineState[] = [];
      const steps = Math.round(seconds / STEP_S);
      for (let i = 1; i <= steps; i++) {
        step(controls);
        if (i % 4 === 0) states.push(now());
      }
      return states;
    },
    pull(controls) {
      if (on) return true;
      on = true;
      x = 0.16 * FULL_X;
      chamber = Math.max(chamber, 0.5);
      passage = 1;
      for (let i = 0; i < 120 && on; i++) step({ ...controls, throttle: Math.max(0.05, controls.throttle) });
      return on;
    },
  };
}
