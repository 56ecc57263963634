import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { fitCatalogue } from '../car/parts.ts';
import { cutLength, withCutLength } from '../car/tubing.ts';
import { valueOf } from '../car/values.ts';
import { sizesOf } from '../car/sizes.ts';
import { bodyCorners } from '../solid/deck-outline.ts';
import { planView } from '../geometry/plan-view.ts';
import { bodyWidthAt, placedMasses, standingWeight } from '../car/weights.ts';
import { predictRun } from '../predict/predict-run.ts';
import { curvatureOf, driftAfter } from '../predict/straightness.ts';
import { formatIn } from '../units/quantity.ts';
import { boxOf } from './drawing.ts';
import { designAsBuilt, goalDistance, inspect, inspectedSizes } from './inspection.ts';
import { lengthsOf } from './lengths.ts';
import { betweenWheels } from '../solid/bearing-sizes.ts';
import { stringToCut } from './motors/lever.ts';
import { notesOf } from './notes.ts';
import { stepPictures } from './step-picture.ts';
import { grownCar } from './step-solids.ts';
import { carSolids } from '../solid/car-solids.ts';
import { neededSizes } from './needed-sizes.ts';
import { partsList, remainderOf, wholeMass } from './parts-list.ts';
import { buildSteps, minutesLeft } from './steps.ts';
import { substitutesFor } from './substitutes.ts';
import { holeAngle, templatesOf } from './templates.ts';

const format = formatIn('metric');
const lever = newCar('lever');
const goesFar = (car: CarDesign): number => {
  const prediction = predictRun(car);
  return prediction.kind === 'ran' ? prediction.result.distance : NaN;
};
const band = newCar('band', 'band');

describe('templates', () => {
  it('holes round a bottle lie where a hand calculation puts them', () => {
    // An axle 15 % of the width over the underside: cos φ = 0.35/0.5, φ = 45.573°.
    const bottle = fitCatalogue({ ...band, body: { ...band.body, width: 0.09 } }, 'body', 'bottle');
    expect((holeAngle(bottle, 'drive')! * 180) / Math.PI).toBeCloseTo(45.573, 2);
    const strip = templatesOf(bottle).find(({ id }) => id === 'drive-strip')!;
    expect(strip.width).toBeCloseTo(Math.PI * 90, 6);
    const holes = strip.items.filter((item) => item.kind === 'circle').map(({ centre }) => centre.x);
    // 2 φ R = 2 · 0.79540 · 45 mm, about the underside.
    expect(holes[1]! - holes[0]!).toBeCloseTo(71.586, 2);
    expect((holes[0]! + holes[1]!) / 2).toBeCloseTo(strip.width / 2, 9);
  });
  it('the string reaches from the lever at rest to the axle: by the cosine rule, to the axle’s radius', () => {
    const { motor } = lever;
    if (motor.kind !== 'lever') throw new Error();
    const { reach, length } = stringToCut(lever)!;
    const [dx, dy] = [
      motor.trapPosition + motor.leverLength * Math.cos(motor.releaseAngle),
      motor.pivotAboveAxle + motor.leverLength * Math.sin(motor.releaseAngle),
    ];
    expect(Math.abs(reach - Math.hypot(dx, dy))).toBeLessThan(lever.axleDiameter / 2);
    expect(length - reach).toBeCloseTo(0.03, 9);
  });
  it('tape and tyre strips are as long as they lie, to the millimetre: by hand', () => {
    // From 5 to 8 mm in wraps of 0.13 mm, each as long as its own circle: their mean is 6.5 mm across.
    const taped = { ...lever, axleDiameter: 0.005, sleeve: [{ kind: 'tape' as const, diameter: 0.008, turns: 3 }] };
    const of = (car: CarDesign, id: string) => lengthsOf(car).find((cut) => cut.id === id)!;
    expect(of(taped, 'tape').length).toBe(0.236); // π · 6.5 · (1.5 / 0.13) = 235.6 mm
    // Put on stretched by a tenth of what is cut; foam is laid round the rim as it is.
    // π · 120 mm = 377.0 mm; a tenth less stretched: 342.7 mm.
    expect([of(lever, 'tyre').length, of({ ...lever, tyre: 'foam' }, 'tyre').length]).toEqual([0.343, 0.377]);
    // A string is cut longer than it reaches, by 30 mm for knot and loop.
    expect(stringToCut(lever)!.length - stringToCut(lever)!.reach).toBeCloseTo(0.03, 12);
  });
  it('axles, bearings and play fill the room between the wheels', () => {
    const lengths = new Map(lengthsOf(lever).map((cut) => [cut.id, cut]));
    const { motor } = lever;
    const winding = 'windingWidth' in motor ? motor.windingWidth : 0;
    const apart = (sum: number, which: 'drive' | 'other'): number => Math.abs(sum - betweenWheels(lever, which));
    expect(apart(lengths.get('other-bearing')!.length + lever.endPlay, 'other')).toBeLessThan(0.00051);
    // Two bearings, what is wound with 3 mm beside it, and the play.
    expect(apart(2 * lengths.get('drive-bearing')!.length + winding + 0.006 + lever.endPlay, 'drive')).toBeLessThan(0.00101);
    expect(lengths.get('drive-axle')!.length).toBeGreaterThan(lever.trackWidth);
  });
});

describe('bearings of every kind', () => {
  it.each([
    ['plastic-hole', /hot nail or drill/],
    ['zip-tie', /zip tie through two holes/],
    ['reel', /Glue a thread reel/],
    ['magnet', /keeper of thin steel/],
    ['wood-card', /Set the holes/],
  ] as const)('%s have their own step, and weigh what is put on', (bearing, text) => {
    const car: CarDesign = { ...lever, bearing };
    expect(buildSteps(car, format).find(({ id }) => id === 'bearings')!.text).toMatch(text);
    expect(partsList(car).find(({ on }) => on === 'bearing')).toMatchObject({
      count: 4,
      mass: bearing.startsWith('wood') || bearing === 'plastic-hole' ? 0 : expect.any(Number),
    });
  });
  it('of two kinds: each axle has its own in step, lengths and list; friction is their mean by the weight on each axle', () => {
    const car: CarDesign = { ...lever, bearing: 'wood-plastic-straw', otherBearing: 'zip-tie' };
    const { title, text } = buildSteps(car, format).find(({ id }) => id === 'bearings')!;
    expect(title).toBe('Bearings: wood in a plastic straw; other axle loop of a zip tie');
    expect(text).toMatch(/^Drive axle: Cut 2 × \d+\smm and glue them along the axle lines, the gap .* Other axle: Put a zip tie/);
    expect(lengthsOf(car).map(({ id }) => id)).not.toContain('other-bearing');
    expect(
      partsList(car)
        .filter(({ on }) => on === 'bearing')
        .map(({ count }) => count),
    ).toEqual([2, 2]);
    const onDrive = standingWeight(car).driveLoadShare;
    expect(valueOf(car, 'bearingFriction').value).toBeCloseTo(0.22 * onDrive + 0.25 * (1 - onDrive), 9);
    expect(valueOf(lever, 'bearingFriction').value).toBe(0.22);
  });
  it('a beam is sawn and drilled across', () => {
    const car: CarDesign = { ...lever, body: { ...lever.body, kind: 'beam', width: 0.02 } };
    expect(buildSteps(car, format).find(({ id }) => id === 'body')!.title).toBe('Saw the beam and drill it across');
    // 290 × 20 mm of 4.5 kg/m².
    expect(partsList(car)[0]!.mass).toBeCloseTo(4.5 * 0.02 * (car.wheelbase + car.body.overhang), 6);
  });
  it('a triangle narrows to 0.4 of its width: less weight, farther back, a shorter axle, all drawn', () => {
    const wide: CarDesign = { ...lever, body: { ...lever.body, width: 0.1 }, layout: { ...lever.layout, otherWheelCount: 1 } };
    const car: CarDesign = { ...wide, body: { ...wide.body, outline: 'triangle' } };
    const massOf = (of: CarDesign) => placedMasses(of).find(({ what }) => what === 'body')!;
    // Ends of 100 and 40 mm: 0.7 of the rectangle, its middle at (100 + 2 · 40)/(100 + 40)/3 = 0.4286 of its length.
    expect(massOf(car).mass).toBeCloseTo(0.7 * massOf(wide).mass, 9);
    const long = car.wheelbase + car.body.overhang;
    expect(massOf(car).at).toBeCloseTo((0.18 / 0.14 / 3) * long - car.body.overhang / 2, 9);
    const lengthOf = (of: CarDesign): number => lengthsOf(of).find(({ id }) => id === 'other-axle')!.length;
    expect(lengthOf(car)).toBeLessThan(lengthOf(wide) - 0.04);
    expect(bodyCorners(car).map(({ y }) => y)).toEqual([0.05, 0.02, -0.02, -0.05].map((y) => expect.closeTo(y, 9)));
    const sticks: CarDesign = { ...car, body: { ...car.body, kind: 'craft-sticks' } };
    expect(planView(sticks).body).toHaveLength(5);
    expect(buildSteps(sticks, format).find(({ id }) => id === 'body')!.text).toMatch(/draw together toward the other axle/);
    expect(neededSizes(car)).toContainEqual(expect.objectContaining({ tells: 'bodyNarrow', value: '40' }));
    // A bottle keeps its shape.
    const bottle: CarDesign = { ...car, body: { ...car.body, kind: 'bottle' } };
    expect(bodyWidthAt(bottle, car.wheelbase)).toBe(0.1);
  });
  it('a body that is reinforced has its sticks in the list, the lengths and the steps', () => {
    const car: CarDesign = { ...lever, body: { ...lever.body, stiffener: { kind: 'pencil', count: 2 } } };
    const long = car.wheelbase + car.body.overhang;
    expect(partsList(car)).toContainEqual(expect.objectContaining({ name: 'stiffener: pencil', count: 2, mass: 2 * 0.023 * long }));
    expect(lengthsOf(car)).toContainEqual(expect.objectContaining({ id: 'stiffener', count: 2, length: expect.closeTo(long, 3) }));
    const steps = buildSteps(car, format).map(({ id }) => id);
    expect(steps.indexOf('stiffener')).toBe(steps.indexOf('body') + 1);
  });
});

describe('a trap beside the middle line', () => {
  it('is drawn, marked and told there; nothing else changes', () => {
    const { write, read } = sizesOf('lever').find(({ id }) => id === 'besideMiddle')!;
    const beside = write(lever, 0.012);
    expect([read(lever), read(beside)]).toEqual([0, 0.012]);
    expect(write(beside, 0)).toEqual(lever);
    expect(planView(beside).pull.map(({ y }) => y)).toEqual([0.012, 0.012]);
    expect(buildSteps(beside, format).find(({ id }) => id === 'trap')!.text).toMatch(
      /the lever 12\smm to the left of the middle line, and the hook on the axle in line with it/,
    );
    expect(buildSteps(write(lever, -0.012), format).find(({ id }) => id === 'trap')!.text).toMatch(/12\smm to the right of/);
    // The trap's mark on the deck moves by 12 mm: to the left is up.
    const trapTop = (car: CarDesign): number => {
      const marks = templatesOf(car)
        .find(({ id }) => id === 'deck')!
        .items.filter(({ kind }) => kind === 'path')
        .map(boxOf);
      return Math.min(...marks.filter(({ left, right }) => Math.abs(right - left - 98) < 0.01).map(({ top }) => top));
    };
    expect(trapTop(lever) - trapTop(beside)).toBeCloseTo(12, 6);
  });
});

describe('what is wound on', () => {
  it.each([
    ['straw', /^Push a piece of straw of ⌀ 12\smm/, false],
    ['bead', /^Push a bead/, false],
    ['moulded', /^Push the moulded spool/, false],
    ['cork', /^Cut a slice of cork of ⌀ 12\smm. Pierce it/, true],
    ['dowel-collar', /^Cut a collar from dowel/, true],
    ['other', /^Turn or sand the spool to ⌀ 12\smm, with a hole for the 3(\.\d)?\smm axle/, true],
  ] as const)('%s has its step before the wheels, and its template where it is drilled', (kind, text, isDrilled) => {
    const car: CarDesign = { ...lever, sleeve: [{ kind, diameter: 0.012, turns: 3 }] };
    const steps = buildSteps(car, format);
    const at = steps.findIndex(({ id }) => id === 'spool');
    expect(steps[at]!.text).toMatch(text);
    expect(at).toBeLessThan(steps.findIndex(({ id }) => id === 'drive-axle'));
    expect(templatesOf(car).some(({ id }) => id === 'spool')).toBe(isDrilled);
  });
  it('goes in an order that can be followed: axles before the bearings that are glued round them, what thickens the axle after, wheels last', () => {
    const car: CarDesign = { ...band, sleeve: [{ kind: 'tape', diameter: 0.011, turns: 1.5 }] };
    const steps = buildSteps(car, format);
    const order = ['body', 'axles', 'blocks', 'bearings', 'sleeve', 'other-axle', 'drive-axle', 'tyres', 'hook', 'bands', 'first-run'];
    expect(steps.map(({ id }) => id).filter((id) => order.includes(id))).toEqual(order);
    // 12 mm less half a straw of 4.8 mm.
    expect(steps.find(({ id }) => id === 'blocks')!.text).toMatch(/^Cut 2 × 12\smm by \d+(\.\d)?\smm, 9\.6\smm high/);
    expect(partsList(car).filter(({ name }) => name === 'block between deck and bearing')).toHaveLength(2);
    expect(steps.at(-1)!.text).toMatch(/Full wind: 9 turns\.$/);
    expect(notesOf(car)).toContain('Drive axle ⌀ 11 mm under the last 1½ turns.');
  });
  it('shows the car as it grows: every part comes once, the last picture has them all', () => {
    for (const car of [lever, band, newCar('x', 'twist')]) {
      const steps = buildSteps(car, format);
      const grown = grownCar(car, steps);
      const added = grown.flatMap((step) => step?.added.map(({ id }) => id) ?? []);
      const all = carSolids(car).flatMap(({ id, isRoom }) => (isRoom ? [] : [id]));
      expect([...added].sort()).toEqual([...all].sort());
      expect(grown.at(-1)!.before.map(({ id }) => id)).toEqual(all);
      const sheets = stepPictures(car, steps);
      expect(new Set(sheets.map((sheet) => JSON.stringify(sheet.items))).size).toBe(sheets.length);
      for (const [i, sheet] of sheets.entries()) {
        const accents = sheet.items.filter((item) => item.kind === 'path' && item.face?.isAdded).length;
        if (grown[i]) expect([steps[i]!.id, accents > 0]).toEqual([steps[i]!.id, grown[i].added.length > 0]);
      }
    }
  });
  it('tubing is cut to twice its loop and the knot, in list, lengths and steps; straight to its length and two knots', () => {
    const tubing = { kind: 'tubing', form: 'loop', length: 0.15, outside: 0.0064, wall: 0.0016 } as const;
    const car = { ...band, motor: { ...band.motor, band: tubing, series: 1, woundBy: 'drill' } } as CarDesign;
    // 2 · 150 mm and 50 mm for the knot; 6.4 − 2 · 1.6 = 3.2 mm inside.
    expect(lengthsOf(car)).toContainEqual(expect.objectContaining({ id: 'tubing', count: 1, length: 0.35 }));
    expect(partsList(car).find(({ slot }) => slot === 'band')!.size).toBe(
      '1 side by side, 1 end to end; each cut to 350 mm, 6.4 mm outside, 3.2 mm inside',
    );
    const { text } = buildSteps(car, format).find(({ id }) => id === 'bands')!;
    expect(text).toMatch(/to 350\smm. Tie both ends together in one overhand knot/);
    expect(text).toContain('hand drill');
    expect(cutLength({ ...tubing, form: 'straight' })).toBeCloseTo(0.21, 9);
    for (const form of ['loop', 'straight'] as const)
      expect(withCutLength({ ...tubing, form }, cutLength({ ...tubing, form })).length).toBeCloseTo(0.15, 9);
  });
  it('a load that rides in a basket has it in step and list', () => {
    const car: CarDesign = { ...lever, load: { mass: 0.1, fromDriveAxle: 0.08, in: 'basket' } };
    expect(buildSteps(car, format).find(({ id }) => id === 'basket')!.text).toMatch(/80\smm from the drive axle/);
    expect(partsList(car).some(({ name }) => name.startsWith('basket'))).toBe(true);
  });
});

describe('the parts list', () => {
  it('adds up to the car, and numbers its lines', () => {
    for (const design of [lever, band, newCar('x', 'twist')]) {
      const lines = partsList(design);
      expect(lines.map(({ number }) => number)).toEqual(lines.map((_, i) => i + 1));
      const sum = lines.reduce((all, { mass }) => all + mass, remainderOf(design, lines));
      expect(sum).toBeCloseTo(wholeMass(design), 9);
      // What the model places, and what it takes as rest, are lines of their own: none is told twice.
      const placed = placedMasses(design).filter(({ what }) => what !== 'rest');
      const modelled = lines.filter(({ on }) => /wheel|axle|tyre|body/.test(on)).reduce((all, { mass }) => all + mass, 0);
      const motor = placed.find(({ what }) => what === 'motor')!.mass;
      expect(modelled + motor).toBeCloseTo(
        placed.reduce((all, { mass }) => all + mass, 0),
        9,
      );
      expect(wholeMass(design)).toBeCloseTo(standingWeight(design).mass, 9);
    }
  });
  it('has a weight for each line, by hand: trap, skewer, straw, bead and string', () => {
    const [car, skewer] = [
      { ...lever, axle: 'skewer', axleDiameter: 0.0032, trackWidth: 0.11, tyre: 'glue-bead' } as CarDesign,
      0.11 + 0.0127,
    ];
    const grams = Object.fromEntries(partsList(car).map(({ on, mass }) => [on, 1000 * mass]));
    expect(grams.motor).toBe(22);
    // 700 kg/m³ of bamboo; 6 g of glue a metre of rim, on two wheels of 120 mm; hub and glue of 2 g on each of two discs.
    expect(grams['drive-axle']).toBeCloseTo(700_000 * Math.PI * 0.0016 ** 2 * skewer, 6);
    expect(grams.tyre).toBeCloseTo(2 * 6 * Math.PI * 0.12, 6);
    expect(grams.bearing).toBeGreaterThan(0.3);
    expect(grams.bearing).toBeLessThan(1);
    expect(grams.string).toBeLessThan(0.5);
    expect(Object.values(grams).every((mass) => mass > 0)).toBe(true);
  });
  it('says what will do instead, with what that changes by the model', () => {
    const instead = substitutesFor(lever, 'driveWheels');
    expect(instead.length).toBeGreaterThan(2);
    expect(instead.map(({ after }) => after)).toEqual(instead.map(({ after }) => after).toSorted((a, b) => b - a));
    expect(instead.every(({ key }) => key !== lever.driveWheels.kind && key !== 'spool')).toBe(true);
    expect(new Set(instead.map(({ before }) => before)).size).toBe(1);
  });
});

describe('the steps', () => {
  it.each([
    ['lever', lever],
    ['band', band],
    ['twist', newCar('x', 'twist')],
    ['bottle', fitCatalogue(band, 'body', 'bottle')],
    ['sticks', fitCatalogue(band, 'body', 'craft-sticks')],
  ] as const)('%s: begin with templates, end on the floor, each with its check', (_name, design) => {
    const steps = buildSteps(design, format);
    expect([steps[0]!.id, steps.at(-1)!.id]).toEqual(['templates', 'first-run']);
    expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
    for (const { check, minutes, text, tool } of steps)
      expect([check !== '', minutes > 0, text !== '', tool !== '']).toEqual([true, true, true, true]);
  });
  it('what dries longest is begun before what is done meanwhile; axles before wheels are fixed; the trap after its lever', () => {
    const ids = buildSteps({ ...lever, driveWheels: { kind: 'card-disc', diameter: 0.2 } }, format).map(({ id }) => id);
    const before = (a: string, b: string): boolean => ids.indexOf(a) >= 0 && ids.indexOf(a) < ids.indexOf(b);
    expect([
      before('wheels-card-disc', 'bearings'),
      before('axles', 'drive-axle'),
      before('lever', 'trap'),
      before('trap', 'string'),
    ]).toEqual([true, true, true, true]);
  });
  it('cautions stand where the hand is', () => {
    const steps = buildSteps(lever, format);
    for (const id of ['lever', 'trap', 'string']) expect(steps.find((step) => step.id === id)!.caution).toContain('snap trap');
    expect(steps.find(({ id }) => id === 'axles')!.caution).toContain('glasses');
    expect(buildSteps(band, format).find(({ id }) => id === 'bands')!.caution).toContain('whips');
  });
  it('time left is that of what is not done', () => {
    const steps = buildSteps(lever, format);
    const all = minutesLeft(steps, new Set());
    const one = minutesLeft(steps, new Set([steps[0]!.id]));
    expect(all.work - one.work).toBe(steps[0]!.minutes);
    expect(minutesLeft(steps, new Set(steps.map(({ id }) => id)))).toEqual({ work: 0, wait: 0 });
  });
});

describe('the inspection', () => {
  const longer = { wheelbaseLeft: lever.wheelbase + 0.003, wheelbaseRight: lever.wheelbase };

  it('3 mm more on the left: its drift by hand, and a cure that takes it away', () => {
    const [left] = inspect(lever, longer);
    const curvature = 0.003 / (lever.trackWidth * (lever.wheelbase + 0.0015));
    expect(left!.isWithin).toBe(false);
    expect(left!.drift).toBeCloseTo(driftAfter(curvature, goalDistance(lever)), 3);
    const move = left!.moves.find(({ axle }) => axle === 'drive')!;
    // Longer on the left the car veers right: the rear axle’s right end goes back, by its fraction of the 3 mm at the bearings.
    expect([move.end, move.direction]).toEqual(['right', 'back']);
    expect(move.distance).toBeCloseTo(0.7 * 0.003, 4);
  });
  it('holds for either axle that drives: the longer side tells which way it veers', () => {
    for (const driveAxle of ['rear', 'front'] as const) {
      const car: CarDesign = { ...lever, layout: { ...lever.layout, driveAxle } };
      expect(curvatureOf(designAsBuilt(car, longer))).toBeGreaterThan(0);
      expect(curvatureOf(designAsBuilt(car, { wheelbaseLeft: longer.wheelbaseRight, wheelbaseRight: longer.wheelbaseLeft }))).toBeLessThan(
        0,
      );
    }
  });
  it('both sides alike are parallel, and what is as drawn costs nothing', () => {
    const drawn = Object.fromEntries(inspectedSizes(lever).flatMap(({ id, drawn: value }) => (value === null ? [] : [[id, value]])));
    for (const one of inspect(lever, drawn)) {
      expect([one.id, one.isWithin]).toEqual([one.id, true]);
      expect(Math.abs(one.costs ?? 0)).toBeLessThan(1e-9);
      expect(one.drift).toBeNull();
    }
  });
  it('heavier costs metres, and the car as built weighs what the scale said', () => {
    const { mass } = standingWeight(lever);
    const built = designAsBuilt(lever, { mass: mass + 0.04, share: 0.5 });
    expect(standingWeight(built).mass).toBeCloseTo(mass + 0.04, 9);
    expect(standingWeight(built).driveLoadShare).toBeCloseTo(0.5, 9);
    expect(inspect(lever, { mass: mass + 0.04 })[0]!.costs).toBeLessThan(0);
    // Wheels as they were measured: their mean drives it, and 2 mm of difference steer it to the side of the smaller.
    const { diameter } = lever.driveWheels;
    const wheels = designAsBuilt(lever, { driveLeft: diameter + 0.003, driveRight: diameter + 0.001 });
    expect(wheels.driveWheels.diameter).toBeCloseTo(diameter + 0.002, 12);
    expect(wheels.alignment.wheelMismatch).toBeCloseTo(0.001, 12);
    const [left] = inspect(lever, { driveLeft: diameter + 0.003 });
    expect(left!.costs).toBeCloseTo(goesFar(designAsBuilt(lever, { driveLeft: diameter + 0.003 })) - goesFar(lever), 9);
    expect(left!.off).toBeCloseTo(0.003, 12);
  });
});
