import Button from '@mui/material/Button';
import { useMemo, useState } from 'react';
import { mean } from 'simple-statistics';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { luckyRuns, meanWithin } from '../../../core/learn/luck.ts';
import { figuresOf } from '../../../core/learn/measured-car.ts';
import { RUN_SCATTER } from '../../../core/predict/next-run.ts';
import { formatPredicted } from '../../../core/units/quantity.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './learn.module.css';

const WIDTH = 640;
const HEIGHT = 90;
/** Standard deviations to either side that the strip shows. */
const REACH = 3.2;
const MOST_RUNS = 20;

interface LuckStripProps {
  readonly design: CarDesign;
  /** How many runs at first. */
  readonly runs?: number;
}

/** Runs of this car as luck draws them, and how near their mean comes. */
export function LuckStrip({ design, runs: begin = 3 }: LuckStripProps) {
  const units = useUnits();
  const [count, setCount] = useState(begin);
  const [seed, setSeed] = useState(1);
  const distance = useMemo(() => figuresOf(design)?.distance ?? null, [design]);
  if (distance === null) return null;
  const runs = luckyRuns(distance, count, seed);
  const middle = mean([...runs]);
  const metres = (value: number): string => formatPredicted(value, 'distance', units);
  const x = (value: number): number => WIDTH * (0.5 + (value / distance - 1) / (2 * REACH * RUN_SCATTER));
  const within = meanWithin(distance, count);
  return (
    <section aria-labelledby="luck-title" className={styles.part}>
      <h3 id="luck-title" className={plain.strong}>
        Try it: run the car {count === 1 ? 'once' : `${count} times`}
      </h3>
      <div className={styles.row}>
        <label className={`${plain.text} ${styles.grow}`}>
          runs
          <input
            type="range"
            className={styles.slider}
            min={1}
            max={MOST_RUNS}
            value={count}
            aria-label="runs"
            onChange={({ target }) => setCount(Number(target.value))}
          />
        </label>
        <Button variant="outlined" onClick={() => setSeed(seed + 1)}>
          Run them again
        </Button>
      </div>
      <svg
        role="img"
        aria-label={`Runs: ${runs.map(metres).join(', ')}`}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className={styles.strip}
        preserveAspectRatio="xMidYMid meet"
      >
        <rect
          x={x(distance - within)}
          y={18}
          width={x(distance + within) - x(distance - within)}
          height={44}
          className={styles.stripBand}
        />
        <line x1={0} x2={WIDTH} y1={40} y2={40} className={styles.stripLine} />
        <line x1={x(distance)} x2={x(distance)} y1={14} y2={66} className={styles.stripTruth} />
        {runs.map((run, i) => (
          <circle key={i} cx={Math.min(Math.max(x(run), 6), WIDTH - 6)} cy={40} r={6} className={styles.stripRun} />
        ))}
        <path d={`M${x(middle)} 62 l7 12 h-14 z`} className={styles.stripMean} />
        <text x={x(distance)} y={10} textAnchor="middle" className={styles.stripText}>
          {metres(distance)}
        </text>
        <text x={x(middle)} y={87} textAnchor="middle" className={styles.stripText}>
          mean {metres(middle)}
        </text>
      </svg>
      <p role="status" className={plain.text}>
        {count === 1 ? 'This run is' : `The mean of these ${count} is`} {metres(Math.abs(middle - distance))}{' '}
        {middle < distance ? 'short of' : 'beyond'} its mean distance in the long run. Of{' '}
        {count === 1 ? 'single runs' : `means of ${count}`}, 8 in 10 are within {metres(within)}, the shaded part.
      </p>
    </section>
  );
}
