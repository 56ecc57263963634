import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import PDFDocument from 'pdfkit';
import { drawingSheets } from '../core/build/drawing-sheet.ts';
import { PAPERS, type PaperName, type Sheet } from '../core/build/drawing.ts';
import { SIZE_FORMATS } from '../core/build/size-format.ts';
import { templatesOf } from '../core/build/templates.ts';
import { laidOut, templatePages } from '../core/build/tiles.ts';
import { itemsDxf } from '../core/files/drawing-dxf.ts';
import { sheetsPdf } from '../core/files/drawing-pdf.ts';
import { sheetSvg } from '../core/files/drawing-svg.ts';
import { readCarDesign } from '../core/files/read.ts';
import { prepareRun } from '../core/predict/derive-run-setup.ts';
import { end, oneOf, readArgs, readOr, refuse, refuseUse, type Terminal } from './terminal.ts';

const HELP = `The drawing of a car, or its templates at full size.

  npm run -s draw -- FILE --sheet         the drawing with all sizes, in first angle, on landscape sheets
  npm run -s draw -- FILE --templates     templates at full size, on as many pages as they need
      --format pdf|svg|dxf                default: pdf; svg: one file for each page; dxf: mm, one layer for each kind of line
      --paper a4|letter                   default: a4
      --inch                              in inches and sixteenths instead of mm
      --out DIR                           the folder for the files; default: this folder
  npm run -s draw -- --help               this text

FILE is a car (schemas/car-design.schema.json), or - for standard input. The names of the files are printed, one a line.
For an unreadable file, each fault is one line on standard error that names the key by its path. Nothing is written to standard
output then, and the exit code is 2.
`;

const FORMATS = ['pdf', 'svg', 'dxf'] as const;

const font = (weight: number): Uint8Array =>
  readFileSync(
    createRequire(import.meta.url).resolve(
      `@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-${weight}-normal.woff`,
    ),
  );

export default async function drawCar(terminal: Terminal): Promise<void> {
  const { values, positionals } = readArgs(terminal, {
    sheet: { type: 'boolean' },
    templates: { type: 'boolean' },
    format: { type: 'string', default: 'pdf' },
    paper: { type: 'string', default: 'a4' },
    inch: { type: 'boolean' },
    out: { type: 'string', default: '.' },
  });
  if (values.help) return terminal.print(HELP);
  const file = oneOf(positionals);
  if (Boolean(values.sheet) === Boolean(values.templates)) return refuseUse('give either --sheet or --templates');
  const format = FORMATS.find((one) => one === values.format) ?? refuseUse(`--format must be one of ${FORMATS.join(', ')}`);
  if (!Object.hasOwn(PAPERS, values.paper)) return refuseUse(`--paper must be one of ${Object.keys(PAPERS).join(', ')}`);
  const paper = values.paper as PaperName;
  const design = readOr(terminal, file, readCarDesign);
  const prepared = prepareRun(design);
  if (prepared.kind === 'refused') return refuse(...prepared.faults);
  const what = values.sheet ? 'drawing' : 'templates';
  const sizes = SIZE_FORMATS[values.inch ? 'inch' : 'metric'];
  const date = new Date().toISOString().slice(0, 10);
  const sheets: readonly Sheet[] = values.sheet
    ? drawingSheets(design, { version: '', crew: '', date }, paper, sizes)
    : templatePages(templatesOf(design, sizes), design.name, paper);
  const files: (readonly [name: string, content: string | Uint8Array])[] = [];
  if (format === 'pdf')
    files.push([`${what}.pdf`, await sheetsPdf(PDFDocument, sheets, `${design.name}, ${what}`, { regular: font(400), bold: font(700) })]);
  else if (format === 'svg') sheets.forEach((sheet, i) => files.push([`${what}-${i + 1}.svg`, sheetSvg(sheet)]));
  else if (values.sheet) sheets.forEach((sheet, i) => files.push([`${what}-${i + 1}.dxf`, itemsDxf(sheet.items, sheet.height)]));
  else {
    const { items, height } = laidOut(templatesOf(design, sizes));
    files.push([`${what}.dxf`, itemsDxf(items, height)]);
  }
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
