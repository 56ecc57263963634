import type { CarDesign } from '../car/car-design.ts';
import { isRoller } from '../car/motors/motors.ts';
import { formatScale } from './draft.ts';
import { PAPERS, type Item, type PaperName, type Sheet } from './drawing.ts';
import { listsSheet } from './lists-sheet.ts';
import { SIZE_FORMATS, type SizeFormat } from './size-format.ts';
import { frameAndTitle, type TitleWords } from './title-block.ts';
import { viewsSheet } from './views-sheet.ts';

/** The drawing of a car, on sheets of this paper lying: the views with their sizes and numbers, and the lists. */
export function drawingSheets(
  design: CarDesign,
  words: Pick<TitleWords, 'version' | 'crew' | 'date'>,
  paper: PaperName,
  sizes: SizeFormat = SIZE_FORMATS.metric,
): readonly Sheet[] {
  const { width: high, height: wide, label } = PAPERS[paper];
  const views = viewsSheet(design, wide, high, sizes);
  const lists = listsSheet(design, views.dimensioned, wide, high, sizes);
  const title = (sheet: number, scale: string): Item[] =>
    frameAndTitle(wide, high, { car: design.name, ...words, scale, sheet: `${sheet} of 2`, paper: label, sizes: sizes.statement });
  return [
    { name: `${design.name}, views`, width: wide, height: high, items: [...title(1, formatScale(views.by)), ...views.items] },
    {
      name: `${design.name}, parts and details`,
      width: wide,
      height: high,
      items: [...title(2, isRoller(design) ? '–' : formatScale(lists.by)), ...lists.items],
    },
  ];
}
