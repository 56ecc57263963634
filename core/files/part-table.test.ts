import { describe, expect, it } from 'vitest';
import { ownPartOfKit, partOfKit } from '../car/kit-parts.ts';
import type { OwnPart } from '../car/part-slots.ts';
import { partTable, readPartLines } from './part-table.ts';

const part = (more: Partial<OwnPart>): OwnPart => ({
  format: 'nimble-axle/own-part',
  version: 1,
  kind: 'trap',
  name: 'galley trap',
  like: 'household',
  values: { preload: 0.17, rate: 0.115, efficiency: 0.92 },
  evidence: 'measured',
  count: 2,
  ...more,
});

describe('parts as a table', () => {
  const parts = [
    part({ spreads: { preload: 0.021, rate: 0.034 }, cost: 1.2 }),
    part({ kind: 'tyre', name: 'moss, green', like: 'cut-glove', values: { staticGrip: 0.93 }, evidence: 'estimated' }),
    part({ kind: 'band', name: 'wide', like: '64', values: { length: 0.09, c1: 123400, c2: 98700, loss: 0.07 } }),
    part({ kind: 'bearing', name: 'new straws', like: 'wood-plastic-straw', values: {}, evidence: 'estimated', count: 0 }),
  ];
  it('come back as they were', () => {
    expect(readPartLines(partTable(parts)).map((line) => line.part)).toEqual(parts);
  });
  it('are read in any order of columns, with decimal commas, by kind, name and like alone', () => {
    const [read] = readPartLines([
      ['Name', 'like', 'spring rate N·m/rad', 'kind'],
      ['mine', 'large', '0,41', 'trap'],
    ]);
    expect(read!.part).toMatchObject({
      kind: 'trap',
      name: 'mine',
      like: 'large',
      values: { rate: 0.41 },
      count: 1,
      evidence: 'estimated',
    });
  });
  it('say which line is wrong, in what and what would be right', () => {
    const head = ['kind', 'name', 'like', 'count', 'torque at rest N·m'];
    const lines = readPartLines([
      head,
      ['motor', 'a', 'household', '1', ''],
      ['trap', '', 'household', '1', ''],
      ['trap', 'a', 'tiny', '1', ''],
      ['trap', 'a', 'household', 'many', ''],
      ['trap', 'a', 'household', '1', 'strong'],
      ['trap', 'a', 'household', '1', '900'],
    ]);
    expect(lines.map(({ part: made }) => made)).toEqual(lines.map(() => null));
    ['kind: must be one of tyre', 'name', 'like', 'count', 'torque at rest', 'preload'].forEach((word, i) =>
      expect(lines[i]!.problem, word).toContain(word),
    );
    expect(lines.map(({ line }) => line)).toEqual([2, 3, 4, 5, 6, 7]);
  });
});

describe('a kit list', () => {
  it.each([
    ['8 optical discs', 'wheel', 'optical-disc'],
    ['rubber bands, size 33', 'band', '33'],
    ['household snap traps', 'trap', 'household'],
    ['bamboo skewers', 'axle', 'skewer'],
    ['Plastic straw', 'bearing', 'wood-plastic-straw'],
    ['balloons', 'tyre', 'cut-glove'],
    ['sheet of corrugated card', 'body', 'card'],
    ['glass beads', 'washer', 'bead'],
  ])('%s is a %s: %s', (name, kind, like) => {
    expect(partOfKit(name)).toEqual({ kind, like });
  });
  it('leaves out what is no part of a car', () => {
    expect(partOfKit('1 m of twine')).toBeNull();
    expect(partOfKit('luggage labels')).toBeNull();
    expect(ownPartOfKit('discs', 4, { kind: 'wheel', like: 'optical-disc' })).toMatchObject({
      count: 4,
      evidence: 'estimated',
      values: {},
    });
  });
});
