import type { BandDesign, TwistDesign } from './car-design.ts';

const many = (count: number, words: string): string => (count === 1 ? '' : ` ${count} ${words}`);

/** How many bands there are and how they are joined: `1 band`, `6 bands, 2 side by side, 3 end to end`. */
export function bandWords({ parallel, series }: BandDesign | TwistDesign): string {
  const count = parallel * series;
  if (count === 1) return '1 band';
  if (parallel === 1) return `${count} bands end to end`;
  if (series === 1) return `${count} bands side by side`;
  return `${count} bands,${many(parallel, 'side by side')},${many(series, 'end to end')}`;
}
