import type { CarDesign, MotorKind } from '../../../../core/car/car-design.ts';
import type { CarGroup } from '../../../../core/car/car-groups.ts';
import { axleHookKey } from '../../../../core/car/axle-hook.ts';
import { AXLE_HOOKS, BEARINGS, CARE, FLOORS, STIFFENERS } from '../../../../core/car/catalogue.ts';
import { describeStiffener } from '../../../../core/car/stiffener.ts';
import { hasBands, isWoundByFeel, isWoundOnAxle, MOTOR_KINDS, MOTORS } from '../../../../core/car/motors/motors.ts';
import { withTurns } from '../../../../core/car/motors/rubber-motors.ts';
import { fittedKey, neededAt } from '../../../../core/car/parts.ts';
import type { PartSlot } from '../../../../core/car/part-slots.ts';
import { fullTurns } from '../../../../core/predict/derive-run-setup.ts';
import { withMotor, woundByFeel } from '../../../../core/car/new-car.ts';

/** Something of a car that is chosen from a few. */
export interface Choice {
  readonly group: CarGroup;
  readonly label: string;
  readonly options: Readonly<Record<string, { readonly label: string }>>;
  readonly read: (design: CarDesign) => string;
  /** `key`: one of the options. */
  write(design: CarDesign, key: string): CarDesign;
}

/** A place where a part is fitted, from the catalogue or the builder's own. */
export interface PartChoice {
  readonly label: string;
  readonly slot: PartSlot;
  /** The part it is put on: it is reported in one row with it. */
  readonly on?: PartSlot;
}

const choice = <K extends string>(
  group: CarGroup,
  label: string,
  options: Readonly<Record<K, { readonly label: string }>>,
  read: (design: CarDesign) => K,
  write: (design: CarDesign, key: K) => CarDesign,
): Choice => ({ group, label, options, read, write });

const MOTOR = choice(
  'motor',
  'Motor',
  Object.fromEntries(MOTOR_KINDS.map((kind) => [kind, { label: MOTORS[kind].name }])) as Record<MotorKind, { label: string }>,
  (d) => d.motor.kind,
  withMotor,
);
const TYRE: PartChoice = { label: 'Tyre on the drive wheels', slot: 'tyre', on: 'driveWheels' };
const DRIVE_WHEELS: PartChoice = { label: 'Drive wheels', slot: 'driveWheels' };
const FLOOR = choice(
  'floor',
  'Floor',
  FLOORS,
  (d) => d.floor.kind,
  (d, kind) => ({ ...d, floor: { ...d.floor, kind } }),
);
const TRUENESS = choice(
  'straight',
  'Build quality',
  CARE,
  (d) => d.care,
  (d, care) => ({ ...d, care }),
);
type Stiffener = NonNullable<CarDesign['body']['stiffener']>;
const keyOfStiffener = ({ kind, count }: Stiffener): string => `${kind} ${count}`;
/** One to four of each kind. */
const STIFFENER_CHOICES: ReadonlyMap<string, Stiffener> = new Map(
  (Object.keys(STIFFENERS) as Stiffener['kind'][]).flatMap((kind) =>
    [1, 2, 3, 4].map((count): [string, Stiffener] => [keyOfStiffener({ kind, count }), { kind, count }]),
  ),
);
const STIFFENER_OPTIONS: Readonly<Record<string, { readonly label: string }>> = {
  none: { label: 'nothing' },
  ...Object.fromEntries([...STIFFENER_CHOICES].map(([key, stiffener]) => [key, { label: describeStiffener(stiffener) }])),
};
const ON_AXLES: readonly (Choice | PartChoice)[] = [
  DRIVE_WHEELS,
  { label: 'Axles', slot: 'axle' },
  { label: 'Bearing', slot: 'bearing' },
  choice(
    'otherAxle',
    'Bearing of the other axle',
    { same: { label: 'as on the drive axle' }, ...BEARINGS },
    ({ otherBearing }) => otherBearing ?? 'same',
    ({ otherBearing: _before, ...d }, kind) => (kind === 'same' ? d : { ...d, otherBearing: kind }),
  ),
  { label: 'Other wheels', slot: 'otherWheels' },
  choice(
    'otherAxle',
    'Wheels on the other axle',
    { '2': { label: 'two (four-wheeler)' }, '1': { label: 'one (three-wheeler)' } },
    (d) => `${d.layout.otherWheelCount}`,
    (d, count) => ({ ...d, layout: { ...d.layout, otherWheelCount: count === '1' ? 1 : 2 } }),
  ),
  choice(
    'driveAxle',
    'Drive axle',
    { rear: { label: 'at the rear' }, front: { label: 'in front' } },
    (d) => d.layout.driveAxle,
    (d, driveAxle) => ({ ...d, layout: { ...d.layout, driveAxle } }),
  ),
  { label: 'Body', slot: 'body' },
  choice(
    'body',
    'Outline of the body',
    { even: { label: 'as wide all along' }, triangle: { label: 'a triangle, narrow at the other axle' } },
    ({ body: { outline } }) => outline ?? 'even',
    ({ body: { outline: _before, ...body }, ...d }, outline) => ({ ...d, body: outline === 'even' ? body : { ...body, outline } }),
  ),
  choice(
    'body',
    'Reinforced by',
    STIFFENER_OPTIONS,
    ({ body: { stiffener } }) => (stiffener ? keyOfStiffener(stiffener) : 'none'),
    (d, key) => {
      const { stiffener: _present, ...body } = d.body;
      const stiffener = STIFFENER_CHOICES.get(key);
      return { ...d, body: stiffener ? { ...body, stiffener } : body };
    },
  ),
  choice(
    'body',
    'Load rides',
    { deck: { label: 'on the deck' }, basket: { label: 'in a basket' } },
    ({ load }) => load.in ?? 'deck',
    (d, where) => {
      const { in: _before, ...load } = d.load;
      return { ...d, load: where === 'basket' ? { ...load, in: where } : load };
    },
  ),
  choice(
    'body',
    'Deck over the drive axle',
    { notched: { label: 'cut out' }, whole: { label: 'whole' } },
    (d) => (d.body.notched ? 'notched' : 'whole'),
    (d, how) => ({ ...d, body: { ...d.body, notched: how === 'notched' } }),
  ),
];

const COUNTS = Object.fromEntries(Array.from({ length: 6 }, (_, i) => [`${i + 1}`, { label: `${i + 1}` }]));
const bandCount = (label: string, key: 'parallel' | 'series'): Choice =>
  choice(
    'motor',
    label,
    COUNTS,
    ({ motor }) => `${hasBands(motor) ? motor[key] : 1}`,
    (d, count) => (hasBands(d.motor) ? { ...d, motor: { ...d.motor, [key]: Number(count) } } : d),
  );
const FULL_WINDING = choice(
  'motor',
  'Full wind',
  { tight: { label: 'until the band is tight, not counted' }, counted: { label: 'a number of turns' } },
  (d) => (isWoundByFeel(d) ? 'tight' : 'counted'),
  (d, how) => {
    if (!hasBands(d.motor)) return d;
    if (how === 'tight') return woundByFeel(d);
    return { ...d, motor: withTurns(d.motor, Math.max(Math.floor(2 * fullTurns(d)) / 2, 0.5)) };
  },
);
/** How far bands are pulled out that are stretched while they are wound, times their length: they lie thinner on the axle. Common practice. */
const STRETCHED = 2;
/** How bands are wound, as builders say it. */
const WOUND_BY = { hand: { label: 'turning the wheels by hand' }, drill: { label: 'a hand drill' } } as const;
const woundBy = (options: Readonly<Record<string, { readonly label: string }>>): Choice =>
  choice(
    'motor',
    'Wound by',
    options,
    ({ motor }) => (hasBands(motor) ? (motor.woundBy ?? 'hand') : 'hand'),
    (d, how) => {
      if (!hasBands(d.motor)) return d;
      const { woundBy: before, ...byHand } = d.motor;
      if (how === 'drill') return { ...d, motor: { ...byHand, woundBy: how } };
      if (byHand.kind !== 'band') return { ...d, motor: byHand };
      if (how === 'stretch')
        return { ...d, motor: { ...byHand, woundBy: how, windingStretch: Math.max(byHand.windingStretch, STRETCHED) } };
      return { ...d, motor: before === 'stretch' ? { ...byHand, windingStretch: 1 } : byHand };
    },
  );
const BAND_CHOICES: readonly (Choice | PartChoice)[] = [
  { label: 'Bands', slot: 'band' },
  bandCount('Bands side by side', 'parallel'),
  bandCount('Bands end to end', 'series'),
  FULL_WINDING,
];
/** What is chosen for the end of string or band, where the motor has one. */
function release(kind: MotorKind): Choice[] {
  const words = MOTORS[kind].release;
  if (!words) return [];
  return [
    choice(
      'motor',
      words.label,
      { free: { label: words.freeWords }, tied: { label: 'tied: winds up again and brakes' } },
      ({ motor }) => (isWoundOnAxle(motor) ? motor.release : 'free'),
      (d, how) => (isWoundOnAxle(d.motor) ? { ...d, motor: { ...d.motor, release: how } } : d),
    ),
  ];
}

/** What catches string or band on the drive axle. */
const AXLE_HOOK = choice('driveAxle', 'Hook on the drive axle', AXLE_HOOKS, axleHookKey, (d, key) => {
  if (!isWoundOnAxle(d.motor)) return d;
  const { axleHook: _before, ...motor } = d.motor;
  return { ...d, motor: key === 'wire' ? motor : { ...motor, axleHook: key } };
});
const LEVER_HELD_BY = choice(
  'motor',
  'Lever held by',
  { thread: { label: 'thread and glue' }, 'zip-tie': { label: 'zip ties' }, tape: { label: 'tape' } },
  ({ motor }) => (motor.kind === 'lever' ? (motor.heldBy ?? 'thread') : 'thread'),
  (d, how) => {
    if (d.motor.kind !== 'lever') return d;
    const { heldBy: _before, ...motor } = d.motor;
    return { ...d, motor: how === 'thread' ? motor : { ...motor, heldBy: how } };
  },
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
    LEVER_HELD_BY,
    AXLE_HOOK,
    ...release('lever'),
  ],
  band: [
    MOTOR,
    TYRE,
    FLOOR,
    ...BAND_CHOICES,
    woundBy({ ...WOUND_BY, stretch: { label: 'stretching the band while turning' } }),
    AXLE_HOOK,
    ...ON_AXLES,
    TRUENESS,
    ...release('band'),
  ],
  twist: [
    MOTOR,
    TYRE,
    FLOOR,
    ...BAND_CHOICES,
    woundBy(WOUND_BY),
    DRIVE_WHEELS,
    { label: 'Washer under the band’s hook', slot: 'washer' },
    TRUENESS,
  ],
};

/** Whether two designs are made of the same and run on the same, whatever their sizes. */
export function isSameChoice(a: CarDesign, b: CarDesign): boolean {
  /** The sizes of a band that are typed. */
  const bandOf = ({ motor }: CarDesign): unknown => (hasBands(motor) && motor.band.kind !== 'size' ? motor.band : null);
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
