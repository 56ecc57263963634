import type { MotorSetup } from '../../run/run-setup.ts';
import type { FormatValue } from '../../units/quantity.ts';
import type { CarDesign, MotorDesign, MotorKind, Wind } from '../car-design.ts';
import type { PartSlot } from '../part-slots.ts';
import type { Size } from '../size.ts';
import type { Numbers, ValueKey } from '../value-table.ts';

/** Wheels of most new cars. */
export const OPTICAL_DISC = { kind: 'optical-disc', diameter: 0.12 } as const;

type SetupOf<Kind extends MotorKind> = Extract<MotorSetup, { kind: Kind }>;

/** How a part is fitted to a motor. */
export interface FittedToMotor<Motor> {
  /** The catalogue's word for what is fitted; 'own' for bands in sizes of their own. */
  read(motor: Motor): string;
  /** The motor with this part of the catalogue. */
  fit(motor: Motor, key: string): Motor;
  /** How many of it the motor takes; one if left out. */
  needed?(motor: Motor): number;
}

/**
 * All that is distinguished by what drives a car: a new kind is one such record, and its line in `motors.ts`. What the run
 * model has to know of it is in `core/motor`, how it looks in `core/geometry/motors` and `web/drawing/motors`.
 */
export interface MotorRecord<Motor extends MotorDesign> {
  /** What a car of this kind is driven by, in words. */
  readonly name: string;
  /** In which a new car of this kind differs from others: one that already runs. */
  readonly newCar: Pick<CarDesign, 'rest' | 'wheelbase' | 'driveWheels' | 'otherWheels' | 'motor'> & Partial<CarDesign>;
  /** Its sizes, in the order they are shown, those of the car among them but for what a scale says (`sizes.ts`). */
  readonly sizes: readonly Size[];
  /** What is not known exactly of such a motor: an estimate for each, SI units. */
  readonly values: { readonly [Key in ValueKey]?: (design: CarDesign, motor: Motor) => number };
  /** Those of them that say how much energy it holds. */
  readonly energyValues: readonly ValueKey[];
  /** The two of them that its force is proportional to. */
  readonly strengthValues: readonly [ValueKey, ValueKey];
  /** Parts fitted to the motor itself. */
  readonly parts: { readonly [Slot in PartSlot]?: FittedToMotor<Motor> };
  /** What lever, string or bands weigh, kg, and where their middle is, m from the drive axle toward the other. The trap is part of the rest. */
  weight(design: CarDesign, motor: Motor): { readonly mass: number; readonly at: number };
  /** What of it is in the wind, seen from the front, m². */
  frontArea(design: CarDesign, motor: Motor): number;
  /** The plain numbers of its run, wound as told. */
  setup(design: CarDesign, motor: Motor, numbers: Numbers, wind: Wind): SetupOf<Motor['kind']>;
  /** What the setup's keys are called in a design, where that is otherwise. */
  readonly keysInDesign: Readonly<Record<string, string>>;
  /** Drive-axle turns of a full wind. */
  fullTurns(design: CarDesign, motor: Motor, numbers: Numbers): number;
  /** The motor wound a little further or less than told, in standard deviations of what a hand is off. */
  woundOff(design: CarDesign, motor: Motor, deviations: number): Motor;
  woundOffWords(motor: Motor): string;
  /** What is chosen for the end that lets go; null where it has none. */
  readonly release: { readonly label: string; readonly freeWords: string } | null;
  /** Along the body between what holds the motor and the drive axle, m; and how thick one turn lies on the axle, m. 0 for a roller. */
  pullLength(motor: Motor): number;
  strandThickness(motor: Motor): number;
  /** The car with its motor placed again where a search has changed its sizes, and on a body that carries it. */
  placed(design: CarDesign, motor: Motor): CarDesign;
  /** Its main sizes in a few words each, the first for the drawing. */
  labels(motor: Motor, format: FormatValue): readonly string[];
  /** What holds it on the body: `trap`; empty for a roller. */
  readonly holder: string;
  /** What keeps hands, eyes and faces whole while it is wound. Common practice. */
  readonly windingCaution: string;
  /** How its turns lie on the axle when it is wound well; null for a roller. */
  readonly turnsCheck: string | null;
  /** The size that trades force against distance, and what it is called; null for none. */
  readonly tradeOff: { readonly size: string; readonly name: string; readonly noun: string } | null;
  /** Sizes that say how many turns a full wind is, besides the axle. */
  readonly sizesOfTurns: readonly string[];
  /** Where its energy and its turns come from, as a formula in words. */
  readonly energyFormula: string;
  readonly turnsFormula: string;
}
