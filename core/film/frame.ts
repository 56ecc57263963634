import type { Pixels } from './homography.ts';

/** A part of a picture: its upper left corner and size, whole pixels. */
export interface PictureWindow {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** A picture of a film, or a window of it: red, green, blue and opacity of each pixel, row by row, at a time, s. Places are those of the picture. */
export interface Frame extends PictureWindow {
  readonly data: Uint8ClampedArray;
  readonly time: number;
}

/** The colour of a dot, apart from how bright it is: red and green as fractions of all three. */
export interface DotColour {
  readonly red: number;
  readonly green: number;
}

const BYTES = 4;

/** What of a picture lies within so many pixels of a place; nothing of it has no width or no height. */
export function windowAbout([u, v]: Pixels, radius: number, [width, height]: readonly [width: number, height: number]): PictureWindow {
  const left = Math.min(Math.max(Math.floor(u - radius), 0), width);
  const top = Math.min(Math.max(Math.floor(v - radius), 0), height);
  return {
    left,
    top,
    width: Math.max(Math.min(Math.ceil(u + radius) + 1, width) - left, 0),
    height: Math.max(Math.min(Math.ceil(v + radius) + 1, height) - top, 0),
  };
}

const byteAt = ({ left, top, width }: PictureWindow, x: number, y: number): number => BYTES * ((y - top) * width + x - left);

/** How bright a pixel is, 0 to 255: the mean of its colours. */
export function brightnessAt(frame: Frame, x: number, y: number): number {
  const at = byteAt(frame, x, y);
  return (frame.data[at]! + frame.data[at + 1]! + frame.data[at + 2]!) / 3;
}

/** A pixel's red and green as fractions of its colours, and how bright it is, 0 to 1; of a black one none. */
export function chromaAt(frame: Frame, x: number, y: number): DotColour & { readonly bright: number } {
  const { data } = frame;
  const at = byteAt(frame, x, y);
  const [red, green, blue] = [data[at]!, data[at + 1]!, data[at + 2]!];
  const sum = red + green + blue;
  return sum < 30 ? { red: 1 / 3, green: 1 / 3, bright: 0 } : { red: red / sum, green: green / sum, bright: sum / 765 };
}

/** The mean colour of what was clicked, within so many pixels. */
export function colourOf(frame: Frame, [u, v]: Pixels, radius: number): DotColour {
  let [red, green, weight] = [0, 0, 0];
  for (const [x, y] of pixelsWithin(frame, [u, v], radius)) {
    const chroma = chromaAt(frame, x, y);
    red += chroma.bright * chroma.red;
    green += chroma.bright * chroma.green;
    weight += chroma.bright;
  }
  return weight > 0 ? { red: red / weight, green: green / weight } : { red: 1 / 3, green: 1 / 3 };
}

/** Pixels of a frame within so many of a place; the middle of a pixel stands half a pixel within it. */
export function* pixelsWithin(
  { left: first, top: upper, width, height }: PictureWindow,
  [u, v]: Pixels,
  radius: number,
): Generator<readonly [x: number, y: number]> {
  const [left, right] = [Math.max(Math.floor(u - radius), first), Math.min(Math.ceil(u + radius), first + width - 1)];
  const [top, bottom] = [Math.max(Math.floor(v - radius), upper), Math.min(Math.ceil(v + radius), upper + height - 1)];
  for (let y = top; y <= bottom; y++)
    for (let x = left; x <= right; x++) if ((x + 0.5 - u) ** 2 + (y + 0.5 - v) ** 2 <= radius ** 2) yield [x, y];
}
