import type { Band, Body, CarDesign, LeverDesign, TwistDesign, Wheels } from './car-design.ts';

/**
 * The parts a car is made of, with starting values from memory and common practice: estimates, until measured.
 * Each key of a table is a word of the car design file. How far each value may be off is in `value-table.ts`.
 */

interface Named {
  /** What builders call it. */
  readonly label: string;
}

type Table<K extends string, T> = Readonly<Record<K, Named & Readonly<T>>>;

/** How a rim gives under load, and with it how far it rolls. */
export type Rim = 'hard' | 'ridged' | 'firm' | 'soft' | 'tacky';

/**
 * Coefficient of friction on a smooth floor before it slides, fraction of it left while it slides, how the rim gives, kg per metre of rim. Common practice, from
 * memory; weights are estimates.
 */
export const TYRES: Table<CarDesign['tyre'], { staticGrip: number; slidingRatio: number; rim: Rim; massPerLength: number }> = {
  'bare-disc': { label: 'bare plastic disc edge', staticGrip: 0.3, slidingRatio: 0.82, rim: 'hard', massPerLength: 0 },
  'card-edge': { label: 'card edge', staticGrip: 0.38, slidingRatio: 0.82, rim: 'hard', massPerLength: 0 },
  tape: { label: 'a wrap of tape', staticGrip: 0.5, slidingRatio: 0.82, rim: 'hard', massPerLength: 0.001 },
  'glue-bead': { label: 'hot-glue bead', staticGrip: 0.6, slidingRatio: 0.9, rim: 'soft', massPerLength: 0.006 },
  foam: { label: 'foam strip', staticGrip: 0.7, slidingRatio: 0.9, rim: 'soft', massPerLength: 0.002 },
  'moulded-rubber': { label: 'firm moulded rubber', staticGrip: 0.8, slidingRatio: 0.9, rim: 'firm', massPerLength: 0.012 },
  'rubber-band': { label: 'rubber-band tyre', staticGrip: 0.85, slidingRatio: 0.9, rim: 'soft', massPerLength: 0.004 },
  'cut-glove': { label: 'cut glove or balloon', staticGrip: 0.9, slidingRatio: 0.9, rim: 'soft', massPerLength: 0.003 },
  'sticky-tack': { label: 'sticky tack', staticGrip: 0.95, slidingRatio: 0.9, rim: 'tacky', massPerLength: 0.015 },
};

/** Inside of the widest common straw, m. */
const STRAW = 0.0075;
/** Coefficient of friction, axle against its bearing; whether it is for wood, for metal, or for any axle; the thickest it takes, m, where it comes in no wider; kg per metre of a tube, or kg of each of four. Common practice, from memory, and for weights estimates; a ball or a point turns on next to nothing. */
export const BEARINGS: Table<CarDesign['bearing'], { friction: number; axles: 'wood' | 'metal' | 'any'; most?: number; weight: number }> = {
  'wood-plastic-straw': { label: 'wood in a plastic straw', friction: 0.22, axles: 'wood', most: STRAW, weight: 0.003 },
  'wood-card': { label: 'wood in bare card', friction: 0.4, axles: 'wood', weight: 0 },
  'wood-paper-straw': { label: 'wood in a paper straw', friction: 0.3, axles: 'wood', most: STRAW, weight: 0.005 },
  'wood-wood': { label: 'wood in wood', friction: 0.35, axles: 'wood', weight: 0.001 },
  'screw-eye': { label: 'screw eyes', friction: 0.25, axles: 'any', weight: 0.001 },
  'plastic-hole': { label: 'hole in plastic', friction: 0.28, axles: 'any', weight: 0 },
  'zip-tie': { label: 'loop of a zip tie', friction: 0.25, axles: 'any', weight: 0.001 },
  reel: { label: 'thread reel', friction: 0.3, axles: 'any', most: 0.008, weight: 0.004 },
  'steel-straw': { label: 'steel wire in a straw', friction: 0.15, axles: 'metal', most: STRAW, weight: 0.003 },
  'steel-brass': { label: 'steel wire in brass', friction: 0.12, axles: 'metal', weight: 0.047 },
  'steel-brass-graphite': { label: 'steel in brass with graphite', friction: 0.12 * 0.6, axles: 'metal', weight: 0.047 },
  'ball-bearing': { label: 'ball bearings', friction: 0.01, axles: 'any', weight: 0.002 },
  magnet: { label: 'held by a magnet on a point (small magnets must never be swallowed)', friction: 0.03, axles: 'metal', weight: 0.001 },
};

/** Diameters that dowels are sold in, m: whole millimetres, and eighths of an inch (common practice). */
const DOWELS = [0.003, 0.0032, 0.004, 0.0048, 0.005, 0.006, 0.0064, 0.008, 0.0095, 0.01, 0.012, 0.0127, 0.015, 0.016];
/** Density, kg/m³; modulus of elasticity, Pa; usual diameter, m; fraction of the section that is material (a tube is hollow); whether bearings for wood or metal take it; the diameters it comes in, m. Estimates. */
export const AXLES: Table<
  CarDesign['axle'],
  { density: number; modulus: number; diameter: number; solidity: number; stuff: 'wood' | 'metal'; stock: readonly number[] }
> = {
  skewer: {
    label: 'bamboo skewer',
    density: 700,
    modulus: 15e9,
    diameter: 0.0032,
    solidity: 1,
    stuff: 'wood',
    stock: [0.0025, 0.003, 0.0032, 0.004, 0.005],
  },
  dowel: { label: 'wooden dowel', density: 650, modulus: 11e9, diameter: 0.006, solidity: 1, stuff: 'wood', stock: DOWELS },
  pencil: { label: 'pencil', density: 600, modulus: 8e9, diameter: 0.007, solidity: 1, stuff: 'wood', stock: [0.007, 0.0075] },
  'craft-stick': {
    label: 'craft stick, rounded',
    density: 650,
    modulus: 9e9,
    diameter: 0.005,
    solidity: 1,
    stuff: 'wood',
    stock: [0.004, 0.005, 0.006],
  },
  'hanger-wire': {
    label: 'hanger wire',
    density: 7850,
    modulus: 200e9,
    diameter: 0.002,
    solidity: 1,
    stuff: 'metal',
    stock: [0.0016, 0.002, 0.0025],
  },
  'rod-3mm': {
    label: 'steel rod',
    density: 7850,
    modulus: 200e9,
    diameter: 0.003,
    solidity: 1,
    stuff: 'metal',
    // Whole millimetres, and eighths and quarters of an inch (common practice).
    stock: [0.002, 0.003, 0.0032, 0.004, 0.0048, 0.005, 0.006, 0.0064],
  },
  'metal-tube': {
    label: '4 mm brass tube',
    density: 8500,
    modulus: 100e9,
    diameter: 0.004,
    solidity: 0.44,
    stuff: 'metal',
    stock: [0.004],
  },
  'pen-tube': { label: 'pen tube', density: 1050, modulus: 2.5e9, diameter: 0.008, solidity: 0.44, stuff: 'wood', stock: [0.008] },
};

/** Hole of an optical disc, m (ECMA-130). */
export const DISC_HOLE = 0.015;

/** What an axle sticks out beyond its two wheels together, m. Common practice: about ¼ in at each end. */
export const AXLE_ENDS = 0.0127;

/** Rolling friction length on a smooth floor, m (Crr = length / wheel radius), by how the rim gives. Common practice, from memory. */
export const SMOOTH_ROLLING: Readonly<Record<Rim, number>> = { hard: 0.25e-3, ridged: 0.25e-3, firm: 0.3e-3, soft: 0.6e-3, tacky: 2.5e-3 };

const alike = (factor: number): Readonly<Record<Rim, number>> => ({
  hard: factor,
  ridged: factor,
  firm: factor,
  soft: factor,
  tacky: factor,
});
/** The edge of a hard or narrow rim sinks among the fibres and holds by its shape, a ridged one the more; a soft one, which grips a smooth floor already, gains little. */
const AMONG_FIBRES: Readonly<Record<Rim, number>> = { hard: 2, ridged: 3, firm: 1.5, soft: 1.1, tacky: 1.1 };

/** A floor under a car. */
export interface FloorKind {
  /** Rolling friction length of any rim, m, where that is more than on a smooth floor; of a car of 150 g where wheels sink in. */
  readonly rolling: number;
  /** Grip here against a smooth floor, by how the rim gives, and the most it can come to. */
  readonly gripFactor: Readonly<Record<Rim, number>>;
  readonly gripCeiling: number;
  /** Wheels sink in, a heavy car’s more: the estimate is rough. */
  readonly sinks?: true;
}

/**
 * What floors do to rolling and grip. A car that spins on a smooth floor gets away on carpet and goes further there; one that does not spin
 * goes less far. Common practice, from memory; carpets and coir tried on five cars of practice.
 */
export const FLOORS: Table<CarDesign['floor']['kind'], FloorKind> = {
  smooth: { label: 'smooth floor or linoleum', rolling: 0, gripFactor: alike(1), gripCeiling: Infinity },
  'dusty-smooth': { label: 'smooth floor, dusty', rolling: 0, gripFactor: alike(0.6), gripCeiling: Infinity },
  'wet-smooth': { label: 'smooth floor, wet', rolling: 0, gripFactor: alike(0.5), gripCeiling: Infinity },
  parquet: { label: 'parquet', rolling: 0, gripFactor: alike(0.9), gripCeiling: Infinity },
  'rubber-mat': {
    label: 'rubber or foam mat',
    rolling: 1e-3,
    gripFactor: { hard: 2.3, ridged: 2.7, firm: 1.15, soft: 1.05, tacky: 1 },
    gripCeiling: 0.95,
    sinks: true,
  },
  'short-carpet': { label: 'short carpet', rolling: 1.2e-3, gripFactor: AMONG_FIBRES, gripCeiling: 0.9, sinks: true },
  // Our estimate: long pile takes as much as coir and half as much again.
  'long-carpet': { label: 'long carpet', rolling: 3e-3, gripFactor: AMONG_FIBRES, gripCeiling: 0.9, sinks: true },
  'coir-matting': { label: 'coir matting', rolling: 2e-3, gripFactor: AMONG_FIBRES, gripCeiling: 0.9, sinks: true },
  concrete: { label: 'rough concrete', rolling: 1e-3, gripFactor: alike(1), gripCeiling: Infinity },
  asphalt: { label: 'asphalt', rolling: 1e-3, gripFactor: alike(1), gripCeiling: Infinity },
  // Our estimate: a light car rolls over small stones and hardly sinks among them.
  gravel: {
    label: 'gravel path',
    rolling: 4e-3,
    gripFactor: { hard: 1.2, ridged: 1.4, firm: 0.9, soft: 0.8, tacky: 0.8 },
    gripCeiling: 0.8,
    sinks: true,
  },
};

/**
 * Mass over the wheel's face, kg/m²; thickness, m; `roundness` k in I = k m R²: ½ for a disc, toward 1 where the mass sits
 * at the rim; how its own edge gives; the sizes it comes in, m, where it is not cut to any: some, or from one to another; the hole it comes with, m, where none is made. Estimates, but for the optical disc: 16 g over 120 mm (ECMA-130: 14 to 33 g).
 */
export const WHEELS: Table<
  Wheels['kind'],
  {
    areaDensity: number;
    thickness: number;
    roundness: number;
    rim: Rim;
    stock?: readonly number[];
    between?: readonly [number, number];
    hole?: number;
  }
> = {
  'optical-disc': { label: 'optical disc', areaDensity: 1.44, thickness: 1.2e-3, roundness: 0.5, rim: 'hard', stock: [0.08, 0.12] },
  'card-disc': { label: 'card disc, two layers', areaDensity: 1.0, thickness: 6e-3, roundness: 0.5, rim: 'hard', between: [0.02, 0.5] },
  'foam-board': { label: 'foam-board disc', areaDensity: 0.65, thickness: 5e-3, roundness: 0.5, rim: 'hard', between: [0.02, 0.5] },
  'wooden-disc': { label: 'thin wooden disc', areaDensity: 2.0, thickness: 3e-3, roundness: 0.5, rim: 'hard', between: [0.02, 0.4] },
  'bottle-cap': { label: 'bottle cap', areaDensity: 3.2, thickness: 0.012, roundness: 0.7, rim: 'ridged', between: [0.024, 0.04] },
  'jar-lid': { label: 'jar lid', areaDensity: 3.0, thickness: 0.012, roundness: 0.65, rim: 'hard', between: [0.045, 0.11] },
  'cup-bottom': { label: 'cup bottom', areaDensity: 0.8, thickness: 0.01, roundness: 0.6, rim: 'hard', between: [0.04, 0.09] },
  'wooden-wheel-ring': {
    label: 'wooden wheel with a rubber ring',
    areaDensity: 6,
    thickness: 0.012,
    roundness: 0.55,
    rim: 'firm',
    between: [0.03, 0.09],
  },
  'moulded-wheel': { label: 'firm moulded wheel', areaDensity: 5, thickness: 0.015, roundness: 0.6, rim: 'firm', between: [0.025, 0.09] },
  'rubber-roller': { label: 'rubber-covered roller', areaDensity: 9, thickness: 0.025, roundness: 0.6, rim: 'soft', between: [0.01, 0.08] },
  spool: { label: 'thread spool', areaDensity: 8, thickness: 0.015, roundness: 0.5, rim: 'hard', between: [0.015, 0.09], hole: 0.008 },
};

/**
 * Rub of hubs, spacers and bearings out of line, as a length beside the rolling friction's, m (our estimate, set so that plain cars land where common practice has them); how
 * far a wheel's hole is off centre, m; curvature of a car meant straight, 1/m: of ordinary care some 0.5 m off in 5 m (common practice), rough twice, careful a quarter; how far the rub may be off, as a standard deviation. Not known, each is as likely: √(0.5² + 0.74), the variance of ln of the three. Estimates.
 */
export const CARE: Table<CarDesign['care'], { rub: number; rubSpread: number; offCentre: number; curvature: number }> = {
  rough: { label: 'rough: it rubs and wobbles', rub: 1.2e-3, rubSpread: 0.5, offCentre: 1.5e-3, curvature: 0.08 },
  ordinary: { label: 'ordinary', rub: 0.5e-3, rubSpread: 0.5, offCentre: 0.8e-3, curvature: 0.04 },
  careful: { label: 'careful: everything runs true', rub: 0.15e-3, rubSpread: 0.5, offCentre: 0.3e-3, curvature: 0.01 },
  'not-known': { label: 'not known: rough to careful', rub: 0.5e-3, rubSpread: 1, offCentre: 0.8e-3, curvature: 0.04 },
};

/** Modulus of elasticity, Pa; thickness, m; kg per m² of wall or deck (sticks with the gaps between them); a tube bends as a ring of its width across. Estimates, from memory. */
export const BODIES: Table<Body['kind'], { modulus: number; thickness: number; areaDensity: number; isTube: boolean }> = {
  card: { label: 'corrugated card', modulus: 0.3e9, thickness: 4e-3, areaDensity: 0.55, isTube: false },
  'foam-board': { label: 'foam board', modulus: 0.25e9, thickness: 5e-3, areaDensity: 0.5, isTube: false },
  bottle: { label: 'plastic bottle', modulus: 2.5e9, thickness: 0.3e-3, areaDensity: 0.4, isTube: true },
  'milk-jug': { label: 'milk-jug plastic', modulus: 0.9e9, thickness: 0.6e-3, areaDensity: 0.57, isTube: false },
  tube: { label: 'card tube', modulus: 1.5e9, thickness: 1e-3, areaDensity: 0.7, isTube: true },
  'craft-sticks': { label: 'craft sticks', modulus: 9e9, thickness: 2e-3, areaDensity: 0.8, isTube: false },
  // Two square sticks of 10 mm: their stiffness and weight over a body of 60 mm.
  'two-beams': { label: 'two 10 mm beams with cross sticks', modulus: 3e9, thickness: 10e-3, areaDensity: 1.7, isTube: false },
  balsa: { label: 'balsa', modulus: 3e9, thickness: 5e-3, areaDensity: 0.8, isTube: false },
  plywood: { label: 'plywood', modulus: 8e9, thickness: 3e-3, areaDensity: 1.9, isTube: false },
  beam: { label: 'softwood beam, 10 mm thick', modulus: 9e9, thickness: 10e-3, areaDensity: 4.5, isTube: false },
  // Of corrugated card, hollow: as stiff as solid stuff of this modulus, all its sides over its underside.
  box: { label: 'card box, 40 mm high', modulus: 0.22e9, thickness: 40e-3, areaDensity: 1.8, isTube: false },
};

/**
 * What catches string or band on the drive axle: how far it stands out of the axle, m, and weighs, kg; how it is made, and how it lets go. Common
 * practice.
 */
export const AXLE_HOOKS: Table<
  'wire' | NonNullable<LeverDesign['axleHook']>,
  { height: number; mass: number; make: string; dropOff: string }
> = {
  wire: {
    label: 'hook of wire',
    height: 0.004,
    mass: 0.0005,
    make: 'Bend a hook of wire, a few millimetres high, and bind it on with thread and glue. Its open side looks back along the turns.',
    dropOff: 'The loop slides out of the open side as the axle turns on.',
  },
  peg: {
    label: 'peg of toothpick',
    height: 0.004,
    mass: 0.0002,
    make: 'Drill the axle across, or lay a flat in it, and glue in a piece of toothpick that stands out 4 mm. It leans a little against the pull.',
    dropOff: 'The loop slips off the leaning peg as soon as the string is slack.',
  },
  tab: {
    label: 'tab of tape',
    height: 0.002,
    mass: 0.0001,
    make: 'Fold a tab of tape round the axle that stands out 2 mm. The end of string or band is laid under it, and the first turn over it.',
    dropOff: 'The end pulls out from under the tab after the last turn.',
  },
  screw: {
    label: 'small screw',
    height: 0.005,
    mass: 0.0008,
    make: 'Drill the axle and set a small screw across it, its head cut off, 5 mm high. Only in an axle of 5 mm or more.',
    dropOff: 'The loop slides off the smooth shank as soon as the string is slack.',
  },
};

/** Sticks glued along a body: kg per metre; bending stiffness E I of each, N·m², laid flat. From moduli of 9, 12, 8 and 11 GPa and their sections. Estimates. */
export const STIFFENERS: Table<NonNullable<Body['stiffener']>['kind'], { massPerLength: number; stiffness: number }> = {
  'craft-stick': { label: 'craft stick', massPerLength: 0.013, stiffness: 0.06 },
  skewer: { label: 'bamboo skewer', massPerLength: 0.0056, stiffness: 0.062 },
  pencil: { label: 'pencil', massPerLength: 0.023, stiffness: 0.94 },
  dowel: { label: '6 mm dowel', massPerLength: 0.018, stiffness: 0.7 },
};

/** Snap-trap springs: preload N·m, rate N·m/rad, fraction of energy given back, arm's inertia kg·m², board's width m, weight kg. Common practice, from memory. */
export const TRAPS: Table<
  LeverDesign['trap'],
  { preload: number; rate: number; efficiency: number; armInertia: number; width: number; mass: number }
> = {
  household: {
    label: 'household snap trap',
    preload: 0.16,
    rate: 0.11,
    efficiency: 0.92,
    armInertia: 2e-6,
    width: 0.047,
    mass: 0.022,
  },
  large: { label: 'large snap trap', preload: 0.6, rate: 0.4, efficiency: 0.92, armInertia: 2e-5, width: 0.085, mass: 0.085 },
};

/** Lever arms: kg per metre; bending stiffness E I, N·m², from moduli of 11, 15 and 100 GPa; width seen from the front, m. Estimates. */
export const LEVER_MATERIALS: Table<LeverDesign['leverMaterial'], { massPerLength: number; stiffness: number; width: number }> = {
  dowel: { label: '6 mm wooden dowel', massPerLength: 0.018, stiffness: 0.7, width: 0.006 },
  skewer: { label: 'two skewers, taped', massPerLength: 0.011, stiffness: 0.31, width: 0.005 },
  'brass-tube': { label: '3 mm brass tube', massPerLength: 0.027, stiffness: 0.21, width: 0.003 },
  // 28 × 3 mm, laid flat on the arm.
  ruler: { label: 'wooden ruler', massPerLength: 0.055, stiffness: 0.7, width: 0.028 },
  // Steel of 2 mm: 7850 kg/m³ and 200 GPa.
  'trap-wire': { label: 'the trap’s own wire, straightened', massPerLength: 0.025, stiffness: 0.16, width: 0.002 },
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
  '10': band(1.25, 1 / 16, 'size 10 (1¼ × 1/16 in)'),
  '16': band(2.5, 1 / 16, 'size 16 (2½ × 1/16 in)'),
  '19': band(3.5, 1 / 16, 'size 19 (3½ × 1/16 in)'),
  '32': band(3, 1 / 8, 'size 32 (3 × 1/8 in)'),
  '33': band(3.5, 1 / 8, 'size 33 (3½ × 1/8 in)'),
  '62': band(2.5, 1 / 4, 'size 62 (2½ × 1/4 in)'),
  '64': band(3.5, 1 / 4, 'size 64 (3½ × 1/4 in)'),
  '84': band(3.5, 1 / 2, 'size 84 (3½ × 1/2 in)'),
  '117': band(7, 1 / 8, 'size 117 (7 × 1/8 in)'),
};

/**
 * Length, width and thickness of the two strands of one loop, m. Tubing is the square of its section, π (D² − d²)/4 with d = D − 2 wall
 * (geometry of the ring); one straight strand is two of half the section.
 */
export function bandSizes(of: Band): { readonly length: number; readonly width: number; readonly thickness: number } {
  if (of.kind === 'tubing') {
    const inside = Math.max(of.outside - 2 * of.wall, 0);
    const section = (Math.PI / 4) * (of.outside ** 2 - inside ** 2) * (of.form === 'loop' ? 1 : 0.5);
    return { length: of.length, width: Math.sqrt(section), thickness: Math.sqrt(section) };
  }
  const { length, width, thickness } = of.kind === 'size' ? BANDS[of.size] : of;
  return { length, width, thickness };
}

/** Rubber of common bands: Mooney–Rivlin coefficients, Pa; fraction of energy lost per unit of stretch; kg/m³. From memory. */
export const RUBBER = { c1: 0.1e6, c2: 0.11e6, loss: 0.06, density: 1100 } as const;

/** What thickens an axle, and the sizes it comes in, m across. Tape is wrapped, up to fifteen times. Estimates. */
export const SLEEVES: Table<CarDesign['sleeve'][number]['kind'], { sizes: readonly number[] }> = {
  tape: { label: 'tape', sizes: [] },
  straw: { label: 'drinking straw', sizes: [0.005, 0.006, 0.008] },
  'pen-tube': { label: 'pen tube', sizes: [0.008, 0.01] },
  'dowel-collar': { label: 'dowel collar', sizes: [0.01, 0.012, 0.015, 0.018] },
  bead: { label: 'bead', sizes: [0.009, 0.012, 0.015] },
  cork: { label: 'cork', sizes: [0.02, 0.024] },
  moulded: { label: 'moulded spool', sizes: [] },
  other: { label: 'turned to size', sizes: [] },
};

/** Coefficient of friction of what the twisted band's hook turns on. Estimates. */
export const WASHERS: Table<TwistDesign['washer'], { friction: number }> = {
  bead: { label: 'glass bead', friction: 0.12 },
  'wax-slice': { label: 'slice of candle', friction: 0.1 },
  'plastic-washer': { label: 'plastic washer', friction: 0.2 },
  'bare-card': { label: 'bare card', friction: 0.4 },
};

/** Coefficient of friction of a trailing arm's tip on a smooth floor. Estimate. */
export const ARM_FRICTION = 0.2;
