import type { Fault } from '../fault.ts';
import type { BandSetup } from '../schema/generated/run-setup.ts';
import type { Motor, MotorModel, MotorPoint, Segment } from './motor.ts';
import { bandForce, LEAST_RUBBER, MOST_RUBBER, rubberOf, type Rubber } from './rubber.ts';
import { spoolFaults } from './winding.ts';

/**
 * A stretched band wound on the drive axle. With m metres of unstretched band wound, the span D holds the rest, so its
 * stretch is λ = D/(S − m). Winding dθ takes up dm = r dθ / s, s = max(windingStretch, λ, 1). Rubber keeps its volume:
 * on each spool step r² = r_b² + (m − m_step)/B with B = πw/A. The path's coordinate is r itself: dθ/dr = 2B s.
 */
interface Piece {
  readonly bareRadius: number;
  /** Unstretched metres wound before this spool step. */
  readonly stepStart: number;
  /** Winding radius at the piece's beginning and end, in winding order. */
  readonly inner: number;
  readonly outer: number;
  readonly angle: number;
  /** s where it does not follow λ; null where s = λ. */
  readonly fixedStretch: number | null;
}

interface Winding {
  readonly rubber: Rubber;
  readonly span: number;
  /** B = πw/A, m per m² of squared radius. */
  readonly packing: number;
  readonly handStretch: number;
}

const windingOf = (setup: BandSetup): Winding => {
  const rubber = rubberOf(setup);
  return {
    rubber,
    span: setup.anchorToAxle,
    packing: (Math.PI * setup.windingWidth) / rubber.section,
    handStretch: Math.max(setup.windingStretch, 1),
  };
};

const woundAt = (w: Winding, piece: Piece | { bareRadius: number; stepStart: number }, radius: number): number =>
  piece.stepStart + w.packing * (radius - piece.bareRadius) * (radius + piece.bareRadius);

/** The squared radius at which the whole band would be wound and its stretch without bound. */
const limitSquared = (w: Winding, bareRadius: number, stepStart: number): number =>
  (w.rubber.length - stepStart) / w.packing + bareRadius ** 2;

/**
 * Lays the band on the spool turn by turn, cutting pieces where a step begins or the way of stretching changes.
 * `further`: more turns on the last step, rad, as a tied band may take when it winds up again.
 */
function windBand(setup: BandSetup, further = 0): Piece[] {
  const w = windingOf(setup);
  const { length } = w.rubber;
  const pieces: Piece[] = [];
  let left = 2 * Math.PI * setup.turns;
  let wound = 0;
  for (let index = 0; index < setup.spool.length && left > 0; index++) {
    const step = setup.spool[index]!;
    const isLast = index === setup.spool.length - 1;
    const whole = isLast || step.turns === undefined ? left : Math.min(left, 2 * Math.PI * step.turns);
    left -= whole;
    const place = { bareRadius: step.radius, stepStart: wound };
    const root = Math.sqrt(limitSquared(w, step.radius, wound));
    let inner = step.radius;
    const windOn = (wanted: number): void => {
      let angle = wanted;
      // Where the band goes taut, and where its own stretch passes the hand's.
      for (const edge of [length - w.span, length - w.span / w.handStretch, Infinity]) {
        // Rounding must not leave a piece of no length.
        if (angle <= 1e-12 * wanted || edge <= wound + 1e-12 * length) continue;
        const follows = edge === Infinity;
        const edgeRadius = follows ? Infinity : Math.sqrt(step.radius * step.radius + (edge - place.stepStart) / w.packing);
        const edgeAngle = follows ? Infinity : 2 * w.packing * w.handStretch * (edgeRadius - inner);
        const taken = edgeAngle < angle * (1 + 1e-12) ? edgeAngle : angle;
        const outer =
          taken === edgeAngle
            ? edgeRadius
            : follows
              ? root * Math.tanh(Math.atanh(inner / root) + (taken * root) / (2 * w.span))
              : inner + taken / (2 * w.packing * w.handStretch);
        const fixedStretch = follows ? null : w.handStretch;
        pieces.push({ bareRadius: place.bareRadius, stepStart: place.stepStart, inner, outer, angle: taken, fixedStretch });
        angle -= taken;
        inner = outer;
        wound = woundAt(w, place, outer);
      }
    };
    windOn(whole);
    if (left <= 0 && further > 0) windOn(further);
  }
  return pieces;
}

const stretchAt = (w: Winding, wound: number): number => w.span / (w.rubber.length - wound);

/** ∫ F s dm from the taut band to the stretch `stretch`, J: closed, since dm = D dλ/λ². Source: integration by hand. */
function energyWound(w: Winding, stretch: number): number {
  const { c1, c2, section } = w.rubber;
  const byHand = (x: number): number => c1 * Math.log(x) + c1 / (3 * x * x * x) - c2 / x + c2 / (4 * x * x * x * x);
  const following = (x: number): number => c1 * x + c1 / (2 * x * x) + c2 * Math.log(x) + c2 / (3 * x * x * x);
  const first = Math.max(1, w.span / w.rubber.length);
  if (stretch <= first) return 0;
  const change = Math.min(Math.max(w.handStretch, first), stretch);
  return 2 * section * w.span * (w.handStretch * (byHand(change) - byHand(first)) + following(stretch) - following(change));
}

/** Stretch ratio of the span at a full wind, and the winding radius there, m. */
export function bandAtFullWind(setup: BandSetup): { readonly stretch: number; readonly radius: number } {
  const w = windingOf(setup);
  const last = windBand(setup).at(-1)!;
  return { stretch: stretchAt(w, woundAt(w, last, last.outer)), radius: last.outer };
}

/** Over-stretched: it would break. */
export const BREAKING_STRETCH = 7;

function bandFaults(setup: BandSetup): Fault[] {
  if (Math.abs(setup.anchorAboveAxle) > setup.anchorToAxle)
    return [
      {
        path: 'motor.anchorAboveAxle',
        code: 'against',
        must: 'not-exceed',
        other: 'motor.anchorToAxle',
        because: 'the straight line to the axle',
      },
    ];
  const w = windingOf(setup);
  const last = windBand(setup).at(-1)!;
  const most = setup.breakingStretch ?? BREAKING_STRETCH;
  const start = w.span / w.rubber.length;
  if (start > most) return [{ path: 'motor.anchorToAxle', code: 'band-breaks', unwound: start, most }];
  const stretch = stretchAt(w, woundAt(w, last, last.outer));
  if (stretch <= most && stretch > 0) return [];
  return [{ path: 'motor.turns', code: 'band-breaks', unwound: null, most }];
}

function makeSegment(setup: BandSetup, w: Winding, piece: Piece): Segment {
  const { rubber, packing } = w;
  const sine = setup.anchorAboveAxle / setup.anchorToAxle;
  const cosine = Math.sqrt(1 - sine * sine);
  const { bandEfficiency } = setup;
  const evaluate = (radius: number, point: MotorPoint): void => {
    const stretch = w.span / (rubber.length - piece.stepStart - packing * (radius - piece.bareRadius) * (radius + piece.bareRadius));
    const force = bandForce(rubber, stretch);
    point.angleSlope = -2 * packing * (piece.fixedStretch ?? stretch);
    point.heldTorque = force * radius;
    point.tension = bandEfficiency * force;
    point.torque = point.tension * radius;
    point.directionCos = cosine;
    point.directionSin = sine;
    point.inertia = 0;
    point.inertiaSlope = 0;
    point.washerTorque = point.heldWasher = 0;
  };
  const limit = Math.sqrt(limitSquared(w, piece.bareRadius, piece.stepStart));
  return {
    from: piece.outer,
    to: piece.inner,
    overwound: piece.outer + 0.999 * (limit - piece.outer),
    angle: piece.angle,
    evaluate,
    storedAt: (radius) => energyWound(w, stretchAt(w, woundAt(w, piece, radius))),
  };
}

/** rad past the full wind, at which a band that winds up again is as good as at its limit. */
const OVERWIND = 2 * Math.PI * 10_000;

function bandPath(setup: BandSetup): Motor {
  const w = windingOf(setup);
  const wound = windBand(setup);
  const last = wound.at(-1)!;
  const pieces = setup.release === 'tied' ? windBand(setup, OVERWIND) : wound;
  return {
    segments: pieces.map((piece) => makeSegment(setup, w, piece)).reverse(),
    first: pieces.length - wound.length,
    storedEnergy: energyWound(w, stretchAt(w, woundAt(w, last, last.outer))),
    angle: 2 * Math.PI * setup.turns,
    efficiency: setup.bandEfficiency,
    release: setup.release,
    canGoSlack: false,
    arm: null,
  };
}

/** Bands wound on the drive axle, to the run model. */
export const BAND: MotorModel<BandSetup> = {
  least: { ...LEAST_RUBBER, anchorToAxle: 5e-3, windingWidth: 1e-3 },
  most: { ...MOST_RUBBER, anchorToAxle: 5, windingWidth: 0.5 },
  isRoller: false,
  faults: (setup) => [...spoolFaults(setup.spool), ...bandFaults(setup)],
  path: bandPath,
  woundRadius: (setup) => bandAtFullWind(setup).radius,
  stretch: (setup) => Math.max(bandAtFullWind(setup).stretch, setup.windingStretch),
};
