/** `5, 1 into the wall, 2 did not start`. */
export const describeCount = ({
  count,
  walls,
  noStarts,
}: {
  readonly count: number;
  readonly walls: number;
  readonly noStarts: number;
}): string =>
  [`${count}`, ...(walls > 0 ? [`${walls} hit the wall`] : []), ...(noStarts > 0 ? [`${noStarts} did not start`] : [])].join(', ');
