import { parseQuantity } from '../units/quantity.ts';

/** A place and when it was passed, as a file of positions and times tells them: m, s. */
export interface WayPoint {
  readonly at: number;
  readonly time: number;
}

/** What a file of positions and times tells, or what is wrong with it, by line. */
export interface ReadWay {
  readonly points: readonly WayPoint[];
  readonly faults: readonly string[];
}

const POSITION = /^(pos|dist|place|mark|way|x\b|metre|meter|m\b)/;
const TIME = /^(time|t\b|sec|s\b)/;
/** Faults that are reported, and points that a run keeps. */
const MOST_FAULTS = 5;
const MOST_POINTS = 300;

/**
 * Reads rows of positions and times, under headings or in that order; numbers as people type them, in metres and seconds unless they say a
 * unit. Times are counted from the last row that is not yet beyond the line. A long file is thinned evenly to what a run keeps.
 */
export function readWayTable(rows: readonly (readonly string[])[]): ReadWay {
  const [first = []] = rows;
  const small = first.map((cell) => cell.trim().toLowerCase());
  const hasHeadings = small.some((cell) => POSITION.test(cell) || TIME.test(cell));
  const found = (pattern: RegExp, otherwise: number): number => {
    const place = small.findIndex((cell) => pattern.test(cell));
    return hasHeadings && place >= 0 ? place : otherwise;
  };
  const time = found(TIME, 1);
  const position = found(POSITION, time === 0 ? 1 : 0);
  const faults: string[] = [];
  const points = rows.slice(hasHeadings ? 1 : 0).flatMap((row, i): WayPoint[] => {
    const read = (place: number, quantity: 'distance' | 'time') => parseQuantity((row[place] ?? '').trim(), quantity, 'metric');
    const [x, t] = [read(position, 'distance'), read(time, 'time')];
    if (x.kind === 'unclear' || t.kind === 'unclear') {
      const line = i + (hasHeadings ? 2 : 1);
      faults.push(`line ${line}: ${x.kind === 'unclear' ? `position: ${x.message}` : `time: ${(t as { message: string }).message}`}`);
      return [];
    }
    return [{ at: x.value, time: t.value }];
  });
  const begun = points.findLast(({ at }) => at <= 0)?.time ?? 0;
  const onTheWay = points.filter(({ at, time: t }) => at > 0 && t > begun).map(({ at, time: t }) => ({ at, time: t - begun }));
  const every = Math.ceil(onTheWay.length / MOST_POINTS);
  return { points: onTheWay.filter((_, i) => (onTheWay.length - 1 - i) % every === 0), faults: faults.slice(0, MOST_FAULTS) };
}
