import { boundFault, type Fault } from '../fault.ts';
import type { OwnPart } from '../schema/generated/own-part.ts';
import type { CarDesign, Wheels } from './car-design.ts';
import { AXLES, BANDS, BEARINGS, BODIES, LEVER_MATERIALS, TRAPS, TYRES, WASHERS, WHEELS } from './catalogue.ts';
import { fittingAround } from './fit.ts';
import { hasBands, isRoller, recordOf } from './motors/motors.ts';
import { SLOTS, type PartKind, type PartSlot } from './part-slots.ts';
import type { NamedValue } from './piece-weight.ts';

interface Entry {
  readonly label: string;
}

/** What the catalogue has of each kind. */
export const CATALOGUE: Readonly<Record<PartKind, Readonly<Record<string, Entry>>>> = {
  tyre: TYRES,
  bearing: BEARINGS,
  axle: AXLES,
  wheel: WHEELS,
  body: BODIES,
  trap: TRAPS,
  lever: LEVER_MATERIALS,
  band: BANDS,
  washer: WASHERS,
};

/** A value by which a part is known: its name, unit, the unit in SI, and the most that is believable and that a car file takes (SI). */
export interface PartValue extends NamedValue {
  readonly most: number;
  /** Told by a measurement alone: nobody types it. */
  readonly onlyMeasured?: true;
}
const value = (key: string, label: string, unit: string, factor: number, most: number): PartValue => ({ key, label, unit, factor, most });
const THICKNESS = value('thickness', 'thickness', 'mm', 1e-3, 0.2);
const FRICTION = value('friction', 'coefficient of friction', '', 1, 2);

/** What can be said of a part of each kind. A wheel's diameter is its own; the catalogue's wheels come in any. */
export const PART_VALUES: Readonly<Record<PartKind, readonly PartValue[]>> = {
  tyre: [value('staticGrip', 'grip on a smooth floor, before it slides', '', 1, 3), value('slidingGrip', 'grip while it slides', '', 1, 3)],
  bearing: [FRICTION],
  axle: [
    value('diameter', 'diameter', 'mm', 1e-3, 0.1),
    value('density', 'density', 'kg/m³', 1, 25000),
    value('modulus', 'stiffness (modulus)', 'GPa', 1e9, 1e12),
  ],
  wheel: [
    value('diameter', 'diameter', 'mm', 1e-3, 2),
    { ...value('areaDensity', 'weight over its face', 'kg/m²', 1, 100), piece: 'disc' },
    THICKNESS,
  ],
  body: [
    { ...value('areaDensity', 'weight over its face', 'kg/m²', 1, 100), piece: 'sheet' },
    THICKNESS,
    value('modulus', 'stiffness (modulus)', 'GPa', 1e9, 1e12),
  ],
  trap: [
    value('preload', 'torque at rest', 'N·m', 1, 20),
    value('rate', 'spring rate', 'N·m/rad', 1, 20),
    value('efficiency', 'fraction of the energy returned', '%', 0.01, 1),
  ],
  lever: [{ ...value('massPerLength', 'weight of a metre', 'g', 1e-3, 10), piece: 'rod' }],
  band: [
    value('length', 'length, flat', 'mm', 1e-3, 1),
    value('width', 'width', 'mm', 1e-3, 0.05),
    value('thickness', 'thickness', 'mm', 1e-3, 0.01),
    { ...value('c1', 'first coefficient of its rubber', 'MPa', 1e6, 1e8), onlyMeasured: true },
    { ...value('c2', 'second coefficient of its rubber', 'MPa', 1e6, 1e8), onlyMeasured: true },
    { ...value('loss', 'loss with stretch of its rubber', '', 1, 1), onlyMeasured: true },
  ],
  washer: [FRICTION],
};

/** What of a part of this kind is typed; the rest only a measurement tells. */
export const typedValues = (kind: PartKind): readonly PartValue[] => PART_VALUES[kind].filter(({ onlyMeasured }) => !onlyMeasured);

/** The diameter a catalogue wheel is begun with, m. */
const USUAL_WHEEL = 0.12;

/** What the catalogue says of the part another is like. */
export function usualValue(kind: PartKind, like: string, key: string): number {
  if (kind === 'wheel' && key === 'diameter') return USUAL_WHEEL;
  const entry = CATALOGUE[kind][like] ?? {};
  const valueOf = (name: string): number => Number(Reflect.get(entry, name) ?? 0);
  // The catalogue tells what a tyre keeps of its grip, a builder what it then has.
  if (key === 'slidingGrip') return Number((valueOf('staticGrip') * valueOf('slidingRatio')).toPrecision(3));
  return valueOf(key);
}

/** What a schema cannot say of a part. */
export function partFaults({ kind, like, values }: OwnPart): Fault[] {
  const faults: Fault[] = [];
  if (!Object.hasOwn(CATALOGUE[kind], like)) faults.push({ path: 'like', code: 'choice', among: Object.keys(CATALOGUE[kind]) });
  for (const key of Object.keys(values)) {
    const known = PART_VALUES[kind].find((candidate) => candidate.key === key);
    if (!known) faults.push({ path: `values.${key}`, code: 'not-of-part', part: kind });
    else if (values[key]! > known.most) faults.push(boundFault(`values.${key}`, { is: 'most', value: known.most }));
  }
  if (values.staticGrip !== undefined && values.slidingGrip !== undefined && values.slidingGrip > values.staticGrip)
    faults.push({ path: 'values.slidingGrip', code: 'against', must: 'not-exceed', other: 'the grip before it slides' });
  return faults;
}

/** The catalogue's word for what is fitted at a place; null where this car has no such place. */
export function fittedKey(design: CarDesign, slot: PartSlot): string | null {
  switch (slot) {
    case 'tyre':
    case 'bearing':
    case 'axle':
      return design[slot];
    case 'driveWheels':
      return design.driveWheels.kind;
    case 'otherWheels':
      return design.otherWheels?.kind ?? null;
    case 'body':
      return design.body.kind;
    default:
      return recordOf(design.motor).parts[slot]?.read(design.motor) ?? null;
  }
}

/** What a place of a car is called: the fitted part's own name, or the catalogue's words. */
export function fittedName(design: CarDesign, slot: PartSlot): string {
  const key = fittedKey(design, slot);
  if (key === null) return '';
  return design.own?.[slot]?.name ?? CATALOGUE[SLOTS[slot].kind][key]?.label ?? 'own sizes';
}

/** Fits a part of the catalogue in place of the part that is there. It comes with its own usual sizes. */
export function fitCatalogue(design: CarDesign, slot: PartSlot, key: string): CarDesign {
  const { [slot]: _gone, ...own } = design.own ?? {};
  const { own: _all, ...bare } = design;
  const rest: CarDesign = Object.keys(own).length > 0 ? { ...bare, own } : bare;
  const { motor } = rest;
  switch (slot) {
    case 'tyre':
      return { ...rest, tyre: key as CarDesign['tyre'] };
    case 'bearing':
      return { ...rest, bearing: key as CarDesign['bearing'] };
    case 'axle':
      return fittingAround({ ...rest, axle: key as CarDesign['axle'], axleDiameter: AXLES[key as CarDesign['axle']].diameter }, slot);
    case 'driveWheels':
      return fittingAround({ ...rest, driveWheels: { ...rest.driveWheels, kind: key as Wheels['kind'] } }, slot);
    case 'otherWheels':
      return rest.otherWheels ? fittingAround({ ...rest, otherWheels: { ...rest.otherWheels, kind: key as Wheels['kind'] } }, slot) : rest;
    case 'body':
      return { ...rest, body: { ...rest.body, kind: key as CarDesign['body']['kind'] } };
    default: {
      const part = recordOf(motor).parts[slot];
      return part ? { ...rest, motor: part.fit(motor, key) } : rest;
    }
  }
}

/** The size that comes with a part of one's own: the diameter of an axle or wheels, m. Other parts have none, and leave the design as it is. */
export function withDiameter(design: CarDesign, slot: PartSlot, diameter: number | undefined): CarDesign {
  if (diameter === undefined) return design;
  if (slot === 'axle') return { ...design, axleDiameter: diameter };
  if (slot === 'driveWheels') return { ...design, driveWheels: { ...design.driveWheels, diameter } };
  if (slot === 'otherWheels' && design.otherWheels) return { ...design, otherWheels: { ...design.otherWheels, diameter } };
  return design;
}

/** One of the builder's own parts fitted at a place. */
export function fitOwn(design: CarDesign, slot: PartSlot, { like, name, evidence, values, spreads }: OwnPart): CarDesign {
  if (fittedKey(design, slot) === null) return design;
  const fitted = fitCatalogue(design, slot, like);
  const own = { ...fitted.own, [slot]: { name, evidence, values, ...(spreads && { spreads }) } };
  const known = withDiameter({ ...fitted, own }, slot, values.diameter);
  if (slot !== 'band' || !hasBands(known.motor)) return known;
  const usual = BANDS[like as keyof typeof BANDS];
  const size = (key: 'length' | 'width' | 'thickness'): number => values[key] ?? usual[key];
  return {
    ...known,
    motor: { ...known.motor, band: { kind: 'own', length: size('length'), width: size('width'), thickness: size('thickness') } },
  };
}

/** How many of a part this car needs at a place; 0 where it has no such place. */
export function neededAt(design: CarDesign, slot: PartSlot): number {
  const { motor, layout } = design;
  switch (slot) {
    case 'tyre':
    case 'driveWheels':
      return isRoller(design) ? 1 : 2;
    case 'axle':
    case 'bearing':
      return 2;
    case 'otherWheels':
      return layout.otherWheelCount;
    case 'body':
      return 1;
    default: {
      const part = recordOf(motor).parts[slot];
      return part ? (part.needed?.(motor) ?? 1) : 0;
    }
  }
}

/** Whether something is put on the drive wheels, which would else run on their own edge. */
export const hasTyres = ({ tyre }: CarDesign): boolean => tyre !== 'bare-disc' && tyre !== 'card-edge';

/** Bands that a design wears on its wheels: a rule that counts bands counts these too. */
export const tyreBands = (design: CarDesign): number => (design.tyre === 'rubber-band' ? neededAt(design, 'tyre') : 0);
