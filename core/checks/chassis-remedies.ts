import { AXLES, BEARINGS, TYRES, WHEELS } from '../car/catalogue.ts';
import type { CarDesign } from '../car/car-design.ts';
import { fittingAround, misfitOf } from '../car/fit.ts';
import { withMat } from '../car/floors.ts';
import { describeStiffener } from '../car/stiffener.ts';
import { gripOn } from '../car/values.ts';
import { bearingOf, tyreOf } from '../car/fitted.ts';
import { isRoller } from '../car/motors/motors.ts';
import { fitCatalogue } from '../car/parts.ts';
import { onAxle, TAPE, taped, describeWinding } from '../car/tape.ts';
import type { Format } from '../units/quantity.ts';
import { remedyOf, stepped, stepsToward, type Remedy } from './remedy.ts';

/** The tyres with more grip that go on these wheels, the next first. */
export function grippierTyres(design: CarDesign): Remedy[] {
  const grip = tyreOf(design).staticGrip;
  return (Object.keys(TYRES) as CarDesign['tyre'][])
    .filter((tyre) => TYRES[tyre].staticGrip > grip * 1.05 && misfitOf(design, 'tyre', tyre) === null)
    .sort((a, b) => TYRES[a].staticGrip - TYRES[b].staticGrip)
    .map((tyre) => remedyOf('tyres', `tyre-${tyre}`, `Tyres: ${TYRES[tyre].label}`, fitCatalogue(design, 'tyre', tyre)));
}

/** Wheels of another kind at the driven end, of about the same size, that grip better with what runs on them; none for a roller. */
export function otherDriveWheels(design: CarDesign): Remedy[] {
  if (isRoller(design)) return [];
  const grip = tyreOf(design).staticGrip;
  return (Object.keys(WHEELS) as CarDesign['driveWheels']['kind'][])
    .filter((kind) => kind !== design.driveWheels.kind && misfitOf(design, 'driveWheels', kind) === null)
    .map((kind) =>
      remedyOf('drive-wheels', `wheel-${kind}`, `Drive wheels: ${WHEELS[kind].label}`, fitCatalogue(design, 'driveWheels', kind)),
    )
    .filter(({ design: other }) => tyreOf(other).staticGrip > 1.05 * grip);
}

/** A mat under the launch, where there is none yet and it helps the grip. */
export const mat = (design: CarDesign): Remedy[] =>
  design.floor.kind === 'short-carpet' ||
  gripOn(design, tyreOf(design).staticGrip) >= gripOn({ ...design, floor: withMat(design.floor) }, tyreOf(design).staticGrip)
    ? []
    : [remedyOf('floor', 'mat', 'A mat under the launch, where the rules allow it', { ...design, floor: withMat(design.floor) })];

/** g of ballast, in coins. */
const BALLAST_STEPS = [0.01, 0.02, 0.03, 0.04, 0.06];

const ballastAt = (design: CarDesign, id: string, at: number, place: string, format: Format): Remedy[] =>
  stepped(
    'ballast',
    id,
    BALLAST_STEPS.map((more) => {
      const mass = design.ballast.mass + more;
      const fromDriveAxle = (design.ballast.mass * design.ballast.fromDriveAxle + more * at) / mass;
      return [`${format(more, 'weight')} over the ${place} axle`, { ...design, ballast: { mass, fromDriveAxle } }];
    }),
  );

/** Ballast over the drive axle. */
export const ballastOverDriveAxle = (design: CarDesign, format: Format): Remedy[] => ballastAt(design, 'ballast', 0, 'drive', format);

/** Ballast over the other axle. */
export const ballastOverOtherAxle = (design: CarDesign, format: Format): Remedy[] =>
  ballastAt(design, 'ballast-other', design.wheelbase, 'other', format);

/** So much bigger even small wheels are tried, m. */
const SMALL = 0.03;

/** Other drive wheels of the kind: of those there are, or cut by steps of 10 mm. */
function driveWheelsToward(design: CarDesign, factor: number, id: string, format: Format): Remedy[] {
  const { kind, diameter } = design.driveWheels;
  const { stock, between } = WHEELS[kind];
  const side = Math.sign(factor - 1);
  const sizes = stock
    ? stock.filter((one) => side * (one - diameter) > 1e-6).sort((a, b) => side * (a - b))
    : stepsToward(diameter, side > 0 ? Math.max(factor * diameter, diameter + SMALL) : factor * diameter, 0.01).filter(
        (one) => !between || (one >= between[0] && one <= between[1]),
      );
  return stepped(
    'drive-wheels',
    id,
    sizes.map((size) => [`Drive wheels ⌀ ${format(size, 'size')}`, { ...design, driveWheels: { kind, diameter: size } }]),
  );
}

/** Bigger drive wheels. */
export const biggerDriveWheels = (design: CarDesign, format: Format): Remedy[] => driveWheelsToward(design, 1.6, 'bigger-wheels', format);

/** Smaller drive wheels. */
export const smallerDriveWheels = (design: CarDesign, format: Format): Remedy[] => driveWheelsToward(design, 0.5, 'smaller-wheels', format);

/** Tape for the turn that pulls first: as many wraps as make the axle about twice as thick. */
export function launchSleeve(design: CarDesign): Remedy[] {
  if (isRoller(design) || design.sleeve.length > 0) return [];
  const steps = [{ wraps: Math.max(1, Math.round(design.axleDiameter / 2 / TAPE)), turns: 1 }];
  return [remedyOf('sleeve', 'sleeve', describeWinding(steps)[0]!, taped(design, steps))];
}

/** The bare axle, where it is taped. */
export const noSleeve = (design: CarDesign): Remedy[] =>
  design.sleeve.length > 0 ? [remedyOf('sleeve', 'no-sleeve', 'No tape sleeve', { ...design, sleeve: [] })] : [];

/** Axles of a material in each thickness that it is sold in, the thinnest first, what is on them as thick as it is; none for a roller. */
export const axlesOf = (design: CarDesign, axle: CarDesign['axle'], format: Format, is = (_diameter: number): boolean => true): Remedy[] =>
  isRoller(design)
    ? []
    : stepped(
        'axle',
        `axle-${axle}`,
        AXLES[axle].stock
          .filter(is)
          .map((diameter): [string, CarDesign] => [
            `Axles of ${AXLES[axle].label}, ${format(diameter, 'size')}`,
            fittingAround(onAxle(axle === design.axle ? design : fitCatalogue(design, 'axle', axle), diameter), 'axle'),
          ]),
      );

/** Thicker axles, up to twice: of the same material, or of dowel. */
export const thickerAxle = (design: CarDesign, format: Format): Remedy[] => {
  const thicker = (diameter: number): boolean => diameter > 1.05 * design.axleDiameter && diameter <= 2 * design.axleDiameter;
  return [...axlesOf(design, design.axle, format, thicker), ...(design.axle === 'dowel' ? [] : axlesOf(design, 'dowel', format, thicker))];
};

/** Thinner axles, down to half: of the same material, or of wire. */
export const thinnerAxle = (design: CarDesign, format: Format): Remedy[] => {
  // The thickest of them first: it is the least change.
  const thinner = (diameter: number): boolean => diameter < 0.95 * design.axleDiameter && diameter >= 0.5 * design.axleDiameter;
  const own = axlesOf(design, design.axle, format, thinner).reverse();
  return [...own, ...(design.axle === 'hanger-wire' ? [] : axlesOf(design, 'hanger-wire', format, thinner).reverse())];
};

/** The bearing with least friction for the axle at hand. */
export const easierBearing = (design: CarDesign): Remedy[] => {
  const bearing = AXLES[design.axle].stuff === 'metal' ? 'steel-brass-graphite' : 'wood-plastic-straw';
  return bearingOf(design).friction <= BEARINGS[bearing].friction || isRoller(design)
    ? []
    : [
        remedyOf(
          'bearing',
          'bearing',
          bearing === 'wood-plastic-straw' ? 'Line the holes with plastic straw' : 'Brass and graphite in the bearings',
          fitCatalogue(design, 'bearing', bearing),
        ),
      ];
};

/** Wheels set square with care. */
export const squareWheels = (design: CarDesign): Remedy[] =>
  design.care === 'careful' ? [] : [remedyOf('care', 'careful', 'Set the wheels square and centred', { ...design, care: 'careful' })];

/** A body of another kind, in words of the caller's. */
export const bodyOf = (design: CarDesign, kind: CarDesign['body']['kind'], label: string): Remedy =>
  remedyOf('body', `body-${kind}`, label, fitCatalogue(design, 'body', kind));

/** Sticks that a builder would glue along a body, the lightest first. */
const STICKS = [
  ['skewer', 1],
  ['craft-stick', 2],
  ['dowel', 1],
  ['pencil', 1],
  ['pencil', 2],
  ['pencil', 4],
] as const;

/** The lightest stick along the line of pull that does, in place of what is glued there. */
export const stiffened = (design: CarDesign): Remedy[] =>
  stepped(
    'body',
    'stiffener',
    STICKS.map(([kind, count]) => [
      `${describeStiffener({ kind, count })} glued along the body`,
      { ...design, body: { ...design.body, stiffener: { kind, count } } },
    ]),
  );

/** Axles parallel and wheels equal. */
export const straightAxles = (design: CarDesign): Remedy =>
  remedyOf('alignment', 'straight', 'Set the axles parallel, with equal wheels', {
    ...design,
    alignment: { driveToe: 0, otherToe: 0, wheelMismatch: 0 },
  });
