import useMediaQuery from '@mui/material/useMediaQuery';
import { useEffect, useState } from 'react';
import styles from './race.module.css';

/** s that a race is shown. */
const DURATION = 3;

/** One that runs: where it is, m, at a fraction of the time that the whole race takes. */
export interface Runner {
  readonly name: string;
  readonly distanceAt: (part: number) => number;
  /** What it comes to, in words. */
  readonly words: string;
  /** Whether it only shows what was expected. */
  readonly isExpected?: boolean;
}

/** The fraction of a race that has passed: at once all of it, where motion is not wanted. */
function useRacePart(): number {
  const isStill = useMediaQuery('(prefers-reduced-motion: reduce)', { noSsr: true });
  const [part, setPart] = useState(0);
  useEffect(() => {
    if (isStill) return;
    const begun = performance.now();
    let frame = 0;
    const step = (now: number): void => {
      const passed = Math.min(1, (now - begun) / (1000 * DURATION));
      setPart(passed);
      if (passed < 1) frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [isStill]);
  return isStill ? 1 : part;
}

/** Two and more run along the floor together, once; what each came to stands at its end. */
export function Race({ runners }: { readonly runners: readonly Runner[] }) {
  const part = useRacePart();
  const longest = Math.max(...runners.map(({ distanceAt }) => distanceAt(1)), 1e-9);
  return (
    <ul className={styles.race}>
      {runners.map(({ name, distanceAt, words, isExpected = false }) => (
        <li key={name}>
          <span>
            {name}: {words}
          </span>
          <span aria-hidden className={styles.floor}>
            <span className={isExpected ? styles.expected : styles.ran} style={{ width: `${(100 * distanceAt(part)) / longest}%` }} />
          </span>
        </li>
      ))}
    </ul>
  );
}
