import { describe, expect, it } from 'vitest';
import { followDot } from './follow-dot.ts';
import { colourOf } from './frame.ts';
import { frameAt, framesOf, seenBy, type FilmScene } from './simulated-film.ts';

const scene: FilmScene = {
  camera: { place: [1.2, -2.6, 1.1], looksAt: [1.2, 0.2], focal: 330, picture: [480, 270] },
  seed: 3,
  rate: 30,
  frames: 45,
  distanceAt: (time) => 0.5 * 1.4 * time ** 2,
  aside: 0.2,
  height: 0.06,
  radius: 0.03,
};
const look = seenBy(scene.camera);
const truth = (time: number) => look([scene.distanceAt(time), scene.aside, scene.height]);
const follow = (changed: Partial<FilmScene> = {}) => {
  const { pixels, perMetre } = truth(0);
  // A click is half a pixel off.
  return followDot(framesOf({ ...scene, ...changed }), [pixels[0] + 0.5, pixels[1] - 0.4], scene.radius * perMetre);
};

describe('a dot that is followed', () => {
  it('is found in every frame to a fifth of a pixel', () => {
    const { points, lostAt } = follow();
    expect([points.length, lostAt]).toEqual([45, null]);
    const squares = points.map(({ time, pixels: [u, v] }) => (u - truth(time).pixels[0]) ** 2 + (v - truth(time).pixels[1]) ** 2);
    expect(Math.sqrt(squares.reduce((sum, one) => sum + one, 0) / squares.length)).toBeLessThan(0.2);
  });
  it('that is covered is told as lost at that frame, not followed onto the foot', () => {
    const { points, lostAt } = follow({ covered: [0.8, 1.1] });
    expect(lostAt).toBe(24);
    expect(points).toHaveLength(24);
  });
  it('that leaves the picture is lost there', () => {
    const { lostAt } = follow({ frames: 90 });
    const out = Array.from({ length: 90 }, (_, i) => truth(i / 30).pixels[0]).findIndex((u) => u > 480);
    expect(Math.abs(lostAt! - out)).toBeLessThanOrEqual(2);
  });
  it('that comes upon one like it is told as lost, for the two cannot be told apart', () => {
    const { lostAt } = follow({ twin: [0.5, 0.26] });
    const passes = Array.from({ length: 45 }, (_, i) => i).find((i) => scene.distanceAt(i / 30) > 0.5)!;
    expect(lostAt).not.toBeNull();
    expect(Math.abs(lostAt! - passes)).toBeLessThan(8);
  });
  it('is stopped where it is asked to be, and its colour is that of what was clicked', () => {
    const { pixels, perMetre } = truth(0);
    expect(followDot(framesOf(scene), pixels, scene.radius * perMetre, (done) => done < 5).points).toHaveLength(5);
    const { red, green } = colourOf(frameAt({ ...scene, noise: 0 }, 0), pixels, 2);
    // 235, 90, 40 of 365.
    expect(red).toBeCloseTo(235 / 365, 2);
    expect(green).toBeCloseTo(90 / 365, 2);
  });
});
