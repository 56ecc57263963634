import { USUAL_END_PLAY } from '../car/new-car.ts';
import { remedyOf, type Remedy } from './remedy.ts';
import type { Check, Situation } from './check.ts';
import { wheelGap } from './wheel-to-body.ts';

/** m an axle has to slide to turn freely, and may slide before the car wanders. Common practice. */
const TIGHTEST = 0.0003;
const LOOSEST = 0.003;
/** m a wheel keeps off the body when its axle has slid toward it. Common practice. */
const LEAST_LEFT = 0.0005;

const spaced = (design: Situation['design']): Remedy =>
  remedyOf('spacers', 'spacers', 'Spacers or side guides: half a millimetre on each side', { ...design, endPlay: USUAL_END_PLAY });

/** How far each axle slides from side to side, m: too little binds, too much lets the car wander. */
export function endPlay({ design }: Situation): Check | null {
  if (!design.otherWheels) return null;
  const value = design.endPlay;
  const isTight = value < TIGHTEST;
  const isLoose = value > LOOSEST;
  return {
    id: 'end-play',
    title: 'end play of the axles',
    value,
    limit: isTight ? TIGHTEST : LOOSEST,
    limitIs: isTight ? 'least' : 'most',
    quantity: 'size',
    verdict: isTight || isLoose ? 'warning' : 'good',
    sure: 'sizes',
    sentence: (format) =>
      isTight
        ? `The axles slide only ${format(value, 'size')} from side to side: the hubs press on the bearings.`
        : `The axles slide ${format(value, 'size')} from side to side${isLoose ? ': the car points in a different direction at each launch' : ''}.`,
    remedies: () => (isTight || isLoose ? [spaced(design)] : []),
  };
}

/** What is left between wheel and body when the axle has slid all the way, m: without spacers the hub rubs. */
export function hubRub({ design }: Situation): Check | null {
  if (!design.otherWheels) return null;
  const gap = wheelGap(design);
  // A body too wide for the wheels is reported by itself.
  if (gap <= 0) return null;
  const value = gap - design.endPlay / 2;
  return {
    id: 'hub-rub',
    title: 'hubs clear of the body',
    value,
    limit: LEAST_LEFT,
    limitIs: 'least',
    quantity: 'size',
    verdict: value < LEAST_LEFT ? 'warning' : 'good',
    sure: 'sizes',
    sentence: (format) =>
      value < LEAST_LEFT
        ? `The axles slide ${format(design.endPlay / 2, 'size')} to each side, and the gap is ${format(gap, 'size')}: a wheel touches the body and rubs.`
        : `With spacers of ${format(value, 'size')} between wheel and body nothing rubs.`,
    remedies: () => (value < LEAST_LEFT ? [spaced(design)] : []),
  };
}
