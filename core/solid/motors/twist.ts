import type { CarDesign, TwistDesign } from '../../car/car-design.ts';
import { WHEELS } from '../../car/catalogue.ts';
import { circle, rectangle, type Shape } from '../shape.ts';
import { GROUND, solid, type Solid } from '../solid.ts';

/** m of a washer or bead along the axle, and of what the arm is made of. Estimates. */
const WASHER = 0.003;
const ARM = 0.0015;
/** m of the hole for the bands where the wheel has none of its own. Common practice. */
const HOLE = 0.006;
/** m of half a matchstick, and how thick it is. */
const MATCH = { length: 0.02, thick: 0.002 };

/** A roller with its washer and arm, the match that holds the band, and the band through it. */
export function twistSolids(design: CarDesign, motor: TwistDesign): Solid[] {
  const radius = design.driveWheels.diameter / 2;
  const half = motor.hookToHook / 2;
  const hole = Math.min(WHEELS[design.driveWheels.kind].hole ?? HOLE, radius) / 2;
  const drum: Shape = { kind: 'across', corners: circle(0, radius, radius), holes: [circle(0, radius, hole)], from: -half, to: half };
  const out = half + WASHER;
  const washer: Shape = {
    kind: 'rod',
    from: { x: 0, y: half, z: radius },
    to: { x: 0, y: out, z: radius },
    radius: Math.max(motor.washerRadius, 2 * ARM),
    inside: ARM / 2,
  };
  const arm: Shape = {
    kind: 'rod',
    from: { x: 0, y: out + ARM, z: radius },
    to: { x: -motor.armLength, y: out + ARM, z: ARM },
    radius: ARM,
    inside: 0,
  };
  const match: Shape = {
    kind: 'across',
    corners: rectangle(-MATCH.length / 2, MATCH.length / 2, radius - MATCH.thick / 2, radius + MATCH.thick / 2),
    holes: [],
    from: -half - MATCH.thick,
    to: -half,
  };
  const band: Shape = {
    kind: 'rod',
    from: { x: 0, y: -half, z: radius },
    to: { x: 0, y: out, z: radius },
    radius: Math.min(ARM, hole) / 2,
    inside: 0,
  };
  return [
    solid(GROUND, 'roller', [drum], [], { turnsWith: 'drive-axle' }),
    solid('washer', 'washer', [washer], [[GROUND, 'pull']]),
    solid('arm', 'trailing arm', [arm], [['washer', 'pull']]),
    solid('match', 'matchstick', [match], [[GROUND, 'tape']], { turnsWith: 'drive-axle' }),
    solid(
      'bands',
      'band',
      [band],
      [
        ['match', 'hook'],
        ['washer', 'hole'],
      ],
    ),
  ];
}
