import type { CarDesign } from '../car/car-design.ts';
import { BEARINGS, TYRES } from '../car/catalogue.ts';
import { hasBands, isRoller } from '../car/motors/motors.ts';
import { valueOf } from '../car/values.ts';
import { standingWeight } from '../car/weights.ts';
import { GRAVITY } from '../constants.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { nextRun, RUN_SCATTER, runScatter } from '../predict/next-run.ts';
import { predictRun } from '../predict/predict-run.ts';
import { curvatureOf, likelyCurvature } from '../predict/straightness.ts';
import { windingState } from '../trials/winding-state.ts';
import { energyShare } from '../run/energy.ts';
import type { RunResult } from '../run/simulate.ts';
import { type Format, formatAbout, formatIn, type UnitSystem } from '../units/quantity.ts';
import { DRIFT_WAY, figuresOf, type CarFigure } from './measured-car.ts';
import type { TermId } from './glossary-terms.ts';

/** What a word’s number is found from. */
interface Known {
  readonly design: CarDesign;
  readonly result: RunResult;
  readonly figures: Readonly<Record<CarFigure, number>>;
  readonly format: Format;
  readonly about: (value: number, quantity: 'distance') => string;
}

const NONE = 'not on this car';
const fraction = (value: number): string => `${Math.round(100 * value)} %`;
const two = (value: number): string => String(Number(value.toPrecision(2)));

/** Each word’s number on a car that runs. */
const NUMBERS: Readonly<Record<TermId, (known: Known) => string>> = {
  'air-drag': ({ result }) => `${fraction(energyShare(result, 'air'))} of its energy`,
  ballast: ({ design: { ballast }, format }) => (ballast.mass > 0 ? format(ballast.mass, 'weight') : NONE),
  bearing: ({ design }) =>
    isRoller(design) ? NONE : `${BEARINGS[design.bearing].label}: friction ${two(valueOf(design, 'bearingFriction').value)}`,
  'cocked-angle': ({ design: { motor } }) => (motor.kind === 'lever' ? `${Math.round((motor.cockedAngle * 180) / Math.PI)}°` : NONE),
  coasting: ({ result, about }) =>
    result.powerEndDistance === null ? 'none' : about(result.distance - result.powerEndDistance, 'distance'),
  friction: ({ design }) => two(valueOf(design, 'staticGrip').value),
  censored: ({ design: { floor }, figures, format }) =>
    floor.roomLength === null
      ? 'its floor has no wall'
      : figures.distance > floor.roomLength
        ? `likely: the wall is at ${format(floor.roomLength, 'distance')}`
        : `unlikely: the wall is at ${format(floor.roomLength, 'distance')}`,
  interval: ({ design, figures, about }) => {
    const { low, high } = nextRun(figures.distance, runScatter(design));
    return `Next run: ${about(low, 'distance')} to ${about(high, 'distance')} (8 in 10)`;
  },
  'moment-arm': ({ design, format }) =>
    `${format(Math.max(design.axleDiameter, ...design.sleeve.map(({ diameter }) => diameter)) / 2, 'size')} at the axle, including what is wound on it`,
  preload: ({ design }) => (design.motor.kind === 'lever' ? `${two(valueOf(design, 'springPreload').value)} N·m` : NONE),
  'spring-rate': ({ design }) => (design.motor.kind === 'lever' ? `${two(valueOf(design, 'springRate').value)} N·m/rad` : NONE),
  stretch: ({ design }) =>
    hasBands(design.motor) ? `${two(windingState(design, fullTurns(design))?.stretch ?? 1)} times its length, fully wound` : NONE,
  tension: ({ result, format }) => `up to ${format.predicted(Math.max(0, ...(result.trace?.tension ?? [0])), 'force')}`,
  curvature: ({ design }) => `${two(Math.abs(curvatureOf(design)) + likelyCurvature(design))} 1/m`,
  drift: ({ figures, format }) => `${format.predicted(figures.drift, 'distance')} after ${DRIFT_WAY} m, built like this`,
  'drive-axle': ({ design, format }) => `⌀ ${format(design.axleDiameter, 'size')}`,
  'end-play': ({ design, format }) => (isRoller(design) ? NONE : format(design.endPlay, 'size')),
  energy: ({ figures, format }) => format.predicted(figures.energy, 'energy'),
  hysteresis: ({ result }) => `${fraction(energyShare(result, 'hysteresis'))} of its energy`,
  inertia: ({ design, format }) => `${format(standingWeight(design).mass, 'weight')} to get moving`,
  'kinetic-energy': ({ design, figures, format }) =>
    `${format.predicted((standingWeight(design).mass * figures.speed ** 2) / 2, 'energy')} at its top speed`,
  lever: ({ design: { motor }, format }) => (motor.kind === 'lever' ? format(motor.leverLength, 'size') : NONE),
  advantage: ({ design }) => `1 : ${two(design.driveWheels.diameter / design.axleDiameter)} from axle to rim`,
  'normal-load': ({ design, format }) => {
    const { mass, driveLoadShare } = standingWeight(design);
    return `${format(mass * driveLoadShare * GRAVITY, 'force')} on the drive wheels`;
  },
  overhang: ({ design, format }) => (isRoller(design) ? NONE : format(design.body.overhang, 'size')),
  pull: ({ figures, format }) => `${format.predicted(figures.pull, 'force')} at the launch`,
  rolling: ({ result }) => `${fraction(energyShare(result, 'rolling'))} of its energy`,
  sleeve: ({ design: { sleeve }, format }) => (sleeve.length > 0 ? `⌀ ${format(sleeve.at(-1)!.diameter, 'size')}` : NONE),
  slip: ({ figures, format }) => format.predicted(figures.wheelspin, 'distance'),
  stall: ({ result }) => (result.turnsLeft > 0 ? `it stops with ${two(result.turnsLeft)} turns left` : 'no: it unwinds fully'),
  scatter: ({ figures, about }) => `${about(RUN_SCATTER * figures.distance, 'distance')}, until its runs say otherwise`,
  toe: ({ design: { alignment } }) =>
    `drive axle ${two((alignment.driveToe * 180) / Math.PI)}°, other ${two((alignment.otherToe * 180) / Math.PI)}°`,
  'top-speed': ({ figures, format }) => format.predicted(figures.speed, 'speed'),
  torque: ({ design, figures }) => `${two((figures.pull * design.driveWheels.diameter) / 2)} N·m at the drive axle`,
  'track-width': ({ design, format }) => (isRoller(design) ? NONE : format(design.trackWidth, 'size')),
  tyre: ({ design }) => (isRoller(design) ? NONE : TYRES[design.tyre].label),
  wheelbase: ({ design, format }) => (isRoller(design) ? NONE : format(design.wheelbase, 'size')),
  winding: ({ design }) => `${Number(fullTurns(design).toFixed(1))} turns fully wound`,
};

/** A word’s number on this car; a dash where the car does not run. */
export function glossaryNumbers(design: CarDesign, units: UnitSystem): (id: TermId) => string {
  const prediction = predictRun(design, { kind: 'full' }, { trace: true });
  const figures = figuresOf(design);
  if (prediction.kind === 'refused' || !figures) return () => '–';
  const known: Known = {
    design,
    result: prediction.result,
    figures,
    format: formatIn(units),
    about: (value, quantity) => formatAbout(value, quantity, units),
  };
  return (id) => NUMBERS[id](known);
}
