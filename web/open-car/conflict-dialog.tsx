import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import type { CarDesign } from '../../core/car/car-design.ts';
import { differences } from '../../core/car/difference.ts';
import { predictRun } from '../../core/predict/predict-run.ts';
import { printQuantity, type UnitSystem } from '../../core/units/quantity.ts';
import { problemLine, useSaveCarMutation } from '../app/api.ts';
import { useAppDispatch, useAppSelector } from '../app/store.ts';
import { toasted } from '../app/toasts-slice.ts';
import { useUnits } from '../ui/use-units.ts';
import { carOpened, mineChosen } from './design-slice.ts';
import { dropDraft } from './drafts.ts';
import { WordTable } from '../ui/word-table.tsx';

/** What differs between two designs, in words: name, parts, sizes, and how far each goes. */
function rowsOf(mine: CarDesign, other: CarDesign, units: UnitSystem): (readonly [string, string, string])[] {
  const distance = (design: CarDesign): string => {
    const prediction = predictRun(design);
    return prediction.kind === 'ran' ? printQuantity(prediction.result.distance, 'distance', units) : 'cannot run';
  };
  return [
    ...(mine.name === other.name ? [] : [['name', mine.name, other.name] as const]),
    ...differences(mine, other, units).map(({ label, from, to }) => [label, from, to] as const),
    ['predicted distance', distance(mine), distance(other)],
  ];
}

/** Asked while the car was changed elsewhere. */
export function ConflictDialog() {
  const isAsked = useAppSelector((state) => Boolean(state.design?.other));
  return isAsked ? <Conflict /> : null;
}

/** Both versions stand here until one is chosen, or both are kept. */
function Conflict() {
  const dispatch = useAppDispatch();
  const units = useUnits();
  const design = useAppSelector((state) => state.design);
  const [save] = useSaveCarMutation();
  if (!design?.other) return null;
  const { other, present, carId } = design;

  const takeOther = (): void => {
    dropDraft(carId);
    dispatch(carOpened({ car: other, draft: null }));
  };
  const keepBoth = async (): Promise<void> => {
    const name = `${present.name.slice(0, 70)} (mine)`;
    const answer = await save({ id: crypto.randomUUID(), baseVersion: 0, content: { ...present, name } });
    if (answer.error) return void dispatch(toasted(problemLine(answer.error), { tone: 'stop' }));
    takeOther();
    dispatch(toasted(`Yours was kept as “${name}” in the Garage`));
  };
  return (
    <Dialog open aria-labelledby="conflict-title" maxWidth="sm">
      <DialogTitle id="conflict-title">This car was changed elsewhere</DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 3 }}>
          Another tab saved a different version while you worked here. Both are safe; which shall go on under this name?
        </Typography>
        <WordTable head={['differs in', 'yours, here', 'the other']} rows={rowsOf(present, other.design, units)} />
      </DialogContent>
      <DialogActions sx={{ px: 6, pb: 5 }}>
        <Button onClick={takeOther}>Take the other</Button>
        <Button onClick={() => dispatch(mineChosen())}>Take mine</Button>
        <Button variant="contained" onClick={() => void keepBoth()}>
          Keep both
        </Button>
      </DialogActions>
    </Dialog>
  );
}
