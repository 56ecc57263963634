import type { Band } from '../../../../core/car/car-design.ts';
import { hasBands } from '../../../../core/car/motors/motors.ts';
import { typedValues } from '../../../../core/car/parts.ts';
import { QuantityField } from '../../../ui/quantity-field.tsx';
import type { Edit } from '../../../open-car/design-slice.ts';

interface BandSizeFieldsProps {
  readonly band: Extract<Band, { kind: 'own' }>;
  readonly edit: Edit;
}

/** Length, width and thickness of bands that are in no list. */
export const BandSizeFields = ({ band, edit }: BandSizeFieldsProps) =>
  typedValues('band').map(({ key, label, most, factor, unit }) => (
    <QuantityField
      key={key}
      size="small"
      label={`Band: ${label}`}
      quantity="size"
      value={band[key as 'length' | 'width' | 'thickness']}
      check={(value) => (value > 0 && value <= most ? null : `Must be above 0 and at most ${most / factor} ${unit}.`)}
      onChange={(value) =>
        edit((car) =>
          hasBands(car.motor) && car.motor.band.kind === 'own'
            ? { ...car, motor: { ...car.motor, band: { ...car.motor.band, [key]: value } } }
            : car,
        )
      }
    />
  ));
