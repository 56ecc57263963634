import type { CarGroup } from './car-groups.ts';
import type { OwnPart } from '../schema/generated/own-part.ts';

export type { OwnPart };
export type PartKind = OwnPart['kind'];

/** Where on a car a part is fitted. */
export type PartSlot = 'tyre' | 'bearing' | 'axle' | 'driveWheels' | 'otherWheels' | 'body' | 'trap' | 'lever' | 'band' | 'washer';

/** Which kind of part goes where, what that place is called and belongs to, and what else it is looked for by. */
export const SLOTS: Readonly<
  Record<PartSlot, { readonly kind: PartKind; readonly label: string; readonly group: CarGroup; readonly synonyms: string }>
> = {
  tyre: { kind: 'tyre', label: 'tyres', group: 'driveAxle', synonyms: 'traction grip friction rubber wheelspin' },
  bearing: { kind: 'bearing', label: 'bearing', group: 'driveAxle', synonyms: 'straw hole friction' },
  axle: { kind: 'axle', label: 'axles', group: 'driveAxle', synonyms: 'spool skewer dowel rod' },
  driveWheels: { kind: 'wheel', label: 'drive wheels', group: 'driveAxle', synonyms: 'rear front' },
  otherWheels: { kind: 'wheel', label: 'other wheels', group: 'otherAxle', synonyms: 'caster single' },
  body: { kind: 'body', label: 'body', group: 'body', synonyms: 'chassis frame deck' },
  trap: { kind: 'trap', label: 'trap', group: 'motor', synonyms: 'spring mousetrap' },
  lever: { kind: 'lever', label: 'lever of', group: 'motor', synonyms: 'arm' },
  band: { kind: 'band', label: 'bands', group: 'motor', synonyms: 'rubber elastic tubing' },
  washer: { kind: 'washer', label: 'washer', group: 'motor', synonyms: 'bead thrust' },
};
