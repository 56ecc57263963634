import type { Floor } from '../../core/car/car-design.ts';
import { floorProfile, onProfile } from '../../core/car/floors.ts';

/** A place that counts on a floor: a mark, or a gap of some width, m. */
export interface FloorMark {
  readonly at: number;
  readonly width?: number;
  readonly label: string;
}

/** px about the drawing; m that an open floor is drawn beyond what is on it, and that it is drawn wide where no lane says. */
const MARGIN = { left: 44, right: 26, top: 20, between: 40, bottom: 8 };
const BEYOND = 2;
const USUAL_END = 10;
const USUAL_WIDTH = 1.2;
/** px: at least so wide, whatever the page. */
const NARROWEST_PAGE = 260;
/** px that a floor seen from above is drawn high, at least and at most; beyond, it is drawn narrower than to scale, and says so. */
const NARROWEST = 26;
const WIDEST = 110;

/** A part of a floor with one surface and one slope, from m to m. */
export interface FloorPiece {
  readonly from: number;
  readonly to: number;
  readonly kind: Floor['kind'];
  readonly slope: number;
}

/** Where things of a floor are drawn, px. */
export interface StripScale {
  readonly width: number;
  readonly height: number;
  /** m that the strip ends at. */
  readonly end: number;
  readonly perMetre: number;
  readonly x: (along: number) => number;
  /** The surface, seen from the side. */
  readonly side: (along: number) => number;
  /** Seen from above: upper edge, middle line, and how high the lane is drawn. */
  readonly above: number;
  readonly middle: number;
  readonly deep: number;
  readonly deepPerMetre: number;
  readonly isWidthToScale: boolean;
  readonly pieces: readonly FloorPiece[];
}

/** The scale of a strip on a page that is so wide, px. */
export function stripScale(floor: Floor, marks: readonly FloorMark[], pageWidth: number): StripScale {
  const { left, right, top, between, bottom } = MARGIN;
  const places = [...floor.stretches.map(({ from }) => from), ...floor.edges.map(({ at }) => at), ...marks.map(({ at }) => at)];
  const end = floor.roomLength ?? Math.max(USUAL_END, ...places.map((place) => place + BEYOND));
  const profile = floorProfile(floor, end);
  const across = Math.max(pageWidth, NARROWEST_PAGE) - left - right;
  const perMetre = across / end;
  const heights = profile.map(({ y }) => y);
  const [lowest, highest] = [Math.min(0, ...heights), Math.max(0, ...heights)];
  const laneWidth = floor.laneWidth ?? Math.max(USUAL_WIDTH, ...marks.map((mark) => 1.5 * (mark.width ?? 0)));
  const toScale = laneWidth * perMetre;
  const deep = Math.min(Math.max(toScale, NARROWEST), WIDEST);
  const above = top + 14 + (highest - lowest) * perMetre + between;
  const starts = [{ from: 0, kind: floor.kind, slope: floor.slope }, ...floor.stretches].filter(({ from }) => from < end);
  return {
    width: left + across + right,
    height: above + deep + 22 + bottom,
    end,
    perMetre,
    x: (along) => left + along * perMetre,
    // As high as it rises, to the same scale.
    side: (along) => top + 14 + (highest - onProfile(profile, along).y) * perMetre,
    above,
    middle: above + deep / 2,
    deep,
    deepPerMetre: deep / laneWidth,
    isWidthToScale: toScale === deep,
    pieces: starts.map(({ from, kind, slope }, i) => ({ from, kind, slope, to: starts[i + 1]?.from ?? end })),
  };
}

/** A colour of the palette, in a drawing. */
export const stripColour = (name: string): string => `var(--mui-palette-workbench-${name})`;

/** px of one letter. */
const LETTER = 7;
/** A text cut to so many px. */
export const cutText = (text: string, px: number): string => {
  const letters = Math.floor(px / LETTER);
  return text.length > letters ? `${text.slice(0, Math.max(letters - 1, 0))}…` : text;
};
