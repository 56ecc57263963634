import type { CarDesign } from '../car/car-design.ts';
import { fitCatalogue } from '../car/parts.ts';
import { hasBands, isRoller } from '../car/motors/motors.ts';
import { isSameDesign } from '../car/same-design.ts';
import { ASKED, figuresOf, type Asked } from './measured-car.ts';

/** The ten ideas, in the order they build on each other. */
export const IDEAS = {
  energy: 'Energy: how much is wound in, and where it goes',
  pull: 'Pull against distance',
  gears: 'Levers and wheels as gears',
  grip: 'Grip',
  rolling: 'Rolling and rubbing',
  coasting: 'Coasting',
  mass: 'Light or heavy',
  straight: 'Straight',
  air: 'Air and speed',
  luck: 'Luck and averages',
} as const;
export type Idea = keyof typeof IDEAS;

/** What many think, and this car may show otherwise. */
export const MISCONCEPTIONS = {
  power: 'More power always goes further.',
  light: 'Lighter is always better.',
  grip: 'More grip is always better.',
  big: 'Bigger wheels are always better.',
  friction: 'Friction is always bad.',
  free: 'A longer lever gives more energy.',
} as const;
export type Misconception = keyof typeof MISCONCEPTIONS;

/** Which way a figure goes: more, less, or hardly any change. */
export type Answer = 'more' | 'less' | 'alike';

/** A change that can be made to many cars, and what is asked of it; the reason that is right follows from the answer. */
interface Template {
  readonly id: string;
  readonly idea: Idea;
  readonly change: string;
  readonly make: (design: CarDesign) => CarDesign | null;
  readonly asks: readonly Asked[];
  readonly because: Readonly<Record<Answer, string>>;
  /** What is thought by whoever goes by a rule of thumb, and which, where it is one that many have. */
  readonly thought: readonly [words: string, misconception: Misconception | null];
}

const third = 4 / 3;
/** Another lever, its trap moved with it: cocked, its tip stands where it stood over the axle. */
const withLever = (design: CarDesign, by: number): CarDesign | null => {
  if (design.motor.kind !== 'lever') return null;
  const { leverLength, trapPosition, cockedAngle } = design.motor;
  const longer = -Math.cos(cockedAngle) * (by - 1) * leverLength;
  return {
    ...design,
    wheelbase: design.wheelbase + longer,
    motor: { ...design.motor, leverLength: by * leverLength, trapPosition: trapPosition + longer },
  };
};
const withDrive = (design: CarDesign, by: number): CarDesign => ({
  ...design,
  driveWheels: { ...design.driveWheels, diameter: design.driveWheels.diameter * by },
});
const withBallast = (design: CarDesign, more: number, at = design.ballast.fromDriveAxle): CarDesign => ({
  ...design,
  ballast: { mass: Math.max(0, design.ballast.mass + more), fromDriveAxle: at },
});
const withTyre = (design: CarDesign, tyre: CarDesign['tyre']): CarDesign | null =>
  isRoller(design) || design.tyre === tyre ? null : fitCatalogue(design, 'tyre', tyre);
const withFloor = (design: CarDesign, kind: CarDesign['floor']['kind']): CarDesign | null =>
  design.floor.kind === kind ? null : { ...design, floor: { ...design.floor, kind, stretches: [], edges: [] } };
const withSlope = (design: CarDesign, by: number): CarDesign => ({ ...design, floor: { ...design.floor, slope: design.floor.slope + by } });
const withTurns = (design: CarDesign, by: number): CarDesign | null =>
  design.motor.kind === 'lever'
    ? null
    : { ...design, motor: { ...design.motor, turns: Math.max(1, Math.round(2 * by * design.motor.turns) / 2) } };
const withBands = (design: CarDesign, parallel: number, series: number): CarDesign | null =>
  hasBands(design.motor)
    ? {
        ...design,
        motor: { ...design.motor, parallel: design.motor.parallel + parallel, series: Math.max(1, design.motor.series + series) },
      }
    : null;

const SAME_ENERGY = 'The same energy is given off over a longer way: less pull for longer.';
const GEAR: Readonly<Record<Answer, string>> = {
  more: SAME_ENERGY,
  less: 'The same energy over a shorter way: more pull, for less long.',
  alike: 'The energy is the same, and so is what holds the car back: it is spent either way.',
};
const PULL: Readonly<Record<Answer, string>> = {
  more: 'The arm that pulls is shorter, or the one that it turns is longer: a gear for force.',
  less: 'The longer arm moves the string further for less force: a gear for way.',
  alike: 'Neither arm of this gear has changed.',
};
const MASS: Readonly<Record<Answer, string>> = {
  more: 'It presses where pull was wasted or keeps its motion longer: here that counts for more than the rolling it costs.',
  less: 'What rolls is pressed harder on the floor and into its bearings: more is lost in each metre.',
  alike: 'What weight costs in rolling it gives back in coasting, or it hardly matters on this car.',
};
const GRIP: Readonly<Record<Answer, string>> = {
  more: 'Wheelspin turns energy into heat: with more grip it goes into the car.',
  less: 'Softer tyres take more to roll, and this car did not need their grip.',
  alike: 'The tyre held already: grip that is not needed changes nothing.',
};
const ROLL: Readonly<Record<Answer, string>> = {
  more: 'Less is lost in each metre, so the same energy lasts for more of them.',
  less: 'More is lost in each metre, so the same energy lasts for fewer of them.',
  alike: 'That is a small part of what holds this car back.',
};
const ENERGY: Readonly<Record<Answer, string>> = {
  more: 'More is stretched or bent, and what is wound in is force times way.',
  less: 'Less is stretched or bent: less is wound in.',
  alike: 'What is wound in hangs on spring or rubber and how far it is wound, and neither has changed.',
};
const SPEED: Readonly<Record<Answer, string>> = {
  more: 'The energy comes in fewer metres: the car is quicker at the end of its pull.',
  less: 'The energy comes in more metres, or more must be moved: the car stays slower.',
  alike: 'As much energy moves as much car.',
};

/** Every question, before it is asked of a car. */
const TEMPLATES: readonly Template[] = [
  {
    id: 'lever-longer',
    idea: 'gears',
    change: 'A lever a third longer, the trap and the other axle moved with it',
    make: (d) => withLever(d, third),
    asks: ['pull'],
    because: PULL,
    thought: ['A longer lever pulls harder.', null],
  },
  {
    id: 'lever-longer-far',
    idea: 'pull',
    change: 'A lever a third longer, the trap and the other axle moved with it',
    make: (d) => withLever(d, third),
    asks: ['distance', 'speed'],
    because: GEAR,
    thought: ['Less pull cannot go further.', 'power'],
  },
  {
    id: 'lever-energy',
    idea: 'energy',
    change: 'A lever a third longer, the trap and the other axle moved with it',
    make: (d) => withLever(d, third),
    asks: ['energy'],
    because: ENERGY,
    thought: ['A longer lever stores more.', 'free'],
  },
  {
    id: 'lever-shorter',
    idea: 'pull',
    change: 'A lever a third shorter, the trap and the other axle moved with it',
    make: (d) => withLever(d, 2 / 3),
    asks: ['distance', 'pull'],
    because: GEAR,
    thought: ['More pull goes further.', 'power'],
  },
  {
    id: 'wheels-bigger',
    idea: 'gears',
    change: 'Drive wheels a third larger',
    make: (d) => withDrive(d, third),
    asks: ['pull'],
    because: PULL,
    thought: ['Bigger wheels pull harder.', 'big'],
  },
  {
    id: 'wheels-bigger-far',
    idea: 'gears',
    change: 'Drive wheels a third larger',
    make: (d) => withDrive(d, third),
    asks: ['distance', 'speed'],
    because: GEAR,
    thought: ['A bigger wheel always goes further.', 'big'],
  },
  {
    id: 'wheels-smaller',
    idea: 'pull',
    change: 'Drive wheels a quarter smaller',
    make: (d) => withDrive(d, 0.75),
    asks: ['distance', 'pull'],
    because: GEAR,
    thought: ['Smaller wheels have less to turn, so it goes further.', null],
  },
  {
    id: 'axle-thicker',
    idea: 'gears',
    change: 'An axle half as thick again where it winds',
    make: (d) => (isRoller(d) ? null : { ...d, axleDiameter: 1.5 * d.axleDiameter }),
    asks: ['pull', 'distance'],
    because: PULL,
    thought: ['A thicker axle is only heavier.', null],
  },
  {
    id: 'ballast-far',
    idea: 'mass',
    change: '50 g of ballast',
    make: (d) => withBallast(d, 0.05),
    asks: ['distance'],
    because: MASS,
    thought: ['Weight always costs way.', 'light'],
  },
  {
    id: 'ballast-speed',
    idea: 'mass',
    change: '50 g of ballast',
    make: (d) => withBallast(d, 0.05),
    asks: ['speed'],
    because: SPEED,
    thought: ['Weight makes it go faster downhill, so here too.', null],
  },
  {
    id: 'ballast-spin',
    idea: 'grip',
    change: '50 g of ballast over the drive wheels',
    make: (d) => withBallast(d, 0.05, 0),
    asks: ['wheelspin'],
    because: {
      ...GRIP,
      less: 'More weight on the drive wheels lets the floor hold more.',
      more: 'The car is harder to move: its wheels turn away from it.',
    },
    thought: ['Weight has nothing to do with grip.', null],
  },
  {
    id: 'ballast-energy',
    idea: 'energy',
    change: '50 g of ballast',
    make: (d) => withBallast(d, 0.05),
    asks: ['energy'],
    because: ENERGY,
    thought: ['A heavier car has more energy.', null],
  },
  {
    id: 'tack',
    idea: 'grip',
    change: 'Sticky tack on the drive wheels',
    make: (d) => withTyre(d, 'sticky-tack'),
    asks: ['distance', 'wheelspin'],
    because: GRIP,
    thought: ['More grip always goes further.', 'grip'],
  },
  {
    id: 'rubber-tyre',
    idea: 'grip',
    change: 'Rubber bands round the drive wheels',
    make: (d) => withTyre(d, 'rubber-band'),
    asks: ['distance', 'wheelspin'],
    because: GRIP,
    thought: ['More grip always goes further.', 'grip'],
  },
  {
    id: 'bare',
    idea: 'grip',
    change: 'No tyres at all',
    make: (d) => (['optical-disc', 'jar-lid', 'bottle-cap'].includes(d.driveWheels.kind) ? withTyre(d, 'bare-disc') : null),
    asks: ['distance', 'wheelspin'],
    because: {
      more: 'Hard edges roll easier, and this car did not need the grip.',
      less: 'Without grip the wheels turn away from the car: energy becomes heat.',
      alike: 'The tyre held without it, and cost little.',
    },
    thought: ['Without tyres nothing rubs, so it goes further.', 'friction'],
  },
  {
    id: 'carpet',
    idea: 'rolling',
    change: 'A short carpet in place of this floor',
    make: (d) => withFloor(d, 'short-carpet'),
    asks: ['distance'],
    because: ROLL,
    thought: ['Carpet grips, so it goes further.', 'grip'],
  },
  {
    id: 'carpet-energy',
    idea: 'energy',
    change: 'A short carpet in place of this floor',
    make: (d) => withFloor(d, 'short-carpet'),
    asks: ['energy'],
    because: ENERGY,
    thought: ['The carpet takes energy out of the spring.', null],
  },
  {
    id: 'graphite',
    idea: 'rolling',
    change: 'Half the friction in the bearings',
    make: (d) => bearingHalf(d),
    asks: ['distance', 'time'],
    because: ROLL,
    thought: ['Friction in the bearing does not matter, the wheels do the work.', null],
  },
  {
    id: 'careful',
    idea: 'rolling',
    change: 'Built so carefully that everything runs true',
    make: (d) => (d.care === 'careful' || isRoller(d) ? null : { ...d, care: 'careful' }),
    asks: ['distance'],
    because: ROLL,
    thought: ['How it is built does not matter with a strong motor.', null],
  },
  {
    id: 'rough',
    idea: 'rolling',
    change: 'Built roughly, so that it rubs',
    make: (d) => (d.care === 'rough' || isRoller(d) ? null : { ...d, care: 'rough' }),
    asks: ['distance', 'time'],
    because: ROLL,
    thought: ['A strong motor does not feel it.', null],
  },
  {
    id: 'downhill',
    idea: 'coasting',
    change: 'A floor that falls by 5 mm in a metre',
    make: (d) => withSlope(d, -0.005),
    asks: ['distance', 'time'],
    because: { ...ROLL, more: 'The floor gives back in each metre a part of what rolling takes.' },
    thought: ['So little slope is nothing.', null],
  },
  {
    id: 'uphill',
    idea: 'coasting',
    change: 'A floor that rises by 5 mm in a metre',
    make: (d) => withSlope(d, 0.005),
    asks: ['distance', 'time'],
    because: { ...ROLL, less: 'Each metre lifts the car by 5 mm: that is taken from what it has.' },
    thought: ['So little slope is nothing.', null],
  },
  {
    id: 'tied',
    idea: 'coasting',
    change: 'The string or band tied to the axle instead of dropping off',
    make: (d) =>
      'release' in d.motor && d.motor.release === 'free' ? { ...d, motor: { ...d.motor, release: 'tied' } as CarDesign['motor'] } : null,
    asks: ['distance'],
    because: {
      more: 'It pulls for longer before it winds back.',
      less: 'It winds up again the other way and brakes: there is no coasting.',
      alike: 'It stops before the pull ends.',
    },
    thought: ['Tied, nothing of the pull is lost.', null],
  },
  {
    id: 'more-turns',
    idea: 'energy',
    change: 'A fifth more turns',
    make: (d) => withTurns(d, 1.2),
    asks: ['energy', 'distance'],
    because: ENERGY,
    thought: ['Turns do not matter, bands do.', null],
  },
  {
    id: 'fewer-turns',
    idea: 'energy',
    change: 'A fifth fewer turns',
    make: (d) => withTurns(d, 0.8),
    asks: ['energy', 'distance'],
    because: ENERGY,
    thought: ['Fewer turns are gentler, so it goes further.', null],
  },
  {
    id: 'band-beside',
    idea: 'pull',
    change: 'One more band side by side',
    make: (d) => withBands(d, 1, 0),
    asks: ['pull', 'wheelspin'],
    because: { more: 'Bands side by side pull together.', less: 'They share the pull.', alike: 'The tyre holds what they pull.' },
    thought: ['More bands always go further.', 'power'],
  },
  {
    id: 'band-on-end',
    idea: 'pull',
    change: 'One more band end to end',
    make: (d) => withBands(d, 0, 1),
    asks: ['pull', 'distance'],
    because: {
      more: 'The chain gives off its energy over more turns.',
      less: 'A longer chain is stretched less by as many turns: it pulls less.',
      alike: 'What it loses in pull it gains in way.',
    },
    thought: ['A longer chain pulls harder.', null],
  },
  {
    id: 'wide',
    idea: 'air',
    change: 'A body twice as wide',
    make: (d) => (isRoller(d) ? null : { ...d, body: { ...d.body, width: Math.min(2 * d.body.width, d.trackWidth) } }),
    asks: ['speed', 'distance'],
    because: { ...ROLL, less: 'It weighs more and pushes more air aside.', alike: 'At this speed air takes next to nothing.' },
    thought: ['Air always holds a car back most.', null],
  },
  {
    id: 'light-body',
    idea: 'mass',
    change: '20 g less of everything that does not turn',
    make: (d) => ({ ...d, rest: { ...d.rest, mass: d.rest.mass - 0.02 } }),
    asks: ['distance', 'speed'],
    because: {
      more: 'Less is pressed on the floor, and less has to be moved.',
      less: 'It is too light to hold the floor, or to coast.',
      alike: 'What it saves in rolling it loses in coasting.',
    },
    thought: ['Lighter is always better.', 'light'],
  },
  {
    id: 'heavier-wheels',
    idea: 'mass',
    change: 'Drive wheels of thin wood instead',
    make: (d) =>
      isRoller(d) || d.driveWheels.kind === 'wooden-disc' ? null : { ...d, driveWheels: { ...d.driveWheels, kind: 'wooden-disc' } },
    asks: ['speed'],
    because: SPEED,
    thought: ['Heavy wheels keep it going, so it is faster.', null],
  },
  {
    id: 'toe',
    idea: 'straight',
    change: 'The other axle a degree out of square',
    make: (d) => (isRoller(d) ? null : { ...d, alignment: { ...d.alignment, otherToe: d.alignment.otherToe + Math.PI / 180 } }),
    asks: ['distance', 'energy'],
    because: {
      more: 'It goes a longer way round.',
      less: 'It scrubs sideways all the way.',
      alike: 'It runs in a curve, as far along that as before: the motor does not feel which way it goes.',
    },
    thought: ['It scrubs, so it stops sooner.', null],
  },
];

function bearingHalf(design: CarDesign): CarDesign | null {
  if (isRoller(design)) return null;
  const { bearingFriction: _before, ...rest } = design.measured;
  const now = design.measured.bearingFriction?.value ?? 0.2;
  return { ...design, measured: { ...rest, bearingFriction: { value: now / 2, spread: 0.1 } } };
}

/** A question of a car: its answer computed, with the figures it follows from. */
export interface Question {
  readonly id: string;
  readonly idea: Idea;
  /** `A lever a third longer` */
  readonly change: string;
  readonly asked: Asked;
  readonly answer: Answer;
  readonly before: number;
  readonly after: number;
  readonly changed: CarDesign;
  /** Reasons to choose from: one for each answer, and what many think. */
  readonly reasons: readonly { readonly words: string; readonly isRight: boolean; readonly misconception: Misconception | null }[];
}

/** Run-to-run scatter of a car, as a share of what hangs on luck: what is within one and a half of it is not asked for its sign. Our estimate. */
const LUCK = 0.06;
const SURE = 1.5 * LUCK;
/** Below so much it is hardly any change, whatever is asked. */
const ALIKE = 0.02;
/** m of wheelspin that can be seen. */
const SEEN = 0.05;
/** Figures that luck has no part in. */
const CERTAIN: ReadonlySet<Asked> = new Set(['pull', 'energy']);

/** Which way a figure goes; null where luck would hide it. */
export function answerOf(asked: Asked, before: number, after: number): Answer | null {
  if (asked === 'wheelspin') {
    if (Math.max(before, after) < SEEN) return 'alike';
    return Math.abs(after - before) < SEEN ? null : after > before ? 'more' : 'less';
  }
  if (!(before > 0) || !(after > 0)) return null;
  const change = after / before - 1;
  if (Math.abs(change) < ALIKE) return 'alike';
  if (!CERTAIN.has(asked) && Math.abs(change) < SURE) return null;
  return change > 0 ? 'more' : 'less';
}

/** Every question that can be asked of a car: changes that it can take, whose answer is not hidden by luck. */
export function questionsFor(design: CarDesign): readonly Question[] {
  const figures = figuresOf(design);
  if (!figures) return [];
  return TEMPLATES.flatMap(({ id, idea, change, make, asks, because, thought }) => {
    const changed = make(design);
    const after = changed && !isSameDesign(changed, design) ? figuresOf(changed) : null;
    if (!changed || !after) return [];
    return asks.flatMap((asked): Question[] => {
      const answer = answerOf(asked, figures[asked], after[asked]);
      if (answer === null) return [];
      const reasons = (Object.keys(because) as Answer[]).map((key) => ({
        words: because[key],
        isRight: key === answer,
        misconception: null,
      }));
      return [
        {
          id: `${id} ${asked}`,
          idea,
          change,
          asked,
          answer,
          before: figures[asked],
          after: after[asked],
          changed,
          reasons: [...reasons, { words: thought[0], isRight: false, misconception: thought[1] }],
        },
      ];
    });
  });
}

/** `A lever a third longer: its pull at the launch?` */
export const questionWords = ({ change, asked }: Pick<Question, 'change' | 'asked'>): string => `${change}: ${ASKED[asked].label}?`;
