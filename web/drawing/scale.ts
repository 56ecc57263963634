import type { PlanView } from '../../core/geometry/plan-view.ts';
import type { SideView } from '../../core/geometry/side-view.ts';
import { hysteresisBelow } from '../ui/hysteresis.ts';

/** Metres to drawing units: x grows to the right, y down from where heights begin. */
export interface Scale {
  readonly x: (metres: number) => number;
  readonly y: (metres: number) => number;
  readonly length: (metres: number) => number;
}

/** Room kept free about a drawing, drawing units. */
export interface Margin {
  readonly side: number;
  readonly top: number;
  readonly floor: number;
}

/** Drawing units to the metre below which nothing is drawn smaller, however small the room. */
const LEAST_SCALE = 20;
/** A drawing keeps its scale, and its place to so many units, while a size changes a little. */
const STEPS = 40;
const PLACE = 8;

/** About the largest scale at which what lies between `left` and `right`, `tall` high, fits the room; height 0 is drawn at `y0`. */
function scaleOf(
  { left, right, tall }: { readonly left: number; readonly right: number; readonly tall: number },
  width: number,
  height: number,
  margin: Margin,
  y0: number,
): Scale {
  const largest = Math.min((width - 2 * margin.side) / (right - left), (height - margin.top - margin.floor) / tall);
  const perMetre = largest > LEAST_SCALE ? hysteresisBelow(largest, STEPS) : LEAST_SCALE;
  const x0 = PLACE * Math.round((width / 2 - ((left + right) / 2) * perMetre) / PLACE);
  return {
    x: (metres) => x0 + metres * perMetre,
    y: (metres) => y0 - metres * perMetre,
    length: (metres) => metres * perMetre,
  };
}

/** For a car from the side, standing on the floor, `margin.floor` above the lower edge. */
export const sideScale = ({ bounds }: SideView, width: number, height: number, margin: Margin): Scale =>
  scaleOf({ ...bounds, tall: bounds.top }, width, height, margin, height - margin.floor);

/** For a car from above, its middle line half way up. */
export const planScale = ({ bounds }: PlanView, width: number, height: number, margin: Margin): Scale =>
  scaleOf({ ...bounds, tall: 2 * bounds.halfWidth }, width, height, margin, (height - margin.floor + margin.top) / 2);
