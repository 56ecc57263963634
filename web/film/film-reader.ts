import { proxy, wrap, type Remote } from 'comlink';
import type { FilmTargets, FollowedFilm } from '../../core/film/follow-film.ts';
import type { Pixels } from '../../core/film/homography.ts';
import type { FilmEnd, FilmFault, FilmInfo, FilmWork, OnFollowed } from './film-worker.ts';

/** A film that is open: its stills, and following a dot in it. Frames come by their own times. */
export interface FilmReader extends FilmInfo {
  readonly still: (time: number) => Promise<ImageBitmap | null>;
  readonly dotRadius: (time: number, clicked: Pixels) => Promise<number>;
  readonly begin: (targets: FilmTargets) => Promise<void>;
  readonly show: (pixels: Pixels) => Promise<void>;
  readonly follow: (from: number, onFollowed: OnFollowed) => Promise<FilmEnd>;
  readonly stop: () => void;
  readonly result: () => Promise<FollowedFilm>;
  readonly close: () => void;
}

/** Times as fast as it was filmed that a film is played where it cannot be read frame by frame: slow enough that none is left out. */
const PLAYED = 0.5;
/** s between frames where the film does not tell it. */
const USUAL_STEP = 1 / 30;

/** Opens a film frame by frame where the page may decode it itself, else by playing it. */
export async function openFilm(file: Blob): Promise<FilmReader | FilmFault> {
  const worker = new Worker(new URL('film-worker.ts', import.meta.url), { type: 'module' });
  const work = wrap<FilmWork>(worker);
  const byFrames = 'VideoDecoder' in window ? await readByFrames(work, file) : null;
  const opened =
    byFrames === null || ('fault' in byFrames && byFrames.fault === 'codec') ? await readByPlaying(work, file, byFrames) : byFrames;
  if ('fault' in opened) worker.terminate();
  return 'fault' in opened
    ? opened
    : {
        ...opened,
        close: () => {
          opened.close();
          worker.terminate();
        },
      };
}

const shared = (work: Remote<FilmWork>) => ({
  begin: (targets: FilmTargets) => work.begin(targets),
  show: (pixels: Pixels) => work.show(pixels),
  result: () => work.result(),
});

async function readByFrames(work: Remote<FilmWork>, file: Blob): Promise<FilmReader | FilmFault> {
  const info = await work.open(file);
  if ('fault' in info) return info;
  return {
    ...info,
    ...shared(work),
    still: (time) => work.still(time),
    dotRadius: async (time, clicked) => {
      const picture = await work.still(time);
      return picture ? work.dotRadius(picture, clicked) : NaN;
    },
    follow: (from, onFollowed) => work.follow(from, proxy(onFollowed)),
    stop: () => void work.stop(),
    close: () => {},
  };
}

/** Waits for one of two events. */
const happened = (element: HTMLVideoElement, name: string): Promise<void> =>
  new Promise((resolve, reject) => {
    element.addEventListener(name, () => resolve(), { once: true });
    element.addEventListener('error', () => reject(new Error(element.error?.message ?? 'The film cannot be played.')), { once: true });
  });

/** `before`: why it cannot be read frame by frame, if that was tried. */
async function readByPlaying(work: Remote<FilmWork>, file: Blob, before: FilmFault | null): Promise<FilmReader | FilmFault> {
  const video = document.createElement('video');
  video.muted = true;
  video.playsInline = true;
  video.preload = 'auto';
  const url = URL.createObjectURL(file);
  video.src = url;
  try {
    await happened(video, 'loadeddata');
    if (!Number.isFinite(video.duration)) {
      // A film from a browser’s recorder does not tell its length until its end was looked for.
      video.currentTime = 1e6;
      await happened(video, 'seeked');
    }
  } catch {
    URL.revokeObjectURL(url);
    return before ?? { fault: 'codec', codec: null };
  }
  const { videoWidth: width, videoHeight: height, duration } = video;
  if (!(duration > 0) || width === 0) return { fault: 'empty', codec: null };
  await work.prepare(width, height);
  const at = async (time: number): Promise<ImageBitmap> => {
    video.pause();
    if (Math.abs(video.currentTime - time) > 1e-4) {
      const sought = happened(video, 'seeked');
      video.currentTime = time;
      await sought;
    }
    return createImageBitmap(video);
  };
  let isStopped = false;
  return {
    width,
    height,
    first: 0,
    end: duration,
    step: USUAL_STEP,
    ...shared(work),
    still: at,
    dotRadius: async (time, clicked) => {
      const picture = await at(time);
      return work.dotRadius(picture, clicked);
    },
    follow: async (from, onFollowed) => {
      isStopped = false;
      await at(from).then((picture) => picture.close());
      video.playbackRate = PLAYED;
      let last = from;
      const ended = new Promise<null>((resolve) => video.addEventListener('ended', () => resolve(null), { once: true }));
      await video.play();
      for (;;) {
        const next = new Promise<number>((resolve) => video.requestVideoFrameCallback((_now, { mediaTime }) => resolve(mediaTime)));
        const time = await Promise.race([next, ended]);
        if (time === null) return { kind: 'end', time: last };
        if (isStopped) {
          video.pause();
          return { kind: 'stopped', time: last };
        }
        if (time < from - 1e-4) continue;
        const { lost, pixels } = await work.see(await createImageBitmap(video), time);
        if (lost) {
          video.pause();
          return { kind: lost, time };
        }
        last = time;
        onFollowed((time - from) / Math.max(duration - from, 1e-6), time, pixels!, await createImageBitmap(video));
      }
    },
    stop: () => {
      isStopped = true;
    },
    close: () => {
      video.removeAttribute('src');
      video.load();
      URL.revokeObjectURL(url);
    },
  };
}
