import DesignIcon from '@mui/icons-material/ArchitectureOutlined';
import DarkIcon from '@mui/icons-material/DarkModeOutlined';
import TrackIcon from '@mui/icons-material/FlagOutlined';
import LightIcon from '@mui/icons-material/LightModeOutlined';
import GarageIcon from '@mui/icons-material/WarehouseOutlined';
import { useColorScheme } from '@mui/material/styles';
import { NavLink, useParams } from 'react-router';
import styles from './shell.module.css';
import { useAppSelector } from './store.ts';

interface StationProps {
  readonly to: string;
  readonly label: string;
  readonly icon: React.ReactNode;
}
const Station = ({ to, label, icon }: StationProps) => (
  <NavLink to={to} end className={styles.item}>
    {icon}
    {label}
  </NavLink>
);

function SchemeSwitch() {
  const { mode, systemMode, setMode } = useColorScheme();
  const isDark = (mode === 'system' ? systemMode : mode) === 'dark';
  return (
    <button type="button" className={`${styles.item} ${styles.last}`} onClick={() => setMode(isDark ? 'light' : 'dark')}>
      {isDark ? <LightIcon /> : <DarkIcon />}
      {isDark ? 'Light' : 'Dark'}
    </button>
  );
}

/** The stations that can be gone to now: those of a car once one was opened. */
export function Rail() {
  const lastCar = useAppSelector((state) => state.preferences.lastCar);
  const car = useParams().carId ?? lastCar;
  return (
    <nav aria-label="Stations" className={styles.rail}>
      <Station to="/" label="Garage" icon={<GarageIcon />} />
      {car && <Station to={`/cars/${car}/design`} label="Design" icon={<DesignIcon />} />}
      {car && <Station to={`/cars/${car}/track`} label="Track" icon={<TrackIcon />} />}
      <SchemeSwitch />
    </nav>
  );
}
