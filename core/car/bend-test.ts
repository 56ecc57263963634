import { GRAVITY } from '../constants.ts';

/** A piece held at one end with a weight at the other. SI units. */
export interface BendTest {
  /** m from where it is held to where the weight hangs. */
  readonly freeLength: number;
  /** kg that hangs on its end. */
  readonly load: number;
  /** m by which the end goes down under that weight. */
  readonly drop: number;
}

/** Second moment of area of a round rod, m⁴: π d⁴/64; of a tube of which the share s is material s(2 − s) of it. Source: Roark's Formulas for Stress and Strain. */
export const roundSection = (diameter: number, solidity = 1): number => (Math.PI * diameter ** 4 * solidity * (2 - solidity)) / 64;

/** Second moment of area of a flat strip, m⁴: b t³/12. Source: the same. */
export const flatSection = (width: number, thickness: number): number => (width * thickness ** 3) / 12;

/**
 * Modulus of elasticity, Pa, of a piece that bends as a cantilever: E = m g ℓ³/(3 δ I). Source: Roark's Formulas for Stress and Strain.
 * @param section second moment of area, m⁴
 * @example modulusFromBending({ freeLength: 0.2, load: 0.01, drop: 0.01 }, roundSection(0.003)) // 6.58e9, as of a skewer
 */
export const modulusFromBending = ({ freeLength, load, drop }: BendTest, section: number): number =>
  (load * GRAVITY * freeLength ** 3) / (3 * drop * section);
