import { ACCENT, faceColour } from '../build/face-colour.ts';
import { LINES, type Item, type Place, type Sheet } from '../build/drawing.ts';

const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
/** Digits of a millimetre that are written. */
const mm = (value: number): string => String(Number(value.toFixed(3)));

const pathOf = (points: readonly Place[]): string => points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${mm(x)} ${mm(y)}`).join('');

function element(item: Item): string {
  if (item.kind === 'text') {
    const { at, text, size, anchor, upright, bold } = item;
    const turn = upright ? ` transform="rotate(-90 ${mm(at.x)} ${mm(at.y)})"` : '';
    return `<text x="${mm(at.x)}" y="${mm(at.y)}" font-size="${mm(size)}" text-anchor="${anchor}"${bold ? ' font-weight="700"' : ''}${turn}>${escaped(text)}</text>`;
  }
  const { width, dash } = LINES[item.line];
  const colour = item.kind === 'path' && item.isAccent ? ACCENT : '#000';
  const stroke = `stroke="${colour}" stroke-width="${width}"${dash.length > 0 ? ` stroke-dasharray="${dash.join(' ')}"` : ''} class="${item.line}"`;
  if (item.kind === 'circle')
    return `<circle cx="${mm(item.centre.x)}" cy="${mm(item.centre.y)}" r="${mm(item.radius)}" fill="none" ${stroke}/>`;
  if (item.face) {
    const colour = faceColour(item.face);
    return `<path d="${pathOf(item.points)}Z" fill="${colour}" stroke="${colour}" stroke-width="0.1"/>`;
  }
  return `<path d="${pathOf(item.points)}${item.closed ? 'Z' : ''}" fill="${item.filled ? '#000' : 'none'}" ${stroke}/>`;
}

/** A sheet as SVG at true scale: its width and height in mm, one unit a millimetre; black on white. */
export const sheetSvg = ({ name, width, height, items }: Sheet): string =>
  [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${mm(width)}mm" height="${mm(height)}mm" viewBox="0 0 ${mm(width)} ${mm(height)}" font-family="'Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Next', sans-serif">`,
    `<title>${escaped(name)}</title>`,
    `<rect width="${mm(width)}" height="${mm(height)}" fill="#fff"/>`,
    ...items.map(element),
    '</svg>',
    '',
  ].join('\n');
