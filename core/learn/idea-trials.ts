import type { CarDesign, Wind } from '../car/car-design.ts';
import { FLOORS, TYRES } from '../car/catalogue.ts';
import { hasBands, isRoller } from '../car/motors/motors.ts';
import { findSize } from '../car/sizes.ts';
import { fullTurns } from '../predict/derive-run-setup.ts';
import { formatQuantity, type UnitSystem } from '../units/quantity.ts';
import {
  ONE_THIRD_MORE,
  withAir,
  withBallast,
  withBands,
  withDrive,
  withFloor,
  withLever,
  withSlope,
  withToe,
  withTyre,
} from './changed-car.ts';
import type { Idea } from './idea.ts';
import { WATCHED_FIGURES, figuresOf, formatWatched, type CarFigure } from './measured-car.ts';

/** One step of what is tried. */
export interface TrialStep {
  readonly words: string;
  readonly design: CarDesign;
  readonly wind: Wind;
  /** SI; null where the car does not get moving so. */
  readonly figures: Readonly<Record<CarFigure, number>> | null;
}

/** Something to try on an idea’s page: what is changed, step by step, which step is the car as it is, and the figure to watch. */
export interface IdeaTrial {
  readonly label: string;
  readonly steps: readonly TrialStep[];
  readonly own: number;
  readonly watched: CarFigure;
}

const FULL: Wind = { kind: 'full' };
const WOUND = [0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1] as const;
const TIMES = [0.6, 0.7, 0.8, 0.9, 1, 1.15, ONE_THIRD_MORE, 1.5] as const;
const SLOPES = [-8, -6, -4, -2, 0, 2, 4, 6, 8] as const;
const GRAMS = [0, 20, 40, 60, 80, 100, 130, 160] as const;
const TOES = [-2, -1.5, -1, -0.5, 0, 0.5, 1, 1.5, 2] as const;
const FRONTS = [0.5, 1, 2, 4, 8] as const;

type Made = readonly [words: string, design: CarDesign | null, wind?: Wind];

/** Steps by idea: what is changed, the figure to watch, and the designs; where several are the car itself, the first. */
const TRIALS: Readonly<
  Record<
    Exclude<Idea, 'luck'>,
    (design: CarDesign, units: UnitSystem) => readonly [label: string, watched: CarFigure, made: readonly Made[]]
  >
> = {
  energy: (design) => {
    const full = fullTurns(design);
    return [
      'how far it is wound',
      'energy',
      WOUND.map((fraction) => [
        `${Number((fraction * full).toFixed(1))} turns`,
        design,
        fraction === 1 ? FULL : ({ kind: 'turns', turns: fraction * full } as const),
      ]),
    ];
  },
  pull: (design, units) => {
    const { motor } = design;
    if (hasBands(motor))
      return [
        'bands end to end',
        'pull',
        [1, 2, 3, 4, 5, 6].map((series) => [`${series}`, series === motor.series ? design : withBands(design, 0, series - motor.series)]),
      ];
    return [
      'lever, with the trap and the other axle moved along',
      'pull',
      TIMES.map((by) => [
        formatQuantity(by * findSize(design, 'leverLength').read(design), 'size', units),
        by === 1 ? design : withLever(design, by),
      ]),
    ];
  },
  gears: (design, units) => [
    'drive wheels, across',
    'pull',
    TIMES.map((by) => [formatQuantity(by * design.driveWheels.diameter, 'size', units), by === 1 ? design : withDrive(design, by)]),
  ],
  grip: (design) =>
    isRoller(design)
      ? TRIALS.rolling(design, 'metric')
      : [
          'tyre',
          'wheelspin',
          (Object.keys(TYRES) as CarDesign['tyre'][]).map((tyre) => [
            TYRES[tyre].label,
            tyre === design.tyre ? design : withTyre(design, tyre),
          ]),
        ],
  rolling: (design) => [
    'floor',
    'distance',
    (Object.keys(FLOORS) as CarDesign['floor']['kind'][]).map((kind) => [
      FLOORS[kind].label,
      kind === design.floor.kind ? design : withFloor(design, kind),
    ]),
  ],
  coasting: (design) => [
    'slope of the floor',
    'distance',
    SLOPES.map((by) => [
      by === 0 ? 'level' : `${Math.abs(by)} mm ${by < 0 ? 'down' : 'up'} in a metre`,
      by === 0 ? design : withSlope(design, by / 1000),
    ]),
  ],
  mass: (design, units) => [
    'ballast added',
    'distance',
    GRAMS.map((grams) => [formatQuantity(grams / 1000, 'weight', units), grams === 0 ? design : withBallast(design, grams / 1000)]),
  ],
  straight: (design) => [
    'the other axle out of square',
    'drift',
    isRoller(design)
      ? [['straight', design]]
      : TOES.map((degrees) => [
          degrees === 0 ? 'straight' : `${Math.abs(degrees)}° to the ${degrees > 0 ? 'left' : 'right'}`,
          degrees === 0 ? design : withToe(design, (degrees * Math.PI) / 180),
        ]),
  ],
  air: (design) => [
    'air that its front meets',
    'speed',
    FRONTS.map((by) => [by === 1 ? 'unchanged' : by < 1 ? 'half' : `${by} times`, by === 1 ? design : withAir(design, by)]),
  ],
};

/** What can be tried on the page of an idea with this car. `units`: those in which steps are reported. */
export function ideaTrial(idea: Exclude<Idea, 'luck'>, design: CarDesign, units: UnitSystem): IdeaTrial {
  const [label, watched, changes] = TRIALS[idea](design, units);
  const steps = changes.flatMap(([words, changed, wind = FULL]): TrialStep[] =>
    changed ? [{ words, design: changed, wind, figures: figuresOf(changed, wind) }] : [],
  );
  const own = steps.findIndex((step) => step.design === design && step.wind.kind === 'full');
  return { label, steps, own: Math.max(0, own), watched };
}

/** The watched figure over the steps, in words. */
export const describeTrial = ({ label, steps, watched }: IdeaTrial, units: UnitSystem): string =>
  `${WATCHED_FIGURES[watched].label}, by ${label}: ${steps
    .map(({ words, figures }) => `${words} ${figures ? formatWatched(watched, figures[watched], units) : 'it does not start'}`)
    .join('; ')}`;
