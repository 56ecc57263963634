import type { CarDesign } from '../car/car-design.ts';
import type { Format } from '../units/quantity.ts';
import { firstRun, LATEX_CAUTION, PLAIN_STEP, BAND_CAUTION, templateStep, type BuildStep } from './build-step.ts';

/** Steps of a roller: a spool that a twisted band turns. */
export function rollerSteps(design: CarDesign, format: Format): BuildStep[] {
  const { motor } = design;
  const arm = motor.kind === 'twist' ? format(motor.armLength, 'size') : '';
  return [
    { ...templateStep, shows: { pieces: ['drive-wheel', 'arm'] } },
    {
      ...PLAIN_STEP,
      id: 'hole',
      title: 'A hole through the middle',
      text: 'Mark the middle of both faces with the template. Open a hole for the band straight through.',
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
      text: 'Pull the band through. Hold it at one face with half a matchstick, taped down so that it cannot turn.',
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
      text: `Put the washer over the other end of the band. Put the arm through its loop, with ${arm} from the middle to its tip.`,
      tool: 'fingers',
      minutes: 4,
      tolerance: `arm clear of the roller by ${format(0.001, 'size')} or more`,
      trick: 'A little candle wax between washer and face helps it turn.',
      check: 'Wind five turns and hold the roller: the arm unwinds by itself.',
      shows: { part: 'lever' },
    },
    firstRun(design),
  ];
}
