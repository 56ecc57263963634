import type { CarDesign, LeverDesign, Wheels } from './car-design.ts';

/**
 * The parts a car is made of, with starting values from memory and common practice: estimates, until measured.
 * Each key of a table is a word of the car design file.
 */

interface Named {
  /** What builders call it. */
  readonly label: string;
}

export interface Tyre extends Named {
  /** Coefficients of friction on a smooth floor. Common practice, from memory. */
  readonly staticGrip: number;
  readonly slidingGrip: number;
  readonly soft: boolean;
}

export const TYRES: Readonly<Record<CarDesign['tyre'], Tyre>> = {
  'bare-disc': { label: 'bare plastic disc edge', staticGrip: 0.3, slidingGrip: 0.24, soft: false },
  'card-edge': { label: 'card edge', staticGrip: 0.38, slidingGrip: 0.32, soft: false },
  'glue-bead': { label: 'hot-glue bead', staticGrip: 0.6, slidingGrip: 0.5, soft: true },
  'rubber-band': { label: 'rubber-band tyre', staticGrip: 0.85, slidingGrip: 0.7, soft: true },
  'cut-glove': { label: 'cut glove or balloon', staticGrip: 0.9, slidingGrip: 0.75, soft: true },
  'sticky-tack': { label: 'sticky tack', staticGrip: 0.95, slidingGrip: 0.8, soft: true },
};

export interface Bearing extends Named {
  /** Coefficient of friction, axle against its bearing. Common practice, from memory. */
  readonly friction: number;
  /** kg/m³ of the axle that goes with it: bamboo or steel. */
  readonly axleDensity: number;
}

const BAMBOO = 700;
const STEEL = 7850;

export const BEARINGS: Readonly<Record<CarDesign['bearing'], Bearing>> = {
  'wood-plastic-straw': { label: 'wood in a plastic straw', friction: 0.22, axleDensity: BAMBOO },
  'wood-card': { label: 'wood in bare card', friction: 0.4, axleDensity: BAMBOO },
  'wood-paper-straw': { label: 'wood in a paper straw', friction: 0.3, axleDensity: BAMBOO },
  'steel-straw': { label: 'steel wire in a straw', friction: 0.15, axleDensity: STEEL },
  'steel-brass': { label: 'steel wire in brass', friction: 0.12, axleDensity: STEEL },
  'steel-brass-graphite': { label: 'steel in brass with graphite', friction: 0.12 * 0.6, axleDensity: STEEL },
};

export interface Surface extends Named {
  /** Rolling friction length, m (Crr = length / wheel radius), under hard rims and soft tyres. */
  readonly hardRolling: number;
  readonly softRolling: number;
  /** Grip here against a smooth floor, and the most it can come to. */
  readonly gripFactor: number;
  readonly gripCeiling: number;
}

export const FLOORS: Readonly<Record<CarDesign['floor']['kind'], Surface>> = {
  smooth: { label: 'smooth floor or linoleum', hardRolling: 0.45e-3, softRolling: 0.75e-3, gripFactor: 1, gripCeiling: Infinity },
  'short-carpet': { label: 'short carpet', hardRolling: 3e-3, softRolling: 3e-3, gripFactor: 1.25, gripCeiling: 1 },
  // Our estimate: coir gives under a narrow rim about half as much again as short carpet.
  'coir-matting': { label: 'coir matting', hardRolling: 4.5e-3, softRolling: 4.5e-3, gripFactor: 1.25, gripCeiling: 1 },
  // The soft tyre's own 0.3 mm on top of the hard rim's figure, as on a smooth floor.
  concrete: { label: 'concrete', hardRolling: 1.1e-3, softRolling: 1.4e-3, gripFactor: 1, gripCeiling: Infinity },
};

export interface WheelMaterial extends Named {
  /** kg/m² of wheel face, and thickness in m. Estimates, but for the optical disc's plastic: 16 g over 120 mm (ECMA-130: 14 to 33 g). */
  readonly areaDensity: number;
  readonly thickness: number;
  readonly edge: 'bare-disc' | 'card-edge';
}

export const WHEEL_MATERIALS: Readonly<Record<Wheels['material'], WheelMaterial>> = {
  'disc-plastic': { label: 'optical-disc plastic', areaDensity: 1.44, thickness: 1.2e-3, edge: 'bare-disc' },
  card: { label: 'corrugated card, two layers', areaDensity: 1.0, thickness: 6e-3, edge: 'card-edge' },
  'foam-board': { label: 'foam board', areaDensity: 0.65, thickness: 5e-3, edge: 'card-edge' },
  plywood: { label: 'thin plywood', areaDensity: 2.0, thickness: 3e-3, edge: 'card-edge' },
};

/** Angle by which a wheel is out of square on its axle, rad. Estimates. */
export const OUT_OF_SQUARE: Readonly<Record<CarDesign['care'], Named & { readonly angle: number }>> = {
  rough: { label: 'rough: wheels wobble', angle: (3 * Math.PI) / 180 },
  ordinary: { label: 'ordinary', angle: (1.5 * Math.PI) / 180 },
  careful: { label: 'careful: wheels run true', angle: (0.5 * Math.PI) / 180 },
};

/** Snap-trap springs: preload N·m, rate N·m/rad, share of energy given back. Common practice, from memory. */
export const TRAPS: Readonly<
  Record<
    LeverDesign['trap'],
    Named & { readonly preload: number; readonly rate: number; readonly efficiency: number; readonly armInertia: number }
  >
> = {
  household: { label: 'household snap trap', preload: 0.16, rate: 0.11, efficiency: 0.92, armInertia: 2e-6 },
};

/** Lever arms, kg per metre. Estimates. */
export const LEVER_MATERIALS: Readonly<Record<LeverDesign['leverMaterial'], Named & { readonly massPerLength: number }>> = {
  dowel: { label: '6 mm wooden dowel', massPerLength: 0.018 },
  skewer: { label: 'two skewers, taped', massPerLength: 0.011 },
  'brass-tube': { label: '3 mm brass tube', massPerLength: 0.027 },
};
