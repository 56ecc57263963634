import DesignIcon from '@mui/icons-material/ArchitectureOutlined';
import DarkIcon from '@mui/icons-material/DarkModeOutlined';
import BriefIcon from '@mui/icons-material/AssignmentOutlined';
import BuildIcon from '@mui/icons-material/HandymanOutlined';
import TrackIcon from '@mui/icons-material/FlagOutlined';
import BenchIcon from '@mui/icons-material/StraightenOutlined';
import WordsIcon from '@mui/icons-material/MenuBookOutlined';
import MeetIcon from '@mui/icons-material/EmojiEventsOutlined';
import LearnIcon from '@mui/icons-material/SchoolOutlined';
import TuneIcon from '@mui/icons-material/TuneOutlined';
import LightIcon from '@mui/icons-material/LightModeOutlined';
import GarageIcon from '@mui/icons-material/WarehouseOutlined';
import { useColorScheme } from '@mui/material/styles';
import { startTransition, Suspense, useEffect, useRef, useState } from 'react';
import { NavLink, useLocation, useParams } from 'react-router';
import { lazyWithPreload } from '../ui/lazy-with-preload.ts';
import styles from './shell.module.css';
import { useJoined } from './use-role.ts';
import { useStationBadges } from './use-station-badges.ts';
import { useAppSelector } from './store.ts';

interface StationProps {
  readonly to: string;
  readonly label: string;
  readonly icon: React.ReactNode;
  /** What waits there, in a few words. */
  readonly waiting?: string | undefined;
}
const Station = ({ to, label, icon, waiting }: StationProps) => (
  <NavLink to={to} end className={styles.item}>
    {icon}
    {label}
    {waiting && (
      <span className={styles.waiting}>
        <span aria-hidden>● </span>
        {waiting}
      </span>
    )}
  </NavLink>
);

function SchemeSwitch() {
  const { mode, systemMode, setMode } = useColorScheme();
  const isDark = (mode === 'system' ? systemMode : mode) === 'dark';
  return (
    <button type="button" className={styles.item} onClick={() => setMode(isDark ? 'light' : 'dark')}>
      {isDark ? <LightIcon /> : <DarkIcon />}
      {isDark ? 'Light' : 'Dark'}
    </button>
  );
}

const WordsDrawer = lazyWithPreload(() => import('./glossary-drawer.tsx'));

/** Opens what the words on the screen mean. */
function WordsButton({ car }: { readonly car: string | null }) {
  const [text, setText] = useState<string | null>(null);
  return (
    <>
      <button
        type="button"
        aria-haspopup="dialog"
        className={`${styles.item} ${styles.last}`}
        onClick={() => startTransition(() => setText(document.getElementById('station')?.innerText ?? ''))}
      >
        <WordsIcon />
        Glossary
      </button>
      {text !== null && (
        <Suspense fallback={null}>
          <WordsDrawer text={text} carId={car} onClose={() => setText(null)} />
        </Suspense>
      )}
    </>
  );
}

/** The stations that can be gone to now: those of a car once one was opened. */
export function Rail() {
  const joined = useJoined();
  const isOwner = joined === null || joined.role === 'host';
  const lastCar = useAppSelector((state) => state.preferences.lastCar);
  const ownCar = !isOwner && joined.role === 'crew' ? joined.carId : null;
  const { carId } = useParams();
  const car = ownCar ?? carId ?? lastCar;
  const waiting = useStationBadges(car);
  const rail = useRef<HTMLElement>(null);
  const { pathname } = useLocation();
  useEffect(() => {
    // On a phone the present station may lie beyond the edge.
    rail.current?.querySelector('[aria-current=page]')?.scrollIntoView({ inline: 'nearest', block: 'nearest' });
  }, [pathname]);
  return (
    <nav ref={rail} aria-label="Stations" className={styles.rail}>
      <Station to="/" label={isOwner ? 'Garage' : 'Start'} icon={<GarageIcon />} />
      {isOwner && <Station to={car ? `/cars/${car}/brief` : '/briefs'} label="Brief" icon={<BriefIcon />} waiting={waiting.brief} />}
      {isOwner && car && <Station to={`/cars/${car}/bench`} label="Bench" icon={<BenchIcon />} />}
      {isOwner && car && <Station to={`/cars/${car}/design`} label="Design" icon={<DesignIcon />} waiting={waiting.design} />}
      {isOwner && car && <Station to={`/cars/${car}/build`} label="Build" icon={<BuildIcon />} />}
      {car && joined?.role !== 'board' && <Station to={`/cars/${car}/track`} label="Track" icon={<TrackIcon />} waiting={waiting.track} />}
      {isOwner && car && <Station to={`/cars/${car}/tune`} label="Tune" icon={<TuneIcon />} />}
      {joined?.role !== 'board' && <Station to={car ? `/cars/${car}/learn` : '/learn'} label="Learn" icon={<LearnIcon />} />}
      <Station to="/meets" label="Meet" icon={<MeetIcon />} />
      <WordsButton car={car} />
      <SchemeSwitch />
    </nav>
  );
}
