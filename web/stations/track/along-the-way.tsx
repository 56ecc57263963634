import { useMemo, useState } from 'react';
import type { CarDesign, RunRecord } from '../../../core/car/car-design.ts';
import { coastingAir } from '../../../core/predict/coasting-air.ts';
import { predictRun } from '../../../core/predict/predict-run.ts';
import { alongTheWay, measuredAlong, type AlongTheWay as Way, type WayQuantity } from '../../../core/trials/along-the-way.ts';
import { formatNumber, formatQuantity, type UnitSystem } from '../../../core/units/quantity.ts';
import { useTokens } from '../../app/theme.ts';
import { Chart } from '../../charts/chart.tsx';
import { ChartExport } from '../../charts/chart-export.tsx';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import { Choice } from './choice.tsx';
import styles from './run-list.module.css';
import { alongRunOption } from './along-run-option.ts';

/** s: a division of a watch that is stopped by hand, or of gates. */
const RESOLUTION = 0.01;

/** A value with what 19 in 20 such measurements hold: `0.16 ± 0.02 m/s²`. */
const plusMinus = ({ value, interval95: [, high] }: { value: number; interval95: readonly [number, number] }, units: UnitSystem): string =>
  `${formatNumber(value, 'acceleration', units)} ± ${formatQuantity(high - value, 'acceleration', units)}`;

/** What the times along the run tell, in words. */
function wayWords({ speeds, pullEnded, coast }: Way, units: UnitSystem): string[] {
  const metres = (value: number): string => formatQuantity(value, 'distance', units);
  const fastest = speeds.reduce((best, piece) => (piece.speed > best.speed ? piece : best));
  return [
    `Fastest from ${metres(fastest.from)} to ${metres(fastest.to)}: ${formatQuantity(fastest.speed, 'speed', units)} on average.`,
    pullEnded
      ? `Its pull ended between ${metres(pullEnded.from)} and ${metres(pullEnded.to)}.`
      : 'It was still gaining speed at the last mark, so these times do not tell where its pull ended.',
    coast
      ? `Then it coasts and slows by ${plusMinus(coast.a0, units)} (95 %)${
          coast.isAirHeld
            ? '; the air drag is that of the car, because these times do not separate it'
            : ` and by air drag, ${coast.k.value.toFixed(3)} ± ${(coast.k.interval95[1] - coast.k.value).toFixed(3)} 1/m`
        }.`
      : 'Four or more marks beyond that would tell how it coasts.',
  ];
}

/** A run along its way: speed and how it changes from mark to mark, over what the model says of just that run. */
export default function AlongTheWay({ record, design }: { readonly record: Omit<RunRecord, 'design'>; readonly design: CarDesign }) {
  const units = useUnits();
  const tokens = useTokens();
  const [axis, setAxis] = useState<WayQuantity>('speed');
  const prediction = useMemo(() => predictRun(design, record.wind, { trace: true }), [design, record.wind]);
  const along = useMemo(
    () => (prediction.kind === 'ran' ? alongTheWay(record.splits ?? [], RESOLUTION, coastingAir(design)) : null),
    [prediction, record.splits, design],
  );
  const trace = prediction.kind === 'ran' ? prediction.result.trace : null;
  const option = useMemo(
    () => (along && trace ? alongRunOption(along, trace, axis, units, tokens) : null),
    [along, trace, axis, units, tokens],
  );
  if (!along || !option) return null;
  const words = wayWords(along, units);
  return (
    <div className={styles.way}>
      <div className={styles.head}>
        <Choice label="Along the run" value={axis} options={{ speed: 'speed', acceleration: 'acceleration' }} onChange={setAxis} />
        <ChartExport
          name={`${design.name} along the run`}
          option={option}
          table={() => ({
            head: ['distance m', `${axis} ${axis === 'speed' ? 'm/s' : 'm/s²'}`],
            rows: measuredAlong(along, axis).map(([at, value]) => [at, value]),
          })}
        />
      </div>
      {words.map((line) => (
        <p key={line} className={plain.text}>
          {line}
        </p>
      ))}
      <p className={`${plain.caption} ${plain.muted}`}>Points: measured; line: the model; dashed: its coasting, fitted.</p>
      <Chart option={option} role="img" aria-label={words.join(' ')} sx={{ height: 260 }} />
    </div>
  );
}
