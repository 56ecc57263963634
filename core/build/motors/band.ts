import type { BandDesign } from '../../car/car-design.ts';
import type { MotorView } from '../../geometry/motors/motor-geometry.ts';
import { BAND_CAUTION, LATEX_CAUTION, PLAIN_STEP } from '../build-step.ts';
import { centreCross, makeLine, makePlace } from '../drawing.ts';
import { templateText } from '../template-text.ts';
import { bandParts, chainText, windingText, inspectedBands, tubingLengths, tubingText } from './bands.ts';
import { AXLE_HOOKS } from '../../car/catalogue.ts';
import { axleHookPart, axleHookText, HOOK_MASS, type MotorBuild } from './motor-build.ts';

/** mm of a text on the deck, and of a cross’s arm. */
const TEXT = 2.5;
const CROSS = 5;

/** Bands from a hook on the body, wound on the axle. */
export const BAND_BUILD: MotorBuild<BandDesign, Extract<MotorView, { kind: 'band' }>> = {
  draw: ({ anchor }, { at, circle, axle }) => ({
    items: [makeLine(at(axle), at(anchor), 'outline'), circle(anchor, 0.002)],
    parts: { motor: at({ x: anchor.x / 2, y: (axle.y + anchor.y) / 2 }), hook: at(anchor) },
  }),
  sizes: ({ anchorToAxle, anchorAboveAxle }) => [
    { tells: 'anchorToAxle', label: 'hook from the drive axle', metres: anchorToAxle },
    { tells: 'anchorAboveAxle', label: 'hook above the drive axle', metres: anchorAboveAxle },
  ],
  spans: (_motor, { anchor }) => [['anchorToAxle', anchor.x]],
  oblique: () => null,
  deckMarks: (_design, { anchorToAxle }, at, middle) => {
    const hook = makePlace(at(anchorToAxle), middle);
    return [...centreCross(hook, CROSS), templateText('hook for the bands', hook.x - 30, middle - 2, 'start', TEXT)];
  },
  lengths: (_design, motor) => tubingLengths(motor),
  barMarks: () => [],
  parts: (_design, motor, _cut, sizes, needed) => [
    ...bandParts(motor, needed('band'), sizes),
    { on: 'hook', slot: null, name: 'hook for the bands', count: 1, size: '', mass: HOOK_MASS },
    axleHookPart(motor),
  ],
  notes: ({ release, axleHook }) => [
    release === 'free'
      ? `The end of the band is free on the axle. ${AXLE_HOOKS[axleHook ?? 'wire'].dropOff}`
      : 'The end of the band is tied to the axle.',
    'Leave the hook unglued until the car is tuned.',
  ],
  steps: (_design, motor, format) => [
    {
      ...PLAIN_STEP,
      id: 'hook',
      title: 'The hook for the bands',
      text: `Set it ${format(motor.anchorToAxle, 'size')} from the drive axle, on the middle line. Leave it unglued until the car is tuned.`,
      tool: 'tape',
      minutes: 3,
      tolerance: `${format(0.002, 'size')}, and in line with the middle of the drive axle`,
      trick: 'A paper clip that is bent open and taped flat can be moved.',
      check: 'Pull it as hard as the bands will: it stays in place.',
      shows: { part: 'hook' },
    },
    {
      ...PLAIN_STEP,
      id: 'bands',
      title: 'Chain the bands',
      text: `${tubingText(motor, format)}${chainText(motor)} Hook one end on the body and the other on the axle, where it ${motor.release === 'free' ? 'comes off by itself after the last turn' : 'stays'}.${windingText(motor)}`,
      tool: 'fingers',
      minutes: 2,
      trick: 'Stretch new bands by hand ten times first: their first pull is stronger than later ones.',
      caution: `${BAND_CAUTION} ${LATEX_CAUTION}`,
      check: 'Wind one turn and let go of the wheels: they turn the right way.',
      shows: { part: 'motor' },
    },
  ],
  axleText: (motor) => ` In the middle of the gap: ${axleHookText(motor)}`,
  inspected: (_design, motor) => inspectedBands(motor),
};
