import { expose, transfer } from 'comlink';
import { ALL_FORMATS, BlobSource, Input, VideoSampleSink } from 'mediabunny';
import { DOT_REACH, dotRadius } from '../../core/film/follow-dot.ts';
import { filmFollower, type FilmFollower, type FilmLoss, type FilmTargets, type FollowedFilm } from '../../core/film/follow-film.ts';
import { windowAbout, type Frame, type PictureWindow } from '../../core/film/frame.ts';
import type { Pixels } from '../../core/film/homography.ts';

/** A film that can be read: its picture, pixels, when its first frame is, how long it is, and s between frames. */
export interface FilmInfo {
  readonly width: number;
  readonly height: number;
  readonly first: number;
  readonly end: number;
  readonly step: number;
}

/** Why a film cannot be read: `codec` is what it is packed as, where that is known. */
export interface FilmFault {
  readonly fault: 'no-film' | 'codec' | 'empty';
  readonly codec: string | null;
}

/** How following a film ended, and at which time, s. */
export interface FilmEnd {
  readonly kind: 'end' | 'stopped' | 'size-changed' | FilmLoss;
  readonly time: number;
}

/** Where following is: the fraction done, the time, where the dot is, and the picture. */
export type OnFollowed = (fraction: number, time: number, pixels: Pixels, picture: ImageBitmap) => void;

/** s of a film that are read at most. */
const LONGEST = 120;
/** ms between two tellings. */
const BETWEEN = 120;

let sink: VideoSampleSink | null = null;
let size: readonly [number, number] = [0, 0];
let end = 0;
let follower: FilmFollower | null = null;
let isStopped = false;
/** One picture as pixels, drawn over for each frame. */
let canvas = new OffscreenCanvas(1, 1);
let context = canvas.getContext('2d', { willReadFrequently: true })!;

function sized([width, height]: readonly [number, number]): void {
  canvas = new OffscreenCanvas(width, height);
  context = canvas.getContext('2d', { willReadFrequently: true })!;
}

const frameOf = ({ left, top, width, height }: PictureWindow, time: number): Frame => ({
  left,
  top,
  width,
  height,
  // A window out of the picture has nothing in it.
  data: width > 0 && height > 0 ? context.getImageData(left, top, width, height).data : new Uint8ClampedArray(),
  time,
});

/** Looks at what is drawn. */
const seen = (time: number): FilmLoss | null => follower!.see(follower!.windows(time).map((window) => frameOf(window, time)));

const work = {
  open: async (file: Blob): Promise<FilmInfo | FilmFault> => {
    sink = null;
    const input = new Input({ source: new BlobSource(file), formats: ALL_FORMATS });
    const track = await input.getPrimaryVideoTrack().catch(() => null);
    if (!track) return { fault: 'no-film', codec: null };
    const codec = await track.getCodec();
    if (!(await track.canDecode())) return { fault: 'codec', codec };
    size = [await track.getDisplayWidth(), await track.getDisplayHeight()];
    const first = await track.getFirstTimestamp();
    const { packetCount, averagePacketRate } = await track.computePacketStats();
    const duration = await track.computeDuration();
    if (packetCount < 3 || !(duration > first)) return { fault: 'empty', codec };
    const frames = new VideoSampleSink(track);
    // A film that can be seen through takes workers that the page does not allow: the browser plays it.
    const sample = await frames.getSample(first).catch(() => null);
    if (!sample) return { fault: 'codec', codec };
    sample.close();
    sink = frames;
    sized(size);
    end = Math.min(duration, first + LONGEST);
    return { width: size[0], height: size[1], first, end, step: 1 / averagePacketRate };
  },
  /** For a film that the page plays: its size. */
  prepare: (width: number, height: number): void => {
    sink = null;
    size = [width, height];
    sized(size);
  },
  /** The picture at a time. */
  still: async (time: number): Promise<ImageBitmap | null> => {
    const sample = await sink?.getSample(time);
    if (!sample) return null;
    const picture = new OffscreenCanvas(...(size as [number, number]));
    sample.draw(picture.getContext('2d')!, 0, 0, ...(size as [number, number]));
    sample.close();
    const bitmap = picture.transferToImageBitmap();
    return transfer(bitmap, [bitmap]);
  },
  /** How large the dot is that was clicked in a picture. */
  dotRadius: (picture: ImageBitmap, clicked: Pixels): number => {
    context.drawImage(picture, 0, 0);
    picture.close();
    return dotRadius(frameOf(windowAbout(clicked, DOT_REACH, size), 0), clicked);
  },
  begin: (targets: FilmTargets): void => {
    follower = filmFollower(targets);
  },
  /** Shows where the dot is in the frame that is looked at next. */
  show: (pixels: Pixels): void => follower?.show(pixels),
  stop: (): void => {
    isStopped = true;
  },
  /** Follows the dot from a time on. */
  follow: async (from: number, onFollowed: OnFollowed): Promise<FilmEnd> => {
    isStopped = false;
    let last = from;
    let reported = 0;
    for await (const sample of sink!.samples(from, end)) {
      const time = sample.timestamp;
      const isOfSize = sample.displayWidth === size[0] && sample.displayHeight === size[1];
      if (isOfSize) sample.draw(context, 0, 0, ...(size as [number, number]));
      sample.close();
      if (isStopped) return { kind: 'stopped', time: last };
      if (!isOfSize) return { kind: 'size-changed', time };
      const lost = seen(time);
      if (lost) return { kind: lost, time };
      last = time;
      if (performance.now() - reported > BETWEEN) {
        reported = performance.now();
        const picture = await createImageBitmap(canvas);
        onFollowed((time - from) / Math.max(end - from, 1e-6), time, follower!.latest()!.pixels, transfer(picture, [picture]));
      }
    }
    return { kind: 'end', time: last };
  },
  /** Looks at one frame of a film that the page plays. */
  see: (picture: ImageBitmap, time: number): { readonly lost: FilmLoss | 'size-changed' | null; readonly pixels: Pixels | null } => {
    const isOfSize = picture.width === size[0] && picture.height === size[1];
    if (isOfSize) context.drawImage(picture, 0, 0);
    picture.close();
    return { lost: isOfSize ? seen(time) : 'size-changed', pixels: follower!.latest()?.pixels ?? null };
  },
  result: (): FollowedFilm => follower!.result(),
};

export type FilmWork = typeof work;
expose(work);
