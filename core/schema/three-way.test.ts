import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isSameValue, threeWay } from './three-way.ts';

describe('a change applied to what came meanwhile', () => {
  const before = { name: 'Tern', wheel: { diameter: 0.12, width: 0.01 }, marks: [1, 2] };
  it('puts in what was changed, and leaves what others changed, however deep', () =>
    expect(
      threeWay(
        before,
        { ...before, wheel: { diameter: 0.14, width: 0.01 } },
        { ...before, name: 'Plover', wheel: { diameter: 0.12, width: 0.02 } },
      ),
    ).toEqual({ merged: { name: 'Plover', wheel: { diameter: 0.14, width: 0.02 }, marks: [1, 2] }, conflicts: [] }));
  it('tells which values both changed; a list is one value; mine is taken', () =>
    expect(
      threeWay(
        before,
        { ...before, marks: [1, 3], wheel: { diameter: 0.14, width: 0.01 } },
        { ...before, marks: [2], wheel: { diameter: 0.16, width: 0.01 } },
      ),
    ).toEqual({ merged: { ...before, marks: [1, 3], wheel: { diameter: 0.14, width: 0.01 } }, conflicts: ['wheel.diameter', 'marks'] }));
  it('adds and takes away keys, and is no conflict where both did the same', () => {
    expect(threeWay<object>({ a: 1, b: 1 }, { a: 1, c: 3 }, { a: 2, b: 1 })).toEqual({ merged: { a: 2, c: 3 }, conflicts: [] });
    expect(threeWay<object>({ a: 1 }, { a: 2, b: { c: 1 } }, { a: 2, b: { c: 1 } })).toEqual({
      merged: { a: 2, b: { c: 1 } },
      conflicts: [],
    });
  });
  it('without another’s change is what it came to; without one of its own, what stands there', () => {
    const json = fc.jsonValue();
    fc.assert(
      fc.property(json, json, (a, b) => {
        expect(isSameValue(threeWay<unknown>(a, b, a).merged, b)).toBe(true);
        expect(isSameValue(threeWay<unknown>(a, a, b).merged, b)).toBe(true);
        expect(threeWay<unknown>(a, b, b).conflicts).toEqual([]);
      }),
    );
  });
});
