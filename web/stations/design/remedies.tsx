import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { memo, useState } from 'react';
import type { Assessment } from '../../../core/explore/assess.ts';
import { printQuantity } from '../../../core/units/quantity.ts';
import { useUnits } from '../../ui/use-units.ts';
import type { Edit } from './design-slice.ts';

const SHOWN = 3;

/** What would help, each with the distance it buys; a press takes it, as one step to undo. */
export const Remedies = memo(function Remedies({ assessment, edit }: { readonly assessment: Assessment | null; readonly edit: Edit }) {
  const units = useUnits();
  const [all, setAll] = useState(false);
  const remedies = assessment?.remedies ?? [];
  if (remedies.length === 0) return null;
  return (
    <Box component="section" aria-labelledby="remedies-title">
      <Typography id="remedies-title" variant="h3" component="h2" sx={{ mb: 1 }}>
        What would help
      </Typography>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {remedies.slice(0, all ? undefined : SHOWN).map(({ remedy, distance }) => (
          <Box
            key={remedy.id}
            component="li"
            sx={{
              display: 'grid',
              gridTemplateColumns: '1fr auto auto',
              gap: 2,
              alignItems: 'center',
              py: 1,
              borderTop: 1,
              borderColor: 'divider',
            }}
          >
            <Typography variant="body2">{remedy.label}</Typography>
            <Typography variant="figures" sx={{ whiteSpace: 'nowrap' }}>
              → {printQuantity(distance, 'distance', units)}
            </Typography>
            <Button
              size="small"
              variant="outlined"
              aria-label={`Try: ${remedy.label}`}
              onClick={() => edit((design) => ({ ...remedy.design, name: design.name }))}
            >
              Try
            </Button>
          </Box>
        ))}
      </Box>
      {remedies.length > SHOWN && (
        <Button size="small" onClick={() => setAll(!all)} aria-expanded={all}>
          {all ? 'fewer' : `${remedies.length - SHOWN} more`}
        </Button>
      )}
    </Box>
  );
});
