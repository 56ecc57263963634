import { bodyWidthAt } from '../../core/car/weights.ts';
import type { CarDesign } from '../../core/car/car-design.ts';
import type { PlanView } from '../../core/geometry/plan-view.ts';
import type { HandleSpec } from './drawing-handles.tsx';
import { MILLIMETRE } from './handle.ts';

/** What a builder would grab on the view from above. Turning an axle by its end moves it by half the track for each radian. */
export function planHandles(design: CarDesign, view: PlanView): HandleSpec[] {
  if (!design.otherWheels) return [];
  const [drive, other] = view.axles;
  const half = design.trackWidth / 2;
  const end = (sizeId: string, label: string, at: { readonly x: number; readonly y: number }): HandleSpec => ({
    sizeId,
    label,
    place: at,
    direction: { x: 1, y: 0 },
    // The right end of a car that runs toward +x forward, or the left end of one that runs the other way back, points the wheels left.
    gain: 1 / half,
    step: MILLIMETRE / half,
  });
  return [
    end('driveToe', 'drive axle end', drive![1]),
    ...(other ? [end('otherToe', 'other axle end', other[1])] : []),
    {
      sizeId: 'trackWidth',
      label: 'track width',
      place: view.driveWheels[0]!.middle,
      direction: { x: 0, y: 1 },
      gain: 2,
      step: MILLIMETRE,
    },
    {
      sizeId: 'bodyWidth',
      label: 'side of the body',
      place: { x: 0.62 * design.wheelbase, y: -bodyWidthAt(design, 0.62 * design.wheelbase) / 2 },
      direction: { x: 0, y: -1 },
      gain: 2,
      step: MILLIMETRE,
    },
    {
      sizeId: 'wheelbase',
      label: 'wheelbase',
      place: { x: design.wheelbase, y: 0 },
      direction: { x: 1, y: 0 },
      gain: 1,
      step: MILLIMETRE,
    },
  ];
}
