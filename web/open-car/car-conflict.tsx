import type { CarDesign } from '../../core/car/car-design.ts';
import { differences } from '../../core/car/difference.ts';
import { predictRun } from '../../core/predict/predict-run.ts';
import { formatPredicted, type UnitSystem } from '../../core/units/quantity.ts';
import { useSaveCarMutation } from '../app/api/cars-api.ts';
import { ConflictDialog } from '../open-document/conflict-dialog.tsx';
import { useUnits } from '../ui/use-units.ts';
import { CAR } from './car-document.ts';
import { newId } from '../app/new-id.ts';

/** What differs between two designs, in words: name, parts, sizes, and how far each goes. */
function rowsOf(mine: CarDesign, other: CarDesign, units: UnitSystem): (readonly [string, string, string])[] {
  const distance = (design: CarDesign): string => {
    const prediction = predictRun(design);
    return prediction.kind === 'ran' ? formatPredicted(prediction.result.distance, 'distance', units) : 'cannot run';
  };
  return [
    ...(mine.name === other.name ? [] : [['name', mine.name, other.name] as const]),
    ...differences(mine, other, units).map(({ label, from, to }) => [label, from, to] as const),
    ['predicted distance', distance(mine), distance(other)],
  ];
}

/** Asked while the car was changed elsewhere. */
export function CarConflict() {
  const units = useUnits();
  const [save] = useSaveCarMutation();
  return (
    <ConflictDialog
      kind={CAR}
      rowsOf={(mine, other) => rowsOf(mine, other, units)}
      saveBeside={async (mine) => {
        const name = `${mine.name.slice(0, 70)} (mine)`;
        const { error } = await save({ id: newId(), baseVersion: 0, content: { ...mine, name } });
        return error ? { error } : { name };
      }}
    />
  );
}
