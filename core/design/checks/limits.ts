import { sideView } from '../../drawing/side-view.ts';
import { AXLE_ENDS } from '../catalogue.ts';
import { standingWeight } from '../derive-run-setup.ts';
import type { CarDesign, Limits } from '../car-design.ts';
import { grade, type Check, type Situation } from './check.ts';

/** Length, width and height of a car as it stands ready, lever cocked or at rest, m; its weight, kg; its bands. */
export function measuresOf(design: CarDesign): Readonly<Record<keyof Limits, number>> {
  const { bounds } = sideView(design);
  const { motor } = design;
  return {
    length: bounds.right - bounds.left,
    width: motor.kind === 'twist' ? motor.hookToHook : design.trackWidth + AXLE_ENDS,
    // Between cocked and at rest the lever stands upright once.
    height:
      motor.kind === 'lever'
        ? Math.max(bounds.top, design.driveWheels.diameter / 2 + motor.pivotAboveAxle + motor.leverLength)
        : bounds.top,
    mass: standingWeight(design).mass,
    bands: motor.kind === 'lever' ? 0 : motor.parallel * motor.series,
  };
}

const NAMES = { length: 'length', width: 'width', height: 'height', mass: 'weight', bands: 'bands' } as const;

/** Each limit that the rules set, against the car. */
export function limitChecks({ design }: Situation): Check[] {
  if (Object.values(design.limits).every((limit) => limit === null)) return [];
  const measures = measuresOf(design);
  return (Object.keys(NAMES) as (keyof Limits)[]).flatMap((key) => {
    const limit = design.limits[key];
    if (limit === null) return [];
    const quantity = key === 'mass' ? 'weight' : key === 'bands' ? 'count' : 'size';
    const value = measures[key];
    return [
      {
        id: `limit-${key}`,
        title: `${NAMES[key]} allowed`,
        value,
        limit,
        limitIs: 'most',
        quantity,
        verdict: grade(value, limit, 'most', 0),
        sure: 'sizes',
        sentence: (print) =>
          `${print(value, quantity)} of ${print(limit, quantity)} that the rules allow${value > limit ? ': not allowed to start' : ''}.`,
        remedies: () => [],
      } satisfies Check,
    ];
  });
}
