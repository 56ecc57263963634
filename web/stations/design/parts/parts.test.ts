import { describe, expect, it } from 'vitest';
import type { MotorKind } from '../../../../core/car/car-design.ts';
import { newCar } from '../../../../core/car/new-car.ts';
import { CATALOGUE, fitCatalogue } from '../../../../core/car/parts.ts';
import { SLOTS } from '../../../../core/car/part-slots.ts';
import { readCarDesign } from '../../../../core/files/read.ts';
import { CHOICES, isSameChoice } from '../car/choices.ts';
import { sizesOf } from '../../../../core/car/sizes.ts';

describe('what is chosen for a car', () => {
  it.each(['lever', 'band', 'twist'] as MotorKind[])('%s: every choice can be made, read back and kept in a file', (kind) => {
    const car = newCar('x', kind);
    for (const choice of CHOICES[kind]) {
      if ('slot' in choice) continue;
      for (const key of Object.keys(choice.options)) {
        const made = choice.write(car, key);
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
          : Object.keys(choice.options).map((key) => choice.write(car, key));
      expect(
        others.filter((other) => !isSameChoice(car, other)),
        choice.label,
      ).toHaveLength(others.length - 1);
    }
  });
});
