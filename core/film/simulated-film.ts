import { randomGenerator, standardNormal } from '../numerics/low-discrepancy.ts';
import type { Frame, PictureWindow } from './frame.ts';
import type { FloorPlace, Pixels } from './homography.ts';

/** A camera that is not real: where it stands, m, where on the floor it looks, and its lens, pixels. */
export interface SimulatedCamera {
  readonly place: readonly [x: number, y: number, z: number];
  readonly looksAt: FloorPlace;
  readonly focal: number;
  readonly picture: readonly [width: number, height: number];
}

/** How a camera is turned from where it was: to the right, down, and about its own axis, rad. */
export type Turn = readonly [right: number, down: number, about: number];

type Vector = readonly [number, number, number];
const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a: Vector, b: Vector): Vector => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
const unit = (a: Vector): Vector => {
  const length = Math.sqrt(dot(a, a));
  return [a[0] / length, a[1] / length, a[2] / length];
};
const mixed = (a: Vector, b: Vector, angle: number): Vector =>
  [0, 1, 2].map((k) => Math.cos(angle) * a[k]! + Math.sin(angle) * b[k]!) as unknown as Vector;

/** What a pinhole camera sees at a place, m: pixels, and how many of them a metre there takes across. */
export type Look = (at: Vector) => { readonly pixels: Pixels; readonly perMetre: number };

/** How a pinhole camera sees. */
export function seenBy({ place, looksAt, focal, picture: [width, height] }: SimulatedCamera, [yaw, pitch, roll]: Turn = [0, 0, 0]): Look {
  const straight = unit(minus([...looksAt, 0], place));
  const level = unit(cross(straight, [0, 0, 1]));
  const upright = cross(straight, level);
  const aside = mixed(straight, level, yaw);
  const across = mixed(level, straight, -yaw);
  const forward = mixed(aside, upright, pitch);
  const below = mixed(upright, aside, -pitch);
  const right = mixed(across, below, roll);
  const down = mixed(below, across, -roll);
  return (at) => {
    const to = minus(at, place);
    const depth = dot(to, forward);
    return {
      pixels: [width / 2 + (focal * dot(to, right)) / depth, height / 2 + (focal * dot(to, down)) / depth],
      perMetre: focal / depth,
    };
  };
}

/** A drive wheel with a dot near its rim. */
export interface FilmedWheel {
  /** m: of the wheel, and from its axle to the dot; how far the axle is behind the car's dot. */
  readonly radius: number;
  readonly toDot: number;
  readonly behind: number;
  /** rad that it has turned at a time, s, forward. */
  readonly turnedAt: (time: number) => number;
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
  /** m to the left that it drifts to, at a time. */
  readonly driftAt?: (time: number) => number;
  /** Places on the floor that are marked by tape. */
  readonly marks?: readonly FloorPlace[];
  readonly wheel?: FilmedWheel;
  /** Levels of 255 that a pixel is off, one standard deviation; 4 by default. */
  readonly noise?: number;
  /** s that each frame is exposed: what moves is blurred; 0 by default. */
  readonly exposure?: number;
  /** Times as bright at a time, s. */
  readonly lightAt?: (time: number) => number;
  /** How the camera is turned at a time, s. */
  readonly turnAt?: (time: number) => Turn;
  /** Times between which a foot stands before the camera where the dot is, s. */
  readonly covered?: readonly [from: number, to: number];
  /** Another dot of the same colour that stands still, m on the floor. */
  readonly twin?: FloorPlace;
}

type Colour = readonly [red: number, green: number, blue: number];
const FLOOR: Colour = [150, 146, 138];
const BOARD: Colour = [138, 133, 124];
const TAPE: Colour = [240, 238, 230];
const CROSS: Colour = [40, 38, 42];
const BODY: Colour = [92, 84, 70];
const TYRE: Colour = [46, 44, 46];
const DOT: Colour = [235, 90, 40];
const WHEEL_DOT: Colour = [60, 110, 225];
const FOOT: Colour = [52, 50, 56];
/** Pixels over which an edge is blurred. */
const BLUR = 1.2;
/** Moments of an exposure that are drawn. */
const MOMENTS = 5;
/** m of a mark of tape, and of the dot of a wheel; of the car's body: behind and before its dot, and its edges over the floor. */
const TAPE_RADIUS = 0.035;
const WHEEL_DOT_RADIUS = 0.016;
const BODY_ENDS = [-0.24, 0.07] as const;
const BODY_HEIGHT = 0.014;
/** m from one board of the floor to the next. */
const BOARDS = 0.4;

/** A shape in the picture: which part of a pixel it covers, and what box it lies in. */
interface Shape {
  readonly colour: Colour;
  readonly box: readonly [left: number, top: number, right: number, bottom: number];
  readonly covers: (x: number, y: number) => number;
}
const part = (inside: number): number => Math.min(Math.max(inside / BLUR + 0.5, 0), 1);

function disc(colour: Colour, [u, v]: Pixels, radius: number): Shape {
  const reach = radius + BLUR;
  return { colour, box: [u - reach, v - reach, u + reach, v + reach], covers: (x, y) => part(radius - Math.hypot(x - u, y - v)) };
}
function box(colour: Colour, [left, top]: Pixels, [right, bottom]: Pixels): Shape {
  return {
    colour,
    box: [left - BLUR, top - BLUR, right + BLUR, bottom + BLUR],
    covers: (x, y) => part(Math.min(x - left, right - x)) * part(Math.min(y - top, bottom - y)),
  };
}
/** The same shape at several moments of an exposure. */
const blurred = (shapes: readonly Shape[]): Shape =>
  shapes.length === 1
    ? shapes[0]!
    : {
        colour: shapes[0]!.colour,
        box: [0, 1, 2, 3].map((k) => (k < 2 ? Math.min : Math.max)(...shapes.map((shape) => shape.box[k]!))) as unknown as Shape['box'],
        covers: (x, y) => shapes.reduce((sum, shape) => sum + shape.covers(x, y), 0) / shapes.length,
      };

/** What is drawn over the floor at a time, the nearest last. */
function shapesAt(scene: FilmScene, time: number): readonly Shape[] {
  const { camera, distanceAt, aside, height, radius, driftAt, marks = [], wheel, exposure = 0, turnAt, covered, twin } = scene;
  const moments = exposure > 0 ? Array.from({ length: MOMENTS }, (_, k) => time + exposure * ((k + 0.5) / MOMENTS - 0.5)) : [time];
  const atEach = (shape: (look: Look, at: number) => Shape): Shape => blurred(moments.map((at) => shape(seenBy(camera, turnAt?.(at)), at)));
  const carAt = (at: number): Vector => [distanceAt(at), aside + (driftAt?.(at) ?? 0), height];
  const still = marks.flatMap((place) =>
    [[TAPE, 1] as const, [CROSS, 0.4] as const].map(([colour, size]) =>
      atEach((look) => {
        const { pixels, perMetre } = look([...place, 0]);
        return disc(colour, pixels, size * TAPE_RADIUS * perMetre);
      }),
    ),
  );
  const dotOf = (at: (time: number) => Vector, size: number, colour: Colour): Shape =>
    atEach((look, when) => {
      const { pixels, perMetre } = look(at(when));
      return disc(colour, pixels, size * perMetre);
    });
  const axleAt = (at: number): Vector => {
    const [x, y] = carAt(at);
    return [x - (wheel?.behind ?? 0), y, wheel?.radius ?? 0];
  };
  const body = atEach((look, when) => {
    const [x, y, z] = carAt(when);
    return box(BODY, look([x + BODY_ENDS[0], y, z + BODY_HEIGHT]).pixels, look([x + BODY_ENDS[1], y, z - BODY_HEIGHT]).pixels);
  });
  const car = [
    ...(wheel ? [dotOf(axleAt, wheel.radius, TYRE)] : []),
    ...(wheel ? [body] : []),
    ...(wheel
      ? [
          dotOf(
            (at) => {
              const [x, y, z] = axleAt(at);
              const angle = 0.7 - wheel.turnedAt(at);
              return [x + wheel.toDot * Math.cos(angle), y, z + wheel.toDot * Math.sin(angle)];
            },
            WHEEL_DOT_RADIUS,
            WHEEL_DOT,
          ),
        ]
      : []),
    dotOf(carAt, radius, DOT),
  ];
  const foot = (): Shape => {
    const [u, v] = seenBy(camera)(carAt(time)).pixels;
    return box(FOOT, [u - 30, v - 40], [u + 30, v + 40]);
  };
  return [
    ...still,
    ...(twin ? [dotOf(() => [...twin, height], radius, DOT)] : []),
    ...car,
    ...(covered && time >= covered[0] && time <= covered[1] ? [foot()] : []),
  ];
}

/** Lines between the boards of the floor, as they are seen. */
function boardsOf(scene: FilmScene, time: number): (x: number) => readonly number[] {
  const look = seenBy(scene.camera, scene.turnAt?.(time));
  const lines = [-2, -1, 0, 1, 2, 3].map((n) => {
    const [near, far] = [look([scene.camera.place[0] - 1, n * BOARDS, 0]).pixels, look([scene.camera.place[0] + 1, n * BOARDS, 0]).pixels];
    const slope = (far[1] - near[1]) / (far[0] - near[0]);
    return (x: number): number => near[1] + slope * (x - near[0]);
  });
  return (x) => lines.map((line) => line(x));
}

/**
 * One frame of a scene, or a window of it, at a time.
 * @param seed of its noise
 */
export function pictureAt(scene: FilmScene, time: number, seed: number, window?: PictureWindow): Frame {
  const { camera, noise = 4, lightAt } = scene;
  const [wide, tall] = camera.picture;
  const { left, top, width, height } = window ?? { left: 0, top: 0, width: wide, height: tall };
  const colours = new Float32Array(3 * width * height);
  const boards = boardsOf(scene, time);
  for (let i = 0; i < width * height; i++) colours.set(FLOOR, 3 * i);
  for (let x = 0; x < width; x++)
    for (const line of boards(left + x + 0.5))
      for (let y = Math.max(Math.floor(line) - 2, top); y <= Math.min(Math.ceil(line) + 2, top + height - 1); y++) {
        const onLine = part(0.8 - Math.abs(y + 0.5 - line));
        const at = 3 * ((y - top) * width + x);
        for (let k = 0; k < 3; k++) colours[at + k] = colours[at + k]! + onLine * (BOARD[k]! - colours[at + k]!);
      }
  for (const { colour, box: sides, covers } of shapesAt(scene, time)) {
    const [fromX, toX] = [Math.max(Math.floor(sides[0]), left), Math.min(Math.ceil(sides[2]), left + width - 1)];
    const [fromY, toY] = [Math.max(Math.floor(sides[1]), top), Math.min(Math.ceil(sides[3]), top + height - 1)];
    for (let y = fromY; y <= toY; y++)
      for (let x = fromX; x <= toX; x++) {
        const covered = covers(x + 0.5, y + 0.5);
        if (covered === 0) continue;
        const at = 3 * ((y - top) * width + x - left);
        for (let k = 0; k < 3; k++) colours[at + k] = colours[at + k]! + covered * (colour[k]! - colours[at + k]!);
      }
  }
  const light = lightAt?.(time) ?? 1;
  const random = randomGenerator(seed);
  // A row of normal deviations, begun elsewhere in each row: drawing one for each pixel would take the time of the test.
  const deviations = Float64Array.from({ length: 4099 }, () => noise * standardNormal(random()));
  const data = new Uint8ClampedArray(4 * width * height);
  for (let y = 0; y < height; y++) {
    let d = Math.floor(random() * deviations.length);
    for (let x = 0; x < width; x++) {
      d = (d + 3) % (deviations.length - 3);
      const at = y * width + x;
      for (let k = 0; k < 3; k++) data[4 * at + k] = light * colours[3 * at + k]! + deviations[d + k]!;
      data[4 * at + 3] = 255;
    }
  }
  return { left, top, width, height, data, time };
}

/** One frame of a scene by its number, or a window of it. */
export const frameAt = (scene: FilmScene, index: number, window?: PictureWindow): Frame =>
  pictureAt(scene, index / scene.rate, scene.seed * 7919 + index, window);

/** Where the dot is seen at a time, and how large it is there, pixels. */
export function dotSeenAt(scene: FilmScene, time: number): { readonly pixels: Pixels; readonly radius: number } {
  const { pixels, perMetre } = seenBy(
    scene.camera,
    scene.turnAt?.(time),
  )([scene.distanceAt(time), scene.aside + (scene.driftAt?.(time) ?? 0), scene.height]);
  return { pixels, radius: scene.radius * perMetre };
}
