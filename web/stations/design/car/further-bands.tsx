import { memo } from 'react';
import type { BandDesign } from '../../../../core/car/car-design.ts';
import { BANDS } from '../../../../core/car/catalogue.ts';
import { ChoiceSelect } from '../../../brief-fields/choice-select.tsx';
import { PieceList } from '../../../brief-fields/piece-list.tsx';
import type { Edit } from '../../../open-car/design-slice.ts';
import { QuantityField } from '../../../ui/quantity-field.tsx';
import { labelsOf } from '../../../ui/labels-of.ts';

type FurtherBands = NonNullable<BandDesign['further']>[number];

interface FurtherBandsProps {
  readonly further: readonly FurtherBands[];
  readonly edit: Edit;
}

const SIZES = labelsOf(BANDS);
const MOST_SIZES = 4;
const MOST_IN_CHAIN = 20;

/** Bands of other sizes in the same chain, end to end with the first. */
export const FurtherBandsFields = memo(function FurtherBandsFields({ further, edit }: FurtherBandsProps) {
  return (
    <PieceList<FurtherBands>
      pieces={further}
      change={(next) =>
        edit((car) => {
          if (car.motor.kind !== 'band') return car;
          const { further: present = [], ...motor } = car.motor;
          const changed = next(present);
          return { ...car, motor: changed.length > 0 ? { ...motor, further: changed } : motor };
        })
      }
      nameOf={(at) => (at === 0 ? 'Further bands end to end' : `Further bands end to end, ${at + 1}`)}
      head={({ band }, changeIt) => (
        <ChoiceSelect
          label="Size of these"
          value={band.size}
          options={SIZES}
          onChange={(size) => changeIt({ band: { kind: 'size', size } })}
        />
      )}
      most={MOST_SIZES}
      addWords="Add bands of another size"
      make={(last) => last ?? { band: { kind: 'size', size: '64' }, series: 1 }}
    >
      {({ series }, changeIt) => (
        <QuantityField
          size="small"
          label="Number of these"
          quantity="count"
          value={series}
          check={(value) =>
            Number.isInteger(value) && value >= 1 && value <= MOST_IN_CHAIN ? null : `Must be a whole number from 1 to ${MOST_IN_CHAIN}.`
          }
          onChange={(value) => changeIt({ series: value })}
        />
      )}
    </PieceList>
  );
});
