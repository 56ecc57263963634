import DesignIcon from '@mui/icons-material/ArchitectureOutlined';
import DarkIcon from '@mui/icons-material/DarkModeOutlined';
import BriefIcon from '@mui/icons-material/AssignmentOutlined';
import BuildIcon from '@mui/icons-material/HandymanOutlined';
import TrackIcon from '@mui/icons-material/FlagOutlined';
import BenchIcon from '@mui/icons-material/StraightenOutlined';
import FindIcon from '@mui/icons-material/SearchOutlined';
import GlossaryIcon from '@mui/icons-material/MenuBookOutlined';
import MoreIcon from '@mui/icons-material/MoreHoriz';
import MeetIcon from '@mui/icons-material/EmojiEventsOutlined';
import ClassIcon from '@mui/icons-material/GroupsOutlined';
import LearnIcon from '@mui/icons-material/SchoolOutlined';
import TuneIcon from '@mui/icons-material/TuneOutlined';
import LightIcon from '@mui/icons-material/LightModeOutlined';
import GarageIcon from '@mui/icons-material/WarehouseOutlined';
import { useColorScheme } from '@mui/material/styles';
import { startTransition, Suspense, useState } from 'react';
import { NavLink, useLocation, useNavigate, useParams } from 'react-router';
import { lazyWithPreload } from '../ui/lazy-with-preload.ts';
import { MenuButton } from '../ui/menu-button.tsx';
import styles from './shell.module.css';
import { stationsOnPhone } from './stations-on-phone.ts';
import { stationAt, useCrewClass, useIsOwner, useJoined } from './use-role.ts';
import { useListClassesQuery } from './api/documents-api.ts';
import { useStationBadges } from './use-station-badges.ts';
import { useAppSelector } from './store.ts';
import { useShortcut } from '../ui/use-shortcut.ts';
import { useIsPhone } from '../ui/use-is-phone.ts';

interface StationLink {
  readonly to: string;
  readonly label: string;
  readonly icon: React.ReactNode;
  /** What waits there, in a few words. */
  readonly waiting?: string | undefined;
}
const Station = ({ to, label, icon, waiting }: StationLink) => (
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

function useColors() {
  const { mode, systemMode, setMode } = useColorScheme();
  const isDark = (mode === 'system' ? systemMode : mode) === 'dark';
  return { isDark, label: isDark ? 'Light' : 'Dark', swap: () => setMode(isDark ? 'light' : 'dark') };
}

const GlossaryDrawer = lazyWithPreload(() => import('./glossary-drawer.tsx'));

const FindDialog = lazyWithPreload(() => import('./find/find-dialog.tsx'));

/** Opens the search over all stations; Ctrl + K does too, and / where nothing is typed. */
function useFind(car: string | null) {
  const [isOpen, setOpen] = useState(false);
  const open = (): void => startTransition(() => setOpen(true));
  useShortcut(({ key, ctrlKey, metaKey }) => key === '/' || ((ctrlKey || metaKey) && key === 'k'), open);
  return {
    open,
    dialog: isOpen && (
      <Suspense fallback={null}>
        <FindDialog carId={car} onClose={() => setOpen(false)} />
      </Suspense>
    ),
  };
}

/** Opens what the words on the screen mean. */
function useGlossary(car: string | null) {
  const [text, setText] = useState<string | null>(null);
  return {
    open: () => startTransition(() => setText(document.getElementById('station')?.innerText ?? '')),
    drawer: text !== null && (
      <Suspense fallback={null}>
        <GlossaryDrawer text={text} carId={car} onClose={() => setText(null)} />
      </Suspense>
    ),
  };
}

/** The stations that can be gone to now: those of a car once one was opened. */
function useStations() {
  const joined = useJoined();
  const isOwner = useIsOwner();
  const crewClass = useCrewClass();
  const { data: classes } = useListClassesQuery(undefined, { skip: joined?.role !== 'host' });
  const lastCar = useAppSelector((state) => state.preferences.lastCar);
  const ownCar = joined?.role === 'crew' ? joined.carId : null;
  const { carId } = useParams();
  const car = ownCar ?? carId ?? lastCar;
  const waiting = useStationBadges(car);
  const isBoard = joined?.role === 'board';
  const of = (station: string): string => `/cars/${car}/${station}`;
  const stations: readonly (StationLink | false | null)[] = [
    { to: '/', label: isOwner ? 'Garage' : 'Start', icon: <GarageIcon /> },
    isOwner && { to: car ? of('brief') : '/briefs', label: 'Brief', icon: <BriefIcon />, waiting: waiting.brief },
    isOwner && car !== null && { to: of('bench'), label: 'Bench', icon: <BenchIcon /> },
    isOwner && car !== null && { to: of('design'), label: 'Design', icon: <DesignIcon />, waiting: waiting.design },
    isOwner && car !== null && { to: of('build'), label: 'Build', icon: <BuildIcon /> },
    car !== null && !isBoard && { to: of('track'), label: 'Track', icon: <TrackIcon />, waiting: waiting.track },
    isOwner && car !== null && { to: of('tune'), label: 'Tune', icon: <TuneIcon /> },
    !isBoard && { to: car ? of('learn') : '/learn', label: 'Learn', icon: <LearnIcon /> },
    { to: '/meets', label: 'Meet', icon: <MeetIcon /> },
    crewClass && { to: '/class', label: 'Class', icon: <ClassIcon /> },
    // Whoever leads no class notices nothing of it.
    (classes?.readable.length ?? 0) > 0 && { to: '/classes', label: 'Class', icon: <ClassIcon /> },
  ];
  const isOpen = ({ to }: StationLink): boolean => !crewClass?.closed.includes(stationAt(to) as (typeof crewClass.closed)[number]);
  return { car, stations: stations.filter((station) => station !== false && station !== null).filter(isOpen) };
}

/** The rail at the left; on a phone five stations along the bottom, and the rest behind “More”. */
export function Rail() {
  const { car, stations } = useStations();
  const isPhone = useIsPhone();
  const { pathname } = useLocation();
  const navigate = useNavigate();
  const colors = useColors();
  const glossary = useGlossary(car);
  const find = useFind(car);
  const shown = isPhone ? stationsOnPhone(stations, pathname) : stations;
  return (
    <nav aria-label="Stations" className={styles.rail}>
      {shown.map((station) => (
        <Station key={station.label} {...station} />
      ))}
      {isPhone ? (
        <MenuButton
          actions={[
            ...stations.filter((station) => !shown.includes(station)).map(({ label, to }) => [label, () => void navigate(to)] as const),
            ['Find', find.open],
            ['Glossary', glossary.open],
            [colors.label, colors.swap],
          ]}
          button={(open) => (
            <button type="button" aria-haspopup="menu" className={styles.item} onClick={open}>
              <MoreIcon />
              More
            </button>
          )}
        />
      ) : (
        <>
          <button type="button" aria-haspopup="dialog" className={`${styles.item} ${styles.last}`} onClick={find.open}>
            <FindIcon />
            Find
          </button>
          <button type="button" aria-haspopup="dialog" className={styles.item} onClick={glossary.open}>
            <GlossaryIcon />
            Glossary
          </button>
          <button type="button" className={styles.item} onClick={colors.swap}>
            {colors.isDark ? <LightIcon /> : <DarkIcon />}
            {colors.label}
          </button>
        </>
      )}
      {find.dialog}
      {glossary.drawer}
    </nav>
  );
}
