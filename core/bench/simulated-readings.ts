import { AIR_DENSITY, GRAVITY } from '../constants.ts';
import type { CarDesign } from '../car/car-design.ts';
import { hasBands, isRoller } from '../car/motors/motors.ts';
import type { Numbers } from '../car/value-table.ts';
import { axleOf } from '../car/fitted.ts';
import { likelyNumbers } from '../car/values.ts';
import { standingWeight, wheelsetOf } from '../car/weights.ts';
import { makeMotorPoint } from '../motor/motor.ts';
import { modelOf } from '../motor/motors.ts';
import { bandForce, rubberOf } from '../motor/rubber.ts';
import { randomGenerator, standardNormal } from '../numerics/low-discrepancy.ts';
import { deriveRunSetup, fullTurns } from '../predict/derive-run-setup.ts';
import { energyOnTheWay } from '../predict/energy-on-the-way.ts';
import { driftAfter } from '../predict/straightness.ts';
import { simulate } from '../run/simulate.ts';
import { coastTime } from './coast-down.ts';
import { slidingAngle } from './grip.ts';
import type { Measurement, MeasurementKind } from './measured.ts';
import { rollingOfCar } from './rolling-of-car.ts';

/** A car whose true numbers the instruments read. */
export interface HiddenBuild {
  readonly design: CarDesign;
  readonly numbers: Numbers;
  /** 1/m, to the right; rad, uphill; m each. */
  readonly curvature: number;
  readonly slope: number;
  readonly outOfTrue: number;
  readonly offCentre: number;
}

/** What a hidden car truly is, by the keys that a measurement tells. */
export type Truth = Readonly<Record<string, number>>;

/** An instrument: how far a reading of it is off by hand (standard deviation), and its division. Common practice. */
interface Instrument {
  readonly off: number;
  readonly division: number;
}
const SCALE: Instrument = { off: 0.06, division: 0.05 };
const KITCHEN: Instrument = { off: 0.002, division: 0.001 };
const BOARD: Instrument = { off: 0.02, division: Math.PI / 360 };
const RULER: Instrument = { off: 0.001, division: 0.001 };
const TAPE: Instrument = { off: 0.01, division: 0.01 };
const WATCH: Instrument = { off: 0.03, division: 0.01 };
const CALLIPER: Instrument = { off: 0.00005, division: 0.00002 };
/** How far a roll, push or run differs from the next, as a share. */
const ROLLS = 0.05;

const numbered = (count: number): number[] => Array.from({ length: count }, (_, i) => i);

/** Readings that somebody would take of a hidden car, with its truth; null of a kind that tells nothing of such a car. The same seed reads the same. */
export function simulatedReadings(
  kind: MeasurementKind,
  { design, numbers, curvature, slope, outOfTrue, offCentre }: HiddenBuild,
  seed: number,
): { readonly measurement: Measurement; readonly truth: Truth } | null {
  const random = randomGenerator(7919 * seed + 13);
  const normal = (): number => standardNormal(Math.min(Math.max(random(), 1e-9), 1 - 1e-9));
  const read = (value: number, { off, division }: Instrument): number => {
    const seen = Math.round((value + off * normal()) / division) * division;
    return Number(Math.max(seen, 0).toPrecision(8));
  };
  const differs = (value: number): number => value * (1 + ROLLS * normal());
  const { motor } = design;
  const axleDiameter = axleOf(design).diameter;
  const weight = standingWeight(design, numbers);
  const radius = design.driveWheels.diameter / 2;
  const rolling = rollingOfCar(design, numbers);
  const setup = deriveRunSetup(design, { kind: 'full' }, numbers);
  const made = (readings: object, resolution: object, truth: Truth, more: object = {}) => ({
    measurement: { format: 'nimble-axle/measurement', version: 1, kind, readings, resolution, ...more } as unknown as Measurement,
    truth,
  });
  switch (kind) {
    case 'lever-pull': {
      if (motor.kind !== 'lever') return null;
      const [preload, rate, gives] = [numbers.springPreload!, numbers.springRate!, numbers.springEfficiency!];
      const angle = numbered(9).map((i) => Number((0.2 + 0.35 * i).toFixed(3)));
      const reach = 0.05;
      const pull = (share: number) => angle.map((at) => read((share * (preload + rate * at)) / reach, SCALE));
      return made(
        { angle, force: pull(1), reach },
        { force: SCALE.division },
        { springPreload: preload, springRate: rate, springEfficiency: gives },
        { back: { angle, force: pull(gives) } },
      );
    }
    case 'band-pull': {
      if (!hasBands(motor) || setup.motor.kind === 'lever') return null;
      const rubber = rubberOf({ ...setup.motor, c1: numbers.c1!, c2: numbers.c2! });
      const stretchedLength = numbered(9).map((i) => Number(((1.3 + 0.3 * i) * rubber.length).toFixed(4)));
      const force = stretchedLength.map((length) => read(bandForce(rubber, length / rubber.length), SCALE));
      return made(
        { flatLength: rubber.length, section: rubber.section, stretchedLength, force },
        { force: SCALE.division },
        { c1: numbers.c1!, c2: numbers.c2! },
      );
    }
    case 'rim-pull': {
      const full = fullTurns(design);
      const point = makeMotorPoint();
      // A roller’s washer holds it while it is wound on.
      const lettingBack = isRoller(design);
      // Each half turn, though no more than forty of them.
      const count = Math.min(Math.max(Math.floor(2 * full), 6), 40);
      const turns = numbered(count).map((i) => Number((full * (1 - (0.95 * i) / count)).toFixed(2)));
      const pulls = turns.map((wound) => {
        const { motor: built } = deriveRunSetup(design, { kind: 'turns', turns: wound }, numbers);
        const path = modelOf(built).path(built);
        const first = path.segments[path.first]!;
        first.evaluate(first.from, point);
        return (lettingBack ? point.torque : point.heldTorque) / radius;
      });
      // A scale that is made for such a pull.
      const scale: Instrument = { off: 0.025 * Math.max(...pulls), division: 0.02 * Math.max(...pulls) };
      const force = pulls.map((pull) => read(pull, scale));
      const truth: Truth =
        motor.kind === 'lever'
          ? { springPreload: numbers.springPreload!, springRate: numbers.springRate! }
          : { c1: numbers.c1!, c2: numbers.c2! };
      return made({ turns, force, lettingBack }, { force: scale.division }, truth, { design });
    }
    case 'tilt': {
      if (isRoller(design)) return null;
      const share = weight.driveLoadShare;
      const slides = slidingAngle(numbers.staticGrip!, share, numbers.massHeight!, design.wheelbase);
      const angle = numbered(6).map(() => read(slides, BOARD));
      const readings = { angle, driveShare: share, massHeight: numbers.massHeight!, wheelbase: design.wheelbase };
      return slides < 1.4 && share > 0 ? made(readings, { angle: BOARD.division }, { staticGrip: numbers.staticGrip! }) : null;
    }
    case 'drag': {
      if (isRoller(design)) return null;
      const share = weight.driveLoadShare;
      const slides = numbers.staticGrip! * numbers.slidingRatio!;
      const force = numbered(6).map(() => read(slides * share * weight.mass * GRAVITY, { off: 0.03, division: 0.02 }));
      // What held before it slid is taken as it is thought of: nobody tilted it yet.
      const staticGrip = likelyNumbers(design).staticGrip!;
      return made({ force, mass: weight.mass, driveShare: share, staticGrip }, { force: 0.02 }, { slidingGrip: slides });
    }
    case 'ramp': {
      // On the floor that it will run on, the way it will run: how that leans is in it.
      const held = rolling + (numbers.slope ?? 0);
      if (held < 0.2 * rolling) return null;
      const run = 0.4;
      const height = Math.max(0.03, 2.5 * held);
      const distance = numbered(6).map(() => read(Math.max(0.05, differs(height / held) - run), TAPE));
      return made(
        { height: [Number(height.toFixed(3))], run, distance, mass: weight.mass },
        { distance: TAPE.division },
        { rolling: held },
      );
    }
    case 'coast': {
      const turning =
        setup.car.driveWheels.inertia / radius ** 2 +
        (setup.car.otherWheels ? setup.car.otherWheels.inertia / setup.car.otherWheels.radius ** 2 : 0);
      const all = weight.mass + turning;
      const a0 = (rolling * weight.mass * GRAVITY) / all;
      const k = (AIR_DENSITY * numbers.dragArea!) / (2 * all);
      const v0 = 1.8;
      const reach = (0.75 * Math.log1p((k / a0) * v0 ** 2)) / (2 * k);
      const marks = numbered(10).map((i) => Number(((reach * (i + 1)) / 10).toFixed(2)));
      const times = marks.map((mark) => read(coastTime(v0, a0, k, mark), WATCH));
      return made({ marks, times, air: k, mass: weight.mass, turning }, { times: WATCH.division }, { a0 });
    }
    case 'free-spin': {
      const set = wheelsetOf(design, 'drive', numbers.driveWheelDensity!)!;
      const turns = [60, 80, 70, 90, 75, 65];
      const { inertia, mass, journalRadius } = set;
      const time = turns.map((count) =>
        read(Math.sqrt((4 * Math.PI * count * inertia) / (differs(numbers.bearingFriction!) * journalRadius * mass * GRAVITY)), WATCH),
      );
      return made({ inertia, mass, journalRadius, turns, time }, { time: WATCH.division }, { bearingFriction: numbers.bearingFriction! });
    }
    case 'roll-out': {
      const turns = [3, 4, 5, 6, 5];
      const length = turns.map((count) => read(2 * Math.PI * radius * count, { off: 0.004 * Math.sqrt(count), division: 0.001 }));
      return made({ turns, length }, { length: RULER.division }, { radius });
    }
    case 'wobble': {
      const rim: Instrument = { off: 0.0004, division: 0.0002 };
      const inOut = numbered(6).map(() => read(2 * radius * outOfTrue, rim));
      const upDown = numbered(6).map(() => read(2 * offCentre, rim));
      return made({ inOut, upDown, radius }, { inOut: rim.division, upDown: rim.division }, { outOfTrue, offCentre });
    }
    case 'weights': {
      if (isRoller(design)) return null;
      const { mass, driveLoadShare: share } = weight;
      const height = 0.3 * design.wheelbase;
      const tangent = Math.tan(Math.asin(0.3));
      const up = mass * (share + ((numbers.massHeight! - radius) / design.wheelbase) * tangent);
      const four = (value: number) => numbered(4).map(() => read(value, KITCHEN));
      const { division } = KITCHEN;
      return made(
        { drive: four(mass * share), other: four(mass * (1 - share)), raised: four(up), height, wheelbase: design.wheelbase, radius },
        { drive: division, other: division, raised: division },
        { mass, driveShare: share, massHeight: numbers.massHeight! },
      );
    }
    case 'thread': {
      const thickness = 0.0003;
      const turns = [10, 12, 15, 20, 12];
      const length = turns.map((count) =>
        read(Math.PI * count * (axleDiameter + thickness), { off: 0.0015 * Math.sqrt(count / 10), division: 0.001 }),
      );
      return made({ turns, length, thickness }, { length: RULER.division }, { axleDiameter: axleDiameter });
    }
    case 'tape': {
      const thickness = 0.00013;
      const wraps = 12;
      const five = (value: number) => numbered(5).map(() => read(value, CALLIPER));
      const { division } = CALLIPER;
      return made(
        { before: five(axleDiameter), after: five(axleDiameter + 2 * wraps * thickness), wraps },
        { before: division, after: division },
        { tapeThickness: thickness },
      );
    }
    case 'push': {
      const ways = numbered(8).map((i) => (i % 2 === 0 ? 'out' : 'back') as 'out' | 'back');
      const ofFloor = 0.004;
      const drift = ways.map((way) => {
        const aside = driftAfter(curvature + (way === 'out' ? ofFloor : -ofFloor), 4) + 0.06 * normal();
        return Number((Math.round(aside / 0.01) * 0.01).toFixed(2));
      });
      return made({ drift, distance: ways.map(() => 4), direction: ways }, { drift: 0.01 }, { curvature, ofFloor });
    }
    case 'level': {
      // Runs of the car itself, which tell nothing of how they are reckoned with; the energy as the builder’s model says it.
      const energy = energyOnTheWay(design);
      const reach = (way: 1 | -1): number => {
        const run = simulate(deriveRunSetup(design, { kind: 'full' }, { ...numbers, slope: way * slope }));
        return run.kind === 'ran' ? run.result.distance : 0;
      };
      const [out, home] = [reach(1), reach(-1)];
      if (energy === null || !(out > 0.5 && home > 0.5) || Math.max(out, home) > 3 * Math.min(out, home)) return null;
      const six = (way: number) => numbered(6).map(() => read(differs(way), TAPE));
      return made({ out: six(out), back: six(home), energy, mass: weight.mass }, { out: TAPE.division, back: TAPE.division }, { slope });
    }
  }
}
