import { Matrix, solve } from 'ml-matrix';

/** A place at a time, with what it may be off, one standard deviation. */
export interface Sample {
  readonly time: number;
  readonly value: number;
  readonly deviation: number;
}

/** The same smoothed, with its speed and acceleration and what these may be off. */
export interface Smoothed extends Sample {
  readonly speed: number;
  readonly speedDeviation: number;
  readonly acceleration: number;
}

/** Samples in a window. */
export const WINDOW = 9;

/**
 * A parabola through the samples about each: it tells place, speed and acceleration. At both ends the first and last window serve. Samples need
 * not stand evenly. Source: Savitzky & Golay, Anal. Chem. 36 (1964), at uneven times by least squares.
 * @param window samples in a window, odd
 * @returns one for each sample; without enough of them none
 */
export function smoothed(samples: readonly Sample[], window = WINDOW): readonly Smoothed[] {
  const n = samples.length;
  const size = Math.min(window, n);
  if (size < 3) return [];
  return samples.map(({ time }, i) => {
    const first = Math.min(Math.max(i - (size - 1) / 2, 0), n - size);
    const about = samples.slice(Math.floor(first), Math.floor(first) + size);
    const rows = new Matrix(about.map((one) => [1, one.time - time, (one.time - time) ** 2]));
    const normal = rows.transpose().mmul(rows);
    const [value, speed, half] = solve(normal, rows.transpose().mmul(Matrix.columnVector(about.map((one) => one.value)))).to1DArray() as [
      number,
      number,
      number,
    ];
    // What is off at random is off as one sample is, by the root of the window’s inverse.
    const covariance = solve(normal, Matrix.eye(3));
    const variance = about.reduce((sum, { deviation }) => sum + deviation ** 2, 0) / about.length;
    return {
      time,
      value,
      speed,
      acceleration: 2 * half,
      deviation: Math.sqrt(variance * covariance.get(0, 0)),
      speedDeviation: Math.sqrt(variance * covariance.get(1, 1)),
    };
  });
}
