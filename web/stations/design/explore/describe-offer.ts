import { aimWords } from '../../../../core/brief/aim-words.ts';
import { hasFallenShort } from '../../../../core/brief/goals.ts';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import type { Candidate, OfferedCar, Search } from '../../../../core/explore/best-car.ts';
import { minutesOf, partsToGet } from '../../../../core/explore/parts-to-get.ts';
import type { OwnPart } from '../../../../core/schema/generated/own-part.ts';
import { formatIn, formatPredicted, USUAL_HALF_WIDTH, type UnitSystem } from '../../../../core/units/quantity.ts';

/** `16 m in 9 s`: distance and time of a car’s most likely run. */
export const describeCandidate = ({ distance, time }: Pick<Candidate, 'distance' | 'time'>, units: UnitSystem): string =>
  `${formatPredicted(distance, 'distance', units)} in ${formatPredicted(time, 'time', units)}`;

/** Tenths, rounded down: what is promised is stored. */
const tenths = (fraction: number): number => Math.floor(10 * fraction + 1e-9);

/** How offers of a search for this car are described. */
export function offerDescriber(design: CarDesign, units: UnitSystem) {
  const format = formatIn(units);
  const { isLess, figures, describe } = aimWords(design.aim, units);
  const formatScore = (value: number): string => {
    const { figure, unit } = figures(USUAL_HALF_WIDTH * Math.abs(value));
    return `${figure(Math.abs(value))} ${unit}`;
  };
  return {
    /** What 8 in 10 builds reach; before a wall, how many of them reach it. */
    describeReach: ({ lower, atWall }: OfferedCar, { now, stoppedBy }: Search): string => {
      if (hasFallenShort(lower)) return 'fewer than 8 in 10 reach the goal';
      const wall = design.floor.roomLength;
      if (!design.aim.contest && wall !== null && lower >= wall && !isLess)
        return `reaches the wall at ${format(wall, 'distance')} in ${tenths(atWall)} of 10 builds (now in ${tenths(now?.atWall ?? 0)})`;
      const before = now && stoppedBy === null && !hasFallenShort(now.lower) ? ` (now ${formatScore(now.lower)})` : '';
      const bound = describe(`${isLess ? 'at most' : 'at least'} ${formatScore(lower)}`);
      return `${bound} in 8 of 10 builds${before}`;
    },
    /** What one of its changes gains by itself. */
    describeAlone: (alone: number | null): string =>
      alone === null ? 'only together with the others' : `${alone < 0 ? '−' : '+'}${formatScore(alone)} by itself`,
    /** How long it takes, what has to be got for it, and what is among the builder’s parts. */
    describeNeeds: ({ design: offered, changes }: OfferedCar, own: readonly OwnPart[]): string => {
      const needed = partsToGet(design, offered, own, format);
      const list = (isAtHand: boolean): string =>
        needed
          .filter((part) => part.isAtHand === isAtHand)
          .map(({ name, count }) => `${count > 1 ? `${count} × ` : ''}${name}`)
          .join('; ');
      const [toGet, inStock] = [list(false), list(true)];
      return [
        `About ${minutesOf(changes.length, needed)} minutes.`,
        ...(needed.length === 0 ? ['Nothing to get.'] : []),
        ...(toGet ? [`To get: ${toGet}.`] : []),
        ...(inStock ? [`In My parts: ${inStock}.`] : []),
      ].join(' ');
    },
  };
}
