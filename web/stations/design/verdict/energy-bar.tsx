import { memo, useCallback, useEffect, useRef } from 'react';
import { energyShare, type EnergyBudget } from '../../../../core/run/energy.ts';
import type { RunResult } from '../../../../core/run/simulate.ts';
import { formatPredicted, formatQuantity } from '../../../../core/units/quantity.ts';
import { ChartExport, type ChartExportProps } from '../../../charts/chart-export.tsx';
import { ENERGY_WORDS } from '../../../ui/energy-words.ts';
import { Explained } from '../../../ui/explained.tsx';
import type { Explanation } from '../../../ui/explanation.ts';
import { Hatch } from '../../../ui/hatch.tsx';
import plain from '../../../ui/plain.module.css';
import { useUnits } from '../../../ui/use-units.ts';
import styles from './verdict-panel.module.css';

/** Parts smaller than this share are left out of the list. */
const LEAST_FRACTION = 0.004;

interface EnergyBarProps {
  readonly name: string;
  readonly result: RunResult;
  readonly explain: (figure: string) => Explanation;
}

/** A part of the stored energy. */
interface EnergyPart {
  readonly part: keyof EnergyBudget;
  readonly label: string;
  readonly fraction: number;
}

const partsOf = (result: RunResult): EnergyPart[] =>
  (Object.keys(ENERGY_WORDS) as (keyof EnergyBudget)[])
    .map((part) => ({ part, fraction: energyShare(result, part) }))
    .filter(({ fraction }) => Math.abs(fraction) > LEAST_FRACTION)
    .map(({ part, fraction }) => ({
      part,
      fraction,
      label: part === 'climb' && fraction < 0 ? 'given by the slope' : ENERGY_WORDS[part].label,
    }));

const WIDTH = 284;
const HEIGHT = 22;
const GAP = 2;

/** Where the wound energy goes: a bar and its figures. */
export function EnergyBar({ name, result, explain }: EnergyBarProps) {
  const units = useUnits();
  const fractions = partsOf(result);
  const bar = useRef<SVGSVGElement>(null);
  const present = useRef(result);
  useEffect(() => {
    present.current = result;
  });
  const picture = useCallback(() => bar.current, []);
  const table = useCallback(
    () => ({
      head: ['where it goes', 'energy J', 'share'],
      rows: partsOf(present.current).map(({ label, fraction }) => [label, fraction * present.current.storedEnergy, fraction]),
    }),
    [],
  );
  const spent = fractions.filter(({ fraction }) => fraction > 0);
  const whole = spent.reduce((sum, { fraction }) => sum + fraction, 0);
  // To half a unit: most parts stay as they are while a size changes a little.
  const widths = spent.map(({ fraction }) => Math.round(2 * (fraction / whole) * (WIDTH - GAP * (spent.length - 1))) / 2);
  return (
    <section aria-labelledby="energy-title">
      <div className={styles.energyHead}>
        <h2 id="energy-title" className={plain.heading}>
          <Explained figure="energy" explain={explain}>
            {`Where ${formatPredicted(result.storedEnergy, 'energy', units)} goes`}
          </Explained>
          {result.energy.climb < 0 ? ', with what the slope gives' : ''}
        </h2>
        <SaveEnergy name={name} picture={picture} table={table} />
      </div>
      <svg
        ref={bar}
        aria-hidden
        className={styles.energyBar}
        width="100%"
        height={HEIGHT}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        preserveAspectRatio="none"
      >
        <Hatch id={HATCH} colour={colourOf('slip')} line={3} />
        {spent.map(({ part }, i) => (
          <rect
            key={part}
            x={widths.slice(0, i).reduce((sum, width) => sum + width + GAP, 0)}
            width={widths[i]}
            height={HEIGHT}
            fill={fillOf(part)}
          />
        ))}
      </svg>
      <dl className={`${plain.list} ${styles.energyParts}`}>
        {fractions.map(({ part, fraction, label }) => (
          <Spent key={part} fill={fillOf(part)} label={label} fraction={formatQuantity(Math.abs(fraction), 'share', units)} />
        ))}
      </dl>
    </section>
  );
}

/** Where a share went; drawn again only when the fraction changes. */
const Spent = memo(function Spent({ fill, label, fraction }: { readonly fill: string; readonly label: string; readonly fraction: string }) {
  return (
    <div>
      <svg aria-hidden width={12} height={12}>
        <rect width={12} height={12} rx={4} fill={fill} />
      </svg>
      <dt>{label}</dt>
      <dd>{fraction}</dd>
    </div>
  );
});

/** Drawn once. */
const SaveEnergy = memo(function SaveEnergy({ name, ...chart }: Pick<ChartExportProps, 'name' | 'picture' | 'table'>) {
  return <ChartExport name={`${name} energy`} {...chart} />;
});

/** Wheelspin is reported by hatching too, not by its colour alone. */
const HATCH = 'energy-hatch';
const colourOf = (part: keyof EnergyBudget): string => `var(--mui-palette-workbench-${ENERGY_WORDS[part].colour})`;
const fillOf = (part: keyof EnergyBudget): string => (ENERGY_WORDS[part].hatched ? `url(#${HATCH})` : colourOf(part));
