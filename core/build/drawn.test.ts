import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../car/car-design.ts';
import { newCar } from '../car/new-car.ts';
import { fitCatalogue } from '../car/parts.ts';
import { type Format, formatIn } from '../units/quantity.ts';
import { drawingSheets } from './drawing-sheet.ts';
import { LINE_KINDS, linesOf, type Sheet } from './drawing.ts';
import { inspect, inspectedSizes } from './inspection.ts';
import { lengthsOf } from './lengths.ts';
import { neededSizes } from './needed-sizes.ts';
import { notesOf } from './notes.ts';
import { partsList } from './parts-list.ts';
import { stepPictures } from './step-picture.ts';
import { buildSteps } from './steps.ts';
import { templatesOf } from './templates.ts';
import { templatePages } from './tiles.ts';

const format: Format = formatIn('metric');
const lever = newCar('Kelp Runner');
const band = newCar('Tern', 'band');
const CARS: Readonly<Record<string, CarDesign>> = {
  lever,
  'bottle-front': {
    ...fitCatalogue(fitCatalogue(lever, 'body', 'bottle'), 'driveWheels', 'card-disc'),
    layout: { driveAxle: 'front', otherWheelCount: 1 },
    ballast: { mass: 0.03, fromDriveAxle: 0.1 },
    sleeve: [{ kind: 'tape', diameter: 0.01, turns: 2 }],
  },
  band: { ...band, body: { ...band.body, notched: true }, load: { mass: 0.1, fromDriveAxle: 0.08 } },
  roller: newCar('Limpet', 'twist'),
};

const short = (value: number): string => String(Number(value.toFixed(1)) + 0);

/** A sheet as what is drawn on it: of each kind of line how many, how long, and where its middle lies, mm; and every text where it stands. */
function listed({ name, width, height, items }: Sheet): string[] {
  const kinds = LINE_KINDS.flatMap((kind) => {
    const lines = items.filter((item) => item.kind !== 'text' && item.line === kind).flatMap(linesOf);
    if (lines.length === 0) return [];
    const long = lines.map(([a, b]) => Math.hypot(b.x - a.x, b.y - a.y));
    const total = long.reduce((sum, one) => sum + one, 0);
    const middle = (axis: 'x' | 'y'): number => lines.reduce((sum, [a, b], i) => sum + (long[i]! * (a[axis] + b[axis])) / 2, 0) / total;
    return [`  ${kind}: ${lines.length}, ${short(total)} mm about ${short(middle('x'))} ${short(middle('y'))}`];
  });
  const texts = items.flatMap((item) =>
    item.kind === 'text'
      ? [`  ${short(item.at.x)} ${short(item.at.y)} ${item.size} ${item.anchor}${item.upright ? ' up' : ''}: ${item.text}`]
      : [],
  );
  return [`${name}, ${short(width)} × ${short(height)}`, ...kinds, ...texts];
}

/** All that is made of a car: what is drawn, cut, built, and measured of the finished car. */
function made(design: CarDesign): string {
  const steps = buildSteps(design, format);
  const sizes = inspectedSizes(design);
  // Each off by twice its tolerance.
  const off = Object.fromEntries(sizes.map(({ id, drawn, tolerance }, i) => [id, (drawn ?? 2) + (i % 2 ? -2 : 2) * tolerance]));
  return [
    ...drawingSheets(design, { version: 'first', crew: 'the night watch', date: '2026-11-21' }, 'a4').flatMap(listed),
    ...templatePages(templatesOf(design), design.name, 'letter').flatMap(listed),
    ...stepPictures(design, steps)
      .slice(0, 4)
      .flatMap((sheet) => listed(sheet)),
    'sizes',
    ...neededSizes(design).map((size) => `  ${JSON.stringify(size)}`),
    'parts',
    ...partsList(design).map(
      ({ number, count, name, size, mass, on }) => `  ${number} ${count} ${name} ${size} ${mass === null ? '' : short(1000 * mass)} ${on}`,
    ),
    'lengths',
    ...lengthsOf(design).map((one) => `  ${JSON.stringify(one)}`),
    'notes',
    ...notesOf(design).map((note) => `  ${note}`),
    'steps',
    ...steps.map(({ id, minutes, dries, title, text, adult }) => `  ${id} ${minutes} ${dries} ${adult} ${title}: ${text}`),
    'measured of the finished car, each off by twice its tolerance',
    ...inspect(design, off).map(
      ({ id, isWithin, off: by, costs, drift }) =>
        `  ${id} ${isWithin} ${by === null ? '' : by.toPrecision(3)} ${costs === null ? '' : short(costs)} ${drift === null ? '' : short(drift)}`,
    ),
  ].join('\n');
}

describe('what is made of a car', () => {
  // Whoever means to change a drawing looks at its picture, and takes the new listing with `npx vitest run --project unit core/build/drawn -u`.
  it.each(Object.keys(CARS))('%s: its drawing, templates, steps and sizes stay as they were looked at', async (name) => {
    await expect(`${made(CARS[name]!)}\n`).toMatchFileSnapshot(`reference/drawn-${name}.txt`);
  });
});
