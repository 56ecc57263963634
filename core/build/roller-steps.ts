import type { CarDesign } from '../car/car-design.ts';
import type { Print } from '../units/quantity.ts';
import { firstRun, LATEX, NONE, STRETCHED, templateStep, type BuildStep } from './build-step.ts';

/** Steps of a roller: a spool that a twisted band turns. */
export function rollerSteps(design: CarDesign, print: Print): BuildStep[] {
  const { motor } = design;
  const arm = motor.kind === 'twist' ? print(motor.armLength, 'size') : '';
  return [
    { ...templateStep, shows: { pieces: ['drive-wheel', 'arm'] } },
    {
      ...NONE,
      id: 'hole',
      title: 'A hole through the middle',
      text: 'Mark the middle of both faces with the template and open a hole for the band, square through.',
      tool: 'bradawl or drill',
      minutes: 6,
      tolerance: 'within 0.5 mm of the middle',
      trick: 'Drill halfway from each face: the hole meets in the middle.',
      adult: true,
      caution: 'Points and drills slip: hold it in a clamp, not in the hand.',
      check: 'Spin it on a pencil: the rim does not hop.',
      shows: { part: 'drive-wheel' },
    },
    {
      ...NONE,
      id: 'band',
      title: 'Thread the band',
      text: 'Draw the band through and hold it at one face with half a match, taped down so that it cannot turn.',
      tool: 'hook of wire',
      minutes: 4,
      trick: 'Pull it through with a loop of thread.',
      caution: `${STRETCHED} ${LATEX}`,
      check: 'Pull: the match stays where it is.',
      shows: { part: 'motor' },
    },
    {
      ...NONE,
      id: 'washer',
      title: 'Washer and arm',
      text: `Put the washer over the band’s other end and the arm through its loop: ${arm} from the middle to its tip.`,
      tool: 'fingers',
      minutes: 4,
      tolerance: 'arm clear of the roller by 1 mm or more',
      trick: 'A little candle wax between washer and face lets it turn.',
      check: 'Wind five turns and hold the roller: the arm unwinds by itself.',
      shows: { part: 'lever' },
    },
    firstRun(design),
  ];
}
