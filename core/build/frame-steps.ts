import type { CarDesign } from '../car/car-design.ts';
import { BEARINGS, WHEELS } from '../car/catalogue.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { describeStiffener } from '../car/stiffener.ts';
import { isRoller } from '../car/motors/motors.ts';
import type { Format } from '../units/quantity.ts';
import { CUTTING_CAUTION, HEAT_CAUTION, PLAIN_STEP, type BuildStep } from './build-step.ts';
import { lengthsOf } from './lengths.ts';
import { bearingAt, isTubeBearing } from '../solid/bearing-sizes.ts';
import { blocksOf } from '../solid/blocks.ts';

/** The sticks that are glued along the body. */
function stiffenerStep({ body: { stiffener } }: CarDesign): BuildStep[] {
  if (!stiffener) return [];
  return [
    {
      ...PLAIN_STEP,
      id: 'stiffener',
      title: `Reinforce the body: ${describeStiffener(stiffener)}`,
      text: `Cut ${stiffener.count > 1 ? 'each' : 'it'} as long as the body. Glue ${stiffener.count > 1 ? 'them' : 'it'} along the line of pull, from hook to drive axle, over the whole length.`,
      tool: 'glue, clips',
      minutes: 5,
      dries: 15,
      trick: 'A gap in the glue is where it folds.',
      check: 'Press both ends of the body together: it does not bow.',
      shows: { part: 'body' },
    },
  ];
}

/** Steps to the body: cut and notched, or holes round a bottle or tube; then what reinforces it. */
export const bodySteps = (design: CarDesign): BuildStep[] => [...bodyItselfSteps(design), ...stiffenerStep(design)];

function bodyItselfSteps(design: CarDesign): BuildStep[] {
  const { body } = design;
  const { isTube, label } = bodyPartOf(design);
  if (isTube)
    return [
      {
        ...PLAIN_STEP,
        id: 'body',
        title: `Holes in the ${body.kind === 'bottle' ? 'bottle' : 'tube'}`,
        text: 'Wrap both strips squarely round it, with the seams on top in one line and the middle lines one wheelbase apart. Prick the crosses, then open the holes.',
        tool: 'bradawl, drill or hot nail',
        minutes: 15,
        tolerance: 'holes within 0.5 mm of their crosses, opposite and in line',
        trick: 'Look along a skewer through two holes: the other skewer lies parallel to it.',
        adult: true,
        caution: 'Points slip off round things: hold it in a towel. A hot nail burns.',
        check: 'A skewer through each pair stands square, and both lie parallel.',
        shows: { pieces: ['drive-strip', 'other-strip'] },
      },
    ];
  if (body.kind === 'craft-sticks')
    return [
      {
        ...PLAIN_STEP,
        id: 'body',
        title: 'Glue the frame of sticks',
        text:
          body.outline === 'triangle'
            ? 'Two sticks along that draw together toward the other axle, three across: one over each axle and one in the middle. Lay them on the template, glue, and trim what stands out.'
            : 'Two sticks along, three across: one over each axle and one in the middle. Lay them on the template and glue.',
        tool: 'glue, clips',
        minutes: 15,
        dries: 20,
        tolerance: 'both diagonals equal to 1 mm',
        trick: 'Measure the diagonals before the glue sets, and push the frame until they are equal.',
        check: 'It lies flat on the table without rocking.',
        shows: { pieces: ['deck'] },
      },
    ];
  if (body.kind === 'beam')
    return [
      {
        ...PLAIN_STEP,
        id: 'body',
        title: 'Saw the beam and drill it across',
        text: 'Saw it to length by the template. Mark both axle lines on one side, and drill straight across for what the axles turn in.',
        tool: 'saw, drill in a stand',
        minutes: 12,
        tolerance: 'both holes square to the beam and parallel to 0.5 mm',
        trick: 'Drill halfway from each side, so that the holes meet in the middle.',
        adult: true,
        caution: 'Clamp the beam. Never hold it in the hand when you saw or drill.',
        check: 'A skewer through each hole: both lie parallel.',
        shows: { pieces: ['deck'] },
      },
    ];
  return [
    {
      ...PLAIN_STEP,
      id: 'body',
      title: `Cut the deck of ${label}`,
      text: `Stick the template on and cut along the full lines${body.notched ? ', the notch over the drive axle too' : ''}. Prick both ends of each axle line through.`,
      tool: body.kind === 'plywood' || body.kind === 'balsa' ? 'fine saw' : 'knife and steel ruler',
      minutes: body.kind === 'plywood' ? 20 : 10,
      tolerance: 'axle lines square to the middle line to 0.5 mm',
      trick: 'Several light cuts keep the edge square.',
      adult: true,
      caution: CUTTING_CAUTION,
      check: 'Measure from axle line to axle line: both sides are equal.',
      shows: { pieces: ['deck'] },
    },
  ];
}

/** Wheels that come as they are. */
const BOUGHT: ReadonlySet<string> = new Set([
  'optical-disc',
  'bottle-cap',
  'jar-lid',
  'cup-bottom',
  'moulded-wheel',
  'rubber-roller',
  'wooden-wheel-ring',
]);

/** Steps to the wheels of each kind: cut, or their middle found. */
export function wheelSteps(design: CarDesign): BuildStep[] {
  const { driveWheels, otherWheels } = design;
  const kinds = [...new Set([driveWheels.kind, ...(otherWheels ? [otherWheels.kind] : [])])];
  return kinds.map((kind): BuildStep => {
    const isDrive = kind === driveWheels.kind;
    const { label } = WHEELS[kind];
    const isBought = BOUGHT.has(kind);
    return {
      ...PLAIN_STEP,
      id: `wheels-${kind}`,
      title: isBought ? `Find the middle of each ${label}` : `Cut the wheels: ${label}`,
      text: isBought
        ? 'Lay the template on and mark the middle. Glue a hub over the hole: a disc of card or a bottle cap, drilled for the axle.'
        : `Cut the circles${kind === 'card-disc' ? ', glue them in pairs with the grain crossed' : ''}, and open the middle for the axle.`,
      tool: isBought ? 'bradawl, glue' : 'compass cutter or scissors',
      minutes: isBought ? 12 : 25,
      dries: kind === 'card-disc' ? 30 : 10,
      tolerance: 'middle within 0.5 mm; rim true to 1 mm',
      trick: 'Spin it on a pencil against a pen: the pen marks the high side.',
      adult: true,
      caution: isBought ? HEAT_CAUTION : CUTTING_CAUTION,
      check: 'On its axle it turns past a pencil without touching it. The gap is never more than 1 mm.',
      shows: { pieces: [isDrive ? 'drive-wheel' : 'other-wheel'] },
    };
  });
}

/** How bearings that are no tubes are made, by their kind. */
const BEARING_TEXTS: Partial<Readonly<Record<CarDesign['bearing'], (axle: string) => string>>> = {
  'screw-eye': (axle) => `Set the eyes on the axle lines, opened to ${axle} and half a millimetre.`,
  'plastic-hole': (axle) =>
    `Pierce the plastic on the axle lines with a hot nail or drill, ${axle} and half a millimetre wide. Smooth the edge.`,
  'zip-tie': (axle) =>
    `Put a zip tie through two holes beside each axle line. Close it loosely round the axle, ${axle} and half a millimetre wide; a drop of glue holds it.`,
  reel: (axle) =>
    `Glue a thread reel along each end of the axle lines. The hole is ${axle} and half a millimetre wide or more; line one that is too wide.`,
  'ball-bearing': () => 'Press the bearings into holes on the axle lines, square to them.',
  magnet: () =>
    'File both ends of the axle to a point. Fix a magnet at each end of the axle lines, the same pole of both toward the axle. The point touches the magnet at one end and stays 1 mm away at the other. A keeper of thin steel behind each magnet doubles its hold.',
};
const bearingText = (design: CarDesign, which: 'drive' | 'other', format: Format): string => {
  const axle = format(design.axleDiameter, 'size');
  return BEARING_TEXTS[bearingAt(design, which)]?.(axle) ?? `Set the holes on the axle lines, ${axle} and half a millimetre wide.`;
};

/** Blocks that fill the gap between deck and bearings, before these are glued on; none where they are glued right on. */
export function blockStep(design: CarDesign, format: Format): BuildStep[] {
  const blocks = blocksOf(design).filter(({ under }) => under === 'deck');
  if (blocks.length === 0) return [];
  const mm = (metres: number): string => format(metres, 'size');
  return [
    {
      ...PLAIN_STEP,
      id: 'blocks',
      title: 'Blocks between deck and bearings',
      text: `Cut ${blocks.map(({ count, long, wide, high }) => `${count} × ${mm(long)} by ${mm(wide)}, ${mm(high)} high`).join(', and ')}: layers of card glued together, cork or wood. Glue them under the deck on the axle lines.`,
      tool: 'knife, glue',
      minutes: 10,
      dries: 15,
      tolerance: `all equally high to ${format(0.0005, 'size')}`,
      trick: 'Make one long block of that height and cut it into pieces: they are all alike.',
      adult: true,
      caution: CUTTING_CAUTION,
      check: 'Turn the deck over and lay a ruler across the blocks: it touches all of them.',
      shows: { part: 'bearing' },
    },
  ];
}

/** What the axles turn in. */
export function bearingStep(design: CarDesign, format: Format): BuildStep {
  const isTube = isTubeBearing(design) || isTubeBearing(design, 'other');
  const { isTube: isRound } = bodyPartOf(design);
  const hasBlocks = blocksOf(design).some(({ under }) => under === 'deck');
  const { otherBearing } = design;
  const cuts = lengthsOf(design);
  const textOf = (which: 'drive' | 'other', ids: readonly string[]): string =>
    isTubeBearing(design, which)
      ? `Cut ${cuts
          .filter(({ id }) => ids.includes(id))
          .map(({ count, length }) => `${count} × ${format(length, 'size')}`)
          .join(' and ')} and glue them ${isRound ? 'into the holes' : hasBlocks ? 'along the blocks' : 'along the axle lines'}${
          ids.includes('drive-bearing') ? ', the gap for winding in the middle of the drive axle' : ''
        }.`
      : bearingText(design, which, format);
  return {
    ...PLAIN_STEP,
    id: 'bearings',
    title: `Bearings: ${BEARINGS[design.bearing].label}${otherBearing ? `; other axle ${BEARINGS[otherBearing].label}` : ''}`,
    text: otherBearing
      ? `Drive axle: ${textOf('drive', ['drive-bearing'])} Other axle: ${textOf('other', ['other-bearing'])}`
      : textOf('drive', ['drive-bearing', 'other-bearing']),
    tool: isTube ? 'knife, glue' : 'bradawl',
    minutes: 12,
    dries: 10,
    tolerance: `both parallel to ${format(0.0005, 'size')} over the width of the car`,
    trick: 'Leave the axle in while the glue sets, so that the pieces stay in line. Keep glue out of them.',
    adult: true,
    caution: isTube ? HEAT_CAUTION : 'Points slip: push away from the hand.',
    check: 'The axle drops through by its own weight.',
    shows: isRound || isRoller(design) ? { part: 'bearing' } : { pieces: ['deck'] },
  };
}
