import Button from '@mui/material/Button';
import { Suspense, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { MEASUREMENTS, MEASUREMENT_KINDS } from '../../../core/bench/measurements.ts';
import type { MeasurementKind } from '../../../core/bench/measured.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { formatPredictedRange } from '../../../core/units/quantity.ts';
import { CarConflict } from '../../open-car/car-conflict.tsx';
import NextStep from '../../open-car/next-step.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { JobBar } from '../../workers/job-bar.tsx';
import { lazyWithPreload } from '../../ui/lazy-with-preload.ts';
import { describeGain, dayOf } from './describe-result.ts';
import styles from './bench.module.css';
import { KnownValues } from './known-values.tsx';
import { MeasurePanel } from './measure-panel.tsx';
import { useBench } from './use-bench.ts';
import { useWhatToMeasure } from './use-what-to-measure.ts';
import { OpenedCar } from '../../open-car/opened-car.tsx';
import { StationHead } from '../../open-car/station-head.tsx';

const OwnPartsDrawer = lazyWithPreload(() =>
  import('../../own-parts/own-parts-drawer.tsx').then(({ OwnPartsDrawer: drawer }) => ({ default: drawer })),
);

/** The parts of a car measured, so that every prediction narrows. */
export const BenchPage = () => <OpenedCar>{(carId, design) => <Bench key={carId} carId={carId} design={design} />}</OpenedCar>;

/** A share below which a measurement is not worth its minutes for the distance. */
const LITTLE = 0.02;

function Bench({ carId, design }: { readonly carId: string; readonly design: CarDesign }) {
  const units = useUnits();
  const bench = useBench(carId, design);
  const [isDrawerOpen, setDrawerOpen] = useState(false);
  const [search, setSearch] = useSearchParams();
  const job = useWhatToMeasure(design);
  const ranking = job.result;
  const suiting = MEASUREMENT_KINDS.filter((kind) => MEASUREMENTS[kind].suits(design));
  const order = ranking ? ranking.measurements.map(({ kind }) => kind) : suiting;
  const asked = search.get('measure') as MeasurementKind | null;
  // What leads first stays open, though another leads once it is measured.
  const [lead, setLead] = useState<MeasurementKind | null>(null);
  if (lead === null && ranking?.measurements[0]) setLead(ranking.measurements[0].kind);
  const chosen = asked && suiting.includes(asked) ? asked : (lead ?? order[0]!);
  return (
    <div className={plain.page}>
      <StationHead name={design.name} onward={{ to: `/cars/${carId}/design`, words: 'To the design' }}>
        <Button variant="outlined" onClick={() => setDrawerOpen(true)}>
          My parts
        </Button>
      </StationHead>
      <div className={styles.columns}>
        <section aria-labelledby="what-title" className={styles.panel}>
          <h2 id="what-title" className={plain.heading}>
            What to measure next
          </h2>
          <p className={plain.text}>
            <Link to={`/cars/${carId}/bench/sheets`}>Print bench sheets</Link>
          </p>
          {ranking && (
            <p className={plain.text}>
              Cars built like this: {formatPredictedRange(ranking.now, 'distance', units)} (8 in 10), fully wound. Each bar shows how much a
              measurement would cut the uncertainty.
            </p>
          )}
          <ol className={styles.list}>
            {order.map((kind) => {
              const { name, minutes, tells, needs } = MEASUREMENTS[kind];
              const brings = ranking?.measurements.find((one) => one.kind === kind);
              const applied = bench.done.findLast((one) => one.measurement.kind === kind && one.isIn);
              return (
                <li key={kind}>
                  <button
                    type="button"
                    className={styles.kind}
                    aria-current={kind === chosen}
                    onClick={() => {
                      setSearch({ measure: kind }, { replace: true });
                      // On a phone it stands far below the list.
                      requestAnimationFrame(() => document.getElementById('measure-title')?.scrollIntoView({ block: 'nearest' }));
                    }}
                  >
                    <span className={plain.strong}>{name}</span>
                    <span className={`${plain.caption} ${plain.muted}`}>{minutes} min</span>
                    <span className={`${plain.caption} ${plain.muted}`} style={{ gridColumn: '1 / -1' }}>
                      {tells}; needs {needs.join(', ')}
                      {brings && brings.fraction > LITTLE && (
                        <>
                          . Cuts the uncertainty by {Math.round(100 * brings.fraction)} %:{' '}
                          {formatPredictedRange(brings.after, 'distance', units)}
                        </>
                      )}
                    </span>
                    {applied && (
                      <span className={plain.caption} style={{ gridColumn: '1 / -1' }}>
                        ✓ {dayOf(applied.at)}: {describeGain(applied, units)}
                      </span>
                    )}
                    {brings && brings.fraction > LITTLE && (
                      <span className={styles.bar} aria-hidden>
                        <span style={{ width: `${100 * brings.fraction}%` }} />
                      </span>
                    )}
                  </button>
                </li>
              );
            })}
          </ol>
          <JobBar job={job} label="Weighing the measurements" />
        </section>
        <MeasurePanel key={chosen} carId={carId} design={design} kind={chosen} bench={bench} />
      </div>
      <KnownValues design={design} bench={bench} />
      <CarConflict />
      {isDrawerOpen && (
        <Suspense fallback={null}>
          <OwnPartsDrawer onClose={() => setDrawerOpen(false)} />
        </Suspense>
      )}
      <NextStep carId={carId} design={design} />
    </div>
  );
}
