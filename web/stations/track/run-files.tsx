import Button from '@mui/material/Button';
import { startTransition, Suspense, useState } from 'react';
import { Link } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { runTable } from '../../../core/files/run-table.ts';
import { isReadable, type ListedRun } from '../../../core/schema/stored.ts';
import { api, problemLine, RUNS_ON_A_PAGE } from '../../app/api.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';
import { FileButton } from '../../ui/file-button.tsx';
import { download, fileName } from '../../ui/file-exchange.ts';
import { later } from '../../ui/later.ts';

const TakeIn = later(() => import('./take-in-dialog.tsx'));

interface RunFilesProps {
  readonly carId: string;
  readonly design: CarDesign;
}

/** Runs taken away as CSV and taken in from one, and sheets to print. */
export function RunFiles({ carId, design }: RunFilesProps) {
  const dispatch = useAppDispatch();
  const [file, setFile] = useState<File | null>(null);
  const takeAway = async (): Promise<void> => {
    const runs: ListedRun[] = [];
    for (let page = 0; ; page++) {
      const { data, error } = await dispatch(
        api.endpoints.listRuns.initiate({ carId, filter: { order: 'oldest' }, page }, { subscribe: false, forceRefetch: true }),
      );
      if (!data) return void dispatch(toasted(problemLine(error), { tone: 'stop' }));
      runs.push(...data.runs.filter((run): run is ListedRun => isReadable<ListedRun>(run)));
      if ((page + 1) * RUNS_ON_A_PAGE >= data.total) break;
    }
    const { default: Papa } = await import('papaparse');
    const [head, ...rows] = runTable(runs.map(({ record }) => record));
    // RFC 4180: lines end in CR LF.
    download(
      `${fileName(design.name)}-runs.csv`,
      Papa.unparse(
        [head!, ...rows].map((row) => [...row]),
        { newline: '\r\n' },
      ),
      'text/csv',
    );
  };
  return (
    <>
      <Button size="small" onClick={() => void takeAway()}>
        Save as CSV
      </Button>
      <FileButton label="Runs as CSV" accept=".csv,text/csv,text/plain" onFile={(chosen) => startTransition(() => setFile(chosen))}>
        Take in a CSV
      </FileButton>
      <Button size="small" component={Link} to={`/cars/${carId}/track/sheet`}>
        Sheet to print
      </Button>
      {file && (
        <Suspense fallback={null}>
          <TakeIn carId={carId} design={design} file={file} onClose={() => setFile(null)} />
        </Suspense>
      )}
    </>
  );
}
