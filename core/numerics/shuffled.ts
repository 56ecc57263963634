import { randomGenerator } from './low-discrepancy.ts';

/** A list in an order drawn by a seed (Fisher and Yates): the same seed draws the same. */
export function shuffled<T>(list: readonly T[], seed: number): readonly T[] {
  const random = randomGenerator(seed);
  const copy = [...list];
  for (let i = copy.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1));
    [copy[i], copy[j]] = [copy[j]!, copy[i]!];
  }
  return copy;
}
