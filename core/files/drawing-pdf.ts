import type PDFDocument from 'pdfkit';
import { ACCENT, faceColour } from '../build/face-colour.ts';
import { LINES, type Item, type Sheet } from '../build/drawing.ts';

/** Points of a PDF in a millimetre: 72 to the inch of 25.4 mm. Source: ISO 32000-1. */
const POINTS = 72 / 25.4;
/** mm of a face’s own edge. */
const SEAM = 0.1;
/** Signs that the text’s font does not have, and what represents them. */
const SIGNS: Readonly<Record<string, string>> = {
  '⌀': 'Ø',
  '→': '–',
  '≥': '>=',
  '≤': '<=',
  '\u00a0': ' ',
  '\u202f': ' ',
  '′': "'",
  '✓': 'ok',
};
const printable = (text: string): string => text.replaceAll(/[⌀→≥≤\u00a0\u202f′✓]/g, (sign) => SIGNS[sign]!);

/** Fonts of a PDF, as the bytes of a WOFF or TrueType file. */
export interface PdfFonts {
  readonly regular: Uint8Array;
  readonly bold: Uint8Array;
}

function draw(pdf: PDFKit.PDFDocument, item: Item): void {
  if (item.kind === 'text') {
    const { at, size, anchor, upright, bold } = item;
    const text = printable(item.text);
    pdf.save().translate(at.x, at.y);
    if (upright) pdf.rotate(-90);
    pdf
      .font(bold ? 'bold' : 'regular')
      .fontSize(size)
      .fillColor('#000');
    const width = pdf.widthOfString(text);
    const before = anchor === 'start' ? 0 : anchor === 'middle' ? width / 2 : width;
    pdf.text(text, -before, 0, { lineBreak: false, baseline: 'alphabetic' });
    pdf.restore();
    return;
  }
  const { width, dash } = LINES[item.line];
  const colour = item.kind === 'path' && item.isAccent ? ACCENT : '#000';
  pdf.lineWidth(width).strokeColor(colour).lineCap('butt').lineJoin('miter');
  if (dash.length > 0) pdf.dash(dash[0]!, { space: dash[1] ?? dash[0]! });
  else pdf.undash();
  if (item.kind === 'circle') pdf.circle(item.centre.x, item.centre.y, item.radius).stroke();
  else {
    item.points.forEach(({ x, y }, i) => (i === 0 ? pdf.moveTo(x, y) : pdf.lineTo(x, y)));
    if (item.closed) pdf.closePath();
    if (item.face) {
      // Its own colour round it closes the seams between faces.
      const paint = faceColour(item.face);
      pdf.undash().lineWidth(SEAM).fillAndStroke(paint, paint);
    } else if (item.filled) pdf.fillColor('#000').fillAndStroke();
    else pdf.stroke();
  }
}

/**
 * Sheets as one PDF at true scale, a page each, its font within it. `Document`: pdfkit’s own, as it is loaded here or there; the PDF
 * says nothing of when it was made, so that the same sheets are the same bytes but for its id.
 */
export function sheetsPdf(Document: typeof PDFDocument, sheets: readonly Sheet[], title: string, fonts: PdfFonts): Promise<Uint8Array> {
  // The first font is given at once: without it the writer looks for files of its own.
  const pdf = new Document({
    autoFirstPage: false,
    info: { Title: title, Creator: 'Nimble Axle' },
    font: fonts.regular as unknown as string,
  });
  pdf.registerFont('regular', fonts.regular as unknown as string).registerFont('bold', fonts.bold as unknown as string);
  const parts: Uint8Array[] = [];
  const done = new Promise<Uint8Array>((resolve, reject) => {
    pdf.on('data', (part: Uint8Array) => parts.push(part));
    pdf.on('error', reject);
    pdf.on('end', () => {
      const all = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
      let at = 0;
      for (const part of parts) {
        all.set(part, at);
        at += part.length;
      }
      resolve(all);
    });
  });
  for (const { width, height, items } of sheets) {
    pdf.addPage({ size: [width * POINTS, height * POINTS], margin: 0 });
    pdf.scale(POINTS);
    for (const item of items) draw(pdf, item);
  }
  pdf.end();
  return done;
}
