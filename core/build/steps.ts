import type { CarDesign } from '../car/car-design.ts';
import { BEARINGS, WHEELS } from '../car/catalogue.ts';
import { axleOf, bodyPartOf } from '../car/fitted.ts';
import { hasBands, isRoller } from '../car/motors/motors.ts';
import type { Print } from '../units/quantity.ts';
import { isTubeBearing, lengthsOf, stringToCut } from './lengths.ts';
import type { PartPlace } from './parts-list.ts';

/** One step of the making. */
export interface BuildStep {
  readonly id: string;
  readonly title: string;
  /** What is done. */
  readonly text: string;
  readonly tool: string;
  readonly minutes: number;
  /** min that must pass before the next, while glue sets; 0 for none. */
  readonly dries: number;
  /** How exact; empty where it does not matter. */
  readonly tolerance: string;
  /** The trick of the trade. */
  readonly trick: string;
  /** An adult stands beside young builders. */
  readonly adult: boolean;
  readonly caution: string;
  /** What proves it before the next step. */
  readonly check: string;
  /** Its templates by their ids, or what of the car it is about. */
  readonly shows: { readonly pieces: readonly string[] } | { readonly part: PartPlace };
}

const NONE = { dries: 0, tolerance: '', trick: '', adult: false, caution: '' } as const;
const CUT = 'Cut away from yourself, on a board; guard the other hand.';
const FLY = 'Ends of skewers and wire fly off: glasses on, hold both ends.';
const HOT = 'Glue and nozzle are hot enough to burn: no fingers near.';
const TRAP = 'A snap trap breaks skin: the arm stays tied down while you work, fingers out of its path.';
const STRETCHED = 'A stretched band whips: glasses, never over a face.';
const LATEX = 'Latex can cause allergy: ask first.';

const templateStep: BuildStep = {
  ...NONE,
  id: 'templates',
  title: 'Print the templates',
  text: 'Print them at full size and cut them out roughly; glue parts of one template over the dotted edge.',
  tool: 'printer, scissors',
  minutes: 8,
  tolerance: 'the 100 mm rule is 100 mm long, to half a millimetre',
  trick: 'Choose “actual size” in the print window; “fit to page” shrinks them.',
  check: 'Lay a ruler on the rule of each page.',
  shows: { pieces: ['deck', 'drive-strip', 'drive-wheel'] },
};

/** Steps of a roller: a spool that a twisted band turns. */
function rollerSteps(design: CarDesign, print: Print): BuildStep[] {
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

/** What comes last: weigh, push, wind a little. */
const firstRun = (design: CarDesign): BuildStep => ({
  ...NONE,
  id: 'first-run',
  title: 'Weigh it and let it roll',
  text: 'Weigh it, roll it unwound along a line on the floor, then wind two turns and let it go from the line.',
  tool: 'kitchen scale, tape on the floor',
  minutes: 8,
  tolerance: 'within half a metre of the line after five',
  trick: 'Wind by turning the wheels backwards, with both thumbs.',
  caution: 'Release from behind and beside; keep faces and pets off the track.',
  check: isRoller(design) ? 'It rolls away and stops by itself.' : 'It rolls on by itself for two metres and more, and straight.',
  shows: { part: 'drive-wheel' },
});

/** Steps to the body: cut and notched, or holes round a bottle or tube. */
function bodySteps(design: CarDesign): BuildStep[] {
  const { body } = design;
  const { isTube, label } = bodyPartOf(design);
  if (isTube)
    return [
      {
        ...NONE,
        id: 'body',
        title: `Holes in the ${body.kind === 'bottle' ? 'bottle' : 'tube'}`,
        text: 'Wrap both strips round it square, seams on top and in one line, their middle lines a wheelbase apart. Prick the crosses, then open the holes.',
        tool: 'bradawl, drill or hot nail',
        minutes: 15,
        tolerance: 'holes within 0.5 mm of their crosses, opposite and in line',
        trick: 'Look along a skewer through two holes: the other one lies parallel to it.',
        adult: true,
        caution: 'Points slip off round things: hold it in a towel. A hot nail burns.',
        check: 'A skewer through each pair stands square, and both lie parallel.',
        shows: { pieces: ['drive-strip', 'other-strip'] },
      },
    ];
  if (body.kind === 'craft-sticks')
    return [
      {
        ...NONE,
        id: 'body',
        title: 'Glue the frame of sticks',
        text: 'Two sticks along, three across: one over each axle and one in the middle. Lay them on the template and glue.',
        tool: 'glue, clips',
        minutes: 15,
        dries: 20,
        tolerance: 'both diagonals alike to 1 mm',
        trick: 'Measure the diagonals before the glue sets, and push it square.',
        check: 'It lies flat on the table without rocking.',
        shows: { pieces: ['deck'] },
      },
    ];
  return [
    {
      ...NONE,
      id: 'body',
      title: `Cut the deck of ${label}`,
      text: `Stick the template on and cut along the full lines${body.notched ? ', the notch over the drive axle too' : ''}. Prick both ends of each axle line through.`,
      tool: body.kind === 'plywood' || body.kind === 'balsa' ? 'fine saw' : 'knife and steel ruler',
      minutes: body.kind === 'plywood' ? 20 : 10,
      tolerance: 'axle lines square to the middle to 0.5 mm',
      trick: 'Several light cuts keep the edge square.',
      adult: true,
      caution: CUT,
      check: 'Measure from axle line to axle line on both sides: alike.',
      shows: { pieces: ['deck'] },
    },
  ];
}

const BOUGHT: ReadonlySet<string> = new Set([
  'optical-disc',
  'bottle-cap',
  'jar-lid',
  'cup-bottom',
  'moulded-wheel',
  'rubber-roller',
  'wooden-wheel-ring',
]);

function wheelSteps(design: CarDesign): BuildStep[] {
  const { driveWheels, otherWheels } = design;
  const kinds = [...new Set([driveWheels.kind, ...(otherWheels ? [otherWheels.kind] : [])])];
  return kinds.map((kind): BuildStep => {
    const isDrive = kind === driveWheels.kind;
    const { label } = WHEELS[kind];
    const isBought = BOUGHT.has(kind);
    return {
      ...NONE,
      id: `wheels-${kind}`,
      title: isBought ? `Find the middle of each ${label}` : `Cut the wheels: ${label}`,
      text: isBought
        ? 'Lay the template on, mark the middle, and glue a hub over the hole: a disc of card or a bottle cap, drilled for the axle.'
        : `Cut the circles${kind === 'card-disc' ? ', glue them in pairs with the grain crossed' : ''}, and open the middle for the axle.`,
      tool: isBought ? 'bradawl, glue' : 'compass cutter or scissors',
      minutes: isBought ? 12 : 25,
      dries: kind === 'card-disc' ? 30 : 10,
      tolerance: 'middle within 0.5 mm; rim true to 1 mm',
      trick: 'Spin it on a pencil against a pen: the pen marks the high side.',
      adult: true,
      caution: isBought ? HOT : CUT,
      check: 'On its axle it turns past a pencil without touching and without a gap of more than 1 mm.',
      shows: { pieces: [isDrive ? 'drive-wheel' : 'other-wheel'] },
    };
  });
}

function bearingStep(design: CarDesign, print: Print): BuildStep {
  const isTube = isTubeBearing(design);
  const { isTube: isRound } = bodyPartOf(design);
  const { label } = BEARINGS[design.bearing];
  const cuts = lengthsOf(design).filter(({ id }) => id === 'drive-bearing' || id === 'other-bearing');
  return {
    ...NONE,
    id: 'bearings',
    title: `Bearings: ${label}`,
    text: isTube
      ? `Cut ${cuts.map(({ count, length }) => `${count} × ${print(length, 'size')}`).join(' and ')} and glue them ${isRound ? 'into the holes' : 'along the axle lines'}, the gap for winding in the middle of the drive axle.`
      : `Set ${design.bearing === 'screw-eye' ? 'the eyes' : 'the holes'} on the axle lines, ${print(design.axleDiameter, 'size')} and half a millimetre wide.`,
    tool: isTube ? 'knife, glue' : 'bradawl',
    minutes: 12,
    dries: 10,
    tolerance: 'both parallel to 0.5 mm over the width of the car',
    trick: 'Leave the axle in while the glue sets: the pieces stay in line. Keep glue out of them.',
    adult: true,
    caution: isTube ? HOT : 'Points slip: push away from the hand.',
    check: 'The axle drops through by its own weight.',
    shows: isRound || isRoller(design) ? { part: 'bearing' } : { pieces: ['deck'] },
  };
}

function axleSteps(design: CarDesign, print: Print): BuildStep[] {
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

function motorSteps(design: CarDesign, print: Print): BuildStep[] {
  const { motor } = design;
  if (motor.kind === 'lever') {
    const string = stringToCut(design)!;
    return [
      {
        ...NONE,
        id: 'lever',
        title: 'Lash the lever to the trap',
        text: `Lash it along the arm with thread and glue: ${print(motor.leverLength, 'size')} from the pivot to the notch for the string.`,
        tool: 'thread, glue',
        minutes: 12,
        dries: 10,
        tolerance: '1 mm on the length; straight over the arm',
        trick: 'Take the bait and the catch off first; a lever that is lashed at two places does not turn.',
        adult: true,
        caution: TRAP,
        check: 'Push its tip sideways: it does not turn on the arm.',
        shows: { pieces: ['lever'] },
      },
      {
        ...NONE,
        id: 'trap',
        title: 'Place the trap',
        text: `Tape it down, not glue: its pivot ${print(motor.trapPosition, 'size')} from the drive axle, the lever over the middle line.`,
        tool: 'tape',
        minutes: 6,
        tolerance: 'hook and lever’s tip in one line to 1 mm',
        trick: 'It is moved when the car is tuned: glue it last of all.',
        adult: true,
        caution: TRAP,
        check: 'Look along the car: the lever’s tip falls over the hook.',
        shows: { pieces: ['deck'] },
      },
      {
        ...NONE,
        id: 'string',
        title: 'String',
        text: `Cut ${print(string.length, 'size')}, knot it at the lever, and tie a loop at the other end that lies ${print(string.reach, 'size')} away.`,
        tool: 'scissors',
        minutes: 5,
        tolerance: '2 mm: longer, and the loop will not drop off',
        trick: 'Tie the loop round a nail: it stays open.',
        caution: TRAP,
        check: 'With the lever at rest the loop just reaches the hook and falls off by itself.',
        shows: { pieces: ['string'] },
      },
    ];
  }
  if (hasBands(motor) && motor.kind === 'band')
    return [
      {
        ...NONE,
        id: 'hook',
        title: 'The hook for the bands',
        text: `Set it ${print(motor.anchorToAxle, 'size')} from the drive axle, on the middle line; leave it unglued until the car is tuned.`,
        tool: 'tape',
        minutes: 5,
        tolerance: '2 mm, and in line with the middle of the drive axle',
        trick: 'A paper clip bent open, taped flat, can be moved.',
        check: 'Pull at it as hard as the bands will: it stays.',
        shows: { part: 'hook' },
      },
      {
        ...NONE,
        id: 'bands',
        title: 'Chain the bands',
        text: `Loop ${motor.series > 1 ? `${motor.series} end to end` : 'one'}${motor.parallel > 1 ? `, ${motor.parallel} side by side` : ''}; hook one end, lay the other over the axle so that it ${motor.release === 'free' ? 'drops off' : 'stays'}.`,
        tool: 'fingers',
        minutes: 4,
        trick: 'Stretch new bands by hand ten times: their first pull is not their last.',
        caution: `${STRETCHED} ${LATEX}`,
        check: 'Wind one turn and let go of the wheels: they turn the right way.',
        shows: { part: 'motor' },
      },
    ];
  return [];
}

/** The making of a car, step by step in the order that works for it. `print` prints sizes as the builder has them. */
export function buildSteps(design: CarDesign, print: Print): readonly BuildStep[] {
  if (isRoller(design)) return rollerSteps(design, print);
  const [axles, other, drive, ...wrapped] = axleSteps(design, print) as [BuildStep, BuildStep, BuildStep, ...BuildStep[]];
  const ballast: BuildStep[] =
    design.ballast.mass > 0
      ? [
          {
            ...NONE,
            id: 'ballast',
            title: 'Ballast',
            text: `${print(design.ballast.mass, 'weight')} on the deck, ${print(design.ballast.fromDriveAxle, 'size')} from the drive axle; tape it, for it is moved when the car is tuned.`,
            tool: 'kitchen scale, tape',
            minutes: 4,
            tolerance: '2 g',
            check: 'Weigh both axles: the share is as drawn.',
            shows: { part: 'ballast' },
          },
        ]
      : [];
  // A sleeve is wound before the wheels are on, a tyre after.
  const sleeve = wrapped.filter(({ id }) => id === 'sleeve');
  const tyres = wrapped.filter(({ id }) => id === 'tyres');
  const wheels = wheelSteps(design);
  return [
    templateStep,
    ...bodySteps(design),
    // What dries longest is begun first, and the rest is done meanwhile.
    ...wheels.filter(({ dries }) => dries >= 30),
    bearingStep(design, print),
    ...wheels.filter(({ dries }) => dries < 30),
    axles,
    ...sleeve,
    other,
    drive,
    ...tyres,
    ...motorSteps(design, print),
    ...ballast,
    firstRun(design),
  ];
}

/** min still to work and to wait, of steps that are not done: glue sets beside the work, but for the last. */
export function minutesLeft(steps: readonly BuildStep[], done: ReadonlySet<string>): { readonly work: number; readonly wait: number } {
  const left = steps.filter(({ id }) => !done.has(id));
  return { work: left.reduce((sum, { minutes }) => sum + minutes, 0), wait: Math.max(0, ...left.map(({ dries }) => dries)) };
}
