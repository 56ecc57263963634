import { describe, expect, it } from 'vitest';
import { typedValues } from '../../core/car/parts.ts';
import type { PartKind } from '../../core/car/part-slots.ts';
import { readOwnPart } from '../../core/files/read.ts';
import type { OwnPart } from '../../core/schema/generated/own-part.ts';
import { describePart } from './describe-part.ts';
import { piecesFor } from '../../core/car/common-pieces.ts';
import { draftOf, filledFrom, KIND_NAMES, newDraft, partFields, partOf, usualValues } from './part-draft.ts';

const kinds = Object.keys(KIND_NAMES) as PartKind[];

describe('a part being typed', () => {
  it.each(kinds)('%s: begins with what it is like, and is a part once it has a name', (kind) => {
    const made = partOf({ ...newDraft(kind), name: ' mine ' }, []);
    if ('problems' in made) throw new Error(JSON.stringify(made.problems));
    expect(readOwnPart(made.part)).toEqual({ kind: 'read', value: made.part });
    expect(made.part.name).toBe('mine');
    expect(Object.keys(made.part.values).sort()).toEqual(
      typedValues(kind)
        .map(({ key }) => key)
        .sort(),
    );
    // Changed again it shows what was typed, and keeps what only a measurement tells.
    expect(draftOf(made.part)).toMatchObject({ ...newDraft(kind), name: 'mine' });
    const benched: OwnPart = { ...made.part, evidence: 'measured', spreads: { [typedValues(kind)[0]!.key]: 0.02 } };
    expect(partOf(draftOf(benched), [])).toEqual({ part: benched });
  });
  it('says what is wrong at the field it is wrong with, and takes what people type', () => {
    const other = (partOf({ ...newDraft('tyre'), name: 'moss' }, []) as { part: OwnPart }).part;
    const problemsOf = (change: object, others: OwnPart[] = []) => {
      const made = partOf({ ...newDraft('tyre'), name: 'moss', ...change }, others);
      return 'problems' in made ? Object.keys(made.problems) : [];
    };
    expect(problemsOf({ name: '  ' })).toEqual(['name']);
    expect(problemsOf({}, [other])).toEqual(['name']);
    expect(problemsOf({ count: '1.5' })).toEqual(['count']);
    expect(problemsOf({ count: '' })).toEqual(['count']);
    expect(problemsOf({ values: { staticGrip: 'much', slidingGrip: '0' } })).toEqual(['staticGrip', 'slidingGrip']);
    expect(problemsOf({ values: { staticGrip: '0.5', slidingGrip: '0.6' } })).toEqual(['slidingGrip']);
    expect(problemsOf({ values: { staticGrip: '0,9', slidingGrip: '3/4' } })).toEqual([]);
  });
  it('is filled in from what is found at home, each as a part of its kinds', () => {
    for (const kind of kinds)
      for (const common of piecesFor(kind)) {
        const made = partOf(filledFrom(newDraft(kind), common), []);
        if ('problems' in made) throw new Error(`${common.name}: ${JSON.stringify(made.problems)}`);
        expect(made.part).toMatchObject({ name: common.name, like: common.as[kind] });
      }
    const filled = (kind: PartKind, name: string): OwnPart => {
      const made = partOf(
        filledFrom(
          newDraft(kind),
          piecesFor(kind).find((one) => one.name === name)!,
        ),
        [],
      );
      return (made as { part: OwnPart }).part;
    };
    // By hand: 2.2 g over a circle of 30 mm; 17 g over 0.31 m; 4.5 g in a rod of 7.3 × 180 mm.
    expect(filled('wheel', 'cap of a drinks bottle').values).toMatchObject({ diameter: 0.03, thickness: 0.014 });
    expect(filled('wheel', 'cap of a drinks bottle').values.areaDensity).toBeCloseTo(3.112, 3);
    expect(filled('lever', 'wooden ruler of 30 cm').values.massPerLength).toBeCloseTo(0.05484, 5);
    expect(filled('axle', 'pencil').values.density).toBeCloseTo(597, 0);
    // A name that was given stays.
    expect(filledFrom({ ...newDraft('axle'), name: 'stub' }, piecesFor('axle')[0]!).name).toBe('stub');
  });
  it('is measured in its own units', () => {
    const made = partOf({ ...newDraft('trap'), name: 'galley', values: { preload: '0.17', rate: '0.115', efficiency: '92' } }, []);
    expect('part' in made && made.part.values).toEqual({ preload: 0.17, rate: 0.115, efficiency: 0.92 });
    expect(usualValues('wheel', 'card-disc')).toMatchObject({ diameter: '120', thickness: '6' });
  });
  it('is weighed by the piece: a lid by its diameter, a stick by its length, a sheet by both sides; and reads as it was typed', () => {
    const valuesOf = (kind: PartKind, values: Record<string, string>): Record<string, number> => {
      const draft = newDraft(kind);
      const made = partOf({ ...draft, name: 'mine', values: { ...draft.values, ...values } }, []);
      if ('problems' in made) throw new Error(JSON.stringify(made.problems));
      return made.part.values;
    };
    // 12 g over π · 0.05² m²; 9 g over 0.45 m; 20 g over 0.4 · 0.1 m².
    expect(valuesOf('wheel', { diameter: '100', areaDensity: '12' }).areaDensity).toBeCloseTo(0.012 / (Math.PI * 0.05 ** 2), 9);
    expect(valuesOf('lever', { massPerLength: '9', 'piece-length': '450' }).massPerLength).toBeCloseTo(0.02, 9);
    expect(valuesOf('body', { areaDensity: '20', 'piece-length': '400', 'piece-width': '100' }).areaDensity).toBeCloseTo(0.5, 9);
    const lid = partOf(
      { ...newDraft('wheel'), name: 'lid', values: { ...newDraft('wheel').values, diameter: '100', areaDensity: '12' } },
      [],
    );
    expect('part' in lid && draftOf(lid.part).values.areaDensity).toBe('12');
    expect('part' in lid && describePart(lid.part)).toMatch(/weight of one 12 g/);
    expect(partFields('wheel').map(({ unit }) => unit)).not.toContain('kg/m²');
  });
});
