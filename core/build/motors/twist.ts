import type { CarDesign, TwistDesign } from '../../car/car-design.ts';
import type { MotorView } from '../../geometry/motors/motor-geometry.ts';
import { WHEELS } from '../../car/catalogue.ts';
import { HOLLOW, isOnePiece } from '../../solid/motors/twist.ts';
import type { Format } from '../../units/quantity.ts';
import { BAND_CAUTION, LATEX_CAUTION, PLAIN_STEP, piercingCaution, templateStep, type BuildStep } from '../build-step.ts';
import { makeLine } from '../drawing.ts';
import { bandParts, windingText, inspectedBands, tubingLengths, tubingText } from './bands.ts';
import type { MotorBuild } from './motor-build.ts';

/** kg of a washer or bead; kg/m of an arm, a thick skewer. Estimates. */
const WASHER_MASS = 0.0005;
const ARM_DENSITY = 0.006;

/** The arm is held by the floor, so the roller turns as the arm was wound. */
const WAY = 'On the floor it rolls the way the arm was turned, and the arm trails behind.';

/** How both ends of a roller become one body; none of a spool or a roller, which are one. */
function joinStep({ driveWheels }: CarDesign, { hookToHook }: TwistDesign, format: Format): BuildStep[] {
  if (isOnePiece(driveWheels.kind)) return [];
  const { label } = WHEELS[driveWheels.kind];
  const isHollow = HOLLOW.has(driveWheels.kind);
  return [
    {
      ...PLAIN_STEP,
      id: 'join',
      title: 'Make one body of both ends',
      text: isHollow
        ? `Pierce each ${label} in its middle. Put both rim to rim, ${format(hookToHook, 'size')} from face to face, with a ring of card between the rims where they are shorter, and tape them together all round.`
        : `Pierce each ${label} in its middle. Glue one on each end of a card tube or a stack of card, ${format(hookToHook, 'size')} from face to face.`,
      tool: 'bradawl, tape, glue',
      minutes: 6,
      dries: isHollow ? 0 : 15,
      tolerance: `both middles in line to ${format(0.0005, 'size')}`,
      trick: 'Push a straight skewer through both middles while you join them.',
      adult: true,
      caution: piercingCaution(driveWheels.kind),
      check: 'Roll it on the table: it goes straight and does not hop.',
      shows: { part: 'drive-wheel' },
    },
  ];
}

/** A band twisted inside a roller, held by a trailing arm. */
export const TWIST_BUILD: MotorBuild<TwistDesign, Extract<MotorView, { kind: 'twist' }>> = {
  draw: ({ armTip }, { at, rim, axle }) => ({
    items: [makeLine(at(axle), at(armTip), 'outline')],
    parts: {
      lever: at({ x: armTip.x / 2, y: (axle.y + armTip.y) / 2 }),
      motor: at(axle),
      string: rim(axle, axle.radius + 0.003, 0.8),
    },
  }),
  sizes: ({ hookToHook, armLength }) => [
    { tells: 'hookToHook', label: 'length of the roller', metres: hookToHook },
    { tells: 'armLength', label: 'trailing arm', metres: armLength },
  ],
  spans: ({ armLength }) => [['armLength', -armLength]],
  oblique: () => null,
  deckMarks: () => [],
  lengths: ({ driveWheels }, motor) => [
    {
      id: 'arm',
      name: 'trailing arm',
      count: 1,
      // From the height of the axle down to the floor.
      length: Math.hypot(motor.armLength, driveWheels.diameter / 2),
      words: (format) => `from the middle of the axle to the tip; the tip trails ${format(motor.armLength)} behind on the floor`,
    },
    ...tubingLengths(motor),
  ],
  barMarks: () => [],
  parts: (_design, motor, cut, sizes, needed) => [
    ...bandParts(motor, needed('band'), sizes),
    { on: 'string', slot: 'washer', count: 1, size: '', mass: WASHER_MASS },
    { on: 'lever', slot: null, name: 'trailing arm', count: 1, size: sizes.size(cut('arm')), mass: ARM_DENSITY * cut('arm') },
  ],
  notes: () => [
    'The hook at the end of the arm turns freely on its washer; the other end is fixed in the roller.',
    'Hole for the band through the middle, square to both faces.',
  ],
  steps: (design, motor, format) => [
    { ...templateStep, shows: { pieces: ['drive-wheel', 'arm'] } },
    ...joinStep(design, motor, format),
    {
      ...PLAIN_STEP,
      id: 'hole',
      title: 'A hole through the middle',
      text: isOnePiece(design.driveWheels.kind)
        ? 'Mark the middle of both faces with the template. Open a hole for the band straight through.'
        : 'Widen the hole in both faces until the band passes easily.',
      tool: 'bradawl or drill',
      minutes: 6,
      tolerance: `within ${format(0.0005, 'size')} of the middle`,
      trick: 'Drill halfway from each face, so that the holes meet in the middle.',
      adult: true,
      caution: 'Points and drills slip. Hold the work in a clamp, not in the hand.',
      check: 'Spin it on a pencil: the rim does not hop.',
      shows: { part: 'drive-wheel' },
    },
    {
      ...PLAIN_STEP,
      id: 'band',
      title: 'Thread the band',
      text: `${tubingText(motor, format)}Pull the band through. Hold it at one face with half a matchstick, taped down so that it cannot turn.${windingText(motor)}`,
      tool: 'hook of wire',
      minutes: 4,
      trick: 'Pull it through with a loop of thread.',
      caution: `${BAND_CAUTION} ${LATEX_CAUTION}`,
      check: 'Pull the band: the match stays in place.',
      shows: { part: 'motor' },
    },
    {
      ...PLAIN_STEP,
      id: 'washer',
      title: 'Washer and arm',
      text: `Put the washer over the other end of the band. Put the arm through its loop, with ${format(motor.armLength, 'size')} from the middle to its tip.`,
      tool: 'fingers',
      minutes: 4,
      tolerance: `arm clear of the roller by ${format(0.001, 'size')} or more`,
      trick: 'A little candle wax between washer and face helps it turn.',
      check: `Wind five turns and hold the roller: the arm unwinds by itself. ${WAY}`,
      shows: { part: 'lever' },
    },
  ],
  axleText: () => '',
  inspected: (_design, motor) => inspectedBands(motor),
};
