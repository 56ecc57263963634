import type { Quantity } from '../units/quantity.ts';
import type { CarDesign } from './car-design.ts';

/** One number of a design that can be typed or slid, with the range a slider covers (SI). Typing may go beyond it, as far as the file format does. */
export interface Size {
  readonly id: string;
  readonly label: string;
  readonly quantity: Quantity;
  readonly low: number;
  readonly high: number;
  readonly read: (design: CarDesign) => number;
  readonly write: (design: CarDesign, value: number) => CarDesign;
}

const size = (
  id: string,
  label: string,
  quantity: Quantity,
  [low, high]: readonly [number, number],
  read: Size['read'],
  write: Size['write'],
): Size => ({ id, label, quantity, low, high, read, write });

const motorSize = (id: 'leverLength' | 'trapPosition', label: string, range: readonly [number, number]): Size =>
  size(
    id,
    label,
    'size',
    range,
    (d) => d.motor[id],
    (d, value) => ({ ...d, motor: { ...d.motor, [id]: value } }),
  );

const wheelSize = (id: 'driveWheels' | 'otherWheels', label: string): Size =>
  size(
    id,
    label,
    'size',
    [0.03, 0.4],
    (d) => d[id].diameter,
    (d, diameter) => ({ ...d, [id]: { ...d[id], diameter } }),
  );

const plainSize = (
  id: 'wheelbase' | 'axleDiameter' | 'mass' | 'driveLoadShare',
  label: string,
  quantity: Quantity,
  range: readonly [number, number],
): Size =>
  size(
    id,
    label,
    quantity,
    range,
    (d) => d[id],
    (d, value) => ({ ...d, [id]: value }),
  );

export const SIZES: readonly Size[] = [
  motorSize('leverLength', 'Lever length', [0.04, 0.5]),
  motorSize('trapPosition', 'Trap to drive axle', [0.04, 0.5]),
  wheelSize('driveWheels', 'Drive wheels ⌀'),
  plainSize('axleDiameter', 'Axle (spool) ⌀', 'size', [0.0015, 0.02]),
  wheelSize('otherWheels', 'Other wheels ⌀'),
  plainSize('wheelbase', 'Wheelbase', 'size', [0.1, 0.6]),
  plainSize('mass', 'Ready-to-run weight', 'weight', [0.05, 0.5]),
  plainSize('driveLoadShare', 'On the drive wheels', 'share', [0.3, 0.9]),
  size(
    'slope',
    'Slope, uphill',
    'angle',
    [-0.1, 0.1],
    (d) => d.floor.slope,
    (d, slope) => ({ ...d, floor: { ...d.floor, slope } }),
  ),
];
