import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { memo } from 'react';
import { MOTOR_NAMES, type CarDesign, type MotorDesign, type MotorKind } from '../../../core/design/car-design.ts';
import { withMotor } from '../../../core/design/with-motor.ts';
import {
  AXLES,
  BANDS,
  bandSizes,
  BEARINGS,
  BODIES,
  CARE,
  FLOORS,
  LEVER_MATERIALS,
  TYRES,
  WASHERS,
  WHEELS,
} from '../../../core/design/catalogue.ts';
import plain from '../../ui/plain.module.css';
import styles from './design-page.module.css';
import type { Edit } from './design-slice.ts';

interface Choice {
  readonly label: string;
  readonly options: Readonly<Record<string, { readonly label: string }>>;
  readonly read: (design: CarDesign) => string;
  readonly write: (design: CarDesign, key: never) => CarDesign;
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
const TYRE = choice(
  'Tyre on the drive wheels',
  TYRES,
  (d) => d.tyre,
  (d, tyre) => ({ ...d, tyre }),
);
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
const DRIVE_WHEELS = choice(
  'Drive wheels',
  WHEELS,
  (d) => d.driveWheels.kind,
  (d, kind) => ({ ...d, driveWheels: { ...d.driveWheels, kind } }),
);
const ON_AXLES: readonly Choice[] = [
  choice(
    'Bearing',
    BEARINGS,
    (d) => d.bearing,
    (d, bearing) => ({ ...d, bearing }),
  ),
  choice(
    'Axles',
    AXLES,
    (d) => d.axle,
    // A part comes with its own usual diameter.
    (d, axle) => ({ ...d, axle, axleDiameter: AXLES[axle].diameter }),
  ),
  DRIVE_WHEELS,
  choice(
    'Other wheels',
    WHEELS,
    (d) => d.otherWheels?.kind ?? 'optical-disc',
    (d, kind) => (d.otherWheels ? { ...d, otherWheels: { ...d.otherWheels, kind } } : d),
  ),
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
  choice(
    'Body',
    BODIES,
    (d) => d.body.kind,
    (d, kind) => ({ ...d, body: { ...d.body, kind } }),
  ),
];

const COUNTS = Object.fromEntries(Array.from({ length: 6 }, (_, i) => [`${i + 1}`, { label: `${i + 1}` }]));
const BAND_SIZES = { ...BANDS, own: { label: 'own sizes' } };
type Banded = Exclude<MotorDesign, { kind: 'lever' }>;
const ofBands = (d: CarDesign, change: (motor: Banded) => Banded): CarDesign =>
  d.motor.kind === 'lever' ? d : { ...d, motor: change(d.motor) };
const bandsOf = (d: CarDesign): Banded | null => (d.motor.kind === 'lever' ? null : d.motor);
const BAND_CHOICES: readonly Choice[] = [
  choice(
    'Bands',
    BAND_SIZES,
    (d) => {
      const band = bandsOf(d)?.band;
      return band?.kind === 'size' ? band.size : 'own';
    },
    (d, size) =>
      ofBands(d, (motor) => ({ ...motor, band: size === 'own' ? { kind: 'own', ...bandSizes(motor.band) } : { kind: 'size', size } })),
  ),
  choice(
    'Bands side by side',
    COUNTS,
    (d) => `${bandsOf(d)?.parallel ?? 1}`,
    (d, count) => ofBands(d, (motor) => ({ ...motor, parallel: Number(count) })),
  ),
  choice(
    'Bands end to end',
    COUNTS,
    (d) => `${bandsOf(d)?.series ?? 1}`,
    (d, count) => ofBands(d, (motor) => ({ ...motor, series: Number(count) })),
  ),
];
const release = (label: string, freeWords: string): Choice =>
  choice(
    label,
    { free: { label: freeWords }, tied: { label: 'tied: winds up again and brakes' } },
    (d) => (d.motor.kind === 'twist' ? 'free' : d.motor.release),
    (d, how) => (d.motor.kind === 'twist' ? d : { ...d, motor: { ...d.motor, release: how } }),
  );

const CHOICES: Readonly<Record<MotorKind, readonly Choice[]>> = {
  lever: [
    MOTOR,
    TYRE,
    FLOOR,
    ...ON_AXLES,
    TRUENESS,
    choice(
      'Lever of',
      LEVER_MATERIALS,
      (d) => (d.motor.kind === 'lever' ? d.motor.leverMaterial : 'dowel'),
      (d, leverMaterial) => (d.motor.kind === 'lever' ? { ...d, motor: { ...d.motor, leverMaterial } } : d),
    ),
    release('End of the string', 'drops off its hook'),
  ],
  band: [MOTOR, TYRE, FLOOR, ...BAND_CHOICES, ...ON_AXLES, TRUENESS, release('End of the band', 'drops off the axle')],
  twist: [
    MOTOR,
    TYRE,
    FLOOR,
    ...BAND_CHOICES,
    DRIVE_WHEELS,
    choice(
      'Washer under the band’s hook',
      WASHERS,
      (d) => (d.motor.kind === 'twist' ? d.motor.washer : 'bead'),
      (d, washer) => (d.motor.kind === 'twist' ? { ...d, motor: { ...d.motor, washer } } : d),
    ),
    TRUENESS,
  ],
};

/** What the car is made of and runs on. */
export function PartsPanel({ design, edit }: { readonly design: CarDesign; readonly edit: Edit }) {
  return (
    <section aria-labelledby="parts-title" className={styles.fields}>
      <h2 id="parts-title" className={plain.heading}>
        Parts and floor
      </h2>
      {CHOICES[design.motor.kind].map((part) => (
        <ChoiceField key={part.label} part={part} value={part.read(design)} edit={edit} />
      ))}
    </section>
  );
}

interface ChoiceFieldProps {
  readonly part: Choice;
  readonly value: string;
  readonly edit: Edit;
}

/** Drawn anew only when its own choice changes. */
const ChoiceField = memo(function ChoiceField({ part: { label, options, write }, value, edit }: ChoiceFieldProps) {
  return (
    <TextField
      select
      size="small"
      label={label}
      value={value}
      onChange={({ target }) => edit((design) => write(design, target.value as never))}
    >
      {Object.entries(options).map(([key, option]) => (
        <MenuItem key={key} value={key}>
          {option.label}
        </MenuItem>
      ))}
    </TextField>
  );
});
