/**
 * A smooth curve through points that rise, which never falls between them: cubic pieces whose slopes are held to three times the slopes beside
 * them. Source: Fritsch & Carlson, SIAM J. Numer. Anal. 17 (1980).
 * @param points by rising x
 * @param ends slopes at the first and the last point
 * @returns y at x; the first and last beyond them
 * @example monotoneCubic([[0, 0], [2, 2]], [0, 0])(1) // 1
 */
export function monotoneCubic(
  points: readonly (readonly [x: number, y: number])[],
  ends: readonly [first: number, last: number],
): (x: number) => number {
  const steep = points.slice(1).map(([x, y], i) => (y - points[i]![1]) / (x - points[i]![0]));
  const slopes = points.map((_, i) => {
    if (i === 0) return Math.min(ends[0], 3 * (steep[0] ?? 0));
    if (i === steep.length) return Math.min(ends[1], 3 * steep[i - 1]!);
    const [before, after] = [steep[i - 1]!, steep[i]!];
    return before * after <= 0 ? 0 : Math.min((before + after) / 2, 3 * before, 3 * after);
  });
  return (x) => {
    if (x <= points[0]![0]) return points[0]![1];
    const at = points.findIndex(([right]) => right >= x);
    if (at < 0) return points.at(-1)![1];
    const [[x0, y0], [x1, y1]] = [points[at - 1]!, points[at]!];
    const width = x1 - x0;
    const u = (x - x0) / width;
    const v = 1 - u;
    return y0 * v * v * (1 + 2 * u) + y1 * u * u * (3 - 2 * u) + width * u * v * (slopes[at - 1]! * v - slopes[at]! * u);
  };
}
