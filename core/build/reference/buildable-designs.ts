import fc from 'fast-check';
import type { CarDesign } from '../../car/car-design.ts';
import { BODIES, WHEELS } from '../../car/catalogue.ts';
import { newCar } from '../../car/new-car.ts';
import { fitCatalogue } from '../../car/parts.ts';
import { sizesOf } from '../../car/sizes.ts';
import { prepareRun } from '../../predict/derive-run-setup.ts';

const KINDS = ['lever', 'band', 'twist'] as const;
type BodyKind = CarDesign['body']['kind'];

/** Cars of all motors, layouts, bodies and wheels with up to five sizes anywhere between the ends of their sliders, that can run. */
export const buildableDesigns: fc.Arbitrary<CarDesign> = fc
  .constantFrom(...KINDS)
  .chain((kind) =>
    fc.record({
      kind: fc.constant(kind),
      sizes: fc.array(
        fc.record({
          size: fc.constantFrom(...sizesOf(kind).filter(({ isRestated }) => !isRestated)),
          share: fc.double({ min: 0, max: 1, noNaN: true }),
        }),
        {
          maxLength: 5,
        },
      ),
      body: fc.constantFrom(...(Object.keys(BODIES) as BodyKind[])),
      wheel: fc.constantFrom(...(Object.keys(WHEELS) as CarDesign['driveWheels']['kind'][]).filter((wheel) => wheel !== 'spool')),
      driveAxle: fc.constantFrom('rear' as const, 'front' as const),
      count: fc.constantFrom(1 as const, 2 as const),
      notched: fc.boolean(),
      isTriangle: fc.boolean(),
      sleeved: fc.boolean(),
      name: fc.constantFrom('Kelp Runner', 'Tern', `Ferry ${'long '.repeat(14)}`.trim()),
    }),
  )
  .map(({ kind, sizes, body, wheel, driveAxle, count, notched, isTriangle, sleeved, name }) => {
    const plain = { ...newCar(name, kind), name };
    const fitted = kind === 'twist' ? plain : fitCatalogue(fitCatalogue(plain, 'body', body), 'driveWheels', wheel);
    const laid: CarDesign =
      kind === 'twist'
        ? fitted
        : {
            ...fitted,
            layout: { driveAxle, otherWheelCount: count },
            body: { ...fitted.body, notched, ...(isTriangle && { outline: 'triangle' as const }) },
          };
    const wrapped: CarDesign =
      sleeved && kind !== 'twist' ? { ...laid, sleeve: [{ kind: 'tape', diameter: laid.axleDiameter * 2.5, turns: 1 }] } : laid;
    return sizes.reduce((car, { size, share: fraction }) => size.write(car, size.low + fraction * (size.high - size.low)), wrapped);
  })
  .filter((design) => prepareRun(design).kind === 'ready');
