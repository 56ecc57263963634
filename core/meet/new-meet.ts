import type { Entry, Meet, MeetResult } from './meet.ts';

/** A car as it is entered: not inspected yet, in the running. */
export const newEntry = (entry: Pick<Entry, 'id' | 'crew' | 'car'> & Partial<Entry>): Entry => ({
  carId: null,
  showsPrediction: false,
  measured: { length: null, width: null, height: null, mass: null, bands: null },
  style: null,
  isOut: false,
  ...entry,
});

/**
 * An entry that is taken out, or let run again. `hasBegun`: runs were made already; then heats that were drawn stand: the lanes of who is out
 * stay empty, and who was not drawn comes last.
 */
export function withRunning({ withdrawn, late, ...entry }: Entry, isRunning: boolean, hasBegun: boolean): Entry {
  if (!isRunning) return { ...entry, isOut: true, ...(late && { late }), ...(hasBegun && { withdrawn: true }) };
  const isLate = late ?? (hasBegun && entry.isOut && !withdrawn);
  return { ...entry, isOut: false, ...(isLate && { late: true }) };
}

/** A meet by a brief before anybody is entered: one car at a time, no round dropped, no points for style. */
export const newMeet = (meet: Pick<Meet, 'name' | 'date' | 'brief' | 'seed'> & Partial<Meet>): Meet => ({
  format: 'nimble-axle/meet',
  version: 1,
  lanes: 1,
  drops: 0,
  style: 0,
  change: '',
  entries: [],
  ...meet,
});

/** A run as it is first written down: it corrects nothing. */
export const newResult = (
  result: Pick<MeetResult, 'meet' | 'entry' | 'round' | 'run' | 'at' | 'by' | 'outcome'> & Partial<MeetResult>,
): MeetResult => ({
  format: 'nimble-axle/meet-result',
  version: 1,
  lane: 0,
  corrects: null,
  why: '',
  ...result,
});
