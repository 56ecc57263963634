import type { CarDesign } from '../../../../core/car/car-design.ts';
import type { Size } from '../../../../core/car/size.ts';

/** The values of a size worth exploring: around the present one where it has one, within its slider. */
export function exploredRange(size: Size, design: CarDesign): readonly [low: number, high: number] {
  const present = size.read(design);
  if (present <= 0) return [size.low, size.high];
  const low = Math.max(size.low, 0.4 * present);
  const high = Math.min(size.high, 2 * present);
  return low < high ? [low, high] : [size.low, size.high];
}
