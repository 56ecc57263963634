import type { CarDesign } from '../car/car-design.ts';
import { fittedName, hasTyres, neededAt } from '../car/parts.ts';
import { SLOTS, type PartSlot } from '../car/part-slots.ts';
import { isRoller } from '../car/motors/motors.ts';
import { BEARINGS, SLEEVES, STIFFENERS } from '../car/catalogue.ts';
import { axleOf } from '../car/fitted.ts';
import { bodyLength, bodyWidth, bodyWidthAt, likelyWheelset, placedMasses, standingWeight, stiffenerMass } from '../car/weights.ts';
import { lengthsOf } from './lengths.ts';
import { bearingAt, bearingOutside, isTubeBearing } from '../solid/bearing-sizes.ts';
import { blocksOf } from '../solid/blocks.ts';
import { isOnePiece } from '../solid/motors/twist.ts';
import { SIZE_FORMATS, type SizeFormat } from './size-format.ts';
import { buildOf } from './motors/motors.ts';
import type { PartPlace, CutLength } from './part-names.ts';

/** One line of the parts list, with its number on the drawing. */
export interface PartLine {
  readonly number: number;
  readonly name: string;
  readonly count: number;
  /** Its sizes, in words; empty where its name says them. */
  readonly size: string;
  /** kg of all of them together: an estimate, but for what was weighed. */
  readonly mass: number;
  /** Where it is fitted; null for what no list of parts has. */
  readonly slot: PartSlot | null;
  /** Which views of it a balloon may point at. */
  readonly on: PartPlace;
}

/** Bearings of an axle that are no tubes: one at each end. */
const BEARINGS_OF_AN_AXLE = 2;
/** kg/m³ of a block of layers of card, or of cork. Estimate. */
const BLOCK_DENSITY = 200;
/** kg of a basket of card or of a cup's bottom. Estimate. */
const BASKET_MASS = 0.004;
/** kg/m of tape, 19 mm wide. Estimate. */
const TAPE_PER_METRE = 0.001;

const wheelMass = ({ count, disc, hub }: NonNullable<ReturnType<typeof likelyWheelset>>): number => count * (disc + hub);

/** Everything that a car is made of, in the order it is numbered. */
export function partsList(design: CarDesign, sizes: SizeFormat = SIZE_FORMATS.metric): readonly PartLine[] {
  const { motor, otherWheels, driveWheels, layout, ballast, sleeve } = design;
  const roller = isRoller(design);
  const masses = new Map(placedMasses(design).map(({ what, mass }) => [what, mass]));
  const lengths = new Map(lengthsOf(design, sizes).map((cut) => [cut.id, cut]));
  const [drive, other] = [likelyWheelset(design, 'drive')!, likelyWheelset(design, 'other')];
  const lines: Omit<PartLine, 'number'>[] = [];
  const add = (on: PartPlace, slot: PartSlot | null, name: string, count: number, size: string, mass: number): void => {
    if (count > 0) lines.push({ on, slot, name, count, size, mass });
  };
  const named = (slot: PartSlot): string => `${SLOTS[slot].label.replace(/ of$/, '')}: ${fittedName(design, slot)}`;
  const narrow = bodyWidthAt(design, bodyLength(design));
  if (!roller)
    add(
      'body',
      'body',
      named('body'),
      1,
      `${sizes.size(bodyLength(design))} × ${sizes.size(bodyWidth(design))}${narrow < bodyWidth(design) ? `, ${sizes.size(narrow)} at the narrow end` : ''}`,
      masses.get('body')! - stiffenerMass(design),
    );
  const { stiffener } = design.body;
  if (stiffener && !roller)
    add(
      'body',
      null,
      `stiffener: ${STIFFENERS[stiffener.kind].label}`,
      stiffener.count,
      sizes.size(lengths.get('stiffener')!.length),
      stiffenerMass(design),
    );
  const isOneRoller = roller && isOnePiece(driveWheels.kind);
  add(
    'drive-wheel',
    'driveWheels',
    isOneRoller ? `roller: ${fittedName(design, 'driveWheels')}` : named('driveWheels'),
    isOneRoller ? 1 : 2,
    `⌀ ${sizes.size(driveWheels.diameter)}`,
    wheelMass(drive),
  );
  if (otherWheels && other)
    add(
      'other-wheel',
      'otherWheels',
      named('otherWheels'),
      layout.otherWheelCount,
      `⌀ ${sizes.size(otherWheels.diameter)}`,
      wheelMass(other),
    );
  if (!roller) {
    add('drive-axle', 'axle', `drive axle: ${axleOf(design).label}`, 1, sizes.size(lengths.get('drive-axle')!.length), drive.axle);
    if (other)
      add('other-axle', 'axle', `other axle: ${axleOf(design).label}`, 1, sizes.size(lengths.get('other-axle')!.length), other.axle);
    const bearings = (which: 'drive' | 'other' | 'both', name: string, slot: PartSlot | null): void => {
      const on = which === 'both' ? (['drive', 'other'] as const) : [which];
      const [first] = on as ['drive' | 'other'];
      const isTube = isTubeBearing(design, first);
      const cuts = on.flatMap((axle) => lengths.get(`${axle}-bearing`) ?? []);
      const each = on.length * BEARINGS_OF_AN_AXLE;
      add(
        'bearing',
        slot,
        name,
        isTube ? cuts.reduce((sum, { count }) => sum + count, 0) : each,
        isTube
          ? cuts.map(({ count, length }) => `${count} × ${sizes.size(length)}`).join(', ')
          : `⌀ ${sizes.size(bearingOutside(design, first))}`,
        BEARINGS[bearingAt(design, first)].weight * (isTube ? cuts.reduce((sum, { count, length }) => sum + count * length, 0) : each),
      );
    };
    bearings(design.otherBearing && other ? 'drive' : 'both', named('bearing'), 'bearing');
    if (design.otherBearing && other) bearings('other', `bearing of the other axle: ${BEARINGS[design.otherBearing].label}`, null);
  }
  for (const { under, count, long, high, wide } of blocksOf(design))
    add(
      under === 'deck' ? 'bearing' : 'motor',
      null,
      under === 'deck' ? 'block between deck and bearing' : 'block under the trap',
      count,
      `${sizes.number(long)} × ${sizes.number(wide)} × ${sizes.size(high)}`,
      BLOCK_DENSITY * count * long * high * wide,
    );
  if (hasTyres(design))
    add(
      'tyre',
      'tyre',
      named('tyre'),
      neededAt(design, 'tyre'),
      lengths.has('tyre') ? sizes.size(lengths.get('tyre')!.length) : '',
      drive.count * drive.tyre,
    );
  const cut = (id: CutLength['id']): number => lengths.get(id)!.length;
  for (const { on, slot, name, count, size, mass } of buildOf(motor).parts(design, motor, cut, sizes, (of) => neededAt(design, of)))
    add(on, slot, name ?? named(slot!), count, size, mass ?? masses.get('motor')!);
  if (sleeve.length > 0) {
    const tape = lengths.get('tape');
    add(
      'sleeve',
      null,
      `sleeve: ${[...new Set(sleeve.map(({ kind }) => SLEEVES[kind].label))].join(', ')}`,
      1,
      tape ? `⌀ ${sizes.size(sleeve.at(-1)!.diameter)}, ${sizes.size(tape.length)}` : `⌀ ${sizes.size(sleeve.at(-1)!.diameter)}`,
      TAPE_PER_METRE * (tape?.length ?? 0),
    );
  }
  if (design.load.in === 'basket') add('body', null, 'basket for the load: a cup’s bottom, or folded card', 1, '', BASKET_MASS);
  if (ballast.mass > 0) add('ballast', null, 'ballast', 1, `${Number((1000 * ballast.mass).toFixed(0))} g`, ballast.mass);
  return lines.map((one, i) => ({ number: i + 1, ...one }));
}

/** kg of the whole car, ready to run. */
export const wholeMass = (design: CarDesign): number => standingWeight(design).mass - design.load.mass;

/**
 * kg of what no line tells: glue, and what was not listed. Below nothing where the scale showed less than the parts are estimated to weigh.
 */
export const remainderOf = (design: CarDesign, parts: readonly PartLine[]): number =>
  wholeMass(design) - parts.reduce((sum, { mass }) => sum + mass, 0);
