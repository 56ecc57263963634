import { describe, expect, it } from 'vitest';
import { describeFilmEnd, describeFilmFault, formatWithin } from './film-words.ts';
import { describeMark, filmSetup, marksOnFloor, type FilmSetup } from './use-film-setup.ts';

const setup: FilmSetup = { layout: 'rectangle', length: 4, width: 1, line: [0, 2, 4], free: [], height: 0.05, camera: [2, 3, 1] };
const metres = (value: number): string => `${value} m`;

describe('what is said of a film', () => {
  it('names the kind that a browser cannot decode, and what to do', () => {
    expect(describeFilmFault({ fault: 'codec', codec: 'hevc' })).toContain('(HEVC)');
    expect(describeFilmFault({ fault: 'codec', codec: null })).toContain('H.264');
    expect(describeFilmFault({ fault: 'empty', codec: null })).toContain('no length');
  });
  it('asks for something only where following did not come to an end', () => {
    expect([describeFilmEnd({ kind: 'end', time: 1 }), describeFilmEnd({ kind: 'out-of-picture', time: 1 })]).toEqual([null, null]);
    expect(describeFilmEnd({ kind: 'dot-lost', time: 1.234 })).toContain('1.23 s');
  });
  it('prints a value no finer than it is known', () => {
    // 1.645 × 0.06 is about 0.1.
    expect(formatWithin(2.1234, 0.06, 'speed', 'metric').replaceAll('\u00a0', ' ')).toMatch(/^2\.1\d? ± 0\.1\d? m\/s$/);
  });
});

describe('marks on the floor', () => {
  const toTheRight = [
    [100, 300],
    [900, 300],
    [800, 200],
    [200, 200],
  ] as const;
  it('of a rectangle lie to the left of a car that runs to the right, and to the right of one that runs to the left', () => {
    expect(marksOnFloor(setup, toTheRight)[2]).toEqual([4, 1]);
    const mirrored = toTheRight.map(([u, v]) => [1000 - u, v] as const);
    expect(marksOnFloor(setup, mirrored)[2]).toEqual([4, -1]);
    expect(marksOnFloor(setup, [])[3]).toEqual([0, 1]);
  });
  it('are those of the session and as far apart as the lane is wide, until they are set', () => {
    expect(filmSetup({}, [2, 5], 1.2)).toMatchObject({ line: [0, 2, 5], length: 5, width: 1.2 });
    expect(filmSetup({ width: 0.9 }, [], 1.2)).toMatchObject({ line: [0, 1, 2, 3, 4], length: 4, width: 0.9 });
  });
  it('along the line have one number, and are called by it', () => {
    expect(marksOnFloor({ ...setup, layout: 'line' })).toEqual([[0], [2], [4]]);
    expect(describeMark('line', 1, [2], metres)).toBe('at 2 m');
    expect(describeMark('free', 0, [1, -0.5], metres)).toBe('1 m along, 0.5 m to the right');
    expect(describeMark('rectangle', 2, [4, 1], metres)).toBe('end, far side');
  });
});
