import type { FilmedRun, RunRefusal } from '../../core/film/filmed-run.ts';
import type { Slip, SlipRefusal } from '../../core/film/slip.ts';
import { formatKnown, unitOf, type Format, type Quantity, type UnitSystem } from '../../core/units/quantity.ts';
import type { FilmEnd, FilmFault } from './film-worker.ts';

/** Standard deviations that 9 in 10 lie within. */
export const NINE_IN_TEN = 1.645;

/** A value no finer than it is known: `2.1 ± 0.1 m/s`. */
export const formatWithin = (value: number, deviation: number, quantity: Quantity, units: UnitSystem): string => {
  const half = NINE_IN_TEN * deviation;
  return `${formatKnown(value, half, quantity, units)} ± ${formatKnown(half, half, quantity, units)} ${unitOf(quantity, units)}`;
};

/** Why a film cannot be read, and what to do. */
export function describeFilmFault({ fault, codec }: FilmFault | { readonly fault: 'broken'; readonly codec: null }): string {
  if (fault === 'no-film') return 'This file is not a film. Choose an MP4, MOV or WebM file as a phone makes it.';
  if (fault === 'empty') return 'This film has no length. Film the whole launch, and choose that file.';
  if (fault === 'broken') return 'The film could not be read to its end. Open it again, or copy it from the phone once more.';
  const kind = codec ? `This browser cannot decode the film (${codec.toUpperCase()}).` : 'This browser cannot decode the film.';
  return `${kind} Set the phone’s camera to its most compatible format (H.264), or convert the film to MP4 with H.264.`;
}

const seconds = (time: number): string => `${time.toFixed(2)} s`;

/** How following ended, and what to do; null where it went to the end. */
export function describeFilmEnd({ kind, time }: FilmEnd): string | null {
  if (kind === 'end' || kind === 'out-of-picture') return null;
  if (kind === 'stopped') return `Stopped at ${seconds(time)}. Follow again, or use what was found so far.`;
  if (kind === 'dot-lost')
    return `The dot is lost at ${seconds(time)}: covered, or beside another of its colour. Set the dot in this frame to go on, or end here.`;
  if (kind === 'camera-moved')
    return `The camera moved at ${seconds(time)}: the marks are no longer where they were. Positions up to there count. End here, or film again with the phone fixed.`;
  return `The picture changes its size at ${seconds(time)}. Frames up to there count. End here, or film again without turning the phone.`;
}

/** Why a film shows no run, and what to do. */
export const RUN_REFUSALS: Readonly<Record<RunRefusal, string>> = {
  'start-unseen':
    'The car already moves in the first frame. Set the dot in a frame before the release, or film again and start a second earlier.',
  'did-not-move': 'The dot does not move in this film. Check that the dot is on the car.',
};

const SLIP_REFUSALS: Readonly<Record<SlipRefusal, string>> = {
  'turned-too-little': 'cannot tell: the wheel turned too little in view',
  'too-fast': 'cannot tell: the wheel turned too fast for this film. Film at 60 frames a second',
};

/** What a film tells of a run, name by figure. */
export function filmFacts(
  run: FilmedRun,
  slip: Slip | SlipRefusal | null,
  units: UnitSystem,
  format: Format,
): readonly (readonly [string, string])[] {
  const { pullEnded, stop, passings } = run;
  const top = run.curve.reduce((best, one) => (one.speed > best.speed ? one : best));
  const last = passings.at(-1);
  return [
    ['release', `${run.start.toFixed(2)} ± ${(NINE_IN_TEN * run.startDeviation).toFixed(2)} s`],
    ['top speed', formatWithin(top.speed, top.speedDeviation, 'speed', units)],
    pullEnded
      ? ['the pull ends at', `${formatKnown(pullEnded.at, 0.1, 'distance', units)} ${unitOf('distance', units)}`]
      : ['the pull ends at', 'after this film'],
    stop ? ['stopped after', formatWithin(stop.time, Math.max(run.startDeviation, 0.03), 'time', units)] : ['stop', 'not in this film'],
    ...(stop ? ([['distance', formatWithin(stop.distance, stop.deviation, 'distance', units)]] as const) : []),
    ...(stop && stop.drift !== null
      ? ([['drift', `${format(Math.abs(stop.drift), 'distance')} to the ${stop.drift < 0 ? 'left' : 'right'}`]] as const)
      : []),
    ...(last ? ([['times', `at ${passings.length} places, up to ${format(last.at, 'distance')}`]] as const) : []),
    ...(slip === null
      ? []
      : ([
          [
            'slip at the launch',
            typeof slip === 'string'
              ? SLIP_REFUSALS[slip]
              : `${Math.round(100 * Math.max(slip.ratio, 0))} ± ${Math.max(1, Math.round(100 * NINE_IN_TEN * slip.deviation))} %`,
          ],
        ] as const)),
  ];
}
