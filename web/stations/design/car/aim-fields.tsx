import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { memo } from 'react';
import type { Aim, Floor, Limits } from '../../../../core/car/car-design.ts';
import type { Print } from '../../../../core/units/quantity.ts';
import { QuantityField } from '../../../ui/quantity-field.tsx';
import type { Edit } from '../../../open-car/design-slice.ts';
import styles from './car-panel.module.css';

const AIMS: Readonly<Record<Aim['kind'], string>> = {
  furthest: 'go furthest',
  'at-least': 'go at least …',
  'quickest-to': 'be quickest to …',
  'closest-to': 'stop closest to …',
};
/** m, where an aim first gets a distance. */
const FIRST_DISTANCE = 5;

const within = (low: number, high: number, unit: string) => (value: number) =>
  value > low && value <= high ? null : `Must be above ${low} and at most ${high} ${unit}.`;

/** What is asked of a car, in a few words. */
export const AIM_WORDS: Readonly<Record<Aim['kind'], (aim: Aim, print: Print) => string>> = {
  furthest: () => 'furthest',
  'at-least': ({ distance }, print) => `at least ${print(distance!, 'distance')}`,
  'quickest-to': ({ distance }, print) => `quickest to ${print(distance!, 'distance')}`,
  'closest-to': ({ distance }, print) => `closest to ${print(distance!, 'distance')}`,
};

interface AimFieldsProps {
  readonly aim: Aim;
  readonly limits: Limits;
  readonly edit: Edit;
}

/** What the car is to do, and what the rules allow. */
export const AimFields = memo(function AimFields({ aim, limits, edit }: AimFieldsProps) {
  return (
    <div className={styles.rows}>
      <TextField
        select
        size="small"
        label="Aim"
        value={aim.kind}
        onChange={({ target }) => {
          const kind = target.value as Aim['kind'];
          edit((car) => ({ ...car, aim: { kind, distance: kind === 'furthest' ? null : (car.aim.distance ?? FIRST_DISTANCE) } }));
        }}
      >
        {Object.entries(AIMS).map(([kind, words]) => (
          <MenuItem key={kind} value={kind}>
            {words}
          </MenuItem>
        ))}
      </TextField>
      {aim.distance !== null && (
        <QuantityField
          size="small"
          label="Distance aimed at"
          quantity="distance"
          value={aim.distance}
          check={within(0, 1000, 'm')}
          onChange={(distance) => edit((car) => ({ ...car, aim: { ...car.aim, distance } }))}
        />
      )}
      <LimitFields limits={limits} edit={edit} />
    </div>
  );
});

interface RoomFieldsProps {
  readonly floor: Floor;
  readonly edit: Edit;
}

/** The room the car has. */
export const RoomFields = memo(function RoomFields({ floor, edit }: RoomFieldsProps) {
  return (
    <div className={styles.rows}>
      <QuantityField
        size="small"
        label="Line to wall (0: open)"
        quantity="distance"
        value={floor.roomLength ?? 0}
        check={within(-1e-9, 1000, 'm')}
        onChange={(room) => edit((car) => ({ ...car, floor: { ...car.floor, roomLength: room > 0 ? room : null } }))}
      />
      <QuantityField
        size="small"
        label="Lane width (0: none)"
        quantity="distance"
        value={floor.laneWidth ?? 0}
        check={within(-1e-9, 100, 'm')}
        onChange={(lane) => edit((car) => ({ ...car, floor: { ...car.floor, laneWidth: lane > 0 ? lane : null } }))}
      />
    </div>
  );
});

const LIMITED = [
  ['length', 'Longest allowed', 'size', 5],
  ['width', 'Widest allowed', 'size', 5],
  ['height', 'Highest allowed', 'size', 5],
  ['mass', 'Heaviest allowed', 'weight', 10],
  ['bands', 'Most bands allowed', 'count', 400],
] as const;

/** What the rules allow; 0 where they say nothing. */
const LimitFields = ({ limits, edit }: Pick<AimFieldsProps, 'limits' | 'edit'>) => (
  <Box component="details" sx={{ '& summary': { cursor: 'pointer', fontSize: 14 } }}>
    <summary>Limits of the rules</summary>
    <Box sx={{ display: 'grid', gap: 3, pt: 3 }}>
      {LIMITED.map(([key, label, quantity, most]) => (
        <QuantityField
          key={key}
          size="small"
          label={`${label} (0: any)`}
          quantity={quantity}
          value={limits[key] ?? 0}
          check={(value) =>
            value < 0 || value > most || (key === 'bands' && !Number.isInteger(value))
              ? `Must be 0 to ${most}${key === 'bands' ? ', whole bands' : ''}.`
              : null
          }
          onChange={(value) => edit((car) => ({ ...car, limits: { ...car.limits, [key]: value > 0 ? value : null } }))}
        />
      ))}
    </Box>
  </Box>
);
