import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { CheckVerdict, Sureness } from '../../../core/design/checks/check.ts';
import { memo } from 'react';
import type { Assessment } from '../../../core/explore/assess.ts';
import { printQuantity } from '../../../core/units/quantity.ts';
import { useUnits } from '../../ui/use-units.ts';

const SIGNS: Readonly<Record<CheckVerdict, { sign: string; word: string; colour: string }>> = {
  stop: { sign: '✕', word: 'fails', colour: 'error.main' },
  mind: { sign: '!', word: 'mind', colour: 'workbench.pullText' },
  good: { sign: '✓', word: 'good', colour: 'workbench.good' },
};
const SURE: Readonly<Record<Sureness, string>> = {
  sizes: 'from the sizes',
  measured: 'from what you measured',
  estimated: 'from estimates of the parts',
  rough: 'a rough guide',
};

/** Every check with its number; opened, what it means, its limit and how sure it is. */
export const Checks = memo(function Checks({ assessment }: { readonly assessment: Assessment | null }) {
  const units = useUnits();
  if (!assessment) return null;
  return (
    <Box component="section" aria-labelledby="checks-title">
      <Typography id="checks-title" variant="h3" component="h2" sx={{ mb: 1 }}>
        Checks
      </Typography>
      {assessment.checks.map(({ id, title, value, limit, limitIs, quantity, verdict, sure, sentence }) => {
        const { sign, word, colour } = SIGNS[verdict];
        const isTold = id === 'string-length';
        return (
          <Box
            key={id}
            component="details"
            sx={{
              '& summary': {
                display: 'grid',
                gridTemplateColumns: '22px 1fr auto',
                py: 0.75,
                cursor: 'pointer',
                fontSize: 14,
                listStyle: 'none',
              },
            }}
          >
            <summary>
              <Box component="span" role="img" aria-label={word} sx={{ color: colour, fontWeight: 700 }}>
                {sign}
              </Box>
              <span>{title}</span>
              <Typography component="span" variant="figures">
                {Number.isFinite(value) ? printQuantity(value, quantity, units) : '–'}
              </Typography>
            </summary>
            <Typography variant="body2" sx={{ pl: '22px', pb: 1 }}>
              {sentence}
              {!isTold && ` Limit: ${limitIs === 'most' ? 'at most' : 'at least'} ${printQuantity(limit, quantity, units)}; ${SURE[sure]}.`}
            </Typography>
          </Box>
        );
      })}
    </Box>
  );
});
