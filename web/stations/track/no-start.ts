import type { SeenThing } from './track-slice.ts';

/** What a car did that did not start. */
export type NoStart = 'stayed' | 'spun' | 'backwards';

/** By what was seen of it. */
export const noStartOf = (seen: readonly SeenThing[]): NoStart =>
  seen.includes('backwards') ? 'backwards' : seen.includes('spun') ? 'spun' : 'stayed';

/** What is seen of it then, with all else that was. */
export const seenOfNoStart = (seen: readonly SeenThing[], did: NoStart): readonly SeenThing[] => [
  ...seen.filter((thing) => thing !== 'spun' && thing !== 'backwards'),
  ...(did === 'stayed' ? [] : [did]),
];
