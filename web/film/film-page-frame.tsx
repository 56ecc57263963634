import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { UnitSwitch } from '../app/unit-switch.tsx';
import plain from '../ui/plain.module.css';

interface FilmPageFrameProps {
  readonly title: string;
  /** Where the times of the film are put to use. */
  readonly back: { readonly to: string; readonly words: string };
  readonly children: React.ReactNode;
}

/** A page on which a film is measured: its head, and the way back. */
export const FilmPageFrame = ({ title, back, children }: FilmPageFrameProps) => (
  <div className={plain.page}>
    <Box component="header" sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 3, mb: 4 }}>
      <Typography variant="h1">{title}</Typography>
      <Box sx={{ mr: 'auto' }} />
      <UnitSwitch />
      <Button component={Link} to={back.to} variant="outlined">
        {back.words}
      </Button>
    </Box>
    {children}
  </div>
);
