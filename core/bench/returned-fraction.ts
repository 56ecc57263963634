import { makeEstimate, propagateUncertainty, type Estimate } from './estimate.ts';

/** Area under readings by straight lines between them, from one x to another. */
function areaUnder(x: readonly number[], y: readonly number[], from: number, to: number): number {
  const order = x.map((_, i) => i).sort((a, b) => x[a]! - x[b]!);
  const at = (place: number): number => {
    const next = order.findIndex((i) => x[i]! >= place);
    if (next <= 0) return y[order[next < 0 ? order.length - 1 : 0]!]!;
    const [a, b] = [order[next - 1]!, order[next]!];
    return y[a]! + ((y[b]! - y[a]!) * (place - x[a]!)) / (x[b]! - x[a]! || 1);
  };
  const places = [from, ...order.map((i) => x[i]!).filter((place) => place > from && place < to), to];
  return places.slice(1).reduce((sum, place, i) => sum + ((at(places[i]!) + at(place)) / 2) * (place - places[i]!), 0);
}

/**
 * Fraction of the work that is returned: area under the unloading curve over area under the loading curve, over the range that both were read.
 * Standard deviation: that of each reading, for the whole area (our estimate).
 * @param scatter standard deviation of one reading, in the unit of y
 */
export function returnedFraction(
  out: { readonly x: readonly number[]; readonly y: readonly number[] },
  back: { readonly x: readonly number[]; readonly y: readonly number[] },
  scatter: number,
): Estimate {
  const from = Math.max(Math.min(...out.x), Math.min(...back.x));
  const to = Math.min(Math.max(...out.x), Math.max(...back.x));
  const area = ({ x, y }: typeof out): Estimate =>
    makeEstimate(areaUnder(x, y, from, to), ((to - from) * scatter) / Math.sqrt(x.length), Math.max(1, x.length - 2));
  return propagateUncertainty([area(back), area(out)], (gave, took) => gave / took);
}
