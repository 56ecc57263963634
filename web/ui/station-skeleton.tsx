import Skeleton from '@mui/material/Skeleton';
import { StatePicture } from './state-picture.tsx';
import styles from './station-skeleton.module.css';

/** Which station will stand there: the columns of Design, a list beside what is entered, a car with its words, rows of a table. */
export type StationLayout = 'columns' | 'entry' | 'car' | 'rows';

const lines = (count: number) =>
  Array.from({ length: count }, (_, i) => <Skeleton key={i} variant="text" width={`${92 - 9 * (i % 4)}%`} />);
const block = (height: number) => <Skeleton variant="rounded" height={height} />;
const outline = (
  <div className={styles.outline}>
    <StatePicture kind="empty" />
  </div>
);

const LAYOUTS: Readonly<Record<StationLayout, React.ReactNode>> = {
  columns: (
    <div className={styles.columns}>
      <div>{lines(9)}</div>
      <div>
        {outline}
        {block(220)}
      </div>
      <div>
        {block(72)}
        {lines(8)}
      </div>
    </div>
  ),
  entry: (
    <div className={styles.entry}>
      <div>
        {block(56)}
        {block(180)}
        {block(56)}
      </div>
      <div>{lines(8)}</div>
    </div>
  ),
  car: (
    <div className={styles.car}>
      <div>
        {outline}
        {lines(3)}
      </div>
      <div>
        {block(120)}
        {lines(6)}
      </div>
    </div>
  ),
  rows: (
    <div className={styles.rows}>
      {Array.from({ length: 7 }, (_, i) => (
        <Skeleton key={i} variant="rounded" height={36} />
      ))}
    </div>
  ),
};

/** The outlines of a station while what it shows is read. */
export const StationSkeleton = ({ layout, label }: { readonly layout: StationLayout; readonly label: string }) => (
  <div role="status" aria-busy aria-label={label} className={styles.station}>
    <Skeleton variant="text" width={220} height={44} />
    {LAYOUTS[layout]}
  </div>
);
