import type { EnergyBudget } from '../../../core/run/energy.ts';
import type { RunResult } from '../../../core/run/simulate.ts';
import { printQuantity } from '../../../core/units/quantity.ts';
import { ENERGY_WORDS } from '../../ui/energy-words.ts';
import plain from '../../ui/plain.module.css';
import { useUnits } from '../../ui/use-units.ts';
import styles from './verdict-panel.module.css';

/** Parts smaller than this share are left out of the list. */
const LEAST_SHARE = 0.004;

const fillOf = ({ colour, hatched }: (typeof ENERGY_WORDS)[keyof EnergyBudget]): object => {
  const color = `var(--mui-palette-workbench-${colour})`;
  return hatched ? { background: `repeating-linear-gradient(135deg, ${color} 0 4px, transparent 4px 8px)` } : { background: color };
};

/** Where the wound energy goes: a bar and its figures. */
export function EnergyBar({ result }: { readonly result: RunResult }) {
  const units = useUnits();
  const shares = (Object.keys(ENERGY_WORDS) as (keyof EnergyBudget)[])
    .map((part) => ({ part, word: ENERGY_WORDS[part], share: result.energy[part] / result.storedEnergy }))
    .filter(({ share }) => Math.abs(share) > LEAST_SHARE);
  return (
    <section aria-labelledby="energy-title">
      <h2 id="energy-title" className={plain.heading}>
        Where {printQuantity(result.storedEnergy, 'energy', units)} goes{result.energy.climb < 0 ? ', with what the slope gives' : ''}
      </h2>
      <div aria-hidden className={styles.energyBar}>
        {shares.map(({ part, word, share }) => share > 0 && <div key={part} style={{ flexGrow: share, ...fillOf(word) }} />)}
      </div>
      <dl className={styles.energyParts}>
        {shares.map(({ part, word, share }) => (
          <div key={part}>
            <span aria-hidden className={styles.patch} style={fillOf(word)} />
            <dt>{part === 'climb' && share < 0 ? 'given by the slope' : word.label}</dt>
            <dd>{printQuantity(Math.abs(share), 'share', units)}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
