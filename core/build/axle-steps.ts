import type { CarDesign } from '../car/car-design.ts';
import { axleOf } from '../car/fitted.ts';
import type { Print } from '../units/quantity.ts';
import { FLY, HOT, LATEX, NONE, type BuildStep } from './build-step.ts';
import { lengthsOf } from './lengths.ts';

/** Steps to the axles, in order: both cut, the other and the drive axle put together; then its sleeve and tyres where it has them. */
export function axleSteps(design: CarDesign, print: Print): BuildStep[] {
  const { sleeve, tyre, motor } = design;
  const lengths = new Map(lengthsOf(design).map((cut) => [cut.id, cut]));
  const { stuff } = axleOf(design);
  const tape = lengths.get('tape');
  const strip = lengths.get('tyre');
  const steps: BuildStep[] = [
    {
      ...NONE,
      id: 'axles',
      title: `Cut the axles: ${axleOf(design).label}`,
      text:
        ['drive-axle', 'other-axle']
          .flatMap((id) =>
            lengths.has(id as 'drive-axle')
              ? [`${print(lengths.get(id as 'drive-axle')!.length, 'size')} for the ${id.replace('-axle', '')} axle`]
              : [],
          )
          .join(', ') + '.',
      tool: stuff === 'wood' ? 'side cutters, sandpaper' : 'hacksaw, file',
      minutes: 6,
      tolerance: 'straight: rolled on a table it does not wobble',
      trick: 'Roll several on the table and keep the straightest.',
      adult: true,
      caution: FLY,
      check: 'Roll each on the table and look under it: no light flickers.',
      shows: { pieces: ['drive-axle', 'other-axle'] },
    },
    {
      ...NONE,
      id: 'other-axle',
      title: 'Put the other axle together',
      text: 'One wheel on, through its bearing, the other on; leave the play at the sides and glue the hubs, not the bearing.',
      tool: 'glue',
      minutes: 8,
      dries: 10,
      tolerance: `${print(design.endPlay, 'size')} of play from side to side`,
      trick: 'A slip of card between hub and bearing while the glue sets leaves the play.',
      adult: true,
      caution: HOT,
      check: 'Flick the wheel: it turns for more than 5 s.',
      shows: { part: 'other-axle' },
    },
    {
      ...NONE,
      id: 'drive-axle',
      title: 'Put the drive axle together',
      text: `Fix each wheel to the axle so that it cannot slip.${motor.kind === 'lever' ? ' Set the hook in the middle of the gap, a few millimetres high, and leave it unglued until the car is tuned.' : ''}`,
      tool: 'glue',
      minutes: 10,
      dries: 10,
      tolerance: 'wheels square to the axle; play as on the other',
      trick: 'Hold one wheel and twist the other: nothing gives.',
      adult: true,
      caution: HOT,
      check: 'Flick it: it turns for more than 5 s, and both wheels together.',
      shows: { part: 'drive-axle' },
    },
  ];
  if (tape)
    steps.push({
      ...NONE,
      id: 'sleeve',
      title: 'Tape the drive axle',
      text: `${tape.words((metres) => print(metres, 'size'))}: ${print(tape.length, 'size')}, wound tight and even, to ⌀ ${print(sleeve.at(-1)!.diameter, 'size')}.`,
      tool: 'tape',
      minutes: 5,
      tolerance: '0.3 mm on the diameter',
      trick: 'Begin with the tape’s edge along the axle, and turn the axle, not the tape.',
      check: 'Measure it across in two directions.',
      shows: { part: 'sleeve' },
    });
  if (tyre !== 'bare-disc' && tyre !== 'card-edge')
    steps.push({
      ...NONE,
      id: 'tyres',
      title: 'Tyres',
      text: strip
        ? `Cut two strips of ${print(strip.length, 'size')} (${strip.words((metres) => print(metres, 'size'))}), and glue them on without a step at the joint.`
        : 'Put them on both drive wheels, alike all round.',
      tool: 'scissors, glue',
      minutes: 8,
      tolerance: 'no step that is felt at the joint',
      trick: 'Wipe the rim with a damp cloth first: dust keeps nothing.',
      caution: tyre === 'cut-glove' || tyre === 'rubber-band' ? LATEX : tyre === 'glue-bead' ? HOT : '',
      adult: tyre === 'glue-bead',
      check: 'Push the car down and turn the wheels: the tyre stays on.',
      shows: { part: 'tyre' },
    });
  return steps;
}
