import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Skeleton from '@mui/material/Skeleton';
import Typography from '@mui/material/Typography';
import { Suspense, useDeferredValue, useEffect, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { INSTRUCTIONS, KINDS } from '../../../core/bench/instructions.ts';
import type { MeasurementKind } from '../../../core/bench/measured.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { problemLine } from '../../app/api.ts';
import { Message, NotFoundScreen } from '../../app/error-screen.tsx';
import { carVisited } from '../../app/preferences-slice.ts';
import { useAppDispatch } from '../../app/store.ts';
import { UnitSwitch } from '../../app/unit-switch.tsx';
import { CarConflict } from '../../open-car/car-conflict.tsx';
import { CAR } from '../../open-car/car-document.ts';
import NextStep from '../../open-car/next-step.tsx';
import { useOpenCar, useOpenDesign } from '../../open-car/use-open-car.ts';
import { SaveWords, UndoButtons } from '../../open-document/save-state.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { JobBar } from '../../workers/job-bar.tsx';
import { later } from '../../ui/later.ts';
import { broughtWords, dayOf, rangeWords } from './bench-words.ts';
import styles from './bench.module.css';
import { KnownValues } from './known-values.tsx';
import { MeasurePanel } from './measure-panel.tsx';
import { useBench } from './use-bench.ts';
import { useWhatToMeasure } from './use-what-to-measure.ts';

const OwnPartsDrawer = later(() =>
  import('../../own-parts/own-parts-drawer.tsx').then(({ OwnPartsDrawer: drawer }) => ({ default: drawer })),
);

/** The parts of a car measured, so that every prediction narrows. */
export function BenchPage() {
  const carId = useParams().carId!;
  const { missing, error } = useOpenCar(carId);
  const design = useOpenDesign(carId);
  const dispatch = useAppDispatch();
  const isShown = useDeferredValue(Boolean(design), false);
  useEffect(() => {
    dispatch(carVisited(missing ? null : carId));
  }, [dispatch, carId, missing]);
  if (missing) return <NotFoundScreen />;
  if (error)
    return (
      <Message
        title="The car cannot be read"
        text={problemLine(error)}
        action={<Button onClick={() => window.location.reload()}>Try again</Button>}
      />
    );
  if (!isShown || !design) return <Skeleton variant="rectangular" sx={{ m: 4, height: 480 }} aria-label="Reading the car" />;
  return <Bench key={carId} carId={carId} design={design} />;
}

/** A share below which a measurement is not worth its minutes for the distance. */
const LITTLE = 0.02;

function Bench({ carId, design }: { readonly carId: string; readonly design: CarDesign }) {
  const units = useUnits();
  const bench = useBench(carId, design);
  const [isDrawerOpen, setDrawerOpen] = useState(false);
  const [search, setSearch] = useSearchParams();
  const job = useWhatToMeasure(design);
  const told = job.result;
  const suiting = KINDS.filter((kind) => INSTRUCTIONS[kind].suits(design));
  const order = told ? told.measurements.map(({ kind }) => kind) : suiting;
  const asked = search.get('measure') as MeasurementKind | null;
  const chosen = asked && suiting.includes(asked) ? asked : order[0]!;
  const lead = told?.measurements[0]?.kind;
  useEffect(() => {
    // What leads first stays open, though another leads once it is measured.
    if (lead && !asked) setSearch({ measure: lead }, { replace: true });
  }, [lead, asked, setSearch]);
  return (
    <Box sx={{ maxWidth: 1180, p: { xs: 3, md: 6 } }}>
      <Box component="header" sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 3, mb: 4 }}>
        <Typography variant="h1">{design.name}</Typography>
        <Typography color="text.secondary" sx={{ mr: 'auto' }}>
          on the bench
        </Typography>
        <SaveWords kind={CAR} />
        <UndoButtons kind={CAR} />
        <UnitSwitch />
        <Button variant="outlined" onClick={() => setDrawerOpen(true)}>
          The drawer
        </Button>
        <Button component={Link} to={`/cars/${carId}/design`} variant="outlined" sx={{ display: { xs: 'none', md: 'inline-flex' } }}>
          To the design
        </Button>
      </Box>
      <div className={styles.columns}>
        <section aria-labelledby="what-title" className={styles.panel}>
          <h2 id="what-title" className={plain.heading}>
            What to measure next
          </h2>
          <p className={plain.text}>
            <Link to={`/cars/${carId}/bench/sheets`}>Sheets for pen and paper</Link>
          </p>
          {told && (
            <p className={plain.text}>
              8 in 10 such cars come {rangeWords(told.now, units)} far, fully wound. Each bar: what a measurement would take away of what is
              not known.
            </p>
          )}
          <ol className={styles.list}>
            {order.map((kind) => {
              const { name, minutes, tells, needs } = INSTRUCTIONS[kind];
              const brings = told?.measurements.find((one) => one.kind === kind);
              const made = bench.done.findLast((one) => one.measurement.kind === kind && one.isIn);
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
                      {brings && brings.share > LITTLE && (
                        <>
                          : takes away {Math.round(100 * brings.share)} %, leaves {rangeWords(brings.after, units)}
                        </>
                      )}
                    </span>
                    {made && (
                      <span className={plain.caption} style={{ gridColumn: '1 / -1' }}>
                        ✓ {dayOf(made.at)}: {broughtWords(made, units)}
                      </span>
                    )}
                    {brings && brings.share > LITTLE && (
                      <span className={styles.bar} aria-hidden>
                        <span style={{ width: `${100 * brings.share}%` }} />
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
    </Box>
  );
}
