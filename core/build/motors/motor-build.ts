import type { BandDesign, CarDesign, LeverDesign, MotorDesign } from '../../car/car-design.ts';
import { AXLE_HOOKS } from '../../car/catalogue.ts';
import type { PartSlot } from '../../car/part-slots.ts';
import type { MotorView } from '../../geometry/motors/motor-geometry.ts';
import type { Circle, Point } from '../../geometry/point.ts';
import type { Format } from '../../units/quantity.ts';
import type { BuildStep } from '../build-step.ts';
import type { Item, Place } from '../drawing.ts';
import type { InspectedSize } from '../inspected-size.ts';
import type { CutLength, PartPlace } from '../part-names.ts';
import type { SizeFormat } from '../size-format.ts';

/** What a motor is drawn with in the side view. */
export interface SidePen {
  /** A point of the car, m, on the sheet. */
  readonly at: (point: Point) => Place;
  readonly circle: (centre: Point, radius: number) => Item;
  /** A place on the rim of a circle, at an angle from the running direction, rad. */
  readonly rim: (centre: Point, radius: number, angle: number) => Place;
  readonly axle: Circle;
}

/** What a motor looks like from the side, and where its parts are. */
export interface DrawnMotor {
  readonly items: readonly Item[];
  readonly parts: Partial<Readonly<Record<PartPlace, Place>>>;
}

/** A size that somebody needs who makes the car; m. */
export interface MotorSize {
  /** The size of the design. */
  readonly tells: string;
  readonly label: string;
  readonly metres: number;
}

/** kg of a hook of bent wire on the body. Estimate. */
export const HOOK_MASS = 0.0005;

/** A line of the parts list; `size` is in words. */
export interface MotorPart {
  readonly on: PartPlace;
  readonly slot: PartSlot | null;
  /** Its name; what is fitted at the slot where none is given. */
  readonly name?: string;
  readonly count: number;
  readonly size: string;
  /** kg of all of them, estimated; where it is not given, what the motor weighs in the model. */
  readonly mass?: number;
}

/** What catches string or band on the drive axle, as a line of the parts list. */
export function axleHookPart({ axleHook }: LeverDesign | BandDesign): MotorPart {
  const { label, mass } = AXLE_HOOKS[axleHook ?? 'wire'];
  return { on: 'hook', slot: null, name: `${label} on the drive axle`, count: 1, size: '', mass };
}

/** How it is made, and how string or band begins on it. */
export const axleHookText = ({ axleHook, release }: LeverDesign | BandDesign): string => {
  const { make, dropOff } = AXLE_HOOKS[axleHook ?? 'wire'];
  return `${make} ${release === 'free' ? dropOff : 'The end is tied to it.'}`;
};

/** A size that lies along an oblique line, dimensioned beside a leader. */
export interface ObliqueSize {
  readonly tells: string;
  readonly label: string;
  readonly target: Point;
}

/** How a car with such a motor is made: one record for each kind, and its line in `motors.ts`. */
export interface MotorBuild<Motor extends MotorDesign = MotorDesign, View extends MotorView = MotorView> {
  draw(view: View, pen: SidePen): DrawnMotor;
  sizes(motor: Motor): readonly MotorSize[];
  /** Sizes that the side view has along the floor, and how far they reach from the drive axle, m. */
  spans(motor: Motor, view: View): readonly (readonly [tells: string, x: number])[];
  oblique(view: View): ObliqueSize | null;
  /** What is marked on the deck’s template; `at` is mm on it of m from the drive axle, `middle` its middle line. */
  deckMarks(design: CarDesign, motor: Motor, at: (x: number) => number, middle: number): readonly Item[];
  lengths(design: CarDesign, motor: Motor): readonly CutLength[];
  /** Marks along a piece that is cut to length, m from its end. */
  barMarks(motor: Motor, id: CutLength['id']): readonly (readonly [x: number, label: string])[];
  parts(
    design: CarDesign,
    motor: Motor,
    cut: (id: CutLength['id']) => number,
    sizes: SizeFormat,
    needed: (slot: PartSlot) => number,
  ): readonly MotorPart[];
  notes(motor: Motor): readonly string[];
  steps(design: CarDesign, motor: Motor, format: Format): readonly BuildStep[];
  /** What is done at the drive axle for it, after the wheels are fixed; empty for nothing. */
  axleText(motor: Motor): string;
  inspected(design: CarDesign, motor: Motor): readonly InspectedSize[];
}
