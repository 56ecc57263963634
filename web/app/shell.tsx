import { useEffect } from 'react';
import { Outlet } from 'react-router';
import { useCars } from '../stations/garage/use-cars.ts';
import { fetchLater } from '../ui/later.ts';
import { useFileDrop } from '../ui/use-file-drop.ts';
import { Rail } from './rail.tsx';
import styles from './shell.module.css';
import { Shortcuts } from './shortcuts.tsx';
import { Toasts } from './toasts.tsx';

/** ms after the first screen. */
const LATER = 1000;

/** The frame of every station: the rail at the left, on a phone along the bottom. A car file dropped anywhere is opened. */
export function Shell() {
  const { openFile } = useCars();
  useFileDrop((file) => void openFile(file));
  useEffect(() => {
    const timer = setTimeout(() => requestIdleCallback(() => void fetchLater()), LATER);
    return () => clearTimeout(timer);
  }, []);
  return (
    <div className={styles.shell}>
      <Rail />
      <main className={styles.station}>
        <Outlet />
      </main>
      <Toasts />
      <Shortcuts />
    </div>
  );
}
