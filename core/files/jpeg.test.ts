import { describe, expect, it } from 'vitest';
import { bareJpeg, base64Of, bytesOfBase64 } from './jpeg.ts';
import { readPhoto } from './read.ts';
import { formatFault } from '../fault-words.ts';
import { SMALL_JPEG } from './reference/small-jpeg.ts';

const segment = (marker: number, ...content: number[]): number[] => [
  0xff,
  marker,
  (content.length + 2) >> 8,
  (content.length + 2) & 255,
  ...content,
];
const text = (words: string): number[] => [...words].map((sign) => sign.charCodeAt(0));
const frame = (width: number, height: number): number[] =>
  segment(0xc0, 8, height >> 8, height & 255, width >> 8, width & 255, 1, 1, 17, 0);
/** Exif with an orientation and a note of where it was taken, little or big endian. */
const exif = (orientation: number, isLittle = true): number[] => {
  const short = (value: number) => (isLittle ? [value & 255, value >> 8] : [value >> 8, value & 255]);
  const long = (value: number) => (isLittle ? [...short(value), 0, 0] : [0, 0, ...short(value)]);
  return segment(
    0xe1,
    ...text('Exif\0\0'),
    ...(isLittle ? text('II') : text('MM')),
    ...short(42),
    ...long(8),
    ...short(1),
    ...short(0x0112),
    ...short(3),
    ...long(1),
    ...short(orientation),
    ...short(0),
    ...long(0),
    ...text('GPS 57.1 N'),
  );
};
const scan = [...segment(0xda, 1, 1, 0, 0, 63, 0), 1, 2, 0xff, 0, 0xff, 0xd3, 4];
const jpeg = (...parts: number[][]): Uint8Array => Uint8Array.from([0xff, 0xd8, ...parts.flat(), ...scan, 0xff, 0xd9]);

describe('a JPEG', () => {
  it('keeps its picture, and nothing of what a camera writes beside it', () => {
    const jfif = segment(0xe0, ...text('JFIF\0'), 1, 1, 0, 0, 1, 0, 1, 0, 0);
    const whole = jpeg(jfif, exif(1), segment(0xfe, ...text('a comment')), segment(0xed, ...text('Photoshop')), frame(40, 30));
    const bare = bareJpeg(Uint8Array.from([...whole, ...text('trailing GPS')]))!;
    expect([bare.width, bare.height]).toEqual([40, 30]);
    expect([...bare.bytes]).toEqual([...jpeg(jfif, frame(40, 30))]);
    expect(bareJpeg(bare.bytes)!.bytes).toEqual(bare.bytes);
  });
  it.each([
    [6, true],
    [8, false],
  ])('still says that the camera was held as %i', (orientation, isLittle) => {
    const bare = bareJpeg(jpeg(exif(orientation, isLittle), frame(40, 30)))!;
    expect(String.fromCharCode(...bare.bytes)).not.toContain('GPS');
    expect(bare.bytes.length).toBe(jpeg(frame(40, 30)).length + 36);
    expect(bareJpeg(bare.bytes)!.bytes).toEqual(bare.bytes);
  });
  it('is none where it is cut off, has no frame, or is something else', () => {
    const whole = jpeg(frame(40, 30));
    for (const bytes of [
      whole.slice(0, -2),
      whole.slice(0, 20),
      jpeg(),
      Uint8Array.from(text('hello')),
      new Uint8Array(),
      Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 0, 1]),
    ])
      expect(bareJpeg(bytes)).toBeNull();
  });
  it('goes through base64 and back', () => {
    const bytes = Uint8Array.from({ length: 100_000 }, (_, i) => (i * 7) & 255);
    expect(bytesOfBase64(base64Of(bytes))).toEqual(bytes);
    expect(base64Of(Uint8Array.from(text('Tern')))).toBe('VGVybg==');
  });
});

describe('a photo', () => {
  const photo = (bytes: Uint8Array) => ({ format: 'nimble-axle/photo', version: 1, name: 'at the wall.jpg', jpeg: base64Of(bytes) });
  it('is read with the picture alone', () => {
    const read = readPhoto(photo(jpeg(exif(1), frame(40, 30))));
    expect(read).toEqual({ kind: 'read', value: photo(jpeg(frame(40, 30))) });
    expect(readPhoto({ ...photo(new Uint8Array()), jpeg: SMALL_JPEG })).toMatchObject({ kind: 'read' });
  });
  it.each([
    ['4,000 × 3,001', jpeg(frame(4000, 3001)), 'has 12004000 pixels; at most 12000000'],
    ['cut off', jpeg(frame(40, 30)).slice(0, -2), 'a whole JPEG file'],
  ])('of %s is refused', (_name, bytes, words) => {
    const read = readPhoto(photo(bytes));
    expect(read.kind).toBe('faulty');
    expect(read.kind === 'faulty' && formatFault(read.faults[0]!)).toContain(words);
  });
});
