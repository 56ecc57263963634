import { equivalentBand, stretchOfChain } from '../band-chain.ts';
import type { BandDesign, CarDesign } from '../car-design.ts';
import { CAR_SIZES } from '../common-sizes.ts';
import { sizesOfMotor } from '../size.ts';
import { spoolOf } from '../tape.ts';
import type { Numbers } from '../value-table.ts';
import { layersOf, MAX_LAYERS, safeStretch } from '../winding-limits.ts';
import { OPTICAL_DISC, type MotorRecord } from './motor-record.ts';
import { bandAtFullWind, BREAKING_STRETCH } from '../../motor/band.ts';
import type { BandSetup } from '../../run/run-setup.ts';
import {
  bandPart,
  RUBBER_KEYS_IN_DESIGN,
  RUBBER_VALUES,
  rubberSetup,
  bandMass,
  returnedFraction,
  mostTurns,
  turnsOff,
  turnsOffWords,
  describeWoundBands,
  withTurns,
} from './rubber-motors.ts';

const size = sizesOfMotor('band');

/** The setup of a band wound so many turns, nothing lost in it yet. `full`: turns of a full winding, of which those on bare axle come first. */
const losslessSetup = (design: CarDesign, motor: BandDesign, numbers: Numbers, full: number, turns = full): BandSetup => ({
  kind: 'band',
  ...rubberSetup(motor, numbers),
  anchorToAxle: motor.anchorToAxle,
  anchorAboveAxle: motor.anchorAboveAxle,
  windingWidth: motor.windingWidth,
  windingStretch: motor.windingStretch,
  spool: spoolOf(design, full - design.sleeve.reduce((sum, step) => sum + step.turns, 0)),
  turns,
  release: motor.release,
  ...(motor.further && { breakingStretch: stretchOfChain(motor, () => BREAKING_STRETCH) }),
});

/** Where a band lies and how far it stretches is a matter of sizes alone. */
const ANY_RUBBER: Numbers = { c1: 1, c2: 1 };
/** Bands are wound by feel up to so much of what breaks them at the most. */
const NEAR_BREAKING = 0.97;

/** The most turns up to a stretch ratio and a number of layers on the axle. */
function turnsUpTo(design: CarDesign, motor: BandDesign, limit: { readonly stretch: number; readonly layers: number }): number {
  const strand = strandThickness(motor);
  return mostTurns((turns) => {
    const { stretch } = bandAtFullWind(losslessSetup(design, motor, ANY_RUBBER, turns));
    // All of it is wound: nothing is left to be stretched.
    if (!(stretch > 0)) return Infinity;
    return Math.log(Math.max(stretch / limit.stretch, layersOf({ turns, strand, width: motor.windingWidth, stretch }) / limit.layers));
  });
}

/** How far bands are wound by feel, for one sleeve and axle: until they are tight, and at the most. */
interface FeltTurns {
  readonly sleeve: CarDesign['sleeve'];
  readonly axleDiameter: number;
  readonly tight: number;
  readonly most: number;
}
/** One for each motor: a fit asks thousands of times. */
const felt = new WeakMap<BandDesign, FeltTurns>();

/** Turns at which the band is tight: as far as it may be stretched and the axle has room; and the most, short of where it breaks. */
function feltTurns(design: CarDesign, motor: BandDesign): FeltTurns {
  const { sleeve, axleDiameter } = design;
  const known = felt.get(motor);
  if (known?.sleeve === sleeve && known.axleDiameter === axleDiameter) return known;
  const tight = turnsUpTo(design, motor, { stretch: stretchOfChain(motor, safeStretch), layers: MAX_LAYERS });
  const most = Math.max(
    turnsUpTo(design, motor, { stretch: NEAR_BREAKING * stretchOfChain(motor, () => BREAKING_STRETCH), layers: Infinity }),
    tight,
  );
  const turns = { sleeve, axleDiameter, tight, most };
  felt.set(motor, turns);
  return turns;
}

const turnsOf = (design: CarDesign, motor: BandDesign): number =>
  motor.fullWinding === 'tight' ? feltTurns(design, motor).tight : motor.turns;

/** Bands side by side lie side by side on the axle; both strands of each loop are wound. */
const strandThickness = (motor: BandDesign): number => {
  const { width, thickness } = equivalentBand(motor);
  return 2 * motor.parallel * Math.sqrt(width * thickness);
};

/** Bands hooked to the body and wound on the drive axle. */
export const BAND_CAR: MotorRecord<BandDesign> = {
  name: 'bands on the axle',
  newCar: {
    rest: { mass: 0.012, fromDriveAxle: 0.05 },
    wheelbase: 0.21,
    driveWheels: OPTICAL_DISC,
    otherWheels: OPTICAL_DISC,
    sleeve: [{ kind: 'tape', diameter: 0.008, turns: 1.5 }],
    motor: {
      kind: 'band',
      band: { kind: 'size', size: '33' },
      parallel: 1,
      series: 2,
      turns: 9,
      anchorToAxle: 0.185,
      anchorAboveAxle: 0.004,
      windingWidth: 0.02,
      windingStretch: 1,
      release: 'free',
    },
  },
  sizes: [
    {
      ...size('turns', 'Turns of a full wind', 'count', [1, 30], { searchStep: 0.5, synonyms: 'winding wind up' }),
      read: (d) => (d.motor.kind === 'band' ? turnsOf(d, d.motor) : 0),
      write: (d, turns) => (d.motor.kind === 'band' ? { ...d, motor: withTurns(d.motor, turns) } : d),
    },
    size('anchorToAxle', 'Anchor hook to axle', 'size', [0.05, 0.5], {
      searchStep: 0.005,
      // The hook stays on the body, between the axles.
      searchedUpTo: ({ wheelbase }) => wheelbase,
    }),
    size('windingStretch', 'Stretch by hand while winding', 'count', [1, 3], { synonyms: 'pull out the band prestretch' }),
    size('anchorAboveAxle', 'Hook above the drive axle', 'size', [-0.03, 0.06], { synonyms: 'anchor hook height peg' }),
    size('windingWidth', 'Winding width', 'size', [0.002, 0.06], { synonyms: 'room for the band on the axle spool' }),
    ...CAR_SIZES,
  ],
  values: RUBBER_VALUES,
  energyValues: ['c1', 'c2', 'bandLoss'],
  strengthValues: ['c1', 'c2'],
  parts: { band: bandPart() },
  weight: (_design, motor) => ({ mass: bandMass(motor), at: motor.anchorToAxle / 2 }),
  frontArea: () => 0,
  setup: (design, motor, numbers, wind) => {
    const full = turnsOf(design, motor);
    const lossless = losslessSetup(design, motor, numbers, full, wind.kind === 'turns' ? wind.turns : full);
    return { ...lossless, bandEfficiency: returnedFraction(lossless, numbers.bandLoss!, (setup) => bandAtFullWind(setup).stretch) };
  },
  keysInDesign: RUBBER_KEYS_IN_DESIGN,
  fullTurns: turnsOf,
  woundOff: (design, motor, deviations) => {
    const turns = turnsOff(motor, turnsOf(design, motor), deviations);
    return withTurns(motor, motor.fullWinding === 'tight' ? Math.min(turns, feltTurns(design, motor).most) : turns);
  },
  woundOffWords: turnsOffWords,
  release: { label: 'End of the band', freeWords: 'drops off the axle' },
  pullLength: ({ anchorToAxle }) => anchorToAxle,
  strandThickness,
  placed: (design) => design,
  labels: (motor, format) => [describeWoundBands(motor), `hook ${format(motor.anchorToAxle, 'size')} from the drive axle`],
  holder: 'hook of the bands',
  windingCaution: 'Wear glasses: a stretched band whips. Keep faces away from it.',
  turnsCheck: 'The band lies flat on the axle, its turns side by side and not twisted.',
  tradeOff: null,
  sizesOfTurns: [],
  energyFormula: 'Of rubber: the work of winding, ∫ F r dθ, with F = A · 2 (c₁ + c₂/λ)(λ − λ⁻²) at each stretch λ (Mooney and Rivlin).',
  turnsFormula: 'As you wind it; until tight: up to the stretch that the band stands again and again, and three layers on the axle.',
};
