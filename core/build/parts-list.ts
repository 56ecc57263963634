import type { CarDesign } from '../car/car-design.ts';
import { fittedName, neededAt } from '../car/parts.ts';
import { SLOTS, type PartSlot } from '../car/part-slots.ts';
import { isRoller } from '../car/motors/motors.ts';
import { SLEEVES } from '../car/catalogue.ts';
import { axleOf } from '../car/fitted.ts';
import { bodyLength, bodyWidth, placedMasses, standingWeight } from '../car/weights.ts';
import { bearingOutside, isTubeBearing, lengthsOf } from './lengths.ts';
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
  /** kg of all of them together; null where the whole counts it as rest. */
  readonly mass: number | null;
  /** Where it is fitted; null for what no list of parts has. */
  readonly slot: PartSlot | null;
  /** Which views of it a balloon may point at. */
  readonly on: PartPlace;
}
/** Everything that a car is made of, in the order it is numbered. */
export function partsList(design: CarDesign, sizes: SizeFormat = SIZE_FORMATS.metric): readonly PartLine[] {
  const { motor, otherWheels, driveWheels, layout, ballast, sleeve } = design;
  const roller = isRoller(design);
  const masses = new Map(placedMasses(design).map(({ what, mass }) => [what, mass]));
  const lengths = new Map(lengthsOf(design, sizes).map((cut) => [cut.id, cut]));
  const lines: Omit<PartLine, 'number'>[] = [];
  const add = (on: PartPlace, slot: PartSlot | null, name: string, count: number, size: string, mass: number | null = null): void => {
    if (count > 0) lines.push({ on, slot, name, count, size, mass });
  };
  const named = (slot: PartSlot): string => `${SLOTS[slot].label.replace(/ of$/, '')}: ${fittedName(design, slot)}`;
  if (!roller)
    add(
      'body',
      'body',
      named('body'),
      1,
      `${sizes.size(bodyLength(design))} × ${sizes.size(bodyWidth(design))}`,
      masses.get('body') ?? null,
    );
  add('drive-wheel', 'driveWheels', named('driveWheels'), 2, `⌀ ${sizes.size(driveWheels.diameter)}`, masses.get('drive wheels') ?? null);
  if (otherWheels)
    add(
      'other-wheel',
      'otherWheels',
      named('otherWheels'),
      layout.otherWheelCount,
      `⌀ ${sizes.size(otherWheels.diameter)}`,
      masses.get('other wheels') ?? null,
    );
  if (!roller) {
    add('drive-axle', 'axle', `drive axle: ${axleOf(design).label}`, 1, sizes.size(lengths.get('drive-axle')!.length));
    if (otherWheels) add('other-axle', 'axle', `other axle: ${axleOf(design).label}`, 1, sizes.size(lengths.get('other-axle')!.length));
    const bearings = (['drive-bearing', 'other-bearing'] as const).flatMap((id) => lengths.get(id) ?? []);
    add(
      'bearing',
      'bearing',
      named('bearing'),
      isTubeBearing(design) ? bearings.reduce((sum, { count }) => sum + count, 0) : 4,
      isTubeBearing(design)
        ? bearings.map(({ count, length }) => `${count} × ${sizes.size(length)}`).join(', ')
        : `⌀ ${sizes.size(bearingOutside(design))}`,
    );
  }
  if (design.tyre !== 'bare-disc' && design.tyre !== 'card-edge')
    add('tyre', 'tyre', named('tyre'), neededAt(design, 'tyre'), lengths.has('tyre') ? sizes.size(lengths.get('tyre')!.length) : '');
  const cut = (id: CutLength['id']): number => lengths.get(id)!.length;
  for (const { on, slot, name, count, size, isMotorMass } of buildOf(motor).parts(motor, cut, sizes, (of) => neededAt(design, of)))
    add(on, slot, name ?? named(slot!), count, size, isMotorMass ? (masses.get('motor') ?? null) : null);
  if (sleeve.length > 0) {
    const tape = lengths.get('tape');
    add(
      'sleeve',
      null,
      `sleeve: ${[...new Set(sleeve.map(({ kind }) => SLEEVES[kind].label))].join(', ')}`,
      1,
      tape ? `⌀ ${sizes.size(sleeve.at(-1)!.diameter)}, ${sizes.size(tape.length)}` : `⌀ ${sizes.size(sleeve.at(-1)!.diameter)}`,
    );
  }
  if (ballast.mass > 0) add('ballast', null, 'ballast', 1, `${Number((1000 * ballast.mass).toFixed(0))} g`, ballast.mass);
  return lines.map((one, i) => ({ number: i + 1, ...one }));
}

/** kg of the whole car, ready to run. */
export const wholeMass = (design: CarDesign): number => standingWeight(design).mass - design.load.mass;
