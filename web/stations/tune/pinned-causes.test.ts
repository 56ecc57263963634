import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newCar } from '../../../core/car/new-car.ts';
import { MOTOR_KINDS } from '../../../core/car/motors/motors.ts';
import { sideView } from '../../../core/geometry/side-view.ts';
import { CAUSE_PLACES } from '../../../core/trials/cause-descriptions.ts';
import type { RankedCause } from '../../../core/trials/causes.ts';
import { placeOnCar } from '../../drawing/car-places.ts';
import { LABEL_WIDTH, pinnedCauses, placeLabels } from './pinned-causes.ts';

const CAUSES: readonly RankedCause[] = [
  { id: 'low-grip', probability: 0.4, metres: 2 },
  { id: 'two', probability: 0.35, metres: 5, pair: ['rubbing', 'low-grip'] },
  { id: 'none', probability: 0.1, metres: 0 },
  { id: 'rubbing', probability: 0.1, metres: 4 },
  { id: 'other', probability: 0.04, metres: 1 },
  { id: 'tied', probability: 0.01, metres: 3 },
];

describe('causes pinned on the car', () => {
  it('are those with a place, each as likely as it is at work alone or with another', () => {
    // 0.4 + 0.35 and 0.1 + 0.35; “tied” is too unlikely, the others have no place.
    expect(pinnedCauses(CAUSES)).toEqual([
      { id: 'low-grip', place: 'tyre', chance: 0.75, metres: 2, isLeading: true },
      { id: 'rubbing', place: 'axles', chance: expect.closeTo(0.45, 9) as number, metres: 4, isLeading: false },
    ]);
    expect(pinnedCauses([{ id: 'rubbing', probability: 0.39, metres: 1 }])[0]!.isLeading).toBe(false);
  });
  it('stand on the car, or on the floor', () => {
    for (const motor of MOTOR_KINDS) {
      const view = sideView(newCar('x', motor));
      for (const place of new Set(Object.values(CAUSE_PLACES))) {
        const { x, y } = placeOnCar(place, view);
        expect(y >= 0 && y <= view.bounds.top, `${motor} ${place}`).toBe(true);
        expect(x >= view.bounds.left && x <= view.bounds.right + 0.03, `${motor} ${place}`).toBe(true);
      }
    }
  });
});

describe('labels of pins', () => {
  it('stand over their pins where there is room, none over another, all on the picture', () => {
    expect(placeLabels([{ x: 300, isBelow: false }], 640)).toEqual([300 - LABEL_WIDTH / 2]);
    // Two at one place part; the right one is pushed back from the edge, and pushes the other.
    expect(
      placeLabels(
        [
          { x: 620, isBelow: false },
          { x: 630, isBelow: false },
        ],
        640,
      ),
    ).toEqual([640 - 2 * LABEL_WIDTH, 640 - LABEL_WIDTH]);
    const pin = fc.record({ x: fc.integer({ min: 0, max: 800 }), isBelow: fc.boolean() });
    fc.assert(
      fc.property(fc.array(pin, { maxLength: 4 }), (pins) => {
        const lefts = placeLabels(pins, 800);
        for (const isBelow of [false, true]) {
          const row = lefts.filter((_, i) => pins[i]!.isBelow === isBelow).toSorted((a, b) => a - b);
          row.forEach((left, i) => expect(left >= 0 && left + LABEL_WIDTH <= (row[i + 1] ?? 800)).toBe(true));
        }
      }),
    );
  });
});
