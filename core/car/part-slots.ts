import type { CarGroup } from './car-groups.ts';
import type { OwnPart } from '../schema/generated/own-part.ts';

export type { OwnPart };
export type PartKind = OwnPart['kind'];

/** Where on a car a part is fitted. */
export type PartSlot = 'tyre' | 'bearing' | 'axle' | 'driveWheels' | 'otherWheels' | 'body' | 'trap' | 'lever' | 'band' | 'washer';

/** Which kind of part goes where, what that place is called and belongs to. */
export const SLOTS: Readonly<Record<PartSlot, { readonly kind: PartKind; readonly label: string; readonly group: CarGroup }>> = {
  tyre: { kind: 'tyre', label: 'tyres', group: 'driveAxle' },
  bearing: { kind: 'bearing', label: 'bearing', group: 'driveAxle' },
  axle: { kind: 'axle', label: 'axles', group: 'driveAxle' },
  driveWheels: { kind: 'wheel', label: 'drive wheels', group: 'driveAxle' },
  otherWheels: { kind: 'wheel', label: 'other wheels', group: 'otherAxle' },
  body: { kind: 'body', label: 'body', group: 'body' },
  trap: { kind: 'trap', label: 'trap', group: 'motor' },
  lever: { kind: 'lever', label: 'lever of', group: 'motor' },
  band: { kind: 'band', label: 'bands', group: 'motor' },
  washer: { kind: 'washer', label: 'washer', group: 'motor' },
};
