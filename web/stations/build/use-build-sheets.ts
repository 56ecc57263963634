import { useDeferredValue, useMemo } from 'react';
import { drawingSheets } from '../../../core/build/drawing-sheet.ts';
import type { PaperName, Sheet } from '../../../core/build/drawing.ts';
import { SIZE_FORMATS } from '../../../core/build/size-format.ts';
import { templatesOf } from '../../../core/build/templates.ts';
import { templatePages } from '../../../core/build/tiles.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { UnitSystem } from '../../../core/units/quantity.ts';

/** What is drawn of a car. */
export type BuildSheets = 'drawing' | 'templates';

/** The sheets of a car on a paper. */
export const useBuildSheets = (
  drawn: CarDesign,
  what: BuildSheets,
  paper: PaperName,
  units: UnitSystem,
  words: { readonly version: string; readonly crew: string; readonly date: string },
): readonly Sheet[] => {
  const { version, crew, date } = words;
  // A note is typed at once and drawn when there is time.
  const design = useDeferredValue(drawn);
  return useMemo(
    () =>
      what === 'drawing'
        ? drawingSheets(design, { version, crew, date }, paper, SIZE_FORMATS[units])
        : templatePages(templatesOf(design, SIZE_FORMATS[units]), design.name, paper),
    [design, what, paper, units, version, crew, date],
  );
};
