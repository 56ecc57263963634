import { describe, expect, it } from 'vitest';
import { MOTOR_KINDS } from '../../../../core/car/motors/motors.ts';
import { newCar } from '../../../../core/car/new-car.ts';
import { sizesOf } from '../../../../core/car/sizes.ts';
import { CAR_GROUPS, type CarGroup } from '../../../../core/car/car-groups.ts';
import { formatIn } from '../../../../core/units/quantity.ts';
import { CAR_ROWS, isRowOf, rowsFound } from './car-rows.ts';
import { CHOICES } from './choices.ts';
import { describeGroup } from './describe-group.ts';
import { valuesFound } from './values-list.tsx';

const idsFound = (kind: (typeof MOTOR_KINDS)[number], sought: string): string[] => rowsFound(CAR_ROWS[kind], sought).map(({ id }) => id);

describe.each(MOTOR_KINDS)('the rows of a %s car', (kind) => {
  const rows = CAR_ROWS[kind];
  it('tell every size and every choice once', () => {
    const sizes = rows.flatMap((row) => ('size' in row && row.size ? [row.size.id] : []));
    expect(sizes.toSorted()).toEqual(
      sizesOf(kind)
        .map(({ id }) => id)
        .toSorted(),
    );
    const choices = rows.flatMap((row) =>
      row.kind === 'choice' ? [row.choice.label] : row.kind === 'part' ? [row.part, ...row.worn].map(({ label }) => label) : [],
    );
    expect(choices.toSorted()).toEqual(CHOICES[kind].map(({ label }) => label).toSorted());
  });
  it('are called differently, and each group says what it holds', () => {
    expect(new Set(rows.map(({ id }) => id)).size).toBe(rows.length);
    const car = newCar('x', kind);
    for (const group of new Set(rows.map((row) => row.group))) {
      expect(Object.keys(CAR_GROUPS)).toContain(group);
      const words = describeGroup(group as CarGroup, car, formatIn('metric'));
      if (kind !== 'twist' || group !== 'otherAxle') expect(words).toMatch(/\w/);
    }
  });
});

describe('looking for a size or part', () => {
  it('finds it by its name, by a kind of part, by words in any order and letters', () => {
    expect(idsFound('lever', 'lever LENGTH')).toEqual(['lever']);
    expect(idsFound('lever', 'length lever')).toEqual(['lever']);
    expect(idsFound('lever', 'wheelbase')).toEqual(expect.arrayContaining(['wheelbase', 'overhang']));
    expect(idsFound('band', 'balloon')).toEqual(['driveWheels']);
    expect(idsFound('band', 'carpet')).toEqual(['Floor']);
  });
  it.each([
    ['lever', 'girth', 'girth'],
    ['lever', 'deck height', 'axleGap'],
    ['lever', 'tube width', 'bodyWidth'],
    ['lever', 'hook height', 'pivotAboveAxle'],
    ['lever', 'peg', 'windingWidth'],
    ['lever', 'string', 'stringDiameter'],
    ['band', 'peg', 'anchorAboveAxle'],
    ['band', 'tubing', 'band'],
    ['lever', 'spacer', 'endPlay'],
    ['lever', 'end play', 'endPlay'],
    ['band', 'toe', 'driveToe'],
    ['band', 'traction', 'driveWheels'],
    ['band', 'nose', 'overhang'],
  ] as const)('of a %s car by what builders call it: “%s”', (kind, sought, id) => expect(idsFound(kind, sought)).toContain(id));
  it('shows the girth of what is round, and how high a deck stands', () => {
    const shown = (body: 'card' | 'bottle'): string[] => {
      const car = newCar('x', 'band');
      return CAR_ROWS.band.filter((row) => isRowOf(row, { ...car, body: { ...car.body, kind: body } })).map(({ id }) => id);
    };
    expect(shown('card')).toContain('axleGap');
    expect(shown('card')).not.toContain('girth');
    expect(shown('bottle')).toContain('girth');
    expect(shown('bottle')).not.toContain('axleGap');
  });
  it('finds nothing where there is nothing, and what is not known by its name', () => {
    expect(idsFound('twist', 'wheelbase')).toEqual([]);
    expect(valuesFound(newCar('x', 'lever'), 'rolling drive')).toEqual(['rollingLengthDrive']);
  });
});
