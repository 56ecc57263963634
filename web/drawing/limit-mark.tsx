import type { SideView } from '../../core/geometry/side-view.ts';
import type { CarPlace } from '../../core/geometry/car-place.ts';
import { CLEAR_GROUND } from '../ui/clear-ground.ts';
import { FONTS } from '../ui/tokens.ts';
import { placeOnCar } from './car-places.ts';
import type { Scale } from './scale.ts';
import { PAPER } from './stroke.tsx';

/** What limits a car, as it is marked on its drawing. */
export interface MarkedLimit {
  readonly mark: string;
  readonly place: CarPlace;
  readonly isBad: boolean;
}

/** Drawing units: of the dot, of the room between it and its words, of how high words stand over the floor. */
const DOT = 6;
const GAP = 12;
const OVER_FLOOR = 12;
/** Above this height words keep clear of the deck's and wheels' lines. */
const LIFT = 20;

interface LimitMarkProps {
  readonly limit: MarkedLimit;
  readonly view: SideView;
  readonly scale: Scale;
}

/** A dot where the limit lies, and what it is: beside the wheel where it is at the floor. */
export function LimitMark({ limit: { mark, place, isBad }, view, scale }: LimitMarkProps) {
  const point = placeOnCar(place, view);
  const [x, y] = [Math.round(scale.x(point.x)), Math.round(scale.y(point.y))];
  const colour = isBad ? 'var(--mui-palette-workbench-stop)' : 'var(--mui-palette-workbench-distance)';
  const isAtFloor = point.y <= 0;
  const words = isAtFloor
    ? { x: Math.round(scale.x(point.x) + (place === 'tyre' ? scale.length(view.driveWheel.radius) : 0)) + GAP, y: y - OVER_FLOOR }
    : { x: x + GAP, y: y - LIFT };
  return (
    <g role="img" aria-label={`limited here: ${mark}`} pointerEvents="none">
      <circle cx={x} cy={y} r={DOT} fill={colour} stroke={PAPER} strokeWidth={1.5} />
      {isAtFloor && <path d={`M${x + DOT} ${y - 2}L${words.x - 4} ${words.y + 2}`} stroke={colour} strokeWidth={1.2} fill="none" />}
      <text {...words} {...CLEAR_GROUND} dominantBaseline="central" fontFamily={FONTS.text} fontSize={13} fontWeight={700} fill={colour}>
        {isBad ? `✕ ${mark}` : mark}
      </text>
    </g>
  );
}
