import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import Module from 'manifold-3d';
import PDFDocument from 'pdfkit';
import { cutOutlines } from '../core/build/cut-outlines.ts';
import { drawingSheets } from '../core/build/drawing-sheet.ts';
import { printedParts } from '../core/build/printed/printed-parts.ts';
import { PAPERS, type PaperName, type Sheet } from '../core/build/drawing.ts';
import { SIZE_FORMATS, type SizeFormat } from '../core/build/size-format.ts';
import { templatesOf } from '../core/build/templates.ts';
import { templatePages } from '../core/build/tiles.ts';
import type { CarDesign } from '../core/car/car-design.ts';
import { cutDxf, itemsDxf } from '../core/files/drawing-dxf.ts';
import { sheetsPdf } from '../core/files/drawing-pdf.ts';
import { sheetSvg } from '../core/files/drawing-svg.ts';
import { meshes3mf, placedMeshes } from '../core/files/printed-3mf.ts';
import { meshOf } from '../core/files/printed-mesh.ts';
import { meshStl } from '../core/files/printed-stl.ts';
import { readCarDesign } from '../core/files/read.ts';
import { prepareRun } from '../core/predict/derive-run-setup.ts';
import { end, oneOf, readArgs, readOr, refuse, refuseUse, type Terminal } from './terminal.ts';

const HELP = `The drawing of a car, or its templates at full size.

  npm run -s draw -- FILE --sheet         the drawing with all sizes, in first angle, on landscape sheets
  npm run -s draw -- FILE --templates     templates at full size, on as many pages as they need
  npm run -s draw -- FILE --print         what a 3D printer can make: hubs, spool, bearing blocks, lever holder, trap mount
      --format pdf|svg|dxf                default: pdf; svg: one file for each page; dxf: mm; of the drawing one layer for each kind of line,
                                          of templates what is cut from sheet: closed outlines, a layer for each part with its count
      --format 3mf|stl                    with --print; default: 3mf, all parts on one bed; stl: one file for each part, mm
      --paper a4|a3|letter|tabloid                   default: a4
      --inch                              in inches and sixteenths instead of mm
      --out DIR                           the folder for the files; default: this folder
  npm run -s draw -- --help               this text

FILE is a car (schemas/car-design.schema.json), or - for standard input. The names of the files are printed, one a line.
For an unreadable file, each fault is one line on standard error that names the key by its path. Nothing is written to standard
output then, and the exit code is 2.
`;

const WHATS = ['sheet', 'templates', 'print'] as const;
/** Formats of each, the default first. */
const FORMATS = { sheet: ['pdf', 'svg', 'dxf'], templates: ['pdf', 'svg', 'dxf'], print: ['3mf', 'stl'] } as const;

const font = (weight: number): Uint8Array =>
  readFileSync(
    createRequire(import.meta.url).resolve(
      `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-${weight}-normal.woff`,
    ),
  );

type File = readonly [name: string, content: string | Uint8Array];

/** Drawing or templates as files. */
async function drawn(
  design: CarDesign,
  sizes: SizeFormat,
  what: 'sheet' | 'templates',
  format: string,
  paper: PaperName,
): Promise<readonly File[]> {
  const name = what === 'sheet' ? 'drawing' : what;
  const date = new Date().toISOString().slice(0, 10);
  const sheets: readonly Sheet[] =
    what === 'sheet'
      ? drawingSheets(design, { version: '', crew: '', date }, paper, sizes)
      : templatePages(templatesOf(design, sizes), design.name, paper);
  if (format === 'svg') return sheets.map((sheet, i) => [`${name}-${i + 1}.svg`, sheetSvg(sheet)]);
  if (format === 'pdf')
    return [[`${name}.pdf`, await sheetsPdf(PDFDocument, sheets, `${design.name}, ${name}`, { regular: font(400), bold: font(700) })]];
  if (what === 'sheet') return sheets.map((sheet, i) => [`${name}-${i + 1}.dxf`, itemsDxf(sheet.items, sheet.height)]);
  const parts = cutOutlines(design);
  return parts.length > 0 ? [[`${name}.dxf`, cutDxf(parts)]] : end('no part of this car is cut from sheet');
}

/** Printed parts as files; nothing is written of a car without one. */
async function printed(design: CarDesign, sizes: SizeFormat, format: string): Promise<readonly File[]> {
  const parts = printedParts(design, sizes);
  if (parts.length === 0) return end('a roller has no part that is printed in 3D');
  const manifold = await Module();
  manifold.setup();
  if (format === 'stl') return parts.map((part) => [`${part.id}.stl`, meshStl(meshOf(manifold, part))]);
  return [['print.3mf', meshes3mf(design.name, placedMeshes(manifold, parts))]];
}

export default async function drawCar(terminal: Terminal): Promise<void> {
  const { values, positionals } = readArgs(terminal, {
    sheet: { type: 'boolean' },
    templates: { type: 'boolean' },
    print: { type: 'boolean' },
    format: { type: 'string' },
    paper: { type: 'string', default: 'a4' },
    inch: { type: 'boolean' },
    out: { type: 'string', default: '.' },
  });
  if (values.help) return terminal.print(HELP);
  const file = oneOf(positionals);
  const [what, ...more] = WHATS.filter((one) => values[one]);
  if (!what || more.length > 0) return refuseUse('give one of --sheet, --templates and --print');
  const known = FORMATS[what];
  const asked = values.format ?? known[0];
  const format = known.find((one) => one === asked) ?? refuseUse(`--format must be one of ${known.join(', ')} with --${what}`);
  if (!Object.hasOwn(PAPERS, values.paper)) return refuseUse(`--paper must be one of ${Object.keys(PAPERS).join(', ')}`);
  const paper = values.paper as PaperName;
  const design = readOr(terminal, file, readCarDesign);
  const prepared = prepareRun(design);
  if (prepared.kind === 'refused') return refuse(...prepared.faults);
  const sizes = SIZE_FORMATS[values.inch ? 'inch' : 'metric'];
  const files = what === 'print' ? await printed(design, sizes, format) : await drawn(design, sizes, what, format, paper);
  try {
    mkdirSync(values.out, { recursive: true });
    for (const [name, content] of files) {
      writeFileSync(join(values.out, name), content);
      terminal.print(`${join(values.out, name)}\n`);
    }
  } catch (error) {
    end(`${values.out}: cannot be written (${(error as NodeJS.ErrnoException).code ?? 'unknown error'})`);
  }
}
