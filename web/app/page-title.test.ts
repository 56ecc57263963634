import { describe, expect, it } from 'vitest';
import { pageTitle } from './page-title.ts';

const NAMES = new Map([
  ['cars a', 'Kelp Runner'],
  ['meets m', 'Winter evening'],
]);

describe('the title of a page', () => {
  it.each([
    ['/', 'Garage – Nimble Axle'],
    ['/cars/a/track', 'Kelp Runner – Track – Nimble Axle'],
    ['/cars/a/track/sheet', 'Kelp Runner – Track – Nimble Axle'],
    ['/cars/b/design', 'Design – Nimble Axle'],
    ['/meets/m', 'Winter evening – Meet – Nimble Axle'],
    ['/meets/m/board', 'Winter evening – Board – Nimble Axle'],
    ['/briefs', 'Briefs – Nimble Axle'],
    ['/nowhere', 'Nimble Axle'],
  ])('at %s is %s', (path, title) => expect(pageTitle(path, (kind, id) => NAMES.get(`${kind} ${id}`))).toBe(title));
});
