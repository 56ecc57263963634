import Button from '@mui/material/Button';
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { CarDesign } from '../../../core/car/car-design.ts';
import { MOST_RACERS } from '../../../core/explore/most-racers.ts';
import { raceEnd, racersOf } from '../../../core/explore/race.ts';
import { formatPredicted } from '../../../core/units/quantity.ts';
import { useListCarsQuery } from '../../app/api/cars-api.ts';
import { UnitSwitch } from '../../app/unit-switch.tsx';
import { ChoiceSelect } from '../../brief-fields/choice-select.tsx';
import { standalone } from '../../charts/standalone-svg.ts';
import { useBriefs } from '../../open-car/design-with-brief.ts';
import { download } from '../../ui/file-exchange.ts';
import plain from '../../ui/plain.module.css';
import { StateNote } from '../../ui/state-note.tsx';
import { StationSkeleton } from '../../ui/station-skeleton.tsx';
import { useSize } from '../../ui/use-size.ts';
import { useUnits } from '../../ui/use-units.ts';
import { RaceFromAbove } from './race-from-above.tsx';
import { RaceGraph } from './race-graph.tsx';
import { RaceLanes } from './race-lanes.tsx';
import styles from './race.module.css';
import { useEntrants } from './use-entrants.ts';
import { useRaceClock } from './use-race-clock.ts';

/** Each car on the floor that it is designed for. */
const OWN = 'own';
/** Cars that race before any are chosen. */
const AT_FIRST = 3;
/** s that the slider moves by one key. */
const STEP = 0.05;

const saveSvg = (id: string, name: string): void => {
  const drawing = document.getElementById(id);
  if (drawing) download(name, standalone(drawing as unknown as SVGSVGElement), 'image/svg+xml');
};

/** Two to six cars side by side on one floor, in true time: their most likely runs. */
export function RacePage() {
  const { data } = useListCarsQuery();
  const briefs = useBriefs();
  const [search, setSearch] = useSearchParams();
  const units = useUnits();
  const floors = useMemo(
    () =>
      new Map<string, { readonly name: string; readonly floor: CarDesign['floor'] }>(
        briefs.flatMap(({ id, brief }) =>
          brief.floors.map((one, i) => [`${id} ${i}`, { name: `${one.name} (${brief.name})`, floor: one.floor }] as const),
        ),
      ),
    [briefs],
  );
  const cars = data?.readable;
  const asked = search.get('cars');
  const floorKey = search.get('floor') ?? OWN;
  const floor = floors.get(floorKey)?.floor ?? null;
  const written = useMemo(
    () => (asked === null ? (cars ?? []).slice(0, AT_FIRST).map(({ id }) => id) : asked.split(',').filter(Boolean)).slice(0, MOST_RACERS),
    [asked, cars],
  );
  const entrants = useEntrants(written, cars);
  const racers = useMemo(() => racersOf(entrants ?? [], floor), [entrants, floor]);
  const end = raceEnd(racers);
  const clock = useRaceClock(end);
  const { ref, width } = useSize<HTMLDivElement>();
  if (!cars) return <StationSkeleton layout="rows" label="Reading the cars" />;
  const choose = (id: string, isIn: boolean): void => {
    const next = isIn ? [...written, id] : written.filter((one) => one !== id);
    setSearch({ cars: next.join(','), ...(floorKey !== OWN && { floor: floorKey }) }, { replace: true });
  };
  const isFull = written.length >= MOST_RACERS;
  /** Versions, runs and results that an address brought. */
  const others = (entrants ?? []).filter(({ id }) => !cars.some((car) => car.id === id));
  return (
    <div className={plain.page}>
      <header className={styles.head}>
        <h1>Race</h1>
        <UnitSwitch />
        <Button component={Link} to="/" variant="outlined">
          To the Garage
        </Button>
      </header>
      <fieldset className={styles.cars}>
        <legend className={plain.caption}>Cars, up to {MOST_RACERS}</legend>
        {cars.map(({ id, design }) => {
          const isIn = written.includes(id);
          return (
            <label key={id} className={styles.car}>
              <input type="checkbox" checked={isIn} disabled={!isIn && isFull} onChange={({ target }) => choose(id, target.checked)} />
              {design.name}
            </label>
          );
        })}
        {others.map(({ id, design }) => (
          <label key={id} className={styles.car}>
            <input type="checkbox" checked onChange={() => choose(id, false)} />
            {design.name}
          </label>
        ))}
      </fieldset>
      <ChoiceSelect
        label="Floor"
        value={floors.has(floorKey) ? floorKey : OWN}
        options={{ [OWN]: 'each on its own floor', ...Object.fromEntries([...floors].map(([key, { name }]) => [key, name])) }}
        onChange={(key) => setSearch({ cars: written.join(','), ...(key !== OWN && { floor: key }) }, { replace: true })}
      />
      {entrants === null ? (
        <StateNote kind="empty">Reading the cars …</StateNote>
      ) : racers.length < 2 ? (
        <StateNote kind="empty">
          Choose two cars or more.{entrants.length < written.length && ' What was removed, or was not timed, cannot race.'}
        </StateNote>
      ) : (
        <>
          <div className={styles.clock}>
            {clock.canPlay && (
              <Button variant="contained" onClick={clock.isPlaying ? clock.pause : clock.play}>
                {clock.isPlaying ? 'Pause' : 'Start'}
              </Button>
            )}
            <label className={styles.slider}>
              Time
              <input
                type="range"
                min={0}
                max={end}
                step={STEP}
                value={clock.time}
                aria-valuetext={formatPredicted(clock.time, 'time', units)}
                onChange={({ target }) => clock.moveTo(Number(target.value))}
              />
            </label>
            <span className={styles.figure}>{formatPredicted(clock.time, 'time', units)}</span>
          </div>
          <div ref={ref} className={styles.pictures}>
            {width > 0 && (
              <>
                <section aria-label="From the side" className={`${plain.caption} ${plain.muted}`}>
                  <RaceLanes racers={racers} time={clock.time} width={width} />
                </section>
                <RaceFromAbove racers={racers} end={end} time={clock.time} width={width} />
                <RaceGraph racers={racers} end={end} time={clock.time} width={width} />
              </>
            )}
          </div>
          <p className={`${plain.caption} ${plain.muted}`}>
            The most likely run of each car, or a run as it was timed, all started at once and in true time. Real runs scatter: see the
            chances at a meet.
          </p>
          <div className={styles.clock}>
            <Button onClick={() => saveSvg('race-lanes', 'race.svg')}>Save the race as SVG</Button>
            <Button onClick={() => saveSvg('race-graph', 'race-graph.svg')}>Save the graph as SVG</Button>
          </div>
        </>
      )}
    </div>
  );
}
