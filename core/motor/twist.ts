import { bisect } from '../numerics/bisect.ts';
import type { TwistSetup } from '../schema/generated/run-setup.ts';
import type { Motor, MotorModel, MotorPoint, Segment } from './motor.ts';
import { bandForce, energyDensity, LEAST_RUBBER, MOST_RUBBER, rubberOf, type Rubber } from './rubber.ts';

/**
 * A twisted band inside a roller. Both of its ends are held: untwisted, it is twisted the other way, and brakes. Twisted by ψ its strands are helices at two thirds of the bundle's radius, at constant
 * volume: λ³S² − ℓ²λ = kψ², k = (4/9)A/π. With λ = λ0 + u², λ0 = ℓ/S, that is ψ = u S √(λ(λ + λ0)/k), smooth in u.
 */
interface Bundle {
  readonly rubber: Rubber;
  readonly untwisted: number;
  readonly k: number;
}

const bundleOf = (setup: TwistSetup): Bundle => {
  const rubber = rubberOf(setup);
  return { rubber, untwisted: setup.hookToHook / rubber.length, k: ((4 / 9) * rubber.section) / Math.PI };
};

const twistAt = ({ rubber, untwisted, k }: Bundle, u: number): number => {
  const stretch = untwisted + u * u;
  return u * rubber.length * Math.sqrt((stretch * (stretch + untwisted)) / k);
};

/** dψ/du. */
const twistSlope = ({ rubber, untwisted, k }: Bundle, u: number): number => {
  const stretch = untwisted + u * u;
  const g = Math.sqrt(stretch * (stretch + untwisted));
  return (rubber.length / Math.sqrt(k)) * (g + (u * u * (2 * stretch + untwisted)) / g);
};

/** The coordinate at which the bundle is twisted by `twist` rad: ψ(u) rises throughout and bends one way, so Newton's method holds. */
function coordinateOf(bundle: Bundle, twist: number): number {
  let u = twist / twistSlope(bundle, 0);
  for (let step = 0; step < 100; step++) {
    const change = (twistAt(bundle, u) - twist) / twistSlope(bundle, u);
    u -= change;
    if (Math.abs(change) <= 1e-15 * u) break;
  }
  return u;
}

/** Stretch ratio of the strands at a full wind. */
export function twistedStretch(setup: TwistSetup): number {
  const bundle = bundleOf(setup);
  return bundle.untwisted + coordinateOf(bundle, 2 * Math.PI * setup.turns) ** 2;
}

/** Torque of the bundle over the tension of its strands, S dλ/dψ, m; and axial pull over that tension, ℓ/(λS). */
const leverage = (bundle: Bundle, u: number): number => (bundle.rubber.length * 2 * u) / twistSlope(bundle, u);
const axialShare = ({ untwisted }: Bundle, u: number): number => untwisted / (untwisted + u * u);

/** Where the bundle's torque outgrows the washer's, by bisection; `last` when it never does. */
function washerEdge(setup: TwistSetup, bundle: Bundle, last: number): number {
  const excess = (u: number): number => leverage(bundle, u) - setup.washerFriction * setup.washerRadius * axialShare(bundle, u);
  if (excess(last) <= 0) return last;
  return bisect((u) => excess(u) < 0, 0, last).high;
}

/** Stretch ratio of the strands at a full wind. */
export function twistStretch(setup: TwistSetup): number {
  const bundle = bundleOf(setup);
  const u = coordinateOf(bundle, 2 * Math.PI * setup.turns);
  return bundle.untwisted + u * u;
}

/** rad past the full wind: further than any roller goes on the other way. */
const OVERWIND = 2 * Math.PI * 10_000;

function twistPath(setup: TwistSetup): Motor {
  const bundle = bundleOf(setup);
  const { rubber, untwisted } = bundle;
  const last = coordinateOf(bundle, 2 * Math.PI * setup.turns);
  const idle = washerEdge(setup, bundle, last);
  const taut = Math.sqrt(Math.max(0, 1 - untwisted));

  const most = coordinateOf(bundle, 2 * Math.PI * setup.turns + OVERWIND);

  const segmentBetween = (from: number, to: number, runs: boolean): Segment => ({
    from,
    to,
    overwound: from === last ? most : from,
    angle: twistAt(bundle, from) - twistAt(bundle, to),
    evaluate: (u: number, point: MotorPoint): void => {
      const pull = bandForce(rubber, untwisted + u * u);
      const held = pull * leverage(bundle, u);
      const heldWasher = setup.washerFriction * setup.washerRadius * pull * axialShare(bundle, u);
      const [bundleTorque, washer] = [setup.bandEfficiency * held, setup.bandEfficiency * heldWasher];
      point.angleSlope = -twistSlope(bundle, u);
      point.heldTorque = held;
      point.heldWasher = heldWasher;
      point.torque = runs ? bundleTorque - washer : 0;
      point.washerTorque = runs ? washer : bundleTorque;
      point.tension = 0;
      point.directionCos = 1;
      point.directionSin = 0;
      point.inertia = 0;
      point.inertiaSlope = 0;
    },
    storedAt: (u) => rubber.length * rubber.section * (energyDensity(rubber, untwisted + u * u) - energyDensity(rubber, untwisted)),
  });
  // From wound to untwisted, cut where the washer takes all and where the strands go slack.
  const cuts = [last, ...[idle, taut].filter((u) => u > 0 && u < last).sort((a, b) => b - a), 0];
  const segments = cuts.slice(0, -1).map((from, i) => segmentBetween(from, cuts[i + 1]!, cuts[i + 1]! >= idle));
  return {
    segments,
    first: 0,
    storedEnergy: segments[0]!.storedAt(last),
    angle: 2 * Math.PI * setup.turns,
    efficiency: setup.bandEfficiency,
    release: 'tied',
    canGoSlack: false,
    arm: { length: setup.armLength, friction: setup.armFriction },
  };
}

/** A twisted band inside a roller, to the run model. */
export const TWIST: MotorModel<TwistSetup> = {
  least: { ...LEAST_RUBBER, hookToHook: 5e-3, armLength: 5e-3 },
  most: { ...MOST_RUBBER, hookToHook: 3, washerFriction: 2, washerRadius: 0.1, armLength: 2, armFriction: 2 },
  isRoller: true,
  faults: () => [],
  path: twistPath,
  woundRadius: () => 0,
  stretch: twistStretch,
};
