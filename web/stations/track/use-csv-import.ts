import { useEffect, useMemo, useState } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { woundByFeel } from '../../../core/car/new-car.ts';
import { versionOf } from '../../../core/car/version-tree.ts';
import { unguardCell } from '../../../core/files/csv-guard.ts';
import { guessPlaces, readRunLines, runKey, type ColumnPlaces, type ReadLine, type TableRun } from '../../../core/files/run-table.ts';
import { isReadable } from '../../../core/schema/stored.ts';
import { problemLine } from '../../app/api/problem.ts';
import { RUNS_ON_A_PAGE, runsApi, useAddRunsMutation } from '../../app/api/runs-api.ts';
import { useListVersionsQuery } from '../../app/api/versions-api.ts';
import { newId } from '../../app/new-id.ts';
import { useAppDispatch } from '../../app/store.ts';
import { toasted } from '../../app/toasts-slice.ts';

/** What a file of runs holds beside what is stored. */
export interface ReadFile {
  readonly headings: readonly string[];
  readonly lines: readonly ReadLine[];
  readonly fresh: readonly { readonly line: number; readonly run: TableRun; readonly isByFeel: boolean }[];
  /** Lines that tell of a run that is stored, or that the file tells twice. */
  readonly known: number;
}

/** Runs sent at once: stored together, or none of them. */
const AT_ONCE = 200;

interface Table {
  readonly headings: readonly string[];
  readonly rows: readonly (readonly string[])[];
}

/** Reads a file of runs and takes in what is new of it. */
export function useCsvImport(carId: string, design: CarDesign, file: File, onClose: () => void) {
  const dispatch = useAppDispatch();
  const { data: versions } = useListVersionsQuery(carId);
  const [table, setTable] = useState<Table | null>(null);
  const [places, setPlaces] = useState<ColumnPlaces>({});
  const [stored, setKept] = useState<ReadonlySet<string> | null>(null);
  const [add] = useAddRunsMutation();
  const [isTaking, setTaking] = useState(false);
  const [openedAt] = useState(() => Date.now());

  useEffect(() => {
    let isWanted = true;
    void (async () => {
      const { default: Papa } = await import('papaparse');
      // Commas or semicolons: whichever the file has.
      const { data } = Papa.parse<string[]>((await file.text()).replace(/^\ufeff/, ''), { skipEmptyLines: true, transform: unguardCell });
      const [headings = [], ...rows] = data;
      if (!isWanted) return;
      setPlaces(guessPlaces(headings));
      setTable({ headings, rows });
    })();
    return () => {
      isWanted = false;
    };
  }, [file]);

  useEffect(() => {
    let isWanted = true;
    void (async () => {
      const keys = new Set<string>();
      for (let page = 0; ; page++) {
        const { data } = await dispatch(runsApi.endpoints.listRuns.initiate({ carId, filter: null, page }, { subscribe: false }));
        if (!data) break;
        for (const run of data.runs) if (isReadable(run)) keys.add(runKey(run.record));
        if ((page + 1) * RUNS_ON_A_PAGE >= data.total) break;
      }
      if (isWanted) setKept(keys);
    })();
    return () => {
      isWanted = false;
    };
  }, [dispatch, carId]);

  const read = useMemo((): ReadFile | null => {
    if (!table || !stored) return null;
    const lines = readRunLines(table.rows, places, openedAt);
    const seen = new Set(stored);
    const sound = lines.flatMap(({ line, run, isByFeel }) => (run ? [{ line, run, isByFeel }] : []));
    const fresh = sound.filter(({ run }) => {
      const key = runKey(run);
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    });
    return { headings: table.headings, lines, fresh, known: sound.length - fresh.length };
  }, [table, stored, places, openedAt]);

  const take = async (): Promise<void> => {
    if (!read) return;
    setTaking(true);
    const carVersion = versionOf(versions?.readable ?? [], design)?.id;
    // Of runs by feel and of counted ones the car is set up each its own way.
    const batches = [true, false].flatMap((feel) => {
      const runs = read.fresh
        .filter(({ isByFeel }) => isByFeel === feel)
        .map(({ run }) => ({
          id: newId(),
          record: { format: 'nimble-axle/run-record' as const, version: 1 as const, ...run, ...(carVersion && { carVersion }) },
        }));
      return Array.from({ length: Math.ceil(runs.length / AT_ONCE) }, (_, i) => ({
        design: feel ? woundByFeel(design) : design,
        runs: runs.slice(i * AT_ONCE, (i + 1) * AT_ONCE),
      }));
    });
    for (const batch of batches) {
      const { error } = await add({ carId, ...batch });
      if (!error) continue;
      setTaking(false);
      // What came before is stored, and known when the file is opened again.
      return void dispatch(toasted(problemLine(error), { tone: 'stop' }));
    }
    dispatch(toasted(read.fresh.length === 1 ? '1 run imported' : `${read.fresh.length} runs imported`));
    onClose();
  };
  return { read, places, setPlaces, isTaking, take };
}
