import { falsePosition, pointOf } from '../numerics/false-position.ts';
import { bandForce } from '../motor/rubber.ts';
import type { Band, BandDesign, TwistDesign } from './car-design.ts';
import { BANDS, bandSizes, RUBBER } from './catalogue.ts';

/** Bands of one size, end to end in a chain. */
export interface Link {
  readonly band: Band;
  readonly series: number;
}

/** What a chain is made of, from its first bands on. A twisted bundle is of one size. */
export const linksOf = (motor: BandDesign | TwistDesign): readonly [Link, ...Link[]] => [
  motor,
  ...(motor.kind === 'band' ? (motor.further ?? []) : []),
];

/** How many bands end to end a chain has, of all sizes. */
export const chainCount = (motor: BandDesign | TwistDesign): number => linksOf(motor).reduce((sum, { series }) => sum + series, 0);

/** How many bands a motor has in all. */
export const bandCount = (motor: BandDesign | TwistDesign): number => motor.parallel * chainCount(motor);

/** What a band is called: its size, or what it is where it has none. */
export const bandName = (band: Band): string =>
  band.kind === 'size' ? BANDS[band.size].label : band.kind === 'tubing' ? 'tubing' : 'own sizes';

/** How many bands are end to end, and of which sizes where they differ: `3`, `2 + 1 of size 64 (3½ × 1/4 in)`. */
export const describeChain = (motor: BandDesign | TwistDesign): string => {
  const [first, ...further] = linksOf(motor);
  return [`${first.series}`, ...further.map(({ band, series }) => `${series} of ${bandName(band)}`)].join(' + ');
};

/** Section of one strand, m². */
const strandSection = (band: Band): number => bandSizes(band).width * bandSizes(band).thickness;

/**
 * The one band of which as many in a chain pull like the chain: its length is the mean, its section the harmonic mean by length, for the
 * same pull goes through all of them and each gives in proportion to its length over its section. Exact for little and for much
 * stretch; between them up to 5 % more pull where one section is twice the other. Source: springs in series.
 * @returns sizes of the loop, m: of a chain of one size that size itself
 */
export function equivalentBand(motor: BandDesign | TwistDesign): ReturnType<typeof bandSizes> {
  const links = linksOf(motor);
  const first = bandSizes(motor.band);
  if (links.length === 1) return first;
  const length = links.reduce((sum, { band, series }) => sum + series * bandSizes(band).length, 0);
  const yielding = links.reduce((sum, { band, series }) => sum + (series * bandSizes(band).length) / strandSection(band), 0);
  return { length: length / chainCount(motor), width: first.width, thickness: length / yielding / first.width };
}

const USUAL_RUBBER = { c1: RUBBER.c1, c2: RUBBER.c2, length: 1 };
const MOST_STRETCH = 20;

/**
 * Mean stretch ratio of a chain at which the first of its bands is stretched to `limit`: the thinnest gives way first.
 * @example stretchOfChain(motor, () => 4.5) // 4.5 of bands of one size, less where one is thinner
 */
export function stretchOfChain(motor: BandDesign | TwistDesign, limit: (band: Band) => number): number {
  const links = linksOf(motor);
  if (links.length === 1) return limit(motor.band);
  const pull = Math.min(...links.map(({ band }) => bandForce({ ...USUAL_RUBBER, section: strandSection(band) }, limit(band))));
  const { width, thickness } = equivalentBand(motor);
  const excess = (stretch: number): number => bandForce({ ...USUAL_RUBBER, section: width * thickness }, stretch) - pull;
  return falsePosition(excess, pointOf(excess, 1), pointOf(excess, MOST_STRETCH), 1e-9).low;
}
