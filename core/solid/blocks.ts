import type { CarDesign } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import { trapSolids } from './motors/lever.ts';
import type { Shape } from './shape.ts';
import type { Solid } from './solid.ts';
import { wheelsetSolids } from './wheelset-solids.ts';

/** Blocks of one size that fill a gap: along the car, up and across it, m, and how many. */
export interface Blocks {
  readonly under: 'deck' | 'trap';
  readonly count: number;
  readonly long: number;
  readonly high: number;
  readonly wide: number;
}

const MM = 1000;
/** To a tenth of a millimetre, as nobody cuts finer. */
const tenths = (metres: number): number => Math.round(10 * MM * metres) / (10 * MM);

function sizeOf(shape: Shape): Pick<Blocks, 'long' | 'high' | 'wide'> | null {
  if (shape.kind !== 'across') return null;
  const [xs, ys] = [shape.corners.map(({ x }) => x), shape.corners.map(({ y }) => y)];
  return {
    long: tenths(Math.max(...xs) - Math.min(...xs)),
    high: tenths(Math.max(...ys) - Math.min(...ys)),
    wide: tenths(shape.to - shape.from),
  };
}

/** The blocks of a car between deck and bearings, and under its trap; alike ones together. */
export function blocksOf(design: CarDesign): readonly Blocks[] {
  if (isRoller(design)) return [];
  const { motor } = design;
  const isBlock = ({ id }: Solid): boolean => id.endsWith('-block');
  const list: Blocks[] = [];
  const add = (under: Blocks['under'], solids: readonly Solid[]): void => {
    for (const size of solids.filter(isBlock).flatMap(({ shapes }) => shapes.flatMap((shape) => sizeOf(shape) ?? []))) {
      const alike = list.findIndex(
        (one) => one.under === under && one.long === size.long && one.high === size.high && one.wide === size.wide,
      );
      if (alike < 0) list.push({ under, count: 1, ...size });
      else list[alike] = { ...list[alike]!, count: list[alike]!.count + 1 };
    }
  };
  add('deck', wheelsetSolids(design));
  if (motor.kind === 'lever') add('trap', trapSolids(design, motor));
  return list;
}
