import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { standardNormal, randomGenerator } from '../numerics/low-discrepancy.ts';
import type { Film } from '../schema/generated/film.ts';
import { cameraOf, placeOf } from './camera.ts';
import { homographyOf, inverseOf, mapped, residualsOf, type Mark, type Pixels } from './homography.ts';
import { alongLine, lineOf } from './line.ts';
import { measureFilm, type MeasuredFilm } from './measured-film.ts';
import { seenBy } from './simulated-film.ts';
import { smoothed } from './smoothing.ts';

interface Reference {
  readonly homographies: readonly {
    readonly picture: [number, number];
    readonly marks: { readonly floor: [number, number][]; readonly pixels: [number, number][] };
    readonly homography: number[][];
    readonly focal: number;
    readonly camera: number[];
    readonly seen: readonly {
      readonly pixels: [number, number];
      readonly height: number;
      readonly onFloorAsSeen: number[];
      readonly place: number[];
    }[];
  }[];
  readonly lines: readonly {
    readonly marks: number[];
    readonly pixels: number[];
    readonly fit: number[];
    readonly asked: number[];
    readonly places: number[];
  }[];
  readonly smoothing: {
    readonly fps: number;
    readonly positions: number[];
    readonly smoothed: number[];
    readonly speed: number[];
    readonly acceleration: number[];
  };
}
/** Made independently with NumPy and SciPy: a normalised DLT, the camera of one plane, scipy.signal.savgol_filter. */
const reference = JSON.parse(readFileSync(new URL('reference/reference-film.json', import.meta.url), 'utf8')) as Reference;
const marksOf = ({ marks }: Reference['homographies'][number]): Mark[] =>
  marks.floor.map((floor, i) => ({ floor, pixels: marks.pixels[i]! }));

/** A camera at a place, looking at a point of the floor: pixels of any place. */
const pinhole = (place: readonly [number, number, number], looksAt: readonly [number, number]) => {
  const look = seenBy({ place, looksAt, focal: 1000, picture: [1280, 720] });
  return (x: number, y: number, z = 0): Pixels => look([x, y, z]).pixels;
};

describe('the floor in a picture', () => {
  it.each(reference.homographies.map((one, i) => [i, one] as const))(
    '%d is seen as the reference has it: homography, camera, places under dots',
    (_, one) => {
      const homography = homographyOf(marksOf(one))!;
      homography.forEach((row, i) => row.forEach((value, k) => expect(value).toBeCloseTo(one.homography[i]![k]!, 2)));
      const camera = cameraOf(homography, one.picture)!;
      expect(Math.abs(camera.focal / one.focal - 1)).toBeLessThan(1e-5);
      camera.place.forEach((value, i) => expect(Math.abs(value - one.camera[i]!)).toBeLessThan(1e-4));
      for (const { pixels, height, onFloorAsSeen, place } of one.seen) {
        mapped(inverseOf(homography), pixels).forEach((value, i) => expect(Math.abs(value - onFloorAsSeen[i]!)).toBeLessThan(1e-4));
        placeOf(homography, camera, pixels, height).forEach((value, i) => expect(Math.abs(value - place[i]!)).toBeLessThan(1e-4));
      }
    },
  );
  it('of a square that is seen as it lies is itself; of marks in one line, or of three, it is not told', () => {
    const square: Mark[] = (
      [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ] as const
    ).map((place) => ({ floor: place, pixels: place }));
    homographyOf(square)!
      .flat()
      .forEach((value, i) => expect(value).toBeCloseTo(i % 4 === 0 ? 1 : 0, 9));
    expect(homographyOf(square.slice(1))).toBeNull();
    expect(homographyOf([0, 1, 2, 3].map((x) => ({ floor: [x, 0], pixels: [100 * x, 50] })))).toBeNull();
    // Seen straight from above the focal length cannot be told.
    expect(cameraOf(homographyOf(square)!, [1280, 720])).toBeNull();
  });
  it('with more marks leaves what does not fit at the odd one', () => {
    const look = pinhole([1, -4, 1.5], [2, 0]);
    const marks = Array.from({ length: 15 }, (_, i) => [i % 5, Math.floor(i / 5) / 2] as const).map(([x, y]): Mark => ({
      floor: [x, y],
      pixels: look(x, y),
    }));
    expect(Math.max(...residualsOf(homographyOf(marks)!, marks))).toBeLessThan(1e-6);
    const off = marks.map((mark, i) => (i === 7 ? { ...mark, pixels: [mark.pixels[0] + 8, mark.pixels[1]] as const } : mark));
    const residuals = residualsOf(homographyOf(off)!, off);
    expect(residuals.indexOf(Math.max(...residuals))).toBe(7);
  });
});

describe('marks along one line', () => {
  it.each(reference.lines.map((one, i) => [i, one] as const))(
    '%d tell places as the reference has it',
    (_, { marks, pixels, fit, asked, places }) => {
      const line = lineOf(marks.map((x, i) => [x, pixels[i]!]))!;
      line.forEach((value, i) => expect(Math.abs(value / fit[i]! - 1)).toBeLessThan(1e-4));
      asked.forEach((u, i) => expect(Math.abs(alongLine(line, u) - places[i]!)).toBeLessThan(1e-4));
    },
  );
  it('are evenly seen from straight before them, and need three', () => {
    lineOf([
      [0, 100],
      [1, 200],
      [2, 300],
    ])!.forEach((value, i) => expect(value).toBeCloseTo([100, 100, 0][i]!, 9));
    expect(
      lineOf([
        [0, 100],
        [1, 200],
      ]),
    ).toBeNull();
  });
});

describe('smoothing', () => {
  const { fps, positions, ...expected } = reference.smoothing;
  it('is the filter of Savitzky and Golay: place, speed and acceleration as the reference has them, to the ends', () => {
    const made = smoothed(positions.map((value, i) => ({ time: i / fps, value, deviation: 0.01 })));
    made.forEach(({ value, speed, acceleration }, i) => {
      expect(Math.abs(value - expected.smoothed[i]!)).toBeLessThan(1e-4);
      expect(Math.abs(speed - expected.speed[i]!)).toBeLessThan(1e-4);
      expect(Math.abs(acceleration - expected.acceleration[i]!)).toBeLessThan(1e-3);
    });
    // Of nine points in a row the middle place is off by √(59/231) of one, its speed by 1/√60 of one for each frame: from tables.
    expect(made[40]!.deviation).toBeCloseTo(0.01 * Math.sqrt(59 / 231), 9);
    expect(made[40]!.speedDeviation).toBeCloseTo((0.01 * fps) / Math.sqrt(60), 9);
  });
  it('takes times that are uneven, and says nothing of two points', () => {
    const times = [0, 0.03, 0.07, 0.1, 0.12, 0.17, 0.2];
    const made = smoothed(times.map((time) => ({ time, value: 1 + 2 * time - 3 * time ** 2, deviation: 0.01 })));
    made.forEach(({ speed, acceleration }, i) => {
      expect(speed).toBeCloseTo(2 - 6 * times[i]!, 9);
      expect(acceleration).toBeCloseTo(-6, 8);
    });
    expect(smoothed(times.slice(0, 2).map((time) => ({ time, value: 0, deviation: 1 })))).toEqual([]);
  });
});

describe('a film in numbers', () => {
  const [fps, mass] = [30, 1.5];
  const corners = [
    [0, 0],
    [4, 0],
    [4, 1],
    [0, 1],
  ] as const;
  const far = (time: number): number => 0.5 * mass * time ** 2;
  /** One film of a car that gains 1.5 m/s each second, seen with the noise of clicks and of a dot that is followed. */
  const filmed = (seed: number): Film => {
    const random = randomGenerator(seed);
    const look = pinhole([1.5 + random(), -3.5 - random(), 1 + random()], [2, 0.3]);
    const off =
      (by: number) =>
      ([u, v]: Pixels): [number, number] => [u + by * standardNormal(random()), v + by * standardNormal(random())];
    return {
      format: 'nimble-axle/film',
      version: 1,
      picture: [1280, 720],
      marks: corners.map(([x, y]) => ({ floor: [x, y], pixels: off(0.3)(look(x, y)) })),
      height: 0.06,
      points: Array.from({ length: 66 }, (_, i) => ({ time: i / fps, pixels: off(0.2)(look(far(i / fps), 0.4, 0.06)) })),
    };
  };
  it('gives places and speeds, and 9 in 10 lie within what it says', () => {
    let [place, speed, all] = [0, 0, 0];
    const errors: number[] = [];
    for (let seed = 1; seed <= 60; seed++) {
      const made = measureFilm(filmed(seed)) as MeasuredFilm;
      for (const i of [12, 30, 48, 60]) {
        const time = i / fps;
        const { place: at, deviation } = made.points[i]!;
        errors.push(at[0]! - far(time));
        all++;
        if (Math.abs(at[0]! - far(time)) < 1.645 * deviation[0]!) place++;
        if (Math.abs(made.speed[i]!.speed - mass * time) < 1.645 * made.speed[i]!.deviation) speed++;
      }
    }
    expect(place / all).toBeGreaterThan(0.84);
    expect(place / all).toBeLessThan(0.96);
    expect(speed / all).toBeGreaterThan(0.84);
    expect(Math.sqrt(errors.reduce((sum, error) => sum + error ** 2, 0) / errors.length)).toBeLessThan(0.015);
  });
  it('tells why not where the marks are in one line with two numbers, or the camera looked straight down', () => {
    const film = filmed(1);
    expect(measureFilm({ ...film, marks: [0, 1, 2, 3].map((x) => ({ floor: [x, 0], pixels: [200 + 200 * x, 300] })) })).toBe(
      'marks-in-line',
    );
    const above = corners.map(([x, y]) => ({ floor: [x, y], pixels: [300 + 100 * x, 400 - 100 * y] }));
    expect(measureFilm({ ...film, marks: above })).toBe('camera-unknown');
    expect((measureFilm({ ...film, marks: above, height: 0 }) as MeasuredFilm).points).toHaveLength(66);
  });
  it('along one line tells how far, without a camera', () => {
    const look = pinhole([2, -4, 1], [2, 0]);
    const made = measureFilm({
      ...filmed(1),
      marks: [0, 1, 2, 4].map((x) => ({ floor: [x], pixels: look(x, 0) as [number, number] })),
      points: [0, 1, 2, 3].map((i) => ({ time: i / 10, pixels: look(far(i / 10), 0) as [number, number] })),
    }) as MeasuredFilm;
    expect(made.line).toHaveLength(3);
    made.points.forEach(({ place }, i) => expect(place[0]).toBeCloseTo(far(i / 10), 6));
    expect(made.residuals.every((residual) => residual < 1e-6)).toBe(true);
  });
});
