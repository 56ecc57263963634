import Box from '@mui/material/Box';
import Popover from '@mui/material/Popover';
import Typography from '@mui/material/Typography';
import { memo, useState, type ReactNode } from 'react';

/** How a figure came about: the formula, and each number put in with where it comes from. */
export interface Explanation {
  readonly title: string;
  readonly formula: string;
  readonly numbers: readonly (readonly [name: string, value: string, from: string])[];
}

interface ExplainedProps {
  /** Explains the figure of a name. */
  readonly explain: (figure: string) => Explanation;
  readonly figure: string;
  readonly children: ReactNode;
}

/** A figure that explains itself when pressed; drawn anew only when it says otherwise. */
export const Explained = memo(function Explained({ explain, figure, children }: ExplainedProps) {
  const [shown, setShown] = useState<{ readonly anchor: HTMLElement; readonly explanation: Explanation } | null>(null);
  return (
    <>
      {/* A plain button: many of these are drawn anew in every frame of a drag. */}
      <button
        type="button"
        className="explained"
        aria-haspopup="dialog"
        onClick={({ currentTarget }) => setShown({ anchor: currentTarget, explanation: explain(figure) })}
      >
        {children}
      </button>
      {shown && (
        <Popover
          open
          anchorEl={shown.anchor}
          onClose={() => setShown(null)}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
          transformOrigin={{ vertical: 'top', horizontal: 'right' }}
          slotProps={{ paper: { role: 'dialog', 'aria-label': shown.explanation.title, sx: { p: 4, maxWidth: 440 } } }}
        >
          <Typography variant="h3" component="h2">
            {shown.explanation.title}
          </Typography>
          <Typography sx={{ my: 2 }}>{shown.explanation.formula}</Typography>
          <Box
            component="dl"
            sx={{
              m: 0,
              display: 'grid',
              gridTemplateColumns: '1fr auto auto',
              columnGap: 3,
              rowGap: 0.5,
              '& dt, & dd': { fontSize: 14, m: 0 },
            }}
          >
            {shown.explanation.numbers.map(([name, value, from]) => (
              <div key={name} style={{ display: 'contents' }}>
                <dt>{name}</dt>
                <Typography component="dd" variant="figures">
                  {value}
                </Typography>
                <Typography component="dd" color="text.secondary">
                  {from}
                </Typography>
              </div>
            ))}
          </Box>
        </Popover>
      )}
    </>
  );
});
