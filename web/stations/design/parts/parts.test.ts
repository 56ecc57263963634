import { describe, expect, it } from 'vitest';
import type { MotorKind } from '../../../../core/car/car-design.ts';
import { newCar } from '../../../../core/car/new-car.ts';
import { CATALOGUE, fitCatalogue, PART_VALUES } from '../../../../core/car/parts.ts';
import type { OwnPart } from '../../../../core/schema/generated/own-part.ts';
import { SLOTS, type PartKind } from '../../../../core/car/part-slots.ts';
import { readCarDesign, readOwnPart } from '../../../../core/files/read.ts';
import { CHOICES, isSameChoice } from '../car/choices.ts';
import { sizesOf } from '../../../../core/car/sizes.ts';
import { draftOf, KIND_NAMES, newDraft, partOf, usualValues } from './part-draft.ts';

const kinds = Object.keys(KIND_NAMES) as PartKind[];

describe('a part being typed', () => {
  it.each(kinds)('%s: begins with what it is like, and is a part once it has a name', (kind) => {
    const made = partOf({ ...newDraft(kind), name: ' mine ' }, []);
    if ('problems' in made) throw new Error(JSON.stringify(made.problems));
    expect(readOwnPart(made.part)).toEqual({ kind: 'read', value: made.part });
    expect(made.part.name).toBe('mine');
    expect(Object.keys(made.part.values).sort()).toEqual(PART_VALUES[kind].map(({ key }) => key).sort());
    // Changed again it shows what was typed.
    expect(draftOf(made.part)).toMatchObject({ ...newDraft(kind), name: 'mine' });
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
  it('is measured in its own units', () => {
    const made = partOf({ ...newDraft('trap'), name: 'galley', values: { preload: '0.17', rate: '0.115', efficiency: '92' } }, []);
    expect('part' in made && made.part.values).toEqual({ preload: 0.17, rate: 0.115, efficiency: 0.92 });
    expect(usualValues('wheel', 'card-disc')).toMatchObject({ diameter: '120', thickness: '6' });
  });
});

describe('what is chosen for a car', () => {
  it.each(['lever', 'band', 'twist'] as MotorKind[])('%s: every choice can be made, read back and kept in a file', (kind) => {
    const car = newCar('x', kind);
    for (const choice of CHOICES[kind]) {
      if ('slot' in choice) continue;
      for (const key of Object.keys(choice.options)) {
        const made = choice.write(car, key as never);
        expect(choice.read(made), `${choice.label}: ${key}`).toBe(key);
        expect(readCarDesign(made)).toMatchObject({ kind: 'read' });
      }
    }
  });
  it('names every part of the catalogue once', () => {
    for (const table of Object.values(CATALOGUE)) {
      const labels = Object.values(table).map(({ label }) => label);
      expect(new Set(labels).size).toBe(labels.length);
    }
  });
});

describe('whether the same is chosen', () => {
  it.each(['lever', 'band', 'twist'] as const)('%s: whatever its sizes, but not with anything else chosen', (kind) => {
    const car = newCar('x', kind);
    for (const { id, high, write } of sizesOf(kind)) expect(isSameChoice(car, write(car, high)), id).toBe(true);
    for (const choice of CHOICES[kind]) {
      const others =
        'slot' in choice
          ? Object.keys(CATALOGUE[SLOTS[choice.slot].kind]).map((key) => fitCatalogue(car, choice.slot, key))
          : Object.keys(choice.options).map((key) => choice.write(car, key as never));
      expect(
        others.filter((other) => !isSameChoice(car, other)),
        choice.label,
      ).toHaveLength(others.length - 1);
    }
  });
});
