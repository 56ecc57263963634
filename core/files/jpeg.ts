/** A JPEG without what is beside the picture, and its size in px as it is stored. */
export interface BareJpeg {
  readonly bytes: Uint8Array;
  readonly width: number;
  readonly height: number;
}

/** Second bytes of markers (ITU-T T.81, table B.1; JFIF; Exif 2.3). */
const START = 0xd8;
const END = 0xd9;
const SCAN = 0xda;
const COMMENT = 0xfe;
const APP0 = 0xe0;
const EXIF = 0xe1;
const ADOBE = 0xee;
const APP15 = 0xef;
const isRestart = (marker: number): boolean => marker >= 0xd0 && marker <= 0xd7;
/** Frames: all of C0 to CF but tables of codes and the marker that is reserved. */
const isFrame = (marker: number): boolean => marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker);
/** What of the application's own segments is needed to show the picture. */
const isBeside = (marker: number): boolean => marker === COMMENT || (marker > APP0 && marker <= APP15 && marker !== ADOBE);

const ORIENTATION_TAG = 0x0112;
const EXIF_HEAD = 'Exif\0\0';

/** How a camera was held, 1 to 8, as an Exif segment's content tells; 1 where it does not. Source: Exif 2.3, 4.6.4. */
function orientationIn(exif: Uint8Array): number {
  const view = new DataView(exif.buffer, exif.byteOffset, exif.byteLength);
  const tiff = EXIF_HEAD.length;
  if (exif.length < tiff + 8 || ![...EXIF_HEAD].every((sign, i) => exif[i] === sign.charCodeAt(0))) return 1;
  const isLittle = view.getUint16(tiff) === 0x4949;
  const first = tiff + view.getUint32(tiff + 4, isLittle);
  if (first + 2 > exif.length) return 1;
  const count = view.getUint16(first, isLittle);
  for (let i = 0, at = first + 2; i < count && at + 12 <= exif.length; i++, at += 12)
    if (view.getUint16(at, isLittle) === ORIENTATION_TAG) {
      const value = view.getUint16(at + 8, isLittle);
      return value >= 1 && value <= 8 ? value : 1;
    }
  return 1;
}

/** An Exif segment that tells how the camera was held, and nothing else. */
const orientationSegment = (orientation: number): Uint8Array =>
  Uint8Array.from([
    ...[0xff, EXIF, 0, 34],
    ...[...EXIF_HEAD].map((sign) => sign.charCodeAt(0)),
    // Big endian, one entry at 8: the tag, a short, one of it, its value, and no further directory.
    ...[0x4d, 0x4d, 0, 42, 0, 0, 0, 8, 0, 1, 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, orientation, 0, 0, 0, 0, 0, 0],
  ]);

/**
 * A JPEG with the picture alone: what cameras write beside it (where it was taken, when, by what, a small copy of it) is left out; how the
 * camera was held stays. Null where it is no JPEG, or is cut off. Takes time in proportion to its length.
 */
export function bareJpeg(bytes: Uint8Array): BareJpeg | null {
  if (bytes[0] !== 0xff || bytes[1] !== START) return null;
  const parts: Uint8Array[] = [];
  let [width, height, orientation] = [0, 0, 1];
  for (let at = 2; at + 1 < bytes.length;) {
    if (bytes[at] !== 0xff) return null;
    const marker = bytes[at + 1]!;
    // Bytes that fill up before a marker.
    if (marker === 0xff) {
      at++;
      continue;
    }
    if (marker === END) {
      if (width === 0 || height === 0) return null;
      parts.push(bytes.subarray(at, at + 2));
      const head = [bytes.subarray(0, 2), ...(orientation === 1 ? [] : [orientationSegment(orientation)])];
      return { bytes: joined([...head, ...parts]), width, height };
    }
    const length = ((bytes[at + 2] ?? 0) << 8) | (bytes[at + 3] ?? 0);
    let end = at + 2 + length;
    if (length < 2 || end > bytes.length) return null;
    const content = bytes.subarray(at + 4, end);
    if (isFrame(marker)) {
      if (content.length < 5) return null;
      [height, width] = [(content[1]! << 8) | content[2]!, (content[3]! << 8) | content[4]!];
    }
    if (marker === EXIF) orientation = Math.max(orientation, orientationIn(content));
    // The coded picture follows a scan's head, up to the next marker that is none of its own.
    if (marker === SCAN)
      while (end + 1 < bytes.length && (bytes[end] !== 0xff || bytes[end + 1] === 0 || isRestart(bytes[end + 1]!))) end++;
    if (!isBeside(marker)) parts.push(bytes.subarray(at, end));
    at = end;
  }
  return null;
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';
const VALUES = new Uint8Array(128);
[...LETTERS].forEach((letter, i) => (VALUES[letter.charCodeAt(0)] = i));

/** The bytes of a base64 text of whole fours (RFC 4648). `bytesOfBase64('VGVybg==') // of "Tern"` */
export function bytesOfBase64(text: string): Uint8Array {
  const value = (at: number): number => VALUES[text.charCodeAt(at)]!;
  const padding = text.endsWith('==') ? 2 : text.endsWith('=') ? 1 : 0;
  const bytes = new Uint8Array((text.length / 4) * 3);
  for (let at = 0, to = 0; at < text.length; at += 4) {
    const three = (value(at) << 18) | (value(at + 1) << 12) | (value(at + 2) << 6) | value(at + 3);
    bytes[to++] = three >> 16;
    bytes[to++] = (three >> 8) & 255;
    bytes[to++] = three & 255;
  }
  return bytes.subarray(0, bytes.length - padding);
}

/** Bytes as base64 (RFC 4648). */
export function base64Of(bytes: Uint8Array): string {
  const parts: string[] = [];
  for (let at = 0; at < bytes.length; at += 3) {
    const three = (bytes[at]! << 16) | ((bytes[at + 1] ?? 0) << 8) | (bytes[at + 2] ?? 0);
    parts.push(LETTERS[three >> 18]! + LETTERS[(three >> 12) & 63]! + LETTERS[(three >> 6) & 63]! + LETTERS[three & 63]!);
  }
  const left = bytes.length % 3;
  const text = parts.join('');
  return left === 0 ? text : text.slice(0, left - 3) + '='.repeat(3 - left);
}
