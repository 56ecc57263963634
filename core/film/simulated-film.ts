import { randomGenerator, standardNormal } from '../numerics/low-discrepancy.ts';
import type { Frame } from './frame.ts';
import type { FloorPlace, Pixels } from './homography.ts';

/** A camera that is not real: where it stands, m, where on the floor it looks, and its lens, pixels. */
export interface SimulatedCamera {
  readonly place: readonly [x: number, y: number, z: number];
  readonly looksAt: FloorPlace;
  readonly focal: number;
  readonly picture: readonly [width: number, height: number];
}

type Vector = readonly [number, number, number];
const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: Vector, b: Vector): Vector => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
const unit = (a: Vector): Vector => {
  const length = Math.sqrt(dot(a, a));
  return [a[0] / length, a[1] / length, a[2] / length];
};

/** Where a pinhole camera sees a place, m: pixels, and how many of them a metre there takes across. */
export function seenBy({
  place,
  looksAt,
  focal,
  picture: [width, height],
}: SimulatedCamera): (at: Vector) => { readonly pixels: Pixels; readonly perMetre: number } {
  const forward = unit(minus([...looksAt, 0], place));
  const right = unit(cross(forward, [0, 0, 1]));
  const down = cross(forward, right);
  return (at) => {
    const to = minus(at, place);
    const depth = dot(to, forward);
    return {
      pixels: [width / 2 + (focal * dot(to, right)) / depth, height / 2 + (focal * dot(to, down)) / depth],
      perMetre: focal / depth,
    };
  };
}

/** A film that is not real. */
export interface FilmScene {
  readonly camera: SimulatedCamera;
  readonly seed: number;
  /** Frames in a second, and frames. */
  readonly rate: number;
  readonly frames: number;
  /** m along the run at a time, s; how far the dot is to the left, how high, and its radius, m. */
  readonly distanceAt: (time: number) => number;
  readonly aside: number;
  readonly height: number;
  readonly radius: number;
  /** Levels of 255 that a pixel is off, one standard deviation; 4 by default. */
  readonly noise?: number;
  /** Times between which a foot stands before the camera where the dot is, s. */
  readonly covered?: readonly [from: number, to: number];
  /** Another dot of the same colour that stands still, m on the floor. */
  readonly twin?: FloorPlace;
}

const FLOOR = [150, 146, 138] as const;
const DOT = [235, 90, 40] as const;
const FOOT = [52, 50, 56] as const;
/** Pixels over which an edge is blurred. */
const BLUR = 1.2;

/** One frame of a scene. */
export function frameAt(
  { camera, seed, rate, distanceAt, aside, height, radius, noise = 4, covered, twin }: FilmScene,
  index: number,
): Frame {
  const [width, tall] = camera.picture;
  const time = index / rate;
  const look = seenBy(camera);
  const own = look([distanceAt(time), aside, height]);
  const discs = [{ ...own, colour: DOT, size: radius * own.perMetre }];
  if (twin) {
    const other = look([...twin, height]);
    discs.push({ ...other, colour: DOT, size: radius * other.perMetre });
  }
  const foot = covered && time >= covered[0] && time <= covered[1] ? own.pixels : null;
  const random = randomGenerator(seed * 7919 + index);
  // A row of normal deviations, begun elsewhere in each row: drawing one for each pixel would take the time of the test.
  const deviations = Float64Array.from({ length: 4099 }, () => noise * standardNormal(random()));
  const data = new Uint8ClampedArray(4 * width * tall);
  for (let y = 0; y < tall; y++) {
    let k = Math.floor(random() * deviations.length);
    for (let x = 0; x < width; x++) {
      let [red, green, blue]: readonly [number, number, number] = FLOOR;
      for (const { pixels, colour, size } of discs) {
        const part = Math.min(Math.max((size - Math.hypot(x + 0.5 - pixels[0], y + 0.5 - pixels[1])) / BLUR + 0.5, 0), 1);
        if (part > 0)
          [red, green, blue] = [red + part * (colour[0] - red), green + part * (colour[1] - green), blue + part * (colour[2] - blue)];
      }
      if (foot && Math.abs(x - foot[0]) < 30 && Math.abs(y - foot[1]) < 40) [red, green, blue] = FOOT;
      const at = 4 * (y * width + x);
      k = (k + 3) % (deviations.length - 3);
      data[at] = red + deviations[k]!;
      data[at + 1] = green + deviations[k + 1]!;
      data[at + 2] = blue + deviations[k + 2]!;
      data[at + 3] = 255;
    }
  }
  return { width, height: tall, data, time };
}

/** All frames, one by one. */
export function* framesOf(scene: FilmScene): Generator<Frame> {
  for (let i = 0; i < scene.frames; i++) yield frameAt(scene, i);
}
