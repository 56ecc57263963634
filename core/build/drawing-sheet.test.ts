import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newCar } from '../car/new-car.ts';
import { drawingSheets } from './drawing-sheet.ts';
import { SIZE_FORMATS } from './size-format.ts';
import { neededSizes } from './needed-sizes.ts';
import {
  boxOf,
  crossesBox,
  isInTheWay,
  boxesOverlap,
  placedText,
  makePlace,
  textBox,
  type Item,
  type PaperName,
  type Sheet,
  type TextItem,
} from './drawing.ts';
import { buildableDesigns } from './reference/buildable-designs.ts';
import { partsList } from './parts-list.ts';
import { withinFrame } from './title-block.ts';

const WORDS = { version: 'long lever', crew: 'the night watch', date: '2026-11-21' };
const isText = (item: Item): item is TextItem => item.kind === 'text';
const textsOf = ({ items }: Sheet): TextItem[] => items.filter(isText);
const PAPERS: readonly PaperName[] = ['a4', 'letter', 'a3', 'tabloid'];

/** Texts that lie on other texts or on lines. */
function collisions({ items }: Sheet): string[] {
  const texts = items.filter(isText);
  return texts.flatMap((text) => {
    const { left, right, top, bottom } = textBox(text);
    // A hair is no overlap: ink stays within the box.
    const box = { left: left + 0.05, right: right - 0.05, top: top + 0.05, bottom: bottom - 0.05 };
    return items
      .filter((item) => item !== text && isInTheWay(item, box))
      .map((item) => `“${text.text}” on ${isText(item) ? `“${item.text}”` : item.kind}`);
  });
}

describe('the drawing of any car that can be built', () => {
  it('has no text on a text or a line, and nothing outside its frame', () => {
    const seen = new Set<string>();
    fc.assert(
      fc.property(
        buildableDesigns,
        fc.constantFrom(...PAPERS),
        fc.constantFrom('metric' as const, 'inch' as const),
        (design, paper, units) => {
          seen.add(`${design.motor.kind} ${design.layout.driveAxle} ${design.layout.otherWheelCount}`);
          for (const sheet of drawingSheets(design, WORDS, paper, SIZE_FORMATS[units])) {
            expect(collisions(sheet)).toEqual([]);
            const frame = withinFrame(sheet.width, sheet.height);
            const outside = sheet.items.filter((item) => {
              const box = boxOf(item);
              return (
                box.left < frame.left - 1e-6 ||
                box.right > frame.right + 1e-6 ||
                box.top < frame.top - 1e-6 ||
                box.bottom > frame.bottom + 1e-6
              );
            });
            expect(outside).toEqual([]);
          }
        },
      ),
      { numRuns: 120 },
    );
    expect(seen.size).toBeGreaterThanOrEqual(9);
  });
  it('tells every size that is needed to make it, each once, as the design has it', () => {
    fc.assert(
      fc.property(
        buildableDesigns,
        fc.constantFrom(...PAPERS),
        fc.constantFrom('metric' as const, 'inch' as const),
        (design, paper, units) => {
          const texts = drawingSheets(design, WORDS, paper, SIZE_FORMATS[units]).flatMap(textsOf);
          const told = texts.filter(({ tells }) => tells !== undefined);
          const needed = neededSizes(design, SIZE_FORMATS[units]);
          expect(told.map(({ tells }) => tells).toSorted()).toEqual(needed.map(({ tells }) => tells).toSorted());
          for (const { tells, value, label } of needed) {
            const { text, at } = told.find((one) => one.tells === tells)!;
            // In the views beside its line; in the table in the cell next to its name.
            const figure = text === label ? texts.find((other) => other.text === value && other.at.y === at.y) : null;
            if (text === label) expect(figure, label).toBeDefined();
            else expect(text.match(/[\d./]+(?: \d+\/\d+)?(?= in all$|$)/)?.[0], tells).toBe(value);
          }
        },
      ),
      { numRuns: 120 },
    );
  });
  it('is on one sheet where one does, at a scale of the standard, with no letter below 2.5 mm and the car in the round', () => {
    const scales = new Set<string>();
    for (const kind of ['lever', 'band', 'twist'] as const)
      for (const paper of PAPERS) {
        const sheets = drawingSheets(newCar('x', kind), WORDS, paper);
        const [views] = sheets;
        const texts = sheets.flatMap(textsOf);
        // Capitals are 0.668 of the size.
        expect(Math.min(...texts.map(({ size }) => 0.668 * size))).toBeGreaterThanOrEqual(2.5);
        expect(views!.items.some((item) => item.kind === 'path' && item.face)).toBe(true);
        scales.add(textsOf(views!).find(({ text }) => /^[\d.]+ : [\d.]+$/.test(text))!.text);
        if (kind === 'band') expect(sheets).toHaveLength({ a4: 2, letter: 3, a3: 1, tabloid: 1 }[paper]);
      }
    expect([...scales].every((scale) => ['1 : 1', '1 : 2', '1 : 2.5', '1 : 4', '1 : 5'].includes(scale))).toBe(true);
  });
  it('numbers every part of its list, and points at those that a view shows', () => {
    for (const kind of ['lever', 'band', 'twist'] as const) {
      const design = newCar('x', kind);
      const sheets = drawingSheets(design, WORDS, 'a4');
      const numbers = partsList(design).map(({ number }) => String(number));
      const listed = sheets.flatMap(textsOf).filter(({ text, anchor }) => numbers.includes(text) && anchor === 'start');
      expect(listed.length).toBeGreaterThanOrEqual(numbers.length);
      const pointed = textsOf(sheets[0]!).filter(
        ({ text, tells, anchor }) => tells === undefined && anchor === 'middle' && numbers.includes(text),
      );
      expect(pointed.length).toBeGreaterThanOrEqual(Math.min(4, numbers.length));
    }
  });
});

describe('where a text may stand', () => {
  it('is the first place where nothing is in the way', () => {
    const bar: Item = { kind: 'path', points: [makePlace(0, 10), makePlace(50, 10)], closed: false, line: 'thin' };
    const at = (y: number) => ({ at: makePlace(25, y), text: '120', size: 3, anchor: 'middle' as const });
    const within = { left: 0, right: 50, top: 0, bottom: 30 };
    expect(placedText([bar], [at(11), at(7)], within)?.at.y).toBe(7);
    expect(placedText([bar], [at(11)], within)).toBeNull();
    expect(placedText([], [at(40)], within)).toBeNull();
  });
  it('a line passes through a box or beside it', () => {
    const box = { left: 0, right: 10, top: 0, bottom: 10 };
    expect(crossesBox(box, makePlace(-5, 5), makePlace(15, 5))).toBe(true);
    expect(crossesBox(box, makePlace(2, 2), makePlace(3, 3))).toBe(true);
    expect(crossesBox(box, makePlace(-5, -1), makePlace(15, -1))).toBe(false);
    expect(crossesBox(box, makePlace(-5, 8), makePlace(2, 20))).toBe(false);
    expect(boxesOverlap(box, { left: 10, right: 12, top: 0, bottom: 1 })).toBe(false);
  });
});
