import { describe, expect, it } from 'vitest';
import type { BandDesign, CarDesign, LeverDesign } from '../car/car-design.ts';
import { conflictsOf } from '../car/fit.ts';
import { newCar } from '../car/new-car.ts';
import { predictRun } from '../predict/predict-run.ts';
import { formatBy } from '../units/quantity.ts';
import { checkCar } from './check-car.ts';
import {
  ballastOverDriveAxle,
  ballastOverOtherAxle,
  biggerDriveWheels,
  easierBearing,
  grippierTyres,
  launchSleeve,
  mat,
  noSleeve,
  otherDriveWheels,
  smallerDriveWheels,
  squareWheels,
  straightAxles,
  thickerAxle,
  thinnerAxle,
} from './chassis-remedies.ts';
import { bandsSideBySide, fewerTurns, freeRelease, lighterBand, longerChain, longerLever, shorterLever } from './motor-remedies.ts';
import { type Remedy } from './remedy.ts';

const lever = newCar('x');
const band = newCar('x', 'band');
const roller = newCar('x', 'twist');
const leverOf = ({ design }: Remedy): LeverDesign => design.motor as LeverDesign;
const bandOf = ({ design }: Remedy): BandDesign => design.motor as BandDesign;
/** m from the drive axle of the whole ballast's centre. */
const moment = ({ ballast }: CarDesign): number => ballast.mass * ballast.fromDriveAxle;

describe('a remedy changes what it says', () => {
  it('ballast: in steps where it is told, the rest stays where it is', () => {
    const loaded: CarDesign = { ...lever, ballast: { mass: 0.03, fromDriveAxle: 0.1 } };
    const over = ballastOverDriveAxle(loaded, formatBy(String))[1]!.design;
    expect(over.ballast.mass).toBeCloseTo(0.05, 12);
    expect(moment(over)).toBeCloseTo(0.003, 12);
    const ahead = ballastOverOtherAxle(loaded, formatBy(String))[1]!.design;
    expect(ahead.ballast.mass).toBeCloseTo(0.05, 12);
    expect(moment(ahead)).toBeCloseTo(0.003 + 0.02 * 0.26, 12);
  });
  it('lever: by centimetres, the trap as far as the tip moves, the body with it', () => {
    const [longer, shorter] = [longerLever(lever, formatBy(String)), shorterLever(lever, formatBy(String))];
    expect(longer.map((one) => Math.round(1000 * leverOf(one).leverLength))).toEqual([190, 200, 210, 220, 230, 240, 250, 260, 270]);
    expect(Math.round(1000 * leverOf(shorter.at(-1)!).leverLength)).toBe(90);
    for (const one of [...longer, ...shorter]) {
      expect(leverOf(one).trapPosition - 0.19).toBeCloseTo(leverOf(one).leverLength - 0.18, 12);
      // The trap's board is 98 mm long.
      const { wheelbase, body } = one.design;
      expect(wheelbase + body.overhang / 2 + 1e-9).toBeGreaterThanOrEqual(leverOf(one).trapPosition + 0.049);
    }
    expect(longerLever(band, formatBy(String))).toEqual([]);
  });
  it('wheels: by centimetres where they are cut, within what can be; else the sizes there are', () => {
    const sizes = (list: readonly Remedy[]): number[] => list.map(({ design }) => Math.round(1000 * design.driveWheels.diameter));
    const cut: CarDesign = { ...lever, driveWheels: { kind: 'card-disc', diameter: 0.12 } };
    expect(sizes(biggerDriveWheels(cut, formatBy(String)))).toEqual([130, 140, 150, 160, 170, 180, 190]);
    expect(sizes(smallerDriveWheels(cut, formatBy(String)))).toEqual([110, 100, 90, 80, 70, 60]);
    expect(biggerDriveWheels(lever, formatBy(String))).toEqual([]);
    expect(sizes(smallerDriveWheels(lever, formatBy(String)))).toEqual([80]);
    const cap: CarDesign = { ...lever, driveWheels: { kind: 'bottle-cap', diameter: 0.032 } };
    expect(sizes(biggerDriveWheels(cap, formatBy(String)))).toEqual([40]);
  });
  it('axle: in the thicknesses that it is sold in, then of dowel or wire, what is on it as it is; a roller has none', () => {
    const sizes = (list: readonly Remedy[]): string[] =>
      list.map(({ design: { axle, axleDiameter } }) => `${axle} ${Math.round(1e4 * axleDiameter) / 10}`);
    expect(sizes(thickerAxle(lever, formatBy(String)))).toEqual([
      'skewer 4',
      'skewer 5',
      'dowel 4',
      'dowel 4.8',
      'dowel 5',
      'dowel 6',
      'dowel 6.4',
    ]);
    expect(sizes(thinnerAxle(lever, formatBy(String)))).toEqual([
      'skewer 3',
      'skewer 2.5',
      'hanger-wire 2.5',
      'hanger-wire 2',
      'hanger-wire 1.6',
    ]);
    const collared: CarDesign = { ...lever, sleeve: [{ kind: 'dowel-collar', diameter: 0.01, turns: 2 }] };
    for (const { design } of thickerAxle(collared, formatBy(String)))
      expect([design.sleeve, conflictsOf(design)]).toEqual([collared.sleeve, []]);
    expect([...thickerAxle(roller, formatBy(String)), ...thinnerAxle(roller, formatBy(String))]).toEqual([]);
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
    expect(fewerTurns(band, formatBy(String)).map((one) => bandOf(one).turns)).toEqual([8.5, 8, 7.5, 7, 6.5, 6, 5.5, 5, 4.5]);
    expect(bandOf(lighterBand({ ...band, motor: { ...band.motor, band: { kind: 'size', size: '64' } } as BandDesign })[0]!).band).toEqual({
      kind: 'size',
      size: '33',
    });
    expect([
      ...lighterBand(lever),
      ...lighterBand({ ...band, motor: { ...band.motor, band: { kind: 'size', size: '16' } } as BandDesign }),
    ]).toEqual([]);
    expect([...bandsSideBySide(lever, 1), ...longerChain(lever), ...fewerTurns(lever, formatBy(String))]).toEqual([]);
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
    expect(tyres).toEqual(['foam', 'rubber-band', 'cut-glove', 'sticky-tack']);
    expect(grippierTyres({ ...lever, tyre: 'sticky-tack' })).toEqual([]);
  });
  it('bearing: the easiest for its axle, where that is easier', () => {
    expect(easierBearing({ ...lever, bearing: 'wood-card' })[0]).toMatchObject({
      label: 'Line the holes with plastic straw',
      design: { bearing: 'wood-plastic-straw' },
    });
    expect(easierBearing({ ...lever, axle: 'hanger-wire', bearing: 'steel-straw' })[0]).toMatchObject({
      label: 'Brass and graphite in the bearings',
      design: { bearing: 'steel-brass-graphite' },
    });
    expect([...easierBearing(lever), ...easierBearing({ ...roller, bearing: 'wood-card' })]).toEqual([]);
  });
  it('spacers: half a millimetre on each side, which cures what they are for', () => {
    const loose: CarDesign = { ...lever, endPlay: 0.06 };
    const run = predictRun(loose);
    for (const id of ['end-play', 'hub-rub']) {
      const check = checkCar(loose, (run as Extract<typeof run, { kind: 'ran' }>).result).find((one) => one.id === id)!;
      expect(check.verdict, id).toBe('warning');
      expect(check.remedies(formatBy(String)).map(({ design }) => design.endPlay)).toEqual([0.001]);
    }
  });
  it('wheels of another kind: with an edge that grips better, in a size there is', () => {
    const offered = otherDriveWheels({ ...lever, tyre: 'bare-disc' });
    expect(offered.map(({ id }) => id)).toContain('wheel-moulded-wheel');
    for (const { design } of offered) {
      expect(conflictsOf(design)).toEqual([]);
      expect(design.driveWheels.kind).not.toBe('optical-disc');
    }
    expect(otherDriveWheels(roller)).toEqual([]);
  });
  it('a mat: carpet at the line, where that grips better and is not there yet', () => {
    expect(mat(lever)[0]!.design.floor).toMatchObject({ kind: 'short-carpet', stretches: [{ kind: 'smooth' }] });
    expect(mat(mat(lever)[0]!.design)).toEqual([]);
    expect(mat({ ...lever, tyre: 'sticky-tack' })[0]?.design.floor.kind ?? 'none').toMatch(/carpet|none/);
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
