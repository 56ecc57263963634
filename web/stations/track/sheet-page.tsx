import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { beforeRun } from '../../../core/trials/before-run.ts';
import { isReadable, type ListedRun } from '../../../core/schema/stored.ts';
import { OBSERVATION_NAMES } from '../../../core/trials/observation-names.ts';
import { useListRunsQuery } from '../../app/api/runs-api.ts';
import { NotFoundScreen } from '../../app/error-screen.tsx';
import { useOpenCar, useOpenDesign } from '../../open-car/use-open-car.ts';
import plain from '../../ui/plain.module.css';
import sheet from '../../ui/sheet.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { describeDetails, formatOutcome, formatWinding } from './describe-run.ts';
import styles from './sheet-page.module.css';

/** Lines of a blank sheet. */
const BLANK = 18;
const when = new Intl.DateTimeFormat(undefined, { dateStyle: 'short', timeStyle: 'short' });

/** The newest runs of a car as a sheet to print, or a blank one for pen and paper. */
export function SheetPage() {
  const carId = useParams().carId!;
  const units = useUnits();
  const { missing } = useOpenCar(carId);
  const design = useOpenDesign(carId);
  const { data } = useListRunsQuery({ carId, filter: null, page: 0 });
  const [isBlank, setBlank] = useState(false);
  if (missing) return <NotFoundScreen />;
  if (!design) return <div role="status" aria-busy aria-label="Opening the car" />;
  const runs = (data?.runs ?? []).filter((run): run is ListedRun => isReadable<ListedRun>(run));
  return (
    <article className={styles.sheet} aria-label={`Runs of ${design.name}`}>
      <div className={sheet.tools}>
        <Button component={Link} to={`/cars/${carId}/track`}>
          To the track
        </Button>
        <Button aria-pressed={isBlank} onClick={() => setBlank(!isBlank)}>
          {isBlank ? 'With the runs' : 'Blank, for pen and paper'}
        </Button>
        <Button variant="contained" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <h1 className={plain.heading}>{design.name}: runs</h1>
      <p className={plain.text}>Place and floor: ______________________ Measured by: ______________ Date: ____________</p>
      <ul className={styles.before}>
        {beforeRun(design).map(({ id, words }) => (
          <li key={id} className={plain.caption}>
            ☐ {words}
          </li>
        ))}
      </ul>
      <table className={sheet.table}>
        <thead>
          <tr>
            {['run', 'wound', 'distance', 'time', 'seen and noted'].map((head) => (
              <th key={head} scope="col">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {isBlank
            ? Array.from({ length: BLANK }, (_, i) => (
                <tr key={i}>
                  <td>{i + 1}</td>
                  <td />
                  <td />
                  <td />
                  <td />
                </tr>
              ))
            : runs.map(({ id, record }) => (
                <tr key={id}>
                  <td>{when.format(new Date(record.ranAt))}</td>
                  <td>{formatWinding(record.wind)}</td>
                  <td>{formatOutcome(record.outcome, units)}</td>
                  <td>{record.time ?? ''}</td>
                  <td>
                    {[...record.seen.map((thing) => OBSERVATION_NAMES[thing]), ...describeDetails(record, units), record.note]
                      .filter(Boolean)
                      .join(' · ')}
                  </td>
                </tr>
              ))}
        </tbody>
      </table>
      <p className={plain.caption}>School, club and local safety rules come first.</p>
    </article>
  );
}
