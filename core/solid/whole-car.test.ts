import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cutOutlines } from '../build/cut-outlines.ts';
import { neededSizes } from '../build/needed-sizes.ts';
import { partsList, remainderOf, wholeMass } from '../build/parts-list.ts';
import { buildableDesigns } from '../build/reference/buildable-designs.ts';
import type { BandDesign, CarDesign, LeverDesign } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import { newCar } from '../car/new-car.ts';
import { ownSizesOf } from '../car/sizes.ts';
import { bodyLength, bodyWidth } from '../car/weights.ts';
import { checkCar } from '../checks/check-car.ts';
import { predictRun } from '../predict/predict-run.ts';
import { blocksOf } from './blocks.ts';
import { carCollisions } from './car-collisions.ts';
import { carSolids } from './car-solids.ts';
import { convexPieces, type Convex } from './convex.ts';
import type { Shape, Vector } from './shape.ts';
import type { Solid } from './solid.ts';
import { tubeOpening } from './tube-opening.ts';

/** Checks that tell where parts are in each other's way, or held by nothing. */
const ROOM_CHECKS: ReadonlySet<string> = new Set([
  'parts-meet',
  'hook-clearance',
  'lever-path',
  'wheel-to-body',
  'trap-on-deck',
  'pull-past-wheel',
  'string-and-deck',
  'wheels-touch',
  'motor-on-body',
]);

const lever = (change: Partial<LeverDesign> = {}): CarDesign => {
  const car = newCar('x');
  return { ...car, motor: { ...(car.motor as LeverDesign), ...change } };
};
const band = (change: Partial<BandDesign> = {}): CarDesign => {
  const car = newCar('x', 'band');
  return { ...car, motor: { ...(car.motor as BandDesign), ...change } };
};
const bodied = (car: CarDesign, change: Partial<CarDesign['body']>): CarDesign => ({ ...car, body: { ...car.body, ...change } });
const three = (car: CarDesign): CarDesign => ({ ...car, layout: { ...car.layout, otherWheelCount: 1 } });

const LOW = 0.0035;
const told = (design: CarDesign): string[] => {
  const { collisions, floating } = carCollisions(design, LOW);
  return [
    ...collisions.map(({ first, second, depth }) => `${first.name} / ${second.name} ${Math.round(1000 * depth)}`),
    ...floating.map(({ solid, from }) => `${solid.name} off ${from?.name}`),
  ];
};

describe('the parts of a car', () => {
  it.each<[string, CarDesign]>([
    ['lever', lever()],
    ['band', band()],
    ['roller', newCar('x', 'twist')],
    ['roller of two lids', { ...newCar('x', 'twist'), driveWheels: { kind: 'jar-lid', diameter: 0.06 } }],
    ['roller of two discs', { ...newCar('x', 'twist'), driveWheels: { kind: 'card-disc', diameter: 0.08 } }],
    ['lever on a frame of sticks', bodied(lever(), { kind: 'craft-sticks' })],
    ['band on a frame of beams', bodied(band(), { kind: 'two-beams' })],
    ['band under a box', bodied(band(), { kind: 'box' })],
    ['lever on three wheels, the single one far in front', three({ ...lever(), wheelbase: 0.48 })],
    ['band on screw eyes', { ...band(), bearing: 'screw-eye' }],
    ['band with its axle in front', { ...band(), layout: { ...band().layout, driveAxle: 'front' } }],
  ])('of a new car have room and are held: %s', (_name, design) => expect(told(design)).toEqual([]));

  it.each<[string, CarDesign, RegExp]>([
    ['a trap below its deck', lever({ pivotAboveAxle: 0.005 }), /deck \/ lever/],
    ['a lever that comes to rest in the deck', lever({ releaseAngle: -0.15 }), /deck \/ lever 1/],
    ['a lever that comes to rest on the other axle', lever({ releaseAngle: -0.15 }), /bearing of the other axle \/ lever/],
    ['a lever as long as to a single wheel', three({ ...lever({ releaseAngle: 0.01 }), wheelbase: 0.26 }), /single wheel \/ lever/],
    ['a lever beside the middle, in a wheel', lever({ besideMiddle: 0.05, leverMaterial: 'ruler' }), /drive wheel \/ lever/],
    ['a trap beside the middle, in a wheel', lever({ besideMiddle: 0.035 }), /left other wheel \/ trap/],
    ['winding in a bearing', lever({ besideMiddle: 0.035 }), /bearing of the drive axle \/ hook and winding/],
    ['a string through a deck that is whole', bodied(lever(), { notched: false }), /deck \/ string/],
    ['a body as wide as the wheels stand', bodied(band(), { width: 0.12 }), /deck \/ left drive wheel/],
    [
      'thick wheels on a narrow track',
      { ...lever(), trackWidth: 0.075, driveWheels: { kind: 'rubber-roller', diameter: 0.06 } },
      /deck \/ left drive wheel/,
    ],
    ['wheels in each other', { ...band(), wheelbase: 0.1 }, /left drive wheel \/ left other wheel/],
    ['a hook under a low deck', bodied(band(), { axleGap: 0.003 }), /deck \/ hook and winding/],
    [
      'a spool under a low deck',
      { ...band(), sleeve: [{ kind: 'dowel-collar', diameter: 0.03, turns: 2 }] },
      /deck \/ sleeve on the drive axle/,
    ],
    ['a dowel in a deck made for a skewer', { ...lever(), axle: 'dowel', axleDiameter: 0.006 }, /deck \/ drive axle/],
    ['ballast in the way of the lever', { ...lever(), ballast: { mass: 0.1, fromDriveAxle: 0.1 } }, /ballast \/ lever/],
    ['ballast in the trap', { ...lever(), ballast: { mass: 0.05, fromDriveAxle: 0.19 } }, /trap \/ ballast/],
    ['a load in the trap', { ...lever(), load: { mass: 0.05, fromDriveAxle: 0.2 } }, /trap \/ load/],
    [
      'a load in the ballast',
      { ...band(), ballast: { mass: 0.02, fromDriveAxle: 0.06 }, load: { mass: 0.02, fromDriveAxle: 0.065 } },
      /ballast \/ load/,
    ],
    ['ballast in the slot of a single wheel', three({ ...band(), ballast: { mass: 0.02, fromDriveAxle: 0.2 } }), /single wheel \/ ballast/],
    ['a pencil under a wide trap', bodied(lever(), { stiffener: { kind: 'pencil', count: 1 }, width: 0.046 }), /stiffener \/ trap/],
    ['bands through a single wheel', three(band()), /single wheel \/ band/],
    ['a hook in the slot of a single wheel', three(band()), /single wheel \/ hook of the bands/],
    [
      'bands through a deck that falls to small wheels',
      { ...band(), otherWheels: { kind: 'optical-disc', diameter: 0.08 } },
      /deck \/ band/,
    ],
    ['a trap beyond its body', lever({ trapPosition: 0.4 }), /trap off deck/],
    ['a hook beyond its body', band({ anchorToAxle: 0.3 }), /hook of the bands off deck/],
    ['bearings beyond the end of the body', bodied(band(), { pastOtherAxle: -0.02 }), /bearing of the other axle off/],
    ['ballast beyond the end of the body', { ...band(), ballast: { mass: 0.02, fromDriveAxle: 0.4 } }, /ballast off deck/],
  ])('name what is in the way, or loose: %s', (_name, design, words) => expect(told(design).join(', ')).toMatch(words));

  it('a bottle is open over the axle where the band is hooked on, and its other axle hangs from the neck', () => {
    const bottle: CarDesign = bodied(band(), { kind: 'bottle', width: 0.065 });
    expect(told(bottle)).toEqual([]);
    const opening = tubeOpening(bottle)!;
    expect([opening.side, opening.to - opening.from]).toEqual(['underside', 0.02]);
    // 20 mm of winding and 4 mm on either side of it.
    expect(opening.wide).toBeCloseTo(0.028, 9);
    const [shell] = carSolids(bottle).find(({ id }) => id === 'body')!.shapes;
    const panels = convexPieces(shell!);
    const isOverOpening = ({ low, high }: Convex): boolean =>
      low.x >= opening.from - 1e-9 && high.x <= opening.to + 1e-9 && high.z < 0.06 && Math.max(-low.y, high.y) < opening.wide / 2 + 1e-6;
    expect(panels.some(isOverOpening)).toBe(false);
    // As wide as drawn, where the next panel begins.
    const beside = panels.filter(({ low, high }) => low.x >= -0.01 - 1e-9 && high.x <= 0.01 + 1e-9 && high.z < 0.06 && low.y > 0);
    expect(Math.min(...beside.map(({ low }) => low.y))).toBeCloseTo(0.014, 3);
    // The axle passes below the neck by what its block is high.
    const block = carSolids(bottle).find(({ id }) => id === 'other-bearing-block')!;
    expect(block.held).toEqual([{ to: 'body', by: 'glue' }]);
    expect(tubeOpening(bodied(bottle, { kind: 'card' }))).toBeNull();
  });
  it('fill the gap between deck and axle, and between deck and trap', () => {
    // 12 mm from the axle to the deck less half a straw of 3.2 + 1.6 mm.
    expect(blocksOf(band()).map(({ under, high, long }) => [under, high, long])).toEqual([
      ['deck', 0.0096, 0.012],
      ['deck', 0.0096, 0.012],
    ]);
    expect(blocksOf(lever())).toEqual([]);
    expect(blocksOf(lever({ pivotAboveAxle: 0.03 }))).toEqual([{ under: 'trap', count: 1, long: 0.098, high: 0.018, wide: 0.047 }]);
  });

  it('have every drawn size of 400 generated cars, to a tenth of a millimetre', () => {
    const ends = (shapes: readonly Shape[], read: (corner: Vector) => number): number => {
      const values = shapes.flatMap((shape) => convexPieces(shape)).flatMap(({ corners }) => corners.map(read));
      return Math.max(...values) - Math.min(...values);
    };
    const reached = new Set<string>();
    fc.assert(
      fc.property(buildableDesigns, (design) => {
        const solids = new Map(carSolids(design).map((one): [string, Solid] => [one.id, one]));
        const check = (size: string, measured: number, wanted: number): void => {
          reached.add(size);
          expect(Math.abs(measured - wanted), `${size}: ${measured} for ${wanted}`).toBeLessThan(1e-4);
        };
        const shapesOf = (id: string): readonly Shape[] => solids.get(id)!.shapes;
        const { motor, driveWheels, otherWheels } = design;
        if (motor.kind === 'twist') {
          const body = ['body', 'tube', 'other-end'].flatMap((id) => solids.get(id)?.shapes ?? []);
          check(
            'hookToHook',
            ends(body, ({ y }) => y),
            motor.hookToHook,
          );
          check(
            'driveWheels',
            ends(shapesOf('body'), ({ z }) => z),
            driveWheels.diameter,
          );
          const arm = shapesOf('arm')[0] as Extract<Shape, { kind: 'rod' }>;
          check('armLength', arm.from.x - arm.to.x, motor.armLength);
          return;
        }
        const axleOf = (which: 'drive' | 'other') => shapesOf(`${which}-axle`)[0] as Extract<Shape, { kind: 'rod' }>;
        const wheelOf = (id: string): readonly Shape[] => shapesOf(`drive-wheel-${id}`);
        const middle = (shapes: readonly Shape[]): number => {
          const ys = shapes.flatMap((shape) => convexPieces(shape)).flatMap(({ corners }) => corners.map(({ y }) => y));
          return (Math.max(...ys) + Math.min(...ys)) / 2;
        };
        check(
          'driveWheels',
          ends(wheelOf('left'), ({ z }) => z),
          driveWheels.diameter,
        );
        check(
          'otherWheels',
          ends(shapesOf(design.layout.otherWheelCount === 1 ? 'other-wheel-single' : 'other-wheel-left'), ({ z }) => z),
          otherWheels!.diameter,
        );
        check('trackWidth', middle(wheelOf('left')) - middle(wheelOf('right')), design.trackWidth);
        check('wheelbase', axleOf('other').from.x - axleOf('drive').from.x, design.wheelbase);
        check('axleDiameter', 2 * axleOf('drive').radius, design.axleDiameter);
        const body = shapesOf('body');
        check(
          'bodyLength',
          ends(body, ({ x }) => x),
          bodyLength(design),
        );
        check(
          'bodyWidth',
          ends(body, ({ y }) => y),
          bodyWidth(design),
        );
        const [plate] = body;
        if (plate!.kind === 'plate') check('axleGap', plate!.from - driveWheels.diameter / 2, design.body.axleGap);
        const winding = shapesOf('winding')[1]!;
        check(
          'windingWidth',
          ends([winding], ({ y }) => y),
          motor.windingWidth,
        );
        if (solids.has('sleeve'))
          check(
            'sleeve',
            2 * (shapesOf('sleeve')[0] as Extract<Shape, { kind: 'rod' }>).radius,
            Math.max(...design.sleeve.map(({ diameter }) => diameter)),
          );
        if (design.ballast.mass > 0) {
          const xs = convexPieces(shapesOf('ballast')[0]!)[0]!.corners.map(({ x }) => x);
          check('ballastPlace', (Math.max(...xs) + Math.min(...xs)) / 2, design.ballast.fromDriveAxle);
        }
        if (motor.kind === 'band') {
          const { from } = shapesOf('hook')[0] as Extract<Shape, { kind: 'rod' }>;
          check('anchorToAxle', Math.hypot(from.x, from.z - driveWheels.diameter / 2), motor.anchorToAxle);
          check('anchorAboveAxle', from.z - driveWheels.diameter / 2, motor.anchorAboveAxle);
          return;
        }
        const pivot = { x: motor.trapPosition, z: driveWheels.diameter / 2 + motor.pivotAboveAxle };
        const tips = convexPieces(shapesOf('lever')[0]!)[0]!.corners;
        // To the notch, and 6 mm past it.
        const along = tips.map(({ x, z }) => (x - pivot.x) * Math.cos(motor.cockedAngle) + (z - pivot.z) * Math.sin(motor.cockedAngle));
        check('leverLength', Math.max(...along), motor.leverLength + 0.006);
        const board = convexPieces(shapesOf('trap')[0]!)[0]!.corners;
        check('trapPosition', (Math.max(...board.map(({ x }) => x)) + Math.min(...board.map(({ x }) => x))) / 2, motor.trapPosition);
        check('pivotAboveAxle', Math.max(...board.map(({ z }) => z)) - driveWheels.diameter / 2, motor.pivotAboveAxle);
      }),
      { numRuns: 400, seed: 4 },
    );
    // Every size that a drawing needs, but play, which is between solids, and what an opening, a narrow end or ballast adds.
    const needed = [lever(), band(), newCar('x', 'twist')].flatMap((car) => neededSizes(car).map(({ tells }) => tells.replace(/\d$/, '')));
    expect([...new Set(needed)].filter((tells) => !reached.has(tells))).toEqual(['endPlay']);
  });
  it('of 400 generated cars, and of cars with a size moved by 5 mm, have room and are held, or a check names it', () => {
    const isNamed = (design: CarDesign): boolean => {
      const prediction = predictRun(design);
      if (prediction.kind !== 'ran') return true;
      return checkCar(design, prediction.result).some(({ id, verdict }) => ROOM_CHECKS.has(id) && verdict !== 'good');
    };
    let clashes = 0;
    const check = (design: CarDesign): void => {
      if (isRoller(design) || told(design).length === 0) return;
      clashes++;
      expect(isNamed(design), told(design).join(', ')).toBe(true);
    };
    fc.assert(fc.property(buildableDesigns, check), { numRuns: 400, seed: 5 });
    const random = clashes;
    for (const car of [lever(), band(), three({ ...lever(), wheelbase: 0.48 })])
      for (const size of ownSizesOf(car).filter(({ quantity }) => quantity === 'size'))
        for (const by of [-0.005, 0.005]) check(size.write(car, size.read(car) + by));
    expect([random > 100, clashes - random > 5]).toEqual([true, true]);
  });
  it('add up to the weight of the car with what is not listed, for 400 generated cars', () => {
    fc.assert(
      fc.property(buildableDesigns, (design) => {
        const parts = partsList(design);
        const sum = parts.reduce((total, { mass }) => total + mass, 0);
        expect(sum + remainderOf(design, parts)).toBeCloseTo(wholeMass(design), 12);
        for (const { mass } of parts) expect(mass).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 400, seed: 6 },
    );
  });
  it('are what the templates cut: a deck and its slot, corner by corner, for every generated body of sheet', () => {
    let decks = 0;
    fc.assert(
      fc.property(buildableDesigns, (design) => {
        const [plate] = carSolids(design).find(({ id }) => id === 'body')!.shapes;
        const [deck] = cutOutlines(design).filter(({ id }) => id === 'deck');
        if (!deck || plate!.kind !== 'plate') return;
        decks++;
        const rings = [plate!.corners, ...plate!.holes];
        const paths = deck.items.flatMap((item) => (item.kind === 'path' ? [item.points] : []));
        expect(paths).toHaveLength(rings.length);
        const [left, top] = [Math.min(...plate!.corners.map(({ x }) => x)), Math.max(...plate!.corners.map(({ y }) => y))];
        rings.forEach((ring, i) =>
          ring.forEach(({ x, y }, k) => {
            const { x: across, y: down } = paths[i]![k]!;
            expect(Math.hypot(across / 1000 + left - x, top - down / 1000 - y)).toBeLessThan(1e-6);
          }),
        );
      }),
      { numRuns: 400, seed: 7 },
    );
    expect(decks).toBeGreaterThan(80);
  });
});
