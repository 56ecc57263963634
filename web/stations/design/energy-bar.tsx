import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { EnergyBudget } from '../../../core/run/energy.ts';
import type { RunResult } from '../../../core/run/simulate.ts';
import { printQuantity } from '../../../core/units/quantity.ts';
import { ENERGY_WORDS } from '../../ui/energy-words.ts';
import { useUnits } from '../../ui/use-units.ts';

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
    <Box component="section" aria-labelledby="energy-title">
      <Typography id="energy-title" variant="h3" component="h2" sx={{ mb: 2 }}>
        Where {printQuantity(result.storedEnergy, 'energy', units)} goes{result.energy.climb < 0 ? ', with what the slope gives' : ''}
      </Typography>
      <Box aria-hidden sx={{ display: 'flex', height: 22, gap: '2px', borderRadius: 1, overflow: 'hidden' }}>
        {shares.map(({ part, word, share }) => share > 0 && <div key={part} style={{ flexGrow: share, flexBasis: 0, ...fillOf(word) }} />)}
      </Box>
      <Box
        component="dl"
        sx={{
          m: 0,
          mt: 2,
          display: 'grid',
          gridTemplateColumns: '14px 1fr auto',
          columnGap: 2,
          rowGap: 0.5,
          alignItems: 'center',
          '& dt': { fontSize: 14 },
          '& dd': { m: 0, typography: 'figures', textAlign: 'right' },
        }}
      >
        {shares.map(({ part, word, share }) => (
          <div key={part} style={{ display: 'contents' }}>
            <span aria-hidden style={{ width: 12, height: 12, borderRadius: 4, ...fillOf(word) }} />
            <dt>{part === 'climb' && share < 0 ? 'given by the slope' : word.label}</dt>
            <dd>{printQuantity(Math.abs(share), 'share', units)}</dd>
          </div>
        ))}
      </Box>
    </Box>
  );
}
