import type { BandDesign } from '../car-design.ts';
import { bandSizes } from '../catalogue.ts';
import { CAR_SIZES } from '../common-sizes.ts';
import { sizesOfMotor } from '../size.ts';
import { spoolOf } from '../tape.ts';
import { OPTICAL_DISC, type MotorRecord } from './motor-record.ts';
import { bandAtFullWind } from '../../motor/band.ts';
import type { BandSetup } from '../../run/run-setup.ts';
import {
  bandPart,
  RUBBER_KEYS_IN_DESIGN,
  RUBBER_VALUES,
  rubberSetup,
  bandMass,
  returnedFraction,
  TURNS_OFF_WORDS,
  turnsOff,
  describeWoundBands,
} from './rubber-motors.ts';

const size = sizesOfMotor('band');

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
    size('turns', 'Turns of a full wind', 'count', [1, 30], { searchStep: 0.5 }),
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
    const lossless: BandSetup = {
      kind: 'band',
      ...rubberSetup(motor, numbers),
      anchorToAxle: motor.anchorToAxle,
      anchorAboveAxle: motor.anchorAboveAxle,
      windingWidth: motor.windingWidth,
      windingStretch: motor.windingStretch,
      spool: spoolOf(design, motor.turns - design.sleeve.reduce((sum, { turns }) => sum + turns, 0)),
      turns: wind.kind === 'turns' ? wind.turns : motor.turns,
      release: motor.release,
    };
    return { ...lossless, bandEfficiency: returnedFraction(lossless, numbers.bandLoss!, (setup) => bandAtFullWind(setup).stretch) };
  },
  keysInDesign: RUBBER_KEYS_IN_DESIGN,
  fullTurns: (_design, { turns }) => turns,
  woundOff: turnsOff,
  woundOffWords: TURNS_OFF_WORDS,
  release: { label: 'End of the band', freeWords: 'drops off the axle' },
  pullLength: ({ anchorToAxle }) => anchorToAxle,
  // Bands side by side lie side by side on the axle; both strands of each loop are wound.
  strandThickness: ({ parallel, band }) => 2 * parallel * Math.sqrt(bandSizes(band).width * bandSizes(band).thickness),
  placed: (design) => design,
  labels: (motor, format) => [describeWoundBands(motor), `hook ${format(motor.anchorToAxle, 'size')} from the drive axle`],
  holder: 'hook of the bands',
  windingCaution: 'Wear glasses: a stretched band whips. Keep faces away from it.',
  turnsCheck: 'The band lies flat on the axle, its turns side by side and not twisted.',
  tradeOff: null,
  sizesOfTurns: [],
  energyFormula: 'Of rubber: the work of winding, ∫ F r dθ, with F = A · 2 (c₁ + c₂/λ)(λ − λ⁻²) at each stretch λ (Mooney and Rivlin).',
  turnsFormula: 'As you wind it.',
};
