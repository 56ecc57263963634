import { MOTOR_NAMES, type CarDesign, type MotorDesign, type MotorKind } from '../../../../core/design/car-design.ts';
import { CARE, FLOORS } from '../../../../core/design/catalogue.ts';
import { fittedKey, neededAt, type PartSlot } from '../../../../core/design/parts.ts';
import { withMotor } from '../../../../core/design/with-motor.ts';

/** Something of a car that is chosen from a few. */
export interface Choice {
  readonly label: string;
  readonly options: Readonly<Record<string, { readonly label: string }>>;
  readonly read: (design: CarDesign) => string;
  readonly write: (design: CarDesign, key: never) => CarDesign;
}

/** A place where a part is fitted, from the catalogue or the builder's own. */
export interface PartChoice {
  readonly label: string;
  readonly slot: PartSlot;
}

const choice = <K extends string>(
  label: string,
  options: Readonly<Record<K, { readonly label: string }>>,
  read: (design: CarDesign) => K,
  write: (design: CarDesign, key: K) => CarDesign,
): Choice => ({ label, options, read, write });

const MOTOR = choice(
  'Driven by',
  { lever: { label: MOTOR_NAMES.lever }, band: { label: MOTOR_NAMES.band }, twist: { label: MOTOR_NAMES.twist } },
  (d) => d.motor.kind,
  withMotor,
);
const TYRE: PartChoice = { label: 'Tyre on the drive wheels', slot: 'tyre' };
const DRIVE_WHEELS: PartChoice = { label: 'Drive wheels', slot: 'driveWheels' };
const FLOOR = choice(
  'Floor',
  FLOORS,
  (d) => d.floor.kind,
  (d, kind) => ({ ...d, floor: { ...d.floor, kind } }),
);
const TRUENESS = choice(
  'How true the wheels run',
  CARE,
  (d) => d.care,
  (d, care) => ({ ...d, care }),
);
const ON_AXLES: readonly (Choice | PartChoice)[] = [
  { label: 'Bearing', slot: 'bearing' },
  { label: 'Axles', slot: 'axle' },
  DRIVE_WHEELS,
  { label: 'Other wheels', slot: 'otherWheels' },
  choice(
    'Wheels on the other axle',
    { '2': { label: 'two (four-wheeler)' }, '1': { label: 'one (three-wheeler)' } },
    (d) => `${d.layout.otherWheelCount}`,
    (d, count) => ({ ...d, layout: { ...d.layout, otherWheelCount: count === '1' ? 1 : 2 } }),
  ),
  choice(
    'Drive axle',
    { rear: { label: 'at the rear' }, front: { label: 'in front' } },
    (d) => d.layout.driveAxle,
    (d, driveAxle) => ({ ...d, layout: { ...d.layout, driveAxle } }),
  ),
  { label: 'Body', slot: 'body' },
];

const COUNTS = Object.fromEntries(Array.from({ length: 6 }, (_, i) => [`${i + 1}`, { label: `${i + 1}` }]));
type Banded = Exclude<MotorDesign, { kind: 'lever' }>;
const ofBands = (d: CarDesign, change: (motor: Banded) => Banded): CarDesign =>
  d.motor.kind === 'lever' ? d : { ...d, motor: change(d.motor) };
const bandCount = (label: string, key: 'parallel' | 'series'): Choice =>
  choice(
    label,
    COUNTS,
    ({ motor }) => `${motor.kind === 'lever' ? 1 : motor[key]}`,
    (d, count) => ofBands(d, (motor) => ({ ...motor, [key]: Number(count) })),
  );
const BAND_CHOICES: readonly (Choice | PartChoice)[] = [
  { label: 'Bands', slot: 'band' },
  bandCount('Bands side by side', 'parallel'),
  bandCount('Bands end to end', 'series'),
];
const release = (label: string, freeWords: string): Choice =>
  choice(
    label,
    { free: { label: freeWords }, tied: { label: 'tied: winds up again and brakes' } },
    (d) => (d.motor.kind === 'twist' ? 'free' : d.motor.release),
    (d, how) => (d.motor.kind === 'twist' ? d : { ...d, motor: { ...d.motor, release: how } }),
  );

/** What is chosen for a car of each kind, in the order it is shown. */
export const CHOICES: Readonly<Record<MotorKind, readonly (Choice | PartChoice)[]>> = {
  lever: [
    MOTOR,
    TYRE,
    FLOOR,
    { label: 'Trap', slot: 'trap' },
    ...ON_AXLES,
    TRUENESS,
    { label: 'Lever of', slot: 'lever' },
    release('End of the string', 'drops off its hook'),
  ],
  band: [MOTOR, TYRE, FLOOR, ...BAND_CHOICES, ...ON_AXLES, TRUENESS, release('End of the band', 'drops off the axle')],
  twist: [MOTOR, TYRE, FLOOR, ...BAND_CHOICES, DRIVE_WHEELS, { label: 'Washer under the band’s hook', slot: 'washer' }, TRUENESS],
};

/** Whether two designs are made of the same and run on the same, whatever their sizes. */
export function isSameChoice(a: CarDesign, b: CarDesign): boolean {
  /** The sizes of a band that are typed. */
  const bandOf = ({ motor }: CarDesign): unknown => (motor.kind !== 'lever' && motor.band.kind === 'own' ? motor.band : null);
  return (
    a.motor.kind === b.motor.kind &&
    a.own === b.own &&
    bandOf(a) === bandOf(b) &&
    CHOICES[a.motor.kind].every((choice) =>
      'slot' in choice
        ? fittedKey(a, choice.slot) === fittedKey(b, choice.slot) && neededAt(a, choice.slot) === neededAt(b, choice.slot)
        : choice.read(a) === choice.read(b),
    )
  );
}
