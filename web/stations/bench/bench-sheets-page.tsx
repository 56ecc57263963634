import Button from '@mui/material/Button';
import { Link, useParams } from 'react-router';
import { MEASUREMENTS, MEASUREMENT_KINDS } from '../../../core/bench/measurements.ts';
import { type Quantity, unitOf } from '../../../core/units/quantity.ts';
import { NotFoundScreen } from '../../app/error-screen.tsx';
import { useOpenCar, useOpenDesign } from '../../open-car/use-open-car.ts';
import plain from '../../ui/plain.module.css';
import sheet from '../../ui/sheet.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './bench-sheets-page.module.css';

/** Lines of a sheet. */
const LINES = Array.from({ length: 12 }, (_, i) => i + 1);

/** Blank sheets of every measurement that tells something of a car, for pen and paper: one a page. */
export function BenchSheetsPage() {
  const carId = useParams().carId!;
  const units = useUnits();
  const { missing } = useOpenCar(carId);
  const design = useOpenDesign(carId);
  if (missing) return <NotFoundScreen />;
  if (!design) return <div role="status" aria-busy aria-label="Opening the car" />;
  const unit = (quantity: Quantity): string => {
    const name = unitOf(quantity, units);
    return name === '' ? '' : `, ${name}`;
  };
  return (
    <article className={styles.sheets} aria-label={`Bench sheets of ${design.name}`}>
      <div className={sheet.tools}>
        <Button component={Link} to={`/cars/${carId}/bench`}>
          To the bench
        </Button>
        <Button variant="contained" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <h1 className={plain.heading}>{design.name}: bench sheets</h1>
      {MEASUREMENT_KINDS.filter((kind) => MEASUREMENTS[kind].suits(design)).map((kind) => {
        const { name, needs, how, caution, columns, once } = MEASUREMENTS[kind];
        return (
          <section key={kind} className={styles.sheet} aria-label={name}>
            <h2 className={plain.heading}>
              {design.name}: {name}
            </h2>
            <p className={plain.text}>By: ______________ Date: ____________ One division of the scale: ____________</p>
            <p className={plain.text}>You need: {needs.join(', ')}.</p>
            <ol className={plain.text}>
              {how.map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ol>
            {caution && <p className={plain.strong}>■ {caution}</p>}
            {once.map(({ key, label, quantity }) => (
              <p key={key} className={plain.text}>
                {label}
                {unit(quantity)}: ____________
              </p>
            ))}
            <table className={sheet.table}>
              <thead>
                <tr>
                  <th scope="col">№</th>
                  {columns.map(({ key, label, quantity }) => (
                    <th key={key} scope="col">
                      {label}
                      {unit(quantity)}
                    </th>
                  ))}
                  <th scope="col">note</th>
                </tr>
              </thead>
              <tbody>
                {LINES.map((line) => (
                  <tr key={line}>
                    <td>{line}</td>
                    {columns.map(({ key }) => (
                      <td key={key} />
                    ))}
                    <td />
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
        );
      })}
    </article>
  );
}
