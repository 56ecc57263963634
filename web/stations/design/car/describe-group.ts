import type { CarDesign } from '../../../../core/car/car-design.ts';
import type { CarGroup } from '../../../../core/car/car-groups.ts';
import { BODIES, CARE, FLOORS, WHEELS } from '../../../../core/car/catalogue.ts';
import { recordOf } from '../../../../core/car/motors/motors.ts';
import { standingWeight } from '../../../../core/car/weights.ts';
import type { Format } from '../../../../core/units/quantity.ts';

/** What a group of a car's sizes and parts holds, in a few words. */
export function describeGroup(group: CarGroup, design: CarDesign, format: Format): string {
  const { motor, driveWheels, otherWheels, floor } = design;
  const wheels = ({ kind, diameter }: CarDesign['driveWheels']): string => `${WHEELS[kind].label}, ${format(diameter, 'size')}`;
  switch (group) {
    case 'motor':
      return recordOf(motor).labels(motor, format).join(', ');
    case 'driveAxle':
      return `${wheels(driveWheels)} · axle ${format(design.axleDiameter, 'size')}`;
    case 'otherAxle':
      return otherWheels ? wheels(otherWheels) : '';
    case 'body':
      return `${otherWheels ? `${BODIES[design.body.kind].label} · ` : ''}${format(standingWeight(design).mass, 'weight')}`;
    case 'straight':
      return CARE[design.care].label;
    case 'floor':
      return `${FLOORS[floor.kind].label}${floor.roomLength === null ? '' : `, ${format(floor.roomLength, 'distance')} to the wall`}`;
  }
}
