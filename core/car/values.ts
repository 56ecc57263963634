import type { CarDesign } from './car-design.ts';
import { CARE, FLOORS, SMOOTH_ROLLING, type Rim } from './catalogue.ts';
import { bearingOf, otherBearingOf, bodyPartOf, driveWheelOf, otherWheelOf, tyreOf } from './fitted.ts';
import { isRoller, recordOf } from './motors/motors.ts';
import type { PartSlot } from './part-slots.ts';
import { ESTIMATE_SPREAD, SPREAD_IN_UNITS, type Numbers, type Value, type ValueKey } from './value-table.ts';
import { standingWeight } from './weights.ts';

const COMMON: readonly ValueKey[] = [
  'bearingFriction',
  'staticGrip',
  'slidingRatio',
  'rollingLengthDrive',
  'dragArea',
  'massHeight',
  'driveWheelDensity',
  'slope',
];
/** Of a car on axles: a roller has no hubs to rub. */
const ON_AXLES: readonly ValueKey[] = ['rub', 'rollingLengthOther', 'otherWheelDensity'];
/** The values that this design depends on. */
export const valueKeysOf = (design: CarDesign): readonly ValueKey[] => [
  ...COMMON,
  ...(design.otherWheels ? ON_AXLES : []),
  ...(Object.keys(recordOf(design.motor).values) as ValueKey[]),
];

/** Drag coefficient of everything blunt that is seen from the front; width of a roller, m. Estimates. */
const DRAG = 1;
const ROLLER_WIDTH = 0.05;

/** Grip on the design's floor of what grips so on a smooth one. */
export const gripOn = (design: CarDesign, grip: number): number => {
  const { gripFactor, gripCeiling } = FLOORS[design.floor.kind];
  return Math.min(grip * gripFactor[driveRim(design)], Math.max(gripCeiling, grip));
};

/** kg of the car that a floor’s rolling length is reported of, and how little and how much a lighter and a heavier one makes of it. */
const SINKS_AT = 0.15;
const LEAST_SINKING = 0.5;
const MOST_SINKING = 1.4;
/**
 * How much longer the rolling length is than that of a car of 150 g on a floor that wheels sink into: with the root of the load, held to a
 * factor of 0.5 to 1.4; 1 elsewhere. Our estimate: what sinks grows with the load, and what is pushed aside with a root of it.
 */
export const sinkingOf = (design: CarDesign): number =>
  FLOORS[design.floor.kind].sinks ? Math.min(Math.max(Math.sqrt(standingWeight(design).mass / SINKS_AT), LEAST_SINKING), MOST_SINKING) : 1;

/** The softer of two edges: a tyre on a wheel gives as the softer of them. */
const RIMS: readonly Rim[] = ['hard', 'ridged', 'firm', 'soft', 'tacky'];
const softer = (a: Rim, b: Rim): Rim => (RIMS.indexOf(a) > RIMS.indexOf(b) ? a : b);
/** How what meets the floor gives, on the drive wheels. */
function driveRim(design: CarDesign): Rim {
  return softer(tyreOf(design).rim, driveWheelOf(design).rim);
}

/** Estimate of one value from the catalogue, SI units. */
function estimateOf(design: CarDesign, key: ValueKey): number {
  const { driveWheels, otherWheels, motor } = design;
  const floor = FLOORS[design.floor.kind];
  const tyre = tyreOf(design);
  switch (key) {
    case 'bearingFriction': {
      const { friction } = bearingOf(design);
      if (!design.otherBearing) return friction;
      // Each bearing rubs with the weight on its axle: both together as their mean by these weights.
      const onDrive = Math.min(Math.max(standingWeight(design).driveLoadShare, 0), 1);
      return onDrive * friction + (1 - onDrive) * otherBearingOf(design).friction;
    }
    case 'staticGrip':
      return gripOn(design, tyre.staticGrip);
    case 'slidingRatio':
      return tyre.slidingRatio;
    case 'rollingLengthDrive':
      return Math.max(SMOOTH_ROLLING[driveRim(design)], floor.rolling * sinkingOf(design));
    case 'rollingLengthOther':
      return Math.max(SMOOTH_ROLLING[otherWheels ? otherWheelOf(design).rim : 'hard'], floor.rolling * sinkingOf(design));
    case 'rub':
      return isRoller(design) ? 0 : CARE[design.care].rub;
    case 'slope':
      return design.floor.slope;
    case 'dragArea': {
      if (!otherWheels) return DRAG * driveWheels.diameter * ROLLER_WIDTH;
      const edges = 2 * driveWheels.diameter * driveWheelOf(design).thickness;
      const others = design.layout.otherWheelCount * otherWheels.diameter * otherWheelOf(design).thickness;
      const { isTube, thickness } = bodyPartOf(design);
      const { width } = design.body;
      return DRAG * (width * (isTube ? width : thickness) + edges + others + recordOf(motor).frontArea(design, motor));
    }
    case 'massHeight': {
      // Deck and motor sit at about the height of the axles.
      if (!otherWheels) return driveWheels.diameter / 2;
      const { driveLoadShare } = standingWeight(design);
      const fraction = Math.min(Math.max(driveLoadShare, 0), 1);
      return (fraction * driveWheels.diameter + (1 - fraction) * otherWheels.diameter) / 2;
    }
    case 'driveWheelDensity':
      return driveWheelOf(design).areaDensity;
    case 'otherWheelDensity':
      return otherWheels ? otherWheelOf(design).areaDensity : 0;
    default:
      return recordOf(motor).values[key]?.(design, motor) ?? 0;
  }
}

/** Spread of a value that was measured once with care: a twentieth of it, or of a slope half a millimetre in a metre, of a sliding ratio 0.03. */
const MEASURED_SPREAD = 0.05;
const MEASURED_IN_UNITS: Partial<Readonly<Record<ValueKey, number>>> = { slope: 0.0005, slidingRatio: 0.03 };
export const measuredSpread = (key: ValueKey): number => MEASURED_IN_UNITS[key] ?? MEASURED_SPREAD;

/** Where on the car, and under what name there, a value of a part comes from. */
export const OF_PART: Partial<Readonly<Record<ValueKey, readonly [slot: PartSlot, key: string]>>> = {
  staticGrip: ['tyre', 'staticGrip'],
  slidingRatio: ['tyre', 'slidingGrip'],
  bearingFriction: ['bearing', 'friction'],
  driveWheelDensity: ['driveWheels', 'areaDensity'],
  otherWheelDensity: ['otherWheels', 'areaDensity'],
  springPreload: ['trap', 'preload'],
  springRate: ['trap', 'rate'],
  springEfficiency: ['trap', 'efficiency'],
  c1: ['band', 'c1'],
  c2: ['band', 'c2'],
  bandLoss: ['band', 'loss'],
  washerFriction: ['washer', 'friction'],
};

/** Spread of a value that was measured on a part of the builder's own, in the value's own terms; null of others. A grip is measured on a smooth floor, and elsewhere estimated from that. */
function spreadOfPart({ own, floor }: CarDesign, key: ValueKey, value: number): number | null {
  const place = own && OF_PART[key];
  if (!place) return null;
  const part = own[place[0]];
  if (part?.evidence !== 'measured' || !(place[1] in part.values) || (place[0] === 'tyre' && floor.kind !== 'smooth')) return null;
  const fraction = part.spreads?.[place[1]];
  return fraction === undefined ? measuredSpread(key) : SPREAD_IN_UNITS.has(key) ? fraction * value : fraction;
}

/** How far grip and rolling may be off on a floor that wheels sink into, as shares: no two carpets are alike. Our estimate. */
const ROUGH: Partial<Readonly<Record<ValueKey, number>>> = { staticGrip: 0.25, rollingLengthDrive: 0.35, rollingLengthOther: 0.35 };
/** The same of a roller’s rolling: band and arm make it wobble, and nothing guides it. Our estimate. */
const WOBBLING = 0.5;
const estimateSpread = (design: CarDesign, key: ValueKey): number => {
  if (key === 'rub') return CARE[design.care].rubSpread;
  if (key === 'rollingLengthDrive' && isRoller(design)) return WOBBLING;
  return (FLOORS[design.floor.kind].sinks ? ROUGH[key] : undefined) ?? ESTIMATE_SPREAD[key];
};

/** What a value measured on one floor does not tell of another. */
export const FLOOR_DEPENDENT: ReadonlySet<ValueKey> = new Set(['staticGrip', 'rollingLengthDrive', 'rollingLengthOther']);

/** One value of a design: as measured on this car or on a part of the builder's own, else as estimated from its parts. */
export function valueOf(design: CarDesign, key: ValueKey): Value {
  const measured = design.measured[key];
  const isHere = measured && (!('on' in measured) || measured.on === design.floor.kind);
  if (isHere && (!('of' in measured) || measured.of === design.floor.slope))
    return { value: measured.value, spread: measured.spread, evidence: measured.from === 'fit' ? 'fitted' : 'measured' };
  const value = estimateOf(design, key);
  const { slopeSpread } = design.floor;
  if (key === 'slope' && slopeSpread !== undefined) return { value, spread: slopeSpread, evidence: 'measured' };
  const onPart = spreadOfPart(design, key, value);
  return onPart === null
    ? { value, spread: estimateSpread(design, key), evidence: 'estimated' }
    : { value, spread: onPart, evidence: 'measured' };
}

/** What depends on the floor, as estimated on one of another kind. */
export const estimatesOn = (design: CarDesign, kind: CarDesign['floor']['kind']) => {
  const there = kind === design.floor.kind ? design : { ...design, floor: { ...design.floor, kind } };
  return {
    staticGrip: estimateOf(there, 'staticGrip'),
    rollingLengthDrive: estimateOf(there, 'rollingLengthDrive'),
    rollingLengthOther: estimateOf(there, 'rollingLengthOther'),
  };
};

/**
 * What a car’s numbers are on another floor or with another load: it grips and rolls so much better or worse than expected there too, and
 * the floor leans by so much unseen.
 */
export function numbersOn(from: CarDesign, to: CarDesign, numbers: Numbers): Numbers {
  const [here, there] = [likelyNumbers(from), likelyNumbers(to)];
  const factor = (key: ValueKey): number => ((numbers[key] ?? 0) / (here[key] || 1)) * (there[key] ?? 0);
  return {
    ...numbers,
    staticGrip: factor('staticGrip'),
    rollingLengthDrive: factor('rollingLengthDrive'),
    ...(numbers.rollingLengthOther !== undefined && { rollingLengthOther: factor('rollingLengthOther') }),
    massHeight: factor('massHeight'),
    slope: there.slope! + numbers.slope! - here.slope!,
  };
}

/** The most likely number of each value the design depends on. */
export function likelyNumbers(design: CarDesign): Numbers {
  const numbers: Partial<Record<ValueKey, number>> = {};
  for (const key of valueKeysOf(design)) numbers[key] = valueOf(design, key).value;
  return numbers;
}
