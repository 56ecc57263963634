import Button from '@mui/material/Button';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { isReadable } from '../../../core/schema/stored.ts';
import { RUNS_ON_A_PAGE, type RunFilter, useListRunsQuery } from '../../app/api/runs-api.ts';
import { useListVersionsQuery } from '../../app/api/versions-api.ts';
import plain from '../../ui/plain.module.css';
import { useRoving } from '../../ui/use-roving.ts';
import { RunRow, UnreadableRunRow } from './run-row.tsx';
import styles from './run-list.module.css';

interface RunListProps {
  readonly carId: string;
  readonly filter: RunFilter | null;
  /** What the chosen runs have in common, in words. */
  readonly filterWords: string;
  readonly onAll: () => void;
}

/** px of a row until it has been measured, and rows kept ready beyond the ones in sight. */
const ROW = 60;
const BEYOND = 12;

/** Runs of a car, newest first: only those in sight are on the page, and only their part of the list is asked for. */
export function RunList({ carId, filter, filterWords, onAll }: RunListProps) {
  const { data: first } = useListRunsQuery({ carId, filter, page: 0 });
  const total = first?.total ?? 0;
  const list = useRef<HTMLUListElement>(null);
  const rove = useRoving('li');
  const group = useCallback(
    (element: HTMLUListElement | null) => {
      list.current = element;
      return rove(element);
    },
    [rove],
  );
  const [top, setTop] = useState(0);
  const scroller = (): HTMLElement | null => document.querySelector('main');
  // eslint-disable-next-line react-hooks/incompatible-library -- what is drawn follows the scroller, not this component's own state
  const rows = useVirtualizer({
    count: total,
    getScrollElement: scroller,
    estimateSize: () => ROW,
    overscan: BEYOND,
    scrollMargin: top,
  });
  // Where the list begins, below what stands above it: that changes whenever anything on the station grows.
  useLayoutEffect(() => {
    const main = scroller();
    const station = main?.firstElementChild;
    if (!main || !station) return;
    const measure = (): void => {
      if (list.current) setTop(Math.round(list.current.getBoundingClientRect().top - main.getBoundingClientRect().top + main.scrollTop));
    };
    const watcher = new ResizeObserver(measure);
    watcher.observe(station);
    measure();
    return () => watcher.disconnect();
  }, []);
  return (
    <section aria-labelledby="list-title">
      <div className={styles.head}>
        <h3 id="list-title" className={plain.heading}>
          {filter ? `Runs ${filterWords}` : 'All runs, newest first'}
        </h3>
        {filter && (
          <Button size="small" onClick={onAll}>
            all runs
          </Button>
        )}
      </div>
      <ul ref={group} className={styles.list} style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map(({ index, start }) => (
          <li
            key={index}
            ref={rows.measureElement}
            data-index={index}
            aria-setsize={total}
            aria-posinset={index + 1}
            className={styles.row}
            style={{ transform: `translateY(${start - top}px)` }}
          >
            <RunAt carId={carId} filter={filter} index={index} />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** The run at a place of the list, once its page is there. */
function RunAt({ carId, filter, index }: Pick<RunListProps, 'carId' | 'filter'> & { readonly index: number }) {
  const page = Math.floor(index / RUNS_ON_A_PAGE);
  const { data } = useListRunsQuery({ carId, filter, page });
  const { data: versions } = useListVersionsQuery(carId);
  const run = data?.runs[index - page * RUNS_ON_A_PAGE];
  const version = useMemo(() => {
    if (!run || !isReadable(run)) return null;
    return versions?.readable.find(({ id }) => id === run.record.carVersion)?.record.name ?? null;
  }, [run, versions]);
  if (!run) return <p className={`${plain.text} ${plain.muted} ${styles.awaited}`}>…</p>;
  return isReadable(run) ? (
    <RunRow carId={carId} run={run} design={data!.designs[run.designId]!} version={version} />
  ) : (
    <UnreadableRunRow carId={carId} run={run} />
  );
}
