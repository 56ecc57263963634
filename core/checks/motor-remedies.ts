import { bodyReach, withPastOther } from '../car/body-reach.ts';
import { BANDS, bandSizes } from '../car/catalogue.ts';
import type { Band, CarDesign, LeverDesign } from '../car/car-design.ts';
import { trapAt, trapUnderTip } from '../car/motors/lever.ts';
import { hasBands, isWoundOnAxle } from '../car/motors/motors.ts';
import { withTurns } from '../car/motors/rubber-motors.ts';
import { fitCatalogue } from '../car/parts.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { geometryOf } from '../geometry/motors/motors.ts';
import type { Format } from '../units/quantity.ts';
import { remedyOf, stepped, stepsToward, type Remedy } from './remedy.ts';

/** A lever up to half as long again, its trap moved along and the body with it. */
export const longerLever = (design: CarDesign, format: Format): Remedy[] => leverToward(design, 1.5, 'longer-lever', format);

/** A lever down to half as long, its trap moved along; none where there is no lever. */
export const shorterLever = (design: CarDesign, format: Format): Remedy[] => leverToward(design, 0.5, 'shorter-lever', format);

function leverToward(design: CarDesign, factor: number, id: string, format: Format): Remedy[] {
  const { motor } = design;
  if (motor.kind !== 'lever') return [];
  return stepped(
    'lever',
    id,
    stepsToward(motor.leverLength, factor * motor.leverLength, 0.01).map((leverLength) => {
      const moved = trapAt({ ...design, motor: { ...motor, leverLength } }, motor.trapPosition + leverLength - motor.leverLength);
      return [`Lever ${format(leverLength, 'size')}, trap moved with it`, onBody(moved)];
    }),
  );
}

/** The body made as long as the motor on it needs, where it ended with it or beyond before. */
function onBody(design: CarDesign): CarDesign {
  const reach = geometryOf(design.motor).deckReach(design.motor);
  const past = reach - design.wheelbase;
  return bodyReach(design).right >= reach ? design : withPastOther(design, past);
}

/** The trap moved so that the cocked lever's tip all but lies over the drive axle. `print` gives a size in the builder's units. */
export function trapMoved(design: CarDesign, motor: LeverDesign, id: string, format: Format): Remedy {
  const trapPosition = trapUnderTip(motor, 0.02);
  return remedyOf('trap', id, `Trap ${format(trapPosition, 'size')} from the drive axle`, onBody(trapAt(design, trapPosition)));
}

/** One band fewer, or one more, side by side. */
export function bandsSideBySide(design: CarDesign, change: 1 | -1): Remedy[] {
  const { motor } = design;
  if (!hasBands(motor) || motor.parallel + change < 1) return [];
  return [
    remedyOf('bands', change < 0 ? 'fewer-bands' : 'more-bands', `One band ${change < 0 ? 'fewer' : 'more'} side by side`, {
      ...design,
      motor: { ...motor, parallel: motor.parallel + change },
    }),
  ];
}

/** One band more end to end. */
export function longerChain(design: CarDesign): Remedy[] {
  const { motor } = design;
  if (!hasBands(motor)) return [];
  return [remedyOf('chain', 'longer-chain', 'One band more end to end', { ...design, motor: { ...motor, series: motor.series + 1 } })];
}

/** Fewer turns, down to half. */
export function fewerTurns(design: CarDesign, format: Format): Remedy[] {
  const { motor } = design;
  if (!hasBands(motor)) return [];
  const full = fullTurns(design);
  return stepped(
    'turns',
    'fewer-turns',
    stepsToward(full, full / 2, 0.5).map((turns) => [
      `Wind ${format(turns, 'count')} turns`,
      { ...design, motor: withTurns(motor, turns) },
    ]),
  );
}

/** The next lighter band of the catalogue, by its section; none for a lever, or where there is none. */
export function lighterBand(design: CarDesign): Remedy[] {
  const { motor } = design;
  if (!hasBands(motor)) return [];
  const sectionOf = (band: Band): number => bandSizes(band).width * bandSizes(band).thickness;
  const apart = (size: keyof typeof BANDS): number => Math.abs(BANDS[size].length - bandSizes(motor.band).length);
  const lighter = (Object.keys(BANDS) as (keyof typeof BANDS)[])
    .filter((size) => sectionOf({ kind: 'size', size }) < 0.95 * sectionOf(motor.band))
    // Of about its length: another would be another chain.
    .filter((size) => Math.abs(BANDS[size].length / bandSizes(motor.band).length - 1) < 0.3)
    .sort((a, b) => BANDS[b].width - BANDS[a].width || apart(a) - apart(b));
  return lighter
    .slice(0, 1)
    .map((size) => remedyOf('bands', 'lighter-band', `Bands of ${BANDS[size].label}`, fitCatalogue(design, 'band', size)));
}

/** Let the end of string or band drop off. */
export function freeRelease(design: CarDesign): Remedy[] {
  const { motor } = design;
  if (!isWoundOnAxle(motor) || motor.release === 'free') return [];
  return [remedyOf('release', 'free', 'Let its end drop off', { ...design, motor: { ...motor, release: 'free' } })];
}
