import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newCar } from '../car/new-car.ts';
import { boxOf, PAPERS, type Item, type Place } from './drawing.ts';
import { buildableDesigns } from './reference/buildable-designs.ts';
import { templatesOf, type Piece } from './templates.ts';
import { OVERLAP, templatePages, windowsOf, wrapText } from './tiles.ts';

/** Where short thin lines across and up and down meet: crosses, whole or cut in half at a trim line. */
function crossesOn(items: readonly Item[]): Place[] {
  const arms = items.flatMap((item) =>
    item.kind === 'path' && item.line === 'thin' && item.points.length === 2 ? [item.points as [Place, Place]] : [],
  );
  const isShort = ([a, b]: [Place, Place]): boolean => Math.hypot(a.x - b.x, a.y - b.y) < 6.01;
  const has = (one: number, other: number, value: number): boolean =>
    Math.min(one, other) - 0.01 <= value && value <= Math.max(one, other) + 0.01;
  const level = arms.filter((arm) => isShort(arm) && arm[0].y === arm[1].y);
  return arms
    .filter((arm) => isShort(arm) && arm[0].x === arm[1].x)
    .flatMap(([a, b]) => level.filter(([c, d]) => has(c.x, d.x, a.x) && has(a.y, b.y, c.y)).map(([c]) => ({ x: a.x, y: c.y })));
}

describe('pages of templates', () => {
  it('windows cover a piece whole, and neighbours show the same strip', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 900, noNaN: true }), fc.double({ min: 1, max: 900, noNaN: true }), (width, height) => {
        const room = { width: 190, height: 237 };
        const windows = windowsOf(width, height, room);
        const last = windows.at(-1)!;
        expect(last.x + last.width).toBeCloseTo(width, 9);
        expect(last.y + last.height).toBeCloseTo(height, 9);
        for (const { width: wide, height: high } of windows)
          expect(wide <= room.width + 1e-9 && high <= room.height + 1e-9 && wide > 0 && high > 0).toBe(true);
        const right = windows.find(({ x, y }) => x > 0 && y === 0);
        if (right) expect(windows[0]!.width - right.x).toBeCloseTo(OVERLAP, 9);
      }),
    );
  });
  it('of any car fit their pages, and every piece is printed as often as it has windows', () => {
    fc.assert(
      fc.property(buildableDesigns, fc.constantFrom('a4' as const, 'letter' as const), (design, paper) => {
        const pieces = templatesOf(design);
        const pages = templatePages(pieces, design.name, paper);
        const { width, height } = PAPERS[paper];
        for (const page of pages)
          for (const item of page.items) {
            const box = boxOf(item);
            // No printer reaches nearer to the edge than some 5 mm.
            if (item.kind === 'text' && item.text.length > 70) continue;
            expect([box.left > 5, box.right < width - 5, box.top > 5, box.bottom < height - 5]).toEqual([true, true, true, true]);
          }
        const heads = pages.flatMap(({ items }) => items.flatMap((item) => (item.kind === 'text' && item.bold ? [item.text] : [])));
        const told = heads.join(' ');
        for (const { name } of pieces) expect(told).toContain(name);
      }),
      { numRuns: 150 },
    );
  });
  it('words are wrapped, none lost', () => {
    expect(wrapText('one two three', 3, 12).join(' ')).toBe('one two three');
    expect(wrapText('one two three', 3, 12).length).toBeGreaterThan(1);
  });
  it('a deck of 240 mm is whole on an A4, turned; small pieces stand side by side', () => {
    const deck = (long: number): Piece => ({ id: 'deck', name: 'deck', note: '', count: 1, width: long, height: 60, items: [] });
    const texts = (pieces: readonly Piece[]): string[] =>
      templatePages(pieces, 'x', 'a4').flatMap(({ items }) =>
        items.flatMap((item) => (item.kind === 'text' && item.bold ? [item.text] : [])),
      );
    expect(texts([deck(240)]).filter((text) => text.startsWith('deck'))).toEqual(['deck']);
    expect(texts([deck(260)]).filter((text) => text.startsWith('deck'))).toEqual(['deck · part 1 of 2', 'deck · part 2 of 2']);
    const pages = templatePages(
      Array.from({ length: 3 }, (_, i) => ({ ...deck(58), id: `${i}`, name: `no ${i}` })),
      'x',
      'a4',
    );
    const heads = pages.flatMap(({ items }) =>
      items.flatMap((item) => (item.kind === 'text' && item.text.startsWith('no ') ? [item.at] : [])),
    );
    expect([pages.length, new Set(heads.map(({ y }) => y)).size]).toEqual([1, 1]);
    expect(heads.map(({ x }) => x)).toEqual([10, 74, 138]);
  });
  it('where a deck is split, crosses stand on the seam of both pages at the same places of the deck', () => {
    const car = { ...newCar('x'), wheelbase: 0.36 };
    const pages = templatePages(
      templatesOf(car).filter(({ id }) => id === 'deck'),
      'x',
      'a4',
    );
    const crosses = pages.flatMap(({ items }) => crossesOn(items));
    // Two on the first part; two that are cut in half by the trim line of the second.
    expect(crosses).toHaveLength(4);
    const apart = (a: Place, b: Place): number => Math.hypot(a.x - b.x, a.y - b.y);
    expect(apart(crosses[0]!, crosses[1]!)).toBeCloseTo(0.6 * 60, 6);
    expect(apart(crosses[2]!, crosses[3]!)).toBeCloseTo(0.6 * 60, 6);
    const texts = pages.flatMap(({ items }) => items.flatMap((item) => (item.kind === 'text' ? [item.text] : []))).join(' ');
    expect(texts).toContain('thin line: trim the paper here');
    expect(texts).toContain('dotted: lay the next part here, cross on cross, and glue');
  });
});
