import type { Outcome } from '../car/car-design.ts';

/** m: a car that came less far did not start: it stalled, or its wheels spun on the spot. Nobody measures such a run. */
export const START = 0.05;

/** Whether a run did not start. It is an outcome of its own: it has no distance that could be averaged. */
export const didNotStart = ({ kind, distance }: Outcome): boolean => kind === 'stopped' && distance < START;
