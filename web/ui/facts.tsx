import Box from '@mui/material/Box';

/** Names and their figures, in two columns. */
export const Facts = ({ facts }: { readonly facts: readonly (readonly [name: string, figure: string])[] }) => (
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
        <dd>{figure}</dd>
      </div>
    ))}
  </Box>
);
