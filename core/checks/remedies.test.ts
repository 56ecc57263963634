import { describe, expect, it } from 'vitest';
import type { BandDesign, CarDesign, LeverDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import {
  ballastOverDriveAxle,
  ballastOverOtherAxle,
  bandsSideBySide,
  biggerDriveWheels,
  easierBearing,
  fewerTurns,
  freeRelease,
  grippierTyres,
  launchSleeve,
  longerChain,
  longerLever,
  noSleeve,
  shorterLever,
  smallerDriveWheels,
  squareWheels,
  straightAxles,
  thickerAxle,
  thinnerAxle,
  type Remedy,
} from './remedies.ts';

const lever = newCar('x');
const band = newCar('x', 'band');
const roller = newCar('x', 'twist');
const leverOf = ({ design }: Remedy): LeverDesign => design.motor as LeverDesign;
const bandOf = ({ design }: Remedy): BandDesign => design.motor as BandDesign;
/** m from the drive axle of the whole ballast's centre. */
const moment = ({ ballast }: CarDesign): number => ballast.mass * ballast.fromDriveAxle;

describe('a remedy changes what it says', () => {
  it('ballast: 20 g where it is told, the rest stays where it is', () => {
    const loaded: CarDesign = { ...lever, ballast: { mass: 0.03, fromDriveAxle: 0.1 } };
    const over = ballastOverDriveAxle(loaded).design;
    expect(over.ballast.mass).toBeCloseTo(0.05, 12);
    expect(moment(over)).toBeCloseTo(0.003, 12);
    const ahead = ballastOverOtherAxle(loaded).design;
    expect(ahead.ballast.mass).toBeCloseTo(0.05, 12);
    expect(moment(ahead)).toBeCloseTo(0.003 + 0.02 * 0.26, 12);
  });
  it('lever: a fifth, the trap as far as the tip moves', () => {
    const [longer, shorter] = [longerLever(lever)[0]!, shorterLever(lever)[0]!];
    expect(leverOf(longer)).toMatchObject({ leverLength: 1.2 * 0.18 });
    expect(leverOf(longer).trapPosition).toBeCloseTo(0.19 + 0.036, 12);
    expect(leverOf(shorter).leverLength).toBeCloseTo(0.144, 12);
    expect(leverOf(shorter).trapPosition).toBeCloseTo(0.19 - 0.036, 12);
    expect(longerLever(band)).toEqual([]);
  });
  it('wheels: a fifth where they are cut, else the next size there is, if there is one', () => {
    const cut: CarDesign = { ...lever, driveWheels: { kind: 'card-disc', diameter: 0.12 } };
    expect(biggerDriveWheels(cut)[0]!.design.driveWheels.diameter).toBeCloseTo(0.144, 12);
    expect(smallerDriveWheels(cut)[0]!.design.driveWheels.diameter).toBeCloseTo(0.096, 12);
    expect(biggerDriveWheels(lever)).toEqual([]);
    expect(smallerDriveWheels(lever)[0]!.design.driveWheels).toEqual({ kind: 'optical-disc', diameter: 0.08 });
    const small: CarDesign = { ...lever, driveWheels: { kind: 'optical-disc', diameter: 0.08 } };
    expect(biggerDriveWheels(small)[0]!.design.driveWheels.diameter).toBe(0.12);
    expect(smallerDriveWheels(small)).toEqual([]);
  });
  it('axle: a quarter thicker, a fifth thinner; a roller has none', () => {
    expect(thickerAxle(lever)[0]!.design.axleDiameter).toBeCloseTo(0.004, 12);
    expect(thinnerAxle(lever)[0]!.design.axleDiameter).toBeCloseTo(0.00256, 12);
    expect([...thickerAxle(roller), ...thinnerAxle(roller)]).toEqual([]);
  });
  it('bands: one more or fewer beside, one more behind, fewer turns; never none, and none on a lever', () => {
    const two = bandOf(bandsSideBySide(band, 1)[0]!);
    expect(two.parallel).toBe(2);
    expect(bandsSideBySide(band, 1)[0]).toMatchObject({ id: 'more-bands', label: 'One band more side by side' });
    const three: CarDesign = { ...band, motor: { ...band.motor, parallel: 3 } as BandDesign };
    expect(bandOf(bandsSideBySide(three, -1)[0]!).parallel).toBe(2);
    expect(bandsSideBySide(three, -1)[0]).toMatchObject({ id: 'fewer-bands', label: 'One band fewer side by side' });
    expect(bandsSideBySide({ ...band, motor: { ...band.motor, parallel: 2 } as BandDesign }, -1)).toHaveLength(1);
    expect(bandsSideBySide(band, -1)).toEqual([]);
    expect(bandOf(longerChain(band)[0]!).series).toBe(3);
    expect(bandOf(fewerTurns(band, 0.2)[0]!).turns).toBeCloseTo(7.2, 12);
    expect([...bandsSideBySide(lever, 1), ...longerChain(lever), ...fewerTurns(lever, 0.2)]).toEqual([]);
  });
  it('tape: about as thick as the axle under the last turn, or none; only where there is an axle, and none or some', () => {
    const [taped] = launchSleeve(lever);
    expect(taped!.design.sleeve).toHaveLength(1);
    expect(taped!.design.sleeve[0]!.diameter / lever.axleDiameter).toBeCloseTo(2, 0);
    expect(taped!.design.sleeve[0]!.turns).toBe(1);
    expect([...launchSleeve(taped!.design), ...launchSleeve(roller), ...noSleeve(lever)]).toEqual([]);
    expect(noSleeve(taped!.design)[0]!.design.sleeve).toEqual([]);
  });
  it('tyres: those that grip more, from the next on', () => {
    const tyres = grippierTyres({ ...lever, tyre: 'glue-bead' }).map(({ design }) => design.tyre);
    expect(tyres).toEqual(['rubber-band', 'cut-glove', 'sticky-tack']);
    expect(grippierTyres({ ...lever, tyre: 'sticky-tack' })).toEqual([]);
  });
  it('bearing: the easiest for its axle, where that is easier', () => {
    expect(easierBearing({ ...lever, bearing: 'wood-card' })[0]).toMatchObject({
      label: 'Line the holes with plastic straw',
      design: { bearing: 'wood-plastic-straw' },
    });
    expect(easierBearing({ ...lever, bearing: 'steel-straw' })[0]).toMatchObject({
      label: 'Brass and graphite in the bearings',
      design: { bearing: 'steel-brass-graphite' },
    });
    expect([...easierBearing(lever), ...easierBearing({ ...roller, bearing: 'wood-card' })]).toEqual([]);
  });
  it('release, care and alignment: free, careful, straight; where they are not yet', () => {
    const tied: CarDesign = { ...lever, motor: { ...lever.motor, release: 'tied' } as LeverDesign };
    expect(leverOf(freeRelease(tied)[0]!).release).toBe('free');
    expect([...freeRelease(lever), ...freeRelease(roller)]).toEqual([]);
    expect(squareWheels(lever)[0]!.design.care).toBe('careful');
    expect(squareWheels({ ...lever, care: 'careful' })).toEqual([]);
    expect(straightAxles({ ...lever, alignment: { driveToe: 0.1, otherToe: 0.1, wheelMismatch: 0.001 } }).design.alignment).toEqual(
      lever.alignment,
    );
  });
});
