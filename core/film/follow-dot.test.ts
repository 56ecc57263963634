import { describe, expect, it } from 'vitest';
import { dotRadius } from './follow-dot.ts';
import { filmFollower, type FilmLoss, type FollowedFilm } from './follow-film.ts';
import { colourOf } from './frame.ts';
import { dotSeenAt, frameAt, pictureAt, seenBy, type FilmScene } from './simulated-film.ts';

const marks = [
  [0.2, 0],
  [2.2, 0],
  [2, 0.8],
  [0.4, 0.8],
] as const;
const scene: FilmScene = {
  camera: { place: [1.2, -2.6, 1.1], looksAt: [1.2, 0.2], focal: 330, picture: [480, 270] },
  seed: 3,
  rate: 30,
  frames: 45,
  distanceAt: (time) => 0.5 * 1.4 * time ** 2,
  aside: 0.2,
  height: 0.06,
  radius: 0.03,
  marks,
};
const follow = (changed: Partial<FilmScene> = {}): FollowedFilm & { readonly loss: FilmLoss | null } => {
  const filmed = { ...scene, ...changed };
  const look = seenBy(filmed.camera);
  const { pixels, radius } = dotSeenAt(filmed, 0);
  const follower = filmFollower({
    picture: filmed.camera.picture,
    focal: filmed.camera.focal,
    // A click is half a pixel off.
    dot: [pixels[0] + 0.5, pixels[1] - 0.4],
    radius,
    marks: marks.map((place) => look([...place, 0]).pixels),
  });
  let loss: FilmLoss | null = null;
  for (let i = 0; i < filmed.frames && !loss; i++)
    loss = follower.see(follower.windows(i / filmed.rate).map((window) => frameAt(filmed, i, window)));
  return { ...follower.result(), loss };
};
/** Pixels that it is off where the camera of the first frame would have seen it, root of the mean square. */
const offBy = ({ points }: FollowedFilm): number =>
  Math.sqrt(
    points.reduce((sum, { time, pixels: [u, v] }) => {
      const truth = dotSeenAt({ ...scene, turnAt: () => [0, 0, 0] }, time).pixels;
      return sum + (u - truth[0]) ** 2 + (v - truth[1]) ** 2;
    }, 0) / points.length,
  );

describe('a dot that is followed', () => {
  it('is found in every frame to a fifth of a pixel, by its windows alone', () => {
    const found = follow();
    expect([found.points.length, found.loss, found.isWatched]).toEqual([45, null, true]);
    expect(offBy(found)).toBeLessThan(0.2);
    expect(found.shook).toBeLessThan(0.3);
  });
  it('that is covered is told as lost at that frame, and is found again where it is shown', () => {
    const found = follow({ covered: [0.8, 1.1] });
    expect([found.loss, found.points.length]).toEqual(['dot-lost', 24]);
    const { pixels, radius } = dotSeenAt(scene, 0);
    const follower = filmFollower({ picture: scene.camera.picture, dot: pixels, radius, marks: [] });
    const see = (i: number) => follower.see(follower.windows(i / 30).map((window) => frameAt(scene, i, window)));
    expect([see(0), see(40)]).toEqual([null, 'dot-lost']);
    follower.show(dotSeenAt(scene, 40 / 30).pixels);
    expect([see(40), follower.count()]).toEqual([null, 2]);
  });
  it('that leaves the picture is lost there', () => {
    const { points, loss } = follow({ frames: 90 });
    expect(loss).toBe('out-of-picture');
    const out = Array.from({ length: 90 }, (_, i) => dotSeenAt(scene, i / 30).pixels[0]).findIndex((u) => u > 480);
    expect(Math.abs(points.length - out)).toBeLessThanOrEqual(2);
  });
  it('that comes upon one like it is told as lost, for the two cannot be told apart', () => {
    const { points, loss } = follow({ twin: [0.5, 0.26] });
    const passes = Array.from({ length: 45 }, (_, i) => i).find((i) => scene.distanceAt(i / 30) > 0.5)!;
    expect(loss).toBe('dot-lost');
    expect(Math.abs(points.length - passes)).toBeLessThan(8);
  });
  it('is as large, and of the colour, of what was clicked', () => {
    const { pixels, radius } = dotSeenAt(scene, 0);
    const frame = frameAt({ ...scene, noise: 0 }, 0);
    expect(dotRadius(frame, pixels) / radius).toBeCloseTo(1, 0);
    const { red, green } = colourOf(frame, pixels, 2);
    // 235, 90, 40 of 365.
    expect(red).toBeCloseTo(235 / 365, 2);
    expect(green).toBeCloseTo(90 / 365, 2);
  });
});

describe('a camera that does not stand still', () => {
  it('and shakes is corrected by the marks', () => {
    // 0.02 rad are some seven pixels.
    const found = follow({ turnAt: (time) => [0.02 * Math.sin(9 * time), 0.01 * Math.sin(13 * time), 0.01 * Math.sin(5 * time)] });
    expect(found.loss).toBeNull();
    expect(found.shook).toBeGreaterThan(4);
    expect(offBy(found)).toBeLessThan(0.4);
  });
  it('and falls over is told as such, not as a dot that is lost', () => {
    const { loss, points } = follow({ turnAt: (time) => [0, 0, time < 0.7 ? 0 : 4 * (time - 0.7)] });
    expect(loss).toBe('camera-moved');
    expect(points.length).toBeLessThan(30);
  });
  it('is not watched where the marks show nothing', () => {
    expect(follow({ marks: [], noise: 1 }).isWatched).toBe(false);
  });
});

describe('a simulated film', () => {
  it('draws a window as it draws the whole, and its noise is as told', () => {
    const window = { left: 100, top: 90, width: 60, height: 50 };
    const [whole, part] = [pictureAt({ ...scene, noise: 0 }, 0.5, 1), pictureAt({ ...scene, noise: 0 }, 0.5, 1, window)];
    for (const [x, y] of [
      [0, 0],
      [59, 49],
      [20, 30],
    ] as const)
      expect(part.data[4 * (y * 60 + x)]).toBe(whole.data[4 * ((y + 90) * 480 + x + 100)]);
    const noisy = pictureAt({ ...scene, noise: 6 }, 0.5, 1, window);
    const offs = Array.from({ length: 3000 }, (_, i) => noisy.data[4 * i]! - part.data[4 * i]!);
    expect(Math.sqrt(offs.reduce((sum, off) => sum + off * off, 0) / offs.length)).toBeCloseTo(6, 0);
  });
});
