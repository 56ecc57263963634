import type { Fault } from '../fault.ts';
import type { LeverSetup } from '../schema/generated/run-setup.ts';
import type { Motor, MotorModel, MotorPoint, Segment } from './motor.ts';
import { spoolFaults, windingRadius, windString, windingLength, type WindingStep } from './winding.ts';

/**
 * A snap-trap spring turns a lever whose tip draws a string off the drive axle.
 *
 * The lever is at the angle α; φ = atan2(H, D) is the direction from axle to pivot and ρ their distance, so that with
 * δ = α − φ the free string is span(δ) = √(L² + ρ² + 2Lρ cos δ) and its moment arm at the pivot L sin ψ = Lρ sin δ / span.
 * The path's coordinate is u = −ln tan(δ/2): sin δ = 1/cosh u, cos δ = tanh u, in which everything here is smooth.
 */
interface LeverGeometry {
  readonly length: number;
  readonly reach: number;
  readonly direction: number;
}

const geometryOf = (setup: LeverSetup): LeverGeometry => ({
  length: setup.leverLength,
  reach: Math.hypot(setup.pivotToAxle, setup.pivotAboveAxle),
  direction: Math.atan2(setup.pivotAboveAxle, setup.pivotToAxle),
});

const spanAt = (g: LeverGeometry, alpha: number): number =>
  Math.hypot(g.length * Math.sin(alpha) + g.reach * Math.sin(g.direction), g.length * Math.cos(alpha) + g.reach * Math.cos(g.direction));

/** Sine of the angle between lever and string at the lever angle `alpha`. */
const stringSine = (g: LeverGeometry, alpha: number): number => (g.reach * Math.sin(alpha - g.direction)) / spanAt(g, alpha);

/** Angle between lever and string at the lever angle `alpha`, rad, 0 … π/2. */
export const stringAngle = (setup: LeverSetup, alpha: number): number => Math.asin(Math.min(stringSine(geometryOf(setup), alpha), 1));

/** Length of free string between lever tip and axle at the lever angle `alpha` (rad), m. */
export const freeString = (setup: LeverSetup, alpha: number): number => spanAt(geometryOf(setup), alpha);

/** The string may not pull closer to the lever's own line than this, rad. */
const LEAST_STRING_ANGLE = (5 * Math.PI) / 180;

function leverFaults(setup: LeverSetup): Fault[] {
  if (setup.cockedAngle <= setup.releaseAngle)
    return [{ path: 'motor.cockedAngle', code: 'against', must: 'exceed', other: 'motor.releaseAngle' }];
  const g = geometryOf(setup);
  if (setup.releaseAngle <= g.direction) return [{ path: 'motor.releaseAngle', code: 'lever-past-line', at: 'released' }];
  if (setup.cockedAngle >= g.direction + Math.PI) return [{ path: 'motor.cockedAngle', code: 'lever-past-line', at: 'cocked' }];
  const least = Math.sin(LEAST_STRING_ANGLE);
  const others = ['motor.leverLength', 'motor.pivotToAxle'];
  const faults: Fault[] = [];
  if (stringSine(g, setup.cockedAngle) < least) faults.push({ path: 'motor.cockedAngle', code: 'lever-in-line', at: 'cocked', others });
  if (stringSine(g, setup.releaseAngle) < least) faults.push({ path: 'motor.releaseAngle', code: 'lever-in-line', at: 'released', others });
  return faults;
}

/** Energy stored by turning the spring from `low` to `high`, J: τ0 (high − low) + ½ κ (high² − low²). */
const springEnergy = (setup: LeverSetup, low: number, high: number): number =>
  (high - low) * (setup.springPreload + (setup.springRate * (high + low)) / 2);

const coordinateOf = (delta: number): number => -Math.log(Math.tan(delta / 2));

/** The coordinate at which the free string is `span` metres long. */
const coordinateAtSpan = (g: LeverGeometry, span: number): number =>
  Math.atanh((span ** 2 - g.length ** 2 - g.reach ** 2) / (2 * g.length * g.reach));

const angleAt = (g: LeverGeometry, u: number): number => g.direction + 2 * Math.atan(Math.exp(-u));

/**
 * How far a tied lever can be wound up past `from`: to where it and its string lie within the least angle of one line.
 * The sine of that angle falls throughout; by bisection.
 */
function overwoundFrom(g: LeverGeometry, from: number): number {
  let near = from;
  let far = from - 40;
  for (let step = 0; step < 60; step++) {
    const middle = (near + far) / 2;
    if (stringSine(g, angleAt(g, middle)) > Math.sin(LEAST_STRING_ANGLE) && middle < from) near = middle;
    else far = middle;
  }
  return near;
}

function makeSegment(setup: LeverSetup, g: LeverGeometry, step: WindingStep, spanEnd: number, from: number, to: number): Segment {
  const { length: L, reach, direction } = g;
  const { springPreload, springRate, springEfficiency, releaseAngle } = setup;
  const { bareRadius, growth, stringDiameter } = step.layer;
  const spanStart = spanEnd - step.start;
  const leverInertia = (setup.leverMass * L * L) / 3 + setup.armInertia;
  const [cosPhi, sinPhi] = [Math.cos(direction), Math.sin(direction)];
  const [D, H] = [reach * cosPhi, reach * sinPhi];

  const evaluate = (u: number, point: MotorPoint): void => {
    const e = Math.exp(u);
    const sinDelta = 2 / (e + 1 / e);
    const cosDelta = (e - 1 / e) / (e + 1 / e);
    const alpha = direction + 2 * Math.atan(1 / e);
    const span = Math.sqrt(L * L + reach * reach + 2 * L * reach * cosDelta);
    const arm = (L * reach * sinDelta) / span;
    const bare = Math.sqrt(bareRadius * bareRadius + growth * Math.max(spanStart - span, 0));
    const radius = bare + stringDiameter / 2;
    const gear = radius / arm;
    const armSlope = (L * reach * cosDelta + arm * arm) / span;
    const gearSlope = (-(growth * radius * arm) / (2 * bare) + radius * armSlope * gear) / (arm * arm);
    point.angleSlope = (arm * sinDelta) / radius;
    point.heldTorque = (springPreload + springRate * alpha) * gear;
    point.torque = springEfficiency * point.heldTorque;
    point.tension = point.torque / radius;
    point.directionCos = (L * (cosPhi * cosDelta - sinPhi * sinDelta) + D) / span;
    point.directionSin = (L * (sinPhi * cosDelta + cosPhi * sinDelta) + H) / span;
    point.inertia = leverInertia * gear * gear;
    point.inertiaSlope = 2 * leverInertia * gear * gearSlope;
    point.washerTorque = point.heldWasher = 0;
  };
  const storedAt = (u: number): number => springEnergy(setup, releaseAngle, angleAt(g, u));
  return { from, to, overwound: setup.release === 'tied' ? overwoundFrom(g, from) : from, angle: step.angle, evaluate, storedAt };
}

/** m of string that a full wind takes up. */
const fullString = (setup: LeverSetup): number => freeString(setup, setup.releaseAngle) - freeString(setup, setup.cockedAngle);

/** How the string of a full wind lies on the spool. */
const fullWind = (setup: LeverSetup): WindingStep[] => windString(setup.spool, setup.stringDiameter, setup.windingWidth, fullString(setup));

function leverPath(setup: LeverSetup): Motor {
  const g = geometryOf(setup);
  const spanEnd = spanAt(g, setup.releaseAngle);
  const wound = fullWind(setup);
  const first = coordinateOf(setup.cockedAngle - g.direction);
  const last = coordinateOf(setup.releaseAngle - g.direction);
  const segments = wound
    .map((step, index) => {
      const from = index === wound.length - 1 ? first : coordinateAtSpan(g, spanEnd - step.start - step.length);
      const to = index === 0 ? last : coordinateAtSpan(g, spanEnd - step.start);
      return makeSegment(setup, g, step, spanEnd, from, to);
    })
    .reverse();
  return {
    segments,
    first: 0,
    storedEnergy: springEnergy(setup, setup.releaseAngle, setup.cockedAngle),
    angle: wound.reduce((sum, step) => sum + step.angle, 0),
    efficiency: setup.springEfficiency,
    release: setup.release,
    canGoSlack: true,
    arm: null,
  };
}

/** Drive-axle turns that a full wind of this lever takes. */
export const leverTurns = (setup: LeverSetup): number => leverPath(setup).angle / (2 * Math.PI);

/** Radius at which the string of a full wind pulls at release, m. */
function leverWoundRadius(setup: LeverSetup): number {
  const last = fullWind(setup).at(-1)!;
  return windingRadius(last.layer, last.length);
}

/**
 * The lever angle (rad) reached by winding only `turns` turns of the axle from rest, the loop on its hook.
 * `turns` above a full wind gives the cocked angle.
 */
export function cockedAngleAfter(setup: LeverSetup, turns: number): number {
  const g = geometryOf(setup);
  const spanEnd = spanAt(g, setup.releaseAngle);
  const wound = fullWind(setup);
  let left = 2 * Math.PI * turns;
  let length = 0;
  for (const step of wound) {
    if (left >= step.angle) length += step.length;
    else {
      length += windingLength(step.layer, left);
      return angleAt(g, coordinateAtSpan(g, spanEnd - length));
    }
    left -= step.angle;
  }
  return setup.cockedAngle;
}

/** A snap trap and its lever, to the run model. */
export const LEVER: MotorModel<LeverSetup> = {
  least: { leverLength: 5e-3, pivotToAxle: 5e-3, springEfficiency: 0.05, windingWidth: 1e-3 },
  most: {
    leverLength: 3,
    leverMass: 5,
    armInertia: 1,
    pivotToAxle: 3,
    springPreload: 50,
    springRate: 50,
    springEfficiency: 1,
    stringDiameter: 0.02,
    windingWidth: 0.5,
  },
  isRoller: false,
  faults: (setup) => [...spoolFaults(setup.spool), ...leverFaults(setup)],
  path: leverPath,
  woundRadius: leverWoundRadius,
  stretch: () => null,
};
