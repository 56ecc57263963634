import Button from '@mui/material/Button';
import { startTransition, Suspense, useState } from 'react';
import { Link } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { runTable } from '../../../core/files/run-table.ts';
import { allRunsOf } from '../../app/all-runs.ts';
import { useIsOwner } from '../../app/use-role.ts';
import { useAppDispatch } from '../../app/store.ts';
import { FileButton } from '../../ui/file-button.tsx';
import { downloadCsv, fileName } from '../../ui/file-exchange.ts';
import { lazyWithPreload } from '../../ui/lazy-with-preload.ts';

const TakeIn = lazyWithPreload(() => import('./csv-import-dialog.tsx'));

interface RunFilesProps {
  readonly carId: string;
  readonly design: CarDesign;
}

/** Runs taken away as CSV and taken in from one, and sheets to print. */
export function RunFiles({ carId, design }: RunFilesProps) {
  const dispatch = useAppDispatch();
  const isOwner = useIsOwner();
  const [file, setFile] = useState<File | null>(null);
  const takeAway = async (): Promise<void> => {
    const runs = await allRunsOf(dispatch, carId);
    if (runs) await downloadCsv(`${fileName(design.name)}-runs.csv`, runTable(runs));
  };
  return (
    <>
      <Button size="small" onClick={() => void takeAway()}>
        Export CSV
      </Button>
      {isOwner && (
        <FileButton label="Runs as CSV" accept=".csv,text/csv,text/plain" onFile={(chosen) => startTransition(() => setFile(chosen))}>
          Import CSV
        </FileButton>
      )}
      <Button size="small" component={Link} to={`/cars/${carId}/track/sheet`}>
        Run sheet to print
      </Button>
      {file && (
        <Suspense fallback={null}>
          <TakeIn carId={carId} design={design} file={file} onClose={() => setFile(null)} />
        </Suspense>
      )}
    </>
  );
}
