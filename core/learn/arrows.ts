import { arrowhead } from '../build/dimensions.ts';
import { makeLine, makePath, makePlace, type Item, type Place } from '../build/drawing.ts';

/** An arrow in the thickest line. */
export function arrow(from: Place, to: Place): Item[] {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const long = Math.hypot(dx, dy) || 1;
  return [makeLine(from, to, 'frame'), arrowhead(to, dx / long, dy / long, 'frame')];
}
/** An arrow round a place, with the clock, for most of a turn. */
export function roundArrow(middle: Place, radius: number): Item[] {
  const points = Array.from({ length: 19 }, (_, i) => {
    const angle = -Math.PI / 2 + 0.3 + (1.3 * Math.PI * i) / 18;
    return makePlace(middle.x + radius * Math.cos(angle), middle.y + radius * Math.sin(angle));
  });
  const [before, last] = [points.at(-2)!, points.at(-1)!];
  return [makePath(points.slice(0, -1), 'frame'), ...arrow(before, last)];
}
