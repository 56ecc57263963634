import type { OwnPart } from '../schema/generated/own-part.ts';

export type { OwnPart };
export type PartKind = OwnPart['kind'];

/** Where on a car a part is fitted. */
export type PartSlot = 'tyre' | 'bearing' | 'axle' | 'driveWheels' | 'otherWheels' | 'body' | 'trap' | 'lever' | 'band' | 'washer';

/** Which kind of part goes where, and what that place is called. */
export const SLOTS: Readonly<Record<PartSlot, { readonly kind: PartKind; readonly label: string }>> = {
  tyre: { kind: 'tyre', label: 'tyres' },
  bearing: { kind: 'bearing', label: 'bearing' },
  axle: { kind: 'axle', label: 'axles' },
  driveWheels: { kind: 'wheel', label: 'drive wheels' },
  otherWheels: { kind: 'wheel', label: 'other wheels' },
  body: { kind: 'body', label: 'body' },
  trap: { kind: 'trap', label: 'trap' },
  lever: { kind: 'lever', label: 'lever of' },
  band: { kind: 'band', label: 'bands' },
  washer: { kind: 'washer', label: 'washer' },
};
