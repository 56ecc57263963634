import { Link } from 'react-router';
import { limitsOf } from '../../../core/brief/brief.ts';
import { judgeRules } from '../../../core/brief/rules.ts';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { prepareRun } from '../../../core/predict/derive-run-setup.ts';
import { useBriefOf } from '../../open-car/design-with-brief.ts';
import { CarConflict } from '../../open-car/car-conflict.tsx';
import NextStep from '../../open-car/next-step.tsx';
import { useEditCar } from '../../open-car/use-open-car.ts';
import { useVersions } from '../../open-car/use-versions.ts';
import plain from '../../ui/plain.module.css';
import { Views } from '../../ui/views.tsx';
import styles from './build.module.css';
import { InspectionView } from './inspection-view.tsx';
import { PartsView } from './parts-view.tsx';
import { PrintedView } from './printed-view.tsx';
import { SheetsView } from './sheets-view.tsx';
import { StepsView } from './steps-view.tsx';
import { usePaper } from './use-paper.ts';
import { OpenedCar } from '../../open-car/opened-car.tsx';
import { markBuilt } from '../../open-car/use-is-built.ts';
import { StationHead } from '../../open-car/station-head.tsx';

const VIEWS = [
  ['drawing', 'Drawing'],
  ['templates', 'Templates'],
  ['parts', 'Parts'],
  ['3d-print', '3D print'],
  ['steps', 'Steps'],
  ['inspection', 'Inspection'],
] as const;

/** From the screen to scissors and glue, and to a car that is what was drawn. */
export const BuildPage = () => <OpenedCar>{(carId, design) => <Build key={carId} carId={carId} design={design} />}</OpenedCar>;

function Build({ carId, design }: { readonly carId: string; readonly design: CarDesign }) {
  const edit = useEditCar();
  const { current, keep } = useVersions(carId, design, edit);
  const paper = usePaper();
  const brief = useBriefOf(design)?.brief;
  const broken = brief ? judgeRules(design, limitsOf(brief.rules)).filter(({ verdict }) => verdict === 'broken') : [];
  const canRun = prepareRun(design).kind === 'ready';
  const saveBuilt = async (built: CarDesign, measured: Readonly<Record<string, number>>): Promise<void> => {
    const parent = current?.id ?? (await keep('as drawn', 'Saved automatically before the car as it was built.'));
    markBuilt(carId, true);
    if (!parent) return;
    if (await keep('as built', 'Measured when it was finished.', built, { asBuilt: { ...measured }, parent })) edit(() => built);
  };
  return (
    <div className={plain.page}>
      <StationHead name={design.name} version={current?.record.name} onward={{ to: `/cars/${carId}/track`, words: 'To the track' }} />
      {broken.length > 0 && (
        <p role="status" className={`${plain.text} ${styles.broken}`}>
          ■ Before you cut: it breaks {broken.length === 1 ? 'a rule' : 'rules'} of its brief: {broken.map(({ name }) => name).join(', ')}.{' '}
          <Link to={`/cars/${carId}/design`}>Fix it in Design</Link>
        </p>
      )}
      <Views label="Views of the build" views={VIEWS}>
        {(view) =>
          canRun ? (
            <>
              {(view === 'drawing' || view === 'templates') && (
                <SheetsView carId={carId} design={design} edit={edit} what={view} version={current?.record.name ?? ''} paper={paper} />
              )}
              {view === 'parts' && <PartsView design={design} edit={edit} />}
              {view === '3d-print' && <PrintedView design={design} />}
              {view === 'steps' && <StepsView carId={carId} design={design} />}
              {view === 'inspection' && (
                <InspectionView carId={carId} design={design} onBuilt={(built, measured) => void saveBuilt(built, measured)} />
              )}
            </>
          ) : (
            <p className={plain.text}>✕ This car cannot run as it is designed. Fix it in Design before you cut anything.</p>
          )
        }
      </Views>
      <CarConflict />
      <NextStep carId={carId} design={design} />
    </div>
  );
}
