import { bodyReach } from './body-reach.ts';
import type { CarDesign } from './car-design.ts';
import type { CarGroup } from './car-groups.ts';
import { AXLES, WHEELS } from './catalogue.ts';
import { bodyPartOf } from './fitted.ts';
import type { Range, Size } from './size.ts';

const ofCar = (
  id: 'wheelbase' | 'trackWidth' | 'axleDiameter',
  label: string,
  group: CarGroup,
  [low, high]: Range,
  more: Pick<Size, 'searchStep' | 'slot' | 'stock' | 'synonyms'> = {},
): Size => ({
  id,
  label,
  quantity: 'size',
  group,
  low,
  high,
  ...more,
  read: (d) => d[id],
  write: (d, value) => ({ ...d, [id]: value }),
});

const DRIVE_WHEELS: Size = {
  id: 'driveWheels',
  searchStep: 0.005,
  stock: ({ driveWheels }) => WHEELS[driveWheels.kind].stock ?? null,
  label: 'Drive wheels ⌀',
  quantity: 'size',
  group: 'driveAxle',
  slot: 'driveWheels',
  low: 0.02,
  high: 0.4,
  read: (d) => d.driveWheels.diameter,
  write: (d, diameter) => ({ ...d, driveWheels: { ...d.driveWheels, diameter } }),
};
const OTHER_WHEELS: Size = {
  id: 'otherWheels',
  label: 'Other wheels ⌀',
  quantity: 'size',
  group: 'otherAxle',
  slot: 'otherWheels',
  low: 0.02,
  high: 0.4,
  read: (d) => d.otherWheels?.diameter ?? 0,
  write: (d, diameter) => (d.otherWheels ? { ...d, otherWheels: { ...d.otherWheels, diameter } } : d),
};
const ofBody = (
  key: 'width' | 'axleGap',
  { low, high, ...more }: Pick<Size, 'id' | 'label' | 'low' | 'high' | 'synonyms' | 'isOf'>,
  factor = 1,
): Size => ({
  ...more,
  quantity: 'size',
  group: 'body',
  low,
  high,
  read: (d) => factor * d.body[key],
  write: (d, value) => ({ ...d, body: { ...d.body, [key]: value / factor } }),
});
const isTube = (design: CarDesign): boolean => bodyPartOf(design).isTube;
const BODY_WIDTH = ofBody('width', {
  id: 'bodyWidth',
  label: 'Body width or diameter',
  low: 0.02,
  high: 0.2,
  synonyms: 'tube bottle jug card deck',
});
/** Read with a tape round it. */
const GIRTH: Size = {
  ...ofBody(
    'width',
    {
      id: 'girth',
      label: 'Girth of the body',
      low: 0.02 * Math.PI,
      high: 0.2 * Math.PI,
      synonyms: 'circumference tube bottle round',
      isOf: isTube,
    },
    Math.PI,
  ),
  isRestated: true,
};
const AXLE_GAP = ofBody('axleGap', {
  id: 'axleGap',
  label: 'Deck above the axles',
  low: 0,
  high: 0.06,
  synonyms: 'deck height axle height body spacer',
  isOf: (design) => !isTube(design),
});
const OVERHANG: Size = {
  id: 'overhang',
  label: 'Body longer than the wheelbase by',
  synonyms: 'overhang length of the body nose',
  quantity: 'size',
  group: 'body',
  low: 0,
  high: 0.2,
  read: (d) => d.body.overhang,
  write: (d, overhang) => ({ ...d, body: { ...d.body, overhang } }),
};
/** Where its other end lies: the end at the drive axle stays. */
const PAST_OTHER_AXLE: Size = {
  id: 'pastOtherAxle',
  label: 'Body past the other axle by',
  synonyms: 'front overhang nose end of the body',
  quantity: 'size',
  group: 'body',
  low: 0,
  high: 0.2,
  isRestated: true,
  read: (d) => bodyReach(d).right - d.wheelbase,
  write: (d, past) => {
    const atDrive = -bodyReach(d).left;
    return { ...d, body: { ...d.body, pastOtherAxle: past, overhang: atDrive + past } };
  },
};
/** As it is measured from the floor: the deck's underside over the drive axle, and never below it. */
const DECK_HEIGHT: Size = {
  id: 'deckHeight',
  label: 'Height of the deck over the floor',
  synonyms: 'deck height body floor',
  quantity: 'size',
  group: 'body',
  low: 0.06,
  high: 0.25,
  isRestated: true,
  isOf: (design) => !isTube(design),
  read: (d) => d.driveWheels.diameter / 2 + d.body.axleGap,
  write: (d, height) => ({ ...d, body: { ...d.body, axleGap: Math.max(height - d.driveWheels.diameter / 2, 0) } }),
};
/** A weight put on the car and where it lies. */
const placedMass = (id: 'ballast' | 'load', name: string, label: string, most: number, more: Pick<Size, 'searchStep'> = {}): Size[] => [
  {
    id,
    ...more,
    label,
    quantity: 'weight',
    group: 'body',
    low: 0,
    high: most,
    read: (d) => d[id].mass,
    write: (d, mass) => ({ ...d, [id]: { ...d[id], mass } }),
  },
  {
    id: `${id}Place`,
    label: `${name} to drive axle`,
    quantity: 'size',
    group: 'body',
    low: 0,
    high: 0.5,
    read: (d) => d[id].fromDriveAxle,
    write: (d, fromDriveAxle) => ({ ...d, [id]: { ...d[id], fromDriveAxle } }),
  },
];
const BALLAST = placedMass('ballast', 'Ballast', 'Ballast', 0.2, { searchStep: 0.005 });
const LOAD = placedMass('load', 'Load', 'Load carried', 0.5);
const END_PLAY: Size = {
  id: 'endPlay',
  label: 'End play of the axles',
  synonyms: 'spacer washer sideways play',
  quantity: 'size',
  group: 'straight',
  low: 0,
  high: 0.02,
  read: (d) => d.endPlay,
  write: (d, endPlay) => ({ ...d, endPlay }),
};
const SLOPE: Size = {
  id: 'slope',
  label: 'Slope, uphill',
  synonyms: 'ramp incline',
  quantity: 'angle',
  group: 'floor',
  low: -0.1,
  high: 0.1,
  read: (d) => d.floor.slope,
  // What is said of the floor here is in place of what was measured.
  write: (d, slope) => {
    const { slope: _measured, ...measured } = d.measured;
    return { ...d, measured, floor: { ...d.floor, slope } };
  },
};
const toe = (id: 'driveToe' | 'otherToe', label: string): Size => ({
  id,
  label,
  synonyms: 'toe drift steer straight axle angle',
  quantity: 'angle',
  group: 'straight',
  low: -0.05,
  high: 0.05,
  read: (d) => d.alignment[id],
  write: (d, value) => ({ ...d, alignment: { ...d.alignment, [id]: value } }),
});
const MISMATCH: Size = {
  id: 'wheelMismatch',
  label: 'Left drive wheel larger by (radius)',
  synonyms: 'drift straight unequal wheels mismatch',
  quantity: 'size',
  group: 'straight',
  low: -0.003,
  high: 0.003,
  read: (d) => d.alignment.wheelMismatch,
  write: (d, wheelMismatch) => ({ ...d, alignment: { ...d.alignment, wheelMismatch } }),
};
const SLEEVE: Size = {
  id: 'sleeve',
  label: 'Spool ⌀ at launch',
  synonyms: 'tape sleeve collar straw wraps winding traction',
  quantity: 'size',
  group: 'driveAxle',
  low: 0,
  high: 0.03,
  // None is written 0.
  read: (d) => d.sleeve.at(-1)?.diameter ?? 0,
  write: withSleeve((step, diameter) => ({ ...step, diameter })),
};
const SLEEVE_TURNS: Size = {
  id: 'sleeveTurns',
  label: 'Turns on that spool',
  synonyms: 'sleeve tape winding',
  quantity: 'count',
  group: 'driveAxle',
  low: 0,
  high: 12,
  read: (d) => d.sleeve.at(-1)?.turns ?? 0,
  write: withSleeve((step, turns) => ({ ...step, turns })),
};

/** Changes the outermost sleeve. A sleeve no thicker than the axle, or without turns, is none; the first one begins with one turn. */
function withSleeve(change: (step: CarDesign['sleeve'][number], value: number) => CarDesign['sleeve'][number]): Size['write'] {
  return (design, value) => {
    const present = design.sleeve.at(-1) ?? { kind: 'tape', diameter: 2 * design.axleDiameter, turns: 1 };
    const step = change(present, value);
    const inner = design.sleeve.slice(0, -1);
    return { ...design, sleeve: step.turns > 0 && step.diameter > design.axleDiameter ? [...inner, step] : inner };
  };
}

/** The sizes of a car on two axles, in the order they are shown. */
export const CAR_SIZES: readonly Size[] = [
  DRIVE_WHEELS,
  ofCar('axleDiameter', 'Axle (spool) ⌀', 'driveAxle', [0.0015, 0.02], {
    searchStep: 0.0005,
    slot: 'axle',
    stock: ({ axle }) => AXLES[axle].stock,
  }),
  SLEEVE,
  SLEEVE_TURNS,
  OTHER_WHEELS,
  ofCar('wheelbase', 'Wheelbase', 'body', [0.08, 0.6], { synonyms: 'axle to axle' }),
  OVERHANG,
  PAST_OTHER_AXLE,
  BODY_WIDTH,
  GIRTH,
  AXLE_GAP,
  DECK_HEIGHT,
  ...BALLAST,
  ...LOAD,
  ofCar('trackWidth', 'Track width', 'body', [0.04, 0.3], { synonyms: 'width between the wheels' }),
  toe('driveToe', 'Drive wheels point left by'),
  toe('otherToe', 'Other wheels point left by'),
  MISMATCH,
  END_PLAY,
  SLOPE,
];

/** The same of a roller: before its arm, and after it. */
export const ROLLER_WHEEL = DRIVE_WHEELS;
export const ROLLER_SIZES: readonly Size[] = [BALLAST[0]!, SLOPE];
