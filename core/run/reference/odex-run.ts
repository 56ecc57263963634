import { AIR_DENSITY, GRAVITY } from '../../constants.ts';
import { makeMotorPoint } from '../../motor/motor.ts';
import { motorOf, type RunSetup, type SurfaceSetup } from '../run-setup.ts';

/** The part of odex used here. Its package ships sources that are not strict TypeScript, so they are kept from the compiler. */
interface OdexSolver {
  denseOutput: boolean;
  initialStepSize: number;
  maxSteps: number;
  relativeTolerance: number;
  absoluteTolerance: number;
  solve(
    derivative: (t: number, y: number[]) => number[],
    start: number,
    y: number[],
    end: number,
    output: (step: number, before: number, now: number, y: number[], dense: (part: number, at: number) => number) => boolean | undefined,
  ): { y: number[] };
}
const odex: string = 'odex';
const { Solver } = (await import(odex)) as { Solver: new (size: number) => OdexSolver };

/**
 * The same equations of motion stepped plainly in time by an independent solver: odex (npm), after Hairer & Wanner's
 * ODEX. Nothing of how `simulate` solves them is used here; only the motor's pull over its path is shared.
 */
export interface OdexRun {
  readonly distance: number;
  readonly time: number;
  readonly topSpeed: number;
  readonly slipDistance: number;
  readonly ended: 'stopped' | 'stalled' | 'limit';
}

type Values = readonly number[];
interface Event {
  readonly name: string;
  readonly value: (y: Values) => number;
}

const [X, V, SPIN, U, SLID] = [0, 1, 2, 3, 4];

interface Found {
  readonly name: string;
  readonly time: number;
  readonly y: number[];
}

const SAMPLES = 16;

/** Integrates until an event's value falls below zero (once it has been above), or `end`. */
function untilEvent(
  derivative: (y: number[]) => number[],
  start: number[],
  from: number,
  end: number,
  tolerance: number,
  events: readonly Event[],
) {
  const solver = new Solver(start.length);
  solver.denseOutput = true;
  solver.initialStepSize = 1e-4;
  solver.maxSteps = 200_000;
  solver.relativeTolerance = tolerance;
  solver.absoluteTolerance = tolerance / 100;
  const armed = events.map(({ value }) => value(start) > 1e-12);
  let previous = start;
  let found: Found | null = null;
  let fastest = start[V]!;
  const last = solver.solve(
    (_t, y) => derivative(y),
    from,
    start,
    end,
    (step, before, now, y, dense) => {
      if (step === 1) return undefined;
      const at = (t: number): number[] => (t >= now ? [...y] : t <= before ? [...previous] : start.map((_, i) => dense(i, t)));
      // Steps can be long: an event may come and go within one, and the top speed lie inside.
      const sampleTimes = Array.from({ length: SAMPLES + 1 }, (_, k) => before + ((now - before) * k) / SAMPLES);
      const samples = sampleTimes.map(at);
      let first = Infinity;
      events.forEach(({ name, value }, i) => {
        for (let k = 1; k <= SAMPLES && sampleTimes[k - 1]! < first; k++) {
          if (value(samples[k]!) >= 0) {
            armed[i] ||= value(samples[k]!) > 1e-12;
            continue;
          }
          let [low, high] = [sampleTimes[k - 1]!, sampleTimes[k]!];
          if (!armed[i]) {
            // Began at zero: an event only once it has been above.
            const probe = [0.05, 0.2, 0.5].map((part) => low + part * (high - low)).find((t) => value(at(t)) > 0);
            if (probe === undefined) high = low;
            else low = probe;
          }
          while (high - low > 1e-13 * Math.max(1, high)) {
            const middle = (low + high) / 2;
            if (value(at(middle)) < 0) high = middle;
            else low = middle;
          }
          if (high < first) {
            first = high;
            found = { name, time: high, y: at(high) };
          }
          break;
        }
      });
      fastest = Math.max(
        fastest,
        topSpeedOf((t) => at(t)[V]!, before, found ? first : now),
      );
      previous = [...y];
      return found ? false : undefined;
    },
  );
  return { ...((found as Found | null) ?? { name: 'limit', time: end, y: last.y }), topSpeed: fastest };
}

/** The greatest value on an interval, by sampling and golden section about the largest sample. */
function topSpeedOf(speedAt: (t: number) => number, from: number, to: number): number {
  const place = (k: number): number => from + ((to - from) * Math.min(Math.max(k, 0), SAMPLES)) / SAMPLES;
  let best = 0;
  for (let k = 1; k <= SAMPLES; k++) if (speedAt(place(k)) > speedAt(place(best))) best = k;
  let [low, high] = [place(best - 1), place(best + 1)];
  for (let k = 0; k < 40; k++) {
    const [a, b] = [high - 0.618 * (high - low), low + 0.618 * (high - low)];
    if (speedAt(a) > speedAt(b)) high = b;
    else low = a;
  }
  return Math.max(speedAt(place(best)), speedAt((low + high) / 2));
}

/**
 * The same run by ODEX (Hairer & Wanner) on the same equations, stepping time. `tolerance`: relative and absolute, of the integrator.
 * `growth`: what the model lacks, s/m: share by which rolling resists more for each m/s; 0 by default.
 */
export function odexRun(setup: RunSetup, tolerance = 1e-10, growth = 0): OdexRun {
  const { car } = setup;
  const grown = (v: number): number => 1 + growth * v;
  const motor = motorOf(setup);
  const drive = car.driveWheels;
  const R = drive.radius;
  const stretches = [...(setup.stretches ?? [])];
  let surface: SurfaceSetup = setup.surface;
  let [weight, climb, rest, crrOther, otherBearing] = [0, 0, 0, 0, 0];
  const lean = car.otherWheels ? ((car.driveAxle === 'rear' ? 1 : -1) * car.massHeight) / car.wheelbase : 0;
  const loadAt = (a: number): number => (car.otherWheels ? car.driveLoadShare * weight + lean * (car.mass * a + climb) : weight);
  const held = (load: number): number => Math.min(Math.max(load, 0), weight);
  const hanging = (load: number, mass: number): number => Math.max(0, load - mass * GRAVITY * Math.cos(surface.slope));
  const other = car.otherWheels;
  /** Comes to another floor: all of it changes at once. */
  const enter = (next: SurfaceSetup): void => {
    surface = next;
    weight = car.mass * GRAVITY * Math.cos(surface.slope);
    climb = car.mass * GRAVITY * Math.sin(surface.slope);
    rest = held(loadAt(0));
    crrOther = other ? surface.rollingResistanceOther! : 0;
    otherBearing = other ? (car.bearingFriction * other.journalRadius * hanging(weight - rest, other.mass)) / other.radius : 0;
  };
  enter(setup.surface);
  const towed = car.mass + (other ? other.inertia / other.radius ** 2 : 0);
  const against = (v: number): number => otherBearing + 0.5 * AIR_DENSITY * car.dragArea * v * v + climb;

  const armAt = (torque: number): number => (motor.arm ? Math.abs(torque) / (motor.arm.length + motor.arm.friction * R) : 0);
  const armDrag = (torque: number): number => (motor.arm?.friction ?? 0) * armAt(torque);

  let segment = motor.first;
  let phase: 'unwinding' | 'rewinding' | 'gone' = 'unwinding';
  const point = makeMotorPoint();
  const goalOf = (): number => {
    const present = motor.segments[segment]!;
    return phase === 'unwinding' ? present.to : segment === 0 ? present.overwound : present.from;
  };
  const onwardOf = (): number => (phase === 'unwinding' ? 1 : -1) * Math.sign(motor.segments[0]!.to - motor.segments[0]!.from);
  const pull = (u: number) => {
    if (phase === 'gone') return { torque: 0, bearing: bearingAt(0, 1, 0), inertia: 0, slope: 0, turn: 1 };
    // Past the end of a segment a trial step finds the pull of its end.
    motor.segments[segment]!.evaluate((goalOf() - u) * onwardOf() < 0 ? goalOf() : u, point);
    const back = phase === 'rewinding';
    const tension = back ? point.tension / motor.efficiency : point.tension;
    return {
      torque: back ? -(point.heldTorque + point.heldWasher) : point.torque,
      bearing: bearingAt(tension, point.directionCos, point.directionSin),
      inertia: point.inertia,
      slope: back ? -point.inertiaSlope : point.inertiaSlope,
      turn: back ? -point.angleSlope : point.angleSlope,
    };
  };
  const bearingAt = (T: number, cos: number, sin: number): number =>
    (motor.arm ? 0 : car.bearingFriction) * drive.journalRadius * Math.hypot(T * cos, hanging(rest, drive.mass) + T * sin);

  /** The load and acceleration that agree, where `accelerationAt` is linear in the load. */
  const agreed = (accelerationAt: (load: number) => number): { load: number; a: number } => {
    const at0 = accelerationAt(0);
    const perLoad = (accelerationAt(weight) - at0) / weight;
    const gain = lean * car.mass * perLoad;
    const load = gain >= 1 ? weight : held((loadAt(0) + lean * car.mass * at0) / (1 - gain));
    return { load, a: accelerationAt(load) };
  };
  const rolling = (u: number, v: number) => {
    const p = pull(u);
    const mass = towed + (drive.inertia + p.inertia) / (R * R);
    const { load, a } = agreed(
      (N) =>
        ((p.torque - p.bearing) / R -
          grown(v) * surface.rollingResistanceDrive * Math.max(0, N - armAt(p.torque)) -
          armDrag(p.torque) -
          grown(v) * crrOther * (weight - N) -
          against(v) -
          (0.5 * p.slope * v * v) / R ** 3) /
        mass,
    );
    return {
      ...p,
      a,
      load: Math.max(0, load - armAt(p.torque)),
      force: towed * a + armDrag(p.torque) + grown(v) * crrOther * (weight - load) + against(v),
    };
  };
  const sliding = (u: number, v: number, spin: number, direction: number) => {
    const p = pull(u);
    const { load, a } = agreed(
      (N) =>
        (direction * surface.slidingGrip * Math.max(0, N - armAt(p.torque)) -
          grown(v) * crrOther * (weight - N) -
          armDrag(p.torque) -
          against(v)) /
        towed,
    );
    const tyreLoad = Math.max(0, load - armAt(p.torque));
    const spinUp =
      (p.torque -
        p.bearing -
        grown(v) * surface.rollingResistanceDrive * tyreLoad * R -
        direction * surface.slidingGrip * tyreLoad * R -
        0.5 * p.slope * spin * spin) /
      (drive.inertia + p.inertia);
    return { ...p, a, spinUp };
  };

  let y = [0, 0, 0, motor.segments[segment]!.from, 0];
  let time = 0;
  let topSpeed = 0;
  let regime: 'roll' | 'slide' = 'roll';
  let direction = 1;
  let wheelHeld = false;
  const decide = (): void => {
    const r = rolling(y[U]!, y[V]!);
    const holds = Math.abs(r.force) <= surface.staticGrip * r.load;
    regime = holds ? 'roll' : 'slide';
    if (!holds) direction = r.force > 0 ? 1 : -1;
  };
  const result = (ended: OdexRun['ended']): OdexRun => ({ distance: y[X]!, time, topSpeed, slipDistance: y[SLID]!, ended });
  decide();
  if ((regime === 'roll' ? rolling(y[U]!, 0).a : sliding(y[U]!, 0, 0, direction).a) <= 0) return result('stalled');

  for (let k = 0; k < 2000; k++) {
    const goal = goalOf();
    const onward = onwardOf();
    const events: Event[] = [
      { name: 'stop', value: (s) => s[V]! },
      { name: 'limit', value: (s) => 1000 - s[X]! },
    ];
    const [ahead] = stretches;
    if (ahead) events.push({ name: 'floor', value: (s) => ahead.from - s[X]! });
    if (phase !== 'gone' && !wheelHeld) events.push({ name: 'segment', value: (s) => onward * (goal - s[U]!) });
    const isRolling = (regime as string) === 'roll';
    if (motor.canGoSlack && phase === 'unwinding')
      events.push({
        name: 'slack',
        value: (s) => {
          const r = isRolling ? rolling(s[U]!, s[V]!) : sliding(s[U]!, s[V]!, s[SPIN]!, direction);
          const spinUp = 'spinUp' in r ? r.spinUp : r.a / R;
          return r.torque - r.inertia * spinUp - 0.5 * r.slope * (isRolling ? s[V]! / R : s[SPIN]!) ** 2;
        },
      });
    if (isRolling)
      events.push({
        name: 'slip',
        value: (s) => {
          const r = rolling(s[U]!, s[V]!);
          return surface.staticGrip * r.load - Math.abs(r.force);
        },
      });
    else if (!wheelHeld) {
      events.push({ name: 'together', value: (s) => direction * (R * s[SPIN]! - s[V]!) });
      events.push({ name: 'held', value: (s) => s[SPIN]! });
    }
    const derivative = (s: number[]): number[] => {
      if (isRolling) {
        const r = rolling(s[U]!, s[V]!);
        return [s[V]!, r.a, r.a / R, phase === 'gone' ? 0 : s[V]! / R / r.turn, 0];
      }
      const spin = wheelHeld ? 0 : s[SPIN]!;
      const r = sliding(s[U]!, s[V]!, spin, direction);
      return [s[V]!, r.a, wheelHeld ? 0 : r.spinUp, phase === 'gone' || wheelHeld ? 0 : spin / r.turn, direction * (R * spin - s[V]!)];
    };
    const end = untilEvent(derivative, y, time, 600, tolerance, events);
    topSpeed = Math.max(topSpeed, end.topSpeed);
    y = end.y;
    time = end.time;
    if (end.name === 'limit') return result('limit');
    if (end.name === 'stop') return result('stopped');
    if (end.name === 'floor') {
      y[X] = ahead!.from;
      enter(stretches.shift()!);
    }
    if (end.name === 'held') wheelHeld = true;
    if (end.name === 'slack') phase = 'gone';
    if (end.name === 'segment') {
      y[U] = goal;
      const before = pull(goal).inertia;
      if (phase === 'rewinding') segment--;
      else if (segment < motor.segments.length - 1) segment++;
      else phase = motor.release === 'tied' ? 'rewinding' : 'gone';
      if (segment < 0) {
        // Wound up as far as it goes: the wheel is stopped dead.
        segment = 0;
        wheelHeld = true;
        regime = 'slide';
        direction = -1;
        y[SPIN] = 0;
        continue;
      }
      if (phase !== 'gone') {
        const next = motor.segments[segment]!;
        y[U] = phase === 'rewinding' ? next.to : next.from;
        const after = pull(y[U]!).inertia;
        const mass = (inertia: number): number => (isRolling ? towed * R * R : 0) + drive.inertia + inertia;
        const factor = Math.sqrt(mass(before) / mass(after));
        y[SPIN] = y[SPIN]! * factor;
        if (isRolling) y[V] = y[V]! * factor;
      }
    }
    if (isRolling || end.name === 'together') {
      y[SPIN] = y[V]! / R;
      wheelHeld = false;
      decide();
    }
  }
  throw new Error('too many changes of regime');
}
