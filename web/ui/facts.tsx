import Box from '@mui/material/Box';
import { Explained, type Explanation } from './explained.tsx';

interface FactsProps {
  readonly facts: readonly (readonly [name: string, figure: string])[];
  /** How the figure of this name came about. */
  readonly explain?: (name: string) => Explanation;
}

/** Names and their figures, in two columns. */
export const Facts = ({ facts, explain }: FactsProps) => (
  <Box
    component="dl"
    sx={{
      m: 0,
      display: 'grid',
      gridTemplateColumns: '1fr auto',
      rowGap: 1,
      '& dt': { fontSize: 14 },
      '& dd': { m: 0, typography: 'figures', textAlign: 'right' },
    }}
  >
    {facts.map(([name, figure]) => (
      <div key={name} style={{ display: 'contents' }}>
        <dt>{name}</dt>
        <dd>{explain ? <Explained explain={() => explain(name)}>{figure}</Explained> : figure}</dd>
      </div>
    ))}
  </Box>
);
