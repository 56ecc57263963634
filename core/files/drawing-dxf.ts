import { DxfWriter, point3d, LWPolylineFlags, TextHorizontalAlignment, TextVerticalAlignment, Units } from '@tarikjabiri/dxf';
import type { CutOutline } from '../build/cut-outlines.ts';
import { LINE_KINDS, LINES, type CircleItem, type Item, type LineKind, type PathItem, type Place } from '../build/drawing.ts';

/** Colours by their numbers in DXF: 1 red, 3 green, 5 blue, 7 black or white, 8 grey. */
const COLOURS: Readonly<Record<LineKind, number>> = { outline: 7, thin: 8, hidden: 8, centre: 5, frame: 7, cut: 1, mark: 3, glue: 8 };
const TEXT_LAYER = 'text';
const ALIGN = {
  start: TextHorizontalAlignment.Left,
  middle: TextHorizontalAlignment.Center,
  end: TextHorizontalAlignment.Right,
} as const;

/** A text as a DXF can hold it: each of its values is one line of the file. */
const oneLine = (text: string): string => text.replace(/\p{Cc}+/gu, ' ');

/** A line or circle on a layer; `origin`: where the upper left corner lies, as y goes up. */
function addShape(dxf: DxfWriter, item: PathItem | CircleItem, layerName: string, origin: Place): void {
  if (item.kind === 'circle') dxf.addCircle(point3d(origin.x + item.centre.x, origin.y - item.centre.y), item.radius, { layerName });
  else
    dxf.addLWPolyline(
      item.points.map(({ x, y }) => ({ point: { x: origin.x + x, y: origin.y - y } })),
      { layerName, flags: item.closed ? LWPolylineFlags.Closed : LWPolylineFlags.None },
    );
}

/** mm between parts. */
const APART = 5;

/** Parts as a laser cuts them, DXF in millimetres: nothing but closed outlines and holes, each part once on a layer named by it and how many are cut. */
export function cutDxf(parts: readonly CutOutline[]): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  let x = 0;
  for (const { id, count, width, height, items } of parts) {
    const layer = `${id} x${count}`;
    dxf.addLayer(layer, COLOURS.cut, 'CONTINUOUS');
    for (const item of items) addShape(dxf, item, layer, { x, y: height });
    x += width + APART;
  }
  return dxf.stringify();
}

/** Items as DXF in millimetres, y up from the lower edge `height`; a layer for each kind of line, and one for texts. Pictures in the round are left out: lines alone would show what their faces hide. */
export function itemsDxf(items: readonly Item[], height: number): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  for (const kind of LINE_KINDS) {
    const { dash } = LINES[kind];
    const type = dash.length > 0 ? kind.toUpperCase() : 'CONTINUOUS';
    if (dash.length > 0)
      dxf.addLType(
        type,
        kind,
        dash.map((length, i) => (i % 2 === 0 ? length : -length)),
      );
    dxf.addLayer(kind, COLOURS[kind], type);
  }
  dxf.addLayer(TEXT_LAYER, COLOURS.outline, 'CONTINUOUS');
  for (const item of items) {
    if (item.kind === 'path' && item.isPicture) continue;
    if (item.kind === 'text') {
      const at = point3d(item.at.x, height - item.at.y);
      dxf.addText(at, item.size, oneLine(item.text), {
        layerName: TEXT_LAYER,
        rotation: item.upright ? 90 : 0,
        horizontalAlignment: ALIGN[item.anchor],
        verticalAlignment: TextVerticalAlignment.BaseLine,
        secondAlignmentPoint: at,
      });
    } else addShape(dxf, item, item.line, { x: 0, y: height });
  }
  return dxf.stringify();
}
