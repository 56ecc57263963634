import { DxfWriter, point3d, LWPolylineFlags, TextHorizontalAlignment, TextVerticalAlignment, Units } from '@tarikjabiri/dxf';
import { LINE_KINDS, LINES, type Item, type LineKind } from '../build/drawing.ts';

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

/** Items as DXF in millimetres, y up from the lower edge `height`; a layer for each kind of line, and one for texts. */
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
    if (item.kind === 'text') {
      const at = point3d(item.at.x, height - item.at.y);
      dxf.addText(at, item.size, oneLine(item.text), {
        layerName: TEXT_LAYER,
        rotation: item.upright ? 90 : 0,
        horizontalAlignment: ALIGN[item.anchor],
        verticalAlignment: TextVerticalAlignment.BaseLine,
        secondAlignmentPoint: at,
      });
    } else if (item.kind === 'circle') dxf.addCircle(point3d(item.centre.x, height - item.centre.y), item.radius, { layerName: item.line });
    else
      dxf.addLWPolyline(
        item.points.map(({ x, y }) => ({ point: { x, y: height - y } })),
        { layerName: item.line, flags: item.closed ? LWPolylineFlags.Closed : LWPolylineFlags.None },
      );
  }
  return dxf.stringify();
}
