import Papa from 'papaparse';
import { readFilm, type Read } from '../core/files/read.ts';
import { measureFilm, type FilmRefusal } from '../core/film/measured-film.ts';
import type { Film } from '../core/schema/generated/film.ts';
import { end, oneOf, readArgs, readOr, refuseUse, textOr, type Terminal } from './terminal.ts';

const HELP = `Places and speeds from the pixels of a film.

  npm run -s film -- FILE                 marks on the floor and a dot on the car by their pixels (schemas/film.schema.json), clicked or
                                          tracked by whatever program. Prints JSON: how the floor is seen, where the camera stood, how
                                          far each mark is from where it should be, and of each time the place and the speed, with
                                          standard deviations (m, s, pixels; schemas/filmed-places.schema.json)
  npm run -s film -- FILE POINTS.csv      the points from a table: time s, u, v (pixels), with or without headings; FILE has the rest
      --csv                               the points as CSV: time, place, speed and their deviations
  npm run -s film -- --help               this text

FILE may be - for standard input.
For an unreadable file, each fault is one line on standard error that names the key by its path. Nothing is written to standard
output then, and the exit code is 2.
`;

const REFUSED: Readonly<Record<FilmRefusal, string>> = {
  'marks-in-line': 'marks: four or more that are not in one line are needed, or three or more along the run with one number each',
  'camera-unknown':
    'height: the marks do not tell where the camera stood; film from lower down, or give “camera” (along the run, to its left, over the floor, m), or a height of 0',
};

/** Points from a table of time, u and v. */
function pointsOf(terminal: Terminal, table: string): Film['points'] {
  const { data } = Papa.parse<string[]>(textOr(terminal, table).trim(), { skipEmptyLines: 'greedy' });
  const isHeading = data[0]?.some((cell) => !Number.isFinite(Number(cell))) ?? false;
  return data.slice(isHeading ? 1 : 0).map((row, i) => {
    const [time, u, v] = row.map(Number);
    if (row.length < 3 || ![time, u, v].every(Number.isFinite))
      return end(`${table}: line ${i + (isHeading ? 2 : 1)}: needs three numbers: time s, u, v`);
    return { time: time!, pixels: [u!, v!] };
  });
}

const rounded = (value: number): string => String(Number(value.toPrecision(8)));

export default function film(terminal: Terminal): void {
  const { values, positionals } = readArgs(terminal, { csv: { type: 'boolean' } });
  if (values.help) return terminal.print(HELP);
  const [file, table] = positionals;
  const read = (value: unknown): Read<Film> =>
    readFilm(table === undefined ? value : { ...(value as object), points: pointsOf(terminal, table) });
  const measured = measureFilm(readOr(terminal, table === undefined ? oneOf(positionals) : file!, read));
  if (typeof measured === 'string') return refuseUse(REFUSED[measured]);
  if (!values.csv) {
    const { wayDeviations: _inside, ...printed } = measured;
    return terminal.print(`${JSON.stringify(printed, null, 1)}\n`);
  }
  const rows = measured.points.map(({ time, place, deviation }, i) => {
    const speed = measured.speed[i];
    return [time, place[0]!, place[1] ?? '', deviation[0]!, deviation[1] ?? '', speed?.speed ?? '', speed?.deviation ?? '']
      .map((value) => (value === '' ? '' : rounded(value as number)))
      .join(',');
  });
  terminal.print(`${['time s,x m,y m,x deviation m,y deviation m,speed m/s,speed deviation m/s', ...rows].join('\n')}\n`);
}
