import type { CarDesign, RunRecord } from '../car/car-design.ts';
import { isWoundByFeel } from '../car/motors/motors.ts';
import { FLOORS } from '../car/catalogue.ts';
import { parseQuantity, type Quantity } from '../units/quantity.ts';
import { inUtc } from './time-of-day.ts';

/** What a table of runs can tell of one, by column. */
export type RunColumn =
  | 'ranAt'
  | 'turns'
  | 'outcome'
  | 'distance'
  | 'time'
  | 'drift'
  | 'direction'
  | 'seen'
  | 'spunFor'
  | 'turnsLeft'
  | 'splits'
  | 'film'
  | 'elsewhere'
  | 'stretched'
  | 'inOnePiece'
  | 'measuredBy'
  | 'leftOut'
  | 'photo'
  | 'note';

/** A run as its own columns tell it: the car it ran with is reported elsewhere. */
export type TableRun = Omit<RunRecord, 'format' | 'version' | 'design' | 'carVersion' | 'session'>;

interface Column {
  /** In the first row of a file that is written. */
  readonly heading: string;
  /** What else a column may be called whose heading begins so, in small letters. */
  readonly called: readonly string[];
  readonly write: (run: TableRun & { readonly design?: CarDesign }) => string;
}

const SEEN = [
  'spun',
  'rubbed',
  'drifted-left',
  'drifted-right',
  'string-stayed',
  'caught',
  'broke',
  'backwards',
  'hopped',
] as const satisfies RunRecord['seen'];

/** A full winding by feel, whose turns nobody counted. */
const UNTIL_TIGHT = 'until tight';

const yesOrNo = (is: boolean | undefined): string => (is === undefined ? '' : is ? 'yes' : 'no');
const MEASURED_BY = ['tape', 'marks', 'from-wall'] as const satisfies readonly NonNullable<RunRecord['measuredBy']>[];
const GOES = ['further', 'less-far'] as const satisfies readonly NonNullable<RunRecord['elsewhere']>['goes'][];
const FLOOR_KINDS = Object.keys(FLOORS) as CarDesign['floor']['kind'][];
/** What ended a run that would have gone further, if not the wall. */
const ENDED_BY: Readonly<Record<NonNullable<RunRecord['outcome']['by']>, string>> = { mark: 'passed-mark', side: 'stopped-at-side' };
/** A photo by its id. */
const PHOTO = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;
/** A split: where, m, and when, s. */
const NUMBER = String.raw`\d+(?:\.\d+)?`;
const SPLIT = new RegExp(`^(${NUMBER}):(${NUMBER})(?:±(${NUMBER}))?$`);
/** What a film tells besides its times: `start 0.006 stop 0.1 slip 0.12±0.03`. */
const FILM = new RegExp(`^start (${NUMBER})(?: stop (${NUMBER}))?(?: slip (-?${NUMBER})±(${NUMBER}))?$`);
const filmText = ({ startDeviation, stopDeviation, slip }: NonNullable<TableRun['film']>): string =>
  [
    `start ${startDeviation}`,
    ...(stopDeviation === undefined ? [] : [`stop ${stopDeviation}`]),
    ...(slip ? [`slip ${slip.ratio}±${slip.deviation}`] : []),
  ].join(' ');
function readFilmText(text: string): TableRun['film'] | null {
  const [whole, start, stop, ratio, deviation] = FILM.exec(text) ?? [];
  if (whole === undefined) return null;
  return {
    startDeviation: Number(start),
    ...(stop !== undefined && { stopDeviation: Number(stop) }),
    ...(ratio !== undefined && { slip: { ratio: Number(ratio), deviation: Number(deviation) } }),
  };
}

/** The columns of a table of runs, in the order they are written. */
export const RUN_COLUMNS: Readonly<Record<RunColumn, Column>> = {
  ranAt: { heading: 'ran at', called: ['ran', 'date', 'when', 'time of day'], write: ({ ranAt }) => ranAt },
  turns: {
    heading: 'turns',
    called: ['turn', 'wind', 'wound'],
    write: ({ wind, design }) => (wind.kind === 'turns' ? String(wind.turns) : design && isWoundByFeel(design) ? UNTIL_TIGHT : 'full'),
  },
  outcome: {
    heading: 'outcome',
    called: ['outcome', 'result', 'wall'],
    write: ({ outcome }) => (outcome.by ? ENDED_BY[outcome.by] : outcome.kind),
  },
  distance: {
    heading: 'distance m',
    called: ['distance', 'dist', 'length', 'metres', 'meters'],
    write: ({ outcome }) => String(outcome.distance),
  },
  time: { heading: 'time s', called: ['time', 'seconds', 'stop time'], write: ({ time }) => (time === undefined ? '' : String(time)) },
  drift: { heading: 'drift to the right m', called: ['drift', 'off'], write: ({ drift }) => (drift === undefined ? '' : String(drift)) },
  direction: { heading: 'direction', called: ['direction', 'way'], write: ({ direction }) => direction ?? '' },
  seen: { heading: 'seen', called: ['seen', 'remark'], write: ({ seen }) => seen.join(' ') },
  spunFor: { heading: 'spun for m', called: ['spun for'], write: ({ spunFor }) => (spunFor === undefined ? '' : String(spunFor)) },
  turnsLeft: { heading: 'turns left', called: ['left at'], write: ({ turnsLeft }) => (turnsLeft === undefined ? '' : String(turnsLeft)) },
  splits: {
    heading: 'splits m:s',
    called: ['split'],
    write: ({ splits }) =>
      (splits ?? []).map(({ at, time, deviation }) => `${at}:${time}${deviation === undefined ? '' : `±${deviation}`}`).join(' '),
  },
  film: { heading: 'film, ± s', called: ['film'], write: ({ film }) => (film ? filmText(film) : '') },
  elsewhere: {
    heading: 'on another floor',
    called: ['on another floor'],
    write: ({ elsewhere }) => (elsewhere ? `${elsewhere.goes} ${elsewhere.floor}` : ''),
  },
  stretched: { heading: 'stretched by hand', called: ['stretched'], write: ({ stretched }) => yesOrNo(stretched) },
  inOnePiece: { heading: 'in one piece', called: ['in one piece'], write: ({ inOnePiece }) => yesOrNo(inOnePiece) },
  measuredBy: { heading: 'measured by', called: ['measured'], write: ({ measuredBy }) => measuredBy ?? '' },
  leftOut: { heading: 'left out', called: ['left out'], write: ({ leftOut }) => yesOrNo(leftOut) },
  photo: { heading: 'photo', called: ['photo', 'picture'], write: ({ photo }) => photo ?? '' },
  note: { heading: 'note', called: ['note', 'comment'], write: ({ note }) => note },
};
const COLUMNS = Object.keys(RUN_COLUMNS) as RunColumn[];

/** A table of runs: its headings, and a row of texts for each. */
export const runTable = (runs: readonly (TableRun & { readonly design?: CarDesign })[]): readonly (readonly string[])[] => [
  COLUMNS.map((column) => RUN_COLUMNS[column].heading),
  ...runs.map((run) => COLUMNS.map((column) => RUN_COLUMNS[column].write(run))),
];

/** Which column of a file tells what, counted from 0; what none tells is missing. */
export type ColumnPlaces = Partial<Readonly<Record<RunColumn, number>>>;

/** The most likely places by the headings of a file: the heading itself, else one that begins with a word for it. `guessPlaces(['Distance (m)']) // { distance: 0 }` */
export function guessPlaces(headings: readonly string[]): ColumnPlaces {
  const small = headings.map((heading) => heading.trim().toLowerCase());
  const places: Partial<Record<RunColumn, number>> = {};
  const isTaken = (place: number): boolean => Object.values(places).includes(place);
  for (const column of COLUMNS) {
    const exact = small.indexOf(RUN_COLUMNS[column].heading);
    if (exact >= 0) places[column] = exact;
  }
  for (const column of COLUMNS) {
    if (places[column] !== undefined) continue;
    const place = small.findIndex((heading, i) => !isTaken(i) && RUN_COLUMNS[column].called.some((word) => heading.startsWith(word)));
    if (place >= 0) places[column] = place;
  }
  return places;
}

/** A line of a file as a run, or what is wrong with it, column by column. */
export interface ReadLine {
  /** In the file, counted from 1, its headings included. */
  readonly line: number;
  readonly run: TableRun | null;
  /** Its full winding was by feel, and not counted. */
  readonly isByFeel: boolean;
  readonly faults: readonly { readonly column: RunColumn; readonly message: string }[];
}

const LIMITS: Partial<Readonly<Record<RunColumn, readonly [low: number, high: number, quantity: Quantity]>>> = {
  turns: [0.1, 10_000, 'count'],
  distance: [0, 1000, 'distance'],
  time: [0.1, 3600, 'time'],
  drift: [-100, 100, 'distance'],
  spunFor: [0, 1000, 'distance'],
  turnsLeft: [0, 1000, 'count'],
};
const LONGEST_NOTE = 2000;
const SECOND = 1000;

/** When it ran: a time with its offset, or a date or local time, which are taken as UTC; null where it is none. */
function ranAtOf(text: string): string | null {
  if (/^\d{4}-\d\d-\d\d$/.test(text)) return inUtc(`${text}T12:00:00Z`);
  if (/^\d{4}-\d\d-\d\d[ T]\d\d:\d\d(:\d\d)?$/.test(text)) return inUtc(`${text.replace(' ', 'T')}${text.length < 19 ? ':00' : ''}Z`);
  return inUtc(text);
}

/**
 * Lines of a file as runs: numbers as people type them, decimal commas too, in metres and seconds unless they say a unit. Only a distance
 * is needed. `begunAt`: when the first ran that does not say when, ms; each further one a second later.
 */
export function readRunLines(lines: readonly (readonly string[])[], places: ColumnPlaces, begunAt: number, firstLine = 2): ReadLine[] {
  return lines.map((cells, i) => {
    const faults: { column: RunColumn; message: string }[] = [];
    const textOf = (column: RunColumn): string => {
      const place = places[column];
      return place === undefined ? '' : (cells[place] ?? '').trim();
    };
    const fault = (column: RunColumn, message: string): undefined => void faults.push({ column, message });
    const numberOf = (column: RunColumn): number | undefined => {
      const text = textOf(column);
      if (text === '') return undefined;
      const [low, high, quantity] = LIMITS[column]!;
      const parsed = parseQuantity(text, quantity, 'metric');
      if (parsed.kind === 'unclear') return fault(column, parsed.message);
      return parsed.value >= low && parsed.value <= high ? parsed.value : fault(column, `Must be ${low} to ${high}.`);
    };
    const wound = textOf('turns').toLowerCase();
    const isByFeel = wound.includes('tight') || wound.includes('feel');
    const turns = wound === '' || wound.startsWith('full') || isByFeel ? null : numberOf('turns');
    const said = textOf('outcome').toLowerCase();
    const isNoStart = /not start|no.?start/.test(said);
    const distance = numberOf('distance') ?? (isNoStart ? 0 : undefined);
    if (textOf('distance') === '' && !isNoStart) fault('distance', 'Every run needs a distance.');
    const when = textOf('ranAt');
    const ranAt = when === '' ? new Date(begunAt + i * SECOND).toISOString() : ranAtOf(when);
    if (ranAt === null) fault('ranAt', 'Write a date such as 2026-11-21, or a time such as 2026-11-21 18:05.');
    const [time, drift, spunFor, turnsLeft] = [numberOf('time'), numberOf('drift'), numberOf('spunFor'), numberOf('turnsLeft')];
    const either = (column: RunColumn): boolean | undefined => {
      const text = textOf(column).toLowerCase();
      if (text === '') return undefined;
      return text === 'yes' ? true : text === 'no' ? false : fault(column, 'Write yes or no.');
    };
    const [stretched, inOnePiece, leftOut] = [either('stretched'), either('inOnePiece'), either('leftOut')];
    const measuredBy = MEASURED_BY.find((method) => method === textOf('measuredBy').toLowerCase());
    if (textOf('measuredBy') !== '' && !measuredBy) fault('measuredBy', `Write one of ${MEASURED_BY.join(', ')}.`);
    const [goes, floor] = textOf('elsewhere').toLowerCase().split(/\s+/);
    const elsewhere = { goes: GOES.find((one) => one === goes), floor: FLOOR_KINDS.find((kind) => kind === floor) };
    const isTold = textOf('elsewhere') !== '';
    if (isTold && !(elsewhere.goes && elsewhere.floor))
      fault('elsewhere', `Write ${GOES.join(' or ')}, and one of ${FLOOR_KINDS.join(', ')}: further short-carpet.`);
    const photo = textOf('photo').toLowerCase();
    if (photo !== '' && !PHOTO.test(photo)) fault('photo', 'Leave it empty: a photo is added in Track.');
    const splits = textOf('splits')
      .split(/[\s;]+/)
      .filter(Boolean)
      .flatMap((text) => {
        const [, at, passed, deviation] = SPLIT.exec(text) ?? [];
        return at && passed
          ? { at: Number(at), time: Number(passed), ...(deviation !== undefined && { deviation: Number(deviation) }) }
          : (fault('splits', 'Write metres and seconds: 2:1.31 4:2.05.') ?? []);
      });
    const filmed = textOf('film').trim();
    const film = filmed === '' ? undefined : readFilmText(filmed);
    if (film === null) fault('film', 'Write start 0.006, and if known: stop 0.1 slip 0.12±0.03.');
    const direction = textOf('direction').toLowerCase();
    if (direction !== '' && direction !== 'out' && direction !== 'back') fault('direction', 'Write out or back.');
    const words = textOf('seen')
      .split(/[\s,;]+/)
      .filter(Boolean);
    const strange = words.find((word) => !(SEEN as readonly string[]).includes(word));
    if (strange) fault('seen', `“${strange}” is none of ${SEEN.join(', ')}.`);
    const note = textOf('note');
    if (note.length > LONGEST_NOTE) fault('note', `Must be at most ${LONGEST_NOTE} letters.`);
    if (faults.length > 0 || distance === undefined || ranAt === null || turns === undefined)
      return { line: firstLine + i, run: null, isByFeel, faults };
    const by = (Object.keys(ENDED_BY) as (keyof typeof ENDED_BY)[]).find((one) => said === ENDED_BY[one]);
    const isWall = by !== undefined || /wall|at least|^≥|^yes/.test(said);
    return {
      line: firstLine + i,
      faults,
      isByFeel,
      run: {
        ranAt,
        wind: turns === null ? { kind: 'full' } : { kind: 'turns', turns },
        outcome: { kind: isWall ? 'hit-wall' : 'stopped', distance, ...(by && { by }) },
        ...(time !== undefined && { time }),
        seen: [...new Set(words)] as RunRecord['seen'],
        ...(drift !== undefined && { drift }),
        ...(spunFor !== undefined && { spunFor }),
        ...(turnsLeft !== undefined && { turnsLeft }),
        ...(splits.length > 0 && { splits }),
        ...(film && { film }),
        ...(elsewhere.goes && elsewhere.floor && { elsewhere: { floor: elsewhere.floor, goes: elsewhere.goes } }),
        ...(stretched !== undefined && { stretched }),
        ...(inOnePiece !== undefined && { inOnePiece }),
        ...(measuredBy && { measuredBy }),
        ...(leftOut && { leftOut }),
        ...(photo !== '' && { photo }),
        ...((direction === 'out' || direction === 'back') && { direction }),
        note,
      },
    };
  });
}

/** What two tellings of one run have in common: when, how it was wound and what came. */
export const runKey = ({ ranAt, wind, outcome }: Pick<TableRun, 'ranAt' | 'wind' | 'outcome'>): string =>
  [ranAt, wind.kind === 'full' ? 'full' : wind.turns, outcome.kind, outcome.distance].join(' ');
