import { describe, expect, it } from 'vitest';
import { indexFound, STATION_INDEX } from './station-index.ts';

const labels = (sought: string): string[] => indexFound(sought).map(({ label }) => label);

describe('the index of the Design station', () => {
  it.each([
    ['gap', ['Goal']],
    ['allowed longest', ['Longest allowed']],
    ['carpet', ['Stretch of another floor']],
    ['wall', ['Line to wall']],
    ['room', ['Line to wall']],
    ['aim', ['Goal']],
    ['lane width', ['Lane width']],
    ['sleeve', ['Winding']],
    ['restore', ['Versions']],
    ['stock', ['My parts']],
    ['zebra', []],
  ])('“%s” finds %j', (sought, found) => expect(labels(sought)).toEqual(found));
  it('has each label once', () => expect(new Set(STATION_INDEX.map(({ label }) => label)).size).toBe(STATION_INDEX.length));
});
