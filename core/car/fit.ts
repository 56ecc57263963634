import { nearestOf } from '../numerics/nearest.ts';
import { formatQuantity } from '../units/quantity.ts';
import type { CarDesign, Wheels } from './car-design.ts';
import { AXLES, BEARINGS, DISC_HOLE, TYRES, WHEELS } from './catalogue.ts';
import { isRoller } from './motors/motors.ts';
import type { PartSlot } from './part-slots.ts';

/**
 * Which parts go together: bearings with axles, tyres with wheels, wheels with the sizes they come in. Common practice. A part of the
 * builder's own is taken to fit as it is.
 */

/** Edges that come with a wheel and are not put on one. */
const OWN_EDGES: ReadonlySet<CarDesign['tyre']> = new Set(['bare-disc', 'card-edge', 'moulded-rubber']);

/** The edge that a wheel comes with. */
const EDGES: Readonly<Record<Wheels['kind'], CarDesign['tyre']>> = {
  'optical-disc': 'bare-disc',
  'card-disc': 'card-edge',
  'foam-board': 'card-edge',
  'wooden-disc': 'card-edge',
  'bottle-cap': 'bare-disc',
  'jar-lid': 'bare-disc',
  'cup-bottom': 'bare-disc',
  spool: 'bare-disc',
  'wooden-wheel-ring': 'moulded-rubber',
  'moulded-wheel': 'moulded-rubber',
  'rubber-roller': 'moulded-rubber',
};

const takesTyre = (kind: Wheels['kind'], tyre: CarDesign['tyre']): boolean => !OWN_EDGES.has(tyre) || EDGES[kind] === tyre;
const takesAxle = (bearing: CarDesign['bearing'], axle: CarDesign['axle']): boolean =>
  BEARINGS[bearing].axles === 'any' || BEARINGS[bearing].axles === AXLES[axle].stuff;
const isTooNarrow = (bearing: CarDesign['bearing'], axleDiameter: number): boolean => axleDiameter > (BEARINGS[bearing].most ?? Infinity);

/** Share by which an axle may be off the size that it is sold in: measured by hand, and no two skewers are alike. */
const AS_SOLD = 0.1;
/** The nearest size that a car’s axle comes in, m; through the hole of an optical disc, where it has one. */
export function nearestAxle({ axle, axleDiameter, driveWheels, otherWheels }: CarDesign): number {
  const most = [driveWheels, otherWheels].some((wheels) => wheels?.kind === 'optical-disc') ? DISC_HOLE : Infinity;
  return nearestOf(
    AXLES[axle].stock.filter((size) => size <= most),
    axleDiameter,
  );
}

/** The nearest size that a wheel comes in, m. */
export function nearestWheel(kind: Wheels['kind'], diameter: number): number {
  const { stock, between } = WHEELS[kind];
  if (stock) return nearestOf(stock, diameter);
  return between ? Math.min(Math.max(diameter, between[0]), between[1]) : diameter;
}

/** Where parts have to go with others. */
const FITTED: Partial<Readonly<Record<PartSlot, object>>> = { tyre: TYRES, bearing: BEARINGS, driveWheels: WHEELS, otherWheels: WHEELS };

/** Why a part of the catalogue does not fit this car, in a few words; null where it does. */
export function misfitOf(design: CarDesign, slot: PartSlot, key: string): string | null {
  switch (slot) {
    case 'tyre': {
      const { kind } = design.driveWheels;
      return takesTyre(kind, key as CarDesign['tyre']) ? null : `the ${WHEELS[kind].label} has another edge`;
    }
    case 'bearing': {
      const bearing = key as CarDesign['bearing'];
      if (!takesAxle(bearing, design.axle)) return `for axles of ${BEARINGS[bearing].axles}`;
      return isTooNarrow(bearing, design.axleDiameter) ? 'too narrow for this axle' : null;
    }
    case 'driveWheels':
      return key === 'spool' && !isRoller(design) ? 'for a roller' : null;
    case 'otherWheels':
      return key === 'spool' ? 'for a roller' : null;
    default:
      return null;
  }
}

/** The parts of the catalogue that do not fit at a place of this car, each with its reason. */
export const misfitsAt = (design: CarDesign, slot: PartSlot): Readonly<Record<string, string>> =>
  Object.fromEntries(
    Object.keys(FITTED[slot] ?? {}).flatMap((key) => {
      const reason = misfitOf(design, slot, key);
      return reason === null ? [] : [[key, reason]];
    }),
  );

/** The car with the parts that go with one just fitted: the edge a new wheel has, a bearing that takes the new axle. */
export function fittingAround(design: CarDesign, slot: PartSlot): CarDesign {
  if (slot === 'driveWheels') {
    const { kind, diameter } = design.driveWheels;
    const sized = { ...design, driveWheels: { kind, diameter: nearestWheel(kind, diameter) } };
    return takesTyre(kind, design.tyre) || design.own?.tyre ? sized : { ...sized, tyre: EDGES[kind] };
  }
  if (slot === 'otherWheels' && design.otherWheels) {
    const { kind, diameter } = design.otherWheels;
    return { ...design, otherWheels: { kind, diameter: nearestWheel(kind, diameter) } };
  }
  if (
    slot === 'axle' &&
    !design.own?.bearing &&
    (!takesAxle(design.bearing, design.axle) || isTooNarrow(design.bearing, design.axleDiameter))
  ) {
    const straw = AXLES[design.axle].stuff === 'metal' ? 'steel-straw' : 'wood-plastic-straw';
    const wide = AXLES[design.axle].stuff === 'metal' ? 'steel-brass' : 'wood-wood';
    return { ...design, bearing: isTooNarrow(straw, design.axleDiameter) ? wide : straw };
  }
  return design;
}

/** Two parts, or a part and a size, that do not go together. */
export interface Conflict {
  readonly slot: PartSlot;
  readonly words: string;
}

/** Everything of a car that does not go together, in words with lengths in mm. */
export function conflictsOf(design: CarDesign): readonly Conflict[] {
  const { own, driveWheels, otherWheels, axle, bearing, tyre } = design;
  const conflicts: Conflict[] = [];
  if (!own?.tyre && !own?.driveWheels && !takesTyre(driveWheels.kind, tyre))
    conflicts.push({ slot: 'tyre', words: `${WHEELS[driveWheels.kind].label} has no ${TYRES[tyre].label}` });
  if (!isRoller(design) && !own?.axle && !own?.bearing && !takesAxle(bearing, axle))
    conflicts.push({ slot: 'bearing', words: `${AXLES[axle].label} does not go with ${BEARINGS[bearing].label}` });
  if (!isRoller(design) && !own?.axle) {
    const nearest = nearestAxle(design);
    const format = (size: number): string => formatQuantity(size, 'size', 'metric');
    if (Math.abs(nearest / design.axleDiameter - 1) > AS_SOLD)
      conflicts.push({
        slot: 'axle',
        words: `no ${AXLES[axle].label} of ${format(design.axleDiameter)} ${design.axleDiameter > DISC_HOLE && nearest <= DISC_HOLE ? 'goes through these wheels' : 'is sold'}; the nearest is ${format(nearest)}`,
      });
    else if (!own?.bearing && takesAxle(bearing, axle) && isTooNarrow(bearing, design.axleDiameter))
      conflicts.push({ slot: 'bearing', words: `an axle of ${format(design.axleDiameter)} is too thick for ${BEARINGS[bearing].label}` });
  }
  const sized = (slot: 'driveWheels' | 'otherWheels', wheels: Wheels): void => {
    const nearest = nearestWheel(wheels.kind, wheels.diameter);
    if (!own?.[slot] && Math.abs(nearest - wheels.diameter) > 5e-4)
      conflicts.push({
        slot,
        words: `no ${WHEELS[wheels.kind].label} is ${formatQuantity(wheels.diameter, 'size', 'metric')} across; the nearest is ${formatQuantity(nearest, 'size', 'metric')}`,
      });
  };
  sized('driveWheels', driveWheels);
  if (otherWheels) sized('otherWheels', otherWheels);
  return conflicts;
}
