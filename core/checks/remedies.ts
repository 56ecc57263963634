import { BEARINGS, TYRES, WHEELS } from '../car/catalogue.ts';
import type { CarDesign, LeverDesign } from '../car/car-design.ts';
import { hasBands, isRoller, isWoundOnAxle } from '../car/motors/motors.ts';
import { fitCatalogue } from '../car/parts.ts';
import { bearingOf, tyreOf } from '../car/fitted.ts';
import { onAxle, TAPE, taped, windingWords } from '../car/tape.ts';
import { trapUnderTip } from '../car/motors/lever.ts';

/** What a remedy changes: of several of one kind the one that buys most is offered. */
export type RemedyKind =
  | 'tyres'
  | 'ballast'
  | 'lever'
  | 'trap'
  | 'drive-wheels'
  | 'bands'
  | 'chain'
  | 'turns'
  | 'sleeve'
  | 'axle'
  | 'bearing'
  | 'release'
  | 'care'
  | 'body'
  | 'alignment'
  | 'track-width'
  | 'wheelbase'
  | 'winding-width'
  | 'lever-material';

/** A change that may put a fault right, as the design it would make. */
export interface Remedy {
  readonly kind: RemedyKind;
  readonly id: string;
  readonly label: string;
  readonly design: CarDesign;
}

const remedy = (kind: RemedyKind, id: string, label: string, design: CarDesign): Remedy => ({ kind, id, label, design });

/** The next tyre with more grip, each in turn. */
export function grippierTyres(design: CarDesign): Remedy[] {
  const grip = tyreOf(design).staticGrip;
  return (Object.keys(TYRES) as CarDesign['tyre'][])
    .filter((tyre) => TYRES[tyre].staticGrip > grip * 1.05)
    .sort((a, b) => TYRES[a].staticGrip - TYRES[b].staticGrip)
    .map((tyre) => remedy('tyres', `tyre-${tyre}`, `Tyres: ${TYRES[tyre].label}`, fitCatalogue(design, 'tyre', tyre)));
}

/** 20 g more, over the drive axle. */
export const ballastOverDriveAxle = (design: CarDesign): Remedy => {
  const mass = design.ballast.mass + 0.02;
  return remedy('ballast', 'ballast', '20 g over the drive axle', {
    ...design,
    ballast: { mass, fromDriveAxle: (design.ballast.mass * design.ballast.fromDriveAxle) / mass },
  });
};

/** 20 g more, over the other axle. */
export const ballastOverOtherAxle = (design: CarDesign): Remedy => {
  const mass = design.ballast.mass + 0.02;
  return remedy('ballast', 'ballast-other', '20 g over the other axle', {
    ...design,
    ballast: { mass, fromDriveAxle: (design.ballast.mass * design.ballast.fromDriveAxle + 0.02 * design.wheelbase) / mass },
  });
};

/** A lever a fifth longer, its trap moved along so that it still lies over the drive axle. */
export const longerLever = (design: CarDesign): Remedy[] =>
  leverScaled(design, 1.2, 'longer-lever', 'A lever a fifth longer, trap moved with it');
/** A lever a fifth shorter, its trap moved along; none where there is no lever. */
export const shorterLever = (design: CarDesign): Remedy[] =>
  leverScaled(design, 0.8, 'shorter-lever', 'A lever a fifth shorter, trap moved with it');

function leverScaled(design: CarDesign, factor: number, id: string, label: string): Remedy[] {
  const { motor } = design;
  if (motor.kind !== 'lever') return [];
  return [
    remedy('lever', id, label, {
      ...design,
      motor: { ...motor, leverLength: factor * motor.leverLength, trapPosition: motor.trapPosition + (factor - 1) * motor.leverLength },
    }),
  ];
}

/** The trap moved so that the cocked lever's tip all but lies over the drive axle. `print` gives a size in the builder's units. */
export function trapMoved(design: CarDesign, motor: LeverDesign, id: string, print: (value: number, quantity: 'size') => string): Remedy {
  const trapPosition = trapUnderTip(motor, 0.02);
  return remedy('trap', id, `Trap ${print(trapPosition, 'size')} from the drive axle`, { ...design, motor: { ...motor, trapPosition } });
}

/** Drive wheels a fifth bigger or smaller; of wheels that are only to be had in some sizes the next one, if there is one. */
function otherDriveWheels(design: CarDesign, side: 1 | -1): Remedy[] {
  const { kind, diameter } = design.driveWheels;
  const [id, words] = side > 0 ? ['bigger-wheels', 'bigger'] : ['smaller-wheels', 'smaller'];
  const made = (to: number, label: string): Remedy[] => [
    remedy('drive-wheels', id!, label, { ...design, driveWheels: { ...design.driveWheels, diameter: to } }),
  ];
  const { stock } = WHEELS[kind];
  if (!stock) return made((1 + 0.2 * side) * diameter, `Drive wheels a fifth ${words}`);
  const next = stock.filter((one) => side * (one - diameter) > 1e-6).sort((a, b) => side * (a - b))[0];
  return next === undefined ? [] : made(next, `Drive wheels of the next ${words} size`);
}
/** Bigger drive wheels. */
export const biggerDriveWheels = (design: CarDesign): Remedy[] => otherDriveWheels(design, 1);
/** Smaller drive wheels. */
export const smallerDriveWheels = (design: CarDesign): Remedy[] => otherDriveWheels(design, -1);

/** One band fewer, or one more, side by side. */
export function bandsSideBySide(design: CarDesign, change: 1 | -1): Remedy[] {
  const { motor } = design;
  if (!hasBands(motor) || motor.parallel + change < 1) return [];
  return [
    remedy('bands', change < 0 ? 'fewer-bands' : 'more-bands', `One band ${change < 0 ? 'fewer' : 'more'} side by side`, {
      ...design,
      motor: { ...motor, parallel: motor.parallel + change },
    }),
  ];
}

/** One band more end to end. */
export function longerChain(design: CarDesign): Remedy[] {
  const { motor } = design;
  if (!hasBands(motor)) return [];
  return [remedy('chain', 'longer-chain', 'One band more end to end', { ...design, motor: { ...motor, series: motor.series + 1 } })];
}

/** Fewer turns by this share. */
export function fewerTurns(design: CarDesign, share: number): Remedy[] {
  const { motor } = design;
  if (!hasBands(motor)) return [];
  const turns = motor.turns * (1 - share);
  return [remedy('turns', `turns-${share}`, `Wind ${turns.toFixed(1)} turns`, { ...design, motor: { ...motor, turns } })];
}

/** Tape for the turn that pulls first: as many wraps as make the axle about twice as thick. */
export function launchSleeve(design: CarDesign): Remedy[] {
  if (isRoller(design) || design.sleeve.length > 0) return [];
  const steps = [{ wraps: Math.max(1, Math.round(design.axleDiameter / 2 / TAPE)), turns: 1 }];
  return [remedy('sleeve', 'sleeve', windingWords(steps)[0]!, taped(design, steps))];
}
/** The bare axle, where it is taped. */
export const noSleeve = (design: CarDesign): Remedy[] =>
  design.sleeve.length > 0 ? [remedy('sleeve', 'no-sleeve', 'No tape sleeve', { ...design, sleeve: [] })] : [];

/** A drive axle a quarter thicker, its tape kept in wraps; none for a roller. */
export const thickerAxle = (design: CarDesign): Remedy[] =>
  isRoller(design) ? [] : [remedy('axle', 'thicker-axle', 'A drive axle a quarter thicker', onAxle(design, 1.25 * design.axleDiameter))];
/** A drive axle a fifth thinner, its tape kept in wraps; none for a roller. */
export const thinnerAxle = (design: CarDesign): Remedy[] =>
  isRoller(design) ? [] : [remedy('axle', 'thinner-axle', 'A drive axle a fifth thinner', onAxle(design, 0.8 * design.axleDiameter))];

/** The bearing with least friction for the axle at hand. */
export const easierBearing = (design: CarDesign): Remedy[] => {
  const bearing = design.bearing.startsWith('steel') ? 'steel-brass-graphite' : 'wood-plastic-straw';
  return bearingOf(design).friction <= BEARINGS[bearing].friction || isRoller(design)
    ? []
    : [
        remedy(
          'bearing',
          'bearing',
          bearing === 'wood-plastic-straw' ? 'Line the holes with plastic straw' : 'Brass and graphite in the bearings',
          fitCatalogue(design, 'bearing', bearing),
        ),
      ];
};

/** Let the end of string or band drop off. */
export function freeRelease(design: CarDesign): Remedy[] {
  const { motor } = design;
  if (!isWoundOnAxle(motor) || motor.release === 'free') return [];
  return [remedy('release', 'free', 'Let its end drop off', { ...design, motor: { ...motor, release: 'free' } })];
}

/** Wheels set square with care. */
export const squareWheels = (design: CarDesign): Remedy[] =>
  design.care === 'careful' ? [] : [remedy('care', 'careful', 'Set the wheels square and centred', { ...design, care: 'careful' })];

/** A body of another kind, in words of the caller's. */
export const bodyOf = (design: CarDesign, kind: CarDesign['body']['kind'], label: string): Remedy =>
  remedy('body', `body-${kind}`, label, fitCatalogue(design, 'body', kind));

/** Axles parallel and wheels equal. */
export const straightAxles = (design: CarDesign): Remedy =>
  remedy('alignment', 'straight', 'Set the axles parallel, with equal wheels', {
    ...design,
    alignment: { driveToe: 0, otherToe: 0, wheelMismatch: 0 },
  });

/** Any one change, under its own words. */
export { remedy as remedyOf };
