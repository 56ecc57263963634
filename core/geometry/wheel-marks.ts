import type { Wheels } from '../car/car-design.ts';
import { DISC_HOLE } from '../car/catalogue.ts';

/** m of rim by which a cap, a lid or a ring is reported. */
const RIM = 0.003;
/** Fraction of the radius that a hub or core takes. */
const HUB = 0.3;

/** Radii of the circles that tell a wheel of this kind and size from another when it is drawn, m: a disc's hole, a cap's rim, a hub. */
export function wheelMarks({ kind, diameter }: Wheels): readonly number[] {
  const radius = diameter / 2;
  switch (kind) {
    case 'optical-disc':
      return [DISC_HOLE / 2, 0.3 * radius];
    case 'bottle-cap':
    case 'jar-lid':
    case 'cup-bottom':
    case 'wooden-wheel-ring':
      return [Math.max(radius - RIM, radius / 2)];
    case 'moulded-wheel':
    case 'rubber-roller':
    case 'spool':
      return [HUB * radius, 0.8 * radius];
    case 'card-disc':
    case 'foam-board':
    case 'wooden-disc':
      return [];
  }
}
