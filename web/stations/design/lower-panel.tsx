import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { memo, Suspense, useEffect } from 'react';
import type { CarDesign } from '../../../core/car/car-design.ts';
import type { Prediction } from '../../../core/predict/predict-run.ts';
import { preloadLazy, lazyWithPreload } from '../../ui/lazy-with-preload.ts';
import { warmUp } from '../../workers/explore.ts';
import type { Edit } from '../../open-car/design-slice.ts';
import { useForceReadings } from '../../open-car/use-force-readings.ts';
import plain from '../../ui/plain.module.css';
import styles from './lower-panel.module.css';
import { PullCurve } from '../../charts/pull-curve/pull-curve.tsx';
import { TABS, type TabKey } from './tabs.ts';
import type { Ghost } from '../../charts/pull-curve/ghost.ts';

const SweepPanel = lazyWithPreload(() => import('./explore/sweep-panel.tsx').then(({ SweepPanel: component }) => ({ default: component })));
const MapPanel = lazyWithPreload(() => import('./explore/map-panel.tsx').then(({ MapPanel: component }) => ({ default: component })));
const MattersPanel = lazyWithPreload(() =>
  import('./explore/matters-panel.tsx').then(({ MattersPanel: component }) => ({ default: component })),
);
const BestPanel = lazyWithPreload(() => import('./explore/best-panel.tsx').then(({ BestPanel: component }) => ({ default: component })));
const WindingPanel = lazyWithPreload(() =>
  import('./explore/winding-panel.tsx').then(({ WindingPanel: component }) => ({ default: component })),
);

/** ms after the station stands; what is explored with is then made ready while nothing else is to be done. */
const WARM_UP_AFTER = 1500;

interface LowerPanelProps {
  readonly carId: string;
  readonly design: CarDesign;
  /** The design with what it is ranked by. */
  readonly aimed: CarDesign;
  /** All rounds are the aim, and the field is not known yet. */
  readonly isWaiting: boolean;
  readonly prediction: Prediction;
  readonly edit: Edit;
  readonly tab: TabKey;
  readonly ghosts: readonly Ghost[];
  /** m, where the car is along its run. */
  readonly played: number | null;
  readonly onScrub: (time: number | null) => void;
  readonly onTab: (tab: TabKey) => void;
}

/** Below the drawing: the pull curve, and ways to explore what other sizes would do. */
export function LowerPanel({ carId, design, aimed, isWaiting, prediction, edit, tab, onTab, ghosts, played, onScrub }: LowerPanelProps) {
  const { kind } = design.motor;
  const pulls = useForceReadings(carId, design);
  useEffect(() => {
    const timer = setTimeout(() => {
      warmUp(kind);
      requestIdleCallback(() => void preloadLazy());
    }, WARM_UP_AFTER);
    return () => clearTimeout(timer);
  }, [kind]);
  const distance = prediction.kind === 'ran' ? prediction.result.distance : 0;
  return (
    <div className={styles.panel}>
      <TabRow tab={tab} onTab={onTab} />
      <div
        id="lower-panel"
        role="tabpanel"
        aria-labelledby={`tab-${tab}`}
        className={`${styles.content} ${tab === 'curve' ? '' : plain.panel}`}
      >
        <Suspense fallback={null}>
          {tab === 'curve' && (
            <PullCurve design={design} prediction={prediction} ghosts={ghosts} pulls={pulls} played={played} onScrub={onScrub} />
          )}
          {tab === 'sweep' && <SweepPanel design={aimed} edit={edit} />}
          {tab === 'map' && <MapPanel design={aimed} edit={edit} />}
          {tab === 'matters' && <MattersPanel design={aimed} distance={distance} />}
          {tab === 'best' && <BestPanel carId={carId} design={aimed} edit={edit} isWaiting={isWaiting} />}
          {tab === 'winding' && <WindingPanel design={aimed} distance={distance} edit={edit} />}
        </Suspense>
      </div>
    </div>
  );
}

/** Drawn again only when another tab is chosen. */
const TabRow = memo(function TabRow({ tab, onTab }: Pick<LowerPanelProps, 'tab' | 'onTab'>) {
  return (
    <Tabs
      value={tab}
      onChange={(_event, next: TabKey) => onTab(next)}
      variant="scrollable"
      scrollButtons={false}
      aria-label="Curve and exploration"
      sx={{ minHeight: 40, px: 2, '& .MuiTab-root': { minHeight: 40, py: 0, px: 3, minWidth: 0, textTransform: 'none' } }}
    >
      {TABS.map(([key, label]) => (
        <Tab key={key} value={key} label={label} id={`tab-${key}`} aria-controls="lower-panel" />
      ))}
    </Tabs>
  );
});
