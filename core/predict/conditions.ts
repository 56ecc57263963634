import type { CarDesign } from '../car/car-design.ts';
import { isWoundByFeel, recordOf } from '../car/motors/motors.ts';
import { standingWeight } from '../car/weights.ts';

/** What differs from car to car and from floor to floor though the design says one thing. */
export interface Condition {
  readonly id: 'weight' | 'wind' | 'felt-wind';
  readonly name: string;
  /** How far it is off, in words; and the design as it then is, `deviations` standard deviations off. */
  readonly spreadWords: (design: CarDesign) => string;
  readonly off: (design: CarDesign, deviations: number) => CarDesign;
}

/** A kitchen scale, and what is glued on after weighing, as a fraction of the weight; and of a car that never stood on one. Our estimates. */
const WEIGHED = 0.02;
const ADDED_UP = 0.08;
const weightSpread = ({ weighed }: CarDesign): number => (weighed ? WEIGHED : ADDED_UP);

const WEIGHT: Condition = {
  id: 'weight',
  name: 'weight of the car',
  spreadWords: (design) => `± ${100 * weightSpread(design)} %`,
  off: (design, deviations) => ({
    ...design,
    rest: { ...design.rest, mass: design.rest.mass + weightSpread(design) * deviations * standingWeight(design).mass },
  }),
};

const winding = (id: 'wind' | 'felt-wind', name: string, isOf: (design: CarDesign) => boolean): Condition => ({
  id,
  name,
  spreadWords: ({ motor }) => recordOf(motor).woundOffWords(motor),
  off: (design, deviations) =>
    isOf(design) ? { ...design, motor: recordOf(design.motor).woundOff(design, design.motor, deviations) } : design,
});
const COUNTED = winding('wind', 'turns wound', (design) => !isWoundByFeel(design));
const FELT = winding('felt-wind', 'turns wound by feel', isWoundByFeel);

/** What differs between cars of a design: one that is wound by feel differs in another way than one whose turns are counted. */
export const conditionsOf = (design: CarDesign): readonly Condition[] => [WEIGHT, isWoundByFeel(design) ? FELT : COUNTED];
