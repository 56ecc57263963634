import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { CarDesign } from '../../../../core/car/car-design.ts';
import { describeChanges } from '../../../../core/car/difference.ts';
import { useListEarlierQuery } from '../../../app/api/cars-api.ts';
import { useAppSelector } from '../../../app/store.ts';
import { useUnits } from '../../../ui/use-units.ts';
import type { Ghost } from '../../../charts/pull-curve/ghost.ts';
import { GhostButton } from './ghost-button.tsx';

interface EarlierDesignsProps {
  readonly carId: string;
  readonly present: CarDesign;
  readonly ghosts: readonly Ghost[];
  readonly onGhosts: (ghosts: readonly Ghost[]) => void;
  readonly goBack: (name: string, earlier: CarDesign) => Promise<void>;
}

/** Designs listed at first, and with each "more"; and the most the server tells at once. */
const STEP = 10;
const MOST = 500;
const when = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit', second: '2-digit' });

/** Every design of the car that a later save replaced: what was changed then, laid behind the curve, gone back to. */
export function EarlierDesigns({ carId, present, ghosts, onGhosts, goBack }: EarlierDesignsProps) {
  const units = useUnits();
  const [limit, setLimit] = useState(STEP);
  const baseVersion = useAppSelector(({ design }) => design?.baseVersion ?? 0);
  const { data: earlier } = useListEarlierQuery({ carId, before: baseVersion, limit });
  if (!earlier || earlier.length === 0) return null;
  return (
    <Box component="section" aria-labelledby="earlier-title">
      <Typography id="earlier-title" variant="h3">
        Saved automatically
      </Typography>
      <Typography variant="body2" color="text.secondary">
        The car before each change, newest first.
      </Typography>
      <Box component="ol" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {earlier.map(({ version, savedAt, design }, i) => {
          const name = when.format(new Date(savedAt));
          const change = describeChanges(design, earlier[i - 1]?.design ?? present, units);
          return (
            <Box component="li" key={version} sx={{ py: 2, borderTop: 1, borderColor: 'divider' }}>
              <Typography variant="body2">
                <b>{name}</b>
                {change ? `, before ${change}` : ''}
              </Typography>
              <Box sx={{ display: 'flex', gap: 2, mt: 1 }}>
                <Button size="small" variant="outlined" aria-label={`Restore: the car ${name}`} onClick={() => void goBack(name, design)}>
                  Restore
                </Button>
                <GhostButton ghost={{ id: `earlier-${version}`, name, design }} ghosts={ghosts} onGhosts={onGhosts} />
              </Box>
            </Box>
          );
        })}
      </Box>
      {earlier.length >= limit && limit < MOST && (
        <Button size="small" onClick={() => setLimit(Math.min(5 * limit, MOST))}>
          Earlier ones
        </Button>
      )}
    </Box>
  );
}
