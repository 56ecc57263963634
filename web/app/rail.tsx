import DesignIcon from '@mui/icons-material/ArchitectureOutlined';
import DarkIcon from '@mui/icons-material/DarkModeOutlined';
import TrackIcon from '@mui/icons-material/FlagOutlined';
import LightIcon from '@mui/icons-material/LightModeOutlined';
import GarageIcon from '@mui/icons-material/WarehouseOutlined';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { useColorScheme } from '@mui/material/styles';
import { NavLink, useParams } from 'react-router';
import { useAppSelector } from './store.ts';

const itemStyle = {
  display: 'grid',
  justifyItems: 'center',
  gap: 0.5,
  width: { xs: 80, md: 60 },
  py: 2,
  borderRadius: 2,
  fontSize: 13,
  fontFamily: 'inherit',
  color: 'text.primary',
  textDecoration: 'none',
  '&.active': { bgcolor: 'primary.main', color: 'primary.contrastText' },
  '&:hover:not(.active)': { bgcolor: 'divider' },
} as const;

interface StationProps {
  readonly to: string;
  readonly label: string;
  readonly icon: React.ReactNode;
}
const Station = ({ to, label, icon }: StationProps) => (
  <ButtonBase component={NavLink} to={to} end sx={itemStyle}>
    {icon}
    {label}
  </ButtonBase>
);

function SchemeSwitch() {
  const { mode, systemMode, setMode } = useColorScheme();
  const isDark = (mode === 'system' ? systemMode : mode) === 'dark';
  return (
    <ButtonBase sx={{ ...itemStyle, mt: { md: 'auto' } }} onClick={() => setMode(isDark ? 'light' : 'dark')}>
      {isDark ? <LightIcon /> : <DarkIcon />}
      {isDark ? 'Light' : 'Dark'}
    </ButtonBase>
  );
}

/** The stations that can be gone to now: those of a car once one was opened. */
export function Rail() {
  const lastCar = useAppSelector((state) => state.preferences.lastCar);
  const car = useParams().carId ?? lastCar;
  return (
    <Box
      component="nav"
      aria-label="Stations"
      sx={{
        display: 'flex',
        flexDirection: { xs: 'row', md: 'column' },
        justifyContent: { xs: 'space-around', md: 'flex-start' },
        gap: 2,
        p: { xs: 1, md: 2 },
        borderRight: { md: 1 },
        borderTop: { xs: 1, md: 0 },
        borderColor: { xs: 'divider', md: 'divider' },
      }}
    >
      <Station to="/" label="Garage" icon={<GarageIcon />} />
      {car && <Station to={`/cars/${car}/design`} label="Design" icon={<DesignIcon />} />}
      {car && <Station to={`/cars/${car}/track`} label="Track" icon={<TrackIcon />} />}
      <SchemeSwitch />
    </Box>
  );
}
