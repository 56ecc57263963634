import { useMemo } from 'react';
import type { Pixels } from '../../core/film/homography.ts';
import { useLocalStorage } from '../ui/use-local-storage.ts';

/** How the marks on the floor are laid: corners of a rectangle, along the line of the run, or anywhere. */
export type MarkLayout = 'rectangle' | 'line' | 'free';

/** What is known of the floor and the car before a film is looked at. m. */
export interface FilmSetup {
  readonly layout: MarkLayout;
  /** Of the rectangle: along the run, and across it. */
  readonly length: number;
  readonly width: number;
  /** Along the line of the run. */
  readonly line: readonly number[];
  /** Along the run, and to its left. */
  readonly free: readonly (readonly [number, number])[];
  /** Of the dot over the floor. */
  readonly height: number;
  /** Where the camera stood, where the picture does not tell it: along the run, beside it, over the floor. */
  readonly camera: readonly [number, number, number];
}

const USUAL: FilmSetup = {
  layout: 'rectangle',
  length: 4,
  width: 1,
  line: [0, 1, 2, 3, 4],
  free: [
    [0, 0],
    [4, 0],
    [4, 1],
    [0, 1],
  ],
  height: 0.05,
  camera: [2, 3.5, 1],
};

/**
 * The setup of a car’s films, stored in this browser: the next film is most often made alike.
 * @param marks m, those of the session, along its line
 * @param lane m, the width of the floor’s lane; null where there is none
 */
export function useFilmSetup(
  carId: string,
  marks: readonly number[],
  lane: number | null,
): readonly [FilmSetup, (change: Partial<FilmSetup>) => void] {
  const [stored, setStored] = useLocalStorage<Partial<FilmSetup>>(`film-${carId}`, NOTHING_STORED);
  // All that follows from it is worked out anew only when it changes.
  const setup = useMemo(() => filmSetup(stored, marks, lane), [stored, marks, lane]);
  return [setup, (change) => setStored({ ...stored, ...change })];
}
const NOTHING_STORED: Partial<FilmSetup> = {};

/** What was set before; else what floor and session tell, and what is usual. */
export const filmSetup = (stored: Partial<FilmSetup>, marks: readonly number[], lane: number | null): FilmSetup => ({
  ...USUAL,
  ...(lane !== null && { width: lane }),
  ...(marks.length >= 2 && { length: marks.at(-1)!, line: [0, ...marks.filter((at) => at > 0)] }),
  ...stored,
});

/** Signed area of a polygon in a picture: below 0 where it goes to the right at its near side. */
const areaOf = (corners: readonly Pixels[]): number =>
  corners.reduce((sum, [u, v], i) => {
    const [nextU, nextV] = corners[(i + 1) % corners.length]!;
    return sum + (u * nextV - nextU * v) / 2;
  }, 0);

/**
 * Where the marks are on the floor, m: x along the run, y to its left; along one line x alone. The far side of a rectangle is to the left of a
 * car that runs to the right of the picture, and to the right of one that runs to the left.
 * @param seen where they are in the picture, those that were set
 */
export function marksOnFloor(
  { layout, length, width, line, free }: FilmSetup,
  seen: readonly (Pixels | null)[] = [],
): readonly (readonly [number] | readonly [number, number])[] {
  if (layout === 'line') return line.map((x) => [x] as const);
  if (layout === 'free') return free;
  const corners = seen.slice(0, 4).flatMap((pixels) => (pixels ? [pixels] : []));
  const far = corners.length === 4 && areaOf(corners) > 0 ? -width : width;
  return [
    [0, 0],
    [length, 0],
    [length, far],
    [0, far],
  ];
}

const CORNERS = ['start, near side', 'end, near side', 'end, far side', 'start, far side'];
/** What a mark is called where it is to be found. */
export const describeMark = (layout: MarkLayout, index: number, place: readonly number[], format: (metres: number) => string): string =>
  layout === 'rectangle'
    ? CORNERS[index]!
    : layout === 'line'
      ? `at ${format(place[0]!)}`
      : `${format(place[0]!)} along, ${format(Math.abs(place[1] ?? 0))} to the ${(place[1] ?? 0) < 0 ? 'right' : 'left'}`;
