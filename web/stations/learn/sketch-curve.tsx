import { useId, useRef } from 'react';
import type { Prediction } from '../../../core/predict/predict-run.ts';
import plain from '../../ui/plain.module.css';
import styles from './learn.module.css';

const WIDTH = 420;
const HEIGHT = 220;
const EDGE = 16;
/** How far the sketch reaches: this many times the car’s own way and pull. */
const REACH = 2;
const LEAST = 0.2;

/** A curve as it is sketched: this many times as far, and this many times the pull. */
export interface Sketch {
  readonly far: number;
  readonly strong: number;
}
export const AS_IT_IS: Sketch = { far: 1, strong: 1 };

interface SketchCurveProps {
  /** The car as it is, with its trace. */
  readonly before: Prediction;
  /** The changed car, once it is shown. */
  readonly after: Prediction | null;
  readonly sketch: Sketch;
  readonly onSketch: (sketch: Sketch) => void;
}

const bounded = (value: number): number => Math.min(Math.max(value, LEAST), REACH);

/** Pull against distance to sketch on: this car’s curve, and over it where the changed one is expected to lie. Two sliders do what dragging does. */
export function SketchCurve({ before, after, sketch, onSketch }: SketchCurveProps) {
  const box = useRef<SVGSVGElement>(null);
  const id = useId();
  if (before.kind === 'refused' || !before.result.trace) return null;
  const { distance, launchThrust, trace } = before.result;
  const most = Math.max(launchThrust, ...trace.thrust);
  const x = (metres: number): number => EDGE + ((WIDTH - 2 * EDGE) * metres) / (REACH * distance);
  const y = (newtons: number): number => HEIGHT - EDGE - ((HEIGHT - 2 * EDGE) * newtons) / (REACH * most);
  const drawn = (run: typeof before, far: number, strong: number): string =>
    run.result
      .trace!.distance.map((metres, i) => `${x(far * metres).toFixed(1)},${y(strong * run.result.trace!.thrust[i]!).toFixed(1)}`)
      .join(' ');
  /** A handle that is dragged: along the floor, or up and down. */
  const dragged = (event: React.PointerEvent, of: keyof Sketch): void => {
    if (after || (event.type === 'pointermove' && event.buttons === 0)) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    const room = box.current!.getBoundingClientRect();
    const scale = WIDTH / room.width;
    const far = (((event.clientX - room.left) * scale - EDGE) * REACH) / (WIDTH - 2 * EDGE);
    const strong = ((HEIGHT - EDGE - (event.clientY - room.top) * scale) * REACH) / (HEIGHT - 2 * EDGE);
    onSketch({ ...sketch, [of]: bounded(of === 'far' ? far : (strong * most) / (trace.thrust[0] || most)) });
  };
  const handle = (of: keyof Sketch, cx: number, cy: number) => (
    <circle
      cx={cx}
      cy={cy}
      r={8}
      className={styles.handle}
      onPointerDown={(event) => dragged(event, of)}
      onPointerMove={(event) => dragged(event, of)}
    />
  );
  return (
    <div className={styles.part}>
      <svg
        ref={box}
        role="img"
        aria-label={`Pull against distance: this car and your sketch, ${percent(sketch.strong)} of the pull and ${percent(sketch.far)} of the distance`}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className={styles.sketch}
      >
        <path d={`M${EDGE} ${EDGE} V${HEIGHT - EDGE} H${WIDTH - EDGE}`} className={styles.stripLine} fill="none" />
        <text x={EDGE + 6} y={EDGE + 4} className={styles.stripText}>
          pull
        </text>
        <text x={WIDTH - EDGE} y={HEIGHT - 3} textAnchor="end" className={styles.stripText}>
          distance
        </text>
        <polyline points={drawn(before, 1, 1)} className={styles.sketchBefore} />
        {after?.kind === 'ran' && after.result.trace && <polyline points={drawn(after, 1, 1)} className={styles.sketchAfter} />}
        <polyline points={drawn(before, sketch.far, sketch.strong)} className={styles.sketchDrawn} />
        {!after && handle('strong', x(0), y(sketch.strong * (trace.thrust[0] ?? most)))}
        {!after && handle('far', x(sketch.far * distance), y(0))}
      </svg>
      <p className={`${plain.caption} ${plain.muted}`}>
        thin: this car · dashed: your sketch{after ? ' · thick: with the change' : '. Drag its two ends, or use the sliders.'}
      </p>
      {!after && (
        <div className={styles.row}>
          {(['strong', 'far'] as const).map((of) => (
            <label key={of} htmlFor={`${id}-${of}`} className={`${plain.text} ${styles.grow}`}>
              {of === 'strong' ? 'pull at the launch' : 'distance'}: {percent(sketch[of])}
              <input
                id={`${id}-${of}`}
                type="range"
                className={styles.slider}
                min={LEAST}
                max={REACH}
                step={0.01}
                value={sketch[of]}
                aria-valuetext={percent(sketch[of])}
                onChange={({ target }) => onSketch({ ...sketch, [of]: Number(target.value) })}
              />
            </label>
          ))}
        </div>
      )}
    </div>
  );
}
const percent = (fraction: number): string => `${Math.round(100 * fraction)} %`;
