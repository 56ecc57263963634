import { chromaAt, colourOf, pixelsWithin, type DotColour, type Frame } from './frame.ts';
import type { Pixels } from './homography.ts';

/** Where the dot is in a frame, and how surely: 1 as at first, near 0 where little of it is seen. */
export interface FollowedDot {
  readonly time: number;
  readonly pixels: Pixels;
  readonly confidence: number;
}

/** What following a dot came to: until it was lost, and at which frame, counted from 0; null where it was seen to the end. */
export interface Followed {
  readonly points: readonly FollowedDot[];
  readonly lostAt: number | null;
}

/** How far a colour may be from the dot's, one standard deviation, as a fraction of all colours. Tried out. */
const LIKE = 0.035;
/** Steps of the mean shift at most, and pixels below which it stands. */
const STEPS = 12;
const STANDS = 0.02;
/** Confidence below which a dot is lost, and spread beyond that of the first sight at which two are seen in place of one. */
const LOST_BELOW = 0.4;
const TWO = 1.7;
/** Pixels that the window is wider than the dot. */
const AROUND = 2.2;
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
function sightAt(frame: Frame, { red, green }: DotColour, from: Pixels, radius: number): Sight {
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

/** A constant-velocity Kalman filter of one coordinate. Source: Bar-Shalom, Li & Kirubarajan, *Estimation with Applications* (2001), §6.2. */
interface Track {
  readonly at: number;
  readonly speed: number;
  readonly variance: readonly [at: number, both: number, speed: number];
}
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
 * Follows a dot that was clicked through the frames after it: the mean shift of its colour in a window that a constant-velocity Kalman filter
 * leads. It ends where the dot is covered, out of sight, or seen with another of its colour.
 * @param frames in the order of time, the one that was clicked first
 * @param clicked the middle of the dot in the first frame
 * @param radius of the dot, pixels
 * @param onFrame gets the number of frames done; false ends it
 * Source: Comaniciu, Ramesh & Meer, IEEE Trans. PAMI 25 (2003), for the mean shift.
 */
export function followDot(
  frames: Iterable<Frame>,
  clicked: Pixels,
  radius: number,
  onFrame: (done: number) => boolean = () => true,
): Followed {
  const points: FollowedDot[] = [];
  let colour: DotColour | null = null;
  let first: Sight | null = null;
  let tracks: readonly [Track, Track] | null = null;
  for (const frame of frames) {
    colour ??= colourOf(frame, clicked, radius * 0.7);
    const before = points.at(-1);
    const by = before ? frame.time - before.time : 0;
    const led = tracks?.map((track) => ahead(track, by)) as readonly [Track, Track] | undefined;
    const from: Pixels = led ? [led[0].at, led[1].at] : clicked;
    const isInside = from[0] > -radius && from[1] > -radius && from[0] < frame.width + radius && from[1] < frame.height + radius;
    const sight = isInside ? sightAt(frame, colour, from, AROUND * radius) : { middle: from, mass: 0, spread: 0 };
    first ??= sight;
    const confidence = first.mass > 0 ? Math.min(sight.mass / first.mass, 1) : 0;
    if (confidence < LOST_BELOW || sight.spread > TWO * first.spread) return { points, lostAt: points.length };
    points.push({ time: frame.time, pixels: sight.middle, confidence });
    tracks = led
      ? [corrected(led[0], sight.middle[0]), corrected(led[1], sight.middle[1])]
      : ([0, 1].map((k): Track => ({ at: sight.middle[k]!, speed: 0, variance: [SEEN, 0, PUSH] })) as unknown as readonly [Track, Track]);
    if (!onFrame(points.length)) break;
  }
  return { points, lostAt: null };
}
