import { BANDS, bandSizes, RUBBER } from '../catalogue.ts';
import type { Band, BandDesign, TwistDesign } from '../car-design.ts';
import type { Numbers } from '../value-table.ts';
import type { FittedToMotor } from './motor-record.ts';

/** What band and twist motors share: both are wound rubber. */
export const RUBBER_VALUES = { c1: () => RUBBER.c1, c2: () => RUBBER.c2, bandEfficiency: () => RUBBER.efficiency } as const;

export const RUBBER_KEYS_IN_DESIGN = {
  'motor.bandLength': 'motor.band',
  'motor.bandWidth': 'motor.band',
  'motor.bandThickness': 'motor.band',
  'motor.c1': 'measured.c1',
  'motor.c2': 'measured.c2',
  'motor.bandEfficiency': 'measured.bandEfficiency',
} as const;

/** The keys of a run setup that say what rubber it is and how much. */
export function rubberSetup({ band, parallel, series }: BandDesign | TwistDesign, numbers: Numbers) {
  const { length, width, thickness } = bandSizes(band);
  return {
    c1: numbers.c1!,
    c2: numbers.c2!,
    bandEfficiency: Math.min(numbers.bandEfficiency!, 1),
    bandWidth: width,
    bandThickness: thickness,
    bandLength: length,
    parallel,
    series,
  };
}

/** How bands are fitted. */
export const bandPart = <Motor extends BandDesign | TwistDesign>(): FittedToMotor<Motor> => ({
  read: ({ band }) => (band.kind === 'size' ? band.size : 'own'),
  fit: (motor, key) => ({ ...motor, band: { kind: 'size', size: key as keyof typeof BANDS } satisfies Band }),
  needed: ({ parallel, series }) => parallel * series,
});

/** Turns are counted to about a quarter. */
const COUNTED = 0.25;

/** So many standard deviations more turns, of what counting is off; some are always wound. */
export const turnsOff = <Motor extends BandDesign | TwistDesign>(motor: Motor, deviations: number): Motor => ({
  ...motor,
  turns: Math.max(motor.turns + COUNTED * deviations, motor.turns / 2),
});

const many = (count: number, words: string): string => (count === 1 ? '' : ` ${count} ${words}`);

/** How many bands there are and how they are joined: `1 band`, `6 bands, 2 side by side, 3 end to end`. */
export function bandWords({ parallel, series }: BandDesign | TwistDesign): string {
  const count = parallel * series;
  if (count === 1) return '1 band';
  if (parallel === 1) return `${count} bands end to end`;
  if (series === 1) return `${count} bands side by side`;
  return `${count} bands,${many(parallel, 'side by side')},${many(series, 'end to end')}`;
}

/** The bands and how far they are wound: `2 bands end to end, 9 turns`. */
export const woundBandsWords = (motor: BandDesign | TwistDesign): string => `${bandWords(motor)}, ${Number(motor.turns.toFixed(1))} turns`;
