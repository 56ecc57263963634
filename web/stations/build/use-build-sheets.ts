import { useMemo } from 'react';
import { drawingSheets } from '../../../core/build/drawing-sheet.ts';
import type { PaperName, Sheet } from '../../../core/build/drawing.ts';
import { templatesOf } from '../../../core/build/templates.ts';
import { templatePages } from '../../../core/build/tiles.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';

/** What is drawn of a car. */
export type BuildSheets = 'drawing' | 'templates';

/** The sheets of a car on a paper. */
export const useBuildSheets = (
  design: CarDesign,
  what: BuildSheets,
  paper: PaperName,
  words: { readonly version: string; readonly crew: string; readonly date: string },
): readonly Sheet[] => {
  const { version, crew, date } = words;
  return useMemo(
    () =>
      what === 'drawing' ? drawingSheets(design, { version, crew, date }, paper) : templatePages(templatesOf(design), design.name, paper),
    [design, what, paper, version, crew, date],
  );
};
