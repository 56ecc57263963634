import type { HandleSpec } from './drawing-handles.tsx';

export const MILLIMETRE = 1e-3;
export const ALONG = { x: 1, y: 0 };

/** Something to grab: which size, where, along which direction, by how much a metre changes it, and how finely it moves (m). */
export const handle = (
  sizeId: string,
  label: string,
  place: HandleSpec['place'],
  direction: HandleSpec['direction'],
  gain = 1,
  step = MILLIMETRE,
): HandleSpec => ({ sizeId, label, place, direction, gain, step });
