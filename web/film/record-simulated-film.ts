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

/**
 * A film of a scene, as a phone would make it: drawn frame by frame as it happens, and recorded by the browser.
 * @param onProgress gets the fraction done; false ends it
 * @returns null where it was ended
 */
export async function recordSimulatedFilm(scene: FilmScene, onProgress: (fraction: number) => boolean): Promise<File | null> {
  const [width, height] = scene.camera.picture;
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [width, height];
  const context = canvas.getContext('2d', { alpha: false })!;
  const draw = (time: number, window?: PictureWindow): void => {
    const frame = pictureAt(scene, time, scene.seed + Math.round(1000 * time), window);
    context.putImageData(new ImageData(new Uint8ClampedArray(frame.data), frame.width, frame.height), frame.left, frame.top);
  };
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
  let before = windowAbout(dotSeenAt(scene, 0).pixels, ABOUT, scene.camera.picture);
  let isWanted = true;
  for (let next = 0; isWanted; next += 1 / scene.rate) {
    const wait = 1000 * next - (performance.now() - begun);
    if (wait > 0) await new Promise((resolve) => setTimeout(resolve, wait));
    const time = (performance.now() - begun) / 1000;
    if (time > length) break;
    const now = windowAbout(dotSeenAt(scene, time).pixels, ABOUT, scene.camera.picture);
    const window = around(before, now);
    if (window.width > 0 && window.height > 0) draw(time, window);
    before = now;
    track!.requestFrame();
    isWanted = onProgress(time / length);
  }
  recorder.stop();
  await stopped;
  track!.stop();
  return isWanted ? new File(parts, 'simulated film', { type: mimeType }) : null;
}
