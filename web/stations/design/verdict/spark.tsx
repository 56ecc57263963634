import type { RunResult } from '../../../../core/run/simulate.ts';
import styles from './verdict-panel.module.css';
import { useIsPhone } from '../../../ui/use-is-phone.ts';

/** The picture's own size; the page gives it room. */
const WIDTH = 120;
const HEIGHT = 40;
/** Points drawn: the eye tells no more on so little room. */
const POINTS = 60;

/** Pull against distance, small: what stays in view on a phone while a size is moved. The large curve says it in words. */
export function Spark({ result: { trace, distance, launchThrust } }: { readonly result: RunResult }) {
  // Elsewhere the large curve is in sight, and every frame of a drag counts.
  const isPhone = useIsPhone();
  if (!isPhone || !trace || !(distance > 0)) return null;
  const step = Math.max(Math.floor(trace.distance.length / POINTS), 1);
  const highest = Math.max(launchThrust, ...trace.thrust.filter((_, i) => i % step === 0)) || 1;
  const points = trace.distance.flatMap((metres, i) =>
    i % step === 0 ? [`${((WIDTH * metres) / distance).toFixed(1)},${(HEIGHT * (1 - trace.thrust[i]! / highest)).toFixed(1)}`] : [],
  );
  return (
    <svg aria-hidden className={styles.spark} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} preserveAspectRatio="none">
      <polygon points={`0,${HEIGHT} ${points.join(' ')} ${WIDTH},${HEIGHT}`} />
    </svg>
  );
}
