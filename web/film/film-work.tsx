import Slider from '@mui/material/Slider';
import { useMemo, useState } from 'react';
import type { CarDesign, Wind } from '../../core/car/car-design.ts';
import { TAPED } from '../../core/rig/simulated-phone.ts';
import { seenAtPlace } from '../../core/film/measured-film.ts';
import { predictRun } from '../../core/predict/predict-run.ts';
import { Chart } from '../charts/chart.tsx';
import { FileButton } from '../ui/file-button.tsx';
import plain from '../ui/plain.module.css';
import { useFileDrop } from '../ui/use-file-drop.ts';
import { useTokens } from '../app/theme.ts';
import { useUnits } from '../ui/use-units.ts';
import { filmCurveOption } from './film-curve-option.ts';
import { FilmPicture, type PictureTarget } from './film-picture.tsx';
import styles from './film.module.css';
import { describeFilmEnd } from './film-words.ts';
import { DotStep } from './dot-step.tsx';
import { FollowStep } from './follow-step.tsx';
import { ResultStep, type FilmResult } from './result-step.tsx';
import { MarksStep } from './marks-step.tsx';
import { FilmIntro } from './film-intro.tsx';
import { useFilmSetup } from './use-film-setup.ts';
import { useFilmWork, type FilmPurpose, type TargetId } from './use-film-work.ts';

interface FilmWorkProps {
  readonly carId: string;
  /** The car as it ran, and how it was wound. */
  readonly design: CarDesign;
  readonly wind: Wind;
  /** m, marks of the session along the line of the run. */
  readonly marks: readonly number[];
  readonly purpose: FilmPurpose;
  readonly onAccept: (result: FilmResult) => void;
}

/** Frames a second that a film should have. */
const FEWEST = 20;

/** A film from its file to times and places: marks, dot, following, and what it tells, on one page. */
export function FilmWork({ carId, design, wind, marks, purpose, onAccept }: FilmWorkProps) {
  const units = useUnits();
  const tokens = useTokens();
  const [setup, change] = useFilmSetup(carId, marks, design.floor.laneWidth);
  const work = useFilmWork(setup, design.driveWheels.diameter / 2);
  const [active, setActive] = useState<TargetId | null>(null);
  const { reader, still, targets, places, floor, followed, measured, run, end, progress } = work;
  const ids: readonly TargetId[] = [...places.map((_, i) => `mark ${i}` as const), 'dot'];
  const take = async (file: File): Promise<void> => {
    await work.open(file);
    setActive('mark 0');
  };
  useFileDrop((file) => void take(file));
  const takeSimulated = (file: File, height: number): void => {
    change({ layout: 'rectangle', length: TAPED[1][0], width: TAPED[2][1], height });
    void take(file);
  };
  const set = (id: TargetId, pixels: readonly [number, number]): void => {
    const isNew = targets[id] === undefined;
    if (id === 'dot' && end?.kind === 'dot-lost') return void work.follow({ time: end.time, pixels });
    work.set(id, pixels);
    // The next that is not set yet takes the next click.
    if (isNew) setActive(ids.find((one) => one !== id && targets[one] === undefined) ?? null);
  };
  const shown = ids.concat(targets.wheel ? (['wheel'] as const) : []).flatMap((id, i): PictureTarget[] => {
    const pixels = targets[id];
    // A dot that was followed is where it was found.
    if (!pixels || ((id === 'dot' || id === 'wheel') && followed)) return [];
    const label = id === 'dot' ? 'Dot of the car' : id === 'wheel' ? 'Dot of the wheel' : `Mark ${i + 1}`;
    return [{ id, label, sign: id === 'dot' ? 'dot' : id === 'wheel' ? 'wheel' : String(i + 1), pixels }];
  });
  const points = followed?.points ?? [];
  const here = points.findLast(({ time }) => time <= work.time + 1e-6);
  const isRun = run !== null && typeof run !== 'string';
  const prediction = useMemo(() => predictRun(design, wind, { trace: true }), [design, wind]);
  const expected = prediction.kind === 'ran' ? prediction.result.trace! : null;
  const ghost = useMemo(() => {
    if (!isRun || !expected || !measured || !floor || purpose === 'coast') return null;
    const at = work.time - run.start;
    const i = expected.time.findIndex((time) => time >= at);
    const way = at <= 0 ? 0 : i < 0 ? expected.distance.at(-1)! : expected.distance[i]!;
    const [x, y = 0] = measured.points[0]!.place;
    const [u, v] = seenAtPlace(floor, [x! + way, y], setup.height);
    return [u, v ?? here?.pixels[1] ?? 0] as const;
  }, [isRun, expected, measured, floor, purpose, work.time, run, setup.height, here]);
  const option = useMemo(
    () =>
      measured && measured.speed.length > 0
        ? filmCurveOption(
            measured,
            isRun && expected && purpose === 'run' ? { trace: expected, start: run.start } : null,
            work.time,
            units,
            tokens,
          )
        : null,
    [measured, isRun, expected, purpose, run, work.time, units, tokens],
  );

  if (!reader || !still)
    return <FilmIntro {...{ design, wind, purpose, work }} onFile={(file) => void take(file)} onSimulated={takeSimulated} />;
  return (
    <div className={styles.work}>
      <div className={`${styles.column} ${styles.left}`}>
        <div className={`${styles.column} ${styles.stage}`}>
          <FilmPicture
            picture={still.picture}
            targets={shown}
            active={progress === null ? (end?.kind === 'dot-lost' ? 'dot' : active) : null}
            onActive={setActive}
            onSet={set}
            trail={points.filter(({ time }) => time <= work.time + 1e-6).map(({ pixels }) => pixels)}
            now={work.followedNow ?? (here && Math.abs(here.time - work.time) < 2 * reader.step ? here.pixels : null)}
            ghost={ghost}
          />
          <Slider
            aria-label="Time in the film"
            min={reader.first}
            max={reader.end}
            step={reader.step}
            value={work.time}
            disabled={progress !== null}
            getAriaValueText={(value) => `${value.toFixed(2)} s`}
            valueLabelDisplay="auto"
            valueLabelFormat={(value) => `${value.toFixed(2)} s`}
            onChange={(_event, value) => work.goTo(value)}
          />
          {reader.step > 1 / FEWEST && (
            <p role="status" className={plain.text}>
              This film has only {Math.round(1 / reader.step)} frames a second, so times are less certain. Film at 30 or 60.
            </p>
          )}
        </div>
        {option && (
          <>
            <Chart option={option} role="img" aria-label="Speed over the time of the film" sx={{ height: 240 }} />
            <p className={`${plain.caption} ${plain.muted}`}>
              Line: the film, with its range (9 in 10).
              {isRun && purpose === 'run' ? ' Dashed: the expected run.' : ''}
            </p>
          </>
        )}
      </div>
      <div className={styles.column}>
        <MarksStep {...{ setup, change, work, active, setActive }} />
        <DotStep {...{ setup, change, work, active, setActive, purpose }} />
        <FollowStep work={work} />
        {measured && end && describeFilmEnd(end) === null && <ResultStep {...{ work, measured, purpose, onAccept }} />}
        <FileButton label="Another film" accept="video/*" onFile={(file) => void take(file)}>
          Choose another film
        </FileButton>
      </div>
    </div>
  );
}
