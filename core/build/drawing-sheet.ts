import type { CarDesign } from '../car/car-design.ts';
import { formatScale, SCALES } from './draft.ts';
import { boxOf, boxesOverlap, makePath, makePlace, PAPERS, type Box, type Item, type PaperName, type Sheet } from './drawing.ts';
import { flowed } from './flow.ts';
import { listBlocks } from './list-blocks.ts';
import { roundPicture } from './round-picture.ts';
import { SIZE_FORMATS, type SizeFormat } from './size-format.ts';
import { frameAndTitle, TITLE, withinFrame, type TitleWords } from './title-block.ts';
import { viewsOf, viewsScale } from './views-sheet.ts';

/** mm: a column of lists at the narrowest, between columns, and between views and lists. */
const NARROWEST = 116;
const BETWEEN = 6;
/** mm kept free within the frame. */
const INSET = 1;
/** One sheet is enough where the views on it are as large as this, 1 to so many. Our choice. */
const LARGE_ENOUGH = 2.5;

const inset = (box: Box): Box => ({ left: box.left + INSET, right: box.right - INSET, top: box.top + INSET, bottom: box.bottom - INSET });

/** A room as columns side by side, each as far down as the title block leaves it. */
function columnsIn(room: Box, title: Box): readonly Box[] {
  const width = room.right - room.left;
  const count = Math.max(Math.floor((width + BETWEEN) / (NARROWEST + BETWEEN)), 1);
  const wide = (width - BETWEEN * (count - 1)) / count;
  return Array.from({ length: count }, (_, i) => {
    const left = room.left + i * (wide + BETWEEN);
    const column = { left, right: left + wide, top: room.top, bottom: room.bottom };
    return boxesOverlap(column, title) ? { ...column, bottom: title.top - BETWEEN / 2 } : column;
  });
}

/** What is on one sheet within its frame, and its scale in words. */
interface Drawn {
  readonly what: string;
  readonly scale: string;
  readonly items: readonly Item[];
}

/** The drawing of a car on sheets of this paper lying: views with their sizes and numbers, the car in the round, and lists; on one sheet where one does. */
export function drawingSheets(
  design: CarDesign,
  words: Pick<TitleWords, 'version' | 'crew' | 'date'>,
  paper: PaperName,
  sizes: SizeFormat = SIZE_FORMATS.metric,
): readonly Sheet[] {
  const { width: height, height: width, label } = PAPERS[paper];
  const frame = withinFrame(width, height);
  const room = inset(frame);
  const title = { left: frame.right - TITLE.width, right: frame.right, top: frame.bottom - TITLE.height, bottom: frame.bottom };
  const drawn = onOneSheet(design, room, title, sizes) ?? onSeveral(design, room, title, sizes);
  return drawn.map(({ what, scale, items }, i) => ({
    name: drawn.length === 1 ? design.name : `${design.name}, ${what}`,
    width,
    height,
    items: [
      ...frameAndTitle(width, height, {
        car: design.name,
        ...words,
        scale,
        sheet: `${i + 1} of ${drawn.length}`,
        paper: label,
        sizes: sizes.statement,
      }),
      ...items,
    ],
  }));
}

/** Views with lists beside and below them, or below them alone; null where they have no room so or would be too small. */
function onOneSheet(design: CarDesign, room: Box, title: Box, sizes: SizeFormat): readonly Drawn[] | null {
  const columns = columnsIn(room, title);
  const last = columns.at(-1)!;
  const alone = viewsScale(design, room, title);
  const rooms: readonly (readonly [views: Box, beside: readonly Box[]])[] = [
    ...(columns.length > 1 ? [[{ ...room, right: last.left - BETWEEN }, [last]] as const] : []),
    [room, []],
  ];
  for (const [viewsRoom, beside] of rooms) {
    const by = viewsScale(design, viewsRoom, title);
    if (by === null || (by > LARGE_ENOUGH && by !== alone)) continue;
    const views = viewsOf(design, viewsRoom, title, by, sizes);
    const foot = Math.max(...views.items.map((item) => boxOf(item).bottom));
    const all = [...beside, ...columnsIn({ ...viewsRoom, top: foot + BETWEEN }, title)];
    const { blocks } = listBlocks(design, views.dimensioned, Math.min(...all.map((box) => box.right - box.left)), sizes);
    const lists = flowed(blocks, all);
    if (!lists) continue;
    const picture = roundPicture(design, views.items, { ...viewsRoom, bottom: Math.min(foot, title.top) });
    return [{ what: 'drawing', scale: formatScale(by), items: [...views.items, ...picture, ...lists.flat()] }];
  }
  return null;
}

/** Views as large as a sheet allows, and lists on as many more as they take. */
function onSeveral(design: CarDesign, room: Box, title: Box, sizes: SizeFormat): readonly Drawn[] {
  const by = viewsScale(design, room, title) ?? SCALES.at(-1)!;
  const views = viewsOf(design, room, title, by, sizes);
  const block = makePath([makePlace(title.left, title.top), makePlace(title.right, title.bottom)], 'frame');
  const picture = roundPicture(design, [...views.items, block], room);
  const columns = columnsIn(room, title);
  const { blocks, by: detail } = listBlocks(design, views.dimensioned, columns[0]!.right - columns[0]!.left, sizes);
  // Without end: there are as many sheets as it takes.
  const filled = flowed(
    blocks,
    (function* () {
      for (;;) yield* columns;
    })(),
  )!;
  const sheets = Array.from({ length: Math.ceil(filled.length / columns.length) }, (_, i) =>
    filled.slice(i * columns.length, (i + 1) * columns.length).flat(),
  );
  return [
    { what: 'views', scale: formatScale(by), items: [...views.items, ...picture] },
    ...sheets.map((items, i) => ({
      what: `parts and details${sheets.length > 1 ? `, ${i + 1}` : ''}`,
      scale: detail === null ? '–' : formatScale(detail),
      items,
    })),
  ];
}
