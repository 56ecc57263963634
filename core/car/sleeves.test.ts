import { describe, expect, it } from 'vitest';
import type { CarDesign } from './car-design.ts';
import { newCar } from './new-car.ts';
import { sleeveLines, sleevesFor } from './sleeves.ts';
import { TAPE } from './tape.ts';

const lever = newCar('x');

describe('sleeves, as builders make them', () => {
  it.each([0.002, 0.0032, 0.006, 0.012])('for an axle of %d m: up to fifteen wraps of tape, and what is thicker than it', (axle) => {
    const sleeves = sleevesFor(axle);
    const tape = sleeves.filter(({ kind }) => kind === 'tape').map(({ diameter }) => Math.round((diameter - axle) / (2 * TAPE)));
    expect(tape).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15]);
    const sizes = sleeves.map(({ diameter }) => diameter);
    expect(sizes).toEqual([...sizes].sort((a, b) => a - b));
    expect(Math.min(...sizes)).toBeGreaterThan(axle);
    expect(sleeves.some(({ kind, diameter }) => kind === 'cork' && diameter === 0.024)).toBe(true);
    expect(sleeves.some(({ kind }) => kind === 'straw')).toBe(axle < 0.007);
  });
  it('are told from the turns wound last, as what they are', () => {
    const sleeve: CarDesign['sleeve'] = [
      { kind: 'dowel-collar', diameter: 0.012, turns: 2 },
      { kind: 'tape', diameter: lever.axleDiameter + 18 * TAPE, turns: 1.5 },
    ];
    const lines = (units: 'metric' | 'inch') => sleeveLines({ ...lever, sleeve }, units).map((line) => line.replaceAll('\u00a0', ' '));
    expect(lines('metric')).toEqual(['9 wraps of 0.13 mm tape under the last 1½ turns', 'dowel collar, ⌀ 12 mm, under the 2 turns before']);
    expect(lines('inch')[1]).toBe('dowel collar, ⌀ 0.47 in, under the 2 turns before');
    expect(sleeveLines(lever, 'metric')).toEqual([]);
  });
});
