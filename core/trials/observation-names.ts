import type { RunRecord } from '../car/car-design.ts';

/** What may be seen of a run, in words. */
export const OBSERVATION_NAMES: Readonly<Record<RunRecord['seen'][number], string>> = {
  spun: 'wheels spun',
  rubbed: 'something rubbed',
  'drifted-left': 'drifted left',
  'drifted-right': 'drifted right',
  'string-stayed': 'string or band stayed on',
  caught: 'string or band caught',
  broke: 'something broke',
  backwards: 'ran backwards',
  hopped: 'wheels hopped',
};
