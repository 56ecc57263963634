/** A chance as evenings in ten, no finer than a forecast is known: `in 4 of 10`, `hardly ever`. */
export function inTen(chance: number): string {
  if (chance < 0.01) return 'hardly ever';
  if (chance < 0.05) return 'in fewer than 1 of 20';
  if (chance > 0.99) return 'nearly always';
  return `in ${Math.min(Math.max(Math.round(10 * chance), 1), 9)} of 10`;
}
