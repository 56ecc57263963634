import { startTransition, Suspense, useEffect, useState } from 'react';
import { Outlet } from 'react-router';
import { useListBriefsQuery } from './api.ts';
import { useSendingRuns } from './use-waiting-runs.ts';
import { useCars } from './use-cars.ts';
import { fetchLater, later } from '../ui/later.ts';
import { useFileDrop } from '../ui/use-file-drop.ts';
import { Rail } from './rail.tsx';
import styles from './shell.module.css';
import { Shortcuts } from './shortcuts.tsx';
import { Toasts } from './toasts.tsx';
import type { Opening } from './use-opening.ts';
import { useRegions } from './use-regions.ts';

const JoinScreen = later(() => import('./join-screen.tsx'));
const ArchiveDialog = later(() => import('./archive-dialog.tsx'));

/** ms after the first screen. */
const LATER = 1000;

/** The frame of every station: the rail at the left, on a phone along the bottom. A file dropped anywhere is opened. */
export function Shell() {
  const cars = useCars();
  // What is asked of cars is wanted in every station: it stays at hand.
  const { error: refused } = useListBriefsQuery();
  useSendingRuns();
  const [archive, setArchive] = useState<File | null>(null);
  const openFile = (file: File): void => void cars.openFile(file, (zip) => startTransition(() => setArchive(zip)));
  useFileDrop(openFile);
  useRegions();
  useEffect(() => {
    const timer = setTimeout(() => requestIdleCallback(() => void fetchLater()), LATER);
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
        {(refused as { status?: unknown } | undefined)?.status === 401 ? (
          <Suspense fallback={null}>
            <JoinScreen />
          </Suspense>
        ) : (
          <Outlet context={{ openFile } satisfies Opening} />
        )}
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
