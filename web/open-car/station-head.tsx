import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { UnitSwitch } from '../app/unit-switch.tsx';
import { SaveWords, UndoButtons } from '../open-document/save-state.tsx';
import { CAR } from './car-document.ts';

interface StationHeadProps {
  readonly name: string;
  /** The version of the car; nothing where none is saved. */
  readonly version?: string | undefined;
  /** The station that comes next. */
  readonly onward: { readonly to: string; readonly words: string };
  readonly children?: React.ReactNode;
}

/** The head of a station of a car: its name, whether it is saved, undo, units, and the way onward. */
export const StationHead = ({ name, version, onward, children }: StationHeadProps) => (
  <Box component="header" sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 3, mb: 4 }}>
    <Typography variant="h1">{name}</Typography>
    <Typography color="text.secondary" sx={{ mr: 'auto' }}>
      {version}
    </Typography>
    <SaveWords kind={CAR} />
    <UndoButtons kind={CAR} />
    <UnitSwitch />
    {children}
    <Button component={Link} to={onward.to} variant="outlined" sx={{ display: { xs: 'none', md: 'inline-flex' } }}>
      {onward.words}
    </Button>
  </Box>
);
