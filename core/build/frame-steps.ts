import type { CarDesign } from '../car/car-design.ts';
import { BEARINGS, WHEELS } from '../car/catalogue.ts';
import { bodyPartOf } from '../car/fitted.ts';
import { describeStiffener } from '../car/stiffener.ts';
import { isRoller } from '../car/motors/motors.ts';
import type { Format } from '../units/quantity.ts';
import { CUTTING_CAUTION, HEAT_CAUTION, PLAIN_STEP, piercingCaution, POINTS_CAUTION, type BuildStep } from './build-step.ts';
import { lengthsOf } from './lengths.ts';
import { holeAngle } from './templates.ts';
import { bearingAt, HUB, isTubeBearing } from '../solid/bearing-sizes.ts';
import { OPENING_WORDS, tubeOpening } from '../solid/tube-opening.ts';
import { hubRadius } from '../solid/wheelset-solids.ts';
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
export const bodySteps = (design: CarDesign, format: Format): BuildStep[] => [...bodyItselfSteps(design, format), ...stiffenerStep(design)];

/** What is cut out of a bottle or tube so that hook and winding are reached; empty for nothing. */
function openingText(design: CarDesign, format: Format): string {
  const opening = tubeOpening(design);
  if (!opening) return '';
  const { from, to, wide, side } = opening;
  return ` Over the drive axle cut an opening ${OPENING_WORDS[side]}, ${format(to - from, 'size')} along and ${format(wide, 'size')} across: through it you ${side === 'top' ? 'hang the loop of the string on its hook' : 'hook the band on the axle'}. Round its corners and tape its edge.`;
}

function bodyItselfSteps(design: CarDesign, format: Format): BuildStep[] {
  const { body } = design;
  const { isTube, label } = bodyPartOf(design);
  const between = design.motor.kind === 'band' ? 'where the hook of the bands goes' : 'halfway';
  if (isTube)
    return [
      {
        ...PLAIN_STEP,
        id: 'body',
        title: `Holes in the ${body.kind === 'bottle' ? 'bottle' : 'tube'}`,
        text: `${holeAngle(design, 'other') === null ? 'Wrap the strip squarely round it, with its seam on top.' : 'Wrap both strips squarely round it, with the seams on top in one line and their axle lines one wheelbase apart.'} Prick the crosses, then open the holes.${openingText(design, format)}`,
        tool: 'bradawl, drill or hot nail',
        minutes: 10,
        tolerance: 'holes within 0.5 mm of their crosses, opposite and in line',
        trick: 'Look along a skewer through two holes: the other skewer lies parallel to it.',
        adult: true,
        caution: 'Points slip off round things: hold it in a towel. A hot nail burns.',
        check: 'A skewer through each pair stands square to the body. Both lie parallel.',
        shows: { pieces: ['drive-strip', 'other-strip'] },
      },
    ];
  if (body.kind === 'box')
    return [
      {
        ...PLAIN_STEP,
        id: 'body',
        title: 'The box',
        text: 'Close the box and tape its seams. Lay the template on its underside, and mark both axle lines on it.',
        tool: 'tape, pencil',
        minutes: 4,
        tolerance: 'axle lines square to its long edges to 0.5 mm',
        trick: 'A sheet of card glued inside the lid keeps the box from folding under the pull.',
        check: 'Measure from axle line to axle line: both sides are equal.',
        shows: { pieces: ['deck'] },
      },
    ];
  if (body.kind === 'two-beams')
    return [
      {
        ...PLAIN_STEP,
        id: 'body',
        title: 'Glue the frame of beams',
        text: `Saw two beams to length by the template, and three cross sticks: one for each end and one ${between}. Lay them on the template and glue the cross sticks between the beams.`,
        tool: 'fine saw, glue, clips',
        minutes: 10,
        dries: 20,
        tolerance: 'both diagonals equal to 1 mm',
        trick: 'Measure the diagonals before the glue sets, and push the frame until they are equal.',
        adult: true,
        caution: 'Clamp the beam. Never hold it in the hand when you saw.',
        check: 'It lies flat on the table without rocking.',
        shows: { pieces: ['deck'] },
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
            ? `Two sticks along that draw together toward the other axle, three across: one at each end and one ${between}. Lay them on the template, glue, and trim what stands out.`
            : `Two sticks along, three across: one at each end and one ${between}. Lay them on the template and glue.`,
        tool: 'glue, clips',
        minutes: 5,
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
      minutes: body.kind === 'plywood' ? 15 : 6,
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
        ? 'Lay the template on and mark the middle. Open it for the axle where it has no hole of its own.'
        : `Cut the circles${kind === 'card-disc' ? ', glue them in pairs with the grain crossed' : ''}, and open the middle for the axle.`,
      tool: isBought ? 'bradawl' : 'compass cutter or scissors',
      minutes: isBought ? 3 : 20,
      dries: kind === 'card-disc' ? 30 : 0,
      tolerance: 'middle within 0.5 mm; rim true to 1 mm',
      trick: 'Spin it on a pencil against a pen: the pen marks the high side.',
      adult: true,
      caution: isBought ? piercingCaution(kind) : CUTTING_CAUTION,
      check: 'Turned on a pointed pencil in its middle, the rim does not hop by more than 1 mm.',
      shows: { pieces: [isDrive ? 'drive-wheel' : 'other-wheel'] },
    };
  });
}

/** What a hub is cut from: a cap on a cap would not lie flat. */
const hubStuff = (kinds: readonly string[]): string =>
  kinds.includes('bottle-cap') ? 'discs of card, three layers glued' : 'bottle caps, or discs of card, three layers glued';

/** The hubs: what joins each wheel square to its axle. */
export function hubStep(design: CarDesign, format: Format): BuildStep[] {
  const { driveWheels, otherWheels, layout } = design;
  const sets = [{ wheels: driveWheels, count: 2 }, ...(otherWheels ? [{ wheels: otherWheels, count: layout.otherWheelCount }] : [])];
  const across = sets.map(({ wheels, count }) => ({ count, size: format(2 * hubRadius(design, wheels), 'size') }));
  const isAlike = new Set(across.map(({ size }) => size)).size === 1;
  const told = isAlike
    ? `${across.reduce((sum, { count }) => sum + count, 0)} of ⌀ ${across[0]!.size}`
    : `${across[0]!.count} of ⌀ ${across[0]!.size} for the drive wheels, ${across[1]!.count} of ⌀ ${across[1]!.size} for the other axle`;
  return [
    {
      ...PLAIN_STEP,
      id: 'hubs',
      title: 'Hubs for the wheels',
      text: `${told}, ${format(HUB.length, 'size')} thick: ${hubStuff(sets.map(({ wheels }) => wheels.kind))}. Pierce each in its middle, ${format(design.axleDiameter, 'size')} wide so that it grips the axle. Slide hub and wheel on a piece of axle, glue the hub on the wheel, and turn it until the wheel runs true.`,
      tool: 'bradawl, glue',
      minutes: 6,
      dries: 10,
      tolerance: `middle within ${format(0.0005, 'size')}`,
      trick: 'A 3D printer makes hubs that centre themselves: see 3D print.',
      adult: true,
      caution: HEAT_CAUTION,
      check: 'On its axle each wheel turns past a pencil. The gap changes by less than 1 mm.',
      shows: { pieces: ['drive-wheel', 'other-wheel'] },
    },
  ];
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
  const { isTube: isRound } = bodyPartOf(design);
  const mm = (metres: number): string => format(metres, 'size');
  return [
    {
      ...PLAIN_STEP,
      id: 'blocks',
      title: `Blocks between ${isRound ? 'body' : 'deck'} and bearings`,
      text: `Cut ${blocks.map(({ count, long, wide, high }) => `${count} × ${mm(long)} by ${mm(wide)}, ${mm(high)} high`).join(', and ')}: layers of card glued together, cork or wood. ${isRound ? 'Round one face to fit the neck, and glue it there under the body, over the middle of the axle' : 'Glue them under the deck on the axle lines'}.`,
      tool: 'knife, glue',
      minutes: 5,
      dries: 15,
      tolerance: `all equally high to ${format(0.0005, 'size')}`,
      trick: 'Make one long block of that height and cut it into pieces: they are all alike.',
      adult: true,
      caution: CUTTING_CAUTION,
      check: isRound
        ? 'Lay the axle on it: it is parallel to the drive axle.'
        : 'Turn the deck over and lay a ruler across the blocks: it touches all of them.',
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
          .join(
            ' and ',
          )} and glue them ${isRound && hasBlocks ? 'into the holes, and under the block at the neck' : isRound ? 'into the holes' : hasBlocks ? 'along the blocks' : 'along the axle lines'}${
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
    minutes: 6,
    dries: 10,
    tolerance: `both parallel to ${format(0.0005, 'size')} over the width of the car`,
    trick: 'Leave the axle in while the glue sets, so that the pieces stay in line. Keep glue out of them.',
    adult: true,
    caution: isTube ? HEAT_CAUTION : POINTS_CAUTION,
    check: 'The axle drops through by its own weight.',
    shows: isRound || isRoller(design) ? { part: 'bearing' } : { pieces: ['deck'] },
  };
}
