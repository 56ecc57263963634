import { useEffect, useRef, useState } from 'react';
import { orBroken, stopAll } from './explore.ts';
import { makeJobs, type Job, type Start } from './job.ts';

/** ms without a change after which long work is begun again. */
export const QUIET = 150;

const BETWEEN_NEWS = 100;

/** Long work in the workers: started again, shown as it grows, stopped, and tried again, see `makeJobs`. */
export function useJob<T>() {
  const [job, setJob] = useState<Job<T>>({ progress: null, result: null, isBroken: false });
  const [{ run, stop, again, leave }] = useState(() => {
    const jobs = makeJobs<T>({ onChange: setJob, stopWorkers: stopAll, betweenNews: BETWEEN_NEWS });
    return { ...jobs, run: (start: Start<T>) => jobs.run((report) => orBroken(start(report))) };
  });
  useEffect(() => leave, [leave]);
  return { ...job, run, stop, again };
}

/**
 * Begins long work: at once, and whenever `begin` is another once it has stayed the same for a moment.
 * @param begin memoised by all that the work depends on
 */
export function useWhenQuiet(begin: () => void): void {
  const delay = useRef(0);
  useEffect(() => {
    const timer = setTimeout(begin, delay.current);
    delay.current = QUIET;
    return () => clearTimeout(timer);
  }, [begin]);
}
