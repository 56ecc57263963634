import { chromaAt, colourOf, pixelsWithin, windowAbout, type DotColour, type Frame, type PictureWindow } from './frame.ts';
import type { Pixels } from './homography.ts';

/** Where the dot is in a frame, and how surely: 1 as at first, near 0 where little of it is seen. */
export interface FollowedDot {
  readonly time: number;
  readonly pixels: Pixels;
  readonly confidence: number;
}

/** Why a dot is seen no longer: it reaches the edge of the picture; or it is covered, or seen with another of its colour. */
export type DotLoss = 'out-of-picture' | 'dot-lost';

/** Follows a dot frame by frame. */
export interface DotFollower {
  /** What it wants to see of the picture at a time. */
  readonly window: (time: number) => PictureWindow;
  /** Looks at that window; tells why where the dot is lost, and from then on until it is shown again. */
  readonly see: (frame: Frame) => FollowedDot | DotLoss;
  /** Shows it where the dot is in the next frame. */
  readonly show: (pixels: Pixels) => void;
}

/** How far a colour may be from the dot's, one standard deviation, as a fraction of all colours. Tried out. */
const LIKE = 0.035;
/** Steps of the mean shift at most, and pixels below which it stands. */
const STEPS = 12;
const STANDS = 0.02;
/** Confidence below which a dot is lost, and spread beyond that of the last sights at which two are seen in place of one. */
const LOST_BELOW = 0.4;
const TWO = 1.7;
/** Times as wide as the dot that the window is; how many times that is looked at; and standard deviations of where the dot may be that are. */
const AROUND = 2.2;
const LEADS = 2.5;
const SURE_OF = 2;
/** Radii of the dot from the edge of the picture at which it is out of it. */
const EDGE = 1.3;
/** Part by which a sight changes what is expected of the next: a dot that goes away grows smaller. */
const LEARNS = 0.08;
/** Pixels² per s³ by which a car speeds up, and pixels² that a middle is off: how fast the filter believes what it sees. Estimates. */
const PUSH = 4e5;
const SEEN = 0.25;

interface Sight {
  readonly middle: Pixels;
  readonly mass: number;
  /** Pixels that its colour spreads about its middle. */
  readonly spread: number;
}

/** Where the colour lies about a place: its mean shift until it stands. */
export function sightAt(frame: Frame, { red, green }: DotColour, from: Pixels, radius: number): Sight {
  let middle = from;
  let [mass, spread] = [0, 0];
  for (let step = 0; step < STEPS; step++) {
    let [sum, x, y, square] = [0, 0, 0, 0];
    for (const [px, py] of pixelsWithin(frame, middle, radius)) {
      const chroma = chromaAt(frame, px, py);
      const off = ((chroma.red - red) ** 2 + (chroma.green - green) ** 2) / (2 * LIKE ** 2);
      const weight = off > 8 ? 0 : Math.exp(-off);
      sum += weight;
      x += weight * (px + 0.5);
      y += weight * (py + 0.5);
      square += weight * ((px + 0.5 - middle[0]) ** 2 + (py + 0.5 - middle[1]) ** 2);
    }
    if (sum < 1e-6) return { middle, mass: 0, spread: 0 };
    const next: Pixels = [x / sum, y / sum];
    const moved = Math.hypot(next[0] - middle[0], next[1] - middle[1]);
    [middle, mass, spread] = [next, sum, Math.sqrt(square / sum)];
    if (moved < STANDS) break;
  }
  return { middle, mass, spread };
}

/** Pixels about a click that count as its colour, how far about it the dot may reach, and what is the least and most radius of one. */
const CLICKED = 2.5;
const REACHES = 30;
const RADII = [2.5, 24] as const;

/** How large a dot is that was clicked: the radius of a disc of as many pixels of its colour. */
export function dotRadius(frame: Frame, clicked: Pixels): number {
  const colour = colourOf(frame, clicked, CLICKED);
  const near = sightAt(frame, colour, clicked, REACHES / 3);
  const { mass } = sightAt(frame, colour, near.middle, REACHES);
  return Math.min(Math.max(Math.sqrt(mass / Math.PI), RADII[0]), RADII[1]);
}
/** What has to be seen about a click to tell that. */
export const DOT_REACH = 2 * REACHES;

/** A constant-velocity Kalman filter of one coordinate. Source: Bar-Shalom, Li & Kirubarajan, *Estimation with Applications* (2001), §6.2. */
interface Track {
  readonly at: number;
  readonly speed: number;
  readonly variance: readonly [at: number, both: number, speed: number];
}
const begun = (at: number): Track => ({ at, speed: 0, variance: [SEEN, 0, PUSH] });
const ahead = ({ at, speed, variance: [a, b, c] }: Track, by: number): Track => ({
  at: at + speed * by,
  speed,
  variance: [a + 2 * by * b + by * by * c + (PUSH * by ** 3) / 3, b + by * c + (PUSH * by * by) / 2, c + PUSH * by],
});
function corrected({ at, speed, variance: [a, b, c] }: Track, seen: number): Track {
  const gain = [a / (a + SEEN), b / (a + SEEN)] as const;
  return {
    at: at + gain[0] * (seen - at),
    speed: speed + gain[1] * (seen - at),
    variance: [(1 - gain[0]) * a, (1 - gain[0]) * b, c - gain[1] * b],
  };
}

/**
 * Follows a dot that was clicked: the mean shift of its colour in a window that a constant-velocity Kalman filter leads. It is lost where it is
 * covered, out of sight, or seen with another of its colour.
 * @param picture width and height, pixels
 * @param clicked the middle of the dot in the first frame
 * @param radius of the dot, pixels
 * Source: Comaniciu, Ramesh & Meer, IEEE Trans. PAMI 25 (2003), for the mean shift.
 */
export function dotFollower(picture: readonly [width: number, height: number], clicked: Pixels, radius: number): DotFollower {
  let colour: DotColour | null = null;
  let expected: Sight | null = null;
  let shown: Pixels | null = clicked;
  let last: { readonly time: number; readonly tracks: readonly [Track, Track] } | null = null;
  const led = (time: number): readonly [Track, Track] =>
    shown || !last
      ? [begun((shown ?? clicked)[0]), begun((shown ?? clicked)[1])]
      : [ahead(last.tracks[0], time - last.time), ahead(last.tracks[1], time - last.time)];
  return {
    window: (time) => {
      const [u, v] = led(time);
      return windowAbout([u.at, v.at], LEADS * AROUND * radius, picture);
    },
    see: (frame) => {
      const [u, v] = led(frame.time);
      const from: Pixels = [u.at, v.at];
      colour ??= colourOf(frame, clicked, radius * 0.7);
      const close = sightAt(frame, colour, from, AROUND * radius);
      const before = (expected ??= close);
      const isFound = ({ mass, spread }: Sight): boolean => mass >= LOST_BELOW * before.mass && mass > 0 && spread <= TWO * before.spread;
      // Where it is not at once, as far about as it may have got since.
      const unsure = SURE_OF * Math.sqrt(Math.max(u.variance[0], v.variance[0]));
      const rough = isFound(close) ? close : sightAt(frame, colour, from, Math.min(AROUND * radius + unsure, LEADS * AROUND * radius));
      const sight = isFound(close) || rough.mass === 0 ? close : sightAt(frame, colour, rough.middle, AROUND * radius);
      const confidence = before.mass > 0 ? Math.min(sight.mass / before.mass, 1) : 0;
      const [x, y] = confidence < LOST_BELOW ? from : sight.middle;
      // At the edge a part of it is cut off, and its middle with it.
      if (Math.min(x, y, picture[0] - x, picture[1] - y) < EDGE * radius) return 'out-of-picture';
      if (!isFound(sight)) return 'dot-lost';
      expected = {
        middle: sight.middle,
        mass: before.mass + LEARNS * (sight.mass - before.mass),
        spread: before.spread + LEARNS * (sight.spread - before.spread),
      };
      const seen: readonly [Track, Track] = shown
        ? [begun(sight.middle[0]), begun(sight.middle[1])]
        : [corrected(u, sight.middle[0]), corrected(v, sight.middle[1])];
      last = { time: frame.time, tracks: seen };
      shown = null;
      return { time: frame.time, pixels: sight.middle, confidence };
    },
    show: (pixels) => {
      shown = pixels;
    },
  };
}
