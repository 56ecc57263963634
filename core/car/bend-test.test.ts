import { describe, expect, it } from 'vitest';
import { AXLES } from './catalogue.ts';
import { flatSection, modulusFromBending, roundSection } from './bend-test.ts';

describe('a bend test', () => {
  it('by hand: 10 g on 200 mm of a 3 mm rod that goes down 10 mm', () => {
    // I = π · 3⁴/64 = 3.976 mm⁴; E = 0.01 · 9.81 · 0.2³/(3 · 0.01 · 3.976e-12) = 6.58 GPa.
    expect(roundSection(0.003)).toBeCloseTo(3.976e-12, 15);
    expect(modulusFromBending({ freeLength: 0.2, load: 0.01, drop: 0.01 }, roundSection(0.003)) / 1e9).toBeCloseTo(6.58, 2);
    // A strip of card of 60 × 2 mm: I = 60 · 8/12 = 40 mm⁴; 20 g on 150 mm, 14 mm down: 0.39 GPa.
    expect(flatSection(0.06, 0.002)).toBeCloseTo(40e-12, 15);
    expect(modulusFromBending({ freeLength: 0.15, load: 0.02, drop: 0.014 }, flatSection(0.06, 0.002)) / 1e9).toBeCloseTo(0.394, 3);
  });
  it('of a tube is of its wall: with half the section three quarters of the stiffness are left', () => {
    expect(roundSection(0.01, 0.5) / roundSection(0.01)).toBeCloseTo(0.75, 9);
  });
  it('of a skewer comes near the catalogue’s stiffness', () => {
    const { modulus, diameter } = AXLES.skewer;
    const drop = (0.01 * 9.80665 * 0.2 ** 3) / (3 * modulus * roundSection(diameter));
    expect(modulusFromBending({ freeLength: 0.2, load: 0.01, drop }, roundSection(diameter))).toBeCloseTo(modulus, -3);
  });
});
