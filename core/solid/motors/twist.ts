import type { CarDesign, TwistDesign, Wheels } from '../../car/car-design.ts';
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

/** Ends that are cups: put rim to rim they are the whole body. */
export const HOLLOW: ReadonlySet<Wheels['kind']> = new Set(['bottle-cap', 'jar-lid', 'cup-bottom']);
/** Whether a roller comes in one piece. */
export const isOnePiece = (kind: Wheels['kind']): boolean => kind === 'spool' || kind === 'rubber-roller';
/** How thick the tube between two discs is beside them. Common practice. */
const TUBE = 0.5;

/** The body of a roller: one piece, two cups rim to rim, or a disc on each end of a tube. */
function rollerBody(design: CarDesign, drum: Extract<Shape, { kind: 'across' }>): Solid[] {
  const { kind, diameter } = design.driveWheels;
  const turning = { turnsWith: 'drive-axle' } as const;
  if (isOnePiece(kind)) return [solid(GROUND, 'roller', [drum], [], turning)];
  const { label, thickness } = WHEELS[kind];
  if (HOLLOW.has(kind))
    return [
      solid(GROUND, `right ${label}`, [{ ...drum, to: 0 }], [], turning),
      solid('other-end', `left ${label}`, [{ ...drum, from: 0 }], [[GROUND, 'tape']], turning),
    ];
  const radius = diameter / 2;
  const end = Math.min(thickness, drum.to / 2);
  const tube: Shape = { ...drum, corners: circle(0, radius, TUBE * radius), from: drum.from + end, to: drum.to - end };
  return [
    solid(GROUND, `right ${label}`, [{ ...drum, to: drum.from + end }], [], turning),
    solid('tube', 'tube between the discs', [tube], [[GROUND, 'glue']], turning),
    solid('other-end', `left ${label}`, [{ ...drum, from: drum.to - end }], [['tube', 'glue']], turning),
  ];
}

/** A roller with its washer and arm, the match that holds the band, and the band through it. */
export function twistSolids(design: CarDesign, motor: TwistDesign): Solid[] {
  const radius = design.driveWheels.diameter / 2;
  const half = motor.hookToHook / 2;
  const hole = Math.min(WHEELS[design.driveWheels.kind].hole ?? HOLE, radius) / 2;
  const drum: Extract<Shape, { kind: 'across' }> = {
    kind: 'across',
    corners: circle(0, radius, radius),
    holes: [circle(0, radius, hole)],
    from: -half,
    to: half,
  };
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
    ...rollerBody(design, drum),
    solid('washer', 'washer', [washer], [[isOnePiece(design.driveWheels.kind) ? GROUND : 'other-end', 'pull']]),
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
