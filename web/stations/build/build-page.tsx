import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Skeleton from '@mui/material/Skeleton';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useEffect } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import { limitsOf } from '../../../core/brief/brief.ts';
import { judgeRules } from '../../../core/brief/rules.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { prepareRun } from '../../../core/predict/derive-run-setup.ts';
import { problemLine } from '../../app/api.ts';
import { Message, NotFoundScreen } from '../../app/error-screen.tsx';
import { carVisited } from '../../app/preferences-slice.ts';
import { useAppDispatch } from '../../app/store.ts';
import { UnitSwitch } from '../../app/unit-switch.tsx';
import { useBriefOf } from '../../open-car/asked-design.ts';
import { CarConflict } from '../../open-car/car-conflict.tsx';
import { CAR } from '../../open-car/car-document.ts';
import NextStep from '../../open-car/next-step.tsx';
import { useEditCar, useOpenCar, useOpenDesign } from '../../open-car/use-open-car.ts';
import { useVersions } from '../../open-car/use-versions.ts';
import { SaveWords, UndoButtons } from '../../open-document/save-state.tsx';
import plain from '../../ui/plain.module.css';
import styles from './build.module.css';
import { InspectionView } from './inspection-view.tsx';
import { PartsView } from './parts-view.tsx';
import { SheetsView } from './sheets-view.tsx';
import { StepsView } from './steps-view.tsx';
import { usePaper } from './use-paper.ts';

const VIEWS = { drawing: 'Drawing', templates: 'Templates', parts: 'Parts', steps: 'Steps', inspection: 'Was it built so?' } as const;
type View = keyof typeof VIEWS;

/** From the screen to scissors and glue, and to a car that is what was drawn. */
export function BuildPage() {
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
  return <Build key={carId} carId={carId} design={design} />;
}

function Build({ carId, design }: { readonly carId: string; readonly design: CarDesign }) {
  const edit = useEditCar();
  const { current, keep } = useVersions(carId, design, edit);
  const paper = usePaper();
  const [search, setSearch] = useSearchParams();
  const asked = search.get('view') as View | null;
  const view: View = asked && asked in VIEWS ? asked : 'drawing';
  const brief = useBriefOf(design)?.brief;
  const broken = brief ? judgeRules(design, limitsOf(brief.rules)).filter(({ verdict }) => verdict === 'broken') : [];
  const canRun = prepareRun(design).kind === 'ready';
  const keepBuilt = async (built: CarDesign, measured: Readonly<Record<string, number>>): Promise<void> => {
    const parent = current?.id ?? (await keep('as drawn', 'Kept by itself before the car as it was built.'));
    if (!parent) return;
    if (await keep('as built', 'Measured when it was finished.', built, { asBuilt: { ...measured }, parent })) edit(() => built);
  };
  return (
    <Box sx={{ maxWidth: 1180, p: { xs: 3, md: 6 } }}>
      <Box component="header" className={styles.tools} sx={{ mb: 3 }}>
        <Typography variant="h1">{design.name}</Typography>
        <Typography color="text.secondary" sx={{ mr: 'auto' }}>
          in the making{current && `, ${current.record.name}`}
        </Typography>
        <SaveWords kind={CAR} />
        <UndoButtons kind={CAR} />
        <UnitSwitch />
        <Button component={Link} to={`/cars/${carId}/track`} variant="outlined" sx={{ display: { xs: 'none', md: 'inline-flex' } }}>
          To the track
        </Button>
      </Box>
      {broken.length > 0 && (
        <p role="status" className={`${plain.text} ${styles.broken}`}>
          ■ Before you cut: it breaks {broken.length === 1 ? 'a rule' : 'rules'} of its brief: {broken.map(({ name }) => name).join(', ')}.{' '}
          <Link to={`/cars/${carId}/design`}>Put it right in Design</Link>
        </p>
      )}
      <Tabs
        value={view}
        onChange={(_event, next: View) => setSearch({ view: next }, { replace: true })}
        variant="scrollable"
        aria-label="What of the making"
      >
        {(Object.entries(VIEWS) as [View, string][]).map(([key, label]) => (
          <Tab key={key} value={key} label={label} id={`build-tab-${key}`} aria-controls="build-view" />
        ))}
      </Tabs>
      <div id="build-view" role="tabpanel" aria-labelledby={`build-tab-${view}`}>
        {canRun ? (
          <>
            {(view === 'drawing' || view === 'templates') && (
              <SheetsView carId={carId} design={design} what={view} version={current?.record.name ?? ''} paper={paper} />
            )}
            {view === 'parts' && <PartsView design={design} edit={edit} />}
            {view === 'steps' && <StepsView carId={carId} design={design} />}
            {view === 'inspection' && (
              <InspectionView carId={carId} design={design} onBuilt={(built, measured) => void keepBuilt(built, measured)} />
            )}
          </>
        ) : (
          <p className={plain.text}>✕ This car cannot run as it is designed: put that right in Design before anything is cut.</p>
        )}
      </div>
      <CarConflict />
      <NextStep carId={carId} design={design} />
    </Box>
  );
}
