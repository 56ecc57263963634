import type { Fault } from '../fault.ts';
import type { Spool, SpoolStep } from '../schema/generated/run-setup.ts';

/**
 * String winding up on one step of a spool, packed square: r = √(r_b² + ℓ d²/(π w)) + d/2, with ℓ the length wound,
 * r_b the bare radius, d the string's diameter and w the width it is spread over. All in metres.
 */
export interface StringLayer {
  readonly bareRadius: number;
  readonly stringDiameter: number;
  /** d²/(π w), m: growth of the squared radius per metre wound. */
  readonly growth: number;
}

/** String of this diameter on a bare radius, spread over a width, all in metres. */
export const stringLayer = (bareRadius: number, stringDiameter: number, windingWidth: number): StringLayer => ({
  bareRadius,
  stringDiameter,
  growth: stringDiameter ** 2 / (Math.PI * windingWidth),
});

/** Radius at which the string pulls while `length` metres are wound on this step, m. */
export const windingRadius = (layer: StringLayer, length: number): number =>
  Math.sqrt(layer.bareRadius ** 2 + layer.growth * length) + layer.stringDiameter / 2;

/**
 * Angle that winding `length` metres takes, rad: ∫ dℓ / r(ℓ) = (2/k) [Δ − c ln(1 + Δ/(r_b + c))], where k is the growth,
 * c = d/2 and Δ = √(r_b² + kℓ) − r_b; ℓ/(r_b + c) where nothing builds up. Source: integration by hand.
 */
export function windingAngle(layer: StringLayer, length: number): number {
  const { bareRadius, growth, stringDiameter } = layer;
  const c = stringDiameter / 2;
  const rise = (growth * length) / (Math.sqrt(bareRadius ** 2 + growth * length) + bareRadius);
  // Below this the build-up is under a millionth of the radius and the closed form would lose its digits.
  if (rise < 1e-6 * bareRadius) return length / (bareRadius + c + rise / 2);
  return (2 / growth) * (rise - c * Math.log1p(rise / (bareRadius + c)));
}

/** Length that `angle` rad of winding takes up, m: the inverse of `windingAngle`, by Newton's method. */
export function windingLength(layer: StringLayer, angle: number): number {
  let length = angle * windingRadius(layer, 0);
  for (let step = 0; step < 50; step++) {
    const miss = windingAngle(layer, length) - angle;
    const change = miss * windingRadius(layer, length);
    length -= change;
    if (Math.abs(change) <= 1e-14 * length) break;
  }
  return length;
}

/** One step of the spool as far as it is used: which layer, where its string begins (m wound before it), how much it holds. */
export interface WindingStep {
  readonly layer: StringLayer;
  readonly start: number;
  readonly length: number;
  readonly angle: number;
}

/**
 * How `length` metres of string lie on the spool, in the order wound. Each step takes its own turns, the last all that
 * is left; steps beyond what is wound are not used.
 */
export function windString(spool: readonly SpoolStep[], stringDiameter: number, windingWidth: number, length: number): WindingStep[] {
  const wound: WindingStep[] = [];
  let start = 0;
  spool.forEach((step, index) => {
    const left = length - start;
    // Rounding must not leave a step of no length.
    if (left <= 1e-12 * length) return;
    const layer = stringLayer(step.radius, stringDiameter, windingWidth);
    const isLast = index === spool.length - 1;
    const full = isLast || step.turns === undefined ? left : windingLength(layer, 2 * Math.PI * step.turns);
    const taken = full < left * (1 - 1e-12) ? full : left;
    wound.push({ layer, start, length: taken, angle: windingAngle(layer, taken) });
    start += taken;
  });
  return wound;
}

/** A spool of which a step but the last has no turns: how much it takes is not known. */
export const spoolFaults = (spool: Spool): Fault[] =>
  spool.flatMap((step, index) =>
    step.turns === undefined && index < spool.length - 1
      ? [{ path: `motor.spool[${index}].turns`, code: 'missing', because: 'only the last step may leave it out' }]
      : [],
  );
