import { describe, expect, it } from 'vitest';
import type { Problem } from './fault.ts';
import { boundFault } from './fault.ts';
import { formatFault, describeLimit, withMessage, describeProblem } from './fault-words.ts';

/** What each kind of fault says after the name of its key, and so what would put it right. */
const SENTENCES: readonly (readonly [Problem, string | RegExp])[] = [
  [{ code: 'bound', limit: { is: 'least', value: 2 } }, 'must be at least 2'],
  [{ code: 'bound', limit: { is: 'above', value: 0 } }, 'must be above 0'],
  [{ code: 'bound', limit: { is: 'most', value: 9, because: 'a full wind of this car' } }, 'must be at most 9, a full wind of this car'],
  [{ code: 'bound', limit: { is: 'below', value: 1 } }, 'must be below 1'],
  [{ code: 'against', must: 'exceed', other: 'motor.releaseAngle' }, 'must be greater than motor.releaseAngle'],
  [
    { code: 'against', must: 'reach', other: 'axleDiameter', because: 'the tape lies on the axle' },
    'must not be below axleDiameter: the tape lies on the axle',
  ],
  [{ code: 'against', must: 'not-exceed', other: 'surface.staticGrip' }, 'must not be above surface.staticGrip'],
  [{ code: 'missing' }, 'is missing'],
  [{ code: 'missing', because: 'the car has other wheels' }, 'is missing: the car has other wheels'],
  [{ code: 'unknown-key' }, /remove it or check its spelling/],
  [{ code: 'unknown-kind' }, 'is not a kind known here'],
  [{ code: 'choice', among: ['"rear"', '"front"'] }, 'must be one of "rear", "front"'],
  [{ code: 'expected', what: 'a number' }, 'must be a number'],
  [{ code: 'blank' }, /can be seen/],
  [{ code: 'too-large', of: 'items', count: 500, most: 400 }, 'has 500 items; at most 400 are allowed'],
  [{ code: 'not-json', reason: 'Unexpected token' }, 'not a JSON file: Unexpected token'],
  [{ code: 'not-valid', reason: 'must match a format' }, 'must match a format'],
  [{ code: 'more', count: 12 }, 'and 12 more'],
  [{ code: 'not-of-part', part: 'tyre' }, 'is not a value of a tyre; remove it'],
  [{ code: 'out-of-range', toward: 'low' }, 'is far below the value of any car'],
  [{ code: 'out-of-range', toward: 'high' }, 'is far above the value of any car'],
  [{ code: 'out-of-place' }, /not belong in an archive/],
  [{ code: 'orphan' }, /not in the archive/],
  [{ code: 'not-of-this-car' }, 'is not a version of this car'],
  [{ code: 'own-ancestor' }, /based on this version itself/],
  [{ code: 'lever-past-line', at: 'released' }, /raise it$/],
  [{ code: 'lever-past-line', at: 'cocked' }, /lower it$/],
  [{ code: 'lever-in-line', at: 'cocked', others: ['motor.leverLength'] }, /when cocked; lower it, or change motor\.leverLength$/],
  [{ code: 'lever-in-line', at: 'released', others: ['a', 'b'] }, /end of the pull; raise it, or change a or b$/],
  [{ code: 'band-breaks', unwound: 7.26, most: 7 }, /to 7\.3 times its length before it is wound, above 7/],
  [{ code: 'band-breaks', unwound: null, most: 7 }, /more than 7 times its length.*Wind fewer turns, or use a longer chain/],
];

describe('a fault in words', () => {
  it.each(SENTENCES)('%j', (wrong, words) => {
    const said = describeProblem(wrong);
    if (typeof words === 'string') expect(said).toBe(words);
    else expect(said).toMatch(words);
  });
  it('is told of every kind there is, each otherwise', () => {
    const said = SENTENCES.map(([wrong]) => describeProblem(wrong));
    expect(new Set(said).size).toBe(said.length);
  });
  it('has its numbers and the other keys as whoever asks prints them', () => {
    expect(describeProblem({ code: 'bound', limit: { is: 'most', value: 0.024 } }, (value) => `${1000 * value} g`)).toBe(
      'must be at most 24 g',
    );
    expect(describeLimit({ is: 'least', value: 0.1 }, (value) => value.toFixed(2))).toBe('must be at least 0.10');
    const against = { code: 'against', must: 'exceed', other: 'motor.x' } as const;
    expect(describeProblem(against, String, () => 'the other')).toBe('must be greater than the other');
  });
  it('names its key, or nothing where the whole is meant; and stands beside the data it is made of', () => {
    expect(formatFault(boundFault('mass', { is: 'above', value: 0 }))).toBe('mass: must be above 0');
    expect(formatFault({ path: '', code: 'more', count: 2 })).toBe('and 2 more');
    expect(withMessage({ path: 'id', code: 'expected', what: 'a UUID' })).toEqual({
      path: 'id',
      code: 'expected',
      what: 'a UUID',
      message: 'must be a UUID',
    });
  });
});
