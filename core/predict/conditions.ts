import type { CarDesign } from '../car/car-design.ts';
import { recordOf } from '../car/motors/motors.ts';

/** What differs from car to car and from floor to floor though the design says one thing. */
export interface Condition {
  readonly id: 'slope' | 'weight' | 'wind';
  readonly name: string;
  /** How far it is off, in words; and the design as it then is, `deviations` standard deviations off. */
  readonly spreadWords: string;
  readonly off: (design: CarDesign, deviations: number) => CarDesign;
}

/** A floor called level is level to this, rad (mm in a mm): two runs up and down the hall cancel it. Common practice. */
const LEVEL = 0.002;
/** A kitchen scale, and what is glued on after weighing, as a share of the weight. Our estimate. */
const WEIGHT = 0.02;

export const CONDITIONS: readonly Condition[] = [
  {
    id: 'slope',
    name: 'how level the floor is',
    spreadWords: '± 2 mm per m',
    off: (design, deviations) => ({ ...design, floor: { ...design.floor, slope: design.floor.slope + LEVEL * deviations } }),
  },
  {
    id: 'weight',
    name: 'weight of the car',
    spreadWords: '± 2 %',
    off: (design, deviations) => ({ ...design, mass: design.mass * (1 + WEIGHT * deviations) }),
  },
  {
    id: 'wind',
    name: 'how far it is wound',
    spreadWords: '± ¼ turn, or 2° of the lever',
    off: (design, deviations) => ({ ...design, motor: recordOf(design.motor).woundOff(design.motor, deviations) }),
  },
];
