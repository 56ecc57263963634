import { falsePosition, pointOf } from '../../numerics/false-position.ts';
import { chainCount, equivalentBand, linksOf, type Link } from '../band-chain.ts';
import { BANDS, bandSizes, RUBBER } from '../catalogue.ts';
import type { Band, BandDesign, CarDesign, TwistDesign } from '../car-design.ts';
import { motorSizeFaults } from '../../run/size-faults.ts';
import type { MotorSetup } from '../../run/run-setup.ts';
import type { Numbers } from '../value-table.ts';
import type { FittedToMotor } from './motor-record.ts';

/** What band and twist motors share: both are wound rubber, the builder's own as it was measured. */
export const RUBBER_VALUES = {
  c1: ({ own }: CarDesign) => own?.band?.values.c1 ?? RUBBER.c1,
  c2: ({ own }: CarDesign) => own?.band?.values.c2 ?? RUBBER.c2,
  bandLoss: ({ own }: CarDesign) => own?.band?.values.loss ?? RUBBER.loss,
} as const;

export const RUBBER_KEYS_IN_DESIGN = {
  'motor.bandLength': 'motor.band',
  'motor.bandWidth': 'motor.band',
  'motor.bandThickness': 'motor.band',
  'motor.c1': 'measured.c1',
  'motor.c2': 'measured.c2',
  'motor.bandEfficiency': 'measured.bandLoss',
} as const;

/** Rubber gives back at least so much, however far it is stretched. */
const LEAST_KEPT = 0.5;

/**
 * Fraction of its energy that rubber gives back where a full wind stretches it to λ times its length: 1 − loss (λ − 1), never
 * below a half. Our estimate, from common practice.
 */
export function returnedFraction<Setup extends MotorSetup>(setup: Setup, loss: number, stretchOf: (setup: Setup) => number): number {
  // What no car can have is refused later: it is not wound here.
  if (motorSizeFaults(setup).length > 0) return LEAST_KEPT;
  const stretch = stretchOf(setup);
  return stretch > 0 ? Math.min(Math.max(1 - loss * (stretch - 1), LEAST_KEPT), 1) : LEAST_KEPT;
}

/** What the bands weigh: two strands of their section and length each, kg. */
export function bandMass(motor: BandDesign | TwistDesign): number {
  return linksOf(motor).reduce((sum, link) => sum + linkMass(link, motor.parallel), 0);
}

/** What so many bands of one size weigh, kg. */
export function linkMass({ band, series }: Link, parallel: number): number {
  const { length, width, thickness } = bandSizes(band);
  return RUBBER.density * 2 * length * width * thickness * parallel * series;
}

/** The keys of a run setup that say what rubber it is and how much; nothing is lost in it yet. */
export function rubberSetup(motor: BandDesign | TwistDesign, numbers: Numbers) {
  const { length, width, thickness } = equivalentBand(motor);
  return {
    c1: numbers.c1!,
    c2: numbers.c2!,
    bandEfficiency: 1,
    bandWidth: width,
    bandThickness: thickness,
    bandLength: length,
    parallel: motor.parallel,
    series: chainCount(motor),
  };
}

/** How bands are fitted. */
export const bandPart = <Motor extends BandDesign | TwistDesign>(): FittedToMotor<Motor> => ({
  read: ({ band }) => (band.kind === 'size' ? band.size : band.kind),
  fit: (motor, key) => ({ ...motor, band: { kind: 'size', size: key as keyof typeof BANDS } satisfies Band }),
  needed: ({ parallel, series }) => parallel * series,
});

/** The motor with its turns counted, and so many of them. */
export function withTurns<Motor extends BandDesign | TwistDesign>(motor: Motor, turns: number): Motor {
  const { fullWinding: _felt, ...counted } = motor;
  return { ...counted, turns } as Motor;
}

/** Turns are counted to about a quarter; where nobody counts, what feels tight differs by a tenth of them. Our estimates. */
const COUNTED = 0.25;
const FELT = 0.1;
/** ln of the turns by which one hand that winds by feel is off from run to run, beside how hands differ. Our estimate. */
export const HAND_SD = 0.05;
/** The same in standard deviations of what is off from hand to hand. */
export const HAND_DEVIATIONS = HAND_SD / FELT;
export const turnsOffWords = ({ fullWinding }: BandDesign | TwistDesign): string =>
  fullWinding === 'tight' ? `± ${100 * FELT} % of the turns: wound by feel` : `± ${COUNTED} turns`;

/** So many standard deviations more turns than `turns`, of what counting or feeling is off; some are always wound. */
export const turnsOff = (motor: BandDesign | TwistDesign, turns: number, deviations: number): number =>
  motor.fullWinding === 'tight' ? turns * Math.exp(FELT * deviations) : Math.max(turns + COUNTED * deviations, turns / 2);

/** Turns beyond which nobody winds by hand, and that are always wound. */
const MAX_TURNS = 512;
const MIN_TURNS = 0.25;
const TURNS_TOLERANCE = 1e-6;

/** The most turns for which a winding is within its limits. `excess`: how far beyond them so many turns are, not above 0 within; increasing. */
export function mostTurns(excess: (turns: number) => number): number {
  let low = pointOf(excess, MIN_TURNS);
  if (low.y > 0) return MIN_TURNS;
  for (let turns = 8; turns <= MAX_TURNS; turns *= 2) {
    const high = pointOf(excess, turns);
    if (high.y > 0) return falsePosition(excess, low, high, TURNS_TOLERANCE).low;
    low = high;
  }
  return MAX_TURNS;
}

const many = (count: number, words: string): string => (count === 1 ? '' : ` ${count} ${words}`);

/** How many bands there are and how they are joined: `1 band`, `6 bands, 2 side by side, 3 end to end`. */
export function describeBands(motor: BandDesign | TwistDesign): string {
  const { parallel } = motor;
  const series = chainCount(motor);
  const count = parallel * series;
  if (count === 1) return '1 band';
  if (parallel === 1) return `${count} bands end to end`;
  if (series === 1) return `${count} bands side by side`;
  return `${count} bands,${many(parallel, 'side by side')},${many(series, 'end to end')}`;
}

/** The bands and how far they are wound: `2 bands end to end, 9 turns`. */
export const describeWoundBands = (motor: BandDesign | TwistDesign): string =>
  `${describeBands(motor)}, ${motor.fullWinding === 'tight' ? 'wound until tight' : `${Number(motor.turns.toFixed(1))} turns`}`;
