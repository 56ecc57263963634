import { describe, expect, it } from 'vitest';
import { filmedPlaces } from '../core/schema/generated/validators.js';
import { filesFor, runCommand } from '../testing/command.ts';
import film from './film.ts';

const { write } = filesFor('film');
/** The first of the reference’s homographies, seen at four times. */
const FILM = {
  format: 'nimble-axle/film',
  version: 1,
  picture: [1280, 720],
  marks: [
    { floor: [0, 0], pixels: [191.6836, 364.1409] },
    { floor: [4.386486, 0], pixels: [1268.1277, 450.5382] },
    { floor: [4.386486, 1], pixels: [1196.8126, 360.1548] },
    { floor: [0, 1], pixels: [298.0556, 299.0052] },
  ],
  height: 0.06,
  points: [0, 1, 2, 3].map((i) => ({ time: i / 10, pixels: [345.8582 + 77.5 * i, 323.9242 + 13.4 * i] })),
};

describe('a film by the command line', () => {
  it('is places and speeds as JSON, or as CSV', async () => {
    const file = write('film.json', JSON.stringify(FILM));
    const { stdout, status } = await runCommand(film, [file]);
    const told = JSON.parse(stdout) as { focal: number; points: { place: number[] }[]; speed: { speed: number }[]; residuals: number[] };
    expect(status).toBe(0);
    expect(told.focal).toBeCloseTo(1131.5, 1);
    told.points[0]!.place.forEach((value) => expect(value).toBeCloseTo(0.5, 4));
    expect(told.residuals).toHaveLength(4);
    const csv = (await runCommand(film, [file, '--csv'])).stdout.trim().split('\n');
    expect(csv[0]).toBe('time s,x m,y m,x deviation m,y deviation m,speed m/s,speed deviation m/s');
    expect(csv).toHaveLength(5);
    expect(Number(csv[1]!.split(',')[1])).toBeCloseTo(0.5, 4);
  });
  it('takes its points from a table of their own, and answers by its schema', async () => {
    const { points, ...marks } = FILM;
    const table = ['time,u,v', ...points.map(({ time, pixels }) => [time, ...pixels].join(','))].join('\n');
    const files = [write('marks.json', JSON.stringify(marks)), write('points.csv', table)];
    const { stdout } = await runCommand(film, files);
    expect(stdout).toBe((await runCommand(film, [write('film.json', JSON.stringify(FILM))])).stdout);
    expect(filmedPlaces(JSON.parse(stdout))).toBe(true);
    const wrong = await runCommand(film, [files[0]!, write('wrong.csv', `${table}\n0.9,x,1`)]);
    expect([wrong.status, wrong.stdout]).toEqual([2, '']);
    expect(wrong.stderr).toContain('line 6');
  });
  it.each([
    ['times that do not rise', { ...FILM, points: [FILM.points[1], FILM.points[0]] }, 'points[1].time'],
    ['three marks with two numbers each', { ...FILM, marks: FILM.marks.slice(1) }, 'marks'],
    ['marks of both kinds', { ...FILM, marks: [...FILM.marks, { floor: [1], pixels: [1, 1] }] }, 'marks[4].floor'],
    ['marks in one line', { ...FILM, marks: [0, 1, 2, 3].map((x) => ({ floor: [x, 0], pixels: [100 * x, 300] })) }, 'marks: four or more'],
    [
      'a camera that looked straight down',
      {
        ...FILM,
        marks: [
          [0, 0],
          [1, 0],
          [1, 1],
          [0, 1],
        ].map(([x, y]) => ({ floor: [x, y], pixels: [100 * x!, 100 * y!] })),
      },
      'height: ',
    ],
  ])('refuses %s', async (_, content, key) => {
    const { stdout, stderr, status } = await runCommand(film, [write('wrong.json', JSON.stringify(content))]);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toContain(key);
  });
});
