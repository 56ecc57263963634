import type { Band, Body, CarDesign, LeverDesign, TwistDesign, Wheels } from './car-design.ts';

/**
 * The parts a car is made of, with starting values from memory and common practice: estimates, until measured.
 * Each key of a table is a word of the car design file. How far each value may be off stands in `value-table.ts`.
 */

interface Named {
  /** What builders call it. */
  readonly label: string;
}

type Table<K extends string, T> = Readonly<Record<K, Named & Readonly<T>>>;

/** Coefficients of friction on a smooth floor. Common practice, from memory. */
export const TYRES: Table<CarDesign['tyre'], { staticGrip: number; slidingGrip: number; soft: boolean }> = {
  'bare-disc': { label: 'bare plastic disc edge', staticGrip: 0.3, slidingGrip: 0.24, soft: false },
  'card-edge': { label: 'card edge', staticGrip: 0.38, slidingGrip: 0.32, soft: false },
  'glue-bead': { label: 'hot-glue bead', staticGrip: 0.6, slidingGrip: 0.5, soft: true },
  'rubber-band': { label: 'rubber-band tyre', staticGrip: 0.85, slidingGrip: 0.7, soft: true },
  'cut-glove': { label: 'cut glove or balloon', staticGrip: 0.9, slidingGrip: 0.75, soft: true },
  'sticky-tack': { label: 'sticky tack', staticGrip: 0.95, slidingGrip: 0.8, soft: true },
};

/** Coefficient of friction, axle against its bearing. Common practice, from memory. */
export const BEARINGS: Table<CarDesign['bearing'], { friction: number }> = {
  'wood-plastic-straw': { label: 'wood in a plastic straw', friction: 0.22 },
  'wood-card': { label: 'wood in bare card', friction: 0.4 },
  'wood-paper-straw': { label: 'wood in a paper straw', friction: 0.3 },
  'steel-straw': { label: 'steel wire in a straw', friction: 0.15 },
  'steel-brass': { label: 'steel wire in brass', friction: 0.12 },
  'steel-brass-graphite': { label: 'steel in brass with graphite', friction: 0.12 * 0.6 },
};

/** Density, kg/m³; modulus of elasticity, Pa; usual diameter, m; share of the section that is material (a tube is hollow). Estimates. */
export const AXLES: Table<CarDesign['axle'], { density: number; modulus: number; diameter: number; solidity: number }> = {
  skewer: { label: 'bamboo skewer', density: 700, modulus: 15e9, diameter: 0.0032, solidity: 1 },
  dowel: { label: 'wooden dowel', density: 650, modulus: 11e9, diameter: 0.006, solidity: 1 },
  pencil: { label: 'pencil', density: 600, modulus: 8e9, diameter: 0.007, solidity: 1 },
  'hanger-wire': { label: 'hanger wire', density: 7850, modulus: 200e9, diameter: 0.002, solidity: 1 },
  'pen-tube': { label: 'pen tube', density: 1050, modulus: 2.5e9, diameter: 0.008, solidity: 0.44 },
};

/** What an axle sticks out beyond its two wheels together, m. Common practice: about ¼ in at each end. */
export const AXLE_ENDS = 0.0127;

/**
 * Rolling friction length, m (Crr = length / wheel radius), under hard rims and soft tyres; grip here against a smooth
 * floor, and the most it can come to. Common practice, from memory.
 */
export const FLOORS: Table<
  CarDesign['floor']['kind'],
  { hardRolling: number; softRolling: number; gripFactor: number; gripCeiling: number }
> = {
  smooth: { label: 'smooth floor or linoleum', hardRolling: 0.45e-3, softRolling: 0.75e-3, gripFactor: 1, gripCeiling: Infinity },
  'short-carpet': { label: 'short carpet', hardRolling: 3e-3, softRolling: 3e-3, gripFactor: 1.25, gripCeiling: 1 },
  // Our estimate: coir gives under a narrow rim about half as much again as short carpet.
  'coir-matting': { label: 'coir matting', hardRolling: 4.5e-3, softRolling: 4.5e-3, gripFactor: 1.25, gripCeiling: 1 },
  // The soft tyre's own 0.3 mm on top of the hard rim's figure, as on a smooth floor.
  concrete: { label: 'concrete', hardRolling: 1.1e-3, softRolling: 1.4e-3, gripFactor: 1, gripCeiling: Infinity },
};

/**
 * Mass over the wheel's face, kg/m²; thickness, m; `roundness` k in I = k m R²: ½ for a disc, toward 1 where the mass sits
 * at the rim; whether its own edge is soft; the only diameters it comes in, m, where it is not cut to any. Estimates, but for the optical disc: 16 g over 120 mm (ECMA-130: 14 to 33 g).
 */
export const WHEELS: Table<
  Wheels['kind'],
  { areaDensity: number; thickness: number; roundness: number; soft: boolean; stock?: readonly number[] }
> = {
  'optical-disc': { label: 'optical disc', areaDensity: 1.44, thickness: 1.2e-3, roundness: 0.5, soft: false, stock: [0.08, 0.12] },
  'card-disc': { label: 'card disc, two layers', areaDensity: 1.0, thickness: 6e-3, roundness: 0.5, soft: false },
  'foam-board': { label: 'foam-board disc', areaDensity: 0.65, thickness: 5e-3, roundness: 0.5, soft: false },
  'wooden-disc': { label: 'thin wooden disc', areaDensity: 2.0, thickness: 3e-3, roundness: 0.5, soft: false },
  'bottle-cap': { label: 'bottle cap', areaDensity: 3.2, thickness: 0.012, roundness: 0.7, soft: false },
  'cup-bottom': { label: 'cup bottom', areaDensity: 0.8, thickness: 0.01, roundness: 0.6, soft: false },
  'rubber-roller': { label: 'rubber-covered roller', areaDensity: 9, thickness: 0.025, roundness: 0.6, soft: true },
  spool: { label: 'thread spool', areaDensity: 8, thickness: 0.015, roundness: 0.5, soft: false },
};

/**
 * Angle by which a wheel is out of square on its axle, rad; how far its hole is off centre, m; curvature of a car meant
 * straight, 1/m: of ordinary care some 0.5 m off in 5 m (common practice), rough twice, careful a quarter. Estimates.
 */
export const CARE: Table<CarDesign['care'], { angle: number; offCentre: number; curvature: number }> = {
  rough: { label: 'rough: wheels wobble', angle: (3 * Math.PI) / 180, offCentre: 1.5e-3, curvature: 0.08 },
  ordinary: { label: 'ordinary', angle: (1.5 * Math.PI) / 180, offCentre: 0.8e-3, curvature: 0.04 },
  careful: { label: 'careful: wheels run true', angle: (0.5 * Math.PI) / 180, offCentre: 0.3e-3, curvature: 0.01 },
};

/** Modulus of elasticity, Pa, and thickness, m; a tube bends as a ring of its width across. Estimates, from memory. */
export const BODIES: Table<Body['kind'], { modulus: number; thickness: number; isTube: boolean }> = {
  card: { label: 'corrugated card', modulus: 0.3e9, thickness: 4e-3, isTube: false },
  'foam-board': { label: 'foam board', modulus: 0.25e9, thickness: 5e-3, isTube: false },
  bottle: { label: 'plastic bottle', modulus: 2.5e9, thickness: 0.3e-3, isTube: true },
  'milk-jug': { label: 'milk-jug plastic', modulus: 0.9e9, thickness: 0.6e-3, isTube: false },
  tube: { label: 'card tube', modulus: 1.5e9, thickness: 1e-3, isTube: true },
  'craft-sticks': { label: 'craft sticks', modulus: 9e9, thickness: 2e-3, isTube: false },
  balsa: { label: 'balsa', modulus: 3e9, thickness: 5e-3, isTube: false },
  plywood: { label: 'plywood', modulus: 8e9, thickness: 3e-3, isTube: false },
};

/** Snap-trap springs: preload N·m, rate N·m/rad, share of energy given back, arm's inertia kg·m², board's width m. Common practice, from memory. */
export const TRAPS: Table<LeverDesign['trap'], { preload: number; rate: number; efficiency: number; armInertia: number; width: number }> = {
  household: { label: 'household snap trap', preload: 0.16, rate: 0.11, efficiency: 0.92, armInertia: 2e-6, width: 0.047 },
};

/** Lever arms: kg per metre; bending stiffness E I, N·m², from moduli of 11, 15 and 100 GPa. Estimates. */
export const LEVER_MATERIALS: Table<LeverDesign['leverMaterial'], { massPerLength: number; stiffness: number }> = {
  dowel: { label: '6 mm wooden dowel', massPerLength: 0.018, stiffness: 0.7 },
  skewer: { label: 'two skewers, taped', massPerLength: 0.011, stiffness: 0.31 },
  'brass-tube': { label: '3 mm brass tube', massPerLength: 0.027, stiffness: 0.21 },
};

const INCH = 0.0254;
const band = (length: number, width: number, words: string) => ({
  label: words,
  length: length * INCH,
  width: width * INCH,
  thickness: INCH / 32,
});

/** Bands by size: flat length and width, m; all 1/32 in thick. Common practice. */
export const BANDS: Table<Extract<Band, { kind: 'size' }>['size'], { length: number; width: number; thickness: number }> = {
  '16': band(2.5, 1 / 16, 'size 16 (2½ × 1/16 in)'),
  '19': band(3.5, 1 / 16, 'size 19 (3½ × 1/16 in)'),
  '32': band(3, 1 / 8, 'size 32 (3 × 1/8 in)'),
  '33': band(3.5, 1 / 8, 'size 33 (3½ × 1/8 in)'),
  '62': band(2.5, 1 / 4, 'size 62 (2½ × 1/4 in)'),
  '64': band(3.5, 1 / 4, 'size 64 (3½ × 1/4 in)'),
  '84': band(3.5, 1 / 2, 'size 84 (3½ × 1/2 in)'),
};

/** Length, width and thickness of one loop, m. */
export function bandSizes(of: Band): { readonly length: number; readonly width: number; readonly thickness: number } {
  const { length, width, thickness } = of.kind === 'size' ? BANDS[of.size] : of;
  return { length, width, thickness };
}

/** Rubber of common bands: Mooney–Rivlin coefficients, Pa; share of energy given back; stretch to stay below. From memory. */
export const RUBBER = { c1: 0.1e6, c2: 0.11e6, efficiency: 0.82, safeStretch: 4.5 } as const;

/** Coefficient of friction of what the twisted band's hook turns on. Estimates. */
export const WASHERS: Table<TwistDesign['washer'], { friction: number }> = {
  bead: { label: 'glass bead', friction: 0.12 },
  'wax-slice': { label: 'slice of candle', friction: 0.1 },
  'plastic-washer': { label: 'plastic washer', friction: 0.2 },
  'bare-card': { label: 'bare card', friction: 0.4 },
};

/** Coefficient of friction of a trailing arm's tip on a smooth floor. Estimate. */
export const ARM_FRICTION = 0.2;
