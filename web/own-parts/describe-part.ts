import { MEASUREMENTS } from '../../core/bench/measurements.ts';
import { missingMeasurements, usesOf } from '../../core/bench/missing-measurements.ts';
import type { CarDesign } from '../../core/car/car-design.ts';
import { CATALOGUE, PART_VALUES } from '../../core/car/parts.ts';
import type { OwnPart } from '../../core/car/part-slots.ts';
import { describePartValue } from '../../core/car/piece-weight.ts';
import { KIND_NAMES } from './part-draft.ts';

/** What a part is like, and its values in their units, with how sure each is. */
export const describePart = ({ kind, like, values, spreads }: OwnPart): string =>
  [
    `like ${CATALOGUE[kind][like]?.label ?? like}`,
    ...PART_VALUES[kind].flatMap((value) => {
      if (values[value.key] === undefined) return [];
      const sure = spreads?.[value.key];
      return [`${describePartValue(value, values)}${sure === undefined ? '' : ` ± ${Number((100 * sure).toPrecision(2))} %`}`];
    }),
  ].join(', ');

/** `snap trap, 2 in stock, measured` */
export const describeStock = ({ kind, count, evidence }: OwnPart): string => `${KIND_NAMES[kind]}, ${count} in stock, ${evidence}`;

/** Where a part is used, and whether there are enough for all: `In Tern (2), Limpet (2): 4 for all at once, 2 in stock`. */
export function describeUses(part: OwnPart, cars: readonly CarDesign[]): string {
  const uses = usesOf(part, cars);
  if (uses.length === 0) return 'Not used in any car.';
  const needed = uses.reduce((sum, { count }) => sum + count, 0);
  const where = `In ${uses.map(({ car, count }) => (count > 1 ? `${car} (${count})` : car)).join(', ')}`;
  return needed > part.count ? `${where}: ! ${needed} for all at once, ${part.count} in stock` : `${where}.`;
}

/** What of a part nobody measured yet, by the measurement that would tell; empty where nothing is missing. */
export const describeMissing = (part: OwnPart): string => {
  const missing = missingMeasurements(part);
  return missing.length === 0
    ? ''
    : `Not measured yet: ${missing.map((kind) => `${MEASUREMENTS[kind].name} (${MEASUREMENTS[kind].minutes} min)`).join(', ')}`;
};
