import { startTransition, Suspense, useCallback, useDeferredValue, useMemo, useState } from 'react';
import { useParams } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { marksOf } from '../../../core/explore/aim.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import type { Fault } from '../../../core/fault.ts';
import { NotFoundScreen } from '../../app/error-screen.tsx';
import { ReadFailure } from '../../app/read-failure.tsx';
import { useAppDispatch, useAppSelector } from '../../app/store.ts';
import { lazyWithPreload } from '../../ui/lazy-with-preload.ts';
import { useUnits } from '../../ui/use-units.ts';
import { PanelBoundary } from '../../ui/panel-boundary.tsx';
import { CarDrawing } from '../../drawing/car-drawing.tsx';
import { CarConflict } from '../../open-car/car-conflict.tsx';
import { DesignHeader } from './design-header.tsx';
import styles from './design-page.module.css';
import { designSlice } from '../../open-car/design-slice.ts';
import { CarPanel } from './car/car-panel.tsx';
import type { OpenGroup } from './car/group.tsx';
import { LowerPanel } from './lower-panel.tsx';
import type { TabKey } from './tabs.ts';
import type { Ghost } from '../../charts/pull-curve/ghost.ts';
import { usePlayer } from '../../drawing/use-player.ts';
import { useAim } from '../../open-car/use-aim.ts';
import { useEditCar, useOpenCar, useOpenDesign } from '../../open-car/use-open-car.ts';
import { SplitMiddle } from './split-middle.tsx';
import { describeLimit } from './verdict/describe-limit.ts';
import { VerdictPanel } from './verdict/verdict-panel.tsx';
import { StationSkeleton } from '../../ui/station-skeleton.tsx';

const VersionsDrawer = lazyWithPreload(() =>
  import('./versions/versions-drawer.tsx').then(({ VersionsDrawer: drawer }) => ({ default: drawer })),
);

export function DesignPage() {
  const carId = useParams().carId!;
  const { isOpen, missing, error } = useOpenCar(carId);
  // The whole station at once would hold the page up: drawn as deferred, it gives way to keys and pointer.
  const isShown = useDeferredValue(isOpen, false);
  if (missing) return <NotFoundScreen />;
  if (error) return <ReadFailure title="This car cannot be read" error={error} />;
  if (!isShown) return <StationSkeleton layout="columns" label="Opening the car" />;
  return <OpenCar key={carId} carId={carId} />;
}

/** The car as it is: all that is drawn again when it is edited. */
function OpenCar({ carId }: { readonly carId: string }) {
  const design = useOpenDesign(carId);
  const undo = useUndo();
  return (
    design && (
      <PanelBoundary name="This station" of={design} onUndo={undo}>
        <Workspace carId={carId} design={design} />
      </PanelBoundary>
    )
  );
}

const NO_FAULTS: readonly Fault[] = [];

/** Takes the last change back; undefined where there is none. */
function useUndo(): (() => void) | undefined {
  const dispatch = useAppDispatch();
  const canUndo = useAppSelector((state) => (state.design?.past.length ?? 0) > 0);
  const undo = useCallback(() => void dispatch(designSlice.actions.undone()), [dispatch]);
  return canUndo ? undo : undefined;
}

function Workspace({ carId, design }: { readonly carId: string; readonly design: CarDesign }) {
  const prediction = useMemo(() => predictRun(design, { kind: 'full' }, { trace: true, marks: marksOf(design.aim) }), [design]);
  const [tab, setTab] = useState<TabKey>('curve');
  const [opened, setOpened] = useState<OpenGroup | null>('motor');
  const [isListing, setListing] = useState(false);
  const [kept, setKept] = useState<readonly Ghost[]>([]);
  const [preview, setPreview] = useState<Ghost | null>(null);
  const edit = useEditCar();
  const showPreview = useCallback(
    (remedied: { readonly label: string; readonly design: CarDesign } | null) =>
      setPreview(remedied && { id: 'preview', name: remedied.label, design: remedied.design }),
    [],
  );
  const ghosts = useMemo(() => (preview ? [...kept, preview] : kept), [kept, preview]);
  // As transitions: what is fetched for them comes in at once, and nothing is hidden before.
  const openVersions = useCallback(() => startTransition(() => setListing(true)), []);
  const openTab = useCallback((next: TabKey) => startTransition(() => setTab(next)), []);
  const player = usePlayer(design, prediction);
  const undo = useUndo();
  const { aimed, field, isOfAll } = useAim(carId, design);
  const units = useUnits();
  const limit = prediction.kind === 'ran' ? describeLimit(prediction.result, units) : null;
  const faults = prediction.kind === 'refused' ? prediction.faults : NO_FAULTS;
  const guarded = (name: string, panel: React.ReactElement): React.ReactElement => (
    <PanelBoundary name={name} of={design} onUndo={undo}>
      {panel}
    </PanelBoundary>
  );
  return (
    <div className={styles.station}>
      <DesignHeader carId={carId} name={design.name} edit={edit} onVersions={openVersions} />
      <div className={styles.workspace}>
        {guarded(
          'The car',
          <CarPanel {...{ carId, design, edit, faults, opened }} onOpen={setOpened} onTab={openTab} onVersions={openVersions} />,
        )}
        <SplitMiddle
          over={tab === 'curve' ? 'curve' : 'explore'}
          drawing={guarded(
            'The drawing',
            <CarDrawing
              design={design}
              edit={edit}
              player={player}
              isRefused={prediction.kind === 'refused'}
              limit={limit}
              onPress={setOpened}
            />,
          )}
          lower={guarded(
            'The curve',
            <LowerPanel
              carId={carId}
              design={design}
              aimed={aimed}
              isWaiting={isOfAll && !field}
              prediction={prediction}
              edit={edit}
              tab={tab}
              onTab={openTab}
              ghosts={ghosts}
              played={player.pose?.distance ?? null}
              onScrub={player.scrub}
            />,
          )}
        />
        {guarded('The verdict', <VerdictPanel {...{ carId, design, aimed, field, isOfAll, prediction, edit }} onPreview={showPreview} />)}
      </div>
      {isListing && (
        <Suspense fallback={null}>
          <VersionsDrawer carId={carId} design={design} edit={edit} onClose={() => setListing(false)} ghosts={kept} onGhosts={setKept} />
        </Suspense>
      )}
      <CarConflict />
    </div>
  );
}
