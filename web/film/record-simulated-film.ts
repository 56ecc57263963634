import { windowAbout, type PictureWindow } from '../../core/film/frame.ts';
import { dotSeenAt, pictureAt, type FilmScene } from '../../core/film/simulated-film.ts';

/** Kinds of film that browsers record, the first that this one can is taken; bits in a second. */
const KINDS = ['video/webm;codecs=vp8', 'video/webm', 'video/mp4'];
const BITS = 8e6;
/** Pixels about the car’s dot that are drawn anew in each frame. */
const ABOUT = 90;

/** Whether this browser can record a film of its own. */
export const canRecord = typeof MediaRecorder !== 'undefined';

/** What holds two windows. */
function around(a: PictureWindow, b: PictureWindow): PictureWindow {
  const [left, top] = [Math.min(a.left, b.left), Math.min(a.top, b.top)];
  return {
    left,
    top,
    width: Math.max(a.left + a.width, b.left + b.width) - left,
    height: Math.max(a.top + a.height, b.top + b.height) - top,
  };
}

/** A canvas on which a scene is drawn, moment by moment: only what moves is drawn anew. */
function drawnScene(scene: FilmScene): { readonly canvas: HTMLCanvasElement; readonly draw: (time: number) => void } {
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = scene.camera.picture;
  const context = canvas.getContext('2d', { alpha: false })!;
  let before: PictureWindow | null = null;
  return {
    canvas,
    draw: (time) => {
      const now = windowAbout(dotSeenAt(scene, time).pixels, ABOUT, scene.camera.picture);
      const window = before ? around(before, now) : undefined;
      before = now;
      if (window && (window.width === 0 || window.height === 0)) return;
      const frame = pictureAt(scene, time, scene.seed + Math.round(1000 * time), window);
      context.putImageData(new ImageData(new Uint8ClampedArray(frame.data), frame.width, frame.height), frame.left, frame.top);
    },
  };
}

/**
 * A film of a scene, as a phone would make it. Where the page may encode frames by itself, each has its exact time; else the browser records
 * what is drawn as it happens.
 * @param onProgress gets the fraction done; false ends it
 * @returns null where it was ended
 */
export async function recordSimulatedFilm(scene: FilmScene, onProgress: (fraction: number) => boolean): Promise<File | null> {
  const film = await encoded(scene, onProgress);
  return film === undefined ? recorded(scene, onProgress) : film;
}

/** Frame by frame; undefined where the page may not. */
async function encoded(scene: FilmScene, onProgress: (fraction: number) => boolean): Promise<File | null | undefined> {
  if (!('VideoEncoder' in window)) return undefined;
  const { BufferTarget, CanvasSource, canEncodeVideo, Output, WebMOutputFormat } = await import('mediabunny');
  const [width, height] = scene.camera.picture;
  if (!(await canEncodeVideo('vp8', { width, height, bitrate: BITS }))) return undefined;
  const { canvas, draw } = drawnScene(scene);
  const target = new BufferTarget();
  const output = new Output({ format: new WebMOutputFormat(), target });
  const source = new CanvasSource(canvas, { codec: 'vp8', bitrate: BITS });
  output.addVideoTrack(source);
  await output.start();
  for (let i = 0; i < scene.frames; i++) {
    draw(i / scene.rate);
    await source.add(i / scene.rate, 1 / scene.rate);
    if (!onProgress(i / scene.frames)) {
      await output.cancel();
      return null;
    }
  }
  await output.finalize();
  return new File([target.buffer!], 'simulated film.webm', { type: 'video/webm' });
}

/** As it happens. */
async function recorded(scene: FilmScene, onProgress: (fraction: number) => boolean): Promise<File | null> {
  const { canvas, draw } = drawnScene(scene);
  draw(0);
  const stream = canvas.captureStream(0);
  const [track] = stream.getVideoTracks() as CanvasCaptureMediaStreamTrack[];
  const mimeType = KINDS.find((kind) => MediaRecorder.isTypeSupported(kind))!;
  const recorder = new MediaRecorder(stream, { mimeType, videoBitsPerSecond: BITS });
  const parts: Blob[] = [];
  recorder.ondataavailable = ({ data }) => parts.push(data);
  const stopped = new Promise<void>((resolve) => (recorder.onstop = () => resolve()));
  recorder.start();
  const length = scene.frames / scene.rate;
  const begun = performance.now();
  let isWanted = true;
  for (let next = 0; isWanted; next += 1 / scene.rate) {
    const wait = 1000 * next - (performance.now() - begun);
    if (wait > 0) await new Promise((resolve) => setTimeout(resolve, wait));
    const time = (performance.now() - begun) / 1000;
    if (time > length) break;
    draw(time);
    track!.requestFrame();
    isWanted = onProgress(time / length);
  }
  recorder.stop();
  await stopped;
  track!.stop();
  return isWanted ? new File(parts, 'simulated film', { type: mimeType }) : null;
}
