import { startTransition, Suspense, useEffect, useState } from 'react';
import { Outlet, useLocation } from 'react-router';
import { useListBriefsQuery } from './api/documents-api.ts';
import { useGetJoinedQuery } from './api/sharing-api.ts';
import { isInSpace } from '../../core/schema/sharing.ts';
import { mayOpen, useCrewClass, useJoined, useJoinedSpace } from './use-role.ts';
import { useSendingRuns } from './use-queued-runs.ts';
import { useCars } from './use-cars.ts';
import { preloadLazy, lazyWithPreload } from '../ui/lazy-with-preload.ts';
import { useFileDrop } from '../ui/use-file-drop.ts';
import { usePageTitle } from './page-title.ts';
import { Rail } from './rail.tsx';
import styles from './shell.module.css';
import { Shortcuts } from './shortcuts.tsx';
import { Toasts } from './toasts.tsx';
import type { Opening } from './use-opening.ts';
import { useRegions } from './use-regions.ts';

const ChooseCar = lazyWithPreload(() => import('./choose-car.tsx'));
const PhoneStart = lazyWithPreload(() => import('./phone-start.tsx'));
const JoinScreen = lazyWithPreload(() => import('./join-screen.tsx'));
const SpaceBanner = lazyWithPreload(() => import('../crew-space/space-banner.tsx'));
const ClosedStation = lazyWithPreload(() => import('../crew-space/closed-station.tsx'));
const ArchiveDialog = lazyWithPreload(() => import('./archive-dialog.tsx'));

/** Whether the network is slow, or its user saves data: then nothing is fetched before it is wanted. */
function isSlow(): boolean {
  const { connection } = navigator as { connection?: { readonly saveData?: boolean; readonly effectiveType?: string } };
  return connection !== undefined && (connection.saveData === true || /^(slow-)?[23]g$/.test(connection.effectiveType ?? ''));
}

/** ms after the first screen. */
const LATER = 3000;

/** What a page may show: all of it on the machine of the program; on a phone what its role may see, once it has joined and chosen its car. */
function Entrance({ children }: { readonly children: React.ReactNode }) {
  const { pathname } = useLocation();
  const { error } = useGetJoinedQuery();
  const joined = useJoined();
  const closed = useCrewClass()?.closed;
  if ((error as { status?: unknown } | undefined)?.status === 401) return <JoinScreen />;
  if (joined === null || joined.role === 'host') return children;
  if (isInSpace(joined)) return mayOpen(joined, pathname, closed) ? children : <ClosedStation />;
  if (joined.role === 'crew' && joined.carId === null && joined.entry === null) return <ChooseCar />;
  return mayOpen(joined, pathname) ? children : <PhoneStart joined={joined} />;
}

/** The frame of every station: the rail at the left, on a phone along the bottom. A file dropped anywhere is opened. */
export function Shell() {
  const cars = useCars();
  // Briefs are wanted in every station: it stays at hand.
  useListBriefsQuery();
  useSendingRuns();
  const [archive, setArchive] = useState<File | null>(null);
  const openFile = (file: File): void => void cars.openFile(file, (zip) => startTransition(() => setArchive(zip)));
  useFileDrop(openFile);
  useRegions();
  usePageTitle();
  const isCrew = useJoinedSpace() !== null;
  useEffect(() => {
    if (isSlow()) return;
    const timer = setTimeout(() => requestIdleCallback(() => void preloadLazy()), LATER);
    return () => clearTimeout(timer);
  }, []);
  return (
    <div className={styles.shell}>
      <a
        href="#station"
        className={styles.skip}
        onClick={(event) => {
          event.preventDefault();
          document.getElementById('station')?.focus();
        }}
      >
        Skip to the station
      </a>
      <Rail />
      <main id="station" tabIndex={-1} className={styles.station}>
        {isCrew && (
          <Suspense fallback={null}>
            <SpaceBanner />
          </Suspense>
        )}
        <Suspense fallback={null}>
          <Entrance>
            <Outlet context={{ openFile } satisfies Opening} />
          </Entrance>
        </Suspense>
      </main>
      {archive && (
        <Suspense fallback={null}>
          <ArchiveDialog file={archive} onClose={() => setArchive(null)} />
        </Suspense>
      )}
      <Toasts />
      <Shortcuts />
    </div>
  );
}
