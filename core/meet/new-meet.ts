import type { Entry, Meet, MeetResult } from './meet.ts';

/** A car as it is entered: not inspected yet, in the running. */
export const newEntry = (told: Pick<Entry, 'id' | 'crew' | 'car'> & Partial<Entry>): Entry => ({
  carId: null,
  showsPrediction: false,
  measured: { length: null, width: null, height: null, mass: null, bands: null },
  style: null,
  isOut: false,
  ...told,
});

/** A meet by a brief before anybody is entered: one car at a time, no round dropped, no points for style. */
export const newMeet = (told: Pick<Meet, 'name' | 'date' | 'brief' | 'seed'> & Partial<Meet>): Meet => ({
  format: 'nimble-axle/meet',
  version: 1,
  lanes: 1,
  drops: 0,
  style: 0,
  change: '',
  entries: [],
  ...told,
});

/** A run as it is first written down: it corrects nothing. */
export const newResult = (
  told: Pick<MeetResult, 'meet' | 'entry' | 'round' | 'run' | 'at' | 'by' | 'outcome'> & Partial<MeetResult>,
): MeetResult => ({
  format: 'nimble-axle/meet-result',
  version: 1,
  lane: 0,
  corrects: null,
  why: '',
  ...told,
});
