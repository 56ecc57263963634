import { START } from '../schema/stored.ts';
import type { Outcome } from './car-design.ts';

export { START };

/** Whether a run did not start. It is an outcome of its own: it has no distance that could be averaged. */
export const didNotStart = ({ kind, distance }: Outcome): boolean => kind === 'stopped' && distance < START;
