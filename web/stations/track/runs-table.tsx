import DeleteIcon from '@mui/icons-material/DeleteOutlined';
import EditIcon from '@mui/icons-material/EditOutlined';
import IconButton from '@mui/material/IconButton';
import { DataGrid, type GridColDef, type GridSortModel } from '@mui/x-data-grid';
import { useMemo, useState } from 'react';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { isReadable, type ListedRun } from '../../../core/schema/stored.ts';
import { formatAbout, formatNumber, formatQuantity } from '../../../core/units/quantity.ts';
import { useListSessionsQuery } from '../../app/api/documents-api.ts';
import { RUNS_ON_A_PAGE, type RunFilter, useListRunsQuery } from '../../app/api/runs-api.ts';
import { useListVersionsQuery } from '../../app/api/versions-api.ts';
import { styleNonce } from '../../ui/style-nonce.ts';
import { useIsOwner } from '../../app/use-role.ts';
import { useUnits } from '../../ui/use-units.ts';
import { describeDetails, formatOutcome } from './describe-run.ts';
import { ChosenRuns } from './chosen-runs.tsx';
import styles from './run-list.module.css';
import type { RunOfCar } from '../../../core/trials/compared-runs.ts';
import { OBSERVATION_NAMES } from '../../../core/trials/observation-names.ts';
import { useCorrecting, useRemoval } from './use-run-actions.ts';

interface RunsTableProps {
  readonly carId: string;
  readonly filter: RunFilter | null;
}

interface Row {
  readonly id: string;
  readonly run: ListedRun;
  readonly ranAt: string;
  readonly version: string;
  readonly session: string;
  readonly distance: string;
  readonly predicted: string;
  readonly turns: string;
  readonly time: string;
  readonly remarks: string;
}

/** What the server calls the orders a column can have. */
const ORDERS: Readonly<Record<string, Readonly<Record<'asc' | 'desc', string>>>> = {
  ranAt: { asc: 'oldest', desc: 'newest' },
  distance: { asc: 'nearest', desc: 'furthest' },
  turns: { asc: 'fewest-turns', desc: 'most-turns' },
};
const nonce = styleNonce();
const when = new Intl.DateTimeFormat(undefined, { dateStyle: 'short', timeStyle: 'short' });

/** Runs as a table to sort and to page through, a hundred at a time. */
export default function RunsTable({ carId, filter }: RunsTableProps) {
  const units = useUnits();
  const [page, setPage] = useState(0);
  const [sort, setSort] = useState<GridSortModel>([{ field: 'ranAt', sort: 'desc' }]);
  const [first] = sort;
  const order = first?.sort ? ORDERS[first.field]?.[first.sort] : undefined;
  const asked: RunFilter = { ...filter, ...(order && { order }) };
  const { data, isFetching } = useListRunsQuery({ carId, filter: asked, page });
  const { data: versions } = useListVersionsQuery(carId);
  const { data: sessions } = useListSessionsQuery();
  const [chosen, setChosen] = useState<ReadonlyMap<string, RunOfCar>>(new Map());
  const isOwner = useIsOwner();
  const correct = useCorrecting(carId);
  const remove = useRemoval(carId);
  const rows = useMemo(
    () =>
      (data?.runs ?? [])
        .filter((run): run is ListedRun => isReadable<ListedRun>(run))
        .map((run): Row => {
          const { record } = run;
          const design = data!.designs[run.designId];
          const prediction = design ? predictRun(design, record.wind) : null;
          return {
            id: run.id,
            run,
            ranAt: when.format(new Date(record.ranAt)),
            version: versions?.readable.find(({ id }) => id === record.carVersion)?.record.name ?? '',
            session: sessions?.readable.find(({ id }) => id === record.session)?.session.name ?? '',
            distance: formatOutcome(record.outcome, units),
            predicted: prediction?.kind === 'ran' ? formatAbout(prediction.result.distance, 'distance', units) : '–',
            turns: record.wind.kind === 'full' ? 'full' : formatNumber(record.wind.turns, 'count', units),
            time: record.time === undefined ? '' : formatQuantity(record.time, 'time', units),
            remarks: [...record.seen.map((thing) => OBSERVATION_NAMES[thing]), ...describeDetails(record, units), record.note]
              .filter(Boolean)
              .join(' · '),
          };
        }),
    [data, versions, sessions, units],
  );
  const toolsColumn: GridColDef<Row> = {
    field: 'tools',
    headerName: 'change',
    width: 96,
    sortable: false,
    renderCell: ({ row }) => (
      <>
        <IconButton size="small" aria-label={`Correct run ${row.distance}, ${row.ranAt}`} onClick={() => correct(row.run)}>
          <EditIcon fontSize="small" />
        </IconButton>
        <IconButton
          size="small"
          aria-label={`Remove run ${row.distance}, ${row.ranAt}`}
          onClick={() => void remove(row.id, `${row.distance}, ${row.ranAt}`)}
        >
          <DeleteIcon fontSize="small" />
        </IconButton>
      </>
    ),
  };
  const columns: GridColDef<Row>[] = [
    { field: 'ranAt', headerName: 'ran', width: 150 },
    { field: 'distance', headerName: 'distance', width: 140 },
    { field: 'predicted', headerName: 'predicted', width: 110, sortable: false },
    { field: 'turns', headerName: 'turns', width: 80 },
    { field: 'time', headerName: 'time', width: 90, sortable: false },
    { field: 'version', headerName: 'version', width: 140, sortable: false },
    { field: 'session', headerName: 'session', width: 160, sortable: false },
    { field: 'remarks', headerName: 'seen and noted', minWidth: 180, flex: 1, sortable: false },
    ...(isOwner ? [toolsColumn] : []),
  ];
  return (
    <>
      <div className={styles.table}>
        <DataGrid
          aria-label="Runs"
          {...(nonce && { nonce })}
          rows={rows}
          columns={columns}
          rowCount={data?.total ?? 0}
          loading={isFetching}
          density="compact"
          disableColumnFilter
          disableColumnMenu
          checkboxSelection
          disableRowSelectionOnClick
          keepNonExistentRowsSelected
          rowSelectionModel={{ type: 'include', ids: new Set(chosen.keys()) }}
          onRowSelectionModelChange={({ type, ids }) => {
            const isOnPage = (id: string): boolean => (type === 'include' ? ids.has(id) : !ids.has(id));
            const here = rows
              .filter(({ id }) => isOnPage(id))
              .map(({ id, run }) => [id, { record: run.record, design: data!.designs[run.designId]! }] as const);
            const elsewhere = [...chosen].filter(([id]) => !rows.some((row) => row.id === id) && (type === 'exclude' || ids.has(id)));
            setChosen(new Map([...elsewhere, ...here]));
          }}
          pageSizeOptions={[RUNS_ON_A_PAGE]}
          paginationMode="server"
          paginationModel={{ page, pageSize: RUNS_ON_A_PAGE }}
          onPaginationModelChange={({ page: next }) => setPage(next)}
          sx={{ border: 0, '--DataGrid-rowBorderColor': 'var(--mui-palette-divider)' }}
          sortingMode="server"
          sortModel={sort}
          onSortModelChange={(model) => {
            setSort(model);
            setPage(0);
          }}
        />
      </div>
      <ChosenRuns runs={[...chosen.values()]} onNone={() => setChosen(new Map())} />
    </>
  );
}
