import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import DxfParser from 'dxf-parser';
import { describe, expect, it } from 'vitest';
import type { CarDesign } from '../core/car/car-design.ts';
import { newCar } from '../core/car/new-car.ts';
import { printedParts } from '../core/build/printed/printed-parts.ts';
import { templatesOf } from '../core/build/templates.ts';
import { filesFor, runCommand } from '../testing/command.ts';
import drawCar from './draw.ts';

const { folder, write } = filesFor('draw');

const kelp: CarDesign = { ...newCar('Kelp Runner'), wheelbase: 0.3 };
const car = write('car.json', kelp);
let runs = 0;
async function draw(...args: readonly string[]) {
  const out = join(folder, `out-${++runs}`);
  const { stderr, ...answer } = await runCommand(drawCar, [...args, '--out', out]);
  return { ...answer, stderr: stderr.split('\n').filter((line) => line), out };
}

/** Pixels a millimetre in which pages are rendered. */
const DPI = 508;
const PER_MM = DPI / 25.4;

/** A page of a PDF as poppler renders it: grey, a byte a pixel. */
function rendered(
  pdf: string,
  page: number,
): { readonly width: number; readonly height: number; readonly isInk: (x: number, y: number) => boolean } {
  const { stdout } = spawnSync('pdftoppm', ['-r', String(DPI), '-gray', '-f', String(page), '-l', String(page), pdf], {
    maxBuffer: 1 << 28,
  });
  // A portable grey map: P5, width and height, 255, then bytes.
  const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(stdout.subarray(0, 40).toString('latin1'))!;
  const [width, height, begin] = [Number(head[1]), Number(head[2]), head[0].length];
  return { width, height, isInk: (x, y) => stdout[begin + y * width + x]! < 128 };
}

/** mm from the first to the last ink on a row of pixels, between two columns: from the middle of one line to the middle of the other. */
function spanOf({ width, isInk }: ReturnType<typeof rendered>, y: number): { readonly from: number; readonly to: number } {
  const inked = Array.from({ length: width }, (_, x) => x).filter((x) => isInk(x, y));
  const run = (start: number, step: 1 | -1): number => {
    let last = start;
    while (isInk(last + step, y)) last += step;
    return (start + last) / 2;
  };
  return { from: run(inked[0]!, 1) / PER_MM, to: run(inked.at(-1)!, -1) / PER_MM };
}

describe('printed parts', () => {
  it('are one 3MF, or an STL of each with so many triangles as it says', async () => {
    const { out, stdout } = await draw(car, '--print');
    expect(stdout.trim()).toBe(join(out, 'print.3mf'));
    expect(readFileSync(join(out, 'print.3mf')).subarray(0, 2).toString()).toBe('PK');
    const each = await draw(car, '--print', '--format', 'stl');
    const files = readdirSync(each.out);
    expect(files.sort()).toEqual([...printedParts(kelp)].map(({ id }) => `${id}.stl`).sort());
    for (const name of files) {
      const file = readFileSync(join(each.out, name));
      expect(file.length).toBe(84 + 50 * file.readUInt32LE(80));
    }
  });
});

describe('templates at full size, as poppler renders the PDF (an independent renderer)', async () => {
  const { out, status, stdout } = await draw(car, '--templates');
  const pdf = join(out, 'templates.pdf');

  it('are written and told', () => {
    expect([status, stdout.trim()]).toEqual([0, pdf]);
  });
  it('the rule of a page is 100 mm long to 0.1 mm', () => {
    const page = rendered(pdf, 1);
    expect(page.width / PER_MM).toBeCloseTo(210, 0);
    // Just over the rule’s line stand its first and last tick.
    const { from, to } = spanOf(page, Math.round((297 - 18 - 1) * PER_MM));
    expect(Math.abs(to - from - 100)).toBeLessThan(0.1);
  });
  it('a wheel is as wide as its diameter, and a deck as its width, to 0.1 mm', () => {
    const pieces = templatesOf(kelp);
    const pages = readFileSync(pdf, 'latin1').match(/\/Type \/Page\b/g)!.length;
    const widths: number[] = [];
    for (let number = 1; number <= pages; number++) {
      const page = rendered(pdf, number);
      for (let y = Math.round(12 * PER_MM); y < Math.round(270 * PER_MM); y += 8) {
        const inked = [...Array(page.width).keys()].some((x) => page.isInk(x, y));
        if (inked) widths.push(spanOf(page, y).to - spanOf(page, y).from);
      }
    }
    const wheel = pieces.find(({ id }) => id === 'drive-wheel')!.width;
    const deck = pieces.find(({ id }) => id === 'deck')!.height;
    expect(Math.min(...widths.map((width) => Math.abs(width - wheel)))).toBeLessThan(0.1);
    expect(Math.min(...widths.map((width) => Math.abs(width - deck)))).toBeLessThan(0.1);
  });
});

describe('other formats', () => {
  it('SVG carries millimetres, a file a page', async () => {
    const { out, status } = await draw(car, '--sheet', '--format', 'svg', '--paper', 'letter');
    expect(status).toBe(0);
    expect(readdirSync(out).toSorted()).toEqual(['drawing-1.svg', 'drawing-2.svg', 'drawing-3.svg']);
    const svg = readFileSync(join(out, 'drawing-1.svg'), 'utf8');
    expect(svg).toContain('width="279.4mm" height="215.9mm" viewBox="0 0 279.4 215.9"');
  });
  it('DXF of templates holds closed outlines and holes of what is cut from sheet alone, each part on a layer with its count (dxf-parser)', async () => {
    const carded = write('carded.json', {
      ...kelp,
      driveWheels: { kind: 'card-disc', diameter: 0.09 },
      layout: { driveAxle: 'rear', otherWheelCount: 1 },
    } satisfies CarDesign);
    const { out } = await draw(carded, '--templates', '--format', 'dxf');
    const dxf = new DxfParser().parseSync(readFileSync(join(out, 'templates.dxf'), 'utf8'))!;
    // Millimetres.
    expect(dxf.header.$INSUNITS).toBe(4);
    // Four layers of card for two wheels; discs are bought.
    expect(Object.keys(dxf.tables.layer.layers)).toEqual(['0', 'deck x1', 'drive-wheel x4']);
    const deck = dxf.entities.filter(({ layer }) => layer === 'deck x1') as unknown as {
      type: string;
      shape: boolean;
      vertices: { x: number; y: number }[];
    }[];
    expect(deck.every(({ type, shape }) => type === 'LWPOLYLINE' && shape)).toBe(true);
    const [outline] = deck;
    const [xs, ys] = [outline!.vertices.map(({ x }) => x), outline!.vertices.map(({ y }) => y)];
    const piece = templatesOf(kelp).find(({ id }) => id === 'deck')!;
    expect([Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)]).toEqual([
      expect.closeTo(piece.width, 6),
      expect.closeTo(piece.height, 6),
    ]);
    // No line twice: the slot for the single wheel is open in front and one with the outline.
    const edges = deck.flatMap(({ vertices }) =>
      vertices.map((from, k) =>
        [from, vertices[(k + 1) % vertices.length]!]
          .map(({ x, y }) => `${x.toFixed(3)} ${y.toFixed(3)}`)
          .sort()
          .join(' – '),
      ),
    );
    expect(new Set(edges).size).toBe(edges.length);
    expect(outline!.vertices).toHaveLength(12);
    const circles = dxf.entities.filter(({ layer }) => layer === 'drive-wheel x4') as unknown as {
      type: string;
      radius: number;
      center: { x: number; y: number };
    }[];
    expect(circles.map(({ type, radius }) => [type, Number(radius.toFixed(6))])).toEqual([
      ['CIRCLE', 45],
      ['CIRCLE', (1000 * kelp.axleDiameter) / 2],
    ]);
    expect(circles[0]!.center).toEqual(circles[1]!.center);
  });
  it('a car without a part of sheet has nothing for a laser', async () => {
    const sticks = write('sticks.json', { ...kelp, body: { ...kelp.body, kind: 'craft-sticks' } });
    expect(await draw(sticks, '--templates', '--format', 'dxf')).toMatchObject({
      status: 2,
      stdout: '',
      stderr: [expect.stringContaining('no part of this car is cut from sheet')],
    });
  });
  it('DXF of a car whose name has line breaks is whole, and ends once', async () => {
    const broken = write('broken.json', { ...kelp, name: 'Kelp\n0\nENDSEC\n0\nEOF\r\nRunner' });
    const entities: number[] = [];
    for (const file of [car, broken]) {
      const { out } = await draw(file, '--sheet', '--format', 'dxf');
      const text = readFileSync(join(out, 'drawing-1.dxf'), 'utf8');
      expect(text.match(/^EOF$/gm)).toHaveLength(1);
      entities.push(new DxfParser().parseSync(text)!.entities.length);
    }
    expect(entities[1]).toBe(entities[0]);
  });
  it.each([
    [[], 'give one file'],
    [[car], 'give one of --sheet, --templates and --print'],
    [[car, '--sheet', '--format', 'png'], '--format must be one of pdf, svg, dxf with --sheet'],
    [[car, '--print', '--format', 'pdf'], '--format must be one of 3mf, stl with --print'],
    [[write('roller.json', newCar('Tern', 'twist')), '--print'], 'a roller has no part that is printed in 3D'],
    [[car, '--sheet', '--paper', 'a5'], '--paper must be one of a4, a3, letter, tabloid'],
    [[join(folder, 'nowhere.json'), '--sheet'], 'cannot be read'],
  ])('%j is refused with exit code 2', async (args, words) => {
    const { status, stderr, stdout } = await draw(...args);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr.join(' ')).toContain(words);
  });
});
