import { describeChain } from './band-chain.ts';
import { describePartValue } from './piece-weight.ts';
import { describeStiffener } from './stiffener.ts';
import { formatIn, formatQuantity, type UnitSystem, valueIn } from '../units/quantity.ts';
import { bandSizes, BEARINGS, CARE } from './catalogue.ts';
import { describeFloor } from './floors.ts';
import { fittedName, PART_VALUES } from './parts.ts';
import { SLOTS, type PartSlot } from './part-slots.ts';
import type { CarDesign } from './car-design.ts';
import { hasBands, isWoundByFeel, isWoundOnAxle, recordOf } from './motors/motors.ts';
import { sizesOf } from './sizes.ts';
import { describeSleeve } from './tape.ts';
import { VALUE_NAMES, VALUE_UNITS, type ValueKey } from './value-table.ts';

/** One thing in which two designs differ, in words. */
export interface Difference {
  readonly label: string;
  readonly from: string;
  readonly to: string;
}

type Words = readonly [label: string, (design: CarDesign) => string];

/** What is not a number: the parts a design is made of. */
const CHOICES: readonly Words[] = [
  ['driven by', (d) => recordOf(d.motor).name],
  ...(Object.keys(SLOTS) as PartSlot[]).map((slot): Words => [SLOTS[slot].label, (d) => partWords(d, slot)]),
  ['wheels on the other axle', (d) => `${d.layout.otherWheelCount}`],
  ['drive axle', (d) => (d.layout.driveAxle === 'rear' ? 'at the rear' : 'in front')],
  ['outline of the body', ({ body: { outline } }) => (outline === 'triangle' ? 'triangle' : 'as wide all along')],
  ['reinforced by', ({ body: { stiffener } }) => (stiffener ? describeStiffener(stiffener) : 'nothing')],
  ['bearing of the other axle', (d) => (d.otherBearing ? BEARINGS[d.otherBearing].label : 'as on the drive axle')],
  ['load', ({ load }) => (load.in === 'basket' ? 'in a basket' : 'on the deck')],
  ['wound by', ({ motor }) => (hasBands(motor) ? (motor.woundBy ?? 'hand') : '')],
  ['build', (d) => CARE[d.care].label],
  ['end', (d) => (!isWoundOnAxle(d.motor) ? '' : d.motor.release === 'free' ? 'drops off' : 'tied')],
  ['full winding', (d) => (!hasBands(d.motor) ? '' : isWoundByFeel(d) ? 'until tight' : 'a number of turns')],
  ['bands side by side', (d) => (hasBands(d.motor) ? `${d.motor.parallel}` : '')],
  ['bands end to end', (d) => (hasBands(d.motor) ? describeChain(d.motor) : '')],
];

/** A part's name; of the builder's own with its values, which may differ under one name, and of bands in own sizes with those. */
function partWords(design: CarDesign, slot: PartSlot): string {
  const { motor, own } = design;
  const name = fittedName(design, slot);
  const sizes = slot === 'band' && hasBands(motor) && motor.band.kind === 'own' ? bandSizes(motor.band) : own?.[slot]?.values;
  if (!sizes || name === '') return name;
  const values = sizes as Readonly<Record<string, number>>;
  return `${name} (${PART_VALUES[SLOTS[slot].kind]
    .flatMap((partValue) => {
      const value = values[partValue.key];
      if (value === undefined) return [];
      return [partValue.piece ? describePartValue(partValue, values) : valueIn(partValue, value)];
    })
    .join(', ')})`;
}

/** Weight and share follow the parts: they differ by themselves where the car was put on the scale again. */
const isOnScale = (id: string): boolean => id === 'mass' || id === 'driveLoadShare';
const isSameRest = ({ rest: a }: CarDesign, { rest: b }: CarDesign): boolean => a.mass === b.mass && a.fromDriveAxle === b.fromDriveAxle;

/** Everything in which `to` differs from `from`: parts, sizes, measured values, aim and floor. */
export function differences(from: CarDesign, to: CarDesign, units: UnitSystem): Difference[] {
  const list: Difference[] = [];
  const compare = (label: string, before: string, after: string): void => {
    if (before !== after) list.push({ label, from: before, to: after });
  };
  for (const [label, read] of CHOICES) compare(label, read(from), read(to));
  compare('tape', describeSleeve(from, units), describeSleeve(to, units));
  for (const { id, label, quantity, isRestated, read } of sizesOf(to.motor.kind))
    if (
      !isRestated &&
      !(id === 'turns' && isWoundByFeel(from) && isWoundByFeel(to)) &&
      !id.startsWith('sleeve') &&
      !(isOnScale(id) && isSameRest(from, to)) &&
      read(from) !== read(to)
    )
      compare(label.toLowerCase(), formatQuantity(read(from), quantity, units), formatQuantity(read(to), quantity, units));
  for (const key of Object.keys(VALUE_NAMES) as ValueKey[]) {
    const words = (d: CarDesign): string =>
      d.measured[key] ? `${valueIn(VALUE_UNITS[key], d.measured[key].value, 4)} measured` : 'estimated';
    compare(VALUE_NAMES[key], words(from), words(to));
  }
  const onFloor = (d: CarDesign): string => describeFloor(d.floor, formatIn(units));
  // A slope at the line is a size by itself.
  const { slope } = to.floor;
  compare('floor', onFloor({ ...from, floor: { ...from.floor, slope } }), onFloor(to));
  const metres = (value: number | null): string => (value === null ? 'none' : formatQuantity(value, 'distance', units));
  compare('room', metres(from.floor.roomLength), metres(to.floor.roomLength));
  compare('lane', metres(from.floor.laneWidth), metres(to.floor.laneWidth));
  const limit = (value: number | null, quantity: 'size' | 'weight' | 'count'): string =>
    value === null ? 'none' : formatQuantity(value, quantity, units);
  for (const key of ['length', 'width', 'height'] as const)
    compare(`${key} limit`, limit(from.limits[key], 'size'), limit(to.limits[key], 'size'));
  compare('weight limit', limit(from.limits.mass, 'weight'), limit(to.limits.mass, 'weight'));
  compare('band limit', limit(from.limits.bands, 'count'), limit(to.limits.bands, 'count'));
  compare('aim', `${from.aim.kind} ${metres(from.aim.distance)}`, `${to.aim.kind} ${metres(to.aim.distance)}`);
  return list;
}

/** The change from one design to another in a sentence: `lever length 180 mm → 220 mm; tyres bare disc → rubber band`. */
export const describeChanges = (from: CarDesign, to: CarDesign, units: UnitSystem): string =>
  differences(from, to, units)
    .map(({ label, from: before, to: after }) => `${label} ${before} → ${after}`)
    .join('; ');
