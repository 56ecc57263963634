import { hasTyres } from '../car/parts.ts';
import type { CarDesign } from '../car/car-design.ts';
import { SLEEVES } from '../car/catalogue.ts';
import { axleOf } from '../car/fitted.ts';
import { isDrilled } from '../car/sleeves.ts';
import type { Format } from '../units/quantity.ts';
import { FLYING_ENDS_CAUTION, HEAT_CAUTION, LATEX_CAUTION, PLAIN_STEP, type BuildStep } from './build-step.ts';
import { lengthsOf } from './lengths.ts';
import { buildOf } from './motors/motors.ts';

/** How what thickens the axle is put on it, by what it is; `outside` and `axle`: printed diameters. */
const SPOOL_TEXTS: Readonly<Record<CarDesign['sleeve'][number]['kind'], (outside: string, axle: string) => string>> = {
  tape: () => '',
  straw: (outside) => `Push a piece of straw of ⌀ ${outside} over the axle, with paper round the axle where it is loose. Glue both ends.`,
  'pen-tube': (outside) => `Saw off a piece of pen tube of ⌀ ${outside}. Wrap the axle until the tube just pushes on, and glue it.`,
  'dowel-collar': (outside, axle) =>
    `Cut a collar from dowel of ⌀ ${outside}. Drill it through the middle for the ${axle} axle, and glue it on.`,
  bead: (outside) => `Push a bead of ⌀ ${outside} over the axle, with thread round the axle where it is loose. Glue it.`,
  cork: (outside, axle) => `Cut a slice of cork of ⌀ ${outside}. Pierce it through the middle for the ${axle} axle, and glue it on.`,
  moulded: (outside, axle) =>
    `Push the moulded spool (⌀ ${outside} where the string pulls at launch) over the ${axle} axle. Fix it with a drop of glue.`,
  other: (outside, axle) => `Turn or sand the spool to ⌀ ${outside}, with a hole for the ${axle} axle, and glue it on.`,
};
/** Steps to the axles, in order: both cut, the other and the drive axle put together; then its sleeve and tyres where it has them. */
export function axleSteps(design: CarDesign, format: Format): BuildStep[] {
  const { sleeve, tyre, motor } = design;
  const lengths = new Map(lengthsOf(design).map((cut) => [cut.id, cut]));
  const { stuff } = axleOf(design);
  const tape = lengths.get('tape');
  const strip = lengths.get('tyre');
  const steps: BuildStep[] = [
    {
      ...PLAIN_STEP,
      id: 'axles',
      title: `Cut the axles: ${axleOf(design).label}`,
      text:
        ['drive-axle', 'other-axle']
          .flatMap((id) =>
            lengths.has(id as 'drive-axle')
              ? [`${format(lengths.get(id as 'drive-axle')!.length, 'size')} for the ${id.replace('-axle', '')} axle`]
              : [],
          )
          .join(', ') + '.',
      tool: stuff === 'wood' ? 'side cutters, sandpaper' : 'hacksaw, file',
      minutes: 3,
      tolerance: 'straight: it does not wobble when rolled on a table',
      trick: 'Roll several on the table and keep the straightest.',
      adult: true,
      caution: FLYING_ENDS_CAUTION,
      check: 'Roll each one on the table and look under it: no light flickers through.',
      shows: { pieces: ['drive-axle', 'other-axle'] },
    },
    {
      ...PLAIN_STEP,
      id: 'other-axle',
      title: 'Assemble the other axle',
      text:
        design.layout.otherWheelCount === 1
          ? 'Push the axle through one bearing, then through the wheel with its hub, then through the other bearing. Bring the wheel to the middle of its slot, and glue the hub to the axle, not to the bearings.'
          : 'Fit one wheel, push the axle through its bearing, then fit the other wheel. Leave the end play, and glue the hubs, not the bearing.',
      tool: 'glue',
      minutes: 4,
      dries: 10,
      tolerance: `${format(design.endPlay, 'size')} of play from side to side`,
      trick: 'Leave a slip of card between hub and bearing while the glue sets. It leaves the right play.',
      adult: true,
      caution: HEAT_CAUTION,
      check: 'Flick the wheel: it turns for more than 5 s.',
      shows: { part: 'other-axle' },
    },
    {
      ...PLAIN_STEP,
      id: 'drive-axle',
      title: 'Assemble the drive axle',
      text: `With the axle in its bearings, fix a wheel to each end so that it cannot slip.${buildOf(motor).axleText(motor)}`,
      tool: 'glue',
      minutes: 6,
      dries: 10,
      tolerance: 'wheels square to the axle; the same play as on the other axle',
      trick: 'Hold one wheel and twist the other: nothing moves.',
      adult: true,
      caution: HEAT_CAUTION,
      check: 'Flick it: both wheels turn together for more than 5 s.',
      shows: { part: 'drive-axle' },
    },
  ];
  const fitted = sleeve.filter(({ kind }) => kind !== 'tape');
  const drilled = fitted.some(({ kind }) => isDrilled(kind));
  if (fitted.length > 0)
    steps.push({
      ...PLAIN_STEP,
      id: 'spool',
      title: `Fit the spool: ${[...new Set(fitted.map(({ kind }) => SLEEVES[kind].label))].join(', ')}`,
      text: `${fitted.map(({ kind, diameter }) => SPOOL_TEXTS[kind](format(diameter, 'size'), format(design.axleDiameter, 'size'))).join(' ')} It goes on the axle between both bearings: pull the axle out of one of them to thread it on.`,
      tool: drilled ? 'drill in a stand, glue' : 'knife, glue',
      minutes: 6,
      dries: 10,
      tolerance: `in the middle of the axle, true to ${format(0.0003, 'size')}`,
      trick: 'Put it on before the wheels. Turn the axle in the fingers while the glue sets: it stays centred.',
      adult: drilled,
      caution: drilled ? 'Hold round pieces in a clamp, never in the hand, when you drill.' : '',
      check: 'Hold the axle and twist the spool: nothing moves.',
      shows: drilled ? { pieces: ['spool'] } : { part: 'sleeve' },
    });
  if (tape)
    steps.push({
      ...PLAIN_STEP,
      id: 'sleeve',
      title: 'Tape the drive axle',
      text: `${tape.words((metres) => format(metres, 'size'))}: ${format(tape.length, 'size')}, wound tight and even in the gap between the bearings, to ⌀ ${format(sleeve.at(-1)!.diameter, 'size')}.`,
      tool: 'tape',
      minutes: 3,
      tolerance: `${format(0.0003, 'size')} on the diameter`,
      trick: 'Begin with the edge of the tape along the axle. Turn the axle, not the tape.',
      check: 'Measure the diameter in two directions.',
      shows: { part: 'sleeve' },
    });
  if (hasTyres(design))
    steps.push({
      ...PLAIN_STEP,
      id: 'tyres',
      title: 'Tyres',
      text: strip
        ? `Cut two strips of ${format(strip.length, 'size')} (${strip.words((metres) => format(metres, 'size'))}), and glue them on without a step at the joint.`
        : 'Put them on both drive wheels, the same all the way round.',
      tool: 'scissors, glue',
      minutes: 5,
      tolerance: 'no step that you can feel at the joint',
      trick: 'Wipe the rim with a damp cloth first: nothing sticks to dust.',
      caution: tyre === 'cut-glove' || tyre === 'rubber-band' ? LATEX_CAUTION : tyre === 'glue-bead' ? HEAT_CAUTION : '',
      adult: tyre === 'glue-bead',
      check: 'Push the car down and turn the wheels: the tyre stays on.',
      shows: { part: 'tyre' },
    });
  return steps;
}
