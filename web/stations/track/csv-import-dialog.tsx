import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { RUN_COLUMNS, type ColumnPlaces, type RunColumn } from '../../../core/files/run-table.ts';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import fieldStyles from '../../brief-fields/brief-fields.module.css';
import { WordTable } from '../../ui/word-table.tsx';
import { useUnits } from '../../ui/use-units.ts';
import { formatOutcome, formatWinding } from './describe-run.ts';
import { useCsvImport } from './use-csv-import.ts';

interface TakeInDialogProps {
  readonly carId: string;
  readonly design: CarDesign;
  readonly file: File;
  readonly onClose: () => void;
}

/** Lines told one by one, at most. */
const SHOWN = 8;
const COLUMNS = Object.keys(RUN_COLUMNS) as RunColumn[];
const NONE = '-1';

/** What a file of runs holds, by its columns, before anything is stored; what is wrong is reported by its line. */
export default function TakeInDialog({ carId, design, file, onClose }: TakeInDialogProps) {
  const units = useUnits();
  const { read, places, setPlaces, isTaking, take } = useCsvImport(carId, design, file, onClose);
  const [isMapping, setMapping] = useState(false);
  const wrong = read?.lines.filter(({ run }) => run === null) ?? [];
  return (
    <Dialog open onClose={onClose} aria-labelledby="take-in-title" maxWidth="md" fullWidth>
      <DialogTitle id="take-in-title">Runs in {file.name}</DialogTitle>
      <DialogContent>
        {!read && <Typography role="status">Checking the file …</Typography>}
        {read && (
          <>
            <Typography>
              {read.fresh.length} new, {read.known} known already, {wrong.length} with errors. Nothing has been saved yet. They will be runs
              of “{design.name}” as it is now.
            </Typography>
            <Button size="small" aria-expanded={isMapping} onClick={() => setMapping(!isMapping)}>
              Columns
            </Button>
            {isMapping && (
              <div className={fieldStyles.pair}>
                {COLUMNS.map((column) => (
                  <ChoiceSelect
                    key={column}
                    label={RUN_COLUMNS[column].heading}
                    value={String(places[column] ?? NONE)}
                    options={{
                      [NONE]: 'none',
                      ...Object.fromEntries(read.headings.map((heading, i) => [String(i), heading || `column ${i + 1}`])),
                    }}
                    onChange={(place) => {
                      const { [column]: _was, ...rest } = places;
                      setPlaces((place === NONE ? rest : { ...rest, [column]: Number(place) }) as ColumnPlaces);
                    }}
                  />
                ))}
              </div>
            )}
            {wrong.length > 0 && (
              <WordTable
                head={['line', 'column', 'error']}
                rows={wrong
                  .slice(0, SHOWN)
                  .flatMap(({ line, faults }) =>
                    faults.map(({ column, message }) => [String(line), RUN_COLUMNS[column].heading, message] as const),
                  )}
              />
            )}
            {wrong.length > SHOWN && <Typography variant="body2">and {wrong.length - SHOWN} more lines with errors</Typography>}
            {read.fresh.length > 0 && (
              <WordTable
                head={['line', 'wound', 'result']}
                rows={read.fresh
                  .slice(0, SHOWN)
                  .map(({ line, run }) => [String(line), formatWinding(run.wind), formatOutcome(run.outcome, units)] as const)}
              />
            )}
          </>
        )}
      </DialogContent>
      <DialogActions sx={{ px: 6, pb: 5 }}>
        <Button onClick={onClose}>Close</Button>
        <Button variant="contained" disabled={!read || read.fresh.length === 0 || isTaking} onClick={() => void take()}>
          {read ? `Import ${read.fresh.length}` : 'Import'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
